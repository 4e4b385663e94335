"""What will happen to many players of one kind.

Followed exactly where every tally can be; else played out by scouts, with intervals. A forecast
says which, and why.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from math import sqrt
from statistics import NormalDist

from dicetrail.core.document import Number, as_written
from dicetrail.core.foresight.playing import played
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.foresight.weighing import CannotWeigh, Weighed, Weigher
from dicetrail.core.play import Phase, Program, ended_as, leader_of

PLAYED = 400
"""So many runs are played where nothing can be followed exactly."""

CONFIDENCE = 0.95
"""How sure the intervals of what was played are."""


@dataclass(frozen=True, slots=True)
class Share:
    """How many of all players, and where that lies with 95 % certainty if it was sampled."""

    share: float
    least: float
    most: float


@dataclass(frozen=True, slots=True)
class EndingShare:
    """An ending by its title, and how many come to it; without a title, no ending fits."""

    title: str | None
    share: Share


@dataclass(frozen=True, slots=True)
class CounterShares:
    """What a counter comes to, from the lowest up, each value with its share."""

    name: str
    values: tuple[tuple[Number, float], ...]
    mean: float


@dataclass(frozen=True, slots=True)
class Forecast:
    """What will happen to many players of one kind."""

    scout: str
    is_exact: bool
    why: str
    """How it was worked out, and if it was not exactly, why not."""
    endings: tuple[EndingShare, ...]
    """Every ending of the game, in order, and last those who come to none."""
    counters: tuple[CounterShares, ...]
    """The score first, then the other counters that were followed to the end."""
    still_in: tuple[float, ...]
    """How many are still in after so many questions, from none on."""
    questions: float
    """How many questions are put to a player, on average."""
    seconds: float | None
    """How long a run is on average; None where times were not followed."""
    unended: float
    """How many were left playing."""


def forecast(program: Program, scout: Scout, runs: int = PLAYED) -> Forecast:
    """What will happen; exactly if it can be, else by so many runs played."""
    try:
        weigher = Weigher(program, scout)
        return _weighed(program, scout, weigher.weigh())
    except CannotWeigh as reason:
        return sampled(program, scout, range(runs), str(reason))


def _weighed(program: Program, scout: Scout, found: Weighed) -> Forecast:
    rules, game = program.rules, program.game
    shares: defaultdict[int | None, float] = defaultdict(float)
    counted: list[defaultdict[Number, float]] = [defaultdict(float) for _ in rules.names]
    for end, share in found.ends.items():
        shares[end.ending] += share
        for values, value in zip(counted, end.tally.counters, strict=True):
            values[as_written(value)] += share
    numbers: list[int | None] = [*range(len(game.endings)), None]
    endings = tuple(
        EndingShare(
            None if number is None else game.endings[number].title,
            Share(shares[number], shares[number], shares[number]),
        )
        for number in numbers
    )
    left, still_in = 1.0, []
    for ended in found.ended_at:
        left -= ended
        still_in.append(max(0.0, left))
    put = sum(share * number for number, share in enumerate(found.ended_at))
    return Forecast(
        scout.name,
        True,
        "every way was followed, with its chance",
        endings,
        _counters(rules.names, counted),
        tuple(still_in),
        put,
        None,
        found.left,
    )


def sampled(program: Program, scout: Scout, dice: Iterable[int], why: str) -> Forecast:
    """What happened to a scout that played a run with each of these dice."""
    rules, game = program.rules, program.game
    titles: Counter[str | None] = Counter()
    counted: list[defaultdict[Number, float]] = [defaultdict(float) for _ in rules.names]
    put: Counter[int] = Counter()
    total, milliseconds = 0, 0
    for one in dice:
        state = played(program, scout, one)
        total += 1
        milliseconds += state.at
        if state.phase is Phase.ENDED:
            titles[ended_as(program, state)] += 1
        put[state.put] += 1
        tally = state.tallies[leader_of(program, state)]
        for values, value in zip(counted, tally.counters, strict=True):
            values[as_written(value)] += 1
    for values in counted:
        for value in values:
            values[value] /= max(1, total)
    names = [*dict.fromkeys(ending.title for ending in game.endings), None]
    most = max(put, default=0)
    still_in = (sum(times for asked, times in put.items() if asked > n) for n in range(most + 1))
    return Forecast(
        scout.name,
        False,
        f"{total} runs were played: {why}",
        tuple(EndingShare(title, wilson(titles[title], total)) for title in names),
        _counters(rules.names, counted),
        tuple(times / max(1, total) for times in still_in),
        sum(asked * times for asked, times in put.items()) / max(1, total),
        milliseconds / 1000 / max(1, total),
        1 - titles.total() / max(1, total),
    )


def _counters(
    names: Iterable[str], counted: Iterable[Mapping[Number, float]]
) -> tuple[CounterShares, ...]:
    found = [
        CounterShares(name, tuple(sorted(values.items())), sum(v * s for v, s in values.items()))
        for name, values in zip(names, counted, strict=True)
    ]
    return tuple(sorted(found, key=lambda shares: shares.name != "score"))


def wilson(times: int, total: int, confidence: float = CONFIDENCE) -> Share:
    """A share with its interval (Wilson, Journal of the American Statistical Association 22,
    1927, 209 to 212; the formula from memory)."""
    if not total:
        return Share(0.0, 0.0, 1.0)
    z = NormalDist().inv_cdf((1 + confidence) / 2)
    share = times / total
    middle = (share + z * z / (2 * total)) / (1 + z * z / total)
    half = z * sqrt(share * (1 - share) / total + z * z / (4 * total * total))
    half /= 1 + z * z / total
    return Share(share, max(0.0, middle - half), min(1.0, middle + half))
