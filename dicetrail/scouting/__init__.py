"""Distribute many runs and forecasts over cores or machines.

The core computes them; this package only assigns the tasks to workers. A `Crew` is any executor
with `submit`: the processes of this machine, or the workers of a cluster. The dice identify the
runs of scouts, so the result is the same for any number of workers.
"""

from dicetrail.scouting.crew import Crew, here, of_cluster
from dicetrail.scouting.work import (
    RUNS_A_TASK,
    Subject,
    foresee,
    foretell,
    foretell_briefly,
    look_deeper,
    look_for_witnesses,
    make_ready_runs,
    play_again,
    play_out,
    shared_out,
)

__all__ = [
    "RUNS_A_TASK",
    "Crew",
    "Subject",
    "foresee",
    "foretell",
    "foretell_briefly",
    "here",
    "look_deeper",
    "look_for_witnesses",
    "make_ready_runs",
    "of_cluster",
    "play_again",
    "play_out",
    "shared_out",
]
