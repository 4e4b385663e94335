"""`dicetrail` on the command line."""

import gc
import json
import os
import secrets
import socket
import sys
from collections.abc import Callable, Iterator, Sequence
from contextlib import contextmanager
from dataclasses import asdict
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Thread
from typing import Annotated
from urllib.parse import quote, urlsplit

import typer
import uvicorn
from fastapi import FastAPI
from pydantic import TypeAdapter, ValidationError
from rich.console import Console
from rich.markup import escape
from rich.progress import Progress
from rich.table import Table
from rich.text import Text

from dicetrail import takeaway
from dicetrail.carried.terminal import play as play_run
from dicetrail.carried.terminal import standard_lines
from dicetrail.core import Game, GameProblems, Pack, Program, Severity, build, survey
from dicetrail.core.document import counted
from dicetrail.core.draw import HIGHEST_DICE
from dicetrail.core.foresight import (
    PLAYED,
    SCOUTS,
    Evidence,
    Forecast,
    How,
    KeptRun,
    Scout,
    foreseen,
    nothing_played,
    played_again,
    scout_named,
)
from dicetrail.core.foresight import forecast as foretell
from dicetrail.core.foresight import told as told_of
from dicetrail.core.play import players_refused
from dicetrail.demo import load_demo
from dicetrail.files import FileProblem, documented, game_schema, pack_schema, read_game
from dicetrail.form import SCOUT_FORM
from dicetrail.scouting import Crew, Subject, here, of_cluster, shared_out
from dicetrail.store import Database, NotFound, StoreTrouble, back_up
from dicetrail.store import restore as restored
from dicetrail.store.games import newest_game, newest_games
from dicetrail.store.kept import kept_runs
from dicetrail.store.packs import newest_packs, pack_of
from dicetrail.terminal import RichScreen
from dicetrail.web import create_app
from dicetrail.web.app import LOOPBACK
from dicetrail.web.door.connections import MOST_CONNECTIONS, make_room, timed
from dicetrail.web.evidence.gathering import chosen_by, gathered
from dicetrail.web.evidence.shapes import Choice
from dicetrail.web.games.files import game_file_of
from dicetrail.web.shelf import Shelf
from dicetrail.web.site import SITE
from dicetrail.web.wire.parts import written_parts

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
    with _troubles_told():
        database = Database(data)
        if demo and load_demo(database, datetime.now(UTC)):
            console.print("The demo, games of the Quillbrook Allotment Society, is here.")
        port = listener.getsockname()[1]
        application = _application(database, host, port, key, tuple(name or ()), address)
    # What was made so far stays for good: it need not be looked through again and again.
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)
    sys.setswitchinterval(0.0002)  # who plays waits less for what a maker has worked out
    Thread(target=application.state.shelf.read_ahead, daemon=True).start()
    uvicorn.Server(_served(application)).run(sockets=[listener])
    database.close()


@contextmanager
def _troubles_told() -> Iterator[None]:
    """Say in a line what is the matter with the store, and end."""
    try:
        yield
    except StoreTrouble as trouble:
        console.print(f"[red]{escape(str(trouble))}[/red]", soft_wrap=True)
        raise typer.Exit(1) from None


def _served(application: FastAPI) -> uvicorn.Config:
    """How the application is served: to so many, each with so much time."""
    return uvicorn.Config(
        application,
        log_level="error",
        server_header=False,
        http=timed(make_room()),
        ws="none",
        timeout_keep_alive=75,
        backlog=MOST_CONNECTIONS,
    )


def _application(
    database: Database,
    host: str,
    port: int,
    key: str | None,
    names: tuple[str, ...],
    outside: str | None = None,
) -> FastAPI:
    """The application for an address, which is printed; beyond loopback, or where a key is given
    or something else stands in front, with the maker's key."""
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
    """The application for who comes through something in front of it, such as what does TLS."""
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


