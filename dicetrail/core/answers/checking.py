"""What an answer means: read it, fold it, compare it, say why.

A choice can be picked (an int: its place, from 1) or typed (a str). What is typed is
compared with the choices' own words before it is tried as a letter or a place, so that in
a question whose choices are numbers the typed number means the choice that says it.
"""

import re
import unicodedata
from collections.abc import Callable, Collection, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import lru_cache

from dicetrail.core.answers.estimates import scale_in, shape_of_estimate, share_of_estimate
from dicetrail.core.answers.folding import (
    as_shown,
    caseless,
    read,
    tidy,
    unaccented,
    unseen_out,
    without_article,
    without_punctuation,
)
from dicetrail.core.answers.matches import share_of_match
from dicetrail.core.answers.numbers import ReadNumber, as_number, number_in, within
from dicetrail.core.answers.orders import share_of_order
from dicetrail.core.answers.shares import HALF, WHOLE, share_of_picks
from dicetrail.core.document import (
    BLANK,
    ENGLISH,
    MAX_CHOICES,
    Area,
    Check,
    Details,
    Filling,
    Gap,
    Message,
    Needs,
    PartlyRight,
    Phrase,
    Point,
    as_pair,
    listed,
    message,
    point_of,
    record,
)

LETTERS = "ABCDEFGHIJKL"[:MAX_CHOICES]

MAX_ANSWER = 10_000
"""Longer answers are not read. In characters."""

Given = str | int | tuple[int, ...]
"""An answer as it arrives: words typed, or the place (from 1) of the choice picked, or of
several choices picked together, or of all in the order they are put in, or of the partner of each
item, or of the number of a scale."""


class Verdict(StrEnum):
    """What an answer was found to be."""

    RIGHT = "right"
    CLOSE = "close"
    """Right, apart from typos that the round allows."""
    PARTLY = "partly"
    """Right in part."""
    WRONG = "wrong"
    UNREADABLE = "unreadable"
    """The answer is empty or names no choice. It costs nothing, and the question waits on."""


@record
class Checked:
    """A verdict, its reason in one sentence, and what the answer was taken for."""

    verdict: Verdict
    said: Message
    """Its reason."""
    places: tuple[int, ...] = ()
    """The places, from 1, of the choices named."""
    matched: str = ""
    """The accepted answer it matched; empty if none."""
    share: int = 0
    """How much of an answer is right that is partly right, in percent, 1 to 99."""
    point: int | None = None
    """The point of the scale that an estimate named, from 0."""
    gaps: "tuple[FilledGap, ...]" = ()
    """What was given for each gap of a text."""

    @property
    def why(self) -> str:
        """Its reason in words, as makers are told it."""
        return ENGLISH.of(self.said)


@record
class FilledGap:
    """What was given for a gap, and whether it fits."""

    given: str
    """The word picked, or what was typed; empty for nothing."""
    is_right: bool


def all_differ(texts: Sequence[str]) -> bool:
    """Whether all these trimmed texts look different to a reader."""
    together = "".join(texts)
    if (
        not together.isprintable()
        or unseen_out(together) != together
        or "  " in together
        or not unicodedata.is_normalized("NFC", together)
    ):
        texts = [as_shown(text) for text in texts]
    return len(set(texts)) == len(texts)


def fold(text: str) -> str:
    """The text as read, with capitals and other letter cases made alike."""
    return caseless(read(text))


@dataclass(frozen=True, slots=True)
class Fold:
    """One step of folding, and the text after it."""

    step: str
    text: str


def fold_steps(text: str, check: Check) -> tuple[Fold, ...]:
    """The steps by which a round folds a typed text before it compares it.

    A step that would leave the text empty is skipped, so an answer that is only punctuation can
    still be compared.
    """
    steps = [Fold("read", read(text))]
    points = check.ignore_punctuation
    for name, asked_for, fold_by in (
        ("capitals", check.ignore_case, caseless),
        ("accents", check.ignore_accents, unaccented),
        # An elided article goes before the apostrophe that tells it does.
        (
            "articles",
            bool(check.articles.strip()),
            lambda t: without_article(t, check.articles, points),
        ),
        ("punctuation", points, without_punctuation),
    ):
        if asked_for:
            before = steps[-1].text
            steps.append(Fold(name, fold_by(before) or before))
    return tuple(steps)


