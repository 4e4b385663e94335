"""Evidence from played runs: as a whole, run by run, and as files."""

from collections import Counter
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Annotated

from fastapi import Query, UploadFile
from starlette.concurrency import run_in_threadpool
from starlette.responses import StreamingResponse

from dicetrail.core.foresight import (
    Evidence,
    Playthrough,
    RunSummary,
    Scout,
    asked_in,
    borne_out,
    fitted_scout,
    is_counted,
    run_summary,
)
from dicetrail.files import (
    AnswersRead,
    PlayedElsewhere,
    without_names,
    written_lines,
    written_rows,
)
from dicetrail.files.statements import written_statements
from dicetrail.limits import MAX_FILE
from dicetrail.scouting import foretell
from dicetrail.services.app_state import AppState
from dicetrail.services.gathering import (
    Held,
    elsewhere,
    gathered,
    name_of,
    questions_now,
)
from dicetrail.store import NotFound
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_pack
from dicetrail.store.played import Chosen, bring_runs, delete_runs, played_runs
from dicetrail.web.beside import Beside
from dicetrail.web.context import Now, SharedLiveRuns, SharedState
from dicetrail.web.desk import Desk
from dicetrail.web.evidence.shapes import (
    AnswersBrought,
    AnswersWanted,
    BehindWanted,
    BroughtFile,
    Calibration,
    CalibrationWanted,
    Deleted,
    EvidenceView,
    RunBehind,
    RunFilter,
    RunsWanted,
)
from dicetrail.web.evidence.views import behind, chosen_by, places_in, suggestions_for
from dicetrail.web.foresight.players import fit_players
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.reading import ReadAside

router = Router("/api/games/{game_id}/evidence", "evidence")

MAX_BEHIND = 200


@router.get("")
async def show_evidence(
    game_id: str, choice: Annotated[RunFilter, Query()], desk: Desk, now: Now
) -> EvidenceView:
    """What the runs chosen say of each question and of the game."""
    found: EvidenceView = await desk(evidence_told, game_id, choice, now)
    return found


def evidence_told(
    app_state: AppState, game_id: str, choice: RunFilter, now: datetime
) -> EvidenceView:
    """The same, where it is worked out."""
    every = gathered(app_state, game_id, Chosen(), now)
    chosen = chosen_by(choice)
    gathering = every if chosen == Chosen() else gathered(app_state, game_id, chosen, now)
    evidence, held = gathering.evidence, questions_now(app_state, game_id)
    by_file = Counter(one.file_name for one in gathering.runs if one.file_name)
    return EvidenceView(
        evidence=evidence,
        came=run_summary([one.shown for one in gathering.runs]),
        places=places_in(evidence, held, _media_of(app_state, evidence, held)),
        suggestions=suggestions_for(evidence, held),
        going_on=gathering.going_on,
        left_out=gathering.left_out,
        revisions=tuple(sorted({one.revision for one in every.runs})),
        players=tuple(sorted({name for one in every.runs for name in one.players})),
        brought=tuple(BroughtFile(file_name=name, runs=runs) for name, runs in by_file.items()),
    )


def _media_of(app_state: AppState, evidence: Evidence, held: Held) -> dict[str, Mapping[str, str]]:
    """Where the pictures are found that were pointed at, by pack."""
    packs = {one.source for one in evidence.questions if one.hits and one.source in held}
    with app_state.database.reading() as session:
        return {name: newest_pack(session, name).media for name in packs}


@router.get("/runs")
async def list_runs_behind(
    game_id: str, wanted: Annotated[BehindWanted, Query()], desk: Desk, now: Now
) -> list[RunBehind]:
    """The runs behind a number of a question, the newest first."""
    found: list[RunBehind] = await desk(runs_behind, game_id, wanted, now)
    return found


def runs_behind(
    app_state: AppState, game_id: str, wanted: BehindWanted, now: datetime
) -> list[RunBehind]:
    """The same, where it is worked out."""
    gathering = gathered(app_state, game_id, chosen_by(wanted), now)
    questions = gathering.evidence.questions
    if wanted.question >= len(questions):
        raise NotFound("question", str(wanted.question))
    about = questions[wanted.question]
    asked = (about.source, about.prompt, about.accepted)
    found = [
        behind(
            one, seen.step, seen.result.value, seen.used_ms, (tried.given for tried in seen.tries)
        )
        for one in reversed(gathering.runs)
        for seen in one.shown.seen
        if asked_in(seen) == asked and is_counted(seen, wanted.of, wanted.given)
    ]
    return found[:MAX_BEHIND]


@router.get("/endings")
async def list_runs_by_ending(
    game_id: str, wanted: Annotated[RunsWanted, Query()], desk: Desk, now: Now
) -> list[RunBehind]:
    """The runs that came to an ending or a score, or were left, the newest first."""
    found: list[RunBehind] = await desk(runs_come, game_id, wanted, now)
    return found


def runs_come(
    app_state: AppState, game_id: str, wanted: RunsWanted, now: datetime
) -> list[RunBehind]:
    """The same, where it is worked out."""
    found = [
        behind(
            one,
            max((seen.step for seen in one.shown.seen), default=0),
            "left" if one.shown.ending is None else one.shown.ending or "no ending fitted",
            round(1000 * one.shown.seconds),
        )
        for one in reversed(gathered(app_state, game_id, chosen_by(wanted), now).runs)
        if _came_so(one.shown, wanted)
    ]
    return found[:MAX_BEHIND]


