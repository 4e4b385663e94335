"""Guess the legacy encoding of a text: the one in which its bytes make words.

Bytes beyond ASCII mean another character in each of them. The right reading is the one whose
characters are letters that its languages use, in their place in words. Letters and how common
they are: from memory, no source.
"""

from collections.abc import Iterator

_WEST = (
    *("äöüß", "éèêëàâîïôûùüçœæ", "áéíóúñü", "áâãàçéêíóôõú", "àèéìòù", "æøåé", "åäöé"),
    *("éëïóöüè", "áðéíóúýþæö", "áéíóúàèòçïü"),
)
_CENTRAL = (
    *("ąćęłńóśźż", "áčďéěíňóřšťúůýž", "áäčďéíĺľňóôŕšťúýž", "áéíóöőúüű", "ăâîşţ", "čćđšž"),
    "äöüß",
)
_TURKISH = ("çğıöşü",)
_GREEK = ("αβγδεζηθικλμνξοπρσςτυφχψωάέήίόύώϊϋ",)
_RUSSIAN = ("оеаинтсрвлкмдпуяыьзбгйчюхжшцщэфёъ", "оеаинтсрвлкмдпуяьзбгйчюхжшцщфіїєґ")

ALPHABETS = {
    "cp1252": _WEST,
    "cp1250": _CENTRAL,
    "iso8859_2": _CENTRAL,
    "cp1251": _RUSSIAN,
    "koi8_u": _RUSSIAN,
    "iso8859_5": _RUSSIAN,
    "cp866": _RUSSIAN,
    "cp1253": _GREEK,
    "cp1254": _TURKISH,
    "iso8859_15": _WEST,
    "mac_roman": _WEST,
    "cp850": _WEST,
    "cp852": _CENTRAL,
}
"""The encodings that are tried, the likelier first, and for each of the languages it is used
for the small letters beyond ASCII."""

_OPENING = "¿¡«„“‘"
_BESIDES = _OPENING + "»”’–—…€°·•×½¼§№"
_LOOKED_AT = 20_000
"""At most this many bytes around those beyond ASCII are examined."""


def likeliest(content: bytes) -> str | None:
    """The encoding in which some bytes make words; None if they do in none."""
    sample = _telling(content)
    scores = {encoding: _score(sample, encoding) for encoding in ALPHABETS}
    best = max(ALPHABETS, key=lambda encoding: scores[encoding])
    return best if scores[best] > 0 else None


def _telling(content: bytes) -> bytes:
    """The lines that hold bytes beyond ASCII, as many as are looked at."""
    kept, size = [], 0
    for line in content.splitlines():
        if not line.isascii():
            kept.append(line)
            size += len(line)
            if size > _LOOKED_AT:
                break
    return b"\n".join(kept)[: 2 * _LOOKED_AT]


def _score(sample: bytes, encoding: str) -> float:
    """How much a reading looks like words, in all; below 0 if it does not."""
    try:
        text = sample.decode(encoding)
    except UnicodeDecodeError:
        return -float("inf")
    return max(sum(_worth(text, letters)) for letters in ALPHABETS[encoding])


def _worth(text: str, letters: str) -> Iterator[float]:
    for place, character in enumerate(text):
        if character.isascii():
            continue
        before = text[place - 1] if place else " "
        after = text[place + 1] if place + 1 < len(text) else " "
        if character.isalpha():
            yield _of_letter(character, before, after, letters)
        elif character in _BESIDES:
            inside = before.isalpha() and after.isalpha()
            yield 0.3 if character == "’" or not inside else -1.5
        else:
            yield -4.0 if "\x80" <= character <= "\x9f" else -1.5


def _of_letter(character: str, before: str, after: str, letters: str) -> float:
    if character.lower() not in letters:
        return -1.0
    if character.isupper() and before.isalpha():
        return -1.0  # a capital within a word
    beside = [other for other in (before, after) if other.isascii() and other.isalpha()]
    is_alphabet_of_its_own = len(letters) > _MAX_MARKED
    return -1.5 if beside and is_alphabet_of_its_own else 1.0


_MAX_MARKED = 20
"""Languages written in Latin letters have no more letters beyond ASCII."""
