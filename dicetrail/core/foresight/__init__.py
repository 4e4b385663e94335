"""What will happen when many people play a game, worked out before anybody does."""

from dicetrail.core.foresight.asking import CannotWeigh
from dicetrail.core.foresight.came_of import Borne, CameOf, borne_out, came_of
from dicetrail.core.foresight.evidence import (
    Asked,
    Evidence,
    Of,
    Picked,
    QuestionEvidence,
    Says,
    asked_in,
    evidence_of,
    is_counted,
)
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
from dicetrail.core.foresight.kept import (
    Held,
    KeptRun,
    compared,
    kept_anew,
    kept_run,
    played_again,
    ready_runs,
)
from dicetrail.core.foresight.lengths import Lengths
from dicetrail.core.foresight.likeness import LIKE_THOSE, like_those
from dicetrail.core.foresight.pages import Otherwise, PageWords, Seen
from dicetrail.core.foresight.playing import played, walked
from dicetrail.core.foresight.scouts import SCOUTS, Habit, Own, Scout, scout_named
from dicetrail.core.foresight.sightings import Playthrough, Sighting, Try, playthrough, sightings
from dicetrail.core.foresight.suggestions import Sort, Suggestion, suggested
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
    "LIKE_THOSE",
    "PLAYED",
    "SCOUTS",
    "Asked",
    "Borne",
    "CameOf",
    "CannotWeigh",
    "CounterShares",
    "EndingShare",
    "Evidence",
    "Forecast",
    "Habit",
    "Held",
    "How",
    "KeptRun",
    "Knob",
    "Lengths",
    "Of",
    "Otherwise",
    "Own",
    "PageWords",
    "Picked",
    "Played",
    "Playthrough",
    "QuestionEvidence",
    "Says",
    "Scout",
    "Seen",
    "Share",
    "Sighting",
    "Sort",
    "Suggestion",
    "Times",
    "Try",
    "Turned",
    "ValueShare",
    "Weigher",
    "Witness",
    "Witnesses",
    "asked_in",
    "borne_out",
    "came_of",
    "compared",
    "counted",
    "evidence_of",
    "forecast",
    "foreseen",
    "is_counted",
    "kept_anew",
    "kept_run",
    "knobs_of",
    "like_those",
    "nearest",
    "nothing_played",
    "played",
    "played_again",
    "playthrough",
    "ready_runs",
    "sampled",
    "scout_named",
    "sightings",
    "suggested",
    "told",
    "turned",
    "values_around",
    "walked",
    "wilson",
    "witnesses",
]