def folded(text: str, check: Check) -> str:
    """The text as a round compares it."""
    return fold_steps(text, check)[-1].text


def typos_between(
    one: str, other: str, most: int, fixed: Collection[int] = frozenset()
) -> int | None:
    """How many slips turn one text into the other; None if more than `most`.

    A slip is a letter too many, too few, wrong, or two neighbours exchanged, and no part of the
    text is edited twice: the optimal string alignment distance (Damerau, CACM 7(3), 1964; the
    restricted form). No slip may fall on the places of the other text in `fixed`, counted from 0,
    nor between two of them. Only cells within `most` of the diagonal are computed, so the time
    grows with the length and not with its square.
    """
    if abs(len(one) - len(other)) > most:
        return None
    start = _shared(one, other)
    end = _shared(one[start:][::-1], other[start:][::-1])
    one, width = one[start : len(one) - end], len(other) - end - start
    wanted = other[start : start + width]
    firm = [
        start - 1 + place in fixed or (bool(fixed) and not 0 <= start - 1 + place < len(other))
        for place in range(width + 2)
    ]  # firm[p + 1] tells of place p
    far = most + 1
    band = range(2 * most + 1)
    # row[k] is the distance of the first characters of both, the other's k - most ahead.
    row = [far] * (2 * most + 2)
    row[most] = 0
    for ahead in range(1, min(most, width) + 1):
        row[most + ahead] = far if firm[ahead] else row[most + ahead - 1] + 1
    before = earlier = row
    for place, character in enumerate(one, 1):
        earlier, before, row = before, row, [far] * (2 * most + 2)
        for k in band:
            spot = place + k - most
            if not 0 <= spot <= width:
                continue
            cost = far if firm[spot] and firm[spot + 1] else before[k + 1] + 1
            if spot:
                same = character == wanted[spot - 1]
                if same or not firm[spot]:
                    cost = min(cost, before[k] + (not same))
                if not firm[spot]:
                    if k:
                        cost = min(cost, row[k - 1] + 1)
                    exchanged = (
                        place > 1
                        and spot > 1
                        and not firm[spot - 1]
                        and character == wanted[spot - 2]
                        and one[place - 2] == wanted[spot - 1]
                    )
                    if exchanged:
                        cost = min(cost, earlier[k] + 1)
            row[k] = min(cost, far)
        if min(row) > most and min(before) > most:
            return None
    found = row[width - len(one) + most]
    return found if found <= most else None


def _shared(one: str, other: str) -> int:
    """The length of the common start of two texts."""
    for place, (character, wanted) in enumerate(zip(one, other, strict=False)):
        if character != wanted:
            return place
    return min(len(one), len(other))


def _slips(typed: str, wanted: str, check: Check) -> int | None:
    """How many typos a folded answer has; None if it is too far off.

    Each short word and each number must be exact: ``car`` is not ``cat``, 1988 is not 1989, and ``a
    big pig`` is not ``a big fig``.
    """
    if typed == wanted:
        return 0
    most = typos_allowed(wanted, check)
    if not most or abs(len(typed) - len(wanted)) > most:
        return None
    if len(wanted) > _MAX_FOR_TYPOS:
        return None
    if _digits(typed) != _digits(wanted):
        return None
    fixed = _exact_places(wanted)
    return None if len(fixed) == len(wanted) else typos_between(typed, wanted, most, fixed)


