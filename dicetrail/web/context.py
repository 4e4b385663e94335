"""The dependencies of every router: the application state, the live runs, and the time.

They are resolved in the event loop, because a thread of their own would cost more than they do.
"""

from datetime import datetime
from typing import Annotated, NamedTuple

from fastapi import Depends, Request

from dicetrail.web.app_state import AppState
from dicetrail.web.clock import Clock
from dicetrail.web.play.live_runs import LiveRuns


async def _shelf(request: Request) -> AppState:
    shelf: AppState = request.app.state.shelf
    return shelf


async def _standings(request: Request) -> LiveRuns:
    standings: LiveRuns = request.app.state.standings
    return standings


async def _now(request: Request) -> datetime:
    clock: Clock = request.app.state.clock
    return clock()


async def _playing(request: Request) -> "Playing":
    state = request.app.state
    return Playing(state.shelf, state.standings, state.clock())


class Playing(NamedTuple):
    """All that a player's request is given, asked for at once: there are very many of them."""

    shelf: AppState
    standings: LiveRuns
    now: datetime


PlayedNow = Annotated[Playing, Depends(_playing)]
SharedState = Annotated[AppState, Depends(_shelf)]
SharedStandings = Annotated[LiveRuns, Depends(_standings)]
Now = Annotated[datetime, Depends(_now)]
