"""Serve the built pages: files by name, and one page for every address that the page itself
routes."""

from collections.abc import Callable, Sequence
from pathlib import Path

from fastapi import FastAPI
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException
from starlette.responses import HTMLResponse, Response
from starlette.routing import Route
from starlette.staticfiles import StaticFiles
from starlette.types import Receive, Scope, Send

from dicetrail.web.http_format.description import Methods
from dicetrail.web.middleware.guards import CONTENT_POLICY, NONCE, content_policy

SITE = Path(__file__).parent / "site"


Framing = Callable[[str], Sequence[str]]
"""The sites that may show the page at an address in a frame."""


class _Assets(StaticFiles):
    """Files whose names hold a digest of their content, so they can be kept for ever."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        response = await super().get_response(path, scope)
        response.headers["cache-control"] = "public, max-age=31536000, immutable"
        return response


def serve_site(app: FastAPI, framing: Framing, site: Path = SITE) -> None:
    """Serve the pages in `site`. Addresses under /api are never taken for a page."""
    app.mount("/assets", _Assets(directory=site / "assets", check_dir=False), name="assets")

    app.router.routes.append(Route("/{path:path}", _Pages(app, site, framing)))


class _Pages:
    """The page at every address that no route takes. Under /api and /assets there is none: the
    answer is 404, or 405 with the methods that the address takes."""

    def __init__(self, app: FastAPI, site: Path, framing: Framing) -> None:
        self._framing = framing
        self._methods = Methods(app)
        self._site = site

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        path, is_asked = scope["path"], scope["method"] in ("GET", "HEAD")
        is_ours = path.split("/")[1] not in ("api", "assets")
        allowed = ["GET", "HEAD"] if is_ours else self._methods.at(path)
        if allowed and not (is_ours and is_asked):
            headers = {"allow": ", ".join(allowed)}
            raise HTTPException(405, f"This takes {' or '.join(allowed)}.", headers)
        if not is_ours:
            raise HTTPException(404, f"There is nothing at {path}.")
        html = (self._site / "index.html").read_text("utf-8")
        html = html.replace("{nonce}", scope[NONCE])
        sites = await run_in_threadpool(self._framing, path)
        policy = content_policy(scope[NONCE], sites)
        answer = HTMLResponse(html, headers={"cache-control": "no-cache", CONTENT_POLICY: policy})
        await answer(scope, receive, send)
