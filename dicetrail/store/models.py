"""The tables. Every save is a revision: rows are added and never overwritten.

A run keeps which revisions it was played on, its dice and its inputs; everything else
about it follows from these.
"""

from datetime import datetime
from types import MappingProxyType

from sqlalchemy import ForeignKey, ForeignKeyConstraint, Index
from sqlalchemy.orm import DeclarativeBase, Mapped, mapped_column, relationship

from dicetrail.core import Action, Game, PackEdit, Question, Wait
from dicetrail.core.foresight import KeptRun, Playthrough
from dicetrail.core.survey import FactsEdit
from dicetrail.store.columns import (
    AsGame,
    AsJson,
    AsQuestions,
    Blob,
    LongWords,
    NoList,
    NoMap,
    Real,
    StandIn,
    UtcTime,
    Whole,
    WholeNumber,
    Words,
    YesNo,
)
from dicetrail.store.records import KeptGame, PackSource, Place


class _NoSource(StandIn, PackSource):
    """Replaces an unreadable source of a pack."""

    __slots__ = ()


class _NoAction(StandIn, Wait):
    """Replaces an unreadable action."""

    __slots__ = ()


class _NoPlaythrough(StandIn, Playthrough):
    """Replaces the unreadable results of a run."""

    __slots__ = ()


class _NoRun(StandIn, KeptRun):
    """Replaces an unreadable kept run."""

    __slots__ = ()


NO_SOURCE = _NoSource("", "", None, 0, ())
_NO_RUN = _NoRun("A kept run that cannot be read", 0, (), (), ())


class Base(DeclarativeBase):
    """The root of all tables. Every column has a type of ours, which reads any value."""

    type_annotation_map = MappingProxyType(
        {str: Words, int: Whole, float: Real, bool: YesNo, bytes: Blob}
    )


class GameRow(Base):
    """A game; its revisions are rows of another table."""

    __tablename__ = "games"

    id: Mapped[str] = mapped_column(Words(80), primary_key=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime())
    deleted_at: Mapped[datetime | None] = mapped_column(UtcTime())
    """When it was taken off the shelf. All its data is kept."""


class GameAddress(Base):
    """An address of a game. The newest is the one its title gave it; older ones lead there."""

    __tablename__ = "game_addresses"

    address: Mapped[str] = mapped_column(Words(80), primary_key=True)
    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), index=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime())


class GameRevision(Base):
    """A game as it was saved once. Revisions count from 1."""

    __tablename__ = "game_revisions"

    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    kept: Mapped[KeptGame] = mapped_column("document", AsGame)
    saved_at: Mapped[datetime] = mapped_column(UtcTime())

    @property
    def document(self) -> Game:
        """The game it is."""
        return self.kept.document


class PackRow(Base):
    """A pack, whatever its revisions."""

    __tablename__ = "packs"

    id: Mapped[str] = mapped_column(Words(80), primary_key=True)
    made_at: Mapped[datetime] = mapped_column(UtcTime())
    deleted_at: Mapped[datetime | None] = mapped_column(UtcTime())
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
    tags: Mapped[tuple[str, ...] | None] = mapped_column(AsJson(tuple[str, ...], NoList()))
    words: Mapped[str | None] = mapped_column(LongWords())
    """What its maker says of it."""
    edits: Mapped[tuple[PackEdit, ...] | None] = mapped_column(
        AsJson(tuple[PackEdit, ...], NoList()), deferred=True
    )
    facts_edits: Mapped[tuple[FactsEdit, ...] | None] = mapped_column(
        AsJson(tuple[FactsEdit, ...], NoList()), deferred=True
    )
    columns: Mapped[tuple[str, ...] | None] = mapped_column(AsJson(tuple[str, ...], NoList()))
    """Of a pack of facts, what its columns are called."""
    question_count: Mapped[int]
    """How many questions, or rows of facts, it has."""
    source: Mapped[PackSource | None] = mapped_column(AsJson(PackSource, NO_SOURCE))
    media: Mapped[dict[str, str] | None] = mapped_column(AsJson(dict[str, str], NoMap()))
    """The digests of its pictures and sounds, by the names questions give them."""
    saved_at: Mapped[datetime] = mapped_column(UtcTime())


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
        AsJson(tuple[tuple[str, ...], ...], NoList())
    )
    """The rows of its facts, where it holds facts and no questions."""


