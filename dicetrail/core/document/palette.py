"""Every colour that a page shows, derived from the six that a maker chooses.

A derived colour (a softer ink, an edge, a tint behind the picked choice) has enough contrast
wherever the six have. `meetings` lists which of the six meet each other, and the contrast that WCAG
2.2 AA requires there.
"""

from collections.abc import Iterator
from dataclasses import dataclass, fields

from dicetrail.core.document.colours import (
    PART_CONTRAST,
    TEXT_CONTRAST,
    colour_of,
    contrast,
    holds,
    is_colour,
    mixed,
    nearest_that_holds,
    tone_of,
)
from dicetrail.core.document.look import Colours

BLACK, WHITE = "#000000", "#ffffff"


@dataclass(frozen=True, slots=True)
class Meeting:
    """Two of a maker's colours that meet, and whether their contrast is enough."""

    of: str
    on: str
    what: str
    """What would be hard to see if the contrast were too low."""
    contrast: float
    wanted: float
    nearest: str
    """The nearest replacement for `of` with enough contrast everywhere; empty if there is none."""

    @property
    def is_held(self) -> bool:
        """Whether it is enough."""
        return self.contrast >= self.wanted


_MEETINGS = (
    ("ink", "card", "questions and answers", TEXT_CONTRAST),
    ("ink", "ground", "the title above the card", TEXT_CONTRAST),
    ("accent", "card", "the button to press next", PART_CONTRAST),
    ("right", "card", "the words for what was right", TEXT_CONTRAST),
    ("wrong", "card", "the words for what was wrong", TEXT_CONTRAST),
)


def meetings(colours: Colours) -> Iterator[Meeting]:
    """Every place where two of a maker's colours meet. Texts that are not colours are left out."""
    for of, on, what, wanted in _MEETINGS:
        one, other = getattr(colours, of), getattr(colours, on)
        if is_colour(one) and is_colour(other):
            yield Meeting(of, on, what, contrast(one, other), wanted, _nearest(colours, of))


def _nearest(colours: Colours, of: str) -> str:
    """The nearest colour with enough contrast wherever it meets another; the colour itself if there
    is none."""
    on = [getattr(colours, on) for one, on, _, _ in _MEETINGS if one == of]
    wanted = max(wanted for one, _, _, wanted in _MEETINGS if one == of)
    there = tuple(other for other in on if is_colour(other))
    colour: str = getattr(colours, of)
    return nearest_that_holds(colour, there, wanted) or colour


@dataclass(frozen=True, slots=True)
class Palette:
    """The colours of a page."""

    is_dark: bool
    paper: str
    card: str
    ink: str
    soft: str
    """Words of less weight."""
    line: str
    edge: str
    """Of what can be pressed or typed into."""
    tint: str
    """Behind what is pointed at or picked."""
    accent: str
    accent_strong: str
    on_accent: str
    focus: str
    right: str
    right_pale: str
    wrong: str
    wrong_pale: str


def palette(colours: Colours) -> Palette:
    """The colours of a page, derived from a maker's own without changes to those."""
    own = _read(colours)
    card, ground, ink = own.card, own.ground, own.ink
    on_accent = max((card, ink, WHITE, BLACK), key=lambda colour: contrast(colour, own.accent))
    return Palette(
        is_dark=_is_dark(own),
        paper=ground,
        card=card,
        ink=ink,
        soft=_faded(ink, card, (card, ground), TEXT_CONTRAST, 0.42),
        line=mixed(card, ink, 0.16),
        edge=_faded(ink, card, (card,), PART_CONTRAST, 0.55),
        tint=_pale(own.accent, card, (ink,), 0.16),
        accent=own.accent,
        accent_strong=_stronger(own.accent, on_accent),
        on_accent=on_accent,
        focus=nearest_that_holds(own.accent, (card, ground), PART_CONTRAST) or ink,
        right=own.right,
        right_pale=_pale(own.right, card, (ink, own.right), 0.16),
        wrong=own.wrong,
        wrong_pale=_pale(own.wrong, card, (ink, own.wrong), 0.16),
    )


def light_palette(colours: Colours) -> Palette:
    """The colours for a player who wants a light page: the maker's own, or their light twin."""
    own = _read(colours)
    return palette(_twin(own, 0.955, 0.99, 0.27)) if _is_dark(own) else palette(own)


def dark_palette(colours: Colours) -> Palette:
    """The colours for a player who wants a dark page: the maker's own, or their dark twin."""
    own = _read(colours)
    return palette(own) if _is_dark(own) else palette(_twin(own, 0.22, 0.27, 0.94))


_CHROMA_OF_GROUNDS = 0.03


def _twin(own: Colours, ground: float, card: float, ink: float) -> Colours:
    """The same hues on a light or dark ground, with enough contrast wherever they meet."""
    new_card = colour_of(tone_of(own.card).lit(card, _CHROMA_OF_GROUNDS))
    new_ground = colour_of(tone_of(own.ground).lit(ground, _CHROMA_OF_GROUNDS))
    grounds = (new_card, new_ground)
    return Colours(
        new_ground,
        new_card,
        colour_of(tone_of(own.ink).lit(ink, _CHROMA_OF_GROUNDS)),
        nearest_that_holds(own.accent, grounds, TEXT_CONTRAST) or own.accent,
        nearest_that_holds(own.right, grounds, 1.2 * TEXT_CONTRAST) or own.right,
        nearest_that_holds(own.wrong, grounds, 1.2 * TEXT_CONTRAST) or own.wrong,
    )


def _read(colours: Colours) -> Colours:
    """The colours, with the default in place of each text that is not a colour."""
    usual = Colours()
    return Colours(
        *(
            getattr(colours if is_colour(getattr(colours, field.name)) else usual, field.name)
            for field in fields(Colours)
        )
    )


def _is_dark(colours: Colours) -> bool:
    return tone_of(colours.card).light < tone_of(colours.ink).light


def _faded(ink: str, card: str, on: tuple[str, ...], wanted: float, most: float) -> str:
    """Ink mixed with the card, up to a share, as far as the contrast stays sufficient."""
    for share in range(round(100 * most), 0, -2):
        faded = mixed(ink, card, share / 100)
        if holds(faded, on, wanted):
            return faded
    return ink


def _pale(colour: str, card: str, words: tuple[str, ...], most: float) -> str:
    """The card mixed with a colour, up to a share, as far as words on it stay readable."""
    for share in range(round(100 * most), 0, -1):
        pale = mixed(card, colour, share / 100)
        if holds(pale, words, TEXT_CONTRAST):
            return pale
    return card


def _stronger(accent: str, on_accent: str) -> str:
    """The accent under the pointer: with more contrast to the words on it."""
    away = BLACK if contrast(on_accent, BLACK) > contrast(on_accent, WHITE) else WHITE
    return mixed(accent, away, 0.16)
