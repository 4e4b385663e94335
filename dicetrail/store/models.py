"""The tables. Every save is a revision: rows are added and never overwritten.

A run keeps which revisions it was played on, its dice and its inputs; everything else
about it follows from these.
"""

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, datetime
from enum import StrEnum
from itertools import chain
from typing import Any

from sqlalchemy import (
    JSON,
    DateTime,
    Dialect,
    ForeignKey,
    ForeignKeyConstraint,
    Index,
    String,
    Text,
)
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship
from sqlalchemy.types import TypeDecorator

from dicetrail.core import Action, Game, PackEdit, Problem, Question
from dicetrail.core.foresight import KeptRun, Playthrough
from dicetrail.core.survey import FactsEdit
from dicetrail.form import Kept


class Place(StrEnum):
    """Where a run is played: at the maker's table or on the players' page."""

    TABLE = "table"
    PLAY = "play"


@dataclass(frozen=True, slots=True)
class RefusedRow:
    """A row of the loaded file that did not become a question."""

    line: int
    column: int
    what: str
    mend: str
    text: str


@dataclass(frozen=True, slots=True)
class PackSource:
    """The file a pack was loaded from, how it was read, and which rows were refused."""

    file_name: str
    read_as: str
    """How it was read, in a few words: ``separated by tabs, utf-8``."""
    headings: tuple[str, ...] | None
    blank_lines: int
    refused: tuple[RefusedRow, ...]


class AsJson(TypeDecorator[Any]):
    """A value of a plain type, kept as JSON and mended on its way back.

    It is written and read here, so the engine passes JSON on as text.
    """

    impl = JSON(none_as_null=True)
    cache_ok = True

    def __init__(self, kept: Any) -> None:
        super().__init__()
        self.kept = kept
        self._form: Kept[Any] = Kept(kept)

    def process_bind_param(self, value: Any, dialect: Dialect) -> str | None:  # noqa: ARG002
        return None if value is None else self._form.written(value)

    def process_result_value(self, value: Any, dialect: Dialect) -> Any:  # noqa: ARG002
        return None if value is None else self._form.read(value)[0]


class WrittenQuestions(tuple[Question, ...]):
    """Questions written out already, so that keeping them takes the store no time."""

    text: str

    def __new__(cls, questions: Iterable[Question]) -> "WrittenQuestions":
        """The same questions, with how they are kept."""
        made = super().__new__(cls, questions)
        made.text = AsQuestions.written(made)
        return made


class AsQuestions(TypeDecorator[tuple[Question, ...]]):
    """Very many questions: a line of JSON for so many of them, so that others get their turn
    between one line and the next. Older stores have one line for all."""

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
        """How questions are kept."""
        starts = range(0, max(1, len(questions)), cls._IN_A_LINE)
        parts = (
            cls._form.written(questions[start : start + cls._IN_A_LINE], is_brief=True)
            for start in starts
        )
        return "\n".join(parts)

    def process_result_value(
        self,
        value: str | None,
        dialect: Dialect,  # noqa: ARG002
    ) -> tuple[Question, ...] | None:
        if value is None:
            return None
        return tuple(chain.from_iterable(self._form.read(line)[0] for line in value.split("\n")))


@dataclass(frozen=True, slots=True)
class KeptGame:
    """A document as it is read, and what had to be put right in what was kept."""

    document: Game
    problems: tuple[Problem, ...] = ()


class AsGame(TypeDecorator[KeptGame]):
    """A game's document, which can always be read: nothing kept locks its maker out."""

    impl = JSON
    cache_ok = True
    _form: Kept[Game] = Kept(Game)

    def process_bind_param(self, value: KeptGame | None, dialect: Dialect) -> str:  # noqa: ARG002
        assert value is not None
        return self._form.written(value.document)

    def process_result_value(self, value: Any, dialect: Dialect) -> KeptGame:  # noqa: ARG002
        try:
            return KeptGame(*self._form.read(value))
        except ValueError:
            what = "nothing of what was kept can be read"
            problem = Problem("rounds", what, "begin anew, or go back to an earlier save")
            return KeptGame(Game("", (), ()), (problem,))