GameNamed = Annotated[
    str, typer.Argument(metavar="GAME", help="A game file, or the identifier of a kept game.")
]


@app.command()
def check(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    kept: Annotated[
        bool, typer.Option("--kept", help="Play its kept runs again and tell which hold.")
    ] = False,
) -> None:
    """Print everything that is wrong with a game, each with its place and a mend."""
    document, packs, runs = _game_named(game, data)
    problems = survey(document, packs)
    if not any(problem.severity is Severity.FAULT for problem in problems):
        problems = (*problems, *foreseen(build(document, packs, recall={})))
    for problem in problems:
        colour = "red" if problem.severity is Severity.FAULT else "yellow"
        console.print(f"[{colour}]{problem.severity}[/] {escape(problem.where)}")
        console.print(f"  {escape(problem.what)}; {escape(problem.mend)}")
    faults = sum(problem.severity is Severity.FAULT for problem in problems)
    warnings = len(problems) - faults
    console.print(f"{faults} faults, {warnings} warnings.")
    if faults:
        raise typer.Exit(1)
    if kept and not _all_hold(build(document, packs), runs):
        raise typer.Exit(1)


def _all_hold(program: Program, runs: Sequence[KeptRun]) -> bool:
    """Whether every kept run leads to what it led to; what differs in the others is printed."""
    changed = 0
    for run in runs:
        held = played_again(program, run)
        if not held.holds:
            changed += 1
            console.print(f"[red]changed[/red] {escape(run.name)}, step {held.step}, {held.stop}")
            console.print(f"  {escape(held.what)}")
    console.print(f"{len(runs) - changed} of {counted(len(runs), 'kept run')} hold.")
    return not changed


@app.command()
def play(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    dice: Annotated[
        int | None, typer.Option(min=0, max=HIGHEST_DICE, help="Without it, new dice are rolled.")
    ] = None,
    player: Annotated[list[str] | None, typer.Option(help="A player's name; repeat it.")] = None,
) -> None:
    """Play a game in this terminal, with its clocks."""
    document, packs, _ = _game_named(game, data)
    try:
        program = build(document, packs, recall={})
    except GameProblems:
        console.print("[red]The game has faults.[/red] Run: dicetrail check " + escape(game))
        raise typer.Exit(1) from None
    players = tuple(player or ("Player",))
    rolled = secrets.randbelow(1_000_000) if dice is None else dice
    console.print(f"Dice {rolled}. /quit gives up.")
    try:
        play_run(program, rolled, players, RichScreen(console), standard_lines())
    except ValueError as error:
        console.print(f"[red]{escape(str(error))}[/red]")
        raise typer.Exit(1) from None


@app.command()
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
    if folder is not None and folder.exists() and any(folder.iterdir()):
        console.print(f"[red]{escape(str(folder))} is not empty.[/red] Name a folder of its own.")
        raise typer.Exit(1)
    leaves = _leaving(game, data)
    if package is not None:
        package.write_bytes(takeaway.packed(_built(takeaway.package, leaves)))
        console.print(f"{escape(str(package))}: lay it into a course as a SCORM 1.2 package.")
        console.print("Whoever looks into it can read the right answers.")
    if folder is not None:
        laid = _built(takeaway.folder, leaves)
        for name, content in laid.items():
            path = folder / name
            path.parent.mkdir(parents=True, exist_ok=True)
            path.write_bytes(content)
        console.print(f"{escape(str(folder))}: {counted(len(laid), 'file')}; read its README.txt.")
        console.print("Whoever looks into it can read the right answers.")
    if program is not None:
        program.write_bytes(takeaway.program_file(leaves))
        console.print(f"{escape(str(program))}: run it with python3.")
    if python is not None:
        _write_python(leaves, python)


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
    """A game that can leave, from a file or from the store; or an exit that says why not."""
    _game_named(name, data)  # which tells what is wrong with the name
    path = Path(name)
    try:
        if path.is_file():
            return takeaway.leaving(read_game(path.read_bytes()), path.stem)
        shelf = Shelf(Database(data))
        try:
            content = game_file_of(shelf, name)
        finally:
            shelf.close()
            shelf.database.close()
        return takeaway.leaving(read_game(content), name)
    except GameProblems:
        console.print("[red]The game has faults.[/red] Run: dicetrail check " + escape(name))
    except FileProblem as problem:
        console.print(f"[red]{escape(str(problem))}[/red]")
    raise typer.Exit(1)


