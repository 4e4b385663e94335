"""Question files, in open formats: reading them without losing a row, and writing them."""

from dicetrail.files.plan import Format, Plan, Role, Separator
from dicetrail.files.questions import Reading, guess, read_questions
from dicetrail.files.sheets import Refusal
from dicetrail.files.text import MOST_BYTES, FileProblem
from dicetrail.files.writing import WRITERS

__all__ = [
    "MOST_BYTES",
    "WRITERS",
    "FileProblem",
    "Format",
    "Plan",
    "Reading",
    "Refusal",
    "Role",
    "Separator",
    "guess",
    "read_questions",
]
