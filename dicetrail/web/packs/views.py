"""Make the views of packs."""

from typing import Any

from dicetrail.store.packs import KeptPack
from dicetrail.web.packs.shapes import PackCard


def pack_card(pack: KeptPack, trouble: str = "") -> PackCard:
    """The card of a pack, with the part of it that cannot be read."""
    return PackCard(**card_fields(pack), trouble=trouble)


def card_fields(pack: KeptPack) -> dict[str, Any]:
    """The fields of a pack's card, by name."""
    known = {name: getattr(pack, name) for name in KeptPack.__slots__}
    return {**known, "id": known.pop("pack_id"), "revision": known.pop("number")}
