"""Write packs in open formats that other programs read.

Separated text follows RFC 4180; tab-separated text also IANA's text/tab-separated-values,
so no field of it holds a tab or a line break. A field that a spreadsheet would run as a
formula begins with a single quote, which reading takes off again.
"""

import io
import json
import re
from collections.abc import Callable, Iterable, Iterator, Mapping, Sequence
from dataclasses import asdict, replace
from functools import partial
from types import MappingProxyType
from typing import Any

import yaml
from openpyxl import Workbook
from openpyxl.cell import WriteOnlyCell

from dicetrail.core import PLAIN, Kind, Pack, Question
from dicetrail.core.document import DETAILS, Value, with_words_marked
from dicetrail.files.items import written_items
from dicetrail.files.json_yaml import MAX_YAML, PLAIN_NUMBERS
from dicetrail.files.plan import Separator
from dicetrail.files.questions import read_questions
from dicetrail.files.tables import guarded, separated
from dicetrail.files.text import NO_CHARACTER, FileProblem
from dicetrail.limits import MAX_FILE

_IN_A_ROW = re.compile(r"[\t\r\n]")
_NOTHING = re.compile("\0")
"""The null character, at which readers of separated text stop."""


def _refuse(
    rows: Iterable[Sequence[str]], characters: re.Pattern[str], what: str, mend: str
) -> None:
    """Raise FileProblem for the first cell that contains one of these characters."""
    for line, row in enumerate(rows, 1):
        for column, cell in enumerate(row, 1):
            if characters.search(cell):
                raise FileProblem(f"row {line}, column {column}", what, mend)


def written_tsv(pack: Pack) -> bytes:
    """The pack as tab-separated text. Raises FileProblem if a field cannot stand in a row."""
    rows = list(_rows(pack))
    what = "a tab or line break cannot stand in tab-separated text"
    mend = "save the pack as CSV, XLSX, JSON or YAML, or take the break out"
    _refuse(rows, _IN_A_ROW, what, mend)
    _refuse(rows, _NOTHING, *_NO_NOTHING)
    lines = ["\t".join(_tab_field(guarded(cell)) for cell in row) for row in rows]
    return ("\n".join(lines) + "\n").encode()


def written_csv(pack: Pack, separator: Separator = Separator.COMMA) -> bytes:
    """The pack as separated text after RFC 4180. Raises FileProblem where that cannot be read."""
    rows = list(_rows(pack))
    _refuse(rows, _NOTHING, *_NO_NOTHING)
    return separated(rows, separator.character).encode()


_NO_NOTHING = (
    "a null character (U+0000) cannot stand in separated text",
    "save the pack as JSON, or take the character out",
)


def written_xlsx(pack: Pack) -> bytes:
    """The pack as a workbook of one sheet, every cell a text and none a formula."""
    rows = list(_rows(pack))
    for line, row in enumerate(rows, 1):
        if (length := max(map(len, row))) > MAX_IN_CELL:
            what = f"a text of {length:,} characters is more than a cell of a workbook holds"
            raise FileProblem(f"row {line}", what, "save the pack as CSV or JSON")
    what = "a character that cannot be seen cannot stand in a workbook"
    _refuse(rows, NO_CHARACTER, what, "save the pack as JSON, or take the character out")
    book = Workbook(write_only=True)
    sheet = book.create_sheet("Questions" if pack.facts is None else "Facts")
    for row in rows:
        cells = []
        for text in row:
            cell = WriteOnlyCell(sheet, value=text)
            cell.data_type = "s"  # a text even if it begins like a formula
            cells.append(cell)
        sheet.append(cells)
    out = io.BytesIO()
    book.save(out)
    return out.getvalue()


def written_json(pack: Pack) -> bytes:
    """The pack as JSON."""
    return json.dumps(_document(pack), ensure_ascii=False, indent=1).encode()


class _PlainDumper(yaml.CSafeDumper):
    """Writes in marks what this reader, or one of YAML 1.1, would take for a number."""


for _number in PLAIN_NUMBERS:
    _PlainDumper.add_implicit_resolver(*_number)
_PlainDumper.add_multi_representer(Value, lambda dumper, word: dumper.represent_str(word.value))


def written_yaml(pack: Pack) -> bytes:
    """The pack as YAML."""
    text: str = yaml.dump(
        _document(pack), Dumper=_PlainDumper, allow_unicode=True, sort_keys=False, width=10_000
    )
    return text.encode()


def written_text(pack: Pack) -> bytes:
    """The pack as plain text of two columns, question and answer, with a tab between.

    Raises FileProblem if reading that back would not give the same questions.
    """
    if pack.facts is not None:
        return written_tsv(pack)
    rows = [(question.prompt, question.answer) for question in pack.questions]
    text = "".join(f"{guarded(prompt)}\t{guarded(answer)}\n" for prompt, answer in rows).encode()
    try:
        is_same = read_questions(text).questions == pack.questions
    except FileProblem:
        is_same = False
    if not is_same:
        raise FileProblem(
            "the pack",
            "two columns, question and answer, cannot carry all of it",
            "save it as TSV, CSV, XLSX, JSON or YAML",
        )
    return text


def _as_items(version: str, pack: Pack, media: Mapping[str, bytes]) -> bytes:
    """The pack as items of QTI, with its pictures. Raises FileProblem at what does not fit."""
    if pack.facts is not None:
        raise FileProblem("the pack", "facts are a table, and no items", "save it as TSV or CSV")
    return written_items(pack, version, media)