def _came_so(shown: Playthrough, wanted: RunsWanted) -> bool:
    has_ended = shown.ending is not None
    return (
        (wanted.ending is None or shown.ending == wanted.ending)
        and (wanted.score is None or (has_ended and shown.score == wanted.score))
        and (wanted.left_after is None or (not has_ended and len(shown.seen) == wanted.left_after))
    )


@router.get(
    "/answers.jsonl", response_class=StreamingResponse, responses=files("application/jsonl")
)
def export_answer_lines(
    game_id: str, wanted: Annotated[AnswersWanted, Query()], app_state: SharedState, now: Now
) -> StreamingResponse:
    """The answers of the runs chosen as JSON Lines, a run a line."""
    lines = written_lines(_to_save(app_state, game_id, wanted, now))
    return _saved(lines, f"{game_id}-answers.jsonl", "application/jsonl")


@router.get("/answers.csv", response_class=StreamingResponse, responses=files("text/csv"))
def export_answer_rows(
    game_id: str, wanted: Annotated[AnswersWanted, Query()], app_state: SharedState, now: Now
) -> StreamingResponse:
    """The answers of the runs chosen as CSV, an answer a row."""
    rows = written_rows(_to_save(app_state, game_id, wanted, now))
    return _saved(rows, f"{game_id}-answers.csv", "text/csv; charset=utf-8")


@router.get(
    "/statements.json", response_class=StreamingResponse, responses=files("application/json")
)
def export_statements(
    game_id: str, wanted: Annotated[AnswersWanted, Query()], app_state: SharedState, now: Now
) -> StreamingResponse:
    """The runs chosen as statements of the Experience API, for a store of learning records."""
    with app_state.database.reading() as session:
        game = newest_game(session, game_id).document
    runs = _to_save(app_state, game_id, wanted, now)
    parts = written_statements(game_id, game, runs)
    return _saved(parts, f"{game_id}-statements.json", "application/json")


def _to_save(
    app_state: AppState, game_id: str, wanted: AnswersWanted, now: datetime
) -> list[PlayedElsewhere]:
    runs = elsewhere(gathered(app_state, game_id, chosen_by(wanted), now))
    return runs if wanted.names else list(map(without_names, runs))


def _saved(parts: Iterable[str], name: str, media_type: str) -> StreamingResponse:
    disposition = {"content-disposition": f'attachment; filename="{name}"'}
    return StreamingResponse(parts, 200, disposition, media_type)


@router.post("/answers")
async def bring_answers(
    game_id: str, file: UploadFile, read: ReadAside, app_state: SharedState
) -> AnswersBrought:
    """Bring the answers of runs that were played elsewhere. Lines that cannot be read are told,
    the others taken; runs that are here already are left as they are."""
    with app_state.database.reading() as session:
        newest_game(session, game_id)
    found: AnswersRead = await read("answers", await file.read(MAX_FILE + 1))
    name = file.filename or "a file of answers"
    taken = await run_in_threadpool(_kept, app_state, game_id, found, name)
    already = len(found.runs) - taken
    return AnswersBrought(taken=taken, already=already, refused=found.refused)


def _kept(app_state: AppState, game_id: str, found: AnswersRead, file_name: str) -> int:
    with app_state.database.writing() as session:
        own = {name_of(run) for run in played_runs(session, game_id, Chosen())}
        others = (one for one in found.runs if one.run not in own)
        return bring_runs(session, game_id, file_name, others)


@router.get("/scout")
async def show_scout(
    game_id: str, choice: Annotated[RunFilter, Query()], desk: Desk, now: Now
) -> Scout:
    """A scout that does as the players of the runs chosen did."""
    _, scout = await desk(come_and_like, game_id, choice, now)
    found: Scout = scout
    return found


def come_and_like(
    app_state: AppState, game_id: str, choice: RunFilter, now: datetime
) -> tuple[RunSummary, Scout]:
    """What came of the runs chosen, and a scout that does as their players did."""
    runs = gathered(app_state, game_id, chosen_by(choice), now).runs
    return run_summary([one.shown for one in runs]), fitted_scout([one.shown.seen for one in runs])


@router.post("/calibration")
async def calibrate_scouts(
    game_id: str,
    choice: Annotated[RunFilter, Query()],
    wanted: CalibrationWanted,
    app_state: SharedState,
    now: Now,
    desk: Desk,
    beside: Beside,
) -> Calibration:
    """A forecast of the version chosen laid over what really came of the runs chosen."""
    came, like = await desk(come_and_like, game_id, choice, now)
    scouts = wanted.scouts or (like,)
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id, choice.revision)
    fit_players(subject.game, scouts)
    told = await beside(foretell, subject, scouts, is_quick=True)
    return Calibration(forecast=told, came=came, endings=borne_out(told, came))


@router.delete("/runs")
def delete_played_runs(
    game_id: str,
    choice: Annotated[RunFilter, Query()],
    app_state: SharedState,
    live_runs: SharedLiveRuns,
) -> Deleted:
    """Delete the runs chosen for good, with all that was answered in them."""
    with app_state.database.writing() as session:
        newest_game(session, game_id)
        here, elsewhere = delete_runs(session, game_id, chosen_by(choice))
    app_state.replays.forget(here)
    live_runs.forget(here)
    app_state.database.sweep()
    return Deleted(runs=len(here) + elsewhere)
