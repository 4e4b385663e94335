"""The records of the store as the rest of the server sees them: what can be read of a row."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum
from typing import Protocol

from dicetrail.core import Action, Game, Problem
from dicetrail.core.foresight import KeptRun, Playthrough


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
    """How the file was read, in a few words: ``separated by tabs, utf-8``."""
    headings: tuple[str, ...] | None
    blank_lines: int
    refused: tuple[RefusedRow, ...]


@dataclass(frozen=True, slots=True)
class KeptGame:
    """A document as it is read, and the corrections made in the stored one."""

    document: Game
    problems: tuple[Problem, ...] = ()


class SavedGame(Protocol):
    """A revision of a game."""

    @property
    def game_id(self) -> str: ...
    @property
    def number(self) -> int: ...
    @property
    def kept(self) -> KeptGame: ...
    @property
    def document(self) -> Game: ...
    @property
    def saved_at(self) -> datetime: ...


class SavedInput(Protocol):
    """An input of a run."""

    @property
    def action(self) -> Action: ...
    @property
    def at(self) -> int: ...


class AnyRun(Protocol):
    """A run, wherever it was played."""

    @property
    def players(self) -> tuple[str, ...]: ...
    @property
    def started_at(self) -> datetime: ...


class SavedRun(AnyRun, Protocol):
    """A run that was started here. What it came to is None until it has ended."""

    @property
    def id(self) -> str: ...
    @property
    def game_id(self) -> str: ...
    @property
    def game_revision(self) -> int: ...
    @property
    def pack_revisions(self) -> Mapping[str, int]: ...
    @property
    def dice(self) -> int: ...
    @property
    def place(self) -> Place: ...
    @property
    def best(self) -> float | None: ...
    @property
    def inputs(self) -> Sequence[SavedInput]: ...
    @property
    def ended_at(self) -> datetime | None: ...
    @property
    def leader(self) -> str | None: ...
    @property
    def score(self) -> float | None: ...
    @property
    def ending(self) -> str | None: ...
    @property
    def right_count(self) -> int | None: ...
    @property
    def asked_count(self) -> int | None: ...
    @property
    def length_ms(self) -> int | None: ...
    @property
    def seen(self) -> Playthrough | None: ...
    @property
    def remark(self) -> str | None: ...


class Elsewhere(AnyRun, Protocol):
    """A run that was played elsewhere, by its name and the revision of the game there."""

    @property
    def run(self) -> str: ...
    @property
    def revision(self) -> int: ...


class SavedElsewhere(Elsewhere, Protocol):
    """A run that was played elsewhere and brought here in a file of answers."""

    @property
    def file_name(self) -> str: ...
    @property
    def seen(self) -> Playthrough: ...
    @property
    def remark(self) -> str | None: ...


class PlayedThere(Elsewhere, Protocol):
    """A run in a file of answers, before it is brought here."""

    @property
    def shown(self) -> Playthrough: ...
    @property
    def remark(self) -> str: ...


class SavedKeptRun(Protocol):
    """A kept run, and the revision of its game in which it led to what it says."""

    @property
    def id(self) -> str: ...
    @property
    def game_revision(self) -> int: ...
    @property
    def run(self) -> KeptRun: ...
    @property
    def kept_at(self) -> datetime: ...
