"""A game made ready to run, and what can be asked of it at any point of a run."""

from bisect import bisect_right
from collections.abc import Callable, Hashable, Iterator, MutableMapping
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Any, TypeVar

from dicetrail.core.answers import (
    Checked,
    Given,
    Verdict,
)
from dicetrail.core.document import (
    JUDGEMENTS,
    TRUTHS,
    Draw,
    DrawOrder,
    Game,
    Kind,
    Leaves,
    Lists,
    ListsAsk,
    Phrase,
    Question,
    Refill,
    Round,
    Translator,
    translator,
    with_marks,
)
from dicetrail.core.draw import (
    Deal,
    Dealt,
    Packs,
    Pool,
    Row,
    Sourced,
    Visit,
    ahead,
    choices_shown,
    completed,
    deal,
    fixed_pool,
    may_run_short,
    most_wanted,
    name_of,
    named,
    rows_leave,
    words_of_gaps,
)
from dicetrail.core.play.presenting import PresentedQuestion
from dicetrail.core.play.state import ASKING, QuestionKey, RoundInPlay, Setup, State
from dicetrail.core.rules import Rules, rules_of

T = TypeVar("T")

Recall = MutableMapping[Hashable, Any]
"""Where what was worked out can be put by, and found again."""


@dataclass(frozen=True, eq=False)
class Program:
    """A game made ready to run, with its questions at hand. Made by `build` alone."""

    game: Game
    rules: Rules
    pools: tuple[Pool, ...]
    """The questions of each round that are the same in every run."""
    recall: Recall | None = field(default=None, repr=False)
    """A store of draws, by what they depend on. The owner of the program gives it and decides how
    much it keeps. It changes no run, only the time a run takes: without it every draw is computed
    again. Its values never change, so threads may share it."""

    @cached_property
    def translator(self) -> Translator:
        """What it says to its players."""
        return translator(self.game.language, self.game.phrases)

    @cached_property
    def question_count(self) -> int:
        """How many different questions there are in its rounds."""
        numbers: dict[str, set[int]] = {}
        for round_, pool in enumerate(self.pools):
            for part in pool.parts:
                numbers.setdefault(name_of(part.source, round_), set()).update(part.numbers)
        return sum(map(len, numbers.values()))


def made_ready(game: Game, packs: Packs, recall: Recall | None = None) -> Program:
    """The program of a game that is known to have no faults."""
    game = _spoken(game)
    pools = tuple(fixed_pool(round_, packs) for round_ in game.rounds)
    return Program(game, rules_of(game), pools, recall)


def _spoken(game: Game) -> Game:
    """The game with what hangs on its language filled in: marks of numbers, prompts of lists."""
    words = translator(game.language, game.phrases)

    def in_words(lists: Lists) -> Lists:
        if lists.prompt.strip():
            return lists
        return replace(lists, prompt=words.say(_ASKED[lists.asks]))

    def spoken(round_: Round) -> Round:
        return replace(round_, lists=tuple(map(in_words, round_.lists)))

    return replace(game, rounds=tuple(map(spoken, with_marks(game).rounds)))


_ASKED = {ListsAsk.SORT: Phrase.SORT_PROMPT, ListsAsk.ODD_ONE_OUT: Phrase.ODD_PROMPT}


def recalling(program: Program) -> Program:
    """The program with something to recall draws by, for runs that ask for the same ones again."""
    return program if program.recall is not None else replace(program, recall={})


def asking_at(program: Program, dice: int, round_: int = 0, position: int = 0) -> State:
    """A state in which the question at a position of a round waits, with nothing before it."""
    setup, round_in_play = Setup(dice, ("Player",)), RoundInPlay(round_, position)
    return State(setup, 0, (program.rules.first,), ASKING, round=round_in_play)


def sample_verdicts(program: Program, number: int) -> tuple[Verdict | None, ...]:
    """What the samples kept with a round give now; None where their question is gone."""
    round_ = program.game.rounds[number]
    if not round_.check.samples:
        return ()
    places = {sourced.question.prompt: at for at, sourced in enumerate(program.pools[number])}
    found: list[Verdict | None] = []
    for sample in round_.check.samples:
        at = places.get(sample.prompt)
        if at is None:
            found.append(None)
            continue
        whole = Round("", draw=Draw(None, DrawOrder.WRITTEN), check=round_.check)
        trial = Program(
            replace(program.game, rounds=(whole,)), program.rules, (program.pools[number],)
        )
        found.append(check(trial, asking_at(trial, 0, 0, at), sample.answer).verdict)
    return tuple(found)


