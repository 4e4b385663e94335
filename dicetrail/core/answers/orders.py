"""How much of an order is right: the share of a permutation, by what a round counts.

An order is given as ranks: the first number is the rank, from 0, of what was put first. The
right order is 0, 1, 2 … Every way of counting gives a number of points, from none to a most that
the right order alone has, so that a share is a part of these points.
"""

from collections import Counter
from collections.abc import Callable, Mapping, Sequence
from functools import cache
from itertools import combinations, pairwise
from math import comb, factorial
from types import MappingProxyType
from typing import NamedTuple

from dicetrail.core.answers.shares import WHOLE, share_of
from dicetrail.core.document import OrderShare

Ranks = Sequence[int]


class Counting(NamedTuple):
    """One way to count what is right of an order of so many items."""

    most: Callable[[int], int]
    """The points of the right order."""
    points: Callable[[Ranks], int]
    ways: Callable[[int], Mapping[int, int]]
    """How many of all orders have so many points."""
    order: Callable[[int, int], list[int]]
    """An order of so many items with so many points."""


def share_of_order(how: OrderShare, order: Ranks) -> int:
    """The share of an order, in percent rounded half up: 100 for the right one, else 0 to 99.

    >>> [share_of_order(how, (1, 2, 3, 0)) for how in OrderShare]
    [0, 0, 67, 50, 25]
    """
    count = len(order)
    if list(order) == list(range(count)):
        return WHOLE
    if how is OrderShare.NEVER:
        return 0
    counting = _COUNTINGS[how]
    return share_of(counting.points(order), counting.most(count))


@cache
def shares_of_orders(how: OrderShare, count: int) -> Mapping[int, int]:
    """Every share that an order of so many items can have that is right in part, from the least
    up, each with the number of orders that have it.

    >>> dict(shares_of_orders(OrderShare.PLACES, 4))
    {25: 8, 50: 6}
    """
    found = Counter[int]()
    if how is not OrderShare.NEVER:
        counting = _COUNTINGS[how]
        most = counting.most(count)
        for points, ways in counting.ways(count).items():
            if ways and 0 < points < most:
                found[share_of(points, most)] += ways
    return MappingProxyType(dict(sorted(found.items())))


def order_with(how: OrderShare, count: int, share: int) -> tuple[int, ...] | None:
    """An order of so many items, as ranks, with that share in percent; None if none has it.

    >>> order_with(OrderShare.PLACES, 4, 50), order_with(OrderShare.PLACES, 4, 75)
    ((0, 1, 3, 2), None)
    """
    if how is OrderShare.NEVER:
        return None if share else tuple(reversed(range(count)))
    counting = _COUNTINGS[how]
    most = counting.most(count)
    for points, ways in counting.ways(count).items():
        if ways and points < most and share_of(points, most) == share:
            return tuple(counting.order(count, points))
    return None


def _places(order: Ranks) -> int:
    return sum(rank == place for place, rank in enumerate(order))


def _ways_of_places(count: int) -> Mapping[int, int]:
    """By what is fixed (rencontres numbers): the others have none in its place."""
    return {fixed: comb(count, fixed) * _deranged(count - fixed) for fixed in range(count + 1)}


def _deranged(count: int) -> int:
    """The orders with nothing in its place."""
    return sum((-1) ** k * (factorial(count) // factorial(k)) for k in range(count + 1))


def _order_by_places(count: int, points: int) -> list[int]:
    """The first ones stay, the others move one place on."""
    return [*range(points), *range(points + 1, count), *range(points, min(points + 1, count))]


def _neighbours(order: Ranks) -> int:
    return sum(after == before + 1 for before, after in pairwise(order))


def _ways_of_neighbours(count: int) -> Mapping[int, int]:
    """By which of the neighbours stay together: the blocks they make have no neighbours."""
    return {kept: comb(count - 1, kept) * _unmet(count - kept) for kept in range(count)}


def _unmet(blocks: int) -> int:
    """The orders of some blocks in which none stands right after the one before it."""
    return sum((-1) ** k * comb(blocks - 1, k) * factorial(blocks - k) for k in range(blocks))


def _order_by_neighbours(count: int, points: int) -> list[int]:
    """The last ones in front, one by one, and a block of those that stay together behind."""
    return [*reversed(range(points + 1, count)), *range(points + 1)]


def _pairs(order: Ranks) -> int:
    return sum(one < other for one, other in combinations(order, 2))


def _ways_of_pairs(count: int) -> Mapping[int, int]:
    """By putting in one item after the other, each behind any number of those before it."""
    ways = {0: 1}
    for before in range(1, count):
        found = Counter[int]()
        for points, times in ways.items():
            for behind in range(before + 1):
                found[points + behind] += times
        ways = dict(found)
    return ways


def _order_by_pairs(count: int, points: int) -> list[int]:
    order: list[int] = []
    for item in reversed(range(count)):
        # The item stands before all later ones that it is in order with.
        behind = min(points, len(order))
        points -= behind
        order.insert(len(order) - behind, item)
    return order


def _steps(order: Ranks) -> int:
    """Half of the most steps, less half of the steps that all are away from their places."""
    return _most_steps(len(order)) - sum(abs(rank - at) for at, rank in enumerate(order)) // 2


def _most_steps(count: int) -> int:
    return count * count // 4


def _ways_of_steps(count: int) -> Mapping[int, int]:
    """By going from place to place with the items and the places still open: each open item
    crosses to the next place, a step for it and one for the place that waits."""
    ways = {(0, 0): 1}
    for _ in range(count):
        found = Counter[tuple[int, int]]()
        for (is_open, steps), times in ways.items():
            # This item and this place meet each other, or one of them meets what is open, or both.
            found[is_open, steps + is_open] += times * (2 * is_open + 1)
            if is_open:
                found[is_open - 1, steps + is_open - 1] += times * is_open * is_open
            found[is_open + 1, steps + is_open + 1] += times
        ways = dict(found)
    most = _most_steps(count)
    return {most - steps: times for (is_open, steps), times in ways.items() if not is_open}


def _order_by_steps(count: int, points: int) -> list[int]:
    """The outermost change places, and those within them, as far as steps are left."""
    order, left = list(range(count)), _most_steps(count) - points
    for first in range(count // 2):
        apart = min(left, count - 1 - 2 * first)
        order[first], order[first + apart] = order[first + apart], order[first]
        left -= apart
    return order


_COUNTINGS = {
    OrderShare.PLACES: Counting(lambda count: count, _places, _ways_of_places, _order_by_places),
    OrderShare.NEIGHBOURS: Counting(
        lambda count: count - 1, _neighbours, _ways_of_neighbours, _order_by_neighbours
    ),
    OrderShare.PAIRS: Counting(
        lambda count: comb(count, 2), _pairs, _ways_of_pairs, _order_by_pairs
    ),
    OrderShare.STEPS: Counting(_most_steps, _steps, _ways_of_steps, _order_by_steps),
}
