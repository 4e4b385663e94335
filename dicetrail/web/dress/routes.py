"""What a look would be like, before it is saved."""

from dataclasses import asdict

from pydantic import BaseModel

from dicetrail.core import Look
from dicetrail.core.document import Palette, dark_palette, light_palette, meetings, palette
from dicetrail.web.wire.bodies import Router

router = Router("/api/looks", "looks")


class ColoursMet(BaseModel):
    """Two of a maker's colours where they meet, and whether they hold there."""

    of: str
    on: str
    what: str
    contrast: float
    wanted: float
    nearest: str
    is_held: bool


class LookSeen(BaseModel):
    """A look as its players would have it, and how well it can be read."""

    meetings: tuple[ColoursMet, ...]
    own: Palette
    light: Palette
    dark: Palette


@router.post("/seen")
def see_look(look: Look) -> LookSeen:
    """Where the colours of a look meet, and every colour made of them; nothing is kept."""
    colours = look.colours
    return LookSeen(
        meetings=tuple(ColoursMet(**asdict(met), is_held=met.is_held) for met in meetings(colours)),
        own=palette(colours),
        light=light_palette(colours),
        dark=dark_palette(colours),
    )
