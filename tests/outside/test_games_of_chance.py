"""Chances worked out through `settle` against closed forms.

Sources: the gambler's ruin, W. Feller, An Introduction to Probability Theory and Its
Applications, vol. 1, 3rd ed., ch. XIV.2, formulas (2.4) and (2.5); the binomial, negative
binomial and geometric distributions of `scipy.stats`.
"""

import unittest
from fractions import Fraction

from scipy import stats

from dicetrail.core import Ending, Game, Outcome, Round, settle
from dicetrail.core.rules import rules_of
from dicetrail.core.rules.script import Event

LOST = Ending("Lost", "", at_most=0, counts="lives", at_once=True)


def rules(script, *endings):
    return rules_of(Game("G", (Round("R"),), (*endings, Ending("Rest", "")), script))


def endings_after(made, chance, questions):
    """The chance of every ending at once, and of none, after so many questions: exact.

    Every outcome of every question is settled; equal tallies are merged.
    """
    chances, ended = {made.first: Fraction(1)}, {}
    for _ in range(questions):
        after = {}
        for tally, weight in chances.items():
            for event, share in ((Event.RIGHT, chance), (Event.WRONG, 1 - chance)):
                settled = settle(made, tally, Outcome(event))
                if settled.ending is None:
                    key = made.merged(settled.tally)
                    after[key] = after.get(key, 0) + weight * share
                else:
                    ended[settled.ending] = ended.get(settled.ending, 0) + weight * share
        chances = after
    return ended, chances


class TestClosedForms(unittest.TestCase):
    def test_fifteen_up_and_down_by_five_is_the_gamblers_ruin(self):
        script = "score = 15\ndef right():\n    score += 5\ndef wrong():\n    score -= 5\n"
        won = Ending("Won", "", at_least=30, at_once=True)
        ruined = Ending("Ruined", "", at_most=0, at_once=True)
        made = rules(script, won, ruined)
        start, goal = 3, 6
        for chance in (0.2, 0.45, 0.5, 0.6, 0.9):
            right = Fraction(chance)
            ended, going_on = endings_after(made, right, 200)
            self.assertLessEqual(len(going_on), 5)
            odds = (1 - chance) / chance
            ruin = (
                1 - start / goal if chance == 0.5 else (odds**goal - odds**start) / (odds**goal - 1)
            )
            self.assertAlmostEqual(float(ended[1]), ruin, 6)
            self.assertAlmostEqual(float(ended[0]), 1 - ruin, 6)

    def test_so_many_lives_in_so_many_questions_are_binomial(self):
        for lives in (1, 2, 3, 5):
            made = rules(f"lives = {lives}\ndef wrong():\n    lives -= 1\n", LOST)
            for chance in (0.3, 0.75, 0.9):
                ended, _ = endings_after(made, Fraction(chance), 12)
                survived = 1 - float(ended.get(0, 0))
                self.assertAlmostEqual(survived, stats.binom.cdf(lives - 1, 12, 1 - chance), 12)
                last = endings_after(made, Fraction(chance), 11)[0].get(0, 0)
                at_the_twelfth = stats.nbinom.pmf(12 - lives, lives, 1 - chance)
                self.assertAlmostEqual(float(ended.get(0, 0) - last), at_the_twelfth, 12)

    def test_until_the_first_mistake_is_geometric(self):
        made = rules("lives = 1\ndef wrong():\n    lives -= 1\n", LOST)
        for chance in (0.5, 0.8, 0.95):
            before = Fraction(0)
            for questions in range(1, 15):
                lost = endings_after(made, Fraction(chance), questions)[0][0]
                self.assertAlmostEqual(
                    float(lost - before), stats.geom.pmf(questions, 1 - chance), 12
                )
                before = lost
