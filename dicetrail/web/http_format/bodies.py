"""Read JSON bodies once, and refuse unreadable ones with the place of the error.

Python's own reader takes what no JSON is (NaN) and what no store can keep (half a character), and
tells of neither.
"""

import json
import re
from collections.abc import Callable, Coroutine, Sequence
from typing import Any

from fastapi import APIRouter, Request, Response
from fastapi.routing import APIRoute
from starlette.exceptions import HTTPException

from dicetrail.core import Problem
from dicetrail.core.document import LONE_SURROGATE, as_whole_text
from dicetrail.form import broken_text, in_words

_MAY_BE_BROKEN = re.compile(rb"\\u[dD][89a-fA-F]")
_Handler = Callable[[Request], Coroutine[Any, Any, Response]]


class UnreadableBody(HTTPException):
    """What was sent is no JSON, or none that can be kept."""

    def __init__(self, problem: Problem) -> None:
        self.problem = problem
        super().__init__(422)


class _JsonRequest(Request):
    async def json(self) -> Any:
        if not hasattr(self, "_json"):
            body = await self.body()
            self._json = _parsed(body)
        return self._json


def _parsed(body: bytes) -> Any:
    try:
        found = json.loads(body, parse_constant=_no_number)
    except json.JSONDecodeError as error:
        where = f"line {error.lineno}, column {error.colno}"
        raise _unreadable(where, error.msg) from None
    except UnicodeDecodeError as error:
        raise _unreadable(f"byte {error.start + 1}", "this is not UTF-8") from None
    except RecursionError:
        raise _unreadable("the request", "it is nested too deeply") from None
    except ValueError as error:
        raise _unreadable("the request", str(error)) from None
    if _MAY_BE_BROKEN.search(body) and (broken := broken_text(found)) is not None:
        raise UnreadableBody(Problem(place_in_body(broken), *LONE_SURROGATE))
    return found


def _no_number(word: str) -> None:
    raise ValueError(f"{word} is no number of JSON")


def _unreadable(where: str, what: str) -> UnreadableBody:
    return UnreadableBody(Problem(where, what, "send well-formed JSON"))


def place_in_body(path: Sequence[str | int]) -> str:
    """A place in a request, written as a document writes it: ``rounds[0].draw.count``."""
    return as_whole_text(in_words(path)).removeprefix("document").lstrip(".")


class _JsonRoute(APIRoute):
    def get_route_handler(self) -> _Handler:
        handle = super().get_route_handler()

        async def read_and_handle(request: Request) -> Response:
            try:
                return await handle(_JsonRequest(request.scope, request.receive))
            except HTTPException as error:
                if isinstance(error.__cause__, OSError):
                    raise error.__cause__ from None  # the disk failed, and not who sent it
                raise

        return read_and_handle


class Router(APIRouter):
    """A router whose routes read JSON so."""

    def __init__(self, prefix: str, tag: str) -> None:
        super().__init__(prefix=prefix, tags=[tag], route_class=_JsonRoute)
