"""The whole run: build a program, start it, step it, replay it.

Theory of operation. A run is in one of four phases. It opens; `Begin` draws the questions
and asks the first. An answer is checked: an unreadable one leaves the question standing, a
right or wrong one is scored and the run holds, showing the right answer, until `Continue`
moves it on to the next question or, when none is left, to the first ending that fits.

    OPENING --Begin--> ASKING --Answer--> HOLDING --Continue--> ASKING ... --> ENDED
                          `--unreadable--> ASKING

An action that is not allowed now changes nothing and leaves a footprint that says so.
Nothing here reads a clock or chooses a chance: `at` and `dice` are given. Everything that
follows from the program and the dice (which questions, in which order their choices) is
worked out when asked for and never kept in the state.
"""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum
from typing import Literal

from dicetrail.core.checking import (
    LETTERS,
    Checked,
    Given,
    Verdict,
    check_choice,
    check_number,
    check_typed,
)
from dicetrail.core.dice import stream
from dicetrail.core.document import Game, Kind, Order, Question, Round
from dicetrail.core.footprints import Change, Footprint, Stop, What
from dicetrail.core.problems import GameProblems, Severity
from dicetrail.core.settle import Tally, first_fitting, settle
from dicetrail.core.survey import Packs, survey
from dicetrail.core.words import counted


class Phase(StrEnum):
    """Where a run stands."""

    OPENING = "opening"
    ASKING = "asking"
    HOLDING = "holding"
    ENDED = "ended"


@dataclass(frozen=True, slots=True)
class Begin:
    """The player starts playing."""

    action: Literal["begin"] = "begin"


@dataclass(frozen=True, slots=True)
class Answer:
    """The player answers: words typed, or the place (from 1) of the slat picked."""

    value: Given
    action: Literal["answer"] = "answer"


@dataclass(frozen=True, slots=True)
class Continue:
    """The player has seen the feedback and goes on."""

    action: Literal["continue"] = "continue"


Action = Begin | Answer | Continue


@dataclass(frozen=True, slots=True)
class Input:
    """An action and when it came, in milliseconds since the run began."""

    action: Action
    at: int


class TimeRanBackwards(ValueError):
    """An action was said to come before the one it follows. A mistake of the caller's."""


@dataclass(frozen=True, slots=True)
class Sourced:
    """A question of a round's pool: the pack it comes from and its number there, from 0."""

    pack: str
    number: int
    question: Question


@dataclass(frozen=True, eq=False)
class Program:
    """A game made ready to run, with its questions at hand. Made by `build` alone."""

    game: Game
    pool: tuple[Sourced, ...]
    _drawn: dict[int, tuple[int, ...]] = field(default_factory=dict, repr=False)

    @property
    def round(self) -> Round:
        """The round that is played."""
        return self.game.rounds[0]

    @property
    def length(self) -> int:
        """How many questions a run asks."""
        count = self.round.draw.count
        return len(self.pool) if count is None else min(count, len(self.pool))


@dataclass(frozen=True, slots=True)
class State:
    """All that tells one point of a run from another and cannot be worked out."""

    dice: int
    players: tuple[str, ...]
    at: int
    phase: Phase = Phase.OPENING
    position: int = 0
    """Which question of the run, from 0."""
    tally: Tally = Tally()
    given: Given | None = None
    """The last answer to the question at this position."""
    ending: int | None = None


@dataclass(frozen=True, slots=True)
class Moment:
    """Where a run stands after a step, and what happened in that step."""

    state: State
    footprints: tuple[Footprint, ...]


def build(game: Game, packs: Packs) -> Program:
    """A program that can be run. Raises GameProblems, listing all, if there is any fault."""
    problems = survey(game, packs)
    if any(problem.severity is Severity.FAULT for problem in problems):
        raise GameProblems(problems)
    pool = tuple(
        Sourced(name, number, question)
        for name in game.rounds[0].packs
        for number, question in enumerate(packs[name].questions)
    )
    return Program(game, pool)


