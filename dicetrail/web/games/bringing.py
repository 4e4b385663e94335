"""Receive a game file."""

from datetime import datetime

from fastapi import UploadFile
from starlette.concurrency import run_in_threadpool

from dicetrail.core import GameProblems
from dicetrail.files.sandbox import BroughtGame
from dicetrail.limits import MAX_FILE
from dicetrail.services.app_state import AppState
from dicetrail.services.game_files import keep_game
from dicetrail.web.games.shapes import GameView
from dicetrail.web.games.views import game_view
from dicetrail.web.http_format.errors import Faulty
from dicetrail.web.reading import Read


async def brought_game(
    file: UploadFile, read: Read, app_state: AppState, now: datetime
) -> GameView:
    """Make a game of a game file. Raises Faulty, and FileProblem, and then nothing is kept."""
    try:
        brought: BroughtGame = await read("game", await file.read(MAX_FILE + 1))
    except GameProblems as refused:
        told = "This game file was not loaded, and nothing changed."
        raise Faulty(told, refused.problems) from None
    name = file.filename or "a game file"
    game_id = await run_in_threadpool(keep_game, app_state.database, brought, name, now)
    return await run_in_threadpool(game_view, app_state, game_id)
