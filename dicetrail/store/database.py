"""One SQLite file, opened and brought up to date.

Write-ahead logging lets readers go on while one writer writes. A writer takes the write
lock as its transaction begins, so that what it read still holds when it saves.
"""

import sqlite3
from collections.abc import Iterator, Sequence
from contextlib import closing, contextmanager, suppress
from pathlib import Path
from threading import Event, Lock, Thread
from typing import Any

from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from sqlalchemy import Connection, ExceptionContext, create_engine, event
from sqlalchemy.orm import Session

from dicetrail.store.trouble import StoreTrouble, look_at, told, trouble_in

MAX_SESSIONS = 20
"""The number of sessions kept open: more than the requests a server answers at once."""


SWEEPS_EVERY = 0.5
"""The interval, in seconds, between two attempts to remove deleted data from the write-ahead
log."""


class Database:
    """The store's file. Makes it, and brings it to the newest form, when opened; a process beside
    the one that serves opens it `as_it_is`.

    Raises StoreTrouble, then and whenever it is used, if something is the matter with it.
    """

    def __init__(self, path: Path, as_it_is: bool = False) -> None:
        self.path = path
        with told(path):
            look_at(path)
            path.parent.mkdir(parents=True, exist_ok=True)
            self._open()
            if not as_it_is:
                _migrate(self._engine.url.render_as_string())
                self.sweep()  # of what a process that was killed left there

    def _open(self) -> None:
        self._engine = create_engine(
            f"sqlite:///{self.path}",
            pool_size=MAX_SESSIONS,
            json_serializer=str,  # columns of JSON write and read it themselves
            json_deserializer=str,
        )
        event.listen(self._engine, "connect", self._prepare)
        event.listen(self._engine, "begin", _begin)
        event.listen(self._engine, "handle_error", self._tell)
        self._writer = self._engine.execution_options(writing=True)
        self._sweeping, self._one_sweeps, self._closing = Lock(), Lock(), Event()
        self._appending: sqlite3.Connection | None = None
        self._checking: sqlite3.Connection | None = None
        self._turn = Lock()  # SQLite would let writers sleep and try again, not queue

    def _prepare(self, connection: Any, _record: object) -> None:
        connection.isolation_level = None  # transactions begin in _begin, not in the driver
        connection.text_factory = _text  # a damaged text is one text, and no end of its query
        with told(self.path):
            for pragma in _PRAGMAS:
                connection.execute(f"PRAGMA {pragma}")

    def _tell(self, context: ExceptionContext) -> None:
        """Raise errors of the store in words for its users."""
        trouble = trouble_in(self.path, context.original_exception)
        if trouble is not None:
            raise trouble from context.original_exception

    @property
    def is_at_rest(self) -> bool:
        """Whether no transaction is writing now, so that a small write need not wait."""
        return not self._turn.locked()

    @contextmanager
    def reading(self) -> Iterator[Session]:
        """A session that sees one state of the store and changes nothing."""
        with Session(self._engine, expire_on_commit=False) as session:
            yield session

    @contextmanager
    def writing(self) -> Iterator[Session]:
        """A session whose changes are kept together, or not at all if it raises."""
        with (
            self._turn,
            Session(self._writer, expire_on_commit=False) as session,
            session.begin(),
        ):
            yield session

    @contextmanager
    def unbound(self) -> Iterator[Connection]:
        """A connection whose changes are kept together, without checks of foreign keys until its
        end."""
        with self._turn, self._engine.connect() as connection:
            raw: Any = connection.connection.driver_connection
            raw.execute("PRAGMA foreign_keys = OFF")
            try:
                with connection.begin():
                    yield connection
            finally:
                raw.execute("PRAGMA foreign_keys = ON")

    @contextmanager
    def alone(self) -> Iterator[sqlite3.Connection]:
        """A separate connection; all other writers wait until it is done."""
        with self._turn, closing(self._opened()) as raw:
            yield raw

    def _opened(self) -> sqlite3.Connection:
        raw = sqlite3.connect(self.path, isolation_level=None, check_same_thread=False)
        self._prepare(raw, None)
        return raw

    def append(self, statement: str, values: Sequence[Any]) -> None:
        """Write one row by one SQLite statement, in a transaction of its own.

        Every answer of a player takes this path, so it goes around SQLAlchemy. Raises
        sqlite3.IntegrityError if the row is refused.
        """
        with self._turn, told(self.path):
            if self._appending is None:
                self._appending = self._opened()
            self._appending.execute(statement, values)

    def sweep(self) -> None:
        """Remove deleted data from the write-ahead log.

        This is impossible while another session reads an older state. It is tried again until it is
        done.
        """
        if self._is_swept() or self._sweeping.locked():
            return
        Thread(target=self._sweep_on, name="sweep", daemon=True).start()

    def _is_swept(self) -> bool:
        with self._one_sweeps, told(self.path):
            if self._closing.is_set():
                return True
            if self._checking is None:
                self._checking = self._opened()
                self._checking.execute("PRAGMA busy_timeout = 0")  # nobody waits for this
            is_busy, _, _ = self._checking.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchone()
            return not is_busy

    def _sweep_on(self) -> None:
        with self._sweeping:
            while not self._closing.wait(SWEEPS_EVERY):
                with suppress(StoreTrouble):
                    if self._is_swept():
                        return

    def close(self) -> None:
        """Close the file."""
        self._closing.set()
        with self._turn, self._one_sweeps:
            for raw in (self._appending, self._checking):
                if raw is not None:
                    raw.close()
            self._appending = self._checking = None
        self._engine.dispose()


_PRAGMAS = (
    "journal_mode = WAL",
    # A killed process loses nothing; a power cut at worst the last moments, never the file
    # (SQLite's documentation of this pragma with write-ahead logging).
    "synchronous = NORMAL",
    "foreign_keys = ON",
    "secure_delete = ON",  # what is deleted is written over
    "busy_timeout = 3000",
)


def _text(kept: bytes) -> str:
    return kept.decode("utf-8", "replace")


def _begin(connection: Connection) -> None:
    writing = connection.get_execution_options().get("writing", False)
    connection.exec_driver_sql("BEGIN IMMEDIATE" if writing else "BEGIN")


def _migrate(url: str, form: str = "head") -> None:
    command.upgrade(_config(url), form)


def _config(url: str) -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.set_main_option("sqlalchemy.url", url.replace("%", "%%"))
    return config


def forms() -> frozenset[str]:
    """The forms that stores have had, by their numbers."""
    script = ScriptDirectory.from_config(_config("sqlite://"))
    return frozenset(revision.revision for revision in script.walk_revisions())


def made_at_form(path: Path, form: str) -> None:
    """Make an empty store of a form it once had. Raises StoreTrouble."""
    with told(path):
        _migrate(f"sqlite:///{path}", form)
