"""The shapes of packs on the wire."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import PackEdit, Question
from dicetrail.core.survey import RowFault
from dicetrail.store import PackSource


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


class PackSave(BaseModel):
    """Edits to be made one after the other, and the revision they were made on."""

    revision: int
    edits: Annotated[list[PackEdit], Field(max_length=10_000)]


class PackSaved(BaseModel):
    """The revision an edit made, and everything that is wrong in it."""

    revision: int
    question_count: int
    faults: list[RowFault]
