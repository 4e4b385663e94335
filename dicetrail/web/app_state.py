"""Prepared games and packs, each computed once.

Revisions never change, so results are cached by their numbers, and the least recently used are
dropped first.
"""

import asyncio
import gc
from collections.abc import Callable, Collection, Hashable, Iterable, Mapping, Sequence
from dataclasses import replace
from functools import lru_cache, partial
from threading import Lock
from typing import Any, cast
from weakref import WeakValueDictionary

from dicetrail.core import (
    Game,
    GameProblems,
    Input,
    Moment,
    Pack,
    PackEdit,
    Phase,
    Program,
    Severity,
    State,
    Table,
    Wait,
    look_over,
    replay,
    step,
    table,
)
from dicetrail.core.foresight import Held, Playthrough, playthrough
from dicetrail.core.play import Media, go_on, made_ready
from dicetrail.core.survey import Edits, PackLook, RowFault, edited_pack
from dicetrail.core.workbench import Examined
from dicetrail.files.sandbox import Sandbox
from dicetrail.scouting import Crew, Subject, here, look_deeper
from dicetrail.store import Database, Spoilt
from dicetrail.store.addresses import addresses
from dicetrail.store.games import game_revision, newest_number
from dicetrail.store.models import GameRevision, RunRow
from dicetrail.store.packs import (
    KeptPack,
    edits_of,
    newest_numbers,
    newest_packs,
    pack_of,
    pack_revision,
)
from dicetrail.store.runs import inputs_of
from dicetrail.web.cache import Cache, CachePart
from dicetrail.web.deeper import Deeper
from dicetrail.web.foresight.fetching import fetched
from dicetrail.web.foresight.studies import Studies
from dicetrail.web.loads.load import Loads
from dicetrail.web.spoilt import in_words, wrong_in_pack

PackNumbers = tuple[tuple[str, int], ...]
"""Packs by identifier and revision, in the order of their identifiers."""


MANY = 10_000
"""From this many questions on, the garbage collector is told about a pack."""

MAX_KNOWN = 400
"""Longer runs are replayed each time, so that the cache stays small."""

MAX_RECALLED = 5_000
"""The number of cached draws of runs, of all programs together."""

MAX_MADE = 64 * 1024 * 1024
"""The size of the cache of exports, in bytes."""
_SMALL = 20_000
"""What anything else than bytes is taken to weigh."""


def _size_of(made: Any) -> int:
    return len(made) if isinstance(made, bytes) else _SMALL


def _named(pack_id: str, number: int) -> str:
    return f"{pack_id} {number}"


def _packs_of(run: RunRow) -> PackNumbers:
    return tuple(sorted(run.pack_revisions.items()))


def _program_named(game_id: str, number: int, packs: PackNumbers) -> str:
    return f"{game_id} {number} {packs}"


