"""Let worker processes fetch large packs from the store themselves; sending the packs would block
the server."""

from collections.abc import Mapping
from functools import lru_cache
from pathlib import Path

from dicetrail.core import Pack
from dicetrail.store import Database
from dicetrail.store.packs import pack_of


@lru_cache(maxsize=2)
def fetched(store: Path, packs: tuple[tuple[str, int], ...]) -> Mapping[str, Pack]:
    """Revisions of packs, by identifier and number."""
    database = Database(store, as_it_is=True)
    try:
        with database.reading() as session:
            return {name: pack_of(session, name, number) for name, number in packs}
    finally:
        database.close()
