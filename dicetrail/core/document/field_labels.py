"""Bounds and labels, declared beside the fields of the document.

A number declares its bounds and a field its label: ``tries: Annotated[int | None, Range(1, 20),
FieldLabel("Tries for a question")]``. Each value of a choice declares its own words. Validation,
the survey's faults, the columns of question files and the fields of the pages all read them here.
"""

from collections.abc import Iterator
from dataclasses import dataclass, fields, is_dataclass
from enum import StrEnum
from functools import cache
from typing import Any, Self, TypeVar, get_args, get_type_hints


@dataclass(frozen=True, slots=True)
class Range:
    """The smallest and the largest value a number may have, both included."""

    least: int
    most: int
    is_told: bool = False
    """Whether a number out of bounds is kept and reported beside the row, as in packs. Other fields
    refuse it."""


@dataclass(frozen=True, slots=True)
class FieldLabel:
    """The label of a field on pages and in messages."""

    label: str
    hint: str = ""
    """What the field does, or its unit."""
    empty: str = ""
    """What an empty field means."""
    also: tuple[str, ...] = ()
    """Other headings of question files that mean this field."""
    short: str = ""
    """A shorter label for narrow places; empty uses the label."""


class Value(StrEnum):
    """A value of a fixed set, with the words that a page shows for it."""

    label: str
    hint: str

    def __new__(cls, value: str, label: str = "", hint: str = "") -> Self:
        """Make a value; without a label its own text is the label."""
        made = str.__new__(cls, value)
        made._value_ = value
        made.label = label or value
        made.hint = hint
        return made


Note = TypeVar("Note", Range, FieldLabel)


def notes_of(part: Any, kind: type[Note]) -> dict[str, Note]:
    """The annotations of one kind on the fields of a dataclass, by field."""
    asked: Any = kind
    return _notes_of(part, asked)


@cache  # of types, never of what is played
def _notes_of(part: Any, kind: Any) -> dict[str, Any]:
    hints = get_type_hints(part, include_extras=True)
    found = {}
    for field in fields(part):
        for note in getattr(hints[field.name], "__metadata__", ()):
            if isinstance(note, kind):
                found[field.name] = note
    return found


@dataclass(frozen=True, slots=True)
class FieldTold:
    """A field of a document: its path, its label and its bounds."""

    where: str
    """``rounds[].ask.tries``."""
    told: FieldLabel | None
    within: Range | None


def fields_within(part: Any, where: str = "") -> Iterator[FieldTold]:
    """Every field, at any depth, that has a label or bounds."""
    told, within = notes_of(part, FieldLabel), notes_of(part, Range)
    for name, hint in get_type_hints(part).items():
        place = f"{where}.{name}" if where else name
        several = "[]" if "tuple" in str(hint) else ""
        if name in told or name in within:
            yield FieldTold(place + several, told.get(name), within.get(name))
        for inner in parts_in(hint):
            if is_dataclass(inner):
                yield from fields_within(inner, place + several)


def values_within(part: Any) -> Iterator[type[Value]]:
    """Every set of values that a field, at any depth, can take."""
    for hint in get_type_hints(part).values():
        for inner in parts_in(hint):
            if is_dataclass(inner):
                yield from values_within(inner)
            else:
                yield inner


def parts_in(hint: Any) -> Iterator[Any]:
    """The dataclasses and value sets that a type contains."""
    if is_dataclass(hint) or (isinstance(hint, type) and issubclass(hint, Value)):
        yield hint
    for inner in get_args(hint):
        yield from parts_in(inner)
