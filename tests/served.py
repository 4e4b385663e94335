"""What a server process of the tests runs: `dicetrail serve`, told to print into a pipe.

It is imported once, by the process that new servers are forked from, so that a server is
there at once.
"""

import os
import sys
from pathlib import Path

from dicetrail.cli import app


def serve(pipe: Path, options: tuple[str, ...]) -> None:
    """Serve, as from the command line."""
    sys.stdout = pipe.open("w", buffering=1)
    os.dup2(sys.stdout.fileno(), 1)
    app(["serve", *options])