def start(program: Program, dice: int, players: Sequence[str] = ("Player",), at: int = 0) -> Moment:
    """The opening of a run. Raises ValueError unless there is exactly one player."""
    if len(players) != 1:
        raise ValueError(f"a run has one player, not {len(players)}")
    questions = counted(len(program.pool), "question")
    packs = counted(len(program.round.packs), "pack")
    loaded = Footprint(at, Stop.LOAD, What.LOADED, f"{questions} from {packs}")
    return Moment(State(dice, tuple(players), at), (loaded,))


def step(program: Program, state: State, action: Action, at: int) -> Moment:
    """The run after one action, and what it did.

    Raises TimeRanBackwards if `at` is less than the state's.
    """
    if at < state.at:
        raise TimeRanBackwards(f"an action at {at} ms cannot follow one at {state.at} ms")
    now = replace(state, at=at)
    match action, state.phase:
        case Begin(), Phase.OPENING:
            return _begin(program, now)
        case Answer(value), Phase.ASKING:
            return _answer(program, now, value)
        case Continue(), Phase.HOLDING:
            return _move_on(program, now)
    return _refuse(state, action, at)


def replay(
    program: Program, dice: int, players: Sequence[str], inputs: Iterable[Input], at: int = 0
) -> tuple[Moment, ...]:
    """Every moment of a run, worked out from its inputs: the opening first."""
    moments = [start(program, dice, players, at)]
    for given in inputs:
        moments.append(step(program, moments[-1].state, given.action, given.at))
    return tuple(moments)


def drawn(program: Program, dice: int) -> tuple[int, ...]:
    """The places in the pool of the questions these dice draw, in the order asked."""
    order = program._drawn.get(dice)
    if order is None:
        if program.round.draw.order is Order.WRITTEN:
            order = tuple(range(program.length))
        else:
            order = stream(dice, "draw").pick(len(program.pool), program.length)
        program._drawn.clear()  # one run at a time is the common case; a memo, not a store
        program._drawn[dice] = order
    return order


def asked(program: Program, dice: int, position: int) -> Sourced:
    """The question asked at a position (from 0) of a run."""
    return program.pool[drawn(program, dice)[position]]


def choices_shown(
    program: Program, dice: int, position: int
) -> tuple[tuple[str, ...], tuple[int, ...]]:
    """The choices of the question at a position, in the order shown, and the right ones' places.

    The order hangs on the question's own number in its pack, so a question added to the
    end of a pack moves no other question's choices. True always stands before false, and a
    pinned choice last. Both are empty for a question that is answered by typing.
    """
    source = asked(program, dice, position)
    question = source.question
    choices = question.choices
    if program.round.ask.choice_order is Order.WRITTEN or question.kind is Kind.TRUTH:
        shown = choices
    else:
        chances = stream(dice, f"choices of {source.pack}", position=source.number)
        shown = chances.shuffled(choices)
    if question.details.pinned in shown:
        pinned = question.details.pinned
        shown = (*(choice for choice in shown if choice != pinned), pinned)
    right = tuple(place for place, choice in enumerate(shown, 1) if choice in question.right)
    return shown, right


def right_answer(program: Program, dice: int, position: int) -> str:
    """The right answer to the question at a position, with its letter: ``B, “Carrot”``."""
    choices, right = choices_shown(program, dice, position)
    if not right:
        return f"“{asked(program, dice, position).question.answer}”"
    return " or ".join(f"{LETTERS[place - 1]}, “{choices[place - 1]}”" for place in right)


def check(program: Program, dice: int, position: int, given: Given) -> Checked:
    """The verdict on an answer to the question at a position of a run."""
    question, rules = asked(program, dice, position).question, program.round.check
    match question.kind:
        case Kind.TYPED | Kind.LETTERS:
            return check_typed(given, question.right, rules)
        case Kind.NUMBER:
            return check_number(given, question.right[0], question.details.tolerance)
    choices, right = choices_shown(program, dice, position)
    return check_choice(given, choices, right, rules)


def _begin(program: Program, now: State) -> Moment:
    state = replace(now, phase=Phase.ASKING)
    begun = Footprint(now.at, Stop.OPEN, What.BEGUN, f"{now.players[0]} begins")
    order = program.round.draw.order
    how = "in the order written" if order is Order.WRITTEN else f"shuffled by dice {now.dice}"
    pool = counted(len(program.pool), "question")
    picked = Footprint(
        now.at, Stop.DRAW, What.DRAWN, f"{program.length} of {pool} drawn, {how}, none twice"
    )
    return Moment(state, (begun, picked, *_ask(program, state)))


