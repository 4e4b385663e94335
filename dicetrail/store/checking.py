"""Check every row of a store, and remove those that cannot be read.

This happens before anything else reads a store that somebody brought, so every damaged row is
reported once and none stays.
"""

from collections.abc import Callable, Iterator, Mapping
from types import MappingProxyType
from typing import Any

from sqlalchemy import (
    ColumnElement,
    Connection,
    Integer,
    Row,
    Table,
    delete,
    literal_column,
    select,
    text,
    update,
)

from dicetrail.core import Severity
from dicetrail.form import Kept
from dicetrail.limits import MAX_REVISION, MEDIA_ENDINGS
from dicetrail.store.backup import OWN_TABLES
from dicetrail.store.columns import StandIn, Words
from dicetrail.store.database import Database
from dicetrail.store.models import Base, MediumRow
from dicetrail.store.records import KeptGame, PackSource

MAX_CHARACTERS = 10_000
"""The largest length of a text that is not a list, in characters."""

MadeSafe = Callable[[bytes], bytes | None]
"""A picture or sound in the form in which it is shown; None for other content."""

_ROWID: ColumnElement[int] = literal_column("rowid", Integer)
_ROWS_AT_ONCE = 200


def left_unread(database: Database, made_safe: MadeSafe) -> list[str]:
    """Remove what cannot be read: a value if its row does not need it, else the row and the rows
    that depend on it. Returns what was removed, in words."""
    told: list[str] = []
    tables = [table for table in Base.metadata.sorted_tables if table.name not in OWN_TABLES]
    with database.unbound() as connection:
        for table in tables:
            for rowid, named, columns in list(_unread(connection, table)):
                words = f"{_THINGS[table.name]} {named}: {', '.join(columns)} cannot be read"
                if set(columns) <= _PLAIN.keys():
                    plain = {column: _PLAIN[column] for column in columns}
                    _put(connection, table, rowid, plain)
                    told.append(f"{words}; the rest of it is there")
                else:
                    connection.execute(delete(table).where(_ROWID.in_([rowid])))
                    told.append(words)
        _make_safe(connection, made_safe, told)
        while hanging := connection.execute(text("PRAGMA foreign_key_check")).all():
            for name, rowid in sorted({(row[0], row[1]) for row in hanging}):
                table = Base.metadata.tables[name]
                about = connection.scalar(select(_key(table)).where(_ROWID.in_([rowid])))
                connection.execute(delete(table).where(_ROWID.in_([rowid])))
                told.append(f"{_THINGS[name]} “{about}”: what it belongs to is not there")
    return told


_LONG_AGO = "1970-01-01 00:00:00.000000"
_PLAIN: Mapping[str, str | int | None] = MappingProxyType(
    {
        **dict.fromkeys(("made_at", "saved_at", "kept_at"), _LONG_AGO),
        **dict.fromkeys(("deleted_at", "tags", "words", "remark", "leader", "player_key")),
        **dict.fromkeys(("score", "ending", "right_count", "asked_count", "length_ms", "counts")),
        "title": "Without a title",
        "question_count": 0,
        "media": "{}",
        "source": Kept[PackSource](PackSource).written(PackSource("", "", None, 0, ())),
    }
)
"""The replacement for an unreadable value that its row does not need, by its column."""


def _put(
    connection: Connection, table: Table, rowid: int, values: Mapping[str, str | int | None]
) -> None:
    """Put values into a row as SQLite keeps them."""
    names = ", ".join(f'"{name}" = :{name}' for name in values)
    statement = text(f'UPDATE "{table.name}" SET {names} WHERE rowid = :at')
    connection.execute(statement, {**values, "at": rowid})


def _key(table: Table) -> ColumnElement[Any]:
    """The column that identifies the subject of a row."""
    return next(iter(table.primary_key.columns))


_THINGS = {
    "games": "a game",
    "game_addresses": "an address of a game",
    "game_revisions": "a save of a game",
    "packs": "a pack",
    "pack_revisions": "a save of a pack",
    "pack_questions": "what a pack holds",
    "media": "a picture or sound",
    "voices": "a text read out",
    "runs": "a run",
    "run_inputs": "what was done in a run",
    "brought_runs": "a run played elsewhere",
    "kept_runs": "a kept run",
}


def _unread(connection: Connection, table: Table) -> Iterator[tuple[int, str, list[str]]]:
    """The rows with unreadable values: their numbers, their subjects, and the columns."""
    columns = [column for column in table.columns if column.name != "content"]
    found = connection.execution_options(yield_per=_ROWS_AT_ONCE).execute(
        select(_ROWID.label("row_number"), *columns)
    )
    for row in found:
        names = [column.name for column in columns if not _is_read(row, column)]
        if names:
            about = row._mapping[_key(table)]
            named = f"no. {row.row_number}" if isinstance(about, StandIn) else f"“{about}”"
            yield row.row_number, named, names


def _is_read(row: Row[Any], column: Any) -> bool:
    value = row._mapping[column]
    if isinstance(value, StandIn):
        return False
    if isinstance(column.type, Words):
        return value is None or len(value) <= (column.type.length or MAX_CHARACTERS)
    if isinstance(value, KeptGame):
        return all(problem.severity is Severity.WARNING for problem in value.problems)
    if column.name == "number" and column.table.name.endswith("revisions"):
        return value in range(1, MAX_REVISION + 1)
    return column.name != "media_type" or value in MEDIA_ENDINGS


def _make_safe(connection: Connection, made_safe: MadeSafe, told: list[str]) -> None:
    media = Base.metadata.tables["media"]
    digests = list(connection.scalars(select(MediumRow.digest)))
    for digest in digests:
        is_it = media.c.digest == digest
        content = connection.scalar(select(MediumRow.content).where(is_it))
        safe = None if content is None or isinstance(content, StandIn) else made_safe(content)
        if safe is None:
            connection.execute(delete(media).where(is_it))
            told.append(f"a picture or sound “{digest}”: it is none that can be shown")
        elif safe != content:
            connection.execute(update(media).where(is_it).values(content=safe))
