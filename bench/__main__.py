"""The benchmarks: each a ratio against a named baseline measured in the same run.

Times are the best of several, alternating with the baseline, so that whatever else the
machine does weighs on both.
"""

import csv
import io
import json
import random
from collections.abc import Callable, Iterator
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from time import perf_counter

import yaml
from openpyxl import load_workbook
from rich.console import Console
from rich.table import Table

from bench.games import Games
from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Continue,
    Draw,
    Ending,
    Facts,
    Game,
    Moment,
    Moves,
    Outcome,
    Pack,
    Pattern,
    Phase,
    Question,
    Refill,
    Round,
    State,
    To,
    Way,
    build,
    settle,
    start,
    step,
)
from dicetrail.core.rules import Event, rules_of
from dicetrail.files import WRITERS, read_questions
from dicetrail.services.loads import pack_source
from dicetrail.store import Database
from dicetrail.store.packs import add_pack

ROWS = 100_000
YAML_ROWS = 20_000
"""YAML files are read up to four million characters."""


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


def count_csv(content: bytes, character: str = ",") -> int:
    """The baseline for separated text: decode and split, nothing checked, nothing kept."""
    return sum(
        1 for _ in csv.reader(io.StringIO(content.decode(), newline=""), delimiter=character)
    )


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


UP_AND_DOWN = """
score = 15

def right():
    score += 5

def wrong():
    score -= 5
"""
COMBO = """
score = 0
lives = 3
combo = 0

def right():
    combo += 1
    score += worth + seconds_left // 2
    if combo == 3:
        score += 5
        combo = 0

def wrong():
    combo = 0
    if tries_left == 0:
        lives -= 1
"""
SETTLED = 100_000
STEPS = 10_000
GAMES = 100_000
VISITED = 200


def game(script: str, *endings: Ending) -> Game:
    """An endless game with these rules, twenty seconds a question."""
    draw = Draw(None, refill=Refill.WHEN_EMPTY)
    rounds = (Round("Bench", ("bench",), draw=draw, ask=Ask(seconds=20)),)
    return Game("Bench", rounds, (*endings, Ending("Rest", "")), script)


