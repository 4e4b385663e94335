"""`dicetrail` on the command line."""

import json
import os
import socket
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Annotated

import typer
import uvicorn
from fastapi import FastAPI
from rich.console import Console

from dicetrail.demo import load_demo
from dicetrail.files import pack_schema
from dicetrail.store import Database
from dicetrail.web import create_app
from dicetrail.web.site import SITE

DEFAULT_DATA = Path("data/dicetrail.sqlite")

app = typer.Typer(no_args_is_help=True, add_completion=False, help=__doc__)
console = Console(highlight=False)

Data = Annotated[
    Path, typer.Option(envvar="DICETRAIL_DATA", help="The SQLite file games are kept in.")
]


@app.callback()
def _program() -> None:
    """Program a quiz game and play it at every step of the making."""


@app.command()
def serve(
    data: Data = DEFAULT_DATA,
    host: Annotated[str, typer.Option(help="The address to listen on.")] = "127.0.0.1",
    port: Annotated[int, typer.Option(min=0, max=65535, help="0 takes any free port.")] = 8000,
    demo: Annotated[bool, typer.Option(help="Put the demo game into the store first.")] = False,
) -> None:
    """Start the workbench and print its address."""
    if not (SITE / "index.html").is_file():
        console.print("[red]The pages are not built yet.[/red] Run: make site")
        raise typer.Exit(1)
    listener = _listen(host, port)
    database = Database(data)
    if demo and load_demo(database, datetime.now(UTC)):
        console.print("The demo game, Harvest Supper, is on the shelf.")
    port = listener.getsockname()[1]
    console.print(f"Dice Trail is at [bold]http://{host}:{port}[/bold]  (Ctrl+C stops it)")
    server = uvicorn.Server(uvicorn.Config(create_app(database), log_level="warning"))
    server.run(sockets=[listener])
    database.close()


@app.command()
def openapi() -> None:
    """Print the description of the HTTP interface (OpenAPI, as JSON)."""
    with TemporaryDirectory() as folder:
        database = Database(Path(folder) / "empty.sqlite")
        print(json.dumps(create_app(database).openapi(), indent=2))
        database.close()


@app.command("pack-schema")
def pack_form() -> None:
    """Print the form of a pack as JSON or YAML (a JSON Schema)."""
    print(json.dumps(pack_schema(), indent=2))


def development_app() -> FastAPI:
    """The application over the store that DICETRAIL_DATA names, for a server that reloads."""
    return create_app(Database(Path(os.environ.get("DICETRAIL_DATA", DEFAULT_DATA))))


def _listen(host: str, port: int) -> socket.socket:
    """A socket on the address, or an exit that says how to choose another port."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    listener = socket.socket(family, socket.SOCK_STREAM)
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    try:
        listener.bind((host, port))
        listener.listen()  # so that whoever reads the address can connect at once
    except OSError as error:
        listener.close()
        console.print(f"[red]Cannot listen on {host}, port {port}:[/red] {error.strerror}.")
        other = port + 1 if port < 65535 else 8000
        console.print(f"Choose another port: make demo PORT={other}, or --port {other}.")
        raise typer.Exit(1) from None
    return listener


if __name__ == "__main__":
    app()
