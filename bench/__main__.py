"""The benchmarks: each a ratio against a named baseline measured in the same run.

Times are the best of several, alternating with the baseline, so that whatever else the
machine does weighs on both.
"""

import csv
import io
import json
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from time import perf_counter

import yaml
from openpyxl import load_workbook
from rich.console import Console
from rich.table import Table

from dicetrail.core import Pack, Question
from dicetrail.files import WRITERS, read_questions
from dicetrail.store import Database
from dicetrail.store.packs import add_pack
from dicetrail.web.loading import pack_source

ROWS = 100_000
YAML_ROWS = 20_000
"""YAML files are read up to four million signs."""


def questions(rows: int) -> Pack:
    """A pack of this many plain questions."""
    return Pack(
        "Bench",
        tuple(
            Question(
                f"Which of these, number {row}, grows under the ground?",
                (f"Carrot {row}",),
                (f"Pea {row}", f"Runner bean {row}", f"Rhubarb {row}"),
            )
            for row in range(rows)
        ),
    )


def count_csv(content: bytes, sign: str = ",") -> int:
    """The baseline for separated text: decode and split, nothing checked, nothing kept."""
    return sum(1 for _ in csv.reader(io.StringIO(content.decode(), newline=""), delimiter=sign))


def count_xlsx(content: bytes) -> int:
    """The baseline for workbooks: openpyxl's own reading."""
    book = load_workbook(io.BytesIO(content), read_only=True, data_only=True)
    return sum(1 for _ in book.worksheets[0].iter_rows(values_only=True))


PLAIN: dict[str, tuple[str, Callable[[bytes], object]]] = {
    "tsv": ("csv.reader", lambda content: count_csv(content, "\t")),
    "csv": ("csv.reader", count_csv),
    "xlsx": ("openpyxl", count_xlsx),
    "json": ("json.loads", json.loads),
    "yaml": ("CSafeLoader", lambda content: yaml.load(content, Loader=yaml.CSafeLoader)),
}


def best(times: int, *tasks: Callable[[], object]) -> list[float]:
    """The shortest time of each task, in seconds, over alternating runs."""
    shortest = [float("inf")] * len(tasks)
    for _ in range(times):
        for place, task in enumerate(tasks):
            began = perf_counter()
            task()
            shortest[place] = min(shortest[place], perf_counter() - began)
    return shortest


def into_store(content: bytes, database: Database) -> None:
    """Read a file and keep its pack, as loading does."""
    reading = read_questions(content)
    with database.writing() as session:
        pack = Pack("Bench", reading.questions)
        add_pack(session, pack, pack_source("bench", reading), datetime.now(UTC))


def main() -> None:
    """Run every benchmark and print one table."""
    table = Table("benchmark", "rows", "ours, rows/s", "baseline, rows/s", "times as long", "aim")

    def add(name: str, rows: int, plain: str, baseline: float, ours: float, aim: str) -> None:
        speeds = (f"{rows / ours:,.0f}", f"{plain} {rows / baseline:,.0f}")
        table.add_row(name, f"{rows:,}", *speeds, f"{ours / baseline:.1f}", aim)

    content = WRITERS["tsv"][1](questions(ROWS))
    plain, ours = best(5, lambda: count_csv(content, "\t"), lambda: read_questions(content))
    add("read tsv", ROWS, "csv.reader", plain, ours, "6 or less")
    with TemporaryDirectory() as folder:
        database = Database(Path(folder) / "bench.sqlite")
        for ending, (name, read_plainly) in PLAIN.items():
            rows = YAML_ROWS if ending == "yaml" else ROWS
            content = WRITERS[ending][1](questions(rows))
            plain, ours = best(
                2,
                lambda content=content, read=read_plainly: read(content),
                lambda content=content: into_store(content, database),
            )
            add(f"{ending} into the store", rows, name, plain, ours, "")
        database.close()
    Console(width=110).print(table)


if __name__ == "__main__":
    main()
