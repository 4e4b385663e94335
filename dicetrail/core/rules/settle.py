"""Apply one outcome to one player's tally: script, lives, moves, endings.

This is separate from texts, clocks and footprints, so that many games can be followed without them.
`Rules` is the script, the moves and the endings of a game, prepared once. `settle` is called for
every outcome and does only what is needed.
"""

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass
from math import prod
from operator import mul
from typing import NamedTuple

from dicetrail.core.document import Ending, Game, Moves, Number, To, Way, places_in
from dicetrail.core.rules.script import (
    Condition,
    Counters,
    Event,
    First,
    Handler,
    Handlers,
    Roll,
    Script,
    ScriptAction,
    all_of,
    compile_conditions,
    compile_script,
    parse,
    parse_condition,
    percent,
)
from dicetrail.core.rules.script.language import COUNTS, QUESTION_FACTS, SHARES, WITHOUT_QUESTION


class Tally(NamedTuple):
    """The counters and counts of one player."""

    counters: Counters = (0,)
    """The counters of the script, in its order; the score is among them."""
    asked_count: int = 0
    right_count: int = 0
    wrong_count: int = 0
    streak: int = 0
    best_streak: int = 0
    mistakes: int = 0
    right_worth: int = 0
    """The worth of the questions that were right, and of all done with; 0 where a game reads
    neither."""
    done_worth: int = 0
    partly_count: int = 0
    """The questions that were partly right, and their shares in percent added, alone and times
    their worth."""
    partly_share: int = 0
    partly_worth: int = 0

    @property
    def done_count(self) -> int:
        """The questions done with."""
        return self.right_count + self.partly_count + self.wrong_count


class Outcome(NamedTuple):
    """The facts of an event that rules can read. See `FACTS` for their meanings."""

    event: Event
    round: int = 0
    number: int = 1
    worth: int = 1
    level: int = 1
    seconds_left: int = 0
    seconds_used: int = 0
    seconds_allowed: int = 0
    percent_left: int = 0
    tries_used: int = 1
    tries_left: int = 0
    player_number: int = 1
    verdict: str = ""
    is_again: bool = False
    """Whether the question is asked again. Then it was counted as asked before."""
    share: int = 0
    """How much of the answer is right, in percent."""


class Settled(NamedTuple):
    """The result of an outcome."""

    tally: Tally
    way: Way | None
    """Where the run goes on; None if the question stands or nothing moves."""
    ending: int | None
    """The number of the ending that came at once."""
    script_actions: tuple[ScriptAction, ...]
    lines: tuple[int, ...]
    """The script lines that ran, in order; only for `settle(..., traced=True)`."""


class EventRules(NamedTuple):
    """The fixed effects of an event before and after the script runs, prepared."""

    is_right: bool
    """Whether it ends a question as right."""
    is_wrong: bool
    mistakes: int
    asked: bool
    leaves_tries: bool
    """Whether the question stands while tries are left."""
    ways: tuple[tuple[Way, int, int], ...]
    """Where each round goes on, and what that adds to the questions that were right and wrong;
    empty where the event does not end a question."""
    lean: Handler | None
    traced: Handler | None
    at_once: First | None
    """Which of the endings that come at once fits after it."""
    counts_worth: bool
    """Whether what the question is worth is counted."""


