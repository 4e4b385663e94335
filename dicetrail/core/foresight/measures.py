"""Statistics of tables of answers: correlation, quartiles, internal consistency."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from math import atanh, ceil, fsum, sqrt
from operator import mul
from statistics import quantiles


def is_sure(found: float, pairs: int, errors: float) -> bool:
    """Whether a correlation is hardly chance's (Fisher's z; R. A. Fisher, Metron 1, 1921, from
    memory)."""
    return abs(found) >= 1 or abs(atanh(found)) * sqrt(max(0, pairs - 3)) > errors


def correlation(some: Sequence[float], others: Sequence[float]) -> float | None:
    """Pearson's correlation, which for a yes or no is the point-biserial; None if either never
    varies."""
    count = len(some)
    if count < 3:
        return None
    mean, other = fsum(some) / count, fsum(others) / count
    apart = [one - mean for one in some]
    apart_too = [one - other for one in others]
    spread, spread_too = (fsum(map(mul, one, one)) for one in (apart, apart_too))
    if spread < _STILL or spread_too < _STILL:
        return None
    return fsum(map(mul, apart, apart_too)) / sqrt(spread * spread_too)


_STILL = 1e-12

_MOST = 4 / 5


def most_within(times: Sequence[float], late: int) -> float | None:
    """The time by which four in five were done, from sorted times and the count of those who ran
    out of time."""
    place = ceil(_MOST * (len(times) + late))
    return times[place - 1] if 0 < place <= len(times) else None


@dataclass(frozen=True, slots=True)
class Quartiles:
    """The quartiles of some numbers: a quarter, one half and three quarters lie below."""

    first: float
    median: float
    third: float


def quartiles(times: Sequence[float]) -> Quartiles | None:
    """Quartiles of Hyndman and Fan's type 7, which NumPy calls linear; None without numbers."""
    if not times:
        return None
    if len(times) == 1:
        return Quartiles(times[0], times[0], times[0])
    return Quartiles(*quantiles(times, method="inclusive"))


def cronbach(rows: Iterable[Sequence[float]]) -> float | None:
    """Cronbach's alpha of a table, a row a player and a column an item; None where no total
    varies (L. J. Cronbach, Psychometrika 16, 1951, from memory)."""
    table = list(rows)
    items = len(table[0])
    total = _variance([sum(row) for row in table])
    if total < _STILL:
        return None
    parts = sum(_variance([row[item] for row in table]) for item in range(items))
    return items / (items - 1) * (1 - parts / total)


def _variance(values: Sequence[float]) -> float:
    mean = sum(values) / len(values)
    return sum((value - mean) ** 2 for value in values) / (len(values) - 1)
