"""Suggest changes of a question from its evidence."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from math import ceil

from dicetrail.core.document import Kind, Question, Value
from dicetrail.core.foresight.evidence import FEW, RATHER_SURE, Picked, QuestionEvidence
from dicetrail.core.foresight.forecast import Share
from dicetrail.core.foresight.measures import is_sure

LEVEL_FROM = (0.85, 0.7, 0.55, 0.4)
"""The least share right at the first try for level 1, 2, 3 and 4; lower shares are level 5 (ours,
no source)."""

AT_LEAST_TYPED = 3
"""A typed answer is mentioned only if it came at least this often."""

_MOVES_BY = 1 / 4
"""Smaller differences, in seconds, give no suggestion."""


class Sort(Value):
    """What is suggested to change."""

    ACCEPT = "accept", "Accept an answer"
    LEVEL = "level", "Level"
    SECONDS = "seconds", "Seconds"


@dataclass(frozen=True, slots=True)
class Suggestion:
    """A change of a question, why, and how it would be then."""

    sort: Sort
    what: str
    after: Question


def suggested(found: QuestionEvidence, question: Question) -> Iterator[Suggestion]:
    """What the evidence of a question suggests to change in it, as it is now."""
    yield from _accepted(found, question)
    if found.asked < FEW:
        return
    details = question.details
    level = _level(found.first)
    if level is not None and level != (details.level or 1):
        what = f"right at the first try {100 * found.first.share:.0f} %, so of level {level}"
        yield Suggestion(Sort.LEVEL, what, replace(question, details=replace(details, level=level)))
    if found.allowed is None or found.most_within is None:
        return
    seconds = max(1, ceil(found.most_within))
    allowed = found.allowed if details.seconds is None else details.seconds
    if abs(seconds - allowed) > _MOVES_BY * allowed:
        what = (
            f"four in five are done within {found.most_within:.1f} seconds, "
            f"and the clock gives {allowed:g}"
        )
        after = replace(question, details=replace(details, seconds=seconds))
        yield Suggestion(Sort.SECONDS, what, after)


def _accepted(found: QuestionEvidence, question: Question) -> Iterator[Suggestion]:
    if question.kind is not Kind.TYPED:
        return
    for one in found.picked:
        if (
            one.times >= AT_LEAST_TYPED
            and one.given not in question.right
            and _is_known(one, found)
        ):
            what = f"{one.times} typed “{one.given}”: accept it?"
            yield Suggestion(
                Sort.ACCEPT, what, replace(question, right=(*question.right, one.given))
            )


def _is_known(one: Picked, found: QuestionEvidence) -> bool:
    """Whether players who know more give an answer as often as players who know less, as far as the
    runs tell.

    A common misbelief comes from players who know less. Then those who gave the right answer did
    clearly better elsewhere, and those who gave another wrong answer did no worse.
    """
    right = found.right_at[0] if found.right_at else 0
    below = one.below_right
    if below is not None and below > 0 and is_sure(below, right + one.times, RATHER_SURE):
        return False
    return one.with_better is None or one.with_better > 0


def _level(first: Share) -> int | None:
    """The level of a share right at the first try; None where it may as well be another."""
    least, most = (
        1 + sum(share < bound for bound in LEVEL_FROM) for share in (first.most, first.least)
    )
    now = 1 + sum(first.share < bound for bound in LEVEL_FROM)
    return now if most - least <= 1 else None
