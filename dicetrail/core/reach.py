"""Every way a game can end, worked out through `settle` alone.

One player's run is followed question by question with every outcome it can have, equal
tallies merged. It is bounded: a game with too many ways is not followed to its end, and
`Reach.is_whole` says so. Nothing is estimated.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

from dicetrail.core.deals import length_of
from dicetrail.core.document import Game, Kind, Number, Question, Round, RoundOrder, To, Way
from dicetrail.core.script import Event
from dicetrail.core.settle import Outcome, Rules, Settled, Tally, last_ending, settle
from dicetrail.core.sources import Packs, fits, pool_size

MOST_SETTLED = 10_000
"""How many outcomes are worked out before giving up."""

_MOST_SECONDS = 120


@dataclass(frozen=True, slots=True)
class Final:
    """One way to end: the tally, and the number of the ending it comes to, if any."""

    tally: Tally
    ending: int | None


@dataclass(frozen=True, slots=True)
class Reach:
    """Every way a game can end; with `is_whole` False, only some of them."""

    finals: frozenset[Final]
    is_whole: bool
    ends_unasked: bool
    """Whether the run is over before its first question."""


@dataclass(frozen=True, slots=True)
class _Node:
    """A point where a question is about to be asked."""

    round: int
    position: int
    tally: Tally
    played: frozenset[int]


class _TooMany(Exception):
    """The game has more ways than are followed."""


class _Walk:
    def __init__(self, game: Game, rules: Rules, packs: Packs) -> None:
        self.game, self.rules = game, rules
        self.lengths = [
            length_of(round_.draw, pool_size(round_, packs), None, 1) for round_ in game.rounds
        ]
        self.asked = [_asked_kinds(round_, rules, packs) for round_ in game.rounds]
        self.finals: set[Final] = set()
        self.settled = 0
        most = max(1, game.opening.most_players)
        self.tables = [(leaders, most) for leaders in range(1, most + 1)]

    def settle(self, tally: Tally, outcome: Outcome) -> Settled:
        self.settled += 1
        if self.settled > MOST_SETTLED:
            raise _TooMany
        return settle(self.rules, tally, outcome)

    def follow(self) -> bool:
        """Follow every way. Returns whether the run is over before its first question."""
        started = self.settle(self.rules.first, Outcome(Event.STARTED, tries_used=0))
        if started.ending is not None:
            self.over(started.tally, started.ending)
            return True
        waiting: list[_Node] = []
        for first in self.first_rounds():
            waiting.append(_Node(first, 0, self.rules.merged(started.tally), frozenset()))
        seen: set[_Node] = set(waiting)
        while waiting:
            node = waiting.pop()
            for after in self.after(node):
                if after not in seen:
                    seen.add(after)
                    waiting.append(after)
        return False

    def first_rounds(self) -> Sequence[int]:
        if self.game.opening.rounds is RoundOrder.IN_ORDER:
            return (0,)
        return range(len(self.game.rounds))

    def after(self, node: _Node) -> Iterator[_Node]:
        """Where a question can lead, whatever comes of it."""
        round_ = self.game.rounds[node.round]
        has_clock = round_.seconds is not None or self.game.seconds is not None
        for facts in self.asked[node.round]:
            base = facts._replace(round=node.round, number=node.position + 1)
            asked = self.settle(node.tally, base._replace(event=Event.ASKED, tries_used=0))
            if asked.ending is not None:
                self.over(asked.tally, asked.ending)
                continue
            if has_clock:
                yield from self.round_over(node, asked.tally, None)
            for tally, way in self.outcomes(asked.tally, base, round_):
                yield from self.going(node, tally, way)

    def outcomes(
        self, tally: Tally, base: Outcome, round_: Round
    ) -> Iterator[tuple[Tally, Way | int]]:
        """What can come of a question: tallies, and the way or the ending's number."""
        is_word = base.verdict == _WORD
        allowed = round_.ask.misses if is_word else round_.ask.tries
        hints = (True, False) if _has_hints(self.rules, round_) else (False,)
        for hinted in hints:
            before = tally
            if hinted:
                taken = self.settle(tally, base._replace(event=Event.HINTED, verdict=""))
                if taken.ending is not None:
                    yield taken.tally, taken.ending
                    continue
                before = taken.tally
            yield from self.tries(before, base._replace(verdict=""), round_, allowed, is_word)

    def tries(
        self, tally: Tally, base: Outcome, round_: Round, allowed: int | None, is_word: bool
    ) -> Iterator[tuple[Tally, Way | int]]:
        """Every row of tries; without a limit, as long as something new comes of them."""
        waiting, seen = [(tally, 0)], {(tally, 0)}
        while waiting:
            before, used = waiting.pop()
            left = 999 if allowed is None else allowed - used - 1
            events = [(Event.RIGHT, "right", left), (Event.WRONG, "wrong", left)]
            if is_word:
                events[0] = (Event.RIGHT, "right", left + 1)
            if round_.check.typos and "verdict" in self.rules.reads:
                events.append((Event.RIGHT, "close", left))
            for event, verdict, tries_left in events:
                counted = (
                    0 if allowed is None and "tries_used" not in self.rules.reads else used + 1
                )
                for seconds in self.seconds(base):
                    outcome = base._replace(
                        event=event,
                        verdict=verdict,
                        tries_used=counted if not (is_word and event is Event.RIGHT) else used,
                        tries_left=tries_left,
                        **seconds,
                    )
                    settled = self.settle(before, outcome)
                    if settled.ending is not None:
                        yield settled.tally, settled.ending
                    elif settled.way is not None:
                        yield settled.tally, settled.way
                    else:
                        after = (self.rules.merged(settled.tally), counted)
                        if after not in seen:
                            seen.add(after)
                            waiting.append(after)
            if base.seconds_allowed:
                yield from self.once(before, base, Event.TIMEOUT, "late", left + 1)
            if round_.ask.passing:
                yield from self.once(before, base, Event.PASSED, "passed", left + 1)

    def once(
        self, tally: Tally, base: Outcome, event: Event, verdict: str, left: int
    ) -> Iterator[tuple[Tally, Way | int]]:
        outcome = base._replace(event=event, verdict=verdict, tries_left=left)
        outcome = outcome._replace(seconds_used=base.seconds_allowed)
        settled = self.settle(tally, outcome)
        ending_or_way = settled.way if settled.ending is None else settled.ending
        if ending_or_way is not None:
            yield settled.tally, ending_or_way

    def seconds(self, base: Outcome) -> Iterator[dict[str, int]]:
        """Every reading of the question's clock that rules could tell apart."""
        reads = self.rules.reads
        if "seconds_left" not in reads and "seconds_used" not in reads:
            yield {}
            return
        if not base.seconds_allowed or base.seconds_allowed > _MOST_SECONDS:
            if "seconds_used" in reads or base.seconds_allowed:
                raise _TooMany
            yield {}
            return
        for used in range(base.seconds_allowed):
            yield {"seconds_used": used, "seconds_left": base.seconds_allowed - used - 1}
            yield {"seconds_used": used, "seconds_left": base.seconds_allowed - used}

    def going(self, node: _Node, tally: Tally, way: Way | int) -> Iterator[_Node]:
        if isinstance(way, int):
            self.over(tally, way)
            return
        match way.to:
            case To.AGAIN:
                yield _Node(node.round, node.position, self.rules.merged(tally), node.played)
            case To.QUESTION:
                position, length = node.position + 1, self.lengths[node.round]
                if length is not None and position >= length:
                    yield from self.round_over(node, tally, None)
                    return
                if length is None:
                    if "number" in self.rules.reads:
                        raise _TooMany
                    position = 0
                yield _Node(node.round, position, self.rules.merged(tally), node.played)
            case To.NEXT_ROUND:
                yield from self.round_over(node, tally, None)
            case To.ROUND:
                yield from self.round_over(node, tally, self.named_round(way.name))
            case To.ENDING:
                self.over(tally, self.named_ending(way.name))

    def named_round(self, name: str) -> int | None:
        titles = [round_.title for round_ in self.game.rounds]
        return titles.index(name) if name in titles else None

    def named_ending(self, name: str) -> int | None:
        titles = [ending.title for ending in self.game.endings]
        return titles.index(name) if name in titles else None

    def round_over(self, node: _Node, tally: Tally, to: int | None) -> Iterator[_Node]:
        outcome = Outcome(Event.ROUND_OVER, node.round, tries_used=0)
        settled = self.settle(tally, outcome)
        if settled.ending is not None:
            self.over(settled.tally, settled.ending)
            return
        if settled.way is not None and settled.way.to is To.ENDING:
            self.over(settled.tally, self.named_ending(settled.way.name))
            return
        if settled.way is not None:
            to = self.named_round(settled.way.name)
        merged, played = self.rules.merged(settled.tally), node.played | {node.round}
        order, count = self.game.opening.rounds, len(self.game.rounds)
        if to is not None:
            yield _Node(to, 0, merged, played)
        elif order is RoundOrder.IN_ORDER and node.round + 1 < count:
            yield _Node(node.round + 1, 0, merged, played)
        elif order is RoundOrder.CHOOSE_EACH and len(played) < count:
            for other in set(range(count)) - played:
                yield _Node(other, 0, merged, played)
        else:
            self.over(settled.tally, None)

    def over(self, tally: Tally, ending: int | None) -> None:
        """Note one way to end."""
        settled = self.settle(tally, Outcome(Event.GAME_OVER, tries_used=0))
        final = self.rules.merged(settled.tally)
        if ending is not None:
            self.finals.add(Final(final, ending))
            return
        outcome = Outcome(Event.GAME_OVER)
        for leaders, players in self.tables:
            found = last_ending(self.rules, settled.tally, outcome, leaders, players)
            self.finals.add(Final(final, found))


