"""Problems of a maker's own phrases: unknown places, missing forms."""

from collections import Counter
from collections.abc import Iterator

from dicetrail.core.document import (
    WAYS,
    Game,
    OwnPhrase,
    Problem,
    is_counted,
    places_in,
    places_of,
    warning,
)

MAX_CHARACTERS = 500
"""Of one phrase."""


def phrase_problems(game: Game) -> Iterator[Problem]:
    """Every problem of a game's phrases."""
    times = Counter(own.phrase for own in game.phrases)
    for number, own in enumerate(game.phrases):
        where = f"phrases[{number}]"
        if times[own.phrase] > 1:
            what = f"“{own.phrase}” is here twice"
            yield Problem(where, what, "have each phrase once")
        yield from _problems_of(where, own, game)


def _problems_of(where: str, own: OwnPhrase, game: Game) -> Iterator[Problem]:
    forms = WAYS[game.language].forms
    wanted = len(forms) if is_counted(own.phrase) else 1
    if len(own.texts) not in (1, wanted):
        what = (
            f"“{own.phrase}” has {len(own.texts)} forms, and {game.language.label} wants {wanted}"
        )
        yield warning(where, what, "write one for each, or a single one for all")
    for place, text in enumerate(own.texts):
        at = f"{where}.texts[{place}]"
        if len(text) > MAX_CHARACTERS:
            what = f"“{own.phrase}” has {len(text)} characters"
            yield Problem(at, what, f"keep it within {MAX_CHARACTERS}")
        for name in places_in(text):
            if name not in places_of(own.phrase):
                known = ", ".join(f"{{{known}}}" for known in sorted(places_of(own.phrase)))
                mend = f"use {known}" if known else "leave it out"
                yield warning(at, f"nothing fills in “{{{name}}}” of “{own.phrase}”", mend)


__all__ = ["phrase_problems"]
