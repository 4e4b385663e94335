"""Colours: the contrast of two colours, and the nearest colour with enough contrast.

Contrast is that of WCAG 2.2 (W3C Recommendation, success criteria 1.4.3 and 1.4.11): the
relative luminances of two sRGB colours (IEC 61966-2-1), 1 to 21. Steps from one colour to
another are taken in OKLab (Björn Ottosson, 2020; its matrices from memory, checked in the
tests against a library), where equal steps look equally large.
"""

import math
import re
from dataclasses import dataclass

TEXT_CONTRAST = 4.5
"""The contrast that WCAG 2.2 AA requires of text on its background."""

PART_CONTRAST = 3.0
"""The contrast that WCAG 2.2 AA requires of the edge of a button, a mark or a focus ring."""

_HEX = re.compile(r"#[0-9a-fA-F]{6}")
_STEPS = 512


@dataclass(frozen=True, slots=True)
class LabColour:
    """A colour in OKLab: lightness 0 to 1, and how far towards red and yellow it leans."""

    light: float
    red: float
    yellow: float

    def lit(self, light: float, most_chroma: float = 1.0) -> "LabColour":
        """The tone at another lightness, with a colour no stronger than the given one."""
        chroma = math.hypot(self.red, self.yellow)
        share = min(1.0, most_chroma / chroma) if chroma else 1.0
        return LabColour(light, self.red * share, self.yellow * share)


def is_colour(text: str) -> bool:
    """Whether it is written as six hexadecimal digits: ``#3f6b4f``."""
    return _HEX.fullmatch(text) is not None


def contrast(one: str, other: str) -> float:
    """The contrast of two colours, 1 to 21, whichever is the lighter.

    >>> round(contrast("#000000", "#ffffff"), 2)
    21.0
    """
    dark, light = sorted((_luminance(one), _luminance(other)))
    return (light + 0.05) / (dark + 0.05)


def _luminance(colour: str) -> float:
    red, green, blue = map(_linear, _channels(colour))
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue


def _channels(colour: str) -> tuple[float, float, float]:
    red, green, blue = (int(colour[at : at + 2], 16) / 255 for at in (1, 3, 5))
    return red, green, blue


def _linear(channel: float) -> float:
    return channel / 12.92 if channel <= 0.04045 else ((channel + 0.055) / 1.055) ** 2.4


def _encoded(light: float) -> float:
    return 12.92 * light if light <= 0.0031308 else 1.055 * light ** (1 / 2.4) - 0.055


def tone_of(colour: str) -> LabColour:
    """A colour in OKLab."""
    red, green, blue = map(_linear, _channels(colour))
    long = math.cbrt(0.4122214708 * red + 0.5363325363 * green + 0.0514459929 * blue)
    middle = math.cbrt(0.2119034982 * red + 0.6806995451 * green + 0.1073969566 * blue)
    short = math.cbrt(0.0883024619 * red + 0.2817188376 * green + 0.6299787005 * blue)
    return LabColour(
        0.2104542553 * long + 0.7936177850 * middle - 0.0040720468 * short,
        1.9779984951 * long - 2.4285922050 * middle + 0.4505937099 * short,
        0.0259040371 * long + 0.7827717662 * middle - 0.8086757660 * short,
    )


def colour_of(tone: LabColour) -> str:
    """The colour that a screen shows for a tone; the nearest one if the screen cannot show it."""
    long = (tone.light + 0.3963377774 * tone.red + 0.2158037573 * tone.yellow) ** 3
    middle = (tone.light - 0.1055613458 * tone.red - 0.0638541728 * tone.yellow) ** 3
    short = (tone.light - 0.0894841775 * tone.red - 1.2914855480 * tone.yellow) ** 3
    channels = (
        4.0767416621 * long - 3.3077115913 * middle + 0.2309699292 * short,
        -1.2684380046 * long + 2.6097574011 * middle - 0.3413193965 * short,
        -0.0041960863 * long - 0.7034186147 * middle + 1.7076147010 * short,
    )
    shown = (round(255 * _encoded(min(1.0, max(0.0, channel)))) for channel in channels)
    return "#" + "".join(f"{channel:02x}" for channel in shown)


def mixed(one: str, other: str, share: float) -> str:
    """One colour with a share of another in it, 0 to 1."""
    a, b = tone_of(one), tone_of(other)
    return colour_of(
        LabColour(
            a.light + (b.light - a.light) * share,
            a.red + (b.red - a.red) * share,
            a.yellow + (b.yellow - a.yellow) * share,
        )
    )


def holds(colour: str, on: tuple[str, ...], wanted: float) -> bool:
    """Whether a colour has enough contrast with each colour that it meets."""
    return all(contrast(colour, other) >= wanted for other in on)


def nearest_that_holds(colour: str, on: tuple[str, ...], wanted: float) -> str | None:
    """The nearest lighter or darker colour with enough contrast against all of those; None if not
    even black or white has enough.
    """
    if holds(colour, on, wanted):
        return colour
    tone = tone_of(colour)
    for step in range(1, _STEPS + 1):
        for light in (tone.light - step / _STEPS, tone.light + step / _STEPS):
            if -1 / _STEPS < light < 1 + 1 / _STEPS:
                found = colour_of(tone.lit(min(1.0, max(0.0, light)), _chroma_at(tone, light)))
                if holds(found, on, wanted):
                    return found
    return next((end for end in ("#000000", "#ffffff") if holds(end, on, wanted)), None)


def _chroma_at(tone: LabColour, light: float) -> float:
    """Colour fades towards black and white, so that it stays one a screen has."""
    room = min(light, 1 - light) / max(0.001, min(tone.light, 1 - tone.light))
    return math.hypot(tone.red, tone.yellow) * math.sqrt(max(0.0, min(1.0, room)))
