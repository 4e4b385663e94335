"""The data of a maker's screens: the strip, score spans, changes, ready games."""

from dicetrail.core.workbench.changes import changes_between
from dicetrail.core.workbench.cue_sheets import CUE_SHEETS, CueSheet
from dicetrail.core.workbench.help import HELP, HelpTopic, help_found
from dicetrail.core.workbench.new_parts import NEW_PARTS
from dicetrail.core.workbench.packs import (
    FactColumn,
    PackRefused,
    columns_named,
    joined,
    parted,
    with_columns,
)
from dicetrail.core.workbench.patterns import (
    PatternLook,
    first_pattern,
    look_at,
    reverse,
    with_first_patterns,
)
from dicetrail.core.workbench.places import PlacedProblem, placed
from dicetrail.core.workbench.preview import PictureDrawn, picture_of, preview
from dicetrail.core.workbench.ready_games import RECIPES, first_game, recipe
from dicetrail.core.workbench.ready_looks import READY_LOOKS, ReadyLook
from dicetrail.core.workbench.renaming import Named, renamed
from dicetrail.core.workbench.strip import (
    DicePreview,
    DrawnQuestion,
    Examined,
    RightPlaces,
    ScoreSpan,
    ScriptWay,
    StopSummary,
    draw_list,
    drawn,
    look_over,
    right_places,
)
from dicetrail.core.workbench.watch import LineRan, Watched, watch
from dicetrail.core.workbench.worked_examples import WORKED_EXAMPLES, WorkedExample

__all__ = [
    "CUE_SHEETS",
    "HELP",
    "NEW_PARTS",
    "READY_LOOKS",
    "RECIPES",
    "WORKED_EXAMPLES",
    "CueSheet",
    "DicePreview",
    "DrawnQuestion",
    "Examined",
    "FactColumn",
    "HelpTopic",
    "LineRan",
    "Named",
    "PackRefused",
    "PatternLook",
    "PictureDrawn",
    "PlacedProblem",
    "ReadyLook",
    "RightPlaces",
    "ScoreSpan",
    "ScriptWay",
    "StopSummary",
    "Watched",
    "WorkedExample",
    "changes_between",
    "columns_named",
    "draw_list",
    "drawn",
    "first_game",
    "first_pattern",
    "help_found",
    "joined",
    "look_at",
    "look_over",
    "parted",
    "picture_of",
    "placed",
    "preview",
    "recipe",
    "renamed",
    "reverse",
    "right_places",
    "watch",
    "with_columns",
    "with_first_patterns",
]
