"""A saved shelf brought back: data, and never a schema.

Anybody can make a file of SQLite whose tables are views without end, whose columns are functions,
and whose pages are each other's. So it is read in a process of its own with little to spend, as
SQLite's own page on the matter advises ("Defense Against The Dark Arts", sqlite.org/security.html):
read only, schema not trusted, cells checked, no functions, views or triggers, everything bounded.
Only tables and columns that are known are read; each row is read as the store reads it, and
written into a store of our own making. A row that cannot be read is left out, and told.
"""

import sqlite3
import time
from collections.abc import Callable, Iterator
from contextlib import closing
from functools import partial
from pathlib import Path
from tempfile import TemporaryDirectory

from dicetrail.files import FileProblem
from dicetrail.files.media import medium
from dicetrail.files.sandbox import GivenUp, Sandbox
from dicetrail.limits import MIB
from dicetrail.store import (
    OWN_TABLES,
    Database,
    StoreTrouble,
    fill,
    forms,
    left_unread,
    made_at_form,
    remove_store,
)
from dicetrail.store import told as troubles_told

MAX_SECONDS = 300
"""How much time of a processor the reading of a shelf may take."""
MAX_VALUE = 128 * MIB
"""The largest value that is read, in bytes."""
MAX_TABLES = 200
_GROWTH, _MORE = 3, 64 * MIB
"""The result may be this many times the size of the file, plus a number of bytes."""
_ROWS_AT_ONCE = 500
_STEPS = 10_000
"""So many steps of SQLite's machine pass between two looks at what was spent."""
MAX_TOLD = 50
"""So many rows that are left out are told one by one."""

Progress = Callable[[int], None]


class NoShelf(FileProblem):
    """A file that no shelf was saved to, or a damaged one."""

    def __init__(self, what: str) -> None:
        super().__init__("the file", what, "choose a shelf that was saved")


def restore(backup: Path, to: Path, told: Progress = lambda _: None) -> tuple[str, ...]:
    """Make a store from a saved shelf, at a path without one. Returns what was left out, in words.

    Raises StoreTrouble if the file is damaged, is not a store or a newer one, or if the path is
    taken. Then nothing was written.
    """
    if not backup.is_file():
        raise StoreTrouble(backup, "there is no such file", "Name a backup")
    if to.exists():
        raise StoreTrouble(to, "there is a file already", "Name one that is not there yet")
    with troubles_told(to):
        to.parent.mkdir(parents=True, exist_ok=True)
    aside = Sandbox()
    try:
        return brought(aside, backup, to, told)
    finally:
        aside.close()


def brought(
    aside: Sandbox,
    backup: Path,
    to: Path,
    told: Progress = lambda _: None,
    is_given_up: Callable[[], bool] = lambda: False,
) -> tuple[str, ...]:
    """Make a store from a saved shelf at a temporary path. Returns what was left out, in words.

    Raises StoreTrouble, and GivenUp when nobody waits any more. Then no file is left.
    """
    try:
        found: tuple[str, ...] = aside.do(
            bring,
            str(backup),
            str(to),
            seconds=MAX_SECONDS,
            told=told,
            is_given_up=is_given_up,
        )
    except BaseException as error:
        remove_store(to)
        if isinstance(error, FileProblem):
            mend = error.problem.mend
            raise StoreTrouble(backup, error.problem.what, mend[0].upper() + mend[1:]) from None
        raise
    return found


def restore_into(
    database: Database,
    aside: Sandbox,
    backup: Path,
    is_given_up: Callable[[], bool] = lambda: False,
) -> tuple[str, ...]:
    """Load a saved shelf into a shelf that was always empty. Returns what was left out, in words.

    Other writers wait only while the result is written. Raises StoreTrouble if the shelf is not
    empty or the file is faulty, and GivenUp. Then nothing has changed.
    """
    with TemporaryDirectory(prefix="dicetrail-") as folder:
        copy = Path(folder) / "copy.sqlite"
        left_out = brought(aside, backup, copy, is_given_up=is_given_up)
        try:
            fill(database, copy, is_given_up)
        except sqlite3.OperationalError:
            if is_given_up():
                raise GivenUp from None
            raise
    return left_out


