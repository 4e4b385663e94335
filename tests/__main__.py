"""Runs every test, or those under the folders named, and closes with one count."""

import sys
import unittest


def main(names: list[str]) -> int:
    suite = unittest.TestSuite()
    for name in names or [""]:
        start = f"tests/{name}".rstrip("/")
        suite.addTests(unittest.defaultTestLoader.discover(start, top_level_dir="."))
    result = unittest.TextTestRunner(verbosity=1).run(suite)
    failed = len(result.failures) + len(result.errors) + len(result.unexpectedSuccesses)
    skipped = len(result.skipped)
    print(f"{result.testsRun - failed - skipped} passed, {failed} failed, {skipped} skipped")
    return 1 if failed or not result.testsRun else 0


if __name__ == "__main__":
    sys.exit(main(sys.argv[1:]))
