"""Estimates on a scale: what is counted of one, how it is read and judged, made from facts."""

import unittest
from collections import Counter
from fractions import Fraction
from itertools import product

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
    Facts,
    Game,
    Input,
    Kind,
    Pack,
    Pattern,
    Question,
    Round,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import (
    EstimateShape,
    Verdict,
    as_number,
    check_estimate,
    estimate_with,
    read_number,
    scale_around,
    scale_in,
    share_of_estimate,
    shares_of_estimates,
)
from dicetrail.core.document import After, DecimalMark, EstimateShare, Made
from dicetrail.core.foresight import (
    How,
    Scout,
    evidence_of,
    forecast,
    observations,
    played,
    witnesses,
)
from dicetrail.core.play import Intent, made_ready, next_input
from dicetrail.core.play.program import presented_question
from dicetrail.core.survey import first_fault
from dicetrail.core.survey.reach import reach

KILOS = Details(tolerance="1", least="0", most="20", unit="kg")
MARROW = Question("How heavy is it?", ("7",), (), Kind.ESTIMATE, KILOS)


def share_counted(how, reach_, right, tolerance, length, number):
    """The share of an estimate by its words: full within the tolerance; beyond it, less in a
    straight line to nothing at so much of the scale, or half for each so much."""
    beyond = max(Fraction(0), abs(number - right) - tolerance)
    if not beyond:
        return 100
    times = beyond / (length * reach_ / 100)
    match how:
        case "never":
            return 0
        case "straight":
            part = 100 * (1 - times)
            return 0 if part <= 0 else min(99, max(1, int(part + Fraction(1, 2))))
    share = 99
    # 100 / 2 ** times is at least share - 1/2, in whole numbers.
    while (
        share and 200**times.denominator < (2 * share - 1) ** times.denominator * 2**times.numerator
    ):
        share -= 1
    return share


class TestShares(unittest.TestCase):
    def test_every_point_has_the_share_its_words_say_and_every_share_its_nearest_point(self):
        cases = product(EstimateShare, (1, 20, 100), (2, 11, 40), (0, Fraction(5, 2)))
        for how, reach_, points, tolerance in cases:
            for right in (Fraction(0), Fraction(points - 1, 3)):
                shape = EstimateShape(points, right, Fraction(tolerance))
                by_point = [
                    share_counted(how, Fraction(reach_), right, tolerance, points - 1, place)
                    for place in range(points)
                ]
                with self.subTest(how=how, reach=reach_, shape=shape):
                    for place, share in enumerate(by_point):
                        self.assertEqual(share_of_estimate(how, reach_, shape, place), share)
                    shares = shares_of_estimates(how, reach_, shape)
                    self.assertEqual(dict(shares), Counter(by_point))
                    for share in range(101):
                        found = estimate_with(how, reach_, shape, share)
                        self.assertEqual(found is not None, share in by_point)
                        if found is not None:
                            self.assertEqual(by_point[found], share)
                            nearest = min(
                                abs(place - right)
                                for place, its in enumerate(by_point)
                                if its == share
                            )
                            self.assertEqual(abs(found - right), nearest)

    @given(st.fractions(-9999, 9999, max_denominator=1000), st.sampled_from(DecimalMark))
    def test_a_number_is_written_so_that_it_is_read_again(self, number, mark):
        self.assertEqual(read_number(as_number(number, mark), mark), number)

    @given(st.fractions(-9999, 9999, max_denominator=100), st.fractions(0, 9999, max_denominator=9))
    def test_a_scale_is_made_around_any_numbers(self, least, length):
        scale = scale_around(least, least + length)
        self.assertLess(scale.least, scale.most)
        self.assertTrue(scale.least <= least <= least + length <= scale.most)
        self.assertTrue(scale.least >= 0 or least < 0, "no room below nothing")
        self.assertEqual((scale.most - scale.least) % scale.step, 0)
        self.assertTrue(20 <= scale.points <= 111, scale)
        told = Details(**{name: as_number(getattr(scale, name)) for name in scale._fields})
        self.assertEqual(scale_in(told), scale)


BY_SCORE = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"


def ready(question=MARROW, tries=1, **check):
    round_ = Round(
        "R",
        ("p",),
        draw=Draw(1),
        ask=Ask(tries=tries),
        check=Check(**check),
        after=After(hold_ms=0),
    )
    return made_ready(
        Game("G", (round_,), (Ending("Over", ""),), BY_SCORE), {"p": Pack("P", (question,))}
    )


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


