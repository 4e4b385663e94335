"""Every way a game can end, computed from `settle` and `course` alone.

The runs of a game are followed question by question with everything that can come of each,
for every number of players; where rules cannot tell two runs apart they are one from there
on. Two things are said of what is found. It `is_whole` if no run ends otherwise. It
`is_exact` if every end found is one that a run comes to: where questions of different worth
come back, or a clock keeps a run short, more is followed than can happen. A game with too
many ways is not followed to its end, and then neither is said.
"""

from collections import Counter
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import islice
from typing import NamedTuple

from dicetrail.core.document import (
    DrawOrder,
    Game,
    Kind,
    Number,
    Refill,
    Round,
    To,
)
from dicetrail.core.draw import (
    AskedTraits,
    Censuses,
    Drawing,
    Packs,
    Traits,
    Used,
    asked_in,
    censuses_of,
    drawing_of,
    fixed_pool,
    fixed_traits,
    length_of,
    minds_letters,
    most_wanted,
    pool_size,
    rows_leave,
    traits_of,
)
from dicetrail.core.rules import (
    CLOCK_FACTS,
    WITHOUT_QUESTION,
    Asks,
    Chooses,
    ClockReading,
    Ends,
    Enters,
    Event,
    Happening,
    Outcome,
    Over,
    Progress,
    QuestionOutcome,
    RoundEnds,
    Rules,
    Settled,
    Step,
    Tally,
    Terms,
    TooManySides,
    Where,
    before_asking,
    begun,
    branches,
    can_happen,
    clock_readings,
    every_fall,
    followed,
    question_left,
    question_outcome,
    settle,
    time_ends,
)


class Effort(NamedTuple):
    """The largest effort before the search gives up."""

    settled: int
    """The number of outcomes that are settled."""
    steps: int
    """The number of ways from one question to the next that are followed."""


AT_ONCE = Effort(5_000, 6_500)
"""The effort while a maker waits: about 0.2 s of processor time. A game that needs more is left
open."""

BESIDE = Effort(60_000, 80_000)
"""The effort in the background, while the maker goes on."""

_MAX_SECONDS = 120


@dataclass(frozen=True, slots=True)
class Final:
    """One way to end: the tally of the player it is about, and the ending, if any."""

    tally: Tally
    ending: int | None


@dataclass(frozen=True, slots=True)
class Reach:
    """Every way a game can end; with `is_whole` False, only some of them."""

    finals: frozenset[Final]
    is_whole: bool
    is_exact: bool
    """Whether each of them is the end of some run."""
    ends_unasked: bool
    """Whether the run is over before its first question."""
    ends_itself: bool
    """Whether some run comes to an end that its player did not force."""


class _Node(NamedTuple):
    """A point at which a question is about to be asked. Its tallies hold only what something
    reads."""

    where: Where
    tallies: tuple[Tally, ...]
    used: Used = ()
    is_again: bool = False
    again: int = 0
    """The kind of the question that is asked again."""
    length: int | None = None
    may_stop: bool = False
    """Whether the player could have chosen fewer questions than `length`."""


class _TooMany(Exception):
    """The game has more ways than the search follows."""


