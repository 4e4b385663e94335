"""What a game says to its players: every phrase, ready in ten languages, each to be changed."""

from dicetrail.core.document.phrases.languages import WAYS, Form, Language, Ways
from dicetrail.core.document.phrases.names import BAR, Phrase
from dicetrail.core.document.phrases.wording import (
    ENGLISH,
    Filling,
    OwnPhrase,
    Said,
    Wording,
    is_counted,
    listed,
    places_of,
    saying,
    texts_of,
    wording,
)

__all__ = [
    "BAR",
    "ENGLISH",
    "WAYS",
    "Filling",
    "Form",
    "Language",
    "OwnPhrase",
    "Phrase",
    "Said",
    "Ways",
    "Wording",
    "is_counted",
    "listed",
    "places_of",
    "saying",
    "texts_of",
    "wording",
]
