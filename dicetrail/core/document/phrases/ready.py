"""The ready words of each language.

English stands in `Phrase`. Every other language is a PO file (GNU gettext), which translators edit
with any tool of theirs. The core does no I/O: `supply_translations` hands it the texts of files.
"""

import json
import re
from collections.abc import Callable, Iterator, Mapping
from functools import cache
from types import MappingProxyType

from dicetrail.core.document.phrases.languages import WAYS, Language
from dicetrail.core.document.phrases.names import BAR, Phrase

Texts = Mapping[Phrase, tuple[str, ...]]
"""Each phrase in its forms: one, or as many as the language has plural forms."""

_LINE = re.compile(r'(\w+(?:\[\d\])?)?\s*("(?:[^"\\]|\\.)*")')
"""A keyword with its text, or a further part of the text above."""


class TranslationFault(ValueError):
    """A file of translations does not fit the phrases; it says which phrase."""


def texts_in(translations: str, language: Language) -> Texts:
    """The texts of a PO file. A phrase is found by its context, the name it has in `Phrase`.

    Raises TranslationFault if a phrase is missing, marked as fuzzy, translated from another English
    text, or without one of its forms.
    """
    found = dict(_entries(translations))
    for phrase in Phrase:
        texts = found.get(phrase.value, ())
        if not all(texts) or len(texts) not in (1, len(WAYS[language].forms)):
            raise TranslationFault(f"{language.value}.po: “{phrase.value}” is missing or fuzzy")
    return MappingProxyType({phrase: found[phrase.value] for phrase in Phrase})


def _entries(translations: str) -> Iterator[tuple[str, tuple[str, ...]]]:
    """The name of each phrase that is translated from its English text, with its forms."""
    english = {phrase.value: phrase.label.split(BAR) for phrase in Phrase}
    for entry in re.split(r"\n\s*\n", translations):
        parts: dict[str, str] = {}
        keyword = ""
        for line in entry.splitlines():
            if read := _LINE.fullmatch(line.strip()):
                keyword = read[1] or keyword
                parts[keyword] = parts.get(keyword, "") + json.loads(read[2])
        name, is_fuzzy = parts.get("msgctxt", ""), re.search("^#,.*fuzzy", entry, re.MULTILINE)
        told = [text for keyword, text in parts.items() if keyword.startswith("msgid")]
        if told == english.get(name) and not is_fuzzy:
            yield name, tuple(text for key, text in parts.items() if key.startswith("msgstr"))


def _no_translations(language: Language) -> str:
    raise LookupError(f"no translations were supplied, so there are no words for {language.label}")


_supplied: dict[str, Callable[[Language], str]] = {"translations": _no_translations}


def supply_translations(supply: Callable[[Language], str]) -> None:
    """Name the function that gives the PO file of a language, before any words are needed. It is
    called once for each language, when a game first speaks it."""
    _supplied["translations"] = supply


@cache
def ready_texts(language: Language) -> Texts:
    """The ready texts of a language."""
    if language is Language.ENGLISH:
        return MappingProxyType({phrase: tuple(phrase.label.split(BAR)) for phrase in Phrase})
    return texts_in(_supplied["translations"](language), language)
