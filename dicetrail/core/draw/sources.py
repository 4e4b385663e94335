"""Where a round's questions come from: packs, facts, named lists, and sums.

Questions of packs, of patterns over facts and of sorting are the same in every run. Sums
and odd ones out are made anew from the dice, each from a stream of its own, so that one
source never moves another.
A source of sums knows every sum it could make without writing them all down: for each left
number the fitting right numbers are evenly spaced.
"""

from bisect import bisect_right
from collections import Counter
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from fractions import Fraction
from functools import cached_property
from itertools import accumulate
from types import MappingProxyType
from typing import NamedTuple

from dicetrail.core.answers import fold
from dicetrail.core.document import (
    DecimalMark,
    Draw,
    DrawOrder,
    Facts,
    Game,
    Kind,
    Lists,
    ListsAsk,
    Operator,
    Pattern,
    Phrase,
    Question,
    Round,
    Span,
    Sums,
    out_of_bounds,
)
from dicetrail.core.draw.census import Census, Censuses, Packs, Traits, census_of, traits_of
from dicetrail.core.draw.dice import Stream, stream
from dicetrail.core.draw.facts import questions_from
from dicetrail.core.draw.pools import Part, Pool, whole

MAX_ROWS = 10_000
"""A source of sums has at most this many left numbers, times denominators; else it makes none."""

MAX_IN_GRID = 10**18
"""A source that takes every left number with every right one makes none if there are more."""

MAX_SOURCES = 50
"""A round has at most this many groups of lists, and as many sources of sums."""

_PROMPTS = {
    ListsAsk.SORT: Phrase.SORT_PROMPT.label,
    ListsAsk.ODD_ONE_OUT: Phrase.ODD_PROMPT.label,
}
"""What lists ask until a game says it in its own language."""
SIGNS = {Operator.PLUS: "+", Operator.MINUS: "−", Operator.TIMES: "×", Operator.OVER: "÷"}


def fixed_pool(round_: Round, packs: Packs) -> Pool:
    """The questions of a round that are the same in every run."""
    from_facts = _from_facts(round_, packs)
    return Pool((*_from_packs(round_, packs), *from_facts, *_weighed(round_, _to_sort(round_))))


def fixed_traits(round_: Round, censuses: Censuses) -> Counter[Traits]:
    """What the questions of `fixed_pool` are like, and how many are so."""
    found: Counter[Traits] = Counter()
    for traits, count in _in_packs(round_, censuses):
        if fits(round_, traits):
            found[traits] += count
    for part in _weighed(round_, _to_sort(round_)):
        found[Traits(Kind.SORT)] += len(part.questions)
    return found


def _in_packs(round_: Round, censuses: Censuses) -> Iterator[tuple[Traits, int]]:
    for name in round_.packs:
        yield from censuses.get(name, {}).items()
    for pattern in round_.patterns:
        yield from censuses.get((pattern, round_.check.decimal_mark), {}).items()


def made_pool(round_: Round, number: int, dice: int) -> tuple[Part, ...]:
    """The questions of a round, the one of that number, that these dice make."""
    made = (*_odd_ones(round_, number, dice), *_sums(round_, number, dice))
    return _weighed(round_, made)


def pool_size(round_: Round, censuses: Censuses) -> int:
    """How many questions a round's pool holds in any run."""
    fitting = sum(count for traits, count in _in_packs(round_, censuses) if fits(round_, traits))
    if not _has_weight(round_.draw, 1):
        return fitting  # what lists and sums give has no level, and counts as 1
    items = sum(_list_questions(lists) for lists in round_.lists[:MAX_SOURCES])
    sums = sum(min(made.count, count_of(made)) for made in round_.sums[:MAX_SOURCES])
    return fitting + items + max(0, sums)


def censuses_of(
    game: Game, packs: Packs, known: Mapping[str, Census] = MappingProxyType({})
) -> Censuses:
    """The census of every pack of questions and every pattern of a game; `known` are at hand."""
    found: dict[str | tuple[Pattern, DecimalMark], Census] = {}
    for round_ in game.rounds:
        for name in round_.packs:
            if name in packs and name not in found:
                found[name] = known[name] if name in known else census_of(packs[name].questions)
        for pattern in round_.patterns:
            key = pattern, round_.check.decimal_mark
            if key not in found:
                found[key] = census_of(questions_from(pattern, facts_of(pattern, packs), key[1]))
    return found


