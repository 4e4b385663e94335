"""What a pack's questions are like, counted: what rules and filters can tell of them.

A large pack has few kinds of question. Whatever hangs on kinds alone (how many pass a
filter, how a game can end) is worked out from the census, which an edit changes by what it
changes.
"""

from collections import Counter
from collections.abc import Iterable, Mapping
from typing import NamedTuple

from dicetrail.core.answers import letters_of
from dicetrail.core.document import DecimalMark, Kind, Pack, Pattern, Question


class Traits(NamedTuple):
    """What a question is like besides its texts."""

    kind: Kind = Kind.CHOICE
    topic: str = ""
    level: int = 1
    """One without a level counts as 1."""
    worth: int | None = None
    seconds: int | None = None
    misses: int | None = None
    is_hinted: bool = False
    letters: int = 0
    """How many letters are to be found, in a question of letters."""


Census = Mapping[Traits, int]
"""How many questions there are of each kind."""

Packs = Mapping[str, Pack]
"""Packs by their identifiers."""

Censuses = Mapping[str | tuple[Pattern, DecimalMark], Census]
"""The census of each pack, by its identifier, and of what each pattern makes, by the pattern and
the mark by which its numbers are read."""


def traits_of(question: Question) -> Traits:
    """What a question is like."""
    details, kind = question.details, question.kind
    is_word = kind is Kind.LETTERS and question.right
    return Traits(
        kind,
        details.topic,
        details.level or 1,
        details.worth,
        details.seconds,
        details.misses,
        bool(details.hint),
        len(letters_of(question.right[0])) if is_word else 0,
    )


def census_of(questions: Iterable[Question]) -> Census:
    """How many questions there are of each kind."""
    return Counter(map(traits_of, questions))