class TestAsking(unittest.TestCase):
    def test_each_number_of_the_scale_is_judged_by_its_share_however_it_is_given(self):
        for how, mark in product(EstimateShare, (DecimalMark.POINT, DecimalMark.COMMA)):
            check = Check(estimate_share=how, estimate_reach=25, decimal_mark=mark)
            details = Details(tolerance="0.5", least="-1", most="4", step="0.25", unit="m")
            for place in range(21):
                number = Fraction(-1) + Fraction(place, 4)
                share = share_counted(how, Fraction(25), 2, Fraction(1, 2), 5, number)
                verdict = {0: Verdict.WRONG, 100: Verdict.RIGHT}.get(share, Verdict.PARTLY)
                text = as_number(number, mark)
                for answer in (place + 1, text, f"{text} m", f" {text}M ", str(number)):
                    checked = check_estimate(answer, "2", details, check)
                    with self.subTest(how=how, mark=mark, answer=answer):
                        self.assertEqual((checked.verdict, checked.point), (verdict, place))
                        self.assertEqual(checked.share, share if share not in (0, 100) else 0)

    def test_what_is_no_number_of_the_scale_costs_nothing(self):
        for answer in ("", "heavy", "kg", "-1", "21", "7.5", 0, 22, 10**4299, "7 km", "1e1"):
            with self.subTest(answer=answer):
                verdict = check_estimate(answer, "7", KILOS, Check()).verdict
                self.assertEqual(verdict, Verdict.UNREADABLE)

    def test_what_is_told_and_not_told_while_it_stands(self):
        program = ready(tries=2, estimate_share=EstimateShare.HALVES)
        state = asked(program)
        shown = table(program, state).question
        self.assertEqual((shown.scale.points, shown.scale.unit, shown.choices), (21, "kg", ()))
        self.assertTrue(shown.can_be_partly)
        state = step(program, state, Answer(13), 0).state
        told = table(program, state).feedback
        self.assertEqual((told.result, told.share), ("partly", 50))
        self.assertEqual((told.given_at, told.right_at, told.answer), (0.6, None, ""))
        over = step(program, state, Answer("8"), 1)
        self.assertEqual(over.state.tally.counters, (150,))
        (answered,) = [one.answered for one in over.footprints if one.answered is not None]
        self.assertEqual((answered.given, answered.right), ("8", "“7 kg”"))

    def test_the_last_try_tells_where_the_right_number_is(self):
        program = ready()
        state = step(program, asked(program), Answer(1), 0).state
        self.assertEqual(state.phase, "ended")
        program = made_ready(
            Game("G", (Round("R", ("p",), draw=Draw(1)),), (Ending("Over", ""),)),
            {"p": Pack("P", (MARROW,))},
        )
        state = step(program, asked(program), Answer(1), 0).state
        told = table(program, state).feedback
        self.assertEqual((told.given_at, told.right_at), (0.0, 0.35))


class TestForesight(unittest.TestCase):
    def test_every_share_is_reached_and_no_other_is_and_a_blind_guess_has_each_as_counted(self):
        for how, reach_ in product(EstimateShare, (10, 100)):
            program = ready(estimate_share=how, estimate_reach=reach_)
            counted = Counter(
                share_counted(how, Fraction(reach_), 7, 1, 20, number) for number in range(21)
            )
            reached = reach(program.game, program.rules, {"p": Pack("P", (MARROW,))})
            told = forecast(program, Scout("blind", (0,), guesses=True), runs=0, is_quick=True)
            with self.subTest(how=how, reach=reach_):
                self.assertTrue(reached.is_exact)
                scores = {final.tally.counters[0] for final in reached.finals}
                self.assertEqual(scores, set(counted))
                self.assertEqual({one.score for one in witnesses(program).scores}, set(counted))
                self.assertEqual(told.how, How.EXACT, told.why)
                found = {one.value: one.share for one in told.counters[0].values if one.share}
                self.assertEqual(found.keys(), counted.keys())
                for share, times in counted.items():
                    self.assertAlmostEqual(found[share], times / 21, 12)

    def test_a_scout_is_partly_right_as_often_as_its_words_say_and_always_where_nothing_is_wrong(
        self,
    ):
        for reach_, parts in product((1, 100), (0, 40)):
            program = ready(estimate_share=EstimateShare.HALVES, estimate_reach=reach_)
            shares = presented_question(program, asked(program)).terms.shares
            has_wrong = reach_ == 1  # the farthest is sixty halves off, or less than one
            scout = Scout("one", (50,), partly=parts, close=0)
            told = forecast(program, scout, runs=0, is_quick=True)
            found = {one.value: one.share for one in told.counters[0].values if one.share}
            partly = parts / 100 if has_wrong else 1
            for share in shares:
                self.assertAlmostEqual(found.get(share, 0), 0.5 * partly / len(shares), 12)
            self.assertAlmostEqual(found.get(0, 0), 0.5 * (1 - partly), 12)
            scores = [played(program, (scout,), dice).tally.counters[0] for dice in range(600)]
            mean = told.counters[0].mean
            self.assertAlmostEqual(sum(scores) / 600, mean, delta=5 * 50 / 600**0.5)


