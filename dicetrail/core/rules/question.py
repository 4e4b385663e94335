"""Decide what can happen to a question in play, and where that leads.

This is the only place that decides it. `can_happen` lists what can happen to an open question,
`after` gives its progress then or the outcome that closes it, `outcome_of` gives what rules read,
and `branches` gives the results. The engine takes the branch that happened, `reach` follows every
branch, and the forecast gives each branch its chance.
"""

from collections.abc import Iterator
from enum import Enum
from typing import NamedTuple

from dicetrail.core.answers import WHOLE
from dicetrail.core.document import Game, Occasion, To, Way
from dicetrail.core.rules.all_players import Falls
from dicetrail.core.rules.course import Due, Step, Where, onward
from dicetrail.core.rules.script import Event
from dicetrail.core.rules.settle import Outcome, Settled, Tally, share_left, still_allowed

CLOCK_FACTS = frozenset({"seconds_left", "seconds_used", "percent_left"})
"""The facts that a clock tells."""


_PRESSES = (Event.RIGHT, Event.PARTLY, Event.WRONG, Event.LETTER_HIT, Event.LETTER_MISS)


class Happening(Enum):
    """Something that can happen to a question: its event, and the occasion of its cues."""

    HINT = Event.HINTED, Occasion.HINT
    HIT = Event.LETTER_HIT, Occasion.LETTER_HIT
    MISS = Event.LETTER_MISS, Occasion.LETTER_MISS
    RIGHT = Event.RIGHT, Occasion.RIGHT, "right"
    CLOSE = Event.RIGHT, Occasion.CLOSE, "close"
    """Right, apart from a typing slip."""
    PARTLY = Event.PARTLY, Occasion.PARTLY, "partly"
    """Right in part."""
    WRONG = Event.WRONG, Occasion.WRONG, "wrong"
    PASSED = Event.PASSED, Occasion.PASSED, "passed"
    LATE = Event.TIMEOUT, Occasion.LATE, "late"

    def __init__(self, event: Event, occasion: Occasion, verdict: str = "") -> None:
        self.event, self.occasion, self.verdict = event, occasion, verdict
        self.is_closed = event in (Event.PASSED, Event.TIMEOUT)
        """Whether it leaves no tries and no time."""
        self.is_press = event in _PRESSES
        """Whether the player gave an answer or a letter."""


class Terms(NamedTuple):
    """What a question allows."""

    allowed: int | None = 1
    """Answers, or missed letters; None is without limit."""
    letters: int = 0
    """The different letters of a word to find; 0 for another kind of question."""
    has_hint: bool = False
    can_be_close: bool = False
    can_pass: bool = False
    has_clock: bool = False
    shares: tuple[int, ...] = ()
    """The shares, in percent, of the answers that are right in part; none if an answer is right or
    wrong as a whole."""
    can_be_wrong: bool = True
    """Whether an answer can be wrong as a whole."""


class Progress(NamedTuple):
    """How far a question in play has come."""

    used: int = 0
    """Answers given, or letters missed."""
    hits: int = 0
    """Letters of the word found."""
    is_hinted: bool = False


class ClockReading(NamedTuple):
    """What rules read of a question's clock; a fact that no rule reads is 0."""

    seconds_left: int = 0
    seconds_used: int = 0
    percent_left: int = 0


class Branch(NamedTuple):
    """One way a question can go on from something that happened to it."""

    share: float
    """The chance that the dice of the script fall this way."""
    settled: Settled
    """The result; an ending that a letter brought is here too."""
    progress: Progress
    closing: Happening | None = None
    """The outcome that a last letter led to."""
    letter: Settled | None = None
    """The result of that letter itself."""

    @property
    def is_over(self) -> bool:
        """Whether the question is done with; else it waits for more."""
        return self.settled.way is not None or self.settled.ending is not None


class QuestionOutcome(NamedTuple):
    """The result of a question; with neither way nor ending the question is still open."""

    tally: Tally
    way: Way | None = None
    ending: int | None = None
    is_out: bool = False
    """Whether its player is out of the run."""


def question_outcome(settled: Settled, tally: Tally) -> QuestionOutcome:
    """The result of a question after its last outcome. `tally` is the settled tally, merged if the
    caller merges."""
    actions = settled.script_actions
    is_out = bool(actions) and any(action.what == "out" for action in actions)
    return QuestionOutcome(tally, settled.way, settled.ending, is_out)


def question_left(game: Game, where: Where, came: QuestionOutcome) -> Step:
    """Where the run goes from a question that is done with."""
    if came.is_out and where.turn not in where.out:
        where = where._replace(out=tuple(sorted((*where.out, where.turn))))
    if came.ending is not None:
        where = where._replace(due=where.due or Due(came.ending, where.turn))
        return onward(game, where, Way(To.ENDING, game.endings[came.ending].title))
    return onward(game, where, came.way or Way())


