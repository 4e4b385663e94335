"""Forecasts against the usual way to the same numbers, and how far they reach.

Baselines: a million games of a NumPy simulation that plays all of them at once (for a forecast
that is exact); one process (for scouts who play on two).
"""

import tracemalloc
from time import perf_counter

import numpy as np
from rich.console import Console
from rich.table import Table

from dicetrail.core import Ask, Draw, Ending, Game, Pack, Program, Question, Round
from dicetrail.core.foresight import SCOUTS, Scout, forecast
from dicetrail.core.play import made_ready
from dicetrail.demo import DATA
from dicetrail.demo.games import HARVEST_SUPPER, SUPPER_PACK
from dicetrail.files import guess, read_questions
from dicetrail.scouting import Subject, here, shared_out

SIMULATED = 1_000_000
PLAYED = 2_000
PACK = Pack("P", tuple(Question(f"{n}?", ("a",), ("b", "c")) for n in range(20)))
STREAKS = """\
score = 0
lives = 3

def right():
    score += 1
    if streak >= 3:
        score += 2

def wrong():
    lives -= 1
"""
ENDS = (
    Ending("Out", "", None, 0, "lives", at_once=True),
    Ending("Well", "", 25),
    Ending("Rest", ""),
)
STEADY = Scout("S", (75,), again=0, close=0)


def streak_game(questions: int = 20, script: str = STREAKS) -> Program:
    """A game of so many questions, three lives, and more for three right in a row."""
    pack = Pack("P", PACK.questions * (1 + questions // 20))
    game = Game("Streaks", (Round("R", ("p",), draw=Draw(questions)),), ENDS, script)
    return made_ready(game, {"p": pack})


def simulated(chances: np.random.Generator, games: int, questions: int) -> np.ndarray:
    """The shares of the three endings among games that are all played at once."""
    score = np.zeros(games, np.int32)
    lives = np.full(games, 3, np.int8)
    streak = np.zeros(games, np.int8)
    for _ in range(questions):
        playing = lives > 0
        right = playing & (chances.random(games) < 0.75)
        streak = np.where(right, streak + 1, np.where(playing, 0, streak))
        score += right + 2 * (right & (streak >= 3))
        lives -= playing & ~right
    out = lives == 0
    return np.array([out.mean(), (~out & (score >= 25)).mean(), (~out & (score < 25)).mean()])


def seconds(of: object, times: int = 3) -> float:
    """The best of several."""
    assert callable(of)
    best = float("inf")
    for _ in range(times):
        begun = perf_counter()
        of()
        best = min(best, perf_counter() - begun)
    return best


def against_simulation(table: Table) -> None:
    program, chances = streak_game(), np.random.default_rng(1)
    exact = seconds(lambda: forecast(program, STEADY, is_quick=True))
    drawn = seconds(lambda: simulated(chances, SIMULATED, 20), 1)
    told = forecast(program, STEADY, is_quick=True)
    shares = simulated(chances, SIMULATED, 20)
    apart = max(
        abs(one.share.share - share) for one, share in zip(told.endings[:3], shares, strict=True)
    )
    table.add_row(
        "20 questions, lives, streaks",
        f"{exact * 1000:.0f} ms",
        f"{drawn * 1000:.0f} ms, a million games in NumPy",
        f"{drawn / exact:.0f} times (aim 10); shares apart by {apart:.4f}",
    )


def demo_game() -> Program:
    content = (DATA / "harvest-supper.tsv").read_bytes()
    questions = read_questions(content, guess(content)).questions
    return made_ready(HARVEST_SUPPER, {SUPPER_PACK: Pack("Supper", questions)})


def with_its_clock(table: Table) -> None:
    program = demo_game()
    scout = next(scout for scout in SCOUTS if scout.name == "steady")
    took = seconds(lambda: forecast(program, scout, is_quick=True))
    whole = seconds(lambda: forecast(program, scout), 1)
    tracemalloc.start()
    forecast(program, scout)
    _, peak = tracemalloc.get_traced_memory()
    tracemalloc.stop()
    table.add_row(
        "Harvest Supper, its clock",
        f"{took:.2f} s",
        "aim 0.30 s",
        f"with all lengths {whole:.2f} s; {peak / 2**20:.0f} MB at most",
    )


def on_cores(table: Table) -> None:
    program = demo_game()
    subject = Subject("bench", program.game, {SUPPER_PACK: Pack("Supper", _questions(program))})
    rates = []
    for workers in (1, 2):
        crew = here(workers)
        list(shared_out(crew, subject, SCOUTS[2:3], range(workers * 100)))  # they are there now
        begun = perf_counter()
        for _ in shared_out(crew, subject, SCOUTS[2:3], range(PLAYED)):
            pass
        rates.append(PLAYED / (perf_counter() - begun))
        crew.close()
    table.add_row(
        "scouts at Harvest Supper",
        f"{rates[1]:.0f} runs a second on two",
        f"{rates[0]:.0f} on one",
        f"{rates[1] / rates[0]:.2f} times (aim 1.8)",
    )


def _questions(program: Program) -> tuple[Question, ...]:
    return tuple(sourced.question for sourced in program.pools[0])


def how_far(table: Table) -> None:
    """Questions by counters, until the budget is spent."""
    for counters in (1, 2, 3):
        extra = "".join(f"c{n} = 0\n" for n in range(1, counters))
        adds = "".join(f"    c{n} += seconds_left // {n + 1}\n" for n in range(1, counters))
        script = f"score = 0\n{extra}def right():\n    score += seconds_left\n{adds}"
        reached = 0
        for questions in (5, 10, 20, 40, 80):
            round_ = Round("R", ("p",), draw=Draw(questions), ask=Ask(seconds=20))
            pack = Pack("P", PACK.questions * (1 + questions // 20))
            program = made_ready(Game("G", (round_,), (Ending("E", ""),), script), {"p": pack})
            told = forecast(program, STEADY, runs=0, is_quick=True)
            if told.how != "exact":
                break
            reached = questions
        table.add_row(
            f"{counters} counters by a clock of 20 s", f"{reached} questions", "exact so far", ""
        )


def main() -> None:
    table = Table("what", "forecast", "baseline", "ratio")
    for measure in (against_simulation, with_its_clock, on_cores, how_far):
        measure(table)
    Console().print(table)


if __name__ == "__main__":
    main()
