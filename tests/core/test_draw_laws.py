"""What a round draws, over everything its settings can be together."""

import random
import unittest
from dataclasses import replace
from fractions import Fraction
from itertools import islice, pairwise, product
from unittest.mock import patch

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Begin,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    GameProblems,
    ItemList,
    Kind,
    Lists,
    Moves,
    Opening,
    Pack,
    Pattern,
    Question,
    Refill,
    Round,
    Sums,
    To,
    Way,
    build,
    start,
    step,
    survey,
)
from dicetrail.core.document import Leaves, ListsAsk, Operator, Span
from dicetrail.core.draw import (
    Pool,
    SumTable,
    Visit,
    deal,
    fewest_choices,
    odd_items,
    sources,
    stream,
    whole,
)
from dicetrail.core.draw.sources import sum_question
from dicetrail.core.play import Bring, Intent, choices_of, made_ready, next_input, question_of
from tests.core.examples import BEDS
from tests.exhaustive import exhaustive

REST = (Ending("Rest", ""),)


def levelled(title, *levels):
    return Pack(
        title,
        tuple(
            Question(
                f"{title} {n}?", (f"right {n}",), (f"wrong {n}",), details=Details(level=level)
            )
            for n, level in enumerate(levels)
        ),
    )


PACKS = {"easy": levelled("easy", 1, 1, None), "mixed": levelled("mixed", 1, 3, 5, 5), "beds": BEDS}
GROUPS = (ItemList("Root", ("beet", "carrot")), ItemList("Leaf", ("kale", "chard", "leek")))
SOURCES = {
    "packs": {"packs": ("easy", "mixed")},
    "lists": {"lists": (Lists(GROUPS),)},
    "odd": {"lists": (Lists(GROUPS, ListsAsk.ODD_ONE_OUT, choices=3),)},
    "sums": {"sums": (Sums(count=3), Sums(Operator.OVER, choices=4, count=2))},
    "facts": {"patterns": (Pattern("beds", "Family of {plant}?", "family", level="level"),)},
    "all": {
        "packs": ("mixed",),
        "lists": (Lists(GROUPS),),
        "sums": (Sums(count=2),),
        "patterns": (Pattern("beds", "In bed {bed}?", "plant", leaves=Leaves.PICKED),),
    },
}
WEIGHTS = ((1, 1, 1, 1, 1), (0, 1, 1, 1, 1), (0, 0, 0, 0, 5), (0, 0, 0, 0, 0), (3, 0, 1, 0, 0))
FILTERS = ((), (1,), (5,), (4,))


