"""Estimates: numbers on a scale, and how much of one is right by its distance.

A scale has its ends and a step; a player gives one of its points. Within the tolerance an estimate
is right. Beyond it the share falls with the distance, as the round says: in a straight line to
nothing, or by half for each so far.
"""

from collections import Counter
from collections.abc import Iterator, Mapping
from fractions import Fraction
from functools import lru_cache
from math import ceil, floor
from types import MappingProxyType
from typing import NamedTuple

from dicetrail.core.answers.numbers import read_number, tolerance_of
from dicetrail.core.answers.shares import WHOLE, share_of
from dicetrail.core.document import DecimalMark, Details, EstimateShare

MAX_POINTS_OF_SCALE = 1001
"""A scale has at most so many points."""


class Scale(NamedTuple):
    """The numbers that can be given: from the least by steps to the most."""

    least: Fraction
    most: Fraction
    step: Fraction

    @property
    def points(self) -> int:
        """How many numbers it has."""
        return int((self.most - self.least) / self.step) + 1

    def at(self, place: int) -> Fraction:
        """The number at a place, from 0."""
        return self.least + place * self.step

    def place_of(self, number: Fraction) -> Fraction:
        """Where a number lies, in steps from the least."""
        return (number - self.least) / self.step


def plain_number(text: str) -> Fraction | None:
    """The value of a number that is read in one way only; None for any other text.

    >>> plain_number("2.5"), plain_number("1,250")
    (Fraction(5, 2), None)
    """
    value = read_number(text)
    return value if value == read_number(text, DecimalMark.COMMA) else None


def scale_in(details: Details) -> Scale | None:
    """The scale that a question has; None if it has none, or one that is none.

    >>> scale_in(Details(least="0", most="3", step="0.5")).points
    7
    """
    ends = [plain_number(text) for text in (details.least, details.most, details.step or "1")]
    least, most, step = ends
    if least is None or most is None or step is None or not least < most or step <= 0:
        return None
    scale = Scale(least, most, step)
    is_even = (most - least) % step == 0
    return scale if is_even and scale.points <= MAX_POINTS_OF_SCALE else None


def scale_around(least: Fraction, most: Fraction) -> Scale:
    """A scale of about a hundred round numbers that holds some, with room at both ends.

    >>> scale_around(Fraction(20), Fraction(80))
    Scale(least=Fraction(5, 1), most=Fraction(95, 1), step=Fraction(1, 1))
    """
    room = (most - least or abs(most) or Fraction(1)) / 5
    low = least - room if least < 0 else max(Fraction(0), least - room)
    high = most + room
    step = next(step for step in _round_steps(high - low) if (high - low) / step <= _MAX_AROUND)
    round_step = _STEPS_TO_AN_END * step
    low, high = floor(low / round_step) * round_step, ceil(high / round_step) * round_step
    return Scale(low, high, step)


_MAX_AROUND = 100
_STEPS_TO_AN_END = 5


def _round_steps(length: Fraction) -> Iterator[Fraction]:
    """1, 2, 5, 10 and so on, times a power of ten that is small beside the length."""
    power = Fraction(1)
    while power * _MAX_AROUND > length:
        power /= 10
    while True:
        yield from (power, 2 * power, 5 * power)
        power *= 10


class EstimateShape(NamedTuple):
    """What decides the share of each point of a scale, in steps."""

    points: int = 0
    """How many points the scale has; 0 for a question of another kind."""
    right: Fraction = Fraction(0)
    """Where the right number lies, from the first point."""
    tolerance: Fraction = Fraction(0)
    """How far from it an estimate is right."""

    def distance(self, place: int) -> Fraction:
        """How far beyond the tolerance a point is; 0 for one that is right."""
        return max(Fraction(0), abs(place - self.right) - self.tolerance)


NO_ESTIMATE = EstimateShape()


def shape_of_estimate(right: str, details: Details) -> EstimateShape:
    """What decides the shares of an estimate; of no points if its numbers cannot be read."""
    scale, number = scale_in(details), plain_number(right)
    if scale is None or number is None:
        return NO_ESTIMATE
    try:
        tolerance = tolerance_of(details.tolerance, number)
    except ValueError:
        return NO_ESTIMATE
    return EstimateShape(scale.points, scale.place_of(number), tolerance / scale.step)


def share_of_estimate(how: EstimateShare, reach: int, shape: EstimateShape, place: int) -> int:
    """The share of an estimate, in percent rounded half up: 100 within the tolerance, else 0 to 99.

    `reach` is the distance beyond the tolerance, in percent of the whole scale, at which nothing is
    left of it, or half.

    >>> shape = EstimateShape(101, Fraction(50), Fraction(5))
    >>> [share_of_estimate(EstimateShare.STRAIGHT, 20, shape, place) for place in (55, 60, 75, 76)]
    [100, 75, 0, 0]
    >>> [share_of_estimate(EstimateShare.HALVES, 20, shape, place) for place in (55, 75, 95)]
    [100, 50, 25]
    """
    # In whole numbers: a scale has a thousand points, and fractions take ten times as long.
    parts = shape.right.denominator * shape.tolerance.denominator
    beyond = abs(place * parts - int(shape.right * parts)) - int(shape.tolerance * parts)
    if beyond <= 0:
        return WHOLE
    if how is EstimateShare.NEVER:
        return 0
    reached = parts * reach * (shape.points - 1)
    if how is EstimateShare.STRAIGHT:
        return share_of(reached - 100 * beyond, reached)
    return _halved(100 * beyond, reached)


def _halved(times: int, of: int) -> int:
    """One hundred halved `times / of` times, rounded half up, at most 99."""
    about = WHOLE * 0.5 ** (times / of) + 0.5
    share: int = floor(about)
    if abs(about - round(about)) < _CLOSE:
        # Where arithmetic of limited digits may be on the wrong side, whole numbers decide.
        exact = Fraction(times, of)
        share = round(about)
        base, power = exact.denominator, exact.numerator
        is_less: bool = (2 * WHOLE) ** base < (2 * share - 1) ** base * 2**power
        share -= is_less
    return min(WHOLE - 1, share)


_CLOSE = 1e-9


@lru_cache(maxsize=1024)  # scales are without number
def shares_of_estimates(how: EstimateShare, reach: int, shape: EstimateShape) -> Mapping[int, int]:
    """Every share that a point of a scale has, from the least up, each with the number of points
    that have it: 0 for those that are wrong, 100 for those that are right.

    >>> shape = EstimateShape(5, Fraction(2), Fraction(0))
    >>> dict(shares_of_estimates(EstimateShare.STRAIGHT, 50, shape))
    {0: 2, 50: 2, 100: 1}
    """
    found = Counter(share_of_estimate(how, reach, shape, place) for place in range(shape.points))
    return MappingProxyType(dict(sorted(found.items())))


def estimate_with(how: EstimateShare, reach: int, shape: EstimateShape, share: int) -> int | None:
    """The point with that share that is nearest to what is right, the lower of two; None if no
    point has it."""
    places = (
        place
        for place in range(shape.points)
        if share_of_estimate(how, reach, shape, place) == share
    )
    return min(places, key=lambda place: abs(place - shape.right), default=None)
