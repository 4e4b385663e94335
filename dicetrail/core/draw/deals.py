"""Which questions a round of a run asks, in which order, and how their choices stand.

A deal is computed from the game and the dice alone, one question at a time, when it is needed. No
question of a pack comes twice until the pool is empty. A later round takes questions that were
asked before only after all others.
"""

from collections import Counter
from collections.abc import Callable, Collection, Iterator, Sequence
from dataclasses import dataclass
from itertools import chain, islice
from itertools import count as counting
from typing import NamedTuple

from dicetrail.core.document import (
    Draw,
    DrawOrder,
    Kind,
    Leaves,
    Order,
    PartlyRight,
    Question,
    Refill,
    Round,
)
from dicetrail.core.draw.dice import Stream, stream
from dicetrail.core.draw.facts import FactQuestions
from dicetrail.core.draw.pools import Pool, Sourced
from dicetrail.core.draw.sources import made_pool, weight_of

MAX_WANTED = 1000
"""The largest number of questions a player can choose if the pool is refilled."""


class Dealt(NamedTuple):
    """A question that is dealt: its source, and how often it came before in this round."""

    sourced: Sourced
    times_before: int


@dataclass(frozen=True, eq=False)
class Deal:
    """The questions of one round of one run, as far as they are computed."""

    pool: Pool
    length: int | None
    """How many there are; None if they never run out."""
    _places: tuple[int, ...]
    _times_before: tuple[int, ...]

    def at(self, position: int) -> Dealt:
        """The question at a position, from 0. Raises IndexError if that position is not computed
        yet."""
        return Dealt(self.pool[self._places[position]], self._times_before[position])


class Row(NamedTuple):
    """A row of facts, by the pack that holds them and its number there."""

    facts: str
    number: int


class Visit(NamedTuple):
    """One visit of a run to a round."""

    dice: int
    round: int
    number: int = 0
    """Its number among the visits of that round in the run, from 0."""
    wanted: int | None = None
    """How many questions each player chose, if players choose."""
    players: int = 1
    gone: Collection[tuple[str, int]] = ()
    """Name and number of the questions asked in earlier rounds: they come last."""


def deal(round_: Round, fixed: Pool, visit: Visit, count: int) -> Deal:
    """The first `count` questions of a round on a visit, or all if it has fewer."""
    pool = fixed.with_parts(made_pool(round_, visit.round, visit.dice))
    length = length_of(round_.draw, len(pool), visit.wanted, visit.players)
    used = frozenset(_places_of(pool, visit.round, visit.gone)) if visit.gone else _NONE_USED
    order = _order(pool, round_.draw, visit, length, used)
    # Where rows leave the run, questions dealt beyond the length come in place of theirs.
    most = None if rows_leave(round_) else length
    places = tuple(islice(order, count if most is None else min(count, most)))
    times: Counter[int] = Counter()
    before = []
    for place in places:
        before.append(times[place])
        times[place] += 1
    return Deal(pool, length, places, tuple(before))


def rows_leave(round_: Round) -> bool:
    """Whether a round's questions can remove rows of facts from the run."""
    return any(pattern.leaves is not Leaves.NONE for pattern in round_.patterns)


def may_run_short(round_: Round, pool: int, length: int | None) -> bool:
    """Whether a round can ask fewer questions than its length, because rows leave the run.

    Each question takes its own row out of all patterns over the same facts, and where what was
    picked leaves too, one more row for each try.
    """
    if length is None or round_.draw.refill is not Refill.NEVER:
        return False
    leaving = [pattern for pattern in round_.patterns if pattern.leaves is not Leaves.NONE]
    if not leaving:
        return False
    picked = [pattern for pattern in leaving if pattern.leaves is Leaves.PICKED]
    tries = max((pattern.choices for pattern in picked), default=0)
    if round_.ask.tries is not None:
        tries = min(tries, round_.ask.tries)
    gone = max(Counter(pattern.facts for pattern in leaving).values()) * (1 + tries)
    return pool <= (length - 1) * gone


