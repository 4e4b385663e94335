"""The shapes of foresight on the wire."""

from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import Game, Input
from dicetrail.core.document import MAX_PLAYERS, Number
from dicetrail.core.foresight import Forecast, Knob, Scout, Turned
from dicetrail.web.http_format.shapes import DiceName, Received

Scouts = Annotated[tuple[Scout, ...], Field(min_length=1, max_length=MAX_PLAYERS)]
Key = Annotated[str, Field(max_length=80)]


class ForecastWanted(Received):
    """Whose forecast, and of what: a document that is being edited, briefly; or a revision, the
    newest if neither is named."""

    scouts: Scouts
    is_quick: bool = False
    revision: Annotated[int, Field(ge=1, le=2**31 - 1)] | None = None
    document: Game | None = None


class KnobView(BaseModel):
    """A number of the game that can be turned, and the values that are looked at."""

    knob: Knob
    values: tuple[int, ...]


class KnobSet(Received):
    """A number of the game at a value."""

    key: Key
    value: Annotated[int, Field(ge=-(2**31), le=2**31)]


class NewStudy(Received):
    """Runs to be played, or a number to be turned."""

    scouts: Scouts
    games: Annotated[int, Field(ge=1, le=1_000_000)] = 2000
    """How many runs, where no number is turned."""
    key: Key | None = None


class StudyView(BaseModel):
    """How far a study is."""

    id: str
    done: int
    total: int
    is_over: bool
    failure: str
    forecast: Forecast | None
    """What the runs played so far came to."""
    turned: tuple[Turned, ...]
    found: Turned | None
    """The value nearest to what was asked for, among those worked out."""


class WitnessView(BaseModel):
    """A run that leads to an ending or score."""

    ending: int | None
    score: Number
    dice: DiceName
    players: tuple[str, ...]
    inputs: tuple[Input, ...]


class WitnessesView(BaseModel):
    """Runs to every ending and score; why there is none to an ending."""

    endings: tuple[WitnessView | None, ...]
    scores: tuple[WitnessView, ...]
    why: tuple[str, ...]


class TimesView(BaseModel):
    """How likely an answer takes so many steps."""

    step_seconds: float
    shares: tuple[float, ...]
