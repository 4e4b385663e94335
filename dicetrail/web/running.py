"""Starting a run and taking its next input, for the table and the play page alike."""

import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta

from sqlalchemy.orm import Session
from starlette.exceptions import HTTPException

from dicetrail.core import Action, Input
from dicetrail.store import Database, Place
from dicetrail.store.games import newest_game
from dicetrail.store.models import RunRow
from dicetrail.store.runs import add_input, add_run, get_run
from dicetrail.web.boundary import MOST_INPUTS
from dicetrail.web.games import newest_program, pack_numbers
from dicetrail.web.shelf import Shelf

ROLLED_BELOW = 1_000_000
"""New dice have at most six digits, to be read out and typed with ease."""


def start_run(
    shelf: Shelf,
    game_id: str,
    dice: int | None,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
) -> RunRow:
    """Start a run of a game as it now stands. Raises NotFound, GameProblems."""
    most = newest_program(shelf, game_id).game.opening.most_players
    if len(players) > most:
        raise HTTPException(422, f"This game takes {most} players at most, not {len(players)}.")
    rolled = secrets.randbelow(ROLLED_BELOW) if dice is None else dice
    with shelf.database.writing() as session:
        game = newest_game(session, game_id)
        packs = dict(pack_numbers(session, game.document))
        return add_run(session, game, packs, rolled, players, place, now)


def take_input(
    database: Database, run_id: str, place: Place, seen: int, action: Action, now: datetime
) -> RunRow:
    """Take the next input of a run by the server's own clock. Raises NotFound, StaleRun."""
    with database.writing() as session:
        run = get_run(session, run_id, place)
        before = run.inputs[-1].at if run.inputs else 0
        _take(session, run, seen, (Input(action, max(before, time_of(run, now))),))
        return run


def take_inputs(
    database: Database, run_id: str, place: Place, seen: int, inputs: Sequence[Input]
) -> RunRow:
    """Take inputs of a run with the times they say. Raises NotFound, StaleRun."""
    with database.writing() as session:
        run = get_run(session, run_id, place)
        _take(session, run, seen, inputs)
        return run


def time_of(run: RunRow, now: datetime) -> int:
    """The milliseconds since a run began, by the server's clock."""
    return max(0, (now - run.started_at) // timedelta(milliseconds=1))


def _take(session: Session, run: RunRow, seen: int, inputs: Sequence[Input]) -> None:
    if len(run.inputs) + len(inputs) > MOST_INPUTS:
        raise HTTPException(409, f"A run takes at most {MOST_INPUTS:,} inputs.")
    for number, given in enumerate(inputs):
        add_input(session, run, seen + number, given)
