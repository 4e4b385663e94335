"""Predict what happens to many players.

The forecast is exact if every tally can be followed, computed on a grid of time if countdowns run,
and otherwise sampled from runs that scouts play, with intervals. A forecast says which it is, and
why.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from math import sqrt
from statistics import NormalDist

from dicetrail.core.document import Number, as_written
from dicetrail.core.foresight.asking import CannotForecast
from dicetrail.core.foresight.exact_forecast import MAX_FOLLOWED, ExactForecast, ExactResult
from dicetrail.core.foresight.lengths import BINS, Lengths, lengths_of
from dicetrail.core.foresight.playing import names_for, played
from dicetrail.core.foresight.scouts import Scout
from dicetrail.core.play import Phase, Program, State, ended_as, players_refused
from dicetrail.core.rules import Tallies, best_score

PLAYED = 400
"""The number of runs that are played if the game cannot be followed exactly."""

CONFIDENCE = 0.95
"""The confidence level of the intervals of sampled forecasts."""


class How(StrEnum):
    """How a forecast was worked out."""

    EXACT = "exact"
    ON_GRID = "on a grid"
    SAMPLED = "sampled"


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
class ValueShare:
    """A value, and how many come to it."""

    value: Number
    share: float


@dataclass(frozen=True, slots=True)
class CounterShares:
    """What a counter of a player comes to, from the lowest up, each value with its share."""

    name: str
    player: int
    """From 0."""
    values: tuple[ValueShare, ...]
    mean: float


@dataclass(frozen=True, slots=True)
class Forecast:
    """What will happen to many players of one kind, or to many that play together."""

    scouts: tuple[str, ...]
    how: How
    why: str
    """How it was worked out, and if it was not exactly, why not."""
    endings: tuple[EndingShare, ...]
    """Every ending of the game, in order, and last those who come to none."""
    counters: tuple[CounterShares, ...]
    """Of each player the score first, then the other counters."""
    leads: tuple[float, ...]
    """How often each player has the best score alone, and last how often several share it;
    empty for one player."""
    still_in: tuple[float, ...]
    """How many scouts are still in after each number of questions, from 0."""
    ends_most: int | None
    """The question that ends most runs, by its number from 1; None if none ends any."""
    questions: float
    """How many questions are put, on average."""
    seconds: float
    """How long a run is on average."""
    lengths: Lengths | None
    """How long runs are; None where it was not asked for."""
    unended: float
    """The share of players who had not finished."""
    moved: float | None = None
    """By how much any ending's share moves at most on a grid twice as coarse; None without."""


def forecast(
    program: Program,
    *scouts: Scout,
    runs: int = PLAYED,
    is_quick: bool = False,
    most_followed: int = MAX_FOLLOWED,
) -> Forecast:
    """What will happen to scouts who play together, one for each player.

    The forecast is exact if the game can be followed, else it comes from sampled runs. A quick
    forecast leaves out the distribution of lengths and the error bound of a grid. `most_followed`
    is how many ways are followed before runs are sampled instead.

    Raises ValueError unless the game takes that many players.
    """
    refused = players_refused(program.game, len(scouts))
    if refused is not None:
        raise ValueError(refused)
    try:
        exact_forecast = ExactForecast(program, scouts, most_followed=most_followed)
        found = exact_forecast.weigh()
        if not exact_forecast.is_on_grid:
            why = "every way was followed, with its chance"
            lengths = None if is_quick else lengths_of(exact_forecast.anew(), found.mean_ms)
            return _weighed(program, scouts, found, How.EXACT, why, lengths, None)
        seconds = f"{exact_forecast.step_ms / 1000:g} seconds"
        why = f"every way was followed, answer times on a grid of {seconds}"
        moved, lengths = None, None
        if not is_quick:
            moved = _moved(program, scouts, found)
            why += f"; on one twice as coarse no ending moves by more than {moved:.2%}"
            if exact_forecast.has_countdown:
                lengths = sampled(program, scouts, range(runs), "").lengths
            else:
                lengths = lengths_of(exact_forecast.anew(), found.mean_ms)
        return _weighed(program, scouts, found, How.ON_GRID, why, lengths, moved)
    except CannotForecast as reason:
        return sampled(program, scouts, range(runs), str(reason))


def _moved(program: Program, scouts: Sequence[Scout], found: ExactResult) -> float:
    """By how much an ending's share differs at most on a grid twice as coarse."""
    coarse = ExactForecast(program, scouts, coarser=2).weigh()
    fine_shares, coarse_shares = _by_ending(found), _by_ending(coarse)
    return max(
        abs(fine_shares[ending] - coarse_shares[ending])
        for ending in {*fine_shares, *coarse_shares}
    )


def _by_ending(found: ExactResult) -> defaultdict[int | None, float]:
    shares: defaultdict[int | None, float] = defaultdict(float)
    for over, share in found.ends.items():
        shares[over.ending] += share
    return shares


