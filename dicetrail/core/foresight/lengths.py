"""How long runs are: the whole distribution, by its generating function.

Every way is followed once more, and each mass of players carries what its time comes to at some
points of a circle in the plane of complex numbers; from them the shares of all lengths are found
by one transform. The circle is a little smaller than 1, so that what is longer than the span
hardly folds back into it (Abate and Whitt, Operations Research Letters 12, 1992, 245 to 251;
from memory).
"""

from cmath import exp, pi
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from dicetrail.core.foresight.asking import (
    LEAST_MASS,
    OutcomeDistribution,
    TimedSpan,
)
from dicetrail.core.foresight.exact_forecast import MAX_PRESENTED, ExactForecast, Point
from dicetrail.core.rules import Over, QuestionOutcome

BINS = 128
"""The span of lengths is divided into this many parts."""

_FOLDS = 1e-7
"""Lengths beyond the span are damped by this factor before they fold back."""

_MAX_LONGER = 0.002
_WIDENED = 3

Wave = list[complex]
"""What a mass of players and its time come to, at each point of half the circle."""


@dataclass(frozen=True, slots=True)
class Lengths:
    """How long runs are."""

    step_seconds: float
    shares: tuple[float, ...]
    """The share of runs that take each number of steps, from 0."""
    longer: float
    """How many take longer than all of these."""


def lengths_of(exact_forecast: ExactForecast, mean_ms: float) -> Lengths:
    """The lengths of the runs that were followed, without a countdown of round or game."""
    span = max(1000.0, mean_ms * 2.5)
    for _ in range(_WIDENED):
        found = _Transform(exact_forecast, span / BINS).lengths()
        if found.longer < _MAX_LONGER:
            break
        span *= 2
    return found


class _Transform:
    def __init__(self, exact_forecast: ExactForecast, step_ms: float) -> None:
        self.exact_forecast, self.step_ms = exact_forecast, step_ms
        radius = _FOLDS ** (1 / BINS)
        self.points = [radius * exp(-2j * pi * turn / BINS) for turn in range(BINS // 2 + 1)]
        self.radius = radius
        self.waves: dict[int, list[tuple[QuestionOutcome, Wave]]] = {}
        self.power = cache(lambda place: [point**place for point in self.points])
        self.timed_spans: dict[tuple[object, ...], Wave] = {}

    def lengths(self) -> Lengths:
        """Follow everything, and turn it back into shares."""
        total: Wave = [0j] * len(self.points)
        now: defaultdict[Point, Wave] = defaultdict(lambda: [0j] * len(self.points))
        for share, reached in self.exact_forecast.begun():
            wave = total if isinstance(reached, Over) else now[reached]
            for turn in range(len(wave)):
                wave[turn] += share
        for _ in range(MAX_PRESENTED):
            if not now or max(abs(wave[0]) for wave in now.values()) < LEAST_MASS:
                break
            now = self._after(now, total)
        shares = self._turned_back(total)
        return Lengths(self.step_ms / 1000, tuple(shares), max(0.0, 1 - sum(shares)))

    def _after(self, now: dict[Point, Wave], total: Wave) -> defaultdict[Point, Wave]:
        exact_forecast = self.exact_forecast
        after: defaultdict[Point, Wave] = defaultdict(lambda: [0j] * len(self.points))
        for point, mass in now.items():
            for chance, kind, used in exact_forecast.drawn(point):
                for came, wave in self._waves_of(exact_forecast.distribution_of(point, kind)):
                    gone = [here * took * chance for here, took in zip(mass, wave, strict=True)]
                    for part, reached in exact_forecast.went(point, kind, used, came):
                        to = total if isinstance(reached, Over) else after[reached]
                        to[:] = [one + other * part for one, other in zip(to, gone, strict=True)]
        return after

    def _waves_of(self, distribution: OutcomeDistribution) -> list[tuple[QuestionOutcome, Wave]]:
        """What each thing that can come of a question does to a wave."""
        known = self.waves.get(id(distribution))
        if known is None:
            found: defaultdict[QuestionOutcome, Wave] = defaultdict(lambda: [0j] * len(self.points))
            for share, came, timed_span in distribution.distribution:
                wave = found[came]
                took = self._spell(distribution, timed_span)
                wave[:] = [one + share * other for one, other in zip(wave, took, strict=True)]
            known = self.waves[id(distribution)] = list(found.items())
        return known

    def _spell(self, distribution: OutcomeDistribution, timed_span: TimedSpan) -> Wave:
        key = (distribution.times, distribution.letters, timed_span)
        if key not in self.timed_spans:
            wave = self._sum(self._between(timed_span.fixed_ms))
            for law, times in (
                (distribution.times, timed_span.answers),
                (distribution.letters, timed_span.letters),
            ):
                once = self._sum(law.within(0, None).on_grid(self.step_ms)) if times else wave
                wave = [one * other**times for one, other in zip(wave, once, strict=True)]
            if timed_span.band is not None:
                band = self._sum(
                    distribution.times.within(timed_span.band.start, timed_span.band.end).on_grid(
                        self.step_ms
                    )
                )
                wave = [one * other for one, other in zip(wave, band, strict=True)]
            if timed_span.grid:
                grid = self._sum(
                    (place, part * share)
                    for at, share in enumerate(timed_span.grid)
                    if share
                    for place, part in self._between(at * distribution.step_ms)
                )
                wave = [one * other for one, other in zip(wave, grid, strict=True)]
            self.timed_spans[key] = wave
        return self.timed_spans[key]

    def _between(self, ms: float) -> list[tuple[int, float]]:
        """The two points a time lies between, each with its share of it."""
        place, rest = divmod(ms / self.step_ms, 1)
        return [(int(place), 1 - rest), (int(place) + 1, rest)]

    def _sum(self, shares: Iterable[tuple[int, float]]) -> Wave:
        wave = [0j] * len(self.points)
        for place, share in shares:
            if share:
                power = self.power(place)
                wave = [one + share * other for one, other in zip(wave, power, strict=True)]
        return wave

    def _turned_back(self, total: Wave) -> list[float]:
        turns = [exp(2j * pi * turn / BINS) for turn in range(BINS)]
        half, found = BINS // 2, []
        for place in range(BINS):
            inner = sum((total[k] * turns[k * place % BINS]).real for k in range(1, half))
            ends = total[0].real + total[half].real * (1 - 2 * (place % 2))
            share = (ends + 2 * inner) / BINS / self.radius**place
            found.append(max(0.0, share))
        return found
