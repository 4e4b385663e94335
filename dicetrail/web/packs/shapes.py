"""The shapes of packs on the wire."""

from collections.abc import Iterable
from datetime import datetime
from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import PackEdit, Pattern, Question
from dicetrail.core.answers import fold, tidy
from dicetrail.core.draw import MAX_COLUMNS
from dicetrail.core.survey import FactsEdit, RowFault
from dicetrail.core.workbench import FactColumn
from dicetrail.form import checked_strictly
from dicetrail.store import PackSource
from dicetrail.store.packs import PackDescription
from dicetrail.web.http_format.shapes import Dice, Received

PackTitle = Annotated[str, Field(min_length=1, max_length=200)]


class PackCard(BaseModel):
    """The card of a pack."""

    id: str
    revision: int
    title: str
    tags: tuple[str, ...]
    words: str
    """The maker's description."""
    question_count: int
    """The number of its questions, or of its rows of facts."""
    columns: tuple[str, ...]
    """The names of the columns of its facts; empty for a pack of questions."""
    saved_at: datetime
    source: PackSource
    media: dict[str, str]
    """The digests of its pictures and sounds, by name."""
    trouble: str = ""
    """The part of it that cannot be read from the store, and what to do; empty if all can be
    read."""


class PackView(PackCard):
    """A pack with its first questions and all its faults."""

    questions: tuple[Question, ...]
    rows: tuple[tuple[str, ...], ...]
    """The first rows of its facts."""
    faults: list[RowFault]


class PackSave(Received):
    """Edits to be made in order, and the revision they start from."""

    revision: int
    edits: Annotated[list[PackEdit], Field(max_length=10_000)]
    may_be_kept: bool = False
    """Whether they were sent before and no answer came. If they were kept, that is told."""
    unseen: Annotated[list[PackEdit], Field(max_length=10_000)] | None = None
    """What is in the revision and was not known where these were made, as an answer told it. None:
    they are refused if another revision was saved since; else they are put beside its edits."""


class FactsSave(Received):
    """Edits of facts to be made in order, and the revision they start from."""

    revision: int
    edits: Annotated[list[FactsEdit], Field(max_length=10_000)]
    may_be_kept: bool = False
    """Whether they were sent before and no answer came. If they were kept, that is told."""
    unseen: Annotated[list[FactsEdit], Field(max_length=10_000)] | None = None
    """What is in the revision and was not known where these were made, as an answer told it. None:
    they are refused if another revision was saved since; else they are put beside its edits."""


checked_strictly(FactColumn)


class ColumnsSave(Received):
    """The new columns of facts, and the revision they start from."""

    revision: int
    columns: Annotated[list[FactColumn], Field(min_length=1, max_length=MAX_COLUMNS)]


class PackAbout(Received):
    """The title and the description of a pack."""

    title: PackTitle
    tags: Annotated[tuple[Annotated[str, Field(max_length=40)], ...], Field(max_length=20)] = ()
    words: Annotated[str, Field(max_length=2_000)] = ""

    @property
    def description(self) -> PackDescription:
        """The stored form: tidied, each tag once."""
        return PackDescription(self.title.strip(), tags_of(self.tags), self.words.strip())


class AboutSave(PackAbout):
    """The new title and description of a pack, and the revision they start from."""

    revision: int


def tags_of(tags: Iterable[str]) -> tuple[str, ...]:
    """Tags in their stored form: tidied, each once."""
    found = {fold(tag): tidy(tag) for tag in tags if tidy(tag)}
    return tuple(found.values())


class PackJoin(Received):
    """The packs whose content a new pack gets."""

    title: PackTitle
    packs: Annotated[list[str], Field(min_length=2, max_length=50)]


class PackSplit(Received):
    """The rows of a revision, from 0, that move to a new pack."""

    revision: int
    title: PackTitle
    rows: Annotated[set[int], Field(min_length=1, max_length=200_000)]


class NewPack(Received):
    """A new pack, to be filled in on the page."""

    title: PackTitle
    columns: Annotated[tuple[str, ...], Field(max_length=MAX_COLUMNS)] = ()
    """The columns of a table of facts; without columns it is a pack of questions."""


class PatternWanted(Received):
    """A pattern to be looked at, and by which dice."""

    pattern: Pattern
    dice: Dice


class PackSaved(BaseModel):
    """The revision an edit made, and all its faults."""

    revision: int
    question_count: int
    faults: list[RowFault]
    unseen: tuple[PackEdit, ...] | tuple[FactsEdit, ...] = ()
    """The changes that others made meanwhile, as edits to make after those that were sent."""
