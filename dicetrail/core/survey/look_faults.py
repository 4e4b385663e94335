"""Problems of a game's look: colours with too little contrast, music that is missing."""

from collections.abc import Iterator
from dataclasses import fields

from dicetrail.core.document import Colours, Game, Problem, is_colour, meetings, warning
from dicetrail.core.survey.cue_faults import no_such_sound


def look_problems(game: Game) -> Iterator[Problem]:
    """Every problem of a game's look."""
    look = game.look
    for field in fields(Colours):
        colour = getattr(look.colours, field.name)
        if not is_colour(colour):
            what = f"“{colour}” is no colour"
            mend = "write # and six digits or letters from a to f, such as #3f6b4f"
            yield Problem(f"look.colours.{field.name}", what, mend)
    for meeting in meetings(look.colours):
        if not meeting.is_held:
            what = (
                f"{meeting.of} on {meeting.on} has a contrast of {meeting.contrast:.2f} to 1: "
                f"{meeting.what} are hard to see, for they want {meeting.wanted:g} to 1"
            )
            mend = f"make it {meeting.nearest}, the nearest that holds"
            yield warning(f"look.colours.{meeting.of}", what, mend)
    for when in ("opening", "playing", "ending"):
        yield from no_such_sound(f"look.music.{when}", getattr(look.music, when), game)
