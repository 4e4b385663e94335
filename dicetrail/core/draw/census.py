"""Count the questions of a pack by kind: by the traits that rules and filters can read.

A large pack has few kinds of question. Results that depend on kinds alone (how many questions pass
a filter, how a game can end) are computed from the census. An edit updates only the counts that it
changes.
"""

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from typing import NamedTuple

from dicetrail.core.answers import (
    NO_ESTIMATE,
    EstimateShape,
    GapSizes,
    MatchShape,
    letters_of,
    shape_of_estimate,
)
from dicetrail.core.document import ARRANGED, DecimalMark, Gap, Kind, Pack, Pattern, Question

NO_MATCH = MatchShape()


class Traits(NamedTuple):
    """The traits of a question, without its texts."""

    kind: Kind = Kind.CHOICE
    topic: str = ""
    level: int = 1
    """A question without a level has level 1."""
    worth: int | None = None
    seconds: int | None = None
    misses: int | None = None
    is_hinted: bool = False
    letters: int = 0
    """How many letters the player has to find, in a question of kind letters."""
    all_wanted: tuple[int, int] = (0, 0)
    """The numbers of right and wrong choices where all the right ones are wanted; else 0."""
    ordered: int = 0
    """How many choices are to be put in order."""
    matched: MatchShape = NO_MATCH
    """The sizes of a match."""
    estimated: EstimateShape = NO_ESTIMATE
    """What decides the shares of an estimate."""
    gaps: GapSizes = ()
    """The words to pick from for each gap of a text, all in all, and how many of them fit."""


Census = Mapping[Traits, int]
"""How many questions there are of each kind."""

Packs = Mapping[str, Pack]
"""Packs by their identifiers."""

Censuses = Mapping[str | tuple[Pattern, DecimalMark], Census]
"""The census of each pack, by its identifier, and of what each pattern makes, by the pattern and
the mark by which its numbers are read."""


def traits_of(question: Question) -> Traits:
    """The traits of a question."""
    details, kind = question.details, question.kind
    is_word = kind is Kind.LETTERS and question.right
    picks_all = question.wants_all and kind not in ARRANGED
    pairs, bank = question.pairs, question.bank
    return Traits(
        kind,
        details.topic,
        details.level or 1,
        details.worth,
        details.seconds,
        details.misses,
        bool(details.hint),
        len(letters_of(question.right[0])) if is_word else 0,
        (len(question.right), len(question.wrong)) if picks_all else (0, 0),
        len(question.right) if kind is Kind.ORDER else 0,
        MatchShape(len(pairs), len(question.partners), len(question.wrong)) if pairs else NO_MATCH,
        shape_of_estimate(question.right[0], details) if kind is Kind.ESTIMATE else NO_ESTIMATE,
        tuple(_gap_size(gap, gap.words or bank) for gap in question.gaps),
    )


def _gap_size(gap: Gap, words: Sequence[str]) -> tuple[int, int]:
    return len(words), sum(word in gap.accepted for word in words)


def census_of(questions: Iterable[Question]) -> Census:
    """How many questions there are of each kind."""
    return Counter(map(traits_of, questions))
