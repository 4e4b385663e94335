"""The dice against published output and textbook probability."""

import unittest
from collections import Counter
from itertools import permutations

from scipy import stats

from dicetrail.core.draw import stream
from dicetrail.core.draw.dice import Stream

UNLIKELY = 1e-4
"""A fair die fails one such test in ten thousand; with fixed dice, always or never."""


class TestMersenneTwister(unittest.TestCase):
    def test_published_output(self):
        """The first five words of mt19937ar.out, published with the reference code of
        M. Matsumoto and T. Nishimura (2002): init_by_array with {0x123, 0x234, 0x345, 0x456}.
        """
        key = sum(word << (32 * place) for place, word in enumerate((0x123, 0x234, 0x345, 0x456)))
        twister = Stream(key)
        self.assertEqual(
            [twister.word() for _ in range(5)],
            [1067595299, 955945823, 477289528, 4107218783, 4228976476],
        )


class TestFairness(unittest.TestCase):
    """Pearson's chi-square test as SciPy has it (scipy.stats.chisquare)."""

    def assert_uniform(self, counts):
        self.assertGreater(stats.chisquare(counts).pvalue, UNLIKELY)

    def test_every_order_of_four_choices_is_as_likely(self):
        seen = Counter(stream(dice, "choices of veg").pick(4, 4) for dice in range(24_000))
        self.assertEqual(set(seen), set(permutations(range(4))))
        self.assert_uniform(list(seen.values()))

    def test_every_question_is_as_likely_at_every_position_of_a_draw(self):
        draws = [stream(dice, "draw").pick(24, 10) for dice in range(12_000)]
        for position in range(10):
            with self.subTest(position=position):
                seen = Counter(draw[position] for draw in draws)
                self.assert_uniform([seen[question] for question in range(24)])

    def test_bounds_that_do_not_divide_the_word_favour_nothing(self):
        for bound in (3, 7, 100):
            with self.subTest(bound=bound):
                chances = stream(5, "draw", bound)
                seen = Counter(chances.below(bound) for _ in range(1000 * bound))
                self.assert_uniform([seen[value] for value in range(bound)])

    def test_a_random_order_leaves_one_thing_in_place_on_average(self):
        """The expected number of fixed points of a random permutation is 1 and its variance 1,
        for every length from 2 (Feller, An Introduction to Probability Theory, vol. 1, IX.5;
        from memory). With 20,000 orders the mean lies within 4 standard errors.
        """
        runs = 20_000
        fixed = sum(
            place == item
            for dice in range(runs)
            for place, item in enumerate(stream(dice, "draw").pick(10, 10))
        )
        self.assertLess(abs(fixed / runs - 1), 4 / runs**0.5)
