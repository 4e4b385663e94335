"""What an answer means: read it, fold it, compare it, say why.

A choice can be picked (an int: its place, from 1) or typed (a str). What is typed is
compared with the choices' own words before it is tried as a letter or a place, so that in
a question whose choices are numbers the typed number means the choice that says it.
"""

import unicodedata
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass
from enum import StrEnum

from dicetrail.core.document import Check
from dicetrail.core.numbers import read_number, within

LETTERS = "ABCDEFGH"

Given = str | int
"""An answer as it arrives: words typed, or the place (from 1) of the slat picked."""

_INVISIBLE = dict.fromkeys((0x00AD, 0x200B, 0x2060, 0xFEFF))


class Verdict(StrEnum):
    """What an answer was found to be."""

    RIGHT = "right"
    WRONG = "wrong"
    UNREADABLE = "unreadable"
    """Empty, or names no choice: costs nothing, and the question stands."""


@dataclass(frozen=True, slots=True)
class Checked:
    """A verdict, its reason in one sentence, and the place (from 1) of the choice named."""

    verdict: Verdict
    why: str
    place: int | None = None


def tidy(text: str) -> str:
    """The text without invisible signs, trimmed, with inner space made one space."""
    if text.isprintable():
        return " ".join(text.split())
    visible = "".join(
        " " if sign.isspace() else sign
        for sign in text.translate(_INVISIBLE)
        if sign.isspace() or unicodedata.category(sign) != "Cc"
    )
    return " ".join(visible.split())


def as_shown(text: str) -> str:
    """A form in which two texts are equal if a reader cannot tell them apart (NFC)."""
    return unicodedata.normalize("NFC", tidy(text))


def all_differ(texts: Sequence[str]) -> bool:
    """Whether a reader can tell every one of some trimmed texts from the others."""
    together = "".join(texts)
    if (
        not together.isprintable()
        or "  " in together
        or not unicodedata.is_normalized("NFC", together)
    ):
        texts = [as_shown(text) for text in texts]
    return len(set(texts)) == len(texts)


def read(text: str) -> str:
    """The text as compared: compatibility forms made plain (NFKC, UAX #15), tidied."""
    return tidy(unicodedata.normalize("NFKC", text))


def fold(text: str) -> str:
    """The text as read, with capitals and other letter cases made alike (`str.casefold`)."""
    return unicodedata.normalize("NFKC", read(text).casefold())


def check_choice(
    given: Given, choices: Sequence[str], right: Collection[int], check: Check
) -> Checked:
    """The verdict on an answer to a question with choices.

    `choices` are in the order shown and `right` holds the places, from 1, of the right ones.
    """
    place = given if isinstance(given, int) else _place_typed(given, choices, check)
    if isinstance(place, Checked):
        return place
    if not 1 <= place <= len(choices):
        return _unreadable(f"there is no choice {place}; {_offer(choices)}")
    name = f"{LETTERS[place - 1]}, “{choices[place - 1]}”,"
    if place in right:
        the = "the" if len(right) == 1 else "a"
        return Checked(Verdict.RIGHT, f"{name} is {the} right answer", place)
    return Checked(Verdict.WRONG, f"{name} is not the right answer", place)


def check_typed(given: Given, accepted: Sequence[str], check: Check) -> Checked:
    """The verdict on a typed answer: whether it is one of those accepted."""
    typed = read(str(given))
    if not typed:
        return _unreadable("nothing was typed")
    form = fold if check.ignore_case else read
    for answer in accepted:
        if form(typed) == form(answer):
            return Checked(Verdict.RIGHT, f"“{typed}” is the right answer")
    return Checked(Verdict.WRONG, f"“{typed}” is not the right answer")


def check_number(given: Given, right: str, tolerance: str) -> Checked:
    """The verdict on a number, compared by its exact value: ``2.6`` is ``13/5``."""
    typed = read(str(given))
    if not typed:
        return _unreadable("nothing was typed")
    value, wanted = read_number(str(given)), read_number(right)
    if value is None or wanted is None:
        return _unreadable(f"“{typed}” is not a number")
    if within(value, wanted, tolerance):
        near = "" if value == wanted else f", within {tolerance} of {right}"
        return Checked(Verdict.RIGHT, f"{typed} is the right answer{near}")
    return Checked(Verdict.WRONG, f"{typed} is not the right answer")


def _place_typed(given: str, choices: Sequence[str], check: Check) -> int | Checked:
    """The place a typed answer names, or why it names none."""
    typed = read(given)
    if not typed:
        return _unreadable("nothing was typed")
    if check.by_text:
        found = _places_saying(given, choices, check)
        if len(found) == 1:
            return found[0]
        if found:
            letters = " or ".join(LETTERS[place - 1] for place in found)
            return _unreadable(f"“{typed}” could be {letters}; pick one")
    if check.by_letter and len(typed) == 1 and typed.upper() in LETTERS[: len(choices)]:
        return LETTERS.index(typed.upper()) + 1
    if check.by_place and typed.isdecimal() and len(typed) < 4:
        return int(typed)
    return _unreadable(f"“{typed}” names no choice; {_offer(choices)}")


def _places_saying(given: str, choices: Sequence[str], check: Check) -> list[int]:
    """The places whose words are the given ones, by the strictest comparison that finds any."""
    comparisons: tuple[Callable[[str], str], ...] = (as_shown, read)
    if check.ignore_case:
        comparisons += (fold,)
    for form in comparisons:
        wanted = form(given)
        found = [place for place, text in enumerate(choices, 1) if form(text) == wanted]
        if found:
            return found
    return []


def _offer(choices: Sequence[str]) -> str:
    return f"the choices are A to {LETTERS[len(choices) - 1]}"


def _unreadable(why: str) -> Checked:
    return Checked(Verdict.UNREADABLE, why)
