"""What a maker's screens show: the strip, score spans, trials, changes, ready games."""

from dicetrail.core.workbench.changes import changes_between
from dicetrail.core.workbench.new_parts import NEW_PARTS
from dicetrail.core.workbench.preview import preview
from dicetrail.core.workbench.ready_games import RECIPES, first_game, recipe
from dicetrail.core.workbench.strip import (
    DrawnQuestion,
    Examined,
    ScoreSpan,
    StopSummary,
    draw_list,
    look_over,
    right_places,
    summaries,
)
from dicetrail.core.workbench.trials import Walks

__all__ = [
    "NEW_PARTS",
    "RECIPES",
    "DrawnQuestion",
    "Examined",
    "ScoreSpan",
    "StopSummary",
    "Walks",
    "changes_between",
    "draw_list",
    "first_game",
    "look_over",
    "preview",
    "recipe",
    "right_places",
    "summaries",
]
