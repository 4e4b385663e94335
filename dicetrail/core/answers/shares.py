"""How much of an answer is right: the share of several choices picked together.

Rounds say what wrong picks take away. A share is in percent; only an answer that is neither
wholly right nor wholly wrong has one from 1 to 99.
"""

from collections import Counter
from collections.abc import Mapping
from functools import cache
from math import comb
from types import MappingProxyType

from dicetrail.core.document import PartlyRight

WHOLE = 100
"""The share of an answer that is right."""

HALF = 50
"""The share of an answer of which its player says that it was right in part."""


def share_of(part: int, whole: int) -> int:
    """The share of an answer that is not wholly right, in percent rounded half up.

    Whatever is rounded, one that is right in part has from 1 to 99. Below nothing is nothing.

    >>> share_of(2, 3), share_of(999, 1000), share_of(1, 1000), share_of(-1, 3)
    (67, 99, 1, 0)
    """
    if part <= 0:
        return 0
    return min(WHOLE - 1, max(1, (2 * WHOLE * part + whole) // (2 * whole)))


def share_of_picks(partly: PartlyRight, right: int, found: int, others: int) -> int:
    """The share of an answer that picks `found` of `right` right choices, and `others` that are
    wrong, in percent rounded half up.

    0 if wrong picks outweigh it, or if the round counts no parts.

    >>> [share_of_picks(PartlyRight.LESS_WRONG, 3, 2, others) for others in range(3)]
    [67, 33, 0]
    """
    if found == right and not others:
        return WHOLE
    counted = {
        PartlyRight.NEVER: 0,
        PartlyRight.RIGHT_PICKS: found,
        PartlyRight.LESS_WRONG: found - others,
    }[partly]
    return share_of(counted, right)


@cache
def shares_of_picks(partly: PartlyRight, right: int, wrong: int) -> Mapping[int, int]:
    """Every share that an answer can have that is right in part, from the least up, each with the
    number of answers that have it: sets of some of `right` right and `wrong` wrong choices.

    >>> dict(shares_of_picks(PartlyRight.LESS_WRONG, 2, 1))
    {50: 3}
    """
    found = Counter[int]()
    for hits in range(1, right + 1):
        for others in range(wrong + 1):
            share = share_of_picks(partly, right, hits, others)
            if 0 < share < WHOLE:
                found[share] += comb(right, hits) * comb(wrong, others)
    return MappingProxyType(dict(sorted(found.items())))
