"""Explain problems of a store's file in a sentence, and what to do about them.

SQLite tells by a number (its documentation, "Result and Error Codes"); each is worded here
once, for the terminal and the pages alike. Whatever was acknowledged before stands.
"""

import sqlite3
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from alembic.util.exc import CommandError
from sqlalchemy.exc import DBAPIError


class StoreTrouble(Exception):
    """The store cannot be used, or not now. What is wrong and what to do are in words.

    `is_full` tells that there is no room or no leave to write. `told` says it without naming
    the file, for whoever need not know where it is.
    """

    def __init__(self, path: Path, what: str, mend: str, is_full: bool = False) -> None:
        self.path = path
        self.what = what
        self.mend = mend
        self.is_full = is_full
        self.told = f"The store cannot be used: {what}. {mend}."
        super().__init__(f"The store {path} cannot be used: {what}. {mend}.")

    def __reduce__(self) -> "tuple[type[StoreTrouble], tuple[object, ...]]":
        """How pickle makes it again in another process."""
        return StoreTrouble, (self.path, self.what, self.mend, self.is_full)


_DAMAGED = (
    "it is damaged, or only a part of a store",
    "Put a whole copy in its place, or name another file",
)
_NO_STORE = ("it is no store of Dice Trail", "Name another file")
_TROUBLES: dict[int, tuple[str, str]] = {
    sqlite3.SQLITE_BUSY: (
        "another program keeps it locked",
        "Close that program, then try again",
    ),
    sqlite3.SQLITE_LOCKED: (
        "another program keeps it locked",
        "Close that program, then try again",
    ),
    sqlite3.SQLITE_READONLY: (
        "it can be read and not written",
        "Give this program leave to write it and its folder, then try again",
    ),
    sqlite3.SQLITE_IOERR: ("the disk failed", "Look after the disk, then try again"),
    sqlite3.SQLITE_CORRUPT: _DAMAGED,
    sqlite3.SQLITE_FULL: ("the disk is full", "Make room on it, then try again"),
    sqlite3.SQLITE_CANTOPEN: (
        "it cannot be opened",
        "See that its folder is there and may be written, or name another file",
    ),
    sqlite3.SQLITE_NOTADB: _NO_STORE,
}
_NO_ROOM = {sqlite3.SQLITE_READONLY, sqlite3.SQLITE_FULL}


def trouble_in(path: Path, error: BaseException) -> StoreTrouble | None:
    """What an error tells of the store at a path; None if it tells of the program instead."""
    code = getattr(error, "sqlite_errorcode", 0) & 0xFF  # the rest says it more narrowly
    if code not in _TROUBLES:
        return None
    what, mend = _TROUBLES[code]
    return StoreTrouble(path, what, mend, code in _NO_ROOM)


@contextmanager
def told(path: Path) -> Iterator[None]:
    """Raise StoreTrouble for whatever is the matter as a store is opened."""
    try:
        yield
    except CommandError:
        what = "a newer version of Dice Trail made it"
        raise StoreTrouble(path, what, "Start that version, or name another file") from None
    except (DBAPIError, sqlite3.Error) as error:
        found = trouble_in(path, getattr(error, "orig", None) or error)
        if found is None:
            raise
        raise found from None
    except OSError as error:
        what = (error.strerror or "it cannot be opened").lower()
        raise StoreTrouble(path, what, "Name another file") from None


def look_at(path: Path) -> None:
    """Raise StoreTrouble if what is at a path is plainly something else than a store."""
    if path.parent.exists() and not path.parent.is_dir():
        raise StoreTrouble(path, f"{path.parent} is no folder", "Name another file")
    if path.is_dir():
        raise StoreTrouble(path, "it is a folder", "Name a file in it instead")
    if not path.exists() or path.stat().st_size == 0:
        return
    store = sqlite3.connect(f"{path.absolute().as_uri()}?mode=ro", uri=True)
    try:
        tables = {name for (name,) in store.execute("SELECT name FROM sqlite_schema")}
    finally:
        store.close()
    if tables and not {"alembic_version", "games"} <= tables:
        raise StoreTrouble(path, _NO_STORE[0], _NO_STORE[1])
