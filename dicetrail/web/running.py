"""Starting a run and taking its next input, for the table and the play page alike."""

import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta

from sqlalchemy.orm import Session
from starlette.exceptions import HTTPException

from dicetrail.core import Input, State, counts_as_best, ended_as, leader_of
from dicetrail.core.dice import LONG_DICE_BITS
from dicetrail.store import Database, Place
from dicetrail.store.games import newest_game
from dicetrail.store.models import RunRow
from dicetrail.store.runs import Result, add_input, add_run, end_run, get_run
from dicetrail.web.boundary import MOST_INPUTS, PlayInput
from dicetrail.web.games import newest_program, pack_numbers
from dicetrail.web.shelf import Shelf

ROLLED_BELOW = 1_000_000
"""New dice at the table have at most six digits, to be read out and typed with ease."""


def rolled(place: Place) -> int:
    """New dice: short at the maker's table, on the players' page too long to be found out."""
    return (
        secrets.randbits(LONG_DICE_BITS) if place is Place.PLAY else secrets.randbelow(ROLLED_BELOW)
    )


def start_run(
    shelf: Shelf,
    game_id: str,
    dice: int | None,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
    player_key: str | None = None,
) -> RunRow:
    """Start a run of a game as it now stands. Raises NotFound, GameProblems."""
    if dice is None:
        dice = rolled(place)
    most = newest_program(shelf, game_id).game.opening.most_players
    if len(players) > most:
        raise HTTPException(422, f"This game takes {most} players at most, not {len(players)}.")
    with shelf.database.writing() as session:
        game = newest_game(session, game_id)
        packs = dict(pack_numbers(session, game.document))
        return add_run(
            session,
            game,
            packs,
            rolled(place) if dice is None else dice,
            players,
            place,
            now,
            player_key,
        )


MOST_DELAY_MS = 300
"""So much of the way from a player and back again costs the player nothing."""


def take_input(shelf: Shelf, run_id: str, given: PlayInput, now: datetime) -> RunRow:
    """Take the next input of a player's run. Raises NotFound, StaleRun.

    It counts from when the player says it was done, as far as that is within MOST_DELAY_MS
    of the server's own clock, and after all that the player has been shown.
    """
    with shelf.database.writing() as session:
        run = get_run(session, run_id, Place.PLAY)
        arrived = time_of(run, now)
        said = arrived if given.at is None else min(arrived, given.at)
        before = run.inputs[-1].at if run.inputs else 0
        at = max(before, shelf.shown.get(run_id, 0), arrived - MOST_DELAY_MS, said)
        _take(session, run, given.seen, (Input(given.action, at),))
        return run


def keep_result(shelf: Shelf, run: RunRow, state: State, now: datetime) -> None:
    """Keep what a run came to that has ended in a state."""
    program = shelf.program_of(run)
    leader = leader_of(program, state)
    tally = state.tallies[leader]
    result = Result(
        leader=state.players[leader],
        score=float(program.rules.score(tally)),
        ending=ended_as(program, state) or "",
        right_count=tally.right_count,
        asked_count=tally.asked_count,
        length_ms=min(state.at, 10**9),
        counts=counts_as_best(program, state),
    )
    with shelf.database.writing() as session:
        end_run(get_run(session, run.id), result, now)


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
