"""Question files, in open formats: reading them without losing a row."""

from dicetrail.files.questions import Reading, Refusal, Separator, read_questions
from dicetrail.files.text import MOST_BYTES, FileProblem

__all__ = ["MOST_BYTES", "FileProblem", "Reading", "Refusal", "Separator", "read_questions"]
