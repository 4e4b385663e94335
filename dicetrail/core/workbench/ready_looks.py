"""Whole looks to begin from: put on with one click, and changed after."""

from dataclasses import dataclass

from dicetrail.core.document import (
    ChoicesAs,
    Colours,
    Corner,
    Density,
    Look,
    PictureAt,
    Typeface,
)


@dataclass(frozen=True, slots=True)
class ReadyLook:
    """A look, its name, and a description. It has no pictures and no music."""

    name: str
    words: str
    look: Look


READY_LOOKS = (
    ReadyLook("garden table", "paper, ink and moss, as the workbench itself", Look()),
    ReadyLook(
        "potting shed at night",
        "lamplight on dark boards",
        Look(
            Colours("#14110f", "#241d18", "#f6ead6", "#f0a640", "#9fd68a", "#ff9d85"),
            headings=Typeface.BOOKISH,
            text=Typeface.ROUND,
            corner=Corner.ROUND,
        ),
    ),
    ReadyLook(
        "seed packet",
        "bright print on cream, two choices abreast",
        Look(
            Colours("#f3c53c", "#fff8e1", "#2b1d0e", "#b3261e", "#2c6e2f", "#a3161c"),
            headings=Typeface.ROUND,
            text=Typeface.ROUND,
            choices=ChoicesAs.GRID,
            corner=Corner.ROUND,
            density=Density.WIDE,
        ),
    ),
    ReadyLook(
        "greenhouse",
        "cool glass and leaves, the picture beside the choices",
        Look(
            Colours("#d5ebe3", "#fbfffd", "#10302a", "#0b6e5d", "#22702f", "#a12a4a"),
            headings=Typeface.PLAIN,
            text=Typeface.PLAIN,
            picture_at=PictureAt.BESIDE,
        ),
    ),
    ReadyLook(
        "slate and chalk",
        "written by hand on a dark board",
        Look(
            Colours("#1d2a2c", "#26383a", "#f4f7f2", "#f2d16b", "#b5e48c", "#ffb3a7"),
            headings=Typeface.BY_HAND,
            text=Typeface.BY_HAND,
            corner=Corner.SQUARE,
        ),
    ),
    ReadyLook(
        "plain print",
        "black on white, close together, to be read from afar",
        Look(
            Colours("#ffffff", "#ffffff", "#000000", "#1a3fb0", "#0b5d1e", "#a00000"),
            headings=Typeface.EVEN,
            text=Typeface.PLAIN,
            corner=Corner.SQUARE,
            density=Density.CLOSE,
        ),
    ),
)
