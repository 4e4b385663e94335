"""How a game is dressed for its players: its look, with every colour of its pages."""

from dataclasses import dataclass

from dicetrail.core.document import Game, Look, Palette, dark_palette, light_palette, palette


@dataclass(frozen=True, slots=True)
class Dress:
    """What a page needs to know of a game's looks; the same for a whole run."""

    look: Look
    own: Palette
    """For a player who wants it as it was made."""
    light: Palette
    dark: Palette


def dress(game: Game) -> Dress:
    """How a game is dressed."""
    colours = game.look.colours
    return Dress(game.look, palette(colours), light_palette(colours), dark_palette(colours))
