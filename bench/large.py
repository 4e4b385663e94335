"""How long a maker waits over a pack of 100,000 questions, and others beside them.

`python -m bench.large` serves five games over such a pack, edits a cell of it again and again,
and asks after each edit for what the pages of the games ask for, while players ask how the
server is. It says the longest waits, and fails where one is beyond what is aimed at.
"""

import random
import sys
from collections import defaultdict
from datetime import UTC, datetime
from multiprocessing import get_context
from multiprocessing.queues import SimpleQueue
from multiprocessing.synchronize import Event
from pathlib import Path
from tempfile import TemporaryDirectory
from time import perf_counter, sleep

import httpx2
from rich.console import Console
from rich.table import Table

from dicetrail.core import Details, Draw, DrawOrder, Ending, Game, Pack, Question, Refill, Round
from dicetrail.store import Database, PackSource
from dicetrail.store.games import add_game
from dicetrail.store.packs import add_pack
from tests.server import Server

ROWS, EDITS = 100_000, 20
READING_AHEAD = 6
"""Seconds in which a server that was just started has read large packs."""

MAX_MS = {"an edit": 50, "others": 100}
MAX_MS_ELSE = 300

DRAWS = {
    "shuffled": Draw(),
    "topics": Draw(topics=("roots", "leaves")),
    "weighted": Draw(12, DrawOrder.WEIGHTED),
    "weighted-again": Draw(12, DrawOrder.WEIGHTED, refill=Refill.EACH_TIME),
    "all-easy-first": Draw(None, DrawOrder.EASY_FIRST),
}


def large_pack() -> Pack:
    """The pack, its questions of five levels and three topics."""
    topics = ("roots", "leaves", "fruit")
    return Pack(
        "Large",
        tuple(
            Question(
                f"Which of these, number {row}, grows under the ground?",
                (f"Carrot {row}",),
                (f"Pea {row}", f"Runner bean {row}", f"Rhubarb {row}"),
                details=Details(level=row % 5 + 1, topic=topics[row % 3]),
            )
            for row in range(ROWS)
        ),
    )


def main() -> int:
    """Measure and say so; 1 if somebody waits too long."""
    waits: dict[str, list[float]] = defaultdict(list)
    with TemporaryDirectory() as folder:
        store = Path(folder, "store.sqlite")
        _make_store(store)
        with Server(store) as server:
            sleep(READING_AHEAD)
            _look(server, "first: ", waits)
            elsewhere = get_context("spawn")
            over, told = elsewhere.Event(), elsewhere.SimpleQueue()
            elsewhere.Process(target=_others, args=(server.address, over, told)).start()
            chances = random.Random(3)
            for number in range(EDITS):
                _edit(server, number + 1, chances.randrange(ROWS), waits)
                _look(server, "", waits)
            over.set()
            waits["others"] = told.get()
    grid = Table("what", "median ms", "longest ms", "aim", title=f"{ROWS:,} questions")
    too_long = 0
    for what, seconds in waits.items():
        most = MAX_MS.get(what, MAX_MS_ELSE)
        longest = max(seconds) * 1000
        too_long += longest > most
        median = sorted(seconds)[len(seconds) // 2] * 1000
        grid.add_row(what, f"{median:.0f}", f"{longest:.0f}", str(most))
    Console().print(grid)
    return 1 if too_long else 0


def _make_store(path: Path) -> None:
    now = datetime(2026, 9, 19, tzinfo=UTC)
    database = Database(path)
    with database.writing() as session:
        source = PackSource("large.csv", "commas", None, 0, ())
        add_pack(session, large_pack(), source, now, "large")
        for name, draw in DRAWS.items():
            game = Game(name, (Round("One", ("large",), draw=draw),), (Ending("End", "Over."),))
            add_game(session, game, now, name)
    database.close()


def _look(server: Server, when: str, waits: dict[str, list[float]]) -> None:
    """Ask for what the pages show."""

    def ask(what: str, method: str, path: str, **given: object) -> None:
        began = perf_counter()
        answer = server.http.request(method, path, **given)
        waits[f"{when}{what}"].append(perf_counter() - began)
        answer.raise_for_status()

    ask("shelf", "GET", "/api/games")
    ask("pack", "GET", "/api/packs/large")
    for name in DRAWS:
        ask(f"{name}: game", "GET", f"/api/games/{name}")
        ask(f"{name}: draw", "GET", f"/api/games/{name}/draw?dice=5")
        ask(f"{name}: places", "GET", f"/api/games/{name}/places?dice=5")
        ask(f"{name}: run", "POST", "/api/runs", json={"game_id": name, "dice": 7})


def _edit(server: Server, revision: int, row: int, waits: dict[str, list[float]]) -> None:
    kept = server.http.get(f"/api/packs/large/revisions/{revision}/questions?first={row}&most=1")
    question = kept.json()[0]
    question["prompt"] = f"Number {row} as it is after edit {revision}?"
    change = {"row": row, "remove": 1, "insert": [question]}
    began = perf_counter()
    answer = server.http.post(
        "/api/packs/large/edits", json={"revision": revision, "edits": [change]}
    )
    waits["an edit"].append(perf_counter() - began)
    answer.raise_for_status()


def _others(address: str, over: Event, told: SimpleQueue[list[float]]) -> None:
    waits = []
    with httpx2.Client(base_url=address) as http:
        while not over.is_set():
            began = perf_counter()
            http.get("/api/play/games/shuffled").raise_for_status()
            waits.append(perf_counter() - began)
            sleep(0.02)
    told.put(waits)


if __name__ == "__main__":
    sys.exit(main())
