"""Words laid out letter by letter.

What a reader takes for one letter may be several characters: ``e`` with a combining accent,
a Hangul syllable of three parts. Letters here are such clusters: a character with every
mark that follows it (a plain form of UAX #29's extended grapheme clusters).
"""

import unicodedata
from collections.abc import Collection
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Cell:
    """One sign of a word: what is shown, empty while it is hidden."""

    sign: str
    is_hidden: bool


def clusters(text: str) -> tuple[str, ...]:
    """The text sign by sign, as a reader counts signs.

    >>> len(clusters("e\\u0301a")), clusters("naïve")[2]
    (2, 'ï')
    """
    found: list[str] = []
    joined = False
    for sign in unicodedata.normalize("NFC", text):
        extends = unicodedata.category(sign)[0] == "M" or sign in "\u200d\ufe0f"
        if found and (extends or joined):
            found[-1] += sign
        else:
            found.append(sign)
        joined = sign == "\u200d"
    return tuple(found)


def bare(letter: str) -> str:
    """A letter without case and accents, as guesses are compared: ``É`` is ``e``."""
    folded = unicodedata.normalize("NFD", unicodedata.normalize("NFKC", letter).casefold())
    plain = "".join(sign for sign in folded if unicodedata.category(sign)[0] != "M")
    return plain or folded


def is_guessed(cluster: str) -> bool:
    """Whether a sign has to be found: letters and digits; others are shown from the start."""
    return cluster[0].isalnum()


def as_letter(given: str) -> str | None:
    """The one letter or digit a guess is, bare; None if it is none, or more than one."""
    found = clusters(given.strip())
    return bare(found[0]) if len(found) == 1 and is_guessed(found[0]) else None


def letters_of(word: str) -> frozenset[str]:
    """Every letter and digit there is to find in a word or phrase, bare."""
    return frozenset(bare(sign) for sign in clusters(word) if is_guessed(sign))


def laid_out(word: str, tried: Collection[str], is_over: bool) -> tuple[tuple[Cell, ...], ...]:
    """A phrase word by word, each sign in a cell, so that it breaks between words alone.

    `tried` holds the bare letters tried so far; once it `is_over` everything is shown.
    """
    return tuple(
        tuple(
            Cell("", True)
            if is_guessed(sign) and not is_over and bare(sign) not in tried
            else Cell(sign, False)
            for sign in clusters(part)
        )
        for part in word.split()
    )
