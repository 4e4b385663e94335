"""Gather the runs for evidence from the store."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from hashlib import sha256

from dicetrail.core import GameProblems, Question
from dicetrail.core.draw import name_of_dice
from dicetrail.core.foresight import Asked, Evidence, Playthrough, evidence_of
from dicetrail.files import ANSWERS, PlayedElsewhere
from dicetrail.services.app_state import AppState
from dicetrail.services.live_runs import PLAYED_FOR
from dicetrail.store import NotFound, SavedElsewhere, SavedRun
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_packs
from dicetrail.store.played import Chosen, brought_runs, count_unread, played_runs


@dataclass(frozen=True)
class ShownRun:
    """A run, and what it shows of its questions."""

    name: str
    """Its name in a file of answers."""
    run_id: str | None
    """Its identifier; None if it was played elsewhere."""
    dice: int | str | None
    """Its dice; None if it was played elsewhere."""
    file_name: str
    """The file of answers that brought it; empty if it was played here."""
    revision: int
    players: tuple[str, ...]
    started_at: datetime
    remark: str
    shown: Playthrough


@dataclass(frozen=True)
class Gathering:
    """The chosen runs, the oldest first, and the number of runs that were left out."""

    runs: Sequence[ShownRun]
    going_on: int
    """Runs that are being played."""
    left_out: int
    """The number of runs that cannot be read or cannot be played again. The choice does not change
    it."""

    @property
    def evidence(self) -> Evidence:
        """The evidence of the runs about questions."""
        return evidence_of([one.shown.seen for one in self.runs])


def gathered(app_state: AppState, game_id: str, chosen: Chosen, now: datetime) -> Gathering:
    """The chosen runs of a game that its rules still accept. Raises NotFound."""
    runs: list[ShownRun] = []
    going_on = left_out = 0
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        for run in played_runs(session, game_id, chosen):
            try:
                shown = app_state.replays.shown(run)
            except (GameProblems, NotFound):  # refused by now, or not to be read
                left_out += 1
                continue
            if shown.ending is None and now - _left_at(run, shown) < PLAYED_FOR:
                going_on += 1
            else:
                runs.append(_played_here(run, shown))
        runs += map(_played_elsewhere, brought_runs(session, game_id, chosen))
        left_out += count_unread(session, game_id)
    runs.sort(key=lambda one: one.started_at)
    return Gathering(runs, going_on, left_out)


def _left_at(run: SavedRun, shown: Playthrough) -> datetime:
    return run.started_at + timedelta(seconds=shown.seconds)


def _played_here(run: SavedRun, shown: Playthrough) -> ShownRun:
    return ShownRun(
        name_of(run),
        run.id,
        name_of_dice(run.dice),
        "",
        run.game_revision,
        run.players,
        run.started_at,
        run.remark or "",
        shown,
    )


def _played_elsewhere(run: SavedElsewhere) -> ShownRun:
    return ShownRun(
        run.run,
        None,
        None,
        run.file_name,
        run.revision,
        run.players,
        run.started_at,
        run.remark or "",
        run.seen,
    )


def elsewhere(gathering: Gathering) -> list[PlayedElsewhere]:
    """The runs in the form of an answers file."""
    return [
        PlayedElsewhere(
            ANSWERS, one.name, one.revision, one.started_at, one.players, one.shown, one.remark
        )
        for one in gathering.runs
    ]


def name_of(run: SavedRun) -> str:
    """The name of a run in a file. Its identifier would open the run at its address."""
    return sha256(run.id.encode()).hexdigest()[:20]


Held = Mapping[str, tuple[int, Mapping[Asked, tuple[int, Question]]]]
"""The packs of a game: their revisions, and the place of each question."""


def questions_now(app_state: AppState, game_id: str) -> Held:
    """The places of a game's questions in the newest revisions of its packs."""
    with app_state.database.reading() as session:
        packs = newest_packs(session, newest_game(session, game_id).document.packs_used)
    found = {}
    for kept in packs:
        name, questions = kept.pack_id, app_state.packs.pack(kept.pack_id, kept.number).questions
        rows = {(name, one.prompt, one.right): (row, one) for row, one in enumerate(questions)}
        found[name] = (kept.number, rows)
    return found