WRITERS: dict[str, tuple[str, Callable[[Pack], bytes]]] = {
    "tsv": ("text/tab-separated-values; charset=utf-8", written_tsv),
    "csv": ("text/csv; charset=utf-8", written_csv),
    "txt": ("text/plain; charset=utf-8", written_text),
    "xlsx": ("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", written_xlsx),
    "json": ("application/json", written_json),
    "yaml": ("application/yaml", written_yaml),
}
"""By file ending: the media type and the writer of each format that carries any question."""

ITEM_WRITERS: dict[str, tuple[str, Callable[[Pack, Mapping[str, bytes]], bytes]]] = {
    "qti3.zip": ("application/zip", partial(_as_items, "3.0")),
    "qti21.zip": ("application/zip", partial(_as_items, "2.1")),
}
"""The same of packages of items, which carry most questions, and the pictures that they show."""

MAX_IN_WORKBOOK = 50_000
"""So many questions of a workbook are read in the time there is for a file."""

MAX_IN_CELL = 32_767
"""The most characters in a cell of a workbook (Excel's specifications and limits, from memory)."""

_NO_MEDIA: Mapping[str, bytes] = MappingProxyType({})
_OTHERS = {"xlsx": "CSV or JSON", "yaml": "JSON or CSV"}


def written(pack: Pack, ending: str, media: Mapping[str, bytes] = _NO_MEDIA) -> bytes:
    """The pack in the format of a file extension. The result can be read back. `media` are its
    pictures, by their names, for a format that carries them.

    Raises FileProblem if it would be larger than a file that can be read.
    """
    is_too_much = (ending == "xlsx" and len(pack.questions) > MAX_IN_WORKBOOK) or (
        ending == "yaml" and sum(len(question.prompt) for question in pack.questions) > MAX_YAML
    )
    if is_too_much:
        content = b""
    elif ending in ITEM_WRITERS:
        content = ITEM_WRITERS[ending][1](pack, media)
    else:
        content = WRITERS[ending][1](pack)
    if ending == "yaml" and len(content) > MAX_YAML:
        is_too_much = len(content.decode()) > MAX_YAML
    if is_too_much or len(content) > MAX_FILE:
        mend = f"save it as {_OTHERS.get(ending, 'two packs')}"
        raise FileProblem("the pack", f"it is more than is read of {ending.upper()}", mend)
    return content


def _tab_field(cell: str) -> str:
    """A field between tabs: in quotes only if a reader would otherwise remove quotes of its own."""
    return '"' + cell.replace('"', '""') + '"' if cell.startswith('"') else cell


def _rows(pack: Pack) -> Iterator[list[str]]:
    """A row of headings, then one row for each question, without empty columns. For facts, their
    columns and rows."""
    if pack.facts is not None:
        width = len(pack.facts.columns)
        yield list(pack.facts.columns)
        yield from (_padded(row, width) for row in pack.facts.rows)
        return
    questions = tuple(map(_as_marked, pack.questions))
    rights = max((len(question.right) for question in questions), default=1)
    wrongs = max((len(question.wrong) for question in questions), default=0)
    replies = max((len(question.replies) for question in questions), default=0)
    has_kinds = any(question.kind is not Kind.CHOICE for question in questions) or not wrongs
    details = [
        detail
        for detail in DETAILS
        if any(
            _is_said(question, detail.field)
            for question in questions
            if question.details is not PLAIN
        )
    ]
    yield [
        *(["kind"] if has_kinds else []),
        "question",
        *_numbered("right answer", rights),
        *_numbered("wrong choice", wrongs),
        *_numbered("reply", replies),
        *(detail.heading for detail in details),
    ]
    for question in questions:
        yield [
            *([question.kind.value] if has_kinds else []),
            question.prompt,
            *_padded(question.right, rights),
            *_padded(question.wrong, wrongs),
            *_padded(question.replies, replies),
            *(_shown(getattr(question.details, detail.field)) for detail in details),
        ]


def _as_marked(question: Question) -> Question:
    """A question with the right words of its gaps marked in its text; as it is if it has none, or
    if they cannot be marked."""
    marked = with_words_marked(question.prompt, question.right) if question.gaps else None
    return question if marked is None else replace(question, prompt=marked, right=())


def _is_said(question: Question, field: str) -> bool:
    """Whether a question carries more in a field than what everybody expects."""
    return bool(getattr(question.details, field) != getattr(PLAIN, field))


def _numbered(name: str, count: int) -> list[str]:
    return [name if count == 1 else f"{name} {number + 1}" for number in range(count)]


def _padded(texts: tuple[str, ...], width: int) -> list[str]:
    return [*texts, *[""] * (width - len(texts))]


def _shown(value: str | int | None) -> str:
    return "" if value is None else str(value)


def _document(pack: Pack) -> dict[str, Any] | list[dict[str, str]]:
    if pack.facts is not None:
        columns = pack.facts.columns
        return [
            dict(zip(columns, _padded(row, len(columns)), strict=True)) for row in pack.facts.rows
        ]
    return {"title": pack.title, "questions": [_entry(question) for question in pack.questions]}


def _entry(question: Question) -> dict[str, Any]:
    entry: dict[str, Any] = {"prompt": question.prompt}
    if question.kind is not Kind.CHOICE:
        entry["kind"] = question.kind.value
    entry["right"] = list(question.right)
    if question.wrong:
        entry["wrong"] = list(question.wrong)
    if question.replies:
        entry["replies"] = list(question.replies)
    details = asdict(question.details)
    entry |= {name: value for name, value in details.items() if _is_said(question, name)}
    return entry
