"""Make questions from facts by a pattern: one question for each row, or one for all rows that ask
the same.

Questions and right answers are the same in every run. The dice draw the wrong choices when a
question is dealt: from the answers of other rows with equal chances, near rows first. No two
choices are alike, and no wrong choice would also be right: rows that ask the same become one
question, and all their answers are right.
"""

from bisect import bisect_left
from collections.abc import Callable, Collection, Hashable, Iterable, Iterator, Sequence
from dataclasses import replace
from fractions import Fraction
from functools import cached_property, lru_cache
from itertools import chain, islice
from typing import overload

from dicetrail.core.answers import (
    NO_ESTIMATE,
    as_number,
    fold,
    plain_number,
    read_number,
    scale_around,
    scale_in,
    shape_of_estimate,
    unaccented,
    without_punctuation,
)
from dicetrail.core.document import (
    MAX_CHOICES,
    MAX_LETTERS,
    MIN_ARRANGED,
    Area,
    DecimalMark,
    Details,
    Facts,
    Filled,
    Gap,
    Kind,
    Made,
    Pattern,
    Question,
    Range,
    Shows,
    area_in,
    around_gaps,
    as_area,
    as_gap,
    as_pair,
    free_points,
    from_columns,
    gap_in,
    left_out,
    notes_of,
    pair_in,
    with_blanks,
)
from dicetrail.core.draw.dice import Stream

MAX_FACTS = 20_000
"""Facts have at most this many rows."""

MAX_COLUMNS = 40
"""Facts have at most this many columns."""


