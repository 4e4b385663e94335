"""Starting a run and taking its next input, for the table and the play page alike."""

import secrets
from datetime import datetime, timedelta

from starlette.exceptions import HTTPException

from dicetrail.core import Action, Input
from dicetrail.store import Database, Place
from dicetrail.store.games import newest_game
from dicetrail.store.models import RunRow
from dicetrail.store.runs import add_input, add_run, get_run
from dicetrail.web.games import newest_program, pack_numbers
from dicetrail.web.shelf import Shelf

ROLLED_BELOW = 1_000_000
"""New dice have at most six digits, to be read out and typed with ease."""

MOST_INPUTS = 20_000
"""A run takes at most this many inputs, so that none can be made to grow without end."""


def start_run(
    shelf: Shelf,
    game_id: str,
    dice: int | None,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
) -> RunRow:
    """Start a run of a game as it now stands. Raises NotFound, GameProblems."""
    newest_program(shelf, game_id)
    rolled = secrets.randbelow(ROLLED_BELOW) if dice is None else dice
    with shelf.database.writing() as session:
        game = newest_game(session, game_id)
        packs = dict(pack_numbers(session, game.document))
        return add_run(session, game, packs, rolled, players, place, now)


def take_input(
    database: Database, run_id: str, place: Place, seen: int, action: Action, now: datetime
) -> RunRow:
    """Take the next input of a run. Raises NotFound, StaleRun."""
    with database.writing() as session:
        run = get_run(session, run_id, place)
        if len(run.inputs) >= MOST_INPUTS:
            raise HTTPException(409, f"A run takes at most {MOST_INPUTS:,} inputs.")
        before = run.inputs[-1].at if run.inputs else 0
        at = max(before, (now - run.started_at) // timedelta(milliseconds=1))
        add_input(session, run, seen, Input(action, at))
        return run
