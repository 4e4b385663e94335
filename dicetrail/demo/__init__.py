"""The demo: the Quillbrook Allotment Society and its Harvest Supper, all invented.

Its questions are loaded by the same readers as a maker's own files. Loading it twice
changes nothing, and it never touches what a maker has made.
"""

from collections.abc import Mapping
from datetime import datetime, timedelta
from pathlib import Path

from sqlalchemy.orm import Session

from dicetrail.core import Game, Pack
from dicetrail.demo import games
from dicetrail.demo.games import HARVEST_SUPPER
from dicetrail.demo.looks import PICTURES, dressed
from dicetrail.demo.media import BED_LEAVES, GARDEN_PLAN, LEAVES, SOUNDS
from dicetrail.files import Contents, ImportOptions, guess, medium, read_answers, read_questions
from dicetrail.services.loads import pack_source
from dicetrail.store import Database, NotFound, PackSource
from dicetrail.store.games import add_game, newest_game
from dicetrail.store.media import keep_medium
from dicetrail.store.packs import add_pack, newest_pack
from dicetrail.store.played import bring_runs

DATA = Path(__file__).parent / "data"

_AS_MADE: Mapping[str, Game] = {
    "harvest-table": games.HARVEST_TABLE,
    "garden-year": games.GARDEN_YEAR,
    "bed-by-bed": games.BED_BY_BED,
    "slug-patrol": games.SLUG_PATROL,
    "leaf-shapes": games.LEAF_SHAPES,
    "shed-words": games.SHED_WORDS,
    "root-leaf-or-fruit": games.ROOT_LEAF_OR_FRUIT,
    "seed-sums": games.SEED_SUMS,
    "harvest-supper": HARVEST_SUPPER,
}
"""By identifier; the last one is the first on the shelf."""

GAMES: Mapping[str, Game] = {name: dressed(name, game) for name, game in _AS_MADE.items()}
"""Each in its own look."""

_FILES = {
    games.SUPPER_PACK: ("Harvest Supper questions", "harvest-supper.tsv"),
    games.WORDS_PACK: ("Shed words", "shed-words.tsv"),
    games.SLUGS_PACK: ("Slug Patrol questions", "slug-patrol.tsv"),
    games.TABLE_PACK: ("أسئلة المائدة", "harvest-table.tsv"),
    games.YEAR_PACK: ("The garden year", "garden-year.tsv"),
}

PLANTS_FILE = "plants.tsv"

ANSWERS = {"harvest-supper": "supper-answers.jsonl", "slug-patrol": "patrol-answers.jsonl"}
"""The answers of a playtest. They are invented, like all else here: simulated players gave them."""


def load_demo(database: Database, now: datetime) -> bool:
    """Put into a store what it lacks of the demo. Returns whether anything was put there."""
    with database.writing() as session:
        lacking = [name for name in GAMES if not _is_there(session, name)]
        if lacking:
            _load_packs(session, now)
            for picture in PICTURES:
                keep_medium(session, picture.digest, picture.media_type, picture.content)
        for place, name in enumerate(lacking):
            add_game(session, GAMES[name], now + timedelta(milliseconds=place), name)
            if name in ANSWERS:
                _bring(session, name, ANSWERS[name])
    return bool(lacking)


def _is_there(session: Session, game_id: str) -> bool:
    try:
        newest_game(session, game_id)
    except NotFound:
        return False
    return True


def _load_packs(session: Session, now: datetime) -> None:
    for name, (title, file) in _FILES.items():
        reading = read_questions((DATA / file).read_bytes())
        drawn = _kept_media(session, GARDEN_PLAN) if name == games.YEAR_PACK else {}
        _keep(session, Pack(title, reading.questions), pack_source(file, reading), now, name, drawn)
    plan = guess((DATA / PLANTS_FILE).read_bytes(), ImportOptions(contents=Contents.FACTS))
    plants = read_questions((DATA / PLANTS_FILE).read_bytes(), plan)
    pack = Pack("Plants of the beds", facts=plants.facts)
    leaves = _kept_media(session, BED_LEAVES)
    _keep(session, pack, pack_source(PLANTS_FILE, plants), now, games.PLANTS, leaves)
    source = PackSource("leaf-shapes.zip", "drawings and sounds of the demo", None, 0, ())
    media = _kept_media(session, LEAVES | SOUNDS)
    _keep(session, games.leaf_pack(), source, now, games.LEAVES_PACK, media)


def _bring(session: Session, game_id: str, file: str) -> None:
    """Import the answers of a playtest that took place elsewhere."""
    runs = read_answers((DATA / file).read_bytes()).runs
    bring_runs(session, game_id, file, runs)


def _kept_media(session: Session, files: Mapping[str, bytes]) -> dict[str, str]:
    """Keep pictures and sounds; their digests, by name."""
    found = {name: medium(name, content) for name, content in files.items()}
    for made in found.values():
        keep_medium(session, made.digest, made.media_type, made.content)
    return {name: made.digest for name, made in found.items()}


def _keep(
    session: Session,
    pack: Pack,
    source: PackSource,
    now: datetime,
    name: str,
    media: Mapping[str, str],
) -> None:
    try:
        newest_pack(session, name)
    except NotFound:
        add_pack(session, pack, source, now, name, media)


__all__ = ["DATA", "GAMES", "HARVEST_SUPPER", "load_demo"]
