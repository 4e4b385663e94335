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


class Remark(Received):
    """What a player says of a run that has ended."""

    words: Annotated[str, Field(min_length=1, max_length=1000)]


class RunNow(BaseModel):
    """How far a run is that is being played."""

    player: str
    """Whose turn it is."""
    question: int
    """The number of questions that were put, the one in play included."""
    score: Number
    seconds: float
    """Since it began."""
    idle_seconds: float
    """Since anything was last done in it."""


class PlayedRun(BaseModel):
    """A players' run as the maker sees it. What it came to is None while it goes on."""

    id: str
    revision: int
    dice: DiceName
    players: tuple[str, ...]
    started_at: datetime
    result: Score | None
    now: RunNow | None
    """None of one that has ended or was left."""
    remark: str


class Sharing(BaseModel):
    """How players come to a game."""

    address: str
    is_local: bool
    """Whether the address is good on this machine alone."""
