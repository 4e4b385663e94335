"""A scout made from evidence: players like those who played.

Where little is known of a question, its level speaks for it, and where little is known of a
level, the steady scout does: each is shrunk as a beta-binomial is (the mean of the beta that
follows so many right of so many from a beta before them; common practice, no source).
"""

from collections import defaultdict
from collections.abc import Callable, Hashable, Iterable, Sequence
from dataclasses import replace
from math import inf, log
from statistics import NormalDist, fmean, quantiles
from typing import TypeVar

from dicetrail.core.foresight.evidence import asked_in
from dicetrail.core.foresight.observations import Observation
from dicetrail.core.foresight.scouts import Own, Scout, scout_named
from dicetrail.core.play import Result

LIKE_THOSE = "like those who played"

AS_MANY_AS = 10
"""The weight of the earlier estimate of a question or a level, in answers."""

LEAST = 5
"""Of a question that was answered less often, its level alone speaks."""

Key = TypeVar("Key", bound=Hashable)


def fitted_scout(runs: Sequence[Sequence[Observation]]) -> Scout:
    """A scout that does as the players of some runs did."""
    steady = scout_named("steady")
    assert steady is not None
    seen = [one for run in runs for one in run]
    met = [one for one in seen if one.result is not Result.PASSED]
    answered = [one for one in met if one.tries]
    alone = [one for one in answered if not one.is_hinted]
    by_level = _by(alone, lambda one: one.level)
    right = [
        shrunk(_firsts(by_level[level]), before / 100)
        for level, before in enumerate(steady.right, 1)
    ]

    def own_of(one: Observation) -> float:
        return shrunk(_firsts(by_question[asked_in(one)]), right[one.level - 1])

    by_question = _by(alone, asked_in)
    known = [found[-1] for found in by_question.values() if len(found) >= LEAST]
    again = [one for one in alone if len(one.tries) > 1 and not one.is_right_at(1)]
    helped = [one for one in answered if one.is_hinted]
    median_ms, spread = _times(met) or (steady.median_ms, steady.spread)
    return replace(
        steady,
        name=LIKE_THOSE,
        right=tuple(_percent(share) for share in right),
        again=_share([one.is_right_at(2) for one in again], steady.again),
        helped=_found(helped, own_of, _firsts(helped), steady.helped),
        passes=_share([one.result is Result.PASSED for one in seen], 0),
        hints=_share([one.is_hinted for one in met], 0),
        partly=_share(
            [
                one.is_partly_at_first
                for one in alone
                if one.can_be_partly and not one.is_right_at(1)
            ],
            steady.partly,
        ),
        close=_share(
            [one.result is Result.CLOSE for one in alone if one.is_right and not one.choices],
            steady.close,
        ),
        median_ms=median_ms,
        spread=spread,
        own=tuple(sorted((Own(one.prompt, _percent(own_of(one))) for one in known), key=_prompt)),
    )


def shrunk(found: Sequence[bool], before: float) -> float:
    """The share found, with the earlier estimate counted as a number of further answers."""
    return (sum(found) + AS_MANY_AS * before) / (len(found) + AS_MANY_AS)


def _prompt(own: Own) -> str:
    return own.prompt


def _by(
    seen: Iterable[Observation], of: Callable[[Observation], Key]
) -> defaultdict[Key, list[Observation]]:
    found: defaultdict[Key, list[Observation]] = defaultdict(list)
    for one in seen:
        found[of(one)].append(one)
    return found


def _firsts(seen: Iterable[Observation]) -> list[bool]:
    return [one.is_right_at(1) for one in seen]


def _percent(share: float) -> int:
    return min(100, max(0, round(100 * share)))


def _share(found: Sequence[bool], otherwise: int) -> int:
    return _percent(fmean(found)) if len(found) >= LEAST else otherwise


def _found(
    seen: Sequence[Observation],
    own_of: Callable[[Observation], float],
    found: Sequence[bool],
    otherwise: int,
) -> int:
    """How many of what would be missed is found after all, in percent."""
    if len(seen) < LEAST:
        return otherwise
    missed = fmean(1 - own_of(one) for one in seen)
    return _percent(1 - (1 - fmean(found)) / missed) if missed else otherwise


def _times(met: Iterable[Observation]) -> tuple[int, int] | None:
    """The median of the answer times in milliseconds, and the spread of their logarithms in
    hundredths, by the lower half of them: the upper one is cut off where time runs out."""
    times = [
        one.used_ms if one.tries else inf
        for one in met
        if len(one.tries) == 1 or one.result is Result.LATE
    ]
    if len(times) < LEAST:
        return None
    lower, half, _ = quantiles(times, method="inclusive")
    if half == inf:
        half = lower
    if not 0 < lower < inf:
        return None
    spread = (log(half) - log(lower)) / NormalDist().inv_cdf(3 / 4)
    return min(600_000, max(100, round(half))), min(300, round(100 * spread))
