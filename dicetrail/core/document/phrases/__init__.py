"""The phrases that a game says to its players, ready in ten languages. A maker can change each."""

from dicetrail.core.document.phrases.languages import WAYS, Form, Language, Ways
from dicetrail.core.document.phrases.names import BAR, Phrase
from dicetrail.core.document.phrases.ready import supply_translations
from dicetrail.core.document.phrases.translator import (
    ENGLISH,
    Filling,
    Message,
    OwnPhrase,
    Translator,
    is_counted,
    listed,
    message,
    places_of,
    texts_of,
    translator,
)

__all__ = [
    "BAR",
    "ENGLISH",
    "WAYS",
    "Filling",
    "Form",
    "Language",
    "Message",
    "OwnPhrase",
    "Phrase",
    "Translator",
    "Ways",
    "is_counted",
    "listed",
    "message",
    "places_of",
    "supply_translations",
    "texts_of",
    "translator",
]
