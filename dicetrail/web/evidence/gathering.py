"""Gather the runs for evidence from the store."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from hashlib import sha256

from dicetrail.core import GameProblems, Question
from dicetrail.core.draw import name_of_dice
from dicetrail.core.foresight import Asked, Evidence, Playthrough, evidence_of
from dicetrail.core.foresight import suggested as suggested_by
from dicetrail.files import ANSWERS, PlayedElsewhere
from dicetrail.store import NotFound
from dicetrail.store.games import newest_game
from dicetrail.store.models import BroughtRun, RunRow
from dicetrail.store.packs import newest_packs
from dicetrail.store.played import Chosen, brought_runs, count_unread, played_runs
from dicetrail.web.app_state import AppState
from dicetrail.web.evidence.shapes import QuestionPlace, RunBehind, RunFilter, SuggestionView
from dicetrail.web.play.live_runs import PLAYED_FOR


@dataclass(frozen=True)
class ShownRun:
    """A run with what it shows."""

    run: RunRow | BroughtRun
    shown: Playthrough

    @property
    def dice(self) -> int | str | None:
        """Its dice; None if it was played elsewhere."""
        return name_of_dice(self.run.dice) if isinstance(self.run, RunRow) else None


@dataclass(frozen=True)
class Gathering:
    """The runs chosen, the oldest first, and how many are not among them."""

    runs: Sequence[ShownRun]
    going_on: int
    """Runs that are being played."""
    left_out: int
    """Runs that cannot be read, whatever is chosen, and those that cannot be played again."""

    @property
    def evidence(self) -> Evidence:
        """What they say of questions."""
        return evidence_of([one.shown.seen for one in self.runs])


def chosen_by(choice: RunFilter) -> Chosen:
    """A choice as the store takes it. A time without a zone is one of UTC."""
    return Chosen(choice.revision, _in_utc(choice.since), _in_utc(choice.before), choice.player)


def _in_utc(time: datetime | None) -> datetime | None:
    return time.replace(tzinfo=UTC) if time is not None and time.tzinfo is None else time


def gathered(app_state: AppState, game_id: str, chosen: Chosen, now: datetime) -> Gathering:
    """The runs chosen of a game, as far as its rules still take them. Raises NotFound."""
    runs: list[ShownRun] = []
    going_on = left_out = 0
    with app_state.database.reading() as session:
        newest_game(session, game_id)
        for run in played_runs(session, game_id, chosen):
            try:
                shown = app_state.shown(run)
            except (GameProblems, NotFound):  # refused by now, or not to be read
                left_out += 1
                continue
            if shown.ending is None and now - _left_at(run, shown) < PLAYED_FOR:
                going_on += 1
            else:
                runs.append(ShownRun(run, shown))
        runs += [ShownRun(run, run.seen) for run in brought_runs(session, game_id, chosen)]
        left_out += count_unread(session, game_id)
    runs.sort(key=lambda one: one.run.started_at)
    return Gathering(runs, going_on, left_out)


def behind(one: ShownRun, step: int, result: str, ms: int, given: Iterable[str] = ()) -> RunBehind:
    """A run that is behind a number, and the step to open it at."""
    return RunBehind(
        run_id=one.run.id if isinstance(one.run, RunRow) else None,
        file_name=one.run.file_name if isinstance(one.run, BroughtRun) else "",
        dice=one.dice,
        players=one.run.players,
        started_at=one.run.started_at,
        step=step,
        given=tuple(given),
        result=result,
        seconds=ms / 1000,
    )


def _left_at(run: RunRow, shown: Playthrough) -> datetime:
    return run.started_at + timedelta(seconds=shown.seconds)


def elsewhere(gathering: Gathering) -> list[PlayedElsewhere]:
    """The runs as a file of answers has them."""
    return [
        PlayedElsewhere(
            ANSWERS,
            name_of(one.run),
            one.run.game_revision if isinstance(one.run, RunRow) else one.run.revision,
            one.run.started_at,
            one.run.players,
            one.shown,
            one.run.remark or "",
        )
        for one in gathering.runs
    ]


def brought(game_id: str, file_name: str, run: PlayedElsewhere) -> BroughtRun:
    """A run of a file of answers as it is kept."""
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


def name_of(run: RunRow | BroughtRun) -> str:
    """What a run is called in a file. Its own name would open it at its address."""
    return _hidden(run.id) if isinstance(run, RunRow) else run.run


def _hidden(run_id: str) -> str:
    return sha256(run_id.encode()).hexdigest()[:20]


Held = Mapping[str, tuple[int, Mapping[Asked, tuple[int, Question]]]]
"""The packs a game draws from: their revisions, and where which question stands."""


def questions_now(app_state: AppState, game_id: str) -> Held:
    """Where the questions of a game stand in its packs as they are now."""
    with app_state.database.reading() as session:
        packs = newest_packs(session, newest_game(session, game_id).document.packs_used)
    return {
        kept.pack_id: (
            kept.number,
            {
                (kept.pack_id, question.prompt, question.right): (row, question)
                for row, question in enumerate(app_state.pack(kept.pack_id, kept.number).questions)
            },
        )
        for kept in packs
    }


def places_in(evidence: Evidence, held: Held) -> tuple[QuestionPlace | None, ...]:
    """Where each question stands now."""
    found = []
    for one in evidence.questions:
        _, rows = held.get(one.source, (0, {}))
        here = rows.get((one.source, one.prompt, one.accepted))
        found.append(None if here is None else QuestionPlace(pack=one.source, row=here[0]))
    return tuple(found)


def suggestions_for(evidence: Evidence, held: Held) -> tuple[tuple[SuggestionView, ...], ...]:
    """What is suggested to change in each question as it is now."""
    found: list[tuple[SuggestionView, ...]] = []
    for one in evidence.questions:
        revision, rows = held.get(one.source, (0, {}))
        here = rows.get((one.source, one.prompt, one.accepted))
        if here is None:
            found.append(())
            continue
        row, question = here
        found.append(
            tuple(
                SuggestionView(
                    sort=suggestion.sort,
                    what=suggestion.what,
                    pack=one.source,
                    pack_revision=revision,
                    row=row,
                    before=question,
                    after=suggestion.after,
                )
                for suggestion in suggested_by(one, question)
            )
        )
    return tuple(found)
