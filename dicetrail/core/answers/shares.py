"""How much of an answer is right: the share of several choices picked together.

Rounds say what wrong picks take away. A share is in percent; only an answer that is neither
wholly right nor wholly wrong has one from 1 to 99.
"""

from collections import Counter
from collections.abc import Mapping
from math import comb

from dicetrail.core.document import PartlyRight

WHOLE = 100
"""The share of an answer that is right."""


def share_of(part: int, whole: int, *, is_whole: bool) -> int:
    """A part of a whole as the share of an answer, in percent rounded half up.

    100 for an answer that is wholly right, and for no other: whatever is rounded, one that is right
    in part has from 1 to 99. Below nothing is nothing.
    """
    if is_whole or part <= 0:
        return WHOLE if is_whole else 0
    return min(WHOLE - 1, max(1, (2 * WHOLE * part + whole) // (2 * whole)))


def share_of_picks(partly: PartlyRight, right: int, found: int, others: int) -> int:
    """The share of an answer that picks `found` of `right` right choices, and `others` that are
    wrong, in percent rounded half up.

    0 if wrong picks outweigh it, or if the round counts no parts.

    >>> [share_of_picks(PartlyRight.LESS_WRONG, 3, 2, others) for others in range(3)]
    [67, 33, 0]
    """
    counted = {
        PartlyRight.NEVER: 0,
        PartlyRight.RIGHT_PICKS: found,
        PartlyRight.LESS_WRONG: found - others,
    }[partly]
    return share_of(counted, right, is_whole=found == right and not others)


def shares_of_picks(partly: PartlyRight, right: int, wrong: int) -> Mapping[int, int]:
    """Every share that an answer can have that is right in part, from the least up, each with the
    number of answers that have it: sets of some of `right` right and `wrong` wrong choices.

    >>> shares_of_picks(PartlyRight.LESS_WRONG, 2, 1)
    {50: 3}
    """
    found = Counter[int]()
    for hits in range(1, right + 1):
        for others in range(wrong + 1):
            share = share_of_picks(partly, right, hits, others)
            if 0 < share < WHOLE:
                found[share] += comb(right, hits) * comb(wrong, others)
    return dict(sorted(found.items()))