class _ReachSearch:
    def __init__(
        self, game: Game, rules: Rules, packs: Packs, censuses: Censuses, effort: Effort
    ) -> None:
        self.effort = effort
        self.game, self.rules = game, rules
        self.finals: set[Final] = set()
        self.settled = self.steps = 0
        self.is_exact = True
        self.pools = [pool_size(round_, censuses) for round_ in game.rounds]
        self.drawings = [
            self._drawing(number, packs, censuses) for number in range(len(game.rounds))
        ]
        self.script_actions = rules.script.script_actions
        self.came: dict[tuple[object, ...], tuple[QuestionOutcome, ...]] = {}
        self.minds_letters = minds_letters(rules)
        self.ends_unasked = self.ends_itself = False
        # A round of more questions is followed whole only if every run of it is cut short.
        is_endless = any(pool > effort.steps for pool in map(self._length, range(len(self.pools))))
        self.most_steps = effort.steps // 4 if is_endless else effort.steps

    def _length(self, number: int) -> int:
        draw = self.game.rounds[number].draw
        return length_of(draw, self.pools[number], None, 1) or 0

    def _drawing(self, number: int, packs: Packs, censuses: Censuses) -> Drawing[AskedTraits]:
        round_ = self.game.rounds[number]
        draw = round_.draw
        pool = Counter[AskedTraits]()
        for traits, count in fixed_traits(round_, censuses).items():
            pool[asked_in(round_, traits)] += count
        if made := self.pools[number] - pool.total():
            pool[asked_in(round_, Traits(Kind.CHOICE))] += made
        merged = {asked: asked.merged(self.rules, number) for asked in pool}
        if len(set(merged.values())) == 1:
            return drawing_of(_added(pool, merged))
        if draw.order is DrawOrder.EASY_FIRST:
            merged = {asked: tell._replace(level=asked.level) for asked, tell in merged.items()}
        drawing = drawing_of(_added(pool, merged))
        if draw.refill is not Refill.NEVER or self._may_come_again(number):
            # What was asked before comes last, or which ones come back hangs on the answers.
            return replace(drawing, comes_back=True)
        if draw.order is DrawOrder.EASY_FIRST:
            return replace(drawing, levels=tuple(asked.level for asked in drawing.kinds))
        if draw.order is DrawOrder.WRITTEN:
            # So many are never followed, however long the round.
            first = islice(fixed_pool(round_, packs), self.effort.steps + 1)
            order = [asked_in(round_, traits_of(sourced.question)) for sourced in first]
            order += [asked_in(round_, Traits(Kind.CHOICE))] * min(made, self.effort.steps)
            return drawing_of(_added(pool, merged), [merged[asked] for asked in order])
        return drawing

    def _may_come_again(self, number: int) -> bool:
        """Whether an earlier round can have asked questions of this round."""
        game = self.game
        packs = set(game.rounds[number].packs)
        shared = any(
            packs.intersection(other.packs) for at, other in enumerate(game.rounds) if at != number
        )
        moves = [way for round_ in game.rounds for way in round_.moves.each.values()]
        comes_back = any(way.to is To.ROUND for way in moves) or any(
            said.script_action == "go" for said in self.rules.script.said
        )
        return shared or comes_back

    def _falls(self, tally: Tally, outcome: Outcome) -> Iterator[tuple[float, Settled]]:
        """The possible results of an outcome, with merged tallies: one, or one for each fall of the
        dice in the script. Their probabilities do not matter."""
        rules = self.rules
        if self._is_idle(outcome.event):
            yield 1.0, Settled(tally, None, None, (), ())
            return
        if not rules.script.rolls:
            self._count()
            yield 1.0, self._merged(settle(rules, tally, outcome))
            return
        try:
            for share, settled in every_fall(rules, tally, outcome, self.effort.settled):
                self._count()
                yield share, self._merged(settled)
        except TooManySides:
            raise _TooMany from None

    def _merged(self, settled: Settled) -> Settled:
        tally, way, ending, script_actions, lines = settled  # `_replace` takes three times as long
        return Settled(self.rules.merged(tally), way, ending, script_actions, lines)

    def _is_idle(self, event: Event) -> bool:
        """Whether an event has no effect."""
        if event in (Event.LETTER_HIT, Event.LETTER_MISS):
            return not self.minds_letters
        is_without = event in WITHOUT_QUESTION
        return is_without and event not in self.rules.handlers.lean and not self.rules.at_once

    def _count(self) -> None:
        self.settled += 1
        if self.settled > self.effort.settled:
            raise _TooMany

    def follow(self) -> None:
        """Follow every way, for every number of players."""
        for players in range(1, max(1, self.game.opening.most_players) + 1):
            self._follow(players)

    def _follow(self, players: int) -> None:
        waiting = list(self._beginnings(players))
        seen: set[_Node] = set(waiting)
        while waiting:
            for after in self._after(waiting.pop()):
                if after not in seen:
                    seen.add(after)
                    waiting.append(after)

    def _beginnings(self, players: int) -> Iterator[_Node]:
        for _, step, tallies in begun(self.game, self.rules, players, self._falls):
            if isinstance(step, Ends):
                self.ends_unasked = True
            yield from self._taken(None, tallies, step)

    def _entered(
        self, step: Chooses | Enters, tallies: tuple[Tally, ...], is_first: bool
    ) -> Iterator[_Node]:
        """The first questions of the rounds that can be entered now."""
        where, may_choose = step.where, is_first or isinstance(step, Chooses)
        rounds = [where.round]
        if isinstance(step, Chooses):
            rounds = [number for number, visits in enumerate(where.visits) if not visits]
        for number in rounds:
            here = where._replace(round=number, position=0, skipped=0)
            yield from self._first_questions(here, tallies, may_choose)

    def _first_questions(
        self, where: Where, tallies: tuple[Tally, ...], may_choose: bool
    ) -> Iterator[_Node]:
        draw, pool = self.game.rounds[where.round].draw, self.pools[where.round]
        usual = length_of(draw, pool, None, where.players)
        lengths = {usual}
        if may_choose and draw.player_chooses:
            most = most_wanted(draw, pool, where.players)
            lengths |= {
                length_of(draw, pool, wanted, where.players) for wanted in range(1, most + 1)
            }
        whole = {length for length in lengths if length is not None}
        if draw.order is DrawOrder.EASY_FIRST or len(lengths) == 1:
            for length in lengths:
                yield _Node(where, tallies, length=length)
            return
        yield _Node(where, tallies, length=max(whole), may_stop=True)
        if usual is None:
            yield _Node(where, tallies)

    def _after(self, node: _Node) -> Iterator[_Node]:
        """Where a question that is about to be asked can lead."""
        where, length = node.where, node.length
        instead = before_asking(self.game, where, length, node.is_again, None)
        if instead is not None:
            yield from self._taken(node, node.tallies, instead)
            return
        is_full_turn = where.slot and where.slot % where.players == 0
        if node.may_stop and is_full_turn and not node.is_again:
            yield from self._taken(node, node.tallies, RoundEnds(where, where.position))
        round_ = self.game.rounds[where.round]
        if rows_leave(round_):
            # Which rows have left hangs on the answers: there may be no question more.
            self.is_exact = False
            if where.slot and not node.is_again:
                yield from self._taken(node, node.tallies, RoundEnds(where, where.position))
        if "add_time" in self.script_actions:
            is_fresh = where.position == 0 and not node.is_again
            for which in self.countdowns(round_):
                if which == "round" and is_fresh:
                    continue  # the clock of a round begins with it
                time_over = before_asking(self.game, where, length, node.is_again, which)
                assert time_over is not None
                yield from self._taken(node, node.tallies, time_over)
        drawing = self.drawings[where.round]
        if drawing.comes_back:
            self.is_exact = False
        left = None if length is None else length - where.slot
        following = drawing.next(node.used, where.position, left)
        for _, kind, used in [(1.0, node.again, node.used)] if node.is_again else following:
            here = node._replace(used=used, again=kind)
            for came in self._came_of(node, drawing.kinds[kind]):
                yield from self._goes(here, came)

    def countdowns(self, round_: Round) -> list[str]:
        """The countdowns that can end a round."""
        return ["round"] * (round_.seconds is not None) + ["game"] * (self.game.seconds is not None)

    def may_finish(self, where: Where, length: int | None) -> bool:
        """Whether players can end a run here, because it would never end by itself."""
        round_ = self.game.rounds[where.round]
        return length is None and where.due is None and not self.countdowns(round_)

    def _finished(self, where: Where, tallies: tuple[Tally, ...]) -> None:
        """Note the ends of a run that its player ends here, if an ending fits."""
        for _, over, _ in followed(self.game, self.rules, Ends(where), tallies, self._falls):
            if isinstance(over, Over) and over.ending is not None:
                self._note(over)

    def _note(self, over: Over) -> None:
        self.finals.add(Final(self.rules.merged(over.tallies[over.whom]), over.ending))

    def _goes(self, node: _Node, came: QuestionOutcome) -> Iterator[_Node]:
        """Where the run goes after the result of a question."""
        where = node.where
        before = node.tallies
        tallies = (*before[: where.turn], came.tally, *before[where.turn + 1 :])
        if came.ending is None and self.may_finish(where, node.length):
            self._finished(where, tallies)
        if came.ending is not None or came.way is not None:
            yield from self._taken(node, tallies, question_left(self.game, where, came))
            return
        for which in self.countdowns(self.game.rounds[where.round]):
            yield from self._taken(node, tallies, time_ends(where, which, where.position + 1))

    def _taken(self, node: _Node | None, tallies: tuple[Tally, ...], step: Step) -> Iterator[_Node]:
        """The next points after a step of the course. Without a node the step begins the run."""
        self.steps += 1
        if self.steps > self.most_steps:
            raise _TooMany
        for _, then, after in followed(self.game, self.rules, step, tallies, self._falls):
            match then:
                case Over():
                    self.ends_itself = True
                    self._note(then)
                case Asks(where, is_again) if node is not None:
                    if node.length is None:
                        where = self._without_end(where)
                    again = node.again if is_again else 0
                    yield _Node(
                        where, after, node.used, is_again, again, node.length, node.may_stop
                    )
                case Enters() | Chooses():
                    yield from self._entered(then, after, is_first=node is None)

    def _without_end(self, where: Where) -> Where:
        """A place in a round without an end, with only the part of its position that can matter."""
        if "number" in self.rules.reads:
            raise _TooMany
        return where._replace(position=where.slot % where.players, skipped=0)

    def _came_of(self, node: _Node, asked: AskedTraits) -> tuple[QuestionOutcome, ...]:
        """Every result of a question that is asked. A result with neither way nor ending is a
        question still open, at which a countdown of the round or game can end."""
        where, rules = node.where, self.rules
        position = where.position if "number" in rules.reads else 0
        turn = where.turn if "player_number" in rules.reads else 0
        tally, may_finish = node.tallies[where.turn], self.may_finish(where, node.length)
        key = (where.round, position, turn, tally, asked, node.is_again, may_finish)
        if key not in self.came:
            round_ = self.game.rounds[where.round]
            terms = asked.terms
            base = asked.when_asked(where.round, position, turn, node.is_again)
            may_stand = may_finish or bool(self.countdowns(round_))
            found = self._all_of(tally, terms, base, may_stand)
            self.came[key] = tuple(dict.fromkeys(found))
        return self.came[key]

    def _all_of(
        self, tally: Tally, terms: Terms, base: Outcome, may_stand: bool
    ) -> Iterator[QuestionOutcome]:
        """The same, from the moment the question is asked of a player with this tally."""
        waiting: list[_OpenQuestion] = []
        for _, settled in self._falls(tally, base):
            if settled.ending is not None:
                yield question_outcome(settled, settled.tally)
            else:
                waiting.append(_OpenQuestion(settled.tally))
        readings = self._readings(base)
        seen = set(waiting)
        while waiting:
            here = waiting.pop()
            if may_stand:
                yield QuestionOutcome(here.tally)
            for happening, share, place, reading in self._happenings(terms, base, here, readings):
                for branch in branches(
                    self._falls, base, terms, here.tally, here.progress, happening, reading, share
                ):
                    settled = branch.settled
                    if branch.is_over:
                        yield question_outcome(settled, settled.tally)
                        continue
                    progress = branch.progress
                    if terms.allowed is None and "tries_used" not in self.rules.reads:
                        progress = progress._replace(used=0)  # it never matters how many
                    after = _OpenQuestion(settled.tally, progress, place)
                    if after not in seen:
                        seen.add(after)
                        waiting.append(after)

    def _happenings(
        self, terms: Terms, base: Outcome, here: "_OpenQuestion", readings: Sequence[ClockReading]
    ) -> Iterator[tuple[Happening, int, int, ClockReading]]:
        """Everything that can happen to an open question, with the share of a partly right answer,
        and with each reading its clock can have then and the place of that reading."""
        for happening in can_happen(terms, here.progress):
            if happening is Happening.CLOSE:
                self.is_exact = False  # whether a slip is forgiven hangs on the texts
            if happening is Happening.LATE:
                yield happening, 0, here.reading, ClockReading(seconds_used=base.seconds_allowed)
            elif happening is not Happening.HIT or self.minds_letters:  # else it is as a word
                shares = terms.shares if happening is Happening.PARTLY else (0,)
                for place in range(here.reading, len(readings)):
                    for share in shares:
                        yield happening, share, place, readings[place]

    def _readings(self, base: Outcome) -> list[ClockReading]:
        """Every reading of the question's clock that rules can tell apart, in order of time."""
        reads, allowed = self.rules.reads & CLOCK_FACTS, base.seconds_allowed
        has_countdown = bool(self.countdowns(self.game.rounds[base.round]))
        if has_countdown and (allowed or reads):
            self.is_exact = False  # which of the two ends first is not followed
        if not reads:
            return [ClockReading()]
        is_unbounded = not allowed and "seconds_used" in reads
        if is_unbounded or allowed > _MAX_SECONDS:
            raise _TooMany
        if allowed and "add_time" in self.script_actions:
            raise _TooMany
        return [reading for _, reading in clock_readings(reads, allowed * 1000)]


