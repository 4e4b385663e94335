"""What real play says about questions: how often right, how fast, how well they tell players apart.

A question is compared with the rest of the run it stood in: its corrected item-total correlation is
that of being right here with the share right of the run's other questions (Guilford's part-whole
correction; common practice in test theory). Few answers say nothing, and never give a bold verdict.
"""

from collections import Counter, defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from enum import StrEnum
from math import atanh, sqrt
from statistics import quantiles

from dicetrail.core.answers import Verdict
from dicetrail.core.foresight.forecast import Share, wilson
from dicetrail.core.foresight.sightings import Sighting
from dicetrail.core.play import Result

FEW = 12
"""Fewer sightings than these are too few to say."""

MANY = 30
"""So many are enough to say of a choice that nobody picks it."""

SURE, RATHER_SURE = 1.96, 1.0
"""So many standard errors from nothing a correlation must be to be spoken of: alone, and where
something else speaks too."""

MOST_OF_WRONG = 0.4
"""What rivals the right answer has at least this share of what was wrong."""

EASY, HARD = 0.95, 0.25


class Says(StrEnum):
    """A verdict on a question."""

    FEW = "too few to say"
    FINE = "fine"
    EASY = "too easy"
    HARD = "too hard"
    MISLEADING = "misleading"
    KEYED_WRONG = "probably keyed wrong"
    NO_TIME = "time is never enough"


@dataclass(frozen=True, slots=True)
class Picked:
    """A choice, or a group of typed answers that were refused, and how often it came first."""

    given: str
    times: int
    with_better: float | None
    """Among those who were wrong at first, the correlation of giving this with the share right
    of their other questions; None where it cannot be said."""


@dataclass(frozen=True, slots=True)
class QuestionEvidence:
    """What the runs chosen say of one question."""

    source: str
    number: int
    prompt: str
    asked: int
    right: Share
    right_at: tuple[int, ...]
    """How often it was right at the first try, at the second, and so on."""
    late: int
    passed: int
    hinted: int
    seconds: tuple[float, float, float] | None
    """The quartiles of the answer times, the median in the middle; None without answers."""
    with_rest: float | None
    """The corrected item-total correlation; None where it cannot be said."""
    picked: tuple[Picked, ...]
    """Wrong choices by how often they were picked first, those never picked last; or typed
    answers that were refused."""
    says: Says
    unpicked: tuple[str, ...]
    """Wrong choices that nobody picks, though many could."""


@dataclass(frozen=True, slots=True)
class Evidence:
    """What the runs chosen say."""

    runs: int
    questions: tuple[QuestionEvidence, ...]
    """In the order of their sources and numbers."""
    alpha: float | None
    """How far the questions measure one thing, from 0 to 1 (Cronbach's alpha, which of right and
    wrong is KR-20); None where it cannot be said."""
    alpha_of: str
    """Of what it was taken, or why it cannot be."""


def evidence_of(runs: Sequence[Sequence[Sighting]]) -> Evidence:
    """What the questions of some runs, each as its sightings, say."""
    seen: defaultdict[tuple[str, int], list[tuple[Sighting, float | None]]] = defaultdict(list)
    for run in runs:
        right = sum(one.is_right for one in run)
        for one in run:
            rest = (right - one.is_right) / (len(run) - 1) if len(run) > 1 else None
            seen[one.source, one.number].append((one, rest))
    alpha, of = _alpha(runs)
    return Evidence(len(runs), tuple(_of_question(seen[key]) for key in sorted(seen)), alpha, of)


def _of_question(seen: Sequence[tuple[Sighting, float | None]]) -> QuestionEvidence:
    all_ = [one for one, _ in seen]
    right = sum(one.is_right for one in all_)
    rested = [(one, rest) for one, rest in seen if rest is not None]
    with_rest = correlation(
        [float(one.is_right) for one, _ in rested], [rest for _, rest in rested]
    )
    picked = _picked(all_[0], rested, all_)
    tries = Counter(len(one.tries) for one in all_ if one.is_right)
    times = [one.used_ms / 1000 for one in all_ if one.tries]
    late = sum(one.result is Result.LATE for one in all_)
    share = wilson(right, len(all_))
    unpicked = tuple(one.given for one in picked if not one.times and all_[0].choices)
    return QuestionEvidence(
        all_[0].source,
        all_[0].number,
        all_[0].prompt,
        len(all_),
        share,
        tuple(tries[at] for at in range(1, max(tries, default=0) + 1)),
        late,
        sum(one.result is Result.PASSED for one in all_),
        sum(one.is_hinted for one in all_),
        _quartiles(times),
        with_rest,
        picked,
        _says(share, len(all_), late, with_rest, picked),
        unpicked if len(all_) >= MANY else (),
    )


