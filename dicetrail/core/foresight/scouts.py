"""Simulated players: how often right, how fast."""

from dataclasses import dataclass
from math import factorial
from typing import Annotated, NamedTuple

from dicetrail.core.answers import (
    WHOLE,
    MatchShape,
    guesses_at_gaps,
    shape_of_estimate,
    shares_of_estimates,
    shares_of_matches,
    shares_of_orders,
    shares_of_picks,
)
from dicetrail.core.document import Check, FieldLabel, Kind, Question, Range, Value
from dicetrail.core.draw import traits_of
from dicetrail.core.foresight.times import Times
from dicetrail.core.rules import Terms

Percent = Range(0, 100)


class Habit(Value):
    """Which round a player picks from a menu."""

    FIRST = "first", "The first there is"
    ANY = "any", "Any, each as likely"


WITHOUT_CHOICES = frozenset((Kind.ESTIMATE, Kind.GAPS))
"""The kinds of question that can be guessed at though they have no choices."""


@dataclass(frozen=True, slots=True)
class Own:
    """How a scout does at one question."""

    prompt: Annotated[str, FieldLabel("Question")]
    right: Annotated[int, Percent, FieldLabel("Right at the first try")]


class Picks(NamedTuple):
    """The answers to pick from, as far as a blind guess can tell."""

    guesses: int = 0
    """How many different answers there are, each as likely; 0 where the answer is typed."""
    right: int = 1
    """How many of them are right."""
    shares: tuple[tuple[int, int], ...] = ()
    """Each share that an answer can have that is right in part, in percent, and how many answers
    have it."""

    def blind(self, tried: int) -> float:
        """The probability that a guess is right after a number of wrong guesses. No guess is made
        twice.

        >>> Picks(4, 2).blind(0), Picks(4, 2).blind(1)
        (0.5, 0.6666666666666666)
        """
        return min(1.0, self.right / max(1, self.guesses - tried))

    def blind_shares(self) -> tuple[tuple[int, float], ...]:
        """The shares of a guess that is not right, each with its probability: any other answer is
        as likely.

        >>> Picks(7, 1, ((50, 3),)).blind_shares()
        ((50, 0.5),)
        """
        others = self.guesses - self.right
        return tuple((share, count / others) for share, count in self.shares)


def picks_of(question: Question, check: Check, right: int, wrong: int) -> Picks:
    """What a blind guess at a question picks from, of which so many right and wrong choices are
    shown.

    Where all right choices are wanted, a guess is any set of choices but the empty one: how many
    are right is told nowhere. Of what is put in order, it is any order; of a match, any that can be
    given; in a picture, one of its areas, or where none is; of an estimate, any number of its
    scale; of gaps, any words that are offered. A gap that is typed cannot be guessed.

    >>> picks_of(Question("Which?", ("a", "b", "c"), (), Kind.ORDER), Check(), 3, 0)
    Picks(guesses=6, right=1, shares=())
    """
    if question.kind is Kind.ORDER:
        shares = shares_of_orders(check.order_share, right)
        return Picks(factorial(right), 1, tuple(shares.items()))
    if question.kind is Kind.ESTIMATE:
        estimated = shape_of_estimate(question.right[0], question.details)
        by_share = shares_of_estimates(check.estimate_share, check.estimate_reach, estimated)
        parts = ((share, count) for share, count in by_share.items() if 0 < share < WHOLE)
        return Picks(estimated.points, by_share.get(WHOLE, 0), tuple(parts))
    if question.kind is Kind.MATCH:
        shape = MatchShape(len(question.pairs), right, wrong)
        shares = shares_of_matches(check.partly, shape)
        return Picks(shape.answers, 1, tuple(shares.items()))
    if question.kind is Kind.GAPS:
        sizes = traits_of(question).gaps
        if not all(words for words, _ in sizes):
            return Picks()
        answers, all_right, by_share = guesses_at_gaps(check.partly, sizes)
        return Picks(answers, all_right, tuple(by_share.items()))
    if question.kind is Kind.PLACE and not question.wants_all:
        return Picks(right + wrong + 1, right)
    if question.wants_all:
        shares = shares_of_picks(check.partly, right, wrong)
        return Picks(2 ** (right + wrong) - 1, 1, tuple(shares.items()))
    return Picks(right + wrong, right)


