"""Check a game, and play it in the terminal."""

import json
import secrets
from collections.abc import Sequence
from dataclasses import asdict
from typing import Annotated

import typer
from rich.markup import escape

from dicetrail.cli.named import DEFAULT_DATA, Data, GameNamed, game_named
from dicetrail.cli.told import console
from dicetrail.core import GameProblems, Program, Severity, build, survey
from dicetrail.core.document import counted
from dicetrail.core.draw import HIGHEST_DICE
from dicetrail.core.foresight import (
    KeptRun,
    forecast_warnings,
    played_again,
)
from dicetrail.standalone.terminal import play as play_run
from dicetrail.standalone.terminal import standard_lines
from dicetrail.terminal import RichScreen


def check(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    kept: Annotated[
        bool, typer.Option("--kept", help="Play its kept runs again and tell which hold.")
    ] = False,
    form: Annotated[
        str, typer.Option("--format", help="words, or json with the path of each place.")
    ] = "words",
) -> None:
    """Print everything that is wrong with a game, each with its place and a mend."""
    if form not in ("words", "json"):
        console.print("[red]There is no such format.[/red] Write words or json.")
        raise typer.Exit(2)
    document, packs, runs = game_named(game, data)
    problems = survey(document, packs)
    if not any(problem.severity is Severity.FAULT for problem in problems):
        problems = (*problems, *forecast_warnings(build(document, packs, recall={})))
    if form == "json":
        typer.echo(json.dumps([asdict(problem) for problem in problems], indent=2))
        raise typer.Exit(any(problem.severity is Severity.FAULT for problem in problems))
    for problem in problems:
        colour = "red" if problem.severity is Severity.FAULT else "yellow"
        console.print(f"[{colour}]{problem.severity}[/] {escape(problem.place)}")
        console.print(f"  {escape(problem.what)}; {escape(problem.mend)}")
    faults = sum(problem.severity is Severity.FAULT for problem in problems)
    warnings = len(problems) - faults
    console.print(f"{faults} faults, {warnings} warnings.")
    if faults:
        raise typer.Exit(1)
    if kept and not _all_hold(build(document, packs), runs):
        raise typer.Exit(1)


def _all_hold(program: Program, runs: Sequence[KeptRun]) -> bool:
    """Whether every kept run still holds; prints the differences of the others."""
    changed = 0
    for run in runs:
        held = played_again(program, run)
        if not held.holds:
            changed += 1
            console.print(f"[red]changed[/red] {escape(run.name)}, step {held.step}, {held.stop}")
            console.print(f"  {escape(held.what)}")
            for other in held.said:
                if other.words != held.what:
                    console.print(f"  step {other.step}: {escape(other.words)}")
    console.print(f"{len(runs) - changed} of {counted(len(runs), 'kept run')} hold.")
    return not changed


def play(
    game: GameNamed,
    data: Data = DEFAULT_DATA,
    dice: Annotated[
        int | None, typer.Option(min=0, max=HIGHEST_DICE, help="Without it, new dice are rolled.")
    ] = None,
    player: Annotated[list[str] | None, typer.Option(help="A player's name; repeat it.")] = None,
) -> None:
    """Play a game in this terminal, with its clocks."""
    document, packs, _ = game_named(game, data)
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
