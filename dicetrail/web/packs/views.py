"""What packs look like on the wire."""

from typing import Any

from dicetrail.store.packs import KeptPack
from dicetrail.web.packs.shapes import PackCard


def pack_card(pack: KeptPack, trouble: str = "") -> PackCard:
    """A pack at a glance, and what of it cannot be read."""
    return PackCard(**card_fields(pack), trouble=trouble)


def card_fields(pack: KeptPack) -> dict[str, Any]:
    """The fields of a pack's card, by name."""
    known = {name: getattr(pack, name) for name in KeptPack.__slots__}
    return {**known, "id": known.pop("pack_id"), "revision": known.pop("number")}
