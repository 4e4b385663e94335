"""The game a command is about, by the name of a file or of a game in the store."""

from collections.abc import Sequence
from pathlib import Path
from typing import Annotated

import typer
from rich.markup import escape

from dicetrail.cli.told import console, troubles_told
from dicetrail.core import Game, GameProblems, Pack
from dicetrail.core.foresight import (
    KeptRun,
)
from dicetrail.files import read_game
from dicetrail.store import Database, NotFound
from dicetrail.store.games import newest_game, newest_games
from dicetrail.store.kept import kept_runs
from dicetrail.store.packs import newest_packs, pack_of

DEFAULT_DATA = Path("data/dicetrail.sqlite")

Data = Annotated[
    Path, typer.Option(envvar="DICETRAIL_DATA", help="The SQLite file games are kept in.")
]
GameNamed = Annotated[
    str, typer.Argument(metavar="GAME", help="A game file, or the identifier of a kept game.")
]

Named = tuple[Game, dict[str, Pack], Sequence[KeptRun]]


def game_named(name: str, data: Path) -> Named:
    """A game, its packs and kept runs, from a file or from the store; or an exit that says why
    not."""
    try:
        if Path(name).is_file():
            with troubles_told():
                read = read_game(Path(name).read_bytes())
            return read.game, read.packs, read.kept
    except GameProblems as refused:
        for problem in refused.problems:
            console.print(f"[red]{escape(problem.place)}[/red]: {escape(problem.what)}")
        raise typer.Exit(1) from None
    if not data.is_file():
        console.print(f"[red]There is no file “{escape(name)}”, and no store at {data}.[/red]")
        raise typer.Exit(1)
    with troubles_told():
        return _kept_game(Database(data), name)


def _kept_game(database: Database, name: str) -> Named:
    try:
        with database.reading() as session:
            document = newest_game(session, name).document
            packs = newest_packs(session, document.packs_used)
            runs = [row.run for row in kept_runs(session, name)]
            return (
                document,
                {pack.pack_id: pack_of(session, pack.pack_id, pack.number) for pack in packs},
                runs,
            )
    except NotFound:
        console.print(f"[red]There is no file and no game “{escape(name)}”.[/red] Games kept:")
        with database.reading() as session:
            for revision in newest_games(session):
                console.print(f"  {revision.game_id}  {escape(revision.document.title)}")
        raise typer.Exit(1) from None
    finally:
        database.close()
