"""Numbers as people write them: whole, decimal, fraction or mixed number."""

import re
import unicodedata
from dataclasses import dataclass
from fractions import Fraction

from dicetrail.core.answers.folding import plain_characters, unseen_out
from dicetrail.core.document import DecimalMark, Message, Phrase, message

_LONGEST = 40
_FRACTION = re.compile(r"(?:(\d+) +)?(\d+) ?/ ?(\d+)")
_GROUPED = re.compile(r"[1-9]\d{0,2}(?:([ ',.])\d{3})(?:\1\d{3})*(?:(?!\1)([.,])\d*)?")
_DECIMAL = re.compile(r"\d*[.,]\d+|\d+[.,]?")


@dataclass(frozen=True, slots=True)
class ReadNumber:
    """A number as it was read, and how it was read where two readings are possible."""

    value: Fraction
    how: Message | None = None


def read_number(text: str, mark: DecimalMark = DecimalMark.POINT) -> Fraction | None:
    """The exact value of a written number; None if the text is not a number.

    >>> read_number("2 3/5") == read_number("13 / 5") == read_number("2.6")
    True
    >>> read_number("1,250"), read_number("0,125"), read_number("5²")
    (Fraction(1250, 1), Fraction(1, 8), None)
    """
    found = number_in(text, mark)
    return None if found is None else found.value


def number_in(text: str, mark: DecimalMark = DecimalMark.POINT) -> ReadNumber | None:
    """The exact value of a written number, and how it was read; None if the text is not a number.

    Of two different marks the first groups thousands and the second stands before decimals. A mark
    that recurs groups thousands, and so do spaces and apostrophes. One mark before three digits can
    mean either: then `mark` decides.
    """
    characters = plain_characters(unseen_out(text))
    plain = " ".join(
        (characters if characters.isascii() else "".join(map(_plain, characters))).split()
    )
    if len(plain) > _LONGEST:
        return None
    character, body = (plain[0], plain[1:].lstrip()) if plain[:1] in ("-", "+") else ("", plain)
    found = _unsigned(body, mark)
    if found is None or character != "-":
        return found
    return ReadNumber(-found.value, found.how)


def _unsigned(body: str, mark: DecimalMark) -> ReadNumber | None:
    if parts := _FRACTION.fullmatch(body):
        whole, top, bottom = parts[1] or "0", parts[2], parts[3]
        return ReadNumber(int(whole) + Fraction(int(top), int(bottom))) if int(bottom) else None
    if grouped := _GROUPED.fullmatch(body):
        group, decimal = grouped[1], grouped[2]
        if group in " '" or decimal or body.count(group) > 1:
            return ReadNumber(_value(body.replace(group, "")))
        if (group == ",") == (mark is not DecimalMark.COMMA):
            how = message(Phrase.AS_THOUSANDS, mark=_NAMES[group])
            return ReadNumber(_value(body.replace(group, "")), how)
        return ReadNumber(_value(body), message(Phrase.AS_DECIMAL, mark=_NAMES[group]))
    return ReadNumber(_value(body)) if _DECIMAL.fullmatch(body) else None


_NAMES = {",": message(Phrase.COMMA), ".": message(Phrase.POINT)}


def _value(decimal: str) -> Fraction:
    return Fraction(decimal.replace(",", ".").rstrip("."))


def within(
    given: Fraction, right: Fraction, tolerance: str, mark: DecimalMark = DecimalMark.POINT
) -> bool:
    """Whether a number lies within the tolerance of the right one, bounds included."""
    return abs(given - right) <= tolerance_of(tolerance, right, mark)


def tolerance_of(text: str, right: Fraction, mark: DecimalMark = DecimalMark.POINT) -> Fraction:
    """The tolerance as an amount: ``0.5`` is an amount already, ``2%`` is a share of the right
    number.

    Raises ValueError if it is neither, or negative.
    """
    words = text.strip()
    if not words:
        return Fraction(0)
    value = read_number(words.removesuffix("%"), mark)
    if value is None or value < 0:
        raise ValueError(f"“{text}” is not a tolerance")
    return value * abs(right) / 100 if words.endswith("%") else value


def as_number(value: Fraction, mark: DecimalMark = DecimalMark.POINT) -> str:
    """A number as it is typed, with that mark: a decimal where it is one, else a fraction.

    It is read back as the same number.

    >>> as_number(Fraction(5, 2)), as_number(Fraction(-1, 3)), as_number(Fraction(1234567, 1000))
    ('2.5', '-1/3', '1234.5670')
    """
    decimals = next((n for n in range(_MAX_DECIMALS + 1) if (value * 10**n).denominator == 1), None)
    if decimals is None:
        return str(value)
    text = f"{abs(int(value * 10**decimals)):0{decimals + 1}}"
    if decimals:
        # A lone mark before three digits could group thousands.
        decimals, text = (4, text + "0") if decimals == 3 else (decimals, text)
        point = "," if mark is DecimalMark.COMMA else "."
        text = f"{text[:-decimals]}{point}{text[-decimals:]}"
    return f"-{text}" if value < 0 else text


_MAX_DECIMALS = 9
_ARABIC_MARKS = {"\u066b": ".", "\u066c": ","}
"""The Arabic decimal mark and thousands mark, and the plain mark for each."""


def _plain(character: str) -> str:
    """A character in its plainest form: full-width digits become plain digits, ``½`` becomes ``
    1/2``. A raised or lowered digit stays as it is: ``5²`` is not 52."""
    if unicodedata.decomposition(character).startswith(("<super>", "<sub>")):
        return character
    plain = unicodedata.normalize("NFKC", _ARABIC_MARKS.get(character, character))
    if "\u2044" in plain and len(plain) > 1:
        return " " + plain.replace("\u2044", "/")
    return plain.replace("\u2044", "/")
