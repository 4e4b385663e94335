"""Check that a plain program reads a text as the engine does.

The program folds texts in a few lines, which is enough for most. What it would read in
another way is found beforehand, by its own functions.
"""

import unicodedata

from dicetrail.core.answers import fold_steps, spelled
from dicetrail.core.document import Check
from dicetrail.takeaway.written import whole_program
from dicetrail.takeaway.written.settings import checks_of


def folds_alike(text: str, check: Check) -> bool:
    """Whether the program folds a text as the engine does."""
    round_ = whole_program.PlainRound("", **checks_of(check))  # type: ignore[arg-type]
    form = unicodedata.normalize("NFC", whole_program.folded(round_, text))
    return form == fold_steps(text, check)[-1].text


def spells_alike(word: str) -> bool:
    """Whether the program spells a word as the engine does."""
    return tuple(whole_program.spelled(word)) == spelled(word)
