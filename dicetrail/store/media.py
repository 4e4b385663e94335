"""Pictures and sounds, each kept once, by the digest of its content."""

import hashlib

from sqlalchemy.orm import Session

from dicetrail.limits import MEDIA_ENDINGS
from dicetrail.store.columns import StandIn
from dicetrail.store.errors import NotFound, Spoilt
from dicetrail.store.models import MediumRow, VoiceRow, spoilt


def keep_medium(session: Session, digest: str, media_type: str, content: bytes) -> None:
    """Keep a picture or sound, unless it is there already."""
    if session.get(MediumRow, digest) is None:
        session.add(MediumRow(digest=digest, media_type=media_type, content=content))
        session.flush()


def voice_of(session: Session, text: str) -> str | None:
    """The digest of the sound that reads out a text; None if no voice has read it yet."""
    found = session.get(VoiceRow, _digest(text))
    return None if found is None else found.digest


def keep_voice(session: Session, text: str, digest: str) -> None:
    """Note that a stored sound reads out a text."""
    session.merge(VoiceRow(text_digest=_digest(text), digest=digest))


def _digest(text: str) -> str:
    return hashlib.sha256(text.encode()).hexdigest()


def get_medium(session: Session, digest: str) -> MediumRow:
    """A picture or sound. Raises NotFound."""
    found = session.get(MediumRow, digest)
    if found is None:
        raise NotFound("picture or sound", digest)
    if spoilt(found) or isinstance(found.content, StandIn) or found.media_type not in MEDIA_ENDINGS:
        mend = "bring it to its pack again"
        raise Spoilt("picture or sound", digest, "its content", mend)
    return found
