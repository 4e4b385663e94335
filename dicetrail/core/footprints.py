"""What happened in a run, in order.

A footprint belongs to the stop where it happened, says in one plain sentence why, and
holds every value that changed, before and after. Screens show footprints, tests compare
them, and a run can be told from them alone. None tells a right answer before the player
has answered.
"""

from dataclasses import dataclass
from enum import StrEnum


class Stop(StrEnum):
    """A step of the trail, in the order a question travels it."""

    LOAD = "load"
    OPEN = "open"
    DRAW = "draw"
    ASK = "ask"
    CHECK = "check"
    SCORE = "score"
    CUE = "cue"
    MOVE_ON = "move on"
    END = "end"


class What(StrEnum):
    """The kind of thing that happened."""

    LOADED = "loaded"
    BEGUN = "begun"
    DRAWN = "drawn"
    ASKED = "asked"
    ANSWERED = "answered"
    CHECKED = "checked"
    CHANGED = "changed"
    HELD = "held"
    MOVED = "moved"
    REFUSED = "refused"
    ENDED = "ended"


@dataclass(frozen=True, slots=True)
class Change:
    """One value, before and after."""

    name: str
    before: int | str | None
    after: int | str | None


@dataclass(frozen=True, slots=True)
class Footprint:
    """One thing that happened, `at` milliseconds after the run began."""

    at: int
    stop: Stop
    what: What
    why: str
    changes: tuple[Change, ...] = ()
