"""Choose the action that makes something happen to the question: play on the player's behalf."""

from collections.abc import Callable
from enum import StrEnum
from itertools import islice, product

from dicetrail.core.answers import (
    HALF,
    WHOLE,
    Checked,
    Verdict,
    as_letters,
    check_gaps,
    check_typed,
    estimate_with,
    match_with,
    order_with,
    read_number,
    share_of_match,
    share_of_picks,
)
from dicetrail.core.document import (
    ARRANGED,
    MAX_CHOICES,
    Check,
    Gap,
    Kind,
    Needs,
    Question,
    free_points,
    number_of_point,
)
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.program import Program, presented_question
from dicetrail.core.play.state import (
    Action,
    Answer,
    Begin,
    Continue,
    Hint,
    Input,
    Letter,
    Pass,
    Phase,
    State,
    Wait,
)
from dicetrail.core.rules import Happening

_THINKING_MS = 1000


class Intent(StrEnum):
    """The wanted result of the question in play."""

    RIGHT = "right"
    PARTLY = "partly"
    WRONG = "wrong"
    LATE = "late"
    PASSED = "passed"


def next_input(
    program: Program, state: State, intent: Intent, at: int, *, hurries: bool = False
) -> Input | None:
    """The next input, at `at` or later, towards a wanted result.

    A player thinks for a second, or for half of what the clock of the question leaves. One who
    `hurries` looks at the clocks of the round and the game in the same way, so that the answer
    comes in time for them too: such a player never lets them run out.

    None if the run is over, or if the result is impossible: no clock to be late for, no pass, no
    answer that is right in part.
    """
    match state.phase:
        case Phase.OPENING:
            return Input(_beginning(program, state), at)
        case Phase.HOLDING if state.hold_ms is None:
            return Input(Continue(), at)
        case Phase.HOLDING:
            return Input(Wait(), max(at, state.at + (state.hold_ms or 0)))
        case Phase.ENDED:
            return None
    action = action_for(presented_question(program, state), state, Happening[intent.name])
    left = state.clocks.question
    if action is None or (intent is Intent.LATE and left is None):
        return None
    if intent is Intent.LATE:
        return Input(action, state.at + state.question.lead_ms + max(0, left or 0))
    if intent is Intent.PASSED:
        return Input(action, at)
    ends = state.clocks.soonest if hurries else left
    thinking = _THINKING_MS if ends is None else min(_THINKING_MS, max(0, ends // 2))
    return Input(action, max(at, state.at + thinking))


def action_for(
    presented: PresentedQuestion, state: State, happening: Happening, share: int | None = None
) -> Action | None:
    """The action that makes this happen to the question in play; None if it cannot happen.

    `share` is the wanted share of a partly right answer, in percent; None takes the one nearest to
    one half. Where no letter is left to miss, a whole word that is wrong is the miss.
    """
    match happening:
        case Happening.RIGHT:
            return _right(presented)
        case Happening.CLOSE:
            slip = _slip(_told_right(presented), presented.check)
            return None if slip is None else Answer(slip)
        case Happening.PARTLY:
            return _partly(presented, share)
        case Happening.HINT:
            return Hint()
        case Happening.PASSED:
            return Pass() if presented.terms.can_pass else None
        case Happening.LATE:
            return Wait()
        case Happening.HIT:
            to_find = sorted(presented.letters.difference(state.question.tried))
            return Letter(to_find[0]) if to_find else None
        case Happening.MISS:
            known = presented.letters.union(state.question.tried)
            others = (letter for char in _ALPHABET for letter in as_letters(char))
            miss = next((one for one in others if one not in known), None)
            return Answer("-".join(_ALPHABET)) if miss is None else Letter(miss)
    return _wrong(presented)


_ALPHABET = "abcdefghijklmnopqrstuvwxyz0123456789"


def slipped(question: Question, rules: Check) -> str | None:
    """The right answer without one letter, such that the slip is forgiven; None if no such slip
    is."""
    if not rules.typos:
        return None
    if question.kind is Kind.TYPED:
        return _slip(question.right[0], lambda typed: check_typed(typed, question.right, rules))
    gaps = question.gaps
    words = [gap.words or question.bank for gap in gaps]
    if all(words):
        return None
    right = _LINE.join(gap.accepted[0] for gap in gaps)
    return _slip(right, lambda typed: check_gaps(typed, gaps, words, rules))


def _slip(text: str, check: Callable[[str], Checked]) -> str | None:
    typed = (text[:place] + text[place + 1 :] for place in range(len(text)))
    return next((one for one in typed if check(one).verdict is Verdict.CLOSE), None)


_LINE = "\n"
"""What stands between the answers to gaps."""


def _told_right(presented: PresentedQuestion) -> str:
    """The right answer as it can be typed."""
    if presented.question.gaps:
        return _LINE.join(gap.accepted[0] for gap in presented.question.gaps)
    if presented.right:
        return presented.shown[presented.right[0] - 1]
    return presented.question.right[0]


def _beginning(program: Program, state: State) -> Begin:
    game = program.game
    if not game.has_menu:
        return Begin()
    return Begin(round=next(n for n, visits in enumerate(state.history.visits) if not visits))


def _right(presented: PresentedQuestion) -> Action:
    right, question = presented.right, presented.question
    if question.kind is Kind.ESTIMATE:
        return _estimate(presented, WHOLE) or Answer(question.right[0])
    if question.wants_all:
        return Answer(right)
    return Answer(right[0] if right else _told_right(presented))


def _partly(presented: PresentedQuestion, share: int | None) -> Action | None:
    """An answer that is right in part: of choices picked, as few as will do."""
    shares = presented.terms.shares
    if not shares:
        return None
    wanted = min(shares, key=lambda one: (abs(one - HALF), one)) if share is None else share
    if presented.question.kind is Kind.JUDGED:
        return Answer(2)
    if presented.question.kind is Kind.ESTIMATE:
        return _estimate(presented, wanted)
    if presented.question.kind in ARRANGED:
        return _arranged(presented, wanted)
    if presented.question.gaps:
        return _filled(presented, wanted)
    right = presented.right
    wrong = [place for place in range(1, len(presented.choices) + 1) if place not in right]
    if presented.question.kind is Kind.PLACE:
        wrong += _nowhere(presented)
    partly = presented.round.check.partly
    for hits, others in product(range(1, len(right) + 1), range(len(wrong) + 1)):
        if share_of_picks(partly, len(right), hits, others) == wanted:
            return Answer(tuple(sorted((*right[:hits], *wrong[:others]))))
    return None


def _nowhere(presented: PresentedQuestion) -> list[int]:
    """Some points of a picture where none of its areas are, by their numbers."""
    return [number_of_point(point) for point in islice(free_points(presented.areas), MAX_CHOICES)]


def _arranged(presented: PresentedQuestion, share: int) -> Action | None:
    """An order or a match with that share, in percent, below 100; None if none has it."""
    right, check = presented.right, presented.round.check
    if presented.question.kind is Kind.ORDER:
        ranks = order_with(check.order_share, len(right), share)
        return None if ranks is None else Answer(tuple(right[rank] for rank in ranks))
    for hits in range(len(right)):
        if share_of_match(check.partly, len(right), hits) == share:
            matched = match_with(hits, right, len(presented.choices))
            if matched is not None:
                return Answer(matched)
    return None


def _filled(presented: PresentedQuestion, share: int) -> Action | None:
    """Gaps filled so that the answer has that share, in percent, below 100; None if none has it.

    The first gaps are right, those after them wrong, and the rest empty.
    """
    gaps, partly = presented.question.gaps, presented.round.check.partly
    for hits, misses in product(range(len(gaps)), range(len(gaps), -1, -1)):
        is_possible = 0 < hits + misses <= len(gaps)
        if is_possible and share_of_picks(partly, len(gaps), hits, misses) == share:
            right = [gap.accepted[0] for gap in gaps[:hits]]
            wrong = [_misfit(presented, at) for at in range(hits, hits + misses)]
            return Answer(_LINE.join((*right, *wrong, *[""] * (len(gaps) - hits - misses))))
    return None


def _misfit(presented: PresentedQuestion, at: int) -> str:
    """What does not fit a gap, by its number from 0."""
    gap, words = presented.question.gaps[at], presented.offered[at]
    if words:
        return next(word for word in words if word not in gap.accepted)
    check = presented.round.check
    wrong = (typed for typed in _MISSES if not _is_right(typed, gap, check))
    return next(wrong, _MISSES[0])


def _is_right(typed: str, gap: Gap, check: Check) -> bool:
    return check_typed(typed, gap.accepted, check).verdict is not Verdict.WRONG


_MISSES = ("not this", "something else entirely", "zzzzzzzz")
"""Typed answers that are hardly right anywhere."""


def _estimate(presented: PresentedQuestion, share: int) -> Action | None:
    """An estimate with that share, in percent; None if none has it."""
    check, shape = presented.round.check, presented.traits.estimated
    place = estimate_with(check.estimate_share, check.estimate_reach, shape, share)
    return None if place is None else Answer(place + 1)


def _wrong(presented: PresentedQuestion) -> Action:
    """An answer that is wrong; the least right one where none is."""
    question = presented.question
    if question.kind is Kind.ESTIMATE:
        least = min(presented.terms.shares, default=0)
        estimate = _estimate(presented, 0) or _estimate(presented, least)
        return estimate or Answer(question.right[0])
    if question.kind is Kind.JUDGED:
        return Answer(len(presented.choices))
    if question.gaps and (filled := _filled(presented, 0)):
        return filled
    if question.kind in ARRANGED and (arranged := _arranged(presented, 0)):
        return arranged
    others = _nowhere(presented) if question.kind is Kind.PLACE else []
    for place in (*range(1, len(presented.choices) + 1), *others):
        if place not in presented.right:
            return Answer((place,) if question.details.needs is Needs.ALL else place)
    tries = list(_MISSES)
    if question.kind is Kind.NUMBER:
        value = read_number(question.right[0], presented.round.check.decimal_mark)
        tries = [str(int(value or 0) + off) for off in (1, 1000, 1_000_000)]
    wrong = (typed for typed in tries if presented.check(typed).verdict is Verdict.WRONG)
    return Answer(next(wrong, tries[0]))
