"""Read web pages, and text copied from a page or a document, as lines and tables.

The text is read as HTML (WHATWG HTML, from memory); nothing in it is run or fetched. Paragraphs and
list items become lines, bold, underlined and highlighted words are marked, tables become rows.
"""

import re
from html.parser import HTMLParser

from dicetrail.files.grids import GridRows
from dicetrail.files.text import FileProblem
from dicetrail.files.word_processor import MAX_LINES, Paper, as_listed
from dicetrail.files.written_out import TextLine, is_label

_PAGE = re.compile(
    r"\s*(<!doctype html|<!--|<(html|head|body|meta|style|table|div|p|ul|ol|li|b|h[1-6]|span)\b)",
    re.IGNORECASE,
)
_LINES = {"p", "div", "li", "h1", "h2", "h3", "h4", "h5", "h6", "br", "tr", "ul", "ol", "table"}
_LEFT_OUT = {"script", "style", "head", "title", "template", "noscript"}
_ALONE = {"br", "img", "hr", "meta", "link", "input", "col", "wbr"}
_STANDS_OUT = re.compile(r"font-weight:\s*(bold|[6-9]00)|text-decoration[^;]*underline|background")
_PLAIN = re.compile(r"font-weight:\s*(normal|[1-5]00)")
MAX_DEPTH = 200


def is_page(text: str) -> bool:
    """Whether a text begins as a web page, or as a piece of one, does."""
    return _PAGE.match(text) is not None and "</" in text


def read_page(text: str) -> Paper:
    """The lines of a page, and its largest table. Raises FileProblem."""
    reader = _Reader()
    reader.feed(text)
    reader.close()
    reader.end_line()
    table = max(reader.tables, key=_size, default=None)
    return Paper(tuple(reader.lines), GridRows(table) if table and len(table) > 1 else None)


def _size(table: list[tuple[int, list[str]]]) -> int:
    return sum(len(cells) for _, cells in table)


class _Reader(HTMLParser):
    def __init__(self) -> None:
        super().__init__()
        self.lines: list[TextLine] = []
        self.tables: list[list[tuple[int, list[str]]]] = []
        self._open: list[tuple[str, bool]] = []
        """The elements that are open, each with whether what is in it stands out."""
        self._said: list[tuple[str, bool]] = []
        self._lists: list[tuple[str, int]] = []
        """The lists that are open: how they count, and how far they are."""
        self._label = ""
        self._cell: list[str] | None = None
        self._within: list[tuple[int, list[str] | None]] = []
        """The tables that are open, each with the cell it stands in."""

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        given = {name: value or "" for name, value in attrs}
        if tag in _LINES:
            self.end_line()
        if tag in ("ul", "ol"):
            form = "bullet" if tag == "ul" else given.get("type", "1")
            self._lists.append((_form_of(form, given.get("style", "")), 0))
        elif tag == "li" and self._lists:
            form, count = self._lists.pop()
            self._lists.append((form, count + 1))
            self._label = as_listed(form, count + 1)
        elif tag == "table":
            self._within.append((len(self.tables), self._cell))
            self.tables.append([])
            self._cell = None
        elif tag == "tr" and self._within:
            self.tables[self._within[-1][0]].append((len(self.lines) + 1, []))
        elif tag in ("td", "th"):
            self._cell = []
        if tag not in _ALONE and len(self._open) < MAX_DEPTH:
            self._open.append((tag, self._stands_out(tag, given.get("style", ""))))

    def handle_endtag(self, tag: str) -> None:
        if tag in _LINES:
            self.end_line()
        if tag in ("td", "th") and self._cell is not None and self._within:
            rows = self.tables[self._within[-1][0]]
            if rows:
                rows[-1][1].append(" ".join("".join(self._cell).split()))
            self._cell = None
        if tag == "table" and self._within:
            self._cell = self._within.pop()[1]
        if tag in ("ul", "ol") and self._lists:
            self._lists.pop()
        if any(name == tag for name, _ in self._open):
            while self._open.pop()[0] != tag:
                pass

    def handle_data(self, data: str) -> None:
        if any(name in _LEFT_OUT for name, _ in self._open):
            return
        if self._cell is not None:
            self._cell.append(data)
        elif data.strip() or self._said:
            self._said.append((data, bool(self._open) and self._open[-1][1]))

    def end_line(self) -> None:
        """End a line: the text since the last one, unless it is empty."""
        text = " ".join("".join(said for said, _ in self._said).split())
        if text:
            marks = [mark for said, mark in self._said if not is_label(said)]
            self.lines.append(TextLine(len(self.lines) + 1, self._label + text, all(marks)))
            self._label = ""
            if len(self.lines) > MAX_LINES:
                what = f"it has more than {MAX_LINES:,} lines"
                raise FileProblem("the file", what, "split it into several pages")
        elif self.lines and self.lines[-1].text and self._cell is None:
            self.lines.append(TextLine(len(self.lines) + 1, ""))
        self._said = []

    def _stands_out(self, tag: str, style: str) -> bool:
        if _PLAIN.search(style):
            return False
        inherited = bool(self._open) and self._open[-1][1]
        return inherited or tag in ("b", "strong", "u", "mark") or bool(_STANDS_OUT.search(style))


def _form_of(form: str, style: str) -> str:
    return "a" if "alpha" in style else form
