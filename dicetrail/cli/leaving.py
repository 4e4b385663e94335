"""Export: a game to be played elsewhere, or a backup of the whole shelf."""

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Annotated

import typer
from rich.markup import escape
from rich.progress import Progress

from dicetrail import takeaway
from dicetrail.cli.named import DEFAULT_DATA, Data, GameNamed, game_named
from dicetrail.cli.told import console, troubles_told
from dicetrail.core import GameProblems
from dicetrail.core.document import counted
from dicetrail.files import read_game
from dicetrail.restoring import restore as restored
from dicetrail.services.app_state import AppState
from dicetrail.services.game_files import game_file_of
from dicetrail.store import Database, back_up
from dicetrail.store.games import newest_games
from dicetrail.store.packs import newest_packs


def take(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    folder: Annotated[
        Path | None, typer.Option(help="Lay a folder there for any web space.")
    ] = None,
    package: Annotated[
        Path | None, typer.Option(help="Write a package there that course platforms take.")
    ] = None,
    program: Annotated[
        Path | None, typer.Option(help="Write one file there that Python plays in a terminal.")
    ] = None,
    python: Annotated[
        Path | None, typer.Option(help="Write the game there as a plain program, to be read.")
    ] = None,
) -> None:
    """Take a game away, to be played where there is no Dice Trail."""
    if folder is None and package is None and program is None and python is None:
        console.print("Say how it leaves: --folder DIR, --package FILE.zip, --program FILE.pyz,")
        console.print("--python FILE.py.")
        raise typer.Exit(2)
    with troubles_told():
        if folder is not None and folder.exists() and any(folder.iterdir()):
            console.print(
                f"[red]{escape(str(folder))} is not empty.[/red] Name a folder of its own."
            )
            raise typer.Exit(1)
        leaves = _leaving(game, data)
        if package is not None:
            _write_package(leaves, package)
        if folder is not None:
            _lay_folder(leaves, folder)
        if program is not None:
            program.write_bytes(takeaway.program_file(leaves))
            console.print(f"{escape(str(program))}: run it with python3.")
        if python is not None:
            _write_python(leaves, python)


def _write_package(leaves: takeaway.Leaving, path: Path) -> None:
    path.write_bytes(takeaway.packed(_built(takeaway.package, leaves)))
    console.print(f"{escape(str(path))}: lay it into a course as a SCORM 1.2 package.")
    console.print("Anyone who looks into it can read the right answers.")


def _lay_folder(leaves: takeaway.Leaving, folder: Path) -> None:
    laid = _built(takeaway.folder, leaves)
    for name, content in laid.items():
        path = folder / name
        path.parent.mkdir(parents=True, exist_ok=True)
        path.write_bytes(content)
    console.print(f"{escape(str(folder))}: {counted(len(laid), 'file')}; read its README.txt.")
    console.print("Anyone who looks into it can read the right answers.")


def _built(
    lay: Callable[[takeaway.Leaving], dict[str, bytes]], leaves: takeaway.Leaving
) -> dict[str, bytes]:
    """The files of a game that leaves with pages; or an exit where those are not built."""
    try:
        return lay(leaves)
    except takeaway.NotBuilt as missing:
        console.print(f"[red]{missing}[/red]")
        raise typer.Exit(1) from None


def _write_python(leaves: takeaway.Leaving, path: Path) -> None:
    """The game as a plain program in a file, or an exit that says why it does not fit one."""
    try:
        written = takeaway.plain_program(leaves.game, leaves.packs, path.name)
    except takeaway.CannotBeWritten as refused:
        console.print("[red]This game does not fit a plain program:[/red]")
        for reason in refused.reasons:
            round_ = "" if reason.round is None else f", round {reason.round + 1}"
            console.print(f"  {escape(reason.stop)}{round_}: {escape(reason.what)}")
        raise typer.Exit(1) from None
    path.write_text(written.text, "utf-8")
    count = counted(len(written.stops), "line")
    console.print(f"{escape(str(path))}: {count}; run it with python3.")


def _leaving(name: str, data: Path) -> takeaway.Leaving:
    """A game to export, from a file or from the store; otherwise exit with the reason."""
    game_named(name, data)  # which tells what is wrong with the name
    path = Path(name)
    try:
        if path.is_file():
            return takeaway.leaving(read_game(path.read_bytes()), path.stem)
        app_state = AppState(Database(data))
        try:
            content = game_file_of(app_state, name)
        finally:
            app_state.close()
            app_state.database.close()
        return takeaway.leaving(read_game(content), name)
    except GameProblems:
        console.print("[red]The game has faults.[/red] Run: dicetrail check " + escape(name))
        raise typer.Exit(1) from None


def backup(
    file: Annotated[Path, typer.Argument(help="The file the whole shelf is saved to.")],
    data: Data = DEFAULT_DATA,
) -> None:
    """Save the whole shelf to one file, while it is in use or not."""
    if not data.is_file():
        console.print(f"[red]There is no store at {data}.[/red]")
        raise typer.Exit(1)
    with troubles_told(), _copying() as progress:
        database = Database(data)
        try:
            back_up(database, file, progress)
        finally:
            database.close()
    console.print(f"{escape(str(file))}: {_shelf_told(data)}.")


def restore(
    file: Annotated[Path, typer.Argument(help="A file the whole shelf was saved to.")],
    data: Data = DEFAULT_DATA,
) -> None:
    """Make a store from a saved shelf. A store that exists is not changed."""
    with troubles_told(), Progress(console=console, transient=True) as bar:
        task = bar.add_task("reading", total=None)
        left_out = restored(file, data, lambda rows: bar.update(task, completed=rows))
    for told in left_out:
        console.print(f"[yellow]Left out:[/yellow] {escape(told)}.", soft_wrap=True)
    console.print(f"{escape(str(data))}: {_shelf_told(data)}.")


@contextmanager
def _copying() -> Iterator[Callable[[int, int], None]]:
    """A bar that tells how much is copied."""
    with Progress(console=console, transient=True) as bar:
        task = bar.add_task("copying")
        yield lambda done, all_: bar.update(task, completed=done, total=all_)


def _shelf_told(path: Path) -> str:
    """What a store holds, counted, in words."""
    database = Database(path)
    try:
        with database.reading() as session:
            games, packs = newest_games(session), newest_packs(session)
    finally:
        database.close()
    return f"{counted(len(games), 'game')}, {counted(len(packs), 'pack')}"