class SecretRow(Base):
    """A secret that belongs to this store alone, made when first wanted."""

    __tablename__ = "secrets"

    name: Mapped[str] = mapped_column(Words(40), primary_key=True)
    value: Mapped[bytes]


class MediumRow(Base):
    """A picture or sound, by the digest (SHA-256, hex) of its content."""

    __tablename__ = "media"

    digest: Mapped[str] = mapped_column(Words(64), primary_key=True)
    media_type: Mapped[str] = mapped_column(Words(40))
    content: Mapped[bytes] = mapped_column(deferred=True)


class VoiceRow(Base):
    """A text that was read out once, by the digest (SHA-256, hex) of the text."""

    __tablename__ = "voices"

    text_digest: Mapped[str] = mapped_column(Words(64), primary_key=True)
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

    id: Mapped[str] = mapped_column(Words(40), primary_key=True)
    game_id: Mapped[str] = mapped_column(index=True)
    game_revision: Mapped[int]
    pack_revisions: Mapped[dict[str, int]] = mapped_column(AsJson(dict[str, int], NoMap()))
    dice: Mapped[int] = mapped_column(WholeNumber)
    players: Mapped[tuple[str, ...]] = mapped_column(AsJson(tuple[str, ...], NoList()))
    place: Mapped[Place] = mapped_column(Words(8))
    started_at: Mapped[datetime] = mapped_column(UtcTime())
    best: Mapped[float | None]
    """What was to be beaten as the run began: a score, or milliseconds."""
    player_key: Mapped[str | None] = mapped_column(Words(64), index=True)
    """A secret of the browser it is played in, by which a player finds their own scores."""
    ended_at: Mapped[datetime | None] = mapped_column(UtcTime())
    """With what follows, what the run came to; None while it goes on or nobody has looked."""
    leader: Mapped[str | None] = mapped_column(Words(80))
    """Whose score it is."""
    score: Mapped[float | None]
    ending: Mapped[str | None]
    right_count: Mapped[int | None]
    asked_count: Mapped[int | None]
    length_ms: Mapped[int | None]
    counts: Mapped[bool | None]
    """Whether it can be among the best."""
    seen: Mapped[Playthrough | None] = mapped_column(AsJson(Playthrough, None), deferred=True)
    """What it shows of its questions, so that evidence of many runs is found at once."""
    remark: Mapped[str | None] = mapped_column(LongWords())
    """What its player said of it."""
    inputs: Mapped[list["RunInput"]] = relationship(order_by="RunInput.number")


class RunInput(Base):
    """One input of a run, in the order taken, from 0."""

    __tablename__ = "run_inputs"

    run_id: Mapped[str] = mapped_column(ForeignKey("runs.id"), primary_key=True)
    number: Mapped[int] = mapped_column(primary_key=True)
    action: Mapped[Action] = mapped_column(AsJson(Action, _NoAction()))
    at: Mapped[int]


class BroughtRun(Base):
    """What a run shows that was played elsewhere, as a file of answers told it."""

    __tablename__ = "brought_runs"

    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), primary_key=True)
    run: Mapped[str] = mapped_column(Words(80), primary_key=True)
    """What it was called there."""
    file_name: Mapped[str]
    revision: Mapped[int]
    players: Mapped[tuple[str, ...]] = mapped_column(AsJson(tuple[str, ...], NoList()))
    started_at: Mapped[datetime] = mapped_column(UtcTime())
    seen: Mapped[Playthrough] = mapped_column(AsJson(Playthrough, _NoPlaythrough((), None, 0, 0.0)))
    remark: Mapped[str | None] = mapped_column(LongWords())


class KeptRow(Base):
    """A run that is kept with what it led to, and in which revision of its game it did."""

    __tablename__ = "kept_runs"

    id: Mapped[str] = mapped_column(Words(40), primary_key=True)
    game_id: Mapped[str] = mapped_column(ForeignKey("games.id"), index=True)
    game_revision: Mapped[int]
    run: Mapped[KeptRun] = mapped_column(AsJson(KeptRun, _NO_RUN))
    kept_at: Mapped[datetime] = mapped_column(UtcTime())


def spoilt(row: Base) -> tuple[str, ...]:
    """The names of the columns of a row, as far as it was fetched, that cannot be read."""
    held = ((name, value) for name, value in row.__dict__.items() if isinstance(value, StandIn))
    return tuple(sorted(name for name, _ in held))