def bring(source: str, to: str, told: Progress) -> tuple[str, ...]:
    """Read a shelf that anybody made into a store of our own. Raises FileProblem."""
    path = Path(source)
    spending = _Spending(path.stat().st_size)
    try:
        with closing(_opened(path, spending)) as there:
            form = _form(there)
            made_at_form(Path(to), form)
            with closing(sqlite3.connect(to, isolation_level=None)) as here:
                left_out = _copied(there, here, spending, told)
    except sqlite3.Error as error:
        raise NoShelf(spending.why or _told(error)) from None
    return _in_short(left_out + _checked(Path(to)))


def _in_short(left_out: list[str]) -> tuple[str, ...]:
    more = len(left_out) - MAX_TOLD
    return (*left_out[:MAX_TOLD], f"and {more:,} more") if more > 0 else tuple(left_out)


class _Spending:
    """The time and space that reading a shelf has taken."""

    def __init__(self, size: int) -> None:
        self._until = time.process_time() + MAX_SECONDS
        self._bytes = size * _GROWTH + _MORE
        self.why = ""

    def goes_on(self) -> bool:
        """Whether there is time left; asked by SQLite as it works."""
        if time.process_time() > self._until:
            self.why = f"reading it takes more than {MAX_SECONDS} seconds"
        return not self.why

    def takes(self, row: tuple[object, ...]) -> None:
        """Count a row. Raises NoShelf where there is more than a file of its size can hold."""
        self._bytes -= sum(len(value) if isinstance(value, str | bytes) else 8 for value in row)
        if self._bytes < 0:
            raise NoShelf("it unfolds to much more than its size")


