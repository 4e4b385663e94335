"""`dicetrail` on the command line."""

import typer

from dicetrail.cli.foreseeing import evidence, forecast, scouts
from dicetrail.cli.leaving import backup, restore, take
from dicetrail.cli.playing import check, play
from dicetrail.cli.printing import game_fields, game_form, new_parts, openapi, pack_form
from dicetrail.cli.serving import development_app, serve

__all__ = ["app", "development_app"]

app = typer.Typer(no_args_is_help=True, add_completion=False, help=__doc__)


@app.callback()
def _program() -> None:
    """Program a quiz game and play it at every step of the making."""


for command in (serve, check, play, take, backup, restore, evidence, forecast, scouts, openapi):
    app.command()(command)
app.command("pack-schema")(pack_form)
app.command("game-schema")(game_form)
app.command("game-fields")(game_fields)
app.command("parts")(new_parts)
