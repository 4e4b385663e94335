"""The shapes of evidence on the wire."""

from datetime import datetime
from typing import Annotated

from fastapi import Query
from pydantic import BaseModel, Field

from dicetrail.core import Question
from dicetrail.core.document import MAX_PLAYERS
from dicetrail.core.foresight import (
    Borne,
    Evidence,
    EvidenceCount,
    Forecast,
    RunSummary,
    Scout,
    Sort,
)
from dicetrail.files import Refusal
from dicetrail.web.http_format.shapes import DiceName, PlayerName, Received


class RunFilter(BaseModel):
    """Which runs of a game; without anything, all."""

    revision: Annotated[int | None, Query(ge=1, le=2**31 - 1)] = None
    since: datetime | None = None
    before: datetime | None = None
    player: PlayerName = ""


class SuggestionView(BaseModel):
    """A change of a question that its evidence suggests, with the question now and then."""

    sort: Sort
    what: str
    pack: str
    pack_revision: int
    row: int
    """From 0."""
    before: Question
    after: Question


class QuestionPlace(BaseModel):
    """Where a question of the evidence stands in its pack as it is now."""

    pack: str
    row: int
    """From 0."""
    picture: str
    """Where the picture of a question is found that asks for places in it; else empty."""


class BroughtFile(BaseModel):
    """A file of answers that was brought, and how many of its runs are chosen."""

    file_name: str
    runs: int


class EvidenceView(BaseModel):
    """What the runs chosen say."""

    evidence: Evidence
    came: RunSummary
    places: tuple[QuestionPlace | None, ...]
    """For each question where it stands now; None where it is not from a pack, or is gone."""
    suggestions: tuple[tuple[SuggestionView, ...], ...]
    """For each question."""
    going_on: int
    """How many runs are being played now, and not counted yet."""
    left_out: int
    """How many runs cannot be read, whatever is chosen, or cannot be played again."""
    revisions: tuple[int, ...]
    """The versions that were played, of all runs."""
    players: tuple[str, ...]
    """Those who played, of all runs."""
    brought: tuple[BroughtFile, ...]


class RunBehind(BaseModel):
    """A run that a number of a question counts."""

    run_id: str | None
    """None for a run that was played elsewhere."""
    file_name: str
    dice: DiceName | None
    players: tuple[str, ...]
    started_at: datetime
    step: int
    """The step in which the question was done with, or the last of the run."""
    given: tuple[str, ...]
    result: str
    seconds: float


class RunsWanted(RunFilter):
    """Which runs by what they came to: an ending by its title, empty where none fitted; a score,
    of those that ended; or those that were left after so many questions."""

    ending: Annotated[str | None, Query(max_length=10_000)] = None
    score: Annotated[float | None, Query(allow_inf_nan=False)] = None
    left_after: Annotated[int | None, Query(ge=0, le=10**6)] = None


class BehindWanted(RunFilter):
    """Which number of which question."""

    question: Annotated[int, Query(ge=0, le=10**6)]
    """Its place in the evidence of the same choice, from 0."""
    of: EvidenceCount = EvidenceCount.ASKED
    given: Annotated[str, Query(max_length=10_000)] = ""


class AnswersWanted(RunFilter):
    """Which answers, and whether with the names of those who gave them."""

    names: bool = True


class AnswersBrought(BaseModel):
    """What came of bringing a file of answers."""

    taken: int
    already: int
    """Runs that were here before."""
    refused: tuple[Refusal, ...]


class CalibrationWanted(Received):
    """Whose forecast is laid over the runs; nobody's is that of players like those."""

    scouts: Annotated[tuple[Scout, ...], Field(max_length=MAX_PLAYERS)] = ()


class Calibration(BaseModel):
    """A forecast beside what really came."""

    forecast: Forecast
    came: RunSummary
    endings: tuple[Borne, ...]
    """Those foretold or come to; empty where no run has ended."""


class Deleted(BaseModel):
    """How many runs are gone for good."""

    runs: int
