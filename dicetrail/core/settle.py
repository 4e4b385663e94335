"""The arithmetic of one outcome on one player's tally.

Kept apart from texts, choices and footprints so that many games can be worked through
without them.
"""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from dicetrail.core.checking import Verdict
from dicetrail.core.document import Ending, Score

Outcome = Literal[Verdict.RIGHT, Verdict.WRONG]


@dataclass(frozen=True, slots=True)
class Tally:
    """What is counted for one player."""

    score: int = 0
    right_count: int = 0
    wrong_count: int = 0


def settle(rules: Score, tally: Tally, outcome: Outcome) -> Tally:
    """The tally after one answer."""
    if outcome is Verdict.RIGHT:
        return Tally(tally.score + rules.right, tally.right_count + 1, tally.wrong_count)
    return Tally(tally.score + rules.wrong, tally.right_count, tally.wrong_count + 1)


def first_fitting(endings: Sequence[Ending], score: int) -> int | None:
    """The number, from 0, of the first ending that holds the score; None if none does."""
    return next((number for number, ending in enumerate(endings) if ending.fits(score)), None)
