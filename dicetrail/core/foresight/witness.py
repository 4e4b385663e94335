"""Find runs that show how a game can end, with the engine itself.

A breadth-first search tries everything that a player could do, from the opening on. Runs that rules
cannot tell apart are merged. So the first run to an ending is a shortest one with its dice. Other
dice are tried while endings are missing.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Any

from dicetrail.core.document import Number, as_written
from dicetrail.core.foresight.playing import names_for
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.play import (
    Action,
    Begin,
    Continue,
    Input,
    Listen,
    Phase,
    Program,
    State,
    Wait,
    action_for,
    leader_of,
    presented_question,
    progress_of,
    recalling,
    start,
    step,
)
from dicetrail.core.rules import Happening, can_happen, turning_points
from dicetrail.core.survey import Reach

MAX_STEPS = 30_000
"""The search stops after this many inputs."""

MAX_DICE = 4
"""At most this many dice are tried for each number of players."""


@dataclass(frozen=True, slots=True)
class Witness:
    """A run that leads to an ending and a score."""

    ending: int | None
    score: Number
    dice: int
    players: tuple[str, ...]
    inputs: tuple[Input, ...]


@dataclass(frozen=True, slots=True)
class Witnesses:
    """The witnesses that were found, and why others are missing."""

    endings: tuple[Witness | None, ...]
    """For each ending of the game a shortest run to it; None if none was found."""
    scores: tuple[Witness, ...]
    """For each score that was come to a shortest run to it, from the lowest up."""
    why: tuple[str, ...]
    """For each ending, why there is no run; empty where there is one."""


def witnesses(
    program: Program, reached: Reach | None = None, dice: int = 1, steps: int = MAX_STEPS
) -> Witnesses:
    """A shortest run to every ending and score, as far as they are found within a number of tried
    inputs."""
    search = _Search(program)
    endings = range(len(program.game.endings))
    most = max(1, program.game.opening.most_players)
    ways = [(more, players) for more in range(MAX_DICE) for players in range(1, most + 1)]
    for place, (more, players) in enumerate(ways):
        if all(number in search.endings for number in endings):
            break
        search.look(dice + more, players, (steps - search.tried) // min(most, len(ways) - place))
    found = tuple(search.endings.get(number) for number in endings)
    why = tuple(
        "" if number in search.endings else _why(program, reached, search, number)
        for number in endings
    )
    scores = tuple(search.scores[score] for score in sorted(search.scores))
    return Witnesses(found, scores, why)


def _why(program: Program, reached: Reach | None, search: "_Search", number: int) -> str:
    title = program.game.endings[number].title
    scores = sorted(search.scores)
    spread = f"; scores were found from {scores[0]} to {scores[-1]}" if scores else ""
    if reached is not None and reached.is_whole:
        if all(final.ending != number for final in reached.finals):
            return f"no run comes to “{title}”: every way was followed{spread}"
        return f"there are runs to “{title}”, but not with the dice that were tried{spread}"
    return f"no run to “{title}” was found among {search.tried:,} inputs{spread}"


class _Search:
    def __init__(self, program: Program) -> None:
        self.program = recalling(program)
        self.tried = 0
        self.endings: dict[int, Witness] = {}
        self.scores: dict[Number, Witness] = {}

    def look(self, dice: int, players: int, most: int) -> None:
        """Try every input with these dice, the shortest runs first, up to a number of inputs."""
        last = self.tried + most
        state = start(self.program, dice, names_for((Scout("Player"),) * players)).state
        now: list[tuple[State, tuple[Input, ...]]] = [(state, ())]
        seen: set[tuple[object, ...]] = set()
        while now and self.tried < last:
            after: list[tuple[State, tuple[Input, ...]]] = []
            for state, inputs in now:
                for given in _inputs(self.program, state):
                    self.tried += 1
                    then = step(self.program, state, given.action, given.at).state
                    so_far = (*inputs, given)
                    if then.phase is Phase.ENDED:
                        self._note(then, so_far)
                    elif (key := self._key(then)) not in seen:
                        seen.add(key)
                        after.append((then, so_far))
            now = after

    def _note(self, state: State, inputs: tuple[Input, ...]) -> None:
        tally = state.tallies[leader_of(self.program, state)]
        score = as_written(self.program.rules.score(tally))
        witness = Witness(state.ending, score, state.setup.dice, state.players, inputs)
        if state.ending is not None:
            _keep(self.endings, state.ending, witness)
        _keep(self.scores, score, witness)

    def _key(self, state: State) -> tuple[object, ...]:
        """The parts of a state that can change what follows."""
        merged = tuple(map(self.program.rules.merged, state.tallies))
        return (
            merged,
            state.turn,
            state.out,
            state.history.visits,
            state.round.number,
            state.round.position,
            state.question.tries_used,
            state.question.tried,
            state.question.is_hinted,
            state.clocks[:3],
            state.stands,
            state.due,
            state.history.departed,
        )


def _keep(kept: dict[Any, Witness], name: Number, witness: Witness) -> None:
    before = kept.get(name)
    if before is None or len(witness.inputs) < len(before.inputs):
        kept[name] = witness


def _inputs(program: Program, state: State) -> Iterator[Input]:
    """Everything a player can do now that could matter."""
    at = state.at
    match state.phase:
        case Phase.OPENING:
            yield from (Input(action, at) for action in _beginnings(program, state))
        case Phase.HOLDING:
            action: Action = Continue() if state.hold_ms is None else Wait()
            yield Input(action, at + (state.hold_ms or 0))
        case Phase.ASKING if state.question.lead_ms:
            yield Input(Listen(), at)
        case Phase.ASKING:
            yield from _answers(program, state)


def _beginnings(program: Program, state: State) -> Iterator[Begin]:
    game = program.game
    if not game.has_menu:
        yield Begin()
    else:
        for number, visits in enumerate(state.history.visits):
            if not visits:
                yield Begin(number)


def _answers(program: Program, state: State) -> Iterator[Input]:
    presented = presented_question(program, state)
    times = _times(program, state)
    for happening in can_happen(presented.terms, progress_of(presented, state)):
        if happening is Happening.LATE:
            continue  # a wait for each countdown follows
        is_partly = happening is Happening.PARTLY
        for share in presented.terms.shares if is_partly else (None,):
            action = action_for(presented, state, happening, share)
            if action is not None:
                timed = times if happening.verdict and not happening.is_closed else [500]
                yield from (Input(action, state.at + time) for time in timed)
    for ends_in in set(state.clocks.countdowns):
        yield Input(Wait(), state.at + max(0, ends_in))


def _times(program: Program, state: State) -> list[int]:
    """When to answer: half a second on, or as rules tell times apart."""
    reads = program.rules.reads & {"seconds_left", "seconds_used", "percent_left"}
    clock = state.clocks.question
    if not reads or clock is None:
        return [500 if clock is None else min(500, max(0, clock - 1))]
    points = sorted(turning_points(clock, "percent_left" in reads))
    whole = [point for point in points if point % 1000 == 500 or point % 1000 == 1]
    return [point for point in whole or points if point < clock]