def completed(dealt: Dealt, made: FactQuestions | None, dice: int, gone: Collection[Row]) -> Dealt:
    """A dealt question with its wrong choices. For a question made from facts, the dice draw
    them."""
    if made is None:
        return dealt
    source, number = dealt.sourced.source, dealt.sourced.number
    is_minded = made.pattern.leaves is not Leaves.NONE
    facts = made.pattern.facts
    rows = frozenset(row.number for row in gone if is_minded and row.facts == facts)
    chances = stream(dice, f"wrong choices of {source}", dealt.times_before, number)
    question = made.with_wrong(dealt.sourced.question, number, chances, rows)
    return dealt._replace(sourced=Sourced(source, number, question))


def ahead(position: int) -> int:
    """How many questions to compute at once to know the one at a position.

    The number doubles, so the cost of a whole round is proportional to its length.
    """
    return 1 << max(3, position.bit_length())


def named(sourced: Sourced, round_: int) -> tuple[str, int]:
    """The question's source and number, with a name of the source that is the same in every
    round."""
    return name_of(sourced.source, round_), sourced.number


def name_of(source: str, round_: int) -> str:
    """The name of a source across all rounds: packs are shared, other sources belong to their
    round."""
    is_own = source.endswith("]")
    return f"{round_} {source}" if is_own else source


def _places_of(pool: Pool, round_: int, names: Collection[tuple[str, int]]) -> Iterator[int]:
    sources = {name_of(part.source, round_): part.source for part in pool.parts}
    for name, number in names:
        if name in sources:
            yield from pool.places_of(sources[name], number)


