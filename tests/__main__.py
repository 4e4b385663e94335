"""Runs the tests, or those under the folders named, and closes with one count.

`python -m tests` leaves out the exhaustive ones, `--rest` runs those alone, and `--all` every
test. `--rest` and `--all` try properties on fresh random examples: the seed is printed, `SEED=...`
repeats them, and an example that fails is kept in `.make/examples`. A single class or test, by its
dotted name, is run whatever it is.

`MINUTES=...` begins no test after so many minutes and tells how many were left; then the order is
another each time, so that the tests left are too. Without it every test is run.

Test classes run side by side, one more than there are cores, for some of the time they wait;
the longest kinds first. Each that needs a server or a browser has its own.
"""

import io
import os
import secrets
import sys
import time
import unittest
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor, as_completed
from dataclasses import dataclass
from functools import partial
from typing import Any

from tests.exhaustive import is_exhaustive

FIRST = ("tests.browser", "tests.attack", "tests.web.test_interface", "tests.core", "tests.web")
"""What takes longest, by the beginnings of names."""


@dataclass(frozen=True)
class Outcome:
    """What came of the tests of a class."""

    name: str
    ran: int
    failed: int
    skipped: int
    told: str
    seconds: float
    took: list[tuple[float, str]]
    """The seconds of each test."""
    left: int
    """How many tests were not begun, for time was up."""


SLOWEST = 10
"""So many of the slowest tests are told."""


def main(given: list[str]) -> int:
    """Run the tests under some folders of `tests`, or one class or test by its dotted name."""
    names = [name for name in given if not name.startswith("--")] or [""]
    which = next((name for name in given if name.startswith("--")), "--quick")
    if which != "--quick":
        seed = os.environ.setdefault("SEED", str(secrets.randbelow(10**9)))
        print(f"Random examples by SEED={seed}", flush=True)
    classes = sorted({name for one in names for name in _classes(one)}, key=_turn)
    outcomes = []
    began = time.monotonic()
    minutes = os.environ.get("MINUTES")
    until = None if minutes is None else began + 60 * float(minutes)
    if until is not None:
        secrets.SystemRandom().shuffle(classes)
        classes.sort(key=lambda name: _turn(name)[0])
    with ProcessPoolExecutor(max_workers=1 + (os.cpu_count() or 1)) as pool:
        for done in as_completed(
            [
                pool.submit(_run, name, "--all" if name in names else which, until)
                for name in classes
            ]
        ):
            outcome = done.result()
            outcomes.append(outcome)
            if not outcome.ran:
                continue
            mark = "FAILED" if outcome.failed else "ok"
            print(f"{outcome.name}: {outcome.ran} {mark}, {outcome.seconds:.1f} s", flush=True)
            if outcome.told:
                print(outcome.told, flush=True)
    slowest = sorted((test for outcome in outcomes for test in outcome.took), reverse=True)
    print(f"The slowest of {time.monotonic() - began:.0f} s:")
    for seconds, test in slowest[:SLOWEST]:
        print(f"{seconds:7.1f} s  {test}")
    ran, failed, skipped = (
        sum(getattr(outcome, name) for outcome in outcomes) for name in ("ran", "failed", "skipped")
    )
    left = sum(outcome.left for outcome in outcomes)
    late = f", {left} not begun in {minutes} minutes" if left else ""
    print(f"{ran - failed - skipped} passed, {failed} failed, {skipped} skipped{late}")
    return 1 if failed or not ran else 0


def _classes(given: str) -> Iterator[str]:
    """The dotted names of the test classes a folder has, or the one name given."""
    if given.startswith("tests."):
        yield given
        return
    start = f"tests/{given}".rstrip("/")
    waiting = [unittest.defaultTestLoader.discover(start, top_level_dir=".")]
    while waiting:
        found = waiting.pop()
        if isinstance(found, unittest.TestSuite):
            waiting += list(found)
        elif type(found).__module__ == "unittest.loader":
            yield found.id().partition("_FailedTest.")[2]  # a module that cannot be imported
        else:
            yield f"{type(found).__module__}.{type(found).__qualname__}"


def _turn(name: str) -> tuple[int, str]:
    places = (place for place, start in enumerate(FIRST) if name.startswith(start))
    return next(places, len(FIRST)), name


class _Timed(unittest.TextTestResult):
    """A result that also holds how long each test took."""

    def __init__(self, *given: Any, until: float | None, **named: Any) -> None:
        super().__init__(*given, **named)
        self.took: list[tuple[float, str]] = []
        self._until = until
        self._began = 0.0

    def startTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        """A test begins."""
        self._began = time.monotonic()
        super().startTest(test)

    def stopTest(self, test: unittest.TestCase) -> None:  # noqa: N802
        """A test has ended."""
        super().stopTest(test)
        self.took.append((time.monotonic() - self._began, test.id().removeprefix("tests.")))
        if _is_past(self._until):
            self.stop()


def _is_past(until: float | None) -> bool:
    """Whether no other test is to begin."""
    return until is not None and time.monotonic() > until


def _run(name: str, which: str, until: float | None) -> Outcome:
    began = time.monotonic()
    suite = unittest.TestSuite(_wanted(unittest.defaultTestLoader.loadTestsFromName(name), which))
    out = io.StringIO()
    wanted = suite.countTestCases()
    runner = unittest.TextTestRunner(out, verbosity=0, resultclass=partial(_Timed, until=until))
    if _is_past(until):
        return Outcome(name, 0, 0, 0, "", 0, [], wanted)
    result = runner.run(suite)
    assert isinstance(result, _Timed)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    told = out.getvalue() if failed else ""
    # What fails before a class's first test counts as a test that failed.
    ran = max(result.testsRun, failed)
    seconds = time.monotonic() - began
    left = wanted - result.testsRun if result.shouldStop else 0
    return Outcome(name, ran, failed, len(result.skipped), told, seconds, result.took, left)


def _wanted(found: unittest.TestSuite, which: str) -> Iterator[unittest.TestCase]:
    """The tests of a suite that are run; one that cannot be loaded always is."""
    for test in found:
        if isinstance(test, unittest.TestSuite):
            yield from _wanted(test, which)
        elif (
            which == "--all"
            or type(test).__module__ == "unittest.loader"
            or is_exhaustive(test) == (which == "--rest")
        ):
            yield test


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
