import unittest

from coloraide import Color
from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core.document import contrast
from dicetrail.core.document.colours import colour_of, tone_of

colours = st.integers(0, 0xFFFFFF).map("#{:06x}".format)


class TestColours(unittest.TestCase):
    """Contrast and OKLab against coloraide (PyPI), a library of colour spaces; the contrast
    of published pairs from W3C, Understanding WCAG 2.2, success criterion 1.4.3, from memory."""

    @given(colours, colours)
    def test_contrast_is_that_of_wcag(self, one, other):
        theirs = Color(one).contrast(other, method="wcag21")
        self.assertAlmostEqual(contrast(one, other), theirs, delta=0.01)

    def test_published_pairs(self):
        for one, other, ratio in (
            ("#000000", "#ffffff", 21.0),
            ("#777777", "#ffffff", 4.48),
            ("#767676", "#ffffff", 4.54),
            ("#ff0000", "#ffffff", 4.0),
        ):
            with self.subTest(one=one, other=other):
                self.assertAlmostEqual(contrast(one, other), ratio, delta=0.005)

    @given(colours)
    def test_a_tone_is_that_of_oklab_and_leads_back(self, colour):
        tone, theirs = tone_of(colour), Color(colour).convert("oklab")
        for ours, wanted in zip((tone.light, tone.red, tone.yellow), theirs.coords(), strict=True):
            self.assertAlmostEqual(ours, wanted, places=3)
        self.assertEqual(colour_of(tone), colour)