class TestEvidence(unittest.TestCase):
    def test_an_estimate_is_counted_alike_however_it_was_given(self):
        program, runs = ready(), []
        for answer in (13, "12", "12 kg", "12.0", 1, "8"):
            inputs = [Input(Begin(), 0), Input(Answer(answer), 10)]
            moments = replay(program, 7, ("Ada",), inputs)
            runs.append(list(observations(program, moments, inputs)))
        (told,) = evidence_of(runs).questions
        self.assertEqual(
            [(one.given, one.times) for one in told.picked], [("12 kg", 4), ("0 kg", 1)]
        )
        self.assertEqual(told.right_at, (1,))


class TestQuestions(unittest.TestCase):
    def test_a_question_is_fit_exactly_if_some_number_of_its_scale_is_right(self):
        ends, steps = ("", "0", "10", "1,250", "x"), ("", "0", "3", "2", "0.001")
        for least, most, step_, right in product(ends, ends, steps, ("5", "11", "x", "5.5")):
            for tolerance in ("", "1", "x"):
                details = Details(tolerance=tolerance, least=least, most=most, step=step_)
                question = Question("How many?", (right,), (), Kind.ESTIMATE, details)
                by = {"": 1, "0": 0, "3": 3, "2": 2, "0.001": 0.001}[step_]
                is_scale = (least, most) == ("0", "10") and by in (1, 2)
                reached = (
                    is_scale
                    and right in ("5", "5.5")
                    and tolerance != "x"
                    and any(
                        abs(number - float(right)) <= float(tolerance or 0)
                        for number in range(0, 11, by)
                    )
                )
                with self.subTest(details=details, right=right):
                    self.assertEqual(first_fault(question) is None, reached)

    def test_a_round_that_counts_parts_of_estimates_and_has_none_is_told(self):
        plain = Question("Which?", ("a",), ("b",))
        for question, how in product((plain, MARROW), EstimateShare):
            program = ready(question, estimate_share=how)
            problems = survey(program.game, {"p": Pack("P", (question,))})
            told = "rounds[0].check.estimate_share" in {problem.where for problem in problems}
            self.assertEqual(told, question is plain and how is not EstimateShare.NEVER)


class TestFromFacts(unittest.TestCase):
    def test_every_number_of_a_column_is_estimated_on_one_scale_and_right_is_right(self):
        rows = (("pea", "1.2"), ("leek", "0,4"), ("marrow", "31"), ("moss", "few"), ("none", ""))
        facts = Facts(("plant", "kilos"), rows)
        for tolerance, mark in product(("", "0.5", "10%"), DecimalMark):
            pattern = Pattern(
                "f", "How heavy is {plant}?", "kilos", Made.ESTIMATE, tolerance=tolerance, unit="kg"
            )
            round_ = Round(
                "R",
                patterns=(pattern,),
                draw=Draw(3),
                check=Check(decimal_mark=mark),
                after=After(hold_ms=0),
            )
            game = Game("G", (round_,), (Ending("Over", ""),), BY_SCORE)
            program = made_ready(game, {"f": Pack("F", facts=facts)})
            state, scales = asked(program), set()
            while state.phase == "asking":
                question = presented_question(program, state).question
                self.assertIsNone(first_fault(question))
                scales.add(scale_in(question.details))
                given_ = next_input(program, state, Intent.RIGHT, state.at)
                state = step(program, state, given_.action, given_.at).state
            self.assertEqual(len(scales), 1)
            self.assertEqual(state.tally.counters, (100 * state.tally.done_count,))
            self.assertEqual(
                state.tally.done_count, 3 if tolerance != "10%" else state.tally.done_count
            )
            told = [problem.what for problem in survey(game, {"f": Pack("F", facts=facts)})]
            self.assertTrue(any("no number of the scale" in what for what in told), told)

    def test_faults_of_a_scale_are_told_at_its_field(self):
        facts = Pack("F", facts=Facts(("plant", "kilos"), (("pea", "1"),)))
        for least, most, step_, field in (
            ("5", "1", "", "most"),
            ("0", "x", "", "most"),
            ("0", "10", "3", "step"),
            ("0", "10", "0.001", "step"),
        ):
            pattern = Pattern(
                "f", "{plant}?", "kilos", Made.ESTIMATE, least=least, most=most, step=step_
            )
            game = Game("G", (Round("R", patterns=(pattern,)),), (Ending("Over", ""),))
            where = {problem.where for problem in survey(game, {"f": facts})}
            self.assertIn(f"rounds[0].patterns[0].{field}", where)


if __name__ == "__main__":
    unittest.main()
