"""What counts as one letter, and how letters are folded.

Sources: Unicode Standard Annex #29, Text Segmentation, table 1a (sample grapheme clusters);
Unicode CaseFolding.txt (full foldings marked F); UAX #15, Normalization Forms, figures 3
to 6. Examples recalled from memory.
"""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Check
from dicetrail.core.answers.checking import fold_steps, folded
from dicetrail.core.answers.letters import as_letters, clusters, laid_out, sounds


class TestLetters(unittest.TestCase):
    def test_grapheme_clusters_count_as_one(self):
        for cluster in (
            "g\u0308",
            "\uac01",
            "\u1100\u1161\u11a8",
            "\u0ba8\u0bbf",
            "\u0937\u093f",
            "e\u0301",
        ):
            self.assertEqual(len(clusters(cluster)), 1, cluster.encode("unicode_escape"))
        self.assertEqual(len(clusters("e\u0301a\u0308bc")), 4)

    def test_a_bare_letter_finds_the_accented_one(self):
        for letter, found in (
            ("É", "e"),
            ("ß", "ss"),
            ("Å", "a"),
            ("ﬁ", "fi"),
            ("Σ", "σ"),
            ("７", "7"),
        ):
            self.assertEqual("".join(sounds(letter)), found)
        self.assertEqual(as_letters("e\u0301"), ("e",))
        self.assertEqual(as_letters("ab"), ())

    def test_full_case_folding_makes_texts_equal(self):
        for one, other in (
            ("STRASSE", "straße"),
            ("ﬀ", "FF"),
            ("ΐ", "\u03b9\u0308\u0301"),
            ("ς", "Σ"),
        ):
            self.assertEqual(folded(one, Check()), folded(other, Check()))

    def test_every_step_of_folding_is_told(self):
        check = Check(ignore_accents=True, ignore_punctuation=True, articles="a an the")
        steps = [(fold.step, fold.text) for fold in fold_steps("  The  Crème-brûlée! ", check)]
        self.assertEqual(
            steps,
            [
                ("read", "The Crème-brûlée!"),
                ("capitals", "the crème-brûlée!"),
                ("accents", "the creme-brulee!"),
                ("articles", "creme-brulee!"),
                ("punctuation", "creme brulee"),
            ],
        )
        self.assertEqual(folded("The", check), "the")
        self.assertEqual(folded("?!", check), "?!")

    @given(st.text(max_size=12), st.lists(st.sampled_from("aebc"), max_size=4))
    def test_laying_out_keeps_every_character_in_its_place(self, word, tried):
        whole = laid_out(word, (), True)
        self.assertEqual([len(part) for part in whole], [len(clusters(p)) for p in word.split()])
        for part, full in zip(laid_out(word, tried, False), whole, strict=True):
            for cell, shown in zip(part, full, strict=True):
                self.assertTrue(
                    cell == shown
                    or (cell.is_hidden and not set(tried).issuperset(sounds(shown.character)))
                )
