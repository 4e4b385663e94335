"""The looks of the demo's games: drawings made here, and one tune of our own."""

from collections.abc import Mapping
from dataclasses import replace

from dicetrail.core import Game, Sound
from dicetrail.core.document import Background, ChoicesAs, Fit, Look, Music, Note, Wave
from dicetrail.core.workbench import READY_LOOKS
from dicetrail.demo.media import leaf_outline
from dicetrail.files import Medium, medium

_READY = {ready.name: ready.look for ready in READY_LOOKS}


def _drawing(name: str, view: str, parts: str) -> Medium:
    svg = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{view}">{parts}</svg>'
    return medium(f"{name}.svg", svg.encode())


_LEAF = leaf_outline("lime")

LEAF_TILES = _drawing(
    "leaf tiles",
    '0 0 240 240" width="240" height="240',
    f'<g fill="#9cc7b4"><path d="{_LEAF}" transform="rotate(-20 60 60)"/>'
    f'<path d="{leaf_outline("oak")}" transform="translate(120 110) rotate(25 60 60)"/>'
    f'<path d="{leaf_outline("willow")}" transform="translate(125 0) rotate(70 60 60)"/></g>',
)

MOONLIT_BED = _drawing(
    "moonlit bed",
    '0 0 480 240" width="480" height="240',
    '<rect width="480" height="240" rx="18" fill="#1b2530"/>'
    '<circle cx="392" cy="58" r="30" fill="#f6ead6"/>'
    '<circle cx="404" cy="50" r="26" fill="#1b2530"/>'
    '<path d="M0 196c80-24 170-24 250-8s150 12 230-6v58H0z" fill="#3b2c20"/>'
    '<path d="M70 178c6-26 34-42 70-40 26 2 34-4 38-22 18 4 26 18 26 36 0 22-20 26-42 26z" '
    'fill="#f0a640" stroke="#14110f" stroke-width="4"/>'
    '<path d="M182 118l-8-26M196 126l12-22" stroke="#14110f" stroke-width="4" '
    'stroke-linecap="round"/>'
    '<path d="M300 190c0-34 10-52 30-60 20 8 30 26 30 60z" fill="#5c8f4a"/>'
    '<path d="M330 190v-52" stroke="#14110f" stroke-width="4"/>',
)

LAID_TABLE = _drawing(
    "laid table",
    '0 0 480 240" width="480" height="240',
    '<rect width="480" height="240" rx="18" fill="#fdf0d0"/>'
    '<path d="M30 168h420l26 72H4z" fill="#b3562a"/><path d="M30 168h420v14H30z" fill="#8c3a20"/>'
    '<circle cx="170" cy="134" r="40" fill="#b3261e"/>'
    '<path d="M158 98l12-14 12 14" fill="none" stroke="#2b1d0e" stroke-width="5"/>'
    '<path d="M230 168c-6-44 12-84 34-84s40 40 34 84z" fill="#5b3a7a"/>'
    '<path d="M264 84c2-14 10-22 24-24" fill="none" stroke="#2c6e2f" stroke-width="6"/>'
    '<path d="M330 168c0-30 26-52 60-52s40 22 40 52z" fill="#2c6e2f"/>'
    '<path d="M56 168c0-24 14-40 34-40s34 16 34 40z" fill="#d9a02b"/>',
)

PICTURES = (LEAF_TILES, MOONLIT_BED, LAID_TABLE)


def _tune(name: str, notes: str, ms: int) -> Sound:
    """A tune from pitches with spaces between, each as long as the next; ``-`` is a rest."""
    made = tuple(Note("" if pitch == "-" else pitch, ms) for pitch in notes.split())
    return Sound(name, made, Wave.SINE, attack_ms=40, release_ms=420, loudness=45)


GARDEN_WALK = _tune(
    "garden walk",
    "C4 E4 G4 A4 G4 E4 D4 E4 C4 D4 E4 G4 E4 D4 C4 - A3 C4 E4 G4 E4 D4 C4 D4 E4 D4 C4 A3 C4 - - -",
    360,
)

LOOKS: Mapping[str, Look] = {
    "leaf-shapes": replace(
        _READY["greenhouse"],
        choices=ChoicesAs.PICTURES,
        opening=Background(LEAF_TILES.digest, Fit.TILED, 0),
        playing=Background(LEAF_TILES.digest, Fit.TILED, 30),
        ending=Background(LEAF_TILES.digest, Fit.TILED, 0),
        music=Music("garden walk", "", "garden walk", 30),
    ),
    "shed-words": _READY["slate and chalk"],
    "slug-patrol": replace(_READY["potting shed at night"], opening_picture=MOONLIT_BED.digest),
    "root-leaf-or-fruit": _READY["plain print"],
    "harvest-table": replace(
        _READY["seed packet"], opening_picture=LAID_TABLE.digest, choices=ChoicesAs.ROWS
    ),
}
"""By the identifiers of the games; the others look as the workbench does."""


def dressed(name: str, game: Game) -> Game:
    """A game of the demo in its look, with the sounds of its music."""
    look = LOOKS.get(name, game.look)
    tunes = (GARDEN_WALK,) if GARDEN_WALK.name in look.music.named else ()
    return replace(game, look=look, sounds=(*game.sounds, *tunes))
