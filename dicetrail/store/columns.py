"""Column types that can read a row whatever its columns hold.

SQLite takes any value in any column, and a file can be damaged or made by anybody. So no value
stops the reading of its row: an unreadable value is replaced by a marked *stand-in*. Code that
shows the row reports it, and code that needs the value checks for it.
"""

import math
from collections.abc import Iterable
from datetime import UTC, datetime
from itertools import chain
from typing import Any

from sqlalchemy import (
    JSON,
    Boolean,
    ColumnElement,
    DateTime,
    Dialect,
    Double,
    Integer,
    LargeBinary,
    String,
    Text,
    func,
)
from sqlalchemy.orm import InstrumentedAttribute
from sqlalchemy.types import TypeDecorator

from dicetrail.core import Game, Problem, Question
from dicetrail.form import Kept
from dicetrail.limits import MAX_KEPT, MAX_REVISION, is_in_calendar
from dicetrail.store.records import KeptGame


class StandIn:
    """Marks a value that replaces a stored one that cannot be read."""

    __slots__ = ()


class NoTime(StandIn, datetime):
    """Stands for a moment."""


class NoText(StandIn, str):
    """Stands for a text."""

    __slots__ = ()


class NoNumber(StandIn, int):
    """Stands for a whole number."""

    __slots__ = ()


class NoReal(StandIn, float):
    """Stands for a number."""

    __slots__ = ()


class NoBytes(StandIn, bytes):
    """Stands for content."""

    __slots__ = ()


class NoList(StandIn, tuple[Any, ...]):
    """Stands for several values."""

    __slots__ = ()


class NoMap(StandIn, dict[str, Any]):
    """Stands for values by name."""

    __slots__ = ()


class Words(TypeDecorator[str]):
    """A text with a largest length in characters; None is without limit."""

    impl = String
    cache_ok = True

    def __init__(self, length: int | None = None) -> None:
        super().__init__(length)
        self.length = length

    def process_result_value(self, value: Any, dialect: Dialect) -> str | None:  # noqa: ARG002
        return value if value is None or isinstance(value, str) else NoText()


class LongWords(Words):
    """A text of any length."""

    impl = Text
    cache_ok = True


class Whole(TypeDecorator[int]):
    """A whole number."""

    impl = Integer
    cache_ok = True

    def process_result_value(self, value: Any, dialect: Dialect) -> int | None:  # noqa: ARG002
        is_read = value is None or (isinstance(value, int) and abs(value) <= MAX_KEPT)
        return value if is_read else NoNumber()


class Real(TypeDecorator[float]):
    """A number, whole or not."""

    impl = Double
    cache_ok = True

    def process_result_value(self, value: Any, dialect: Dialect) -> float | None:  # noqa: ARG002
        if value is None:
            return None
        is_read = isinstance(value, int | float) and math.isfinite(value)
        return value if is_read and abs(value) <= MAX_KEPT else NoReal()


class YesNo(TypeDecorator[bool]):
    """A truth value."""

    impl = Boolean
    cache_ok = True

    def result_processor(self, dialect: Dialect, coltype: object) -> Any:  # noqa: ARG002
        return lambda value: None if value is None else value == 1


class Blob(TypeDecorator[bytes]):
    """Content of any kind."""

    impl = LargeBinary
    cache_ok = True

    def process_result_value(self, value: Any, dialect: Dialect) -> bytes | None:  # noqa: ARG002
        return value if value is None or isinstance(value, bytes) else NoBytes()


class WholeNumber(TypeDecorator[int]):
    """A whole number of any length, kept by its digits."""

    impl = String(40)
    cache_ok = True

    def process_bind_param(self, value: int | None, dialect: Dialect) -> Any:  # noqa: ARG002
        return None if value is None else str(value)

    def process_result_value(self, value: Any, dialect: Dialect) -> int | None:  # noqa: ARG002
        try:
            return None if value is None else int(value)
        except (ValueError, TypeError, OverflowError):
            return NoNumber()


class UtcTime(TypeDecorator[datetime]):
    """A moment in UTC, as SQLite's own functions write it: without a zone."""

    impl = DateTime
    cache_ok = True

    def bind_processor(self, dialect: Dialect) -> Any:  # noqa: ARG002
        return _written

    def result_processor(self, dialect: Dialect, coltype: object) -> Any:  # noqa: ARG002
        return _moment