def _opened(path: Path, spending: _Spending) -> sqlite3.Connection:
    """A file of anybody's, opened so that it can do nothing."""
    address = f"{path.resolve().as_uri()}?mode=ro&immutable=1"
    store = sqlite3.connect(address, uri=True, isolation_level=None)
    store.text_factory = partial(str, encoding="utf-8", errors="replace")
    store.set_progress_handler(lambda: int(not spending.goes_on()), _STEPS)
    for limit, most in (
        (sqlite3.SQLITE_LIMIT_LENGTH, MAX_VALUE),
        (sqlite3.SQLITE_LIMIT_SQL_LENGTH, MIB // 8),
        (sqlite3.SQLITE_LIMIT_COLUMN, 100),
        (sqlite3.SQLITE_LIMIT_EXPR_DEPTH, 20),
        (sqlite3.SQLITE_LIMIT_COMPOUND_SELECT, 3),
        (sqlite3.SQLITE_LIMIT_VDBE_OP, 25_000),
        (sqlite3.SQLITE_LIMIT_FUNCTION_ARG, 8),
        (sqlite3.SQLITE_LIMIT_ATTACHED, 0),
        (sqlite3.SQLITE_LIMIT_LIKE_PATTERN_LENGTH, 50),
        (sqlite3.SQLITE_LIMIT_VARIABLE_NUMBER, 10),
        (sqlite3.SQLITE_LIMIT_TRIGGER_DEPTH, 1),
        (sqlite3.SQLITE_LIMIT_WORKER_THREADS, 0),
    ):
        store.setlimit(limit, most)
    for pragma in ("trusted_schema = OFF", "cell_size_check = ON", "mmap_size = 0"):
        store.execute(f"PRAGMA {pragma}")
    store.execute("PRAGMA query_only = ON")
    return store


_ASKED = {sqlite3.SQLITE_SELECT, sqlite3.SQLITE_READ}
_LOOKED_AT = {"quick_check", "table_xinfo"}


def _leave(action: int, first: str | None, _: object, __: object, by: str | None) -> int:
    """What SQLite may do with the file: read columns of its tables. Nothing in it is run."""
    is_looked_at = action == sqlite3.SQLITE_PRAGMA and first in _LOOKED_AT
    if by is not None or not (action in _ASKED or is_looked_at):
        return sqlite3.SQLITE_DENY
    return sqlite3.SQLITE_OK


def _form(store: sqlite3.Connection) -> str:
    """The form number in a shelf. Raises NoShelf if the file is not a shelf, or is damaged."""
    store.set_authorizer(_leave)
    made = list(store.execute(f"SELECT type, name FROM sqlite_schema LIMIT {MAX_TABLES}"))
    kinds = {name: kind for kind, name in made}
    if {kinds.get("games"), kinds.get("alembic_version")} != {"table"}:
        raise NoShelf("it is no store of Dice Trail")
    if len(made) >= MAX_TABLES:
        raise NoShelf("it holds more tables than any saved shelf")
    if not {"table", "index"}.issuperset(kinds.values()):
        raise NoShelf("it holds views or triggers, which no saved shelf has")
    for name, kind in kinds.items():
        if kind == "table" and any(row[6] for row in store.execute(_columns_of(name))):
            raise NoShelf("it holds columns that are worked out, which no saved shelf has")
    if store.execute("PRAGMA quick_check(1)").fetchone() != ("ok",):
        raise NoShelf("it is damaged")
    row = store.execute("SELECT version_num FROM alembic_version").fetchone()
    if row is None or row[0] not in forms():
        raise NoShelf("a newer version of Dice Trail made it")
    form: str = row[0]
    return form


def _copied(
    there: sqlite3.Connection, here: sqlite3.Connection, spending: _Spending, told: Progress
) -> list[str]:
    """Copy the known columns of the known tables. Returns the rows that do not fit, in words."""
    count = 0
    left_out: list[str] = []
    here.execute("PRAGMA foreign_keys = OFF")
    here.execute("BEGIN")
    for table in _tables(here):
        known = {row[1] for row in here.execute(f'PRAGMA table_info("{table}")')}
        plain = {row[1] for row in there.execute(_columns_of(table))}
        if not known <= plain:
            raise NoShelf(f"its table “{table}” is not one of a store")
        names = ", ".join(f'"{name}"' for name in sorted(known))
        marks = ", ".join("?" * len(known))
        into = f'INSERT OR IGNORE INTO "{table}" ({names}) VALUES ({marks})'
        for rows in _parts(there, f'SELECT {names} FROM "{table}" NOT INDEXED'):
            for row in rows:
                spending.takes(row)
                count += 1
                if not here.execute(into, row).rowcount:
                    left_out.append(f"{table}, the {count}th row read: it has no place")
            told(count)
    here.execute("COMMIT")
    return left_out


def _columns_of(table: str) -> str:
    name = table.replace('"', '""')
    return f'PRAGMA table_xinfo("{name}")'


def _tables(here: sqlite3.Connection) -> list[str]:
    named = here.execute("SELECT name FROM sqlite_schema WHERE type = 'table'")
    return sorted({name for (name,) in named} - OWN_TABLES)


def _parts(store: sqlite3.Connection, query: str) -> Iterator[list[tuple[object, ...]]]:
    found = store.execute(query)
    while rows := found.fetchmany(_ROWS_AT_ONCE):
        yield rows


def _told(error: sqlite3.Error) -> str:
    code = getattr(error, "sqlite_errorcode", 0) & 0xFF
    return {
        sqlite3.SQLITE_NOTADB: "it is no store of Dice Trail",
        sqlite3.SQLITE_TOOBIG: "a value in it is larger than any of a shelf",
        sqlite3.SQLITE_AUTH: "it does more than hold data, which no saved shelf does",
        sqlite3.SQLITE_FULL: "there is no room for it on the disk",
    }.get(code, "it is damaged")


def _checked(path: Path) -> list[str]:
    """Bring a store to the newest form, and remove what cannot be read. Returns what was removed,
    in words."""
    try:
        database = Database(path)
    except StoreTrouble:
        raise
    except Exception:  # what is in its rows is no form of what they should hold
        raise NoShelf("what it holds is not of the form it says") from None
    try:
        left_out = left_unread(database, _made_safe)
    finally:
        database.close()
    with closing(sqlite3.connect(path)) as store:
        store.execute("PRAGMA journal_mode = DELETE")
    return left_out


def _made_safe(content: bytes) -> bytes | None:
    """A picture or sound as it would be taken; None if it would not."""
    try:
        return medium("a picture or sound", content).content
    except FileProblem:
        return None
