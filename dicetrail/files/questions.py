"""From the rows of a file, by a plan, to questions.

Whatever cannot become a question is kept as a refusal with its place, its reason and its
cells; the rest loads. A refused row can be given again, mended, by its line.
"""

import gc
import re
from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from contextlib import contextmanager
from dataclasses import dataclass, replace
from itertools import count
from typing import Any

from dicetrail.core import PLAIN, Details, Kind, Question
from dicetrail.core.checking import all_differ
from dicetrail.core.document import MOST_CHOICES
from dicetrail.core.questions import FieldFault, first_fault, missing_medium
from dicetrail.files.documents import read_documents
from dicetrail.files.guessing import TRUTH_WORDS, guess_columns, guess_separator
from dicetrail.files.plan import Format, Plan, Role, Separator
from dicetrail.files.sheets import (
    Refusal,
    Rows,
    SeparatedRows,
    WorkbookRows,
    is_workbook,
    unguarded,
)
from dicetrail.files.text import text_of

Mended = Mapping[int, Sequence[str]]
"""Rows given anew, by the line they stand in."""

Progress = Callable[[int], None]
"""Told now and then how many rows are read; it may raise to stop the reading."""

FIRST_ROWS = 6
_LONGEST_SHOWN = 200
_TOLD_EVERY = 1000
_SPACES = re.compile(r" {2,}")
_LETTERED = re.compile(r"\(?([A-Ha-h])[.):]\s+(.+)", re.DOTALL)
_ROLE_OF_FIELD = {"prompt": Role.QUESTION, "right": Role.RIGHT, "wrong": Role.WRONG}
_NUMBERS = {"level": Role.LEVEL, "worth": Role.WORTH, "seconds": Role.SECONDS}
_TEXTS = {
    "topic": Role.TOPIC,
    "hint": Role.HINT,
    "note": Role.NOTE,
    "picture": Role.PICTURE,
    "sound": Role.SOUND,
    "tolerance": Role.TOLERANCE,
    "pinned": Role.PINNED,
}


@dataclass(frozen=True, slots=True)
class Reading:
    """What a question file held, and the plan by which it was read."""

    questions: tuple[Question, ...]
    refused: tuple[Refusal, ...]
    plan: Plan
    headings: tuple[str, ...] | None
    blank_lines: int
    rows: int
    """How many rows there were, headings and blank lines left out."""
    first_rows: tuple[tuple[str, ...], ...] = ()
    """The fields of the first rows, headings included, as they stand in the file."""


@dataclass(frozen=True, slots=True)
class _Fault(Exception):
    """Why a row is no question: the role of the field, which one of that role, and words."""

    role: Role
    number: int
    what: str
    mend: str


def guess(content: bytes, encoding: str | None = None, separator: Separator | None = None) -> Plan:
    """A plan to read a file by, as far as its content tells. Raises FileProblem."""
    if is_workbook(content):
        return guess_columns(WorkbookRows(content), Plan(Format.XLSX))
    found = text_of(content, encoding)
    start = found.text.lstrip()
    if start.startswith(("{", "[")):
        return Plan(Format.JSON, found.encoding)
    if re.match(r"(---|questions:|title:|format:|- prompt:)", start):
        return Plan(Format.YAML, found.encoding)
    sign = separator or guess_separator(found.text)
    plan = Plan(Format.TABLE, found.encoding, sign)
    return guess_columns(SeparatedRows(found.text, sign), plan)


def _rows_of(content: bytes, plan: Plan) -> Rows:
    if plan.format is Format.XLSX:
        is_workbook(content)
        return WorkbookRows(content)
    return SeparatedRows(text_of(content, plan.encoding).text, plan.separator)