def _picked(
    question: Sighting,
    rested: Sequence[tuple[Sighting, float]],
    all_: Sequence[Sighting],
) -> tuple[Picked, ...]:
    """What was given first and was wrong, the most frequent first."""
    first = Counter(
        _alike(one.tries[0].given)
        for one in all_
        if one.tries and one.tries[0].verdict is Verdict.WRONG
    )
    given = (tried.given for one in all_ for tried in one.tries)
    names = {_alike(text): text for text in given}
    if question.choices:
        wrong = {choice for one in all_ for choice in one.choices} - set(question.right)
        names |= {_alike(choice): choice for choice in wrong}
        first.update({_alike(choice): 0 for choice in wrong})
    wrong_first = [
        (_alike(one.tries[0].given), rest)
        for one, rest in rested
        if one.tries and one.tries[0].verdict is Verdict.WRONG
    ]
    shares = [rest for _, rest in wrong_first]
    return tuple(
        Picked(
            names[text],
            times,
            correlation([float(one == text) for one, _ in wrong_first], shares) if times else None,
        )
        for text, times in sorted(first.items(), key=lambda found: (-found[1], found[0]))
    )


def _alike(given: str) -> str:
    """Typed answers that differ in capitals and spaces alone are one."""
    return " ".join(given.casefold().split())


def _says(
    share: Share, asked: int, late: int, with_rest: float | None, picked: Sequence[Picked]
) -> Says:
    if asked < FEW:
        return Says.FEW
    if wilson(late, asked).least > 1 / 2:
        return Says.NO_TIME
    if any(_rivals_the_key(one, picked) for one in picked):
        return Says.KEYED_WRONG
    is_worse = with_rest is not None and with_rest < 0 and _is_sure(with_rest, asked, SURE)
    most = max((one.times for one in picked), default=0)
    if is_worse or wilson(most, asked).least > share.most:
        return Says.MISLEADING
    if share.least > EASY:
        return Says.EASY
    return Says.HARD if share.most < HARD else Says.FINE


def _rivals_the_key(one: Picked, picked: Sequence[Picked]) -> bool:
    """Whether what is wrong is given by most of those who were wrong, and rather by the better
    of them: where players only guess, or are misled, neither is so at once."""
    wrong, found = sum(other.times for other in picked), one.with_better
    if found is None or len(picked) < 2 or wilson(one.times, wrong).least < MOST_OF_WRONG:
        return False
    return found > 0 and _is_sure(found, wrong, RATHER_SURE)


def _is_sure(found: float, pairs: int, errors: float) -> bool:
    """Whether a correlation is hardly chance's (Fisher's z; R. A. Fisher, Metron 1, 1921, from
    memory)."""
    return abs(found) >= 1 or abs(atanh(found)) * sqrt(max(0, pairs - 3)) > errors


def correlation(some: Sequence[float], others: Sequence[float]) -> float | None:
    """Pearson's, which of a yes or no is the point-biserial; None where either never varies."""
    count = len(some)
    if count < 3:
        return None
    mean, other = sum(some) / count, sum(others) / count
    spread = sum((one - mean) ** 2 for one in some)
    spread_too = sum((one - other) ** 2 for one in others)
    if spread < _STILL or spread_too < _STILL:
        return None
    both = sum((one - mean) * (two - other) for one, two in zip(some, others, strict=True))
    return both / sqrt(spread * spread_too)


_STILL = 1e-12


def _quartiles(times: Sequence[float]) -> tuple[float, float, float] | None:
    """Those of Hyndman and Fan's type 7, which NumPy calls linear."""
    if not times:
        return None
    if len(times) == 1:
        return times[0], times[0], times[0]
    first, median, third = quantiles(times, method="inclusive")
    return first, median, third


def _alpha(runs: Sequence[Sequence[Sighting]]) -> tuple[float | None, str]:
    """Cronbach's alpha of the questions that all runs asked."""
    asked = [{(one.source, one.number) for one in run} for run in runs if run]
    shared = sorted(set.intersection(*asked)) if asked else []
    if len(shared) < 2 or len(asked) < FEW:
        return None, "too few questions that every run asked, or too few runs"
    rows = [{(one.source, one.number): float(one.is_right) for one in run} for run in runs if run]
    return cronbach([[row[key] for key in shared] for row in rows]), (
        f"of {len(shared)} questions that each of {len(rows)} runs asked"
    )


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
