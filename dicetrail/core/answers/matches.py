"""How much of a match is right: of the pairs that give each item a partner, how many are right.

An answer names a choice for each item, in the order of the items. Where every item has a partner
of its own, each choice can be named once; where several items share one, as often as wanted.
"""

from collections import Counter
from collections.abc import Mapping, Sequence
from functools import cache
from math import comb, perm
from types import MappingProxyType
from typing import NamedTuple

from dicetrail.core.answers.shares import WHOLE, share_of_picks
from dicetrail.core.document import PartlyRight


class MatchShape(NamedTuple):
    """The sizes of a matching question, on which hangs what can be answered."""

    items: int = 0
    """How many items are given a partner; 0 for a question of another kind."""
    partners: int = 0
    """How many different partners they have."""
    others: int = 0
    """How many choices are no item's partner."""

    @property
    def offered(self) -> int:
        """How many choices there are to match with."""
        return self.partners + self.others

    @property
    def repeats(self) -> bool:
        """Whether a choice can be named for several items."""
        return self.partners < self.items

    @property
    def answers(self) -> int:
        """How many different answers there are."""
        if self.repeats:
            return int(self.offered**self.items)
        return perm(self.offered, self.items)

    def answers_with(self, hits: int) -> int:
        """How many answers have so many right pairs.

        >>> [MatchShape(3, 3).answers_with(hits) for hits in range(4)]
        [2, 3, 0, 1]
        """
        missed = self.items - hits
        if self.repeats:
            return comb(self.items, hits) * int((self.offered - 1) ** missed)
        # Those missed are given choices that are left, none its own: by inclusion and exclusion.
        left = self.offered - hits
        ways = sum(
            (-1 if own % 2 else 1) * comb(missed, own) * perm(left - own, missed - own)
            for own in range(missed + 1)
        )
        return comb(self.items, hits) * ways


def share_of_match(partly: PartlyRight, items: int, hits: int) -> int:
    """The share of a match with so many right pairs, in percent rounded half up.

    >>> [share_of_match(PartlyRight.LESS_WRONG, 4, hits) for hits in (2, 3, 4)]
    [0, 50, 100]
    """
    return share_of_picks(partly, items, hits, items - hits)


@cache
def shares_of_matches(partly: PartlyRight, shape: MatchShape) -> Mapping[int, int]:
    """Every share that a match can have that is right in part, from the least up, each with the
    number of answers that have it.

    >>> dict(shares_of_matches(PartlyRight.RIGHT_PICKS, MatchShape(3, 3)))
    {33: 3}
    """
    found = Counter[int]()
    for hits in range(1, shape.items):
        share, ways = share_of_match(partly, shape.items, hits), shape.answers_with(hits)
        if ways and 0 < share < WHOLE:
            found[share] += ways
    return MappingProxyType(dict(sorted(found.items())))


def match_with(hits: int, right: Sequence[int], offered: int) -> tuple[int, ...] | None:
    """An answer with so many right pairs; None if there is none.

    `right` holds the place, from 1, of the partner of each item.

    >>> match_with(1, (2, 1, 3), 3), match_with(2, (2, 1, 3), 3), match_with(2, (2, 1, 3), 4)
    ((2, 3, 1), None, (2, 1, 4))
    """
    kept, missed = tuple(right[:hits]), tuple(right[hits:])
    if len(set(right)) < len(right):
        return (*kept, *(place % offered + 1 for place in missed)) if offered > 1 else None
    if len(missed) != 1:
        return (*kept, *missed[1:], *missed[:1])
    free = next((place for place in range(1, offered + 1) if place not in right), None)
    return None if free is None else (*kept, free)
