"""Which values a document may hold: the size of its numbers and the characters of its texts.

Everything else is computed only after these checks have passed, so no number can make a computation
long. A text consists of whole Unicode characters: half of a pair (a lone surrogate) can be neither
shown nor stored.
"""

from collections.abc import Iterator
from dataclasses import fields, is_dataclass, replace
from operator import is_
from typing import Any, TypeVar

from dicetrail.core.document.field_labels import Range, notes_of
from dicetrail.core.document.problems import Problem

LONE_SURROGATE = ("it holds half a character, such as half an emoji", "write that character anew")
"""The problem of a text that is not Unicode, and how to mend it."""


def is_whole_text(text: str) -> bool:
    """Whether a text is of whole Unicode characters (Unicode Standard, D76 and D92)."""
    if text.isascii():
        return True
    try:
        text.encode()
    except UnicodeEncodeError:
        return False
    return True


def as_whole_text(text: str) -> str:
    """The text with every lone surrogate replaced by U+FFFD, the replacement character."""
    if is_whole_text(text):
        return text
    return text.encode("utf-16", "surrogatepass").decode("utf-16", "replace")


def out_of_bounds(part: Any, where: str = "") -> Iterator[Problem]:
    """A fault for every number out of bounds and every broken text, at any depth."""
    bounds = notes_of(type(part), Range)
    for field in fields(part):
        place = f"{where}.{field.name}" if where else field.name
        yield from _of_value(getattr(part, field.name), place, bounds.get(field.name))


def _of_value(value: Any, where: str, bounds: Range | None) -> Iterator[Problem]:
    if isinstance(value, str):
        if not is_whole_text(value):
            yield Problem(where, *LONE_SURROGATE)
    elif isinstance(value, tuple):
        for number, item in enumerate(value):
            yield from _of_value(item, f"{where}[{number}]", bounds)
    elif is_dataclass(value):
        yield from out_of_bounds(value, where)
    elif bounds is not None and value is not None and not bounds.least <= value <= bounds.most:
        mend = f"keep within {bounds.least} and {bounds.most}"
        yield Problem(where, f"{_short(value)} is out of range", mend)


Part = TypeVar("Part")


def clipped(part: Part) -> Part:
    """The same value with every number moved within its bounds and every text repaired."""
    bounds = notes_of(type(part), Range)
    changed = {}
    for field in fields(part):  # type: ignore[arg-type]
        value = getattr(part, field.name)
        kept = _clipped_value(value, bounds.get(field.name))
        if kept is not value:
            changed[field.name] = kept
    return replace(part, **changed) if changed else part  # type: ignore[type-var]


def _clipped_value(value: Any, bounds: Range | None) -> Any:
    if isinstance(value, str):
        return as_whole_text(value)
    if isinstance(value, tuple):
        kept = tuple(_clipped_value(item, bounds) for item in value)
        return value if all(map(is_, kept, value)) else kept
    if is_dataclass(value):
        return clipped(value)
    if bounds is None or value is None or bounds.least <= value <= bounds.most:
        return value
    return bounds.least if value < bounds.least else bounds.most


def _short(value: int) -> str:
    """A number in words; a very long number is described by its count of digits."""
    # The bits are asked first: Python refuses to write out a number of over 4,300 digits.
    if value.bit_length() > 128:
        return f"a number of {value.bit_length() * 30103 // 100000 + 1} digits"
    return str(value)
