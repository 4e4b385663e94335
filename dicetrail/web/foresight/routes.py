"""Foresight: forecasts, studies, witnesses, and what they find wrong with a game."""

from typing import Annotated

from fastapi import Query, Response
from starlette.concurrency import run_in_threadpool

from dicetrail.core import Game, Problem
from dicetrail.core.document import Kind
from dicetrail.core.draw import name_of_dice
from dicetrail.core.foresight import (
    Forecast,
    Times,
    Witness,
    knobs_of,
    nearest,
    turned,
    values_around,
)
from dicetrail.core.workbench import PlacedProblem, placed
from dicetrail.files.tables import separated
from dicetrail.scouting import foresee, foretell, foretell_briefly, look_for_witnesses
from dicetrail.services.studies import Study, played_out, turned_about
from dicetrail.store import NotFound
from dicetrail.store.games import newest_game
from dicetrail.web.beside import Beside
from dicetrail.web.context import SharedState
from dicetrail.web.foresight.players import fit_players
from dicetrail.web.foresight.shapes import (
    ForecastWanted,
    KnobSet,
    KnobView,
    NewStudy,
    StudyView,
    TimesView,
    WitnessesView,
    WitnessView,
)
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.errors import DoesNotFit

router = Router("/api/games/{game_id}/foresight", "foresight")
scouts = Router("/api/scouts", "foresight")

CURVE_POINTS = 48


@router.post("/forecast")
async def show_forecast(
    game_id: str, wanted: ForecastWanted, app_state: SharedState, beside: Beside
) -> Forecast:
    """What will happen to many players of some kinds, who play together."""
    if wanted.document is not None:
        draft = await run_in_threadpool(app_state.programs.draft, game_id, wanted.document)
        fit_players(draft.game, wanted.scouts)
        brief: Forecast = await beside(foretell_briefly, draft, wanted.scouts)
        return brief
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id, wanted.revision)
    fit_players(subject.game, wanted.scouts)
    found: Forecast = await beside(foretell, subject, wanted.scouts, is_quick=wanted.is_quick)
    return found


@router.post("/forecast.csv", responses=files("text/csv"), response_class=Response)
async def write_forecast(
    game_id: str, wanted: ForecastWanted, app_state: SharedState, beside: Beside
) -> Response:
    """The same as a table: what, which, share, and for runs played the interval."""
    told = await show_forecast(game_id, wanted, app_state, beside)
    return Response(separated(_rows(told)), media_type="text/csv; charset=utf-8")


@scouts.get("/times")
def show_times(
    median_ms: Annotated[int, Query(ge=100, le=600_000)] = 6000,
    spread: Annotated[int, Query(ge=0, le=300)] = 50,
) -> TimesView:
    """How many answers come in each part of the time, as far as all but one in fifty."""
    law = Times(median_ms, spread)
    step = max(law.of(0.98), 2 * median_ms) / CURVE_POINTS
    return TimesView(step_seconds=step / 1000, shares=tuple(law.on_grid(step, CURVE_POINTS)))


@router.get("/knobs")
def list_knobs(game_id: str, app_state: SharedState) -> list[KnobView]:
    """The numbers of the game that can be turned."""
    program = app_state.programs.now(game_id)
    asked = (sourced.question for pool in program.pools for sourced in pool)
    has_words = any(question.kind is Kind.LETTERS for question in asked)
    knobs = knobs_of(program.game, has_words)
    return [KnobView(knob=knob, values=values_around(knob)) for knob in knobs]


