"""The problems of a pack, row by row, updated at the cost of each edit."""

from collections import Counter, defaultdict
from collections.abc import Collection, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Any, NamedTuple, TypeVar

from dicetrail.core.answers import as_shown, fold
from dicetrail.core.document import Pack, Question, Range
from dicetrail.core.draw import Census, Traits, traits_of
from dicetrail.core.survey.question_faults import (
    FieldFault,
    areas_overlapping,
    choices_alike,
    faults,
    gaps_sharing,
    is_plain_choice,
    missing_medium,
    surely_unlike,
)

MAX_ROWS = 10_000_000


@dataclass(frozen=True, slots=True)
class RowFault:
    """A problem of one field of one question. Rows and fields count from 0."""

    row: int
    field: str
    number: int
    what: str
    mend: str


@dataclass(frozen=True, slots=True)
class PackEdit:
    """Questions removed at a row (from 0), and others inserted there."""

    row: Annotated[int, Range(0, MAX_ROWS)]
    remove: Annotated[int, Range(0, MAX_ROWS)] = 0
    insert: tuple[Question, ...] = ()


@dataclass(frozen=True, slots=True)
class FactsEdit:
    """Rows of facts removed at a row (from 0), and others inserted there."""

    row: Annotated[int, Range(0, MAX_ROWS)]
    remove: Annotated[int, Range(0, MAX_ROWS)] = 0
    insert: tuple[tuple[str, ...], ...] = ()


Edits = tuple[PackEdit, ...] | tuple[FactsEdit, ...]
"""The changes of a revision: of the questions of a pack, or of its facts."""

Row = TypeVar("Row")


def edited(rows: Sequence[Row], edits: Iterable[Any]) -> tuple[Row, ...]:
    """The questions, or rows of facts, after some edits, made in order."""
    found = list(rows)
    for edit in edits:
        found[edit.row : edit.row + edit.remove] = edit.insert
    return tuple(found)


def rebased(mine: Sequence[Any], theirs: Sequence[Any]) -> tuple[Edits, Edits] | None:
    """Two lists of edits that start from the same rows, each changed to come after the other: mine
    after theirs, and theirs after mine. None if both remove or change the same rows, or if one
    inserts rows between those that the other removes.

    Rows that both put in at one place stand with theirs first.

    >>> rebased([FactsEdit(2, 1)], [FactsEdit(0, 0, (("new",),))])
    ((FactsEdit(row=3, remove=1, insert=()),), (FactsEdit(row=0, remove=0, insert=(('new',),)),))
    """
    others = list(theirs)
    found = []
    for edit in mine:
        after: list[Any] = []
        for other in others:
            if edit.row + edit.remove <= other.row and (edit.remove or edit.row < other.row):
                other = _shifted(other, edit)
            elif other.row + other.remove <= edit.row:
                edit = _shifted(edit, other)
            elif edit.row + edit.remove <= other.row:
                other = _shifted(other, edit)
            else:
                return None
            after.append(other)
        found.append(edit)
        others = after
    return tuple(found), tuple(others)


def _shifted(edit: Any, before: Any) -> Any:
    """An edit of rows that come after those of another edit, changed to follow that edit."""
    return replace(edit, row=edit.row + len(before.insert) - before.remove)


def edited_pack(pack: Pack, edits: Edits) -> Pack:
    """The pack after some edits of its questions or its facts."""
    if pack.facts is None:
        return replace(pack, questions=edited(pack.questions, edits))
    return replace(pack, facts=replace(pack.facts, rows=edited(pack.facts.rows, edits)))


@dataclass(frozen=True, slots=True)
class PackReport:
    """The report on a pack that the survey of a game needs."""

    unfit: tuple[tuple[int, FieldFault], ...]
    """The rows of questions that cannot be asked, each with the first reason."""
    alike: tuple[tuple[int, "Alike"], ...]
    """The rows of questions with choices that capitals or looks alone tell apart."""
    sharing: tuple[tuple[int, FieldFault], ...]
    """The rows of texts with gaps that accept what another gap accepts too, and of pictures with
    areas that overlap."""
    asks: tuple[str, ...]
    """The prompt of every question, as it is shown; empty if a picture or sound is part of what is
    asked."""
    several: Mapping[str, int]
    """The prompts that come more than once, and how often."""
    census: Census


class Alike(NamedTuple):
    """Two choices of a question that are alike, and the number of the second among the wrong ones,
    from 0."""

    one: str
    other: str
    number: int


Known = TypeVar("Known")


