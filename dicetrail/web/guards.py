"""What stands before every request: a limit on its size; and after: strict headers."""

import secrets

from starlette.datastructures import MutableHeaders
from starlette.exceptions import HTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from dicetrail.files import MOST_BYTES

_SMALL, _DOCUMENT, _PACK = 64 * 1024, 2 * 1024 * 1024, 16 * 1024 * 1024
_UPLOAD = MOST_BYTES + 64 * 1024

NONCE = "style nonce"
"""Where a request keeps the word by which its page's own styles are known."""

_HEADERS = {
    "content-security-policy": (
        "default-src 'self'; style-src 'self' 'nonce-{nonce}'; object-src 'none'; base-uri 'none'; "
        "form-action 'self'; frame-ancestors 'none'"
    ),
    "cross-origin-opener-policy": "same-origin",
    "permissions-policy": "camera=(), geolocation=(), microphone=()",
    "referrer-policy": "no-referrer",
    "x-content-type-options": "nosniff",
}


class BodyLimit:
    """Refuses a body that is larger than its address takes.

    The rest of such a body is read and dropped, so that the answer reaches a sender who
    listens only after sending; it is never held in memory.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        limit, taken = _limit(scope["path"]), 0

        async def limited() -> Message:
            nonlocal taken
            message = await receive()
            taken += len(message.get("body", b""))
            if taken <= limit:
                return message
            while message.get("more_body", False):
                message = await receive()
            raise HTTPException(
                413, f"This is larger than {limit:,} bytes, the most that is taken here."
            )

        await self.app(scope, limited, send)


class StrictHeaders:
    """Adds the headers that keep a page to its own scripts, styles and addresses."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        nonce = secrets.token_urlsafe(16)
        scope[NONCE] = nonce

        async def with_headers(message: Message) -> None:
            if message["type"] == "http.response.start":
                headers = MutableHeaders(scope=message)
                for name, value in _HEADERS.items():
                    headers.setdefault(name, value.replace("{nonce}", nonce))
            await send(message)

        await self.app(scope, receive, with_headers)


def _limit(path: str) -> int:
    if path in ("/api/loads", "/api/game-files") or path.endswith("/media"):
        return _UPLOAD
    if path.startswith("/api/packs"):
        return _PACK
    return _DOCUMENT if path.startswith(("/api/games", "/api/loads")) else _SMALL
