"""Start runs, take the inputs of the maker's table, and keep results."""

import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta

from dicetrail.core import Input, State
from dicetrail.core.draw import LONG_DICE_BITS
from dicetrail.core.play import players_refused, run_result
from dicetrail.services.app_state import AppState
from dicetrail.services.errors import NotTaken, Refused
from dicetrail.store import Database, NotFound, Place, SavedRun
from dicetrail.store.games import is_shelved, newest_number
from dicetrail.store.packs import newest_numbers
from dicetrail.store.runs import add_inputs, add_run, end_run, get_run

ROLLED_BELOW = 1_000_000
"""New dice at the table have at most six digits, so that a maker can read them out and type
them."""

MAX_TABLE_INPUTS = 20_000
"""A run at the maker's table takes at most this many inputs."""


def rolled(place: Place) -> int:
    """New dice: short at the maker's table, too long to be guessed on the players' page."""
    return (
        secrets.randbits(LONG_DICE_BITS) if place is Place.PLAY else secrets.randbelow(ROLLED_BELOW)
    )


def start_run(
    app_state: AppState,
    game_id: str,
    dice: int | None,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
    player_key: str | None = None,
) -> SavedRun:
    """Start a run of a game as it now stands. Raises NotFound, GameProblems, NotTaken."""
    refused = players_refused(app_state.programs.now(game_id).game, len(players))
    if refused is not None:
        raise NotTaken(f"Not begun: {refused}.")
    with app_state.database.writing() as session:
        if place is Place.PLAY and not is_shelved(session, game_id):
            raise NotFound("game", game_id)
        game = app_state.programs.saved_game(game_id, newest_number(session, game_id))
        return add_run(
            session,
            game,
            dict(newest_numbers(session, game.document.packs_used)),
            rolled(place) if dice is None else dice,
            players,
            place,
            now,
            player_key,
        )


def keep_result(app_state: AppState, run: SavedRun, state: State, now: datetime) -> None:
    """Keep the result of a run that has ended in a state."""
    result = run_result(app_state.programs.program_of(run), state)
    with app_state.database.reading() as session:
        seen = app_state.replays.shown(get_run(session, run.id))
    with app_state.database.writing() as session:
        kept = get_run(session, run.id)
        end_run(kept, result, seen, now)
    end_run(run, result, seen, now)  # the caller's copy of the run knows its result too


def take_inputs(
    database: Database, run_id: str, place: Place, seen: int, inputs: Sequence[Input]
) -> SavedRun:
    """Take inputs of a run at their own times. Raises NotFound, StaleRun, Refused."""
    if seen + len(inputs) > MAX_TABLE_INPUTS:
        raise Refused(f"A run takes at most {MAX_TABLE_INPUTS:,} inputs.")
    with database.writing() as session:
        run = get_run(session, run_id, place)
        add_inputs(session, run_id, seen, inputs)
        return run


def time_of(run: SavedRun, now: datetime) -> int:
    """The milliseconds since a run began, by the server's clock."""
    return max(0, (now - run.started_at) // timedelta(milliseconds=1))
