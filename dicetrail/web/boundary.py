"""The shapes of what goes over the wire, where they are not the core's own.

The document and everything the core says about a run are the core's dataclasses; here are
only the envelopes they travel in. The files layer makes an
unknown name in a document an error.
"""

import re
from datetime import datetime
from typing import Annotated, Any, Literal

from fastapi import Path
from pydantic import BaseModel, BeforeValidator, Field

from dicetrail.core import Action, Game, Input, PackEdit, Problem, Question, Table
from dicetrail.core.answers import Checked, Comparison, Fold, tidy
from dicetrail.core.document import Best, Number
from dicetrail.core.draw import HIGHEST_DICE, Facets, dice_named
from dicetrail.core.play import Answered, Footprint, Intent, PlayerAction
from dicetrail.core.rules import ScriptRecipe
from dicetrail.core.survey import RowFault
from dicetrail.core.workbench import DrawnQuestion, ScoreSpan, StopSummary
from dicetrail.files import Plan, Refusal
from dicetrail.store import PackSource
from dicetrail.web.loading import Mended, Stage, Target

DiceName = (
    Annotated[int, Field(ge=0, le=HIGHEST_DICE)] | Annotated[str, Field(pattern="^[a-z2-7]{26}$")]
)
"""Dice as they are told: a number that can be typed, or the name of long ones."""


def _dice_named(name: Any) -> int:
    if isinstance(name, bool) or not isinstance(name, int | str):
        raise ValueError("dice are a number or a name")
    return dice_named(name)


Dice = Annotated[int, BeforeValidator(_dice_named, json_schema_input_type=DiceName)]
RevisionNumber = Annotated[int, Path(ge=1, le=2**31 - 1)]
MOST_INPUTS = 20_000
"""A run takes at most this many inputs, so that none can be made to grow without end."""

MOST_MS = 10**12
"""The longest time of a run, some thirty years."""

PlayerName = Annotated[str, Field(max_length=200)]
Title = Annotated[str, Field(max_length=200)]


class PackCard(BaseModel):
    """A pack at a glance."""

    id: str
    revision: int
    title: str
    question_count: int
    saved_at: datetime
    source: PackSource
    media: dict[str, str]
    """The digests of its pictures and sounds, by name."""


class PackView(PackCard):
    """A pack with its first questions, and everything that is wrong in it."""

    questions: tuple[Question, ...]
    faults: list[RowFault]


class RunCard(BaseModel):
    """A run at a glance. `ending` is None while the run goes on."""

    id: str
    dice: DiceName
    score: Number
    right_count: int
    asked_count: int
    ending: str | None
    started_at: datetime


class PackSave(BaseModel):
    """Edits to be made one after the other, and the revision they were made on."""

    revision: int
    edits: Annotated[list[PackEdit], Field(max_length=10_000)]


class PackSaved(BaseModel):
    """The revision an edit made, and everything that is wrong in it."""

    revision: int
    question_count: int
    faults: list[RowFault]


class LoadLook(BaseModel):
    """A plan to look at a file by, rows newly mended by their line, and where it would go."""

    plan: Plan
    mended: Annotated[Mended, Field(max_length=10_000)] = {}
    target: Target = Target()


class LoadTake(BaseModel):
    """Where the questions of a file are to go."""

    target: Target


class LoadView(BaseModel):
    """What a file would give. Only its first rows are looked at when there are very many."""

    id: str
    file_name: str
    plan: Plan
    headings: tuple[str, ...] | None
    first_rows: tuple[tuple[str, ...], ...]
    rows: int
    rows_expected: int
    blank_lines: int
    media: list[str]
    question_count: int
    questions: tuple[Question, ...]
    refused_count: int
    refused: tuple[Refusal, ...]
    comparison: Comparison | None


class LoadProgress(BaseModel):
    """How far the taking of a file is; at its end the pack, or what was wrong."""

    stage: Stage
    rows_read: int
    rows_expected: int
    pack_id: str | None
    problem: Problem | None


class GameCard(BaseModel):
    """A game on the shelf: what is known of it without working anything out."""

    id: str
    revision: int
    title: str
    saved_at: datetime
    round_count: int
    ending_count: int


class GameGlance(BaseModel):
    """What is worked out of a game for its card on the shelf."""

    revision: int
    stops: tuple[StopSummary, ...]
    """The stops of its first round."""
    fault_count: int
    last_run: RunCard | None


class GameView(BaseModel):
    """A game as it now stands: its document, and all that is worked out from it."""

    id: str
    revision: int
    saved_at: datetime
    document: Game
    stops: tuple[tuple[StopSummary, ...], ...]
    """For each round, the stops of its trail."""
    problems: tuple[Problem, ...]
    score_spans: tuple[ScoreSpan, ...]
    spans_are_whole: bool
    """Whether the spans hold every score a run can end with; else they show the bounds."""
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


class NewGame(BaseModel):
    """A game to be made."""

    title: Title
    recipe: Annotated[str, Field(max_length=80)] = ""
    """The recipe it begins from; the plainest if there is none of that name."""
    packs: Annotated[tuple[str, ...], Field(max_length=50)] = ()


class GameSave(BaseModel):
    """A document to be kept, and the revision it was made from."""

    revision: int
    document: Game


class NewRun(BaseModel):
    """A run to be started. Without dice, new ones are rolled.

    `inputs` are played at once: so a run branches off another.
    """

    game_id: str
    dice: Dice | None = None
    players: Annotated[tuple[PlayerName, ...], Field(min_length=1, max_length=4)] = ("Player",)
    inputs: Annotated[tuple[Input, ...], Field(max_length=MOST_INPUTS)] = ()


