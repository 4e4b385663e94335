"""Loads: uploaded files that can be previewed any number of times, taken once, or cancelled.

A file is held in memory while its maker previews it. Taking it runs in a thread with progress and
cancellation. The pack is written in one transaction, so a cancelled load leaves nothing behind.
"""

import threading
from collections import OrderedDict
from collections.abc import Collection
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, field, replace
from enum import StrEnum
from itertools import count

from dicetrail.core import Pack, Problem, Question
from dicetrail.core.answers import tidy
from dicetrail.core.workbench import PackRefused, joined
from dicetrail.files import FileProblem, FileReading, Medium, Plan
from dicetrail.files.sandbox import GivenUp, Sandbox
from dicetrail.form import checked_strictly
from dicetrail.services.clock import Clock
from dicetrail.services.errors import Refused
from dicetrail.store import Database, NotFound, PackSource, RefusedRow
from dicetrail.store.columns import WrittenQuestions
from dicetrail.store.media import keep_medium
from dicetrail.store.packs import add_pack, keep_anew, newest_pack, newest_packs, pack_of

MAX_WAITING = 8
"""How many files wait at once; the oldest is forgotten when another comes."""
MAX_WAITING_BYTES = 128 * 1024 * 1024
"""The size of all of them together, in bytes."""
MAX_TAKEN = 2
"""How many are taken at once."""

LOOKED_AT = 5_000
"""The number of rows that a preview reads."""

Mended = dict[int, tuple[str, ...]]


class Stage(StrEnum):
    """The stage of a load."""

    WAITING = "waiting"
    READING = "reading"
    WRITING = "writing"
    DONE = "done"
    FAILED = "failed"


class Into(StrEnum):
    """The kind of target of the questions of a file."""

    NEW = "new"
    ADD = "add"
    REPLACE = "replace"


@dataclass(frozen=True, slots=True)
class Target:
    """The target of a load: a new pack with this title, or an existing pack."""

    into: Into = Into.NEW
    title: str = ""
    pack_id: str = ""


checked_strictly(Target)


@dataclass
class Load:
    """A file that is being loaded."""

    id: str
    file_name: str
    content: bytes
    plan: Plan
    media: dict[str, Medium] = field(default_factory=dict)
    """The pictures and sounds that came with it, by name."""
    mended: Mended = field(default_factory=dict)
    """Corrected rows, by their line in the file."""
    stage: Stage = Stage.WAITING
    rows_read: int = 0
    pack_id: str | None = None
    problem: Problem | None = None
    _is_given_up: threading.Event = field(default_factory=threading.Event)

    @property
    def rows_expected(self) -> int:
        """About how many rows there are: the lines, for text."""
        return max(1, self.content.count(b"\n"), self.content.count(b"\r"))

    @property
    def weight(self) -> int:
        """The bytes it takes in memory."""
        return len(self.content) + sum(len(held.content) for held in self.media.values())

    def give_up(self) -> None:
        """Stop as soon as possible, and keep nothing."""
        self._is_given_up.set()

    def change(self, plan: Plan, mended: Mended) -> None:
        """Read by another plan from now on, with further corrected rows.

        Rows corrected under another cut are dropped, because their fields have no meaning under the
        new one.
        """
        if _cut(plan) != _cut(self.plan):
            self.mended = {}
        self.plan, self.mended = plan, self.mended | mended

    def take(self, aside: Sandbox, database: Database, target: Target, clock: Clock) -> None:
        """Read the whole file and write its pack. Ends in DONE or FAILED; never raises."""
        try:
            known = {*self.media, *media_held(database, target)}
            reading: FileReading = aside.do(
                "take",
                *(self.content, self.plan, self.mended, known),
                told=self._told,
                is_given_up=self._is_given_up.is_set,
            )
            self._told(reading.rows)
            self.stage = Stage.WRITING
            if not reading.questions and not (reading.facts and reading.facts.rows):
                what = "a question" if reading.facts is None else "filled in"
                raise FileProblem("the file", f"no row of it is {what}", "look at its columns")
            # Written out beforehand, so that nobody waits for the store meanwhile.
            questions: tuple[Question, ...] = WrittenQuestions(reading.questions)
            with database.writing() as session:
                source = pack_source(self.file_name, reading)
                media = {name: held.digest for name, held in self.media.items()}
                for held in self.media.values():
                    keep_medium(session, held.digest, held.media_type, held.content)
                titles = {pack.title for pack in newest_packs(session)}
                title = target.title or told_apart(titles, self._title(reading))
                pack = Pack(title, questions, reading.facts)
                if target.into is Into.NEW:
                    self.pack_id = add_pack(session, pack, source, clock(), media=media).pack_id
                else:
                    old = newest_pack(session, target.pack_id)
                    pack = replace(pack, title=old.title)
                    if target.into is Into.ADD:
                        pack = joined(pack_of(session, old.pack_id, old.number), pack)
                    keep_anew(session, old, pack, clock(), source, media)
                    self.pack_id = old.pack_id
                self._told(reading.rows)
            self.stage = Stage.DONE
        except Exception as error:  # whatever it was, its maker is told, and nothing is left
            self.problem = _why(error)
            self.pack_id = None
            self.stage = Stage.FAILED

    def _title(self, reading: FileReading) -> str:
        """The title of its pack: from the name of its file, or from the beginning of a pasted
        text."""
        if self.file_name != PASTED:
            return title_from(self.file_name)
        if reading.facts is not None:
            return clipped_title(f"Facts: {', '.join(reading.facts.columns)}")
        return clipped_title(tidy(reading.questions[0].prompt))

    def _told(self, rows: int) -> None:
        self.rows_read = rows
        if self._is_given_up.is_set():
            raise GivenUp


