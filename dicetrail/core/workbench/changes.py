"""List the differences between two versions of a game, in a maker's words."""

from collections.abc import Iterator
from dataclasses import fields, is_dataclass
from difflib import unified_diff
from typing import Any

from dicetrail.core.document import Game
from dicetrail.core.rules import ScriptFaults, parse

MAX_CHANGES = 100
"""At most this many changes are listed; a game with more counts as another game."""


def changes_between(old: Game, new: Game) -> tuple[str, ...]:
    """Every difference, one a line: ``round 1, ask: seconds 20 → 30``. Empty if the two are
    equal."""
    found = [*_script_changes(old.script, new.script)]
    for field in fields(Game):
        if field.name != "script":
            before, after = getattr(old, field.name), getattr(new, field.name)
            found += _differences(before, after, _named("", field.name))
    return tuple(found[:MAX_CHANGES])


def _script_changes(old: str, new: str) -> Iterator[str]:
    """The differences in the rules: counters by their numbers, other lines as text."""
    if old == new:
        return
    try:
        before, after = parse(old).counters, parse(new).counters
    except ScriptFaults:
        before = after = {}
    for name in dict.fromkeys((*before, *after)):
        if before.get(name) != after.get(name):
            yield f"rules: {name} {_shown(before.get(name))} → {_shown(after.get(name))}"
    told = {f"{name} = " for name in (*before, *after)}
    for line in unified_diff(old.splitlines(), new.splitlines(), n=0, lineterm=""):
        words = line[1:].strip()
        if line.startswith(("---", "+++", "@@")) or not words:
            continue
        if any(words.startswith(start) for start in told) and not line[1:].startswith(" "):
            continue
        yield f"rules: “{words}” {'added' if line.startswith('+') else 'taken out'}"


def _differences(before: Any, after: Any, path: str) -> Iterator[str]:
    if before == after:
        return
    if is_dataclass(before) and type(before) is type(after):
        for field in fields(before):
            yield from _differences(
                getattr(before, field.name), getattr(after, field.name), _named(path, field.name)
            )
    elif isinstance(before, tuple) and isinstance(after, tuple) and _holds_parts(before, after):
        yield from _row_differences(before, after, path)
    else:
        yield f"{path} {_shown(before)} → {_shown(after)}"


def _row_differences(before: tuple[Any, ...], after: tuple[Any, ...], path: str) -> Iterator[str]:
    """The differences of rows of parts. Parts are known by their titles, else by their places."""
    thing = path.removesuffix("s")
    old, new = _by_title(before), _by_title(after)
    if old is None or new is None or set(old) == set(new):
        for number in range(max(len(before), len(after))):
            name = f"{thing} {number + 1}"
            if number >= len(after):
                yield f"{name} taken out"
            elif number >= len(before):
                yield f"{name} added"
            else:
                yield from _differences(before[number], after[number], name)
        return
    for title in old:
        if title not in new:
            yield f"{thing} “{title}” taken out"
    for title in new:
        if title not in old:
            yield f"{thing} “{title}” added"
        else:
            yield from _differences(old[title], new[title], f"{thing} “{title}”")


def _holds_parts(*rows: tuple[Any, ...]) -> bool:
    return any(is_dataclass(part) for row in rows for part in row)


def _by_title(row: tuple[Any, ...]) -> dict[str, Any] | None:
    titles = [str(getattr(part, "title", getattr(part, "name", ""))) for part in row]
    if "" in titles or len(set(titles)) < len(titles):
        return None
    return dict(zip(titles, row, strict=True))


_WORDS = {"hold_ms": "hold in ms", "most_players": "most players", "at_once": "at once"}


def _named(path: str, name: str) -> str:
    words = _WORDS.get(name, name.replace("_", " "))
    return f"{path}, {words}" if path else words


def _shown(value: Any) -> str:
    if value is None or value == "" or value == ():
        return "none"
    if isinstance(value, bool):
        return "on" if value else "off"
    if isinstance(value, tuple):
        return ", ".join(_shown(part) for part in value)
    if is_dataclass(value):
        return " ".join(_shown(getattr(value, field.name)) for field in fields(value)).removesuffix(
            " none"
        )
    text = str(value)
    return f"“{text[:60]}…”" if len(text) > 60 else text
