"""Guards of all requests: limits of size and rate, and strict headers on the answers."""

import re
import secrets
from collections.abc import Container, Sequence
from urllib.parse import parse_qs, urlsplit

from starlette.datastructures import Headers, MutableHeaders
from starlette.exceptions import HTTPException
from starlette.middleware.trustedhost import TrustedHostMiddleware
from starlette.responses import JSONResponse
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from dicetrail.limits import MAX_DOCUMENT, MAX_EDITS, MAX_FILE, MAX_SHELF, MAX_SMALL
from dicetrail.web.http_format.errors import refusal
from dicetrail.web.middleware.rates import Rate
from dicetrail.web.middleware.senders import sender_at

_UPLOAD = MAX_FILE + MAX_SMALL
"""The size of a file with the form around it."""

SHELF = "/api/backup"
"""The address that takes a whole shelf."""


NONCE = "style nonce"
"""The key under which a request holds the nonce of its page's styles."""

CONTENT_POLICY = "content-security-policy"

_HEADERS = {
    "cross-origin-opener-policy": "same-origin",
    "permissions-policy": "camera=(), geolocation=(), microphone=()",
    "referrer-policy": "no-referrer",
    "x-content-type-options": "nosniff",
}


def content_policy(nonce: str, framed_by: Sequence[str] = ()) -> str:
    """What a page may fetch, and which sites may show it in a frame: none unless named."""
    ancestors = " ".join(framed_by) or "'none'"
    return (
        f"default-src 'self'; style-src 'self' 'nonce-{nonce}'; object-src 'none'; "
        f"base-uri 'none'; form-action 'self'; frame-ancestors {ancestors}"
    )


class BodyLimit:
    """Refuses a body that is larger than its address takes.

    The rest of such a body is read and dropped, so that the answer reaches a sender who
    listens only after sending; it is never held in memory.
    """

    def __init__(self, app: ASGIApp, files: Container[str]) -> None:
        self.app = app
        self._files = files

    def _limit(self, path: str) -> int:
        if path == SHELF:
            return MAX_SHELF
        if path in self._files:
            return _UPLOAD
        if path.startswith("/api/packs"):
            return MAX_EDITS
        return MAX_DOCUMENT if path.startswith(_TAKE_DOCUMENTS) else MAX_SMALL

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        limit, taken = self._limit(scope["path"]), 0

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


class KnownHosts:
    """Answers only to the names of this server, so that no page of another site can read it under a
    name that resolves to it (DNS rebinding). Other names are refused in words."""

    def __init__(self, app: ASGIApp, hosts: Sequence[str]) -> None:
        self.app, self.hosts = app, list(hosts)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        is_known = False

        async def known(scope: Scope, receive: Receive, send: Send) -> None:
            nonlocal is_known
            is_known = True
            await self.app(scope, receive, send)

        async def told(message: Message) -> None:
            if is_known:
                await send(message)

        await TrustedHostMiddleware(known, self.hosts, www_redirect=False)(scope, receive, told)
        if not is_known:
            words = (
                "This server does not go by that name. Open it at an address it told as it began."
            )
            await refusal(400, words)(scope, receive, send)


CLIENT = "x-dice-trail"
"""The header by which a client that is not a page confirms a change."""

_ASKS_ONLY = {"GET", "HEAD", "OPTIONS"}


class OwnPages:
    """Refuses requests from pages of other sites that would change something.

    Such a page can send forms and empty requests directly. It cannot hide their origin, add its own
    headers or send JSON: those need a preflight request (Fetch standard, CORS protocol), which is
    never granted.
    """

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "http" and scope["method"] not in _ASKS_ONLY and not _is_ours(scope):
            words = "This was sent by another page. Only the pages of this server change it."
            await refusal(403, words)(scope, receive, send)
            return
        await self.app(scope, receive, send)


def _is_ours(scope: Scope) -> bool:
    headers = Headers(scope=scope)
    if (origin := headers.get("origin")) is not None:
        return urlsplit(origin).netloc.lower() == headers.get("host", "").lower() != ""
    if (site := headers.get("sec-fetch-site")) is not None:
        return site == "same-origin"
    kind = headers.get("content-type", "").partition(";")[0].strip().lower()
    return CLIENT in headers or kind == "application/json"


class RateLimits:
    """Limits the rate of each sender: new runs, inputs to one run, uploads, tries of keys.

    A whole class can share one address, so inputs are counted for each run.
    """

    def __init__(self, app: ASGIApp, files: Container[str], guesses: Rate) -> None:
        self.app = app
        self._files = files
        self._inputs, self._starts = Rate(200, 5), Rate(1_000, 60)
        self._uploads, self._keys = Rate(120, 60), guesses

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        found = self._rate(scope) if scope["type"] == "http" else None
        if found is not None and not found[0].takes(found[1]):
            await too_often(found[0])(scope, receive, send)
            return
        await self.app(scope, receive, send)

    def _rate(self, scope: Scope) -> tuple[Rate, str] | None:
        """The rate limit of a request, and the sender or run it counts for."""
        path = scope["path"]
        if run := _RUN.match(path):
            return self._inputs, run[1]
        if path == "/api/key" or (shown_key(scope) and not path.startswith("/api/")):
            return self._keys, sender_at(scope.get("client"))
        if scope["method"] != "POST":
            return None
        if path.startswith("/api/play/"):
            return self._starts, sender_at(scope.get("client"))
        is_upload = path in self._files
        return (self._uploads, sender_at(scope.get("client"))) if is_upload else None


def too_often(rate: Rate) -> JSONResponse:
    """The answer to a request beyond its rate limit."""
    words = f"That is too often: {rate.times} times in {rate.seconds} s are taken."
    return refusal(429, words, {"retry-after": str(rate.seconds)})


def shown_key(scope: Scope) -> str:
    """The maker's key in an address, in any encoding; empty without one."""
    query: str = scope["query_string"].decode("latin-1")
    return parse_qs(query).get("key", [""])[0]


_RUN = re.compile(r"/api/play/runs/([^/]+)")


class HeadAsGet:
    """Answers HEAD like GET, without the body (RFC 9110, 9.3.2)."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http" or scope["method"] != "HEAD":
            await self.app(scope, receive, send)
            return

        async def without_body(message: Message) -> None:
            if message["type"] == "http.response.body":
                message = {**message, "body": b""}
            await send(message)

        await self.app({**scope, "method": "GET"}, receive, without_body)


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
                    headers.setdefault(name, value)
                headers.setdefault(CONTENT_POLICY, content_policy(nonce))
            await send(message)

        await self.app(scope, receive, with_headers)


_TAKE_DOCUMENTS = ("/api/games", "/api/loads", "/api/examples", "/api/language")