@app.command()
def backup(
    file: Annotated[Path, typer.Argument(help="The file the whole shelf is saved to.")],
    data: Data = DEFAULT_DATA,
) -> None:
    """Save the whole shelf to one file, while it is in use or not."""
    if not data.is_file():
        console.print(f"[red]There is no store at {data}.[/red]")
        raise typer.Exit(1)
    with _troubles_told(), _copying() as progress:
        database = Database(data)
        try:
            back_up(database, file, progress)
        finally:
            database.close()
    console.print(f"{escape(str(file))}: {_shelf_told(data)}.")


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A file the whole shelf was saved to.")],
    data: Data = DEFAULT_DATA,
) -> None:
    """Make a store of a saved shelf, where there is none yet."""
    with _troubles_told(), _copying() as progress:
        restored(file, data, progress).close()
    console.print(f"{escape(str(data))}: {_shelf_told(data)}.")


@contextmanager
def _copying() -> Iterator[Callable[[int, int], None]]:
    """A bar that tells how much is copied."""
    with Progress(console=console, transient=True) as bar:
        task = bar.add_task("copying")
        yield lambda done, all_: bar.update(task, completed=done, total=all_)


def _shelf_told(path: Path) -> str:
    """How much a store holds, in words."""
    database = Database(path)
    try:
        with database.reading() as session:
            games, packs = newest_games(session), newest_packs(session)
    finally:
        database.close()
    return f"{counted(len(games), 'game')}, {counted(len(packs), 'pack')}"


AsJson = Annotated[bool, typer.Option("--json", help="Print it as JSON.")]


@app.command()
def evidence(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    revision: Annotated[
        int | None, typer.Option(min=1, help="Of runs of this version alone.")
    ] = None,
    since: Annotated[datetime | None, typer.Option(help="Of runs begun from then on.")] = None,
    before: Annotated[datetime | None, typer.Option(help="Of runs begun before then.")] = None,
    player: Annotated[str, typer.Option(help="Of this player's runs alone.")] = "",
    as_json: AsJson = False,
) -> None:
    """Print what the runs that players played say of each question of a game."""
    if not data.is_file():
        console.print(f"[red]There is no store at {data}.[/red]")
        raise typer.Exit(1)
    choice = Choice(revision=revision, since=since, before=before, player=player)
    with _troubles_told():
        shelf = Shelf(Database(data))
        try:
            told = gathered(shelf, game, chosen_by(choice), datetime.now(UTC)).evidence
        except NotFound:
            console.print(f"[red]There is no game “{escape(game)}”.[/red]")
            raise typer.Exit(1) from None
        finally:
            shelf.close()
            shelf.database.close()
    if as_json:
        print(TypeAdapter(Evidence).dump_json(told, indent=1).decode())
        return
    if not told.runs:
        console.print("Nobody has played yet.")
        return
    console.print(counted(told.runs, "run"))
    table = Table("question", "asked", "right", "median", "with the rest", "says")
    for one in told.questions:
        table.add_row(
            escape(one.prompt),
            str(one.asked),
            f"{one.right.share:.0%} ({one.right.least:.0%} to {one.right.most:.0%})",
            "" if one.seconds is None else f"{one.seconds.median:.1f} s",
            "" if one.with_rest is None else f"{one.with_rest:.2f}",
            one.says,
        )
    console.print(table)
    alpha = "cannot be said" if told.alpha is None else f"{told.alpha:.2f}"
    console.print(f"Cronbach's alpha: {alpha}, {told.alpha_of}")


