"""The arithmetic of one outcome on one player's tally: script, lives, flow, endings.

Kept apart from texts, clocks and footprints so that many games can be worked through
without them. `Rules` is a game's script, moves and endings made ready once; `settle` is
called for every outcome and does nothing it need not do.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from operator import mul
from typing import NamedTuple

from dicetrail.core.document import Ending, Game, Moves, Number, To, Way
from dicetrail.core.rules.script import (
    Condition,
    Counters,
    Done,
    Event,
    Handlers,
    Roll,
    Script,
    Test,
    all_of,
    compile_condition,
    compile_script,
    parse,
    parse_condition,
    percent,
)
from dicetrail.core.rules.script.language import COUNTS, QUESTION_FACTS, WITHOUT_QUESTION


class Tally(NamedTuple):
    """What is counted for one player."""

    counters: Counters = (0,)
    """The counters of the script, in its order; the score is among them."""
    asked_count: int = 0
    right_count: int = 0
    wrong_count: int = 0
    streak: int = 0
    best_streak: int = 0
    mistakes: int = 0


class Outcome(NamedTuple):
    """What happened to the player, as far as rules can read it. See `FACTS` for meanings."""

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
    """Whether the question is asked anew, and so was counted as asked before."""


class Settled(NamedTuple):
    """What an outcome led to."""

    tally: Tally
    way: Way | None
    """Where the run goes on; None if the question stands or nothing moves."""
    ending: int | None
    """The number of the ending that came at once."""
    deeds: tuple[Done, ...]
    lines: tuple[int, ...]
    """The script lines that ran, in order; only for `settle(..., traced=True)`."""


@dataclass(frozen=True, eq=False)
class Rules:
    """A game's script, moves and endings, made ready. Made by `rules_of`."""

    script: Script
    names: tuple[str, ...]
    """The counters, in the order of every tally."""
    first: Tally
    handlers: Handlers
    moves: tuple[Moves, ...]
    endings: tuple[Ending, ...]
    at_once: tuple[tuple[int, Test], ...]
    """The endings that are tried after every event, with what makes them fit."""
    at_once_in_question: tuple[tuple[int, Test], ...]
    """The same with those that read what is known of a question alone."""
    final: tuple[tuple[int, Test], ...]
    """The endings that can be tried once the game is over."""
    reads: frozenset[str]
    """Every counter and fact that the script or an ending reads."""
    _score: int
    _counts_read: frozenset[str]
    _kept: tuple[int, ...]
    """For each count 1 if it is read, else 0."""

    def score(self, tally: Tally) -> Number:
        """The score of a tally."""
        return tally.counters[self._score]

    def values(self, tally: Tally) -> Mapping[str, Number]:
        """A tally's counters and counts by their names, and the percentage."""
        own = dict(zip(self.names, tally.counters, strict=True))
        counts = zip(COUNTS, tally[1:], strict=True)
        return own | {
            name: count
            for name, count in (*counts, ("percent", tally_percent(tally)))
            if name not in own
        }

    def merged(self, tally: Tally) -> Tally:
        """The tally without what neither script nor ending reads, so that equal ones meet."""
        if not self._counts_read:
            return Tally(tally.counters)
        return Tally(tally.counters, *map(mul, tally[1:], self._kept))


_KEPT_FOR = {"best_streak": ("streak",), "percent": ("right_count", "wrong_count")}
"""The counts that must be kept for a fact to come out right."""


def tally_percent(tally: Tally) -> int:
    """Right questions among those done with, in percent, rounded half up."""
    return percent(tally.right_count, tally.right_count + tally.wrong_count)


UNLIMITED = 999
"""What `tries_left` says where tries are not limited."""


def still_allowed(allowed: int | None, used: int) -> int:
    """The tries left of those allowed; None is without limit."""
    return UNLIMITED if allowed is None else max(0, allowed - used)


