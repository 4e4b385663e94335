"""Answers put in order: what is counted of an order, how it is dealt, read and judged."""

import unittest
from collections import Counter
from fractions import Fraction
from itertools import combinations, pairwise, permutations, product
from math import factorial, floor

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Input,
    Kind,
    Order,
    Pack,
    Question,
    Round,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import (
    Verdict,
    check_order,
    order_with,
    share_of_order,
    shares_of_orders,
)
from dicetrail.core.document import After, Needs, OrderShare
from dicetrail.core.foresight import (
    How,
    Scout,
    evidence_of,
    fitted_scout,
    forecast,
    observations,
    witnesses,
)
from dicetrail.core.play import Intent, made_ready, next_input
from dicetrail.core.play.program import presented_question
from dicetrail.core.survey import first_fault
from dicetrail.core.survey.reach import reach

COUNTED = tuple(how for how in OrderShare if how is not OrderShare.NEVER)


def part_right(how, order):
    """How much of an order is right, from 0 to 1, by its words."""
    count = len(order)
    match how:
        case "places":
            return Fraction(sum(order[at] == at for at in range(count)), count)
        case "neighbours":
            return Fraction(sum(b - a == 1 for a, b in pairwise(order)), count - 1)
        case "pairs":
            pairs = list(combinations(order, 2))
            return Fraction(sum(a < b for a, b in pairs), len(pairs))
        case "steps":
            away = sum(abs(order[at] - at) for at in range(count))
            furthest = sum(abs(count - 1 - 2 * at) for at in range(count))
            return 1 - Fraction(away, furthest)
    return Fraction(0)


def share_counted(how, order):
    """The share of an order, in percent, halves up; only the right one has 100."""
    if list(order) == sorted(order):
        return 100
    part = part_right(how, order)
    return min(99, max(1, floor(100 * part + Fraction(1, 2)))) if part > 0 else 0


class TestShares(unittest.TestCase):
    def test_every_order_has_the_share_its_words_say(self):
        for how, count in product(OrderShare, range(2, 7)):
            counted = Counter()
            for order in permutations(range(count)):
                share = share_counted(how, order)
                self.assertEqual(share_of_order(how, order), share, (how, order))
                if 0 < share < 100:
                    counted[share] += 1
            with self.subTest(how=how, count=count):
                self.assertEqual(
                    list(shares_of_orders(how, count).items()), sorted(counted.items())
                )

    def test_for_every_share_there_is_an_order_and_for_no_other(self):
        for how, count in product(OrderShare, range(2, 13)):
            shares = shares_of_orders(how, count)
            self.assertLess(sum(shares.values()), factorial(count))
            for share in range(1, 100):
                order = order_with(how, count, share)
                self.assertEqual(order is not None, share in shares, (how, count, share))
                if order is not None:
                    self.assertEqual(sorted(order), list(range(count)))
                    self.assertEqual(share_counted(how, order), share)
            wrong = order_with(how, count, 0)
            self.assertEqual(share_counted(how, wrong), 0, (how, count))

    @given(st.sampled_from(OrderShare), st.permutations(range(12)))
    def test_the_longest_orders_have_the_share_their_words_say(self, how, order):
        self.assertEqual(share_of_order(how, order), share_counted(how, order))


YEAR = Question("The order of the year?", ("sow", "hoe", "reap", "store"), (), Kind.ORDER)
BY_SCORE = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"


def ready(question=YEAR, tries=1, draw=1, script=BY_SCORE, **check):
    """A game of one question, answered so many times."""
    round_ = Round(
        "R",
        ("p",),
        draw=Draw(draw),
        ask=Ask(tries=tries, shown=2, choice_order=Order.WRITTEN, spread=True),
        check=Check(**check),
        after=After(hold_ms=0),
    )
    return made_ready(
        Game("G", (round_,), (Ending("Over", ""),), script), {"p": Pack("P", (question,))}
    )


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


