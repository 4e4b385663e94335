"""The shapes of kept runs on the wire."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import Input
from dicetrail.core.foresight import Held, Seen
from dicetrail.core.play import Footprint, Stop
from dicetrail.web.http_format.shapes import DiceName, Received

Name = Annotated[str, Field(min_length=1, max_length=80)]
Why = Annotated[str, Field(max_length=500)]


class KeptCard(BaseModel):
    """A kept run at a glance."""

    id: str
    name: str
    why: str
    revision: int
    """The version it was kept on, or last accepted on."""
    kept_at: datetime
    dice: DiceName
    players: tuple[str, ...]
    inputs: tuple[Input, ...]
    minds: tuple[Seen, ...]
    """The parts of what pages say that must stay as they were."""
    has_pages: bool
    """Whether what pages said is known; if not, accepting what the run leads to now keeps it."""


class OtherwiseSaid(BaseModel):
    """What a page says otherwise in a step of a kept run, with both texts."""

    step: int
    words: str


class HeldCard(BaseModel):
    """Whether a kept run still holds; if not, what is otherwise first, and where."""

    id: str
    holds: bool
    what: str
    stop: Stop | None
    step: int | None
    said: tuple[OtherwiseSaid, ...]
    """Everything that pages say otherwise."""


class HeldView(BaseModel):
    """Which kept runs hold in the game as it now stands, with its packs as they are."""

    revision: int
    runs: tuple[HeldCard, ...]


class NewKept(Received):
    """A run to be kept: one that was played, up to a step if one is named."""

    run_id: Annotated[str, Field(max_length=40)]
    name: Name
    why: Why = ""
    steps: Annotated[int | None, Field(ge=0)] = None
    """After so many inputs it ends; None keeps all."""
    minds: tuple[Seen, ...] = tuple(Seen)
    """The parts of what pages say that must stay as they are."""


class KeptChange(Received):
    """What a kept run is called, why it is kept, and what of the pages must stay."""

    name: Name
    why: Why
    minds: tuple[Seen, ...] | None = None
    """None leaves it as it is."""


class Compared(BaseModel):
    """A kept run as it was and as it is now, step by step."""

    before: tuple[tuple[Footprint, ...], ...]
    now: tuple[tuple[Footprint, ...], ...]
    held: Held
    changes: tuple[str, ...]
    """What was changed in the game since it was kept."""
