"""What real play says about questions: how often right, how fast, how well they tell players apart.

A question is compared with the rest of the run it stood in: its corrected item-total correlation is
that of being right here with the share right of the run's other questions (Guilford's part-whole
correction; common practice in test theory). Few answers say nothing, and never give a bold verdict.
"""

from collections import Counter, defaultdict
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from itertools import compress

from dicetrail.core.answers import Verdict
from dicetrail.core.document import Value, gap_in, pair_in
from dicetrail.core.foresight.forecast import Share, wilson
from dicetrail.core.foresight.measures import (
    Quartiles,
    correlation,
    cronbach,
    is_sure,
    most_within,
    quartiles,
)
from dicetrail.core.foresight.observations import Observation
from dicetrail.core.play import Result

FEW = 12
"""Fewer observations than these are too few to say."""

MANY = 30
"""So many are enough to say of a choice that nobody picks it, and of a key that it is wrong: of
those who were wrong."""

VERY_SURE, SURE, RATHER_SURE = 2.6, 1.96, 1.0
"""So many standard errors from nothing a correlation must be to be spoken of: alone, and where
something else speaks too."""

SOME_OF_WRONG, SOME_OF_ALL = 0.28, 0.17
"""What rivals the right answer has at least such a share of what was wrong, and of all answers
(ours, no source)."""

EASY, HARD = 0.95, 0.25


class Says(StrEnum):
    """A verdict on a question."""

    FEW = "too few to say"
    FINE = "fine"
    EASY = "too easy"
    HARD = "too hard"
    UNTOLD = "too hard, or keyed wrong: these runs cannot tell"
    """There is nothing of the same players to hold it against, as where the first mistake ends a
    run."""
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
    below_right: float | None
    """Among those who gave this or what is right at first, the correlation of giving what is right
    with that share: where this is right too, it is nothing; None where it cannot be said."""


@dataclass(frozen=True, slots=True)
class Swapped:
    """Two answers that belong next to each other in an order, and how often the second was put
    before the first."""

    first: str
    second: str
    times: int


@dataclass(frozen=True, slots=True)
class Mismatched:
    """A wrong partner of an item of a match, and how often it was given."""

    item: str
    partner: str
    times: int


@dataclass(frozen=True, slots=True)
class Misfilled:
    """What was given for a gap and does not fit, and how often."""

    number: int
    """The number of the gap, from 1."""
    right: str
    """What fits."""
    given: str
    """Empty where the gap was left empty."""
    times: int


@dataclass(frozen=True, slots=True)
class Hit:
    """A point of the picture, in tenths of a percent, that a first try pointed at."""

    across: int
    down: int
    is_right: bool
    """Whether the try was right."""


MAX_HITS = 2_000
"""So many points are told, the newest."""


@dataclass(frozen=True, slots=True)
class QuestionEvidence:
    """What the runs chosen say of one question."""

    source: str
    number: int
    """Its number in the source, from 0, as it was when it was last seen."""
    prompt: str
    accepted: tuple[str, ...]
    """What was accepted."""
    answer: str
    """The right answer in words."""
    level: int
    is_picked: bool
    """Whether its answer is picked from choices, not typed."""
    allowed: float | None
    """The seconds its own clock gave for it; None without one."""
    asked: int
    right: Share
    right_at: tuple[int, ...]
    """How often it was right at the first try, at the second, and so on."""
    first: Share
    """How often it was right at the first try."""
    partly: int
    """How often it was done with as partly right."""
    late: int
    passed: int
    hinted: int
    seconds: Quartiles | None
    """The quartiles of the answer times; None without answers."""
    most_within: float | None
    """The seconds within which four in five were done with it; None where time ran out first."""
    with_rest: float | None
    """The corrected item-total correlation; None where it cannot be said."""
    picked: tuple[Picked, ...]
    """Wrong choices by how often they were picked first, those never picked last; or typed
    answers that were refused."""
    swapped: tuple[Swapped, ...]
    """Of answers put in order: each two neighbours that any first try had the other way round, the
    most frequent first."""
    mismatched: tuple[Mismatched, ...]
    """Of a match: each wrong partner that any first try gave to an item, the most frequent
    first."""
    misfilled: tuple[Misfilled, ...]
    """Of gaps: what any first try gave for one that does not fit, the most frequent first."""
    hits: tuple[Hit, ...]
    """Of a picture: the points that first tries pointed at, the oldest first."""
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