class TestAsking(unittest.TestCase):
    def test_it_comes_in_every_order_but_the_right_one_each_as_often(self):
        """Whatever a round says of choices: all are shown, and they are shuffled."""
        program, rolls = ready(Question("Which?", ("a", "b", "c"), (), Kind.ORDER)), 1500
        seen = Counter()
        for dice in range(rolls):
            shown = table(program, asked(program, dice)).question
            seen["".join(choice.text for choice in shown.choices)] += 1
        self.assertEqual(len(seen), 5)
        self.assertNotIn("abc", seen)
        # Five standard errors: about one in two million is further off.
        for times in seen.values():
            self.assertAlmostEqual(times / rolls, 1 / 5, delta=5 * (0.16 / rolls) ** 0.5)

    def test_each_way_to_give_an_order_is_judged_by_its_share(self):
        shown, right = ("hoe", "store", "sow", "reap"), (3, 1, 4, 2)
        for how, places in product(OrderShare, permutations(range(1, 5))):
            check = Check(order_share=how)
            share = share_counted(how, [right.index(place) for place in places])
            verdict = {0: Verdict.WRONG, 100: Verdict.RIGHT}.get(share, Verdict.PARTLY)
            letters = "".join("ABCD"[place - 1] for place in places)
            typed = (
                letters,
                " ".join(letters.lower()),
                ", ".join(map(str, places)),
                ", ".join(shown[place - 1] for place in places),
                " and ".join(shown[place - 1].upper() for place in places),
            )
            for answer in (places, *typed):
                checked = check_order(answer, shown, right, check)
                with self.subTest(how=how, answer=answer):
                    self.assertEqual(checked.verdict, verdict)
                    self.assertEqual(checked.share, share if verdict is Verdict.PARTLY else 0)
                    self.assertEqual(checked.places, places)

    def test_what_is_no_order_of_all_costs_nothing(self):
        shown, right = ("hoe", "store", "sow"), (3, 1, 2)
        for answer in (
            (),
            (1,),
            (1, 2),
            (1, 2, 2),
            (1, 2, 3, 1),
            (1, 2, 4),
            "",
            "a",
            "abb",
            "xyz",
            2,
        ):
            with self.subTest(answer=answer):
                verdict = check_order(answer, shown, right, Check()).verdict
                self.assertEqual(verdict, Verdict.UNREADABLE)
        slip = check_order("sow, hoe, stroe", shown, right, Check(typos=1))
        self.assertEqual(slip.verdict, Verdict.CLOSE)

    def test_what_is_told_and_not_told_while_it_stands(self):
        program = ready(tries=2, order_share=OrderShare.PLACES)
        state = asked(program)
        first = table(program, state).question
        self.assertTrue(first.can_be_partly)
        given_ = next_input(program, state, Intent.PARTLY, 0)
        state = step(program, state, given_.action, given_.at).state
        told = table(program, state).feedback
        self.assertEqual((told.result, told.share), ("partly", 50))
        self.assertEqual((told.right_places, told.answer), ((), ""))
        self.assertEqual(told.given_places, given_.action.value)
        given_ = next_input(program, state, Intent.RIGHT, state.at)
        over = step(program, state, given_.action, given_.at).state
        self.assertEqual(over.tally.counters, (150,))


class TestForesight(unittest.TestCase):
    def test_every_share_is_reached_and_shown_by_a_run_and_no_other_is(self):
        for how in OrderShare:
            program = ready(order_share=how)
            shares = {share_counted(how, order) for order in permutations(range(4))}
            pack = Pack("P", (YEAR,))
            reached = reach(program.game, program.rules, {"p": pack})
            with self.subTest(how=how):
                self.assertTrue(reached.is_whole)
                self.assertTrue(reached.is_exact)
                scores = {final.tally.counters[0] for final in reached.finals}
                self.assertEqual(scores, shares)
                self.assertEqual({one.score for one in witnesses(program).scores}, shares)

    def test_a_blind_guess_has_each_share_as_often_as_counting_says(self):
        for how, count in product(OrderShare, (2, 3, 5)):
            question = Question("Which?", tuple("abcde"[:count]), (), Kind.ORDER)
            program = ready(question, order_share=how)
            counted = Counter(share_counted(how, order) for order in permutations(range(count)))
            told = forecast(program, Scout("blind", (0,), guesses=True), runs=0, is_quick=True)
            self.assertEqual(told.how, How.EXACT, told.why)
            found = {one.value: one.share for one in told.counters[0].values if one.share > 1e-12}
            with self.subTest(how=how, count=count):
                self.assertEqual(found.keys(), counted.keys())
                for share, times in counted.items():
                    self.assertAlmostEqual(found[share], times / factorial(count), 12)


