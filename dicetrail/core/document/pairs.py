"""Pairs of a matching question: an item and its partner, written ``bee = honey``."""

_BETWEEN = (" = ", " → ", " => ", " -> ", "→", "=>", "->", "=")
"""What can stand between an item and its partner. The first sign that occurs parts them."""


def pair_in(text: str) -> tuple[str, str] | None:
    """The item and the partner that a text tells; None if it tells no pair.

    The first sign parts them; one with spaces around it goes before one without.

    >>> pair_in("bee = honey"), pair_in("2+2=4 = four"), pair_in("bee")
    (('bee', 'honey'), ('2+2=4', 'four'), None)
    """
    between = next((between for between in _BETWEEN if between in text), None)
    if between is None:
        return None
    item, partner = map(str.strip, text.split(between, 1))
    return (item, partner) if item and partner else None


def as_pair(item: str, partner: str) -> str:
    """A pair as it is written.

    >>> as_pair("bee", "honey")
    'bee = honey'
    """
    return f"{item} = {partner}"


def tidy_pair(text: str) -> str:
    """A pair in the form in which it is written; any other text as it is.

    >>> tidy_pair("bee->honey"), tidy_pair("bee")
    ('bee = honey', 'bee')
    """
    pair = pair_in(text)
    tidied = as_pair(*pair) if pair else text
    return tidied if pair_in(tidied) == pair else text
