"""Scouts play whole runs, through texts, clocks and checking, as players do."""

from collections.abc import Iterator, Sequence

from dicetrail.core.document import Kind
from dicetrail.core.draw import Stream, stream
from dicetrail.core.foresight.scouts import WITHOUT_CHOICES, Habit, Picks, Scout, picks_of
from dicetrail.core.play import (
    Begin,
    Continue,
    Hint,
    Input,
    Intent,
    Listen,
    Pass,
    Phase,
    Program,
    State,
    Wait,
    action_for,
    choices_of,
    next_input,
    presented_question,
    recalling,
    start,
    step,
)
from dicetrail.core.rules import Happening

MAX_INPUTS = 2_000
"""A run is left unfinished after this many inputs."""

_PARTS = 1 << 32


def played(program: Program, scouts: Sequence[Scout], dice: int) -> State:
    """The end of a run that scouts play with these dice."""
    *_, (state, _) = walked(program, scouts, dice)
    return state


def walked(
    program: Program, scouts: Sequence[Scout], dice: int
) -> Iterator[tuple[State, Input | None]]:
    """The states of a run that scouts play, one for each player, each with the input that led
    there; their chances have streams of their own."""
    program = recalling(program)
    chances = [stream(dice, f"scout {turn} {scout.name}") for turn, scout in enumerate(scouts)]
    state = start(program, dice, names_for(scouts)).state
    yield state, None
    for _ in range(MAX_INPUTS):
        if state.phase is Phase.ENDED:
            return
        given = _next(program, scouts[state.turn], state, chances[state.turn])
        if given is None:
            return
        state = step(program, state, given.action, given.at).state
        yield state, given


def names_for(scouts: Sequence[Scout]) -> tuple[str, ...]:
    """What scouts are called in a run."""
    if len(scouts) == 1:
        return (scouts[0].name,)
    return tuple(f"{scout.name} {turn}" for turn, scout in enumerate(scouts, 1))


def _next(program: Program, scout: Scout, state: State, chances: Stream) -> Input | None:
    """The next input of a scout."""
    if state.phase is Phase.OPENING and scout.picks is Habit.ANY:
        return Input(_picked(program, state, chances), state.at)
    if state.phase is Phase.HOLDING and state.hold_ms is None:
        return Input(Continue(), state.at + scout.goes_on_ms)
    if state.phase is not Phase.ASKING:
        return next_input(program, state, Intent.RIGHT, state.at)
    if state.question.lead_ms:
        return Input(Listen(), state.at)
    presented = presented_question(program, state)
    question, terms = presented.question, presented.terms
    may_hint = terms.has_hint and not state.question.is_hinted
    is_new = not state.question.tries_used and not state.question.tried
    if may_hint and is_new and _falls(chances, scout.hints / 100):
        return Input(Hint(), state.at)
    if terms.can_pass and _falls(chances, scout.passes / 100):
        return Input(Pass(), state.at)
    is_word = question.kind is Kind.LETTERS
    law = scout.letters if is_word else scout.answers
    at = state.at + law.of((chances.word() + 0.5) / _PARTS)
    picks = _picks(program, state)
    own = scout.own_of(question.prompt)
    chance = scout.chance(
        presented.asked.level,
        picks,
        state.question.tries_used,
        state.question.is_hinted,
        own,
    )
    is_right = _falls(chances, chance)
    soonest = state.clocks.soonest
    if soonest is not None and state.at + soonest <= at:
        return Input(Wait(), state.at + max(0, soonest))
    happening = _OUTCOMES[is_word, is_right]
    is_typed = question.kind is Kind.TYPED or not all(presented.offered or (True,))
    if is_right and is_typed and terms.can_be_close and _falls(chances, scout.close / 100):
        happening = Happening.CLOSE
    share = None
    if happening is Happening.WRONG:
        share = _share(scout.chances_of_shares(terms, picks, own), chances)
        happening = Happening.WRONG if share is None else Happening.PARTLY
    action = action_for(presented, state, happening, share)
    if action is None:  # no slip of this answer is forgiven
        action = action_for(presented, state, Happening.RIGHT)
    return None if action is None else Input(action, at)


def _picks(program: Program, state: State) -> Picks:
    """What a blind guess at the question in play picks from."""
    presented = presented_question(program, state)
    choices, right = choices_of(program, state)
    if presented.question.kind in WITHOUT_CHOICES:
        return picks_of(presented.question, presented.round.check, 1, 0)
    if not choices or presented.question.kind is Kind.JUDGED:
        return Picks()
    different = len(set(right))  # several items of a match can have one partner
    wrong = len(choices) - different
    return picks_of(presented.question, presented.round.check, different, wrong)


def _share(shares: Sequence[tuple[int, float]], chances: Stream) -> int | None:
    """The share of an answer that is not right, drawn by its chance; None for a wrong one."""
    if not shares:
        return None
    drawn = chances.word() / _PARTS
    for share, chance in shares:
        drawn -= chance
        if drawn < 0:
            return share
    return None


_OUTCOMES = {
    (True, True): Happening.HIT,
    (True, False): Happening.MISS,
    (False, True): Happening.RIGHT,
    (False, False): Happening.WRONG,
}
"""What comes of an answer, by whether it is a letter and whether it is right."""


def _picked(program: Program, state: State, chances: Stream) -> Begin:
    """A round of the menu, any that has not been played."""
    if not program.game.has_menu:
        return Begin()
    there = [number for number, visits in enumerate(state.history.visits) if not visits]
    return Begin(there[chances.below(len(there))])


def _falls(chances: Stream, chance: float) -> bool:
    """Draw whether an event with this chance happens."""
    return chances.word() < chance * _PARTS
