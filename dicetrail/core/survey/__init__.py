"""Find the problems of a game, and every way it can end."""

from dicetrail.core.survey.build import build
from dicetrail.core.survey.cue_faults import sound_problems
from dicetrail.core.survey.looks import (
    MAX_ROWS,
    Edits,
    FactsEdit,
    PackEdit,
    PackLook,
    PackReport,
    RowFault,
    edited,
    edited_pack,
    rebased,
)
from dicetrail.core.survey.question_faults import (
    FieldFault,
    faults,
    first_fault,
    gaps_found,
    missing_medium,
    trimmed,
)
from dicetrail.core.survey.reach import (
    AT_ONCE,
    BESIDE,
    Effort,
    Reach,
    scores_reached,
)
from dicetrail.core.survey.survey import examine, reports_on, survey, within_bounds

__all__ = [
    "AT_ONCE",
    "BESIDE",
    "MAX_ROWS",
    "Edits",
    "Effort",
    "FactsEdit",
    "FieldFault",
    "PackEdit",
    "PackLook",
    "PackReport",
    "Reach",
    "RowFault",
    "build",
    "edited",
    "edited_pack",
    "examine",
    "faults",
    "first_fault",
    "gaps_found",
    "missing_medium",
    "rebased",
    "reports_on",
    "scores_reached",
    "sound_problems",
    "survey",
    "trimmed",
    "within_bounds",
]
