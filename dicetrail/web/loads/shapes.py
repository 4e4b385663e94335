"""The shapes of files on their way in."""

from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core import Facts, Problem, Question
from dicetrail.core.answers import Comparison
from dicetrail.files import Plan, Refusal
from dicetrail.services.loads import Mended, Stage, Target
from dicetrail.web.http_format.shapes import Received


class LoadLook(Received):
    """A plan to look at a file by, rows newly mended by their line, and where it would go."""

    plan: Plan
    mended: Annotated[Mended, Field(default_factory=dict, max_length=10_000)]
    target: Target = Target()


class LoadTake(Received):
    """Where the questions of a file are to go."""

    target: Target


class LoadView(BaseModel):
    """What a file would give. Only its first rows are looked at when there are very many."""

    id: str
    file_name: str
    plan: Plan
    headings: tuple[str, ...] | None
    first_rows: tuple[tuple[str, ...], ...]
    sheets: tuple[str, ...]
    """The sheets of a workbook, to choose from."""
    is_whole: bool
    """Whether all of the file was looked at, and not its first rows alone."""
    rows: int
    rows_expected: int
    blank_lines: int
    media: list[str]
    question_count: int
    """How many questions, or rows of facts, it gives."""
    facts: Facts | None
    """The columns and first rows of what is read as facts."""
    questions: tuple[Question, ...]
    refused_count: int
    refused: tuple[Refusal, ...]
    comparison: Comparison | None
    may_be_facts: bool
    """Whether what was read as questions looks like a table of facts."""
    notes: tuple[str, ...]
    """What of it was left out, and how what could be read otherwise was read."""


class LoadProgress(BaseModel):
    """How far the taking of a file is; at its end the pack, or what was wrong."""

    stage: Stage
    rows_read: int
    rows_expected: int
    pack_id: str | None
    problem: Problem | None
