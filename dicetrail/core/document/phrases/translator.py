"""Turn messages into words, in a game's own language.

A `Message` is a phrase with its values, made where the fact is known. A `Translator` turns it into
words. So one reason appears in English in the footprints and in the game's language on the play
page.
"""

import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import cache, cached_property
from types import MappingProxyType
from typing import Union

from dicetrail.core.document.phrases.languages import WAYS, Form, Language, Number, Ways
from dicetrail.core.document.phrases.names import BAR, Phrase
from dicetrail.core.document.phrases.ready import ready_texts
from dicetrail.core.document.records import record
from dicetrail.core.document.words import as_written, filled_in

Filling = Union[str, int, float, "Message"]
"""The value of a place in a phrase: words, a number, or another message."""

_HERE = "\0"
"""A value that marks a place, used to find the words around it."""
_ISOLATED, _ENDED = "\u2068", "\u2069"
"""First strong isolate and its end (Unicode Standard Annex 9)."""

_PLACE = re.compile(r"\{(\w+)\}")
COUNT = "count"
"""The place whose value decides the plural form."""


@dataclass(frozen=True, slots=True)
class OwnPhrase:
    """A phrase that the maker worded: one text, or one for each plural form of the language. An
    empty form uses the supplied text."""

    phrase: Phrase
    """Which phrase it is."""
    texts: tuple[str, ...] = ()
    """One text, or one for each of the language's plural forms."""


@record
class Message:
    """A phrase, and what fills its places. Made by `message`."""

    phrase: Phrase
    values: Mapping[str, Filling]


def message(phrase: Phrase, **values: Filling) -> Message:
    """A phrase with its places filled."""
    return Message(phrase, values)


@dataclass(frozen=True)
class Translator:
    """The words of a game: a text for each phrase, or one for each plural form."""

    language: Language
    texts: Mapping[Phrase, tuple[str, ...]]

    @cached_property
    def ways(self) -> Ways:
        """How its language writes numbers, forms plurals, and runs."""
        return WAYS[self.language]

    @cached_property
    def _parts(self) -> Mapping[Phrase, tuple[list[str], ...]]:
        """Each text in parts: words, the name of a place, words, and so on."""
        return {
            phrase: tuple(_PLACE.split(text) for text in texts)
            for phrase, texts in self.texts.items()
        }

    def say(self, phrase: Phrase, **values: Filling) -> str:
        """A phrase in words.

        >>> ENGLISH.say(Phrase.QUESTIONS, count=1), ENGLISH.say(Phrase.QUESTIONS, count=3)
        ('1 question', '3 questions')
        """
        return self.of(message(phrase, **values))

    def of(self, said: Message) -> str:
        """What was said, in words."""
        texts, values = self._parts[said.phrase], said.values
        parts = texts[0]
        if len(texts) > 1:
            count = values.get(COUNT, 0)
            form = self.ways.form(count if isinstance(count, int | float) else 0)
            parts = texts[min(self.ways.forms.index(form), len(texts) - 1)]
        if len(parts) == 1:
            return parts[0]
        parts, is_from_right = parts.copy(), self.ways.is_from_right
        for at in range(1, len(parts), 2):
            filling = values.get(parts[at])
            if filling is None:
                parts[at] = f"{{{parts[at]}}}"
                continue
            words = filling if isinstance(filling, str) else self.in_words(filling)
            # Kept from turning the direction of the words around it.
            parts[at] = f"{_ISOLATED}{words}{_ENDED}" if is_from_right else words
        return "".join(parts)

    def filled(self, words: str, values: Mapping[str, object]) -> str:
        """A maker's words with everything filled in, as the language writes it.

        >>> ENGLISH.filled("{score} {score|point|points}", {"score": 1})
        '1 point'
        """
        ways = self.ways
        return filled_in(
            words, values, ways.decimal, lambda count: ways.forms.index(ways.form(count))
        )

    def number(self, value: Number) -> str:
        """A number as the language writes it, to four decimals at most."""
        return str(as_written(value)).replace(".", self.ways.decimal)

    @cached_property
    def joined_by(self) -> str:
        """The word between the last two of several, as the game itself says them.

        >>> ENGLISH.joined_by
        'and'
        """
        said = self.say(Phrase.LIST_AND, some=_HERE, last=_HERE)
        words = said.replace(_ISOLATED, "").replace(_ENDED, "").split(_HERE)
        return words[1].strip() if len(words) > 2 else ""

    def counter(self, name: str) -> str:
        """What a counter is called: the usual ones in the game's words, others by their name.

        >>> ENGLISH.counter("lives"), ENGLISH.counter("seed_packets")
        ('Lives', 'Seed packets')
        """
        if name in _COUNTERS:
            return self.say(_COUNTERS[name])
        return f"{name[:1].upper()}{name[1:].replace('_', ' ')}"

    def in_words(self, filling: Filling) -> str:
        """What fills a place, in words."""
        if isinstance(filling, str):
            return filling
        return self.of(filling) if isinstance(filling, Message) else self.number(filling)


_COUNTERS = {"score": Phrase.SCORE, "lives": Phrase.LIVES}


def listed(several: Sequence[Filling], by: Phrase) -> Filling:
    """Several, one after the other.

    >>> ENGLISH.of(message(Phrase.COULD_BE, typed="x", letters=listed("ABC", Phrase.LIST_OR)))
    '“x” could be A or B or C; pick one'
    """
    whole = several[0]
    for last in several[1:]:
        whole = message(by, some=whole, last=last)
    return whole


def places_of(phrase: Phrase) -> frozenset[str]:
    """The places that can be filled in a phrase."""
    return frozenset(_PLACE.findall(phrase.label))


def texts_of(language: Language, phrase: Phrase) -> tuple[str, ...]:
    """The ready texts of a phrase in a language."""
    return ready_texts(language)[phrase]


def translator(language: Language, own: tuple[OwnPhrase, ...]) -> Translator:
    """A translator for a language, with a maker's own phrases in place of the ready ones."""
    if not own:
        return _ready(language)
    texts = dict(ready_texts(language))
    for said in own:
        texts[said.phrase] = _with_own(texts[said.phrase], said.texts)
    return Translator(language, MappingProxyType(texts))


def _with_own(ready: tuple[str, ...], own: tuple[str, ...]) -> tuple[str, ...]:
    """The forms of a phrase: the maker's own, or the ready form where the maker's is empty."""
    if len(own) == 1 and own[0].strip():
        return own
    written = (*own[: len(ready)], *ready[len(own) :])
    return tuple(
        text if text.strip() else usual for text, usual in zip(written, ready, strict=True)
    )


def is_counted(phrase: Phrase) -> bool:
    """Whether a phrase has plural forms."""
    return BAR in phrase.label


@cache
def _ready(language: Language) -> Translator:
    return Translator(language, ready_texts(language))


ENGLISH = _ready(Language.ENGLISH)
"""The words of footprints and of everything said to makers."""

__all__ = [
    "ENGLISH",
    "Filling",
    "Form",
    "Message",
    "OwnPhrase",
    "Translator",
    "is_counted",
    "listed",
    "message",
    "places_of",
    "texts_of",
    "translator",
]
