"""What a maker's screens show: the strip, score spans, trials, changes, ready games."""

from dicetrail.core.workbench.changes import changes_between
from dicetrail.core.workbench.new_parts import NEW_PARTS
from dicetrail.core.workbench.places import PlacedProblem, placed
from dicetrail.core.workbench.preview import preview
from dicetrail.core.workbench.ready_games import RECIPES, first_game, recipe
from dicetrail.core.workbench.strip import (
    Drawn,
    DrawnQuestion,
    Examined,
    RightPlaces,
    ScoreSpan,
    StopSummary,
    draw_list,
    drawn,
    look_over,
    right_places,
)
from dicetrail.core.workbench.trials import Walks

__all__ = [
    "NEW_PARTS",
    "RECIPES",
    "Drawn",
    "DrawnQuestion",
    "Examined",
    "PlacedProblem",
    "RightPlaces",
    "ScoreSpan",
    "StopSummary",
    "Walks",
    "changes_between",
    "draw_list",
    "drawn",
    "first_game",
    "look_over",
    "placed",
    "preview",
    "recipe",
    "right_places",
]
