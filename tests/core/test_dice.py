"""The dice: one number, named streams, fair picks, fixed for ever."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core.draw import stream


class TestDice(unittest.TestCase):
    def test_what_these_dice_bring_never_changes(self):
        """Golden values: a change here would change every run anybody kept."""
        self.assertEqual(stream(4821, "draw").pick(24, 10), (14, 0, 19, 12, 2, 10, 5, 18, 6, 15))
        self.assertEqual(stream(4821, "choices of veg", 0, 3).pick(4, 4), (2, 1, 3, 0))
        dice = stream(0, "draw")
        self.assertEqual([dice.below(6) for _ in range(6)], [3, 5, 1, 4, 5, 0])

    @given(st.integers(0, 10**9), st.integers(0, 60), st.integers(0, 80))
    def test_a_pick_is_the_beginning_of_a_shuffle(self, dice, pool, count):
        whole = stream(dice, "draw").pick(pool, pool)
        self.assertEqual(sorted(whole), list(range(pool)))
        self.assertEqual(stream(dice, "draw").pick(pool, count), whole[:count])

    def test_a_large_pool_costs_no_more_than_what_is_picked(self):
        self.assertEqual(len(set(stream(1, "draw").pick(2**32, 5))), 5)

    def test_every_decision_has_chances_of_its_own(self):
        keys = [(1, "draw"), (2, "draw"), (1, "choices"), (1, "draw", 1), (1, "draw", 0, 1)]
        first_words = {stream(*key).word() for key in keys}
        self.assertEqual(len(first_words), len(keys))

    def test_a_bound_out_of_range_is_refused(self):
        for bound in (0, -1, 2**64 + 1):
            with self.subTest(bound=bound), self.assertRaises(ValueError):
                stream(1, "draw").below(bound)
