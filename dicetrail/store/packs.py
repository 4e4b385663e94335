"""Packs and their revisions."""

from collections.abc import Iterable, Mapping
from datetime import datetime

from sqlalchemy import func, select
from sqlalchemy.orm import Session, undefer

from dicetrail.core import Pack
from dicetrail.store.errors import NotFound
from dicetrail.store.models import PackRevision, PackRow, PackSource
from dicetrail.store.names import identifier


def add_pack(
    session: Session,
    pack: Pack,
    source: PackSource,
    now: datetime,
    pack_id: str | None = None,
    media: Mapping[str, str] | None = None,
) -> PackRevision:
    """Keep a new pack. Its identifier comes from its title unless one is given."""
    name = pack_id or identifier(
        pack.title, "pack", lambda taken: session.get(PackRow, taken) is not None
    )
    session.add(PackRow(id=name, made_at=now))
    session.flush()
    return _add_revision(session, name, 1, pack, source, now, media or {})


def revise_pack(
    session: Session,
    newest: PackRevision,
    pack: Pack,
    source: PackSource,
    now: datetime,
    media: Mapping[str, str] | None = None,
) -> PackRevision:
    """Keep a new revision of a pack, made from its newest, with more media if given."""
    named = newest.media | dict(media or {})
    return _add_revision(session, newest.pack_id, newest.number + 1, pack, source, now, named)


def newest_packs(session: Session, pack_ids: Iterable[str] | None = None) -> list[PackRevision]:
    """The newest revision of every pack, or of those asked for, the last saved first.

    Questions are fetched only when looked at. A pack that is not there is left out.
    """
    newest = (
        select(PackRevision.pack_id, func.max(PackRevision.number).label("number"))
        .group_by(PackRevision.pack_id)
        .subquery()
    )
    query = select(PackRevision).join(
        newest,
        (PackRevision.pack_id == newest.c.pack_id) & (PackRevision.number == newest.c.number),
    )
    if pack_ids is not None:
        query = query.where(PackRevision.pack_id.in_(set(pack_ids)))
    return list(session.scalars(query.order_by(PackRevision.saved_at.desc(), PackRevision.pack_id)))


def newest_pack(session: Session, pack_id: str) -> PackRevision:
    """The newest revision of a pack. Raises NotFound."""
    found = newest_packs(session, [pack_id])
    if not found:
        raise NotFound("pack", pack_id)
    return found[0]


def pack_revision(session: Session, pack_id: str, number: int) -> PackRevision:
    """One revision of a pack, questions and all. Raises NotFound."""
    found = session.get(PackRevision, (pack_id, number), options=[undefer(PackRevision.questions)])
    if found is None:
        raise NotFound("pack revision", f"{pack_id} {number}")
    return found


def _add_revision(
    session: Session,
    pack_id: str,
    number: int,
    pack: Pack,
    source: PackSource,
    now: datetime,
    media: Mapping[str, str],
) -> PackRevision:
    revision = PackRevision(
        pack_id=pack_id,
        number=number,
        title=pack.title,
        questions=pack.questions,
        question_count=len(pack.questions),
        source=source,
        media=dict(media),
        saved_at=now,
    )
    session.add(revision)
    session.flush()
    return revision
