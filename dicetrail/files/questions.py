"""Guess a plan for a question file, and read the file by it.

Whatever cannot become a question is kept as a refusal with its place, its reason and its
cells; the rest loads. A refused row can be given again, mended, by its line.
"""

import gc
import re
from collections import Counter
from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from itertools import islice
from typing import Any

from dicetrail.core import Facts, Kind, Question
from dicetrail.core.answers import read_number
from dicetrail.core.document import as_whole_text
from dicetrail.core.draw import MAX_COLUMNS, MAX_FACTS
from dicetrail.core.survey import first_fault, missing_medium
from dicetrail.core.workbench import columns_named
from dicetrail.files.archives import is_archive, is_paper, is_workbook
from dicetrail.files.grids import GridRows, drawn_rows, is_own_form, keyed_rows
from dicetrail.files.guessing import (
    ANSWER_ROLES,
    LOOKED_AT,
    guess_columns,
    guess_separator,
    mark_gaps,
)
from dicetrail.files.headings import role_named
from dicetrail.files.items import is_item, is_package, read_items
from dicetrail.files.json_yaml import read_documents
from dicetrail.files.pages import is_page, read_page
from dicetrail.files.plan import ROLE_OF_DETAIL, Contents, Format, ImportOptions, Plan, Role
from dicetrail.files.rows import RowRefused, located, plain_question, planned_question, refusal
from dicetrail.files.sheets import FIRST_ROWS as MAX_AT_FIRST
from dicetrail.files.sheets import (
    Refusal,
    Rows,
    SeparatedRows,
    WorkbookRows,
    unguarded,
)
from dicetrail.files.text import FileProblem, Text, text_of
from dicetrail.files.understanding import why_not_understood
from dicetrail.files.word_processor import Paper, read_paper
from dicetrail.files.written_out import TextLine, labelled, lines_of, read_written

NO_WISH = ImportOptions()

Mended = Mapping[int, Sequence[str]]
"""Corrected rows, by their line in the file."""

Progress = Callable[[int], None]
"""Told now and then how many rows are read; it may raise to stop the reading."""

FIRST_ROWS = 6
_LONGEST_SHOWN = 200
_TOLD_EVERY = 1000


@dataclass(frozen=True, slots=True)
class FileReading:
    """The content of a question file, and the plan by which it was read."""

    questions: tuple[Question, ...]
    """None of a file that is read as facts."""
    refused: tuple[Refusal, ...]
    plan: Plan
    headings: tuple[str, ...] | None
    blank_lines: int
    rows: int
    """How many rows there were, headings and blank lines left out."""
    first_rows: tuple[tuple[str, ...], ...] = ()
    """The fields of the first rows, headings included, as they stand in the file."""
    sheets: tuple[str, ...] = ()
    """The sheets of a workbook."""
    is_whole: bool = True
    """Whether all of the file was read, and not its first rows alone."""
    facts: Facts | None = None
    """The facts of a file that is read as facts."""
    notes: tuple[str, ...] = ()
    """In sentences: what was left out, and how ambiguous values were read."""
    may_be_facts: bool = False
    """Whether what was read as questions looks like a table of facts."""


def guess(content: bytes, options: ImportOptions = NO_WISH) -> Plan:
    """A plan to read a file by, as far as its content tells and nothing is said of it.

    Raises FileProblem.
    """
    if options.contents is Contents.FACTS:
        return _guessed_facts(content, replace(options, contents=Contents.QUESTIONS))
    if is_package(content):
        return Plan(Format.ITEMS, "")
    if is_paper(content):
        return _guessed_paper(read_paper(content), options)
    if is_archive(content) or is_workbook(content):
        rows = _workbook(content, options.sheet or "", is_first_look=True)
        return _guessed(rows, Plan(Format.XLSX, sheet=rows.sheet), options)
    found = text_of(content, options.encoding)
    start = found.text.lstrip()
    if is_item(start):
        return Plan(Format.ITEMS, found.encoding)
    if is_page(start) and options.format is not Format.TABLE:
        return replace(_guessed_paper(read_page(found.text), options), encoding=found.encoding)
    form = _form_of(start)
    if form and options.format in (None, Format.KEYED, form):
        if is_own_form(start) and options.format is not Format.KEYED:
            return Plan(form, found.encoding)
        return _guessed(
            keyed_rows(found.text, form, LOOKED_AT), Plan(Format.KEYED, found.encoding), options
        )
    is_unsaid = options.separator is None and options.format is None
    if is_unsaid and (doubt := why_not_understood(found.text)):
        return Plan(Format.WRITTEN, found.encoding, doubt=doubt)
    is_open = options.separator is None and options.format in (None, Format.DRAWN)
    if is_open and (drawn := drawn_rows(found.text)):
        return _guessed(drawn, Plan(Format.DRAWN, found.encoding), options)
    if options.format is Format.WRITTEN:
        return Plan(Format.WRITTEN, found.encoding)
    if options.separator is not None or options.format is Format.TABLE:
        character = options.separator or guess_separator(found.text)
        rows_so = SeparatedRows(found.text, character)
        return _guessed(rows_so, Plan(Format.TABLE, found.encoding, character), options)
    return _guessed_text(found, options)


