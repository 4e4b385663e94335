"""Players' runs: their sessions in memory, so that an answer costs one step and one row.

The inputs determine a run. Its latest session is cached, the least recently used is dropped first,
and a missing session is replayed from the store. The cache holds nothing that the store does not
have. `core/play/session.py` decides what is taken and when it counts from.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime, timedelta

from dicetrail.core import Action, GameProblems, Input, Moment, Phase, State
from dicetrail.core.play import (
    Session,
    check_seen,
    continued,
    new_session,
    now_at,
    taken,
    time_of_input,
)
from dicetrail.services.app_state import AppState
from dicetrail.services.cache import Cache
from dicetrail.services.runs import keep_result, time_of
from dicetrail.store import NotFound, Place, SavedRun
from dicetrail.store.runs import add_next_input, get_run, inputs_from, is_kept, runs_going_on

MAX_DELAY_MS = 300
"""The largest delay of the network, in milliseconds, that does not count as the player's time."""

LEFT_FOR = timedelta(days=2)
"""The server ends an open run whose time is over for this long after its beginning."""

PLAYED_FOR = timedelta(minutes=30)
"""A run without an input for this long counts as left."""

MAX_KNOWN, LONG, MAX_LONG = 2_000, 300, 50
"""This many runs are cached, and this many of those with more inputs than usual."""


@dataclass(frozen=True, slots=True)
class LiveRun:
    """A player's run, and its session after the inputs that are kept."""

    run: SavedRun
    session: Session


class LiveRuns:
    """The runs that players play."""

    def __init__(self, app_state: AppState) -> None:
        self._app_state = app_state
        self._known: Cache[str, LiveRun] = Cache(MAX_KNOWN)
        self._long: Cache[str, LiveRun] = Cache(MAX_LONG)
        self._shown: Cache[str, int] = Cache(10_000)
        """The run's time at which a player was last shown something new, by run."""

    def knows(self, run_id: str) -> bool:
        """Whether the session and the program of a run are cached and the run is short, so that its
        next input takes little time."""
        known = self._known.get(run_id)
        return known is not None and self._app_state.programs.is_ready(known.run)

    def newest(self, run_id: str) -> LiveRun:
        """A run after all its inputs in the store. Raises NotFound."""
        known = self._known_of(run_id)
        with self._app_state.database.reading() as session:
            if known is not None and not is_kept(session, run_id):
                self.forget([run_id])
                known = None
            if known is None:
                known = self.begun(get_run(session, run_id, Place.PLAY))
            rest = inputs_from(session, run_id, known.session.seen, known.session.state.at)
        if not rest:
            return known
        program = self._app_state.programs.program_of(known.run)
        return self._remembered(replace(known, session=continued(program, known.session, rest)))

    def forget(self, run_ids: Iterable[str]) -> None:
        """Drop the sessions of runs that were deleted."""
        for run_id in run_ids:
            for known in (self._known, self._long, self._shown):
                known.let_go(run_id)

    def begun(self, run: SavedRun) -> LiveRun:
        """A run before its first input."""
        program = self._app_state.programs.program_of(run)
        return self._remembered(LiveRun(run, new_session(program, run.dice, run.players, run.best)))

    def take(
        self, run_id: str, seen: int, action: Action, said: int | None, now: datetime
    ) -> tuple[LiveRun, Moment]:
        """Take the next input of a run by a player who has seen `seen` inputs. `said` is the time
        of the input by the player's page, in milliseconds of the run.

        Returns the run, and the moment that the input made, also of one that is not kept. Raises
        NotFound, StaleRun and RunIsFull.
        """
        known = self._known_of(run_id) or self.newest(run_id)
        if seen != known.session.seen:  # it may have gone on in another process
            known = self.newest(run_id)
        check_seen(known.session, seen)
        run, before = known.run, known.session
        shown = self._shown.get(run_id, 0)
        at = time_of_input(before, time_of(run, now), said, shown, MAX_DELAY_MS)
        given = Input(action, at)
        after, moment, is_input_kept = taken(
            self._app_state.programs.program_of(run), before, given
        )
        if not is_input_kept:
            return known, moment
        add_next_input(self._app_state.database, run_id, before.seen, given)
        return self._remembered(LiveRun(run, after)), moment

    def now(self, known: LiveRun, now: datetime, state: State | None = None) -> Moment:
        """A run at the present time. `state` is the state after an input that is not kept."""
        program = self._app_state.programs.program_of(known.run)
        return now_at(program, state or known.session.state, time_of(known.run, now))

    def showing(self, known: LiveRun, now: datetime, state: State | None = None) -> Moment:
        """The same, for a player. The time shown counts: an answer cannot claim to be earlier than
        it."""
        moment = self.now(known, now, state)
        if moment.footprints:
            self._shown[known.run.id] = moment.state.at
        return moment

    def end_those_left(self, now: datetime) -> int:
        """Keep the results of runs whose time ended without a request. Returns the number of
        them."""
        with self._app_state.database.reading() as session:
            left = runs_going_on(session, now - LEFT_FOR)
        ended = 0
        for run_id in left:
            try:
                known = self.newest(run_id)
            except (GameProblems, NotFound):  # refused by now, or unreadable: it stays as it is
                continue
            here = self.now(known, now).state
            if here.phase is Phase.ENDED and known.run.ended_at is None:
                keep_result(self._app_state, known.run, here, now)
                ended += 1
        return ended

    def _known_of(self, run_id: str) -> LiveRun | None:
        return self._long.get(run_id) or self._known.get(run_id)

    def _remembered(self, known: LiveRun) -> LiveRun:
        (self._known if known.session.seen <= LONG else self._long)[known.run.id] = known
        return known
