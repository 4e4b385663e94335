"""Kept runs: runs stored with their results and replayed after every change.

What a run led to are its footprints, step by step, and what the pages said. Played again by the
game as it is then, the run still holds if every footprint is as it was, and every word that its
maker minds; else the first that differs tells what changed.
"""

import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import chain, cycle, repeat, zip_longest

from dicetrail.core.document import Number
from dicetrail.core.foresight.pages import Otherwise, PageWords, Seen, differences, pages_of
from dicetrail.core.foresight.playing import names_for
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.foresight.witness import Witness, witnesses
from dicetrail.core.play import (
    Bring,
    Footprint,
    Input,
    Intent,
    Moment,
    Phase,
    Program,
    State,
    Stop,
    next_input,
    players_refused,
    recalling,
    replay,
    start,
    step,
)

Steps = tuple[tuple[Footprint, ...], ...]
"""What happened in a run: the footprints of its opening, then those each input made."""

MAX_INPUTS = 600
"""A generated run that has not ended after this many inputs is kept as far as it went."""


@dataclass(frozen=True, slots=True)
class KeptRun:
    """A run, the reason to keep it, and its results."""

    name: str
    """What its maker calls it."""
    dice: int
    """The seed of all chance in it."""
    players: tuple[str, ...]
    """Their names, in turn."""
    inputs: tuple[Input, ...]
    """What was done, and when."""
    steps: Steps
    """The footprints of the start, and then of each input."""
    why: str = ""
    """Why it is kept."""
    best: Number | None = None
    """The best score before the run, which the run was told."""
    pages: tuple[PageWords, ...] = ()
    """What the pages said at the start, and after each input; empty in a run kept without."""
    minds: tuple[Seen, ...] = tuple(Seen)
    """The parts of it that must stay as they were."""

    def with_packs(self, names: Mapping[str, str]) -> "KeptRun":
        """The run of a game whose packs have other identifiers, by those they had."""

        def renamed(given: Input) -> Input:
            if not isinstance(given.action, Bring):
                return given
            source = names.get(given.action.source, given.action.source)
            return replace(given, action=replace(given.action, source=source))

        return replace(self, inputs=tuple(map(renamed, self.inputs)))


@dataclass(frozen=True, slots=True)
class Held:
    """Whether a kept run still holds; if not, the first difference."""

    holds: bool
    steps: Steps = ()
    """What the run leads to now; empty where it holds, or cannot be played."""
    step: int | None = None
    """The first step that differs; 0 is the opening."""
    place: int = 0
    """Which footprint of that step."""
    stop: Stop | None = None
    """The stop of the trail where it differs."""
    what: str = ""
    """What differs, in words."""
    said: tuple[Otherwise, ...] = ()
    """Everything that the pages say otherwise, as far as it is minded."""


def kept_run(
    program: Program,
    name: str,
    dice: int,
    inputs: Sequence[Input],
    players: Sequence[str] = ("Player",),
    why: str = "",
    best: Number | None = None,
    minds: Sequence[Seen] = tuple(Seen),
) -> KeptRun:
    """A run to keep, with its present result. Raises ValueError if the game does not take that many
    players."""
    moments = replay(recalling(program), dice, players, inputs, best=best)
    steps, pages = _steps(moments), pages_of(program, moments)
    return KeptRun(name, dice, tuple(players), tuple(inputs), steps, why, best, pages, tuple(minds))


def kept_anew(program: Program, old: KeptRun) -> KeptRun:
    """A kept run with its present result. Raises ValueError if the game does not take that many
    players."""
    return kept_run(
        program, old.name, old.dice, old.inputs, old.players, old.why, old.best, old.minds
    )


def played_again(program: Program, kept: KeptRun) -> Held:
    """Whether a kept run holds in a game as it is now."""
    refused = players_refused(program.game, len(kept.players))
    if refused is not None:
        return Held(False, step=0, stop=Stop.OPEN, what=refused)
    moments = replay(recalling(program), kept.dice, kept.players, kept.inputs, best=kept.best)
    held = compared(kept.steps, _steps(moments))
    if not kept.pages or not kept.minds:
        return held
    said = tuple(differences(kept.pages, pages_of(program, moments), kept.minds))
    if not held.holds or not said:
        return replace(held, said=said)
    first, steps = said[0], _steps(moments)
    # No footprint of the step is marked: what differs is beside them.
    return Held(False, steps, first.step, len(steps[first.step]), first.stop, first.words, said)


def compared(before: Steps, now: Steps) -> Held:
    """The first difference between two runs.

    Line numbers of the script do not matter, because an added comment moves them.
    """
    if before == now or (len(before) == len(now) and all(map(_are_alike, before, now))):
        return Held(True)
    for step_, (old, new) in enumerate(zip_longest(before, now, fillvalue=())):
        for place, (was, is_) in enumerate(zip_longest(old, new)):
            if was is None or is_ is None or _unlined(was) != _unlined(is_):
                differs = is_ or was
                assert differs is not None
                stop = (was or differs).stop
                return Held(False, now, step_, place, stop, _told(was, is_))
    return Held(False, now, len(before) - 1, 0, Stop.END, "the run goes on otherwise")


