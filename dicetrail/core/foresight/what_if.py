"""Change one number of a game: list the numbers, and set one."""

import ast
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any

from dicetrail.core.document import Ending, Game, Range, notes_of
from dicetrail.core.foresight.forecast import Forecast
from dicetrail.core.rules import SHARES, Script, parse

MAX_VALUES = 13
"""At most this many values of a number are tried."""

_ROUND_NUMBERS = (
    ("draw", "count", "questions"),
    ("ask", "tries", "tries at a question"),
    ("ask", "seconds", "seconds for a question"),
    ("ask", "misses", "misses at a word"),
)


@dataclass(frozen=True, slots=True)
class Knob:
    """A number of a game that can be turned."""

    key: str
    """Where it stands: a path into the document, or a line and column of the script."""
    label: str
    value: int
    least: int
    most: int


@dataclass(frozen=True, slots=True)
class Turned:
    """The forecast of a game with a knob at a value."""

    value: int
    forecast: Forecast


def knobs_of(game: Game, has_words: bool = True) -> tuple[Knob, ...]:
    """Every number of a game that can be turned; misses only if it asks for words.

    Raises ScriptFaults.
    """
    script = parse(game.script)
    first = list(_first_knobs(game.script, script))
    found = (
        *(knob for knob in first if knob.label != _SCORE),
        *_round_knobs(game, has_words),
        *_ending_knobs(game),
        *_rule_knobs(game.script, script),
        *(knob for knob in first if knob.label == _SCORE),
    )
    return tuple(knob for knob in found if knob.least <= knob.value <= knob.most)


_SCORE = "score at the start"
"""The knob that changes the game least."""