def round_of(program: Program, state: State) -> Round:
    """The round in play."""
    return program.game.rounds[state.round.number]


def deal_of(program: Program, state: State) -> Deal:
    """The questions of the round in play, or of the one begun next, up to the one in play."""
    pool, last = program.pools[state.round.number], _place_in_deal(state)
    count = last + 1 if program.recall is None else ahead(last)
    return _recalled(
        program,
        state,
        count,
        lambda: deal(round_of(program, state), pool, _visit_of(state), count),
    )


def _visit_of(state: State) -> Visit:
    round_, history = state.round, state.history
    times = history.visits[round_.number] if history.visits else 0
    players = len(state.players)
    return Visit(state.setup.dice, round_.number, times, round_.wanted, players, history.gone)


def presented_question(program: Program, state: State) -> PresentedQuestion:
    """The question in play."""
    where = state.round

    def made() -> PresentedQuestion:
        dealt, round_ = _dealt(program, state), round_of(program, state)
        source = dealt.sourced.source
        makes = program.pools[state.round.number].made_by(source) if round_.patterns else None
        dealt = completed(dealt, makes, state.setup.dice, state.history.departed)
        known_as = program.game.name_for_dice(source)
        choices, right = choices_shown(
            round_, where.number, state.setup.dice, where.position, dealt, known_as
        )
        offered = words_of_gaps(state.setup.dice, dealt, known_as)
        question, shown, words = dealt.sourced.question, choices, program.translator
        if question.kind in (Kind.TRUTH, Kind.JUDGED):
            shown = tuple(words.say(_OWN_CHOICES[choice]) for choice in choices)
        pack = source if makes is None else makes.pattern.facts
        return PresentedQuestion(
            round_, dealt, question, choices, right, shown, pack, makes, words, offered
        )

    of = (where.position, where.brought, where.passed_over, state.history.departed)
    return _recalled(program, state, of, made)


_OWN_CHOICES = {
    **dict(zip(TRUTHS, (Phrase.TRUE, Phrase.FALSE), strict=True)),
    **dict(zip(JUDGEMENTS, (Phrase.HAD_IT, Phrase.HAD_PART, Phrase.HAD_NOT), strict=True)),
}
"""The words of choices that are the same for every question of a kind."""


def _dealt(program: Program, state: State) -> Dealt:
    deal = deal_of(program, state)
    for brought in state.round.brought:
        if brought.position == state.round.position:
            return Dealt(deal.pool[brought.place], 0)
    return deal.at(_place_in_deal(state))


def _place_in_deal(state: State) -> int:
    """Where the question in play stands among those dealt: as far on as others were passed over
    before it. These are in ascending order."""
    position, passed = state.round.position, state.round.passed_over
    before = bisect_right(range(len(passed)), position, key=lambda at: passed[at] - at)
    return position + before


def as_asked(program: Program, state: State, most: int) -> Iterator[State]:
    """The states at the first questions of a round, if each is done with and nothing but what
    is right is picked."""
    length = length_of_round(program, state)
    for position in range(most if length is None else min(length, most)):
        here = state._replace(round=state.round._replace(position=position))
        found = next_question(program, here)
        if found is None:
            return
        yield found
        state = with_rows_leaving(presented_question(program, found), found, is_done=True)


def with_rows_leaving(presented: PresentedQuestion, state: State, is_done: bool) -> State:
    """The state with the rows that leave once another question is put: those that were right
    if the question in play `is_done` with, and those that were picked."""
    if presented.made is None or presented.made.pattern.leaves is Leaves.NONE:
        return state
    rows = set(presented.made.rows_of(presented.dealt.sourced.number)) if is_done else set[int]()
    if presented.made.pattern.leaves is Leaves.PICKED:
        given = state.question.given
        for place in presented.check(given).places if given is not None else ():
            rows.update(presented.made.rows_of_answer(presented.choices[place - 1]))
    leaving = {*state.history.leaving, *(Row(presented.pack, row) for row in rows)}
    return state._replace(history=state.history._replace(leaving=tuple(sorted(leaving))))


