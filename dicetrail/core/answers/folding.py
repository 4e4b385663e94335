"""Normalise texts that look the same to a reader, or that a keyboard or a phone writes differently.

`tidy` is for every text, `read` for texts that are compared. A round chooses the other steps. Each
step takes a text and returns a text, in time proportional to its length.
"""

import re
import unicodedata

_INVISIBLE = frozenset((0x00AD, 0x200B, 0x2060, 0xFEFF))

_UNSEEN = re.compile(
    "[\u00ad\u034f\u061c\u115f\u1160\u17b4\u17b5\u180b-\u180f\u200b-\u200f\u202a-\u202e"
    "\u2060-\u206f\u3164\ufe00-\ufe0f\ufeff\uffa0\U000e0000-\U000e0fff]"
)
"""Characters that are invisible or only say how others are drawn: joiners, marks of direction,
variation selectors, fillers (Default_Ignorable_Code_Point of Unicode's UCD, from memory)."""

_CHARACTERS = str.maketrans(
    {
        **dict.fromkeys("‘’‚‛′ʹʻʼʽˈ`´＇ˋˊ‵", "'"),
        **dict.fromkeys("“”„‟″«»‹›＂〝〞〟", '"'),
        **dict.fromkeys("‐‑‒–—―−⁃﹘﹣－˗", "-"),
        "⁄": "/",
        "∕": "/",
    }
)
"""Quotes, apostrophes and hyphens: phones replace what the user types by these."""


def tidy(text: str) -> str:
    """The text without invisible characters, trimmed, with inner space made one space."""
    if text.isprintable():
        return " ".join(text.split())
    visible = "".join(
        " " if character.isspace() else character
        for character in text
        if character.isspace()
        or not (ord(character) in _INVISIBLE or unicodedata.category(character) == "Cc")
    )
    return " ".join(visible.split())


def plain_characters(text: str) -> str:
    """The text with one kind of quote, apostrophe and hyphen."""
    return text.translate(_CHARACTERS)


def unseen_out(text: str) -> str:
    """The text without invisible characters."""
    return text if text.isascii() else _UNSEEN.sub("", text)


def as_shown(text: str) -> str:
    """A form in which two texts are equal if a reader cannot tell them apart (NFC)."""
    return unicodedata.normalize("NFC", tidy(unseen_out(text)))


def read(text: str) -> str:
    """The text as compared: compatibility forms made plain (NFKC, UAX #15), one kind of quote,
    apostrophe and hyphen, no invisible characters, tidied.

    Digits keep what they mean: ``5²`` is ``5^2`` and not 52, ``2½`` is ``2 1/2``.
    """
    if text.isascii():
        return tidy(text.replace("`", "'"))
    spaced = _RAISED.sub(r"^\g<0>", _FRACTION.sub(r" \g<0>", unseen_out(text)))
    plain = unicodedata.normalize("NFKC", spaced.translate(_CHARACTERS))
    return tidy(plain.translate(_CHARACTERS))


_RAISED = re.compile("(?<=[0-9])[⁰¹²³⁴-⁹]+")
_FRACTION = re.compile("(?<=[0-9])[¼-¾⅐-⅞↉]")


def caseless(text: str) -> str:
    """The text with capitals and other letter cases made alike (`str.casefold`)."""
    folded = text.casefold()
    return folded if folded.isascii() else unicodedata.normalize("NFKC", folded)


def unaccented(text: str) -> str:
    """The text without the marks of Latin, Greek and Cyrillic letters, strokes too.

    Marks of other scripts make a different letter, so they stay: a voiced kana, an Indic vowel.
    """
    if text.isascii():
        return text
    kept, is_ours = [], False
    for character in unicodedata.normalize("NFD", text):
        if character.isascii():
            kept.append(character)
            is_ours = character.isalpha()
        elif _is_mark(character):
            if not is_ours:
                kept.append(character)
        else:
            plain, is_ours = _plain_letter(character)
            kept.append(plain)
    return unicodedata.normalize("NFC", "".join(kept))


def _is_mark(character: str) -> bool:
    return unicodedata.combining(character) > 0 or unicodedata.category(character) == "Mn"


def _plain_letter(character: str) -> tuple[str, bool]:
    """A letter without its stroke, hook or dot, and whether it is of an alphabet with accents."""
    if character.isascii():
        return character, character.isalpha()
    name = unicodedata.name(character, "")
    if not name.startswith(("LATIN ", "GREEK ", "CYRILLIC ")):
        return character, False
    if character in "ıȷ":
        return {"ı": "i", "ȷ": "j"}[character], True
    base, _, mark = name.partition(" WITH ")
    if mark:
        try:
            return _plain_letter(unicodedata.normalize("NFD", unicodedata.lookup(base))[0])
        except KeyError:
            pass
    return character, True


def without_punctuation(text: str) -> str:
    """The text without punctuation: characters that join are removed, others become a space.
    Numbers do not change."""
    words = text.split()
    if all(map(str.isalnum, words)):
        return " ".join(words)
    if not any(map(str.isdigit, text)):
        return " ".join("".join(map(_pointless, text)).split())
    return " ".join(_POINT.sub(_point, text).split())


def _pointless(character: str) -> str:
    """What replaces a character that is not part of a number: itself, nothing, or a space."""
    if unicodedata.category(character)[0] not in "PS":
        return character
    return "" if character in "'." else " "


_POINT = re.compile(r"[^\w\s]|_")


def _point(found: re.Match[str]) -> str:
    character, text, at = found[0], found.string, found.start()
    if unicodedata.category(character)[0] not in "PS":
        return character
    before = text[at - 1] if at else " "
    after = text[at + 1] if at + 1 < len(text) else " "
    if before.isdigit() and after.isdigit():
        return character
    if character in "%‰" and text[:at].rstrip()[-1:].isdigit():
        return character
    if after.isdigit() and character in "-+.," and not (before.isalnum() or before in "'"):
        return character
    if character in "-+" and after in ".," and text[at + 2 : at + 3].isdigit() and before.isspace():
        return character
    if character in "-+" and not text[:at].strip() and text[at + 1 :].lstrip()[:1].isdigit():
        return character
    return "" if character in "'." else " "


def without_article(text: str, articles: str, skips_points: bool) -> str:
    """The text without one leading article. An elided article, such as ``l'``, has no space after
    it."""
    start = re.match(r"[^\w\s]*\s*", text) if skips_points else None
    body = text[start.end() :] if start else text
    folded = caseless(body)
    for article in sorted(caseless(read(articles)).split(), key=len, reverse=True):
        if article.endswith("'"):
            if folded.startswith(article) and len(folded) == len(body):
                rest = body[len(article) :].strip()
                if rest:
                    return rest
        else:
            first, _, rest = body.partition(" ")
            if rest and caseless(first) == article:
                return rest
    return text
