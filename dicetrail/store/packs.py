"""Packs and their revisions.

A revision is stored as its changes, so the cost of an edit depends on what it changes and not on
the size of the pack. Readers get the whole revision.
"""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, fields
from datetime import UTC, datetime
from itertools import chain
from types import MappingProxyType
from typing import Any, cast

from sqlalchemy import Select, bindparam, func, select
from sqlalchemy.orm import InstrumentedAttribute, Session

from dicetrail.core import Facts, Pack, PackEdit
from dicetrail.core.survey import Edits, FactsEdit, edited, rebased
from dicetrail.store.columns import NO_TIME, NoList, NoMap, NoNumber, NoText, StandIn, is_numbered
from dicetrail.store.errors import NotFound, Spoilt, StaleRevision
from dicetrail.store.models import NO_SOURCE, PackQuestions, PackRevision, PackRow
from dicetrail.store.names import identifier
from dicetrail.store.records import PackSource


@dataclass(frozen=True, slots=True)
class KeptPack:
    """A revision of a pack, but for its questions."""

    pack_id: str
    number: int
    title: str
    tags: tuple[str, ...]
    words: str
    """What its maker says of it."""
    question_count: int
    """How many questions, or rows of facts, it has."""
    columns: tuple[str, ...]
    """What the columns of its facts are called; empty for a pack of questions."""
    source: PackSource
    media: dict[str, str]
    """The digests of its pictures and sounds, by the names questions give them."""
    saved_at: datetime

    @property
    def spoilt(self) -> tuple[str, ...]:
        """The fields that cannot be read from the store, in which others stand."""
        values = ((field.name, getattr(self, field.name)) for field in fields(self))
        return tuple(name for name, value in values if isinstance(value, StandIn))


def add_pack(
    session: Session,
    pack: Pack,
    source: PackSource,
    now: datetime,
    pack_id: str | None = None,
    media: Mapping[str, str] | None = None,
) -> KeptPack:
    """Keep a new pack. Its identifier comes from its title unless one is given."""
    name = pack_id or identifier(
        pack.title, "pack", lambda taken: session.get(PackRow, taken) is not None
    )
    session.add(PackRow(id=name, made_at=now))
    session.flush()
    first = PackRevision(
        pack_id=name,
        number=1,
        title=pack.title,
        question_count=len(pack.questions) if pack.facts is None else len(pack.facts.rows),
        columns=() if pack.facts is None else pack.facts.columns,
        source=source,
        media=dict(media or {}),
        saved_at=now,
    )
    return _added(session, first, pack)


def keep_anew(
    session: Session,
    newest: KeptPack,
    pack: Pack,
    now: datetime,
    source: PackSource | None = None,
    media: Mapping[str, str] = MappingProxyType({}),
) -> KeptPack:
    """Keep a revision with all that the pack holds new, perhaps from a file, with more media."""
    rows = pack.questions if pack.facts is None else pack.facts.rows
    revision = _following(newest, len(rows), now)
    revision.title, revision.source = pack.title, source
    revision.columns = () if pack.facts is None else pack.facts.columns
    if media:
        revision.media = newest.media | dict(media)
    return _added(session, revision, pack)


def edit_pack(
    session: Session,
    pack_id: str,
    saved_on: int,
    edits: Edits,
    question_count: int,
    now: datetime,
) -> KeptPack:
    """Keep a revision with some edits, after which it has so many questions or rows.

    Raises NotFound, and StaleRevision if another revision was saved since.
    """
    newest = pack_saved(session, pack_id, saved_on)
    revision = _following(newest, question_count, now)
    if newest.columns:
        revision.facts_edits = cast("tuple[FactsEdit, ...]", edits)
    else:
        revision.edits = cast("tuple[PackEdit, ...]", edits)
    return _added(session, revision)


@dataclass(frozen=True, slots=True)
class PackDescription:
    """What a pack is called, and what its maker says of it."""

    title: str
    tags: tuple[str, ...] = ()
    words: str = ""


def describe_pack(
    session: Session, pack_id: str, saved_on: int, about: PackDescription, now: datetime
) -> KeptPack:
    """Keep a revision that is called and described so.

    Raises NotFound, and StaleRevision if it was described otherwise since.
    """
    newest = newest_pack(session, pack_id)
    if newest.number != saved_on and _about(pack_revision(session, pack_id, saved_on)) != _about(
        newest
    ):
        raise StaleRevision("pack", saved_on, newest.number)
    revision = _following(newest, newest.question_count, now)
    revision.title, revision.tags, revision.words = about.title, about.tags, about.words
    return _added(session, revision)


def _about(pack: KeptPack) -> PackDescription:
    return PackDescription(pack.title, pack.tags, pack.words)


