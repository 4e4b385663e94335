"""Where games, packs and runs are kept: one SQLite file through SQLAlchemy."""

from dicetrail.store.backup import back_up, restore, restore_into
from dicetrail.store.database import Database
from dicetrail.store.errors import NotFound, Spoilt, StaleRevision, StaleRun
from dicetrail.store.models import PackSource, Place
from dicetrail.store.secrets import secret_of
from dicetrail.store.trouble import StoreTrouble

__all__ = [
    "Database",
    "NotFound",
    "PackSource",
    "Place",
    "Spoilt",
    "StaleRevision",
    "StaleRun",
    "StoreTrouble",
    "back_up",
    "restore",
    "restore_into",
    "secret_of",
]
