"""What a player would do to be right, wrong or late: playing on the player's behalf."""

from enum import StrEnum

from dicetrail.core.answers import Verdict, read_number
from dicetrail.core.document import Kind, Needs
from dicetrail.core.play.program import Program, check, choices_of, question_of, round_of
from dicetrail.core.play.state import (
    Action,
    Answer,
    Begin,
    Continue,
    Input,
    Pass,
    Phase,
    State,
    Wait,
)

_THINKING_MS = 1000


class Intent(StrEnum):
    """What is to come of the question in play."""

    RIGHT = "right"
    WRONG = "wrong"
    LATE = "late"
    PASSED = "passed"


def next_input(program: Program, state: State, intent: Intent, at: int) -> Input | None:
    """The input, at `at` or later, that brings a run nearer to an outcome.

    None if the run is over, or if the outcome cannot be: no clock to be late for, no pass.
    """
    match state.phase:
        case Phase.OPENING:
            return Input(_beginning(program, state), at)
        case Phase.HOLDING if state.hold is None:
            return Input(Continue(), at)
        case Phase.HOLDING:
            return Input(Wait(), max(at, state.at + (state.hold or 0)))
        case Phase.ENDED:
            return None
    if intent is Intent.LATE:
        left = state.clocks.question
        return None if left is None else Input(Wait(), state.at + state.lead + max(0, left))
    if intent is Intent.PASSED:
        return Input(Pass(), at) if round_of(program, state).ask.passing else None
    answer = _right(program, state) if intent is Intent.RIGHT else _wrong(program, state)
    left = state.clocks.question
    thinking = _THINKING_MS if left is None else min(_THINKING_MS, max(0, left // 2))
    return Input(answer, max(at, state.at + thinking))


def _beginning(program: Program, state: State) -> Begin:
    game = program.game
    if not game.has_menu:
        return Begin()
    return Begin(round=next(n for n, visits in enumerate(state.visits) if not visits))


def _right(program: Program, state: State) -> Action:
    _, right = choices_of(program, state)
    if right and question_of(program, state).details.needs is Needs.ALL:
        return Answer(right)
    return Answer(right[0] if right else question_of(program, state).right[0])


def _wrong(program: Program, state: State) -> Action:
    choices, right = choices_of(program, state)
    question = question_of(program, state)
    for place in range(1, len(choices) + 1):
        if place not in right:
            return Answer((place,) if question.details.needs is Needs.ALL else place)
    tries = ["not this", "something else entirely", "zzzzzzzz"]
    if question.kind is Kind.NUMBER:
        value = read_number(question.right[0], round_of(program, state).check.decimal_mark)
        tries = [str(int(value or 0) + off) for off in (1, 1000, 1_000_000)]
    return Answer(
        next(
            (typed for typed in tries if check(program, state, typed).verdict is Verdict.WRONG),
            tries[0],
        )
    )