class PackLook:
    """The problems of a pack, kept up to date: an edit is checked at the cost of what it changes.

    `media` holds the names of the pictures and sounds that are there.
    """

    def __init__(self, questions: Iterable[Question], media: Collection[str] = ()) -> None:
        self._media = media
        self._unfit: dict[int, tuple[FieldFault, ...]] = {}
        self._missing: dict[int, FieldFault] = {}
        self._alike: dict[int, Alike] = {}
        self._sharing: dict[int, FieldFault] = {}
        self._asks: list[str] = []
        self._traits: list[Traits] = []
        self._census: Counter[Traits] = Counter()
        self._alike_traits: dict[Traits, Traits] = {}
        self._times: Counter[str] = Counter()
        self._several: set[str] = set()
        self.edit((PackEdit(0, 0, tuple(questions)),))

    def edit(self, edits: Iterable[PackEdit]) -> None:
        """Apply edits of the pack, in order."""
        for edit in edits:
            rows = slice(*slice(edit.row, edit.row + edit.remove).indices(len(self._asks)))
            gone, come = self._asks[rows], [_asks(question) for question in edit.insert]
            self._asks[rows] = come
            self._recount(rows, edit.insert)
            self._move(rows, len(come) - len(gone))
            for row, question in enumerate(edit.insert, rows.start):
                self._see(row, question)
            for asks in gone:
                self._count(asks, -1)
            for asks in come:
                self._count(asks, 1)

    def _recount(self, rows: slice, come: Sequence[Question]) -> None:
        """Take rows out of the census and put others in."""
        self._census -= Counter(self._traits[rows])
        traits = [traits_of(question) for question in come]
        self._traits[rows] = [self._alike_traits.setdefault(each, each) for each in traits]
        self._census.update(traits)

    def report(self) -> PackReport:
        """The report on the pack as it is now."""
        unfit = tuple((row, self._unfit[row][0]) for row in sorted(self._unfit))
        alike = tuple((row, self._alike[row]) for row in sorted(self._alike))
        sharing = tuple((row, self._sharing[row]) for row in sorted(self._sharing))
        several = {asks: self._times[asks] for asks in sorted(self._several)}
        return PackReport(unfit, alike, sharing, tuple(self._asks), several, Counter(self._census))

    def faults(self) -> Iterator[RowFault]:
        """Every fault of a single question, and every fault that questions have only together."""
        for row in sorted({*self._unfit, *self._missing, *self._alike, *self._sharing}):
            for fault in (*self._unfit.get(row, ()), *self._others(row)):
                yield RowFault(row, fault.field, fault.number, fault.what, fault.mend)
        rows_asking: defaultdict[str, list[int]] = defaultdict(list)
        if self._several:
            for row, asks in enumerate(self._asks):
                if asks in self._several:
                    rows_asking[asks].append(row)
        for rows in rows_asking.values():
            for row in rows[1:]:
                what = f"question {rows[0] + 1} asks the same"
                yield RowFault(row, "prompt", 0, what, "ask something else, or delete one of them")

    def _others(self, row: int) -> Iterator[FieldFault]:
        if row in self._missing:
            yield self._missing[row]
        if row in self._sharing:
            yield self._sharing[row]
        if row in self._alike:
            alike = self._alike[row]
            what = f"“{alike.one}” and “{alike.other}” differ only in capitals or look alike"
            mend = "a typed answer could mean either: write them differently"
            yield FieldFault("wrong", alike.number, what, mend)

    def _move(self, rows: slice, further: int) -> None:
        """Remove what was found about removed rows, and move what was found about the rows after
        them."""
        self._unfit = _moved(self._unfit, rows, further)
        self._missing = _moved(self._missing, rows, further)
        self._alike = _moved(self._alike, rows, further)
        self._sharing = _moved(self._sharing, rows, further)

    def _count(self, asks: str, more: int) -> None:
        self._times[asks] += more
        if not self._times[asks]:
            del self._times[asks]
        if self._times[asks] > 1 and asks:
            self._several.add(asks)
        else:
            self._several.discard(asks)

    def _see(self, row: int, question: Question) -> None:
        if is_plain_choice(question) and surely_unlike(question.choices):
            return
        if unfit := tuple(faults(question)):
            self._unfit[row] = unfit
        if missing := missing_medium(question, self._media):
            self._missing[row] = missing
        if sharing := gaps_sharing(question) or areas_overlapping(question):
            self._sharing[row] = sharing
        if alike := choices_alike(question, [fold(choice) for choice in question.choices]):
            number = question.wrong.index(alike[1]) if alike[1] in question.wrong else 0
            self._alike[row] = Alike(*alike, number)


def _moved(known: dict[int, Known], rows: slice, further: int) -> dict[int, Known]:
    return {
        row + further if row >= rows.stop else row: found
        for row, found in known.items()
        if not rows.start <= row < rows.stop
    }


def _asks(question: Question) -> str:
    """The prompt of a question, as it is shown; empty if a picture or sound is part of what is
    asked."""
    has_more = question.details.picture or question.details.sound
    return "" if has_more else as_shown(question.prompt)


def report_on(pack: Pack) -> PackReport:
    """The report on a pack, for the survey of a game."""
    return PackLook(pack.questions).report()
