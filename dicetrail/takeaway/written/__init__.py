"""A game as a plain Python program, to be read as much as to be run."""

from dicetrail.takeaway.written.refusals import CannotBeWritten, Reason
from dicetrail.takeaway.written.writing import PlainProgram, plain_program

__all__ = ["CannotBeWritten", "PlainProgram", "Reason", "plain_program"]
