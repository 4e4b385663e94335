"""Follow every way a game can go, with its probability.

A question is put to all tallies at once: each mass of players divides among the outcomes, and
tallies that rules cannot tell apart merge again. `course` decides where a run goes, `question` what
can happen to a question, and `settle` what an outcome counts. While a countdown of the round or the
game runs, each mass is spread over a grid of time. A game that cannot be followed this way raises
`CannotForecast`.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace
from itertools import pairwise
from math import ceil, log, prod
from typing import NamedTuple

from dicetrail.core.document import (
    BLANK,
    TRUTHS,
    DrawOrder,
    Kind,
    Made,
    Occasion,
    Question,
    Refill,
    Round,
    RoundOrder,
    Sums,
)
from dicetrail.core.draw import (
    AskedTraits,
    Drawing,
    Pool,
    Sourced,
    Traits,
    asked_in,
    count_of,
    drawing_of,
    fewest_choices,
    how_many_shown,
    length_of,
    rows_leave,
    traits_of,
)
from dicetrail.core.foresight.asking import (
    LEAST_MASS,
    LEAST_SHARE,
    Asking,
    CannotForecast,
    ClockReadings,
    Grid,
    Mass,
    OutcomeDistribution,
    QuestionClass,
    Who,
    plus,
    total,
)
from dicetrail.core.foresight.scouts import WITHOUT_CHOICES, Habit, Picks, Scout, picks_of
from dicetrail.core.foresight.times import effort, together
from dicetrail.core.play import Program, slipped
from dicetrail.core.rules import (
    Asks,
    Chooses,
    Enters,
    Outcome,
    Over,
    QuestionOutcome,
    RoundEnds,
    Settled,
    Step,
    Tallies,
    Tally,
    TooManySides,
    Where,
    before_asking,
    begun,
    every_fall,
    followed,
    question_left,
    settle,
    time_ends,
)

MAX_SETTLED = 400_000
"""After this many settled outcomes the game counts as too wide."""

MAX_FOLLOWED = 400_000
"""At most this many ways are followed, each of about 10 microseconds on a machine of 2024. On a
grid of time a way counts once for each point."""

UNFORESEEN = 5
"""The divisor of that limit while ways multiply and the number of questions is unknown."""

ONE_QUESTION = 20
"""The divisor of that limit for one question to one player, because others follow."""

MAX_PRESENTED = 2_000
"""At most this many questions in a row are followed."""

LEAST_TALLIES = 8
"""The estimated minimum of tallies for each possible rest of a pool."""

FINEST_MS = 50
MAX_POINTS = 120
"""The finest step is used only for grids of at most this many points."""


class Point(NamedTuple):
    """Where a mass of players stands before a question is put."""

    where: Where
    tallies: Tallies
    used: tuple[int, ...] = ()
    """How many questions of each kind the round has asked."""
    again: int | None = None
    """The kind of the question that is asked again."""
    is_fresh: bool = False
    """Whether the round has just been entered."""


Reached = Point | Over


def tally_of(point: Point) -> Tally:
    """The tally of the player who is asked."""
    return point.tallies[point.where.turn]


class ExactResult(NamedTuple):
    """The result: every end with its share, and the share still playing after each question."""

    ends: dict[Over, float]
    ended_at: list[float]
    """The share of runs that end with each question put, from none on."""
    left: float
    """The share that was left playing."""
    mean_ms: float
    """How long a run is, on average."""


class ExactForecast:
    """One program, and a scout for each player; `coarser` makes the steps of grids longer."""

    def __init__(
        self,
        program: Program,
        scouts: Sequence[Scout],
        coarser: int = 1,
        most_followed: int = MAX_FOLLOWED,
    ) -> None:
        self.most_followed = most_followed
        self.program, self.scouts, self.rules = program, scouts, program.rules
        self.game = program.game
        self._settled = self._followed = 0
        self._rolls = self.rules.script.rolls
        # Players of one kind do alike; kinds are told apart by their first player.
        self._who = [scouts.index(scout) for scout in scouts]
        self._ways: dict[tuple[object, ...], Step] = {}
        self.distribution: dict[tuple[object, ...], OutcomeDistribution] = {}
        self._askings: dict[tuple[object, ...], Asking] = {}
        self.clocks = ClockReadings(self.rules.reads)
        _refuse(program)
        held = [cue for cue in self.game.cues if cue.hold_ms is not None or cue.until_continue]
        self._guesses = any(scout.guesses for scout in scouts)
        self._minds_streaks = any(Occasion.STREAK in cue.on for cue in held)
        self._minds_slips = "verdict" in self.rules.reads or any(
            (Occasion.CLOSE in cue.on) != (Occasion.RIGHT in cue.on) for cue in held
        )
        self.rounds = [self._drawing(number) for number in range(len(self.game.rounds))]
        self.step_ms = self._step() * coarser
        self._until, self._begun = self.most_followed, 0
        self.put_share = 1.0
        """The share of this question, and of all to come, that was followed, about."""

    def _step(self) -> int:
        """The steps of the grids, in milliseconds: a part of a second."""
        clocks = [round_.seconds or 0 for round_ in self.game.rounds]
        clocks.append(self.game.seconds or 0)
        clocks += [kind.traits.seconds for drawing in self.rounds for kind in drawing.kinds]
        longest = max(clocks) * 1000
        fits = (step for step in (FINEST_MS, 100, 125, 250, 500) if longest / step <= MAX_POINTS)
        return next(fits, 500)

    @property
    def is_on_grid(self) -> bool:
        """Whether any times were followed on a grid."""
        return any(
            len(lap.timed_span.grid) > 1
            for distribution in self.distribution.values()
            for lap in distribution.distribution
        )

    @property
    def has_countdown(self) -> bool:
        """Whether the game or a round has a clock."""
        return any(map(self.points_of, range(len(self.game.rounds))))

    def weigh(self) -> ExactResult:
        """Follow everything. Raises CannotForecast if that is too much."""
        return _ForecastWalk(self).weigh()

    def anew(self) -> "ExactForecast":
        """Set the counters back to 0, to follow the game once more. Computed distributions are
        kept."""
        self._settled = self._followed = 0
        self._until = self.most_followed
        return self

    def merged(self, tally: Tally) -> Tally:
        """The tally without the values that no rule, and no cue that holds the run, can read."""
        merged = self.rules.merged(tally)
        return merged._replace(streak=tally.streak) if self._minds_streaks else merged

    def falls(self, tally: Tally, outcome: Outcome) -> Iterable[tuple[float, Settled]]:
        """What an outcome leads to, with the chance of each way dice in the script can fall."""
        if self._rolls:
            return self._fallen(tally, outcome)
        self._count()
        return ((1.0, settle(self.rules, tally, outcome)),)

    def _fallen(self, tally: Tally, outcome: Outcome) -> Iterator[tuple[float, Settled]]:
        try:
            for share, settled in every_fall(self.rules, tally, outcome, MAX_SETTLED):
                self._count()
                yield share, settled
        except TooManySides as found:
            raise CannotForecast(f"its rules roll {found}") from None

    def falls_for_all(self, tally: Tally, outcome: Outcome) -> Iterator[tuple[float, Settled]]:
        """The same for what happens to everybody, the tallies merged."""
        for share, settled in self.falls(tally, outcome):
            yield share, settled._replace(tally=self.merged(settled.tally))

    def _count(self) -> None:
        self._settled += 1
        if self._settled > MAX_SETTLED:
            raise CannotForecast("it has too many ways to go")

    @property
    def spent(self) -> tuple[float, float]:
        """What was followed and settled so far, as shares of what there is."""
        return self._followed / self.most_followed, self._settled / MAX_SETTLED

    def most_presented(self) -> int:
        """How many questions a run that goes its whole length is put, about where a countdown
        ends it; 0 where none can say."""
        lengths = [self._most_put_in(number) for number in range(len(self.rounds))]
        if self.game.seconds is not None:
            return min([self._most_within(self.game.seconds), *filter(None, lengths)])
        is_one = self.game.opening.rounds is RoundOrder.CHOOSE_ONE
        return min(lengths) if is_one or 0 in lengths else sum(lengths)

    def _most_put_in(self, number: int) -> int:
        """How many questions a round puts; 0 where none can say."""
        length = self._length(Where(len(self.scouts), round=number)) or 0
        seconds = self.game.rounds[number].seconds
        if seconds is None:
            return length
        within = self._most_within(seconds)
        return min(length, within) if length else within

    def _most_within(self, seconds: int) -> int:
        """About how many answers the quickest gives in such a time; a few more than on average."""
        quickest = min(scout.answers.mean for scout in self.scouts)
        return ceil(_FEW_MORE * 1000 * seconds / quickest)

    def limit(self, is_extrapolated: bool) -> None:
        """Let no more be followed than the whole, or the part for what cannot be foreseen."""
        self._until = self.most_followed // (1 if is_extrapolated else UNFORESEEN)

    def begin_question(self) -> None:
        """Note that the next question is put: what is followed from now on is for it."""
        self._begun = self._followed

    def follow(self, ways: int = 1) -> None:
        """Count the ways that were followed."""
        self._followed += ways
        if self._followed > self._until:
            raise CannotForecast("it has too many ways to go")

    def points_of(self, number: int) -> int:
        """How many steps the countdown takes that can end a round; 0 without one."""
        seconds = self.game.seconds or self.game.rounds[number].seconds or 0
        return seconds * 1000 // self.step_ms

    def distribution_of(self, point: Point, kind: int) -> OutcomeDistribution:
        """What can come of a question that is put."""
        where = point.where
        reads = self.rules.reads
        position = where.position if "number" in reads else 0
        turn = where.turn if "player_number" in reads else 0
        tally, is_again = tally_of(point), point.again is not None
        key = (where.round, position, turn, self._who[where.turn], kind, is_again)
        distribution = self.distribution.get((key, tally))
        if distribution is None:
            asking = self._askings.get(key)
            if asking is None:
                asking = self._askings[key] = self._asking(where, position, turn, kind, is_again)
            until = self._until
            self._until = min(until, self._followed + self.most_followed // ONE_QUESTION)
            distribution = self.distribution[key, tally] = asking.all(tally)
            self._until = until
            if self._followed - self._begun > _FAR_TOO_MUCH * self.most_followed * self.put_share:
                raise CannotForecast("it has too many ways to go")
        return distribution

    def _asking(self, where: Where, position: int, turn: int, kind: int, is_again: bool) -> Asking:
        """A question as it is put to a player, whatever their tally."""
        question = self.rounds[where.round].kinds[kind]
        traits = question.traits
        terms, seconds = traits.terms, traits.seconds
        base = traits.when_asked(where.round, position, turn, is_again)
        points = self.points_of(where.round)
        answers_once = not terms.letters and terms.allowed == 1
        needs_grid = points or (seconds and not answers_once)
        if "seconds_used" in self.rules.reads and not seconds and not points:
            raise CannotForecast("its rules read times that no clock bounds")
        return Asking(
            self.program,
            self.falls,
            self.merged,
            self.follow,
            Who(self.scouts[where.turn], where.turn),
            question,
            base,
            Grid(self.step_ms, points) if needs_grid else None,
            self.clocks,
        )

    def drawn(self, point: Point) -> Iterator[tuple[float, int, tuple[int, ...]]]:
        """The kinds that can come, with their chances and what is used up then."""
        drawing, where = self.rounds[point.where.round], point.where
        if point.again is not None:
            yield 1.0, point.again, point.used
            return
        is_empty = True
        for found in drawing.next(point.used, where.position, None):
            is_empty = False
            yield found
        if is_empty:
            raise CannotForecast("its questions differ, and come again")

    def begun(self) -> Iterator[tuple[float, Reached]]:
        """Where a run stands at its first question."""
        players = len(self.scouts)
        for share, step, tallies in begun(self.game, self.rules, players, self.falls_for_all):
            yield from self.step(share, step, tallies, ())

    def went(
        self, point: Point, kind: int, used: tuple[int, ...], came: QuestionOutcome
    ) -> Iterable[tuple[float, Reached]]:
        """Where a run goes with what came of a question."""
        where = point.where
        tallies: Tallies = (came.tally,)
        if where.players > 1:
            before = point.tallies
            tallies = (*before[: where.turn], came.tally, *before[where.turn + 1 :])
        key = (where, came.way, came.ending, came.is_out)
        step = self._ways.get(key)
        if step is None:
            step = self._ways[key] = self._way(where, came)
        self.follow()
        if isinstance(step, Asks):
            return ((1.0, Point(step.where, tallies, used, kind if step.is_again else None)),)
        return self.step(1.0, step, tallies, used, kind)

    def _way(self, where: Where, came: QuestionOutcome) -> Step:
        """The step that follows, whatever the tallies are: it is a question only if one is put."""
        step = question_left(self.game, where, came)
        while isinstance(step, Asks):
            length = self._length(step.where)
            instead = before_asking(self.game, step.where, length, step.is_again, None)
            if instead is None:
                return step
            step = instead
        return step

    def cut(self, point: Point, tally: Tally) -> Iterator[tuple[float, Reached]]:
        """Where a run goes whose countdown ended while a question stood."""
        where, tallies = point.where, point.tallies
        which = "round" if self.game.seconds is None else "game"
        tallies = (*tallies[: where.turn], tally, *tallies[where.turn + 1 :])
        yield from self.step(1.0, time_ends(where, which, where.position + 1), tallies, ())

    def step(
        self,
        share: float,
        step: Step,
        tallies: Tallies,
        used: tuple[int, ...],
        again: int | None = None,
        is_fresh: bool = False,
    ) -> Iterator[tuple[float, Reached]]:
        """Where a step of the course leads, to the next question that is put or the end."""
        self.follow()
        for part, then, left in followed(self.game, self.rules, step, tallies, self.falls_for_all):
            mass = share * part
            if isinstance(step, RoundEnds):
                self.follow()
            match then:
                case Over():
                    yield mass, then
                case Enters(where):
                    yield from self.step(mass, Asks(where), left, (), None, True)
                case Asks(where, is_again):
                    instead = before_asking(self.game, where, self._length(where), is_again, None)
                    if instead is None:
                        anew = again if is_again else None
                        yield mass, Point(where, left, used, anew, is_fresh)
                    else:
                        yield from self.step(mass, instead, left, used)
                case Chooses(where):
                    open_ = [number for number, visits in enumerate(where.visits) if not visits]
                    if self.scouts[where.turn].picks is Habit.FIRST:
                        open_ = open_[:1]
                    for number in open_:
                        there = Enters(where._replace(round=number, position=0, skipped=0))
                        yield from self.step(mass / len(open_), there, left, ())

    def _length(self, where: Where) -> int | None:
        draw, pool = self.game.rounds[where.round].draw, sum(self.rounds[where.round].counts)
        return length_of(draw, pool, None, where.players)

    def _drawing(self, number: int) -> Drawing[QuestionClass]:
        round_, pool = self.game.rounds[number], self.program.pools[number]
        order = [self._asked(round_, sourced, pool) for sourced in pool]
        for sums in _sums_of(round_):
            order += [self._made(round_, sums)] * min(sums.count, count_of(sums))
        drawing = drawing_of(Counter(order))
        draw = round_.draw
        if len(drawing.kinds) > 1:
            if draw.refill is Refill.EACH_TIME or draw.order in (
                DrawOrder.WEIGHTED,
                DrawOrder.EASY_FIRST,
            ):
                raise CannotForecast("its questions differ, and which come hangs on the draw")
            shared = {
                name
                for at, other in enumerate(self.game.rounds)
                if at != number
                for name in other.packs
            }
            if shared.intersection(round_.packs):
                raise CannotForecast("its questions differ, and rounds share them")
        if draw.order is DrawOrder.WRITTEN:
            return drawing_of(Counter(order), order)
        if len(drawing.kinds) > 1:
            # So many things can be left in the pool, each with whatever was counted till then.
            left = prod(count + 1 for count in drawing.counts)
            if left * LEAST_TALLIES > self.most_followed:
                raise CannotForecast("its questions differ in too many ways")
        return drawing

    def _asked(self, round_: Round, sourced: Sourced, pool: Pool) -> QuestionClass:
        question = sourced.question
        picks = self._picks(round_, sourced, pool) if self._guesses else Picks()
        own = tuple(scout.own_of(question.prompt) for scout in self.scouts)
        can_slip = self._can_slip(round_, question)
        asked = self._told_apart(asked_in(round_, traits_of(question)), can_slip)
        return QuestionClass(asked, picks, own if any(one is not None for one in own) else ())

    def _picks(self, round_: Round, sourced: Sourced, pool: Pool) -> Picks:
        """What somebody who guesses picks from."""
        question, made = sourced.question, pool.made_by(sourced.source)
        if question.gaps and made is not None and made.has_wrong:
            # Which words of other rows are offered does not matter to a blind guess.
            others = tuple(f"{BLANK}{at}" for at in range(made.wrong_count(sourced.number)))
            question = replace(question, wrong=others)
        right, wrong = len(question.right_choices), len(question.wrong)
        if question.kind is Kind.TRUTH:
            return Picks(len(TRUTHS), right)
        if made is not None and made.pattern.made is Made.CHOICE:
            wrong = made.wrong_count(sourced.number)
        elif question.kind in WITHOUT_CHOICES:
            return picks_of(question, round_.check, 1, 0)
        elif not question.choices or question.kind is Kind.JUDGED:
            return Picks()
        if question.kind not in (Kind.ORDER, Kind.PLACE):
            shown = round_.ask.shown
            right, wrong = how_many_shown(shown, right, wrong, question.wants_all)
        return picks_of(question, round_.check, right, wrong)

    def _can_slip(self, round_: Round, question: Question) -> bool:
        """Whether a scout's typing slips can be forgiven, and told from what is simply right."""
        return (
            self._minds_slips
            and any(scout.close for scout in self.scouts)
            and slipped(question, round_.check) is not None
        )

    def _made(self, round_: Round, sums: Sums) -> QuestionClass:
        kind = Kind.CHOICE if sums.choices else Kind.NUMBER
        asked = self._told_apart(asked_in(round_, Traits(kind)))
        if not (sums.choices and self._guesses):
            return QuestionClass(asked, Picks())
        if fewest_choices(sums) < sums.choices:
            raise CannotForecast("some of its sums have fewer choices, and which come the dice say")
        right, wrong = how_many_shown(round_.ask.shown, 1, sums.choices - 1)
        return QuestionClass(asked, Picks(right + wrong, right))

    def _told_apart(self, asked: AskedTraits, can_slip: bool = False) -> AskedTraits:
        """A question without the properties that make no difference to rules or scouts."""
        return asked._replace(
            worth=asked.worth if "worth" in self.rules.reads else 1,
            can_be_close=can_slip,
            has_hint=asked.has_hint and any(scout.hints for scout in self.scouts),
        )


