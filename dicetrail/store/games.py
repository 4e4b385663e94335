"""Games and their revisions."""

from datetime import UTC, datetime

from sqlalchemy import Select, bindparam, func, select
from sqlalchemy.orm import Session

from dicetrail.core import Game
from dicetrail.store.addresses import is_taken, move_address
from dicetrail.store.columns import NO_TIME, StandIn, is_numbered, nothing_read
from dicetrail.store.errors import NotFound, Spoilt, StaleRevision
from dicetrail.store.models import GameRevision, GameRow
from dicetrail.store.names import identifier
from dicetrail.store.records import KeptGame, SavedGame


def add_game(
    session: Session, game: Game, now: datetime, game_id: str | None = None
) -> GameRevision:
    """Keep a new game. Its identifier comes from its title unless one is given."""
    name = game_id or identifier(game.title, "game", lambda taken: is_taken(session, taken))
    session.add(GameRow(id=name, made_at=now))
    session.flush()
    return _add_revision(session, name, 1, game, now)


def newest_game(session: Session, game_id: str) -> GameRevision:
    """The newest revision of a game that can be read. Raises NotFound."""
    found = session.scalars(
        select(GameRevision)
        .where(GameRevision.game_id == game_id, is_numbered(GameRevision.number))
        .order_by(GameRevision.number.desc())
        .limit(1)
    ).first()
    if found is None:
        raise _missing(session, game_id)
    return found


def _missing(session: Session, game_id: str) -> NotFound:
    if session.get(GameRow, game_id) is None:
        return NotFound("game", game_id)
    return unreadable_game(game_id)


def unreadable_game(game_id: str) -> Spoilt:
    """The error for a game of which nothing can be read."""
    what = "no save of it is left that can be read"
    return Spoilt("game", game_id, what, "take it off the shelf, or restore a saved shelf")


def newest_number(session: Session, game_id: str) -> int:
    """The number of the newest revision of a game that can be read; nothing else of it is read.
    Raises NotFound."""
    found = session.scalar(_NUMBER_OF, {"game": game_id})
    if found is None:
        raise _missing(session, game_id)
    return found


def is_shelved(session: Session, game_id: str) -> bool:
    """Whether a game is on the shelf."""
    return session.scalar(_TAKEN_OFF, {"game": game_id}) is None


_NUMBER_OF = select(func.max(GameRevision.number)).where(
    GameRevision.game_id == bindparam("game"), is_numbered(GameRevision.number)
)
_TAKEN_OFF = select(GameRow.id).where(
    GameRow.id == bindparam("game"), GameRow.deleted_at.is_not(None)
)


def shelved_game(session: Session, game_id: str) -> GameRevision:
    """The newest revision of a game that is on the shelf. Raises NotFound."""
    if not is_shelved(session, game_id):
        raise NotFound("game", game_id)
    return newest_game(session, game_id)


def game_revision(session: Session, game_id: str, number: int) -> GameRevision:
    """One revision of a game. Raises NotFound."""
    found = session.get(GameRevision, (game_id, number))
    if found is None:
        raise NotFound("game revision", f"{game_id} {number}")
    return found


def game_revisions(session: Session, game_id: str) -> list[GameRevision]:
    """Every revision of a game, the newest first. Raises NotFound."""
    found = list(
        session.scalars(
            select(GameRevision)
            .where(GameRevision.game_id == game_id, is_numbered(GameRevision.number))
            .order_by(GameRevision.number.desc())
        )
    )
    if not found:
        raise _missing(session, game_id)
    return found


def is_time_lost(game: SavedGame) -> bool:
    """Whether the time of a save cannot be read."""
    return isinstance(game.saved_at, StandIn)


def delete_game(session: Session, game_id: str, now: datetime | None) -> None:
    """Take a game off the shelf, or with None put it back. Raises NotFound."""
    game = session.get(GameRow, game_id)
    if game is None:
        newest_game(session, game_id)
        game = GameRow(id=game_id, made_at=now or datetime.now(UTC))
        session.add(game)
    game.deleted_at = now


def _newest_games() -> Select[GameRevision]:
    newest = (
        select(GameRevision.game_id, func.max(GameRevision.number).label("number"))
        .where(is_numbered(GameRevision.number))
        .group_by(GameRevision.game_id)
        .subquery()
    )
    return (
        select(GameRevision)
        .join(
            newest,
            (GameRevision.game_id == newest.c.game_id) & (GameRevision.number == newest.c.number),
        )
        .outerjoin(GameRow, GameRow.id == GameRevision.game_id)
        .where(GameRow.deleted_at.is_(None))
        .order_by(GameRevision.saved_at.desc(), GameRevision.game_id)
    )


_NEWEST = _newest_games()
"""Made once: a statement has many objects with reference cycles, which cost the garbage collector
time."""


def newest_games(session: Session) -> list[GameRevision]:
    """The newest revision of every game on the shelf, the last saved first.

    A game of which nothing can be read has no number, and its card says so.
    """
    found = list(session.scalars(_NEWEST))
    known = {revision.game_id for revision in found}
    shelved = session.scalars(select(GameRow.id).where(GameRow.deleted_at.is_(None)))
    return found + [
        GameRevision(game_id=name, number=0, kept=nothing_read(), saved_at=NO_TIME)
        for name in shelved
        if name not in known
    ]


def revise_game(
    session: Session, game_id: str, saved_on: int, game: Game, now: datetime
) -> GameRevision:
    """Keep a new revision of a game, made from revision `saved_on`.

    A save that changes nothing adds nothing. Raises NotFound, and StaleRevision if another
    revision was saved since.
    """
    newest = newest_game(session, game_id)
    if newest.number != saved_on:
        raise StaleRevision("game", saved_on, newest.number)
    if newest.document == game:
        return newest
    if newest.document.title != game.title:
        move_address(session, game_id, game.title, now)
    return _add_revision(session, game_id, newest.number + 1, game, now)


def _add_revision(
    session: Session, game_id: str, number: int, game: Game, now: datetime
) -> GameRevision:
    revision = GameRevision(game_id=game_id, number=number, kept=KeptGame(game), saved_at=now)
    session.add(revision)
    session.flush()
    return revision
