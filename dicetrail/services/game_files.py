"""Games as files: keep one that was read, and write one with everything in it."""

from datetime import datetime

from dicetrail.files import written_game
from dicetrail.files.sandbox import BroughtGame
from dicetrail.services.app_state import AppState
from dicetrail.store import Database, PackSource
from dicetrail.store.games import add_game, newest_game
from dicetrail.store.kept import keep_run, kept_runs
from dicetrail.store.media import get_medium, keep_medium
from dicetrail.store.packs import add_pack, newest_packs


def keep_game(database: Database, brought: BroughtGame, file_name: str, now: datetime) -> str:
    """Keep a game with its packs, pictures and runs, all or nothing. Returns its identifier."""
    read, media, own = brought
    with database.writing() as session:
        for sound in own:
            keep_medium(session, sound.digest, sound.media_type, sound.content)
        names: dict[str, str] = {}
        for name, pack in read.packs.items():
            for found in media[name].values():
                keep_medium(session, found.digest, found.media_type, found.content)
            source = PackSource(file_name, "a game file", None, 0, ())
            digests = {title: found.digest for title, found in media[name].items()}
            names[name] = add_pack(session, pack, source, now, media=digests).pack_id
        made = add_game(session, read.game.with_packs(names), now)
        for run in read.kept:
            keep_run(session, made.game_id, made.number, run.with_packs(names), now)
    return made.game_id


def game_file_of(app_state: AppState, game_id: str) -> bytes:
    """The newest revision of a game with everything in it, as a game file. Raises NotFound."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id).document
        packs = newest_packs(session, game.packs_used)
        media = {
            pack.pack_id: {
                name: get_medium(session, digest).content for name, digest in pack.media.items()
            }
            for pack in packs
        }
        held = {pack.pack_id: app_state.packs.pack(pack.pack_id, pack.number) for pack in packs}
        own = {
            sound.file: get_medium(session, sound.file).content
            for sound in game.sounds
            if sound.file
        }
        kept = [row.run for row in kept_runs(session, game_id)]
        pictures = {digest: get_medium(session, digest).content for _, digest in game.pictures}
        return written_game(game, held, media, own, pictures, kept)