@exhaustive
class TestEveryDraw(unittest.TestCase):
    def test_a_round_draws_or_is_refused_whatever_is_set_together(self):
        played = refused = 0
        for source, order, weights, refill, levels in product(
            SOURCES.values(), DrawOrder, WEIGHTS, Refill, FILTERS
        ):
            draw = Draw(6, order, levels=levels, refill=refill, weights=weights)
            game = Game("G", (Round("R", **source, draw=draw),), REST)
            try:
                program = build(game, PACKS)
            except GameProblems:
                refused += 1
                continue
            played += 1
            dealt = deal(game.rounds[0], program.pools[0], Visit(7, 0), 6)
            places = [dealt.at(n).sourced for n in range(dealt.length)]
            self.assertEqual(len(places), min(6, dealt.length))
            if order is DrawOrder.WEIGHTED:
                heavy = {level for level, weight in enumerate(weights, 1) if weight}
                self.assertLessEqual({p.question.details.level or 1 for p in places}, heavy)
            if refill is Refill.NEVER:
                self.assertEqual(len({(p.source, p.number) for p in places}), len(places))
            elif len(dealt.pool) > 1:
                twice = [(a.source, a.number) == (b.source, b.number) for a, b in pairwise(places)]
                self.assertFalse(any(twice), "never the same question twice running")
        self.assertGreater(played, 400)
        self.assertGreater(refused, 100)

    def test_two_right_answers_are_not_made_to_alternate_and_more_never_repeat(self):
        chances = random.Random(5)
        for answers, repeats in ((2, True), (3, False)):
            asks = [Question(f"{n}?", (f"a{n % answers}",), ("x",)) for n in range(12)]
            pool = Pool((whole("p", asks),))
            for refill in (Refill.EACH_TIME, Refill.WHEN_EMPTY):
                round_ = Round("R", ("p",), draw=Draw(None, refill=refill))
                dealt = deal(round_, pool, Visit(chances.randrange(999), 0), 200)
                asked = [dealt.at(n).sourced for n in range(200)]
                same = [
                    one.question.right == other.question.right for one, other in pairwise(asked)
                ]
                if refill is Refill.EACH_TIME:
                    self.assertEqual(any(same), repeats, (answers, refill))

    def test_easy_first_leaves_out_what_was_asked_before(self):
        pack = Pack("P", levelled("p", 1, 1, 2, 2, 3, 3).questions)
        round_ = Round("R", ("p",), draw=Draw(3, DrawOrder.EASY_FIRST))
        pool = Pool((whole("p", pack.questions),))
        for dice in range(50):
            gone = {("p", n) for n in stream(dice, "gone").pick(6, 3)}
            dealt = deal(round_, pool, Visit(dice, 0, 1, gone=gone), 3)
            asked = [dealt.at(n).sourced for n in range(3)]
            self.assertFalse(gone & {(one.source, one.number) for one in asked})
            levels = [one.question.details.level for one in asked]
            self.assertEqual(levels, sorted(levels))

    def test_what_a_program_recalls_of_earlier_runs_changes_no_draw(self):
        wide = Pack("W", tuple(Question(f"{n}?", ("r",), tuple("abcde")) for n in range(4)))
        draw = Draw(9, refill=Refill.WHEN_EMPTY)
        game, packs = Game("G", (Round("R", ("wide",), draw=draw),), REST), {"wide": wide}

        def choices(program, position=None, number=0):
            moment = step(program, start(program, 5).state, Begin(), 0)
            seen = []
            while moment.state.phase != "ended":
                if moment.state.round.position + 1 == position:
                    moment = step(program, moment.state, Bring("wide", number), moment.state.at)
                seen.append((question_of(program, moment.state), choices_of(program, moment.state)))
                given_ = next_input(program, moment.state, Intent.RIGHT, moment.state.at)
                moment = step(program, moment.state, given_.action, given_.at)
            return seen, moment.footprints

        used = made_ready(game, packs, recall={})
        for position, number in product((None, 5, 1, 7, 8), range(4)):
            fresh = choices(made_ready(game, packs), position, number)
            self.assertEqual(choices(used, position, number), fresh)

    def test_players_get_as_many_questions_each_as_they_chose_or_are_offered_fewer(self):
        for players, refill, wanted in product((1, 2, 3), Refill, range(1, 14)):
            draw = Draw(2, player_chooses=True, refill=refill)
            game = Game("G", (Round("R", ("mixed",), draw=draw),), REST)
            game = replace(game, opening=Opening(most_players=3))
            program = build(game, PACKS)
            state = start(program, 3, ("A", "B", "C")[:players]).state
            moment = step(program, state, Begin(questions=wanted), 0)
            most = 4 // players if refill is Refill.NEVER else 1000
            self.assertEqual(moment.state.phase == "asking", wanted <= most)
            asked = [0] * players
            state = moment.state
            while state.phase == "asking" or state.phase == "holding":
                if state.phase == "asking":
                    asked[state.turn] += 1
                given_ = next_input(program, state, Intent.RIGHT, state.at)
                state = step(program, state, given_.action, given_.at).state
            if wanted <= most:
                self.assertEqual(asked, [wanted] * players)

    def test_a_run_that_goes_round_for_ever_takes_no_longer_for_a_step(self):
        back = Moves(right=Way(To.ROUND, "B"), wrong=Way(To.ROUND, "B"))
        again = Moves(right=Way(To.ROUND, "A"), wrong=Way(To.ROUND, "A"))
        rounds = (Round("A", ("mixed",), moves=back), Round("B", ("easy",), moves=again))
        program = build(Game("G", rounds, REST), PACKS)
        state = step(program, start(program, 1).state, Begin(), 0).state
        sizes = []
        for _ in range(3000):
            given_ = next_input(program, state, Intent.RIGHT, state.at)
            state = step(program, state, given_.action, given_.at).state
            sizes.append(
                len(state.history.gone) + len(state.history.visits) + len(state.round.brought)
            )
        self.assertEqual(max(sizes[100:]), max(sizes[:100]), "the state stays as large as it was")
        self.assertGreater(sum(state.history.visits), 1000)