class _OpenQuestion(NamedTuple):
    """A question in play: its tally, its progress, and the last reading of its clock."""

    tally: Tally
    progress: Progress = Progress()
    reading: int = 0


def _added(
    pool: Mapping[AskedTraits, int], merged: Mapping[AskedTraits, AskedTraits]
) -> Counter[AskedTraits]:
    """The number of questions of each kind that rules can tell apart."""
    found = Counter[AskedTraits]()
    for asked, count in pool.items():
        found[merged[asked]] += count
    return found


def reach(
    game: Game,
    rules: Rules,
    packs: Packs,
    censuses: Censuses | None = None,
    effort: Effort = AT_ONCE,
) -> Reach:
    """Every way a game can end, as far as the search can follow it.

    `censuses` are those of the packs, if the caller has them.
    """
    try:
        known = censuses_of(game, packs) if censuses is None else censuses
        walk = _ReachSearch(game, rules, packs, known, effort)
        walk.follow()
    except _TooMany:
        return Reach(frozenset(), False, False, False, True)
    return Reach(frozenset(walk.finals), True, walk.is_exact, walk.ends_unasked, walk.ends_itself)


def scores_reached(rules: Rules, reached: Reach) -> Mapping[Number, set[int | None]]:
    """The endings each final score can lead to, by score from the lowest up."""
    found: dict[Number, set[int | None]] = {}
    for final in reached.finals:
        found.setdefault(rules.score(final.tally), set()).add(final.ending)
    return dict(sorted(found.items()))


__all__ = [
    "AT_ONCE",
    "BESIDE",
    "Effort",
    "Final",
    "Reach",
    "reach",
    "scores_reached",
]
