"""Evidence of very many answers, and kept runs played again.

Baselines: pandas, which counts and correlates the same table and says nothing of choices, times or
verdicts; and the same runs replayed without being compared.
"""

import random
import resource
from dataclasses import replace
from time import perf_counter

import pandas as pd
from rich.console import Console
from rich.table import Table

from bench.foresight import seconds, streak_game
from dicetrail.core.answers import Verdict
from dicetrail.core.foresight import (
    Observation,
    Try,
    evidence_of,
    fitted_scout,
    kept_run,
    played_again,
)
from dicetrail.core.play import Answer, Begin, Continue, Input, Result, replay

RUNS, QUESTIONS, KEPT = 5_000, 20, 200
CHOICES = ("a", "b", "c", "d")


def answers(runs: int, questions: int) -> list[list[Observation]]:
    """Answers to choice questions, right three times in four."""
    chances = random.Random(1)

    def one(number: int) -> Observation:
        picked = "a" if chances.random() < 0.75 else chances.choice(CHOICES)
        is_right = picked == "a"
        tried = (Try(picked, Verdict.RIGHT if is_right else Verdict.WRONG),)
        result = Result.RIGHT if is_right else Result.WRONG
        ms = round(chances.lognormvariate(8, 0.5))
        return Observation("p", number, f"{number}?", CHOICES, ("a",), 0, tried, result, ms, False)

    return [[one(number) for number in range(questions)] for _ in range(runs)]


def of_answers(table: Table) -> None:
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss
    runs = answers(RUNS, QUESTIONS)
    ours = seconds(lambda: evidence_of(runs))
    mebibytes = (resource.getrusage(resource.RUSAGE_SELF).ru_maxrss - before) / 1024
    rows = [
        (run, one.number, one.is_right, one.tries[0].given, one.used_ms)
        for run, seen in enumerate(runs)
        for one in seen
    ]
    frame = pd.DataFrame(rows, columns=["run", "question", "right", "given", "ms"])

    def with_pandas() -> None:
        frame.groupby("question")["right"].mean()
        frame.groupby("question")["ms"].quantile([0.25, 0.5, 0.75])
        wide = frame.pivot_table(index="run", columns="question", values="right", aggfunc="mean")
        rest = wide.sum(axis=1)
        for question in wide:
            wide[question].corr(rest - wide[question])
        frame.groupby("question")["given"].value_counts()

    theirs = seconds(with_pandas)
    count = f"{RUNS * QUESTIONS:,} answers, {mebibytes:.0f} MiB with them"
    table.add_row(f"evidence of {count}", f"{ours:.2f} s", f"{theirs:.2f} s, pandas")
    like = seconds(lambda: fitted_scout(runs))
    table.add_row("a scout like those who answered", f"{like:.2f} s", f"{ours:.2f} s, the evidence")


def of_kept_runs(table: Table) -> None:
    program = replace(streak_game(QUESTIONS), recall={})

    def inputs(dice: int) -> list[Input]:
        found = [Input(Begin(), 0)]
        for number in range(QUESTIONS):
            found += [
                Input(Answer(1 + (dice + number) % 3), 1000 * number + 500),
                Input(Continue(), 1000 * number + 900),
            ]
        return found

    kept = [kept_run(program, f"run {dice}", dice, inputs(dice)) for dice in range(KEPT)]
    anew = replace(program, recall={})
    begun = perf_counter()
    assert all(played_again(anew, run).holds for run in kept)
    ours = perf_counter() - begun
    anew = replace(program, recall={})
    begun = perf_counter()
    for run in kept:
        replay(anew, run.dice, run.players, run.inputs)
    theirs = perf_counter() - begun
    table.add_row(
        f"{KEPT} kept runs of {QUESTIONS} questions played again",
        f"{ours:.2f} s",
        f"{theirs:.2f} s, replayed alone",
    )


def main() -> None:
    """Print them."""
    table = Table("what", "ours", "beside")
    of_answers(table)
    of_kept_runs(table)
    Console().print(table)


if __name__ == "__main__":
    main()
