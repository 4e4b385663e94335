"""Scouts play whole runs, through texts, clocks and checking, as players do."""

from collections.abc import Iterator
from dataclasses import replace

from dicetrail.core.answers import Verdict
from dicetrail.core.draw import Stream, stream, traits_of
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.play import (
    Answer,
    Hint,
    Input,
    Intent,
    Pass,
    Phase,
    Program,
    State,
    Wait,
    check,
    choices_of,
    next_input,
    question_of,
    round_of,
    start,
    step,
)

MOST_INPUTS = 2_000
"""A run in which more is done is left as it stands."""

_PARTS = 1 << 32


def played(program: Program, scout: Scout, dice: int) -> State:
    """The end of a run that a scout plays with these dice; chances have streams of their own."""
    if program.recall is None:
        program = replace(program, recall={})  # a run asks for the same draws again and again
    chances = stream(dice, f"scout {scout.name}")
    state = start(program, dice).state
    for _ in range(MOST_INPUTS):
        if state.phase is Phase.ENDED:
            break
        for given in _inputs(program, scout, state, chances):
            state = step(program, state, given.action, given.at).state
    return state


def _inputs(program: Program, scout: Scout, state: State, chances: Stream) -> Iterator[Input]:
    """What a scout does next."""
    if state.phase is not Phase.ASKING:
        given = next_input(program, state, Intent.RIGHT, state.at)
        if given is not None:
            yield given
        return
    round_, question = round_of(program, state), question_of(program, state)
    traits = traits_of(question)
    if round_.ask.passing and _falls(chances, scout.passes / 100):
        yield Input(Pass(), state.at)
        return
    has_hint = round_.ask.hints and traits.is_hinted and not state.is_hinted
    if has_hint and not state.tries_used and _falls(chances, scout.hints / 100):
        yield Input(Hint(), state.at)
        return
    at = state.at + scout.time_of((chances.word() + 0.5) / _PARTS)
    choices, _ = choices_of(program, state)
    chance = scout.chance(traits, len(choices), state.tries_used, state.is_hinted)
    is_right = _falls(chances, chance)
    soonest = state.clocks.soonest
    if soonest is not None and state.at + soonest <= at:
        yield Input(Wait(), state.at + max(0, soonest))
        return
    intent = Intent.RIGHT if is_right else Intent.WRONG
    given = next_input(program, state, intent, state.at)
    if given is None:
        return
    action = given.action
    if is_right and not choices and round_.check.typos and _falls(chances, scout.close / 100):
        action = _slipped(program, state, question.right[0]) or action
    yield Input(action, at)


def _slipped(program: Program, state: State, word: str) -> Answer | None:
    """A right answer with a letter left out, if that is forgiven as a typo."""
    for place in range(len(word)):
        typed = word[:place] + word[place + 1 :]
        if check(program, state, typed).verdict is Verdict.CLOSE:
            return Answer(typed)
    return None


def _falls(chances: Stream, chance: float) -> bool:
    """Whether what has this chance happens."""
    return chances.word() < chance * _PARTS