Asked = tuple[str, str, tuple[str, ...]]
"""A question whatever its place: its source, what it asks, and what is right."""


def asked_in(one: Observation) -> Asked:
    """Which question was seen. One whose answer was mended since is another."""
    return one.source, one.prompt, one.right


class _Had:
    """The observations of a question, oldest first, in columns: there can be very many."""

    def __init__(self) -> None:
        self.seen: list[Observation] = []
        self.is_right: list[bool] = []
        self.rest: list[float | None] = []
        """The share right of their players' other questions in that run."""


def evidence_of(runs: Sequence[Sequence[Observation]]) -> Evidence:
    """What the questions of some runs, each as its observations, say; the oldest run first."""
    had: defaultdict[Asked, _Had] = defaultdict(_Had)
    rows: list[dict[Asked, float]] = []
    lengths = {count for run in runs for count in Counter(one.player for one in run).values()}
    for run in runs:
        row: dict[Asked, float] = {}
        for one, rest in zip(run, _rests(run, only_before=len(lengths) > 1), strict=True):
            asked = asked_in(one)
            found = had[asked]
            found.seen.append(one)
            found.is_right.append(one.is_right)
            found.rest.append(rest)
            row[asked] = float(one.is_right)
        if row:
            rows.append(row)
    alpha, of = _alpha(rows)
    told = sorted(map(_of_question, had.values()), key=lambda one: (one.source, one.number))
    return Evidence(len(runs), tuple(told), alpha, of)


def _rests(run: Sequence[Observation], only_before: bool) -> list[float | None]:
    """For each observation of a run, the share right of the same player's others; None without any.

    Where runs are not of one length, what ends them may hang on the answers: who is wrong sees
    fewer questions after. So only those before count, on which what comes after has no hold.
    """
    counted: dict[int, tuple[int, int]] = {}
    if not only_before:
        for one in run:
            right, asked = counted.get(one.player, (0, 0))
            counted[one.player] = right + one.is_right, asked + 1
    rests: list[float | None] = []
    for one in run:
        right, asked = counted.get(one.player, (0, 0))
        if only_before:
            counted[one.player] = right + one.is_right, asked + 1
        else:
            right, asked = right - one.is_right, asked - 1
        rests.append(right / asked if asked else None)
    return rests


class EvidenceCount(Value):
    """What a number of a question counts."""

    ASKED = "asked", "All who had it"
    RIGHT = "right", "Right"
    FIRST = "first", "Right at the first try"
    PARTLY = "partly", "Partly right at the end"
    LATE = "late", "Too late"
    PASSED = "passed", "Passed"
    HINTED = "hinted", "Took the hint"
    GIVEN = "given", "Gave this answer first"


def is_counted(one: Observation, of: EvidenceCount, given: str = "") -> bool:
    """Whether a number of its question counts an observation."""
    match of:
        case EvidenceCount.ASKED:
            return True
        case EvidenceCount.RIGHT:
            return one.is_right
        case EvidenceCount.FIRST:
            return one.is_right_at(1)
        case EvidenceCount.PARTLY:
            return one.result is Result.PARTLY
        case EvidenceCount.LATE:
            return one.result is Result.LATE
        case EvidenceCount.PASSED:
            return one.result is Result.PASSED
        case EvidenceCount.HINTED:
            return one.is_hinted
        case EvidenceCount.GIVEN:
            return bool(one.tries) and _alike(one.tries[0].given) == _alike(given)


