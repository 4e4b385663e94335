"""Lay out words letter by letter.

What a reader takes for one letter may be several characters: ``e`` with a combining accent,
a Hangul syllable of three parts. Letters here are such clusters: a character with every
mark that follows it (a plain form of UAX #29's extended grapheme clusters).
"""

import unicodedata
from collections.abc import Collection
from dataclasses import dataclass

from dicetrail.core.answers.folding import plain_characters, unaccented, unseen_out


@dataclass(frozen=True, slots=True)
class Cell:
    """One character of a word: what is shown, empty while it is hidden."""

    character: str
    is_hidden: bool


def clusters(text: str) -> tuple[str, ...]:
    """The text character by character, as a reader counts characters.

    >>> len(clusters("e\\u0301a")), clusters("naïve")[2]
    (2, 'ï')
    """
    found: list[str] = []
    joined = False
    for character in unicodedata.normalize("NFC", text):
        extends = unicodedata.category(character)[0] == "M" or character in "\u200d\ufe0f"
        if found and (extends or joined):
            found[-1] += character
        else:
            found.append(character)
        joined = character == "\u200d"
    return tuple(found)


def sounds(cluster: str) -> tuple[str, ...]:
    """The letters and digits that a character stands for when guesses are compared: without case,
    and without the accents of alphabets that have them.

    A character that is only shown stands for none. Most characters stand for one; a ligature, ``ß``
    and ``½`` stand for several.

    >>> sounds("É"), sounds("ß"), sounds("½"), sounds("-")
    (('e',), ('s', 's'), ('1', '2'), ())
    """
    found = []
    for character in clusters(_caseless(unaccented(_caseless(cluster)))):
        if character[0].isalnum():
            is_pointed = unicodedata.name(character[0], "").startswith(("ARABIC ", "HEBREW "))
            found.append(character[0] if is_pointed else character)
    return tuple(found)


def _caseless(text: str) -> str:
    plain = plain_characters(unicodedata.normalize("NFKC", plain_characters(unseen_out(text))))
    return unicodedata.normalize("NFKC", plain.casefold())


def spelled(text: str) -> tuple[str, ...]:
    """Every letter and digit of a text, one after the other, as guesses are compared."""
    return tuple(letter for character in clusters(text) for letter in sounds(character))


def as_letters(given: str) -> tuple[str, ...]:
    """What a guess of one character stands for; empty if the text is not exactly one character."""
    found = clusters(given.strip())
    return tuple(dict.fromkeys(sounds(found[0]))) if len(found) == 1 else ()


def letters_of(word: str) -> frozenset[str]:
    """Every letter and digit to find in a word or phrase, in the form in which guesses are
    compared."""
    return frozenset(spelled(word))


def laid_out(word: str, tried: Collection[str], is_over: bool) -> tuple[tuple[Cell, ...], ...]:
    """A phrase word by word, each character in a cell, so that it breaks between words alone.

    `tried` holds the letters tried so far; once it `is_over` everything is shown.
    """
    return tuple(
        tuple(
            Cell("", True)
            if not is_over and set(sounds(character)).difference(tried)
            else Cell(character, False)
            for character in clusters(part)
        )
        for part in word.split()
    )