def _guessed_text(found: Text, options: ImportOptions) -> Plan:
    """A table or questions written out: whichever more of the text can be read as.

    Where the lines have options or answers under them it is written out; without those, only
    where it is no table that is even or names its columns.
    """
    lines = lines_of(found.text[:_WRITTEN_LOOKED_AT])
    written = Plan(Format.WRITTEN, found.encoding)
    looks_written = 5 * labelled(lines) >= 2 * sum(bool(line.text) for line in lines)
    try:
        character = guess_separator(found.text)
    except FileProblem:
        if looks_written:
            return written
        raise
    rows = SeparatedRows(found.text, character)
    is_table = _names_its_columns(rows) or _evenness(rows) >= 0.6
    if not looks_written and is_table:
        return _guessed(rows, Plan(Format.TABLE, found.encoding, character), options)
    found_so = read_written(lines)
    if mark_gaps([line.text for line in lines if line.text]):
        return written
    as_written = _share(found_so.questions, found_so.refused)
    plan = _guessed(rows, Plan(Format.TABLE, found.encoding, character), options)
    with _no_garbage_search():
        rows = SeparatedRows(found.text, character)
        looked = _read_rows(rows, plan, {}, lambda _: None, LOOKED_AT, None)
    return written if as_written > _share(looked.questions, looked.refused) else plan


_WRITTEN_LOOKED_AT = 40_000
"""So many characters of a text tell whether it is written out."""


def _names_its_columns(rows: Rows) -> bool:
    """Whether the first row names a column of questions and one of answers. Rows of such a table
    can be of any width: one question has two answers to put in order, the next has five."""
    named = {role_named(cell) for cell in next(filter(any, rows), ())}
    return Role.QUESTION in named and not ANSWER_ROLES.isdisjoint(named)


def _evenness(rows: Rows) -> float:
    """The share of the first rows that have as many fields, at least two, as most have."""
    widths = Counter(len(row) for row in islice(rows, LOOKED_AT) if any(row))
    most = max((width for width in widths if width > 1), key=lambda w: widths[w], default=0)
    near = sum(times for width, times in widths.items() if width > 1 and abs(width - most) <= 1)
    return near / max(1, widths.total())


def _guessed_paper(paper: Paper, options: ImportOptions) -> Plan:
    """The table of a document if it has one that is read better than its lines."""
    found = read_written(paper.lines)
    as_written = _share(found.questions, found.refused)
    if paper.table and options.format is not Format.WRITTEN:
        plan = _guessed(paper.table, Plan(Format.DRAWN, ""), options)
        looked = _read_rows(paper.table, plan, {}, lambda _: None, LOOKED_AT, None)
        if options.format or _share(looked.questions, looked.refused) >= as_written:
            return plan
    return Plan(Format.WRITTEN, "")


def _guessed_facts(content: bytes, options: ImportOptions) -> Plan:
    """A plan to read a file as facts: whatever table there is in it, every column kept."""
    plan = guess(content, options)
    if plan.format in (Format.JSON, Format.YAML):
        plan = guess(content, replace(options, format=Format.KEYED))
    elif plan.format is Format.WRITTEN:
        is_drawn = is_paper(content) or is_page(text_of(content, plan.encoding).text.lstrip())
        plan = guess(content, replace(options, format=Format.DRAWN if is_drawn else Format.TABLE))
    if plan.format in (Format.WRITTEN, Format.ITEMS):
        what = "there is no table in it, and facts are a table"
        raise FileProblem("the file", what, "load it as questions, or put its facts in a table")
    rows = [row for row in islice(_rows_of(content, plan, LOOKED_AT), LOOKED_AT) if any(row)]
    widths = Counter(len(row) for row in rows[plan.titles :])
    usual = max(widths, key=lambda width: (widths[width], width), default=0)
    width = max(usual, len(rows[plan.titles])) if len(rows) > plan.titles else usual
    if width < 2:
        what = "it has one column, and facts have at least two"
        raise FileProblem("the file", what, "load it as questions, or put another column beside it")
    plan = replace(plan, contents=Contents.FACTS, columns=(Role.FACT,) * width, why="")
    if options.has_headings is not None or len(rows) <= plan.titles:
        return plan
    first = [cell.strip() for cell in rows[plan.titles]]
    has_names = all(first) and len(set(map(str.casefold, first))) == len(first)
    if not has_names or any(read_number(cell) is not None for cell in first):
        return plan
    why = "The first row is taken as the names of the columns: each has one, and none twice."
    return replace(plan, has_headings=True, why=why, is_doubtful=not plan.has_headings)