def fits(round_: Round, traits: Traits) -> bool:
    """Whether a pack's question passes the round's filters."""
    draw = round_.draw
    if draw.topics and traits.topic not in draw.topics:
        return False
    if draw.levels and traits.level not in draw.levels:
        return False
    return _has_weight(draw, traits.level)


def _takes_all(draw: Draw) -> bool:
    """Whether a draw filters nothing out."""
    return not (draw.topics or draw.levels or draw.order is DrawOrder.WEIGHTED)


def _has_weight(draw: Draw, level: int) -> bool:
    """Whether a level can be drawn."""
    return draw.order is not DrawOrder.WEIGHTED or weight_of(draw, level) > 0


def _weighed(round_: Round, made: Iterable[Part]) -> tuple[Part, ...]:
    """What lists and sums give, if its level has a weight: it has none, and counts as 1."""
    return tuple(made) if _has_weight(round_.draw, 1) else ()


def weight_of(draw: Draw, level: int) -> int:
    """How likely a weighted draw makes a level, from 1; 0 keeps it out."""
    return draw.weights[level - 1] if 0 < level <= len(draw.weights) else 0


@dataclass(frozen=True, slots=True)
class Tagged:
    """How many of a round's pack questions carry a topic or a level."""

    name: str
    count: int


@dataclass(frozen=True, slots=True)
class Facets:
    """What the questions of a round's packs can be chosen by."""

    topics: tuple[Tagged, ...]
    levels: tuple[Tagged, ...]


def facets(round_: Round, censuses: Censuses) -> Facets:
    """The topics and levels of a round's pack questions, whatever its filters."""
    topics: Counter[str] = Counter()
    levels: Counter[int] = Counter()
    for traits, count in _in_packs(round_, censuses):
        topics[traits.topic] += count
        if traits.level in _LEVELS:
            levels[traits.level] += count
    return Facets(
        tuple(Tagged(topic, topics[topic]) for topic in sorted(topics) if topic),
        tuple(Tagged(str(level), levels[level]) for level in sorted(levels)),
    )


_LEVELS = range(1, 6)


def count_of(sums: Sums) -> int:
    """How many different sums a source could make."""
    return len(SumTable(sums))


def _from_packs(round_: Round, packs: Packs) -> Iterator[Part]:
    takes_all = _takes_all(round_.draw)
    for name in round_.packs:
        questions = packs[name].questions
        if takes_all:
            yield whole(name, questions)
        else:
            yield Part(name, questions, tuple(_fitting(round_, questions)))


def _from_facts(round_: Round, packs: Packs) -> Iterator[Part]:
    takes_all = _takes_all(round_.draw)
    for place, pattern in enumerate(round_.patterns):
        made = questions_from(pattern, facts_of(pattern, packs), round_.check.decimal_mark)
        numbers = range(len(made)) if takes_all else tuple(_fitting(round_, made))
        yield Part(f"patterns[{place}]", made, numbers)


def facts_of(pattern: Pattern, packs: Packs) -> Facts:
    """The facts a pattern is of; none if they are not there."""
    pack = packs.get(pattern.facts)
    return Facts(()) if pack is None or pack.facts is None else pack.facts


def _fitting(round_: Round, questions: Iterable[Question]) -> Iterator[int]:
    known: dict[tuple[str, int | None], bool] = {}
    for number, question in enumerate(questions):
        details = question.details
        tags = (details.topic, details.level)
        passes = known.get(tags)
        if passes is None:
            passes = known[tags] = fits(round_, traits_of(question))
        if passes:
            yield number


def _to_sort(round_: Round) -> Iterator[Part]:
    for place, lists in enumerate(round_.lists):
        if lists.asks is ListsAsk.SORT:
            titles = [group.title for group in lists.lists]
            groups = [(group.title, frozenset(group.items)) for group in lists.lists]
            made = []
            for item in _items(lists):
                right = tuple(title for title, items in groups if item in items)
                wrong = tuple(title for title in titles if title not in right)
                prompt = (lists.prompt.strip() or _PROMPTS[lists.asks]).replace("{item}", item)
                made.append(Question(prompt, right, wrong, Kind.SORT))
            yield whole(f"lists[{place}]", made)


def _items(lists: Lists) -> tuple[str, ...]:
    """Every item to be sorted, once; one that is in all lists cannot be."""
    times = Counter(item for group in lists.lists for item in dict.fromkeys(group.items))
    return tuple(item for item, count in times.items() if count < len(lists.lists))


def _list_questions(lists: Lists) -> int:
    return len(_items(lists) if lists.asks is ListsAsk.SORT else list(odd_items(lists)))


