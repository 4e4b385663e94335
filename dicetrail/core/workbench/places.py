"""Find the bench at which a problem is mended, so that pages can lead there."""

import re
from dataclasses import dataclass

from dicetrail.core.document import Problem, Severity
from dicetrail.core.play import Stop

STOP_OF_GAME = {
    "title": Stop.OPEN,
    "rounds": Stop.OPEN,
    "endings": Stop.END,
    "script": Stop.SCORE,
    "opening": Stop.OPEN,
    "cues": Stop.CUE,
    "seconds": Stop.ASK,
    "sounds": Stop.CUE,
    "best": Stop.END,
    "known_as": Stop.LOAD,
    "look": Stop.OPEN,
    "language": Stop.OPEN,
    "phrases": Stop.OPEN,
    "counters": Stop.SCORE,
    "framed_by": Stop.OPEN,
    "packs": Stop.LOAD,
}
"""The stop at which each part of a game, and its packs, are programmed."""

STOP_OF_ROUND = {
    "title": Stop.OPEN,
    "packs": Stop.LOAD,
    "lists": Stop.LOAD,
    "sums": Stop.LOAD,
    "patterns": Stop.LOAD,
    "draw": Stop.DRAW,
    "ask": Stop.ASK,
    "check": Stop.CHECK,
    "after": Stop.CUE,
    "moves": Stop.MOVE_ON,
    "seconds": Stop.ASK,
}
"""The stop at which each part of a round is programmed."""

_PATH = re.compile(r"(?P<part>\w+)(\[(?P<number>\d+)(:(?P<column>\d+))?\])?(\.(?P<inner>\w+))?")
_PLACES = re.compile(r"\[[^\]]*\]")
_SHOWN_THERE = re.compile(r"script|packs\[|rounds\[\d+\]\.check\.samples")


@dataclass(frozen=True, slots=True)
class PlacedProblem:
    """A problem, and where it is mended."""

    where: str
    what: str
    mend: str
    severity: Severity
    stop: Stop
    round: int | None
    """The round it is in, from 0; None if in none of them."""
    field: str
    """The field it is about, by its names without places, of the round if it is in one:
    ``title``, ``ask.seconds``, ``endings.when``."""
    line: int | None
    """The line of the script, from 1; None if it is not in the script."""
    column: int | None
    is_shown_there: bool
    """Whether the bench shows it where it stands: at a line, a sample, a row of a pack."""


def placed(problem: Problem) -> PlacedProblem:
    """A problem with its place read from its path."""
    found = _PATH.match(problem.where)
    part, inner = (found["part"], found["inner"]) if found else ("rounds", None)
    number = int(found["number"]) if found and found["number"] else None
    is_round, is_script = part == "rounds", part == "script"
    field = _PLACES.sub("", problem.where)
    if is_round and number is not None:
        field = field.removeprefix("rounds").removeprefix(".")
    stop = STOP_OF_ROUND.get(inner) if is_round and inner else STOP_OF_GAME.get(part)
    return PlacedProblem(
        problem.where,
        problem.what,
        problem.mend,
        problem.severity,
        stop or Stop.OPEN,
        number if is_round else None,
        field,
        (number or 1) if is_script else None,
        (int(found["column"]) if found and found["column"] else 1) if is_script else None,
        _SHOWN_THERE.match(problem.where) is not None,
    )
