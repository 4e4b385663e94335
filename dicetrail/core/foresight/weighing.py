"""Every way a game goes for one player, followed with how likely each is.

A question is put to all tallies at once: each mass of players divides by what can come of it,
and tallies that rules cannot tell apart are one again. Where a run goes is `course`'s to say,
what an outcome counts is `settle`'s. What cannot be followed so raises `CannotWeigh`.
"""

from collections import Counter, defaultdict
from collections.abc import Iterator
from itertools import pairwise
from typing import NamedTuple

from dicetrail.core.document import DrawOrder, Kind, Made, Refill, Round, RoundOrder, To, Way
from dicetrail.core.draw import Pool, Sourced, Traits, count_of, length_of, rows_leave, traits_of
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.play import Program
from dicetrail.core.rules import (
    Asks,
    Due,
    Ends,
    Enters,
    Event,
    Outcome,
    RoundEnds,
    Settled,
    Step,
    Tally,
    TooManySides,
    Where,
    after_round,
    before_asking,
    ending_titled,
    every_fall,
    last_ending,
    onward,
    round_titled,
    settle,
    share_left,
    still_allowed,
)
from dicetrail.core.survey import turning_points

MOST_SETTLED = 400_000
"""So many outcomes are settled before a game is given up as too wide."""

LEAST_MASS = 1e-12
"""When fewer of all players are still in, the rest is left."""

_NOTHING = LEAST_MASS / MOST_SETTLED
"""A share so small that all of them together are none."""

MOST_PUT = 20_000
"""So many questions are followed in a row."""


class CannotWeigh(Exception):
    """Why a game cannot be followed exactly, in words."""


class Asked(NamedTuple):
    """A question as far as rules and scouts can tell it from others."""

    traits: Traits
    choices: int


class Point(NamedTuple):
    """Where a mass of players stands before a question is put."""

    where: Where
    tally: Tally
    used: tuple[int, ...] = ()
    """How many questions of each kind the round has asked."""
    again: int | None = None
    """The kind of the question that is put anew."""


class Came(NamedTuple):
    """What came of a question."""

    tally: Tally
    way: Way | None
    ending: int | None


class End(NamedTuple):
    """How a run ended."""

    tally: Tally
    ending: int | None


class Weighed(NamedTuple):
    """What was found: every end with its share, and how many are still in after each question."""

    ends: dict[End, float]
    ended_at: list[float]
    """The share of runs that end with each question put, from none on."""
    left: float
    """The share that was left playing."""


