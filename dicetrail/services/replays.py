"""The moments of runs, and what runs show of their questions, each computed once."""

from collections.abc import Iterable, Sequence

from dicetrail.core import Input, Moment, Phase, State, Table, replay, table
from dicetrail.core.foresight import Playthrough, playthrough
from dicetrail.core.play import Media, go_on, now_at
from dicetrail.services.cache import Cache
from dicetrail.services.packs import Packs
from dicetrail.services.programs import Programs
from dicetrail.store import SavedRun
from dicetrail.store.runs import inputs_of

MAX_KNOWN = 400
"""Longer runs are replayed each time, so that the cache stays small."""


class Replays:
    """The runs of a store, replayed from their inputs."""

    def __init__(self, programs: Programs, packs: Packs) -> None:
        self._programs = programs
        self._packs = packs
        self._known: Cache[str, tuple[Moment, ...]] = Cache(300)
        self._shown: Cache[str, tuple[int, Playthrough]] = Cache(2_000)

    def moments(self, run: SavedRun) -> tuple[Moment, ...]:
        """Every moment of a run so far. A cached beginning is continued."""
        inputs = inputs_of(run)
        known = self._known.get(run.id)
        if known is None or len(known) > len(inputs) + 1:
            moments = self.replayed(run, inputs)
        else:
            rest = inputs[len(known) - 1 :]
            moments = (*known, *go_on(self._programs.program_of(run), known[-1], rest))
        if len(moments) <= MAX_KNOWN:
            self._known[run.id] = moments
        return moments

    def forget(self, run_ids: Iterable[str]) -> None:
        """Drop the moments of runs that were deleted."""
        for run_id in run_ids:
            self._known.let_go(run_id)
            self._shown.let_go(run_id)

    def whole(self, run: SavedRun) -> tuple[Moment, ...]:
        """The moments of a run. A player's run also has the moments that its clocks brought after
        the last input."""
        moments = self.moments(run)
        last = moments[-1].state
        if run.length_ms is None or last.phase is Phase.ENDED:
            return moments
        return (*moments, now_at(self._programs.program_of(run), last, run.length_ms))

    def shown(self, run: SavedRun) -> Playthrough:
        """What a run shows of its questions. Raises GameProblems."""
        if run.seen is not None:
            return run.seen
        inputs = inputs_of(run)
        known = self._shown.get(run.id)
        if known is None or known[0] != len(inputs):
            found = playthrough(self._programs.program_of(run), self.whole(run), inputs)
            known = self._shown[run.id] = (len(inputs), found)
        return known[1]

    def replayed(self, run: SavedRun, inputs: Sequence[Input]) -> tuple[Moment, ...]:
        """Every moment of a run with these inputs. Raises TimeRanBackwards."""
        return replay(self._programs.program_of(run), run.dice, run.players, inputs, best=run.best)

    def table_of(self, run: SavedRun, state: State) -> Table:
        """The view of a run's player at a state."""
        return table(self._programs.program_of(run), state, self.media_of(run))

    def media_of(self, run: SavedRun) -> Media:
        """Where the pictures and sounds of a run's packs are found."""
        packs = run.pack_revisions.items()
        return {name: self._packs.media(name, number) for name, number in packs}
