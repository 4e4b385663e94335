"""Back up the whole store to one file while it is in use, and fill a store from one.

The copy is a store of its own (SQLite, an open format), consistent at one moment, and without the
secret by which a server recognises its maker's browsers.
"""

import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from dicetrail.store.database import Database
from dicetrail.store.trouble import StoreTrouble, told

PAGES_AT_ONCE = 500
"""The number of pages copied before others get a turn."""

Progress = Callable[[int, int], None]
"""A function that is called with the pages copied and the pages in all."""


def back_up(database: Database, to: Path, progress: Progress | None = None) -> None:
    """Copy a store, in use or not, to a new file. Raises StoreTrouble."""
    _copy(database.path, to, progress)


def fill(database: Database, brought: Path, is_given_up: Callable[[], bool]) -> None:
    """Copy the content of a store that we made into a shelf that was always empty.

    The shelf keeps its own secret. Raises StoreTrouble if something is there already, and SQLite's
    own error once it is given up; then nothing has changed.
    """
    with told(database.path), database.alone() as here:
        here.execute("ATTACH ? AS brought", (str(brought),))
        try:
            here.execute("BEGIN IMMEDIATE")
            here.set_progress_handler(lambda: int(is_given_up()), _STEPS)
            try:
                _fill(database.path, here)
            except BaseException:
                here.set_progress_handler(None, 0)
                if here.in_transaction:  # one that was given up is undone already
                    here.execute("ROLLBACK")
                raise
            here.set_progress_handler(None, 0)
            here.execute("COMMIT")
        finally:
            here.execute("DETACH brought")


_STEPS = 1_000
"""The number of steps of SQLite's machine between two checks whether the work is still wanted."""


def _fill(path: Path, here: sqlite3.Connection) -> None:
    """Copy every row of the attached store. The tables must be empty."""
    named = here.execute("SELECT name FROM main.sqlite_master WHERE type = 'table'")
    tables = sorted({name for (name,) in named} - OWN_TABLES)
    for table in tables:
        if here.execute(f'SELECT 1 FROM main."{table}" LIMIT 1').fetchone():
            what = "there is something on its shelf already"
            raise StoreTrouble(path, what, "Restore into a store of its own: dicetrail restore")
    here.execute("PRAGMA defer_foreign_keys = ON")
    for table in tables:
        names = ", ".join(f'"{row[1]}"' for row in here.execute(f'PRAGMA table_info("{table}")'))
        here.execute(f'INSERT INTO main."{table}" ({names}) SELECT {names} FROM brought."{table}"')


OWN_TABLES = frozenset(("alembic_version", "secrets"))
"""The tables that are not copied: the form of a store, and the secret that recognises its maker's
browsers."""


def _copy(source: Path, to: Path, progress: Progress | None) -> None:
    if to.exists():
        raise StoreTrouble(to, "there is a file already", "Name one that is not there yet")
    partial = to.with_name(f"{to.name}.part")
    remove_store(partial)
    try:
        with told(source):
            partial.parent.mkdir(parents=True, exist_ok=True)
            address = f"{source.resolve().as_uri()}?mode=ro"
            with (
                closing(sqlite3.connect(address, uri=True)) as there,
                closing(sqlite3.connect(partial)) as here,
            ):
                tables = {name for (name,) in there.execute("SELECT name FROM sqlite_master")}
                if "games" not in tables:
                    raise StoreTrouble(source, "it is no store of Dice Trail", "Name another file")
                if there.execute("PRAGMA quick_check").fetchone() != ("ok",):
                    mend = "Put a whole copy in its place, or name another file"
                    raise StoreTrouble(source, "it is damaged", mend)
                there.backup(here, pages=PAGES_AT_ONCE, progress=_telling(progress))
                if "secrets" in tables:
                    here.execute("DELETE FROM secrets")
                here.commit()
                here.execute("PRAGMA journal_mode = DELETE")
                here.execute("VACUUM")  # what was deleted is gone from the file as well
        partial.replace(to)
    finally:
        remove_store(partial)


def _telling(progress: Progress | None) -> Callable[[int, int, int], None] | None:
    if progress is None:
        return None
    return lambda _status, left, all_: progress(all_ - left, all_)


def remove_store(path: Path) -> None:
    """Remove every file of a store at a path."""
    for ending in ("", "-wal", "-shm", "-journal"):
        path.with_name(path.name + ending).unlink(missing_ok=True)
