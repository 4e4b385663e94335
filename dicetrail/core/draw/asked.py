"""The properties of a question, as a round asks it, that rules can read.

The one place where a question's own time, worth, misses and hint meet those of its round.
"""

from collections.abc import Collection
from typing import NamedTuple

from dicetrail.core.answers import (
    HALF,
    WHOLE,
    MatchShape,
    shares_of_estimates,
    shares_of_gaps,
    shares_of_matches,
    shares_of_orders,
    shares_of_picks,
)
from dicetrail.core.document import ARRANGED, Kind, PartlyRight, Round
from dicetrail.core.draw.census import Traits
from dicetrail.core.draw.deals import how_many_shown
from dicetrail.core.rules import CLOCK_FACTS, Event, Outcome, Rules, Terms, still_allowed

_CLOSE_KINDS = (Kind.TYPED, Kind.CHOICE, Kind.SORT, Kind.TRUTH, Kind.GAPS, Kind.PLACE, *ARRANGED)
"""The kinds of question at which a typing slip can be forgiven."""


class AskedTraits(NamedTuple):
    """The properties of a question that rules can read or that decide its possible results."""

    worth: int = 1
    level: int = 1
    seconds: int = 0
    """The seconds on its clock; 0 without a clock."""
    letters: int = 0
    """Different letters of a word to find; 0 for another kind of question."""
    allowed: int | None = 1
    """How many tries it allows, or how many missed letters; None is without limit."""
    can_be_close: bool = False
    """Whether a typing slip can be forgiven."""
    has_hint: bool = False
    can_pass: bool = False
    shares: tuple[int, ...] = ()
    """The shares, in percent, of the answers that are right in part."""
    can_be_wrong: bool = True
    """Whether an answer can be wrong as a whole."""

    @property
    def terms(self) -> Terms:
        """What the question allows."""
        return Terms(
            self.allowed,
            self.letters,
            self.has_hint,
            self.can_be_close,
            self.can_pass,
            bool(self.seconds),
            self.shares,
            self.can_be_wrong,
        )

    def when_asked(self, round_number: int, position: int, turn: int, is_again: bool) -> Outcome:
        """What rules read when the question is asked. The numbers are from 0."""
        return Outcome(
            Event.ASKED,
            round_number,
            position + 1,
            self.worth,
            self.level,
            self.seconds,
            0,
            self.seconds,
            100 if self.seconds else 0,
            0,
            still_allowed(self.allowed, 0),
            turn + 1,
            is_again=is_again,
        )

    def merged(self, rules: Rules, round_number: int) -> "AskedTraits":
        """The question, in a round by its number from 0, without what the rules do not read."""
        reads, handlers = rules.reads, rules.handlers.lean
        timed = reads & CLOCK_FACTS or "seconds_allowed" in reads
        minds_hints = Event.HINTED in handlers or bool(rules.at_once_in_question)
        return self._replace(
            worth=self.worth if "worth" in reads else 1,
            level=self.level if "level" in reads else 1,
            seconds=self.seconds if timed else min(1, self.seconds),
            letters=self.letters if minds_letters(rules) else min(1, self.letters),
            can_be_close=self.can_be_close and "verdict" in reads,
            has_hint=self.has_hint and minds_hints,
            shares=_told_apart(self.shares, rules, round_number),
        )


def _told_apart(shares: tuple[int, ...], rules: Rules, round_number: int) -> tuple[int, ...]:
    """Those of some shares that rules can tell from one another."""
    if "share" in rules.reads or not shares:
        return shares
    counted = [
        rules.counted(Outcome(Event.PARTLY, round_number, share=share)).event for share in shares
    ]
    return tuple(dict(zip(counted, shares, strict=True)).values())


def minds_letters(rules: Rules) -> bool:
    """Whether a single letter can change what rules do, apart from the result of the whole word."""
    handlers = rules.handlers.lean
    return (
        Event.LETTER_HIT in handlers
        or Event.LETTER_MISS in handlers
        or "mistakes" in rules.reads
        or bool(rules.at_once_in_question)
    )


def asked_in(round_: Round, traits: Traits) -> AskedTraits:
    """The properties of a question in a round that rules can read.

    >>> asked_in(Round("R"), Traits(Kind.LETTERS, letters=4, misses=2)).allowed
    2
    """
    ask, allowed = round_.ask, round_.ask.tries
    if traits.kind is Kind.LETTERS:
        allowed = ask.misses if traits.misses is None else traits.misses
    shares = _shares(round_, traits)
    return AskedTraits(
        1 if traits.worth is None else traits.worth,
        traits.level,
        (ask.seconds if traits.seconds is None else traits.seconds) or 0,
        traits.letters,
        allowed,
        bool(round_.check.typos) and traits.kind in _CLOSE_KINDS,
        bool(ask.hints and traits.is_hinted),
        ask.passing,
        tuple(share for share in shares if 0 < share < WHOLE),
        0 in shares,
    )


def _shares(round_: Round, traits: Traits) -> Collection[int]:
    """The shares of all answers, in percent, for the choices that are shown: 0 if one can be wrong.
    Those that are right have none of interest."""
    check = round_.check
    if traits.estimated.points:
        return shares_of_estimates(check.estimate_share, check.estimate_reach, traits.estimated)
    if traits.ordered:
        return (0, *shares_of_orders(check.order_share, traits.ordered))
    if traits.matched.items:
        return (0, *shares_of_matches(check.partly, match_shown(round_, traits.matched)))
    if traits.gaps:
        return (0, *shares_of_gaps(check.partly, len(traits.gaps)))
    if traits.kind is Kind.JUDGED:
        return (0,) if check.partly is PartlyRight.NEVER else (0, HALF)
    right, wrong = traits.all_wanted
    if not right or check.partly is PartlyRight.NEVER:
        return (0,)
    if traits.kind is Kind.PLACE:
        # A point where nothing is takes away as a wrong area does, and there are plenty.
        return (0, *shares_of_picks(check.partly, right, max(right, wrong)))
    right, wrong = how_many_shown(round_.ask.shown, right, wrong, wants_all=True)
    shares = tuple(shares_of_picks(check.partly, right, wrong))
    return (0, *shares) if wrong else shares


def match_shown(round_: Round, shape: MatchShape) -> MatchShape:
    """The sizes of a match with as many choices as its round shows."""
    wanted = round_.ask.shown
    _, others = how_many_shown(wanted, shape.partners, shape.others, wants_all=True)
    return shape._replace(others=others)
