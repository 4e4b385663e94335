"""What will happen when many people play a game, worked out before anybody does."""

from dicetrail.core.foresight.forecast import (
    PLAYED,
    CounterShares,
    EndingShare,
    Forecast,
    Share,
    forecast,
    sampled,
    wilson,
)
from dicetrail.core.foresight.playing import played
from dicetrail.core.foresight.scouts import SCOUTS, Scout, scout_named
from dicetrail.core.foresight.weighing import CannotWeigh, Weigher

__all__ = [
    "PLAYED",
    "SCOUTS",
    "CannotWeigh",
    "CounterShares",
    "EndingShare",
    "Forecast",
    "Scout",
    "Share",
    "Weigher",
    "forecast",
    "played",
    "sampled",
    "scout_named",
    "wilson",
]
