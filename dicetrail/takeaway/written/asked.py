"""Write the questions of a game as data of its program: one question a line if there is room."""

import re
from collections.abc import Iterable, Iterator
from keyword import iskeyword

from dicetrail.core import Kind, Question, Shows, Sums
from dicetrail.core.answers import read_number
from dicetrail.core.document import DecimalMark, Leaves, Made, Phrase, columns_in, from_columns
from dicetrail.core.draw import MAX_FACTS, SIGNS, FactQuestions
from dicetrail.takeaway.written.cutting import WrittenValue, defaults_in, fields_in, quoted, written
from dicetrail.takeaway.written.game_parts import GameParts, Source
from dicetrail.takeaway.written.skeleton import SKELETON

WIDTH = 100
"""How many characters a line has at most, as far as texts can be broken."""

KINDS = {Kind.SORT: "choice"}


def _rows(it: GameParts, made: FactQuestions, rows: Iterable[int]) -> list[int]:
    """Rows of facts by numbers that no other facts have."""
    tables = dict.fromkeys(
        source.made.pattern.facts for source in it.sources.values() if source.made
    )
    before = 0
    for facts in tables:
        if facts == made.pattern.facts:
            break
        before += MAX_FACTS
    return [before + row for row in rows]


def question_lists(it: GameParts) -> Iterator[str]:
    """Every list of questions; before one picked from answers of other rows, those answers."""
    for source in it.sources.values():
        made = source.made
        if made is not None and made.pattern.made is Made.CHOICE:
            yield f"{source.constant}_ANSWERS: list[tuple[str, Sequence[int]]] = ["
            yield from _filled_up(
                f"({quoted(answer)}, {written(_rows(it, made, rows) if leaves(made) else [])})"
                for answer, rows in made.answers
            )
            yield "]"
            yield ""
        parts = [
            _question(it, source, number, question)
            for number, question in enumerate(source.questions)
        ]
        yield f"{source.constant} = ["
        if made is None or len(parts) < _FEW:
            for several in parts:
                yield from _wrapped(tuple(several.values()))
        else:
            yield from _in_rows(_with_places(parts, made))
        yield "]"
        yield ""


_FEW = 3
"""Fewer questions of a pattern are written one by one."""


def leaves(made: FactQuestions) -> bool:
    """Whether rows that were right are not offered again."""
    return made.pattern.leaves is not Leaves.NONE


def _question(it: GameParts, source: Source, number: int, question: Question) -> dict[str, str]:
    """The parts of a question as they are written, by their names."""
    holds, details, made = it.holds, question.details, source.made
    right, wrong = question.right, question.wrong
    if question.kind is Kind.TRUTH:
        truths = {"true": Phrase.TRUE, "false": Phrase.FALSE}
        right, wrong = (it.words.say(truths[right[0]]),), ()
    parts = {"prompt": quoted(question.prompt), "right": written(right)}
    if wrong:
        parts["wrong"] = written(wrong)
    kind = KINDS.get(question.kind, question.kind.value)
    named: dict[str, tuple[bool, object, object]] = {
        "kind": (holds["many_kinds"], kind, "choice"),
        "topic": (holds["has_topics"], details.topic, ""),
        "level": (holds["has_level"], details.level or 1, 1),
        "worth": (holds["has_worth"], 1 if details.worth is None else details.worth, 1),
        "seconds": (holds["has_own_seconds"], details.seconds or 0, 0),
        "hint": (holds["has_hints"], details.hint, ""),
        "note": (holds["has_notes"], details.note, ""),
        "tolerance": (holds["has_tolerance"], _plain_tolerance(question, it), ""),
        "misses": (holds["has_own_misses"], details.misses or 0, 0),
        "pinned": (holds["has_pinned"], details.pinned, ""),
        "unseen": (holds["has_unseen"], details.shows is not Shows.TEXT, False),
        "when_right": (holds["has_when_right"], details.when_right, ""),
        "when_wrong": (holds["has_when_wrong"], details.when_wrong, ""),
        "replies": (holds["has_replies"], list(question.replies), []),
    }
    if made is not None:
        if made.pattern.made is Made.CHOICE:
            named["others"] = (True, WrittenValue(f"{source.constant}_ANSWERS"), None)
            named["offered"] = (True, made.pattern.choices, 0)
            named["alike"] = (holds["has_alike"], alike(made, number), [])
        rows = _rows(it, made, made.rows_of(number))
        named["rows"] = (holds["has_leaving"] and leaves(made), rows, [])
    for name, (is_used, value, usual) in named.items():
        if is_used and (value != usual or made is not None):
            parts[name] = f"{name}={written(value)}"
    return parts