def _of_question(had: _Had) -> QuestionEvidence:
    seen, newest, asked = had.seen, had.seen[-1], len(had.seen)
    rested = [place for place, rest in enumerate(had.rest) if rest is not None]
    with_rest = correlation(
        [float(had.is_right[place]) for place in rested],
        [rest for rest in had.rest if rest is not None],
    )
    tries = Counter([len(one.tries) or 1 for one in compress(seen, had.is_right)])
    results = [one.result for one in seen]
    times = sorted([one.used_ms / 1000 for one in seen if one.tries])
    late = results.count(Result.LATE)
    share = wilson(sum(tries.values()), asked)
    picked = _picked(newest, had)
    unpicked = tuple(one.given for one in picked if not one.times and newest.choices)
    return QuestionEvidence(
        source=newest.source,
        number=newest.number,
        prompt=newest.prompt,
        accepted=newest.right,
        answer=newest.answer or " or ".join(newest.right),
        level=newest.level,
        is_picked=bool(newest.choices),
        allowed=None if newest.allowed_ms is None else newest.allowed_ms / 1000,
        asked=asked,
        right=share,
        right_at=tuple(tries[at] for at in range(1, max(tries, default=0) + 1)),
        first=wilson(tries[1], asked),
        partly=results.count(Result.PARTLY),
        late=late,
        passed=results.count(Result.PASSED),
        hinted=sum([one.is_hinted for one in seen]),
        seconds=quartiles(times),
        most_within=most_within(times, late),
        with_rest=with_rest,
        picked=picked,
        swapped=_swapped(newest, seen),
        mismatched=_mismatched(newest, seen),
        misfilled=_misfilled(newest, seen),
        hits=_hits(seen),
        says=_says(share, asked, late, with_rest, picked),
        unpicked=unpicked if asked >= MANY else (),
    )


def _swapped(question: Observation, seen: Sequence[Observation]) -> tuple[Swapped, ...]:
    """Which neighbours of an order first tries had the other way round."""
    times = Counter[int]()
    for one in seen:
        order = one.tries[0].order if one.tries else ()
        for at in range(len(order) - 1):
            times[at] += order.index(at) > order.index(at + 1)
    right = question.right
    return tuple(
        Swapped(right[at], right[at + 1], count)
        for at, count in sorted(times.items(), key=lambda found: (-found[1], found[0]))
        if count
    )


def _mismatched(question: Observation, seen: Sequence[Observation]) -> tuple[Mismatched, ...]:
    """Which wrong partners first tries gave to the items of a match."""
    times = Counter[tuple[str, str]]()
    for one in seen:
        given = one.tries[0].partners if one.tries else ()
        pairs = list(filter(None, map(pair_in, question.right))) if given else []
        for (item, partner), its in zip(pairs, given, strict=False):
            if its != partner:
                times[item, its] += 1
    return tuple(
        Mismatched(item, partner, count)
        for (item, partner), count in sorted(times.items(), key=lambda found: (-found[1], found[0]))
    )


def _hits(seen: Sequence[Observation]) -> tuple[Hit, ...]:
    """Where first tries pointed."""
    firsts = [one.tries[0] for one in seen if one.tries]
    good = (Verdict.RIGHT, Verdict.CLOSE)
    found = [Hit(*point, one.verdict in good) for one in firsts for point in one.points]
    return tuple(found[-MAX_HITS:])


def _misfilled(question: Observation, seen: Sequence[Observation]) -> tuple[Misfilled, ...]:
    """What first tries gave for gaps that does not fit; alike answers are one."""
    times, first = Counter[tuple[int, str]](), dict[tuple[int, str], str]()
    for one in seen:
        for at, gap in enumerate(one.tries[0].gaps if one.tries else ()):
            if not gap.is_right:
                times[at, _alike(gap.given)] += 1
                first.setdefault((at, _alike(gap.given)), gap.given)
    found = sorted(times.items(), key=lambda found: (-found[1], found[0]))
    return tuple(
        Misfilled(at + 1, gap_in(question.right[at]).accepted[0], first[at, like], count)
        for (at, like), count in found
    )


