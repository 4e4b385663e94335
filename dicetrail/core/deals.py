"""Which questions a round of a run asks, in which order, and how their choices stand.

A deal is worked out from the game and the dice alone, question by question as it is asked
for. No question of a pack comes twice until the pool is empty, nor again in a later round
while others are left.
"""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from itertools import count as counting
from threading import Lock
from typing import NamedTuple

from dicetrail.core.dice import Stream, stream
from dicetrail.core.document import Draw, DrawOrder, Kind, Order, Question, Refill, Round
from dicetrail.core.sources import Sourced, made_pool, weight_of


class Played(NamedTuple):
    """A round that was played before: which, how many questions the player wanted, and got."""

    round: int
    wanted: int | None
    asked: int


class Dealt(NamedTuple):
    """A question as it comes: where it is from, and how often it came before in its round."""

    sourced: Sourced
    times_before: int


@dataclass(eq=False)
class Deal:
    """The questions of one round of one run. `length` is None if they never run out."""

    pool: tuple[Sourced, ...]
    length: int | None
    _order: Iterator[int]
    _dealt: list[Dealt] = field(default_factory=list)
    _times: dict[int, int] = field(default_factory=dict)
    shown: dict[tuple[int, str, int], tuple[tuple[str, ...], tuple[int, ...]]] = field(
        default_factory=dict
    )
    """A memo of choices in the order shown, by position, source and number there."""
    _lock: Lock = field(default_factory=Lock)

    def at(self, position: int) -> Dealt:
        """The question at a position, from 0. Raises IndexError beyond the length."""
        with self._lock:  # one program serves many runs at once
            while len(self._dealt) <= position:
                place = next(self._order, None)
                if place is None:
                    raise IndexError(f"the round has no question {position}")
                before = self._times.get(place, 0)
                self._times[place] = before + 1
                self._dealt.append(Dealt(self.pool[place], before))
        return self._dealt[position]


def deal(
    round_: Round,
    number: int,
    dice: int,
    fixed: Sequence[Sourced],
    visit: int,
    wanted: int | None,
    players: int,
    gone: frozenset[tuple[str, int]],
) -> Deal:
    """The questions of a round, by its number, on its n-th visit (from 0) in a run.

    `gone` holds source and number of those asked in earlier rounds: they come last.
    """
    pool = (*fixed, *made_pool(round_, number, dice))
    length = length_of(round_.draw, len(pool), wanted, players)
    return Deal(pool, length, _order(pool, round_.draw, dice, number, visit, length, gone))


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
    pool: Sequence[Sourced],
    draw: Draw,
    dice: int,
    number: int,
    visit: int,
    length: int | None,
    gone: frozenset[tuple[str, int]],
) -> Iterator[int]:
    """Places in the pool, in the order asked."""

    def chances(purpose: str) -> Stream:
        return stream(dice, purpose, number, visit)

    one_at_a_time = draw.refill is Refill.EACH_TIME and draw.order in _BY_CHANCE
    if one_at_a_time:
        yield from _each_anew(pool, draw, dice, number, visit)
        return
    if draw.refill is not Refill.NEVER:
        length = None  # every fill of the pool is asked whole
    fill = _once(pool, draw, chances("draw"), length)
    if gone:
        fill = _unused_first(pool, fill, gone)
    if draw.refill is Refill.NEVER:
        yield from fill
        return
    last = None
    for again in counting(1):
        for place in _not_after(pool, fill, last):
            yield place
            last = place
        fill = _once(pool, draw, chances(f"draw again {again}"), None)


_BY_CHANCE = (DrawOrder.SHUFFLED, DrawOrder.WEIGHTED)


def _once(
    pool: Sequence[Sourced], draw: Draw, chances: Stream, length: int | None
) -> Iterator[int]:
    """The whole pool once over, as the draw's order has it."""
    match draw.order:
        case DrawOrder.WRITTEN:
            yield from range(len(pool))
        case DrawOrder.SHUFFLED:
            yield from chances.order(len(pool))
        case DrawOrder.EASY_FIRST:
            picked = chances.pick(len(pool), len(pool) if length is None else length)
            yield from sorted(picked, key=lambda place: _level(pool[place]))
        case DrawOrder.WEIGHTED:
            yield from _weighted(pool, draw, chances)


