"""Sites of the web whose pages may show a game in a frame."""

import re

MAX_SITES = 20

_SITE = re.compile(r"https?://[a-z0-9]([a-z0-9.-]{0,250}[a-z0-9])?(:[1-9]\d{0,4})?")


def is_site(text: str) -> bool:
    """Whether a text is an origin (RFC 6454) as browsers write it: scheme, host, perhaps a port.

    >>> is_site("https://school.example"), is_site("school.example/quiz")
    (True, False)
    """
    return _SITE.fullmatch(text) is not None