def _weighed(
    program: Program,
    scouts: Sequence[Scout],
    found: ExactResult,
    how: How,
    why: str,
    lengths: Lengths | None,
    moved: float | None,
) -> Forecast:
    game, shares = program.game, _by_ending(found)
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
    ends = [(over.tallies, share) for over, share in found.ends.items()]
    return Forecast(
        names_for(scouts),
        how,
        why,
        endings,
        _counters(program, len(scouts), ends),
        _leads(program, len(scouts), ends),
        tuple(still_in),
        _ends_most(found.ended_at),
        sum(share * number for number, share in enumerate(found.ended_at)),
        found.mean_ms / 1000,
        lengths,
        found.left,
        moved,
    )


def sampled(program: Program, scouts: Sequence[Scout], dice: Iterable[int], why: str) -> Forecast:
    """What happened to scouts who played a run with each of these dice."""
    return told(program, scouts, counted(program, scouts, dice), why)


@dataclass(slots=True)
class Played:
    """What runs came to, counted; two such counts can be added."""

    runs: int
    titles: Counter[str | None]
    tallies: Counter[Tallies]
    presented_counts: Counter[int]
    """Runs that came to their end, by how many questions were put."""
    left: int
    """Runs that did not come to an end."""
    milliseconds: Counter[int]

    def __iadd__(self, other: "Played") -> "Played":
        self.runs += other.runs
        self.left += other.left
        self.titles.update(other.titles)
        self.tallies.update(other.tallies)
        self.presented_counts.update(other.presented_counts)
        self.milliseconds.update(other.milliseconds)
        return self


def nothing_played() -> Played:
    """The count of no runs."""
    return Played(0, Counter(), Counter(), Counter(), 0, Counter())


def counted(program: Program, scouts: Sequence[Scout], dice: Iterable[int]) -> Played:
    """What scouts come to who play a run with each of these dice."""
    found = nothing_played()
    for one in dice:
        _count(program, found, played(program, scouts, one))
    return found


def _count(program: Program, found: Played, state: State) -> None:
    found.runs += 1
    found.milliseconds[state.at] += 1
    found.presented_counts[state.history.presented_count] += 1
    merged = program.rules.merged
    found.tallies[tuple(map(merged, state.tallies))] += 1
    if state.phase is Phase.ENDED:
        found.titles[ended_as(program, state)] += 1
    else:
        found.left += 1


def told(program: Program, scouts: Sequence[Scout], found: Played, why: str) -> Forecast:
    """What runs that were played tell of others."""
    total = max(1, found.runs)
    names = [*dict.fromkeys(ending.title for ending in program.game.endings), None]
    ends = [(tallies, times / total) for tallies, times in sorted(found.tallies.items())]
    most = max(found.presented_counts, default=0)
    ended_at = [found.presented_counts[number] / total for number in range(most + 1)]
    left, still_in = 1.0, []
    for ended in ended_at:
        left -= ended
        still_in.append(max(0.0, left))
    milliseconds = sum(ms * times for ms, times in found.milliseconds.items())
    return Forecast(
        names_for(scouts),
        How.SAMPLED,
        f"{found.runs} runs were played: {why}",
        tuple(EndingShare(title, wilson(found.titles[title], found.runs)) for title in names),
        _counters(program, len(scouts), ends),
        _leads(program, len(scouts), ends),
        tuple(still_in),
        _ends_most(ended_at),
        sum(number * share for number, share in enumerate(ended_at)),
        milliseconds / 1000 / total,
        _spread(found.milliseconds),
        found.left / total,
    )


def _spread(milliseconds: Mapping[int, int]) -> Lengths:
    """The lengths of sampled runs, as a distribution over steps."""
    longest, total = max(milliseconds, default=0) + 1, sum(milliseconds.values())
    bins = BINS // 4
    shares = [0.0] * bins
    for ms, times in milliseconds.items():
        shares[ms * bins // longest] += times / total
    return Lengths(longest / bins / 1000, tuple(shares), 0.0)


def _counters(
    program: Program, players: int, ends: Iterable[tuple[Tallies, float]]
) -> tuple[CounterShares, ...]:
    names = program.rules.names
    counted = [[defaultdict[Number, float](float) for _ in names] for _ in range(players)]
    for tallies, share in ends:
        for tally, counts in zip(tallies, counted, strict=True):
            for values, value in zip(counts, tally.counters, strict=True):
                values[as_written(value)] += share
    order = sorted(range(len(names)), key=lambda place: names[place] != "score")
    return tuple(
        CounterShares(
            names[place],
            player,
            tuple(ValueShare(*one) for one in sorted(counts[place].items())),
            sum(value * share for value, share in counts[place].items()),
        )
        for player, counts in enumerate(counted)
        for place in order
    )


def _leads(
    program: Program, players: int, ends: Iterable[tuple[Tallies, float]]
) -> tuple[float, ...]:
    if players == 1:
        return ()
    leads = [0.0] * (players + 1)
    for tallies, share in ends:
        scores = [program.rules.score(tally) for tally in tallies]
        best = best_score(program.game, scores)
        leads[scores.index(best) if scores.count(best) == 1 else players] += share
    return tuple(leads)


def _ends_most(ended_at: Sequence[float]) -> int | None:
    """The number of the question that ends most runs."""
    ended = list(ended_at[1:])
    return ended.index(max(ended)) + 1 if any(ended) else None


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
