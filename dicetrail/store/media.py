"""Pictures and sounds, each kept once, by the digest of its content."""

from sqlalchemy.orm import Session

from dicetrail.store.errors import NotFound
from dicetrail.store.models import MediumRow


def keep_medium(session: Session, digest: str, media_type: str, content: bytes) -> None:
    """Keep a picture or sound, unless it is there already."""
    if session.get(MediumRow, digest) is None:
        session.add(MediumRow(digest=digest, media_type=media_type, content=content))
        session.flush()


def get_medium(session: Session, digest: str) -> MediumRow:
    """A picture or sound. Raises NotFound."""
    found = session.get(MediumRow, digest)
    if found is None:
        raise NotFound("picture or sound", digest)
    return found
