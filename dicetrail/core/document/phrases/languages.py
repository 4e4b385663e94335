"""The languages of the ready phrases: plural forms, number marks, letters, direction.

Plural forms follow the Unicode CLDR's rules for cardinal numbers (Unicode Technical Standard
35, part 3, language plural rules), and marks its number symbols; both are checked in the
tests against a library that carries the CLDR.
"""

from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum
from itertools import islice

from dicetrail.core.document.field_labels import Value

Number = int | float


class Form(StrEnum):
    """A plural form, by the name the CLDR gives it."""

    ZERO = "zero"
    ONE = "one"
    TWO = "two"
    FEW = "few"
    MANY = "many"
    OTHER = "other"


class Language(Value):
    """A language by its code (BCP 47), in its own words."""

    ENGLISH = "en", "English"
    GERMAN = "de", "Deutsch"
    FRENCH = "fr", "Français"
    SPANISH = "es", "Español"
    ITALIAN = "it", "Italiano"
    PORTUGUESE = "pt", "Português"
    DUTCH = "nl", "Nederlands"
    POLISH = "pl", "Polski"
    UKRAINIAN = "uk", "Українська"
    ARABIC = "ar", "العربية"


@dataclass(frozen=True, slots=True)
class Ways:
    """How a language writes numbers, forms plurals and is laid out."""

    forms: tuple[Form, ...]
    """Its plural forms, in the order in which its phrases give them."""
    form: Callable[[Number], Form]
    """The form for a number; a negative number takes the form of its absolute value."""
    decimal: str
    """The mark before decimals."""
    letters: tuple[str, ...]
    """Its letters in rows, as keys to press: those that guesses tell apart, so without most
    accents."""
    is_from_right: bool = False
    """Whether it is written from right to left."""

    def examples(self, form: Form) -> tuple[Number, ...]:
        """A few of the numbers that go with a plural form."""
        return tuple(islice((n for n in _EXAMPLES if self.form(n) is form), 3))


_EXAMPLES: tuple[Number, ...] = (*range(200), 1_000_000, 0.5, 1.5)
"""Among these every form of every language has one."""


_LATIN = ("abcdefghijklm", "nopqrstuvwxyz")


def _is_whole(number: Number) -> bool:
    return float(number).is_integer()


def _one_or_other(number: Number) -> Form:
    return Form.ONE if abs(number) == 1 else Form.OTHER


def _one_many_other(number: Number) -> Form:
    """As Spanish and Italian: whole millions have a form of their own."""
    if abs(number) == 1:
        return Form.ONE
    return Form.MANY if _are_millions(number) else Form.OTHER


def _under_two(number: Number) -> Form:
    """As French and Portuguese: whatever is below two goes as one does."""
    if 0 <= abs(number) < 2:
        return Form.ONE
    return Form.MANY if _are_millions(number) else Form.OTHER


def _are_millions(number: Number) -> bool:
    return number != 0 and _is_whole(number) and number % 1_000_000 == 0


def _polish(number: Number) -> Form:
    if not _is_whole(number):
        return Form.OTHER
    count = abs(int(number))
    if count == 1:
        return Form.ONE
    return Form.FEW if _is_few(count) else Form.MANY


def _ukrainian(number: Number) -> Form:
    if not _is_whole(number):
        return Form.OTHER
    count = abs(int(number))
    if count % 10 == 1 and count % 100 != 11:
        return Form.ONE
    return Form.FEW if _is_few(count) else Form.MANY


def _is_few(count: int) -> bool:
    """2 to 4 at the end, but not 12 to 14."""
    return 2 <= count % 10 <= 4 and not 12 <= count % 100 <= 14


def _arabic(number: Number) -> Form:
    if not _is_whole(number):
        return Form.OTHER
    count = abs(int(number))
    if count < 3:
        return (Form.ZERO, Form.ONE, Form.TWO)[count]
    if 3 <= count % 100 <= 10:
        return Form.FEW
    return Form.MANY if count % 100 >= 11 else Form.OTHER


_TWO = (Form.ONE, Form.OTHER)
_THREE = (Form.ONE, Form.MANY, Form.OTHER)
_SLAVIC = (Form.ONE, Form.FEW, Form.MANY, Form.OTHER)

WAYS = {
    Language.ENGLISH: Ways(_TWO, _one_or_other, ".", _LATIN),
    Language.GERMAN: Ways(_TWO, _one_or_other, ",", _LATIN),
    Language.FRENCH: Ways(_THREE, _under_two, ",", _LATIN),
    Language.SPANISH: Ways(_THREE, _one_many_other, ",", _LATIN),
    Language.ITALIAN: Ways(_THREE, _one_many_other, ",", _LATIN),
    Language.PORTUGUESE: Ways(_THREE, _under_two, ",", _LATIN),
    Language.DUTCH: Ways(_TWO, _one_or_other, ",", _LATIN),
    Language.POLISH: Ways(_SLAVIC, _polish, ",", _LATIN),
    Language.UKRAINIAN: Ways(_SLAVIC, _ukrainian, ",", ("абвгдеєжзи", "іклмнопрсту", "фхцчшщьюя")),
    Language.ARABIC: Ways(
        tuple(Form),
        _arabic,
        ".",
        ("ابتثجحخدذر", "زسشصضطظعغف", "قكلمنهوي", "أإآءئؤةى"),
        is_from_right=True,
    ),
}
"""Of every language."""