class FactQuestions(Sequence[Question]):
    """The questions that a pattern makes from facts, by number; questions to pick have no wrong
    choices yet.

    A pattern makes nothing if a column that it needs is missing.
    """

    def __init__(
        self, pattern: Pattern, facts: Facts, mark: DecimalMark = DecimalMark.POINT
    ) -> None:
        self.pattern, self.facts, self.mark = pattern, facts, mark
        self._named: dict[str, int | None] = {}
        """A cache of columns by their names in patterns."""
        self._columns = {fold(name): at for at, name in reversed([*enumerate(facts.columns)])}

    def column(self, name: str) -> int | None:
        """The place of a column, from 0; None if no column has that name."""
        if name not in self._named:
            self._named[name] = self._columns.get(fold(name))
        return self._named[name]

    def cell(self, row: int, name: str) -> str:
        """The cell of a row in a column; empty if the column is missing."""
        at, cells = self.column(name), self.facts.rows[row]
        return cells[at].strip() if at is not None and at < len(cells) else ""

    @cached_property
    def rows(self) -> tuple[int, ...]:
        """The rows that pass the pattern's conditions."""
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
        """The rows among those that cannot be asked: a cell is empty, or a player cannot give its
        answer."""
        asked = {row for rows in self._asked for row in rows}
        return tuple(row for row in self.rows if row not in asked)

    @cached_property
    def unfit(self) -> tuple[int, ...]:
        """The idle rows whose answer cannot be given in the wanted form."""
        answer = self.pattern.answer
        return tuple(row for row in self.idle if self._prompt(row) and self.cell(row, answer))

    @cached_property
    def _asked(self) -> tuple[tuple[int, ...], ...]:
        """The rows of each question, those that ask the same together."""
        alike: dict[tuple[str, ...], list[int]] = {}
        # Of what is arranged each row asks by itself, whatever its words.
        is_alone = self.is_arranged
        for row in self.rows:
            prompt, media = self._asked_text(row), self._media(row)
            if prompt and all(media) and self._can_answer(row):
                key = (fold(prompt), *media, *([str(row)] if is_alone else []))
                alike.setdefault(key, []).append(row)
        return tuple(map(tuple, alike.values()))

    def _prompt(self, row: int) -> str:
        """The prompt of a row; empty if a cell in it is empty."""
        empty: list[str] = []

        def cell(name: str) -> str:
            found = self.cell(row, name)
            if not found:
                empty.append(name)
            return found

        words = from_columns(self.pattern.prompt, cell).strip()
        return "" if empty else words

    def _asked_text(self, row: int) -> str:
        """The prompt of a row as it is asked: with blanks for gaps."""
        found = self._gapped.get(row) if self.pattern.made is Made.GAPS else None
        return found[0] if found else self._prompt(row)

    @cached_property
    def _gapped(self) -> dict[int, tuple[str, tuple[Gap, ...]]]:
        """The rows whose prompt has gaps, with this text and what fits each gap.

        The gaps are where the prompt marks words or has blanks, else wherever it says the answer.
        """
        found = {}
        for row in self.rows:
            words = [self.cell(row, name) for name in (self.pattern.answer, *self.pattern.also)]
            accepted = gap_in(" | ".join(filter(None, words))).accepted
            text = self._prompt(row)
            if marked := with_blanks(text):
                text, gaps = marked[0], tuple(map(gap_in, marked[1]))
            elif count := len(around_gaps(text)) - 1:
                gaps = (Gap(accepted),) * count
            else:
                text, stood = left_out(text, accepted)
                gaps = tuple(_gap_where(one, accepted) for one in stood)
            if 0 < len(gaps) <= MAX_CHOICES and all(all(gap.accepted) for gap in gaps):
                found[row] = text, gaps
        return found

    def _gaps_of(self, number: int) -> tuple[Gap, ...]:
        """What fits each gap of a question, by all its rows."""
        by_row = [self._gapped[row][1] for row in self._asked[number]]
        return tuple(
            Gap(
                tuple(dict.fromkeys(chain.from_iterable(gap.accepted for gap in same))),
                same[0].others,
            )
            for same in zip(*by_row, strict=True)
        )

    def _media(self, row: int) -> tuple[str, ...]:
        named = (self.pattern.picture, self.pattern.sound)
        return tuple(self.cell(row, name) for name in named if name)

    def _can_answer(self, row: int) -> bool:
        """Whether a player can give the answer of a row in the wanted form."""
        text = self.cell(row, self.pattern.answer)
        match self.pattern.made:
            case Made.GAPS:
                return row in self._gapped
            case Made.PLACE:
                return row in self._placed
            case Made.ORDER | Made.MATCH:
                return row in self._grouped and self.group_count >= MIN_ARRANGED
            case Made.NUMBER:
                return read_number(text, self.mark) is not None
            case Made.ESTIMATE:
                return self._can_estimate(text)
            case Made.LETTERS:
                return len(text) <= MAX_LETTERS and any(map(str.isalnum, text))
        return bool(text)

    @cached_property
    def _placed(self) -> dict[int, Area]:
        """The rows whose answer has an area in a picture, with these areas. They are left out
        where all areas of a picture leave no part of it free, so that nothing there is wrong."""
        found = {}
        for row in self.rows:
            name, text = self.cell(row, self.pattern.answer), self.cell(row, self.pattern.by)
            area = area_in(text) or area_in(f"{name} = {text}")
            if name and area is not None and self.cell(row, self.pattern.picture):
                area = area._replace(name=name)
                if area_in(as_area(area)) == area:
                    found[row] = area
        for rows in self._by_picture(found).values():
            if next(free_points([found[row] for row in rows]), None) is None:
                for row in rows:
                    del found[row]
        return found

    def _by_picture(self, rows: Iterable[int]) -> dict[str, list[int]]:
        """Some rows, those of each picture together."""
        found: dict[str, list[int]] = {}
        for row in rows:
            found.setdefault(self.cell(row, self.pattern.picture), []).append(row)
        return found

    @cached_property
    def _pictured(self) -> dict[str, list[int]]:
        """The rows with an area, by their pictures."""
        return self._by_picture(self._placed)

    def _areas(self, number: int) -> tuple[tuple[str, ...], tuple[str, ...]]:
        """The areas of a question: those of its rows, and those of the rows that follow with the
        same picture, from the last on from the first, none with the name of another."""
        own = self._asked[number]
        there = self._pictured[self.cell(own[0], self.pattern.picture)]
        at = bisect_left(there, own[0])
        named: dict[str, Area] = {}
        for row in chain(own, islice(there, at, None), islice(there, at)):
            named.setdefault(self._comparison_key(self._placed[row].name), self._placed[row])
            if len(named) == MAX_CHOICES:
                break
        rights = {self._comparison_key(self._placed[row].name) for row in own}
        right = tuple(as_area(area) for like, area in named.items() if like in rights)
        return right, tuple(as_area(area) for like, area in named.items() if like not in rights)

    @cached_property
    def scale(self) -> Details | None:
        """The details of the scale that its numbers are estimated on; None if there is none."""
        pattern = self.pattern
        told = Details(least=pattern.least, most=pattern.most, step=pattern.step, unit=pattern.unit)
        if pattern.least and pattern.most:
            return told if scale_in(told) is not None else None
        cells = (self.cell(row, pattern.answer) for row in self.rows)
        numbers = [number for cell in cells if (number := read_number(cell, self.mark)) is not None]
        if not numbers:
            return None
        least, most, step = map(as_number, scale_around(min(numbers), max(numbers)))
        return replace(told, least=least, most=most, step=step)

    def _estimated(self, text: str) -> tuple[str, Details] | None:
        """The number of a cell plainly written, with its scale and tolerance; None if it is no
        number."""
        number, scale = read_number(text, self.mark), self.scale
        if number is None or scale is None:
            return None
        right = text if plain_number(text) == number else as_number(number)
        shape = shape_of_estimate(right, replace(scale, tolerance=self.pattern.tolerance))
        tolerance = self.pattern.tolerance
        if not tolerance and shape.right.denominator != 1:
            # Between two numbers of the scale the nearer one is right.
            tolerance = as_number((plain_number(scale.step) or Fraction(1)) / 2)
        return right, replace(scale, tolerance=tolerance)

    def _can_estimate(self, text: str) -> bool:
        """Whether a number of the scale is right."""
        found = self._estimated(text)
        shape = NO_ESTIMATE if found is None else shape_of_estimate(*found)
        return 0 <= shape.right <= shape.points - 1 and not all(
            shape.distance(round(shape.right) + by) for by in (-1, 0, 1)
        )

    @property
    def is_arranged(self) -> bool:
        """Whether its questions are made of several rows each: orders and matches."""
        return self.pattern.made in (Made.ORDER, Made.MATCH)

    @cached_property
    def _grouped(self) -> dict[int, Hashable]:
        """The rows that can be arranged, each with what no other of its question may have too: the
        number it is in the order of, or its partner."""
        return dict(self._partnered if self.pattern.made is Made.MATCH else self._ordered)

    @cached_property
    def _partnered(self) -> dict[int, str]:
        """The rows that can be matched, with their partners. An item of several partners is left
        out, for either would be right. Of rows with the same item the first stands for all."""
        partners: dict[str, set[str]] = {}
        first: dict[str, int] = {}
        for row in self.rows:
            item, answer = self.cell(row, self.pattern.by), self.cell(row, self.pattern.answer)
            if item and answer and pair_in(as_pair(item, answer)) == (item, answer):
                like = self._comparison_key(item)
                partners.setdefault(like, set()).add(self._comparison_key(answer))
                first.setdefault(like, row)
        alone = {like: its for like, (its, *others) in partners.items() if not others}
        return {row: alone[like] for like, row in first.items() if like in alone}

    @cached_property
    def _ordered(self) -> dict[int, Fraction]:
        """The rows that can stand in an order, with the numbers they are in the order of. Of rows
        with the same answer the first stands for all."""
        found: dict[int, Fraction] = {}
        seen: set[str] = set()
        for row in self.rows:
            answer = self.cell(row, self.pattern.answer)
            number = read_number(self.cell(row, self.pattern.by), self.mark)
            if answer and number is not None and (like := self._comparison_key(answer)) not in seen:
                seen.add(like)
                found[row] = number
        return found

    @cached_property
    def _groups(self) -> dict[Hashable, list[int]]:
        """The rows of which one question has one at most. Of two with one number in an order either
        could come first."""
        found: dict[Hashable, list[int]] = {}
        for row, group in self._grouped.items():
            found.setdefault(group, []).append(row)
        return found

    @cached_property
    def _firsts(self) -> tuple[int, ...]:
        """The first rows of different groups, as many as are ever arranged."""
        return tuple(rows[0] for rows in islice(self._groups.values(), self.pattern.choices))

    @property
    def group_count(self) -> int:
        """How many different numbers rows are in the order of, or partners they have."""
        return len(self._groups)

    @property
    def _arranged_count(self) -> int:
        """How many answers are put in order, or items matched."""
        return min(self.pattern.choices, self.group_count)

    def _arranged(self, rows: Iterable[int]) -> tuple[str, ...]:
        """The answers of some rows in the right order, or their pairs in the order of the rows."""
        if self.pattern.made is Made.MATCH:
            named = (self.pattern.by, self.pattern.answer)
            return tuple(as_pair(*(self.cell(row, name) for name in named)) for row in sorted(rows))
        ranked = sorted(
            rows, key=lambda row: self._ordered[row], reverse=self.pattern.largest_first
        )
        return tuple(self.cell(row, self.pattern.answer) for row in ranked)

    def _with_others(self, number: int, chances: Stream, gone: Collection[int]) -> tuple[str, ...]:
        """The answers of a question that is arranged: its own, and others that these chances draw.
        Rows that are gone stand in only where there are too few without them."""
        own = self._asked[number][0]
        others = [rows for group, rows in self._groups.items() if group != self._grouped[own]]
        lots = [[row for row in rows if row not in gone] for rows in others]
        full = [rows for rows in lots if rows]
        empty = [rows for rows, left in zip(others, lots, strict=True) if not left]
        wanted = self._arranged_count - 1
        drawn = [full[at] for at in chances.pick(len(full), min(wanted, len(full)))]
        missing = wanted - len(drawn)
        drawn += [empty[at] for at in chances.pick(len(empty), missing)]
        return self._arranged([own, *(rows[chances.below(len(rows))] for rows in drawn)])

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
            worth=self._number(row, "worth"),
            level=self._number(row, "level"),
            note=self.cell(row, pattern.note) if pattern.note else "",
            picture=self.cell(row, pattern.picture) if pattern.picture else "",
            sound=self.cell(row, pattern.sound) if pattern.sound else "",
            tolerance=pattern.tolerance if pattern.made is Made.NUMBER else "",
            shows=pattern.shows if pattern.made is Made.CHOICE or self.is_arranged else Shows.TEXT,
        )
        right = tuple(self._right(number))
        if self.is_arranged:
            # As many as are asked, though not those that the dice draw.
            firsts = [other for other in self._firsts if self._grouped[other] != self._grouped[row]]
            right = self._arranged([row, *firsts[: self._arranged_count - 1]])
        if pattern.made is Made.ESTIMATE and (found := self._estimated(right[0])):
            text, scale = found
            right = (text,)
            details = replace(
                details,
                least=scale.least,
                most=scale.most,
                step=scale.step,
                unit=scale.unit,
                tolerance=scale.tolerance,
            )
        if pattern.made is Made.CHOICE:
            right = right[:1]
        if pattern.made is Made.GAPS:
            right = tuple(map(as_gap, self._gaps_of(number)))
            details = replace(details, filled=pattern.filled)
        wrong: tuple[str, ...] = ()
        if pattern.made is Made.PLACE:
            right, wrong = self._areas(number)
        return Question(self._asked_text(row), right, wrong, Kind(pattern.made.value), details)

    def _number(self, row: int, field: str) -> int | None:
        """The number that a row gives for a detail; None if it gives no fitting one."""
        name = getattr(self.pattern, field)
        return _within(field, self.cell(row, name), self.mark) if name else None

    def _right(self, number: int) -> Iterator[str]:
        """Every right answer to a question, the one to show first, none twice; of gaps, all words
        that fit any of them."""
        if self.pattern.made is Made.GAPS:
            yield from chain.from_iterable(gap.accepted for gap in self._gaps_of(number))
            return
        seen: set[str] = set()
        for row in self._asked[number]:
            for name in (self.pattern.answer, *self.pattern.also):
                answer = self.cell(row, name)
                # Those that capitals alone tell apart are all accepted, for capitals may count.
                if answer and answer not in seen:
                    seen.add(answer)
                    yield answer

    @cached_property
    def _answers(self) -> dict[str, tuple[str, tuple[int, ...]]]:
        """Every different answer as it is first written, with its rows."""
        found: dict[str, tuple[str, list[int]]] = {}
        for row in self.rows:
            for answer in self._answers_of(row):
                found.setdefault(self._comparison_key(answer), (answer, []))[1].append(row)
        return {like: (answer, tuple(rows)) for like, (answer, rows) in found.items()}

    def _answers_of(self, row: int) -> Iterable[str]:
        """The answers that a row gives to be wrong choices elsewhere."""
        if self.pattern.made is Made.GAPS:
            _, gaps = self._gapped.get(row, ("", ()))
            return dict.fromkeys(gap.accepted[0] for gap in gaps)
        return filter(None, (self.cell(row, self.pattern.answer),))

    @cached_property
    def _comparison_key(self) -> Callable[[str], str]:
        if self.pattern.shows is not Shows.TEXT:
            return fold
        return lambda text: comparison_key(text, self.mark)

    @property
    def answers(self) -> Iterator[tuple[str, tuple[int, ...]]]:
        """Every answer there is, as it is first written, with its rows; alike ones are one."""
        yield from self._answers.values()

    def rows_of(self, number: int) -> tuple[int, ...]:
        """The rows a question is made of."""
        return self._asked[number]

    def rows_of_answer(self, answer: str) -> tuple[int, ...]:
        """The rows whose answer it is, or one alike."""
        return self._answers.get(self._comparison_key(answer), ("", ()))[1]

    @cached_property
    def _texts(self) -> tuple[str, ...]:
        """Every answer, in order. The tables below refer to an answer by its place here."""
        return tuple(answer for answer, _ in self._answers.values())

    @cached_property
    def _places(self) -> dict[str, int]:
        """The place of each answer by its form."""
        return {like: place for place, like in enumerate(self._answers)}

    @cached_property
    def _near(self) -> dict[str, dict[int, list[int]]]:
        """For each value of the column of near rows: the answers in rows with this value, and those
        rows."""
        found: dict[str, dict[int, list[int]]] = {}
        for place, (_, rows) in enumerate(self._answers.values()):
            for row in rows:
                held = found.setdefault(fold(self.cell(row, self.pattern.near)), {})
                held.setdefault(place, []).append(row)
        return found

    def _barred(self, number: int, gone: Collection[int]) -> set[int]:
        """The places of the answers that cannot stand as wrong choices: right ones, and those
        all of whose rows are gone."""
        right = {self._comparison_key(answer) for answer in self._right(number)}
        barred = {self._places[like] for like in right if like in self._places}
        for row in gone:
            for like in map(self._comparison_key, self._answers_of(row)):
                if like in self._answers and all(one in gone for one in self._answers[like][1]):
                    barred.add(self._places[like])
        return barred

    def _near_to(self, number: int, barred: Collection[int], gone: Collection[int]) -> list[int]:
        """The places of the near answers that can stand as wrong choices, in order."""
        if not self.pattern.near:
            return []
        values = {fold(self.cell(row, self.pattern.near)) for row in self._asked[number]}
        near = [
            place
            for value in values
            for place, rows in self._near.get(value, {}).items()
            if place not in barred and (not gone or any(row not in gone for row in rows))
        ]
        # Those of one value are in order as they are.
        return near if len(values) == 1 else sorted(set(near))

    def others(self, number: int, gone: Collection[int] = ()) -> Iterator[tuple[str, bool]]:
        """The answers of other rows that can be wrong choices, and whether one of them is near.

        Rows in `gone` give none.
        """
        barred = self._barred(number, frozenset(gone))
        near = set(self._near_to(number, barred, frozenset(gone)))
        for place, text in enumerate(self._texts):
            if place not in barred:
                yield text, place in near

    def wrong_count(self, number: int) -> int:
        """How many wrong choices a question is given, while no row is gone."""
        return min(self.pattern.choices - 1, self._others_count(number))

    def _others_count(self, number: int) -> int:
        return len(self._answers) - len(self._barred(number, ()))

    @property
    def has_wrong(self) -> bool:
        """Whether its questions are given wrong choices, or words for their gaps that do not
        fit."""
        made, filled = self.pattern.made, self.pattern.filled
        return made is Made.CHOICE or (made is Made.GAPS and filled is Filled.BANK)

    def fewest_others(self) -> int:
        """How many wrong choices there are for the question that has the fewest."""
        return min(map(self._others_count, range(len(self))))

    def with_wrong(
        self, question: Question, number: int, chances: Stream, gone: Collection[int] = ()
    ) -> Question:
        """A question to pick with wrong choices, or one to arrange with its other answers, as these
        chances draw them."""
        if self.is_arranged:
            return replace(question, right=self._with_others(number, chances, gone))
        if not self.has_wrong:
            return question
        texts, gone = self._texts, frozenset(gone)
        barred = self._barred(number, gone)
        if len(barred) == len(texts):
            gone = frozenset()
            barred = self._barred(number, gone)
        near = self._near_to(number, barred, gone)
        wanted = self.pattern.choices - 1
        wrong = [texts[near[at]] for at in chances.pick(len(near), min(wanted, len(near)))]
        if len(wrong) < wanted:
            taken = sorted(barred.union(near))
            left = len(texts) - len(taken)
            picked = chances.pick(left, min(wanted - len(wrong), left))
            wrong += [texts[_nth_beside(taken, at)] for at in picked]
        return Question(
            question.prompt, question.right, tuple(wrong), question.kind, question.details
        )