class _ForecastWalk:
    """Following all players of a game, question by question."""

    def __init__(self, exact_forecast: ExactForecast) -> None:
        self.exact_forecast = exact_forecast
        self.ends: defaultdict[Over, list[float]] = defaultdict(list)
        self.ended = self.mean_ms = 0.0

    def weigh(self) -> ExactResult:
        now: dict[Point, Mass] = {}
        for share, reached in self.exact_forecast.begun():
            self._reach(now, reached, share)
        ended_at, left = [self.ended], 1.0
        most_presented, spent = self.exact_forecast.most_presented(), [self.exact_forecast.spent]
        self.exact_forecast.limit(is_extrapolated=bool(most_presented))
        while now and left >= LEAST_MASS and len(ended_at) <= MAX_PRESENTED:
            self.ended = 0.0
            after: dict[Point, Mass] = {}
            self.exact_forecast.begin_question()
            met, tallies = set[Tally](), {tally_of(point) for point in now}
            for point, mass in now.items():
                met.add(tally_of(point))
                self.exact_forecast.put_share = (
                    len(met) / len(tallies) / max(1, most_presented - len(ended_at))
                )
                if isinstance(mass, float):
                    self._presented(point, mass, after)
                else:
                    self._put_on_grid(point, mass, after)
            ended_at.append(self.ended)
            spent.append(self.exact_forecast.spent)
            now = {point: mass for point, mass in after.items() if total(mass) > LEAST_SHARE}
            before, left = left, sum(map(total, now.values()))
            further = most_presented - len(ended_at) + 1
            if not most_presented:
                is_steady = len(spent) >= _LOOKED_BACK and not _grows(spent)
                self.exact_forecast.limit(is_extrapolated=is_steady)
                further = _questions_left(before, left, len(ended_at)) if is_steady else 0
            for shares in zip(*spent[-_LOOKED_BACK:], strict=True):
                if further > 0 and _extrapolated(shares, further) > _TOO_MUCH:
                    raise CannotForecast("it has too many ways to go")
        summed = {end: sum(sorted(shares)) for end, shares in self.ends.items()}
        return ExactResult(summed, ended_at, left if now else 0.0, self.mean_ms)

    def _presented(self, point: Point, mass: float, after: dict[Point, Mass]) -> None:
        """Put a question to players with no countdown but its own."""
        exact_forecast = self.exact_forecast
        for chance, kind, used in exact_forecast.drawn(point):
            share, distribution = mass * chance, exact_forecast.distribution_of(point, kind)
            self.mean_ms += share * distribution.mean_ms
            for came, weight in distribution.routes:
                for part, reached in exact_forecast.went(point, kind, used, came):
                    self._reach(after, reached, share * weight * part)

    def _put_on_grid(self, point: Point, mass: list[float], after: dict[Point, Mass]) -> None:
        """Put a question to players while a countdown runs that can end the round."""
        exact_forecast = self.exact_forecast
        most = exact_forecast.points_of(point.where.round)
        for chance, kind, used in exact_forecast.drawn(point):
            distribution, left = exact_forecast.distribution_of(point, kind), sum(mass)
            by_grid: dict[tuple[float, ...], list[float]] = {}
            for share, came, timed_span in distribution.distribution:
                if timed_span.grid not in by_grid:
                    exact_forecast.follow(effort(len(mass), len(timed_span.grid)))
                    times = together(mass, timed_span.grid, most + 1)
                    if len(times) > most and len(timed_span.grid) > 1:
                        times[most] /= 2  # of those at the very deadline one half is in time
                    by_grid[timed_span.grid] = times
                times = [one * share * chance for one in by_grid[timed_span.grid]]
                here = sum(times)
                left -= here / chance
                self.mean_ms += here * timed_span.fixed_ms
                for part, reached in exact_forecast.went(point, kind, used, came):
                    self._reach(after, reached, [one * part for one in times])
            self._cut(point, distribution, mass, max(0.0, left) * chance, after)

    def _cut(
        self,
        point: Point,
        distribution: OutcomeDistribution,
        mass: list[float],
        left: float,
        after: dict[Point, Mass],
    ) -> None:
        """Let the countdown end for those who are still at the question then."""
        if left <= LEAST_SHARE:
            return
        exact_forecast, most = self.exact_forecast, self.exact_forecast.points_of(point.where.round)
        self.mean_ms += left * most * exact_forecast.step_ms
        waiting = [
            sum(
                share * stands.shares[most - place]
                for place, share in enumerate(mass)
                if most - place < len(stands.shares)
            )
            for stands in distribution.stands
        ]
        whole = sum(waiting)
        for stands, weight in zip(distribution.stands, waiting, strict=True):
            share = left * weight / whole if whole else left / len(distribution.stands)
            for part, reached in exact_forecast.cut(point, stands.tally):
                self._reach(after, reached, share * part)

    def _reach(self, after: dict[Point, Mass], reached: Reached, mass: Mass) -> None:
        """Note where a mass of players has come, and when on its grid if it left one."""
        exact_forecast = self.exact_forecast
        goes_on = isinstance(reached, Point) and (
            exact_forecast.game.seconds or not reached.is_fresh
        )
        if not isinstance(mass, float) and not goes_on:
            steps = sum(place * share for place, share in enumerate(mass))
            self.mean_ms += steps * exact_forecast.step_ms
            mass = sum(mass)
        if isinstance(reached, Over):
            share = total(mass)
            self.ends[reached].append(share)
            self.ended += share
            return
        if isinstance(mass, float) and exact_forecast.points_of(reached.where.round):
            mass = [mass]
        known = after.get(reached)
        after[reached] = mass if known is None else plus(mass, known)


