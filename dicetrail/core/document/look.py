"""The look of a game: its colours, faces, pictures and music, all of them the maker's to choose.

A picture is named by the digest (SHA-256, hex) of its content, a music loop by the name of
one of the game's sounds.
"""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Annotated

from dicetrail.core.document.told import Told, Value, Within


class Typeface(Value):
    """A face that ships with the pages."""

    BOOKISH = "bookish", "Bookish", "with serifs, as in a printed book"
    PLAIN = "plain", "Plain", "every letter easily told from every other"
    ROUND = "round", "Round", "also for Cyrillic and Arabic"
    BY_HAND = "by hand", "By hand", "as if written with a pen; also for Cyrillic"
    EVEN = "even", "Even", "every letter as wide as the next"


class Fit(Value):
    """How a backdrop fills the page."""

    COVER = "cover", "Fill the page", "what does not fit is cut off"
    WHOLE = "whole", "Show it whole"
    TILED = "tiled", "Lay it side by side"


class ChoicesAs(Value):
    """How choices stand."""

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
    """How much room there is around things."""

    CLOSE = "close", "Close together"
    USUAL = "usual", "As usual"
    WIDE = "wide", "Wide apart"


@dataclass(frozen=True, slots=True)
class Colours:
    """The colours a maker chooses, each as six hexadecimal digits; others are made of them."""

    ground: Annotated[str, Told("Ground", "the page behind everything")] = "#f7f2e8"
    card: Annotated[str, Told("Card", "what the question stands on")] = "#fffdf8"
    ink: Annotated[str, Told("Ink", "words")] = "#1f2a2e"
    accent: Annotated[str, Told("Accent", "the one button to press next")] = "#a8482a"
    right: Annotated[str, Told("Right", "what was right")] = "#3f6b4f"
    wrong: Annotated[str, Told("Wrong", "what was wrong")] = "#8c3a20"


@dataclass(frozen=True, slots=True)
class Backdrop:
    """A picture behind the card; without one there is the ground alone."""

    picture: str = ""
    fit: Annotated[Fit, Told("It fits")] = Fit.COVER
    dimmed: Annotated[int, Within(0, 95), Told("Dimmed", "percent, towards the ground")] = 40


@dataclass(frozen=True, slots=True)
class Music:
    """What sounds over and over, quieter while a cue is heard; players can turn it off."""

    opening: Annotated[str, Told("At the opening")] = ""
    playing: Annotated[str, Told("While it is played")] = ""
    ending: Annotated[str, Told("After the end")] = ""
    loudness: Annotated[int, Within(0, 100), Told("Loudness", "percent")] = 40

    @property
    def named(self) -> tuple[str, ...]:
        """The sounds it is made of, once each."""
        loops = (self.opening, self.playing, self.ending)
        return tuple(dict.fromkeys(name for name in loops if name))


@dataclass(frozen=True, slots=True)
class Look:
    """What a game looks like to its players, and its music."""

    colours: Colours = Colours()
    headings: Annotated[Typeface, Told("Headings")] = Typeface.BOOKISH
    text: Annotated[Typeface, Told("Everything else")] = Typeface.PLAIN
    choices: Annotated[ChoicesAs, Told("Choices stand")] = ChoicesAs.ROWS
    picture_at: Annotated[PictureAt, Told("A question's picture")] = PictureAt.ABOVE
    corner: Annotated[Corner, Told("Corners")] = Corner.SLIGHT
    density: Annotated[Density, Told("Room")] = Density.USUAL
    opening_picture: str = ""
    opening: Backdrop = Backdrop()
    playing: Backdrop = Backdrop()
    ending: Backdrop = Backdrop()
    music: Music = Music()

    def pictures(self) -> Iterator[tuple[str, str]]:
        """Where it names a picture, and the digest of each."""
        named = {
            "opening_picture": self.opening_picture,
            "opening.picture": self.opening.picture,
            "playing.picture": self.playing.picture,
            "ending.picture": self.ending.picture,
        }
        return ((where, digest) for where, digest in named.items() if digest)


AS_THE_WORKBENCH = Look()
"""How a game looks until its maker chooses."""
