"""Runs and their inputs."""

import secrets
import sqlite3
from collections.abc import Iterable, Mapping
from dataclasses import fields
from datetime import UTC, datetime, timedelta

from sqlalchemy import delete, func, select
from sqlalchemy.orm import Session

from dicetrail.core import Action, Input
from dicetrail.core.document import MAX_PLAYERS, Best
from dicetrail.core.foresight import Playthrough
from dicetrail.core.play import RunResult, StaleRun, measure_of
from dicetrail.form import Kept
from dicetrail.limits import MAX_MS, YEARS
from dicetrail.store.columns import StandIn
from dicetrail.store.database import Database
from dicetrail.store.errors import NotFound, Spoilt
from dicetrail.store.games import game_revision
from dicetrail.store.models import GameRevision, PackRevision, RunInput, RunRow, spoilt
from dicetrail.store.records import Place, SavedGame, SavedInput, SavedRun


def add_run(
    session: Session,
    game: SavedGame,
    pack_revisions: Mapping[str, int],
    dice: int,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
    player_key: str | None = None,
) -> RunRow:
    """Keep a new run, with no inputs yet, under an identifier that cannot be guessed.

    A player's run has the best score so far to beat.
    """
    best = best_so_far(session, game) if place is Place.PLAY else None
    run = RunRow(
        id=secrets.token_urlsafe(12),
        game_id=game.game_id,
        game_revision=game.number,
        pack_revisions=dict(pack_revisions),
        dice=dice,
        players=players,
        place=place,
        started_at=now,
        best=best,
        player_key=player_key,
        inputs=[],
    )
    session.add(run)
    session.flush()
    return run


def get_run(session: Session, run_id: str, place: Place | None = None) -> RunRow:
    """A run with its inputs, if it is played at that place. Raises NotFound."""
    run = session.get(RunRow, run_id)
    if run is None or (place is not None and run.place != place):
        raise NotFound("run", run_id)
    if (lacking := lacking_in(run)) is not None:
        raise _spoilt(run_id, lacking)
    return run


def lacking_in(run: RunRow) -> str | None:
    """What cannot be read of a run without which it cannot be played again; None if all can."""
    lacking = _NEEDED.intersection(spoilt(run))
    if lacking:
        return ", ".join(sorted(lacking))
    return None if 0 < len(run.players) <= MAX_PLAYERS else "players"


_NEEDED = frozenset(("dice", "players", "pack_revisions", "game_revision", "started_at", "best"))
"""The columns without which a run cannot be played again."""


def is_kept(session: Session, run_id: str) -> bool:
    """Whether there is a run of that identifier, and it was not deleted."""
    return session.scalar(select(RunRow.id).where(RunRow.id == run_id)) is not None


def inputs_of(run: SavedRun) -> list[Input]:
    """What was done in a run, in order. Raises Spoilt."""
    return _inputs(run.id, run.inputs)


def _inputs(run_id: str, rows: Iterable[SavedInput], before: int = 0) -> list[Input]:
    found = [Input(row.action, row.at) for row in rows]
    for given in found:
        is_read = not isinstance(given.action, StandIn) and not isinstance(given.at, StandIn)
        if not is_read or not before <= given.at <= MAX_MS:
            raise _spoilt(run_id, "what was done in it")
        before = given.at
    return found


def _spoilt(run_id: str, what: str) -> Spoilt:
    return Spoilt("run", run_id, what, "leave it, or delete it with the answers of its game")


LONGEST_MS = 10**9
"""A longer run is kept as one that took so long, some twelve days."""


def end_run(run: SavedRun, result: RunResult, seen: Playthrough, now: datetime) -> None:
    """Keep the result of a run and what it shows of its questions, unless they are kept."""
    assert isinstance(run, RunRow)
    if run.ended_at is not None:
        return
    run.seen = seen
    run.ended_at = now
    for field in fields(result):
        setattr(run, field.name, getattr(result, field.name))
    run.length_ms = min(result.length_ms, LONGEST_MS)


def keep_remark(session: Session, run_id: str, words: str) -> None:
    """Keep what its player says of a run. Raises NotFound."""
    get_run(session, run_id, Place.PLAY).remark = words


def best_so_far(session: Session, game: SavedGame) -> float | None:
    """The best that players have come to in a revision of a game, a score or milliseconds;
    None if there is none."""
    found = best_runs(session, game, 1)
    if not found:
        return None
    return measure_of(game.document.best, found[0].score or 0, found[0].length_ms or 0)


_BEST_FIRST = {
    Best.HIGHEST: (RunRow.score.desc(), RunRow.ended_at),
    Best.LOWEST: (RunRow.score, RunRow.ended_at),
    Best.FASTEST: (RunRow.length_ms, RunRow.ended_at),
}


def best_runs(session: Session, game: SavedGame, most: int) -> list[RunRow]:
    """The players' best runs of a game by the rules it now has, the first to come to something
    before others as good. A version that only says or shows otherwise counts as the same."""
    counting = select(RunRow.game_revision).where(
        RunRow.game_id == game.game_id, RunRow.place == Place.PLAY, RunRow.counts.is_(True)
    )
    numbers = list(session.scalars(counting.distinct()))
    rules = game.document.what_counts
    alike = [
        number
        for number in numbers
        if number == game.number
        or game_revision(session, game.game_id, number).document.what_counts == rules
    ]
    return list(
        session.scalars(
            select(RunRow)
            .where(RunRow.game_id == game.game_id, RunRow.game_revision.in_(alike))
            .where(RunRow.place == Place.PLAY, RunRow.counts.is_(True))
            .where(RunRow.ended_at.is_not(None))
            .order_by(*_BEST_FIRST[game.document.best])
            .limit(most)
        )
    )


