"""Whether whoever asked still waits: what is done for them stops when they are gone."""

import asyncio

from fastapi import Request

LOOKS_EVERY = 0.2
"""So often, in seconds, it is looked."""


async def gone(request: Request) -> None:
    """Wait until whoever sent a request is gone."""
    while not await request.is_disconnected():
        await asyncio.sleep(LOOKS_EVERY)
