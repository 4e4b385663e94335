"""The theme's colours against WCAG 2.2."""

import re
import unittest
from pathlib import Path

THEME = Path("frontend/src/app/theme.css").read_text("utf-8")
COLOURS = dict(re.findall(r"--color-([a-z-]+): (#[0-9a-f]{6});", THEME))

TEXT_ON = {
    "ink": ("paper", "card", "moss-pale", "clay-pale", "sky-pale", "sun-pale"),
    "soft": ("paper", "card", "sun-pale"),
    "moss": ("card", "moss-pale"),
    "clay-dark": ("card", "clay-pale"),
    "sky": ("paper", "card"),
    "card": ("clay", "clay-dark", "ink"),
}
EDGES_ON = {
    "edge": ("paper", "card"),
    "moss": ("paper", "card", "moss-pale"),
    "clay": ("card",),
    "sky": ("paper", "card"),
}


def luminance(colour):
    """Relative luminance as WCAG 2.2 defines it, from the sRGB colour #rrggbb."""
    channels = (int(colour[place : place + 2], 16) / 255 for place in (1, 3, 5))
    red, green, blue = (
        c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in channels
    )
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def contrast(one, other):
    """Contrast ratio as WCAG 2.2 defines it: (L1 + 0.05) / (L2 + 0.05)."""
    lighter, darker = sorted((luminance(one), luminance(other)), reverse=True)
    return (lighter + 0.05) / (darker + 0.05)


class TestContrast(unittest.TestCase):
    """WCAG 2.2 (W3C Recommendation), success criteria 1.4.3 (text, 4.5 to 1, level AA) and
    1.4.11 (edges of controls, 3 to 1); formulas from its definitions of relative luminance
    and contrast ratio."""

    def test_the_formula_gives_the_published_extremes(self):
        self.assertAlmostEqual(contrast("#000000", "#ffffff"), 21)
        self.assertAlmostEqual(contrast("#777777", "#ffffff"), 4.48, places=2)

    def test_every_pair_of_the_theme_is_legible(self):
        rules = [
            (colour, ground, least)
            for pairs, least in ((TEXT_ON, 4.5), (EDGES_ON, 3))
            for colour, grounds in pairs.items()
            for ground in grounds
        ]
        for colour, ground, least in rules:
            with self.subTest(colour=colour, ground=ground):
                self.assertGreaterEqual(contrast(COLOURS[colour], COLOURS[ground]), least)
