"""Survey games in another process if they have too many ways to end for an immediate answer."""

from collections import OrderedDict
from collections.abc import Callable, Hashable
from concurrent.futures import CancelledError, Future
from dataclasses import replace
from threading import Lock

from dicetrail.core import Severity
from dicetrail.core.workbench import Examined

MAX_KEPT = 64


class Deeper:
    """What was found out beside, by what it is about. One look is taken at a time, so that it
    never keeps a forecast waiting: whoever still wants to know asks again, and the newest
    revision is then the one looked at."""

    def __init__(self) -> None:
        self._looks: OrderedDict[Hashable, Future[Examined]] = OrderedDict()
        self._turn = Lock()

    def look(
        self, about: Hashable, at_once: Examined, begin: Callable[[], Future[Examined]]
    ) -> tuple[Examined, bool]:
        """The most that is known of a game, and whether more is still being worked out.

        `at_once` is what was known at once; `begin` begins the look beside.
        """
        with self._turn:
            task = self._looks.get(about)
            if task is None:
                if any(not other.done() for other in self._looks.values()):
                    return at_once, True
                task = self._looks[about] = begin()
                while len(self._looks) > MAX_KEPT:
                    self._looks.popitem(last=False)
        if not task.done():
            return at_once, True
        try:
            return _as_warnings(task.result()), False
        except (CancelledError, OSError, RuntimeError):
            return at_once, False


def _as_warnings(found: Examined) -> Examined:
    """What was found, with its faults as warnings: the game may be played by now."""
    problems = tuple(replace(problem, severity=Severity.WARNING) for problem in found.problems)
    return replace(found, problems=problems)