@router.post("/set")
def set_knob(game_id: str, wanted: KnobSet, app_state: SharedState) -> Game:
    """The game with a number of it set otherwise, to be saved."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id).document
    try:
        return turned(game, wanted.key, wanted.value)
    except KeyError:
        raise NotFound("number", wanted.key) from None
    except ValueError as error:
        raise DoesNotFit(Problem(wanted.key, str(error), "choose another value")) from None


@router.get("/problems")
async def show_problems(
    game_id: str, app_state: SharedState, beside: Beside
) -> list[PlacedProblem]:
    """What a forecast finds wrong with the game."""
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id)
    return [placed(problem) for problem in await beside(foresee, subject)]


@router.post("/witnesses")
async def find_witnesses(game_id: str, app_state: SharedState, beside: Beside) -> WitnessesView:
    """A shortest run to every ending and score that can be found."""
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id)
    found = await beside(look_for_witnesses, subject)
    return WitnessesView(
        endings=tuple(None if one is None else _witness(one) for one in found.endings),
        scores=tuple(map(_witness, found.scores)),
        why=found.why,
    )


@router.post("/studies", status_code=201)
def begin_study(game_id: str, new: NewStudy, app_state: SharedState) -> StudyView:
    """Begin to play runs, or to turn a number of the game about."""
    subject = app_state.programs.subject_of(game_id)
    fit_players(subject.game, new.scouts)
    if new.key is None:
        program = app_state.programs.now(game_id)
        dice = range(new.games)
        work = played_out(app_state.crew, subject, program, new.scouts, dice)
        return _view(app_state.studies.begin(Study(game_id, new.games), work))
    knob = next((knob for knob in knobs_of(subject.game) if knob.key == new.key), None)
    if knob is None:
        raise NotFound("number", new.key)
    values = values_around(knob)
    work = turned_about(app_state.crew, subject, new.scouts, new.key, values)
    return _view(app_state.studies.begin(Study(game_id, len(values)), work))


@router.get("/studies/{study_id}")
def show_study(
    game_id: str,
    study_id: str,
    app_state: SharedState,
    ending: Annotated[int, Query(ge=0)] = 0,
    share: Annotated[float, Query(ge=0, le=1)] = 0.5,
) -> StudyView:
    """How far a study is, and which value comes nearest to a share of an ending."""
    return _view(app_state.studies.get(game_id, study_id), ending, share)


@router.delete("/studies/{study_id}", status_code=204)
def give_study_up(game_id: str, study_id: str, app_state: SharedState) -> None:
    """Let a study be. What it has found so far can still be looked at."""
    app_state.studies.give_up(game_id, study_id)


def _view(study: Study, ending: int = 0, share: float = 0.5) -> StudyView:
    reaches = study.turned and ending < len(study.turned[0].forecast.endings)
    return StudyView(
        id=study.id,
        done=study.done,
        total=study.total,
        is_over=study.is_over,
        failure=study.failure,
        forecast=study.forecast,
        turned=study.turned,
        found=nearest(study.turned, ending, share) if reaches else None,
    )


def _witness(found: Witness) -> WitnessView:
    return WitnessView(
        ending=found.ending,
        score=found.score,
        dice=name_of_dice(found.dice),
        players=found.players,
        inputs=found.inputs,
    )


def _rows(told: Forecast) -> list[tuple[object, ...]]:
    """A forecast as rows of a table."""
    rows: list[tuple[object, ...]] = [("what", "which", "share", "at least", "at most")]
    for ending in told.endings:
        share = ending.share
        rows.append(("ending", ending.title or "none", share.share, share.least, share.most))
    for counter in told.counters:
        name = f"{counter.name} of {told.scouts[counter.player]}"
        rows += [(name, one.value, one.share, "", "") for one in counter.values]
    rows += [
        ("still in after", number, share, "", "") for number, share in enumerate(told.still_in)
    ]
    if told.lengths is not None:
        step = told.lengths.step_seconds
        rows += [
            ("seconds", round(place * step, 3), share, "", "")
            for place, share in enumerate(told.lengths.shares)
        ]
    rows.append(("mean questions", "", told.questions, "", ""))
    rows.append(("mean seconds", "", told.seconds, "", ""))
    rows.append(("how", told.why, "", "", ""))
    return rows
