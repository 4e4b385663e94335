"""Runs at the maker's table, with every step.

The maker controls the clock of such a run: each input gives its own time. So the page can hold the
clock, hurry it, and go back. Times never run backwards; the engine sees to it.
"""

from collections.abc import Iterable
from typing import Annotated

from fastapi import Path, Query
from starlette.exceptions import HTTPException

from dicetrail.core import Action, Input, Moment, Wait
from dicetrail.core.document import sounds_of
from dicetrail.core.draw import name_of_dice
from dicetrail.core.play import CannotPlayOn, TimeRanBackwards, play_on, player_named
from dicetrail.core.workbench import Watched, watch
from dicetrail.services.app_state import AppState
from dicetrail.services.runs import MAX_TABLE_INPUTS, start_run, take_inputs
from dicetrail.store import Place, SavedRun
from dicetrail.store.runs import get_run
from dicetrail.web.context import Now, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.runs.shapes import NewRun, Outcomes, RunView, StepView, TableInput

router = Router("/api/runs", "runs")


@router.post("", status_code=201)
def begin_run(new: NewRun, app_state: SharedState, now: Now) -> RunView:
    """Start a run of the newest revision of a game, and play some inputs at once."""
    players = tuple(player_named(name, number) for number, name in enumerate(new.players, 1))
    run = start_run(app_state, new.game_id, new.dice, players, Place.TABLE, now)
    try:
        app_state.replays.replayed(run, new.inputs)
    except TimeRanBackwards as error:
        raise HTTPException(422, f"The inputs are out of order: {error}.") from None
    run = take_inputs(app_state.database, run.id, Place.TABLE, 0, new.inputs)
    return _view(app_state, run, app_state.replays.moments(run), 0)


@router.get("/{run_id}")
def show_run(
    run_id: str, app_state: SharedState, steps_from: Annotated[int, Query(ge=0)] = 0
) -> RunView:
    """A run of the maker or of a player, with its steps from a number on."""
    with app_state.database.reading() as session:
        run = get_run(session, run_id)
        return _view(app_state, run, app_state.replays.whole(run), steps_from)


@router.post("/{run_id}/inputs")
def send_inputs(run_id: str, given: TableInput, app_state: SharedState) -> RunView:
    """Take the next input. Returns the step it made."""
    with app_state.database.reading() as session:
        run = get_run(session, run_id, Place.TABLE)
        before = run.inputs[-1].at if run.inputs else 0
    taken = Input(given.action, max(before, given.at))
    after = take_inputs(app_state.database, run_id, Place.TABLE, given.seen, (taken,))
    return _view(app_state, after, app_state.replays.moments(after), given.seen + 1)


@router.get("/{run_id}/watch/{step_number}")
def watch_step(
    run_id: str,
    step_number: Annotated[int, Path(ge=0, le=MAX_TABLE_INPUTS)],
    app_state: SharedState,
) -> tuple[Watched, ...]:
    """What the rules did in one step of a run, line by line; empty for its opening."""
    with app_state.database.reading() as session:
        run = get_run(session, run_id)
        if not 0 < step_number <= len(run.inputs):
            return ()
        program, moments = app_state.programs.program_of(run), app_state.replays.moments(run)
    given = run.inputs[step_number - 1]
    return watch(program, moments[step_number - 1].state, given.action, given.at)


@router.post("/{run_id}/outcomes")
def play_for_player(run_id: str, wanted: Outcomes, app_state: SharedState) -> RunView:
    """Play on the player's behalf. Returns the steps it made."""
    with app_state.database.reading() as session:
        run = get_run(session, run_id, Place.TABLE)
        before = run.inputs[-1].at if run.inputs else 0
        program, moments = app_state.programs.program_of(run), app_state.replays.moments(run)
    at = max(before, wanted.at)
    try:
        inputs, made = play_on(program, moments[-1], wanted.intent, wanted.questions, at)
    except CannotPlayOn as error:
        raise HTTPException(409, str(error)) from None
    after = take_inputs(app_state.database, run_id, Place.TABLE, wanted.seen, inputs)
    return _view(app_state, after, (*moments, *made), wanted.seen + 1)


def _view(
    app_state: AppState, run: SavedRun, moments: Iterable[Moment], steps_from: int
) -> RunView:
    moments = list(moments)
    taken = [given.action for given in run.inputs]
    actions: list[Action | None] = [None, *taken, *[Wait()] * (len(moments) - len(taken) - 1)]
    return RunView(
        id=run.id,
        game_id=run.game_id,
        revision=run.game_revision,
        dice=name_of_dice(run.dice),
        players=run.players,
        is_players=run.place == Place.PLAY,
        sounds=sounds_of(app_state.programs.program_of(run).game),
        seen=len(run.inputs),
        steps_from=steps_from,
        steps=[
            StepView(
                at=moment.state.at,
                action=action,
                table=app_state.replays.table_of(run, moment.state),
                footprints=moment.footprints,
            )
            for action, moment in list(zip(actions, moments, strict=True))[steps_from:]
        ],
    )
