"""The arithmetic of one outcome on one player's tally: script, lives, flow, endings.

Kept apart from texts, clocks and footprints so that many games can be worked through
without them. `Rules` is a game's script, moves and endings made ready once; `settle` is
called for every outcome and does nothing it need not do.
"""

from collections.abc import Mapping
from dataclasses import dataclass
from typing import NamedTuple

from dicetrail.core.document import Ending, Game, Moves, Number, To, Way
from dicetrail.core.script import (
    Counters,
    Done,
    Event,
    Handlers,
    Roll,
    Script,
    Test,
    compile_condition,
    compile_script,
    parse,
    parse_condition,
    percent,
)
from dicetrail.core.script.language import COUNTS


class Tally(NamedTuple):
    """What is counted for one player."""

    counters: Counters = (0,)
    """The counters of the script, in its order; the score is among them."""
    asked_count: int = 0
    right_count: int = 0
    wrong_count: int = 0
    streak: int = 0
    best_streak: int = 0


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
    tries_used: int = 1
    tries_left: int = 0
    player_number: int = 1
    verdict: str = ""


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
    final: tuple[Test, ...]
    reads: frozenset[str]
    """Every counter and fact that the script or an ending reads."""
    _score: int
    _counts_read: frozenset[str]

    def score(self, tally: Tally) -> Number:
        """The score of a tally."""
        return tally.counters[self._score]

    def values(self, tally: Tally) -> Mapping[str, Number]:
        """A tally's counters and counts by their names, and the percentage."""
        return dict(
            (
                *zip(self.names, tally.counters, strict=True),
                *zip(COUNTS, tally[1:], strict=True),
                ("percent", tally_percent(tally)),
            )
        )

    def merged(self, tally: Tally) -> Tally:
        """The tally without what neither script nor ending reads, so that equal ones meet."""
        if not self._counts_read:
            return Tally(tally.counters)
        kept = (
            count if name in self._counts_read else 0
            for name, count in zip(COUNTS, tally[1:], strict=True)
        )
        return Tally(tally.counters, *kept)


_KEPT_FOR = {"best_streak": ("streak",), "percent": ("right_count", "wrong_count")}
"""The counts that must be kept for a fact to come out right."""


def tally_percent(tally: Tally) -> int:
    """Right questions among those done with, in percent, rounded half up."""
    return percent(tally.right_count, tally.right_count + tally.wrong_count)


def rules_of(game: Game) -> Rules:
    """A game's rules, made ready. Raises ScriptFaults if its script is not in the language."""
    script = parse(game.script)
    names = tuple(script.counters)
    conditions = [
        parse_condition(condition_of(ending), names, not ending.at_once) for ending in game.endings
    ]
    reads = script.reads.union(*(condition.reads for condition in conditions))
    reads = reads.union(*(_KEPT_FOR.get(name, ()) for name in reads))
    tests = tuple(compile_condition(condition, names) for condition in conditions)
    return Rules(
        script,
        names,
        Tally(tuple(script.counters.values())),
        compile_script(script),
        tuple(round_.moves for round_ in game.rounds),
        game.endings,
        tuple((n, tests[n]) for n, ending in enumerate(game.endings) if ending.at_once),
        tests,
        reads,
        names.index("score"),
        reads.intersection(COUNTS),
    )


def condition_of(ending: Ending) -> str:
    """What makes an ending fit, as one condition of the script's language.

    >>> condition_of(Ending("Pass", "Well done.", at_least=80, counts="percent"))
    'percent >= 80'
    """
    parts = []
    if ending.at_least is not None:
        parts.append(f"{ending.counts} >= {ending.at_least}")
    if ending.at_most is not None:
        parts.append(f"{ending.counts} <= {ending.at_most}")
    if ending.when.strip():
        parts.append(f"({ending.when.strip()})")
    return " and ".join(parts) or "True"


def settle(
    rules: Rules, tally: Tally, outcome: Outcome, roll: Roll | None = None, traced: bool = False
) -> Settled:
    """The tally after one outcome, and what follows from it.

    `roll` gives chance to a script that rolls. `traced` also notes the script lines that ran.
    """
    counters, asked, right, wrong, streak, best = tally
    event = outcome.event
    if event is Event.RIGHT:
        right += 1
        streak += 1
        if streak > best:
            best = streak
    elif event is Event.WRONG:
        streak = 0
        if not outcome.tries_left:
            wrong += 1
    elif event is Event.TIMEOUT or event is Event.PASSED:
        streak = 0
        wrong += 1
    elif event is Event.ASKED:
        asked += 1
    counts = (asked, right, wrong, streak, best)
    handlers = rules.handlers.traced if traced else rules.handlers.lean
    handler = handlers.get(event)
    deeds: list[Done] = []
    lines: list[int] = []
    if handler is not None:
        counters = handler(counters, counts, outcome, deeds, lines, roll)
    ending = None
    for number, test in rules.at_once:
        if test(counters, counts, outcome, 1, 1):
            ending = number
            break
    return Settled(
        Tally(counters, asked, right, wrong, streak, best),
        _way(rules, outcome, deeds),
        ending,
        tuple(deeds),
        tuple(lines),
    )


def _way(rules: Rules, outcome: Outcome, deeds: list[Done]) -> Way | None:
    """Where the run goes: as the last deed said that says so, else as the round's moves do."""
    for deed in reversed(deeds):
        if deed.what in _WAYS:
            return Way(_WAYS[deed.what], str(deed.value or ""))
    event = outcome.event
    if event is Event.RIGHT:
        return rules.moves[outcome.round].right
    if event is Event.WRONG:
        return None if outcome.tries_left else rules.moves[outcome.round].wrong
    if event is Event.TIMEOUT:
        return rules.moves[outcome.round].timeout
    if event is Event.PASSED:
        return rules.moves[outcome.round].passed
    return None


_WAYS = {"finish": To.ENDING, "go": To.ROUND, "again": To.AGAIN, "skip": To.QUESTION}


def last_ending(
    rules: Rules, tally: Tally, outcome: Outcome, leaders: int = 1, players: int = 1
) -> int | None:
    """The number of the first ending that fits a finished game; None if none does."""
    for number, test in enumerate(rules.final):
        if test(tally.counters, tally[1:], outcome, leaders, players):
            return number
    return None