def rounds_list(it: GameParts, fields: set[str]) -> Iterator[str]:
    """The rounds, each with the settings among those fields that are not as usual."""
    usual = defaults_in(SKELETON, "Round")
    yield "ROUNDS = ["
    for number, (round_, settings) in enumerate(zip(it.game.rounds, it.settings, strict=True)):
        parts = [quoted(round_.title)]
        names = [f"({quoted(one.source)}, {one.constant})" for one in it.sources_of(number)]
        if names:
            parts.append(f"[{', '.join(names)}]")
        if round_.sums:
            parts.append(f"sums=[\n{_sums_lines(round_.sums)}]")
        parts += [
            f"{name}={written(value)}"
            for name, value in settings.items()
            if name in fields and written(value) != usual[name]
        ]
        yield from _wrapped(tuple(parts), head="Round(")
    yield "]"
    if it.game.seconds is not None:
        yield f"GAME_SECONDS = {it.game.seconds}"
    if it.game.opening.most_players > 1:
        yield f"MAX_PLAYERS = {it.game.opening.most_players}"


def alike(made: FactQuestions, number: int) -> list[str]:
    """The answers of other rows that would be right too, beside the one that is told."""
    no_wrong = {*made[number].right, *(answer for answer, _ in made.others(number))}
    return [answer for answer, _ in made.answers if answer not in no_wrong]


def _plain_tolerance(question: Question, it: GameParts) -> str:
    """A tolerance as a number Python reads."""
    text = question.details.tolerance.strip()
    if not text or question.kind is not Kind.NUMBER:
        return ""
    is_comma = it.words.ways.decimal == ","
    mark = DecimalMark.COMMA if is_comma else DecimalMark.POINT
    value = read_number(text.removesuffix("%"), mark)
    return f"{value}{'%' if text.endswith('%') else ''}"


def _sums_written(sums: Sums) -> str:
    parts = [
        quoted(SIGNS[sums.operator]),
        written(range(sums.left.least, sums.left.most + 1)),
        written(range(sums.right.least, sums.right.most + 1)),
        str(sums.count),
    ]
    if sums.cap is not None:
        parts.append(f"cap={sums.cap}")
    if sums.negative:
        parts.append("negative=True")
    if sums.denominators is not None:
        parts.append(
            f"bottoms={written(range(sums.denominators.least, sums.denominators.most + 1))}"
        )
    if sums.choices:
        parts.append(f"choices={sums.choices}")
    return f"Sums({', '.join(parts)})"


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


def _in_rows(parts: list[dict[str, str]]) -> Iterator[str]:
    """Questions that are alike, by what they do not share: a row of it each."""
    usual = {f"{name}={text}" for name, text in defaults_in(SKELETON, "Question").items()}
    places = {name for name in parts[0] if name not in fields_in(SKELETON, "Question")}
    shared = {name for name in parts[0] if len({one[name] for one in parts}) == 1} - places
    names = [name for name in parts[0] if name not in shared]
    told = [
        text if name in shared else name if name in ("prompt", "right") else f"{name}={name}"
        for name, text in parts[0].items()
        if name not in places and not (name in shared and text in usual)
    ]
    *before, last = _wrapped(tuple(told))
    yield from (*before, last.removesuffix(","))
    yield f"    for {', '.join(names)} in ["
    rows = (", ".join(one[name].removeprefix(f"{name}=") for name in names) for one in parts)
    yield from _filled_up((f"({row})" if len(names) > 1 else row for row in rows), " " * 8)
    yield "    ]"


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


def _sums_lines(several: tuple[Sums, ...]) -> str:
    return ",\n".join(" " * 8 + _sums_written(sums) for sums in several)
