"""Shares of orders against SciPy's statistics of ranks and its counts of permutations."""

import random
import unittest
from collections import Counter
from itertools import permutations

from scipy.spatial.distance import cityblock
from scipy.special import perm
from scipy.stats import kendalltau

from dicetrail.core import Check, Kind, Question
from dicetrail.core.answers import order_with, share_of_order, shares_of_orders
from dicetrail.core.document import OrderShare
from dicetrail.core.foresight.scouts import picks_of


class TestOrders(unittest.TestCase):
    def orders(self):
        chances = random.Random(20261202)
        for count in range(2, 13):
            for _ in range(40):
                yield chances.sample(range(count), count)

    def test_pairs_in_order_are_kendalls_tau(self):
        """M. G. Kendall, Biometrika 30 (1938): tau is the pairs in order less those out of it, of
        all pairs, so that the share in order is (tau + 1) / 2."""
        for order in self.orders():
            tau = kendalltau(range(len(order)), order).statistic
            self.assertAlmostEqual(share_of_order(OrderShare.PAIRS, order), 50 * (tau + 1), delta=1)

    def test_distances_from_the_places_are_spearmans_footrule(self):
        """C. Spearman, British Journal of Psychology 2 (1906): the sum of how far ranks are apart;
        its largest value is half the square of the count, rounded down (Diaconis and Graham, 1977,
        from memory)."""
        for order in self.orders():
            count = len(order)
            part = 1 - cityblock(range(count), order) / (count * count // 2)
            share = share_of_order(OrderShare.STEPS, order)
            self.assertAlmostEqual(share, 100 * part, delta=1)

    def test_a_guess_is_one_of_all_permutations(self):
        for count in range(2, 13):
            words = tuple(f"step {number}" for number in range(count))
            question = Question("Which?", words, (), Kind.ORDER)
            orders = perm(count, count, exact=True)
            for how in OrderShare:
                picks = picks_of(question, Check(order_share=how), count, 0)
                self.assertAlmostEqual(picks.blind(0), 1 / orders, 15)
                # Of three the second guess is one of those that are left.
                self.assertAlmostEqual(picks.blind(1), 1 / max(1, orders - 1), 15)
                self.assertLess(sum(picks.shares[at][1] for at in range(len(picks.shares))), orders)

    def test_counts_of_pairs_are_mahonian_and_of_places_rencontres_numbers(self):
        """The counts of five by inversions and by fixed places, as tables have them (OEIS A008302
        and A008290, from memory)."""
        by_pairs = [1, 4, 9, 15, 20, 22, 20, 15, 9, 4, 1]
        found = Counter(
            sum(order[a] < order[b] for a in range(5) for b in range(a + 1, 5))
            for order in permutations(range(5))
        )
        self.assertEqual([found[pairs] for pairs in range(11)], by_pairs)
        shares = shares_of_orders(OrderShare.PAIRS, 5)
        self.assertEqual([shares[10 * pairs] for pairs in range(1, 10)], by_pairs[1:-1])
        self.assertEqual(shares_of_orders(OrderShare.PLACES, 5), {20: 45, 40: 20, 60: 10})
        self.assertIsNone(order_with(OrderShare.PLACES, 5, 80))


if __name__ == "__main__":
    unittest.main()
