"""Read what is put in order, matched or filled into gaps where it stands in one cell, or with
looser signs."""

import re

from dicetrail.core import Kind
from dicetrail.core.document import BLANK, around_gaps, pair_in, with_blanks
from dicetrail.files.plan import WORDS_FOR_AND


def parted(cell: str, kind: Kind) -> tuple[str, ...]:
    """Several answers to put in order, or pairs, that stand in one cell; else the cell alone.

    >>> parted("sow > hoe > reap", Kind.ORDER), parted("bee = honey; hen = egg", Kind.MATCH)
    (('sow', 'hoe', 'reap'), ('bee = honey', 'hen = egg'))
    """
    for between in _BETWEEN:
        parts = tuple(part.strip() for part in cell.split(between))
        is_fit = len(parts) > 1 and all(parts)
        if is_fit and (kind is Kind.ORDER or all(map(pair_of, parts))):
            return parts
    return (cell,)


_DOTS = re.compile(r"\.{4,}|…{2,}")
_BRACED = re.compile(r"\{([^{}]+)\}")
_AND = re.compile(rf"\s+(?:{WORDS_FOR_AND})\s+|\s*[&+]\s*")

_BETWEEN = ("\n", ";", "|", "->", "→", ">", "/", ",")
"""What stands between answers in one cell. An arrow can part the two of a pair as well."""


def gaps_of(
    prompt: str, right: tuple[str, ...], wrong: tuple[str, ...] = (), is_told: bool = False
) -> tuple[str, tuple[str, ...], tuple[str, ...]] | None:
    """The text with blanks, what fits them and the words left over, of what a row tells of them;
    None if these are no gaps. Where it `is_told` that they are, braces mark words too.

    >>> gaps_of("A bee gives [honey].", ()), gaps_of("___ gives ___.", ("A bee; honey",))
    (('A bee gives ___.', ('honey',), ()), ('___ gives ___.', ('A bee', 'honey'), ()))
    """
    marked = with_blanks(prompt)
    if marked is None and len(around_gaps(prompt)) == 1:
        prompt = _DOTS.sub(BLANK, prompt)
    blanks = len(around_gaps(prompt)) - 1
    if not blanks:
        if marked is None and is_told:
            marked = with_blanks(_BRACED.sub(r"[\1]", prompt))
        if marked is None:
            return None
        others = tuple(word for word in (*right, *wrong) if word not in marked[1])
        return *marked, others
    if len(right) == 1 and blanks > 1:
        parts = parted(right[0], Kind.ORDER)
        right = parts if len(parts) == blanks else tuple(_AND.split(right[0]))
    elif len(right) < blanks:
        # What the columns are was guessed, as if one of them held the right choice.
        right, wrong = (*right, *wrong)[:blanks], (*right, *wrong)[blanks:]
    return (prompt, right, wrong) if len(right) == blanks else None


def pair_of(text: str) -> tuple[str, str] | None:
    """The pair that a cell tells, with any sign that makers write between two things."""
    if (pair := pair_in(text)) is not None:
        return pair
    found = _LOOSE_PAIR.fullmatch(text)
    return (found[1], found[2]) if found else None


_LOOSE_PAIR = re.compile(r"(.*?\S)(?:\s*:\s+|\s+[-–—~|]\s+)(\S.*)")
