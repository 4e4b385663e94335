"""Dice Trail: a workbench in which a game maker programs a quiz game."""

from importlib.resources import files

from dicetrail.core.document import Language, supply_translations

_TRANSLATIONS = files(__name__) / "translations"


def _translations(language: Language) -> str:
    """The PO file of a language, as translators edit it."""
    return (_TRANSLATIONS / f"{language.value}.po").read_text("utf-8")


supply_translations(_translations)