def can_happen(terms: Terms, progress: Progress) -> Iterator[Happening]:
    """Everything that can happen to an open question.

    >>> [one.name for one in can_happen(Terms(can_pass=True), Progress())]
    ['RIGHT', 'WRONG', 'PASSED']
    """
    if terms.has_hint and not progress.is_hinted:
        yield Happening.HINT
    if terms.letters:
        if progress.hits < terms.letters:
            yield Happening.HIT
        yield Happening.MISS
    yield Happening.RIGHT
    if terms.can_be_close:
        yield Happening.CLOSE
    if terms.shares:
        yield Happening.PARTLY
    if terms.can_be_wrong:
        yield Happening.WRONG
    if terms.can_pass:
        yield Happening.PASSED
    if terms.has_clock:
        yield Happening.LATE


def after(
    terms: Terms, progress: Progress, happening: Happening, found: int = 1
) -> tuple[Progress, Happening | None]:
    """The progress of a question after something happened, and the outcome that follows at once.

    The last letter of a word makes it right, the last miss makes it wrong. A whole word that is
    right uses up no miss. `found` is how many letters a hit finds.

    >>> progress, closing = after(Terms(allowed=6, letters=2), Progress(hits=1), Happening.HIT)
    >>> progress.hits, closing.name
    (2, 'RIGHT')
    """
    used, hits, is_hinted = progress
    match happening:
        case Happening.HINT:
            return Progress(used, hits, True), None
        case Happening.HIT:
            hits += found
            is_whole = hits >= terms.letters
            return Progress(used, hits, is_hinted), Happening.RIGHT if is_whole else None
        case Happening.MISS:
            used += 1
            is_last = not still_allowed(terms.allowed, used)
            return Progress(used, hits, is_hinted), Happening.WRONG if is_last else None
        case Happening.PARTLY | Happening.WRONG:
            used += 1
        case Happening.RIGHT | Happening.CLOSE:
            used += not terms.letters
    return Progress(used, hits, is_hinted), None


def outcome_of(
    asked: Outcome,
    terms: Terms,
    progress: Progress,
    happening: Happening,
    reading: ClockReading,
    share: int = 0,
) -> Outcome:
    """The facts that rules read when something happened to a question. `progress` is the progress
    after it, and `share` how much of an answer is right that is partly right, in percent.

    After a timeout or a pass, no time and no tries are left.
    """
    is_closed = happening.is_closed
    return Outcome(
        happening.event,
        asked.round,
        asked.number,
        asked.worth,
        asked.level,
        0 if is_closed else reading.seconds_left,
        reading.seconds_used,
        asked.seconds_allowed,
        0 if is_closed else reading.percent_left,
        progress.used,
        0 if is_closed else still_allowed(terms.allowed, progress.used),
        asked.player_number,
        happening.verdict,
        share=WHOLE if happening.event is Event.RIGHT else share,
    )


def branches(
    falls: Falls,
    asked: Outcome,
    terms: Terms,
    tally: Tally,
    progress: Progress,
    happening: Happening,
    reading: ClockReading,
    share: int = 0,
) -> Iterator[Branch]:
    """The results of something that happens to a question: one branch for each fall of the dice.
    `share` is that of a partly right answer, in percent."""
    then, closing = after(terms, progress, happening)
    outcome = outcome_of(asked, terms, then, happening, reading, share)
    if closing is None:
        for chance, settled in falls(tally, outcome):
            yield Branch(chance, settled, then)
        return
    closed = outcome_of(asked, terms, then, closing, reading)
    for chance, letter in falls(tally, outcome):
        for part, settled in falls(letter.tally, closed):
            yield Branch(chance * part, after_letter(letter, settled), then, closing, letter)


def after_letter(letter: Settled, settled: Settled) -> Settled:
    """The result of a word that its last letter settled. The word is settled even if the letter
    brought an ending at once, and that ending is the one that came."""
    return settled if letter.ending is None else settled._replace(ending=letter.ending)


def read_clock(reads: frozenset[str], allowed_ms: int, used_ms: int) -> ClockReading:
    """The clock reading of rules that read these facts; `allowed_ms` is 0 without a clock."""
    left = max(0, allowed_ms - used_ms)
    return ClockReading(
        left // 1000 if "seconds_left" in reads else 0,
        used_ms // 1000 if "seconds_used" in reads else 0,
        share_left(left, allowed_ms) if "percent_left" in reads else 0,
    )


def clock_readings(reads: frozenset[str], allowed_ms: int) -> list[tuple[int, ClockReading]]:
    """Every reading of a clock that rules can tell apart, each with the millisecond from which
    on it is read, in order of time."""
    found = [(0, read_clock(reads, allowed_ms, 0))]
    for used in sorted(turning_points(allowed_ms, "percent_left" in reads)):
        reading = read_clock(reads, allowed_ms, used)
        if reading != found[-1][1]:
            found.append((used, reading))
    return found


def turning_points(allowed_ms: int, by_percent: bool) -> set[int]:
    """The milliseconds used at which a whole second or percent turns, before the clock's end."""
    points = {0}
    for second in range(0, allowed_ms, 1000):
        points |= {second, second + 1, allowed_ms - second, allowed_ms - second + 1}
    if by_percent:
        for share in range(101):
            edge = allowed_ms - allowed_ms * (2 * share - 1) // 200
            points |= {edge - 1, edge, edge + 1}
    return {point for point in points if 0 <= point < allowed_ms}
