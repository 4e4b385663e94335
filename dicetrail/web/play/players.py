"""The maker's view of a game's players: the play address, and their runs."""

import io
from datetime import datetime

import segno
from fastapi import Request, Response

from dicetrail.core import GameProblems, Phase
from dicetrail.core.document import as_written
from dicetrail.core.draw import name_of_dice
from dicetrail.services.app_state import AppState
from dicetrail.services.live_runs import LEFT_FOR, PLAYED_FOR, LiveRuns
from dicetrail.services.runs import time_of
from dicetrail.store import NotFound, SavedRun
from dicetrail.store.addresses import address_of
from dicetrail.store.games import newest_game
from dicetrail.store.runs import runs_of_game
from dicetrail.web.context import Now, SharedLiveRuns, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.pages import Paged
from dicetrail.web.play.scores import score_of
from dicetrail.web.play.shapes import PlayedRun, RunNow, Sharing

router = Router("/api/games/{game_id}", "players")


@router.get("/runs")
def list_runs(
    game_id: str, app_state: SharedState, live_runs: SharedLiveRuns, now: Now, page: Paged
) -> list[PlayedRun]:
    """The runs of a game by its players, the newest first. Open runs come with their progress."""
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        runs = runs_of_game(session, game_id, page.needed)
    return [
        PlayedRun(
            id=run.id,
            revision=run.game_revision,
            dice=name_of_dice(run.dice),
            players=run.players,
            started_at=run.started_at,
            result=None if run.ended_at is None else score_of(run),
            now=_run_now(app_state, live_runs, run, now),
            remark=run.remark or "",
        )
        for run in page.of(runs)
    ]


def _run_now(
    app_state: AppState, live_runs: LiveRuns, run: SavedRun, now: datetime
) -> RunNow | None:
    """The progress of an open run; None for one that has ended or was left."""
    if run.ended_at is not None or now - run.started_at > LEFT_FOR:
        return None
    try:
        program = app_state.programs.program_of(run)
        known = live_runs.newest(run.id)
        here = live_runs.now(known, now).state
    except (GameProblems, NotFound):  # its game is refused by now, or it cannot be read
        return None
    idle = (time_of(run, now) - known.session.state.at) / 1000
    if here.phase is Phase.ENDED or idle > PLAYED_FOR.total_seconds():
        return None
    score = program.rules.score(here.tallies[here.turn])
    return RunNow(
        player=here.players[here.turn],
        question=sum(tally.asked_count for tally in here.tallies),
        score=as_written(score),
        seconds=time_of(run, now) / 1000,
        idle_seconds=max(0.0, idle),
    )


@router.get("/sharing")
def show_sharing(game_id: str, app_state: SharedState, request: Request) -> Sharing:
    """The address of the players' page."""
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        name = address_of(session, game_id)
    return Sharing(address=_address(name, request), is_local=request.app.state.address is None)


@router.get("/qr.svg", response_class=Response, responses=files("image/svg+xml"))
def show_qr_code(game_id: str, app_state: SharedState, request: Request) -> Response:
    """The address of the players' page as a QR code (ISO/IEC 18004), to be scanned."""
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        name = address_of(session, game_id)
    out = io.BytesIO()
    code = segno.make(_address(name, request), error="m", micro=False)
    code.save(out, kind="svg", scale=6, border=4, dark="#1f2a2e", light="#fffdf8")
    return Response(out.getvalue(), 200, {"cache-control": "no-cache"}, "image/svg+xml")


def _address(name: str, request: Request) -> str:
    base = request.app.state.address or str(request.base_url).rstrip("/")
    return f"{base}/play/{name}"
