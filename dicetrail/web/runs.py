"""Runs at the maker's table, with every footprint."""

from typing import Annotated

from fastapi import APIRouter, Query

from dicetrail.store import Place
from dicetrail.store.models import RunRow
from dicetrail.store.runs import get_run
from dicetrail.web.boundary import NewRun, NextInput, RunView
from dicetrail.web.context import Now, SharedShelf
from dicetrail.web.running import start_run, take_input
from dicetrail.web.shelf import Shelf

router = APIRouter(prefix="/api/runs", tags=["runs"])


@router.post("", status_code=201)
def start(new: NewRun, shelf: SharedShelf, now: Now) -> RunView:
    """Start a run of a game as it now stands."""
    run = start_run(shelf, new.game_id, new.dice, ("Player",), Place.TABLE, now)
    return _view(shelf, run, 0)


@router.get("/{run_id}")
def show(
    run_id: str, shelf: SharedShelf, footprints_from: Annotated[int, Query(ge=0)] = 0
) -> RunView:
    """A run as it stands."""
    with shelf.database.reading() as session:
        return _view(shelf, get_run(session, run_id, Place.TABLE), footprints_from)


@router.post("/{run_id}/inputs")
def take(run_id: str, given: NextInput, shelf: SharedShelf, now: Now) -> RunView:
    """Take the next input; the footprints given back are those it left."""
    run = take_input(shelf.database, run_id, Place.TABLE, given.seen, given.action, now)
    return _view(shelf, run, None)


def _view(shelf: Shelf, run: RunRow, footprints_from: int | None) -> RunView:
    """A run with its footprints from a number on, or with those of its last input."""
    moments = shelf.moments(run)
    footprints = [footprint for moment in moments for footprint in moment.footprints]
    if footprints_from is None:
        footprints_from = len(footprints) - len(moments[-1].footprints)
    return RunView(
        id=run.id,
        game_id=run.game_id,
        revision=run.game_revision,
        dice=run.dice,
        seen=len(run.inputs),
        table=shelf.table_of(run, moments[-1].state),
        footprints_from=footprints_from,
        footprints=footprints[footprints_from:],
    )
