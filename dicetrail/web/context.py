"""What every router is given: the library and the time."""

from collections.abc import Callable
from datetime import datetime
from typing import Annotated

from fastapi import Depends, Request

from dicetrail.web.library import Library


def _library(request: Request) -> Library:
    library: Library = request.app.state.library
    return library


def _now(request: Request) -> datetime:
    clock: Callable[[], datetime] = request.app.state.clock
    return clock()


SharedLibrary = Annotated[Library, Depends(_library)]
Now = Annotated[datetime, Depends(_now)]