def runs_of_player(session: Session, game_id: str, player_key: str, most: int) -> list[RunRow]:
    """The runs of a game that ended in one browser, the newest first."""
    return list(
        session.scalars(
            select(RunRow)
            .where(RunRow.game_id == game_id, RunRow.player_key == player_key)
            .where(RunRow.ended_at.is_not(None))
            .order_by(RunRow.started_at.desc())
            .limit(most)
        )
    )


def runs_of_game(session: Session, game_id: str, most: int) -> list[RunRow]:
    """The runs of a game by its players that were begun, the newest first."""
    return list(
        session.scalars(
            select(RunRow)
            .where(RunRow.game_id == game_id, RunRow.place == Place.PLAY)
            .where(RunRow.inputs.any())
            .order_by(RunRow.started_at.desc(), RunRow.ended_at.is_not(None), RunRow.id)
            .limit(most)
        )
    )


def last_answered_run(session: Session, game_id: str) -> RunRow | None:
    """The newest run of a game in which more than the opening was played."""
    return session.scalars(
        select(RunRow)
        .where(RunRow.game_id == game_id)
        .where(RunRow.inputs.any(RunInput.number > 0))
        .order_by(RunRow.started_at.desc())
        .limit(1)
    ).first()


def latest_moment(session: Session) -> datetime | None:
    """The latest moment that is known of a store: of a save, a run's start, or what was done in
    one; None if it knows of none."""
    moments = [
        session.scalar(select(func.max(column)).where(column < _END_OF_TIME))
        for column in (GameRevision.saved_at, PackRevision.saved_at)
    ]
    newest = select(RunRow).where(RunRow.started_at < _END_OF_TIME)
    for run in session.scalars(newest.order_by(RunRow.started_at.desc()).limit(_LOOKED_AT)):
        done = session.scalar(select(func.max(RunInput.at)).where(RunInput.run_id == run.id)) or 0
        is_played = run.place == Place.PLAY and 0 <= done <= MAX_MS
        moments.append(run.started_at + timedelta(milliseconds=done if is_played else 0))
    known = [moment for moment in moments if moment is not None]
    return max(known, default=None)


_END_OF_TIME = datetime(YEARS[-1], 1, 1, tzinfo=UTC)
_LOOKED_AT = 200
"""So many runs, those that were started last, are looked at for what was done in them."""


def runs_going_on(session: Session, since: datetime) -> list[str]:
    """Players' runs that were started since a moment, begun, and not known to have ended."""
    query = (
        select(RunRow.id)
        .where(RunRow.place == Place.PLAY, RunRow.ended_at.is_(None))
        .where(RunRow.started_at >= since, RunRow.inputs.any())
    )
    return list(session.scalars(query))


def forget_unbegun(session: Session, before: datetime) -> int:
    """Forget players' runs that were started before a moment and never begun; how many."""
    unbegun = select(RunRow.id).where(
        RunRow.place == Place.PLAY, RunRow.started_at < before, ~RunRow.inputs.any()
    )
    result = session.execute(
        delete(RunRow).where(RunRow.id.in_(unbegun)).execution_options(synchronize_session=False)
    )
    return result.rowcount  # type: ignore[attr-defined, no-any-return]


def inputs_from(session: Session, run_id: str, number: int, before: int = 0) -> list[Input]:
    """The inputs of a run from a number on, in order, and none from before a time. Raises
    Spoilt."""
    rows = session.scalars(
        select(RunInput)
        .where(RunInput.run_id == run_id, RunInput.number >= number)
        .order_by(RunInput.number)
    )
    return _inputs(run_id, rows, before)


def input_count(session: Session, run_id: str) -> int:
    """How many inputs of a run are kept."""
    last = session.scalar(select(func.max(RunInput.number)).where(RunInput.run_id == run_id))
    return 0 if last is None else last + 1


def add_inputs(session: Session, run_id: str, seen: int, inputs: Iterable[Input]) -> None:
    """Keep the next inputs of a run. Raises StaleRun unless they follow `seen` inputs."""
    if (taken := input_count(session, run_id)) != seen:
        raise StaleRun(seen, taken)
    session.add_all(_row(run_id, number, given) for number, given in enumerate(inputs, seen))
    session.flush()
    session.refresh(session.get_one(RunRow, run_id), ["inputs"])


def add_next_input(database: Database, run_id: str, seen: int, given: Input) -> None:
    """Keep one input that follows `seen` others, which are there. Raises StaleRun if it has
    been taken from there already, and NotFound if the run was deleted; both are found without
    asking first."""
    try:
        database.append(_INPUT, (run_id, seen, _ACTION.written(given.action), given.at))
    except sqlite3.IntegrityError:
        with database.reading() as session:
            if not is_kept(session, run_id):
                raise NotFound("run", run_id) from None
            raise StaleRun(seen, input_count(session, run_id)) from None


_INPUT = "INSERT INTO run_inputs (run_id, number, action, at) VALUES (?, ?, ?, ?)"
_ACTION: Kept[Action] = Kept(Action)


def _row(run_id: str, number: int, given: Input) -> RunInput:
    return RunInput(run_id=run_id, number=number, action=given.action, at=given.at)