Who = Annotated[
    list[str] | None,
    typer.Option(
        "--scout",
        help="Who plays: "
        + ", ".join(one.name for one in SCOUTS)
        + "; steady if nobody is named. Repeat it for several players.",
    ),
]
Settings = Annotated[
    list[str] | None,
    typer.Option(
        "--set", help="A number of the scouts, such as again=50 or right=90,80,70,60,50; repeat it."
    ),
]


@app.command()
def forecast(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    scout: Who = None,
    settings: Settings = None,
    games: Annotated[
        int, typer.Option(min=1, max=1_000_000, help="Runs played where it cannot be exact.")
    ] = PLAYED,
    as_json: AsJson = False,
) -> None:
    """Print what will happen to many players of one kind, without anybody playing."""
    document, packs, _ = _game_named(game, data)
    players = _scouts(scout, settings)
    program = _ready(game, document, packs, len(players))
    told = foretell(program, *players, runs=games)
    _print_forecast(document.title, told, as_json)


@app.command()
def scouts(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    scout: Who = None,
    settings: Settings = None,
    games: Annotated[int, typer.Option(min=1, max=1_000_000_000, help="Runs played.")] = 10_000,
    dice: Annotated[int, typer.Option(min=0, max=HIGHEST_DICE, help="Of the first run.")] = 0,
    workers: Annotated[int | None, typer.Option(min=1, max=256, help="Processes here.")] = None,
    scheduler: Annotated[
        str, typer.Option(help="A Dask scheduler whose workers play, such as tcp://host:8786.")
    ] = "",
    as_json: AsJson = False,
) -> None:
    """Let scouts play many whole runs, on every core here or on a cluster; Ctrl+C gives up."""
    document, packs, _ = _game_named(game, data)
    players = _scouts(scout, settings)
    subject = Subject(f"{game} {secrets.token_hex(8)}", document, packs)
    played = nothing_played()
    program = _ready(game, document, packs, len(players))
    with _crew(workers, scheduler) as crew, Progress(console=console, transient=True) as progress:
        bar = progress.add_task("runs", total=games)
        try:
            for played in shared_out(crew, subject, players, range(dice, dice + games)):
                progress.update(bar, completed=played.runs)
        except KeyboardInterrupt:
            console.print("[yellow]Given up; this is what was played until then.[/yellow]")
    _print_forecast(document.title, told_of(program, players, played, "as was asked for"), as_json)


@contextmanager
def _crew(workers: int | None, scheduler: str) -> Iterator[Crew]:
    """Who plays, or an exit that says why nobody does."""
    if not scheduler:
        crew = here(workers)
        try:
            yield crew
        finally:
            crew.close()
        return
    try:
        with of_cluster(scheduler) as crew:
            yield crew
    except ModuleNotFoundError:
        console.print("[red]A cluster wants one more package:[/red] pip install distributed")
        raise typer.Exit(1) from None
    except OSError as error:
        console.print(f"[red]No scheduler answers at {escape(scheduler)}:[/red] {error}")
        raise typer.Exit(1) from None


def _ready(name: str, game: Game, packs: dict[str, Pack], players: int) -> Program:
    """A game that so many play, or an exit that says why it cannot be."""
    try:
        program = build(game, packs)
    except GameProblems:
        console.print("[red]The game has faults.[/red] Run: dicetrail check " + escape(name))
        raise typer.Exit(1) from None
    refused = players_refused(game, players)
    if refused is not None:
        console.print(f"[red]T{refused[1:]}.[/red]")
        raise typer.Exit(1)
    return program


