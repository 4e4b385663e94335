"""The description of the API.

The framework generates the OpenAPI document from the routes; this module adds that errors are
problem details. The methods that an address allows are read from it too.
"""

import re
from collections.abc import Callable, Iterator
from typing import Any

from fastapi import APIRouter, FastAPI
from fastapi.params import Form
from fastapi.routing import APIRoute

_ERRORS = "application/problem+json"


def described(app: FastAPI) -> None:
    """Have the application describe its errors by the kind they are sent as."""
    made: Callable[[], dict[str, Any]] = app.openapi

    def openapi() -> dict[str, Any]:
        if app.openapi_schema is None:
            document = made()
            document["components"]["responses"] = {
                name: {"description": words, "content": {_ERRORS: {"schema": _PROBLEM}}}
                for name, words in _REFUSALS.values()
            }
            for path, operations in document["paths"].items():
                for method, operation in operations.items():
                    responses = operation["responses"]
                    told = responses["default"]["content"]
                    told[_ERRORS] = told.pop("application/json")
                    for status in _refusals(path, method, operation):
                        name = _REFUSALS[status][0]
                        responses[status] = {"$ref": f"#/components/responses/{name}"}
        assert app.openapi_schema is not None
        return app.openapi_schema

    app.openapi = openapi  # type: ignore[method-assign]


_PROBLEM = {"$ref": "#/components/schemas/ProblemDetails"}
_REFUSALS = {
    "404": ("NotFound", "There is nothing of that name"),
    "409": ("Conflict", "It was changed meanwhile, or what is kept of it cannot be read"),
    "412": ("PreconditionFailed", "Another edit was saved since the revision that this one is of"),
    "422": ("Unprocessable", "What was sent has faults, each told with its place and a mend"),
    "428": ("PreconditionRequired", "If-Match is missing: the ETag of what is edited"),
}


_EDITS = ("/about", "/columns", "/edits", "/facts-edits")
"""How addresses end that edits of a pack are sent to."""


def _refusals(path: str, method: str, operation: dict[str, Any]) -> Iterator[str]:
    """What an operation can refuse: what is named, what stands against it, and what is sent."""
    is_named = "{" in path
    if is_named:
        yield "404"
    if is_named or method != "get":
        yield "409"
    if method in ("put", "patch") or path.endswith(_EDITS):
        yield "412"
    if method == "patch":
        yield "428"
    if "parameters" in operation or "requestBody" in operation:
        yield "422"


def files(*media_types: str) -> dict[int | str, dict[str, Any]]:
    """The answer of a route that sends a file of one of some kinds."""
    return {200: {"content": {kind: {"schema": {"type": "string"}} for kind in media_types}}}


class FileAddresses:
    """The addresses that files are sent to, by the routes that take them."""

    def __init__(self) -> None:
        self._known: list[re.Pattern[str]] = []

    def learn(self, router: APIRouter) -> None:
        """Know the routes of a router."""
        routes = (route for route in router.routes if isinstance(route, APIRoute))
        self._known += [_pattern(route.path) for route in routes if _takes_files(route)]

    def __contains__(self, path: object) -> bool:
        return any(at.fullmatch(str(path)) for at in self._known)


def _takes_files(route: APIRoute) -> bool:
    return any(isinstance(one.field_info, Form) for one in route.dependant.body_params)


class Methods:
    """Which methods each address of the interface takes."""

    def __init__(self, app: FastAPI) -> None:
        self._app = app
        self._known: list[tuple[re.Pattern[str], list[str]]] | None = None

    def at(self, path: str) -> list[str]:
        """The methods an address takes, in order; none if there is nothing there."""
        if self._known is None:
            paths = self._app.openapi()["paths"]
            self._known = [(_pattern(at), sorted(_taken(here))) for at, here in paths.items()]
        found = {method for at, here in self._known if at.fullmatch(path) for method in here}
        return sorted(found)


def _pattern(path: str) -> re.Pattern[str]:
    parts = re.split(r"\{\w+\}", path)
    return re.compile("[^/]+".join(map(re.escape, parts)))


def _taken(operations: dict[str, Any]) -> set[str]:
    methods = {method.upper() for method in operations}
    return methods | {"HEAD"} if "GET" in methods else methods