def _share(questions: Sequence[Question], refused: Sequence[Refusal]) -> float:
    """The share of the content of a file that is read as questions."""
    return len(questions) / max(1, len(questions) + len(refused))


def _guessed(rows: Rows, plan: Plan, options: ImportOptions) -> Plan:
    return _sound(guess_columns(rows, plan, options.has_headings), rows)


def _sound(plan: Plan, rows: Rows) -> Plan:
    """The plan without the details that most of the first rows cannot have."""
    blamed: Counter[Role] = Counter()
    seen = 0
    cells_of = (list(map(str.strip, row)) for row in islice(rows, LOOKED_AT))
    for cells in islice(filter(any, cells_of), plan.titles + plan.has_headings, None):
        seen += 1
        try:
            planned_question(cells[: len(plan.columns)], plan)
        except RowRefused as fault:
            blamed[fault.role] += 1
    idle = {role for role, times in blamed.items() if role in _MAY_BE_IDLE and 2 * times > seen}
    if not idle:
        return plan
    columns = tuple(Role.IGNORED if role in idle else role for role in plan.columns)
    return _sound(replace(plan, columns=columns), rows)


_MAY_BE_IDLE = {Role.KIND, *ROLE_OF_DETAIL.values()}
"""The roles that a question does not need."""


def _form_of(start: str) -> Format | None:
    """Whether a text begins as JSON or YAML does; None if as neither."""
    if start.startswith(("{", "[")):
        return Format.JSON
    is_yaml = re.match(r"---\s|questions:|title:|format:|- *\w[\w -]{0,30}: ?|- *\w+:$", start)
    return Format.YAML if is_yaml else None


def _rows_of(content: bytes, plan: Plan, most: int | None) -> Rows:
    if plan.format is Format.XLSX:
        return _workbook(content, plan.sheet, most is not None and most < MAX_AT_FIRST)
    if is_paper(content):
        return read_paper(content).table or GridRows(())
    text = text_of(content, plan.encoding).text
    if plan.format is Format.DRAWN and is_page(text):
        return read_page(text).table or GridRows(())
    if plan.format is Format.KEYED:
        return keyed_rows(text, _form_of(text.lstrip()) or Format.YAML, most)
    if plan.format is Format.DRAWN:
        return drawn_rows(text) or GridRows(())
    return SeparatedRows(text, plan.separator)


def _workbook(content: bytes, sheet: str, is_first_look: bool) -> WorkbookRows:
    if not is_workbook(content):
        raise FileProblem(
            "the file",
            "this archive holds no workbook and no document",
            "choose a workbook (XLSX, XLS, ODS), a document (DOCX, ODT) or a text file",
        )
    return WorkbookRows(content, sheet, is_first_look)


def read_questions(
    content: bytes,
    plan: Plan | None = None,
    mended: Mended | None = None,
    progress: Progress = lambda _: None,
    most: int | None = None,
    media: Collection[str] | None = None,
) -> FileReading:
    """Read a question file, by a plan or by the one guessed.

    A row that names a picture or sound that is not among `media` is refused, if these are given.
    `most` is the largest number of rows read, for a preview. Raises FileProblem if the file cannot
    be read at all.
    """
    plan = plan or guess(content)
    if plan.doubt:
        return FileReading((), (), plan, None, 0, 0, notes=(plan.doubt,))
    if plan.format in (Format.JSON, Format.YAML):
        text = text_of(content, plan.encoding).text
        questions, refused, is_whole = read_documents(text, plan.format, media, mended, most)
        rows_read = len(questions) + len(refused)
        return FileReading(questions, refused, plan, None, 0, rows_read, is_whole=is_whole)
    if plan.format is Format.ITEMS:
        questions, refused, is_whole = read_items(content, plan.encoding, mended or {}, most, media)
        items = len(questions) + len(refused)
        return FileReading(questions, refused, plan, None, 0, items, is_whole=is_whole)
    if plan.format is Format.WRITTEN:
        lines = _lines_of(content, plan)
        questions, refused, headings = read_written(lines, mended, most)
        blocks = len(questions) + len(refused)
        is_whole = most is None or blocks < most
        notes = read_paper(content).notes if is_paper(content) else ()
        notes += _heading_notes(headings)
        return FileReading(
            questions, refused, plan, None, 0, blocks, is_whole=is_whole, notes=notes
        )
    rows = _rows_of(content, plan, most)
    with _no_garbage_search():
        if plan.contents is Contents.FACTS:
            reading = _read_facts(rows, plan, mended or {}, progress, most)
        else:
            reading = _read_rows(rows, plan, mended or {}, progress, most, media)
            may_be_facts = _may_be_facts(reading)
            reading = replace(reading, notes=_doubts(reading), may_be_facts=may_be_facts)
    if isinstance(rows, WorkbookRows):
        is_whole = reading.is_whole and not rows.is_cut
        notes = (*rows.notes, *reading.notes)
        return replace(reading, sheets=rows.sheets, notes=notes, is_whole=is_whole)
    if is_paper(content):
        return replace(reading, notes=(*read_paper(content).notes, *reading.notes))
    return reading