class TestEvidence(unittest.TestCase):
    def test_neighbours_that_first_tries_exchanged_are_counted_and_told(self):
        """Over every order given at first, picked or typed; a second try does not count."""
        program = ready(tries=2)
        runs, expected = [], Counter()
        for number, order in enumerate(permutations(range(4))):
            state = asked(program, number)
            right = presented_question(program, state).right
            places = tuple(right[at] for at in order)
            typed = "".join("ABCD"[place - 1] for place in places)
            inputs = [Input(Begin(), 0), Input(Answer(typed if number % 2 else places), 10)]
            if order != (0, 1, 2, 3):
                inputs.append(Input(Answer(right[::-1]), 20))
            moments = replay(program, number, ("Ada",), inputs)
            (one,) = observations(program, moments, inputs)
            self.assertEqual(one.tries[0].given, ", ".join(YEAR.right[at] for at in order))
            runs.append([one])
            for at in range(3):
                expected[YEAR.right[at], YEAR.right[at + 1]] += order.index(at) > order.index(
                    at + 1
                )
        (told,) = evidence_of(runs).questions
        self.assertEqual(told.answer, "sow, hoe, reap, store")
        found = {(one.first, one.second): one.times for one in told.swapped}
        self.assertEqual(found, expected)
        self.assertEqual(set(expected.values()), {12}, "half of all orders")

    def test_partly_right_at_the_end_is_counted_by_itself(self):
        program = ready(order_share=OrderShare.PLACES)
        runs = []
        for intent, times in ((Intent.PARTLY, 3), (Intent.WRONG, 2), (Intent.RIGHT, 4)):
            for dice in range(times):
                state = asked(program, dice)
                inputs = [Input(Begin(), 0), next_input(program, state, intent, 0)]
                moments = replay(program, dice, ("Ada",), inputs)
                runs.append(list(observations(program, moments, inputs)))
        (told,) = evidence_of(runs).questions
        self.assertEqual((told.asked, told.partly, sum(told.right_at)), (9, 3, 4))
        self.assertEqual(fitted_scout(runs).partly, 60)


class TestQuestions(unittest.TestCase):
    def test_two_to_twelve_different_answers_are_an_order_and_nothing_else_is(self):
        words = tuple(f"step {number}" for number in range(13))
        for count, wrong, needs, pinned in product(
            (1, 2, 12, 13), ((), ("x",)), Needs, ("", "step 0")
        ):
            details = Details(needs=needs, pinned=pinned)
            question = Question("Which?", words[:count], wrong, Kind.ORDER, details)
            is_fit = 2 <= count <= 12 and not wrong and needs is Needs.ANY and not pinned
            with self.subTest(count=count, wrong=wrong, needs=needs, pinned=pinned):
                self.assertEqual(first_fault(question) is None, is_fit)
        alike = first_fault(Question("Which?", ("sow", "hoe", "sow"), (), Kind.ORDER))
        self.assertEqual((alike.field, alike.number), ("right", 2))

    def test_a_round_that_counts_parts_of_orders_and_has_none_is_told(self):
        plain = Question("Which?", ("a",), ("b",))
        for question, how in product((plain, YEAR), OrderShare):
            program = ready(question, order_share=how)
            problems = survey(program.game, {"p": Pack("P", (question,))})
            told = "rounds[0].check.order_share" in {problem.where for problem in problems}
            self.assertEqual(told, question is plain and how is not OrderShare.NEVER)


if __name__ == "__main__":
    unittest.main()
