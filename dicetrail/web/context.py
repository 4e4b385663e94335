"""The dependencies of every router: the application state, the live runs, and the time.

They are resolved in the event loop, because a thread of their own would cost more than they do.
"""

from datetime import datetime
from typing import Annotated, NamedTuple

from fastapi import Depends, Request

from dicetrail.services.app_state import AppState
from dicetrail.services.clock import Clock
from dicetrail.services.live_runs import LiveRuns


async def _app_state(request: Request) -> AppState:
    app_state: AppState = request.app.state.app_state
    return app_state


async def _live_runs(request: Request) -> LiveRuns:
    live_runs: LiveRuns = request.app.state.live_runs
    return live_runs


async def _now(request: Request) -> datetime:
    clock: Clock = request.app.state.clock
    return clock()


async def _playing(request: Request) -> "Playing":
    state = request.app.state
    return Playing(state.app_state, state.live_runs, state.clock())


class Playing(NamedTuple):
    """All that a player's request is given, asked for at once: there are very many of them."""

    app_state: AppState
    live_runs: LiveRuns
    now: datetime


PlayedNow = Annotated[Playing, Depends(_playing)]
SharedState = Annotated[AppState, Depends(_app_state)]
SharedLiveRuns = Annotated[LiveRuns, Depends(_live_runs)]
Now = Annotated[datetime, Depends(_now)]
