"""The tasks that other processes can do: functions of a game, its packs and scouts."""

from collections.abc import Callable, Iterator, Mapping, Sequence
from concurrent.futures import FIRST_COMPLETED, Future, wait
from dataclasses import dataclass, field, replace
from functools import lru_cache

from dicetrail.core import Game, Pack, Problem, Program
from dicetrail.core.foresight import (
    PLAYED,
    Forecast,
    Held,
    KeptRun,
    Played,
    Scout,
    Witnesses,
    counted,
    forecast,
    forecast_warnings,
    nothing_played,
    played_again,
    ready_runs,
    turned,
    witnesses,
)
from dicetrail.core.play import made_ready
from dicetrail.core.survey import BESIDE
from dicetrail.core.workbench import Examined, look_over
from dicetrail.scouting.crew import Crew
from dicetrail.scouting.workers import LOOKS_EVERY

RUNS_A_TASK = 100
"""The number of runs in one task."""

BRIEF_RUNS, BRIEF_FOLLOWED = 25, 100_000
"""The effort possible between two key presses."""

_AHEAD = 8
"""At most this many tasks wait for a worker, so that little work is lost on cancellation."""


@dataclass(frozen=True)
class Subject:
    """A game that is known to have no faults, and the packs it draws from. Those of one name are
    the same, and are made ready once a process."""

    name: str
    game: Game = field(compare=False)
    packs: Mapping[str, Pack] | Callable[[], Mapping[str, Pack]] = field(compare=False)
    """The packs by their names; large ones are better fetched where they are wanted."""


@lru_cache(maxsize=4)
def _program(subject: Subject) -> Program:
    return made_ready(subject.game, _packs(subject))


def _packs(subject: Subject) -> Mapping[str, Pack]:
    return subject.packs() if callable(subject.packs) else subject.packs


def foretell(
    subject: Subject,
    scouts: Sequence[Scout],
    runs: int = PLAYED,
    is_quick: bool = False,
    knob: tuple[str, int] | None = None,
) -> Forecast:
    """The forecast of a game, or of one with a number of it set otherwise."""
    if knob is not None:
        name = f"{subject.name} {knob[0]} {knob[1]}"
        subject = Subject(name, turned(subject.game, *knob), subject.packs)
    return forecast(_program(subject), *scouts, runs=runs, is_quick=is_quick)


def foretell_briefly(subject: Subject, scouts: Sequence[Scout]) -> Forecast:
    """The forecast of a game while it is being edited: at once, if need be from a few runs."""
    return forecast(
        _program(subject), *scouts, runs=BRIEF_RUNS, is_quick=True, most_followed=BRIEF_FOLLOWED
    )


def look_deeper(subject: Subject) -> Examined:
    """The view of a game with too many ways to end to follow at once."""
    return look_over(subject.game, _packs(subject), effort=BESIDE)


def foresee(subject: Subject) -> tuple[Problem, ...]:
    """The warnings of a forecast about a game."""
    return forecast_warnings(_program(subject))


@lru_cache(maxsize=4)
def look_for_witnesses(subject: Subject, dice: int = 1) -> Witnesses:
    """A run to every ending and score that can be found; looked for once a process."""
    return witnesses(_program(subject), dice=dice)


def make_ready_runs(subject: Subject) -> tuple[KeptRun, ...]:
    """The runs that are worth keeping of any game."""
    return tuple(ready_runs(_program(subject)))


def play_again(subject: Subject, kept: Sequence[KeptRun]) -> tuple[Held, ...]:
    """Which kept runs hold in a game; what they lead to now is left out."""
    program = _program(subject)
    return tuple(replace(played_again(program, run), steps=()) for run in kept)


def play_out(subject: Subject, scouts: Sequence[Scout], start: int, end: int) -> Played:
    """The results of scouts in the runs with dice from `start` to before `end`."""
    return counted(_program(subject), scouts, range(start, end))


def shared_out(
    crew: Crew,
    subject: Subject,
    scouts: Sequence[Scout],
    dice: range,
    is_given_up: Callable[[], bool] = lambda: False,
) -> Iterator[Played]:
    """The results of a crew's runs so far, each time more are played, until all are.

    The sum is over whole runs, chosen by their dice. So it does not depend on the speed of the
    workers.
    """
    total = nothing_played()
    starts = iter(range(dice.start, dice.stop, RUNS_A_TASK))
    waiting: set[Future[Played]] = set()
    try:
        while not is_given_up():
            while len(waiting) < crew.workers + _AHEAD:
                start = next(starts, None)
                if start is None:
                    break
                end = min(dice.stop, start + RUNS_A_TASK)
                waiting.add(crew.submit(play_out, subject, scouts, start, end))
            if not waiting:
                return
            done, waiting = wait(waiting, LOOKS_EVERY, FIRST_COMPLETED)
            for task in done:
                total += task.result()
            if done:
                yield total
    finally:
        for task in waiting:
            task.cancel()
