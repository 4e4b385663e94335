"""Matches against SciPy's assignments and its counts of permutations."""

import random
import unittest

import numpy
from scipy.optimize import linear_sum_assignment
from scipy.special import perm

from dicetrail.core import Check, Kind, Question
from dicetrail.core.answers import MatchShape, check_match, match_with
from dicetrail.core.document import PartlyRight
from dicetrail.core.foresight.scouts import picks_of


class TestMatches(unittest.TestCase):
    def test_the_right_match_is_the_assignment_that_is_worth_most(self):
        """H. W. Kuhn, Naval Research Logistics Quarterly 2 (1955): the assignment of items to
        partners with the largest sum, where each right pair counts one."""
        chances = random.Random(20261202)
        for items in range(2, 13):
            for _ in range(20):
                offered = chances.randint(items, 12)
                right = chances.sample(range(1, offered + 1), items)
                worth = numpy.zeros((items, offered))
                for item, place in enumerate(right):
                    worth[item, place - 1] = 1
                rows, columns = linear_sum_assignment(worth, maximize=True)
                best = tuple(int(column) + 1 for column in columns)
                names = [f"choice {place}" for place in range(offered)]
                check = Check(partly=PartlyRight.RIGHT_PICKS)
                asked = [f"item {row}" for row in rows]
                self.assertEqual(check_match(best, asked, names, right, check).verdict, "right")
                for hits in range(items):
                    given = match_with(hits, right, offered)
                    if given is None:
                        continue
                    sum_of = sum(worth[item, place - 1] for item, place in enumerate(given))
                    self.assertEqual(sum_of, hits)
                    checked = check_match(given, asked, names, right, check)
                    self.assertAlmostEqual(checked.share, 100 * hits / items, delta=0.5)

    def test_a_guess_is_one_of_all_ways_to_give_different_partners(self):
        for items in range(2, 13):
            for others in range(13 - items):
                pairs = tuple(f"item {number} = {number}" for number in range(items))
                wrong = tuple(f"other {number}" for number in range(others))
                question = Question("Which?", pairs, wrong, Kind.MATCH)
                picks = picks_of(question, Check(), items, others)
                self.assertEqual(picks.guesses, perm(items + others, items, exact=True))
                self.assertEqual(picks.right, 1)
                shape = MatchShape(items, items, others)
                counted = sum(shape.answers_with(hits) for hits in range(items + 1))
                self.assertEqual(counted, picks.guesses)


if __name__ == "__main__":
    unittest.main()
