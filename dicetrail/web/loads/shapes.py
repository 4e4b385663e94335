"""The shapes of loads on the wire."""

from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import Facts, Problem, Question
from dicetrail.core.answers import Comparison
from dicetrail.files import Plan, Refusal
from dicetrail.services.loads import Mended, Stage, Target
from dicetrail.web.http_format.shapes import Received


class LoadLook(Received):
    """A plan to preview a file by, further corrected rows by their line, and the target."""

    plan: Plan
    mended: Annotated[Mended, Field(default_factory=dict, max_length=10_000)]
    target: Target = Target()


class LoadTake(Received):
    """The target for the questions of a file."""

    target: Target


class LoadView(BaseModel):
    """The preview of a file. Of a very long file, only the first rows are read."""

    id: str
    file_name: str
    plan: Plan
    headings: tuple[str, ...] | None
    first_rows: tuple[tuple[str, ...], ...]
    sheets: tuple[str, ...]
    """The sheets of a workbook, to choose from."""
    is_whole: bool
    """Whether the whole file was read, not only its first rows."""
    rows: int
    rows_expected: int
    blank_lines: int
    media: list[str]
    question_count: int
    """The number of questions, or of rows of facts, in it."""
    facts: Facts | None
    """The columns and first rows, if it is read as facts."""
    questions: tuple[Question, ...]
    refused_count: int
    refused: tuple[Refusal, ...]
    comparison: Comparison | None
    may_be_facts: bool
    """Whether the questions look like a table of facts."""
    notes: tuple[str, ...]
    """In sentences: what was left out, and how ambiguous values were read."""


class LoadProgress(BaseModel):
    """The progress of a load that is being taken; at the end the pack, or the fault."""

    stage: Stage
    rows_read: int
    rows_expected: int
    pack_id: str | None
    problem: Problem | None
