"""Games and packs made ready to use, each worked out once.

Revisions never change, so what is worked out from them is kept by their numbers, the least
recently used dropped first.
"""

from collections import OrderedDict
from collections.abc import Sequence
from functools import lru_cache
from threading import Lock
from typing import TypeVar

from dicetrail.core import (
    Examined,
    Game,
    Input,
    Moment,
    Pack,
    Program,
    State,
    Table,
    build,
    go_on,
    look_over,
    replay,
    table,
)
from dicetrail.files.aside import Aside
from dicetrail.store import Database
from dicetrail.store.games import game_revision
from dicetrail.store.models import RunRow
from dicetrail.store.packs import pack_revision
from dicetrail.web.loading import Loads

PackNumbers = tuple[tuple[str, int], ...]
"""Packs by identifier and revision, in the order of their identifiers."""


MOST_KNOWN = 400
"""Longer runs are worked out anew each time, so that what is known stays small."""

Kept = TypeVar("Kept")


class LatestOf(OrderedDict[str, Kept]):
    """A mapping that keeps the entries set last, and no more than so many."""

    def __init__(self, most: int) -> None:
        super().__init__()
        self.most = most
        self._turn = Lock()

    def __setitem__(self, name: str, value: Kept) -> None:
        with self._turn:
            super().__setitem__(name, value)
            self.move_to_end(name)
            if len(self) > self.most:
                self.popitem(last=False)


class Shelf:
    """What the routers share: the store, and what was worked out from it."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self.aside = Aside()
        self.loads = Loads()
        self._known: LatestOf[tuple[Moment, ...]] = LatestOf(300)
        self.pack = lru_cache(maxsize=64)(self._pack)
        self.pack_media = lru_cache(maxsize=64)(self._pack_media)
        self.examined = lru_cache(maxsize=256)(self._examined)
        self.program = lru_cache(maxsize=64)(self._program)

    def close(self) -> None:
        """End whatever is still being read."""
        self.loads.close()
        self.aside.close()

    def moments(self, run: RunRow) -> tuple[Moment, ...]:
        """Every moment of a run so far. What was worked out before is gone on from."""
        inputs = [Input(given.action, given.at) for given in run.inputs]
        known = self._known.get(run.id)
        if known is None or len(known) > len(inputs) + 1:
            moments = self.replayed(run, inputs)
        else:
            rest = inputs[len(known) - 1 :]
            moments = (*known, *go_on(self.program_of(run), known[-1], rest))
        if len(moments) <= MOST_KNOWN:
            self._known[run.id] = moments
        return moments

    def replayed(self, run: RunRow, inputs: Sequence[Input]) -> tuple[Moment, ...]:
        """Every moment some inputs would make of a run. Raises TimeRanBackwards."""
        return replay(self.program_of(run), run.dice, run.players, inputs, best=run.best)

    def program_of(self, run: RunRow) -> Program:
        """The program a run was started with. Raises GameProblems."""
        return self.program(
            run.game_id, run.game_revision, tuple(sorted(run.pack_revisions.items()))
        )

    def table_of(self, run: RunRow, state: State) -> Table:
        """What the player of a run has in front of them at a state."""
        media = {name: self.pack_media(name, number) for name, number in run.pack_revisions.items()}
        return table(self.program_of(run), state, media)

    def _pack_media(self, pack_id: str, number: int) -> dict[str, str]:
        with self.database.reading() as session:
            return pack_revision(session, pack_id, number).media

    def _pack(self, pack_id: str, number: int) -> Pack:
        with self.database.reading() as session:
            found = pack_revision(session, pack_id, number)
            return Pack(found.title, found.questions)

    def _examined(self, game: Game, packs: PackNumbers) -> Examined:
        return look_over(game, self._held(packs))

    def _program(self, game_id: str, number: int, packs: PackNumbers) -> Program:
        return build(self._game(game_id, number), self._held(packs))

    def _game(self, game_id: str, number: int) -> Game:
        with self.database.reading() as session:
            return game_revision(session, game_id, number).document

    def _held(self, packs: Sequence[tuple[str, int]]) -> dict[str, Pack]:
        return {name: self.pack(name, number) for name, number in packs}