def _picked(question: Observation, had: _Had) -> tuple[Picked, ...]:
    """What was given first and was wrong, the most frequent first."""
    given = [
        (one.tries[0].given, rest)
        for one, rest in zip(had.seen, had.rest, strict=True)
        if one.tries and one.tries[0].verdict in (Verdict.PARTLY, Verdict.WRONG)
    ]
    spelled = Counter([text for text, _ in given])
    alike = {text: _alike(text) for text in spelled}
    names = {alike[text]: text for text, _ in reversed(spelled.most_common())}
    wrong = [(alike[text], rest) for text, rest in given]
    first = Counter([text for text, _ in wrong])
    if question.choices:
        shown = set[str]().union(*{one.choices for one in had.seen})
        # None of the choices of a match is right by itself, so that none of them is wrong.
        wrong_ones = set() if shown.isdisjoint(question.right) else shown.difference(question.right)
        choices = {_alike(choice): choice for choice in sorted(wrong_ones)}
        names |= choices
        first.update(dict.fromkeys(choices, 0))
    right = [
        rest
        for one, rest in zip(had.seen, had.rest, strict=True)
        if rest is not None and one.is_right_at(1)
    ]
    rested = [(text, rest) for text, rest in wrong if rest is not None]
    shares = [rest for _, rest in rested]
    gave = {text: [rest for one, rest in rested if one == text] for text in first}
    return tuple(
        Picked(
            names[text],
            times,
            correlation([float(one == text) for one, _ in rested], shares) if times else None,
            correlation([1.0] * len(right) + [0.0] * len(gave[text]), [*right, *gave[text]])
            if times
            else None,
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
    if any(_rivals_the_key(one, picked, asked) for one in picked):
        return Says.KEYED_WRONG
    is_worse = with_rest is not None and with_rest < 0 and is_sure(with_rest, asked, VERY_SURE)
    most = max((one.times for one in picked), default=0)
    if is_worse or wilson(most, asked).least > share.most:
        return Says.MISLEADING
    if share.least > EASY:
        return Says.EASY
    if share.most >= HARD:
        return Says.FINE
    return Says.HARD if with_rest is not None else Says.UNTOLD


def _rivals_the_key(one: Picked, picked: Sequence[Picked], asked: int) -> bool:
    """Whether what is wrong is given by most of those who were wrong, and rather by the better
    of them: where players only guess, or are misled, neither is so at once."""
    wrong, found = sum(other.times for other in picked), one.with_better
    if wrong < MANY:
        return False
    if sum(other.times > 0 for other in picked) == 1:
        # All who were wrong gave this: it is told by being given by the better players.
        below, told = one.below_right, asked - wrong + one.times
        return below is not None and below < 0 and is_sure(below, told, VERY_SURE)
    if found is None or found <= 0:
        return False
    if (
        wilson(one.times, asked).least < SOME_OF_ALL
        or wilson(one.times, wrong).least < SOME_OF_WRONG
    ):
        return False
    right = asked - wrong
    below = one.below_right
    if below is not None and below > 0 and is_sure(below, right + one.times, SURE):
        return False
    return is_sure(found, wrong, RATHER_SURE)


def _alpha(rows: Sequence[Mapping[Asked, float]]) -> tuple[float | None, str]:
    """Cronbach's alpha of the questions that all runs asked."""
    shared = sorted(set(rows[0]).intersection(*rows[1:])) if rows else []
    if len(shared) < 2 or len(rows) < FEW:
        return None, "too few questions that every run asked, or too few runs"
    return cronbach([[row[key] for key in shared] for row in rows]), (
        f"of {len(shared)} questions that each of {len(rows)} runs asked"
    )
