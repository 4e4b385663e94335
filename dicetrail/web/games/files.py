"""Games as files: one loaded becomes a game of its own, one saved holds everything in it."""

from datetime import datetime

from fastapi import Response, UploadFile
from starlette.concurrency import run_in_threadpool

from dicetrail.core import GameProblems
from dicetrail.files import written_game
from dicetrail.files.sandbox import BroughtGame
from dicetrail.limits import MAX_FILE
from dicetrail.store import PackSource
from dicetrail.store.games import add_game, newest_game
from dicetrail.store.kept import keep_run, kept_runs
from dicetrail.store.media import get_medium, keep_medium
from dicetrail.store.packs import add_pack
from dicetrail.web.app_state import AppState
from dicetrail.web.context import Now, SharedState
from dicetrail.web.games.routes import game_view, packs_of
from dicetrail.web.games.shapes import GameView
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.errors import Faulty
from dicetrail.web.reading import ReadAside

router = Router("/api", "game files")


@router.post("/game-files", status_code=201)
async def load_game(
    file: UploadFile, read: ReadAside, app_state: SharedState, now: Now
) -> GameView:
    """Make a game, and packs of its own, from a game file. Nothing is kept unless all fits."""
    try:
        brought: BroughtGame = await read("game", await file.read(MAX_FILE + 1))
    except GameProblems as refused:
        told = "This game file was not loaded, and nothing changed."
        raise Faulty(told, refused.problems) from None
    name = file.filename or "a game file"
    return await run_in_threadpool(_kept_game, app_state, brought, name, now)


def _kept_game(
    app_state: AppState, brought: BroughtGame, file_name: str, now: datetime
) -> GameView:
    read, media, own = brought
    with app_state.database.writing() as session:
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
    return game_view(app_state, made.game_id)


@router.get("/games/{game_id}/file", response_class=Response, responses=files("application/json"))
def save_game_file(game_id: str, app_state: SharedState) -> Response:
    """The game with everything in it, as a game file."""
    disposition = f'attachment; filename="{game_id}.json"'
    headers = {"content-disposition": disposition}
    return Response(game_file_of(app_state, game_id), 200, headers, "application/json")


def game_file_of(app_state: AppState, game_id: str) -> bytes:
    """A game as it now stands with everything in it, as a game file. Raises NotFound."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id).document
        packs = packs_of(session, game)
        media = {
            pack.pack_id: {
                name: get_medium(session, digest).content for name, digest in pack.media.items()
            }
            for pack in packs
        }
        held = {pack.pack_id: app_state.pack(pack.pack_id, pack.number) for pack in packs}
        own = {
            sound.file: get_medium(session, sound.file).content
            for sound in game.sounds
            if sound.file
        }
        kept = [row.run for row in kept_runs(session, game_id)]
        pictures = {digest: get_medium(session, digest).content for _, digest in game.pictures}
        return written_game(game, held, media, own, pictures, kept)