class AppState:
    """The state that the routers share: the store, and what was computed from it."""

    def __init__(self, database: Database) -> None:
        self.database = database
        self.aside = Sandbox()
        self.loads = Loads()
        self._shown: Cache[str, tuple[int, Playthrough]] = Cache(2_000)
        self.held: Cache[str, tuple[Held, ...]] = Cache(20)
        """Which kept runs of a game hold, by what was worked out."""
        self._known: Cache[str, tuple[Moment, ...]] = Cache(300)
        self._packs: Cache[str, Pack] = Cache(32)
        self._wrong: Cache[str, str] = Cache(5_000)
        self._looks: Cache[str, tuple[int, PackLook]] = Cache(8)
        self._looking = Lock()
        self.pack_media = lru_cache(maxsize=64)(self._pack_media)
        self.examined = lru_cache(maxsize=256)(self._examined)
        self.deeper = Deeper()
        self._games: Cache[str, GameRevision] = Cache(100)
        self._programs: Cache[str, Program] = Cache(100)
        self._recalled: Cache[tuple[Hashable, Hashable], Any] = Cache(MAX_RECALLED)
        self.studies = Studies()
        self.made: Cache[str, Any] = Cache(MAX_MADE, _size_of)
        """What was made of a game to be taken away, by what it was made of."""
        self._making: WeakValueDictionary[str, asyncio.Lock] = WeakValueDictionary()
        self._crew: Crew | None = None
        self._gathering = Lock()
        self.addresses: dict[str, str] | None = None
        """The game that each address leads to; None until somebody asks."""

    def turn_to_make(self, name: str) -> asyncio.Lock:
        """The turn of those who want one thing made, so that it is made once."""
        lock = self._making.get(name)
        if lock is None:
            lock = self._making[name] = asyncio.Lock()
        return lock

    def know_addresses(self) -> None:
        """Read anew which address leads to which game."""
        with self.database.reading() as session:
            self.addresses = addresses(session)

    def close(self) -> None:
        """End whatever is still being read."""
        self.loads.close()
        self.aside.close()
        self.studies.close()
        if self._crew is not None:
            self._crew.close()

    def read_ahead(self) -> None:
        """Read the large packs before they are asked for, so that nobody waits for them."""
        with self.database.reading() as session:
            packs = newest_packs(session)
        for pack in packs:
            if pack.question_count >= MANY and not self.wrong_in(pack):
                self.faults(pack)

    def moments(self, run: RunRow) -> tuple[Moment, ...]:
        """Every moment of a run so far. What was worked out before is gone on from."""
        inputs = inputs_of(run)
        known = self._known.get(run.id)
        if known is None or len(known) > len(inputs) + 1:
            moments = self.replayed(run, inputs)
        else:
            rest = inputs[len(known) - 1 :]
            moments = (*known, *go_on(self.program_of(run), known[-1], rest))
        if len(moments) <= MAX_KNOWN:
            self._known[run.id] = moments
        return moments

    def forget(self, run_ids: Iterable[str]) -> None:
        """Know nothing more of runs that were deleted."""
        for run_id in run_ids:
            self._known.let_go(run_id)
            self._shown.let_go(run_id)

    def whole(self, run: RunRow) -> tuple[Moment, ...]:
        """The moments of a run; of a player's also what its clocks brought after the last input."""
        moments = self.moments(run)
        last = moments[-1].state
        if run.length_ms is None or last.phase is Phase.ENDED:
            return moments
        return (*moments, step(self.program_of(run), last, Wait(), max(last.at, run.length_ms)))

    def shown(self, run: RunRow) -> Playthrough:
        """What a run shows of its questions. Raises GameProblems."""
        if run.seen is not None:
            return run.seen
        inputs = inputs_of(run)
        known = self._shown.get(run.id)
        if known is None or known[0] != len(inputs):
            found = playthrough(self.program_of(run), self.whole(run), inputs)
            known = self._shown[run.id] = (len(inputs), found)
        return known[1]

    def replayed(self, run: RunRow, inputs: Sequence[Input]) -> tuple[Moment, ...]:
        """Every moment some inputs would make of a run. Raises TimeRanBackwards."""
        return replay(self.program_of(run), run.dice, run.players, inputs, best=run.best)

    def program_of(self, run: RunRow) -> Program:
        """The program a run was started with. Raises GameProblems."""
        return self.program(run.game_id, run.game_revision, _packs_of(run))

    def is_ready(self, run: RunRow) -> bool:
        """Whether the program of a run is known, so that nothing need be worked out for it."""
        return _program_named(run.game_id, run.game_revision, _packs_of(run)) in self._programs

    def table_of(self, run: RunRow, state: State) -> Table:
        """What the player of a run has in front of them at a state."""
        return table(self.program_of(run), state, self.media_of(run))

    def media_of(self, run: RunRow) -> Media:
        """Where the pictures and sounds of a run's packs are found."""
        return {name: self.pack_media(name, number) for name, number in run.pack_revisions.items()}

    def pack(self, pack_id: str, number: int) -> Pack:
        """A revision of a pack with its questions. Raises NotFound."""
        known = self._packs.get(_named(pack_id, number))
        if known is not None:
            return known
        before = self._packs.get(_named(pack_id, number - 1))
        with self.database.reading() as session:
            kept = pack_revision(session, pack_id, number)
            edits = None if before is None else edits_of(session, pack_id, number)
            if before is None or edits is None:
                pack = pack_of(session, pack_id, number)
            else:
                pack = replace(edited_pack(before, edits) if edits else before, title=kept.title)
        self.remember(kept, pack)
        if before is None and len(pack.questions) >= MANY:
            gc.freeze()  # nothing of it hangs in circles: looking through it would only take time
        return pack

    def wrong_in(self, kept: KeptPack, may_read: bool = True) -> str:
        """What of a pack cannot be read, and what to do, in words; empty where all can, or where it
        would have to be read first and may not."""
        if not kept.number:
            return wrong_in_pack(kept)
        name = _named(kept.pack_id, kept.number)
        known = self._wrong.get(name)
        if known is None and may_read:
            try:
                self.pack(kept.pack_id, kept.number)
            except Spoilt as error:
                known = self._wrong[name] = in_words(error)
            else:
                known = self._wrong[name] = ""
        return known or wrong_in_pack(kept)

    def remember(self, kept: KeptPack, pack: Pack) -> None:
        """Know a revision of a pack, as it was kept."""
        self._packs[_named(kept.pack_id, kept.number)] = pack

    def faults(self, kept: KeptPack) -> list[RowFault]:
        """Everything that is wrong in a revision of a pack. After an edit only what it
        changed is looked at."""
        with self._looking:
            return list(self._look(kept.pack_id, kept.number, kept.media).faults())

    def _look(self, pack_id: str, wanted: int, media: Collection[str]) -> PackLook:
        number, look = self._looks.get(pack_id, (0, None))
        edits: Edits | None = () if number == wanted else None
        if number == wanted - 1:
            with self.database.reading() as session:
                edits = edits_of(session, pack_id, wanted) or None
        pack = self.pack(pack_id, wanted)
        if look is None or edits is None or pack.facts is not None:
            look = PackLook(pack.questions, media)
        else:
            look.edit(cast("tuple[PackEdit, ...]", edits))
        self._looks[pack_id] = (wanted, look)
        return look

    def _pack_media(self, pack_id: str, number: int) -> dict[str, str]:
        with self.database.reading() as session:
            return pack_revision(session, pack_id, number).media

    def _examined(self, game: Game, packs: PackNumbers) -> Examined:
        read = [(name, number) for name, number in packs if not self._is_lost(name, number)]
        with self._looking:
            reports = {
                name: self._look(name, number, self.pack_media(name, number)).report()
                for name, number in read
            }
        return look_over(game, self._held(read), reports)

    def _is_lost(self, name: str, number: int) -> bool:
        """Whether what a pack holds cannot be read; its card tells why."""
        try:
            self.pack(name, number)
        except Spoilt:
            return True
        return False

    def seen_deeper(self, game: Game, packs: PackNumbers) -> tuple[Examined, bool]:
        """A game looked over, and whether more of it is still being worked out beside.

        Play goes by `examined` alone, so what is found later stops no run.
        """
        at_once = self.examined(game, packs)
        if at_once.is_settled:
            return at_once, False
        subject = Subject(f"{hash(game)} {packs}", game, self._handed(packs))
        return self.deeper.look(
            (game, packs), at_once, lambda: self.crew.submit(look_deeper, subject)
        )

    def program(self, game_id: str, number: int, packs: PackNumbers) -> Program:
        """A revision of a game, ready to run. Raises NotFound, GameProblems."""
        name = _program_named(game_id, number, packs)
        program = self._programs.get(name)
        if program is None:
            program = self._programs[name] = self._program(game_id, number, packs)
        return program

    def _program(self, game_id: str, number: int, packs: PackNumbers) -> Program:
        game = self.saved_game(game_id, number).document
        self._without_faults(game, packs)
        return made_ready(
            game, self._held(packs), CachePart(self._recalled, (game_id, number, packs))
        )

    def _without_faults(self, game: Game, packs: PackNumbers) -> None:
        """Raise GameProblems for a game that cannot be played."""
        examined = self.examined(game, packs)
        if any(problem.severity is Severity.FAULT for problem in examined.problems):
            raise GameProblems(examined.problems)

    def newest(self, game_id: str) -> tuple[int, PackNumbers]:
        """The number of a game's newest revision, and those of the packs it draws from as they now
        are. Raises NotFound."""
        with self.database.reading() as session:
            number = newest_number(session, game_id)
            used = self.saved_game(game_id, number).document.packs_used
            return number, newest_numbers(session, used)

    def saved_game(self, game_id: str, number: int) -> GameRevision:
        """A revision of a game. Raises NotFound."""
        name = f"{game_id} {number}"
        known = self._games.get(name)
        if known is None:
            with self.database.reading() as session:
                known = self._games[name] = game_revision(session, game_id, number)
        return known

    def subject(self, game_id: str, number: int, packs: PackNumbers) -> Subject:
        """A revision of a game to be handed to others. Raises NotFound, GameProblems."""
        program = self.program(game_id, number, packs)
        return Subject(f"{game_id} {number} {packs}", program.game, self._handed(packs))

    def drafted(self, game_id: str, document: Game, packs: PackNumbers) -> Subject:
        """A document that is not saved yet, to be handed to others. Raises GameProblems."""
        self._without_faults(document, packs)
        return Subject(f"{game_id} {hash(document)} {packs}", document, self._handed(packs))

    def _handed(self, packs: PackNumbers) -> Mapping[str, Pack] | Callable[[], Mapping[str, Pack]]:
        """Packs as they are handed to another process."""
        held = self._held(packs)
        if any(len(pack.questions) >= MANY for pack in held.values()):
            return partial(fetched, self.database.path, packs)
        return held

    @property
    def crew(self) -> Crew:
        """Whoever works out what takes long, beside the server."""
        with self._gathering:
            if self._crew is None:
                self._crew = here()
            return self._crew

    def _held(self, packs: Sequence[tuple[str, int]]) -> dict[str, Pack]:
        return {name: self.pack(name, number) for name, number in packs}
