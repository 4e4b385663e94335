"""Read each file in a process of its own with limited memory and time.

Files of strangers can be hostile: small archives that unfold without end, texts nested beyond all
depth, numbers that take minutes. So no such file is read in the process that serves players. A
*template* process has imported the readers and waits. For each file it forks a child, which has
limits of memory and time, does one job and ends. If the child ends without an answer, or its result
is no longer wanted, only the child is lost. Parent and child exchange pickles over a socket, one
for each message: first the child's process number, then its progress, and last the result. The
child runs this program's own code, and a job is chosen by its name alone.
"""

from dicetrail.files.sandbox.jobs import BroughtGame, UnpackedFile
from dicetrail.files.sandbox.parent import GivenUp, Sandbox

__all__ = ["BroughtGame", "GivenUp", "Sandbox", "UnpackedFile"]
