"""Documents of word processors (DOCX, ODT) as lines of text and tables.

The reading follows what a reader sees: the numbers and letters of lists, marked words (bold,
underlined, highlighted), tables row by row. Macros and embedded objects are left where they are.
DOCX after ECMA-376, ODT after OASIS OpenDocument 1.2 (both from memory).
"""

import io
from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any
from xml.etree.ElementTree import Element

import docx
from defusedxml.ElementTree import fromstring
from docx.oxml.ns import qn
from docx.table import Table

from dicetrail.core.answers import LETTERS
from dicetrail.files.archives import content_of, entries_of, left_out
from dicetrail.files.grids import GridRows
from dicetrail.files.text import FileProblem
from dicetrail.files.written_out import TextLine, is_label

MAX_LINES = 200_000
MAX_COLUMNS_REPEATED = 60
_DOCX, _ODT = "word/document.xml", "content.xml"


@dataclass(frozen=True, slots=True)
class Paper:
    """A document: its lines, tables left out, and its largest table."""

    lines: tuple[TextLine, ...]
    table: GridRows | None
    notes: tuple[str, ...] = ()
    """What was left out, in sentences."""


@lru_cache(maxsize=1)  # a document is guessed at first, and then looked at
def read_paper(content: bytes) -> Paper:
    """The lines and the table of a document. Raises FileProblem."""
    entries = {entry.filename: entry for entry in entries_of(content)}
    held = content_of(content, entries[_DOCX if _DOCX in entries else _ODT])
    if held.count(b"<w:p>") + held.count(b"<w:p ") + held.count(b"<text:p") > MAX_LINES:
        raise _TOO_LONG
    try:
        paper = _made(_of_docx(content) if _DOCX in entries else _of_odt(held))
        return replace(paper, notes=left_out(entries))
    except FileProblem:
        raise
    except Exception as error:  # whatever a damaged or hostile document makes fail
        raise FileProblem(
            "the file",
            f"this document cannot be read ({type(error).__name__})",
            "save it anew as DOCX or ODT, or as plain text",
        ) from error


_TOO_LONG = FileProblem(
    "the file", f"it has more than {MAX_LINES:,} lines", "split it into several documents"
)


_Part = tuple[str, bool] | list[list[str]]
"""A line and whether it is marked, or the rows of a table."""


def _made(parts: Iterator[_Part]) -> Paper:
    lines: list[TextLine] = []
    largest: list[tuple[int, list[str]]] = []
    number = 0
    for part in parts:
        number += 1
        if number > MAX_LINES:
            raise _TOO_LONG
        if isinstance(part, tuple):
            lines += [TextLine(number, text, part[1]) for text in part[0].split("\n")]
        elif len(part) > 1 and sum(map(len, part)) > sum(len(row) for _, row in largest):
            largest = list(enumerate(part, number))
            number += len(part)
    return Paper(tuple(lines), GridRows(largest) if largest else None)


def _of_docx(content: bytes) -> Iterator[_Part]:
    document = docx.Document(io.BytesIO(content))
    return _docx_parts(document, _ListLabels(document))


def _docx_parts(holder: Any, lists: "_ListLabels") -> Iterator[_Part]:
    """The content of a document or of a table cell. A table of one column only frames its lines, so
    it is read as lines. A table in another table is read as a separate table."""
    for part in holder.iter_inner_content():
        if not isinstance(part, Table):
            paragraph: Any = part._p
            yield lists.label(paragraph) + _said_in(paragraph), _is_marked(paragraph)
            continue
        rows = [_cells(row) for row in part.rows]
        if any(len(row) > 1 for row in rows):
            yield [[" ".join(cell.text.split()) for cell in row] for row in rows]
            inner = (cell for row in rows for cell in row)
            for cell in inner:
                if cell.tables:
                    yield from (found for found in _docx_parts(cell, lists) if _is_table(found))
        else:
            for row in rows:
                for cell in row:
                    yield from _docx_parts(cell, lists)


def _is_table(part: _Part) -> bool:
    return not isinstance(part, tuple)


def _cells(row: Any) -> list[Any]:
    """The cells of a row, merged ones once."""
    seen: list[Any] = []
    for cell in row.cells:
        if not any(cell._tc is other._tc for other in seen):
            seen.append(cell)
    return seen


