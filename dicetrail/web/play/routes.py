"""Runs on the players' page: no dice, no footprints, no answer before its time.

The server keeps the time. A player's page says when, on the run's own clock, something was
done; that is believed as far back as a slow connection explains, and never behind what the
player has been shown, so nobody gains an answer by it.
"""

from datetime import datetime

from fastapi import Response
from pydantic import TypeAdapter
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException

from dicetrail.core import Phase, State
from dicetrail.core.document import Message
from dicetrail.core.play import (
    Dress,
    PlayGame,
    PlayView,
    RunNamed,
    dress,
    play_game,
    play_view,
    player_named,
)
from dicetrail.services.app_state import AppState
from dicetrail.services.live_runs import LiveRun, LiveRuns
from dicetrail.services.runs import keep_result, start_run
from dicetrail.services.voice import voice_for
from dicetrail.store import NotFound, Place, SavedRun
from dicetrail.store.games import game_revision, shelved_game
from dicetrail.store.runs import best_runs, keep_remark, runs_of_player
from dicetrail.web.context import Now, PlayedNow, SharedLiveRuns, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.shapes import RevisionNumber
from dicetrail.web.play.scores import score_of
from dicetrail.web.play.shapes import NewPlay, PlayInput, Remark, Scores

MAX_SCORES = 10

router = Router("/api/play", "play")


@router.get("/games/{game_id}")
def show_players_game(game_id: str, app_state: SharedState) -> PlayGame:
    """A game that can be played."""
    program = app_state.programs.now(game_id)
    with app_state.database.reading() as session:
        revision = shelved_game(session, game_id).number
    return play_game(program, game_id, revision)


def sites_that_frame(app_state: AppState, path: str) -> tuple[str, ...]:
    """The sites that may show a page in a frame: those a game names, for its players' page."""
    _, of_players, game_id = path.partition("/play/")
    if not of_players or not path.startswith("/play/"):
        return ()
    try:
        with app_state.database.reading() as session:
            return shelved_game(session, game_id).document.sites
    except NotFound:
        return ()


@router.get("/games/{game_id}/dress/{revision}")
def show_dress(game_id: str, revision: RevisionNumber, app_state: SharedState) -> Dress:
    """The look, phrases and sounds of one revision of a game. They never change."""
    with app_state.database.reading() as session:
        return dress(game_revision(session, game_id, revision).document)


@router.get("/games/{game_id}/scores")
def show_scores(game_id: str, app_state: SharedState, key: str = "") -> Scores:
    """The best scores of the newest revision of a game, and those of the browser with this key."""
    with app_state.database.reading() as session:
        game = shelved_game(session, game_id)
        best = best_runs(session, game, MAX_SCORES)
        mine = runs_of_player(session, game_id, key, MAX_SCORES) if key else []
    return Scores(
        revision=game.number,
        kind=game.document.best,
        best=[score_of(run, is_told=False) for run in best],
        mine=[score_of(run) for run in mine],
    )


@router.post("/games/{game_id}/runs", status_code=201, response_model=PlayView)
def start_players_run(
    game_id: str, new: NewPlay, app_state: SharedState, live_runs: SharedLiveRuns, now: Now
) -> Response:
    """Start a run with new dice."""
    words = app_state.programs.now(game_id).translator
    players = tuple(player_named(name, number, words) for number, name in enumerate(new.players, 1))
    run = start_run(app_state, game_id, None, players, Place.PLAY, now, new.key)
    return _sent(_view(app_state, live_runs, live_runs.begun(run), now)[0], 201)


@router.get("/runs/{run_id}", response_model=PlayView)
async def show_players_run(run_id: str, playing: PlayedNow) -> Response:
    """The present view of a run, to continue it after a reload."""
    app_state, live_runs, now = playing
    if live_runs.knows(run_id):
        return _shown(app_state, live_runs, run_id, now)
    return await run_in_threadpool(_shown, app_state, live_runs, run_id, now)


def _shown(app_state: AppState, live_runs: LiveRuns, run_id: str, now: datetime) -> Response:
    return _sent(_view(app_state, live_runs, live_runs.newest(run_id), now)[0])


@router.post("/runs/{run_id}/inputs", response_model=PlayView)
async def send_players_input(run_id: str, given: PlayInput, playing: PlayedNow) -> Response:
    """Take the player's next input.

    It costs one step and one row, less than the change to another thread. A thread is used only if
    it may have to wait.
    """
    app_state, live_runs, now = playing
    if live_runs.knows(run_id) and app_state.database.is_at_rest:
        view, ended = _taken(run_id, given, app_state, live_runs, now)
    else:
        view, ended = await run_in_threadpool(_taken, run_id, given, app_state, live_runs, now)
    if ended is not None:
        await run_in_threadpool(keep_result, app_state, *ended, now)
    return _sent(view)


def _taken(
    run_id: str, given: PlayInput, app_state: AppState, live_runs: LiveRuns, now: datetime
) -> tuple[PlayView, tuple[SavedRun, State] | None]:
    """The view after an input; with it the run and its last state, if it has just ended."""
    known, moment = live_runs.take(run_id, given.seen, given.action, given.at, now)
    view, here = _view(app_state, live_runs, known, now, moment.state, moment.refused)
    has_ended = here.phase is Phase.ENDED and known.run.ended_at is None
    return view, (known.run, here) if has_ended else None


@router.post("/runs/{run_id}/remark", status_code=204)
def leave_remark(
    run_id: str, remark: Remark, app_state: SharedState, live_runs: SharedLiveRuns, now: Now
) -> None:
    """Keep a player's remark about a run that has ended, if the game asks for remarks."""
    known = live_runs.newest(run_id)
    here = live_runs.now(known, now).state
    is_asked = app_state.programs.program_of(known.run).game.opening.asks_remark
    if here.phase is not Phase.ENDED or not is_asked:
        raise HTTPException(409, "This run is not asked for a remark.")
    with app_state.database.writing() as session:
        keep_remark(session, run_id, remark.words.strip())


@router.post("/runs/{run_id}/voice", response_class=Response, responses=files("audio/wav"))
def read_players_page(
    run_id: str, app_state: SharedState, live_runs: SharedLiveRuns, now: Now
) -> Response:
    """The narration of the present view by a voice, made once and kept. 404 if there is none."""
    known = live_runs.newest(run_id)
    here = live_runs.now(known, now).state
    narration = app_state.replays.table_of(known.run, here).narration
    language = app_state.programs.program_of(known.run).game.language
    sound = voice_for(app_state.database, narration.text, language) if narration else None
    if sound is None:
        raise HTTPException(404, "There is no voice on this server to read it out.")
    return Response(sound, 200, {"cache-control": "no-store"}, "audio/wav")


_VIEW = TypeAdapter(PlayView)


def _sent(view: PlayView, status: int = 200) -> Response:
    """A view as JSON. It is not validated again, because it was just made."""
    return Response(_VIEW.dump_json(view), status, media_type="application/json")


def _view(
    app_state: AppState,
    live_runs: LiveRuns,
    known: LiveRun,
    now: datetime,
    state: State | None = None,
    refused: Message | None = None,
) -> tuple[PlayView, State]:
    """The player's present view, and its state. `state` is the state after an input that is not
    kept."""
    run, program = known.run, app_state.programs.program_of(known.run)
    moment = live_runs.showing(known, now, state)
    named = RunNamed(run.id, run.game_id, run.game_revision)
    media = app_state.replays.media_of(run)
    seen, answered = known.session.seen, known.session.answered
    view = play_view(program, named, seen, moment, answered, media, refused)
    return view, moment.state
