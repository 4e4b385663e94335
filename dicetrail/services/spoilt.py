"""Describe, for its card, the part of a game or a pack that cannot be read from the store, and what
to do."""

from dicetrail.core import Severity
from dicetrail.store import SavedGame, Spoilt
from dicetrail.store.games import is_time_lost, unreadable_game
from dicetrail.store.packs import KeptPack, unreadable_pack

_OF_PACKS = {
    "title": ("what it is called", "Give it a title"),
    "tags": ("its tags", "Tag it anew"),
    "words": ("what was said of it", "Describe it anew"),
    "media": ("which pictures and sounds it has", "Bring them again"),
    "source": ("which file it was loaded from", "Nothing else is lost"),
    "question_count": ("how many it holds", "Any edit counts them anew"),
    "saved_at": ("when it was saved", "Any edit saves it anew"),
}


def in_words(error: Spoilt) -> str:
    """What cannot be read, and what to do."""
    mend = f"{error.mend[0].upper()}{error.mend[1:]}"
    return f"This {error.kind} cannot be read from the store: {error.what}. {mend}."


def wrong_in_pack(kept: KeptPack) -> str:
    """The words about a pack of which only the content is known to be readable."""
    if not kept.number:
        return in_words(unreadable_pack(kept.pack_id))
    for name in kept.spoilt:
        what, mend = _OF_PACKS[name]
        return f"This cannot be read from the store: {what}. {mend}."
    return ""


def wrong_in_game(revision: SavedGame) -> str:
    """The words about a game; this is its newest readable save."""
    if not revision.number:
        return in_words(unreadable_game(revision.game_id))
    if any(problem.severity is not Severity.WARNING for problem in revision.kept.problems):
        what, mend = revision.kept.problems[0].what, revision.kept.problems[0].mend
        return f"{what[0].upper()}{what[1:]}. {mend[0].upper()}{mend[1:]}."
    if is_time_lost(revision):
        return "This cannot be read from the store: when it was saved. Any edit saves it anew."
    return ""
