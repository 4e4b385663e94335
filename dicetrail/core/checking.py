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
    CLOSE = "close"
    """Right but for as many typos as are allowed."""
    WRONG = "wrong"
    UNREADABLE = "unreadable"
    """Empty, or names no choice: costs nothing, and the question stands."""


@dataclass(frozen=True, slots=True)
class Checked:
    """A verdict, its reason in one sentence, and what the answer was taken for."""

    verdict: Verdict
    why: str
    place: int | None = None
    """The place, from 1, of the choice named."""
    matched: str = ""
    """The accepted answer it matched; empty if none."""


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
    return _caseless(read(text))


@dataclass(frozen=True, slots=True)
class Fold:
    """One step of folding, and the text after it."""

    step: str
    text: str


def fold_steps(text: str, check: Check) -> tuple[Fold, ...]:
    """How a round folds a typed text before it is compared, step by step.

    What a step would leave empty stays as it was, so that an answer of signs alone still
    counts for something.
    """
    steps = [Fold("read", read(text))]
    for name, asked_for, fold_by in (
        ("capitals", check.ignore_case, _caseless),
        ("accents", check.ignore_accents, _unaccented),
        ("punctuation", check.ignore_punctuation, _unpointed),
        ("articles", bool(check.articles.strip()), lambda text: _headless(text, check.articles)),
    ):
        if asked_for:
            before = steps[-1].text
            steps.append(Fold(name, fold_by(before) or before))
    return tuple(steps)


def folded(text: str, check: Check) -> str:
    """The text as a round compares it."""
    return fold_steps(text, check)[-1].text


def _caseless(text: str) -> str:
    return unicodedata.normalize("NFKC", text.casefold())


def _unaccented(text: str) -> str:
    apart = unicodedata.normalize("NFD", text)
    kept = "".join(sign for sign in apart if unicodedata.category(sign) != "Mn")
    return unicodedata.normalize("NFC", kept)


def _unpointed(text: str) -> str:
    """Without punctuation: joining signs go, others become a space."""
    kept = "".join(
        sign if unicodedata.category(sign)[0] not in "PS" else ("" if sign in "'’‘.`´" else " ")
        for sign in text
    )
    return " ".join(kept.split())


def _headless(text: str, articles: str) -> str:
    """Without one leading article."""
    first, _, rest = text.partition(" ")
    return rest if rest and first.casefold() in articles.casefold().split() else text


def typos_between(one: str, other: str, most: int) -> int | None:
    """How many slips turn one text into the other; None if more than `most`.

    A slip is a letter too many, too few, wrong, or two neighbours exchanged, no part of the
    text being edited twice: the optimal string alignment distance (Damerau, CACM 7(3), 1964;
    the restricted form).
    """
    if abs(len(one) - len(other)) > most:
        return None
    before: list[int] = []
    row = list(range(len(other) + 1))
    for place, sign in enumerate(one, 1):
        earlier, before, row = before, row, [place]
        for spot, wanted in enumerate(other, 1):
            cost = min(before[spot] + 1, row[-1] + 1, before[spot - 1] + (sign != wanted))
            if place > 1 and spot > 1 and sign == other[spot - 2] and one[place - 2] == wanted:
                cost = min(cost, earlier[spot - 2] + 1)
            row.append(cost)
        if min(row) > most and (not before or min(before) > most):
            return None
    return row[-1] if row[-1] <= most else None


def _slips(typed: str, wanted: str, check: Check) -> int | None:
    """How many typos a folded answer has; None if it is too far off.

    Short words and digits must be exact: ``car`` is not ``cat``, nor 1988 1989.
    """
    if typed == wanted:
        return 0
    if not check.typos or len(wanted) < _LEAST_FOR_TYPOS or _digits(typed) != _digits(wanted):
        return None
    return typos_between(typed, wanted, check.typos)


_LEAST_FOR_TYPOS = 4


def _digits(text: str) -> str:
    return "".join(sign for sign in text if sign.isdigit())


def _by_typos(slips: int, typed: str, wanted: str, check: Check) -> str:
    allowed = "one is" if check.typos == 1 else f"{check.typos} are"
    apart = "one typo" if slips == 1 else f"{slips} typos"
    return f"“{typed}” is {apart} from “{wanted}”; {allowed} allowed"