class TableInput(BaseModel):
    """An input at the maker's table, whose clock is the maker's own: to hold, hurry and rewind."""

    seen: Annotated[int, Field(ge=0)]
    action: Annotated[Action, Field(discriminator="action")]
    at: Annotated[int, Field(ge=0, le=MOST_MS)]
    """Milliseconds of the run's own time since it began."""


class Outcomes(BaseModel):
    """What is to be played on the player's behalf."""

    seen: Annotated[int, Field(ge=0)]
    at: Annotated[int, Field(ge=0, le=MOST_MS)]
    intent: Intent
    questions: Annotated[int | None, Field(ge=1, le=1000)] = 1
    """For how many questions; None plays to the end."""


class StepView(BaseModel):
    """One step of a run: what was done, what is on the table then, and what happened."""

    at: int
    action: Action | None
    """None for the opening."""
    table: Table
    footprints: tuple[Footprint, ...]


class RunView(BaseModel):
    """A run at the maker's table. `steps` are those from number `steps_from` on."""

    id: str
    game_id: str
    revision: int
    dice: DiceName
    players: tuple[str, ...]
    is_players: bool
    """Whether it is a player's run, which the maker can look at and branch, not go on with."""
    sounds: tuple[str, ...]
    """The names of the sounds that can be played in it."""
    seen: int
    steps_from: int
    steps: list[StepView]


class Trial(BaseModel):
    """Answers to be tried on the first question these dice bring, without playing."""

    dice: Dice
    round: Annotated[int, Field(ge=0)] = 0
    answers: Annotated[tuple[Annotated[str, Field(max_length=500)], ...], Field(max_length=50)]


class TrialView(BaseModel):
    """What would come of each answer tried."""

    question: DrawnQuestion
    checked: list[Checked]
    folds: list[tuple[Fold, ...]]
    """How each answer is folded before it is compared, step by step."""


class SoundMade(BaseModel):
    """A sound made of notes: how long, its form to draw, and itself as WAV in base64 (RFC 4648)."""

    seconds: float
    lowest: tuple[float, ...]
    """The lowest sample of each of many stretches, within plus and minus 1."""
    highest: tuple[float, ...]
    wav: str


class SoundBrought(BaseModel):
    """A sound file that is kept, by the digest of its content."""

    digest: str


class ToRead(BaseModel):
    """A text to be read out."""

    text: Annotated[str, Field(min_length=1, max_length=5000)]


class PlayGame(BaseModel):
    """What a player is told of a game before playing it."""

    id: str
    revision: int
    title: str
    length: int | None
    """How many questions its first round asks; None if they never run out."""
    opening: str
    asks_names: bool
    most_players: int


class NewPlay(BaseModel):
    """The players who want to play, in turns if there are several."""

    players: Annotated[tuple[PlayerName, ...], Field(min_length=1, max_length=4)] = ("",)
    key: Annotated[str | None, Field(min_length=16, max_length=64)] = None
    """A secret of the player's browser, by which it finds its scores again."""


_TURNS = re.compile("[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]")
"""The signs that turn the direction of writing (Unicode Standard Annex 9)."""


def name_of(player: str, number: int = 1) -> str:
    """A player's name, tidied and kept short; what turns the direction of text is left out."""
    name = tidy(_TURNS.sub("", player))[:40].strip()
    return name or ("Player" if number == 1 else f"Player {number}")


class PlayInput(BaseModel):
    """A player's action, how many inputs of the run they had seen taken, and when they acted."""

    seen: Annotated[int, Field(ge=0)]
    action: Annotated[PlayerAction, Field(discriminator="action")]
    at: Annotated[int | None, Field(ge=0, le=MOST_MS)] = None
    """Milliseconds on the run's own clock as the page has it; believed as far as a slow
    connection explains. None means now."""


class PlayView(BaseModel):
    """A run on the players' page: nothing but what the player may know."""

    id: str
    game_id: str
    revision: int
    seen: int
    at: int
    """The run's own time, in milliseconds."""
    table: Table
    sounds: tuple[str, ...]
    """The names of the sounds that can be played in it."""
    answered: tuple[Answered, ...]
    """Once it has ended, every question with its answer."""
    is_best: bool
    """Whether it ended as the best so far."""
    refused: str = ""
    """Why the last input was not taken; empty if it was."""


class Score(BaseModel):
    """What one run came to. `length_ms` is how long it took."""

    run_id: str | None
    """Told to the maker and to the player whose it is."""
    player: str
    score: Number
    ending: str
    right_count: int
    asked_count: int
    ended_at: datetime
    length_ms: int


class Scores(BaseModel):
    """The best scores of a game as it now stands, and one player's own, the newest first."""

    revision: int
    kind: Best
    """What makes a run one of the best."""
    best: list[Score]
    mine: list[Score]


class PlayedRun(BaseModel):
    """A players' run as the maker sees it. What it came to is None while it goes on."""

    id: str
    revision: int
    dice: DiceName
    players: tuple[str, ...]
    started_at: datetime
    result: Score | None


class Sharing(BaseModel):
    """How players come to a game."""

    address: str
    is_local: bool
    """Whether the address is good on this machine alone."""


class ScriptName(BaseModel):
    """A name of the rule script: what it is, and what it does or means."""

    name: str
    kind: Literal["handler", "fact", "deed", "function"]
    words: str
    insert: str
    """What stands in a script when the name is chosen."""


class Language(BaseModel):
    """What a page needs to help with a rule script."""

    names: list[ScriptName]
    recipes: list[ScriptRecipe]


class Health(BaseModel):
    """That the server answers."""

    status: Literal["ok"] = "ok"
