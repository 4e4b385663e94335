"""What differs between two versions of a game, told in words."""

import unittest
from dataclasses import replace

from hypothesis import given

from dicetrail.core import (
    Ask,
    Check,
    Cue,
    Draw,
    DrawOrder,
    Ending,
    Moves,
    Occasion,
    Opening,
    Order,
    Round,
    Sums,
    To,
    Way,
)
from dicetrail.core.document import Span
from dicetrail.core.workbench import changes_between
from dicetrail.core.workbench.changes import MAX_CHANGES
from tests.core.examples import ENDINGS, FIVE, changed
from tests.core.test_laws import GAMES


class TestChanges(unittest.TestCase):
    def test_each_kind_of_change_has_its_words(self):
        script = FIVE.script
        for game, words in (
            (replace(FIVE, title="Six"), "title Five → Six"),
            (replace(FIVE, seconds=90), "seconds none → 90"),
            (replace(FIVE, opening=Opening("Hello")), "opening, words none → Hello"),
            (replace(FIVE, opening=Opening(asks_names=True)), "opening, asks names off → on"),
            (changed(draw=Draw(7)), "round 1, draw, count 5 → 7"),
            (changed(draw=Draw(5, DrawOrder.WRITTEN)), "round 1, draw, order shuffled → written"),
            (changed(draw=Draw(5, levels=(1, 2))), "round 1, draw, levels none → 1, 2"),
            (changed(ask=Ask(Order.WRITTEN)), "round 1, ask, choice order shuffled → written"),
            (changed(check=Check(typos=2)), "round 1, check, typos 0 → 2"),
            (changed(packs=("veg", "more")), "round 1, packs veg → veg, more"),
            (
                changed(moves=Moves(wrong=Way(To.ENDING, "Gold"))),
                "round 1, moves, wrong, to next question → ending",
            ),
            (changed(sums=(Sums(left=Span(1, 5)),)), "round 1, sum 1 added"),
            (
                replace(FIVE, rounds=(*FIVE.rounds, Round("Bonus"))),
                "round “Bonus” added",
            ),
            (replace(FIVE, endings=ENDINGS[1:]), "ending “Gold” taken out"),
            (
                replace(FIVE, endings=(replace(ENDINGS[0], at_least=4), *ENDINGS[1:])),
                "ending 1, at least 5 → 4",
            ),
            (
                replace(FIVE, endings=(*ENDINGS, Ending("Rest", ""))),
                "ending “Rest” added",
            ),
            (replace(FIVE, cues=(Cue("c", (Occasion.RIGHT,)),)), "cue “c” added"),
            (replace(FIVE, script="lives = 3\n" + script), "rules: lives none → 3"),
            (
                replace(FIVE, script=script.replace("+= 1", "+= 2")),
                "rules: “score += 2” added",
            ),
        ):
            with self.subTest(words=words):
                self.assertIn(words, changes_between(FIVE, game))

    def test_a_counter_that_changes_its_number_is_told_once(self):
        lives = replace(FIVE, script="lives = 3\n")
        fewer = replace(FIVE, script="lives = 2\n")
        self.assertEqual(changes_between(lives, fewer), ("rules: lives 3 → 2",))

    def test_a_script_that_cannot_be_read_is_told_line_by_line(self):
        broken = replace(FIVE, script="score = \n")
        self.assertIn("rules: “score =” added", changes_between(FIVE, broken))

    def test_long_texts_are_cut_short_and_endless_changes_bounded(self):
        long = changes_between(FIVE, replace(FIVE, opening=Opening("x" * 500)))
        self.assertLess(len(long[0]), 120)
        many = replace(FIVE, endings=tuple(Ending(str(n), "") for n in range(300)))
        self.assertEqual(len(changes_between(FIVE, many)), MAX_CHANGES)

    @given(GAMES, GAMES)
    def test_there_are_changes_exactly_when_games_differ(self, one, other):
        self.assertEqual(changes_between(one, one), ())
        self.assertEqual(bool(changes_between(one, other)), one != other)
