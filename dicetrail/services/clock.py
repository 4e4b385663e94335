"""The server's time for deadlines: it never goes back, whatever the host's clock does.

The host's clock is read once, as the process starts. From then on time passes by a clock that
nobody sets (CLOCK_BOOTTIME where there is one, which goes on while a machine sleeps). Across a
restart the store knows how late it was: what was kept last is not before now.
"""

import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from threading import Lock

from dicetrail.store import Database, latest_moment

Clock = Callable[[], datetime]

MAX_AHEAD = timedelta(days=1)
"""The latest time in a store that is believed. A later one comes from a wrong clock of the host, or
from a store that somebody made."""


def _passed() -> float:
    """The seconds since a fixed moment. A change of the host's clock does not change them."""
    boot = getattr(time, "CLOCK_BOOTTIME", None)
    return time.monotonic() if boot is None else time.clock_gettime(boot)


def steady_clock(
    database: Database,
    wall: Clock = lambda: datetime.now(UTC),
    passed: Callable[[], float] = _passed,
) -> Clock:
    """The time from now on. `wall` is the host's clock; `passed` tells seconds since any moment."""
    with database.reading() as session:
        known = latest_moment(session)
    started = wall()
    if known is not None and started < known <= started + MAX_AHEAD:
        started = known
    begun = passed()
    return lambda: started + timedelta(seconds=passed() - begun)


def never_back(clock: Clock) -> Clock:
    """A clock that continues from its last time if the clock below it is set back."""
    turn = Lock()
    last, ahead = clock(), timedelta()

    def now() -> datetime:
        nonlocal last, ahead
        with turn:
            told = clock()
            ahead += max(timedelta(), last - told)
            last = told
            return told + ahead

    return now
