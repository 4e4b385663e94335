"""The shapes of games on the wire."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from dicetrail.core import Game
from dicetrail.core.answers import Fold, Verdict
from dicetrail.core.document import Colours, Number
from dicetrail.core.draw import Facets
from dicetrail.core.workbench import (
    DrawnQuestion,
    Named,
    PlacedProblem,
    ScoreSpan,
    ScriptWay,
    StopSummary,
)
from dicetrail.web.http_format.shapes import Dice, DiceName, Received, Title
from dicetrail.web.packs.shapes import PackCard


class RunCard(BaseModel):
    """A run at a glance. `ending` is None while the run goes on."""

    id: str
    dice: DiceName
    score: Number
    right_count: int
    asked_count: int
    ending: str | None
    started_at: datetime


class GameCard(BaseModel):
    """A game on the shelf: what is known of it without working anything out."""

    id: str
    revision: int
    title: str
    saved_at: datetime
    round_count: int
    ending_count: int
    trouble: str = ""
    """What of it cannot be read from the store, and what to do; empty where all can."""


class GameGlance(BaseModel):
    """What is worked out of a game for its card on the shelf."""

    revision: int
    stops: tuple[StopSummary, ...]
    """The stops of its first round."""
    is_begun: bool
    """Whether there is anything to ask yet."""
    fault_count: int
    last_run: RunCard | None
    colours: Colours
    picture: str
    """The digest of the picture at its opening, or behind it; empty for none."""


class GameView(BaseModel):
    """A game as it now stands: its document, and all that is worked out from it."""

    id: str
    address: str
    """By which players reach it: made from its title."""
    revision: int
    saved_at: datetime
    document: Game
    stops: tuple[tuple[StopSummary, ...], ...]
    """For each round, the stops of its trail."""
    problems: tuple[PlacedProblem, ...]
    score_spans: tuple[ScoreSpan, ...]
    script_ways: tuple[ScriptWay, ...]
    """Where the rule script can take a run."""
    spans_are_whole: bool
    """Whether the spans hold every score a run can end with; else they show the bounds."""
    other_spans: tuple[ScoreSpan, ...]
    """For each ending that also comes with scores whose span tells of another, as when the lives
    are gone: from the lowest of these scores to the highest."""
    is_begun: bool
    """Whether there is anything to ask, or a source of it; if not, that comes first."""
    is_settling: bool
    """Whether ways to end that were too many to follow at once are being followed beside."""
    pools: tuple[int, ...]
    """How many questions each round can draw from."""
    facets: tuple[Facets, ...]
    """For each round, the topics and levels its questions can be chosen by."""
    packs: list[PackCard]


class RecipeCard(BaseModel):
    """A small whole game to begin from."""

    name: str
    words: str


class RevisionCard(BaseModel):
    """One save of a game, and what it changed, in words."""

    number: int
    saved_at: datetime
    changes: tuple[str, ...]


class NewGame(Received):
    """A game to be made."""

    title: Title
    recipe: Annotated[str, Field(max_length=80)] = ""
    """The recipe it begins from; the plainest if there is none of that name."""
    packs: Annotated[tuple[str, ...], Field(max_length=50)] = ()


class GameSave(BaseModel):
    """A document to be kept, and the revision it was made from. A view of a game can be sent as it
    came, with its document changed: what else it holds is not read."""

    model_config = ConfigDict(extra="ignore", json_schema_extra={"additionalProperties": True})

    revision: int
    document: Game


class Renaming(Received):
    """A part of a document to be called otherwise, by its kind and its number from 0."""

    document: Game
    kind: Named
    number: Annotated[int, Field(ge=0, le=1000)]
    name: Annotated[str, Field(max_length=500)]


class Trial(Received):
    """Answers to be tried on the first question these dice bring, without playing."""

    dice: Dice
    round: Annotated[int, Field(ge=0)] = 0
    answers: Annotated[tuple[Annotated[str, Field(max_length=500)], ...], Field(max_length=50)]


class Tried(BaseModel):
    """What came of an answer tried, with its reason in words."""

    verdict: Verdict
    why: str
    places: tuple[int, ...]
    matched: str


class TrialView(BaseModel):
    """What would come of each answer tried."""

    question: DrawnQuestion
    checked: list[Tried]
    folds: list[tuple[Fold, ...]]
    """How each answer is folded before it is compared, step by step."""