def most_wanted(draw: Draw, pool: int, players: int) -> int:
    """The most questions each player can choose to be asked."""
    return max(1, pool // players) if draw.refill is Refill.NEVER else MAX_WANTED


def length_of(draw: Draw, pool: int, wanted: int | None, players: int) -> int | None:
    """How many questions a round asks; None if they never run out.

    Every player gets as many as the others, as far as the pool allows.
    """
    each = draw.count if wanted is None else wanted
    if each is None:
        each = pool
        if draw.refill is not Refill.NEVER:
            return None
    total = each * players
    if draw.refill is not Refill.NEVER or total <= pool:
        return total
    return pool // players * players or pool


def _order(
    pool: Pool,
    draw: Draw,
    visit: Visit,
    length: int | None,
    used: frozenset[int],
) -> Iterator[int]:
    """Places in the pool, in the order asked; the used ones after all others, once."""
    if draw.refill is Refill.EACH_TIME and draw.order in BY_CHANCE:
        yield from _each_anew(pool, draw, visit)
        return
    if draw.refill is not Refill.NEVER:
        length = None  # every fill of the pool is asked whole
    fill = _once(pool, draw, _chances(visit, "draw"), length, used)
    if draw.refill is Refill.NEVER:
        yield from fill
        return
    last = None
    for again in counting(1):
        for place in _not_after(pool, fill, last):
            yield place
            last = place
        fill = _once(pool, draw, _chances(visit, f"draw again {again}"), None, _NONE_USED)


_NONE_USED: frozenset[int] = frozenset()
BY_CHANCE = (DrawOrder.SHUFFLED, DrawOrder.WEIGHTED)

Chances = Callable[[str], Stream]
"""The random streams of one drawing of a pool, by the suffix of their names."""


def _chances(visit: Visit, purpose: str) -> Chances:
    return lambda end: stream(visit.dice, f"{purpose}{end}", visit.round, visit.number)


def _once(
    pool: Pool,
    draw: Draw,
    chances: Chances,
    length: int | None,
    used: frozenset[int],
) -> Iterator[int]:
    """The whole pool once, in the draw's order, with used questions last."""
    if length is not None and length >= len(pool):
        length = None
    match draw.order:
        case DrawOrder.WRITTEN:
            places: Iterator[int] = iter(range(len(pool)))
        case DrawOrder.WEIGHTED:
            places = _weighted(pool, draw, chances)
        case DrawOrder.EASY_FIRST if length is None:
            levels = pool.places_by_level
            places = chain.from_iterable(_of_level(pool, level, chances) for level in levels)
        case _:
            places = chances("").order(len(pool))
    if used:
        places = _unused_first(places, used)
    if draw.order is DrawOrder.EASY_FIRST and length is not None:
        return chain(sorted(islice(places, length), key=pool.level_at), places)
    return places


def _weighted(pool: Pool, draw: Draw, chances: Chances) -> Iterator[int]:
    """Levels by their weights times the questions left in them, and then any one of them."""
    orders: dict[int, Iterator[int]] = {}
    left = {level: len(places) for level, places in pool.places_by_level.items()}
    tickets = chances("")
    while total := sum(weight_of(draw, level) * count for level, count in left.items()):
        ticket = tickets.below(total)
        for level, count in left.items():
            ticket -= weight_of(draw, level) * count
            if ticket < 0:
                left[level] -= 1
                if level not in orders:
                    orders[level] = _of_level(pool, level, chances)
                yield next(orders[level])
                break


def _of_level(pool: Pool, level: int, chances: Chances) -> Iterator[int]:
    """The places of a level in a random order."""
    places = pool.places_by_level[level]
    order = chances(f", level {level}").order(len(places))
    return (places[at] for at in order)


def _unused_first(places: Iterator[int], used: frozenset[int]) -> Iterator[int]:
    held = []
    for place in places:
        if place in used:
            held.append(place)
        else:
            yield place
    yield from held


def _not_after(pool: Pool, places: Iterator[int], last: int | None) -> Iterator[int]:
    """The same places, but the first not the question just asked, if there is another; and
    where there are more than two right answers, not one with the same, if there is another."""
    if last is None:
        yield from places
        return
    minds_answers = pool.has_many_answers
    held: list[int] = []
    for place in places:
        is_alike = place == last or (
            minds_answers and pool[place].question.right == pool[last].question.right
        )
        if not is_alike:
            yield place
            yield from held
            yield from places
            return
        held.append(place)
    yield from (place for place in held if place != last)
    yield from (place for place in held if place == last)


def _each_anew(pool: Pool, draw: Draw, visit: Visit) -> Iterator[int]:
    last = None
    for turn in counting():

        def chances(end: str, turn: int = turn) -> Stream:
            return stream(visit.dice, f"draw one {visit.number}{end}", visit.round, turn)

        last = next(_not_after(pool, _once(pool, draw, chances, None, _NONE_USED), last))
        yield last


def choices_shown(
    round_: Round, number: int, dice: int, position: int, dealt: Dealt, known_as: str
) -> tuple[tuple[str, ...], tuple[int, ...]]:
    """The choices of a dealt question in the order shown, and the right ones' places, from 1; of
    choices that are to be put in order, the places in the right order; of a match, the place of
    each item's partner.
    `known_as` is the name by which dice know its source.

    The order hangs on the question's own number in its source, so a question added to the
    end of a pack moves no other question's choices; only a spread of right answers hangs on
    the position. True always stands before false, and a pinned choice last. Both are empty
    for a question that is answered by typing.
    """
    question, ask = dealt.sourced.question, round_.ask
    shown = question.choices
    if not shown:
        return (), ()
    if question.kind is Kind.JUDGED:
        has_parts = round_.check.partly is not PartlyRight.NEVER
        return (shown if has_parts else (shown[0], shown[-1])), (1,)
    if question.kind is Kind.ORDER:
        purpose = f"order of {known_as}"
        chances = stream(dice, purpose, dealt.times_before, dealt.sourced.number)
        shown = _out_of_order(shown, chances)
        return shown, tuple(shown.index(choice) + 1 for choice in question.right)
    # In the order of their items the partners of a match would all be told, and so would areas.
    is_match, is_place = question.kind is Kind.MATCH, question.kind is Kind.PLACE
    is_shuffled = (
        is_match
        or is_place
        or (ask.choice_order is Order.SHUFFLED and question.kind is not Kind.TRUTH)
    )
    if is_shuffled:
        purpose = f"choices of {known_as}"
        chances = stream(dice, purpose, dealt.times_before, dealt.sourced.number)
        shown = chances.shuffled(shown)
    if ask.shown is not None and question.kind is not Kind.TRUTH and not is_place:
        shown = _fewer(question, shown, ask.shown)
    if is_shuffled and ask.spread and not (is_match or is_place):
        shown = _spread(question, shown, number, dice, position)
    pinned = question.details.pinned
    if pinned in shown:
        shown = (*(choice for choice in shown if choice != pinned), pinned)
    if is_match:
        return shown, tuple(shown.index(partner) + 1 for _, partner in question.pairs)
    rights = question.right_choices
    return shown, tuple(place for place, choice in enumerate(shown, 1) if choice in rights)


def words_of_gaps(dice: int, dealt: Dealt, known_as: str) -> tuple[tuple[str, ...], ...]:
    """The words to pick from for each gap of a dealt text, in the order shown; none for a gap that
    is typed. `known_as` is the name by which dice know its source."""
    question = dealt.sourced.question
    if not question.gaps:
        return ()

    def shuffled(words: tuple[str, ...], of: str) -> tuple[str, ...]:
        purpose = f"words of {of} of {known_as}"
        chances = stream(dice, purpose, dealt.times_before, dealt.sourced.number)
        return chances.shuffled(words)

    bank = shuffled(question.bank, "all gaps") if question.bank else ()
    return tuple(
        shuffled(gap.words, f"gap {number}") if gap.words else bank
        for number, gap in enumerate(question.gaps, 1)
    )


def _out_of_order(choices: Sequence[str], chances: Stream) -> tuple[str, ...]:
    """The choices shuffled, each order as likely but the one they have, which never comes."""
    shown = chances.shuffled(choices)
    while shown == tuple(choices):
        shown = chances.shuffled(choices)
    return shown


def how_many_shown(
    wanted: int | None, right: int, wrong: int, wants_all: bool = False
) -> tuple[int, int]:
    """How many right and how many wrong choices are shown, if `wanted` are to be shown in all.

    Unless all right ones are wanted, at least one wrong one is shown.

    >>> how_many_shown(3, 4, 5), how_many_shown(3, 4, 5, wants_all=True), how_many_shown(None, 1, 5)
    ((2, 1), (4, 1), (1, 5))
    """
    if wanted is None:
        return right, wrong
    wanted = max(2, wanted, right + 1 if wants_all else 0)
    right = min(right, wanted - 1)
    return right, min(wrong, wanted - right)


def _fewer(question: Question, shown: Sequence[str], wanted: int) -> tuple[str, ...]:
    """The given number of choices in the same order: first right ones are kept, then the pinned
    one, then others."""
    rights = question.right_choices
    right = [choice for choice in shown if choice in rights]
    wrong = [choice for choice in shown if choice not in rights]
    wrong.sort(key=lambda choice: choice != question.details.pinned)
    most_right, most_wrong = how_many_shown(wanted, len(right), len(wrong), question.wants_all)
    kept = {*right[:most_right], *wrong[:most_wrong]}
    return tuple(choice for choice in shown if choice in kept)


def _spread(
    question: Question, shown: Sequence[str], number: int, dice: int, position: int
) -> tuple[str, ...]:
    """The choices with the first right one moved to the place whose turn it is.

    In every block of as many questions as there are places, each place has one turn.
    """
    pinned = question.details.pinned
    free = [choice for choice in shown if choice != pinned]
    right = next((choice for choice in free if choice in question.right), None)
    if right is None or not free:
        return tuple(shown)
    block, turn = divmod(position, len(free))
    places = stream(dice, f"places of {len(free)}", number, block).shuffled(range(len(free)))
    free.remove(right)
    free.insert(places[turn], right)
    return (*free, *(choice for choice in shown if choice == pinned))
