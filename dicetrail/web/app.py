"""Create the application."""

import asyncio
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager, suppress
from datetime import timedelta

from anyio.to_thread import current_default_thread_limiter
from fastapi import FastAPI
from fastapi.concurrency import run_in_threadpool
from starlette.middleware.gzip import GZipMiddleware

from dicetrail.services.app_state import AppState
from dicetrail.services.clock import Clock, never_back, steady_clock
from dicetrail.services.live_runs import LiveRuns
from dicetrail.store import Database, StoreTrouble, secret_of
from dicetrail.store.runs import forget_unbegun
from dicetrail.web import reading
from dicetrail.web.backup import routes as backup
from dicetrail.web.dress import routes as looks
from dicetrail.web.dropped import routes as dropped
from dicetrail.web.evidence import routes as evidence
from dicetrail.web.examples import routes as examples
from dicetrail.web.foresight import routes as foresight
from dicetrail.web.games import files as gamefiles
from dicetrail.web.games import routes as games
from dicetrail.web.http_format.description import FileAddresses, described
from dicetrail.web.http_format.errors import ERROR_RESPONSES, explain_errors
from dicetrail.web.http_format.shapes import Health
from dicetrail.web.kept import routes as kept
from dicetrail.web.language import routes as language
from dicetrail.web.loads import routes as loads
from dicetrail.web.middleware import key
from dicetrail.web.middleware.addresses import Addresses
from dicetrail.web.middleware.guards import (
    BodyLimit,
    HeadAsGet,
    KnownHosts,
    OwnPages,
    RateLimits,
    StrictHeaders,
)
from dicetrail.web.middleware.queue import InTurn
from dicetrail.web.middleware.rates import Rate
from dicetrail.web.packs import routes as packs
from dicetrail.web.pictures import routes as pictures
from dicetrail.web.play import players
from dicetrail.web.play import routes as play
from dicetrail.web.runs import routes as runs
from dicetrail.web.site import serve_site
from dicetrail.web.sounds import routes as sounds
from dicetrail.web.takeaway import routes as takeaway

LOOPBACK = ("127.0.0.1", "localhost", "[::1]")


MAX_AT_ONCE = 4
"""At most this many requests are processed at once. Python runs one thread at a time, and many
waiting threads cost far more than they gain."""


UNBEGUN_FOR = timedelta(days=1)
"""A player's run that never began is kept this long."""

_HOUR_S = 3600


@asynccontextmanager
async def _while_serving(app: FastAPI) -> AsyncIterator[None]:
    current_default_thread_limiter().total_tokens = MAX_AT_ONCE
    tidying = asyncio.create_task(_tidied(app))
    yield
    tidying.cancel()
    app.state.app_state.close()


async def _tidied(app: FastAPI) -> None:
    """Every hour, runs that nobody began are let go of, and those that time ended are ended."""
    while True:
        with suppress(StoreTrouble):  # it is told to whoever asks for something
            await run_in_threadpool(let_go_of_unbegun, app)
            await run_in_threadpool(app.state.live_runs.end_those_left, app.state.clock())
        await asyncio.sleep(_HOUR_S)


def let_go_of_unbegun(app: FastAPI) -> int:
    """Forget the players' runs that were started and left alone long ago; how many."""
    with app.state.app_state.database.writing() as session:
        return forget_unbegun(session, app.state.clock() - UNBEGUN_FOR)


def create_app(
    database: Database,
    clock: Clock | None = None,
    hosts: tuple[str, ...] = LOOPBACK,
    maker_key: str | None = None,
    address: str | None = None,
) -> FastAPI:
    """The application over a store.

    `clock` tells the time, if it is not the host's; `hosts` are the names it answers to. With a
    `maker_key` the maker's pages ask for it. `address` is where players reach it, if not where
    makers do.
    """
    app = FastAPI(
        title="Dice Trail",
        lifespan=_while_serving,
        version="1",
        responses=ERROR_RESPONSES,
        generate_unique_id_function=lambda route: route.name,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
    )
    app.state.app_state = AppState(database)
    app.state.live_runs = LiveRuns(app.state.app_state)
    app.state.turns = reading.turns()
    app.state.clock = steady_clock(database) if clock is None else never_back(clock)
    app.state.key = maker_key
    app.state.address = address
    explain_errors(app)
    files, guesses = FileAddresses(), Rate(10, 60)
    app.add_middleware(Addresses, app_state=app.state.app_state)
    app.add_middleware(BodyLimit, files=files)
    app.add_middleware(OwnPages)
    if maker_key is not None:
        app.state.token = key.token_of(maker_key, secret_of(database))
        app.add_middleware(key.MakerKey, key=maker_key, token=app.state.token, guesses=guesses)
    app.add_middleware(RateLimits, files=files, guesses=guesses)
    app.add_middleware(InTurn)
    app.add_middleware(GZipMiddleware, minimum_size=1024)
    app.add_middleware(KnownHosts, hosts=list(hosts))
    app.add_middleware(StrictHeaders)
    app.add_middleware(HeadAsGet)
    for module in (
        play,  # first: it is asked for most often, and routers are gone through in turn
        games,
        gamefiles,
        foresight,
        evidence,
        kept,
        players,
        language,
        examples,
        takeaway,
        backup,
        dropped,
        sounds,
        pictures,
        looks,
        loads,
        packs,
        runs,
        key,
    ):
        app.include_router(module.router)
        files.learn(module.router)
    app.include_router(foresight.scouts)
    app.include_router(packs.templates)
    app.include_router(pictures.media)
    app.include_router(looks.phrases)

    @app.get("/api/health", tags=["health"])
    async def show_health() -> Health:
        """That the server answers."""
        return Health()

    described(app)
    serve_site(app, lambda path: play.sites_that_frame(app.state.app_state, path))
    return app