def _scouts(names: list[str] | None, settings: list[str] | None) -> tuple[Scout, ...]:
    """The scouts named, with some numbers set otherwise; or an exit that says why not."""
    numbers = dict(setting.partition("=")[::2] for setting in settings or ())
    found = []
    for name in names or ["steady"]:
        ready = scout_named(name)
        if ready is None:
            console.print(f"[red]There is no scout “{escape(name)}”.[/red]")
            raise typer.Exit(1)
        values = {
            field: value.split(",") if field == "right" else value
            for field, value in numbers.items()
        }
        try:
            found.append(SCOUT_FORM.validate_python(asdict(ready) | values))
        except ValidationError as refused:
            for error in refused.errors():
                place = ".".join(map(str, error["loc"]))
                console.print(f"[red]{escape(place)}[/red]: {escape(error['msg'])}")
            raise typer.Exit(1) from None
    return tuple(found)


def _print_forecast(title: str, told: Forecast, as_json: bool) -> None:
    if as_json:
        print(TypeAdapter(Forecast).dump_json(told, indent=1).decode())
        return
    console.print(escape(f"{title}, for {', '.join(told.scouts)} players"))
    table = Table("ending", "share")
    for ending in told.endings:
        if ending.title is not None or ending.share.share > 0:
            share = f"{ending.share.share:.1%}"
            if told.how is How.SAMPLED:
                share += f" ({ending.share.least:.1%} to {ending.share.most:.1%})"
            table.add_row(escape(ending.title or "no ending fits"), share)
    console.print(table)
    several = len(told.scouts) > 1
    for counter in told.counters:
        whose = f" of {told.scouts[counter.player]}" if several else ""
        console.print(escape(f"{counter.name}{whose}: {counter.mean:.2f} on average"))
    for scout, share in zip((*told.scouts, "nobody, they tie"), told.leads, strict=False):
        console.print(escape(f"ahead at the end: {scout}, {share:.1%}"))
    console.print(f"questions: {told.questions:.1f} on average")
    if told.ends_most is not None:
        console.print(f"most runs end with question {told.ends_most}")
    console.print(f"length: {told.seconds:.0f} s on average")
    if told.unended > 0.0005:
        console.print(f"left playing: {told.unended:.1%}")
    console.print(f"How it was worked out: {told.why}.")


Named = tuple[Game, dict[str, Pack], Sequence[KeptRun]]


def _game_named(name: str, data: Path) -> Named:
    """A game, its packs and kept runs, from a file or from the store; or an exit that says why
    not."""
    try:
        if Path(name).is_file():
            read = read_game(Path(name).read_bytes())
            return read.game, read.packs, read.kept
    except GameProblems as refused:
        for problem in refused.problems:
            console.print(f"[red]{escape(problem.where)}[/red]: {escape(problem.what)}")
        raise typer.Exit(1) from None
    if not data.is_file():
        console.print(f"[red]There is no file “{escape(name)}”, and no store at {data}.[/red]")
        raise typer.Exit(1)
    with _troubles_told():
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


@app.command("game-schema")
def game_form() -> None:
    """Print the form of a game file (a JSON Schema)."""
    print(json.dumps(game_schema(), indent=2))


@app.command("game-fields")
def game_fields() -> None:
    """Print every field of a game file with its bounds and its meaning (Markdown)."""
    print(documented(game_schema()), end="")


@app.command("parts")
def new_parts() -> None:
    """Print what pages show of a document's parts, fields and values, as TypeScript."""
    print(written_parts())


def development_app() -> FastAPI:
    """The application over the store that DICETRAIL_DATA names, for a server that reloads."""
    return create_app(Database(Path(os.environ.get("DICETRAIL_DATA", DEFAULT_DATA))))


def _listen(host: str, port: int) -> socket.socket:
    """A socket on the address, or an exit that says how to choose another port."""
    family = socket.AF_INET6 if ":" in host else socket.AF_INET
    # Named as TCP, for asyncio sends small answers at once (TCP_NODELAY) on such sockets alone.
    listener = socket.socket(family, socket.SOCK_STREAM, socket.IPPROTO_TCP)
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