def settle_many() -> None:
    """So many outcomes of a game with lives, a combo and points for seconds left."""
    right, wrong = Outcome(Event.RIGHT, seconds_left=12), Outcome(Event.WRONG)
    for _ in range(SETTLED // 2):
        after = settle(COMBO_RULES, COMBO_RULES.first, right)
        settle(COMBO_RULES, after.tally, wrong)


LIVES = Ending("Out", "", at_most=0, counts="lives", at_once=True)
COMBO_RULES = rules_of(game(COMBO, LIVES))


COMBO_PROGRAM = build(game(COMBO, LIVES), {"bench": questions(30)}, recall={})


def step_many(tell: Callable[[Moment], object]) -> None:
    """So many steps of the same game, with checking and clocks."""
    first = step(COMBO_PROGRAM, start(COMBO_PROGRAM, 7).state, Begin(), 0).state
    state, at = first, 0
    for _ in range(STEPS // 2):
        at += 1000
        for action in (Answer(1), Continue()):
            moment = step(COMBO_PROGRAM, state, action, at)
            tell(moment)
            state = moment.state
        if state.phase is Phase.ENDED:
            state, at = first, 0


def visiting() -> tuple[Callable[[], None], Callable[[], None]]:
    """Two hundred steps of a game that goes from round to round for ever: its first ones, and
    those after two thousand visits."""
    there = Moves(right=Way(To.ROUND, "B"), wrong=Way(To.ROUND, "B"))
    back = Moves(right=Way(To.ROUND, "A"), wrong=Way(To.ROUND, "A"))
    rounds = (Round("A", ("bench",), moves=there), Round("B", ("bench",), moves=back))
    program = build(
        Game("Bench", rounds, (Ending("Rest", ""),)), {"bench": questions(30)}, recall={}
    )

    def go(state: State, steps: int) -> State:
        for _ in range(steps // 2):
            state = step(program, state, Answer(1), state.at + 1000).state
            state = step(program, state, Continue(), state.at).state
        return state

    first = step(program, start(program, 7).state, Begin(), 0).state
    late = go(first, 4000)
    return lambda: void(go(first, VISITED)), lambda: void(go(late, VISITED))


def void(_: object) -> None:
    """Nothing of it is wanted but its time."""


def play_many() -> int:
    """So many games from 15, up and down by 5, won at 30 and lost at 0, through `settle`."""
    ends = (Ending("Won", "", 30, at_once=True), Ending("Lost", "", None, 0, at_once=True))
    games = Games(rules_of(game(UP_AND_DOWN, *ends)), (Outcome(Event.WRONG), Outcome(Event.RIGHT)))
    picks = picked(random.Random(7).random)
    return sum(games.play(picks) == -1 for _ in range(GAMES))


def picked(chances: Callable[[], float]) -> Iterator[int]:
    """Right or wrong, as chance has it."""
    while True:
        yield 1 if chances() < 0.55 else 0


def loop_many() -> int:
    """The same games, as one would write the loop by hand."""
    chances = random.Random(7).random
    won = 0
    for _ in range(GAMES):
        score = 15
        right_count = wrong_count = 0
        while 0 < score < 30:
            if chances() < 0.55:
                score += 5
                right_count += 1
            else:
                score -= 5
                wrong_count += 1
        won += score >= 30
    return won


def add_rules(add: Callable[..., None]) -> None:
    """The engine's speed: the rules alone, whole steps, whole games, a large pack."""
    assert play_many() == loop_many(), "both must play the same games"
    by_hand, settled, stepped, told, played = best(
        3,
        loop_many,
        settle_many,
        lambda: step_many(void),
        lambda: step_many(lambda moment: moment.footprints),
        play_many,
    )
    loop = by_hand / GAMES
    add("settle", SETTLED, "loop by hand, games", loop * SETTLED, settled, "600,000 a second")
    add("step", STEPS, "loop by hand, games", loop * STEPS, stepped, "25,000 a second")
    add("step, footprints told", STEPS, "loop by hand, games", loop * STEPS, told, "")
    add("games through settle", GAMES, "loop by hand, games", by_hand, played, "1.3 or less")
    early, late = best(3, *visiting())
    add("step, 2,000 visits on", VISITED, "its first visits", early, late, "1.5 or less")
    large = {"bench": questions(10_000)}
    plain, built = best(
        3,
        lambda: sum(map(hash, large["bench"].questions)),
        lambda: build(game(COMBO, LIVES), large),
    )
    add("build, 10,000 questions", 10_000, "hashing them", plain, built, "10,000 a second")


FACT_ROWS = 20_000
ASKED = 100


def facts_game(near: str) -> tuple[Game, dict[str, Pack]]:
    """Questions about a large table of made-up plants, whose wrong choices come from rows with
    the same bed, or from any."""
    rows = tuple(
        (f"Plant {n}", f"Bed {n % 50}", f"Sown in week {n % 977}") for n in range(FACT_ROWS)
    )
    pattern = Pattern("facts", "When is {plant} sown?", "sown", choices=4, near=near)
    round_ = Round("Bench", patterns=(pattern,), draw=Draw(ASKED))
    pack = Pack("Facts", facts=Facts(("plant", "bed", "sown"), rows))
    return Game("Bench", (round_,), (Ending("Rest", ""),)), {"facts": pack}


def asking(near: str) -> tuple[Callable[[], object], Callable[[], None]]:
    """Making such a game ready, and answering so many of its questions."""
    game_, packs = facts_game(near)
    program = build(game_, packs, recall={})
    first = step(program, start(program, 7).state, Begin(), 0).state

    def answer() -> None:
        state = first
        for _ in range(ASKED - 1):
            state = step(program, state, Answer(1), state.at + 1000).state
            state = step(program, state, Continue(), state.at).state

    return lambda: build(game_, packs, recall={}), answer


def add_facts(add: Callable[..., None]) -> None:
    """Patterns that take wrong choices from rows near the one asked about."""
    (build_any, answer_any), (build_near, answer_near) = asking(""), asking("bed")
    any_, near, plain, nearer = best(3, build_any, build_near, answer_any, answer_near)
    add("build, near rows", FACT_ROWS, "any rows", any_, near, "10,000 rows a second")
    add("answer, near rows", ASKED, "any rows", plain, nearer, "200 a second")


def main() -> None:
    """Run every benchmark and print one table."""
    table = Table("benchmark", "rows", "ours, rows/s", "baseline, rows/s", "times as long", "aim")

    def add(name: str, rows: int, plain: str, baseline: float, ours: float, aim: str) -> None:
        speeds = (f"{rows / ours:,.0f}", f"{plain} {rows / baseline:,.0f}")
        table.add_row(name, f"{rows:,}", *speeds, f"{ours / baseline:.1f}", aim)

    content = WRITERS["tsv"][1](questions(ROWS))
    plain, ours = best(5, lambda: count_csv(content, "\t"), lambda: read_questions(content))
    add("read tsv", ROWS, "csv.reader", plain, ours, "6 or less")
    add_rules(add)
    add_facts(add)
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
