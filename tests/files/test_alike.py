"""Alike questions are found, whatever is between them, and no others."""

import random
import unittest

from hypothesis import given
from hypothesis import strategies as st
from rapidfuzz import fuzz

from dicetrail.files.alike import NEAR, alike

NAMES = ("carrot", "kale", "leek", "pea", "bean", "marrow", "shallot", "beet", "chard", "swede")
WORDS = st.lists(st.sampled_from(NAMES), min_size=4, max_size=6, unique=True)


class TestAlike(unittest.TestCase):
    @given(st.lists(WORDS, min_size=2, max_size=12))
    def test_it_finds_what_comparing_every_two_does(self, rows):
        texts = [" ".join(row) for row in rows]
        found = {(pair.row, pair.other) for pair in alike(texts)}
        for row, other in found:
            self.assertGreaterEqual(fuzz.token_sort_ratio(texts[row], texts[other]), NEAR)
        together: dict[int, int] = {}

        def top(row):
            while row in together:
                row = together[row]
            return row

        for row, other in sorted(found):
            if top(row) != top(other):
                together[top(other)] = top(row)
        for other, text in enumerate(texts):
            for row in range(other):
                shares = set(texts[row].split()) & set(text.split())
                if shares and fuzz.token_sort_ratio(texts[row], text) >= 92:
                    self.assertEqual(top(row), top(other), (texts[row], text))

    def test_slips_accents_and_order_are_found_among_many(self):
        chances = random.Random(3)
        words = [f"{chances.getrandbits(32):x}" for _ in range(2000)]
        texts = [" ".join(chances.sample(words, 7)) for _ in range(3000)]
        changed = [text[:9] + text[10:] for text in texts[:40]]
        told = []
        pairs = alike([*texts, *changed], told.append)
        self.assertEqual(
            {(pair.row, pair.other) for pair in pairs}, {(n, 3000 + n) for n in range(40)}
        )
        self.assertTrue(told)
        self.assertEqual([pair.near for pair in alike(["Crème, brûlée!", "brulee creme"])], [100])
