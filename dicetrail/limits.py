"""How far what comes in may go: one list for the doors, the readers and the store.

Whatever this program writes is within it, so it can always be brought back.
"""

from datetime import UTC, datetime

KIB, MIB, GIB = 1024, 1024**2, 1024**3

MAX_SMALL = 64 * KIB
"""The size of a request without a document or file, in bytes."""
MAX_DOCUMENT = 2 * MIB
"""A game's document."""
MAX_EDITS = 16 * MIB
"""Edits of a pack."""
MAX_FILE = 32 * MIB
"""A file of questions, of answers or of a whole game, and its archive if it comes in one."""
MAX_ARCHIVED = 64 * MIB
"""The size of all files of an archive together, because they are held in memory."""
MAX_MEDIUM = 5 * MIB
"""A picture or sound."""
MAX_POINTS = 24_000_000
"""The points of a picture, over all its frames: this many are decoded at once."""
MAX_MEDIA = 2_000
"""So many pictures and sounds are brought at once."""
MAX_SHELF = 4 * GIB
"""The size of a whole shelf. It is written to a file as it arrives and is never held in memory."""

MAX_KEPT = 2**53 - 1
"""The largest whole number that every reader of JSON reads exactly (RFC 8259, 6)."""

MAX_REVISION = 2**31 - 1
"""The highest number of a save."""

YEARS = range(1970, 9000)
"""Years in which every zone and sum of times is within the calendar (ISO 8601: 0000 to 9999)."""
MAX_RUN_SECONDS = 10**9
"""How long a run can take, some thirty years."""
MAX_MS = MAX_RUN_SECONDS * 1000
MAX_SCORE = 10**9
"""As far as counters go, up and down."""
MAX_SEEN = 5_000
"""So many questions a run can have met."""

MEDIA_ENDINGS = {
    "audio/mpeg": "mp3",
    "audio/ogg": "ogg",
    "audio/wav": "wav",
    "audio/x-wav": "wav",
    "image/gif": "gif",
    "image/jpeg": "jpg",
    "image/png": "png",
    "image/svg+xml": "svg",
    "image/webp": "webp",
}
"""The kinds of pictures and sounds there are, and how their files end."""


def is_in_calendar(moment: datetime) -> bool:
    """Whether a time can be that of a run. It can be a date in every time zone."""
    is_here = moment.year in YEARS
    return is_here and (moment.tzinfo is None or moment.astimezone(UTC).year in YEARS)
