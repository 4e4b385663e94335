"""Question files, in open formats: reading them without losing a row, and writing them."""

from dicetrail.files.plan import Format, Plan, Role, Separator
from dicetrail.files.questions import Reading, first_rows, guess, read_questions
from dicetrail.files.sheets import Refusal
from dicetrail.files.templates import TEMPLATE
from dicetrail.files.text import MOST_BYTES, FileProblem
from dicetrail.files.writing import WRITERS

__all__ = [
    "MOST_BYTES",
    "TEMPLATE",
    "WRITERS",
    "FileProblem",
    "Format",
    "Plan",
    "Reading",
    "Refusal",
    "Role",
    "Separator",
    "first_rows",
    "guess",
    "read_questions",
]