def _are_alike(one: Sequence[Footprint], other: Sequence[Footprint]) -> bool:
    """Whether the footprints of a step are the same but for lines of the script."""
    return one == other or list(map(_unlined, one)) == list(map(_unlined, other))


def _unlined(footprint: Footprint) -> Footprint:
    """A footprint without where in the script it came from."""
    if not footprint.lines:
        return footprint
    return replace(footprint, lines=(), why=_LINE.sub("", footprint.why))


_LINE = re.compile(r"^line \d+: ")


def _told(was: Footprint | None, is_: Footprint | None) -> str:
    """What differs between two footprints, in words."""
    if was is None:
        assert is_ is not None
        return f"new: {is_.why}"
    if is_ is None:
        return f"no more: {was.why}"
    if was.why != is_.why:
        return f"was: {was.why}; now: {is_.why}"
    if was.at != is_.at:
        return f"{was.why}: at {was.at / 1000:g} s before, at {is_.at / 1000:g} s now"
    for old, new in zip_longest(was.changes, is_.changes):
        if old != new:
            shown = [
                "no change" if one is None else f"{one.name} {one.before} → {one.after}"
                for one in (old, new)
            ]
            return f"{was.why}: {shown[0]} before, {shown[1]} now"
    if was.facts != is_.facts:
        names = [new.name for old, new in zip_longest(was.facts, is_.facts) if new and old != new]
        return f"{was.why}: {', '.join(names) or 'what could be read'} is otherwise"
    return f"{was.why}: what is told afterwards is otherwise"


def _steps(moments: Sequence[Moment]) -> Steps:
    return tuple(moment.footprints for moment in moments)


READY = (
    ("all right", (Intent.RIGHT,)),
    ("all wrong", (Intent.WRONG,)),
    ("all late", (Intent.LATE,)),
    ("right and wrong in turns", (Intent.RIGHT, Intent.WRONG)),
)
"""The kept runs that every game can have, by name, each with the results of its questions in a
cycle."""


MAX_TRIED = 12_000
"""At most this many inputs are tried to reach the endings that are still missing."""

MAX_RIGHT = 40
"""At most this many right answers are tried before the wrong ones to reach an ending."""


def ready_runs(program: Program, dice: int = 1) -> Iterator[KeptRun]:
    """Runs worth keeping of any game: all right, all wrong, all late where there is a clock, in
    turns right and wrong, and one to each ending."""
    program = recalling(program)
    for name, intents in READY:
        played = _played(program, dice, cycle(intents))
        if played is not None:
            yield kept_run(program, name, dice, played[0])
    there = _to_endings(program, dice)
    endings = program.game.endings
    if len(there) < len(endings):
        found = enumerate(witnesses(program, dice=dice, steps=MAX_TRIED).endings)
        there = {place: one for place, one in found if one is not None} | there
    for place in sorted(there):
        dice, inputs, players = there[place].dice, there[place].inputs, there[place].players
        yield kept_run(program, f"ends as “{endings[place].title}”", dice, inputs, players)


def _to_endings(program: Program, dice: int) -> dict[int, Witness]:
    """Runs of more and more right answers and then wrong ones, given early or late, by one player
    or by more, each by the ending it comes to: the first that comes to one."""
    found: dict[int, Witness] = {}
    for players in range(1, program.game.opening.most_players + 1):
        for right in range(MAX_RIGHT + 1):
            asked = 0
            for share in (0.0, 0.9):
                intents = chain(repeat(Intent.RIGHT, right), repeat(Intent.WRONG))
                played = _played(program, dice, intents, share, players)
                if played is None:
                    return found
                inputs, state, asked = played
                if state.ending is not None:
                    score = program.rules.score(state.tally)
                    one = Witness(state.ending, score, dice, state.players, tuple(inputs))
                    found.setdefault(state.ending, one)
            if len(found) == len(program.game.endings):
                return found
            if asked <= right:
                break
    return found


def _played(
    program: Program, dice: int, intents: Iterator[Intent], share: float = 0.0, players: int = 1
) -> tuple[list[Input], State, int] | None:
    """What a player does whose questions come out so one after the other, where it leads, and how
    many were asked; each answer comes when such a share of its time is gone. None where they
    cannot come out so."""
    state = start(program, dice, names_for((Scout("Player"),) * players)).state
    inputs: list[Input] = []
    intent, asked = next(intents), 0
    while state.phase is not Phase.ENDED and len(inputs) < MAX_INPUTS:
        left = state.clocks.question or 0
        given = next_input(program, state, intent, state.at + round(share * left))
        if given is None:
            return None
        was_asking = state.phase is Phase.ASKING
        inputs.append(given)
        state = step(program, state, given.action, given.at).state
        if was_asking and state.phase is not Phase.ASKING:
            intent, asked = next(intents), asked + 1
    return inputs, state, asked
