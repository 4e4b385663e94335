"""The names in a plain program, and the names that it reserves."""

import builtins
import re

from dicetrail.core import Occasion
from dicetrail.core.rules import COUNTED, HANDLERS
from dicetrail.takeaway.written.layout import WHOLE_PROGRAM

OCCASIONS = {
    Occasion.OPENING: "opening",
    Occasion.SHOWN: "question shown",
    Occasion.RIGHT: "right",
    Occasion.CLOSE: "close",
    Occasion.PARTLY: "partly",
    Occasion.WRONG: "wrong",
    Occasion.LATE: "late",
    Occasion.PASSED: "passed",
    Occasion.HINT: "hint",
    Occasion.LETTER_HIT: "letter_hit",
    Occasion.LETTER_MISS: "letter_miss",
    Occasion.LIFE_LOST: "life lost",
    Occasion.LIFE_WON: "life won",
    Occasion.STREAK: "streak",
    Occasion.ROUND_OVER: "round over",
    Occasion.ENDING: "ending",
}
"""Occasions by their names in the program; a clock's tick and a best score have none there."""
CUED = {
    "opening": (Occasion.OPENING,),
    "shown": (Occasion.SHOWN,),
    "verdict": (
        Occasion.RIGHT,
        Occasion.CLOSE,
        Occasion.PARTLY,
        Occasion.WRONG,
        Occasion.LATE,
        Occasion.PASSED,
    ),
    "hint": (Occasion.HINT,),
    "letter": (Occasion.LETTER_HIT, Occasion.LETTER_MISS),
    "life": (Occasion.LIFE_LOST, Occasion.LIFE_WON),
    "streak": (Occasion.STREAK,),
    "round_over": (Occasion.ROUND_OVER,),
    "ending": (Occasion.ENDING,),
}
FILLED = frozenset({*COUNTED, "number", "round_number", "player_number"})
"""Facts that words can have filled in."""
TAKEN = (frozenset(re.findall(r"\w+", WHOLE_PROGRAM)) | {*dir(builtins)}) - {*HANDLERS}
"""Names that the program needs for itself; it has none of a handler's."""
