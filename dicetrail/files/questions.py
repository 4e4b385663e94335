"""Question files of one question a row: question, right answer, one to seven wrong choices.

Reads tab- and comma-separated text. Commas follow RFC 4180 (fields in double quotes may
hold separators, line breaks and doubled quotes). Tabs follow the same rules where a row's
quotes are well formed; where they are not, the row is split at its tabs and its quotes
are kept as written. Whatever cannot become a question is kept as a refusal with its place,
its reason and its text; the rest loads.
"""

import csv
import io
import re
from collections.abc import Iterator
from dataclasses import dataclass, field
from enum import StrEnum
from itertools import islice

from dicetrail.core import Question
from dicetrail.core.questions import LEAST_FIELDS, FieldFault, field_name, first_fault
from dicetrail.files.text import FileProblem, text_of

_ROWS_LOOKED_AT = 200
_SPACES = re.compile(r" {2,}")
_QUOTED = re.compile(r'"(?:[^"]|"")*"')
_HEADING = re.compile(
    r"(the )?(question|prompt|(right|correct|wrong|false|other)?[ _-]*(answer|choice|option)s?"
    r"|right|correct|wrong|false|distractor|topic|level)s?[ _-]*(\d+|[a-h])?",
    re.IGNORECASE,
)


class Separator(StrEnum):
    """What stands between the fields of a row."""

    TAB = "tab"
    COMMA = "comma"

    @property
    def sign(self) -> str:
        """The character itself."""
        return "\t" if self is Separator.TAB else ","


@dataclass(frozen=True, slots=True)
class Refusal:
    """A row that did not become a question. `line` and `column` (the field) count from 1."""

    line: int
    column: int
    what: str
    mend: str
    text: str


@dataclass(frozen=True, slots=True)
class Reading:
    """What a question file held, and how it was read."""

    questions: tuple[Question, ...]
    refused: tuple[Refusal, ...]
    separator: Separator
    headings: tuple[str, ...] | None
    """The first row, if it was found to name the columns."""
    blank_lines: int


def read_questions(content: bytes) -> Reading:
    """Read a question file. Raises FileProblem if it cannot be read at all."""
    text = text_of(content)
    separator = _separator(text)
    questions: list[Question] = []
    refused: list[Refusal] = []
    headings: tuple[str, ...] | None = None
    blank_lines = 0
    rows = _Rows(text, separator)
    for row in rows:
        fields = list(map(str.strip, row))
        while fields and not fields[-1]:
            fields.pop()
        if not fields:
            blank_lines += 1
        elif headings is None and not questions and not refused and _is_heading(fields):
            headings = tuple(fields)
        elif fault := first_fault(fields):
            refused.append(_refusal(fault, fields, rows, separator))
        else:
            questions.append(Question(fields[0], fields[1], tuple(fields[2:])))
    refused = sorted(refused + rows.broken, key=lambda refusal: refusal.line)
    return Reading(tuple(questions), tuple(refused), separator, headings, blank_lines)


@dataclass(slots=True)
class _Rows:
    """The rows of a text, in order, with the lines they come from.

    A row that breaks the quoting rules is set aside in `broken`, and reading goes on at the
    line after the one it began in, so that one stray quote cannot swallow its neighbours.
    """

    text: str
    separator: Separator
    broken: list[Refusal] = field(default_factory=list)
    line: int = 1
    """The line in which the row last given begins."""
    _lines: list[str] = field(default_factory=list)

    def __iter__(self) -> Iterator[list[str]]:
        sign, read_before = self.separator.sign, 0
        reader = csv.reader(io.StringIO(self.text, newline=""), delimiter=sign, strict=True)
        while True:
            self.line = read_before + reader.line_num + 1
            row: list[str] | None
            try:
                row = next(reader)
            except StopIteration:
                return
            except csv.Error:
                row = self._mended()
                read_before = self.line
                rest = islice(self.lines, self.line, None)
                reader = csv.reader(rest, delimiter=sign, strict=True)
            if row is not None:
                yield row

    @property
    def lines(self) -> list[str]:
        """The lines of the text, split as its rows are; made when first wanted."""
        if not self._lines:
            self._lines = list(io.StringIO(self.text, newline=""))
        return self._lines

    def _mended(self) -> list[str] | None:
        """The row that broke, split at its tabs; or None, when it was set aside."""
        line = self.lines[self.line - 1].rstrip("\r\n")
        if self.separator is Separator.TAB:
            return line.split("\t")
        column = _broken_field(line)
        self.broken.append(
            Refusal(
                self.line,
                column,
                f"the double quotes of the {field_name(column)} are not closed, "
                "or text follows them",
                "put the whole field in double quotes and write a quote inside it twice",
                line,
            )
        )
        return None


def _separator(text: str) -> Separator:
    """The separator that makes most rows into questions. Raises FileProblem for spaces."""
    lines = io.StringIO(text, newline=None)
    sample = list(islice(filter(str.strip, lines), _ROWS_LOOKED_AT))
    whole = {
        separator: sum(line.count(separator.sign) + 1 >= LEAST_FIELDS for line in sample)
        for separator in Separator
    }
    best = Separator.TAB if whole[Separator.TAB] >= whole[Separator.COMMA] else Separator.COMMA
    spaced = sum(_is_spaced(line) for line in sample)
    if spaced > whole[best] and 2 * spaced >= len(sample):
        raise FileProblem(
            "line 1",
            "spaces stand between the fields where tabs should be",
            "have your editor put a real tab between the fields (often an option called "
            "“insert spaces for tabs” must be off), or separate them with commas",
        )
    if not whole[best]:
        return Separator.TAB if "\t" in text else Separator.COMMA
    return best


def _is_spaced(line: str) -> bool:
    return "\t" not in line and len(_SPACES.split(line.strip())) >= LEAST_FIELDS


def _is_heading(fields: list[str]) -> bool:
    """Whether a first row names its columns: most of its fields are names of columns."""
    named = sum(_HEADING.fullmatch(value) is not None for value in fields)
    return len(fields) > 1 and 2 * named > len(fields)


def _refusal(fault: FieldFault, fields: list[str], rows: _Rows, separator: Separator) -> Refusal:
    text = separator.sign.join(fields)
    if separator is Separator.TAB and len(fields) < LEAST_FIELDS and _SPACES.search(fields[-1]):
        return Refusal(
            rows.line,
            len(fields),
            "spaces stand where a tab should be",
            "put a tab between the fields",
            text,
        )
    return Refusal(rows.line, fault.field, fault.what, fault.mend, text)


def _broken_field(line: str) -> int:
    """The number of the first field of a comma-separated line whose quotes are not well formed."""
    column, position = 1, 0
    while position < len(line):
        if line[position] == '"':
            quoted = _QUOTED.match(line, position)
            if quoted is None:
                return column
            position = quoted.end()
            if position < len(line) and line[position] != ",":
                return column
        comma = line.find(",", position)
        if comma < 0:
            return column
        column, position = column + 1, comma + 1
    return column
