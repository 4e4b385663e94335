"""Which questions a round of a run asks, in which order, and how their choices stand.

A deal is worked out from the game and the dice alone, question by question as it is asked
for. No question of a pack comes twice until the pool is empty, nor again in a later round
while others are left.
"""

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, field
from itertools import count as counting
from itertools import islice
from threading import Lock
from typing import NamedTuple

from dicetrail.core.document import Draw, DrawOrder, Kind, Needs, Order, Question, Refill, Round
from dicetrail.core.draw.dice import Stream, stream
from dicetrail.core.draw.sources import Sourced, made_pool, weight_of

MOST_WANTED = 1000
"""The most questions a player can choose where the pool is filled again."""


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
    shown: dict[tuple[int, int, str, int], tuple[tuple[str, ...], tuple[int, ...]]] = field(
        default_factory=dict
    )
    """A memo of choices in the order shown, by all that they hang on."""
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
    gone: Collection[tuple[str, int]],
) -> Deal:
    """The questions of a round, by its number, on its n-th visit (from 0) in a run.

    `gone` holds name and number of those asked in earlier rounds: they come last.
    """
    made = made_pool(round_, number, dice)
    pool = (*fixed, *made) if made else tuple(fixed)  # a pool of packs alone is not copied
    length = length_of(round_.draw, len(pool), wanted, players)
    used = _NONE_USED
    if known := frozenset(gone):
        used = frozenset(
            place for place, sourced in enumerate(pool) if named(sourced, number) in known
        )
    return Deal(pool, length, _order(pool, round_.draw, dice, number, visit, length, used))


def named(sourced: Sourced, round_: int) -> tuple[str, int]:
    """A question of a round by a name of its source that means it in every round.

    Packs are shared by rounds; lists and sums are each round's own.
    """
    is_own = sourced.source.endswith("]")
    return (f"{round_} {sourced.source}" if is_own else sourced.source), sourced.number


def most_wanted(draw: Draw, pool: int, players: int) -> int:
    """The most questions each player can choose to be asked."""
    return max(1, pool // players) if draw.refill is Refill.NEVER else MOST_WANTED


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
    used: frozenset[int],
) -> Iterator[int]:
    """Places in the pool, in the order asked; the used ones after all others, once."""

    def chances(purpose: str) -> Stream:
        return stream(dice, purpose, number, visit)

    one_at_a_time = draw.refill is Refill.EACH_TIME and draw.order in BY_CHANCE
    if one_at_a_time:
        yield from _each_anew(pool, draw, dice, number, visit)
        return
    if draw.refill is not Refill.NEVER:
        length = None  # every fill of the pool is asked whole
    fill = _once(pool, draw, chances("draw"), length, used)
    if draw.refill is Refill.NEVER:
        yield from fill
        return
    last = None
    for again in counting(1):
        for place in _not_after(pool, fill, last):
            yield place
            last = place
        fill = _once(pool, draw, chances(f"draw again {again}"), None, _NONE_USED)


_NONE_USED: frozenset[int] = frozenset()
BY_CHANCE = (DrawOrder.SHUFFLED, DrawOrder.WEIGHTED)


def _once(
    pool: Sequence[Sourced],
    draw: Draw,
    chances: Stream,
    length: int | None,
    used: frozenset[int],
) -> Iterator[int]:
    """The whole pool once over, as the draw's order has it, the used ones last."""
    match draw.order:
        case DrawOrder.WRITTEN:
            places: Iterator[int] = iter(range(len(pool)))
        case DrawOrder.SHUFFLED | DrawOrder.EASY_FIRST:
            places = chances.order(len(pool))
        case DrawOrder.WEIGHTED:
            places = _weighted(pool, draw, chances)
    if used:
        places = _unused_first(places, used)
    if draw.order is not DrawOrder.EASY_FIRST:
        return places
    picked = islice(places, length)
    if length is not None:
        return iter(sorted(picked, key=lambda place: _level(pool[place])))
    return iter(sorted(picked, key=lambda place: (place in used, _level(pool[place]))))


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


def _unused_first(places: Iterator[int], used: frozenset[int]) -> Iterator[int]:
    held = []
    for place in places:
        if place in used:
            held.append(place)
        else:
            yield place
    yield from held


def _not_after(pool: Sequence[Sourced], places: Iterator[int], last: int | None) -> Iterator[int]:
    """The same places, but the first not the question just asked, if there is another; and
    where there are more than two right answers, not one with the same, if there is another."""
    if last is None:
        yield from places
        return
    minds_answers = _has_many_answers(pool)
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


def _has_many_answers(pool: Sequence[Sourced]) -> bool:
    """Whether there are more than two right answers in a pool."""
    seen: set[tuple[str, ...]] = set()
    for sourced in pool:
        seen.add(sourced.question.right)
        if len(seen) > 2:
            return True
    return False


def _each_anew(
    pool: Sequence[Sourced], draw: Draw, dice: int, number: int, visit: int
) -> Iterator[int]:
    last = None
    for turn in counting():
        chances = stream(dice, f"draw one {visit}", number, turn)
        places = _once(pool, draw, chances, None, _NONE_USED)
        last = next(_not_after(pool, places, last))
        yield last


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
    right = [choice for choice in shown if choice in question.right]
    if question.details.needs is Needs.ALL:
        wanted = max(wanted, len(right) + 1)
    wanted = max(2, wanted)
    right = right[: wanted - 1]
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
