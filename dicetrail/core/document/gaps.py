"""Gaps of a text: what fits each of them, and the words to pick from.

A file marks the right words where they stand, in square brackets: ``A bee gives [honey].`` In a
question the text has a blank, ``___``, for each gap, and its right answers are what fits, in the
order of the gaps. Several texts that fit a gap stand between upright lines, ``egg | an egg``, and
words of its own to pick from that do not fit stand behind two slashes: ``honey // milk | wax``.
"""

import re
from collections.abc import Sequence
from typing import NamedTuple

BLANK = "___"
"""Where a gap is, in the text of a question. More of these characters mean the same."""

MAX_WORDS = 24
"""The most words that are offered for a gap, or accepted."""

_BLANK = re.compile("_{3,}")
_MARKED = re.compile(r"\[([^][]*)\]")
_OR, _NOT = " | ", " // "
_SLASHES = re.compile(r"(?:\s+|^)//(?:\s+|$)")


class Gap(NamedTuple):
    """What fits a gap, the text to show first, and the other words it is picked from."""

    accepted: tuple[str, ...]
    others: tuple[str, ...] = ()
    """Words of its own that do not fit; none where it is typed, or picked from a common bank."""

    @property
    def words(self) -> tuple[str, ...]:
        """The words of its own to pick from; none if it has none."""
        return (*self.accepted, *self.others) if self.others else ()


def gap_in(text: str) -> Gap:
    """The gap that a text describes.

    >>> gap_in("egg | an egg"), gap_in("honey // milk | wax")
    (Gap(accepted=('egg', 'an egg'), others=()), Gap(accepted=('honey',), others=('milk', 'wax')))
    """
    fits, *rest = _SLASHES.split(text, maxsplit=1)
    others = _parted(rest[0]) if rest and rest[0].strip() else ()
    return Gap(_parted(fits), others)


def _parted(text: str) -> tuple[str, ...]:
    return tuple(part.strip() for part in text.split("|"))


def as_gap(gap: Gap) -> str:
    """A gap as it is written.

    >>> as_gap(Gap(("egg", "an egg"), ("milk",)))
    'egg | an egg // milk'
    """
    return _NOT.join(_OR.join(words) for words in gap if words)


def tidy_gap(text: str) -> str:
    """The text of a gap in the form in which it is written.

    >>> tidy_gap("egg|an egg")
    'egg | an egg'
    """
    return as_gap(gap_in(text))


def around_gaps(text: str) -> tuple[str, ...]:
    """The parts of a text before, between and after its blanks: one more than there are blanks.

    >>> around_gaps("A bee gives ___.")
    ('A bee gives ', '.')
    """
    return tuple(_BLANK.split(text))


def with_blanks(text: str) -> tuple[str, tuple[str, ...]] | None:
    """A text with blanks in place of its marked words, and these words; None if none is marked.

    >>> with_blanks("A bee gives [honey].")
    ('A bee gives ___.', ('honey',))
    """
    marked = tuple(map(tidy_gap, _MARKED.findall(text)))
    return (_MARKED.sub(BLANK, text), marked) if marked else None


def left_out(text: str, words: Sequence[str]) -> tuple[str, tuple[str, ...]]:
    """A text with a blank wherever one of some words stands, whatever its capitals, and the words
    as they stood there.

    >>> left_out("Honey is what a bee gives.", ["honey"])
    ('___ is what a bee gives.', ('Honey',))
    """
    longest_first = sorted(filter(None, words), key=len, reverse=True)
    if not longest_first:
        return text, ()
    any_word = re.compile(
        rf"(?<!\w)(?:{'|'.join(map(re.escape, longest_first))})(?!\w)", re.IGNORECASE
    )
    return any_word.sub(BLANK, text), tuple(any_word.findall(text))


def with_words_marked(text: str, gaps: Sequence[str]) -> str | None:
    """A text with blanks, written with the words of its gaps in square brackets.

    None if a bracket of its own would be taken for a mark, or if it has another number of blanks.

    >>> with_words_marked("A bee gives ___.", ["honey"]), with_words_marked("[A] ___", ["bee"])
    ('A bee gives [honey].', None)
    """
    parts = around_gaps(text)
    if len(parts) != len(gaps) + 1 or any(one in "".join((text, *gaps)) for one in "[]"):
        return None
    marked = "".join(f"{part}[{gap}]" for part, gap in zip(parts, gaps, strict=False)) + parts[-1]
    return marked if with_blanks(marked) is not None else None
