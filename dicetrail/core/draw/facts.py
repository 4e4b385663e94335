"""Questions made from facts by a pattern: one for each row, or for rows that ask the same.

What is asked and what is right is the same in every run. Wrong choices are drawn by the dice
when a question comes: from the answers of other rows, each as likely as any other, those of
near rows first. No two choices are alike, and none is one that would be right too: rows that
ask the same are one question, and all their answers are right.
"""

from collections.abc import Callable, Collection, Iterator, Sequence
from functools import cached_property
from typing import overload

from dicetrail.core.answers import fold, read_number, unaccented, unpointed
from dicetrail.core.document import (
    MOST_LETTERS,
    Details,
    Facts,
    Kind,
    Made,
    Pattern,
    Question,
    Shows,
    Within,
    from_columns,
    notes_of,
)
from dicetrail.core.draw.dice import Stream

MOST_FACTS = 20_000
"""Facts have at most this many rows."""

MOST_COLUMNS = 40
"""Facts have at most this many columns."""


class FactQuestions(Sequence[Question]):
    """What a pattern makes of facts: questions by number, those to pick without wrong choices.

    Nothing is made where a column that the pattern needs is not there.
    """

    def __init__(self, pattern: Pattern, facts: Facts) -> None:
        self.pattern, self.facts = pattern, facts
        self._columns = {fold(name): at for at, name in reversed([*enumerate(facts.columns)])}

    def column(self, name: str) -> int | None:
        """The place of a column, from 0; None if there is none of that name."""
        return self._columns.get(fold(name))

    def cell(self, row: int, name: str) -> str:
        """What a row holds in a column; nothing where there is none."""
        at, cells = self.column(name), self.facts.rows[row]
        return cells[at].strip() if at is not None and at < len(cells) else ""

    @cached_property
    def rows(self) -> tuple[int, ...]:
        """The rows that hold what the pattern asks of them."""
        wanted = [
            (holds.column, {fold(value) for value in holds.values})
            for holds in self.pattern.holds
            if holds.values
        ]
        return tuple(
            row
            for row in range(len(self.facts.rows))
            if all(fold(self.cell(row, column)) in values for column, values in wanted)
        )

    @cached_property
    def idle(self) -> tuple[int, ...]:
        """The rows among those of which nothing can be asked: a cell is empty, or its answer
        cannot be given."""
        asked = {row for rows in self._asked for row in rows}
        return tuple(row for row in self.rows if row not in asked)

    @cached_property
    def unfit(self) -> tuple[int, ...]:
        """Those among the idle rows that hold an answer which cannot be given as is wanted."""
        answer = self.pattern.answer
        return tuple(row for row in self.idle if self._prompt(row) and self.cell(row, answer))

    @cached_property
    def _asked(self) -> tuple[tuple[int, ...], ...]:
        """The rows of each question, those that ask the same together."""
        alike: dict[tuple[str, ...], list[int]] = {}
        for row in self.rows:
            prompt, media = self._prompt(row), self._media(row)
            if prompt and all(media) and self._is_answer(self.cell(row, self.pattern.answer)):
                alike.setdefault((fold(prompt), *media), []).append(row)
        return tuple(map(tuple, alike.values()))

    def _prompt(self, row: int) -> str:
        """What is asked of a row; nothing if a cell of it is empty."""
        empty: list[str] = []

        def cell(name: str) -> str:
            found = self.cell(row, name)
            if not found:
                empty.append(name)
            return found

        words = from_columns(self.pattern.prompt, cell).strip()
        return "" if empty else words

    def _media(self, row: int) -> tuple[str, ...]:
        named = (self.pattern.picture, self.pattern.sound)
        return tuple(self.cell(row, name) for name in named if name)

    def _is_answer(self, text: str) -> bool:
        match self.pattern.made:
            case Made.NUMBER:
                return read_number(text) is not None
            case Made.LETTERS:
                return len(text) <= MOST_LETTERS and any(map(str.isalnum, text))
        return bool(text)

    def __len__(self) -> int:
        return len(self._asked)

    @overload
    def __getitem__(self, number: int) -> Question: ...

    @overload
    def __getitem__(self, number: slice) -> tuple[Question, ...]: ...

    def __getitem__(self, number: int | slice) -> Question | tuple[Question, ...]:
        if isinstance(number, slice):
            return tuple(self[at] for at in range(*number.indices(len(self))))
        pattern, row = self.pattern, self._asked[number][0]
        details = Details(
            worth=_within("worth", self.cell(row, pattern.worth)) if pattern.worth else None,
            level=_within("level", self.cell(row, pattern.level)) if pattern.level else None,
            note=self.cell(row, pattern.note) if pattern.note else "",
            picture=self.cell(row, pattern.picture) if pattern.picture else "",
            sound=self.cell(row, pattern.sound) if pattern.sound else "",
            tolerance=pattern.tolerance if pattern.made is Made.NUMBER else "",
            shows=pattern.shows if pattern.made is Made.CHOICE else Shows.TEXT,
        )
        right = tuple(self._right(number))
        if pattern.made is Made.CHOICE:
            right = right[:1]
        return Question(self._prompt(row), right, (), Kind(pattern.made.value), details)

    def _right(self, number: int) -> Iterator[str]:
        """Every right answer to a question, the one to show first, no two alike."""
        seen: set[str] = set()
        for row in self._asked[number]:
            for name in (self.pattern.answer, *self.pattern.also):
                answer = self.cell(row, name)
                if answer and fold(answer) not in seen:
                    seen.add(fold(answer))
                    yield answer

    @cached_property
    def _answers(self) -> dict[str, tuple[str, tuple[int, ...]]]:
        """Every answer there is, as it is first written, with its rows; alike ones are one."""
        found: dict[str, tuple[str, list[int]]] = {}
        for row in self.rows:
            answer = self.cell(row, self.pattern.answer)
            if answer:
                found.setdefault(self._likeness(answer), (answer, []))[1].append(row)
        return {like: (answer, tuple(rows)) for like, (answer, rows) in found.items()}

    @cached_property
    def _likeness(self) -> Callable[[str], str]:
        return str if self.pattern.shows is not Shows.TEXT else likeness

    @property
    def answers(self) -> Iterator[tuple[str, tuple[int, ...]]]:
        """Every answer there is, as it is first written, with its rows; alike ones are one."""
        yield from self._answers.values()

    def rows_of(self, number: int) -> tuple[int, ...]:
        """The rows a question is made of."""
        return self._asked[number]

    def rows_of_answer(self, answer: str) -> tuple[int, ...]:
        """The rows whose answer it is, or one alike."""
        return self._answers.get(self._likeness(answer), ("", ()))[1]

    def others(self, number: int, gone: Collection[int] = ()) -> Iterator[tuple[str, bool]]:
        """The answers of other rows that can stand as wrong choices, and whether one is near.

        Rows that are `gone` give none.
        """
        right = {self._likeness(answer) for answer in self._right(number)}
        column = self.pattern.near
        near = {fold(self.cell(row, column)) for row in self._asked[number]} if column else set()
        for like, (answer, rows) in self._answers.items():
            there = rows if not gone else [row for row in rows if row not in gone]
            if like not in right and there:
                is_near = bool(near) and any(fold(self.cell(row, column)) in near for row in there)
                yield answer, is_near

    def fewest_others(self) -> int:
        """How many wrong choices there are for the question that has the fewest."""
        answers = self._answers
        return len(answers) - max(
            sum(like in answers for like in set(map(self._likeness, self._right(number))))
            for number in range(len(self))
        )

    def with_wrong(
        self, question: Question, number: int, chances: Stream, gone: Collection[int] = ()
    ) -> Question:
        """A question to pick with wrong choices, as these chances draw them."""
        if self.pattern.made is not Made.CHOICE:
            return question
        others = list(self.others(number, gone)) or list(self.others(number))
        wanted, wrong = self.pattern.choices - 1, list[str]()
        for is_wanted_near in (True, False):
            among = [answer for answer, is_near in others if is_near is is_wanted_near]
            picked = chances.pick(len(among), min(wanted - len(wrong), len(among)))
            wrong += [among[at] for at in picked]
        return Question(
            question.prompt, question.right, tuple(wrong), question.kind, question.details
        )


def likeness(text: str) -> str:
    """A form in which two answers are equal if however forgiving a round they could be taken
    for one another: numbers of one value, texts but for case, accents and punctuation.

    >>> likeness("Crème  brûlée!") == likeness("creme brulee"), likeness("0,5") == likeness("1/2")
    (True, True)
    """
    number = read_number(text)
    if number is not None:
        return str(number)
    plain = unaccented(fold(text))
    return unpointed(plain) or plain


def _within(field: str, text: str) -> int | None:
    """A whole number within the bounds of a detail; None for anything else."""
    bounds = notes_of(Details, Within)[field]
    number = read_number(text)
    if number is None or number.denominator != 1:
        return None
    return int(number) if bounds.least <= number <= bounds.most else None