def _is_marked(paragraph: Any) -> bool:
    """Whether all that a paragraph says is bold, underlined or highlighted."""
    runs = [run for run in paragraph.iter(_RUN) if not is_label(_said_in(run))]
    return bool(runs) and all(map(_is_run_marked, runs))


def _is_run_marked(run: Any) -> bool:
    properties = run.find(_PROPERTIES)
    if properties is None:
        return False
    marks = (properties.find(mark) for mark in _MARKS)
    return any(mark is not None and mark.get(_VALUE) not in _NO_MARK for mark in marks)


def _said_in(element: Any) -> str:
    """The text of a paragraph or of a part of it; breaks and tabs as such."""
    return "".join(
        (said.text or "") if said.tag == _WORDS else _CHARACTERS[said.tag]
        for said in element.iter(_WORDS, *_CHARACTERS)
    )


_RUN, _PROPERTIES, _VALUE, _WORDS = qn("w:r"), qn("w:rPr"), qn("w:val"), qn("w:t")
_MARKS = (qn("w:b"), qn("w:u"), qn("w:highlight"))
_NO_MARK = ("0", "false", "none")
_CHARACTERS = {qn("w:tab"): "\t", qn("w:br"): "\n", qn("w:cr"): "\n", qn("w:noBreakHyphen"): "-"}


class _ListLabels:
    """The labels that the lists of a document put before paragraphs: numbers, letters, bullets."""

    def __init__(self, document: Any) -> None:
        self._names = {style.style_id: style.name or "" for style in document.styles}
        self._forms = _number_formats(document)
        self._counts: Counter[tuple[str, int]] = Counter()

    def label(self, paragraph: Any) -> str:
        """The label before a paragraph. It is not part of its text."""
        properties = paragraph.pPr
        if properties is None:
            return ""
        counts, name = self._counts, self._names.get(paragraph.style or "", "")
        numbered = properties.numPr
        if numbered is None or numbered.numId is None:
            if name.startswith("List Bullet"):
                return "• "
            if not name.startswith("List Number"):
                return ""
            counts[name, 0] += 1
            return f"{counts[name, 0]}. "
        level = numbered.ilvl.val if numbered.ilvl is not None else 0
        which = str(numbered.numId.val)
        counts[which, level] += 1
        for deeper in range(level + 1, 10):
            counts[which, deeper] = 0
        return as_listed(self._forms.get((which, str(level)), "bullet"), counts[which, level])


def _number_formats(document: Any) -> dict[tuple[str, str], str]:
    """How each level of each list is counted: ``decimal``, ``lowerLetter``, ``bullet``, others."""
    try:
        numbering = document.part.numbering_part.element
    except (KeyError, NotImplementedError):
        return {}
    forms = {
        (form.get(qn("w:abstractNumId")), level.get(qn("w:ilvl"))): level.find(qn("w:numFmt"))
        for form in numbering.findall(qn("w:abstractNum"))
        for level in form.findall(qn("w:lvl"))
    }
    found = {}
    for number in numbering.findall(qn("w:num")):
        abstract = number.find(qn("w:abstractNumId")).get(qn("w:val"))
        for (of, level), form in forms.items():
            if of == abstract and form is not None:
                found[number.get(qn("w:numId")), level] = str(form.get(qn("w:val")))
    return found


def as_listed(form: str, count: int) -> str:
    """The label of a list item: its letter, its number or a bullet."""
    if "Letter" in form or form in ("a", "A"):
        return f"{LETTERS[min(count, len(LETTERS)) - 1].lower()}) "
    return f"{count}. " if form in ("decimal", "1", "decimalZero") else "• "


_TEXT = "{urn:oasis:names:tc:opendocument:xmlns:text:1.0}"
_TABLE = "{urn:oasis:names:tc:opendocument:xmlns:table:1.0}"
_ROW_GROUPS = tuple(f"{_TABLE}table-{name}" for name in ("header-rows", "row-group", "rows"))
_STYLE = "{urn:oasis:names:tc:opendocument:xmlns:style:1.0}"
_FO = "{urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0}"


