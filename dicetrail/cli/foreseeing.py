"""Print the evidence and the forecast of a game."""

import secrets
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import asdict
from datetime import UTC, datetime
from typing import Annotated

import typer
from pydantic import TypeAdapter, ValidationError
from rich.markup import escape
from rich.progress import Progress
from rich.table import Table

from dicetrail.cli.named import DEFAULT_DATA, Data, GameNamed, game_named
from dicetrail.cli.told import console, troubles_told
from dicetrail.core import Game, GameProblems, Pack, Program, build
from dicetrail.core.document import counted
from dicetrail.core.draw import HIGHEST_DICE
from dicetrail.core.foresight import (
    PLAYED,
    SCOUTS,
    Evidence,
    Forecast,
    How,
    Scout,
    nothing_played,
    scout_named,
)
from dicetrail.core.foresight import forecast as foretell
from dicetrail.core.foresight import told as told_of
from dicetrail.core.play import players_refused
from dicetrail.form import SCOUT_FORM
from dicetrail.scouting import Crew, Subject, here, of_cluster, shared_out
from dicetrail.services.app_state import AppState
from dicetrail.services.gathering import gathered
from dicetrail.store import Database, NotFound
from dicetrail.web.evidence.shapes import RunFilter
from dicetrail.web.evidence.views import chosen_by

AsJson = Annotated[bool, typer.Option("--json", help="Print it as JSON.")]
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
    choice = RunFilter(revision=revision, since=since, before=before, player=player)
    with troubles_told():
        app_state = AppState(Database(data))
        try:
            told = gathered(app_state, game, chosen_by(choice), datetime.now(UTC)).evidence
        except NotFound:
            console.print(f"[red]There is no game “{escape(game)}”.[/red]")
            raise typer.Exit(1) from None
        finally:
            app_state.close()
            app_state.database.close()
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
    document, packs, _ = game_named(game, data)
    players = _scouts(scout, settings)
    program = _ready(game, document, packs, len(players))
    told = foretell(program, *players, runs=games)
    _print_forecast(document.title, told, as_json)


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
    document, packs, _ = game_named(game, data)
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
    """The scouts who play, or an exit with the reason why none can."""
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
    """A game that takes this number of players; otherwise exit with the reason."""
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
    for scout, lead in zip((*told.scouts, "nobody, they tie"), told.leads, strict=False):
        console.print(escape(f"ahead at the end: {scout}, {lead:.1%}"))
    console.print(f"questions: {told.questions:.1f} on average")
    if told.ends_most is not None:
        console.print(f"most runs end with question {told.ends_most}")
    console.print(f"length: {told.seconds:.0f} s on average")
    if told.unended > 0.0005:
        console.print(f"left playing: {told.unended:.1%}")
    console.print(f"How it was worked out: {told.why}.")
