"""Summarise played runs: endings, scores, lengths, and where players left."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from statistics import fmean

from dicetrail.core.document import Number
from dicetrail.core.foresight.forecast import EndingShare, Forecast, Share, ValueShare, wilson
from dicetrail.core.foresight.measures import Quartiles, quartiles
from dicetrail.core.foresight.observations import Playthrough


@dataclass(frozen=True, slots=True)
class RunSummary:
    """What the runs chosen came to. Scores and lengths are of those that ended."""

    runs: int
    ended: int
    endings: tuple[EndingShare, ...]
    """Of those that ended, the most frequent first; without a title, none fitted."""
    scores: tuple[ValueShare, ...]
    """From the lowest up."""
    mean_score: float | None
    seconds: Quartiles | None
    """The quartiles of how long they took; None where none ended."""
    left_after: tuple[int, ...]
    """How many were left after no question, after one, and so on."""
    still_in: tuple[float, ...]
    """How many runs were not yet over after each number of questions, from 0."""


def run_summary(runs: Sequence[Playthrough]) -> RunSummary:
    """The summary of some runs."""
    ended = [run for run in runs if run.ending is not None]
    endings = Counter(run.ending or "" for run in ended)
    scores: Counter[Number] = Counter(run.score for run in ended)
    left = Counter(len(run.seen) for run in runs if run.ending is None)
    over = Counter(len(run.seen) for run in runs)
    going, still_in = len(runs), []
    for count in range(max(over, default=-1) + 1):
        going -= over[count]
        still_in.append(going / len(runs))
    return RunSummary(
        len(runs),
        len(ended),
        tuple(
            EndingShare(title or None, wilson(times, len(ended)))
            for title, times in sorted(endings.items(), key=lambda one: (-one[1], one[0]))
        ),
        tuple(ValueShare(score, scores[score] / len(ended)) for score in sorted(scores)),
        fmean(run.score for run in ended) if ended else None,
        quartiles([run.seconds for run in ended]),
        tuple(left[count] for count in range(max(left, default=-1) + 1)),
        tuple(still_in),
    )


@dataclass(frozen=True, slots=True)
class Borne:
    """The forecast share of an ending beside its observed share."""

    title: str | None
    foretold: Share
    came: Share
    is_borne_out: bool
    """Whether the forecast lies in the 95 % interval of the observed share."""


def borne_out(told: Forecast, came: RunSummary) -> tuple[Borne, ...]:
    """The endings of a forecast beside the results of runs; empty if no run has ended."""
    if not came.ended:
        return ()
    shares = {ending.title: ending.share for ending in came.endings}
    never = wilson(0, came.ended)
    return tuple(
        Borne(
            one.title,
            one.share,
            share,
            one.share.most >= share.least - _STILL and one.share.least <= share.most + _STILL,
        )
        for one in told.endings
        for share in (shares.get(one.title, never),)
        if one.share.share or one.title in shares
    )


_STILL = 1e-9