@dataclass(frozen=True, eq=False)
class Rules:
    """The prepared script, moves and endings of a game. Create it with `rules_of`."""

    script: Script
    names: tuple[str, ...]
    """The counters, in the order of every tally."""
    first: Tally
    handlers: Handlers
    effects: Mapping[Event, EventRules]
    endings: tuple[Ending, ...]
    at_once: tuple[int, ...]
    """The endings that are tried after every event, by their numbers."""
    at_once_in_question: tuple[int, ...]
    """The same with those that read what is known of a question alone."""
    final: tuple[int, ...]
    """The endings that can be tried once the game is over."""
    reads: frozenset[str]
    """Every counter and fact that the script or an ending reads."""
    right_from: tuple[int, ...] | None
    """The share of each round from which a partly right answer counts as right; None if the script
    itself says what it does."""
    is_put_idly: bool
    """Whether putting a question changes nothing: no rule runs for it, and the endings that come at
    once depend only on values that it leaves unchanged."""
    _last: First | None
    """Which of the final endings fits."""
    _score: int
    _counts_read: frozenset[str]
    _kept: tuple[int, ...]
    """For each count 1 if it is read, else 0."""

    def counted(self, outcome: Outcome) -> Outcome:
        """The outcome as rules hear of it: a partly right answer counts as right or as wrong if
        the script has no handler for it."""
        if outcome.event is not _PARTLY or self.right_from is None:
            return outcome
        is_right = outcome.share >= self.right_from[outcome.round]
        return outcome._replace(event=Event.RIGHT if is_right else Event.WRONG)

    def score(self, tally: Tally) -> Number:
        """The score of a tally."""
        return tally.counters[self._score]

    def values(self, tally: Tally) -> Mapping[str, Number]:
        """A tally's counters, counts and shares by their names; a counter stands before a
        count of its name."""
        counts = dict(zip(COUNTED, counts_of(tally), strict=True))
        return counts | dict(zip(self.names, tally.counters, strict=True))

    def last_ending(
        self, tally: Tally, outcome: Outcome, leaders: int = 1, players: int = 1
    ) -> int | None:
        """The number of the first ending that fits a finished game; None if none does."""
        if self._last is None:
            return None
        return self._last(tally.counters, tally[1:], outcome, leaders, players)

    def merged(self, tally: Tally) -> Tally:
        """The tally without the counts that no rule and no ending reads. Tallies that differ in
        those alone become equal."""
        if not self._counts_read:
            return Tally(tally.counters)
        return Tally(tally.counters, *map(mul, tally[1:], self._kept))


_PARTLY = Event.PARTLY
_WORTHS = ("right_worth", "done_worth", "partly_worth")
_KEPT_FOR = {
    "best_streak": ("streak",),
    **{name: (part, hundredths, *whole) for name, (part, hundredths, whole) in SHARES.items()},
    **dict.fromkeys(_WORTHS, ("worth",)),
    "partly_share": ("share",),
    "partly_worth": ("worth", "share"),
}
"""The counts that must be kept to compute a fact."""


COUNTED = (*COUNTS, *SHARES)
"""The facts that every tally gives beside its counters."""


def counts_of(tally: Tally) -> tuple[int, ...]:
    """The facts that a tally gives beside its counters, in the order of `COUNTED`."""
    counts = tally[1:]
    return (
        *counts,
        *(percent(counts[p], counts[h], sum(counts[n] for n in w)) for p, h, w in _SHARES),
    )


_SHARES = [
    (COUNTS.index(part), COUNTS.index(hundredths), [*map(COUNTS.index, whole)])
    for part, hundredths, whole in SHARES.values()
]
"""For each share the places of its part, of what adds to it in hundredths, and of what makes up the
whole."""


def tally_percent(tally: Tally) -> int:
    """Right questions among those done with, in percent, rounded half up; a partly right one counts
    by its share."""
    return percent(tally.right_count, tally.partly_share, tally.done_count)


UNLIMITED = 999
"""What `tries_left` says where tries are not limited."""


def still_allowed(allowed: int | None, used: int) -> int:
    """The tries left of those allowed; None is without limit."""
    return UNLIMITED if allowed is None else max(0, allowed - used)