def read_questions(
    content: bytes,
    plan: Plan | None = None,
    mended: Mended | None = None,
    progress: Progress = lambda _: None,
    most: int | None = None,
    media: Collection[str] | None = None,
) -> Reading:
    """Read a question file, by a plan or by the one guessed.

    A row that names a picture or sound that is not among `media` is refused, if these are
    given. `most` stops after so many rows, for a first look. Raises FileProblem if the file cannot
    be read at all.
    """
    plan = plan or guess(content)
    if plan.format in (Format.JSON, Format.YAML):
        text = text_of(content, plan.encoding).text
        questions, refused = read_documents(text, plan.format, media)
        return Reading(questions, refused, plan, None, 0, len(questions) + len(refused))
    with _no_garbage_search():
        return _read_rows(_rows_of(content, plan), plan, mended or {}, progress, most, media)


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
) -> Reading:
    questions: list[Question] = []
    refused: list[Refusal] = []
    headings: tuple[str, ...] | None = None
    blank_lines, seen = 0, 0
    plain = _plain_question if plan.is_plain else _planned_question

    def make(cells: list[str], plan: Plan) -> Question:
        question = plain(cells, plan)
        if question.details is not PLAIN and (fault := missing_medium(question, media)):
            raise _located(fault, cells, plan)
        return question

    awaits_headings = plan.has_headings
    first: list[tuple[str, ...]] = []
    for row in rows:
        if len(first) < FIRST_ROWS and any(row):
            first.append(tuple(cell[:_LONGEST_SHOWN] for cell in row))
        if mended and rows.line in mended:
            row = list(mended[rows.line])
        cells = list(map(str.strip, row))
        while cells and not cells[-1]:
            cells.pop()
        if not cells:
            blank_lines += 1
            continue
        if awaits_headings:
            headings, awaits_headings = tuple(cells), False
            continue
        seen += 1
        if seen % _TOLD_EVERY == 0:
            progress(seen)
        try:
            questions.append(make(cells, plan))
        except _Fault as fault:
            refused.append(_refusal(fault, cells, rows.line, plan))
        if seen == most:
            break
    for broken in rows.broken:
        if broken.line in mended:
            try:
                questions.append(make([cell.strip() for cell in mended[broken.line]], plan))
            except _Fault as fault:
                cells = list(mended[broken.line])
                refused.append(_refusal(fault, cells, broken.line, plan))
        else:
            refused.append(broken)
    if Role.GROUP in plan.columns:
        questions, more = _with_other_groups(questions)
        refused += more
    refused.sort(key=lambda refusal: refusal.line)
    seen += len(rows.broken)
    return Reading(
        tuple(questions), tuple(refused), plan, headings, blank_lines, seen, tuple(first)
    )


def _plain_question(cells: list[str], plan: Plan) -> Question:
    """A row of question, right answer and wrong choices, the common case, made fast."""
    together = "".join(cells)
    if "'" in together:
        cells = [unguarded(cell) for cell in cells]
    question = Question(cells[0], (*cells[1:2],), (*cells[2:],))
    if 3 <= len(cells) <= MOST_CHOICES + 1 and all(cells) and all_differ(cells[1:]):
        return question
    if fault := first_fault(question):
        raise _located(fault, cells, plan)
    return question


def _planned_question(cells: list[str], plan: Plan) -> Question:
    """A row read by what each of its columns is."""
    cells = [unguarded(cell) for cell in cells]
    if len(cells) > len(plan.columns):
        raise _Fault(
            Role.IGNORED,
            len(cells),
            f"{len(cells)} fields where {len(plan.columns)} are expected",
            "leave out the last, or put fields that hold the separator in double quotes",
        )
    kind = _kind(_one(cells, plan, Role.KIND), plan)
    right, wrong = _answers(cells, plan, kind)
    question = Question(_one(cells, plan, Role.QUESTION), right, wrong, kind, _details(cells, plan))
    is_sorted = kind is Kind.SORT and not wrong
    fault = first_fault(replace(question, wrong=("other",)) if is_sorted else question)
    if fault:
        raise _located(fault, cells, plan)
    return question


def _kind(word: str, plan: Plan) -> Kind:
    try:
        return Kind(word.lower()) if word else plan.kind
    except ValueError:
        raise _Fault(
            Role.KIND, 0, f"“{word}” is not a kind of question", f"write one of {', '.join(Kind)}"
        ) from None