def odd_items(lists: Lists) -> Iterator[tuple[str, tuple[tuple[str, ...], ...]]]:
    """Every item that can be the odd one, with the rows of items it can stand among.

    The other items are of one list and share no list with it. Otherwise one of them could be the
    odd one too: the rest, with this item, could be of one list.
    """
    groups = [{fold(item): item for item in reversed(group.items)} for group in lists.lists]
    groups = [dict(reversed(group.items())) for group in groups]  # the first of alike ones
    rows_beside: dict[tuple[bool, ...], tuple[tuple[str, ...], ...]] = {}
    for item in dict.fromkeys(item for group in lists.lists for item in group.items):
        folded = fold(item)
        lies_in = tuple(folded in group for group in groups)
        if lies_in not in rows_beside:
            kin = {
                other
                for group, is_in in zip(groups, lies_in, strict=True)
                if is_in
                for other in group
            }
            rows = (
                tuple(shown for other, shown in group.items() if other not in kin)
                for group in groups
            )
            rows_beside[lies_in] = tuple(row for row in rows if len(row) >= lists.choices - 1)
        if rows_beside[lies_in]:
            yield item, rows_beside[lies_in]


def _odd_ones(round_: Round, number: int, dice: int) -> Iterator[Part]:
    for place, lists in enumerate(round_.lists):
        if lists.asks is not ListsAsk.ODD_ONE_OUT:
            continue
        prompt = lists.prompt.strip() or _PROMPTS[lists.asks]
        made = []
        for which, (item, others) in enumerate(odd_items(lists)):
            chances = stream(dice, f"odd one out {place}", number, which)
            group = others[chances.below(len(others))]
            among = tuple(group[n] for n in chances.pick(len(group), lists.choices - 1))
            made.append(Question(prompt.replace("{item}", item), (item,), among))
        yield whole(f"lists[{place}]", made)


class Bottoms(NamedTuple):
    """The denominators of the two numbers of a sum; both 0 of whole numbers."""

    left: int = 0
    right: int = 0


class Sum(NamedTuple):
    """The two numbers of a sum, or their numerators, and the denominators under them."""

    left: int
    right: int
    bottoms: Bottoms = Bottoms()

    def result(self, operator: Operator) -> Fraction:
        """What it comes to, as a fraction. The denominator is that of `bottom`."""
        return Fraction(_result(operator, self.left, self.right), self.bottom(operator) or 1)

    def bottom(self, operator: Operator) -> int:
        """The denominator its result is counted in; 0 of whole numbers."""
        return _bottom(operator, self.bottoms)


def _bottom(operator: Operator, bottoms: Bottoms) -> int:
    return bottoms.left * bottoms.right if operator is Operator.TIMES else bottoms.left


class SumTable(Sequence[Sum]):
    """Every sum a source could make, by its number.

    It is empty where a number is out of bounds, and where `is_too_wide`.
    """

    def __init__(self, sums: Sums) -> None:
        self.sums = sums
        self._bottoms = _Denominators(sums)
        self._lefts, self._rights = _numbers(sums.left), _numbers(sums.right)
        self._is_sound = not any(True for _ in out_of_bounds(sums))

    @cached_property
    def _is_grid(self) -> bool:
        """Whether every left number goes with every right one."""
        sums = self.sums
        if sums.cap is not None or (sums.operator is Operator.OVER and not sums.turned):
            return False
        if sums.operator is Operator.OVER:
            return sums.right.least > 0
        return (
            sums.operator is not Operator.MINUS
            or sums.negative
            or sums.left.least >= sums.right.most
        )

    @cached_property
    def _firsts(self) -> range:
        """The numbers that a row of sums is written for: the left ones, or if these are too
        many the right ones; of quotients the divisors no larger than any dividend."""
        if self.sums.operator is Operator.OVER and self.sums.turned:
            return self._rights
        if self.sums.operator is Operator.OVER:
            left, right = self.sums.left, self.sums.right
            return range(max(1, right.least), min(right.most, left.most) + 1)
        return self._rights if self._goes_by_right else self._lefts

    @cached_property
    def _goes_by_right(self) -> bool:
        most = MAX_ROWS // max(1, len(self._bottoms))
        is_over = self.sums.operator is Operator.OVER
        return not is_over and len(self._lefts) > most >= len(self._rights)

    @property
    def _in_grid(self) -> int:
        return len(self._bottoms) * len(self._lefts) * len(self._rights)

    @property
    def is_too_wide(self) -> bool:
        """Whether the source has more numbers than this table supports."""
        if not self._is_sound:
            return False
        if self._is_grid:
            return self._in_grid > MAX_IN_GRID
        return len(self._firsts) * len(self._bottoms) > MAX_ROWS

    @cached_property
    def _rows(self) -> list[tuple[int, Bottoms, range]]:
        if not self._is_sound or self.is_too_wide:
            return []
        fitting = _lefts if self._goes_by_right else _rights
        rows = (
            (first, bottom, fitting(self.sums, first, bottom))
            for bottom in self._bottoms
            for first in self._firsts
        )
        return [row for row in rows if len(row[2])]

    @cached_property
    def _ends(self) -> list[int]:
        return list(accumulate(len(fitting) for _, _, fitting in self._rows))

    def __len__(self) -> int:
        if self._is_sound and self._is_grid:
            return 0 if self.is_too_wide else self._in_grid
        return self._ends[-1] if self._ends else 0

    def __getitem__(self, number: int) -> Sum:  # type: ignore[override]
        if self._is_grid:
            row, right = divmod(number, len(self._rights))
            bottom, left = divmod(row, len(self._lefts))
            return self._made(self._lefts[left], self._rights[right], self._bottoms[bottom])
        place = bisect_right(self._ends, number)
        first, under, fitting = self._rows[place]
        other = fitting[number - (self._ends[place - 1] if place else 0)]
        if self.sums.operator is Operator.OVER or self._goes_by_right:
            # Of quotients a row has the dividends of a divisor, or the quotients by it.
            return self._made(other, first, under)
        return self._made(first, other, under)

    def _made(self, left: int, right: int, bottoms: Bottoms) -> Sum:
        is_turned = self.sums.turned and self.sums.operator is Operator.OVER
        return Sum(left * right if is_turned else left, right, bottoms)


