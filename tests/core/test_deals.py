"""Which questions come, in which order, and where right answers stand."""

import unittest
from collections import Counter
from itertools import pairwise

from scipy import stats

from dicetrail.core import (
    Ask,
    Details,
    Draw,
    DrawOrder,
    GameProblems,
    Order,
    Pack,
    Question,
    Refill,
    Sums,
    build,
)
from dicetrail.core.document import Operator, Span
from dicetrail.core.draw.sources import SumTable
from dicetrail.core.play import asking_at, question_of
from dicetrail.core.workbench import draw_list, right_places
from tests.core.examples import FIVE, PACKS, changed

NONE = "None of these"
LEVELS = {
    "veg": Pack(
        "Levels",
        tuple(
            Question(
                f"{number} at level {level}",
                ("right",),
                ("x", "y", "z", NONE),
                details=Details(level=level, topic="odd" if number % 2 else "even", pinned=NONE),
            )
            for level in (1, 2, 3)
            for number in range(10)
        ),
    )
}


def drawn(dice=3, packs=LEVELS, **rules):
    return draw_list(build(changed(FIVE, **rules), packs), dice).questions


class TestDraws(unittest.TestCase):
    def test_filters_keep_topics_and_levels(self):
        prompts = [q.prompt for q in drawn(draw=Draw(None, topics=("odd",), levels=(2, 3)))]
        self.assertEqual(len(prompts), 10)
        self.assertTrue(all(int(p[0]) % 2 and p[-1] in "23" for p in prompts))
        with self.assertRaises(GameProblems) as caught:
            drawn(draw=Draw(None, topics=("gone",)))
        self.assertEqual(caught.exception.problems[0].where, "rounds[0].draw")

    def test_easy_ones_come_first(self):
        levels = [q.prompt[-1] for q in drawn(draw=Draw(12, DrawOrder.EASY_FIRST))]
        self.assertEqual(levels, sorted(levels))
        self.assertGreater(len(set(levels)), 1)

    def test_weights_make_levels_likelier(self):
        """Chi-square against weights 1 : 3, level 3 left out (scipy.stats.chisquare)."""
        draw = Draw(1, DrawOrder.WEIGHTED, weights=(1, 3, 0, 1, 1))
        program = build(changed(FIVE, draw=draw), LEVELS)
        levels = Counter(
            question_of(program, asking_at(program, dice)).prompt[-1] for dice in range(4000)
        )
        self.assertEqual(set(levels), {"1", "2"})
        self.assertGreater(stats.chisquare([levels["1"], levels["2"]], [1000, 3000]).pvalue, 1e-4)

    def test_a_refilled_pool_comes_whole_each_time_and_never_the_same_twice_running(self):
        prompts = [q.prompt for q in drawn(packs=PACKS, draw=Draw(60, refill=Refill.WHEN_EMPTY))]
        for fill in range(5):
            self.assertEqual(len(set(prompts[12 * fill : 12 * fill + 12])), 12)
        self.assertFalse(any(one == other for one, other in pairwise(prompts)))
        many = drawn(packs=PACKS, draw=Draw(240, refill=Refill.WHEN_EMPTY))
        orders = {question.choices for question in many if question.prompt == prompts[0]}
        self.assertGreater(len(orders), 1)

    def test_right_answers_spread_evenly_over_the_places(self):
        spread = drawn(draw=Draw(None), ask=Ask(spread=True))
        places = Counter(q.right_letters for q in spread[:28])
        self.assertEqual(places, dict.fromkeys("ABCD", 7))
        self.assertTrue(all(q.choices[4] == NONE for q in spread))

    def test_where_the_right_answer_falls_over_many_rolls(self):
        program = build(changed(FIVE, ask=Ask()), PACKS)
        places = right_places(program, 0, 1, 1200).times
        self.assertGreater(stats.chisquare(places[:3]).pvalue, 1e-4)
        self.assertEqual(places[3:], (0,) * 9)

    def test_fewer_choices_are_shown_the_right_and_the_pinned_one_among_them(self):
        for order in Order:
            for question in drawn(draw=Draw(None), ask=Ask(order, shown=3)):
                self.assertEqual((len(question.choices), question.choices[2]), (3, NONE))
                self.assertEqual(len(question.right_letters), 1)


class TestSums(unittest.TestCase):
    def test_the_table_holds_every_sum_that_keeps_to_the_rules_once(self):
        """Against plain enumeration of all pairs."""
        keeps = {
            Operator.PLUS: lambda a, b, cap: a + b <= cap,
            Operator.MINUS: lambda a, b, cap: 0 <= a - b <= cap,
            Operator.TIMES: lambda a, b, cap: a * b <= cap,
            Operator.OVER: lambda a, b, cap: b and a >= b and a % b == 0 and a // b <= cap,
        }
        for operator, keep in keeps.items():
            for left, right, cap in ((Span(0, 12), Span(0, 9), 20), (Span(3, 30), Span(2, 7), 6)):
                table = SumTable(Sums(operator, left, right, cap))
                pairs = [
                    (a, b, (0, 0))
                    for a in range(left.least, left.most + 1)
                    for b in range(right.least, right.most + 1)
                    if keep(a, b, cap)
                ]
                with self.subTest(operator=operator, cap=cap):
                    self.assertEqual(sorted(table[n] for n in range(len(table))), sorted(pairs))

    def test_negative_results_only_where_wanted(self):
        for negative in (False, True):
            sums = Sums(Operator.MINUS, Span(0, 9), Span(0, 9), negative=negative, choices=4)
            made = [q for q in drawn(sums=(sums,), draw=Draw(None)) if q.pack == "sums[0]"]
            lowest = min(int(choice) for question in made for choice in question.choices)
            self.assertEqual(lowest < 0, negative)
