"""Surveys and programs of games, computed once for each revision."""

from collections.abc import Callable, Hashable, Mapping
from functools import lru_cache, partial
from typing import Any

from dicetrail.core import Game, GameProblems, Pack, Program, Severity, look_over
from dicetrail.core.play import made_ready
from dicetrail.core.workbench import Examined
from dicetrail.scouting import Crew, Subject, look_deeper
from dicetrail.services.cache import Cache, CachePart
from dicetrail.services.deeper import Deeper
from dicetrail.services.fetching import fetched
from dicetrail.services.packs import MANY, PackNumbers, Packs
from dicetrail.store import Database, SavedGame, SavedRun
from dicetrail.store.games import game_revision, newest_number
from dicetrail.store.packs import newest_numbers

MAX_RECALLED = 5_000
"""The number of cached draws of runs, of all programs together."""


def _packs_of(run: SavedRun) -> PackNumbers:
    return tuple(sorted(run.pack_revisions.items()))


def _program_named(game_id: str, number: int, packs: PackNumbers) -> str:
    return f"{game_id} {number} {packs}"


class Programs:
    """The programs of the games of a store."""

    def __init__(self, database: Database, packs: Packs, crew: Callable[[], Crew]) -> None:
        self._database = database
        self._packs = packs
        self._crew = crew
        self.examined = lru_cache(maxsize=256)(self._examined)
        self._deeper = Deeper()
        self._games: Cache[str, SavedGame] = Cache(100)
        self._programs: Cache[str, Program] = Cache(100)
        self._recalled: Cache[tuple[Hashable, Hashable], Any] = Cache(MAX_RECALLED)

    def now(self, game_id: str) -> Program:
        """The program of a game's newest revision. Raises NotFound, GameProblems."""
        return self.program(game_id, *self.newest(game_id))

    def _examined(self, game: Game, packs: PackNumbers) -> Examined:
        reports = self._packs.reports(packs)
        read = [(name, number) for name, number in packs if name in reports]
        return look_over(game, self._packs.held(read), reports)

    def seen_deeper(self, game: Game, packs: PackNumbers) -> tuple[Examined, bool]:
        """The survey of a game, and whether a further survey is running in another process.

        Runs depend on `examined` alone, so a later result stops no run.
        """
        at_once = self.examined(game, packs)
        if at_once.is_settled:
            return at_once, False
        subject = Subject(f"{hash(game)} {packs}", game, self._handed(packs))
        return self._deeper.look(
            (game, packs), at_once, lambda: self._crew().submit(look_deeper, subject)
        )

    def program(self, game_id: str, number: int, packs: PackNumbers) -> Program:
        """The program of a revision of a game. Raises NotFound, GameProblems."""
        name = _program_named(game_id, number, packs)
        program = self._programs.get(name)
        if program is None:
            program = self._programs[name] = self._program(game_id, number, packs)
        return program

    def _program(self, game_id: str, number: int, packs: PackNumbers) -> Program:
        game = self.saved_game(game_id, number).document
        self._without_faults(game, packs)
        return made_ready(
            game, self._packs.held(packs), CachePart(self._recalled, (game_id, number, packs))
        )

    def _without_faults(self, game: Game, packs: PackNumbers) -> None:
        """Raise GameProblems if the game cannot be played."""
        examined = self.examined(game, packs)
        if any(problem.severity is Severity.FAULT for problem in examined.problems):
            raise GameProblems(examined.problems)

    def newest(self, game_id: str) -> tuple[int, PackNumbers]:
        """The numbers of the newest revisions of a game and of the packs it draws from. Raises
        NotFound."""
        with self._database.reading() as session:
            number = newest_number(session, game_id)
            used = self.saved_game(game_id, number).document.packs_used
            return number, newest_numbers(session, used)

    def saved_game(self, game_id: str, number: int) -> SavedGame:
        """A revision of a game. Raises NotFound."""
        name = f"{game_id} {number}"
        known = self._games.get(name)
        if known is None:
            with self._database.reading() as session:
                known = self._games[name] = game_revision(session, game_id, number)
        return known

    def _handed(self, packs: PackNumbers) -> Mapping[str, Pack] | Callable[[], Mapping[str, Pack]]:
        """Packs in the form in which another process gets them."""
        held = self._packs.held(packs)
        if any(len(pack.questions) >= MANY for pack in held.values()):
            return partial(fetched, self._database.path, packs)
        return held

    def program_of(self, run: SavedRun) -> Program:
        """The program a run was started with. Raises GameProblems."""
        return self.program(run.game_id, run.game_revision, _packs_of(run))

    def is_ready(self, run: SavedRun) -> bool:
        """Whether the program of a run is in the cache."""
        return _program_named(run.game_id, run.game_revision, _packs_of(run)) in self._programs

    def subject_of(self, game_id: str, revision: int | None = None) -> Subject:
        """A revision of a game, or the newest, with the newest revisions of its packs, for another
        process. Raises NotFound, GameProblems."""
        with self._database.reading() as session:
            number = newest_number(session, game_id) if revision is None else revision
            used = self.saved_game(game_id, number).document.packs_used
            packs = newest_numbers(session, used)
        program = self.program(game_id, number, packs)
        return Subject(f"{game_id} {number} {packs}", program.game, self._handed(packs))

    def draft(self, game_id: str, document: Game) -> Subject:
        """A document that is edited and not saved yet, with the newest revisions of its packs, for
        another process. Raises GameProblems."""
        with self._database.reading() as session:
            packs = newest_numbers(session, document.packs_used)
        self._without_faults(document, packs)
        return Subject(f"{game_id} {hash(document)} {packs}", document, self._handed(packs))