class WholeNumber(TypeDecorator[int]):
    """A whole number of any length, kept by its digits."""

    impl = String(40)
    cache_ok = True

    def process_bind_param(self, value: int | None, dialect: Dialect) -> Any:  # noqa: ARG002
        return None if value is None else str(value)

    def process_result_value(self, value: Any, dialect: Dialect) -> int | None:  # noqa: ARG002
        return None if value is None else int(value)


class UtcTime(TypeDecorator[datetime]):
    """A moment in UTC. SQLite keeps no time zone, so it is put back on the way out."""

    impl = DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: Dialect) -> Any:  # noqa: ARG002
        return value and value.astimezone(UTC).replace(tzinfo=None)

    def process_result_value(self, value: Any, dialect: Dialect) -> datetime | None:  # noqa: ARG002
        return None if value is None else datetime.replace(value, tzinfo=UTC)


class Base(DeclarativeBase):
    """The root of all tables."""


class GameRow(Base):
    """A game, whatever its revisions."""

    __tablename__ = "games"

    id: Mapped[str] = mapped_column(String(80), primary_key=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime)
    deleted_at: Mapped[datetime | None] = mapped_column(UtcTime)
    """When it was taken off the shelf; nothing of it is lost."""


class GameAddress(Base):
    """An address of a game. The newest is the one its title gave it; older ones lead there."""

    __tablename__ = "game_addresses"

    address: Mapped[str] = mapped_column(String(80), primary_key=True)
    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), index=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime)


class GameRevision(Base):
    """A game as it was saved once. Revisions count from 1."""

    __tablename__ = "game_revisions"

    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    kept: Mapped[KeptGame] = mapped_column("document", AsGame)
    saved_at: Mapped[datetime] = mapped_column(UtcTime)

    @property
    def document(self) -> Game:
        """The game it is."""
        return self.kept.document


class PackRow(Base):
    """A pack, whatever its revisions."""

    __tablename__ = "packs"

    id: Mapped[str] = mapped_column(String(80), primary_key=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime)
    deleted_at: Mapped[datetime | None] = mapped_column(UtcTime)
    """When it was taken off the shelf; games that use it go on using it."""


