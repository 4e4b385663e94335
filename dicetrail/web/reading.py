"""Read uploaded files in the sandbox, as long as the client waits.

The files queue among themselves and never hold up players.
"""

import asyncio
import threading
from collections.abc import Awaitable, Callable
from functools import partial
from typing import Annotated, Any

from anyio import CapacityLimiter, to_thread
from fastapi import Depends, Request
from starlette.exceptions import HTTPException

from dicetrail.files.sandbox import GivenUp
from dicetrail.web.attending import gone

MAX_AT_ONCE = 2
"""The number of files read at once."""

Read = Callable[..., Awaitable[Any]]
"""Does a job of `dicetrail.files.sandbox`: the job's name, then what it is given."""

IsGivenUp = Callable[[], bool]
Attending = Callable[[Callable[[IsGivenUp], Any]], Awaitable[Any]]
"""Runs work that checks at intervals whether it is cancelled."""


def turns() -> CapacityLimiter:
    """The queue of files to be read."""
    return CapacityLimiter(MAX_AT_ONCE)


async def _attend(request: Request) -> Attending:
    async def attended(work: Callable[[IsGivenUp], Any]) -> Any:
        is_gone = threading.Event()

        async def watch() -> None:
            await gone(request)
            is_gone.set()

        watching = asyncio.create_task(watch())
        try:
            limiter = request.app.state.turns
            return await to_thread.run_sync(partial(work, is_gone.is_set), limiter=limiter)
        except GivenUp:
            raise HTTPException(408, "Whoever sent this has gone.") from None
        finally:
            watching.cancel()

    return attended


Attended = Annotated[Attending, Depends(_attend)]


async def _read(request: Request, attended: Attended) -> Read:
    async def read(job: str, *given: Any) -> Any:
        aside = request.app.state.app_state.aside
        return await attended(lambda is_given_up: aside.do(job, *given, is_given_up=is_given_up))

    return read


ReadAside = Annotated[Read, Depends(_read)]
