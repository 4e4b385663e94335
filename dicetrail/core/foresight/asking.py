"""Every outcome of one question, with its probability and its duration.

All tries at it are followed at once: equal tallies after as many tries are one. Where only the
question's end matters, times are summed up as a `TimedSpan` and cost nothing. Where several answers
share a countdown, or the round or the game has one, each mass of players is spread over the
points of a grid of time instead.
"""

from collections import defaultdict
from collections.abc import Callable, Iterable, Iterator, Sequence
from itertools import pairwise
from typing import NamedTuple

from dicetrail.core.document import Round, Way
from dicetrail.core.draw import AskedTraits
from dicetrail.core.foresight.scouts import Picks, Scout
from dicetrail.core.foresight.times import Times, effort, together
from dicetrail.core.play import Program, cues_heard, hold_for
from dicetrail.core.rules import (
    CLOCK_FACTS,
    Branch,
    ClockReading,
    Falls,
    Happening,
    Outcome,
    Progress,
    QuestionOutcome,
    Tally,
    branches,
    clock_readings,
    question_outcome,
    read_clock,
)

LEAST_MASS = 1e-12
"""A remaining share of players below this counts as none."""

MAX_TRIES = 20_000

LEAST_SHARE = 1e-18
"""Shares below this are dropped; their sum is negligible."""


class CannotForecast(Exception):
    """The game cannot be followed exactly; the text says why."""


class QuestionClass(NamedTuple):
    """A question as far as rules and scouts can tell it from others."""

    traits: AskedTraits
    picks: Picks
    own: tuple[int | None, ...] = ()
    """How often each scout is right at it, where that is its own way."""


class Band(NamedTuple):
    """A period in which the clock reads the same, and the answers given in it."""

    start: int
    end: int
    """Milliseconds."""
    share: float
    mean_ms: float
    reading: ClockReading


class ClockReadings:
    """Clock readings at the times of answers, computed once for each clock."""

    def __init__(self, reads: frozenset[str]) -> None:
        self.reads = reads & CLOCK_FACTS
        self._bands: dict[tuple[Times, int], list[Band]] = {}
        self._kernels: dict[tuple[Times, int, int], list[float]] = {}

    def reading(self, clock_ms: int, used: int) -> ClockReading:
        """The values that rules can read from a clock after `used` milliseconds."""
        return read_clock(self.reads, clock_ms, used)

    def bands(self, law: Times, clock_ms: int) -> list[Band]:
        """The answers that come in time, by what the clock says."""
        key = (law, clock_ms)
        if key not in self._bands:
            points = [point for point, _ in clock_readings(self.reads, clock_ms)]
            self._bands[key] = list(self._made(law, clock_ms, [*points, clock_ms]))
        return self._bands[key]

    def _made(self, law: Times, clock_ms: int, points: Sequence[int]) -> Iterator[Band]:
        for start, end in pairwise(points):
            # Times are whole milliseconds, so each reading has those that it covers.
            share = law.by(end - 0.5) - (law.by(start - 0.5) if start else 0.0)
            if share > 0:
                mean = law.within(start, end).mean
                yield Band(start, end, share, mean, self.reading(clock_ms, start))

    def kernel(self, law: Times, step_ms: int, most: int) -> list[float]:
        """Answer times on a grid."""
        key = (law, step_ms, most)
        if key not in self._kernels:
            self._kernels[key] = law.on_grid(step_ms, most)
        return self._kernels[key]


class TimedSpan(NamedTuple):
    """How long a question took."""

    fixed_ms: int = 0
    """Holds, and a clock that ran out."""
    answers: int = 0
    letters: int = 0
    band: Band | None = None
    """In which one more answer came."""
    grid: tuple[float, ...] = ()
    """The probability of each number of further steps of the grid, from 0."""

    def held(self, ms: int) -> "TimedSpan":
        """The same duration plus a hold."""
        return TimedSpan(self.fixed_ms + ms, *self[1:]) if ms else self


class Lap(NamedTuple):
    """One way a question can go."""

    share: float
    came: QuestionOutcome
    timed_span: TimedSpan


class Stands(NamedTuple):
    """A tally with which the question still waits for an answer, by the steps it has waited."""

    tally: Tally
    shares: list[float]


class OutcomeDistribution(NamedTuple):
    """Everything that can come of a question."""

    distribution: tuple[Lap, ...]
    stands: tuple[Stands, ...]
    """With a countdown of the round or the game: what it finds if it ends meanwhile."""
    routes: tuple[tuple[QuestionOutcome, float], ...]
    """What can come of it, with how likely each is, whatever its time."""
    mean_ms: float
    """How long it takes, on average."""
    times: Times
    """How long the player's answers take,"""
    letters: Times
    """and the letters."""
    step_ms: int
    """A step of the grid."""


