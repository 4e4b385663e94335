"""Change whole packs: append one to another, change columns."""

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from dicetrail.core.answers import fold, tidy
from dicetrail.core.document import Facts, Pack, Problem, Range

MAX_NAME = 80
"""The longest name of a column, in characters."""


class PackRefused(Exception):
    """A change of a pack that cannot be made."""

    def __init__(self, where: str, what: str, mend: str) -> None:
        self.problem = Problem(where, what, mend)
        super().__init__(f"{where}: {what}")


def joined(pack: Pack, more: Pack) -> Pack:
    """A pack with what another holds at its end; columns of facts are matched by their names.

    Raises PackRefused if one holds questions and the other facts.
    """
    if pack.facts is None and more.facts is None:
        return replace(pack, questions=(*pack.questions, *more.questions))
    if pack.facts is None or more.facts is None:
        holds = "questions" if pack.facts is None else "facts"
        what = f"“{pack.title}” holds {holds}, and what is to be added holds none"
        raise PackRefused("packs", what, "choose packs of one sort, or keep it as a new one")
    places = {fold(name): at for at, name in enumerate(pack.facts.columns)}
    unknown = [name for name in more.facts.columns if fold(name) not in places]
    columns = (*pack.facts.columns, *unknown)
    places |= {fold(name): at for at, name in enumerate(unknown, len(places))}
    rows = []
    for row in more.facts.rows:
        cells = [""] * len(columns)
        for name, cell in zip(more.facts.columns, row, strict=False):
            cells[places[fold(name)]] = cell
        rows.append(tuple(cells))
    return replace(pack, facts=Facts(columns, (*pack.facts.rows, *rows)))


def parted(pack: Pack, rows: Collection[int]) -> tuple[Pack, Pack]:
    """What stays of a pack and what goes, its rows (from 0) that are named, each in order."""
    going = frozenset(rows)
    if pack.facts is None:
        stays = tuple(q for row, q in enumerate(pack.questions) if row not in going)
        goes = tuple(q for row, q in enumerate(pack.questions) if row in going)
        return replace(pack, questions=stays), replace(pack, questions=goes)
    kept = tuple(cells for row, cells in enumerate(pack.facts.rows) if row not in going)
    gone = tuple(cells for row, cells in enumerate(pack.facts.rows) if row in going)
    facts = pack.facts
    return (
        replace(pack, facts=replace(facts, rows=kept)),
        replace(pack, facts=replace(facts, rows=gone)),
    )


@dataclass(frozen=True, slots=True)
class FactColumn:
    """A column that facts are to have, and which of those they have now it was, from 0."""

    name: str
    was: Annotated[int | None, Range(0, 1000)] = None
    """None is a new one, which is empty."""


def with_columns(facts: Facts, columns: Sequence[FactColumn]) -> Facts:
    """The facts with these columns, in this order: renamed, moved, new ones, others gone."""
    cells = [[*row, *[""] * (len(facts.columns) - len(row))] for row in facts.rows]
    rows = (
        tuple(
            "" if column.was is None or column.was >= len(facts.columns) else row[column.was]
            for column in columns
        )
        for row in cells
    )
    return Facts(columns_named([column.name for column in columns]), tuple(rows))


def columns_named(names: Sequence[str]) -> tuple[str, ...]:
    """The names of columns, so that each has one of its own that can stand in braces.

    >>> columns_named(["plant", "Plant", "", "{x}"])
    ('plant', 'Plant 2', 'Column 3', '(x)')
    """
    found: dict[str, str] = {}
    for number, name in enumerate(names, 1):
        plain = tidy(name.replace("{", "(").replace("}", ")"))[:MAX_NAME] or f"Column {number}"
        own, times = plain, 1
        while fold(own) in found:
            times += 1
            own = f"{plain} {times}"
        found[fold(own)] = own
    return tuple(found.values())