ITEMS = st.lists(st.sampled_from("abcdefghABCD"), min_size=1, max_size=6, unique=True)


class TestSources(unittest.TestCase):
    @given(st.lists(ITEMS, min_size=2, max_size=4), st.integers(3, 5), st.integers(0, 99))
    def test_an_odd_one_out_is_the_only_one(self, rows, choices, dice):
        lists = Lists(
            tuple(ItemList(f"L{n}", tuple(items)) for n, items in enumerate(rows)),
            ListsAsk.ODD_ONE_OUT,
            choices=choices,
        )
        groups = [{item.casefold() for item in items} for items in rows]
        for item, others in odd_items(lists):
            for row in others:
                for among in islice(_combinations(row, choices - 1, dice), 20):
                    shown = [item.casefold(), *(other.casefold() for other in among)]
                    self.assertEqual(len(set(shown)), choices)
                    odd = [
                        one
                        for one in shown
                        if any(
                            one not in group and group.issuperset(set(shown) - {one})
                            for group in groups
                        )
                    ]
                    self.assertEqual(odd, [item.casefold()])

    @given(
        st.sampled_from(Operator),
        *(st.integers(0, 12) for _ in range(4)),
        st.none() | st.integers(-5, 60),
        st.booleans(),
        st.none() | st.integers(1, 3),
        st.sampled_from([5, 40, 10_000]),
        st.booleans(),
    )
    def test_a_table_of_sums_has_every_one_once_however_it_is_written(
        self, operator, low, wide, low_right, wide_right, cap, negative, bottoms, most_rows, turned
    ):
        if operator is Operator.OVER:
            bottoms = None
        denominators = None if bottoms is None else Span(1, bottoms)
        left, right = Span(low, low + wide), Span(low_right, low_right + wide_right)
        sums = Sums(operator, left, right, cap, negative, denominators, turned=turned)
        with patch.object(sources, "MAX_ROWS", most_rows):
            table = SumTable(sums)
            made = [table[n] for n in range(len(table))]
            is_too_wide = table.is_too_wide
        unders = range(1, bottoms + 1) if bottoms else (0,)
        wanted = {
            (one * other if turned and operator is Operator.OVER else one, other, (under, below))
            for one in range(left.least, left.most + 1)
            for other in range(right.least, right.most + 1)
            for under in unders
            for below in (unders if operator is Operator.TIMES else (under,))
            if _fits(operator, one, other, (under, below), cap, negative, turned)
        }
        self.assertEqual(len(set(made)), len(made))
        self.assertEqual(set(made), set() if is_too_wide else wanted)

    def test_a_times_table_turned_round_has_a_quotient_for_each_of_its_fields(self):
        sums = Sums(Operator.OVER, Span(2, 12), Span(2, 12), turned=True)
        table = SumTable(sums)
        self.assertEqual(len(table), 121)
        for made in table:
            self.assertEqual(made.left % made.right, 0)
            self.assertTrue(2 <= made.left // made.right <= 12)

    @given(
        st.sampled_from(Operator),
        st.integers(0, 30),
        st.none() | st.integers(1, 9),
        st.none() | st.integers(0, 40),
        st.booleans(),
        st.sampled_from([None, Span(2, 5)]),
        st.integers(2, 12),
        st.integers(0, 10**6),
    )
    def test_wrong_choices_of_sums_are_distinct_as_near_as_wanted_and_never_above_the_cap(
        self, operator, low, near, cap, negative, denominators, choices, dice
    ):
        if operator is Operator.OVER:
            denominators = None
        span = Span(low, low + 9)
        sums = Sums(operator, span, Span(1, 9), cap, negative, denominators, choices, near=near)
        table = SumTable(sums)
        fewest = fewest_choices(sums)
        for number in stream(dice, "looked at", 0).pick(len(table), 5):
            made = table[number]
            question = sum_question(sums, made, stream(dice, "wrong", number))
            values = [Fraction(choice) for choice in question.choices]
            right = made.result(operator)
            unit = Fraction(1, made.bottom(operator) or 1)
            self.assertEqual(values[0], right)
            self.assertEqual(len(set(values)), len(values))
            self.assertLessEqual(len(values), choices)
            if len(table) <= 400:
                self.assertGreaterEqual(len(values), fewest)
            for value in values[1:]:
                self.assertTrue(cap is None or value <= cap)
                self.assertTrue(negative or value >= 0)
                self.assertTrue(near is None or abs(value - right) <= near * unit)

    def test_what_sums_can_be_had_are_had(self):
        for sums, first in (
            (Sums(Operator.OVER, Span(1, 100_000), Span(2, 12)), 50_000),
            (Sums(Operator.OVER, Span(1, 100), Span(1, 20_000)), 1),
            (Sums(Operator.PLUS, Span(1, 1_000_000), Span(1, 1_000_000)), 10**12),
            (Sums(Operator.MINUS, Span(1, 1_000_000), Span(1, 10)), 1),
        ):
            with self.subTest(sums=sums):
                game = Game("G", (Round("R", sums=(sums,)),), REST)
                self.assertGreaterEqual(len(SumTable(sums)), first)
                program = build(game, {})
                state = step(program, start(program, 4).state, Begin(), 0).state
                self.assertIs(question_of(program, state).kind, Kind.NUMBER)

    def test_prompts_that_hide_the_item_or_give_it_away_are_told(self):
        def told(**settings):
            lists = replace(Lists(GROUPS), **settings)
            found = survey(Game("G", (Round("R", lists=(lists,), draw=Draw(None)),), REST), {})
            return [problem.what for problem in found]

        self.assertIn("the question never names the item to sort", told(prompt="Where?"))
        odd = {"asks": ListsAsk.ODD_ONE_OUT, "choices": 3}
        self.assertTrue(
            any("tells which is the odd" in what for what in told(prompt="{item}?", **odd))
        )
        alike = (ItemList("Root", ("beet", "Beet ", "carrot")), GROUPS[1])
        self.assertTrue(any("looks like “beet”" in what for what in told(lists=alike)))
        self.assertEqual(told(prompt="Where does {item} belong?"), [])


def _combinations(row, count, dice):
    chances = stream(dice, "among")
    while True:
        yield [row[n] for n in chances.pick(len(row), count)]


def _fits(operator, one, other, unders, cap, negative, turned):
    """Whether a sum keeps to its rules, worked out as fractions."""
    under, below = (bottom or 1 for bottom in unders)
    left, right = Fraction(one, under), Fraction(other, below)
    if operator is Operator.OVER:
        if other < 1 or (not turned and (one < other or one % other)):
            return False
        value = left if turned else left / right
    else:
        value = {"plus": left + right, "minus": left - right, "times": left * right}[operator.value]
    return (value >= 0 or negative) and (cap is None or value <= cap)