class Who(NamedTuple):
    """Who is asked."""

    scout: Scout
    number: int = 0
    """Their turn, from 0."""


class Grid(NamedTuple):
    """A grid of time."""

    step_ms: int
    points: int
    """How many steps the countdown of round or game takes; 0 without one."""


class _PendingQuestion(NamedTuple):
    """A question in play: what was counted, how far it is, and what it has taken so far."""

    tally: Tally
    progress: Progress = Progress()
    timed_span: TimedSpan = TimedSpan()


Mass = float | list[float]
"""How many players; on a grid by the steps since the question was put, or its clock began."""


class Asking:
    """One question put to one player."""

    def __init__(
        self,
        program: Program,
        falls: Falls,
        merged: Callable[[Tally], Tally],
        follow: Callable[[int], None],
        who: Who,
        asked: QuestionClass,
        base: Outcome,
        grid: Grid | None,
        clocks: ClockReadings,
    ) -> None:
        self.clocks, self.follow = clocks, follow
        self.program, self.rules = program, program.rules
        self.falls, self.merged = falls, merged
        self.scout, self.asked, self.base = who.scout, asked, base
        self.answers, self.letters = who.scout.answers, who.scout.letters
        self.means = (self.answers.mean, self.letters.mean)
        self.chances: dict[tuple[int, bool], tuple[tuple[Happening, int, float], ...]] = {}
        self.own = asked.own[who.number] if asked.own else None
        self.round: Round = program.game.rounds[base.round]
        cues = program.game.cues
        self.has_holds = any(cue.until_continue or cue.hold_ms is not None for cue in cues)
        self.is_word = asked.traits.letters > 0
        self.terms = asked.traits.terms
        self.clock_ms = base.seconds_allowed * 1000
        self.grid = grid
        self.ways = 1
        """The cost of one outcome, in followed ways: on a grid a mass is a list."""
        if grid is not None:
            clock = self.clock_ms // grid.step_ms
            self.ways += (min(clock, grid.points) if clock and grid.points else clock) // 20
        self.reads = clocks.reads
        self.found: defaultdict[tuple[QuestionOutcome, TimedSpan], list[Mass]] = defaultdict(list)
        self.stands: defaultdict[Tally, list[list[float]]] = defaultdict(list)

    def all(self, tally: Tally) -> OutcomeDistribution:
        """Everything that can come of it, from the moment it is put to a player with a tally."""
        self.found.clear()
        self.stands.clear()
        now = self._hinted(self._presented(tally))
        for _ in range(MAX_TRIES):
            if not now:
                break
            after: dict[_PendingQuestion, Mass] = {}
            for standing, mass in now.items():
                self._try(standing, mass, after)
            now = {one: mass for one, mass in after.items() if total(mass) > LEAST_SHARE}
        else:
            raise CannotForecast("some would try the same question for ever")
        return self._laid_out()

    def _laid_out(self) -> OutcomeDistribution:
        self.follow(self.ways * len(self.found))
        stands = (Stands(tally, added(shares)) for tally, shares in self.stands.items())
        distribution, routes, mean = tuple(self._laps()), dict[QuestionOutcome, float](), 0.0
        for share, came, timed_span in distribution:
            routes[came] = routes.get(came, 0.0) + share
            mean += share * self._mean_of(timed_span)
        step_ms = 0 if self.grid is None else self.grid.step_ms
        return OutcomeDistribution(
            distribution,
            tuple(stands),
            tuple(routes.items()),
            mean,
            self.answers,
            self.letters,
            step_ms,
        )

    def _mean_of(self, timed_span: TimedSpan) -> float:
        """How long a spell is, on average."""
        mean = float(timed_span.fixed_ms)
        if timed_span.answers:
            mean += timed_span.answers * self.means[0]
        if timed_span.letters:
            mean += timed_span.letters * self.means[1]
        if timed_span.band is not None:
            mean += timed_span.band.mean_ms
        if timed_span.grid:
            assert self.grid is not None
            mean += self.grid.step_ms * sum(at * share for at, share in enumerate(timed_span.grid))
        return mean

    def _presented(self, tally: Tally) -> dict[_PendingQuestion, Mass]:
        """What stands once the rules have run for the question that is put."""
        now: dict[_PendingQuestion, Mass] = {}
        if self.rules.is_put_idly:
            now[_PendingQuestion(tally)] = self._whole(1.0)
            return now
        for share, settled in self.falls(tally, self.base):
            merged = self.merged(settled.tally)
            if settled.ending is not None:
                self.found[question_outcome(settled, merged), TimedSpan()].append(
                    self._whole(share)
                )
            else:
                self._enter(now, _PendingQuestion(merged), self._whole(share))
        return now

    def _whole(self, share: float) -> Mass:
        return share if self.grid is None else [share]

    def _enter(
        self, now: dict[_PendingQuestion, Mass], standing: _PendingQuestion, mass: Mass
    ) -> None:
        here = now.get(standing)
        now[standing] = mass if here is None else plus(here, mass)

    def _hinted(self, now: dict[_PendingQuestion, Mass]) -> dict[_PendingQuestion, Mass]:
        """Those who take the hint, and those who do not."""
        share = self.scout.hints / 100 if self.terms.has_hint else 0.0
        if not share:
            return now
        after: dict[_PendingQuestion, Mass] = {}
        for standing, mass in now.items():
            if share < 1:
                self._enter(after, standing, _scaled(mass, 1 - share))
            self._comes(standing, _scaled(mass, share), Happening.HINT, self._reading(0), after)
        return after

    def _try(
        self, standing: _PendingQuestion, mass: Mass, after: dict[_PendingQuestion, Mass]
    ) -> None:
        """What comes of the next try of those who stand so."""
        passes = self.scout.passes / 100 if self.terms.can_pass else 0.0
        if passes:
            for part, reading in self._read(_scaled(mass, passes), is_closed=True):
                self._comes(standing, part, Happening.PASSED, reading, after)
            mass = _scaled(mass, 1 - passes)
        in_time, late = self._answered(standing, mass)
        chances = self._chances(standing.progress)
        for timed_span, part, reading in in_time:
            now = standing._replace(timed_span=timed_span)
            for happening, share, chance in chances:
                if chance > 0:
                    self._comes(now, _scaled(part, chance), happening, reading, after, share)
        if late is not None:
            timed_span, part = late
            reading = ClockReading(seconds_used=self.base.seconds_allowed)
            now = standing._replace(timed_span=timed_span)
            self._comes(now, part, Happening.LATE, reading, after)

    def _chances(self, progress: Progress) -> tuple[tuple[Happening, int, float], ...]:
        """Each answer that can come next, with its share if it is partly right, and how likely it
        is."""
        tried, _, is_hinted = progress
        key = (tried, is_hinted)
        if key not in self.chances:
            asked = self.asked
            right = self.scout.chance(asked.traits.level, asked.picks, tried, is_hinted, self.own)
            close = self.scout.close / 100 if self.terms.can_be_close else 0.0
            self.chances[key] = (
                ((Happening.HIT, 0, right), (Happening.MISS, 0, 1 - right))
                if self.is_word
                else (
                    (Happening.RIGHT, 0, right * (1 - close)),
                    (Happening.CLOSE, 0, right * close),
                    *self._missed(1 - right),
                )
            )
        return self.chances[key]

    def _missed(self, missed: float) -> Iterator[tuple[Happening, int, float]]:
        """The answers that are not right: partly right, by their shares, and wrong."""
        wrong, picks = 1.0, self.asked.picks
        for share, chance in self.scout.chances_of_shares(self.terms, picks, self.own):
            wrong -= chance
            yield Happening.PARTLY, share, missed * chance
        if self.terms.can_be_wrong:
            yield Happening.WRONG, 0, missed * wrong

    def _comes(
        self,
        standing: _PendingQuestion,
        mass: Mass,
        happening: Happening,
        reading: ClockReading,
        after: dict[_PendingQuestion, Mass],
        share: int = 0,
    ) -> None:
        """What something that happens leads to: the question is done with, or stands on. `share` is
        that of a partly right answer."""
        self.follow(self.ways)
        tally, progress, timed_span = standing
        for branch in branches(
            self.falls, self.base, self.terms, tally, progress, happening, reading, share
        ):
            if branch.letter is not None:
                self.follow(self.ways)  # the letter and the word are two outcomes
            part, merged = _scaled(mass, branch.share), self.merged(branch.settled.tally)
            lasted = timed_span.held(self._held(tally, branch, happening))
            if branch.is_over:
                self.found[question_outcome(branch.settled, merged), lasted].append(part)
            else:
                self._enter(after, _PendingQuestion(merged, branch.progress, lasted), part)

    def _held(self, before: Tally, branch: Branch, happening: Happening) -> int:
        """How long the feedback is shown."""
        is_over = branch.is_over
        if not (is_over or happening in (Happening.PARTLY, Happening.WRONG)):
            return 0  # hints and letters are told while the question stands
        way = branch.settled.way or (Way() if is_over else None)
        cues = cues_heard(self.program, before, happening, branch) if self.has_holds else ()
        hold = hold_for(self.round, cues, way)
        return self.scout.goes_on_ms if hold is None else hold

    @property
    def _law(self) -> Times:
        return self.letters if self.is_word else self.answers

    def _answered(
        self, standing: _PendingQuestion, mass: Mass
    ) -> tuple[list[tuple[TimedSpan, Mass, ClockReading]], tuple[TimedSpan, Mass] | None]:
        """When the next answer comes, and what the clock says then; and how many are too late."""
        if isinstance(mass, list):
            return self._on_grid(standing, mass)
        timed_span = standing.timed_span
        if not self.clock_ms:
            if self.is_word:
                return [
                    (timed_span._replace(letters=timed_span.letters + 1), mass, ClockReading())
                ], None
            return [
                (timed_span._replace(answers=timed_span.answers + 1), mass, ClockReading())
            ], None
        found: list[tuple[TimedSpan, Mass, ClockReading]] = [
            (TimedSpan(*timed_span[:3], band), mass * band.share, band.reading)
            for band in self.clocks.bands(self._law, self.clock_ms)
        ]
        missed = 1 - self._law.by(self.clock_ms - 0.5)
        late = (timed_span._replace(fixed_ms=timed_span.fixed_ms + self.clock_ms), mass * missed)
        return found, late if missed > 0 else None

    def _reading(self, used: int) -> ClockReading:
        return self.clocks.reading(self.clock_ms, used)

    def _on_grid(
        self, standing: _PendingQuestion, mass: list[float]
    ) -> tuple[list[tuple[TimedSpan, Mass, ClockReading]], tuple[TimedSpan, Mass] | None]:
        grid = self.grid
        assert grid is not None
        clock = self.clock_ms // grid.step_ms
        most = min(clock, grid.points) if clock and grid.points else clock or grid.points
        kernel = self.clocks.kernel(self._law, grid.step_ms, most)
        self.follow(1 + effort(len(mass), most) * (2 if grid.points else 1))
        came = together(mass, kernel, most + 1)
        if grid.points:
            self._wait(standing, mass, kernel, most)
        late: list[float] = []
        if clock == most:
            # Of those who come at the very point of the deadline one half is in time.
            if len(came) > most:
                came[most] /= 2
            late = [0.0] * clock + [sum(mass) - sum(came)]
        timed_span = standing.timed_span
        read = [(timed_span, part, reading) for part, reading in self._read(came)]
        return read, (timed_span, late) if late and late[clock] > LEAST_SHARE else None

    def _wait(
        self, standing: _PendingQuestion, mass: list[float], kernel: list[float], most: int
    ) -> None:
        """Note those who still stand so, by the steps since the question was put."""
        still, left = [], 1.0
        for share in kernel:
            still.append(max(0.0, left - share / 2))
            left -= share
        waiting = together(mass, still, most + 1)
        self.stands[standing.tally].append(waiting)

    def _read(self, mass: Mass, is_closed: bool = False) -> Iterable[tuple[Mass, ClockReading]]:
        """A mass by what the clock says, as far as rules read it."""
        reads = self.reads & {"seconds_used"} if is_closed else self.reads
        if isinstance(mass, float) or not reads:
            yield mass, ClockReading()
            return
        assert self.grid is not None
        found: defaultdict[ClockReading, list[float]] = defaultdict(lambda: [0.0] * len(mass))
        for place, share in enumerate(mass):
            used = place * self.grid.step_ms
            # Between two readings one half has either.
            for near in (max(0, used - 1), used + 1 if place else used):
                reading = self._reading(min(near, self.clock_ms - 1) if self.clock_ms else near)
                found[reading._replace(seconds_left=0, percent_left=0) if is_closed else reading][
                    place
                ] += share / 2
        yield from ((part, reading) for reading, part in found.items())

    def _laps(self) -> Iterator[Lap]:
        for (came, timed_span), masses in self.found.items():
            if self.grid is None:
                share = sum(mass for mass in masses if isinstance(mass, float))
                yield Lap(share, came, timed_span)
                continue
            shares = added([mass for mass in masses if isinstance(mass, list)])
            share = sum(shares)
            if share > LEAST_SHARE:
                # Rounded, so that right and wrong answers that come alike are seen to.
                grid = tuple(round(one / share, 14) for one in shares)
                yield Lap(share, came, timed_span._replace(grid=grid))


def total(mass: Mass) -> float:
    """How many players a mass is."""
    return mass if isinstance(mass, float) else sum(mass)


def _scaled(mass: Mass, share: float) -> Mass:
    return mass * share if isinstance(mass, float) else [one * share for one in mass]


def plus(mass: Mass, other: Mass) -> Mass:
    """Two masses of one kind together."""
    if isinstance(mass, float) or isinstance(other, float):
        assert isinstance(mass, float)
        assert isinstance(other, float)
        return mass + other
    return added([mass, other])


def added(masses: Sequence[Sequence[float]]) -> list[float]:
    """Masses on a grid, point by point."""
    found = [0.0] * max(map(len, masses), default=0)
    for mass in masses:
        for place, share in enumerate(mass):
            found[place] += share
    return found
