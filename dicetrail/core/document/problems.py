"""The problems of a game, and how to mend them.

A `Problem` is created and worded where the fact is known; every screen, error body and command line
shows the same words. `where` is a path into the document: ``rounds[0].draw.count``.
"""

import re
from dataclasses import dataclass
from enum import StrEnum


class Severity(StrEnum):
    """How serious a problem is."""

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

    @property
    def place(self) -> str:
        """Where it stands, in words a maker knows."""
        return place_in_words(self.where)


_STEP = re.compile(r"(\w+)(?:\[([^\[\]]*)\])?")


def place_in_words(where: str) -> str:
    """A path into a document, in words; a text that is not such a path stays as it is.

    >>> place_in_words("rounds[0].ask.seconds"), place_in_words("script[4:14]")
    ('round 1, ask, seconds', 'rules, line 4, column 14')
    >>> place_in_words("packs[harvest].questions[3]"), place_in_words("line 3, column 2")
    ('pack harvest, question 4', 'line 3, column 2')
    """
    found = [_STEP.fullmatch(step) for step in where.split(".")]
    if not all(found):
        return where
    return ", ".join(_step_in_words(step[1], step[2]) for step in found if step)


def _step_in_words(name: str, at: str | None) -> str:
    words = "rules" if name == "script" else name.replace("_", " ")
    if at is None:
        return words
    line, has_column, column = at.partition(":")
    if has_column:
        return f"{words}, line {line}, column {column}"
    one = words.removesuffix("es") if words.endswith("ses") else words.removesuffix("s")
    return f"{one} {int(at) + 1 if at.isdecimal() else at}"


def warning(where: str, what: str, mend: str) -> Problem:
    """A warning: something that the maker probably did not intend."""
    return Problem(where, what, mend, Severity.WARNING)


class GameProblems(ValueError):
    """A game that cannot be played. `problems` lists every fault and warning at once."""

    def __init__(self, problems: tuple[Problem, ...]) -> None:
        self.problems = problems
        super().__init__("; ".join(f"{problem.where}: {problem.what}" for problem in problems))

    def __reduce__(self) -> "tuple[type[GameProblems], tuple[object, ...]]":
        """Restore it in another process (pickle)."""
        return type(self), (self.problems,)
