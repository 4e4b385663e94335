"""Read the rows of a file, with the lines they come from.

Separated text follows RFC 4180 (fields in double quotes may hold separators, line breaks
and doubled quotes). A tab-separated row whose quotes are not well formed is split at its
tabs and keeps its quotes as written; in any other, the row is set aside and reading goes on
at the next line, so that one stray quote cannot swallow its neighbours.
"""

import csv
import datetime
import io
import re
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass, field
from functools import lru_cache
from itertools import islice
from typing import IO, Any, Protocol

from python_calamine import CalamineWorkbook

from dicetrail.core.document import as_whole_text
from dicetrail.files.archives import entries_of, is_archive, is_locked, left_out
from dicetrail.files.plan import Separator
from dicetrail.files.tables import FORMULA
from dicetrail.files.text import FileProblem

MAX_COLUMNS = 60
MAX_ROWS = 1_048_576
"""The rows of a workbook (ECMA-376: what spreadsheet programs take; from memory)."""
MAX_CELL = 100_000
"""The longest field, in characters."""

_LINES_AT_ONCE = 1_000_000
"""About this many characters are split into lines at once."""

_QUOTED = re.compile(r'"(?:[^"]|"")*"')
_GUARDED = re.compile(f"'+{FORMULA}")


@dataclass(frozen=True, slots=True)
class Refusal:
    """A row that did not become a question. `line` and `column` (the field) count from 1."""

    line: int
    column: int
    what: str
    mend: str
    text: str
    cells: tuple[str, ...] = ()

    def __post_init__(self) -> None:
        # It is shown and sent, so what could not be read in it stands as such.
        object.__setattr__(self, "text", as_whole_text(self.text))
        object.__setattr__(self, "cells", tuple(map(as_whole_text, self.cells)))
        object.__setattr__(self, "what", as_whole_text(self.what))


class Rows(Protocol):
    """Rows in order; `line` is the line in which the row last given begins."""

    line: int
    broken: list[Refusal]

    def __iter__(self) -> Iterator[list[str]]:
        """The cells of each row."""


@dataclass(slots=True)
class SeparatedRows:
    """The rows of separated text."""

    text: str
    separator: Separator
    broken: list[Refusal] = field(default_factory=list)
    line: int = 1
    _lines: list[str] = field(default_factory=list)

    def __iter__(self) -> Iterator[list[str]]:
        character, read_before = self.separator.character, 0
        reader = csv.reader(_lines_of(self.text), delimiter=character, strict=True)
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
                reader = csv.reader(rest, delimiter=character, strict=True)
            if row is not None:
                yield row

    @property
    def lines(self) -> list[str]:
        """The lines of the text, split as its rows are; made when first wanted."""
        if not self._lines:
            self._lines = list(_lines_of(self.text))
        return self._lines

    def _mended(self) -> list[str] | None:
        """The row that broke, split at its tabs; or None, when it was set aside."""
        line = self.lines[self.line - 1].rstrip("\r\n")
        if self.separator is Separator.TAB and len(line) <= MAX_CELL:
            return line.split("\t")
        character = self.separator.character
        column = _broken_field(line, character)
        what, mend = (
            "the double quotes of this field are not closed, or text follows them",
            "put the whole field in double quotes and write a quote inside it twice",
        )
        if max(map(len, line.split(character))) > MAX_CELL:
            what, mend = f"a field is longer than {MAX_CELL:,} characters", "shorten it"
        cells = tuple(cell[:MAX_CELL] for cell in line.split(character))
        self.broken.append(Refusal(self.line, column, what, mend, line[:MAX_CELL], cells))
        return None


@dataclass(slots=True)
class WorkbookRows:
    """The rows of a sheet of a workbook, every cell as the text it shows.

    Raises FileProblem if the workbook cannot be read.
    """

    content: bytes
    sheet: str = ""
    """Its name; the first sheet with content if no sheet has that name."""
    is_first_look: bool = False
    """Whether its first rows will do, of a large workbook."""
    is_cut: bool = False
    """Whether there are rows after those that are read."""
    line: int = 0
    broken: list[Refusal] = field(default_factory=list)
    sheets: tuple[str, ...] = ()
    """The names of all its sheets."""
    _rows: list[list[Any]] = field(default_factory=list)
    _first: int = 0

    def __post_init__(self) -> None:
        try:
            content = self.content
            if self.is_first_look:
                content, self.is_cut = _cut_short(content)
            self.sheets = tuple(CalamineWorkbook.from_filelike(io.BytesIO(content)).sheet_names)
            for name in [self.sheet] if self.sheet in self.sheets else self.sheets:
                self.sheet = name
                self._first, self._rows = _cells_of(content, name)
                if self._rows:
                    return
            what = "no sheet of this workbook holds anything"
            raise FileProblem("the file", what, "choose another file")
        except (FileProblem, MemoryError, KeyboardInterrupt, SystemExit):
            raise
        except BaseException as error:  # whatever a damaged one makes fail; a panic is no Exception
            if is_locked(self.content):
                what, mend = "this file is locked with a password", "save it without one"
                raise FileProblem("the file", what, mend) from error
            raise FileProblem(
                "the file",
                f"this workbook cannot be read ({type(error).__name__})",
                "save it anew as XLSX, or as comma-separated text",
            ) from error

    def __iter__(self) -> Iterator[list[str]]:
        for self.line, row in enumerate(self._rows, self._first + 1):  # noqa: B020
            yield [cell_text(value) for value in row]

    @property
    def notes(self) -> tuple[str, ...]:
        """In sentences: what was left out, and how dates were read."""
        is_open = is_archive(self.content)
        found = left_out(entry.filename for entry in entries_of(self.content)) if is_open else ()
        days = (isinstance(value, datetime.date) for row in self._rows for value in row)
        more = [_DAYS] if any(days) else []
        if is_open:
            more += [
                words
                for words, character in _SAID_OF_CELLS
                if _holds_character(self.content, character)
            ]
        return (*found, *more)


