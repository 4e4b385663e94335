"""What every router is given: the shelf and the time."""

from collections.abc import Callable
from datetime import datetime
from typing import Annotated

from fastapi import Depends, Request

from dicetrail.web.shelf import Shelf


def _shelf(request: Request) -> Shelf:
    shelf: Shelf = request.app.state.shelf
    return shelf


def _now(request: Request) -> datetime:
    clock: Callable[[], datetime] = request.app.state.clock
    return clock()


SharedShelf = Annotated[Shelf, Depends(_shelf)]
Now = Annotated[datetime, Depends(_now)]
