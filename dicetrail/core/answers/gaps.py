"""Gaps of a text: how much of an answer is right, and what a blind guess finds.

Every gap is typed, or picked from words. One that is left empty is not right, and it is not wrong
either where wrong words take away.
"""

from collections import Counter
from collections.abc import Mapping
from functools import cache
from math import prod
from types import MappingProxyType

from dicetrail.core.answers.shares import WHOLE, share_of_picks
from dicetrail.core.document import PartlyRight

GapSizes = tuple[tuple[int, int], ...]
"""For each gap how many words there are to pick from, and how many of them fit; no words where it
is typed."""


@cache
def shares_of_gaps(partly: PartlyRight, count: int) -> tuple[int, ...]:
    """Every share that an answer to so many gaps can have that is right in part, from the least up.

    >>> shares_of_gaps(PartlyRight.LESS_WRONG, 3)
    (33, 67)
    """
    shares = {
        share_of_picks(partly, count, hits, misses)
        for hits in range(count)
        for misses in range(count - hits + 1)
    }
    return tuple(sorted(share for share in shares if 0 < share < WHOLE))


def guesses_at_gaps(partly: PartlyRight, sizes: GapSizes) -> tuple[int, int, Mapping[int, int]]:
    """How many answers there are that pick a word for every gap, how many of them are right, and
    how many have each share that is right in part.

    >>> guesses_at_gaps(PartlyRight.RIGHT_PICKS, ((3, 1), (3, 1)))
    (9, 1, mappingproxy({50: 4}))
    """
    by_hits = Counter({0: 1})
    for words, fitting in sizes:
        longer = Counter[int]()
        for hits, ways in by_hits.items():
            longer[hits] += ways * (words - fitting)
            longer[hits + 1] += ways * fitting
        by_hits = longer
    count = len(sizes)
    found = Counter[int]()
    for hits, ways in by_hits.items():
        share = share_of_picks(partly, count, hits, count - hits)
        if ways and 0 < share < WHOLE:
            found[share] += ways
    answers = prod(words for words, _ in sizes)
    return answers, by_hits[count], MappingProxyType(dict(sorted(found.items())))
