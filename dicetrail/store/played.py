"""Played runs as evidence: choose them, and delete them for good."""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import delete, select
from sqlalchemy.orm import Session, undefer

from dicetrail.store.models import BroughtRun, RunInput, RunRow, spoilt
from dicetrail.store.records import Place, PlayedThere
from dicetrail.store.runs import lacking_in


@dataclass(frozen=True, slots=True)
class Chosen:
    """Which runs of a game. What is None or empty chooses all."""

    revision: int | None = None
    since: datetime | None = None
    before: datetime | None = None
    player: str = ""
    """One who took part, by name."""

    def takes(self, run: RunRow | BroughtRun, revision: int) -> bool:
        """Whether a run is among them."""
        return (
            (self.revision is None or revision == self.revision)
            and (self.since is None or run.started_at >= self.since)
            and (self.before is None or run.started_at < self.before)
            and (not self.player or self.player in run.players)
        )


def played_runs(session: Session, game_id: str, chosen: Chosen) -> list[RunRow]:
    """The runs chosen that players began here, the oldest first."""
    begun = _begun_here(session, game_id)
    return [
        run for run in begun if lacking_in(run) is None and chosen.takes(run, run.game_revision)
    ]


def _begun_here(session: Session, game_id: str) -> Iterable[RunRow]:
    return session.scalars(
        select(RunRow)
        .where(RunRow.game_id == game_id, RunRow.place == Place.PLAY, RunRow.inputs.any())
        .order_by(RunRow.started_at, RunRow.id)
        .options(undefer(RunRow.seen))
    )


def count_unread(session: Session, game_id: str) -> int:
    """How many runs of a game, wherever they were played, hold what cannot be read."""
    here = sum(lacking_in(run) is not None for run in _begun_here(session, game_id))
    return here + sum(bool(spoilt(run)) for run in _brought(session, game_id))


def brought_runs(session: Session, game_id: str, chosen: Chosen) -> list[BroughtRun]:
    """The runs chosen that were played elsewhere, the oldest first."""
    every = _brought(session, game_id)
    return [run for run in every if not spoilt(run) and chosen.takes(run, run.revision)]


def _brought(session: Session, game_id: str) -> Iterable[BroughtRun]:
    return session.scalars(
        select(BroughtRun)
        .where(BroughtRun.game_id == game_id)
        .order_by(BroughtRun.started_at, BroughtRun.run)
    )


def bring_runs(session: Session, game_id: str, file_name: str, runs: Iterable[PlayedThere]) -> int:
    """Keep runs of a file of answers that are not here already. Returns the number of them."""
    count = 0
    for run in runs:
        is_here = session.get(BroughtRun, (game_id, run.run)) or session.get(RunRow, run.run)
        if is_here is None:
            session.add(_brought_run(game_id, file_name, run))
            session.flush()
            count += 1
    return count


def _brought_run(game_id: str, file_name: str, run: PlayedThere) -> BroughtRun:
    return BroughtRun(
        game_id=game_id,
        run=run.run,
        file_name=file_name,
        revision=run.revision,
        players=run.players,
        started_at=run.started_at,
        seen=run.shown,
        remark=run.remark or None,
    )


def delete_runs(session: Session, game_id: str, chosen: Chosen) -> tuple[list[str], int]:
    """Delete for good the runs chosen, wherever they were played: those played here, and how many
    of others."""
    here = [
        run.id
        for run in session.scalars(
            select(RunRow).where(RunRow.game_id == game_id, RunRow.place == Place.PLAY)
        )
        if chosen.takes(run, run.game_revision)
    ]
    for some in _parts(here):
        session.execute(delete(RunInput).where(RunInput.run_id.in_(some)))
        session.execute(delete(RunRow).where(RunRow.id.in_(some)))
    elsewhere = brought_runs(session, game_id, chosen)
    for run in elsewhere:
        session.delete(run)
    return here, len(elsewhere)


def _parts(names: list[str], size: int = 500) -> Iterable[list[str]]:
    return (names[start : start + size] for start in range(0, len(names), size))
