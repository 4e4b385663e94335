"""What is wrong with a game, and how to mend it.

A `Problem` is made where the fact is known and worded once; every screen, error body and
command line shows the same words. `where` is a path into the document, written as the
document is nested: ``rounds[0].draw.count``.
"""

from dataclasses import dataclass
from enum import StrEnum


class Severity(StrEnum):
    """How much a problem weighs."""

    FAULT = "fault"
    """The game cannot be played until it is mended."""
    WARNING = "warning"
    """The game plays, but probably not as its maker means."""


@dataclass(frozen=True, slots=True)
class Problem:
    """One thing that is wrong: where it stands, what it is, how to mend it."""

    where: str
    what: str
    mend: str
    severity: Severity = Severity.FAULT


def warning(where: str, what: str, mend: str) -> Problem:
    """Something a maker probably does not mean."""
    return Problem(where, what, mend, Severity.WARNING)


class GameProblems(ValueError):
    """A game that cannot be played. `problems` lists every fault and warning at once."""

    def __init__(self, problems: tuple[Problem, ...]) -> None:
        self.problems = problems
        super().__init__("; ".join(f"{problem.where}: {problem.what}" for problem in problems))
