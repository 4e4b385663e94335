"""Wordings that all explanations share."""

import re
from collections.abc import Callable, Iterator, Mapping
from typing import TypeVar

Number = int | float
"""A counter's value."""

_PLACE = re.compile(r"\{(\w+)((?:\|[^{}|]*)*)\}")
_COLUMN = re.compile(r"\{([^{}]+)\}")


def counted(count: float, thing: str) -> str:
    """A count with its noun: ``1 question``, ``3 questions``, ``-1 point``."""
    count = as_written(count)
    return f"{count} {thing}" if abs(count) == 1 else f"{count} {thing}s"


Value = TypeVar("Value")


def as_written(value: Value) -> Value | Number:
    """A number as people write it, to four decimals at most; other values as they are.

    >>> as_written(5.0), as_written(0.1 + 0.2), as_written(0.9999999999999999)
    (5, 0.3, 1)
    """
    if not isinstance(value, float):
        return value
    rounded = round(value, 4)
    return int(rounded) if rounded.is_integer() else rounded


def one_or_more(count: Number) -> int:
    """The English plural form of a count: 0 for one, 1 for any other."""
    return 0 if abs(count) == 1 else 1


def filled_in(
    words: str,
    values: Mapping[str, object],
    decimal: str = ".",
    form: Callable[[Number], int] = one_or_more,
) -> str:
    """The words with every ``{name}`` that has a value replaced by the value; numbers use the given
    decimal mark.

    A place with forms after its name is replaced by the form for the number: `form` gives the index
    of the language's plural form, from 0; an index beyond the last written form takes the last.

    >>> filled_in("{score} {score|point|points}, {name}", {"score": 3.0})
    '3 points, {name}'
    """

    def filling(found: re.Match[str]) -> str:
        value = values.get(found[1], found[0])
        forms = found[2].split("|")[1:]
        if forms and isinstance(value, int | float):
            return forms[min(form(as_written(value)), len(forms) - 1)]
        text = str(as_written(value))
        return text.replace(".", decimal) if isinstance(value, float) else text

    return _PLACE.sub(filling, words)


def places_in(words: str) -> Iterator[str]:
    """The names in braces in a text."""
    return (name for name, _ in forms_in(words))


def forms_in(words: str) -> Iterator[tuple[str, tuple[str, ...]]]:
    """The names in braces in a text, each with the forms written after it."""
    for found in _PLACE.finditer(words):
        yield found[1], tuple(found[2].split("|")[1:])


def columns_in(words: str) -> Iterator[str]:
    """The names of columns in braces in a text; a column name can have several words."""
    return (found[1].strip() for found in _COLUMN.finditer(words))


def from_columns(words: str, cell: Callable[[str], str]) -> str:
    """The text with every column name in braces replaced by the cell of that column.

    >>> from_columns("When is {plant} sown?", {"plant": "Carrot"}.__getitem__)
    'When is Carrot sown?'
    """
    return _COLUMN.sub(lambda found: cell(found[1].strip()), words)
