"""Decide whether choices are texts or names of picture or sound files."""

from collections.abc import Iterable

from dicetrail.core.document import Shows

_ENDS = {
    Shows.PICTURE: (".png", ".jpg", ".jpeg", ".gif", ".webp", ".svg", ".avif"),
    Shows.SOUND: (".wav", ".mp3", ".ogg", ".oga", ".m4a", ".flac", ".opus"),
}
"""The usual ends of names of pictures and sounds (common practice, no source)."""


def shown_by(names: Iterable[str]) -> Shows:
    """Whether all names are those of pictures, or all of sounds; else they are texts.

    >>> shown_by(["leaf.png", "Root.JPG"]).value, shown_by(["leaf.png", "root"]).value
    ('picture', 'text')
    """
    written = [name.strip().lower() for name in names]
    for shows, ends in _ENDS.items():
        if written and all(name.endswith(ends) and len(name) > 4 for name in written):
            return shows
    return Shows.TEXT