class PackRevision(Base):
    """A pack as it was saved once. Revisions count from 1.

    A revision holds what it changed. What it does not hold is as in the one before; its
    questions are those of the last that holds them, with all edits since.
    """

    __tablename__ = "pack_revisions"

    pack_id: Mapped[str] = mapped_column(ForeignKey("packs.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    title: Mapped[str]
    tags: Mapped[tuple[str, ...] | None] = mapped_column(AsJson(tuple[str, ...]))
    words: Mapped[str | None] = mapped_column(Text)
    """What its maker says of it."""
    edits: Mapped[tuple[PackEdit, ...] | None] = mapped_column(
        AsJson(tuple[PackEdit, ...]), deferred=True
    )
    facts_edits: Mapped[tuple[FactsEdit, ...] | None] = mapped_column(
        AsJson(tuple[FactsEdit, ...]), deferred=True
    )
    columns: Mapped[tuple[str, ...] | None] = mapped_column(AsJson(tuple[str, ...]))
    """Of a pack of facts, what its columns are called."""
    question_count: Mapped[int]
    """How many questions, or rows of facts, it has."""
    source: Mapped[PackSource | None] = mapped_column(AsJson(PackSource))
    media: Mapped[dict[str, str] | None] = mapped_column(AsJson(dict[str, str]))
    """The digests of its pictures and sounds, by the names questions give them."""
    saved_at: Mapped[datetime] = mapped_column(UtcTime)


class PackQuestions(Base):
    """All that a revision of a pack holds: its first, and each that came from a file.

    They stand apart, for what follows so large a value in a row is slow to reach.
    """

    __tablename__ = "pack_questions"
    __table_args__ = (
        ForeignKeyConstraint(
            ["pack_id", "number"], ["pack_revisions.pack_id", "pack_revisions.number"]
        ),
    )

    pack_id: Mapped[str] = mapped_column(primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    questions: Mapped[tuple[Question, ...]] = mapped_column(AsQuestions)
    rows: Mapped[tuple[tuple[str, ...], ...] | None] = mapped_column(
        AsJson(tuple[tuple[str, ...], ...])
    )
    """The rows of its facts, where it holds facts and no questions."""


class SecretRow(Base):
    """A secret that belongs to this store alone, made when first wanted."""

    __tablename__ = "secrets"

    name: Mapped[str] = mapped_column(String(40), primary_key=True)
    value: Mapped[bytes]


class MediumRow(Base):
    """A picture or sound, by the digest (SHA-256, hex) of its content."""

    __tablename__ = "media"

    digest: Mapped[str] = mapped_column(String(64), primary_key=True)
    media_type: Mapped[str] = mapped_column(String(40))
    content: Mapped[bytes] = mapped_column(deferred=True)


class VoiceRow(Base):
    """A text that was read out once, by the digest (SHA-256, hex) of the text."""

    __tablename__ = "voices"

    text_digest: Mapped[str] = mapped_column(String(64), primary_key=True)
    digest: Mapped[str] = mapped_column(ForeignKey("media.digest"))


class RunRow(Base):
    """A run: what it was played on and with which dice."""

    __tablename__ = "runs"
    __table_args__ = (
        ForeignKeyConstraint(
            ["game_id", "game_revision"], ["game_revisions.game_id", "game_revisions.number"]
        ),
        Index("ix_runs_scores", "game_id", "game_revision", "score"),
    )

    id: Mapped[str] = mapped_column(String(40), primary_key=True)
    game_id: Mapped[str] = mapped_column(index=True)
    game_revision: Mapped[int]
    pack_revisions: Mapped[dict[str, int]] = mapped_column(AsJson(dict[str, int]))
    dice: Mapped[int] = mapped_column(WholeNumber)
    players: Mapped[tuple[str, ...]] = mapped_column(AsJson(tuple[str, ...]))
    place: Mapped[Place] = mapped_column(String(8))
    started_at: Mapped[datetime] = mapped_column(UtcTime)
    best: Mapped[float | None]
    """What was to be beaten as the run began: a score, or milliseconds."""
    player_key: Mapped[str | None] = mapped_column(String(64), index=True)
    """A secret of the browser it is played in, by which a player finds their own scores."""
    ended_at: Mapped[datetime | None] = mapped_column(UtcTime)
    """With what follows, what the run came to; None while it goes on or nobody has looked."""
    leader: Mapped[str | None] = mapped_column(String(80))
    """Whose score it is."""
    score: Mapped[float | None]
    ending: Mapped[str | None]
    right_count: Mapped[int | None]
    asked_count: Mapped[int | None]
    length_ms: Mapped[int | None]
    counts: Mapped[bool | None]
    """Whether it can be among the best."""
    seen: Mapped[Playthrough | None] = mapped_column(AsJson(Playthrough), deferred=True)
    """What it shows of its questions, so that evidence of many runs is found at once."""
    remark: Mapped[str | None] = mapped_column(Text)
    """What its player said of it."""
    inputs: Mapped[list["RunInput"]] = relationship(order_by="RunInput.number")


class RunInput(Base):
    """One input of a run, in the order taken, from 0."""

    __tablename__ = "run_inputs"

    run_id: Mapped[str] = mapped_column(ForeignKey("runs.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    action: Mapped[Action] = mapped_column(AsJson(Action))
    at: Mapped[int]


class BroughtRun(Base):
    """What a run shows that was played elsewhere, as a file of answers told it."""

    __tablename__ = "brought_runs"

    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), primary_key=True)
    run: Mapped[str] = mapped_column(String(80), primary_key=True)
    """What it was called there."""
    file_name: Mapped[str]
    revision: Mapped[int]
    players: Mapped[tuple[str, ...]] = mapped_column(AsJson(tuple[str, ...]))
    started_at: Mapped[datetime] = mapped_column(UtcTime)
    seen: Mapped[Playthrough] = mapped_column(AsJson(Playthrough))
    remark: Mapped[str | None] = mapped_column(Text)


class KeptRow(Base):
    """A run that is kept with what it led to, and in which revision of its game it did."""

    __tablename__ = "kept_runs"

    id: Mapped[str] = mapped_column(String(40), primary_key=True)
    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), index=True)
    game_revision: Mapped[int]
    run: Mapped[KeptRun] = mapped_column(AsJson(KeptRun))
    kept_at: Mapped[datetime] = mapped_column(UtcTime)
