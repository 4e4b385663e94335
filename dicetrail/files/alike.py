"""Find questions that are alike among many.

Only questions that share an uncommon word are compared, so that a large pack takes seconds.
RapidFuzz measures how similar two are: the share of characters that need no change after the words
of both are sorted.
"""

from collections import Counter, defaultdict
from collections.abc import Callable, Collection, Iterator, Sequence
from dataclasses import dataclass

from rapidfuzz import fuzz, process

from dicetrail.core.answers import fold, unaccented, without_punctuation

NEAR = 80
"""The least similarity of two questions that count as alike, in percent."""

MAX_SHARING = 300
"""A word in more questions than this is too common to compare them."""

MAX_PAIRS = 500
"""At most this many pairs are reported."""

_RAREST = 3
_TOLD_EVERY = 500

Progress = Callable[[int], None]


@dataclass(frozen=True, slots=True)
class AlikePair:
    """Two questions that are alike, by their rows from 0, and how near they are in percent."""

    row: int
    other: int
    near: int


def alike(texts: Sequence[str], progress: Progress = lambda _: None) -> list[AlikePair]:
    """The texts that are alike, the nearest first.

    `progress` is called at intervals with the number of texts compared so far; it may raise to
    stop.
    """
    first: dict[str, int] = {}
    found = []
    for row, text in enumerate(map(_sorted, texts)):
        if text in first:
            found.append(AlikePair(first[text], row, 100))
        elif text:
            first[text] = row
    for seen, (text, others) in enumerate(_worth_comparing(first)):
        if seen % _TOLD_EVERY == 0:
            progress(seen)
        near = process.extract(text, others, scorer=fuzz.ratio, score_cutoff=NEAR, limit=None)
        rows = ((first[other], first[text], share) for other, share, _ in near)
        found += [AlikePair(min(one, two), max(one, two), round(share)) for one, two, share in rows]
    found.sort(key=lambda pair: (-pair.near, pair.row, pair.other))
    return found[:MAX_PAIRS]


def _sorted(text: str) -> str:
    """The words of a text in order, without accents, capitals and punctuation."""
    bare = unaccented(fold(text))
    return " ".join(sorted((without_punctuation(bare) or bare).split()))


def _worth_comparing(texts: Collection[str]) -> Iterator[tuple[str, list[str]]]:
    """Each text with those before it that hold one of its rarest words."""
    words = {text: set(text.split()) for text in texts}
    times = Counter(word for found in words.values() for word in found)
    sharing: defaultdict[str, list[str]] = defaultdict(list)
    for text, found in words.items():
        rare = [word for word in found if times[word] <= MAX_SHARING]
        rarest = sorted(rare, key=lambda word: (times[word], word))[:_RAREST]
        yield text, list({other: None for word in rarest for other in sharing[word]})
        for word in rare:
            sharing[word].append(text)
