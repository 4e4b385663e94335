"""Runs and their inputs."""

import secrets
from collections.abc import Mapping
from datetime import datetime

from sqlalchemy import select
from sqlalchemy.orm import Session

from dicetrail.core import Input
from dicetrail.store.errors import NotFound, StaleRun
from dicetrail.store.models import GameRevision, Place, RunInput, RunRow


def add_run(
    session: Session,
    game: GameRevision,
    pack_revisions: Mapping[str, int],
    dice: int,
    players: tuple[str, ...],
    place: Place,
    now: datetime,
) -> RunRow:
    """Keep a new run, with no inputs yet, under an identifier that cannot be guessed."""
    run = RunRow(
        id=secrets.token_urlsafe(12),
        game_id=game.game_id,
        game_revision=game.number,
        pack_revisions=dict(pack_revisions),
        dice=dice,
        players=players,
        place=place,
        started_at=now,
        inputs=[],
    )
    session.add(run)
    session.flush()
    return run


def get_run(session: Session, run_id: str, place: Place) -> RunRow:
    """A run with its inputs, if it is played at that place. Raises NotFound."""
    run = session.get(RunRow, run_id)
    if run is None or run.place != place:
        raise NotFound("run", run_id)
    return run


def last_answered_run(session: Session, game_id: str) -> RunRow | None:
    """The newest run of a game in which more than the opening was played."""
    return session.scalars(
        select(RunRow)
        .where(RunRow.game_id == game_id)
        .where(RunRow.inputs.any(RunInput.number > 0))
        .order_by(RunRow.started_at.desc())
        .limit(1)
    ).first()


def add_input(session: Session, run: RunRow, seen: int, given: Input) -> None:
    """Keep the next input of a run. Raises StaleRun unless it follows `seen` inputs."""
    if len(run.inputs) != seen:
        raise StaleRun(seen, len(run.inputs))
    run.inputs.append(RunInput(run_id=run.id, number=seen, action=given.action, at=given.at))
    session.flush()
