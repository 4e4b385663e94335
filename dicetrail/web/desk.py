"""Do makers' long tasks in a process of the crew that opens the store itself. Only the result is
sent back, and no player waits for it.
"""

from collections.abc import Awaitable, Callable
from functools import lru_cache
from pathlib import Path
from typing import Annotated, Any

from fastapi import Depends, Request
from starlette.concurrency import run_in_threadpool

from dicetrail.services.app_state import AppState
from dicetrail.store import Database
from dicetrail.web.beside import Beside

AtDesk = Callable[..., Awaitable[Any]]
"""What a function of a module gives that takes a shelf, and then what follows it."""


@lru_cache(maxsize=1)
def _app_state(store: Path) -> AppState:
    return AppState(Database(store, as_it_is=True))


def at_store(store: Path, task: Callable[..., Any], *given: Any) -> Any:
    """What a task gives of the shelf of a store."""
    return task(_app_state(store), *given)


async def _desk(request: Request, beside: Beside) -> AtDesk:
    store: Path = request.app.state.app_state.database.path

    async def done(task: Callable[..., Any], *given: Any) -> Any:
        return await beside(at_store, store, task, *given)

    return done


Desk = Annotated[AtDesk, Depends(_desk)]


async def _making(request: Request, desk: Desk) -> AtDesk:
    app_state: AppState = request.app.state.app_state

    async def made(task: Callable[[AppState, str], Any], game_id: str) -> Any:
        name = f"{task.__name__} {await run_in_threadpool(_stamp, app_state, game_id)}"
        async with app_state.turn_to_make(name):
            found = app_state.made.get(name)
            if found is None:
                found = app_state.made[name] = await desk(task, game_id)
            return found

    return made


def _stamp(app_state: AppState, game_id: str) -> str:
    """The saves that a game as it now stands is of. Raises NotFound, and GameProblems if it cannot
    be played."""
    number, packs = app_state.programs.newest(game_id)
    app_state.programs.program(game_id, number, packs)
    return f"{game_id} {number} {packs}"


Making = Annotated[AtDesk, Depends(_making)]
"""The same of a game as it now stands, which is done once for each save of it and its packs;
whoever asks meanwhile waits for that."""