def delete_pack(session: Session, pack_id: str, now: datetime | None) -> None:
    """Take a pack off the shelf, or with None put it back. Raises NotFound."""
    pack = session.get(PackRow, pack_id)
    if pack is None:
        newest_pack(session, pack_id)
        pack = PackRow(id=pack_id, made_at=now or datetime.now(UTC))
        session.add(pack)
    pack.deleted_at = now


def add_to_media(
    session: Session, newest: KeptPack, media: Mapping[str, str], now: datetime
) -> KeptPack:
    """Keep a revision with more pictures and sounds."""
    revision = _following(newest, newest.question_count, now)
    revision.media = newest.media | dict(media)
    return _added(session, revision)


def _newest_packs() -> Select[PackRevision]:
    newest = (
        select(PackRevision.pack_id, func.max(PackRevision.number).label("number"))
        .where(is_numbered(PackRevision.number))
        .group_by(PackRevision.pack_id)
        .subquery()
    )
    is_newest = (PackRevision.pack_id == newest.c.pack_id) & (
        PackRevision.number == newest.c.number
    )
    return (
        select(PackRevision)
        .join(newest, is_newest)
        .order_by(PackRevision.saved_at.desc(), PackRevision.pack_id)
    )


_NEWEST = _newest_packs().outerjoin(PackRow).where(PackRow.deleted_at.is_(None))
_NEWEST_OF = _newest_packs().where(PackRevision.pack_id.in_(bindparam("packs", expanding=True)))
"""Made once: a statement is of many objects in circles, which make work where they pile up."""


def newest_packs(session: Session, pack_ids: Iterable[str] | None = None) -> list[KeptPack]:
    """The newest revision of every pack on the shelf, or of those asked for, on it or not, the
    last saved first.

    A pack that is not there is left out. One on the shelf of which nothing can be read has no
    number.
    """
    if pack_ids is not None:
        rows = session.scalars(_NEWEST_OF, {"packs": list(set(pack_ids))})
        return [_whole(session, row) for row in rows]
    found = [_whole(session, row) for row in session.scalars(_NEWEST)]
    known = {pack.pack_id for pack in found}
    shelved = session.scalars(select(PackRow.id).where(PackRow.deleted_at.is_(None)))
    return found + [_unreadable(name) for name in shelved if name not in known]


def _unreadable(pack_id: str) -> KeptPack:
    nothing, no_map = NoList(), NoMap()
    count = NoNumber()
    title = NoText()
    return KeptPack(pack_id, 0, title, nothing, title, count, nothing, NO_SOURCE, no_map, NO_TIME)


_NUMBERS_OF = (
    select(PackRevision.pack_id, func.max(PackRevision.number))
    .where(is_numbered(PackRevision.number))
    .where(PackRevision.pack_id.in_(bindparam("packs", expanding=True)))
    .group_by(PackRevision.pack_id)
    .order_by(PackRevision.pack_id)
)


def newest_numbers(session: Session, pack_ids: Iterable[str]) -> tuple[tuple[str, int], ...]:
    """The numbers of the newest revisions of packs, as far as they are there, in the order of
    their identifiers; nothing else of them is read."""
    rows = session.execute(_NUMBERS_OF, {"packs": list(set(pack_ids))})
    return tuple((row[0], row[1]) for row in rows)


def newest_pack(session: Session, pack_id: str) -> KeptPack:
    """The newest revision of a pack. Raises NotFound."""
    found = newest_packs(session, [pack_id])
    if found:
        return found[0]
    if session.get(PackRow, pack_id) is None:
        raise NotFound("pack", pack_id)
    raise unreadable_pack(pack_id)


def unreadable_pack(pack_id: str) -> Spoilt:
    """What is raised of a pack of which nothing can be read."""
    return _spoilt(pack_id, "no save of it is left that can be read")


def _spoilt(pack_id: str, what: str) -> Spoilt:
    return Spoilt("pack", pack_id, what, "load its file into a new pack, or restore a saved shelf")


def pack_saved(session: Session, pack_id: str, saved_on: int) -> KeptPack:
    """The newest revision of a pack, which is revision `saved_on`.

    Raises NotFound, and StaleRevision if another revision was saved since.
    """
    newest = newest_pack(session, pack_id)
    if newest.number != saved_on:
        raise StaleRevision("pack", saved_on, newest.number)
    return newest


def pack_revision(session: Session, pack_id: str, number: int) -> KeptPack:
    """One revision of a pack. Raises NotFound."""
    return _whole(session, _row(session, pack_id, number))


@dataclass(frozen=True, slots=True)
class Since:
    """How edits stand to what was saved since the revision they were made on."""

    newest: KeptPack
    edits: Edits
    """They, as they are made of the newest revision."""
    unseen: Edits
    """What was changed since, as it is made after them."""
    is_kept: bool = False
    """Whether they are in the newest revision already."""


