"""Kept runs: kept, played again after changes, compared, accepted anew."""

from collections.abc import Sequence
from dataclasses import replace
from datetime import datetime

from sqlalchemy.orm import Session
from starlette.concurrency import run_in_threadpool

from dicetrail.core import Problem
from dicetrail.core.draw import name_of_dice
from dicetrail.core.foresight import Held, KeptRun, kept_anew, kept_run, played_again
from dicetrail.core.workbench import changes_between
from dicetrail.files import MAX_KEPT
from dicetrail.scouting import Subject, make_ready_runs, play_again
from dicetrail.services.app_state import AppState
from dicetrail.store import Place, SavedKeptRun
from dicetrail.store.games import game_revision, newest_game, newest_number
from dicetrail.store.kept import change_kept, get_kept, keep_run, keep_runs, kept_count, kept_runs
from dicetrail.store.runs import get_run, inputs_of
from dicetrail.web.beside import Beside, DoneBeside
from dicetrail.web.context import Now, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.errors import DoesNotFit
from dicetrail.web.http_format.pages import Paged
from dicetrail.web.kept.shapes import (
    Compared,
    HeldCard,
    HeldView,
    KeptCard,
    KeptChange,
    NewKept,
    OtherwiseSaid,
)

router = Router("/api/games/{game_id}/kept", "kept runs")


@router.get("")
def list_kept_runs(game_id: str, app_state: SharedState, page: Paged) -> list[KeptCard]:
    """The kept runs of a game, by their names."""
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        return list(map(_card, page.of(kept_runs(session, game_id))))


@router.post("", status_code=201)
def keep_played_run(game_id: str, new: NewKept, app_state: SharedState, now: Now) -> KeptCard:
    """Keep a run with what it leads to in the game as it now stands. Of a player's run the
    names are left out."""
    program = app_state.programs.now(game_id)
    with app_state.database.reading() as session:
        played = get_run(session, new.run_id)
        if played.game_id != game_id:
            raise DoesNotFit(
                Problem("run_id", "that run is of another game", "choose one of this game")
            )
        inputs = inputs_of(played)[: new.steps]
        players = played.players
        if played.place == Place.PLAY:
            players = tuple(f"Player {number}" for number, _ in enumerate(players, 1))
    try:
        name, why = new.name.strip(), new.why.strip()
        run = kept_run(program, name, played.dice, inputs, players, why, played.best, new.minds)
    except ValueError as refused:
        mend = "keep a run of as many players as the game takes"
        raise DoesNotFit(Problem("run_id", str(refused), mend)) from None
    with app_state.database.writing() as session:
        _refuse_more(session, game_id, 1)
        return _card(keep_run(session, game_id, newest_game(session, game_id).number, run, now))


@router.post("/ready", status_code=201)
async def keep_ready_runs(
    game_id: str, app_state: SharedState, now: Now, beside: Beside
) -> list[KeptCard]:
    """Keep the runs that are worth keeping of any game: all right, all wrong, all late, in turns,
    and one to each ending. Those of their names are made anew."""
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id)
    runs = await beside(make_ready_runs, subject)
    return await run_in_threadpool(_keep_all, app_state, game_id, runs, now)


def _keep_all(
    app_state: AppState, game_id: str, runs: Sequence[KeptRun], now: datetime
) -> list[KeptCard]:
    with app_state.database.writing() as session:
        _refuse_more(session, game_id, len(runs))
        revision = newest_number(session, game_id)
        return list(map(_card, keep_runs(session, game_id, revision, runs, now)))


def _refuse_more(session: Session, game_id: str, more: int) -> None:
    if kept_count(session, game_id) + more > MAX_KEPT:
        what = f"a game keeps at most {MAX_KEPT} runs"
        raise DoesNotFit(Problem("runs", what, "let go of some that say the same"))