def _why(error: Exception) -> Problem:
    match error:
        case FileProblem():
            return error.problem
        case GivenUp():
            return Problem("the file", "the load was given up", "load it again")
        case PackRefused():
            return error.problem
        case NotFound():
            return Problem("the file", str(error), "choose another pack, and load it again")
    what = f"it could not be kept ({type(error).__name__})"
    return Problem("the file", what, "load it again; nothing of it was kept")


class Loads:
    """The files that wait, and those that are being taken."""

    def __init__(self) -> None:
        self._loads: OrderedDict[str, Load] = OrderedDict()
        self._lock = threading.Lock()
        self._takers = ThreadPoolExecutor(MAX_TAKEN, thread_name_prefix="taking a file")

    def add(self, load: Load) -> None:
        """Hold a file. The oldest files are dropped if all together are too large."""
        with self._lock:
            self._loads[load.id] = load
            self._loads.move_to_end(load.id)
            while len(self._loads) > 1 and (
                len(self._loads) > MAX_WAITING
                or sum(held.weight for held in self._loads.values()) > MAX_WAITING_BYTES
            ):
                self._loads.popitem(last=False)[1].give_up()

    def take(
        self, load: Load, aside: Sandbox, database: Database, target: Target, clock: Clock
    ) -> None:
        """Begin to take a file. `Load.stage` tells its progress. Raises Refused if it was begun
        before."""
        if load.stage not in (Stage.WAITING, Stage.FAILED):
            raise Refused("This file is being taken already.")
        load.stage = Stage.READING
        self._takers.submit(load.take, aside, database, target, clock)

    def close(self) -> None:
        """Cancel all loads."""
        with self._lock:
            for load in self._loads.values():
                load.give_up()
        self._takers.shutdown(cancel_futures=True)

    def get(self, load_id: str) -> Load:
        """A file that is held. Raises NotFound."""
        with self._lock:
            load = self._loads.get(load_id)
        if load is None:
            raise NotFound("load", load_id)
        return load

    def forget(self, load_id: str) -> None:
        """Cancel a load and drop its file."""
        with self._lock:
            load = self._loads.pop(load_id, None)
        if load is not None:
            load.give_up()


def _cut(plan: Plan) -> tuple[str, ...]:
    """The part of a plan that decides how a file is cut into rows and fields."""
    return plan.format, plan.separator, plan.encoding, plan.sheet


def media_held(database: Database, target: Target) -> Collection[str]:
    """The names of the pictures and sounds a target has already. Raises NotFound."""
    if target.into is Into.NEW:
        return ()
    with database.reading() as session:
        return newest_pack(session, target.pack_id).media.keys()


def title_from(file_name: str) -> str:
    """A pack's first title, from its file's name: ``harvest-supper.tsv`` → Harvest supper."""
    words = tidy(file_name.rpartition(".")[0] or file_name).replace("-", " ").replace("_", " ")
    return words[:1].upper() + words[1:].strip() or "Questions"


PASTED = "pasted text"
"""The name of a text that was pasted."""
_LONGEST_TITLE = 60


def clipped_title(title: str) -> str:
    """The title, cut to a length that is read at a glance."""
    return title if len(title) <= _LONGEST_TITLE else f"{title[: _LONGEST_TITLE - 1].rstrip()}…"


def told_apart(taken: Collection[str], title: str) -> str:
    """The title, with a number if another pack on the shelf has the same title."""
    if title not in taken:
        return title
    return next(name for name in (f"{title} ({n})" for n in count(2)) if name not in taken)


def pack_source(file_name: str, reading: FileReading) -> PackSource:
    """How a file was read, as it is kept with its pack."""
    return PackSource(
        file_name=file_name,
        read_as=reading.plan.in_words,
        headings=reading.headings,
        blank_lines=reading.blank_lines,
        refused=tuple(
            RefusedRow(row.line, row.column, row.what, row.mend, row.text)
            for row in reading.refused
        ),
    )
