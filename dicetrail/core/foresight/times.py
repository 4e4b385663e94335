"""How long answers take, and sums of such times on a grid.

Answer times are taken as log-normal (common practice, no source). On a grid each time is shared
out between the two points it lies between, so that means stay as they are.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from math import exp, log
from operator import mul
from statistics import NormalDist

Shares = Sequence[float]
"""The probability at each point of a grid, from 0 on."""


@dataclass(frozen=True)
class Times:
    """A log-normal law of times, in milliseconds; `spread` is in hundredths of its logarithm."""

    median_ms: int
    spread: int

    @cached_property
    def _logarithm(self) -> NormalDist:
        return NormalDist(log(self.median_ms), self.spread / 100)

    def by(self, ms: float) -> float:
        """How likely it is no longer than this."""
        if ms <= 0:
            return 0.0
        if not self.spread:
            return float(ms >= self.median_ms)
        return self._logarithm.cdf(log(ms))

    def of(self, share: float) -> int:
        """The whole milliseconds that such a share comes within."""
        if not self.spread:
            return self.median_ms
        return round(exp(self._logarithm.inv_cdf(share)))

    @property
    def mean(self) -> float:
        """In milliseconds."""
        return self.median_ms * exp((self.spread / 100) ** 2 / 2)

    def _area(self, ms: float) -> float:
        """What `by` comes to, summed from 0 to here: the mean of what is left of `ms`."""
        if ms <= 0:
            return 0.0
        if not self.spread:
            return max(0.0, ms - self.median_ms)
        law = self._logarithm
        return ms * law.cdf(log(ms)) - self.mean * law.cdf(log(ms) - law.variance)

    def within(self, start: float, end: float | None) -> "Slice":
        """The law of those from `start` to `end`."""
        return Slice(self, start, end)

    def on_grid(self, step_ms: float, most: int) -> list[float]:
        """The shares at the points 0, `step_ms`, … as far as `most` of them."""
        areas = [self._area(place * step_ms) / step_ms for place in range(-1, most + 2)]
        slopes = [after - before for before, after in pairwise(areas)]
        return [max(0.0, after - before) for before, after in pairwise(slopes)]


@dataclass(frozen=True)
class Slice:
    """The times of a law between two bounds; without an end, all from the start on."""

    law: Times
    start: float
    end: float | None

    @cached_property
    def share(self) -> float:
        """The share of all times that lies between the bounds."""
        return (1.0 if self.end is None else self.law.by(self.end)) - self.law.by(self.start)

    def _area(self, ms: float) -> float:
        law = self.law
        if ms <= self.start or self.share <= 0:
            return 0.0
        inner = ms if self.end is None else min(ms, self.end)
        area = law._area(inner) - law._area(self.start)
        area -= (inner - self.start) * law.by(self.start)
        return area / self.share + ms - inner

    @cached_property
    def mean(self) -> float:
        """In milliseconds."""
        law = self.law
        if self.share <= 0 or not law.spread:
            return float(law.median_ms)
        whole = law.mean if self.end is None else _below(law, self.end)
        return (whole - _below(law, self.start)) / self.share

    def on_grid(self, step_ms: float) -> list[tuple[int, float]]:
        """The points with a share, and it, as far as all but one in ten thousand million."""
        place = int(self.start / step_ms)
        before, here = (self._area((place + by) * step_ms) for by in (-1, 0))
        found: list[tuple[int, float]] = []
        told = 0.0
        while told < 1 - 1e-10 and len(found) < _MAX_POINTS:
            after = self._area((place + 1) * step_ms)
            share = max(0.0, (after - 2 * here + before) / step_ms)
            if share:
                found.append((place, share))
            told += share
            place, before, here = place + 1, here, after
        return found


_MAX_POINTS = 4000


def _below(law: Times, ms: float) -> float:
    """What the times up to here add to the mean: a log-normal's partial expectation."""
    if ms <= 0:
        return 0.0
    deviation = law.spread / 100
    shifted = NormalDist(log(law.median_ms) + deviation**2, deviation)
    return law.mean * shifted.cdf(log(ms))


_PLACES, _PRODUCTS = 8, 300
"""This many points, or products, of a convolution take as long as one followed way."""


def effort(some: int, others: int) -> int:
    """The cost of the convolution of two grids of these sizes, in followed ways."""
    return max(some, others) // _PLACES + some * others // _PRODUCTS


def together(some: Shares, others: Shares, most: int) -> list[float]:
    """The shares of the sums of two times, as far as `most` points."""
    first, some = _trimmed(some[:most])
    second, others = _trimmed(others[:most])
    long, short = (some, others) if len(some) >= len(others) else (others, some)
    turned, reach = short[::-1], len(short)
    found = [0.0] * (first + second)
    for place in range(min(most - len(found), len(long) + reach - 1) if short else 0):
        low, high = max(0, place + 1 - reach), min(place + 1, len(long))
        found.append(sum(map(mul, long[low:high], turned[low + reach - place - 1 :])))
    return found


def _trimmed(shares: Shares) -> tuple[int, Shares]:
    """How many points at the beginning have next to nothing, and the rest without such an end."""
    first, last = 0, len(shares)
    while first < last and shares[first] < _NOTHING:
        first += 1
    while first < last and shares[last - 1] < _NOTHING:
        last -= 1
    return first, shares[first:last]


_NOTHING = 1e-18