def typos_allowed(wanted: str, check: Check) -> int:
    """How many slips an answer may have: at most one for every three letters, unless the maker
    insists on more.

    >>> typos_allowed("leek", Check(typos=3)), typos_allowed("marrow", Check(typos=3))
    (1, 2)
    """
    if check.typos_anyway:
        return check.typos
    return min(check.typos, sum(map(str.isalpha, wanted)) // _LETTERS_A_TYPO)


_LETTERS_A_TYPO = 3
_LEAST_FOR_TYPOS = 4
_MAX_FOR_TYPOS = 500
"""A longer text must match exactly, which keeps the comparison fast."""


def _exact_places(text: str) -> frozenset[int]:
    """The places, from 0, of the words that must be exact, and of the spaces beside them."""
    fixed: set[int] = set()
    for word in _WORD.finditer(text):
        letters = sum(character.isalpha() for character in word[0])
        if letters < _LEAST_FOR_TYPOS or any(character.isdigit() for character in word[0]):
            fixed.update(range(max(0, word.start() - 1), min(len(text), word.end() + 1)))
    return frozenset(fixed)


_WORD = re.compile(r"\S+")


def _digits(text: str) -> str:
    return "".join(character for character in text if character.isdigit())


def _by_typos(slips: int, typed: str, wanted: str, check: Check) -> Message:
    return message(
        Phrase.TYPOS_APART,
        typed=typed,
        answer=wanted,
        typos=message(Phrase.TYPOS, count=slips),
        allowed=message(Phrase.TYPOS_ALLOWED, count=typos_allowed(folded(wanted, check), check)),
    )


def check_choice(
    given: Given,
    choices: Sequence[str],
    right: Collection[int],
    check: Check,
    needs: Needs = Needs.ANY,
    joined_by: str = "and",
) -> Checked:
    """The verdict on an answer to a question with choices.

    `choices` are in the order shown and `right` holds the places, from 1, of the right ones.
    Where several are wanted they are told apart by characters of lists, or by the word `joined_by`.
    """
    if isinstance(given, str):
        named, slips = _places_typed(given, choices, check, needs, joined_by)
    else:
        named, slips = ((given,) if isinstance(given, int) else given), 0
    if isinstance(named, Checked):
        return named
    places = named if len(named) == 1 else tuple(sorted(set(named)))
    if not places:
        return _unreadable(Phrase.NOTHING_PICKED)
    for place in places:
        if not 1 <= place <= len(choices):
            return _unreadable(Phrase.NO_CHOICE, number=place, offer=_offer(choices))
    if needs is Needs.ALL:
        return _all_checked(places, choices, right, slips, check.partly)
    if len(places) > 1:
        return _unreadable(Phrase.ONLY_ONE)
    place = places[0]
    name = _amid(place, choices)
    if place not in right:
        return Checked(Verdict.WRONG, message(Phrase.IS_NOT_RIGHT, choice=name), places)
    if slips:
        why = _by_typos(slips, read(str(given)), choices[place - 1], check)
        return Checked(Verdict.CLOSE, why, places, choices[place - 1])
    phrase = Phrase.IS_THE_RIGHT if len(right) == 1 else Phrase.IS_A_RIGHT
    return Checked(Verdict.RIGHT, message(phrase, choice=name), places, choices[place - 1])


def _amid(place: int, choices: Sequence[str]) -> Message:
    """A choice as it is written in a reason."""
    return message(Phrase.CHOICE_AMID, letter=LETTERS[place - 1], choice=choices[place - 1])


def _all_checked(
    places: tuple[int, ...],
    choices: Sequence[str],
    right: Collection[int],
    slips: int,
    partly: PartlyRight,
) -> Checked:
    """The verdict on several choices picked together: every right one and no other is right.

    The reason for any other answer never tells which choices are right, because another try may
    follow.
    """
    named = listed([_amid(place, choices) for place in places], Phrase.LIST_AND)
    found = len(set(places) & set(right))
    share = share_of_picks(partly, len(set(right)), found, len(set(places)) - found)
    if 0 < share < WHOLE:
        what = message(Phrase.ARE_PARTLY, choices=named, share=share)
        return Checked(Verdict.PARTLY, what, places, share=share)
    if not share:
        return Checked(Verdict.WRONG, message(Phrase.ARE_NOT_ALL, choices=named), places)
    matched = " and ".join(choices[place - 1] for place in places)
    if slips:
        what = message(Phrase.ARE_ALL_BUT, choices=named, count=slips)
        return Checked(Verdict.CLOSE, what, places, matched)
    what = message(Phrase.ARE_ALL, choices=named, count=len(places))
    return Checked(Verdict.RIGHT, what, places, matched)


def check_order(
    given: Given,
    choices: Sequence[str],
    right: Sequence[int],
    check: Check,
    joined_by: str = "and",
) -> Checked:
    """The verdict on an order of choices, given by their places or typed by their letters.

    `choices` are in the order shown, and `right` holds their places, from 1, in the right order.
    Each choice has to be named once.
    """
    if isinstance(given, str):
        named, slips = _places_typed(given, choices, check, Needs.ALL, joined_by)
    else:
        named, slips = ((given,) if isinstance(given, int) else given), 0
    if isinstance(named, Checked):
        return named
    if sorted(named) != list(range(1, len(choices) + 1)):
        return _unreadable(Phrase.NAME_EACH_ONCE, count=len(choices))
    share = share_of_order(check.order_share, [right.index(place) for place in named])
    matched = ", ".join(choices[place - 1] for place in named)
    return _arranged_checked(named, share, slips, matched, _ORDER_SAID)


def check_match(
    given: Given,
    items: Sequence[str],
    choices: Sequence[str],
    right: Sequence[int],
    check: Check,
    joined_by: str = "and",
) -> Checked:
    """The verdict on a match: a choice for each item, given by places or typed by letters.

    `choices` are in the order shown, and `right` holds the place, from 1, of each item's partner.
    Where no two items share a partner, a choice can be named once only.
    """
    if isinstance(given, str):
        named, slips = _places_matched(given, choices, len(items), check, joined_by)
    else:
        named, slips = ((given,) if isinstance(given, int) else given), 0
    if isinstance(named, Checked):
        return named
    if len(named) != len(items):
        return _unreadable(Phrase.MATCH_EACH, count=len(items))
    for place in named:
        if not 1 <= place <= len(choices):
            return _unreadable(Phrase.NO_CHOICE, number=place, offer=_offer(choices))
    twice = next((place for place in named if named.count(place) > 1), None)
    if twice is not None and len(set(right)) == len(items):
        return _unreadable(Phrase.MATCH_ONCE, letter=LETTERS[twice - 1])
    hits = sum(place == its for place, its in zip(named, right, strict=True))
    share = share_of_match(check.partly, len(items), hits)
    pairs = zip(items, named, strict=True)
    matched = ", ".join(as_pair(item, choices[place - 1]) for item, place in pairs)
    return _arranged_checked(named, share, slips, matched, _MATCH_SAID)


_ORDER_SAID = Phrase.ORDER_RIGHT, Phrase.ORDER_PARTLY, Phrase.ORDER_WRONG
_MATCH_SAID = Phrase.MATCH_RIGHT, Phrase.MATCH_PARTLY, Phrase.MATCH_WRONG


def _arranged_checked(
    named: tuple[int, ...], share: int, slips: int, matched: str, said: tuple[Phrase, ...]
) -> Checked:
    """The verdict on an order or a match by its share; `said` is of one that is right, right in
    part, and wrong."""
    letters, (right, partly, wrong) = ", ".join(LETTERS[place - 1] for place in named), said
    if share == 0:
        return Checked(Verdict.WRONG, message(wrong, letters=letters), named)
    if share < WHOLE:
        told = message(partly, letters=letters, share=share)
        return Checked(Verdict.PARTLY, told, named, share=share)
    if slips:
        told = message(Phrase.ARE_ALL_BUT, choices=letters, count=slips)
        return Checked(Verdict.CLOSE, told, named, matched)
    return Checked(Verdict.RIGHT, message(right, letters=letters), named, matched)


def check_judged(given: Given, choices: Sequence[str], check: Check) -> Checked:
    """The verdict that a player gives of their own answer: the first choice says that it was right,
    the last that it was not, and one between them that half of it was."""
    picked = check_choice(given, choices, (1,), check)
    if picked.verdict is Verdict.UNREADABLE:
        return picked
    (place,) = picked.places
    said = _amid(place, choices)
    if place == 1:
        return Checked(Verdict.RIGHT, said, picked.places)
    if place == len(choices):
        return Checked(Verdict.WRONG, said, picked.places)
    return Checked(Verdict.PARTLY, said, picked.places, share=HALF)


def check_place(
    given: Given,
    areas: Sequence[Area],
    right: Collection[int],
    check: Check,
    needs: Needs = Needs.ANY,
    joined_by: str = "and",
) -> Checked:
    """The verdict on places of a picture: points by their numbers, or areas by place or name.

    `areas` are in the order in which they are named, and `right` holds the places, from 1, of the
    right ones. A point in a right area means that one, whatever other areas it lies in.
    """
    names = [area.name for area in areas]
    if isinstance(given, str):
        return check_choice(given, names, right, check, needs, joined_by)
    numbers = (given,) if isinstance(given, int) else given
    points = [point for number in numbers if (point := point_of(number)) is not None]
    if not points:
        return check_choice(given, names, right, check, needs)
    if needs is Needs.ANY and len(numbers) > 1:
        return _unreadable(Phrase.ONLY_ONE)
    hit = [_area_at(point, areas, right) for point in points]
    named = [number for number in numbers if point_of(number) is None]
    places = tuple(sorted({*named, *filter(None, hit)}))
    nowhere = hit.count(0)
    if not nowhere:
        return check_choice(places, names, right, check, needs)
    found = len(set(places) & set(right))
    others = len(set(places)) - found + nowhere
    share = share_of_picks(check.partly, len(set(right)), found, others) if places else 0
    if share:
        said = message(Phrase.PLACES_PARTLY, share=share)
        return Checked(Verdict.PARTLY, said, places, share=share)
    return Checked(Verdict.WRONG, message(Phrase.NOTHING_THERE), places)


def _area_at(point: Point, areas: Sequence[Area], right: Collection[int]) -> int:
    """The place, from 1, of the area at a point, a right one before others; 0 if there is none."""
    at = [place for place, area in enumerate(areas, 1) if area.holds(point)]
    return next((place for place in at if place in right), at[0] if at else 0)


def check_gaps(
    given: Given,
    gaps: Sequence[Gap],
    words: Sequence[Sequence[str]],
    check: Check,
    joined_by: str = "and",
) -> Checked:
    """The verdict on what is filled into the gaps of a text.

    It has a line for each gap, or one line for all with semicolons, commas or spaces between.
    `words` are those to pick from for each gap, as shown; none for a gap that is typed.
    """
    if too_long := _too_long(given):
        return too_long
    parts = _filled_in(str(given), len(gaps), joined_by)
    if parts is None:
        return _unreadable(Phrase.FILL_EACH, count=len(gaps))
    if not any(parts):
        return _unreadable(Phrase.NOTHING_TYPED)
    filled, slips = [], 0
    for number, (part, gap, offered) in enumerate(zip(parts, gaps, words, strict=True), 1):
        checked = _gap_checked(part, gap, offered, check)
        if isinstance(checked, Checked):
            return _unreadable(Phrase.NO_WORD_OF_GAP, typed=part, number=number)
        gap_filled, typos = checked
        filled.append(gap_filled)
        slips += typos
    return _gaps_checked(tuple(filled), slips, check)


def _gaps_checked(gaps: tuple[FilledGap, ...], slips: int, check: Check) -> Checked:
    hits = sum(gap.is_right for gap in gaps)
    misses = sum(bool(gap.given) and not gap.is_right for gap in gaps)
    share = share_of_picks(check.partly, len(gaps), hits, misses)
    typed = ", ".join(gap.given or BLANK for gap in gaps)
    if share == 0:
        said = message(Phrase.TYPED_WRONG, typed=typed)
        return Checked(Verdict.WRONG, said, gaps=gaps)
    if share < WHOLE:
        said = message(Phrase.GAPS_PARTLY, typed=typed, share=share)
        return Checked(Verdict.PARTLY, said, share=share, gaps=gaps)
    if slips:
        said = message(Phrase.ARE_ALL_BUT, choices=typed, count=slips)
        return Checked(Verdict.CLOSE, said, matched=typed, gaps=gaps)
    said = message(Phrase.TYPED_RIGHT, typed=typed)
    return Checked(Verdict.RIGHT, said, matched=typed, gaps=gaps)


def _filled_in(given: str, count: int, joined_by: str) -> list[str] | None:
    """What an answer has for each of so many gaps; None if it is not for so many."""
    if count == 1 or "\n" in given:
        parts = given.split("\n")
        return [read(part) for part in parts] if len(parts) == count else None
    for split in (_SEMICOLON, _COMMA, listed_by(joined_by), _SPACED):
        parts = split.split(given.strip())
        if len(parts) == count:
            return [read(part) for part in parts]
    return None if read(given) else [""] * count


_SEMICOLON, _COMMA = re.compile(r"\s*[;؛；]\s*"), re.compile(r"\s*[,،，、]\s*")


def _gap_checked(
    typed: str, gap: Gap, offered: Sequence[str], check: Check
) -> tuple[FilledGap, int] | Checked:
    """What was given for a gap and its number of typos; the verdict if it is none of the words that
    are offered there."""
    if not typed:
        return FilledGap("", False), 0
    if not offered:
        nearest = _nearest(typed, gap.accepted, check)
        return FilledGap(typed, nearest is not None), nearest[0] if nearest else 0
    by_text = replace(check, by_text=True, by_letter=False, by_place=False)
    place, slips = _place_typed(typed, offered, by_text)
    if isinstance(place, Checked):
        return place
    word = offered[place - 1]
    return FilledGap(word, word in gap.accepted), slips


def check_typed(given: Given, accepted: Sequence[str], check: Check) -> Checked:
    """The verdict on a typed answer: whether it is one of those accepted."""
    if too_long := _too_long(given):
        return too_long
    typed = read(str(given))
    if not typed:
        return _unreadable(Phrase.NOTHING_TYPED)
    nearest = _nearest(typed, accepted, check)
    if nearest is None:
        return Checked(Verdict.WRONG, message(Phrase.TYPED_WRONG, typed=typed))
    slips, answer = nearest
    if slips:
        why = _by_typos(slips, typed, answer, check)
        return Checked(Verdict.CLOSE, why, matched=answer)
    phrase = Phrase.TYPED_RIGHT if typed == answer else Phrase.TYPED_READ
    return Checked(Verdict.RIGHT, message(phrase, typed=typed, answer=answer), matched=answer)


def _nearest(typed: str, accepted: Sequence[str], check: Check) -> tuple[int, str] | None:
    """The accepted answer that is nearest to the one typed, after its number of typos; None if all
    are too far off."""
    form = folded(typed, check)
    nearest: tuple[int, str] | None = None
    for answer in accepted:
        slips = _slips(form, folded(answer, check), check)
        if slips is not None and (nearest is None or slips < nearest[0]):
            nearest = slips, answer
    return nearest


def check_number(given: Given, right: str, tolerance: str, check: Check) -> Checked:
    """The verdict on a number, compared by its exact value: ``2.6`` is ``13/5``."""
    if too_long := _too_long(given):
        return too_long
    typed = tidy(str(given))
    if not typed:
        return _unreadable(Phrase.NOTHING_TYPED)
    mark = check.decimal_mark
    written, wanted = number_in(typed, mark), number_in(right, mark)
    if written is None or wanted is None:
        return _unreadable(Phrase.NO_NUMBER, typed=typed)
    if not within(written.value, wanted.value, tolerance, mark):
        return Checked(Verdict.WRONG, _read_so(message(Phrase.NUMBER_WRONG, typed=typed), written))
    if written.value == wanted.value:
        said = message(Phrase.NUMBER_RIGHT, typed=typed)
    else:
        said = message(Phrase.NUMBER_NEAR, typed=typed, tolerance=tolerance, right=right)
    return Checked(Verdict.RIGHT, _read_so(said, written), matched=right)


def check_estimate(given: Given, right: str, details: Details, check: Check) -> Checked:
    """The verdict on an estimate: a number of the question's scale, or its place there, from 1.

    Its unit may stand behind a number. One that is not of the scale costs nothing.
    """
    if too_long := _too_long(given):
        return too_long
    scale = scale_in(details)
    if isinstance(given, int) and scale is not None:
        if not 1 <= given <= scale.points:
            return _off_scale(str(given), details)
        given = as_number(scale.at(given - 1), check.decimal_mark)
    typed = tidy(str(given))
    if not typed:
        return _unreadable(Phrase.NOTHING_TYPED)
    unit = caseless(tidy(details.unit))
    bare = typed[: len(typed) - len(unit)] if unit and caseless(typed).endswith(unit) else typed
    written = number_in(bare.strip(), check.decimal_mark)
    if written is None or scale is None:
        return _unreadable(Phrase.NO_NUMBER, typed=typed)
    place = scale.place_of(written.value)
    if not 0 <= place < scale.points:
        return _off_scale(typed, details)
    if place.denominator != 1:
        return _unreadable(Phrase.BETWEEN_STEPS, typed=typed, step=details.step or "1")
    shape = shape_of_estimate(right, details)
    share = share_of_estimate(check.estimate_share, check.estimate_reach, shape, int(place))
    point = int(place)
    if share == 0:
        said = _read_so(message(Phrase.NUMBER_WRONG, typed=typed), written)
        return Checked(Verdict.WRONG, said, point=point)
    if share < WHOLE:
        said = message(Phrase.ESTIMATE_PARTLY, typed=typed, share=share)
        return Checked(Verdict.PARTLY, _read_so(said, written), share=share, point=point)
    if place == shape.right:
        said = message(Phrase.NUMBER_RIGHT, typed=typed)
    else:
        amount = details.tolerance
        said = message(Phrase.NUMBER_NEAR, typed=typed, tolerance=amount, right=right)
    return Checked(Verdict.RIGHT, _read_so(said, written), matched=right, point=point)


def _off_scale(typed: str, details: Details) -> Checked:
    return _unreadable(Phrase.OFF_SCALE, typed=typed, least=details.least, most=details.most)


def _read_so(said: Message, written: ReadNumber) -> Message:
    """The reason, and how a number of two readings was read."""
    return said if written.how is None else message(Phrase.WITH_HOW, why=said, how=written.how)


def _too_long(given: Given) -> Checked | None:
    length = len(given) if isinstance(given, str) else 0
    if length <= MAX_ANSWER:
        return None
    return _unreadable(Phrase.TOO_LONG, count=f"{length:,}", most=f"{MAX_ANSWER:,}")


def _places_typed(
    given: str, choices: Sequence[str], check: Check, needs: Needs, joined_by: str
) -> tuple[tuple[int, ...] | Checked, int]:
    """The places that a typed answer names and its number of typos, or why it names none."""
    if too_long := _too_long(given):
        return too_long, 0
    place, slips = _place_typed(given, choices, check)
    if isinstance(place, int):
        return (place,), slips
    if needs is Needs.ANY:
        return place, slips
    several = _several_typed(given, choices, len(choices), check, joined_by)
    return (place, 0) if several is None else several


def _several_typed(
    given: str, choices: Sequence[str], most: int, check: Check, joined_by: str
) -> tuple[tuple[int, ...], int] | None:
    """The places of two choices or more, at most so many, that a typed answer names, and its
    number of typos; None if it does not."""
    splits = [listed_by(joined_by), _SPACED]
    if joined_by.upper() in LETTERS[: len(choices)] and read(given).islower():
        splits.reverse()  # “a e c” names three letters, where “A e C” has a word between two
    for split in splits:
        parts = [part for part in split.split(read(given)) if part]
        if split is _SPACED and len(parts) == 1:
            parts = list(parts[0])  # letters in one: “AC”
        if not 1 < len(parts) <= most:
            continue
        found = [_place_typed(part, choices, check) for part in parts]
        places = tuple(place for place, _ in found if isinstance(place, int))
        if len(places) == len(found):
            return places, sum(slips for _, slips in found)
    return None


def _places_matched(
    given: str, choices: Sequence[str], count: int, check: Check, joined_by: str
) -> tuple[tuple[int, ...] | Checked, int]:
    """The places that a typed answer names for so many items in turn, and its number of typos.

    Letters can have the numbers of the items before them: ``2A 1B`` is ``B A``.
    """
    if too_long := _too_long(given):
        return too_long, 0
    is_numbered = check.by_letter and _ALL_NUMBERED.fullmatch(read(given))
    numbered = _NUMBERED.findall(read(given)) if is_numbered else []
    by_item = {int(number): LETTERS.index(letter.upper()) + 1 for number, letter in numbered}
    if sorted(by_item) == list(range(1, count + 1)) and len(numbered) == count:
        return tuple(by_item[number] for number in range(1, count + 1)), 0
    several = _several_typed(given, choices, MAX_CHOICES, check, joined_by)
    if several is not None:
        return several
    place, slips = _place_typed(given, choices, check)
    return ((place,) if isinstance(place, int) else place), slips


_ONE_NUMBERED = r"(\d{1,2})\s*[.:)=-]?\s*([A-La-l])"
_NUMBERED = re.compile(_ONE_NUMBERED)
_ALL_NUMBERED = re.compile(rf"(?:{_ONE_NUMBERED}[\s,;]*){{2,}}")
"""Letters with the number of an item before each."""


@lru_cache(maxsize=64)
def listed_by(word: str) -> re.Pattern[str]:
    """What stands between several answers: a character of a list, the word and, or a word for it.

    The Arabic word stands before the next one without a space between.
    """
    words = "|".join(
        re.escape(read(one)) + (r"\s*" if "\u0600" <= one[:1] <= "\u06ff" else r"\s+")
        for one in dict.fromkeys(filter(None, (word, "and")))
    )
    flags = re.IGNORECASE if len(word) > 1 else re.NOFLAG
    return re.compile(rf"\s*[{_CHARACTERS}]\s*(?:{words})?|\s+(?:{words})", flags)


_CHARACTERS = ",;&+،؛、，；"
"""Characters between the members of a list, as scripts have them."""
_SPACED = re.compile(r"\s+")


def _place_typed(given: str, choices: Sequence[str], check: Check) -> tuple[int | Checked, int]:
    """The place a typed answer names and with how many typos, or why it names none."""
    typed = read(given)
    if not typed:
        return _unreadable(Phrase.NOTHING_TYPED), 0
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
    return _unreadable(Phrase.NAMES_NONE, typed=typed, offer=_offer(choices)), 0


def _either(typed: str, places: Sequence[int]) -> Checked:
    letters = listed([LETTERS[place - 1] for place in places], Phrase.LIST_OR)
    return _unreadable(Phrase.COULD_BE, typed=typed, letters=letters)


def _places_saying(given: str, choices: Sequence[str], check: Check) -> list[int]:
    """The places whose words equal the given ones, by the strictest comparison that finds any."""
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


def _offer(choices: Sequence[str]) -> Message:
    return message(Phrase.OFFER, letter=LETTERS[len(choices) - 1])


def _unreadable(phrase: Phrase, **values: Filling) -> Checked:
    return Checked(Verdict.UNREADABLE, message(phrase, **values))
