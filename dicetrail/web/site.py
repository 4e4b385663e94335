"""The built pages: files by name, and one page for every address the page itself routes."""

from pathlib import Path

from fastapi import FastAPI, Request
from starlette.exceptions import HTTPException
from starlette.responses import HTMLResponse, Response
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

from dicetrail.web.guards import NONCE

SITE = Path(__file__).parent / "site"


class _Assets(StaticFiles):
    """Files whose names hold a digest of their content, so they can be kept for ever."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        response = await super().get_response(path, scope)
        response.headers["cache-control"] = "public, max-age=31536000, immutable"
        return response


def serve_site(app: FastAPI, site: Path = SITE) -> None:
    """Serve the pages in `site`. Addresses under /api are never taken for a page."""
    app.mount("/assets", _Assets(directory=site / "assets", check_dir=False), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str, request: Request) -> Response:
        if path.split("/")[0] in ("api", "assets"):
            raise HTTPException(404, f"There is nothing at /{path}.")
        html = (site / "index.html").read_text("utf-8").replace("{nonce}", request.scope[NONCE])
        return HTMLResponse(html, headers={"cache-control": "no-cache"})