class Weigher:
    """One program and one scout."""

    def __init__(self, program: Program, scout: Scout) -> None:
        self.program, self.scout, self.rules = program, scout, program.rules
        self.game = program.game
        self._settled = 0
        self._came: dict[tuple[object, ...], list[tuple[float, Came]]] = {}
        _refuse(program)
        self._rounds = [self._kinds(number) for number in range(len(self.game.rounds))]

    def weigh(self) -> Weighed:
        """Follow everything. Raises CannotWeigh if that is too much."""
        ends: dict[End, list[float]] = defaultdict(list)
        ended_at = [0.0]
        now: dict[Point, float] = defaultdict(float)
        for share, reached in self._begun():
            if isinstance(reached, End):
                ends[reached].append(share)
                ended_at[0] += share
            else:
                now[reached] += share
        left = 0.0
        while now:
            after: dict[Point, float] = defaultdict(float)
            ended = 0.0
            for point, mass in now.items():
                for share, reached in self._put(point):
                    if isinstance(reached, End):
                        ends[reached].append(mass * share)
                        ended += mass * share
                    else:
                        after[reached] += mass * share
            ended_at.append(ended)
            now = after
            left = sum(now.values())
            if left < LEAST_MASS or len(ended_at) > MOST_PUT:
                break
        summed = {end: sum(sorted(shares)) for end, shares in ends.items()}
        return Weighed(summed, ended_at, left)

    def _kinds(self, number: int) -> tuple[tuple[Asked, ...], tuple[int, ...], tuple[int, ...]]:
        """What a round can ask: the kinds, how many there are of each, and for an order that is
        written the kind at each place."""
        round_, pool = self.game.rounds[number], self.program.pools[number]
        order = [self._asked(round_, sourced, pool) for sourced in pool]
        order += [self._made(round_, kind) for kind in _made_kinds(round_)]
        counts = Counter(order)
        kinds = tuple(counts)
        draw = round_.draw
        if len(kinds) > 1:
            if draw.refill is not Refill.NEVER or draw.order in (
                DrawOrder.WEIGHTED,
                DrawOrder.EASY_FIRST,
            ):
                raise CannotWeigh("its questions differ, and which come hangs on the draw")
            shared = {
                name
                for at, other in enumerate(self.game.rounds)
                if at != number
                for name in other.packs
            }
            if shared.intersection(round_.packs):
                raise CannotWeigh("its questions differ, and rounds share them")
        places: tuple[int, ...] = ()
        if draw.order is DrawOrder.WRITTEN:
            places = tuple(kinds.index(asked) for asked in order)
        return kinds, tuple(counts.values()), places

    def _asked(self, round_: Round, sourced: Sourced, pool: Pool) -> Asked:
        traits, choices = traits_of(sourced.question), len(sourced.question.choices)
        if (made := pool.made_by(sourced.source)) and made.pattern.made is Made.CHOICE:
            choices = made.pattern.choices
        if round_.ask.shown and traits.kind is not Kind.TRUTH:
            choices = min(choices, max(2, round_.ask.shown))
        return self._merged(round_, traits, choices)

    def _made(self, round_: Round, choices: int) -> Asked:
        kind = Kind.CHOICE if choices else Kind.NUMBER
        return self._merged(round_, Traits(kind), choices)

    def _merged(self, round_: Round, traits: Traits, choices: int) -> Asked:
        """A question without what neither rules nor scout tell apart."""
        if traits.kind is Kind.LETTERS:
            raise CannotWeigh("words are found letter by letter")
        reads = self.rules.reads
        seconds = round_.ask.seconds if traits.seconds is None else traits.seconds
        is_typed = not choices
        return Asked(
            Traits(
                Kind.TYPED if is_typed else Kind.CHOICE,
                "",
                traits.level,
                traits.worth if "worth" in reads else None,
                seconds,
                None,
                bool(round_.ask.hints and traits.is_hinted and self.scout.hints),
            ),
            choices if self.scout.guesses else min(choices, 1),
        )

    def _settle(self, tally: Tally, outcome: Outcome) -> Iterator[tuple[float, Settled]]:
        """What an outcome leads to, with the chance of each way dice in the script can fall."""
        if not self.rules.script.rolls:
            self._count()
            yield 1.0, settle(self.rules, tally, outcome)
            return
        try:
            for share, settled in every_fall(self.rules, tally, outcome, MOST_SETTLED):
                self._count()
                yield share, settled
        except TooManySides as found:
            raise CannotWeigh(f"its rules roll {found}") from None

    def _count(self) -> None:
        self._settled += 1
        if self._settled > MOST_SETTLED:
            raise CannotWeigh("it has too many ways to go")

    def _begun(self) -> Iterator[tuple[float, Point | End]]:
        where = Where(1, visits=(0,) * len(self.game.rounds))
        outcome = Outcome(Event.STARTED, tries_used=0)
        for share, settled in self._settle(self.rules.first, outcome):
            if settled.ending is not None:
                yield from self._over(share, where, settled.tally, settled.ending)
            else:
                yield from self._step(share, Enters(where), settled.tally, ())

    def _step(
        self,
        share: float,
        step: Step,
        tally: Tally,
        used: tuple[int, ...],
        again: int | None = None,
    ) -> Iterator[tuple[float, Point | End]]:
        """Where a step of the course leads, to the next question that is put or the end."""
        match step:
            case Enters(where):
                yield from self._step(share, Asks(where), tally, ())
            case Asks(where, is_again):
                instead = before_asking(self.game, where, self._length(where), is_again, None)
                if instead is None:
                    merged = self.rules.merged(tally)
                    yield share, Point(where, merged, used, again if is_again else None)
                else:
                    yield from self._step(share, instead, tally, used)
            case RoundEnds(where, _, to):
                yield from self._round_over(share, where, tally, to)
            case Ends(where, ending, _):
                yield from self._over(share, where, tally, ending)
            case _:
                raise CannotWeigh("rounds are chosen from a menu")

    def _length(self, where: Where) -> int | None:
        counts = self._rounds[where.round][1]
        return length_of(self.game.rounds[where.round].draw, sum(counts), None, 1)

    def _round_over(
        self, share: float, where: Where, tally: Tally, to: int | None
    ) -> Iterator[tuple[float, Point | End]]:
        outcome = Outcome(Event.ROUND_OVER, where.round, tries_used=0)
        visits = tuple(
            min(1, times + (number == where.round)) for number, times in enumerate(where.visits)
        )
        for part, settled in self._settle(tally, outcome):
            way = settled.way
            if settled.ending is not None:
                yield from self._over(share * part, where, settled.tally, settled.ending)
            elif way is not None and way.to is To.ENDING:
                ending = ending_titled(self.game, way.name)
                yield from self._over(share * part, where, settled.tally, ending)
            else:
                there = to if way is None else round_titled(self.game, way)
                step = after_round(self.game, where._replace(visits=visits), there)
                yield from self._step(share * part, step, settled.tally, ())

    def _over(
        self, share: float, where: Where, tally: Tally, ending: int | None
    ) -> Iterator[tuple[float, End]]:
        for part, settled in self._settle(
            tally, Outcome(Event.GAME_OVER, where.round, tries_used=0)
        ):
            found = ending
            if found is None:
                outcome = Outcome(Event.GAME_OVER, where.round)
                found = last_ending(self.rules, settled.tally, outcome)
            yield share * part, End(self.rules.merged(settled.tally), found)

    def _put(self, point: Point) -> Iterator[tuple[float, Point | End]]:
        """What comes of a question that is put."""
        for drawn, kind, used in self._drawn(point):
            for share, came in self._came_of(point, kind):
                where = point.where
                if came.ending is not None:
                    due = Due(came.ending, 0)
                    way = Way(To.ENDING, self.game.endings[came.ending].title)
                    step = onward(self.game, where._replace(due=due), way)
                else:
                    assert came.way is not None
                    step = onward(self.game, where, came.way)
                yield from self._step(drawn * share, step, came.tally, used, kind)

    def _drawn(self, point: Point) -> Iterator[tuple[float, int, tuple[int, ...]]]:
        """The kinds that can come, with their chances and what is used up then."""
        kinds, counts, places = self._rounds[point.where.round]
        if point.again is not None:
            yield 1.0, point.again, point.used
        elif len(kinds) == 1:
            yield 1.0, 0, point.used
        elif places:
            yield 1.0, places[point.where.position % len(places)], point.used
        else:
            used = point.used or (0,) * len(kinds)
            left = sum(counts) - sum(used)
            for kind, (taken, count) in enumerate(zip(used, counts, strict=True)):
                if taken < count:
                    after = (*used[:kind], taken + 1, *used[kind + 1 :])
                    yield (count - taken) / left, kind, after

    def _came_of(self, point: Point, kind: int) -> list[tuple[float, Came]]:
        where = point.where
        number = where.position + 1 if "number" in self.rules.reads else 1
        is_again = point.again is not None
        key = (where.round, number, point.tally, kind, is_again)
        if key not in self._came:
            found: dict[Came, float] = defaultdict(float)
            asked = self._rounds[where.round][0][kind]
            for share, came in self._asking(where.round, number, point.tally, asked, is_again):
                found[came] += share
            self._came[key] = [(share, came) for came, share in found.items()]
        return self._came[key]

    def _asking(
        self, number: int, position: int, tally: Tally, asked: Asked, is_again: bool
    ) -> Iterator[tuple[float, Came]]:
        """Everything that can come of a question, from the moment it is put."""
        round_, traits = self.game.rounds[number], asked.traits
        seconds = traits.seconds or 0
        base = Outcome(
            Event.ASKED,
            number,
            position,
            1 if traits.worth is None else traits.worth,
            traits.level,
            seconds,
            0,
            seconds,
            100 if seconds else 0,
            0,
            still_allowed(round_.ask.tries, 0),
            is_again=is_again,
        )
        for share, settled in self._settle(tally, base):
            if settled.ending is not None:
                yield share, Came(settled.tally, None, settled.ending)
                continue
            hinted = self.scout.hints / 100 if traits.is_hinted else 0.0
            if hinted < 1:
                yield from self._tried(share * (1 - hinted), settled.tally, base, asked, False)
            if hinted:
                event = base._replace(event=Event.HINTED, is_again=False)
                for part, told in self._settle(settled.tally, event):
                    if told.ending is not None:
                        yield share * hinted * part, Came(told.tally, None, told.ending)
                    else:
                        yield from self._tried(share * hinted * part, told.tally, base, asked, True)

    def _tried(
        self, share: float, tally: Tally, base: Outcome, asked: Asked, is_hinted: bool
    ) -> Iterator[tuple[float, Came]]:
        """What comes of the tries at a question."""
        waiting = [(share, tally, 0)]
        while waiting:
            share, tally, tried = waiting.pop()
            if share < _NOTHING:
                continue
            if tried > MOST_PUT:
                raise CannotWeigh("some would try the same question for ever")
            for part, outcome in self._outcomes(base, asked, tried, is_hinted):
                for fallen, settled in self._settle(tally, outcome):
                    if settled.ending is None and settled.way is None:
                        waiting.append((share * part * fallen, settled.tally, tried + 1))
                    else:
                        merged = self.rules.merged(settled.tally)
                        yield share * part * fallen, Came(merged, settled.way, settled.ending)

    def _outcomes(
        self, base: Outcome, asked: Asked, tried: int, is_hinted: bool
    ) -> Iterator[tuple[float, Outcome]]:
        """What can come of the next try, each with its chance."""
        scout, round_ = self.scout, self.game.rounds[base.round]
        base = base._replace(is_again=False)
        closed = base._replace(seconds_left=0, percent_left=0, tries_used=tried, tries_left=0)
        passes = scout.passes / 100 if round_.ask.passing else 0.0
        if passes:
            yield passes, closed._replace(event=Event.PASSED, verdict="passed")
        chance = scout.chance(asked.traits, asked.choices, tried, is_hinted)
        close = scout.close / 100 if round_.check.typos and not asked.choices else 0.0
        for part, reading in self._readings(base):
            mass = (1 - passes) * part
            if reading is None:
                late = closed._replace(seconds_used=base.seconds_allowed)
                yield mass, late._replace(event=Event.TIMEOUT, verdict="late")
                continue
            left = still_allowed(round_.ask.tries, tried + 1)
            answered = reading._replace(tries_used=tried + 1, tries_left=left)
            for event, verdict, weight in (
                (Event.RIGHT, "right", chance * (1 - close)),
                (Event.RIGHT, "close", chance * close),
                (Event.WRONG, "wrong", 1 - chance),
            ):
                if weight > 0:
                    yield mass * weight, answered._replace(event=event, verdict=verdict)

    def _readings(self, base: Outcome) -> list[tuple[float, Outcome | None]]:
        """What the clock says when the answer comes, with the chance of each; None is too late.

        Times are whole milliseconds, so each reading's share is that of the times it covers.
        """
        allowed = base.seconds_allowed * 1000
        if not allowed:
            return [(1.0, base)]
        by = self.scout.answered_by
        in_time = by(allowed - 0.5)
        found: list[tuple[float, Outcome | None]] = [(1 - in_time, None)] if in_time < 1 else []
        reads = self.rules.reads & {"seconds_left", "seconds_used", "percent_left"}
        if not reads:
            return [*found, (in_time, base)]
        points = [*sorted(turning_points(allowed, "percent_left" in reads)), allowed]
        for start, end in pairwise(points):
            share = by(end - 0.5) - (by(start - 0.5) if start else 0.0)
            if share > 0:
                left = allowed - start
                reading = base._replace(
                    seconds_left=left // 1000 if "seconds_left" in reads else 0,
                    seconds_used=start // 1000 if "seconds_used" in reads else 0,
                    percent_left=share_left(left, allowed) if "percent_left" in reads else 0,
                )
                found.append((share, reading))
        return found


def _made_kinds(round_: Round) -> Iterator[int]:
    """For each question that the dice make for a round, how many choices it has."""
    for lists in round_.lists:
        if lists.asks.value != "sort":
            raise CannotWeigh("odd ones out are made anew by the dice")
    for sums in round_.sums:
        yield from [sums.choices] * min(sums.count, count_of(sums))


def _refuse(program: Program) -> None:
    """Raise CannotWeigh for what is not followed."""
    game, rules = program.game, program.rules
    if game.opening.rounds is not RoundOrder.IN_ORDER and len(game.rounds) > 1:
        raise CannotWeigh("rounds are chosen from a menu")
    if game.seconds is not None or any(round_.seconds is not None for round_ in game.rounds):
        raise CannotWeigh("a round or the game has a clock")
    if "add_time" in rules.script.deeds:
        raise CannotWeigh("its rules add time to clocks")
    if "out" in rules.script.deeds:
        raise CannotWeigh("players can be out")
    for round_ in game.rounds:
        if rows_leave(round_):
            raise CannotWeigh("which facts come hangs on what was answered")
        is_timed = round_.ask.seconds is not None or "seconds_used" in rules.reads
        if round_.ask.tries != 1 and is_timed:
            raise CannotWeigh("several tries share one clock")
