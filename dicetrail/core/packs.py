"""What is wrong in a pack, row by row; and one question as its player will see it."""

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass

from dicetrail.core.checking import as_shown, fold
from dicetrail.core.document import Ending, Game, Pack, Question, Round
from dicetrail.core.engine import Begin, Program, Sourced, start, step
from dicetrail.core.questions import choices_alike, faults
from dicetrail.core.table import Table, table


@dataclass(frozen=True, slots=True)
class RowFault:
    """What is wrong with one field of one question. Rows and fields count from 0."""

    row: int
    field: str
    number: int
    what: str
    mend: str


def pack_faults(pack: Pack) -> Iterator[RowFault]:
    """Every fault of a pack's questions, and what only shows when they stand together."""
    rows_asking: defaultdict[str, list[int]] = defaultdict(list)
    for row, question in enumerate(pack.questions):
        for fault in faults(question):
            yield RowFault(row, fault.field, fault.number, fault.what, fault.mend)
        if alike := choices_alike(question, [fold(choice) for choice in question.choices]):
            yield RowFault(
                row,
                "wrong",
                max(0, question.wrong.index(alike[1]) if alike[1] in question.wrong else 0),
                f"“{alike[0]}” and “{alike[1]}” differ only in capitals or look alike",
                "a typed answer could mean either: write them differently",
            )
        if question.prompt:
            rows_asking[as_shown(question.prompt)].append(row)
    for rows in rows_asking.values():
        for row in rows[1:]:
            yield RowFault(
                row,
                "prompt",
                0,
                f"question {rows[0] + 1} asks the same",
                "ask something else, or delete one of them",
            )


def preview(question: Question, dice: int) -> Table:
    """A question as a player sees it, under the rules of a new game."""
    game = Game("Preview", (Round("Preview"),), (Ending("", ""),))
    program = Program(game, (Sourced("preview", 0, question),))
    return table(program, step(program, start(program, dice).state, Begin(), 0).state)