def _of_odt(content: bytes) -> Iterator[_Part]:
    root = fromstring(content)
    marked = {
        style.get(f"{_STYLE}name", "")
        for style in root.iter(f"{_STYLE}style")
        for text in style.iter(f"{_STYLE}text-properties")
        if _stands_out(text)
    }
    forms = {
        style.get(f"{_STYLE}name", ""): {
            int(level.get(f"{_TEXT}level", "1")): level.get(f"{_STYLE}num-format", "")
            for level in style
            if level.tag.startswith(f"{_TEXT}list-level-style-")
        }
        for style in root.iter(f"{_TEXT}list-style")
    }
    body = root.find("{urn:oasis:names:tc:opendocument:xmlns:office:1.0}body")
    for inner in body if body is not None else ():
        yield from _odt_parts(inner, marked, forms)


def _stands_out(text: Element) -> bool:
    underlined = text.get(f"{_STYLE}text-underline-style", "none") != "none"
    highlighted = text.get(f"{_FO}background-color", "transparent") != "transparent"
    return text.get(f"{_FO}font-weight", "normal") == "bold" or underlined or highlighted


_Forms = Mapping[str, Mapping[int, str]]


def _odt_parts(element: Element, marked: set[str], forms: _Forms) -> Iterator[_Part]:
    for part in element:
        if part.tag in (f"{_TEXT}p", f"{_TEXT}h"):
            yield _said(part), _all_marked(part, marked)
        elif part.tag == f"{_TEXT}list":
            yield from _odt_list(part, marked, forms, part.get(f"{_TEXT}style-name", ""), 1)
        elif part.tag == f"{_TABLE}table":
            yield from _odt_table(part, marked, forms)
        elif part.tag == f"{_TEXT}section":
            yield from _odt_parts(part, marked, forms)


def _odt_table(table: Element, marked: set[str], forms: _Forms) -> Iterator[_Part]:
    """A table, and those that stand in it; one of a single column is lines, as it frames them."""
    rows = [[*row.findall(f"{_TABLE}table-cell")] for row in _own_rows(table)]
    is_frame = all(len(row) < 2 for row in rows)
    if not is_frame:
        yield [_odt_row(row) for row in rows]
    for cell in (cell for row in rows for cell in row):
        inner = _odt_parts(cell, marked, forms)
        yield from inner if is_frame else (part for part in inner if _is_table(part))


def _own_rows(element: Element) -> Iterator[Element]:
    """The rows of a table, grouped or not, but none of a table in it."""
    for part in element:
        if part.tag == f"{_TABLE}table-row":
            yield part
        elif part.tag in _ROW_GROUPS:
            yield from _own_rows(part)


def _odt_list(
    element: Element, marked: set[str], forms: _Forms, style: str, level: int
) -> Iterator[_Part]:
    for count, item in enumerate(element.findall(f"{_TEXT}list-item"), 1):
        label = as_listed(forms.get(style, {}).get(level, ""), count)
        for part in item:
            if part.tag == f"{_TEXT}list":
                inner = part.get(f"{_TEXT}style-name", style)
                yield from _odt_list(part, marked, forms, inner, level + 1)
            else:
                yield label + _said(part), _all_marked(part, marked)
                label = ""


def _odt_row(row: Sequence[Element]) -> list[str]:
    cells: list[str] = []
    for cell in row:
        times = min(int(cell.get(f"{_TABLE}number-columns-repeated", "1")), MAX_COLUMNS_REPEATED)
        cells += [" ".join(_said(cell).split())] * times
    return cells


def _said(element: Element) -> str:
    """The text of an element; line breaks, tabs and paragraphs as such."""
    said = element.text or ""
    for inner in element:
        if inner.tag == f"{_TEXT}line-break":
            said += "\n"
        elif inner.tag in (f"{_TEXT}s", f"{_TEXT}tab"):
            said += " "
        elif inner.tag not in (f"{_TEXT}note", f"{_TABLE}table"):
            said += _said(inner) + (" " if inner.tag == f"{_TEXT}p" else "")
        said += inner.tail or ""
    return said


def _all_marked(paragraph: Element, marked: set[str]) -> bool:
    """Whether a paragraph, or all of its text, is marked by its style."""
    if paragraph.get(f"{_TEXT}style-name", "") in marked:
        return True
    spans = [span for span in paragraph.findall(f"{_TEXT}span") if _said(span).strip()]
    outside = (paragraph.text or "") + "".join(span.tail or "" for span in paragraph)
    in_marked = all(span.get(f"{_TEXT}style-name", "") in marked for span in spans)
    return bool(spans) and in_marked and is_label(outside)
