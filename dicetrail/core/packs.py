"""What is wrong in a pack, row by row; and one question as its player will see it."""

from collections import defaultdict
from collections.abc import Collection, Iterator, Mapping
from dataclasses import dataclass

from dicetrail.core.checking import fold
from dicetrail.core.document import Ending, Game, Pack, Question, Round
from dicetrail.core.folding import as_shown
from dicetrail.core.program import Program, spot
from dicetrail.core.questions import choices_alike, faults, missing_medium
from dicetrail.core.settle import rules_of
from dicetrail.core.sources import Sourced
from dicetrail.core.table import Table, table


@dataclass(frozen=True, slots=True)
class RowFault:
    """What is wrong with one field of one question. Rows and fields count from 0."""

    row: int
    field: str
    number: int
    what: str
    mend: str


def pack_faults(pack: Pack, media: Collection[str]) -> Iterator[RowFault]:
    """Every fault of a pack's questions, and what only shows when they stand together.

    `media` holds the names of the pictures and sounds that are there.
    """
    rows_asking: defaultdict[str, list[int]] = defaultdict(list)
    for row, question in enumerate(pack.questions):
        for fault in faults(question):
            yield RowFault(row, fault.field, fault.number, fault.what, fault.mend)
        if missing := missing_medium(question, media):
            yield RowFault(row, missing.field, 0, missing.what, missing.mend)
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


def preview(question: Question, dice: int, media: Mapping[str, str]) -> Table:
    """A question as a player sees it, under the rules of a new game.

    `media` tells where pictures and sounds are found, by name.
    """
    game = Game("Preview", (Round("Preview"),), (Ending("", ""),))
    program = Program(game, rules_of(game), ((Sourced("preview", 0, question),),))
    return table(program, spot(program, dice), {"preview": media})
