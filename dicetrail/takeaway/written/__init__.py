"""Write a game as a plain Python program that people can read and run."""

from dicetrail.takeaway.written.refusals import CannotBeWritten, Reason
from dicetrail.takeaway.written.writing import PlainProgram, plain_program

__all__ = ["CannotBeWritten", "PlainProgram", "Reason", "plain_program"]
