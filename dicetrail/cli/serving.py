"""Serve the workbench: choose where it listens, and print its address."""

import gc
import logging
import os
import secrets
import socket
import sys
from datetime import UTC, datetime
from pathlib import Path
from threading import Thread, Timer
from types import FrameType
from typing import Annotated
from urllib.parse import quote, urlsplit

import typer
import uvicorn
from fastapi import FastAPI
from rich.markup import escape
from rich.text import Text

from dicetrail.cli.named import DEFAULT_DATA, Data
from dicetrail.cli.told import console, troubles_told
from dicetrail.demo import load_demo
from dicetrail.store import Database
from dicetrail.web import create_app
from dicetrail.web.app import LOOPBACK
from dicetrail.web.middleware.connections import MAX_CONNECTIONS, make_room, timed
from dicetrail.web.site import SITE


def serve(
    data: Data = DEFAULT_DATA,
    host: Annotated[
        str, typer.Option(help="The address to listen on; 0.0.0.0 lets others on the network in.")
    ] = "127.0.0.1",
    port: Annotated[int, typer.Option(min=0, max=65535, help="0 takes any free port.")] = 8000,
    demo: Annotated[bool, typer.Option(help="Put the demo games into the store first.")] = False,
    key: Annotated[
        str | None,
        typer.Option(envvar="DICETRAIL_KEY", help="The maker's key; without it one is made."),
    ] = None,
    name: Annotated[
        list[str] | None, typer.Option(help="Another name the server answers to; repeat it.")
    ] = None,
    address: Annotated[
        str | None,
        typer.Option(
            envvar="DICETRAIL_ADDRESS",
            help="Where it is reached, if something stands in front: https://quiz.example.org",
        ),
    ] = None,
) -> None:
    """Start the workbench and print its address."""
    if not (SITE / "index.html").is_file():
        console.print("[red]The pages are not built yet.[/red] Run: make site")
        raise typer.Exit(1)
    listener = _listen(host, port)
    with troubles_told():
        database = Database(data)
        if demo and load_demo(database, datetime.now(UTC)):
            console.print("The demo, games of the Quillbrook Allotment Society, is here.")
        port = listener.getsockname()[1]
        application = _application(database, host, port, key, tuple(name or ()), address)
    # What was made so far stays for good: it need not be looked through again and again.
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)
    sys.setswitchinterval(0.0002)  # players wait less for the work of makers
    Thread(target=application.state.app_state.packs.read_ahead, daemon=True).start()
    _StoppableServer(_served(application)).run(sockets=[listener])
    database.close()


ENDS_WITHIN_S = 2.5
"""The process ends this long after it was told to stop, even if work is not done. Everything
acknowledged is in the store: it is stored before it is acknowledged."""

_ENDS_KINDLY_S = 1


class _StoppableServer(uvicorn.Server):
    """A server that stops when told."""

    def handle_exit(self, sig: int, frame: FrameType | None) -> None:
        """Stop taking requests; end for certain a moment later."""
        super().handle_exit(sig, frame)
        logging.disable(logging.CRITICAL)  # cancelled work reports nothing more
        last = Timer(ENDS_WITHIN_S, os._exit, (0,))
        last.daemon = True
        last.start()


def development_app() -> FastAPI:
    """The application over the store that DICETRAIL_DATA names, for a server that reloads."""
    return create_app(Database(Path(os.environ.get("DICETRAIL_DATA", DEFAULT_DATA))))


def _served(application: FastAPI) -> uvicorn.Config:
    """How the application is served: the largest number of connections, and the time each may
    take."""
    return uvicorn.Config(
        application,
        log_level="error",
        server_header=False,
        http=timed(make_room()),
        ws="none",
        timeout_keep_alive=75,
        timeout_graceful_shutdown=_ENDS_KINDLY_S,
        backlog=MAX_CONNECTIONS,
    )


def _application(
    database: Database,
    host: str,
    port: int,
    key: str | None,
    names: tuple[str, ...],
    outside: str | None = None,
) -> FastAPI:
    """The application for an address, which is printed. It asks for the maker's key beyond
    loopback, if a key is given, and behind a proxy."""
    if outside is not None:
        return _in_front(database, outside.rstrip("/"), key, names)
    if _in_address(host) in LOOPBACK and not key:
        _print_address(f"http://{_in_address(host)}:{port}", "  (Ctrl+C stops it)")
        return create_app(database, hosts=(*LOOPBACK, *names))
    own = _in_address(_own_address() if host in ("0.0.0.0", "::") else host)
    shown = names[0] if names else own
    maker_key = key or secrets.token_urlsafe(9)
    _print_address(f"http://{shown}:{port}/?key={quote(maker_key, safe='')}")
    console.print(
        "That address, with the key, is the maker's alone. Players need no key: give them the "
        "address or the code on a game's page “Players”. (Ctrl+C stops it)"
    )
    hosts = (*LOOPBACK, own, socket.gethostname(), *names)
    return create_app(database, hosts=hosts, maker_key=maker_key, address=f"http://{shown}:{port}")


def _in_front(database: Database, address: str, key: str | None, names: tuple[str, ...]) -> FastAPI:
    """The application behind a reverse proxy, such as one that does TLS."""
    host = urlsplit(address).hostname
    if host is None or urlsplit(address).scheme not in ("http", "https"):
        console.print(f"[red]{escape(address)} is no address.[/red] Write https://quiz.example.org")
        raise typer.Exit(2)
    maker_key = key or secrets.token_urlsafe(9)
    _print_address(f"{address}/?key={quote(maker_key, safe='')}")
    hosts = (*LOOPBACK, _in_address(host), *names)
    return create_app(database, hosts=hosts, maker_key=maker_key, address=address)


def _in_address(host: str) -> str:
    """A host as an address has it: IPv6 in brackets (RFC 3986, 3.2.2)."""
    return f"[{host}]" if ":" in host else host


def _print_address(address: str, more: str = "") -> None:
    # As it stands: the brackets of IPv6 are no markup.
    console.print(Text.assemble("Dice Trail is at ", (address, "bold"), more), soft_wrap=True)


def _own_address() -> str:
    """This machine's address on its network, as far as it has one. Nothing is sent."""
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("192.0.2.1", 9))  # an address for documentation (RFC 5737)
            own: str = probe.getsockname()[0]
        except OSError:
            return "127.0.0.1"
    return own


def _listen(host: str, port: int) -> socket.socket:
    """A socket on the address, or an exit that says how to choose another port."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Named as TCP, for asyncio sends small answers at once (TCP_NODELAY) on such sockets alone.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
        listener.listen()  # so that a reader of the address can connect at once
    except OSError as error:
        listener.close()
        console.print(f"[red]Cannot listen on {host}, port {port}:[/red] {error.strerror}.")
        other = port + 1 if port < 65535 else 8000
        console.print(f"Choose another port: make demo PORT={other}, or --port {other}.")
        raise typer.Exit(1) from None
    return listener