def edits_since(
    session: Session, pack_id: str, saved_on: int, edits: Edits, *, may_be_kept: bool = False
) -> Since:
    """How edits stand to what was saved since a revision. Whoever sends them again because no
    answer came does not know whether they were kept: then one of these revisions has them.

    Raises NotFound, and StaleRevision where both change the same rows or a revision since is all
    new.
    """
    newest = newest_pack(session, pack_id)
    unseen: Edits = ()
    is_kept = False
    for number in range(saved_on + 1, newest.number + 1):
        theirs = edits_of(session, pack_id, number)
        if may_be_kept and edits and theirs == edits and not is_kept:
            is_kept = True
            continue
        both = None if theirs is None else rebased(() if is_kept else edits, theirs)
        if both is None:
            raise StaleRevision("pack", saved_on, newest.number)
        if not is_kept:
            edits = both[0]
        unseen = cast("Edits", (*unseen, *both[1]))
    return Since(newest, edits, unseen, is_kept)


def edits_of(session: Session, pack_id: str, number: int) -> Edits | None:
    """What a revision changed in what the one before holds; None if it is all new.

    Raises NotFound.
    """
    revision = _row(session, pack_id, number)
    for edits in (revision.edits, revision.facts_edits):
        if isinstance(edits, StandIn):
            raise _spoilt(pack_id, _EDITS)
        if edits is not None:
            return edits
    key = (PackQuestions.pack_id == pack_id, PackQuestions.number == number)
    is_new = session.scalar(select(PackQuestions.number).where(*key)) is not None
    return None if is_new else ()


def pack_of(session: Session, pack_id: str, number: int) -> Pack:
    """A revision of a pack with all that it holds. Raises NotFound."""
    kept = pack_revision(session, pack_id, number)
    if isinstance(kept.columns, StandIn):
        raise _spoilt(pack_id, "what its columns are called")
    start = session.scalars(
        select(PackQuestions)
        .where(PackQuestions.pack_id == pack_id, PackQuestions.number <= number)
        .order_by(PackQuestions.number.desc())
        .limit(1)
    ).first()
    if start is None or isinstance(start.questions, StandIn) or isinstance(start.rows, StandIn):
        raise _spoilt(pack_id, "what it holds")
    column = PackRevision.edits if start.rows is None else PackRevision.facts_edits
    since = list(
        session.scalars(
            select(column)
            .where(PackRevision.pack_id == pack_id, column.is_not(None))
            .where(PackRevision.number > start.number, PackRevision.number <= number)
            .order_by(PackRevision.number)
        )
    )
    if any(isinstance(found, StandIn) for found in since):
        raise _spoilt(pack_id, _EDITS)
    edits = chain.from_iterable(found or () for found in since)
    try:
        if start.rows is None:
            return Pack(kept.title, edited(start.questions, edits))
        return Pack(kept.title, (), Facts(kept.columns, edited(start.rows, edits)))
    except IndexError:
        raise _spoilt(pack_id, _EDITS) from None


_EDITS = "the edits made in it"


def _row(session: Session, pack_id: str, number: int) -> PackRevision:
    found = session.get(PackRevision, (pack_id, number))
    if found is None:
        raise NotFound("pack revision", f"{pack_id} {number}")
    return found


def _whole(session: Session, row: PackRevision) -> KeptPack:
    """A revision with what it does not hold itself."""

    def held(own: Any, column: InstrumentedAttribute[Any], plain: Any) -> Any:
        if own is not None:
            return own
        if row.number == 1:  # there is none before it
            return plain
        found = session.scalars(
            select(column)
            .where(PackRevision.pack_id == row.pack_id, PackRevision.number <= row.number)
            .where(column.is_not(None))
            .order_by(PackRevision.number.desc())
            .limit(1)
        ).first()
        return plain if found is None else found

    return KeptPack(
        row.pack_id,
        row.number,
        row.title,
        held(row.tags, PackRevision.tags, ()),
        held(row.words, PackRevision.words, ""),
        row.question_count,
        held(row.columns, PackRevision.columns, ()),
        held(row.source, PackRevision.source, NO_SOURCE),
        held(row.media, PackRevision.media, NoMap()),
        row.saved_at,
    )


def _following(newest: KeptPack, question_count: int, now: datetime) -> PackRevision:
    return PackRevision(
        pack_id=newest.pack_id,
        number=newest.number + 1,
        title=newest.title,
        question_count=question_count,
        saved_at=now,
    )


def _added(session: Session, revision: PackRevision, whole: Pack | None = None) -> KeptPack:
    session.add(revision)
    session.flush()
    if whole is not None:
        key = {"pack_id": revision.pack_id, "number": revision.number}
        rows = None if whole.facts is None else whole.facts.rows
        session.add(PackQuestions(**key, questions=whole.questions, rows=rows))
        session.flush()
    return _whole(session, revision)
