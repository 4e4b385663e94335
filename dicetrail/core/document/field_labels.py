"""What stands beside the fields of a document: what they may be, and what people are told.

A number says its bounds beside its field, and a field what it is called:
``tries: Annotated[int | None, Within(1, 20), Told("Tries for a question")]``. One value of a
few says its own words. Validation, the survey's faults, the columns of question files and
the fields of the pages all take theirs from here.
"""

from collections.abc import Iterator
from dataclasses import dataclass, fields, is_dataclass
from enum import StrEnum
from functools import cache
from typing import Any, Self, TypeVar, get_args, get_type_hints


@dataclass(frozen=True, slots=True)
class Range:
    """The least and the most a number may be, both included."""

    least: int
    most: int
    is_told: bool = False
    """Whether one that is out of bounds is kept and told beside it, as in a row of a pack,
    where others are refused as they come in."""


@dataclass(frozen=True, slots=True)
class FieldLabel:
    """What people are told of a field."""

    label: str
    hint: str = ""
    """What it does, or in which unit it counts."""
    empty: str = ""
    """What it means where nothing stands."""
    also: tuple[str, ...] = ()
    """Further headings that a column of a question file may carry for it."""
    short: str = ""
    """What it is called where there is little room, if not by its name."""


class Value(StrEnum):
    """One value of a few, with the words that a page shows for it."""

    label: str
    hint: str

    def __new__(cls, value: str, label: str = "", hint: str = "") -> Self:
        """A value, told by itself if no label is given."""
        made = str.__new__(cls, value)
        made._value_ = value
        made.label = label or value
        made.hint = hint
        return made


Note = TypeVar("Note", Range, FieldLabel)


def notes_of(part: Any, kind: type[Note]) -> dict[str, Note]:
    """What stands beside the fields of a part, of one kind, by field."""
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
    """A field of a document: where it stands, what is told of it, and what it may be."""

    where: str
    """``rounds[].ask.tries``."""
    told: FieldLabel | None
    within: Range | None


def fields_within(part: Any, where: str = "") -> Iterator[FieldTold]:
    """Every field of a part and of its parts of which something is told or bounded."""
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
    """Every set of values that a field of a part or of its parts can have."""
    for hint in get_type_hints(part).values():
        for inner in parts_in(hint):
            if is_dataclass(inner):
                yield from values_within(inner)
            else:
                yield inner


def parts_in(hint: Any) -> Iterator[Any]:
    """The dataclasses and sets of values a type is made of."""
    if is_dataclass(hint) or (isinstance(hint, type) and issubclass(hint, Value)):
        yield hint
    for inner in get_args(hint):
        yield from parts_in(inner)
