"""Documents of word processors (DOCX, ODT) as lines of text and tables.

What a reader sees counts: the numbers and letters of lists, which words are marked out
(bold, underlined, highlighted), tables row by row. Macros and embedded objects are left
where they are. DOCX after ECMA-376, ODT after OASIS OpenDocument 1.2 (both from memory).
"""

import io
from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from typing import Any
from xml.etree.ElementTree import Element

import docx
from defusedxml.ElementTree import fromstring
from docx.oxml.ns import qn
from docx.table import Table
from docx.text.paragraph import Paragraph

from dicetrail.core.answers import LETTERS
from dicetrail.files.archives import content_of, entries_of
from dicetrail.files.grids import GridRows
from dicetrail.files.text import FileProblem
from dicetrail.files.written import Line, is_label

MOST_LINES = 200_000
MOST_COLUMNS_REPEATED = 60
_DOCX, _ODT = "word/document.xml", "content.xml"


@dataclass(frozen=True, slots=True)
class Paper:
    """A document: its lines, tables left out, and its largest table."""

    lines: tuple[Line, ...]
    table: GridRows | None


def read_paper(content: bytes) -> Paper:
    """The lines and the table of a document. Raises FileProblem."""
    entries = {entry.filename: entry for entry in entries_of(content)}
    try:
        if _DOCX in entries:
            return _made(_of_docx(content))
        return _made(_of_odt(content_of(content, entries[_ODT])))
    except FileProblem:
        raise
    except Exception as error:  # whatever a damaged or hostile document makes fail
        raise FileProblem(
            "the file",
            f"this document cannot be read ({type(error).__name__})",
            "save it anew as DOCX or ODT, or as plain text",
        ) from error


_Part = tuple[str, bool] | list[list[str]]
"""A line and whether it is marked, or the rows of a table."""


def _made(parts: Iterator[_Part]) -> Paper:
    lines: list[Line] = []
    largest: list[tuple[int, list[str]]] = []
    number = 0
    for part in parts:
        number += 1
        if number > MOST_LINES:
            what = f"it has more than {MOST_LINES:,} lines"
            raise FileProblem("the file", what, "split it into several documents")
        if isinstance(part, tuple):
            lines += [Line(number, text, part[1]) for text in part[0].split("\n")]
        elif len(part) > max(1, len(largest)) and max(map(len, part)) > 1:
            largest = list(enumerate(part, number))
            number += len(part)
    return Paper(tuple(lines), GridRows(largest) if largest else None)


def _of_docx(content: bytes) -> Iterator[_Part]:
    document = docx.Document(io.BytesIO(content))
    counts: Counter[tuple[str, int]] = Counter()
    for part in document.iter_inner_content():
        if isinstance(part, Table):
            yield [_once(row) for row in part.rows]
        else:
            yield _label(document, part, counts) + part.text, _is_marked(part)


def _once(row: Any) -> list[str]:
    """The cells of a row, merged ones once."""
    seen: list[Any] = []
    for cell in row.cells:
        if not any(cell._tc is other._tc for other in seen):
            seen.append(cell)
    return [" ".join(cell.text.split()) for cell in seen]


def _is_marked(paragraph: Paragraph) -> bool:
    """Whether all that a paragraph says is bold, underlined or highlighted."""
    runs = [run for run in paragraph.runs if not is_label(run.text)]
    return bool(runs) and all(
        run.bold or run.underline or run.font.highlight_color is not None for run in runs
    )


def _label(document: Any, paragraph: Paragraph, counts: Counter[tuple[str, int]]) -> str:
    """The number, letter or bullet a list puts before a paragraph, which is no part of its text."""
    name = (paragraph.style.name or "") if paragraph.style is not None else ""
    properties: Any = paragraph._p.pPr
    numbered = properties.numPr if properties is not None else None
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
    return as_listed(_number_format(document, which, level), counts[which, level])


def _number_format(document: Any, which: str, level: int) -> str:
    """How a level of a list is counted: ``decimal``, ``lowerLetter``, ``bullet`` and so on."""
    try:
        numbering = document.part.numbering_part.element
    except (KeyError, NotImplementedError):
        return "bullet"
    abstract = {
        number.get(qn("w:numId")): number.find(qn("w:abstractNumId")).get(qn("w:val"))
        for number in numbering.findall(qn("w:num"))
    }.get(which)
    for form in numbering.findall(qn("w:abstractNum")):
        if form.get(qn("w:abstractNumId")) == abstract:
            for one in form.findall(qn("w:lvl")):
                if one.get(qn("w:ilvl")) == str(level):
                    return str(one.find(qn("w:numFmt")).get(qn("w:val")))
    return "bullet"


def as_listed(form: str, count: int) -> str:
    """What stands before an item of a list: its letter, its number or a bullet."""
    if "Letter" in form or form in ("a", "A"):
        return f"{LETTERS[min(count, len(LETTERS)) - 1].lower()}) "
    return f"{count}. " if form in ("decimal", "1", "decimalZero") else "• "


_TEXT = "{urn:oasis:names:tc:opendocument:xmlns:text:1.0}"
_TABLE = "{urn:oasis:names:tc:opendocument:xmlns:table:1.0}"
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
            yield [_odt_row(row) for row in part.iter(f"{_TABLE}table-row")]
        elif part.tag == f"{_TEXT}section":
            yield from _odt_parts(part, marked, forms)


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


def _odt_row(row: Element) -> list[str]:
    cells: list[str] = []
    for cell in row.findall(f"{_TABLE}table-cell"):
        times = min(int(cell.get(f"{_TABLE}number-columns-repeated", "1")), MOST_COLUMNS_REPEATED)
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
        elif inner.tag != f"{_TEXT}note":
            said += _said(inner) + (" " if inner.tag == f"{_TEXT}p" else "")
        said += inner.tail or ""
    return said


def _all_marked(paragraph: Element, marked: set[str]) -> bool:
    """Whether a paragraph, or all that is said in it, has a style that stands out."""
    if paragraph.get(f"{_TEXT}style-name", "") in marked:
        return True
    spans = [span for span in paragraph.findall(f"{_TEXT}span") if _said(span).strip()]
    outside = (paragraph.text or "") + "".join(span.tail or "" for span in paragraph)
    in_marked = all(span.get(f"{_TEXT}style-name", "") in marked for span in spans)
    return bool(spans) and in_marked and is_label(outside)
