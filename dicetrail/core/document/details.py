"""The fields that a question may carry, for all code that reads, writes or shows them."""

from collections.abc import Iterator
from dataclasses import dataclass, fields
from typing import get_type_hints

from dicetrail.core.document.field_labels import FieldLabel, Value, notes_of, parts_in
from dicetrail.core.document.game import Details


@dataclass(frozen=True, slots=True)
class Detail:
    """A field of `Details`."""

    field: str
    told: FieldLabel
    values: type[Value] | None
    """The words allowed in the field; None for a free text or a number."""
    is_number: bool

    @property
    def heading(self) -> str:
        """The heading of its column in a question file."""
        return self.told.label.lower()

    @property
    def is_text(self) -> bool:
        """Whether the field takes any text."""
        return self.values is None and not self.is_number


def _details() -> Iterator[Detail]:
    hints, told = get_type_hints(Details), notes_of(Details, FieldLabel)
    for field in fields(Details):
        values = next(parts_in(hints[field.name]), None)
        is_number = values is None and hints[field.name] is not str
        yield Detail(field.name, told[field.name], values, is_number)


DETAILS = tuple(_details())
"""In the order of the document."""
