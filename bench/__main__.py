"""The benchmarks: each a ratio against a named baseline measured in the same run.

Times are the best of several, alternating with the baseline, so that whatever else the
machine does weighs on both.
"""

import csv
import io
from collections.abc import Callable
from time import perf_counter

from rich.console import Console
from rich.table import Table

from dicetrail.files import read_questions

ROWS = 100_000
TIMES = 5


def question_file() -> bytes:
    """A tab-separated question file of ROWS rows."""
    rows = (
        f"Which of these, number {row}, grows under the ground?\tCarrot {row}\tPea {row}\t"
        f"Runner bean {row}\tRhubarb {row}\n"
        for row in range(ROWS)
    )
    return "".join(rows).encode()


def plain_rows(content: bytes) -> int:
    """The baseline: decode and split, nothing checked and nothing kept."""
    text = io.StringIO(content.decode(), newline="")
    return sum(1 for _ in csv.reader(text, delimiter="\t"))


def best(*tasks: Callable[[], object]) -> list[float]:
    """The shortest time of each task, in seconds, over TIMES alternating runs."""
    shortest = [float("inf")] * len(tasks)
    for _ in range(TIMES):
        for place, task in enumerate(tasks):
            began = perf_counter()
            task()
            shortest[place] = min(shortest[place], perf_counter() - began)
    return shortest


def main() -> None:
    """Run every benchmark and print one table."""
    content = question_file()
    baseline, ours = best(lambda: plain_rows(content), lambda: read_questions(content))
    table = Table("benchmark", "ours", "baseline", "ratio", "aim")
    table.add_row(
        f"read {ROWS:,} rows",
        f"{ROWS / ours:,.0f} rows/s",
        f"csv.reader {ROWS / baseline:,.0f} rows/s",
        f"{ours / baseline:.1f} times as long",
        "6 or less",
    )
    Console().print(table)


if __name__ == "__main__":
    main()