def next_question(program: Program, state: State) -> State | None:
    """The state at a question of the round none of whose rows has left, those before it in the
    deal passed over; None if there is none. Where questions leave a pool that is filled again, the
    question just asked is passed over too, unless it is the only one.

    A round asks at least one question. If all rows have left when it begins, they come back.
    """
    history = state.history
    if history.leaving:
        departed = tuple(sorted({*history.departed, *history.leaving}))
        history = history._replace(departed=departed, leaving=())
        state = state._replace(history=history)
    if not rows_leave(round_of(program, state)):
        return state
    dealt, now, again = len(deal_of(program, state).pool), state, None
    before = _dealt_before(program, state)
    is_filled_again = round_of(program, state).draw.refill is not Refill.NEVER
    for looked_at in range(_MAX_FILLS * dealt + 1):
        place = _place_in_deal(now)
        if place >= dealt and not is_filled_again:
            break
        if looked_at == dealt and not _can_come(program, state, None if again is None else before):
            break
        if not _has_departed(program, now):
            if before is None or _dealt(program, now).sourced != before.sourced:
                return now
            again = again or now  # it comes twice in a row only if there is no other
        passed_over = (*now.round.passed_over, place)
        now = now._replace(round=now.round._replace(passed_over=passed_over))
    if again is not None or state.round.position or state.round.skipped:
        return again
    facts = {pattern.facts for pattern in round_of(program, state).patterns}
    departed = tuple(row for row in history.departed if row.facts not in facts)
    return state._replace(history=history._replace(departed=departed))


_MAX_FILLS = 50
"""How often a pool is filled again, at most, in search of a question that can still come. Where
questions go back at once, each as likely, the chance to miss one so often is below 10^-20."""


def _can_come(program: Program, state: State, but: Dealt | None) -> bool:
    """Whether any question of the round has not left the run, but for one."""
    return any(
        not _has_left(program, state, sourced) and (but is None or sourced != but.sourced)
        for sourced in deal_of(program, state).pool
    )


def _dealt_before(program: Program, state: State) -> Dealt | None:
    """The question asked before the state's position in this round; None at its start."""
    position = state.round.position
    if not position:
        return None
    return _dealt(program, state._replace(round=state.round._replace(position=position - 1)))


def _recalled(program: Program, state: State, of: Hashable, made: Callable[[], T]) -> T:
    """What was put by of a visit with the same questions gone, or else is made now."""
    if program.recall is None:
        return made()
    round_, history = state.round, state.history
    times = history.visits[round_.number] if history.visits else 0
    key = (state.setup.dice, round_.number, times, round_.wanted, len(state.players), of)
    gone, known = history.gone, program.recall.get(key)
    if known is not None and (known[0] is gone or known[0] == gone):
        found: T = known[1]
        return found
    value = made()
    program.recall[key] = (gone, value)
    return value


def _has_departed(program: Program, state: State) -> bool:
    """Whether every row of the question dealt has left the run; never of one brought."""
    if any(brought.position == state.round.position for brought in state.round.brought):
        return False
    return _has_left(program, state, _dealt(program, state).sourced)


def _has_left(program: Program, state: State, sourced: Sourced) -> bool:
    """Whether every row of a question of the round has left the run."""
    made = program.pools[state.round.number].made_by(sourced.source)
    if made is None or made.pattern.leaves is Leaves.NONE:
        return False
    rows = made.rows_of(sourced.number)
    return all(Row(made.pattern.facts, row) in state.history.departed for row in rows)


def most_questions(program: Program, state: State) -> int:
    """The most questions each player can choose in the round in play."""
    draw = round_of(program, state).draw
    return most_wanted(draw, len(deal_of(program, state).pool), len(state.players))


def asked_in_round(program: Program, state: State, count: int) -> Iterator[QuestionKey]:
    """The first questions of the round in play, by names that mean them in every round."""
    for position in range(count):
        here = state._replace(round=state.round._replace(position=position))
        yield QuestionKey(*named(_dealt(program, here).sourced, state.round.number))


def length_of_round(program: Program, state: State) -> int | None:
    """How many questions the round in play asks; None if they never run out."""
    return deal_of(program, state).length


def may_be_fewer(program: Program, state: State) -> bool:
    """Whether the round in play can ask fewer questions than its length."""
    dealt = deal_of(program, state)
    return may_run_short(round_of(program, state), len(dealt.pool), dealt.length)


def question_of(program: Program, state: State) -> Question:
    """The question in play."""
    return presented_question(program, state).question


def choices_of(program: Program, state: State) -> tuple[tuple[str, ...], tuple[int, ...]]:
    """The choices of the question in play, as shown, and the right ones' places, from 1."""
    presented = presented_question(program, state)
    return presented.shown, presented.right


def check(program: Program, state: State, given: Given) -> Checked:
    """The verdict on an answer to the question in play."""
    return presented_question(program, state).check(given)