_MAX_TOLD = 12
"""So many lines are named in a note."""


def _heading_notes(headings: Sequence[TextLine]) -> tuple[str, ...]:
    """Which lines were taken for headings, and are in no question."""
    if not headings:
        return ()
    told = ", ".join(f"{line.number} (“{line.text[:60]}”)" for line in headings[:_MAX_TOLD])
    more = f" and {len(headings) - _MAX_TOLD} more" if len(headings) > _MAX_TOLD else ""
    lines = "line" if len(headings) == 1 else "lines"
    return (f"Taken for headings over questions, and left out: {lines} {told}{more}.",)


def _doubts(reading: FileReading) -> tuple[str, ...]:
    """What a maker should look at in a table: rows with fewer wrong choices than the others."""
    counts = [len(question.wrong) for question in reading.questions]
    usual = max(Counter(counts).items(), key=lambda item: (item[1], item[0]), default=(0, 0))[0]
    fewer = [at for at, count in enumerate(counts) if 0 < count < usual]
    if not fewer or 2 * len(fewer) > len(counts):
        return ()
    named = ", ".join(f"“{reading.questions[at].prompt[:60]}”" for at in fewer[:_MAX_TOLD])
    more = f" and {len(fewer) - _MAX_TOLD} more" if len(fewer) > _MAX_TOLD else ""
    has = "has" if len(fewer) == 1 else "have"
    told = f"{named}{more} {has} fewer wrong choices than the {usual} of the others"
    return (f"{told}. Is a field missing? If it is meant so, load them as they are.",)


def _may_be_facts(reading: FileReading) -> bool:
    """Whether rows read as questions look like rows of facts: names and their properties.

    No first cell is a question, all are short, and the same wrong choices come in several rows.
    """
    plan, questions = reading.plan, reading.questions
    if plan.contents is Contents.FACTS or len(questions) < 3 or not plan.is_plain:
        return False
    if any(len(question.wrong) + len(question.right) < 2 for question in questions):
        return False
    prompts = [question.prompt for question in questions]
    if any(re.search(r"[?？_…:]|\.\.\.", prompt) or len(prompt.split()) > 4 for prompt in prompts):
        return False
    cells = Counter(cell for question in questions for cell in {*question.right, *question.wrong})
    return any(times > 1 for times in cells.values())


def _read_facts(
    rows: Rows, plan: Plan, mended: Mended, progress: Progress, most: int | None
) -> FileReading:
    """The rows of a table as facts: only one with too many cells is refused."""
    read: Any = _read_rows(rows, plan, mended, progress, most, None)
    found: tuple[tuple[str, ...], ...] = read.questions
    if len(found) > MAX_FACTS:
        what = f"{len(found):,} rows, and facts have {MAX_FACTS:,} at most"
        raise FileProblem("the file", what, "load a part of it, or load it as questions")
    kept = [at for at, role in enumerate(plan.columns) if role is not Role.IGNORED]
    if len(kept) > MAX_COLUMNS:
        what = f"{len(kept)} columns, and facts have {MAX_COLUMNS} at most"
        raise FileProblem("the file", what, "leave some of them out")
    headings = dict(enumerate(read.headings or ()))
    facts = Facts(columns_named([headings.get(at, "") for at in kept]), found)
    reading: FileReading = replace(read, questions=(), facts=facts)
    return reading


