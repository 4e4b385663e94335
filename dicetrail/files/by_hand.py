"""Guess the kind of a question that is written by hand, cell by cell."""

from dataclasses import replace

from dicetrail.core import Kind, Question
from dicetrail.core.answers import read_number
from dicetrail.core.document import with_blanks
from dicetrail.files.plan import TRUTH_WORDS

_GUESSED = (Kind.CHOICE, Kind.TRUTH, Kind.TYPED, Kind.NUMBER)
_SHORTEST = 4
"""Shorter words are left unchanged, because the user may still be typing."""


def with_kind(question: Question) -> Question:
    """The question as the kind that its cells speak for; as it is if they speak for none.

    Wrong choices make a choice, the word true or false alone a question of truth, numbers alone a
    number, anything else a typed answer. A question that has no answer yet and marks words of its
    own in square brackets has gaps there. Kinds that cells do not tell stay: letters, sorting.

    >>> with_kind(Question("How many?", ("8",))).kind, with_kind(Question("So?", ("True",))).right
    (<Kind.NUMBER: 'number'>, ('true',))
    """
    if question.kind not in _GUESSED:
        return question
    right = tuple(filter(str.strip, question.right))
    if any(map(str.strip, question.wrong)):
        return replace(question, kind=Kind.CHOICE)
    word = right[0].strip().lower() if len(right) == 1 else ""
    if word in TRUTH_WORDS and len(word) >= _SHORTEST:
        return replace(question, kind=Kind.TRUTH, right=(TRUTH_WORDS[word],))
    if not right:
        marked = with_blanks(question.prompt)
        return question if marked is None else replace(question, kind=Kind.GAPS)
    is_number = all(read_number(text) is not None for text in right)
    return replace(question, kind=Kind.NUMBER if is_number else Kind.TYPED)
