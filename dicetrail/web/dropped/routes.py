"""Receive a file dropped on the shelf, and recognise whether it is a game or holds questions."""

from dataclasses import dataclass

from fastapi import UploadFile

from dicetrail.files import SAYS_WITHIN, means_a_game
from dicetrail.web.context import Now, SharedState
from dicetrail.web.games.bringing import brought_game
from dicetrail.web.games.shapes import GameView
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.loads.shapes import LoadView
from dicetrail.web.loads.views import brought_load
from dicetrail.web.reading import ReadAside
from dicetrail.web.uploads import file_name

router = Router("/api/dropped", "shelf")


@dataclass(frozen=True, slots=True)
class Dropped:
    """The result of a dropped file: a new game, or questions to look at."""

    game: GameView | None = None
    load: LoadView | None = None


@router.post("", status_code=201)
async def take_dropped_file(
    file: UploadFile, read: ReadAside, app_state: SharedState, now: Now
) -> Dropped:
    """Make a game of a game file, whatever it is called; bring any other to be looked at."""
    is_game = means_a_game(await file.read(SAYS_WITHIN))
    await file.seek(0)
    if is_game:
        return Dropped(game=await brought_game(file, read, app_state, now))
    load = await brought_load(read, app_state, file_name(file), await file.read())
    return Dropped(load=load)
