"""What players are called in a run."""

import re

from dicetrail.core.answers import tidy
from dicetrail.core.document import ENGLISH, Phrase, Translator

LONGEST_NAME = 40

_TURNS = re.compile("[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]")
"""The characters that turn the direction of writing (Unicode Standard Annex 9)."""


def player_named(name: str, number: int = 1, words: Translator = ENGLISH) -> str:
    """A player's name, tidied and kept short; what turns the direction of text is left out.

    A player without a name is called by their number, from 1.
    """
    tidied = tidy(_TURNS.sub("", name))[:LONGEST_NAME].strip()
    phrase = Phrase.PLAYER if number == 1 else Phrase.PLAYER_NUMBERED
    return tidied or words.say(phrase, number=number)