_SAID_OF_CELLS = (
    ("Cells whose formula failed are read as empty.", re.compile(rb' t="e"|value-type="error"')),
    (
        "Merged cells count once, where they begin; the others are empty.",
        re.compile(rb"<mergeCell |-(?:rows|columns)-spanned="),
    ),
)
_LOOKED_THROUGH = 8_000_000


def _holds_character(content: bytes, character: re.Pattern[bytes]) -> bool:
    """Whether the cells of a workbook, as far as they are looked through, have a character."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            names = [name for name in archive.namelist() if _OF_CELLS.search(name)]
            return any(character.search(archive.open(name).read(_LOOKED_THROUGH)) for name in names)
    except MemoryError:
        raise
    except Exception:  # what this reader of archives trips over, the one of workbooks has read
        return False


_OF_CELLS = re.compile(r"^xl/worksheets/[^/]+\.xml$|^content\.xml$")
_DAYS = "Days are read as 2026-09-19, whatever form they have in it."


@lru_cache(maxsize=1)  # a sheet is guessed at first, and then looked at
def _cells_of(content: bytes, name: str) -> tuple[int, list[list[Any]]]:
    """The row, from 0, at which a sheet begins to be filled, and its cells from there."""
    sheet = CalamineWorkbook.from_filelike(io.BytesIO(content)).get_sheet_by_name(name)
    if sheet.height > MAX_ROWS:
        what = f"a workbook has {MAX_ROWS:,} rows at most"
        raise FileProblem(name, what, "take out the empty rows before the last")
    return (sheet.start[0] if sheet.start else 0), sheet.to_python(skip_empty_area=True)


FIRST_ROWS = 6_000
"""So many rows of a large workbook are read at a first look."""
_LARGE = 4_000_000
_AT_ONCE = 1_000_000


@lru_cache(maxsize=1)
def _cut_short(content: bytes) -> tuple[bytes, bool]:
    """A workbook with the first rows of its large sheets alone, and whether any was cut.

    The library reads a sheet to its end, which takes more than a second for a long one. So a
    preview gets a shorter sheet. Only XLSX can be cut so (ECMA-376, 18.3.1).
    """
    if not is_archive(content):
        return content, False
    entries = entries_of(content)
    large = {
        entry.filename
        for entry in entries
        if entry.filename.startswith("xl/worksheets/") and entry.file_size > _LARGE
    }
    if not large:
        return content, False
    made, is_cut = io.BytesIO(), False
    with zipfile.ZipFile(io.BytesIO(content)) as old, zipfile.ZipFile(made, "w") as new:
        for entry in entries:
            with old.open(entry) as held:
                start = _first_rows(held) if entry.filename in large else None
            is_cut = is_cut or start is not None
            new.writestr(entry.filename, old.read(entry) if start is None else start)
    return made.getvalue(), is_cut


def _first_rows(sheet: IO[bytes]) -> bytes | None:
    """A sheet cut after a number of rows, and closed there; None if it has no more rows."""
    held, rows = b"", 0
    while piece := sheet.read(_AT_ONCE):
        held += piece
        rows = held.count(_ROW_ENDS)
        if rows > FIRST_ROWS:
            place = -1
            for _ in range(FIRST_ROWS):
                place = held.index(_ROW_ENDS, place + 1)
            return held[: place + len(_ROW_ENDS)] + b"</sheetData></worksheet>"
    return None


_ROW_ENDS = b"</row>"


def unguarded(cell: str) -> str:
    """A field without the quote that keeps a spreadsheet from running it as a formula."""
    return cell[1:] if cell.startswith("'") and _GUARDED.match(cell) else cell


def cell_text(value: object) -> str:
    """A cell's value as text: whole numbers without a point, days as 2026-09-19."""
    match value:
        case None:
            return ""
        case bool():
            return "true" if value else "false"
        case float() if value.is_integer() and abs(value) < 1e15:
            return str(int(value))
        case datetime.datetime() if value.time() == datetime.time():
            return value.date().isoformat()
        case datetime.timedelta():
            return str(value)
    return str(value)


def _lines_of(text: str) -> Iterator[str]:
    """The lines of a text with their ends, which are CR, LF or both.

    The text is split in parts: a whole copy would take four bytes a character.
    """
    start = 0
    while start < len(text):
        end = text.find("\n", start + _LINES_AT_ONCE) + 1 or len(text)
        yield from io.StringIO(text[start:end], newline="")
        start = end


def _broken_field(line: str, character: str) -> int:
    """The number of the first field of a line whose quotes are not well formed."""
    column, position = 1, 0
    while position < len(line):
        if line[position] == '"':
            quoted = _QUOTED.match(line, position)
            if quoted is None:
                return column
            position = quoted.end()
            if position < len(line) and line[position] != character:
                return column
        following = line.find(character, position)
        if following < 0:
            return column
        column, position = column + 1, following + 1
    return column