@dataclass(frozen=True, slots=True)
class Scout:
    """A kind of player. Chances are in percent."""

    name: Annotated[str, FieldLabel("Name")]
    right: Annotated[tuple[int, ...], Percent, FieldLabel("Right at the first try, by level")] = (
        85,
        75,
        65,
        50,
        40,
    )
    """For a question of level 1, 2, 3, 4, 5; the last counts for all that follow."""
    guesses: Annotated[bool, FieldLabel("Guesses", "one of the choices, each as likely")] = False
    """Whether choices are picked blindly; what is typed is right as `right` says even so."""
    again: Annotated[
        int, Percent, FieldLabel("Found at each further try", "% of what was missed")
    ] = 30
    """Of a word, the next letter after one or more were missed."""
    partly: Annotated[
        int, Percent, FieldLabel("Partly right", "% of what is missed, where it can be")
    ] = 50
    """Each share that an answer there can have is as likely."""
    close: Annotated[int, Percent, FieldLabel("Typing slips", "% of what is typed right")] = 5
    passes: Annotated[int, Percent, FieldLabel("Passes", "% where it can")] = 0
    hints: Annotated[int, Percent, FieldLabel("Takes the hint", "% where there is one")] = 0
    helped: Annotated[
        int, Percent, FieldLabel("Found with the hint", "% of what would be missed")
    ] = 30
    median_ms: Annotated[
        int, Range(100, 600_000), FieldLabel("Half of the answers come within")
    ] = 6000
    letter_ms: Annotated[
        int, Range(100, 600_000), FieldLabel("Half of the letters come within")
    ] = 2000
    spread: Annotated[
        int, Range(0, 300), FieldLabel("Spread of the times", "hundredths of the logarithm")
    ] = 50
    """The standard deviation of the times' natural logarithms, in hundredths: answer times
    are taken as log-normal (common practice, no source)."""
    goes_on_ms: Annotated[int, Range(0, 600_000), FieldLabel("Goes on after")] = 1500
    """How long it looks at the feedback, where that stays until the player goes on."""
    picks: Annotated[Habit, FieldLabel("Picks of a menu of rounds")] = Habit.FIRST
    own: tuple[Own, ...] = ()
    """Questions it does otherwise at than at others of their level."""

    def own_of(self, prompt: str) -> int | None:
        """How often it is right at a question that it does in its own way at, in percent."""
        return next((own.right for own in self.own if own.prompt == prompt), None)

    def chance(
        self, level: int, picks: Picks, tried: int, is_hinted: bool, own: int | None = None
    ) -> float:
        """The probability that the next answer is right after a number of wrong answers to the same
        question.

        At the first try it is as the level says, or `own`, the chance at this very question in
        percent. At each further try, `again` of what was missed is found, so one that missed is
        right with that chance, whatever the first was. With the hint, `helped` of what would be
        missed is found.
        """
        if self.guesses and picks.guesses and own is None:
            return picks.blind(tried)
        if own is None:
            own = self.right[max(1, min(level, len(self.right))) - 1] if self.right else 0
        missed = 1 - (self.again if tried else own) / 100
        if is_hinted:
            missed *= 1 - self.helped / 100
        return 1 - missed

    def chances_of_shares(
        self, terms: Terms, picks: Picks, own: int | None = None
    ) -> tuple[tuple[int, float], ...]:
        """How likely an answer that is not right is right in part: each share in percent that it
        can have, with its probability. The rest is wrong."""
        if self.guesses and picks.guesses and own is None:
            return picks.blind_shares()
        partly = self.partly / 100 if terms.can_be_wrong else 1.0
        return tuple((share, partly / len(terms.shares)) for share in terms.shares)

    @property
    def answers(self) -> Times:
        """How long an answer takes."""
        return Times(self.median_ms, self.spread)

    @property
    def letters(self) -> Times:
        """How long a letter takes."""
        return Times(self.letter_ms, self.spread)


SCOUTS = (
    Scout(
        "guessing",
        (20, 15, 10, 5, 5),
        guesses=True,
        again=0,
        median_ms=3000,
        letter_ms=1000,
        spread=40,
        goes_on_ms=800,
    ),
    Scout(
        "beginner",
        (70, 55, 40, 30, 20),
        again=25,
        median_ms=9000,
        letter_ms=3000,
        spread=60,
        goes_on_ms=2500,
    ),
    Scout("steady"),
    Scout(
        "expert",
        (97, 95, 90, 85, 75),
        again=50,
        close=2,
        median_ms=4000,
        letter_ms=1500,
        spread=40,
        goes_on_ms=1000,
    ),
    Scout(
        "distracted",
        (80, 70, 60, 50, 40),
        again=20,
        close=10,
        median_ms=11_000,
        letter_ms=4000,
        spread=110,
        goes_on_ms=3000,
    ),
)
"""The ready scouts. Their numbers are our guesses, and makers can change them (no source)."""


def scout_named(name: str) -> Scout | None:
    """The ready scout of that name."""
    return next((scout for scout in SCOUTS if scout.name == name), None)
