"""Do long work in other processes, as long as the client waits for it.

The crew does it with a lower priority than players have. When a page is gone, its work stops.
"""

import asyncio
from collections.abc import Awaitable, Callable
from concurrent.futures import CancelledError
from typing import Annotated, Any

from fastapi import Depends, Request
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException

from dicetrail.web.attending import gone

DoneBeside = Callable[..., Awaitable[Any]]
"""What a function of a module gives, called by the crew with what follows it."""


async def _beside(request: Request) -> DoneBeside:
    async def done(task: Callable[..., Any], *given: Any, **named: Any) -> Any:
        app_state = request.app.state.app_state
        handed = await run_in_threadpool(lambda: app_state.crew.submit(task, *given, **named))
        waited, watching = asyncio.wrap_future(handed), asyncio.create_task(gone(request))
        try:
            await asyncio.wait({waited, watching}, return_when=asyncio.FIRST_COMPLETED)
            if not waited.done():
                raise HTTPException(408, "Whoever asked for this has gone.")
            return waited.result()
        except CancelledError:
            raise HTTPException(503, "The server is closing.") from None
        finally:
            waited.cancel()
            watching.cancel()

    return done


Beside = Annotated[DoneBeside, Depends(_beside)]
