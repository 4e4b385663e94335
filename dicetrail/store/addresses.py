"""The addresses of games. An address follows the game's title; older addresses still lead to the
game."""

from datetime import datetime, timedelta

from sqlalchemy import delete, select
from sqlalchemy.orm import Session

from dicetrail.store.models import GameAddress, GameRow
from dicetrail.store.names import identifier

HELD_FOR = timedelta(minutes=2)
"""An address that was in use for a shorter time belonged to a title that was still being typed."""


def address_of(session: Session, game_id: str) -> str:
    """The address of a game, by its newest title; its identifier until the title first changes."""
    found = session.scalars(
        select(GameAddress.address)
        .where(GameAddress.game_id == game_id)
        .order_by(GameAddress.made_at.desc())
        .limit(1)
    ).first()
    return found or game_id


def is_taken(session: Session, name: str, by_others_than: str = "") -> bool:
    """Whether a name is the identifier or an address of a game."""
    if session.get(GameRow, name) is not None:
        return name != by_others_than
    known = session.get(GameAddress, name)
    return known is not None and known.game_id != by_others_than


def move_address(session: Session, game_id: str, title: str, now: datetime) -> None:
    """Have a game's address follow its title."""
    wanted = identifier(title, "game", lambda name: is_taken(session, name, game_id))
    if wanted == address_of(session, game_id):
        return
    young = GameAddress.made_at > now - HELD_FOR
    session.execute(delete(GameAddress).where(GameAddress.game_id == game_id, young))
    if wanted != address_of(session, game_id):
        session.merge(GameAddress(address=wanted, game_id=game_id, made_at=now))
    session.flush()


def addresses(session: Session) -> dict[str, str]:
    """The identifier of the game that each address leads to."""
    found = session.execute(select(GameAddress.address, GameAddress.game_id))
    return {row.address: row.game_id for row in found}
