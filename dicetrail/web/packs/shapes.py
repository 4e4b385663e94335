"""The shapes of packs on the wire."""

from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import PackEdit, Pattern, Question
from dicetrail.core.draw import MOST_COLUMNS
from dicetrail.core.survey import FactsEdit, RowFault
from dicetrail.core.workbench import Column
from dicetrail.store import PackSource
from dicetrail.web.wire.shapes import Dice


class PackCard(BaseModel):
    """A pack at a glance."""

    id: str
    revision: int
    title: str
    question_count: int
    """How many questions, or rows of facts, it has."""
    columns: tuple[str, ...]
    """What the columns of its facts are called; empty for a pack of questions."""
    saved_at: datetime
    source: PackSource
    media: dict[str, str]
    """The digests of its pictures and sounds, by name."""


class PackView(PackCard):
    """A pack with its first questions, and everything that is wrong in it."""

    questions: tuple[Question, ...]
    rows: tuple[tuple[str, ...], ...]
    """The first rows of its facts."""
    faults: list[RowFault]


class PackSave(BaseModel):
    """Edits to be made one after the other, and the revision they were made on."""

    revision: int
    edits: Annotated[list[PackEdit], Field(max_length=10_000)]


class FactsSave(BaseModel):
    """Edits of facts to be made one after the other, and the revision they were made on."""

    revision: int
    edits: Annotated[list[FactsEdit], Field(max_length=10_000)]


class ColumnsSave(BaseModel):
    """The columns facts are to have, and the revision they have now."""

    revision: int
    columns: Annotated[list[Column], Field(min_length=1, max_length=MOST_COLUMNS)]


class TitleSave(BaseModel):
    """A title, and the revision it is given to."""

    revision: int
    title: Annotated[str, Field(min_length=1, max_length=200)]


class NewFacts(BaseModel):
    """A table of facts to be begun."""

    title: Annotated[str, Field(min_length=1, max_length=200)]
    columns: Annotated[list[str], Field(min_length=1, max_length=MOST_COLUMNS)]


class PatternWanted(BaseModel):
    """A pattern to be looked at, and by which dice."""

    pattern: Pattern
    dice: Dice


class PackSaved(BaseModel):
    """The revision an edit made, and everything that is wrong in it."""

    revision: int
    question_count: int
    faults: list[RowFault]
