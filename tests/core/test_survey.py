"""What is found wrong with a game before anybody plays it."""

import unittest
from dataclasses import fields, replace
from itertools import permutations, product

from dicetrail.core import (
    Ask,
    Check,
    Draw,
    Ending,
    Game,
    GameProblems,
    Order,
    Pack,
    Problem,
    Question,
    Round,
    Severity,
    build,
    look_over,
    survey,
)
from dicetrail.core.play import Stop
from dicetrail.core.workbench import first_game, placed
from dicetrail.core.workbench.places import STOP_OF_GAME, STOP_OF_ROUND
from tests.core.examples import FIVE, PACKS, VEGETABLES, changed, points

FAULT, WARNING = Severity.FAULT, Severity.WARNING


def with_questions(*questions):
    return {"veg": Pack("Vegetables", (*VEGETABLES.questions, *questions))}


class TestSurvey(unittest.TestCase):
    def test_a_sound_game_has_no_problems(self):
        self.assertEqual(survey(FIVE, PACKS), ())

    def test_each_problem_is_found_at_its_place(self):
        endings = FIVE.endings
        crossed = Ending("Crossed", "", at_least=4, at_most=2)
        for game, packs, severity, where, words in (
            (replace(FIVE, title=" "), PACKS, WARNING, "title", "no title"),
            (replace(FIVE, rounds=()), PACKS, FAULT, "rounds", "0 rounds"),
            (replace(FIVE, script="score = x"), PACKS, FAULT, "script[1:9]", "begin with a number"),
            (changed(packs=()), PACKS, FAULT, "rounds[0].packs", "no questions"),
            (changed(packs=("gone",)), PACKS, FAULT, "rounds[0].packs[0]", "no pack “gone”"),
            (changed(packs=("veg", "veg")), PACKS, FAULT, "rounds[0].packs[1]", "twice"),
            (FIVE, {"veg": Pack("V", ())}, FAULT, "rounds[0].packs[0]", "holds no questions"),
            (
                FIVE,
                with_questions(Question("Odd?", ("x",), ("x",))),
                FAULT,
                "packs[veg].questions[12]",
                "same as the right answer",
            ),
            (
                FIVE,
                with_questions(Question("Odd?", ("x",), ())),
                FAULT,
                "packs[veg].questions[12]",
                "there is no wrong choice",
            ),
            (
                FIVE,
                with_questions(VEGETABLES.questions[0]),
                WARNING,
                "rounds[0].packs",
                "asked by 2 questions",
            ),
            (
                FIVE,
                with_questions(Question("Odd?", ("Polish",), ("polish",))),
                WARNING,
                "packs[veg].questions[12]",
                "differ only in capitals",
            ),
            (changed(draw=Draw(0)), PACKS, FAULT, "rounds[0].draw.count", "out of range"),
            (changed(draw=Draw(13)), PACKS, WARNING, "rounds[0].draw.count", "only 12"),
            (
                changed(ask=Ask(Order.WRITTEN)),
                PACKS,
                WARNING,
                "rounds[0].ask.choice_order",
                "always stands at A",
            ),
            (replace(FIVE, endings=()), PACKS, FAULT, "endings", "no ending"),
            (replace(FIVE, endings=endings[:3]), PACKS, FAULT, "endings", "fits a score of 0"),
            (replace(FIVE, endings=(crossed, *endings)), PACKS, FAULT, "endings[0]", "at most 2"),
            (
                replace(FIVE, endings=(*endings, Ending("Late", ""))),
                PACKS,
                WARNING,
                "endings[4]",
                "no run can reach “Late”",
            ),
        ):
            with self.subTest(where=where, words=words):
                found = [p for p in survey(game, packs) if p.where == where and words in p.what]
                self.assertEqual([problem.severity for problem in found], [severity])
                self.assertTrue(found[0].mend)
                if severity is FAULT:
                    with self.assertRaises(GameProblems) as caught:
                        build(game, packs)
                    self.assertIn(found[0], caught.exception.problems)
                else:
                    build(game, packs)

    def test_every_part_of_a_game_is_mended_at_a_stop(self):
        self.assertEqual(set(STOP_OF_GAME), {field.name for field in fields(Game)} | {"packs"})
        self.assertEqual(set(STOP_OF_ROUND), {field.name for field in fields(Round)})
        for where, stop, number, field, line, is_shown_there in (
            ("rounds[2].draw.count", Stop.DRAW, 2, "draw.count", None, False),
            ("rounds[2]", Stop.OPEN, 2, "", None, False),
            ("rounds[0].check.samples[1]", Stop.CHECK, 0, "check.samples", None, True),
            ("rounds", Stop.OPEN, None, "rounds", None, False),
            ("script[3:7]", Stop.SCORE, None, "script", 3, True),
            ("script", Stop.SCORE, None, "script", 1, True),
            ("packs[ve.g].questions[12]", Stop.LOAD, None, "packs.questions", None, True),
            ("endings[1].at_least", Stop.END, None, "endings.at_least", None, False),
            ("framed_by[1]", Stop.OPEN, None, "framed_by", None, False),
            ("", Stop.OPEN, None, "", None, False),
        ):
            found = placed(Problem(where, "it is wrong", "mend it"))
            told = found.stop, found.round, found.field, found.line, found.is_shown_there
            self.assertEqual(told, (stop, number, field, line, is_shown_there), where)

    def test_all_problems_come_at_once(self):
        game = replace(changed(draw=Draw(0), packs=("gone",)), title="", endings=())
        self.assertGreaterEqual(len(survey(game, {})), 4)

    def test_capitals_that_count_tell_choices_apart(self):
        packs = with_questions(Question("Odd?", ("Polish",), ("polish",)))
        self.assertEqual(survey(changed(check=Check(ignore_case=False)), packs), ())

    def test_spans_tell_which_ending_every_reachable_score_leads_to(self):
        gap = replace(FIVE, script=points(2, -1), endings=FIVE.endings[:3])
        told = look_over(gap, PACKS)
        self.assertTrue(told.spans_are_whole)
        spans = [(span.lowest, span.highest, span.ending) for span in told.score_spans]
        self.assertEqual(spans, [(-5, -2, None), (1, 1, 2), (4, 4, 1), (7, 10, 0)])

    def test_an_ending_that_comes_by_another_counter_is_told_with_its_scores(self):
        script = "lives = 2\ndef right():\n    score += 1\ndef wrong():\n    lives -= 1\n"
        out = Ending("Out", "", None, 0, "lives", at_once=True)
        high, rest = Ending("High", "", 4), Ending("Rest", "")
        for endings in permutations((out, high, rest)):
            told = look_over(replace(FIVE, script=script, endings=endings), PACKS)
            came = set()
            for answers in product((True, False), repeat=5):
                score = lives = 0
                for number, is_right in enumerate(answers):
                    score, lives = score + is_right, lives + (not is_right)
                    if lives == 2 or number == 4:
                        break
                fits = {out: lives == 2, high: score >= 4, rest: True}
                at_end = [ending for ending in endings if fits[ending]]
                came.add((score, out if lives == 2 else at_end[0]))
            self.assertTrue(told.spans_are_whole)
            spans = (*told.score_spans, *told.other_spans)
            for score, ending in came:
                number = endings.index(ending)
                self.assertTrue(
                    any(s.ending == number and s.lowest <= score <= s.highest for s in spans)
                )
            for span in told.other_spans:
                ends = [score for score, ending in came if ending is endings[span.ending]]
                self.assertLessEqual({span.lowest, span.highest}, set(ends))

    def test_endings_that_overlap_are_told_where_they_do(self):
        both = (Ending("Low", "", 0, 3), Ending("Mid", "", 2, 4), Ending("Rest", ""))
        spans = look_over(replace(FIVE, endings=both), PACKS).score_spans
        told = [(span.lowest, span.highest, span.ending, span.others) for span in spans]
        self.assertEqual(told, [(0, 1, 0, ()), (2, 3, 0, (1,)), (4, 4, 1, ()), (5, 5, 2, ())])

    def test_endings_open_to_a_side_overlap_only_where_neither_falls_back_on_the_other(self):
        part = (Ending("Up to three", "", None, 3), Ending("From two", "", 2))
        cascade = (Ending("From four", "", 4), Ending("From two", "", 2), Ending("Rest", ""))
        for endings, expected in ((part, {2: (1,), 3: (1,)}), (cascade, {})):
            with self.subTest(endings=[ending.title for ending in endings]):
                spans = look_over(replace(FIVE, endings=endings), PACKS).score_spans
                told = {
                    score: span.others
                    for span in spans
                    for score in range(int(span.lowest), int(span.highest) + 1)
                    if span.others
                }
                self.assertEqual(told, expected)

    def test_summaries_tell_what_each_stop_does(self):
        words = [summary.words for summary in look_over(FIVE, PACKS).stops[0]]
        self.assertEqual(
            words,
            [
                "12 questions, 1 pack",
                "begins at once",
                "5 drawn, shuffled",
                "choices shuffled",
                "pick, letter, place, text",
                "score 0; 1 rule",
                "answer told, until Go on",
                "to the next question",
                "4 endings",
            ],
        )

    def test_a_first_game_plays_at_once_whatever_its_packs_hold(self):
        for questions in (1, 2, 3, 10, 12):
            with self.subTest(questions=questions):
                packs = {"veg": Pack("V", VEGETABLES.questions[:questions])}
                self.assertEqual(survey(first_game("New", ("veg",), questions), packs), ())
                if questions > 1:  # with one, half of it right is nothing that can come
                    begun_empty = first_game("New", ("veg",), 0)
                    self.assertEqual(survey(begun_empty, packs), ())
