"""Read what is put in order or matched where it stands in one cell, or with looser signs."""

import re

from dicetrail.core import Kind
from dicetrail.core.document import pair_in


def parted(cell: str, kind: Kind) -> tuple[str, ...]:
    """Several answers to put in order, or pairs, that stand in one cell; else the cell alone.

    >>> parted("sow > hoe > reap", Kind.ORDER), parted("bee = honey; hen = egg", Kind.MATCH)
    (('sow', 'hoe', 'reap'), ('bee = honey', 'hen = egg'))
    """
    for between in _BETWEEN:
        parts = tuple(part.strip() for part in cell.split(between))
        is_fit = len(parts) > 1 and all(parts)
        if is_fit and (kind is Kind.ORDER or all(map(pair_of, parts))):
            return parts
    return (cell,)


_BETWEEN = ("\n", ";", "|", "->", "→", ">", "/", ",")
"""What stands between answers in one cell. An arrow can part the two of a pair as well."""


def pair_of(text: str) -> tuple[str, str] | None:
    """The pair that a cell tells, with any sign that makers write between two things."""
    if (pair := pair_in(text)) is not None:
        return pair
    found = _LOOSE_PAIR.fullmatch(text)
    return (found[1], found[2]) if found else None


_LOOSE_PAIR = re.compile(r"(.*?\S)(?:\s*:\s+|\s+[-–—~|]\s+)(\S.*)")
