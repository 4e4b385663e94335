"""Answers: read, folded, compared, and told why."""

import unittest

from dicetrail.core import Check
from dicetrail.core.answers import Verdict, check_choice

RIGHT, WRONG, UNREADABLE = Verdict.RIGHT, Verdict.WRONG, Verdict.UNREADABLE
CHOICES = ("Leek", "Carrot", "Runner bean")
CARROT = (2,)


class TestChecking(unittest.TestCase):
    def verdict(self, given, choices=CHOICES, right=CARROT, **rules):
        return check_choice(given, choices, right, Check(**rules)).verdict

    def test_a_letter_a_place_or_the_whole_text_names_a_choice(self):
        for given, verdict in {
            2: RIGHT,
            1: WRONG,
            9: UNREADABLE,
            0: UNREADABLE,
            "b": RIGHT,
            "B": RIGHT,
            " b\n": RIGHT,
            "a": WRONG,
            "d": UNREADABLE,
            "2": RIGHT,
            "３": WRONG,
            "4": UNREADABLE,
            "99999999999999999999": UNREADABLE,
            "Carrot": RIGHT,
            "carrot ": RIGHT,
            "RUNNER  BEAN": WRONG,
            "runner\tbean": WRONG,
            "carrots": UNREADABLE,
            "": UNREADABLE,
            " \u200b ": UNREADABLE,
        }.items():
            with self.subTest(given=given):
                self.assertIs(self.verdict(given), verdict)

    def test_what_is_switched_off_is_not_taken(self):
        for given, rules in (
            ("b", {"by_letter": False}),
            ("2", {"by_place": False}),
            ("Carrot", {"by_text": False}),
            ("carrot", {"ignore_case": False}),
        ):
            with self.subTest(rules):
                self.assertIs(self.verdict(given), RIGHT)
                self.assertIs(self.verdict(given, **rules), UNREADABLE)
        self.assertIs(
            self.verdict(2, by_letter=False, by_place=False, by_text=False), RIGHT, "picking works"
        )

    def test_a_choices_own_words_come_before_its_place(self):
        legs = ("4", "2", "8")
        self.assertIs(self.verdict("2", legs, right=(2,)), RIGHT)
        self.assertIs(
            self.verdict("1", legs, right=(2,)), WRONG, "no choice says 1, so it is a place"
        )
        self.assertIs(self.verdict("b", ("B", "A"), right=(1,)), RIGHT)

    def test_choices_told_apart_by_capitals_alone_are_told_apart(self):
        choices = ("polish", "Polish")
        self.assertIs(self.verdict("Polish", choices, right=(2,)), RIGHT)
        self.assertIs(self.verdict("polish", choices, right=(2,)), WRONG)
        either = check_choice("POLISH", choices, (2,), Check())
        self.assertEqual((either.verdict, either.places), (UNREADABLE, ()))
        self.assertIn("could be A or B", either.why)

    def test_every_verdict_gives_its_reason(self):
        checked = check_choice("carrot", CHOICES, CARROT, Check())
        self.assertEqual((checked.places, checked.why), ((2,), "B, “Carrot”, is the right answer"))
        unread = check_choice("dunno", CHOICES, CARROT, Check())
        self.assertEqual(unread.why, "“dunno” names no choice; the choices are A to C")
