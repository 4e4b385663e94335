"""What every router is given: the shelf and the time.

Both are asked for where requests arrive, not in a thread of their own: that would cost more
than they do.
"""

from collections.abc import Callable
from datetime import datetime
from typing import Annotated

from fastapi import Depends, Request

from dicetrail.web.shelf import Shelf


async def _shelf(request: Request) -> Shelf:
    shelf: Shelf = request.app.state.shelf
    return shelf


async def _now(request: Request) -> datetime:
    clock: Callable[[], datetime] = request.app.state.clock
    return clock()


SharedShelf = Annotated[Shelf, Depends(_shelf)]
Now = Annotated[datetime, Depends(_now)]
