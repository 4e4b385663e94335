"""Runs on the players' page: no dice, no footprints, no answer before its time."""

from datetime import datetime

from fastapi import APIRouter

from dicetrail.core import Wait, length_of_round, spot, step
from dicetrail.store import Place
from dicetrail.store.models import RunRow
from dicetrail.store.runs import get_run
from dicetrail.web.boundary import NewPlay, NextInput, PlayGame, PlayView, name_of
from dicetrail.web.context import Now, SharedShelf
from dicetrail.web.games import newest_program
from dicetrail.web.running import start_run, take_input, time_of
from dicetrail.web.shelf import Shelf

router = APIRouter(prefix="/api/play", tags=["play"])


@router.get("/games/{game_id}")
def show_game(game_id: str, shelf: SharedShelf) -> PlayGame:
    """A game that can be played."""
    program = newest_program(shelf, game_id)
    length = length_of_round(program, spot(program, 0))
    opening = program.game.opening
    return PlayGame(
        id=game_id,
        title=program.game.title,
        length=length,
        opening=opening.words,
        asks_names=opening.asks_names,
        most_players=opening.most_players,
    )


@router.post("/games/{game_id}/runs", status_code=201)
def start(game_id: str, new: NewPlay, shelf: SharedShelf, now: Now) -> PlayView:
    """Start a run with new dice."""
    players = tuple(name_of(name, number) for number, name in enumerate(new.players, 1))
    run = start_run(shelf, game_id, None, players, Place.PLAY, now)
    return _view(shelf, run, now)


@router.get("/runs/{run_id}")
def show(run_id: str, shelf: SharedShelf, now: Now) -> PlayView:
    """A run as it stands, to go on with after a reload."""
    with shelf.database.reading() as session:
        return _view(shelf, get_run(session, run_id, Place.PLAY), now)


@router.post("/runs/{run_id}/inputs")
def take(run_id: str, given: NextInput, shelf: SharedShelf, now: Now) -> PlayView:
    """Take the player's next input."""
    run = take_input(shelf.database, run_id, Place.PLAY, given.seen, given.action, now)
    return _view(shelf, run, now)


def _view(shelf: Shelf, run: RunRow, now: datetime) -> PlayView:
    """The run as it stands now: countdowns that have ended since its last input count."""
    last = shelf.moments(run)[-1].state
    here = step(shelf.program_of(run), last, Wait(), max(last.at, time_of(run, now))).state
    return PlayView(
        id=run.id,
        game_id=run.game_id,
        seen=len(run.inputs),
        table=shelf.table_of(run, here),
    )
