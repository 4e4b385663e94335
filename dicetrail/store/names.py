"""Readable identifiers: made from a title, with a number if it is taken."""

import re
import unicodedata
from collections.abc import Callable
from itertools import count


def identifier(title: str, kind: str, is_taken: Callable[[str], bool]) -> str:
    """An identifier not yet taken: lower-case letters, digits and hyphens, from the title.

    A title without Latin letters or digits gives the kind's name instead.
    """
    plain = unicodedata.normalize("NFKD", title).encode("ascii", "ignore").decode().lower()
    stem = re.sub(r"[^a-z0-9]+", "-", plain).strip("-")[:60].rstrip("-") or kind
    names = (stem if number == 1 else f"{stem}-{number}" for number in count(1))
    return next(name for name in names if not is_taken(name))
