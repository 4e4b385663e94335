"""Numbers and letters against Python's fractions and Unicode's own examples."""

import unittest
from fractions import Fraction

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Check
from dicetrail.core.answers import Verdict, check_choice
from dicetrail.core.answers.checking import as_shown, fold
from dicetrail.core.answers.numbers import read_number


class TestNumbers(unittest.TestCase):
    """Python's fractions module (an exact rational arithmetic) as the reference."""

    @given(st.integers(-(10**6), 10**6), st.integers(1, 10**4))
    def test_every_way_to_write_a_fraction_has_its_value(self, top, bottom):
        value = Fraction(top, bottom)
        whole, rest = divmod(abs(value.numerator), value.denominator)
        character = "-" if value < 0 else ""
        self.assertEqual(read_number(f"{top}/{bottom}"), value)
        self.assertEqual(read_number(f"{character}{whole} {rest}/{value.denominator}"), value)

    @given(st.decimals(-(10**6), 10**6, places=4))
    def test_decimals_with_point_or_comma(self, decimal):
        self.assertEqual(read_number(f"{decimal:f}"), Fraction(decimal))
        self.assertEqual(read_number(f"{decimal:f}".replace(".", ",")), Fraction(decimal))

    def test_grouped_thousands_characters_and_vulgar_fractions(self):
        for text, value in {
            "1,000": 1000,
            "1,234,567.5": Fraction("1234567.5"),
            "½": Fraction(1, 2),
            "2½": Fraction(5, 2),
            "−3": -3,
            "13⁄5": Fraction(13, 5),
            "１２": 12,
        }.items():
            with self.subTest(text):
                self.assertEqual(read_number(text), value)
        for text in ("", "1/0", "1e9", "0x10", "one", "1 2", "--1", "9" * 99, "1/2/3", "²"):
            with self.subTest(text):
                self.assertIsNone(read_number(text))


class TestUnicode(unittest.TestCase):
    """Examples of UAX #15 (normalization forms, figures 3 to 6: Å in both forms, the ligature ﬁ)
    and of CaseFolding.txt, status F (ß folds to ss); from memory."""

    def test_two_forms_of_one_letter_are_shown_alike(self):
        self.assertEqual(as_shown("A\u030a"), as_shown("\u00c5"))
        self.assertEqual(as_shown("\u212b"), as_shown("\u00c5"))
        self.assertNotEqual(as_shown("\ufb01"), as_shown("fi"))

    def test_folding_makes_compatible_and_cased_forms_alike(self):
        for one, other in (("Straße", "STRASSE"), ("ﬁg", "FIG"), ("A\u030a", "å"), ("ΣΑΣ", "σας")):
            with self.subTest(one):
                self.assertEqual(fold(one), fold(other))
                checked = check_choice(other, (one, "x"), (1,), Check())
                self.assertIs(checked.verdict, Verdict.RIGHT)
