"""Trace the rules: what each line of the script did in one step of a run.

The step runs once more with handlers that note the counters before each line. So the trace shows
what happened, with the same dice, and normal play has no extra cost.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from typing import Any

from dicetrail.core.document import Number, as_written
from dicetrail.core.play import Action, Change, Footprint, Program, State, What, step
from dicetrail.core.rules import Rules, watched_handlers


@dataclass(frozen=True, slots=True)
class LineRan:
    """A line of the script that ran, and the counters it changed."""

    line: int
    changes: tuple[Change, ...]


@dataclass(frozen=True, slots=True)
class Watched:
    """What the rules did for one event, line by line."""

    why: str
    lines: tuple[LineRan, ...]


def watch(program: Program, state: State, action: Action, at: int) -> tuple[Watched, ...]:
    """What the rules did in one step, event by event; empty if no line ran."""
    moment = step(replace(program, rules=_watched(program.rules)), state, action, at)
    names = program.rules.names
    return tuple(
        Watched(print_.why, tuple(_lines(names, print_)))
        for print_ in moment.footprints
        if print_.what is What.CHANGED and print_.lines
    )


def _watched(rules: Rules) -> Rules:
    handlers = watched_handlers(rules.script)
    effects = {
        event: effect._replace(traced=handlers.get(event))
        for event, effect in rules.effects.items()
    }
    return replace(rules, effects=effects)


def _lines(names: Sequence[str], footprint: Footprint) -> list[LineRan]:
    """The lines that ran, each with what was otherwise before the next, or at the end."""
    noted: Any = footprint.lines
    after: Mapping[str, Any] = {change.name: change.after for change in footprint.changes}
    last = tuple(
        after.get(name, as_written(before)) for name, before in zip(names, noted[0][1], strict=True)
    )
    ran = [*noted, (0, last)]
    return [
        LineRan(line, tuple(_changes(names, before, next_)))
        for (line, before), (_, next_) in pairwise(ran)
    ]


def _changes(names: Sequence[str], before: Sequence[Number], after: Sequence[Any]) -> list[Change]:
    found = zip(names, map(as_written, before), map(as_written, after), strict=True)
    return [Change(name, old, new) for name, old, new in found if old != new]
