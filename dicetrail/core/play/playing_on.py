"""Playing on for a player: question after question, to be right, wrong, late or passed."""

from dicetrail.core.play.answering import Intent, next_input
from dicetrail.core.play.engine import step
from dicetrail.core.play.program import Program
from dicetrail.core.play.state import Input, Moment, Phase

MAX_INPUTS_AT_ONCE = 1500
"""So many inputs are given on the player's behalf at once, at most."""

_WORDS = {
    Intent.LATE: "answered too late: it has no clock",
    Intent.PARTLY: "answered partly right: no question here is right in part",
    Intent.PASSED: "passed: the round does not allow it",
    Intent.RIGHT: "answered",
    Intent.WRONG: "answered",
}


class CannotPlayOn(ValueError):
    """The question in play cannot have the wanted result. The text says why."""


def play_on(
    program: Program, moment: Moment, intent: Intent, questions: int | None, at: int
) -> tuple[tuple[Input, ...], tuple[Moment, ...]]:
    """The inputs, from `at` milliseconds on, by which so many questions come out as is
    wanted, and the moments they make. None plays to the end of the run, and takes its time:
    the clocks of the round and the game may run out.

    Raises CannotPlayOn if the first of them cannot come out so.
    """
    inputs: list[Input] = []
    moments: list[Moment] = []
    done = 0
    while len(inputs) < MAX_INPUTS_AT_ONCE:
        state = moment.state
        is_asking = state.phase is Phase.ASKING
        if done == questions and (is_asking or done):
            break
        given = next_input(program, state, intent, at, hurries=questions is not None)
        if given is None:
            if is_asking and not done:
                raise CannotPlayOn(f"This question cannot be {_WORDS[intent]}.")
            break
        done += is_asking
        inputs.append(given)
        moment = step(program, state, given.action, given.at)
        moments.append(moment)
        at = given.at
    return tuple(inputs), tuple(moments)