@router.get("/held")
async def check_kept_runs(game_id: str, app_state: SharedState, beside: Beside) -> HeldView:
    """Which kept runs hold in the game as it now stands."""
    revision, rows = await run_in_threadpool(_rows, app_state, game_id)
    if not rows:
        return HeldView(revision=revision, runs=())
    subject = await run_in_threadpool(app_state.programs.subject_of, game_id)
    held = await _held(app_state, beside, subject, rows)
    cards = (
        HeldCard(
            id=row.id,
            holds=one.holds,
            what=one.what,
            stop=one.stop,
            step=one.step,
            said=tuple(OtherwiseSaid(step=other.step, words=other.words) for other in one.said),
        )
        for row, one in zip(rows, held, strict=True)
    )
    return HeldView(revision=revision, runs=tuple(cards))


def _rows(app_state: AppState, game_id: str) -> tuple[int, Sequence[SavedKeptRun]]:
    with app_state.database.reading() as session:
        return newest_game(session, game_id).number, kept_runs(session, game_id)


async def _held(
    app_state: AppState, beside: DoneBeside, subject: Subject, rows: Sequence[SavedKeptRun]
) -> tuple[Held, ...]:
    # By all that is kept of them: what is accepted, or minded otherwise, is looked at anew.
    stamp = " ".join(f"{row.id}/{row.game_revision}/{hash(row.run)}" for row in rows)
    name = f"{subject.name} {stamp}"
    known = app_state.held.get(name)
    if known is None:
        known = await beside(play_again, subject, [row.run for row in rows])
        app_state.held[name] = known
    return known


@router.get("/{kept_id}")
def compare_kept_run(game_id: str, kept_id: str, app_state: SharedState) -> Compared:
    """A kept run as it was and as it is now."""
    with app_state.database.reading() as session:
        row = get_kept(session, game_id, kept_id)
        before = game_revision(session, game_id, row.game_revision).document
        after = newest_game(session, game_id).document
    held = played_again(app_state.programs.now(game_id), row.run)
    return Compared(
        before=row.run.steps,
        now=row.run.steps if held.holds else held.steps,
        held=replace(held, steps=()),
        changes=changes_between(before, after),
    )


@router.put("/{kept_id}")
def rename_kept_run(
    game_id: str, kept_id: str, change: KeptChange, app_state: SharedState
) -> KeptCard:
    """Call a kept run otherwise, say otherwise why it is kept, or what of the pages must stay.
    A run kept without what pages say is kept with it then, if it holds."""
    with app_state.database.reading() as session:
        run = get_kept(session, game_id, kept_id).run
    pages = run.pages
    if change.minds and not pages:
        program = app_state.programs.now(game_id)
        pages = kept_anew(program, run).pages if played_again(program, run).holds else ()
    with app_state.database.writing() as session:
        row = get_kept(session, game_id, kept_id)
        minds = row.run.minds if change.minds is None else change.minds
        name, why = change.name.strip(), change.why.strip()
        run = replace(row.run, name=name, why=why, minds=minds, pages=row.run.pages or pages)
        change_kept(row, row.game_revision, run)
        return _card(row)


@router.post("/{kept_id}/accept")
def accept_kept_run(game_id: str, kept_id: str, app_state: SharedState) -> KeptCard:
    """Keep with a run what it leads to now."""
    program = app_state.programs.now(game_id)
    with app_state.database.writing() as session:
        row = get_kept(session, game_id, kept_id)
        old = row.run
        try:
            run = kept_anew(program, old)
        except ValueError as refused:
            mend = "let more players in at Open, or let this run go"
            raise DoesNotFit(Problem("players", str(refused), mend)) from None
        change_kept(row, newest_game(session, game_id).number, run)
        return _card(row)


@router.delete("/{kept_id}", status_code=204)
def delete_kept_run(game_id: str, kept_id: str, app_state: SharedState) -> None:
    """Keep a run no longer."""
    with app_state.database.writing() as session:
        session.delete(get_kept(session, game_id, kept_id))
    app_state.database.sweep()


def _card(row: SavedKeptRun) -> KeptCard:
    run = row.run
    return KeptCard(
        id=row.id,
        name=run.name,
        why=run.why,
        revision=row.game_revision,
        kept_at=row.kept_at,
        dice=name_of_dice(run.dice),
        players=run.players,
        inputs=run.inputs,
        minds=run.minds,
        has_pages=bool(run.pages),
    )
