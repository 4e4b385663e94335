"""What will happen when many people play a game, worked out before anybody does."""

from dicetrail.core.foresight.asking import CannotWeigh
from dicetrail.core.foresight.evidence import Evidence, QuestionEvidence, Says, evidence_of
from dicetrail.core.foresight.forecast import (
    PLAYED,
    CounterShares,
    EndingShare,
    Forecast,
    How,
    Played,
    Share,
    ValueShare,
    counted,
    forecast,
    nothing_played,
    sampled,
    told,
    wilson,
)
from dicetrail.core.foresight.foreseen import foreseen
from dicetrail.core.foresight.lengths import Lengths
from dicetrail.core.foresight.playing import played, walked
from dicetrail.core.foresight.scouts import SCOUTS, Habit, Own, Scout, scout_named
from dicetrail.core.foresight.sightings import Sighting, sightings
from dicetrail.core.foresight.times import Times
from dicetrail.core.foresight.weighing import Weigher
from dicetrail.core.foresight.what_if import (
    Knob,
    Turned,
    knobs_of,
    nearest,
    turned,
    values_around,
)
from dicetrail.core.foresight.witness import Witness, Witnesses, witnesses

__all__ = [
    "PLAYED",
    "SCOUTS",
    "CannotWeigh",
    "CounterShares",
    "EndingShare",
    "Evidence",
    "Forecast",
    "Habit",
    "How",
    "Knob",
    "Lengths",
    "Own",
    "Played",
    "QuestionEvidence",
    "Says",
    "Scout",
    "Share",
    "Sighting",
    "Times",
    "Turned",
    "ValueShare",
    "Weigher",
    "Witness",
    "Witnesses",
    "counted",
    "evidence_of",
    "forecast",
    "foreseen",
    "knobs_of",
    "nearest",
    "nothing_played",
    "played",
    "sampled",
    "scout_named",
    "sightings",
    "told",
    "turned",
    "values_around",
    "walked",
    "wilson",
    "witnesses",
]
