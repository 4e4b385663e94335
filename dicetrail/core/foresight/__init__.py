"""What will happen when many people play a game, worked out before anybody does."""

from dicetrail.core.foresight.asking import CannotWeigh
from dicetrail.core.foresight.forecast import (
    PLAYED,
    CounterShares,
    EndingShare,
    Forecast,
    How,
    Played,
    Share,
    counted,
    forecast,
    nothing_played,
    sampled,
    told,
    wilson,
)
from dicetrail.core.foresight.lengths import Lengths
from dicetrail.core.foresight.playing import played, walked
from dicetrail.core.foresight.scouts import SCOUTS, Habit, Own, Scout, scout_named
from dicetrail.core.foresight.weighing import Weigher

__all__ = [
    "PLAYED",
    "SCOUTS",
    "CannotWeigh",
    "CounterShares",
    "EndingShare",
    "Forecast",
    "Habit",
    "How",
    "Lengths",
    "Own",
    "Played",
    "Scout",
    "Share",
    "Weigher",
    "counted",
    "forecast",
    "nothing_played",
    "played",
    "sampled",
    "scout_named",
    "told",
    "walked",
    "wilson",
]
