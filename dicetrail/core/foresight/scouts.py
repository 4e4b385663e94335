"""Simulated players: how often right, how fast."""

from dataclasses import dataclass
from math import exp, log
from statistics import NormalDist
from typing import Annotated

from dicetrail.core.document import Told, Within
from dicetrail.core.draw import Traits

Percent = Within(0, 100)


@dataclass(frozen=True, slots=True)
class Scout:
    """A kind of player. Chances are in percent."""

    name: Annotated[str, Told("Name")]
    right: Annotated[tuple[int, ...], Percent, Told("Right at the first try, by level")] = (
        85,
        75,
        65,
        50,
        40,
    )
    """For a question of level 1, 2, 3, 4, 5; the last counts for all that follow."""
    guesses: Annotated[bool, Told("Guesses", "one of the choices, each as likely")] = False
    """Whether choices are picked blindly; what is typed is right as `right` says even so."""
    again: Annotated[int, Percent, Told("Found at each further try", "of what was missed")] = 30
    close: Annotated[int, Percent, Told("Close", "of the right answers that are typed")] = 5
    passes: Annotated[int, Percent, Told("Passes", "where it can")] = 0
    hints: Annotated[int, Percent, Told("Takes the hint", "where there is one")] = 0
    helped: Annotated[int, Percent, Told("Found with the hint", "of what would be missed")] = 30
    median_ms: Annotated[int, Within(100, 600_000), Told("Half of the answers come within")] = 6000
    spread: Annotated[int, Within(0, 300), Told("Spread of the times")] = 50
    """The standard deviation of the times' natural logarithms, in hundredths: answer times
    are taken as log-normal (common practice, no source)."""

    def chance(self, traits: Traits, choices: int, tried: int, is_hinted: bool) -> float:
        """How likely an answer is right after so many tries of the same question."""
        if self.guesses and choices:
            return 1 / max(1, choices - tried)
        level = min(traits.level, len(self.right)) - 1
        missed = 1 - (self.right[max(0, level)] / 100 if self.right else 0)
        missed *= (1 - self.again / 100) ** tried
        if is_hinted:
            missed *= 1 - self.helped / 100
        return 1 - missed

    def answered_by(self, ms: float) -> float:
        """How likely an answer comes within so many milliseconds."""
        if ms <= 0:
            return 0.0
        if not self.spread:
            return float(ms >= self.median_ms)
        return NormalDist(log(self.median_ms), self.spread / 100).cdf(log(ms))

    def time_of(self, chance: float) -> int:
        """The answer time, in milliseconds, that such a share of answers comes within."""
        if not self.spread:
            return self.median_ms
        found: float = NormalDist(log(self.median_ms), self.spread / 100).inv_cdf(chance)
        return round(exp(found))


SCOUTS = (
    Scout("guessing", (20, 15, 10, 5, 5), guesses=True, again=0, median_ms=3000, spread=40),
    Scout("beginner", (70, 55, 40, 30, 20), again=25, median_ms=9000, spread=60),
    Scout("steady"),
    Scout("expert", (97, 95, 90, 85, 75), again=50, close=2, median_ms=4000, spread=40),
    Scout("distracted", (80, 70, 60, 50, 40), again=20, close=10, median_ms=11_000, spread=110),
)
"""The ready ones. Their numbers are guesses of ours, to be changed (no source)."""


def scout_named(name: str) -> Scout | None:
    """The ready scout of that name."""
    return next((scout for scout in SCOUTS if scout.name == name), None)
