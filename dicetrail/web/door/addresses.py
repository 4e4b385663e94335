"""Games by their addresses: what asks for one is asked of the game it leads to."""

import re

from starlette.types import ASGIApp, Receive, Scope, Send

from dicetrail.web.shelf import Shelf

_GAME = re.compile(r"(/api/(?:play/|sounds/)?games/)([^/]+)(.*)")


class Addresses:
    """Middleware that puts a game's identifier in place of an address of it."""

    def __init__(self, app: ASGIApp, shelf: Shelf) -> None:
        self.app, self.shelf = app, shelf

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        found = _GAME.fullmatch(scope["path"]) if scope["type"] == "http" else None
        game_id = self.shelf.addresses.get(found[2]) if found else None
        if found and game_id is not None:
            path = f"{found[1]}{game_id}{found[3]}"
            scope = {**scope, "path": path, "raw_path": path.encode()}
        await self.app(scope, receive, send)
