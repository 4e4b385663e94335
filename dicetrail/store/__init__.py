"""Store games, packs and runs in one SQLite file through SQLAlchemy."""

from dicetrail.store.backup import OWN_TABLES, back_up, fill, remove_store
from dicetrail.store.checking import left_unread
from dicetrail.store.database import Database, forms, made_at_form
from dicetrail.store.errors import NotFound, Spoilt, StaleRevision
from dicetrail.store.records import (
    PackSource,
    Place,
    RefusedRow,
    SavedElsewhere,
    SavedGame,
    SavedKeptRun,
    SavedRun,
)
from dicetrail.store.runs import latest_moment
from dicetrail.store.secrets import secret_of
from dicetrail.store.trouble import StoreTrouble, told

__all__ = [
    "OWN_TABLES",
    "Database",
    "NotFound",
    "PackSource",
    "Place",
    "RefusedRow",
    "SavedElsewhere",
    "SavedGame",
    "SavedKeptRun",
    "SavedRun",
    "Spoilt",
    "StaleRevision",
    "StoreTrouble",
    "back_up",
    "fill",
    "forms",
    "latest_moment",
    "left_unread",
    "made_at_form",
    "remove_store",
    "secret_of",
    "told",
]
