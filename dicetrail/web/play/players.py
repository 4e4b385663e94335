"""What a maker sees of a game's players: how they come to it, and what they played."""

import io

import segno
from fastapi import Request, Response

from dicetrail.core.draw import name_of_dice
from dicetrail.store.games import newest_game
from dicetrail.store.runs import runs_of_game
from dicetrail.web.context import SharedShelf
from dicetrail.web.play.routes import score_of
from dicetrail.web.play.shapes import PlayedRun, Sharing
from dicetrail.web.wire.bodies import Router
from dicetrail.web.wire.description import files

MOST_RUNS = 200

router = Router("/api/games/{game_id}", "players")


@router.get("/runs")
def list_runs(game_id: str, shelf: SharedShelf) -> list[PlayedRun]:
    """The runs of a game by its players, the newest first."""
    with shelf.database.reading() as session:
        newest_game(session, game_id)
        return [
            PlayedRun(
                id=run.id,
                revision=run.game_revision,
                dice=name_of_dice(run.dice),
                players=run.players,
                started_at=run.started_at,
                result=None if run.ended_at is None else score_of(run),
            )
            for run in runs_of_game(session, game_id, MOST_RUNS)
        ]


@router.get("/sharing")
def share(game_id: str, shelf: SharedShelf, request: Request) -> Sharing:
    """The address of the players' page."""
    with shelf.database.reading() as session:
        newest_game(session, game_id)
    return Sharing(address=_address(game_id, request), is_local=request.app.state.address is None)


@router.get("/qr.svg", response_class=Response, responses=files("image/svg+xml"))
def draw_code(game_id: str, shelf: SharedShelf, request: Request) -> Response:
    """The address of the players' page as a QR code (ISO/IEC 18004), to be scanned."""
    with shelf.database.reading() as session:
        newest_game(session, game_id)
    out = io.BytesIO()
    code = segno.make(_address(game_id, request), error="m", micro=False)
    code.save(out, kind="svg", scale=6, border=4, dark="#1f2a2e", light="#fffdf8")
    return Response(out.getvalue(), 200, {"cache-control": "no-cache"}, "image/svg+xml")


def _address(game_id: str, request: Request) -> str:
    base = request.app.state.address or str(request.base_url).rstrip("/")
    return f"{base}/play/{game_id}"