def share_left(left_ms: int, allowed_ms: int) -> int:
    """What is left of a clock, in percent rounded half up, 0 to 100; 0 without a clock."""
    return min(100, (200 * left_ms + allowed_ms) // (2 * allowed_ms)) if allowed_ms else 0


def rules_of(game: Game) -> Rules:
    """A game's rules, made ready. Raises ScriptFaults if its script is not in the language."""
    script = parse(game.script)
    names = tuple(script.counters)
    conditions = [condition_of(ending, names) for ending in game.endings]
    reads = script.reads.union(*(condition.reads for condition in conditions))
    reads = reads.union(*(_KEPT_FOR.get(name, ()) for name in reads))
    tests = [(n, compile_condition(condition, names)) for n, condition in enumerate(conditions)]
    questioned = {
        n
        for n, condition in enumerate(conditions)
        if condition.reads & QUESTION_FACTS.difference(names)
    }
    at_once = tuple(test for test in tests if game.endings[test[0]].at_once)
    return Rules(
        script,
        names,
        Tally(tuple(script.counters.values())),
        compile_script(script),
        tuple(round_.moves for round_ in game.rounds),
        game.endings,
        tuple(test for test in at_once if test[0] not in questioned),
        at_once,
        tuple(test for test in tests if test[0] not in questioned),
        reads,
        names.index("score"),
        reads.intersection(COUNTS),
        tuple(int(name in reads) for name in COUNTS),
    )


def condition_of(ending: Ending, counters: Sequence[str]) -> Condition:
    """What makes an ending fit, checked. Raises ScriptFaults.

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
    counters, asked, right, wrong, streak, best, mistakes = tally
    event = outcome.event
    # The question counts once, when it is done with: the handler reads the counts as they
    # are if the round's moves are followed, and what it does instead is put right after it.
    planned: Way | None = None
    is_right = is_wrong = False
    if event is Event.RIGHT:
        streak += 1
        if streak > best:
            best = streak
        is_right = True
        planned = rules.moves[outcome.round].right
    elif event is Event.WRONG:
        streak = 0
        mistakes += 1
        is_wrong = True
        if not outcome.tries_left:
            planned = rules.moves[outcome.round].wrong
    elif event is Event.TIMEOUT:
        streak = 0
        mistakes += 1
        is_wrong = True
        planned = rules.moves[outcome.round].timeout
    elif event is Event.PASSED:
        streak = 0
        is_wrong = True
        planned = rules.moves[outcome.round].passed
    elif event is Event.ASKED:
        if not outcome.is_again:
            asked += 1
    elif event is Event.LETTER_MISS and outcome.tries_left:
        mistakes += 1  # the last miss is counted by the wrong answer it makes
    way = planned
    is_done = planned is not None and planned.to is not To.AGAIN
    counts = (asked, right + is_right, wrong + is_wrong, streak, best, mistakes)
    undone = (asked, right, wrong, streak, best, mistakes)
    if not is_done:
        counts = undone
    handlers = rules.handlers.traced if traced else rules.handlers.lean
    handler = handlers.get(event)
    deeds: list[Done] = []
    lines: list[int] = []
    if handler is not None:
        counters = handler(counters, counts, outcome, deeds, lines, roll)
        if deeds:
            way = _way(deeds, planned, event)
            is_done = way is not None and way.to is not To.AGAIN
            counts = undone
            if is_done:
                counts = (asked, right + is_right, wrong + is_wrong, streak, best, mistakes)
    ending = None
    tests = rules.at_once if event in WITHOUT_QUESTION else rules.at_once_in_question
    for number, test in tests:
        if test(counters, counts, outcome, 1, 1):
            ending = number
            if not is_done:  # the game is over, and so is the question
                counts = (asked, right + is_right, wrong + is_wrong, streak, best, mistakes)
            break
    return Settled(Tally(counters, *counts), way, ending, tuple(deeds), tuple(lines))


def _way(deeds: list[Done], planned: Way | None, event: Event) -> Way | None:
    """Where the run goes: as the last deed said that says so, else as was planned."""
    for deed in reversed(deeds):
        if deed.what in _WAYS:
            return Way(_WAYS[deed.what], str(deed.value or ""))
    if event not in WITHOUT_QUESTION and any(deed.what == "out" for deed in deeds):
        return Way() if planned is None or planned.to is To.AGAIN else planned
    return planned


_WAYS = {"finish": To.ENDING, "go": To.ROUND, "again": To.AGAIN, "skip": To.QUESTION}


def last_ending(
    rules: Rules, tally: Tally, outcome: Outcome, leaders: int = 1, players: int = 1
) -> int | None:
    """The number of the first ending that fits a finished game; None if none does."""
    for number, test in rules.final:
        if test(tally.counters, tally[1:], outcome, leaders, players):
            return number
    return None
