"""Files that come in are read aside, for as long as whoever sent them waits.

They wait for their turn among themselves: what serves players is never held by a file.
"""

import asyncio
import threading
from collections.abc import Awaitable, Callable
from functools import partial
from typing import Annotated, Any

from anyio import CapacityLimiter, to_thread
from fastapi import Depends, Request
from starlette.exceptions import HTTPException

from dicetrail.files.aside import GivenUp

MOST_AT_ONCE = 2
"""So many files are read at once."""

_LOOKS_EVERY = 0.2

Read = Callable[..., Awaitable[Any]]
"""Does a job of `dicetrail.files.aside`: the job's name, then what it is given."""


def turns() -> CapacityLimiter:
    """The turns in which files are read."""
    return CapacityLimiter(MOST_AT_ONCE)


async def _read(request: Request) -> Read:
    async def read(job: str, *given: Any) -> Any:
        is_gone = threading.Event()

        async def watch() -> None:
            while not await request.is_disconnected():
                await asyncio.sleep(_LOOKS_EVERY)
            is_gone.set()

        watching = asyncio.create_task(watch())
        work = partial(request.app.state.shelf.aside.do, job, *given, is_given_up=is_gone.is_set)
        try:
            return await to_thread.run_sync(work, limiter=request.app.state.turns)
        except GivenUp:
            raise HTTPException(408, "Whoever sent this has gone.") from None
        finally:
            watching.cancel()

    return read


ReadAside = Annotated[Read, Depends(_read)]
