"""Messages that all commands share."""

from collections.abc import Iterator
from contextlib import contextmanager

import typer
from rich.console import Console
from rich.markup import escape

from dicetrail.files import FileProblem
from dicetrail.store import StoreTrouble

console = Console(highlight=False)


@contextmanager
def troubles_told() -> Iterator[None]:
    """Print one line about the trouble with the store or a file, and exit."""
    try:
        yield
    except (StoreTrouble, FileProblem) as trouble:
        told = str(trouble)
    except OSError as trouble:
        told = f"{trouble.filename or 'a file'}: {trouble.strerror}. Name another place."
    else:
        return
    console.print(f"[red]{escape(told)}[/red]", soft_wrap=True)
    raise typer.Exit(1)
