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
    """The results of surveys in another process, by their subject. One survey runs at a time, so
    that it never keeps a forecast waiting. Pages ask again while they want the result, and the
    newest revision is surveyed then."""

    def __init__(self) -> None:
        self._looks: OrderedDict[Hashable, Future[Examined]] = OrderedDict()
        self._turn = Lock()

    def look(
        self, about: Hashable, at_once: Examined, begin: Callable[[], Future[Examined]]
    ) -> tuple[Examined, bool]:
        """The most complete survey of a game so far, and whether a further one is running.

        `at_once` is the immediate survey. `begin` begins the survey in another process.
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
    """The result, with its faults as warnings, because the game can be in play already."""
    problems = tuple(replace(problem, severity=Severity.WARNING) for problem in found.problems)
    return replace(found, problems=problems)
