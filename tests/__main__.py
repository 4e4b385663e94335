"""Runs every test, or those under the folders named, and closes with one count.

Test classes run side by side, one more than there are cores, for some of the time they wait;
the longest kinds first. Each that needs a server or a browser has its own.
"""

import io
import os
import sys
import time
import unittest
from collections.abc import Iterator
from concurrent.futures import ProcessPoolExecutor, as_completed
from dataclasses import dataclass

FIRST = ("tests.browser", "tests.core.test_laws", "tests.core", "tests.web")
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


def main(names: list[str]) -> int:
    """Run the tests under some folders of `tests`, or one class or test by its dotted name."""
    classes = sorted({name for given in names or [""] for name in _classes(given)}, key=_turn)
    outcomes = []
    with ProcessPoolExecutor(max_workers=1 + (os.cpu_count() or 1)) as pool:
        for done in as_completed([pool.submit(_run, name) for name in classes]):
            outcome = done.result()
            outcomes.append(outcome)
            mark = "FAILED" if outcome.failed else "ok"
            print(f"{outcome.name}: {outcome.ran} {mark}, {outcome.seconds:.1f} s", flush=True)
            if outcome.told:
                print(outcome.told, flush=True)
    ran, failed, skipped = (
        sum(getattr(outcome, name) for outcome in outcomes) for name in ("ran", "failed", "skipped")
    )
    print(f"{ran - failed - skipped} passed, {failed} failed, {skipped} skipped")
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


def _run(name: str) -> Outcome:
    began = time.monotonic()
    suite = unittest.defaultTestLoader.loadTestsFromName(name)
    out = io.StringIO()
    result = unittest.TextTestRunner(out, verbosity=0).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    told = out.getvalue() if failed else ""
    # What fails before a class's first test counts as a test that failed.
    ran = max(result.testsRun, failed)
    return Outcome(name, ran, failed, len(result.skipped), told, time.monotonic() - began)


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