def _ask(program: Program, state: State) -> tuple[Footprint, ...]:
    source = asked(program, state.dice, state.position)
    number = state.position + 1
    before = number - 1 or None
    written = program.round.ask.choice_order is Order.WRITTEN
    count = len(source.question.choices)
    if count:
        order = "in the order written" if written else "shuffled"
        how = f"with {count} choices, A to {LETTERS[count - 1]}, {order}"
    else:
        how = "to be answered by typing"
    return (
        Footprint(
            state.at,
            Stop.DRAW,
            What.DRAWN,
            f"question {number} of {program.length} is number {source.number + 1} of its pack",
            (Change("question", before, number),),
        ),
        Footprint(
            state.at,
            Stop.ASK,
            What.ASKED,
            f"“{source.question.prompt}” {how}",
        ),
    )


def _answer(program: Program, now: State, given: Given) -> Moment:
    state = replace(now, given=given)
    checked = check(program, now.dice, now.position, given)
    said = f"picked choice {given}" if isinstance(given, int) else f"typed “{given}”"
    steps = (
        Footprint(now.at, Stop.ASK, What.ANSWERED, f"{now.players[0]} {said}"),
        Footprint(now.at, Stop.CHECK, What.CHECKED, f"{checked.verdict}: {checked.why}"),
    )
    match checked.verdict:
        case Verdict.UNREADABLE:
            return Moment(state, steps)
        case Verdict.RIGHT | Verdict.WRONG as outcome:
            tally = settle(program.round.score, now.tally, outcome)
    worth = counted(tally.score - now.tally.score, "point")
    scored = Footprint(
        now.at,
        Stop.SCORE,
        What.CHANGED,
        f"a {outcome} answer is worth {worth}",
        _tally_changes(now.tally, tally),
    )
    held = Footprint(
        now.at,
        Stop.CUE,
        What.HELD,
        f"the right answer, {right_answer(program, now.dice, now.position)}, is shown until "
        "the player goes on",
    )
    state = replace(state, phase=Phase.HOLDING, tally=tally)
    return Moment(state, (*steps, scored, held))


def _move_on(program: Program, now: State) -> Moment:
    position = now.position + 1
    if position == program.length:
        return _end(program, now)
    state = replace(now, phase=Phase.ASKING, position=position, given=None)
    moved = Footprint(
        now.at, Stop.MOVE_ON, What.MOVED, f"on to question {position + 1} of {program.length}"
    )
    return Moment(state, (moved, *_ask(program, state)))


def _end(program: Program, now: State) -> Moment:
    number = first_fitting(program.game.endings, now.tally.score)
    if number is None:
        raise AssertionError("build refuses a game with a score that no ending fits")
    ending = program.game.endings[number]
    points = counted(now.tally.score, "point")
    return Moment(
        replace(now, phase=Phase.ENDED, ending=number),
        (
            Footprint(now.at, Stop.MOVE_ON, What.MOVED, "no question is left"),
            Footprint(
                now.at,
                Stop.END,
                What.ENDED,
                f"with {points} the first ending that fits is “{ending.title}”",
                (Change("ending", None, ending.title),),
            ),
        ),
    )


_STANDS_AT = {
    Phase.OPENING: (Stop.OPEN, "before the run has begun"),
    Phase.ASKING: (Stop.ASK, "while a question waits for its answer"),
    Phase.HOLDING: (Stop.CUE, "while the right answer is shown"),
    Phase.ENDED: (Stop.END, "after the end"),
}


def _refuse(state: State, action: Action, at: int) -> Moment:
    stop, when = _STANDS_AT[state.phase]
    why = f"“{action.action}” is not taken {when}; nothing changed"
    return Moment(state, (Footprint(at, stop, What.REFUSED, why),))


def _tally_changes(before: Tally, after: Tally) -> tuple[Change, ...]:
    values = (
        ("score", before.score, after.score),
        ("right answers", before.right_count, after.right_count),
        ("wrong answers", before.wrong_count, after.wrong_count),
    )
    return tuple(Change(name, old, new) for name, old, new in values if old != new)
