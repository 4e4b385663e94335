"""Store kept runs, which are replayed after changes."""

import secrets
from collections.abc import Sequence
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session

from dicetrail.core.foresight import KeptRun
from dicetrail.store.errors import NotFound
from dicetrail.store.models import KeptRow
from dicetrail.store.records import SavedKeptRun


def keep_run(session: Session, game_id: str, revision: int, run: KeptRun, now: datetime) -> KeptRow:
    """Keep a run of a revision of a game. One of the same name is replaced."""
    return keep_runs(session, game_id, revision, (run,), now)[0]


def keep_runs(
    session: Session, game_id: str, revision: int, runs: Sequence[KeptRun], now: datetime
) -> list[KeptRow]:
    """Keep runs of a revision of a game. Those of the same names are replaced."""
    names = {run.name for run in runs}
    for other in kept_runs(session, game_id):
        if other.run.name in names:
            session.delete(other)
    rows = [
        KeptRow(
            id=secrets.token_urlsafe(12),
            game_id=game_id,
            game_revision=revision,
            run=run,
            kept_at=now,
        )
        for run in runs
    ]
    session.add_all(rows)
    session.flush()
    return rows


def kept_count(session: Session, game_id: str) -> int:
    """How many runs of a game are kept."""
    query = select(func.count()).select_from(KeptRow).where(KeptRow.game_id == game_id)
    return session.scalar(query) or 0


def kept_runs(session: Session, game_id: str) -> list[KeptRow]:
    """The kept runs of a game, by their names."""
    found = session.scalars(select(KeptRow).where(KeptRow.game_id == game_id))
    return sorted(found, key=lambda row: (row.run.name.casefold(), row.id))


def get_kept(session: Session, game_id: str, kept_id: str) -> KeptRow:
    """A kept run of a game. Raises NotFound."""
    found = session.get(KeptRow, kept_id)
    if found is None or found.game_id != game_id:
        raise NotFound("kept run", kept_id)
    return found


def change_kept(kept: SavedKeptRun, revision: int, run: KeptRun) -> None:
    """Change a kept run: its name, or its result in a revision."""
    assert isinstance(kept, KeptRow)
    kept.game_revision = revision
    kept.run = run
