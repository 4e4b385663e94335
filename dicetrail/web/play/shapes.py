"""The shapes of what players send and are sent."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core.document import Best, Number
from dicetrail.core.play import PlayerAction
from dicetrail.limits import MAX_MS
from dicetrail.web.http_format.shapes import DiceName, PlayerNames, Received


class NewPlay(Received):
    """The players who want to play, in turns if there are several."""

    players: PlayerNames = ("",)
    key: Annotated[str | None, Field(min_length=16, max_length=64)] = None
    """A secret of the player's browser, by which it finds its scores again."""


class PlayInput(Received):
    """A player's action, how many inputs of the run they had seen taken, and when they acted."""

    seen: Annotated[int, Field(ge=0)]
    action: Annotated[PlayerAction, Field(discriminator="action")]
    at: Annotated[int | None, Field(ge=0, le=MAX_MS)] = None
    """Milliseconds on the run's own clock as the page has it; believed as far as a slow
    connection explains. None means now."""


class Score(BaseModel):
    """The result of one run. `length_ms` is its length."""

    run_id: str | None
    """Only the maker and the player of the run get it."""
    player: str
    score: Number
    ending: str
    right_count: int
    asked_count: int
    ended_at: datetime
    length_ms: int


class Scores(BaseModel):
    """The best scores of the newest revision of a game, and one player's own, the newest first."""

    revision: int
    kind: Best
    """What makes a run one of the best."""
    best: list[Score]
    mine: list[Score]


class Remark(Received):
    """A player's remark about a run that has ended."""

    words: Annotated[str, Field(min_length=1, max_length=1000)]


class RunNow(BaseModel):
    """The progress of an open run."""

    player: str
    """Whose turn it is."""
    question: int
    """The number of questions asked, the open one included."""
    score: Number
    seconds: float
    """The milliseconds since it began."""
    idle_seconds: float
    """The milliseconds since its last input."""


class PlayedRun(BaseModel):
    """A players' run as the maker sees it. Its result is None while it is open."""

    id: str
    revision: int
    dice: DiceName
    players: tuple[str, ...]
    started_at: datetime
    result: Score | None
    now: RunNow | None
    """None for one that has ended or was left."""
    remark: str


class Sharing(BaseModel):
    """The addresses of a game for its players."""

    address: str
    is_local: bool
    """Whether the address works on this machine only."""