def _weighted(pool: Sequence[Sourced], draw: Draw, chances: Stream) -> Iterator[int]:
    """Levels by their weights times the questions left in them, and then any one of them."""
    by_level: dict[int, list[int]] = {}
    for place, sourced in enumerate(pool):
        by_level.setdefault(_level(sourced), []).append(place)
    left = {level: list(chances.shuffled(by_level[level])) for level in sorted(by_level)}
    while total := sum(weight_of(draw, level) * len(places) for level, places in left.items()):
        ticket = chances.below(total)
        for level, places in left.items():
            ticket -= weight_of(draw, level) * len(places)
            if ticket < 0:
                yield places.pop()
                break


def _unused_first(
    pool: Sequence[Sourced], places: Iterator[int], gone: frozenset[tuple[str, int]]
) -> Iterator[int]:
    used = []
    for place in places:
        if (pool[place].source, pool[place].number) in gone:
            used.append(place)
        else:
            yield place
    yield from used


def _not_after(pool: Sequence[Sourced], places: Iterator[int], last: int | None) -> Iterator[int]:
    """The same places, but the first not the one just asked, nor one with the same answer."""
    if last is None:
        yield from places
        return
    held: list[int] = []
    for place in places:
        if not _alike(pool, place, last):
            yield place
            yield from held
            yield from places
            return
        held.append(place)
    others = [place for place in held if place != last]
    yield from others
    yield from (place for place in held if place == last)


def _each_anew(
    pool: Sequence[Sourced], draw: Draw, dice: int, number: int, visit: int
) -> Iterator[int]:
    last = None
    for turn in counting():
        chances = stream(dice, f"draw one {visit}", number, turn)
        last = next(_not_after(pool, _once(pool, draw, chances, None), last))
        yield last


def _alike(pool: Sequence[Sourced], one: int, other: int) -> bool:
    return one == other or pool[one].question.right == pool[other].question.right


def _level(sourced: Sourced) -> int:
    return sourced.question.details.level or 1


def choices_shown(
    round_: Round, number: int, dice: int, position: int, dealt: Dealt
) -> tuple[tuple[str, ...], tuple[int, ...]]:
    """The choices of a dealt question in the order shown, and the right ones' places, from 1.

    The order hangs on the question's own number in its source, so a question added to the
    end of a pack moves no other question's choices; only a spread of right answers hangs on
    the position. True always stands before false, and a pinned choice last. Both are empty
    for a question that is answered by typing.
    """
    question, ask = dealt.sourced.question, round_.ask
    shown = question.choices
    if not shown:
        return (), ()
    is_shuffled = ask.choice_order is Order.SHUFFLED and question.kind is not Kind.TRUTH
    if is_shuffled:
        purpose = f"choices of {dealt.sourced.source}"
        chances = stream(dice, purpose, dealt.times_before, dealt.sourced.number)
        shown = chances.shuffled(shown)
    if ask.shown is not None and question.kind is not Kind.TRUTH:
        shown = _fewer(question, shown, ask.shown)
    if is_shuffled and ask.spread:
        shown = _spread(question, shown, number, dice, position)
    pinned = question.details.pinned
    if pinned in shown:
        shown = (*(choice for choice in shown if choice != pinned), pinned)
    right = tuple(place for place, choice in enumerate(shown, 1) if choice in question.right)
    return shown, right


def _fewer(question: Question, shown: Sequence[str], wanted: int) -> tuple[str, ...]:
    """So many of the choices, in the same order: right ones, the pinned one, then others."""
    wanted = max(2, wanted)
    right = [choice for choice in shown if choice in question.right][: wanted - 1]
    wrong = [choice for choice in shown if choice not in question.right]
    wrong.sort(key=lambda choice: choice != question.details.pinned)
    kept = {*right, *wrong[: wanted - len(right)]}
    return tuple(choice for choice in shown if choice in kept)


def _spread(
    question: Question, shown: Sequence[str], number: int, dice: int, position: int
) -> tuple[str, ...]:
    """The choices with the first right one where its turn is.

    In each row of as many questions as there are places, every place has one turn.
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
