"""The whole shelf in one file, and back: a store copied while it is in use.

The copy is a store of its own (SQLite, an open format), whole at one moment, and without the
secret by which a server knows its maker's browsers.
"""

import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from tempfile import TemporaryDirectory

from dicetrail.store.database import Database
from dicetrail.store.trouble import StoreTrouble, told

PAGES_AT_ONCE = 500
"""So many pages of the file are copied before whoever else wants it has a turn."""

Progress = Callable[[int, int], None]
"""Told how many pages of how many are there."""


def back_up(database: Database, to: Path, progress: Progress | None = None) -> None:
    """Copy a store, in use or not, to a file that is not there yet. Raises StoreTrouble."""
    _copy(database.path, to, progress)


def restore(backup: Path, to: Path, progress: Progress | None = None) -> Database:
    """Make a store of a backup where there is none yet; the store, brought to the newest form.

    Raises StoreTrouble if the backup is damaged, is no store or a newer one, or if something is
    in the way; then nothing is there afterwards that was not there before.
    """
    if not backup.is_file():
        raise StoreTrouble(backup, "there is no such file", "Name a backup")
    _copy(backup, to, progress)
    try:
        return Database(to)
    except StoreTrouble:
        _remove(to)
        raise


def restore_into(database: Database, backup: Path) -> None:
    """Put a whole backup on a shelf on which there never was anything.

    The store keeps its own secret. Raises StoreTrouble if something is there already, or if the
    backup is damaged, is no store or a newer one; then nothing has changed.
    """
    with TemporaryDirectory() as folder:
        copy = Path(folder) / "copy.sqlite"
        restore(backup, copy).close()
        with (
            told(database.path),
            closing(sqlite3.connect(database.path, isolation_level=None)) as here,
        ):
            here.execute("ATTACH ? AS backup", (str(copy),))
            here.execute("BEGIN IMMEDIATE")
            try:
                _fill(database.path, here)
            except BaseException:
                here.execute("ROLLBACK")
                raise
            here.execute("COMMIT")


def _fill(path: Path, here: sqlite3.Connection) -> None:
    """Take every row of the backup attached; the tables must be empty."""
    named = here.execute("SELECT name FROM main.sqlite_master WHERE type = 'table'")
    tables = sorted({name for (name,) in named} - _A_STORES_OWN)
    for table in tables:
        if here.execute(f'SELECT 1 FROM main."{table}" LIMIT 1').fetchone():
            what = "there is something on its shelf already"
            raise StoreTrouble(path, what, "Restore into a store of its own: dicetrail restore")
    for table in tables:
        here.execute(f'INSERT INTO main."{table}" SELECT * FROM backup."{table}"')


_A_STORES_OWN = {"alembic_version", "secrets"}
"""The tables that no backup brings: the form a store has, and what tells its maker's browsers."""


def _copy(source: Path, to: Path, progress: Progress | None) -> None:
    if to.exists():
        raise StoreTrouble(to, "there is a file already", "Name one that is not there yet")
    partial = to.with_name(f"{to.name}.part")
    _remove(partial)
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
        _remove(partial)


def _telling(progress: Progress | None) -> Callable[[int, int, int], None] | None:
    if progress is None:
        return None
    return lambda _status, left, all_: progress(all_ - left, all_)


def _remove(path: Path) -> None:
    for ending in ("", "-wal", "-shm", "-journal"):
        path.with_name(path.name + ending).unlink(missing_ok=True)
