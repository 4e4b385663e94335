"""Typos against RapidFuzz, an independent implementation of the same distance.

Reference: `rapidfuzz.distance.OSA` (the optimal string alignment distance: Damerau's edits
with no part of the text edited twice). The textbook pairs are from memory.
"""

import unittest

from hypothesis import given
from hypothesis import strategies as st
from rapidfuzz.distance import OSA

from dicetrail.core import Check
from dicetrail.core.answers import Verdict
from dicetrail.core.answers.checking import check_typed, typos_between

WORDS = st.text("abcé1", max_size=9)


class TestTypos(unittest.TestCase):
    @given(WORDS, WORDS, st.integers(0, 5))
    def test_random_words_are_as_far_apart_as_the_reference_says(self, one, other, most):
        apart = OSA.distance(one, other)
        self.assertEqual(typos_between(one, other, most), apart if apart <= most else None)

    def test_textbook_pairs(self):
        for one, other, apart in (
            ("kitten", "sitting", 3),
            ("ca", "abc", 3),
            ("carrot", "carrto", 1),
            ("flaw", "lawn", 2),
            ("", "abc", 3),
        ):
            self.assertEqual(typos_between(one, other, 9), apart)
            self.assertEqual(OSA.distance(one, other), apart)

    @given(st.text("abcd", min_size=4, max_size=8), WORDS, st.integers(0, 3))
    def test_an_answer_is_forgiven_exactly_when_it_is_near_enough(self, wanted, typed, allowed):
        verdict = check_typed(typed, (wanted,), Check(typos=allowed)).verdict
        if not typed:
            self.assertIs(verdict, Verdict.UNREADABLE)
            return
        apart = OSA.distance(typed, wanted)
        digits = "1" in typed
        expected = Verdict.RIGHT if not apart else Verdict.CLOSE
        most = min(allowed, len(wanted) // 3)  # no more than one for three letters
        self.assertIs(verdict, expected if apart <= most and not digits else Verdict.WRONG)
