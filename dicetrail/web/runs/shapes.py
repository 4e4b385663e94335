"""The shapes of runs at the maker's table."""

from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import Action, Input, Table
from dicetrail.core.play import Footprint, Intent
from dicetrail.limits import MAX_MS
from dicetrail.services.runs import MAX_TABLE_INPUTS
from dicetrail.web.http_format.shapes import Dice, DiceName, PlayerNames, Received


class NewRun(Received):
    """A run to be started. Without dice, new ones are rolled.

    `inputs` are played at once. So a run can branch off another.
    """

    game_id: str
    dice: Dice | None = None
    players: PlayerNames = ("Player",)
    inputs: Annotated[tuple[Input, ...], Field(max_length=MAX_TABLE_INPUTS)] = ()


class TableInput(Received):
    """An input at the maker's table, whose clock is the maker's own: to hold, hurry and rewind."""

    seen: Annotated[int, Field(ge=0)]
    action: Annotated[Action, Field(discriminator="action")]
    at: Annotated[int, Field(ge=0, le=MAX_MS)]
    """Milliseconds of the run's own time since it began."""


class Outcomes(Received):
    """The results to play on the player's behalf."""

    seen: Annotated[int, Field(ge=0)]
    at: Annotated[int, Field(ge=0, le=MAX_MS)]
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
    """Whether it is a player's run. The maker can watch and branch it, but not continue it."""
    sounds: tuple[str, ...]
    """The names of the sounds that can be played in it."""
    seen: int
    steps_from: int
    steps: list[StepView]