_WORD = "word"
"""Marks the facts of a letters question, before its verdict is known."""


def _has_hints(rules: Rules, round_: Round) -> bool:
    return round_.ask.hints and Event.HINTED in rules.handlers.lean


def _asked_kinds(round_: Round, rules: Rules, packs: Packs) -> list[Outcome]:
    """What the rules can tell about the questions of a round, each once."""
    found: dict[tuple[object, ...], Outcome] = {}

    def note(question: Question | None) -> None:
        details = None if question is None else question.details
        seconds = details.seconds if details and details.seconds else round_.ask.seconds
        outcome = Outcome(
            Event.ASKED,
            worth=1 if details is None or details.worth is None else details.worth,
            level=(details.level if details else None) or 1,
            seconds_left=seconds or 0,
            seconds_allowed=seconds or 0,
            verdict=_WORD if question is not None and question.kind is Kind.LETTERS else "",
        )
        key = (
            outcome.worth if "worth" in rules.reads else 0,
            outcome.level if "level" in rules.reads else 0,
            outcome.seconds_allowed if rules.reads & _TIMED else bool(outcome.seconds_allowed),
            outcome.verdict,
        )
        found.setdefault(key, outcome)

    for name in round_.packs:
        for question in packs[name].questions if name in packs else ():
            if fits(round_, question):
                note(question)
    if round_.lists or round_.sums:
        note(None)
    return list(found.values())


_TIMED = {"seconds_left", "seconds_used", "seconds_allowed"}


def reach(game: Game, rules: Rules, packs: Packs) -> Reach:
    """Every way a game can end, as far as can be followed."""
    walk = _Walk(game, rules, packs)
    handlers = rules.handlers.lean
    try:
        if rules.script.rolls or Event.LETTER_HIT in handlers or Event.LETTER_MISS in handlers:
            raise _TooMany
        ends_unasked = walk.follow()
    except _TooMany:
        return Reach(frozenset(walk.finals), False, False)
    return Reach(frozenset(walk.finals), True, ends_unasked)


def scores_reached(rules: Rules, reached: Reach) -> Mapping[Number, set[int | None]]:
    """The endings each final score can lead to, by score from the lowest up."""
    found: dict[Number, set[int | None]] = {}
    for final in reached.finals:
        found.setdefault(rules.score(final.tally), set()).add(final.ending)
    return dict(sorted(found.items()))
