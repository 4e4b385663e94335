"""Files read aside: in a process of its own for each, which has little to spend.

A reader of files meets whatever anybody made: small archives that unfold without end, texts
nested beyond all depth, numbers that take minutes. So no such file is read in the process
that serves players. A *template* process has imported the readers and waits; for each file
it forks a child, which may use so much memory and time, does one job and ends. If it ends
without an answer, or is not wanted any more, nothing is lost but the child.

Parent and child talk over a socket of their own in pickles, one a message: first the child's
process number, then how far it is, and last what came of it. The child is this program's
own, given a job by its name alone.
"""

from dicetrail.files.sandbox.jobs import BroughtGame, UnpackedFile
from dicetrail.files.sandbox.parent import GivenUp, Sandbox

__all__ = ["BroughtGame", "GivenUp", "Sandbox", "UnpackedFile"]
