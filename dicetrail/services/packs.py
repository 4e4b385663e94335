"""Packs with their questions and faults, each computed once.

Revisions never change, so results are cached by their numbers, and the least recently used are
dropped first.
"""

import gc
from collections.abc import Collection, Sequence
from dataclasses import replace
from functools import lru_cache
from threading import Lock
from typing import cast

from dicetrail.core import Pack, PackEdit
from dicetrail.core.survey import Edits, PackLook, PackReport, RowFault, edited_pack
from dicetrail.services.cache import Cache
from dicetrail.services.spoilt import in_words, wrong_in_pack
from dicetrail.store import Database, Spoilt
from dicetrail.store.packs import KeptPack, edits_of, newest_packs, pack_of, pack_revision

PackNumbers = tuple[tuple[str, int], ...]
"""Packs by identifier and revision, in the order of their identifiers."""

MANY = 10_000
"""From this many questions on, the garbage collector is told about a pack."""


def _named(pack_id: str, number: int) -> str:
    return f"{pack_id} {number}"


class Packs:
    """The packs of a store."""

    def __init__(self, database: Database) -> None:
        self._database = database
        self._packs: Cache[str, Pack] = Cache(32)
        self._wrong: Cache[str, str] = Cache(5_000)
        self._looks: Cache[str, tuple[int, PackLook]] = Cache(8)
        self._looking = Lock()
        self.media = lru_cache(maxsize=64)(self._media)

    def read_ahead(self) -> None:
        """Read the large packs before the first request for them, so that no request waits."""
        with self._database.reading() as session:
            packs = newest_packs(session)
        for pack in packs:
            if pack.question_count >= MANY and not self.wrong_in(pack):
                self.faults(pack)

    def pack(self, pack_id: str, number: int) -> Pack:
        """A revision of a pack with its questions. Raises NotFound."""
        known = self._packs.get(_named(pack_id, number))
        if known is not None:
            return known
        before = self._packs.get(_named(pack_id, number - 1))
        with self._database.reading() as session:
            kept = pack_revision(session, pack_id, number)
            edits = None if before is None else edits_of(session, pack_id, number)
            if before is None or edits is None:
                pack = pack_of(session, pack_id, number)
            else:
                pack = replace(edited_pack(before, edits) if edits else before, title=kept.title)
        self.remember(kept, pack)
        if before is None and len(pack.questions) >= MANY:
            gc.freeze()  # nothing of it hangs in circles: looking through it would only take time
        return pack

    def wrong_in(self, kept: KeptPack, may_read: bool = True) -> str:
        """The part of a pack that cannot be read, and what to do, in words. Empty if all can be
        read, or if the pack is not cached and must not be read now."""
        if not kept.number:
            return wrong_in_pack(kept)
        name = _named(kept.pack_id, kept.number)
        known = self._wrong.get(name)
        if known is None and may_read:
            try:
                self.pack(kept.pack_id, kept.number)
            except Spoilt as error:
                known = self._wrong[name] = in_words(error)
            else:
                known = self._wrong[name] = ""
        return known or wrong_in_pack(kept)

    def remember(self, kept: KeptPack, pack: Pack) -> None:
        """Put a revision of a pack into the cache."""
        self._packs[_named(kept.pack_id, kept.number)] = pack

    def faults(self, kept: KeptPack) -> list[RowFault]:
        """Every fault in a revision of a pack. After an edit, only the changed rows are checked."""
        with self._looking:
            return list(self._look(kept.pack_id, kept.number, kept.media).faults())

    def _look(self, pack_id: str, wanted: int, media: Collection[str]) -> PackLook:
        number, look = self._looks.get(pack_id, (0, None))
        edits: Edits | None = () if number == wanted else None
        if number == wanted - 1:
            with self._database.reading() as session:
                edits = edits_of(session, pack_id, wanted) or None
        pack = self.pack(pack_id, wanted)
        if look is None or edits is None or pack.facts is not None:
            look = PackLook(pack.questions, media)
        else:
            look.edit(cast("tuple[PackEdit, ...]", edits))
        self._looks[pack_id] = (wanted, look)
        return look

    def _media(self, pack_id: str, number: int) -> dict[str, str]:
        with self._database.reading() as session:
            return pack_revision(session, pack_id, number).media

    def _is_lost(self, name: str, number: int) -> bool:
        """Whether the content of a pack cannot be read. Its card says why."""
        try:
            self.pack(name, number)
        except Spoilt:
            return True
        return False

    def reports(self, packs: PackNumbers) -> dict[str, PackReport]:
        """The reports on the packs that can be read, by identifier."""
        # Read before anything is looked at: one large pack keeps nobody else from looking.
        read = [(name, number) for name, number in packs if not self._is_lost(name, number)]
        with self._looking:
            return {
                name: self._look(name, number, self.media(name, number)).report()
                for name, number in read
            }

    def held(self, packs: Sequence[tuple[str, int]]) -> dict[str, Pack]:
        """Revisions of packs, by identifier. Raises NotFound."""
        return {name: self.pack(name, number) for name, number in packs}