def values_around(knob: Knob) -> tuple[int, ...]:
    """The values of a knob that are looked at: its own, and others below and above it."""
    reach = max(6, abs(knob.value))
    least, most = max(knob.least, knob.value - reach), min(knob.most, knob.value + reach)
    step = max(1, -(-(most - least) // (MAX_VALUES - 1)))
    below = range(knob.value, least - 1, -step)
    above = range(knob.value, most + 1, step)
    return tuple(sorted({*below, *above}))


def turned(game: Game, key: str, value: int) -> Game:
    """The game with a knob at a value. Raises KeyError if it has no such knob, ValueError
    beyond its bounds."""
    knob = next((knob for knob in knobs_of(game) if knob.key == key), None)
    if knob is None:
        raise KeyError(key)
    if not knob.least <= value <= knob.most:
        raise ValueError(f"{knob.label} is from {knob.least} to {knob.most}")
    return _SETTERS[key.partition("[")[0].partition(":")[0].partition(".")[0]](game, key, value)


def nearest(found: Sequence[Turned], ending: int, share: float) -> Turned | None:
    """The value with which an ending comes nearest to a share; of equal ones the first."""
    if not found:
        return None
    return min(found, key=lambda one: abs(one.forecast.endings[ending].share.share - share))


def _first_knobs(text: str, script: Script) -> Iterator[Knob]:
    for name, node in _first_numbers(text):
        if isinstance(script.counters.get(name), int):
            yield Knob(_place_of(node), f"{name} at the start", int(node.value), 0, 10_000)


def _rule_knobs(text: str, script: Script) -> Iterator[Knob]:
    lines = text.splitlines()
    for function in script.functions.values():
        for node in ast.walk(function):
            if isinstance(node, ast.AugAssign):
                for number in _numbers(node.value):
                    label = f"{lines[node.lineno - 1].strip()} (line {node.lineno})"
                    yield Knob(_place_of(number), label, int(number.value), 0, 10_000)


def _numbers(node: ast.AST) -> Iterator[Any]:
    """The whole numbers in an expression, but those that choose from a list."""
    if isinstance(node, ast.Constant) and type(node.value) is int:
        yield node
    for child in ast.iter_child_nodes(node):
        if not isinstance(node, ast.Subscript) or child is node.value:
            yield from _numbers(child)


def _first_numbers(script: str) -> Iterator[tuple[str, Any]]:
    for node in ast.parse(script).body:
        if isinstance(node, ast.Assign) and isinstance(node.value, ast.Constant):
            for target in node.targets:
                if isinstance(target, ast.Name):
                    yield target.id, node.value


def _place_of(node: ast.Constant) -> str:
    return f"script:{node.lineno}:{node.col_offset}"


def _round_knobs(game: Game, has_words: bool) -> Iterator[Knob]:
    for number, round_ in enumerate(game.rounds):
        whose = f" in “{round_.title}”" if len(game.rounds) > 1 else ""
        for part, name, words in _ROUND_NUMBERS:
            holder = getattr(round_, part)
            key = f"rounds[{number}].{part}.{name}"
            if name == "misses" and not has_words:
                continue
            yield from _knob(holder, name, key, words + whose)
        yield from _knob(round_, "seconds", f"rounds[{number}].seconds", f"seconds{whose}")
    yield from _knob(game, "seconds", "seconds", "seconds for the game")


def _knob(holder: Any, name: str, key: str, label: str) -> Iterator[Knob]:
    value = getattr(holder, name)
    if value is not None:
        within = notes_of(type(holder), Range)[name]
        yield Knob(key, label, value, within.least, within.most)


def _ending_knobs(game: Game) -> Iterator[Knob]:
    for number, ending in enumerate(game.endings):
        for name, words in (("at_least", "from"), ("at_most", "up to")):
            label = f"“{ending.title}” {words} ({ending.counts})"
            value = getattr(ending, name)
            if value is not None:
                key = f"endings[{number}].{name}"
                yield Knob(key, label, value, *_bounds_of(ending, name))


def _bounds_of(ending: Ending, name: str) -> tuple[int, int]:
    """How far a bound of an ending can be moved: not past its other one."""
    within = notes_of(Ending, Range)[name]
    least, most = (0, 100) if ending.counts in SHARES else (within.least, within.most)
    if name == "at_least":
        return least, most if ending.at_most is None else ending.at_most
    return least if ending.at_least is None else ending.at_least, most


def _set_script(game: Game, key: str, value: int) -> Game:
    _, line, column = key.split(":")
    lines = game.script.splitlines(keepends=True)
    text = lines[int(line) - 1].encode()
    start = end = int(column)
    while end < len(text) and chr(text[end]) in "0123456789_":
        end += 1
    lines[int(line) - 1] = (text[:start] + str(value).encode() + text[end:]).decode()
    return replace(game, script="".join(lines))


def _set_round(game: Game, key: str, value: int) -> Game:
    path, _, name = key.rpartition(".")
    number = int(path.partition("[")[2].partition("]")[0])
    part = path.partition("].")[2]
    round_ = game.rounds[number]
    changed: Mapping[str, Any] = {name: value}
    if part:
        changed = {part: replace(getattr(round_, part), **changed)}
    rounds = list(game.rounds)
    rounds[number] = replace(round_, **changed)
    return replace(game, rounds=tuple(rounds))


def _set_ending(game: Game, key: str, value: int) -> Game:
    """Move a bound, and the bound of another ending that it touches with it."""
    number, name = int(key[len("endings[") : key.index("]")]), key.rpartition(".")[2]
    ending = game.endings[number]
    before, other = getattr(ending, name), "at_most" if name == "at_least" else "at_least"
    gap = -1 if name == "at_least" else 1
    neighbour: Mapping[str, Any] = {other: value + gap}
    own: Mapping[str, Any] = {name: value}
    endings = [
        replace(one, **neighbour)
        if at != number and one.counts == ending.counts and getattr(one, other) == before + gap
        else one
        for at, one in enumerate(game.endings)
    ]
    endings[number] = replace(ending, **own)
    return replace(game, endings=tuple(endings))


def _set_game(game: Game, _key: str, value: int) -> Game:
    return replace(game, seconds=value)


_SETTERS = {
    "script": _set_script,
    "rounds": _set_round,
    "endings": _set_ending,
    "seconds": _set_game,
}
