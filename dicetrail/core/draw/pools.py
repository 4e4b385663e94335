"""The pool of a round: all its questions in one order, identified by their places, from 0.

A pool refers to the questions of its packs and copies none, so a pool over a large pack is created
at once. Filtered parts hold the numbers of their questions.
"""

from bisect import bisect_left, bisect_right
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import accumulate
from typing import overload

from dicetrail.core.document import Question
from dicetrail.core.draw.facts import FactQuestions


@dataclass(frozen=True, slots=True)
class Sourced:
    """A question of a round's pool: the source it comes from and its number there, from 0."""

    source: str
    number: int
    question: Question


@dataclass(frozen=True, slots=True)
class Part:
    """The questions that one source gives to a pool."""

    source: str
    questions: Sequence[Question]
    numbers: Sequence[int]
    """Which of the questions, rising."""


def whole(source: str, questions: Sequence[Question]) -> Part:
    """Every question of a source."""
    return Part(source, questions, range(len(questions)))


@dataclass(frozen=True, eq=False)
class Pool(Sequence[Sourced]):
    """The questions of a round, each told with its source when it is asked for."""

    parts: tuple[Part, ...]

    @cached_property
    def _ends(self) -> list[int]:
        return list(accumulate(len(part.numbers) for part in self.parts))

    def __len__(self) -> int:
        return self._ends[-1] if self._ends else 0

    @overload
    def __getitem__(self, place: int) -> Sourced: ...

    @overload
    def __getitem__(self, place: slice) -> tuple[Sourced, ...]: ...

    def __getitem__(self, place: int | slice) -> Sourced | tuple[Sourced, ...]:
        if isinstance(place, slice):
            return tuple(self[at] for at in range(*place.indices(len(self))))
        if not 0 <= place < len(self):
            raise IndexError(f"the pool has no place {place}")
        which = bisect_right(self._ends, place)
        part = self.parts[which]
        number = part.numbers[place - (self._ends[which - 1] if which else 0)]
        return Sourced(part.source, number, part.questions[number])

    def __iter__(self) -> Iterator[Sourced]:
        for part in self.parts:
            for number in part.numbers:
                yield Sourced(part.source, number, part.questions[number])

    def with_parts(self, parts: Collection[Part]) -> "Pool":
        """This pool and further parts at its end."""
        return Pool((*self.parts, *parts)) if parts else self

    def places_of(self, source: str, number: int) -> Iterator[int]:
        """Where a question of a source stands; more than once if its pack does."""
        before = 0
        for part in self.parts:
            if part.source == source:
                at = bisect_left(part.numbers, number)
                if at < len(part.numbers) and part.numbers[at] == number:
                    yield before + at
            before += len(part.numbers)

    def made_by(self, source: str) -> FactQuestions | None:
        """The maker of a source's questions; None if they are written out."""
        for part in self.parts:
            if part.source == source and isinstance(part.questions, FactQuestions):
                return part.questions
        return None

    def level_at(self, place: int) -> int:
        """The level of the question at a place; one without counts as 1."""
        return self[place].question.details.level or 1

    @cached_property
    def places_by_level(self) -> dict[int, tuple[int, ...]]:
        """The places of each level there is, the levels rising."""
        found: dict[int, list[int]] = {}
        place = 0
        for part in self.parts:
            questions = part.questions
            for number in part.numbers:
                found.setdefault(questions[number].details.level or 1, []).append(place)
                place += 1
        return {level: tuple(found[level]) for level in sorted(found)}

    @cached_property
    def has_many_answers(self) -> bool:
        """Whether there are more than two right answers in it."""
        seen: set[tuple[str, ...]] = set()
        for sourced in self:
            seen.add(sourced.question.right)
            if len(seen) > 2:
                return True
        return False