_LOOKED_BACK = 4
"""The prediction of the total cost uses this many past totals, for their third differences."""

_FEW_MORE = 1.2
_NEXT_TO_NOTHING = 1e-9
_FAR_TOO_MUCH = 2
"""If all players at a question cost as much as the first of them, and that is this many times the
limit, the game is given up at once. The real cost can be lower, because each tally is computed
once."""

_TOO_MUCH = 0.7
"""A game is given up at once if its predicted cost exceeds this share of the limit: while ways
still multiply, the real cost is higher."""


def _grows(spent: Sequence[tuple[float, float]]) -> bool:
    """Whether the last question took more than the one before."""
    first, second, last = (followed for followed, _ in spent[-3:])
    return last - second > second - first + _NEXT_TO_NOTHING


def _questions_left(before: float, left: float, presented: int) -> int:
    """How many questions are put until next to nobody is left, if as large a share as at the
    last one leaves at each."""
    most = MAX_PRESENTED - presented
    if not 0 < left < before:
        return most if left else 0
    return min(most, ceil(log(LEAST_MASS / left) / log(left / before)))


def _extrapolated(spent: Sequence[float], further: int) -> float:
    """The total cost if it grows for this many further questions as it grew before.

    Ways multiply as counters spread, so the cost of a question grows like a polynomial: its
    differences continue. A cost that does not grow stays constant.

    >>> [_extrapolated(spent, 2) for spent in ([0, 1, 3, 6], [0, 1, 2, 3], [0, 5, 6, 7])]
    [15.0, 5.0, 9.0]
    """
    if len(spent) < _LOOKED_BACK or further <= 0:
        return spent[-1]
    first, second, last = (after - before for before, after in pairwise(spent))
    grows = max(0.0, last - second)
    bends = max(0.0, grows - (second - first)) if second > first else 0.0
    total, one = float(spent[-1]), last
    for _ in range(further):
        grows += bends
        one += grows
        total += one
    return total


def _sums_of(round_: Round) -> tuple[Sums, ...]:
    """The sums of a round. Raises CannotForecast if the dice make other questions too."""
    for lists in round_.lists:
        if lists.asks.value != "sort":
            raise CannotForecast("odd ones out are made anew by the dice")
    return round_.sums


def _refuse(program: Program) -> None:
    """Raise CannotForecast for games that cannot be followed."""
    game, rules = program.game, program.rules
    if game.seconds is not None and any(round_.seconds is not None for round_ in game.rounds):
        raise CannotForecast("both the game and a round have a clock")
    if "add_time" in rules.script.script_actions:
        raise CannotForecast("its rules add time to clocks")
    for round_ in game.rounds:
        if rows_leave(round_):
            raise CannotForecast("which facts come hangs on what was answered")
