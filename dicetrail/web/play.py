"""Runs on the players' page: no dice, no footprints, no answer before its time.

The server keeps the time. A player's page says when, on the run's own clock, something was
done; that is believed as far back as a slow connection explains, and never behind what the
player has been shown, so nobody gains an answer by it.
"""

from collections.abc import Sequence
from datetime import datetime

from fastapi import Response
from starlette.exceptions import HTTPException

from dicetrail.core import (
    Moment,
    Phase,
    Wait,
    What,
    answered,
    as_written,
    is_best,
    length_of_round,
    sounds_of,
    spot,
    step,
)
from dicetrail.store import Place
from dicetrail.store.games import newest_game
from dicetrail.store.models import RunRow
from dicetrail.store.runs import best_runs, get_run, runs_of_player
from dicetrail.web.bodies import Router
from dicetrail.web.boundary import NewPlay, PlayGame, PlayInput, PlayView, Score, Scores, name_of
from dicetrail.web.context import Now, SharedShelf
from dicetrail.web.games import newest_program
from dicetrail.web.running import keep_result, start_run, take_input, time_of
from dicetrail.web.shelf import Shelf
from dicetrail.web.voice import voice_for

MOST_SCORES = 10

router = Router("/api/play", "play")


@router.get("/games/{game_id}")
def show_game(game_id: str, shelf: SharedShelf) -> PlayGame:
    """A game that can be played."""
    program = newest_program(shelf, game_id)
    length = length_of_round(program, spot(program, 0))
    opening = program.game.opening
    with shelf.database.reading() as session:
        revision = newest_game(session, game_id).number
    return PlayGame(
        id=game_id,
        revision=revision,
        title=program.game.title,
        length=length,
        opening=opening.words,
        asks_names=opening.asks_names,
        most_players=opening.most_players,
    )


@router.get("/games/{game_id}/scores")
def show_scores(game_id: str, shelf: SharedShelf, key: str = "") -> Scores:
    """The best scores of a game as it now stands, and those of the browser with this key."""
    with shelf.database.reading() as session:
        game = newest_game(session, game_id)
        best = best_runs(session, game, MOST_SCORES)
        mine = runs_of_player(session, game_id, key, MOST_SCORES) if key else []
    return Scores(
        revision=game.number,
        kind=game.document.best,
        best=[score_of(run, is_told=False) for run in best],
        mine=[score_of(run) for run in mine],
    )


@router.post("/games/{game_id}/runs", status_code=201, response_model=PlayView)
def start(game_id: str, new: NewPlay, shelf: SharedShelf, now: Now) -> Response:
    """Start a run with new dice."""
    players = tuple(name_of(name, number) for number, name in enumerate(new.players, 1))
    run = start_run(shelf, game_id, None, players, Place.PLAY, now, new.key)
    return _sent(_view(shelf, run, _moments(shelf, run, now), now), 201)


@router.get("/runs/{run_id}", response_model=PlayView)
def show(run_id: str, shelf: SharedShelf, now: Now) -> Response:
    """A run as it stands, to go on with after a reload."""
    with shelf.database.reading() as session:
        run = get_run(session, run_id, Place.PLAY)
        moments = _moments(shelf, run, now)
    return _sent(_view(shelf, run, moments, now))


@router.post("/runs/{run_id}/inputs", response_model=PlayView)
def take(run_id: str, given: PlayInput, shelf: SharedShelf, now: Now) -> Response:
    """Take the player's next input."""
    run = take_input(shelf, run_id, given, now)
    return _sent(_view(shelf, run, _moments(shelf, run, now), now))


@router.get("/runs/{run_id}/voice", response_class=Response)
def read_out(run_id: str, shelf: SharedShelf, now: Now) -> Response:
    """What is to be read out now, by a made voice. 404 says that there is none here."""
    with shelf.database.reading() as session:
        run = get_run(session, run_id, Place.PLAY)
        narration = shelf.table_of(run, _moments(shelf, run, now)[-1].state).narration
    sound = voice_for(shelf.database, narration.text) if narration else None
    if sound is None:
        raise HTTPException(404, "There is no voice on this server to read it out.")
    return Response(sound, 200, {"cache-control": "no-store"}, "audio/wav")


def score_of(run: RunRow, is_told: bool = True) -> Score:
    """What a run that has ended came to."""
    assert run.ended_at is not None
    score = run.score or 0.0
    return Score(
        run_id=run.id if is_told else None,
        player=run.leader or "",
        score=as_written(score),
        ending=run.ending or "",
        right_count=run.right_count or 0,
        asked_count=run.asked_count or 0,
        ended_at=run.ended_at,
        length_ms=run.length_ms or 0,
    )


def _sent(view: PlayView, status: int = 200) -> Response:
    """A view as JSON, written once: it was just made, so nothing in it needs checking."""
    return Response(view.model_dump_json(), status, media_type="application/json")


def _moments(shelf: Shelf, run: RunRow, now: datetime) -> tuple[Moment, ...]:
    """The moments of a run up to now: countdowns that have ended since its last input count."""
    moments = shelf.moments(run)
    last = moments[-1].state
    at = max(last.at, time_of(run, now))
    return (*moments, step(shelf.program_of(run), last, Wait(), at))


def _refusal(moment: Moment) -> str:
    """Why an input was not taken; empty if it was."""
    return next((print_.why for print_ in moment.footprints if print_.what is What.REFUSED), "")


def _view(shelf: Shelf, run: RunRow, moments: Sequence[Moment], now: datetime) -> PlayView:
    here, program = moments[-1].state, shelf.program_of(run)
    if moments[-1].footprints:
        shelf.shown[run.id] = here.at  # what is shown now cannot be answered from before
    has_ended = here.phase is Phase.ENDED
    if has_ended and run.ended_at is None:
        keep_result(shelf, run, here, now)
    return PlayView(
        id=run.id,
        game_id=run.game_id,
        revision=run.game_revision,
        seen=len(run.inputs),
        at=here.at,
        table=shelf.table_of(run, here),
        sounds=sounds_of(program.game),
        answered=answered(moments) if has_ended else (),
        is_best=has_ended and is_best(program, here),
        refused=_refusal(moments[len(run.inputs)]),
    )
