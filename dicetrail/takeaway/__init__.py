"""Export a game: a folder for any web space, one file for a terminal, a program to read."""

from dicetrail.takeaway.folder import (
    NotBuilt,
    folder,
    is_fetched,
    is_of_engine,
    is_of_media,
    package,
    packed,
)
from dicetrail.takeaway.leaving import Leaving, leaving
from dicetrail.takeaway.program import program_file
from dicetrail.takeaway.written import CannotBeWritten, PlainProgram, Reason, plain_program

__all__ = [
    "CannotBeWritten",
    "Leaving",
    "NotBuilt",
    "PlainProgram",
    "Reason",
    "folder",
    "is_fetched",
    "is_of_engine",
    "is_of_media",
    "leaving",
    "package",
    "packed",
    "plain_program",
    "program_file",
]
