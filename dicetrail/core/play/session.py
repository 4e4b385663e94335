"""A player's run as a host keeps it: which inputs it takes, and when they count from.

The server and the folder that is taken away both host runs. Both decide here; they add only their
clock and the place where they keep the inputs.
"""

from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import NamedTuple

from dicetrail.core.document import Number, record
from dicetrail.core.play.engine import answered, start, step
from dicetrail.core.play.footprints import Answered, Result, What
from dicetrail.core.play.program import Program
from dicetrail.core.play.state import Action, Answer, Input, Listen, Moment, State, Wait

MAX_INPUTS = 5_000
"""A run takes at most this many inputs; the longest games need a few hundred."""

MAX_TEXT = 100_000
"""At most this many characters of answers are kept of one run."""

MAX_UNREAD, LONGEST_UNREAD = 20, 200
"""This many unreadable answers in a row are kept, and none with more characters. The player is
told about others, and they are not kept: they change nothing."""


class StaleRun(ValueError):
    """An input was meant for an earlier moment of its run. It was not taken."""

    def __init__(self, seen: int, taken: int) -> None:
        self.seen = seen
        self.taken = taken
        super().__init__(f"meant to follow {seen} inputs, but {taken} are there")


class RunIsFull(ValueError):
    """A run has all the inputs or characters that it can have. The input was not taken."""

    def __init__(self) -> None:
        super().__init__("This run has taken all that a run can. Begin a new one.")


@record
class Session:
    """A run after the inputs that are kept of it."""

    seen: int
    """How many inputs are kept."""
    state: State
    answered: tuple[Answered, ...] = ()
    text: int = 0
    """The characters of all its answers."""
    unread: int = 0
    """How many unreadable answers came last."""


class Taken(NamedTuple):
    """What an input did to a session."""

    session: Session
    moment: Moment
    is_kept: bool
    """Whether the input is part of the run. If not, the session is as it was."""


def new_session(
    program: Program, dice: int, players: Sequence[str], best: Number | None = None
) -> Session:
    """The session of a run before its first input. Raises ValueError as `start` does."""
    return Session(0, start(program, dice, players, best=best).state)


def continued(program: Program, session: Session, inputs: Iterable[Input]) -> Session:
    """The session after inputs that were kept before."""
    for given in inputs:
        moment = step(program, session.state, given.action, given.at)
        session = _with(session, given, moment)
    return session


def time_of_input(
    session: Session, arrived: int, said: int | None, shown: int = 0, delay: int | None = None
) -> int:
    """The time from which an input counts, in milliseconds of the run.

    It arrived at `arrived` by the host's clock. The player's page says when it was done; the host
    believes that up to `delay` milliseconds back (without limit if None), but never before the
    time when the player was last `shown` something, so nobody gains an answer by it.

    >>> from dicetrail.core.play.state import Setup
    >>> waiting = Session(0, State(Setup(7, ("Player",)), 1000, ()))
    >>> time_of_input(waiting, arrived=9000, said=8900, delay=300)
    8900
    >>> time_of_input(waiting, arrived=9000, said=2000, delay=300)
    8700
    >>> time_of_input(waiting, arrived=9000, said=8900, shown=8950, delay=300)
    8950
    """
    earliest = 0 if delay is None else arrived - delay
    done = arrived if said is None else min(arrived, said)
    return max(session.state.at, shown, earliest, done)


def check_seen(session: Session, seen: int) -> None:
    """Raise StaleRun unless a player who has seen this many inputs has seen all."""
    if seen != session.seen:
        raise StaleRun(seen, session.seen)


def taken(program: Program, session: Session, given: Input) -> Taken:
    """Take the next input.

    An input is not kept if it is refused, if it is one unreadable answer too many, or if it lets
    time pass and nothing happens. Raises RunIsFull.
    """
    moment = step(program, session.state, given.action, given.at)
    after = _with(session, given, moment)
    if brings_nothing(given.action, moment) or _is_noise(after, given):
        return Taken(session, moment, False)
    if after.seen > MAX_INPUTS or after.text > MAX_TEXT:
        raise RunIsFull
    return Taken(after, moment, True)


def now_at(program: Program, state: State, elapsed: int) -> Moment:
    """A run as it is now: countdowns that have ended since its last input count. `elapsed` is the
    milliseconds since it began."""
    return step(program, state, Wait(), max(state.at, elapsed))


def brings_nothing(action: Action, moment: Moment) -> bool:
    """Whether a run is the same without an action: only time passed, or it was refused."""
    footprints = moment.footprints
    if isinstance(action, Wait | Listen) and not footprints:
        return True
    return any(footprint.what is What.REFUSED for footprint in footprints)


def _with(session: Session, given: Input, moment: Moment) -> Session:
    result = moment.state.question.result
    is_unread = result is Result.UNREADABLE and isinstance(given.action, Answer)
    return replace(
        session,
        seen=session.seen + 1,
        state=moment.state,
        answered=session.answered + answered((moment,)),
        text=session.text + _length(given),
        unread=session.unread + 1 if is_unread else 0,
    )


def _is_noise(after: Session, given: Input) -> bool:
    """Whether an unreadable answer is one too many, or too long."""
    return after.unread > MAX_UNREAD or (after.unread > 0 and _length(given) > LONGEST_UNREAD)


def _length(given: Input) -> int:
    return len(str(given.action.value)) if isinstance(given.action, Answer) else 0
