"""Value types that several resources share.

The document and everything the core says about a run are the core's own dataclasses; the
shapes beside the routes are only the envelopes they travel in.
"""

from typing import Annotated, Any, Literal

from fastapi import Path
from pydantic import BaseModel, BeforeValidator, ConfigDict, Field

from dicetrail.core.document import MAX_PLAYERS
from dicetrail.core.draw import HIGHEST_DICE, dice_named

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

PlayerName = Annotated[str, Field(max_length=200)]
PlayerNames = Annotated[tuple[PlayerName, ...], Field(min_length=1, max_length=MAX_PLAYERS)]
Title = Annotated[str, Field(max_length=200)]


class Received(BaseModel):
    """What is sent to this server. A field it does not know is refused, since it was meant."""

    model_config = ConfigDict(extra="forbid")


class Health(BaseModel):
    """That the server answers."""

    status: Literal["ok"] = "ok"