def _fact_row(cells: list[str], plan: Plan) -> tuple[str, ...]:
    """A row of facts: its cells in the columns that are kept."""
    if len(cells) > len(plan.columns):
        what = f"{len(cells)} cells where {len(plan.columns)} columns are"
        mend = "leave out the last, or put cells that hold the separator in double quotes"
        raise RowRefused(Role.IGNORED, len(cells), what, mend)
    held = [*map(unguarded, cells), *[""] * (len(plan.columns) - len(cells))]
    kept = zip(held, plan.columns, strict=True)
    return tuple(as_whole_text(cell) for cell, role in kept if role is not Role.IGNORED)


def _lines_of(content: bytes, plan: Plan) -> Sequence[TextLine]:
    if is_paper(content):
        return read_paper(content).lines
    text = text_of(content, plan.encoding).text
    return read_page(text).lines if is_page(text) else lines_of(text)


@contextmanager
def _no_garbage_search() -> Iterator[None]:
    """Reading makes objects that all stay: searching them again and again for garbage would
    take a third of its time."""
    was_on = gc.isenabled()
    gc.disable()
    try:
        yield
    finally:
        if was_on:
            gc.enable()


def _read_rows(
    rows: Rows,
    plan: Plan,
    mended: Mended,
    progress: Progress,
    most: int | None,
    media: Collection[str] | None,
) -> FileReading:
    questions: list[Question] = []
    refused: list[Refusal] = []
    headings: tuple[str, ...] | None = None
    blank_lines, seen = 0, 0
    make: Callable[[list[str], Plan], Any] = _with_media(media)
    if plan.contents is Contents.FACTS:
        make = _fact_row
    elif plan.is_plain:
        make = plain_question
    has_groups, lines = Role.GROUP in plan.columns, list[int]()
    awaits_headings, titles = plan.has_headings, plan.titles
    first: list[tuple[str, ...]] = []
    is_whole, iter_rows = True, iter(rows)
    for row in iter_rows:
        if len(first) < FIRST_ROWS and any(row) and not titles:
            first.append(tuple(as_whole_text(cell[:_LONGEST_SHOWN]) for cell in row))
        if mended and rows.line in mended:
            row = list(mended[rows.line])
        cells = list(map(str.strip, row))
        while cells and not cells[-1]:
            cells.pop()
        if not cells or titles:
            titles -= bool(cells)
            blank_lines += 1
            continue
        if awaits_headings:
            headings, awaits_headings = tuple(map(as_whole_text, cells)), False
            continue
        seen += 1
        if seen % _TOLD_EVERY == 0:
            progress(seen)
        try:
            questions.append(make(cells, plan))
            if has_groups:
                lines.append(rows.line)
        except RowRefused as fault:
            refused.append(refusal(fault, cells, rows.line, plan))
        if seen == most:
            is_whole = next(iter_rows, None) is None
            break
    for broken in rows.broken:
        if broken.line in mended:
            try:
                questions.append(make([cell.strip() for cell in mended[broken.line]], plan))
                lines.append(broken.line)
            except RowRefused as fault:
                cells = list(mended[broken.line])
                refused.append(refusal(fault, cells, broken.line, plan))
        else:
            refused.append(broken)
    if has_groups:
        questions, more = _with_other_groups(questions, lines)
        refused += more
    refused.sort(key=lambda refusal: refusal.line)
    seen += len(rows.broken)
    return FileReading(
        tuple(questions),
        tuple(refused),
        plan,
        headings,
        blank_lines,
        seen,
        tuple(first),
        is_whole=is_whole,
    )


def _with_media(media: Collection[str] | None) -> Callable[[list[str], Plan], Question]:
    """The function that makes a row a question and refuses pictures and sounds that do not
    exist."""

    def make(cells: list[str], plan: Plan) -> Question:
        question = planned_question(cells, plan)
        if fault := missing_medium(question, media):
            raise located(fault, cells, plan)
        return question

    return make


def _with_other_groups(
    questions: list[Question], lines: list[int]
) -> tuple[list[Question], list[Refusal]]:
    """Sort questions, each with the groups of the others as its wrong choices.

    `lines` holds the line of each.
    """
    groups = list(dict.fromkeys(q.right[0] for q in questions if q.kind is Kind.SORT and q.right))
    filled = [
        replace(q, wrong=tuple(group for group in groups if group != q.right[0]))
        if q.kind is Kind.SORT and not q.wrong
        else q
        for q in questions
    ]
    kept, refused = [], []
    for line, question in zip(lines, filled, strict=True):
        if fault := first_fault(question):
            text = f"{question.prompt}\t{question.answer}"
            cells = (question.prompt, question.answer)
            refused.append(Refusal(line, 2, fault.what, fault.mend, text, cells))
        else:
            kept.append(question)
    return kept, refused
