"""The ready words of each language, a line a phrase: its name, a colon, its forms."""

from collections.abc import Mapping
from types import MappingProxyType

from dicetrail.core.document.phrases.languages import Language
from dicetrail.core.document.phrases.names import BAR, Phrase
from dicetrail.core.document.phrases.ready import ar, de, es, fr, it, nl, pl, pt, uk

Texts = Mapping[Phrase, tuple[str, ...]]


def _read(lines: str) -> Texts:
    """Words by their phrases, each in its forms."""
    found = {}
    for line in lines.strip().splitlines():
        name, _, text = line.partition(": ")
        found[Phrase(name)] = tuple(text.split(BAR))
    return MappingProxyType(found)


READY: Mapping[Language, Texts] = MappingProxyType(
    {
        Language.ENGLISH: MappingProxyType(
            {phrase: tuple(phrase.label.split(BAR)) for phrase in Phrase}
        ),
        Language.GERMAN: _read(de.LINES),
        Language.FRENCH: _read(fr.LINES),
        Language.SPANISH: _read(es.LINES),
        Language.ITALIAN: _read(it.LINES),
        Language.PORTUGUESE: _read(pt.LINES),
        Language.DUTCH: _read(nl.LINES),
        Language.POLISH: _read(pl.LINES),
        Language.UKRAINIAN: _read(uk.LINES),
        Language.ARABIC: _read(ar.LINES),
    }
)
