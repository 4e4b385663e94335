"""Notice when a client is gone, so that work for it stops."""

import asyncio

from fastapi import Request

LOOKS_EVERY = 0.2
"""The interval of the checks, in seconds."""


async def gone(request: Request) -> None:
    """Wait until the client of a request is gone."""
    while not await request.is_disconnected():
        await asyncio.sleep(LOOKS_EVERY)
