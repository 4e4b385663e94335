"""Cache the state of players' runs, so that an answer costs one step and one row.

The inputs determine a run. Its latest state is cached, the least recently used is dropped first,
and a missing state is replayed from the store. The cache holds nothing that the store does not
have.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import timedelta

from starlette.exceptions import HTTPException

from dicetrail.core import Answer, Input, Moment, State, start, step
from dicetrail.core.play import Answered, Result, answered, brings_nothing
from dicetrail.store import Place
from dicetrail.store.models import RunRow
from dicetrail.store.runs import add_next_input, get_run, inputs_from, is_kept
from dicetrail.web.app_state import AppState
from dicetrail.web.cache import Cache

MAX_INPUTS = 5_000
"""A player's run takes at most this many inputs; the longest games need a few hundred."""

MAX_TEXT = 100_000
"""So many characters of answers are kept of one run, at most."""

MAX_UNREAD, LONGEST_UNREAD = 20, 200
"""So many unreadable answers in a row are kept, and none of more characters. Others are told to
the player and forgotten: they change nothing."""

PLAYED_FOR = timedelta(minutes=30)
"""A run in which nothing was done for so long was left."""

MAX_KNOWN, LONG, MAX_LONG = 2_000, 300, 50
"""So many runs are known, and so many of those with more inputs than are usual."""


@dataclass(frozen=True, slots=True)
class LiveRun:
    """A player's run after the inputs that are kept of it."""

    run: RunRow
    seen: int
    state: State
    answered: tuple[Answered, ...] = ()
    text: int = 0
    """The characters of all its answers."""
    unread: int = 0
    """How many unreadable answers came last."""


class LiveRuns:
    """Where players' runs stand."""

    def __init__(self, app_state: AppState) -> None:
        self._app_state = app_state
        self._known: Cache[str, LiveRun] = Cache(MAX_KNOWN)
        self._long: Cache[str, LiveRun] = Cache(MAX_LONG)
        self.shown: Cache[str, int] = Cache(10_000)
        """The run's time at which a player was last shown something new, by run."""

    def knows(self, run_id: str) -> bool:
        """Whether a run is known, and short, and its program too, so that its next input is taken
        at once."""
        known = self._known.get(run_id)
        return known is not None and self._app_state.is_ready(known.run)

    def known(self, run_id: str) -> LiveRun:
        """Where a run was last known to stand; it may have gone on. Raises NotFound."""
        return self._long.get(run_id) or self._known.get(run_id) or self.newest(run_id)

    def newest(self, run_id: str) -> LiveRun:
        """Where a run stands by all that is kept of it. Raises NotFound."""
        known = self._long.get(run_id) or self._known.get(run_id)
        with self._app_state.database.reading() as session:
            if known is not None and not is_kept(session, run_id):
                self.forget([run_id])
                known = None
            if known is None:
                known = self.begun(get_run(session, run_id, Place.PLAY))
            rest = inputs_from(session, run_id, known.seen, known.state.at)
        return self._remembered(self._after(known, rest)) if rest else known

    def forget(self, run_ids: Iterable[str]) -> None:
        """Know nothing more of runs that were deleted."""
        for run_id in run_ids:
            for known in (self._known, self._long, self.shown):
                known.let_go(run_id)

    def begun(self, run: RunRow) -> LiveRun:
        """Where a run stands before its first input."""
        first = start(self._app_state.program_of(run), run.dice, run.players, best=run.best)
        return self._remembered(LiveRun(run, 0, first.state))

    def take(self, known: LiveRun, given: Input) -> tuple[LiveRun, Moment]:
        """Keep the next input of a run, and the moment it makes.

        One that is refused, an unreadable answer too many, or time that brings nothing makes a
        moment and is not kept. Raises StaleRun if the run has gone on meanwhile.
        """
        moment = step(self._app_state.program_of(known.run), known.state, given.action, given.at)
        after = _with(known, given, moment)
        if _is_idle(after, given, moment):
            return known, moment
        if after.seen > MAX_INPUTS or after.text > MAX_TEXT:
            raise HTTPException(409, "This run has taken all that a run can. Begin a new one.")
        add_next_input(self._app_state.database, known.run.id, known.seen, given)
        return self._remembered(after), moment

    def _after(self, known: LiveRun, inputs: Iterable[Input]) -> LiveRun:
        program = self._app_state.program_of(known.run)
        for given in inputs:
            known = _with(known, given, step(program, known.state, given.action, given.at))
        return known

    def _remembered(self, known: LiveRun) -> LiveRun:
        (self._known if known.seen <= LONG else self._long)[known.run.id] = known
        return known


def _with(known: LiveRun, given: Input, moment: Moment) -> LiveRun:
    is_unread = moment.state.question.result is Result.UNREADABLE and isinstance(
        given.action, Answer
    )
    return replace(
        known,
        seen=known.seen + 1,
        state=moment.state,
        answered=known.answered + answered((moment,)),
        text=known.text + _length(given),
        unread=known.unread + 1 if is_unread else 0,
    )


def _is_idle(after: LiveRun, given: Input, moment: Moment) -> bool:
    """Whether the run stands as well without an input."""
    if brings_nothing(given.action, moment):
        return True
    return after.unread > MAX_UNREAD or (after.unread > 0 and _length(given) > LONGEST_UNREAD)


def _length(given: Input) -> int:
    return len(str(given.action.value)) if isinstance(given.action, Answer) else 0
