"""Read question files in open formats without losing a row, and write them."""

from dicetrail.files.answers import (
    AnswersRead,
    PlayedElsewhere,
    read_answers,
    without_names,
    written_lines,
    written_rows,
)
from dicetrail.files.by_hand import with_kind
from dicetrail.files.exporters import ITEM_WRITERS, WRITERS, written
from dicetrail.files.fields import documented
from dicetrail.files.games import (
    FORMAT,
    MAX_KEPT,
    SAYS_WITHIN,
    GameFile,
    game_schema,
    means_a_game,
    read_game,
    written_game,
)
from dicetrail.files.json_yaml import pack_schema
from dicetrail.files.media import Medium, is_bundle, medium, read_bundle
from dicetrail.files.plan import Contents, Format, ImportOptions, Plan, Role, Separator
from dicetrail.files.questions import FileReading, guess, read_questions
from dicetrail.files.sheets import Refusal
from dicetrail.files.templates import TEMPLATE, TEXT_TEMPLATE
from dicetrail.files.text import FileProblem
from dicetrail.standalone.offline_api import ANSWERS

__all__ = [
    "ANSWERS",
    "FORMAT",
    "ITEM_WRITERS",
    "MAX_KEPT",
    "SAYS_WITHIN",
    "TEMPLATE",
    "TEXT_TEMPLATE",
    "WRITERS",
    "AnswersRead",
    "Contents",
    "FileProblem",
    "FileReading",
    "Format",
    "GameFile",
    "ImportOptions",
    "Medium",
    "Plan",
    "PlayedElsewhere",
    "Refusal",
    "Role",
    "Separator",
    "documented",
    "game_schema",
    "guess",
    "is_bundle",
    "means_a_game",
    "medium",
    "pack_schema",
    "read_answers",
    "read_bundle",
    "read_game",
    "read_questions",
    "with_kind",
    "without_names",
    "written",
    "written_game",
    "written_lines",
    "written_rows",
]
