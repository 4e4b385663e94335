"""The few turns of phrase that every explanation shares."""

import re
from collections.abc import Iterator, Mapping

_PLACE = re.compile(r"\{(\w+)\}")


def counted(count: float, thing: str) -> str:
    """A count with its thing: ``1 question``, ``3 questions``."""
    return f"{count} {thing}" if count == 1 else f"{count} {thing}s"


def filled_in(words: str, values: Mapping[str, object]) -> str:
    """The words with every ``{name}`` that has a value replaced by it.

    >>> filled_in("{score} points, {name}", {"score": 3})
    '3 points, {name}'
    """
    return _PLACE.sub(lambda found: str(values.get(found[1], found[0])), words)


def places_in(words: str) -> Iterator[str]:
    """The names in braces that words have."""
    return (found[1] for found in _PLACE.finditer(words))