@lru_cache(maxsize=4)
def questions_from(
    pattern: Pattern, facts: Facts, mark: DecimalMark = DecimalMark.POINT
) -> FactQuestions:
    """What a pattern makes of facts. The last result is cached, because it never changes."""
    return FactQuestions(pattern, facts, mark)


def _gap_where(stood: str, accepted: Sequence[str]) -> Gap:
    """The gap where one of the accepted texts stood: that one first, as its column has it.

    >>> _gap_where("Honey", ("wax", "honey"))
    Gap(accepted=('honey', 'wax', 'Honey'), others=())
    """
    first = (text for text in accepted if fold(text) == fold(stood))
    return Gap(tuple(dict.fromkeys((*first, *accepted, stood))))


def _nth_beside(taken: Sequence[int], at: int) -> int:
    """The whole number from 0 that comes after `at` others which are not taken.

    >>> [_nth_beside([0, 2, 3], at) for at in range(3)]
    [1, 4, 5]
    """
    for place in taken:
        if place > at:
            break
        at += 1
    return at


def comparison_key(text: str, mark: DecimalMark = DecimalMark.POINT) -> str:
    """A form in which two answers are equal if however forgiving a round they could be taken
    for one another: numbers of one value, texts but for case, accents and punctuation.

    >>> comparison_key("Crème  brûlée!") == comparison_key("creme brulee")
    True
    >>> comparison_key("0,5") == comparison_key("1/2")
    True
    """
    number = read_number(text, mark)
    if number is not None:
        return str(number)
    plain = unaccented(fold(text))
    return without_punctuation(plain) or plain


def _within(field: str, text: str, mark: DecimalMark) -> int | None:
    """A whole number within the bounds of a detail; None for anything else."""
    bounds = notes_of(Details, Range)[field]
    number = read_number(text, mark)
    if number is None or number.denominator != 1:
        return None
    return int(number) if bounds.least <= number <= bounds.most else None
