"""Answers that players judge themselves: shown when they want to see them, and said to be had."""

import unittest
from itertools import product

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Check,
    Draw,
    Ending,
    Facts,
    Game,
    Kind,
    Pack,
    Pattern,
    Question,
    Round,
    start,
    step,
    table,
)
from dicetrail.core.document import Language, Made, PartlyRight
from dicetrail.core.foresight import How, Scout, forecast, witnesses
from dicetrail.core.play import Show, made_ready
from dicetrail.core.survey import first_fault
from dicetrail.core.survey.reach import reach

WHY = Question("Why dig in autumn?", ("Frost breaks it.", "It is damp."), (), Kind.JUDGED)
BY_SCORE = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"


def ready(partly=PartlyRight.NEVER, tries=1, language=Language.ENGLISH, script=BY_SCORE):
    round_ = Round("R", ("p",), draw=Draw(1), ask=Ask(tries=tries), check=Check(partly=partly))
    game = Game("G", (round_,), (Ending("Over", ""),), script, language=language)
    return made_ready(game, {"p": Pack("P", (WHY,))})


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


class TestAsking(unittest.TestCase):
    def test_the_answer_is_told_once_its_player_wants_to_see_it_and_not_before(self):
        program = ready()
        state = asked(program)
        shown = table(program, state).question
        self.assertEqual(shown.answer, "")
        self.assertNotIn("Frost", repr(table(program, state)))
        looked = step(program, state, Show(), 5)
        self.assertEqual(looked.state.question.is_shown, True)
        shown = table(program, looked.state).question
        self.assertEqual(shown.answer, "Frost breaks it. or It is damp.")
        self.assertEqual(looked.state.tallies, state.tallies, "looking costs nothing")
        again = step(program, looked.state, Show(), 6)
        self.assertIsNotNone(again.refused)

    def test_nothing_is_shown_of_another_kind_of_question(self):
        other = made_ready(
            Game("G", (Round("R", ("p",)),), (Ending("Over", ""),)),
            {"p": Pack("P", (Question("Which?", ("a",), ("b",)),))},
        )
        self.assertIsNotNone(step(other, asked(other), Show(), 1).refused)

    def test_what_the_player_says_is_the_verdict_however_it_is_said(self):
        for partly, language in product(PartlyRight, (Language.ENGLISH, Language.GERMAN)):
            program = ready(partly, language=language)
            state = step(program, asked(program), Show(), 1).state
            offered = table(program, state).question.choices
            verdicts = ["right", "partly", "wrong"]
            if partly is PartlyRight.NEVER:
                verdicts.remove("partly")
            self.assertEqual(len(offered), len(verdicts))
            for choice, verdict in zip(offered, verdicts, strict=True):
                for given in (choice.place, choice.letter, str(choice.place), choice.text):
                    told = table(program, step(program, state, Answer(given), 2).state).feedback
                    with self.subTest(partly=partly, language=language, given=given):
                        self.assertEqual(told.result, verdict)
                        self.assertEqual(told.share, 50 if verdict == "partly" else 0)
                        self.assertEqual(told.right_places, ())
                        self.assertIn("Frost", told.answer)
            for given in (0, len(offered) + 1, (), (1, 2), "", "perhaps"):
                told = table(program, step(program, state, Answer(given), 2).state).feedback
                self.assertEqual(told.result, "unreadable", given)


class TestForesight(unittest.TestCase):
    def test_every_verdict_is_reached_and_none_is_guessed_blindly(self):
        """Whoever guesses where there is something to pick does as their level says here."""
        for partly in PartlyRight:
            program = ready(partly)
            shares = {0, 100} if partly is PartlyRight.NEVER else {0, 50, 100}
            reached = reach(program.game, program.rules, {"p": Pack("P", (WHY,))})
            scores = {final.tally.counters[0] for final in reached.finals}
            self.assertTrue(reached.is_exact)
            self.assertEqual(scores, shares)
            self.assertEqual({one.score for one in witnesses(program).scores}, shares)
            for guesses in (False, True):
                scout = Scout("one", (30,), guesses=guesses, partly=40)
                told = forecast(program, scout, runs=0, is_quick=True)
                self.assertEqual(told.how, How.EXACT, told.why)
                found = {one.value: one.share for one in told.counters[0].values if one.share}
                half = 0 if partly is PartlyRight.NEVER else 0.7 * 0.4
                self.assertAlmostEqual(found[100], 0.3, 12)
                self.assertAlmostEqual(found.get(50, 0), half, 12)
                self.assertAlmostEqual(found[0], 0.7 - half, 12)


class TestQuestions(unittest.TestCase):
    def test_any_texts_can_be_shown_and_there_is_nothing_to_pick_among(self):
        self.assertIsNone(first_fault(WHY))
        for right, wrong in (((), ()), (("a", "a"), ()), (("a",), ("b",))):
            self.assertIsNotNone(first_fault(Question("Why?", right, wrong, Kind.JUDGED)))

    def test_facts_make_them(self):
        facts = Facts(("word", "meaning"), (("tilth", "fine soil"), ("haulm", "a stalk")))
        pattern = Pattern("f", "What is {word}?", "meaning", Made.JUDGED)
        program = made_ready(
            Game("G", (Round("R", patterns=(pattern,)),), (Ending("Over", ""),)),
            {"f": Pack("F", facts=facts)},
        )
        state = step(program, asked(program), Show(), 1).state
        self.assertIn(table(program, state).question.answer, ("fine soil", "a stalk"))


if __name__ == "__main__":
    unittest.main()