def share_left(left_ms: int, allowed_ms: int) -> int:
    """The remaining time of a clock, in percent rounded half up, 0 to 100; 0 without a clock."""
    return min(100, (200 * left_ms + allowed_ms) // (2 * allowed_ms)) if allowed_ms else 0


def rules_of(game: Game) -> Rules:
    """The prepared rules of a game. Raises ScriptFaults if its script is not in the language."""
    script = parse(game.script)
    names = tuple(script.counters)
    handlers = compile_script(script)
    conditions = [condition_of(ending, names) for ending in game.endings]
    reads = script.reads.union(*(condition.reads for condition in conditions))
    while more := {kept for name in reads for kept in _KEPT_FOR.get(name, ())} - reads:
        reads = reads | more
    filled_in = {name for words in filled_words(game, script) for name in places_in(words)}
    has_partly = _PARTLY in handlers.lean
    counts_worth = not {*_WORTHS, "worth_percent"}.isdisjoint(reads | filled_in)
    questioned = {
        n
        for n, condition in enumerate(conditions)
        if condition.reads & QUESTION_FACTS.difference(names)
    }
    final = tuple(n for n in range(len(conditions)) if n not in questioned)
    at_once = tuple(n for n, ending in enumerate(game.endings) if ending.at_once)
    at_any_time = tuple(n for n in at_once if n not in questioned)

    def first_of(numbers: Sequence[int]) -> First | None:
        return compile_conditions({n: conditions[n] for n in numbers}, names)

    in_question, otherwise = first_of(at_once), first_of(at_any_time)
    moves = [round_.moves for round_ in game.rounds]
    return Rules(
        script,
        names,
        Tally(tuple(script.counters.values())),
        handlers,
        {
            event: _effect(
                event,
                handlers,
                moves,
                otherwise if event in WITHOUT_QUESTION else in_question,
                counts_worth,
            )
            for event in Event
        },
        game.endings,
        at_any_time,
        at_once,
        final,
        reads,
        None if has_partly else tuple(round_.check.right_from for round_ in game.rounds),
        _is_put_idly(handlers, [conditions[number] for number in at_once], names, reads),
        first_of(final),
        names.index("score"),
        reads.intersection(COUNTS),
        tuple(int(name in reads) for name in COUNTS),
    )


def filled_words(game: Game, script: Script) -> Iterator[str]:
    """Every text of the maker's in which counters and facts are filled in."""
    yield game.opening.words
    yield from (cue.words for cue in game.cues)
    yield from (said.text for said in script.said if said.script_action == "tell")
    yield from (ending.verdict for ending in game.endings)


def _is_put_idly(
    handlers: Handlers,
    at_once: Sequence[Condition],
    names: Sequence[str],
    reads: frozenset[str],
) -> bool:
    stands = {*names, *COUNTED}
    return (
        Event.ASKED not in handlers.lean
        and "asked_count" not in reads
        and all(condition.reads <= stands for condition in at_once)
    )


_AGAIN = To.AGAIN
_ENDS_AS_WRONG = (Event.WRONG, Event.TIMEOUT, Event.PASSED)


def _effect(
    event: Event,
    handlers: Handlers,
    moves: Sequence[Moves],
    at_once: First | None,
    counts_worth: bool,
) -> EventRules:
    is_right, is_wrong = event is Event.RIGHT, event in _ENDS_AS_WRONG
    ends = is_right or is_wrong or event is _PARTLY
    return EventRules(
        is_right=is_right,
        is_wrong=is_wrong,
        mistakes=int(event in (Event.WRONG, Event.TIMEOUT, Event.LETTER_MISS)),
        asked=event is Event.ASKED,
        leaves_tries=event in (Event.WRONG, _PARTLY),
        ways=tuple(
            (way, int(is_right and way.to is not _AGAIN), int(is_wrong and way.to is not _AGAIN))
            for way in (getattr(to, event) for to in moves if ends)
        ),
        lean=handlers.lean.get(event),
        traced=handlers.traced.get(event),
        at_once=at_once,
        counts_worth=counts_worth,
    )


def condition_of(ending: Ending, counters: Sequence[str]) -> Condition:
    """The checked condition of an ending. Raises ScriptFaults.

    >>> condition_of(Ending("Pass", "Well done.", at_least=80, counts="percent"), ()).reads
    frozenset({'percent'})
    """
    final = not ending.at_once
    bounds = []
    if ending.at_least is not None:
        bounds.append(f"{ending.counts} >= {ending.at_least}")
    if ending.at_most is not None:
        bounds.append(f"{ending.counts} <= {ending.at_most}")
    parts = [parse_condition(bound, counters, final) for bound in bounds]
    if ending.when.strip():
        parts.append(parse_condition(ending.when, counters, final))
    return all_of(parts)


def settle(
    rules: Rules, tally: Tally, outcome: Outcome, roll: Roll | None = None, traced: bool = False
) -> Settled:
    """The tally after one outcome, and what follows from it.

    `roll` gives chance to a script that rolls. `traced` also notes the script lines that ran.
    """
    event = outcome.event
    is_partly = event is _PARTLY
    if is_partly:
        outcome = rules.counted(outcome)
        event = outcome.event
        is_partly = event is _PARTLY
    counters, asked, right, wrong, streak, best, mistakes, had, could, partly, parts, shared = tally
    is_right, is_wrong, adds, asks, leaves_tries, ways, lean, full, at_once, counts_worth = (
        rules.effects[event]
    )
    # The question counts once, when it is done with: the handler reads the counts as they
    # are if the round's moves are followed, and what it does instead is put right after it.
    way: Way | None = None
    more_right = more_wrong = 0
    worth = max(0, outcome.worth) if counts_worth else 0
    if is_right:
        streak += 1
        if streak > best:
            best = streak
        way, more_right, more_wrong = ways[outcome.round]
    elif is_wrong or is_partly:
        streak = 0
        mistakes += adds
        if not (leaves_tries and outcome.tries_left):
            way, more_right, more_wrong = ways[outcome.round]
            if is_partly and way.to is not _AGAIN:
                partly += 1
                parts += outcome.share
                shared += worth * outcome.share
                could += worth
    elif asks:
        asked += not outcome.is_again
    elif adds and outcome.tries_left:
        mistakes += adds  # the last miss is counted by the wrong answer it makes
    counts = (
        asked,
        right + more_right,
        wrong + more_wrong,
        streak,
        best,
        mistakes,
        had + worth * more_right,
        could + worth * (more_right + more_wrong),
        partly,
        parts,
        shared,
    )
    script_actions: list[ScriptAction] = []
    lines: list[int] = []
    handler = full if traced else lean
    if handler is not None:
        counters = handler(counters, counts, outcome, script_actions, lines, roll)
        if script_actions:
            way = _way(script_actions, way, event)
            is_done = way is not None and way.to is not _AGAIN
            counts = _done_with(
                tally,
                counts,
                worth,
                is_right and is_done,
                outcome.share if is_partly and is_done else 0,
                is_wrong and is_done,
            )
    ending = None
    if at_once is not None:
        ending = at_once(counters, counts, outcome, 1, 1)
        if ending is not None:  # the game is over, and so is the question
            share = outcome.share if is_partly else 0
            counts = _done_with(tally, counts, worth, is_right, share, is_wrong)
    # Filled as tuples: naming the fields once more would take a fifth of the whole time.
    tally = _filled(Tally, (counters, *counts))
    return _filled(
        Settled,
        (
            tally,
            way,
            ending,
            tuple(script_actions) if script_actions else (),
            tuple(lines) if lines else (),
        ),
    )


_Counts = tuple[int, int, int, int, int, int, int, int, int, int, int]


def _done_with(
    before: Tally, counts: _Counts, worth: int, is_right: bool, share: int, is_wrong: bool
) -> _Counts:
    """The counts with the question counted as right, partly right by a share above 0, wrong or not
    at all, instead of as planned."""
    asked, _, _, streak, best, mistakes, *_ = counts
    is_partly = share > 0
    return (
        asked,
        before.right_count + is_right,
        before.wrong_count + is_wrong,
        streak,
        best,
        mistakes,
        before.right_worth + worth * is_right,
        before.done_worth + worth * (is_right or is_partly or is_wrong),
        before.partly_count + is_partly,
        before.partly_share + share,
        before.partly_worth + worth * share,
    )


class TooManySides(ValueError):
    """A script rolls dice of more sides than are followed."""


def every_fall(
    rules: Rules, tally: Tally, outcome: Outcome, most: int
) -> Iterator[tuple[float, Settled]]:
    """The result of an outcome for each way that the dice of the script can fall, with its chance.

    Raises TooManySides for a roll of more than `most` sides.
    """
    waiting: list[tuple[int, ...]] = [()]
    while waiting:
        falls = waiting.pop()
        rolled: list[int] = []

        def roll(sides: int, falls: tuple[int, ...] = falls, rolled: list[int] = rolled) -> int:
            place = len(rolled)
            rolled.append(sides)
            return falls[place] if place < len(falls) else 1

        found = settle(rules, tally, outcome, roll)
        for place in range(len(falls), len(rolled)):
            if rolled[place] > most:
                raise TooManySides(f"{rolled[place]} sides")
            # Rolls not yet said fell as 1; the others of each are still to come.
            before = (*falls, *(1 for _ in range(place - len(falls))))
            waiting += [(*before, fall) for fall in range(2, rolled[place] + 1)]
        yield 1 / prod(rolled), found


_filled = tuple.__new__


def _way(script_actions: list[ScriptAction], planned: Way | None, event: Event) -> Way | None:
    """Where the run goes: as the last script action with a destination says, else as planned."""
    for script_action in reversed(script_actions):
        if script_action.what in _WAYS:
            return Way(_WAYS[script_action.what], str(script_action.value or ""))
    if event not in WITHOUT_QUESTION and any(
        script_action.what == "out" for script_action in script_actions
    ):
        return Way() if planned is None or planned.to is To.AGAIN else planned
    return planned


_WAYS = {"finish": To.ENDING, "go": To.ROUND, "again": To.AGAIN, "skip": To.QUESTION}