def _answers(cells: list[str], plan: Plan, kind: Kind) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The right and the wrong answers of a row."""
    right = _all(cells, plan, Role.RIGHT)
    if kind is Kind.TRUTH:
        right = tuple(TRUTH_WORDS.get(word.lower(), word) for word in right)
    if Role.GROUP in plan.columns and kind is Kind.SORT:
        return _all(cells, plan, Role.GROUP) or right, _all(cells, plan, Role.WRONG)
    options = _all(cells, plan, Role.OPTION)
    if packed := _one(cells, plan, Role.OPTIONS):
        options += tuple(part.strip() for part in packed.split(plan.options_sign))
    if not options:
        return right, _all(cells, plan, Role.WRONG)
    options = _unlettered(options)
    key = _one(cells, plan, Role.KEY)
    if Role.KEY in plan.columns:
        chosen = _option_named(key, options)
        return (chosen,), _others(options, chosen)
    if right:
        return right, tuple(option for option in options if option not in right)
    return options[:1], options[1:]


def _others(options: Sequence[str], chosen: str) -> tuple[str, ...]:
    place = options.index(chosen)
    return (*options[:place], *options[place + 1 :])


def _option_named(key: str, options: Sequence[str]) -> str:
    """The option a key names, by its words, its letter or its number."""
    if not key:
        raise _Fault(Role.KEY, 0, "there is no key to the right option", "write its letter")
    if key in options:
        return key
    place = ord(key.upper()) - ord("A") if len(key) == 1 and key.isalpha() else -1
    if key.isdecimal() and len(key) < 4:
        place = int(key) - 1
    if not 0 <= place < len(options):
        raise _Fault(
            Role.KEY,
            0,
            f"the key “{key}” points at none of the {len(options)} options",
            "write the letter, the number or the words of one of them",
        )
    return options[place]


def _unlettered(options: tuple[str, ...]) -> tuple[str, ...]:
    """The options without letters of their own (``A. Carrot``), if all carry them in order."""
    found = [_LETTERED.fullmatch(option) for option in options]
    letters = "".join(match[1].upper() for match in found if match)
    if len(options) < 2 or letters != "ABCDEFGH"[: len(options)]:
        return options
    return tuple(match[2].strip() for match in found if match)


def _details(cells: list[str], plan: Plan) -> Details:
    given: dict[str, Any] = {name: _one(cells, plan, role) for name, role in _TEXTS.items()}
    given |= {name: _whole(_one(cells, plan, role), role) for name, role in _NUMBERS.items()}
    details = Details(**given)
    return PLAIN if details == PLAIN else details


def _whole(word: str, role: Role) -> int | None:
    if not word:
        return None
    if not re.fullmatch(r"[-+]?\d{1,12}", word):
        raise _Fault(role, 0, f"“{word}” is not a whole number", "write one, or nothing")
    return int(word)


def _one(cells: Sequence[str], plan: Plan, role: Role) -> str:
    return next(iter(_all(cells, plan, role)), "")


def _all(cells: Sequence[str], plan: Plan, role: Role) -> tuple[str, ...]:
    """What the columns of a role hold, without the empty ones at the end."""
    found = [cell for cell, its in zip(cells, plan.columns, strict=False) if its is role]
    while found and not found[-1]:
        found.pop()
    return tuple(found)


def _located(fault: FieldFault, cells: Sequence[str], plan: Plan) -> _Fault:
    """The fault of a question's field as the fault of a row's."""
    role = _ROLE_OF_FIELD.get(fault.field) or (_TEXTS | _NUMBERS)[fault.field]
    if role in (Role.RIGHT, Role.WRONG) and len(cells) < 3 and plan.is_plain:
        found = "1 field" if len(cells) == 1 else f"{len(cells)} fields"
        missing = "the right answer" if len(cells) == 1 else "wrong choice 1"
        return _Fault(
            Role.IGNORED,
            len(cells) + 1,
            f"only {found} where at least 3 are expected: {missing} is missing",
            "give a question, its right answer and at least one wrong choice",
        )
    if role not in plan.columns:
        role = next((r for r in (Role.GROUP, Role.KEY, Role.OPTIONS) if r in plan.columns), role)
    return _Fault(role, fault.number, fault.what, fault.mend)


def _refusal(fault: _Fault, cells: Sequence[str], line: int, plan: Plan) -> Refusal:
    text = plan.separator.sign.join(cells)
    kept = tuple(cells)
    spaced = plan.separator is Separator.TAB and plan.format is Format.TABLE
    if spaced and len(cells) < len(plan.columns) and _SPACES.search(cells[-1]):
        what, mend = "spaces stand where a tab should be", "put a tab between the fields"
        return Refusal(line, len(cells), what, mend, text, kept)
    return Refusal(line, _column(fault, plan), fault.what, fault.mend, text, kept)


def _column(fault: _Fault, plan: Plan) -> int:
    """The number, from 1, of the column a fault is in."""
    if fault.role is Role.IGNORED:
        return fault.number
    places = [place for place, role in enumerate(plan.columns, 1) if role is fault.role]
    if not places:
        return 1
    beyond = fault.number - len(places) + 1
    return places[fault.number] if beyond <= 0 else places[-1] + beyond


def _with_other_groups(questions: list[Question]) -> tuple[list[Question], list[Refusal]]:
    """Sort questions, each with the groups of the others as its wrong choices."""
    groups = list(dict.fromkeys(q.right[0] for q in questions if q.kind is Kind.SORT and q.right))
    filled = [
        replace(q, wrong=tuple(group for group in groups if group != q.right[0]))
        if q.kind is Kind.SORT and not q.wrong
        else q
        for q in questions
    ]
    kept, refused = [], []
    for number, question in zip(count(1), filled, strict=False):
        if fault := first_fault(question):
            text = f"{question.prompt}\t{question.answer}"
            cells = (question.prompt, question.answer)
            refused.append(Refusal(number, 2, fault.what, fault.mend, text, cells))
        else:
            kept.append(question)
    return kept, refused
