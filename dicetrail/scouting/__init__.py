"""Many runs and forecasts on many cores or machines: the core's work, shared out.

What is worked out is the core's; here it is only handed to whoever has time. A `Crew` is any
executor with `submit`: the processes of this machine, or the workers of a cluster. The runs of
scouts are told by their dice, so the result is the same however many share them.
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
