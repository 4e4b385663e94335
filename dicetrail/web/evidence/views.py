"""What evidence looks like on the wire, made from what was gathered."""

from collections.abc import Iterable, Mapping
from datetime import UTC, datetime

from dicetrail.core.foresight import Evidence
from dicetrail.core.foresight import suggested as suggested_by
from dicetrail.services.gathering import Held, ShownRun
from dicetrail.store.played import Chosen
from dicetrail.web.evidence.shapes import QuestionPlace, RunBehind, RunFilter, SuggestionView


def chosen_by(choice: RunFilter) -> Chosen:
    """A choice as the store takes it. A time without a zone is one of UTC."""
    return Chosen(choice.revision, _in_utc(choice.since), _in_utc(choice.before), choice.player)


def _in_utc(time: datetime | None) -> datetime | None:
    return time.replace(tzinfo=UTC) if time is not None and time.tzinfo is None else time


def behind(one: ShownRun, step: int, result: str, ms: int, given: Iterable[str] = ()) -> RunBehind:
    """A run that is behind a number, and the step to open it at."""
    return RunBehind(
        run_id=one.run_id,
        file_name=one.file_name,
        dice=one.dice,
        players=one.players,
        started_at=one.started_at,
        step=step,
        given=tuple(given),
        result=result,
        seconds=ms / 1000,
    )


def places_in(
    evidence: Evidence, held: Held, media: Mapping[str, Mapping[str, str]]
) -> tuple[QuestionPlace | None, ...]:
    """Where each question stands now. `media` tells where the pictures of packs are found."""
    found: list[QuestionPlace | None] = []
    for one in evidence.questions:
        _, rows = held.get(one.source, (0, {}))
        here = rows.get((one.source, one.prompt, one.accepted))
        if here is None:
            found.append(None)
            continue
        row, question = here
        name = question.details.picture if question.areas else ""
        picture = media.get(one.source, {}).get(name, "")
        found.append(QuestionPlace(pack=one.source, row=row, picture=picture))
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
