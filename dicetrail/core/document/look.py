"""The look of a game: its colours, faces, pictures and music, all of them the maker's to choose.

A picture is named by the digest (SHA-256, hex) of its content, a music loop by the name of
one of the game's sounds.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from dicetrail.core.document.field_labels import FieldLabel, Range, Value


class Typeface(Value):
    """A face that ships with the pages."""

    BOOKISH = "bookish", "Bookish", "with serifs, as in a printed book"
    PLAIN = "plain", "Plain", "every letter easily told from every other"
    ROUND = "round", "Round", "also for Cyrillic and Arabic"
    BY_HAND = "by hand", "By hand", "as if written with a pen; also for Cyrillic"
    EVEN = "even", "Even", "every letter as wide as the next"


class Fit(Value):
    """How a background fills the page."""

    COVER = "cover", "Fill the page", "what does not fit is cut off"
    WHOLE = "whole", "Show it whole"
    TILED = "tiled", "Lay it side by side"


class ChoicesAs(Value):
    """The layout of choices."""

    ROWS = "rows", "One under the other"
    GRID = "grid", "Two abreast"
    PICTURES = "pictures", "As large pictures", "where the choices are pictures; else two abreast"


class PictureAt(Value):
    """Where the picture of a question stands."""

    ABOVE = "above", "Above the choices"
    BESIDE = "beside", "Beside them", "above them on a narrow screen"


class Corner(Value):
    """How the corners of cards and buttons are cut."""

    SQUARE = "square", "Square"
    SLIGHT = "slight", "Slightly rounded"
    ROUND = "round", "Round"


class Density(Value):
    """The amount of space between things."""

    CLOSE = "close", "Close together"
    USUAL = "usual", "As usual"
    WIDE = "wide", "Wide apart"


@dataclass(frozen=True, slots=True)
class Colours:
    """The colours that a maker chooses, each as six hexadecimal digits; other colours are derived
    from them."""

    ground: Annotated[str, FieldLabel("Ground", "the page behind everything")] = "#f7f2e8"
    """The background of the page."""
    card: Annotated[str, FieldLabel("Card", "what the question stands on")] = "#fffdf8"
    """The background of the question."""
    ink: Annotated[str, FieldLabel("Ink", "words")] = "#1f2a2e"
    """Words."""
    accent: Annotated[str, FieldLabel("Accent", "the one button to press next")] = "#a8482a"
    """The main button."""
    right: Annotated[str, FieldLabel("Right", "what was right")] = "#3f6b4f"
    """What was right."""
    wrong: Annotated[str, FieldLabel("Wrong", "what was wrong")] = "#8c3a20"
    """What was wrong."""


@dataclass(frozen=True, slots=True)
class Background:
    """A picture behind the question; without one, the background has a plain colour."""

    picture: str = ""
    """The digest (SHA-256, hex) of a picture; empty for none."""
    fit: Annotated[Fit, FieldLabel("It fits")] = Fit.COVER
    """How the picture fills the page."""
    dimmed: Annotated[int, Range(0, 95), FieldLabel("Dimmed", "percent, towards the ground")] = 40
    """How far the picture fades into the background colour, 0 to 95 percent."""


@dataclass(frozen=True, slots=True)
class Music:
    """Music that loops, quieter while a cue is played. Players can turn it off."""

    opening: Annotated[str, FieldLabel("At the opening")] = ""
    """The sound that loops before play begins; empty for none."""
    playing: Annotated[str, FieldLabel("While it is played")] = ""
    """The sound that loops while the game is played; empty for none."""
    ending: Annotated[str, FieldLabel("After the end")] = ""
    """The sound that loops after the end; empty for none."""
    loudness: Annotated[int, Range(0, 100), FieldLabel("Loudness", "percent")] = 40
    """0 to 100 percent."""

    @property
    def named(self) -> tuple[str, ...]:
        """The sounds it is made of, once each."""
        loops = (self.opening, self.playing, self.ending)
        return tuple(dict.fromkeys(name for name in loops if name))


@dataclass(frozen=True, slots=True)
class Look:
    """What a game looks like to players, and its music."""

    colours: Colours = Colours()
    """The colours."""
    headings: Annotated[Typeface, FieldLabel("Headings")] = Typeface.BOOKISH
    """The typeface of headings."""
    text: Annotated[Typeface, FieldLabel("Everything else")] = Typeface.PLAIN
    """The typeface of all other text."""
    choices: Annotated[ChoicesAs, FieldLabel("Choices stand")] = ChoicesAs.ROWS
    """The layout of choices."""
    picture_at: Annotated[PictureAt, FieldLabel("A question's picture")] = PictureAt.ABOVE
    """The position of a question's picture."""
    corner: Annotated[Corner, FieldLabel("Corners")] = Corner.SLIGHT
    """The shape of corners."""
    density: Annotated[Density, FieldLabel("Room")] = Density.USUAL
    """The amount of space between things."""
    opening_picture: Annotated[str, FieldLabel("Picture at the opening")] = ""
    """The digest (SHA-256, hex) of the picture above the opening words."""
    opening: Annotated[Background, FieldLabel("Background of the opening")] = Background()
    """The background before play begins."""
    playing: Annotated[Background, FieldLabel("Background of the questions")] = Background()
    """The background of questions."""
    ending: Annotated[Background, FieldLabel("Background of the endings")] = Background()
    """The background of endings."""
    music: Music = Music()
    """The background music."""
    shows_die: Annotated[bool, FieldLabel("A die beside the title")] = True
    """Whether the play page shows a die beside the title."""
    die_picture: Annotated[str, FieldLabel("A picture in place of the die")] = ""
    """The digest (SHA-256, hex) of a picture shown instead of the die."""

    def pictures(self) -> Iterator[tuple[str, str]]:
        """Where it names a picture, and the digest of each."""
        named = {
            "opening_picture": self.opening_picture,
            "die_picture": self.die_picture,
            "opening.picture": self.opening.picture,
            "playing.picture": self.playing.picture,
            "ending.picture": self.ending.picture,
        }
        return ((where, digest) for where, digest in named.items() if digest)


AS_THE_WORKBENCH = Look()
"""How a game looks until its maker chooses."""
