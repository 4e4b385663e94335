"""Footprints record what happened in a run, in order.

A footprint belongs to the stop where it happened, says why in one plain sentence, and holds every
value that changed, before and after. Screens show footprints and tests compare them; a run can be
described from them alone. No footprint tells a right answer before the question is closed.
"""

from collections.abc import Callable, Generator, Iterable, Iterator
from dataclasses import field
from enum import StrEnum
from typing import TypeVar

from dicetrail.core.answers import Verdict
from dicetrail.core.document import Number, record

T = TypeVar("T")


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
    """The kind of a footprint."""

    LOADED = "loaded"
    BEGUN = "begun"
    DRAWN = "drawn"
    ASKED = "asked"
    HEARD = "heard"
    """The sound of the question has begun, for which the countdowns waited."""
    ANSWERED = "answered"
    CHECKED = "checked"
    HINTED = "hinted"
    SHOWN = "shown"
    PASSED = "passed"
    LATE = "late"
    CHANGED = "changed"
    FAILED = "failed"
    """A line of the rule script could not be worked out; the counter stayed as it was."""
    CUED = "cued"
    HELD = "held"
    MOVED = "moved"
    REFUSED = "refused"
    ENDED = "ended"


class Result(StrEnum):
    """What became of the question in play, as far as it has."""

    RIGHT = Verdict.RIGHT.value
    CLOSE = Verdict.CLOSE.value
    PARTLY = Verdict.PARTLY.value
    WRONG = Verdict.WRONG.value
    UNREADABLE = Verdict.UNREADABLE.value
    HIT = "hit"
    """The letter stands in the word."""
    MISS = "miss"
    LATE = "late"
    """The question's clock ended: the event `timeout`."""
    PASSED = "passed"


@record
class Change:
    """One value, before and after."""

    name: str
    """The counter, clock or setting that changed."""
    before: Number | str | None
    """What it was; None if it was not there."""
    after: Number | str | None
    """What it is now; None if it is gone."""


@record
class Fact:
    """One value a handler could read."""

    name: str
    """As the rule script names it."""
    value: Number | str
    """What it was when the handler ran."""


@record
class Pictures:
    """The pictures of a question, by the names its pack gives them: its own, those picked, and
    the right ones as far as they are told. Where they are shown, by where they are found."""

    pack: str = ""
    """The pack that names them."""
    question: str = ""
    """The one shown with the question."""
    given: tuple[str, ...] = ()
    """Those picked."""
    right: tuple[str, ...] = ()
    """Those of the right answer, once it is told."""


NO_PICTURES = Pictures()


@record
class Answered:
    """A question that is done with: what was asked and answered, and what came of it."""

    player: int
    """Whose turn it was, from 0."""
    round: str
    """The title of its round."""
    prompt: str
    """What was asked."""
    given: str
    """The last answer, or the letters tried; empty if there was none."""
    result: str
    """What came of it: right, close, partly, wrong, late or passed."""
    right: str
    """The right answer in words; empty where the round never tells it."""
    note: str
    """What the question says after its answer."""
    pictures: Pictures = field(default=NO_PICTURES, compare=False)
    """What was on the table, for those who look back at the run. It has no effect."""
    share: int = 0
    """How much of the answer was right, in percent, if it was partly right; else 0."""


@record
class Footprint:
    """One thing that happened, `at` milliseconds after the run began."""

    at: int
    """Milliseconds since the run began."""
    stop: Stop
    """The stop where it happened."""
    what: What
    """The kind of thing it was."""
    why: str
    """In one plain sentence."""
    changes: tuple[Change, ...] = ()
    """Every value that changed."""
    lines: tuple[int, ...] = ()
    """The lines of the rule script that ran, in order; the one that failed."""
    facts: tuple[Fact, ...] = ()
    """What those lines could read, as it was when they ran."""
    answered: Answered | None = None
    """The question that this was the last answer to."""
    result: Result | None = field(default=None, compare=False)
    """What it made of the question so far, for screens: `why` says it too."""


LazyFootprint = Callable[[], Iterable[Footprint]]
"""A function that creates footprints on demand."""

Telling = Generator[Footprint | LazyFootprint, None, T]
"""Work of a step: it yields its footprints in order and returns its result.

A function that does a part of the work takes over the footprints of that part by `yield from`::

    state = yield from cued(program, state, Occasion.SHOWN)

Footprints of every answer are created on demand, because many runs are only played to see where
they end; rare footprints are created at once."""


def collected(work: Telling[T]) -> tuple[T, list[Footprint | LazyFootprint]]:
    """Do some work. Returns its result and its footprints.

    >>> def work():
    ...     yield Footprint(0, Stop.CUE, What.CUED, "a bell")
    ...     return "done"
    >>> result, footprints = collected(work())
    >>> result, footprints[0].why
    ('done', 'a bell')
    """
    results: list[T] = []
    footprints = list(_with_result_in(results, work))
    return results[0], footprints


def _with_result_in(results: list[T], work: Telling[T]) -> Iterator[Footprint | LazyFootprint]:
    """The footprints of some work, its result put into a list; faster than to ask for each."""
    results.append((yield from work))


def told(footprints: Iterable[Footprint | LazyFootprint]) -> Iterator[Footprint]:
    """Footprints in words."""
    for one in footprints:
        if isinstance(one, Footprint):
            yield one
        else:
            yield from one()
