"""Numbers as people write them: whole, decimal, fraction or mixed number."""

import re
import unicodedata
from fractions import Fraction

_LONGEST = 40
_NUMBER = re.compile(
    r"(?P<sign>[-+]?)"
    r"(?:(?:(?P<whole>\d+) )?(?P<top>\d+)/(?P<bottom>\d+)|(?P<plain>\d*[.,]?\d+|\d+[.,]))"
)
_THOUSANDS = re.compile(r"([-+]?\d{1,3})((?:,\d{3})+)(\.\d+)?")


def read_number(text: str) -> Fraction | None:
    """The value of a number as written, exactly; None if it is none.

    >>> read_number("2 3/5") == read_number("13/5") == read_number("2.6")
    True

    A comma before each three digits groups thousands; any other comma is a decimal sign.
    """
    plain = " ".join("".join(map(_plain, text)).split()).replace("- ", "-")
    if len(plain) > _LONGEST:
        return None
    if grouped := _THOUSANDS.fullmatch(plain):
        plain = grouped[1] + grouped[2].replace(",", "") + (grouped[3] or "")
    found = _NUMBER.fullmatch(plain)
    if found is None:
        return None
    if found["plain"]:
        value = Fraction(found["plain"].replace(",", ".").rstrip("."))
    elif int(found["bottom"]) == 0:
        return None
    else:
        value = int(found["whole"] or 0) + Fraction(int(found["top"]), int(found["bottom"]))
    return -value if found["sign"] == "-" else value


def within(given: Fraction, right: Fraction, tolerance: str) -> bool:
    """Whether a number is as near to the right one as a tolerance allows, bounds included."""
    return abs(given - right) <= tolerance_of(tolerance, right)


def tolerance_of(text: str, right: Fraction) -> Fraction:
    """The tolerance as an amount: ``0.5`` is one already, ``2%`` a share of the right number.

    Raises ValueError if it is neither, or negative.
    """
    words = text.strip()
    if not words:
        return Fraction(0)
    value = read_number(words.removesuffix("%"))
    if value is None or value < 0:
        raise ValueError(f"“{text}” is not a tolerance")
    return value * abs(right) / 100 if words.endswith("%") else value


def _plain(sign: str) -> str:
    """A sign in its plainest form: full-width digits, the minus sign, ``½`` as `` 1/2``."""
    plain = unicodedata.normalize("NFKC", sign)
    if "\u2044" in plain and len(plain) > 1:
        return " " + plain.replace("\u2044", "/")
    return {"\u2212": "-", "\u2044": "/"}.get(plain, plain)
