"""Games as files: one loaded becomes a game of its own, one saved holds everything in it."""

from fastapi import Response, UploadFile

from dicetrail.services.game_files import game_file_of
from dicetrail.web.context import Now, SharedState
from dicetrail.web.games.bringing import brought_game
from dicetrail.web.games.shapes import GameView
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.reading import ReadAside

router = Router("/api", "game files")


@router.post("/game-files", status_code=201)
async def load_game(
    file: UploadFile, read: ReadAside, app_state: SharedState, now: Now
) -> GameView:
    """Make a game, and packs of its own, from a game file. Nothing is kept unless all fits."""
    return await brought_game(file, read, app_state, now)


@router.get("/games/{game_id}/file", response_class=Response, responses=files("application/json"))
def save_game_file(game_id: str, app_state: SharedState) -> Response:
    """The game with everything in it, as a game file."""
    disposition = f'attachment; filename="{game_id}.json"'
    headers = {"content-disposition": disposition}
    return Response(game_file_of(app_state, game_id), 200, headers, "application/json")