def _written(moment: datetime | None) -> str | None:
    if moment is None:
        return None
    return moment.astimezone(UTC).replace(tzinfo=None).isoformat(" ", "microseconds")


def _moment(kept: Any) -> datetime | None:
    if kept is None:
        return None
    try:
        moment = datetime.fromisoformat(kept)
    except (ValueError, TypeError):
        return NO_TIME
    is_read = moment.tzinfo is None and is_in_calendar(moment)
    return moment.replace(tzinfo=UTC) if is_read else NO_TIME


NO_TIME = NoTime(1970, 1, 1, tzinfo=UTC)


class AsJson(TypeDecorator[Any]):
    """A value of a plain type, kept as JSON and mended on its way back; `instead` stands for one
    that cannot be read at all.

    It is written and read here, so the engine passes JSON on as text.
    """

    impl = JSON(none_as_null=True)
    cache_ok = True

    def __init__(self, kept: Any, instead: Any) -> None:
        super().__init__()
        self.kept = kept
        self._instead = instead
        self._form: Kept[Any] = Kept(kept)

    def process_bind_param(self, value: Any, dialect: Dialect) -> str | None:  # noqa: ARG002
        return None if value is None else self._form.written(value)

    def process_result_value(self, value: Any, dialect: Dialect) -> Any:  # noqa: ARG002
        if value is None:
            return None
        try:
            return self._form.read(value)[0]
        except (ValueError, RecursionError):
            return self._instead


class WrittenQuestions(tuple[Question, ...]):
    """Questions that are serialised already, so that the transaction is short."""

    text: str

    def __new__(cls, questions: Iterable[Question]) -> "WrittenQuestions":
        """The same questions, with their stored form."""
        made = super().__new__(cls, questions)
        made.text = AsQuestions.written(made)
        return made


class AsQuestions(TypeDecorator[tuple[Question, ...]]):
    """Very many questions, in lines of JSON with a limited number of questions each. So other
    threads get their turn between two lines. Older stores have one line for all."""

    impl = Text
    cache_ok = True
    _form: Kept[tuple[Question, ...]] = Kept(tuple[Question, ...])
    _IN_A_LINE = 500

    def process_bind_param(
        self,
        value: tuple[Question, ...] | None,
        dialect: Dialect,  # noqa: ARG002
    ) -> str | None:
        if isinstance(value, WrittenQuestions):
            return value.text
        return None if value is None else self.written(value)

    @classmethod
    def written(cls, questions: tuple[Question, ...]) -> str:
        """The stored form of questions."""
        starts = range(0, max(1, len(questions)), cls._IN_A_LINE)
        parts = (
            cls._form.written(questions[start : start + cls._IN_A_LINE], is_brief=True)
            for start in starts
        )
        return "\n".join(parts)

    def process_result_value(
        self,
        value: Any,
        dialect: Dialect,  # noqa: ARG002
    ) -> tuple[Question, ...] | None:
        if value is None:
            return None
        try:
            lines = value.split("\n")
            return tuple(chain.from_iterable(self._form.read(line)[0] for line in lines))
        except (ValueError, TypeError, RecursionError, AttributeError):
            return NoList()


class AsGame(TypeDecorator[KeptGame]):
    """A game's document. It can always be read, so that its maker can always open it."""

    impl = JSON
    cache_ok = True
    _form: Kept[Game] = Kept(Game)

    def process_bind_param(self, value: KeptGame | None, dialect: Dialect) -> str:  # noqa: ARG002
        assert value is not None
        return self._form.written(value.document)

    def process_result_value(self, value: Any, dialect: Dialect) -> KeptGame:  # noqa: ARG002
        try:
            return KeptGame(*self._form.read(value))
        except (ValueError, RecursionError):
            return nothing_read()


def nothing_read() -> KeptGame:
    """The replacement for a game of which nothing can be read."""
    what = "nothing of what was kept can be read"
    problem = Problem("rounds", what, "begin anew, or go back to an earlier save")
    return KeptGame(Game("", (), ()), (problem,))


def is_numbered(number: InstrumentedAttribute[int]) -> ColumnElement[bool]:
    """Whether a revision has a number that it can have; SQLite itself would take any value."""
    return (func.typeof(number) == "integer") & number.between(1, MAX_REVISION)
