"""Predict what happens when many people play a game, before anybody does."""

from dicetrail.core.foresight.asking import CannotForecast
from dicetrail.core.foresight.calibration import LIKE_THOSE, fitted_scout
from dicetrail.core.foresight.evidence import (
    Asked,
    Evidence,
    EvidenceCount,
    Picked,
    QuestionEvidence,
    Says,
    asked_in,
    evidence_of,
    is_counted,
)
from dicetrail.core.foresight.exact_forecast import ExactForecast
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
from dicetrail.core.foresight.forecast_warnings import forecast_warnings
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
from dicetrail.core.foresight.observations import (
    Observation,
    Playthrough,
    Try,
    observations,
    playthrough,
)
from dicetrail.core.foresight.pages import Otherwise, PageWords, Seen
from dicetrail.core.foresight.playing import played, walked
from dicetrail.core.foresight.run_summary import Borne, RunSummary, borne_out, run_summary
from dicetrail.core.foresight.scouts import SCOUTS, Habit, Own, Scout, scout_named
from dicetrail.core.foresight.suggestions import Sort, Suggestion, suggested
from dicetrail.core.foresight.times import Times
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
    "CannotForecast",
    "CounterShares",
    "EndingShare",
    "Evidence",
    "EvidenceCount",
    "ExactForecast",
    "Forecast",
    "Habit",
    "Held",
    "How",
    "KeptRun",
    "Knob",
    "Lengths",
    "Observation",
    "Otherwise",
    "Own",
    "PageWords",
    "Picked",
    "Played",
    "Playthrough",
    "QuestionEvidence",
    "RunSummary",
    "Says",
    "Scout",
    "Seen",
    "Share",
    "Sort",
    "Suggestion",
    "Times",
    "Try",
    "Turned",
    "ValueShare",
    "Witness",
    "Witnesses",
    "asked_in",
    "borne_out",
    "compared",
    "counted",
    "evidence_of",
    "fitted_scout",
    "forecast",
    "forecast_warnings",
    "is_counted",
    "kept_anew",
    "kept_run",
    "knobs_of",
    "nearest",
    "nothing_played",
    "observations",
    "played",
    "played_again",
    "playthrough",
    "ready_runs",
    "run_summary",
    "sampled",
    "scout_named",
    "suggested",
    "told",
    "turned",
    "values_around",
    "walked",
    "wilson",
    "witnesses",
]
