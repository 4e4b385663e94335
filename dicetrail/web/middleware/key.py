"""The maker's key: beyond this machine's own loopback, the maker's pages ask for it.

A browser shows the key once, in an address or a form, and has a cookie from then on that no
script can read. What players need is open to everybody.
"""

import hmac
import secrets
from urllib.parse import parse_qs, quote, urlencode

from fastapi import Request, Response
from pydantic import Field
from starlette.datastructures import URL
from starlette.exceptions import HTTPException
from starlette.requests import HTTPConnection
from starlette.responses import RedirectResponse
from starlette.types import ASGIApp, Receive, Scope, Send

from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.errors import refusal
from dicetrail.web.http_format.shapes import Received
from dicetrail.web.middleware.guards import shown_key, too_often
from dicetrail.web.middleware.rates import Rate
from dicetrail.web.middleware.senders import sender_at

COOKIE = "maker"
_YEAR = 365 * 24 * 3600
_OPEN = ("/api/play/", "/api/media/", "/api/sounds/games/", "/api/health", "/api/key")

router = Router("/api/key", "key")


class Key(Received):
    """The maker's key, as it was printed when the server started."""

    key: str = Field(max_length=200)


@router.post("", status_code=204)
def show_key(given: Key, request: Request, response: Response) -> None:
    """Log in with the maker's key. The browser is recognised from then on."""
    key: str | None = request.app.state.key
    if key is None:
        return
    if not _is_same(given.key, key):
        raise HTTPException(401, "This is not the maker's key.")
    _let_in(response, request.app.state.token, request.scope["scheme"])


class MakerKey:
    """Refuses the maker's pages and requests without the key."""

    def __init__(self, app: ASGIApp, key: str, token: str, guesses: Rate) -> None:
        self.app = app
        self.guesses = guesses
        self.key = key
        self.token = token

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        path: str = scope["path"]
        shown = shown_key(scope)
        if not path.startswith("/api/") and shown and _is_same(shown, self.key):
            onward = RedirectResponse(_without_key(scope), 303)
            _let_in(onward, self.token, scope["scheme"])
            await onward(scope, receive, send)
            return
        if path.startswith("/api/") and not path.startswith(_OPEN):
            held = HTTPConnection(scope).cookies.get(COOKIE, "")
            if not _is_same(held, self.token):
                await self._refused(scope, held)(scope, receive, send)
                return
        await self.app(scope, receive, send)

    def _refused(self, scope: Scope, held: str) -> Response:
        """The answer to a request without the key. A wrong cookie counts as a guess of the key. It
        is deleted, so that an old cookie does not count as many guesses."""
        if held and not self.guesses.takes(sender_at(scope.get("client"))):
            return too_often(self.guesses)
        answer = refusal(401, "This is the maker's own. Show the maker's key first.")
        if held:
            answer.delete_cookie(COOKIE, httponly=True, samesite="strict")
        return answer


def _without_key(scope: Scope) -> str:
    """The same address without the key, always on this site."""
    query = parse_qs(scope["query_string"].decode("latin-1"))
    rest = urlencode([(name, value) for name in query if name != "key" for value in query[name]])
    path = "/" + scope["path"].lstrip("/\\")
    return str(URL(path=quote(path), query=rest))


def _is_same(one: str, other: str) -> bool:
    return secrets.compare_digest(one.encode(), other.encode())


def token_of(key: str, secret: bytes) -> str:
    """The value of the cookie. It is computed from the key and a secret of the store, so that it
    does not help to guess the key."""
    return hmac.digest(secret, key.encode(), "sha256").hex()


def _let_in(response: Response, token: str, scheme: str) -> None:
    """Set the cookie of a browser that showed the key. A cookie set over TLS is for TLS only."""
    response.set_cookie(
        COOKIE,
        token,
        max_age=_YEAR,
        httponly=True,
        samesite="strict",
        secure=scheme == "https",
    )