def check_choice(
    given: Given, choices: Sequence[str], right: Collection[int], check: Check
) -> Checked:
    """The verdict on an answer to a question with choices.

    `choices` are in the order shown and `right` holds the places, from 1, of the right ones.
    """
    slips = 0
    if isinstance(given, int):
        place: int | Checked = given
    else:
        place, slips = _place_typed(given, choices, check)
    if isinstance(place, Checked):
        return place
    if not 1 <= place <= len(choices):
        return _unreadable(f"there is no choice {place}; {_offer(choices)}")
    name = f"{LETTERS[place - 1]}, “{choices[place - 1]}”,"
    if place not in right:
        return Checked(Verdict.WRONG, f"{name} is not the right answer", place)
    if slips:
        why = _by_typos(slips, read(str(given)), choices[place - 1], check)
        return Checked(Verdict.CLOSE, why, place, choices[place - 1])
    the = "the" if len(right) == 1 else "a"
    return Checked(Verdict.RIGHT, f"{name} is {the} right answer", place, choices[place - 1])


def check_typed(given: Given, accepted: Sequence[str], check: Check) -> Checked:
    """The verdict on a typed answer: whether it is one of those accepted."""
    typed = read(str(given))
    if not typed:
        return _unreadable("nothing was typed")
    form = folded(typed, check)
    nearest: tuple[int, str] | None = None
    for answer in accepted:
        slips = _slips(form, folded(answer, check), check)
        if slips is not None and (nearest is None or slips < nearest[0]):
            nearest = slips, answer
    if nearest is None:
        return Checked(Verdict.WRONG, f"“{typed}” is not the right answer")
    slips, answer = nearest
    if slips:
        why = _by_typos(slips, typed, answer, check)
        return Checked(Verdict.CLOSE, why, matched=answer)
    as_written = "" if typed == answer else f", read as “{answer}”"
    return Checked(Verdict.RIGHT, f"“{typed}” is the right answer{as_written}", matched=answer)


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
        return Checked(Verdict.RIGHT, f"{typed} is the right answer{near}", matched=right)
    return Checked(Verdict.WRONG, f"{typed} is not the right answer")


def _place_typed(given: str, choices: Sequence[str], check: Check) -> tuple[int | Checked, int]:
    """The place a typed answer names and with how many typos, or why it names none."""
    typed = read(given)
    if not typed:
        return _unreadable("nothing was typed"), 0
    if check.by_text:
        found = _places_saying(given, choices, check)
        if len(found) == 1:
            return found[0], 0
        if found:
            return _either(typed, found), 0
    if check.by_letter and len(typed) == 1 and typed.upper() in LETTERS[: len(choices)]:
        return LETTERS.index(typed.upper()) + 1, 0
    if check.by_place and typed.isdecimal() and len(typed) < 4:
        return int(typed), 0
    if check.by_text and check.typos:
        near, slips = _places_nearly_saying(typed, choices, check)
        if len(near) == 1:
            return near[0], slips
        if near:
            return _either(typed, near), 0
    return _unreadable(f"“{typed}” names no choice; {_offer(choices)}"), 0


def _either(typed: str, places: Sequence[int]) -> Checked:
    letters = " or ".join(LETTERS[place - 1] for place in places)
    return _unreadable(f"“{typed}” could be {letters}; pick one")


def _places_saying(given: str, choices: Sequence[str], check: Check) -> list[int]:
    """The places whose words are the given ones, by the strictest comparison that finds any."""
    comparisons: tuple[Callable[[str], str], ...] = (as_shown, read)
    if check.ignore_case:
        comparisons += (fold,)
    if check.ignore_accents or check.ignore_punctuation or check.articles:
        comparisons += (lambda text: folded(text, check),)
    for form in comparisons:
        wanted = form(given)
        found = [place for place, text in enumerate(choices, 1) if form(text) == wanted]
        if found:
            return found
    return []


def _places_nearly_saying(
    typed: str, choices: Sequence[str], check: Check
) -> tuple[list[int], int]:
    """The places nearest to the typed words, within the typos allowed, and how many those are."""
    form = folded(typed, check)
    slips = {
        place: apart
        for place, text in enumerate(choices, 1)
        if (apart := _slips(form, folded(text, check), check)) is not None
    }
    fewest = min(slips.values(), default=0)
    return [place for place, apart in slips.items() if apart == fewest], fewest


def _offer(choices: Sequence[str]) -> str:
    return f"the choices are A to {LETTERS[len(choices) - 1]}"


def _unreadable(why: str) -> Checked:
    return Checked(Verdict.UNREADABLE, why)
