"""Write the questions and the rounds of a game as data of its program."""

import re
from collections.abc import Collection, Iterable, Iterator, Sequence
from keyword import iskeyword

from dicetrail.core.document import columns_in, from_columns
from dicetrail.core.draw import FactQuestions
from dicetrail.takeaway.written import whole_program
from dicetrail.takeaway.written.game_parts import Fields, GameParts, sums_fields
from dicetrail.takeaway.written.layout import WIDTH
from dicetrail.takeaway.written.literals import quoted, written

_FEW = 3
"""Fewer questions of a pattern are written one by one."""


def question_lists(it: GameParts, kept: Collection[str]) -> Iterator[str]:
    """Every list of questions with the `kept` fields; before one whose wrong choices are picked
    from the answers of other rows, those answers."""
    for source in it.sources.values():
        if source.picks:
            yield f"{source.constant}_ANSWERS: list[tuple[str, Sequence[int]]] = ["
            pairs = (f"({quoted(text)}, {written(rows)})" for text, rows in it.answers(source))
            yield from _filled_up(pairs)
            yield "]"
            yield ""
        parts = [
            {name: _argument(name, value) for name, value in fields.items() if name in kept}
            for fields in it.fields[source.constant]
        ]
        yield f"{source.constant} = ["
        if source.made is None or len(parts) < _FEW:
            for several in parts:
                yield from _wrapped(tuple(several.values()))
        else:
            yield from _in_rows(_with_places(parts, source.made))
        yield "]"
        yield ""


def rounds_list(
    it: GameParts, kept: Collection[str], kept_of_sums: Collection[str]
) -> Iterator[str]:
    """The rounds with the `kept` settings that are not as usual."""
    usual = whole_program.PlainRound._field_defaults
    yield "ROUNDS = ["
    for number, (round_, settings) in enumerate(zip(it.game.rounds, it.settings, strict=True)):
        parts = [quoted(round_.title)]
        names = [f"({quoted(one.source)}, {one.constant})" for one in it.sources_of(number)]
        if names:
            parts.append(f"[{', '.join(names)}]")
        if round_.sums:
            sums = (_sums(sums_fields(one), kept_of_sums) for one in round_.sums)
            lines = ",\n".join(" " * 8 + one for one in sums)
            parts.append(f"sums=[\n{lines}]")
        parts += [
            f"{name}={written(value)}"
            for name, value in settings.items()
            if name in kept and written(value) != written(usual[name])
        ]
        yield from _wrapped(tuple(parts), head="Round(")
    yield "]"


def _sums(fields: Fields, kept: Collection[str]) -> str:
    parts = [_argument(name, value) for name, value in fields.items() if name in kept]
    return f"Sums({', '.join(parts)})"


def _argument(name: str, value: object) -> str:
    """What a field is, by its name unless its place tells it."""
    first = ("prompt", "right", "wrong", "character", "left", "made")
    return written(value) if name in first else f"{name}={written(value)}"


def _with_places(parts: list[dict[str, str]], made: FactQuestions) -> list[dict[str, str]]:
    """The questions with what is asked written as the pattern has it, if that says the same."""
    prompt = made.pattern.prompt
    columns = list(dict.fromkeys(columns_in(prompt)))
    names = [re.sub(r"[^a-z0-9]+", "_", column.lower()).strip("_") for column in columns]
    places = dict(zip(columns, names, strict=True))
    has_more_braces = {*from_columns(prompt, lambda _: "")} & {*"{}"}
    is_plain = len({*names, *parts[0]}) == len(names) + len(parts[0]) and all(map(_is_name, names))
    if not columns or has_more_braces or not is_plain:
        return parts
    asked = quoted(from_columns(prompt, lambda column: f"\0{places[column]}\1").strip())
    whole = "f" + asked.replace("\\u0000", "{").replace("\\u0001", "}")
    found = []
    for number, part in enumerate(parts):
        cells = {column: made.cell(made.rows_of(number)[0], column) for column in columns}
        if quoted(from_columns(prompt, cells.__getitem__).strip()) != part["prompt"]:
            return parts
        own = {name: quoted(cells[column]) for column, name in places.items()}
        found.append({"prompt": whole, **own} | {k: v for k, v in part.items() if k != "prompt"})
    return found


def _is_name(name: str) -> bool:
    return name.isidentifier() and not iskeyword(name)


def _in_rows(parts: Sequence[dict[str, str]]) -> Iterator[str]:
    """Questions that are alike, by what they do not share: a row of it each."""
    fields = whole_program.PlainQuestion._fields
    names = dict.fromkeys(name for one in parts for name in one)
    whole = [{name: one.get(name) or _usual(name) for name in names} for one in parts]
    shared = {n for n in names if n in fields and len({one[n] for one in whole}) == 1}
    varied = [name for name in names if name not in shared]
    told = [
        whole[0][name]
        if name in shared
        else name
        if name in ("prompt", "right")
        else f"{name}={name}"
        for name in names
        if name in fields
    ]
    *before, last = _wrapped(tuple(told))
    yield from (*before, last.removesuffix(","))
    yield f"    for {', '.join(varied)} in ["
    rows = (", ".join(one[name].removeprefix(f"{name}=") for name in varied) for one in whole)
    yield from _filled_up((f"({row})" if len(varied) > 1 else row for row in rows), " " * 8)
    yield "    ]"


def _usual(name: str) -> str:
    return _argument(name, whole_program.PlainQuestion._field_defaults[name])


def _wrapped(parts: tuple[str, ...], head: str = "Question(") -> Iterator[str]:
    """A call in one line, or in as many as it takes."""
    margin = " " * 4
    line = f"{margin}{head}{parts[0]}"
    for part in parts[1:]:
        line += ","
        if len(line) + len(part) + 3 > WIDTH:
            yield line
            line = margin + " " * len(head) + part
        else:
            line += f" {part}"
        *before, line = line.split("\n")
        yield from before
    yield f"{line}),"


def _filled_up(parts: Iterable[str], margin: str = "    ") -> Iterator[str]:
    """Parts one after the other, as many in a line as have room."""
    line = ""
    for part in parts:
        if line and len(margin + line) + len(part) + 2 > WIDTH:
            yield margin + line
            line = ""
        line = f"{line} {part}," if line else f"{part},"
    if line:
        yield margin + line
