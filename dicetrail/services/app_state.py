"""The state that the routers share."""

import asyncio
from threading import Lock
from typing import Any
from weakref import WeakValueDictionary

from dicetrail.core.foresight import Held
from dicetrail.files.sandbox import Sandbox
from dicetrail.scouting import Crew, here
from dicetrail.services.cache import Cache
from dicetrail.services.loads import Loads
from dicetrail.services.packs import Packs
from dicetrail.services.programs import Programs
from dicetrail.services.replays import Replays
from dicetrail.services.studies import Studies
from dicetrail.store import Database
from dicetrail.store.addresses import addresses

MAX_MADE = 64 * 1024 * 1024
"""The size of the cache of exports, in bytes."""
_SMALL = 20_000
"""The assumed size of a value that is not bytes."""


def _size_of(made: Any) -> int:
    return len(made) if isinstance(made, bytes) else _SMALL


class AppState:
    """The store, and the services over it."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self.aside = Sandbox()
        self.loads = Loads()
        self.studies = Studies()
        self.packs = Packs(database)
        self.programs = Programs(database, self.packs, lambda: self.crew)
        self.replays = Replays(self.programs, self.packs)
        self.held: Cache[str, tuple[Held, ...]] = Cache(20)
        """Which kept runs of a game hold, by what was worked out."""
        self.made: Cache[str, Any] = Cache(MAX_MADE, _size_of)
        """The exports of games, by what they were made of."""
        self._making: WeakValueDictionary[str, asyncio.Lock] = WeakValueDictionary()
        self._crew: Crew | None = None
        self._gathering = Lock()
        self.addresses: dict[str, str] | None = None
        """The game that each address leads to; None until somebody asks."""

    def turn_to_make(self, name: str) -> asyncio.Lock:
        """The lock of a value that several requests want, so that it is computed once."""
        lock = self._making.get(name)
        if lock is None:
            lock = self._making[name] = asyncio.Lock()
        return lock

    def know_addresses(self) -> None:
        """Read again which address leads to which game."""
        with self.database.reading() as session:
            self.addresses = addresses(session)

    def close(self) -> None:
        """End all reading of files."""
        self.loads.close()
        self.aside.close()
        self.studies.close()
        if self._crew is not None:
            self._crew.close()

    @property
    def crew(self) -> Crew:
        """The worker processes for long computations."""
        with self._gathering:
            if self._crew is None:
                self._crew = here()
            return self._crew