class _Denominators(Sequence[Bottoms]):
    """The denominators that can come: of products one each, else one under both."""

    def __init__(self, sums: Sums) -> None:
        self._numbers = range(1) if sums.denominators is None else _numbers(sums.denominators)
        self._has_pairs = sums.operator is Operator.TIMES and sums.denominators is not None

    def __len__(self) -> int:
        return len(self._numbers) ** 2 if self._has_pairs else len(self._numbers)

    def __getitem__(self, number: int) -> Bottoms:  # type: ignore[override]
        if not 0 <= number < len(self):
            raise IndexError(number)
        left, right = divmod(number, len(self._numbers)) if self._has_pairs else (number, number)
        return Bottoms(self._numbers[left], self._numbers[right])


def _numbers(span: Span) -> range:
    return range(span.least, span.most + 1)


def _rights(sums: Sums, left: int, bottoms: Bottoms) -> range:
    """The right numbers that fit a left one; for quotients, the dividends of a divisor, or the
    quotients by it."""
    low, high = sums.right.least, sums.right.most
    cap = _cap(sums, bottoms)
    match sums.operator:
        case Operator.PLUS:
            if cap is not None:
                high = min(high, cap - left)
            return range(low, high + 1)
        case Operator.MINUS:
            if not sums.negative:
                high = min(high, left)
            if cap is not None:
                low = max(low, left - cap)
            return range(low, high + 1)
        case Operator.TIMES:
            if cap is not None and left > 0:
                high = min(high, cap // left)
            elif cap is not None and cap < 0:
                return range(0)
            return range(low, high + 1)
        case Operator.OVER:
            return _dividends(sums, left, cap)


def _cap(sums: Sums, bottoms: Bottoms) -> int | None:
    """The largest result allowed, counted as results are over these denominators."""
    return None if sums.cap is None else sums.cap * (_bottom(sums.operator, bottoms) or 1)


def _lefts(sums: Sums, right: int, bottoms: Bottoms) -> range:
    """The left numbers that fit a right one, of anything but quotients."""
    low, high = sums.left.least, sums.left.most
    cap = _cap(sums, bottoms)
    if sums.operator is Operator.MINUS:
        if not sums.negative:
            low = max(low, right)
        if cap is not None:
            high = min(high, cap + right)
    elif sums.operator is Operator.PLUS:
        if cap is not None:
            high = min(high, cap - right)
    elif cap is not None and right > 0:
        high = min(high, cap // right)
    elif cap is not None and cap < 0:
        return range(0)
    return range(low, high + 1)


def _dividends(sums: Sums, divisor: int, cap: int | None) -> range:
    """The dividends of a divisor with whole quotients, none smaller than the divisor."""
    if divisor < 1:
        return range(0)
    if sums.turned:
        most = sums.left.most if cap is None else min(sums.left.most, cap)
        return range(sums.left.least, most + 1)
    least = max(sums.left.least, divisor)
    most = sums.left.most if cap is None else min(sums.left.most, cap * divisor)
    return range(-(-least // divisor) * divisor, most + 1, divisor)


def _sums(round_: Round, number: int, dice: int) -> Iterator[Part]:
    for place, sums in enumerate(round_.sums):
        table = SumTable(sums)
        picked = stream(dice, f"sums {place}", number).pick(len(table), sums.count)
        made = []
        for which, entry in enumerate(picked):
            chances = stream(dice, f"wrong choices of sums {place}", number, which)
            made.append(sum_question(sums, table[entry], chances))
        yield whole(f"sums[{place}]", made)


def sum_question(sums: Sums, made: Sum, chances: Stream) -> Question:
    """The question of one sum. Its wrong choices are plausible and distinct, never right, and never
    above the largest result allowed. There are fewer than wanted if not enough exist."""
    left, right, bottoms = made
    value, bottom = _result(sums.operator, left, right), made.bottom(sums.operator)
    over = [f"/{under}" if under else "" for under in bottoms]
    prompt = f"{left}{over[0]} {SIGNS[sums.operator]} {right}{over[1]} = ?"
    if not sums.choices:
        return Question(prompt, (_written(value, bottom),), (), Kind.NUMBER)
    near = list(dict.fromkeys(_mistakes(sums, made, value)))
    wrong = [near[n] for n in chances.pick(len(near), min(len(near), sums.choices - 1))]
    return Question(
        prompt,
        (_written(value, bottom),),
        tuple(_written(mistake, bottom) for mistake in wrong),
    )


def _result(operator: Operator, left: int, right: int) -> int:
    match operator:
        case Operator.PLUS:
            return left + right
        case Operator.MINUS:
            return left - right
        case Operator.TIMES:
            return left * right
        case Operator.OVER:
            return left // right


def _mistakes(sums: Sums, made: Sum, value: int) -> Iterator[int]:
    """Wrong results: first those of common mistakes, then those near the right result. If the maker
    says how near, only those."""
    left, right, bottoms = made
    cap = _cap(sums, bottoms)
    if sums.near is not None:
        for apart in range(1, min(sums.near, _FARTHEST) + 1):
            for near in (value + apart, value - apart):
                if _is_plausible(sums, near, value, cap):
                    yield near
        return
    slips = [value - 1, value + 1]
    if sums.operator is Operator.TIMES:
        slips = [left * (right + 1), left * (right - 1), (left + 1) * right, (left - 1) * right]
    elif sums.operator in (Operator.PLUS, Operator.MINUS):
        slips += [value - 10, value + 10]
        slips.append(left - right if sums.operator is Operator.PLUS else left + right)
    else:
        slips += [value + 2, value - 2]
    digits = str(abs(value))
    if len(digits) == 2:
        slips.append(int(digits[::-1]))
    wanted = max(_USUAL_CHOICES, sums.choices)
    further = range(1, 3 * wanted)
    enough = [slip for slip in slips if _is_plausible(sums, slip, value, cap)]
    yield from enough
    if len(set(enough)) < wanted:
        for apart in further:
            for near in (value + apart, value - apart):
                if _is_plausible(sums, near, value, cap):
                    yield near


_FARTHEST = 1000
"""Wrong choices never differ by more than this from the right one, whatever the maker allows."""

_USUAL_CHOICES = 8
"""So many mistakes are looked for, however few are wanted: fixed, for the draw hangs on it."""


def _is_plausible(sums: Sums, mistake: int, value: int, cap: int | None) -> bool:
    is_within = cap is None or mistake <= cap
    return mistake != value and is_within and (sums.negative or mistake >= 0)


def fewest_choices(sums: Sums) -> int:
    """The fewest choices, the right one among them, that a source of sums with choices offers,
    by what is near the results at both ends. `sums.choices` where there are always enough."""
    if sums.near is None and sums.cap is None:
        return sums.choices
    table = SumTable(sums)
    count = len(table)
    step = max(1, count // _LOOKED_AT)
    looked = (table[number] for number in {*range(0, count, step), count - 1} if number >= 0)
    found = (
        len(set(_mistakes(sums, made, _result(sums.operator, made.left, made.right))))
        for made in looked
    )
    return min(sums.choices, 1 + min(found, default=sums.choices))


_LOOKED_AT = 400


def _written(value: int, bottom: int) -> str:
    """A result as it is written: whole, or a fraction in lowest terms."""
    return str(Fraction(value, bottom)) if bottom else str(value)
