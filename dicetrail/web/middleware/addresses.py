"""Resolve the addresses of games to their identifiers."""

import re
from contextlib import suppress

from starlette.concurrency import run_in_threadpool
from starlette.types import ASGIApp, Receive, Scope, Send

from dicetrail.services.app_state import AppState
from dicetrail.store import StoreTrouble

_GAME = re.compile(r"(/api/(?:play/|sounds/)?games/)([^/]+)(.*)")


class Addresses:
    """Middleware that puts a game's identifier in place of an address of it."""

    def __init__(self, app: ASGIApp, app_state: AppState) -> None:
        self.app, self.app_state = app, app_state

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        found = _GAME.fullmatch(scope["path"]) if scope["type"] == "http" else None
        if found:
            if self.app_state.addresses is None:
                with suppress(StoreTrouble):  # the route tells it
                    await run_in_threadpool(self.app_state.know_addresses)
            game_id = (self.app_state.addresses or {}).get(found[2], found[2])
            path = f"{found[1]}{game_id}{found[3]}"
            if path != scope["path"]:
                scope = {**scope, "path": path, "raw_path": path.encode()}
        await self.app(scope, receive, send)
