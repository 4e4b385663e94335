"""Rename a part of a game together with everything that names it.

Rounds, endings, cues and sounds are named by their titles: by ways, by the rule script, by
cues and by the look. A part that is renamed alone would leave these pointing nowhere.
"""

import ast
from dataclasses import fields, replace
from typing import Any

from dicetrail.core.document import Game, Moves, Round, To, Value, Way


class Named(Value):
    """A part of a game that others name."""

    ROUND = "round"
    ENDING = "ending"
    CUE = "cue"
    SOUND = "sound"


_ROWS = {
    Named.ROUND: ("rounds", "title"),
    Named.ENDING: ("endings", "title"),
    Named.CUE: ("cues", "name"),
    Named.SOUND: ("sounds", "name"),
}
_WAYS = {Named.ROUND: To.ROUND, Named.ENDING: To.ENDING}
_SCRIPT_ACTIONS = {Named.ROUND: "go", Named.ENDING: "finish", Named.CUE: "cue"}
"""What names each of them in a rule script."""


def renamed(game: Game, kind: Named, number: int, name: str) -> Game:
    """The game with its part of that number, from 0, under another name, as all that names it.

    Where another part has the new name already, or shares the old one, only the part itself is
    renamed: what names it could mean either. Raises IndexError if there is no such part.
    """
    row, field = _ROWS[kind]
    parts = list(getattr(game, row))
    names = [getattr(part, field) for part in parts]
    old = names[number]
    parts[number] = replace(parts[number], **{field: name})
    rows: dict[str, Any] = {row: tuple(parts)}
    game = replace(game, **rows)
    if not old or not name or name in names or names.count(old) > 1:
        return game
    return _pointing(game, kind, old, name)


def _pointing(game: Game, kind: Named, old: str, name: str) -> Game:
    """The game with the new name of a part wherever the game names it."""

    def anew(known: str) -> str:
        return name if known == old else known

    if kind in _WAYS:
        rounds = tuple(_with_ways(round_, _WAYS[kind], old, name) for round_ in game.rounds)
        game = replace(game, rounds=rounds)
    if kind is Named.CUE:
        endings = tuple(replace(ending, cue=anew(ending.cue)) for ending in game.endings)
        game = replace(game, endings=endings)
    if kind is Named.SOUND:
        cues = tuple(replace(cue, sound=anew(cue.sound)) for cue in game.cues)
        opening = replace(game.opening, narration=anew(game.opening.narration))
        loops: dict[str, Any] = {
            field.name: name
            for field in fields(game.look.music)
            if getattr(game.look.music, field.name) == old
        }
        music = replace(game.look.music, **loops)
        game = replace(game, cues=cues, opening=opening, look=replace(game.look, music=music))
    if kind in _SCRIPT_ACTIONS:
        game = replace(game, script=_in_script(game.script, _SCRIPT_ACTIONS[kind], old, name))
    return game


def _with_ways(round_: Round, to: To, old: str, name: str) -> Round:
    ways = {
        after: Way(to, name) if way == Way(to, old) else way
        for after, way in round_.moves.each.items()
    }
    return replace(round_, moves=Moves(**ways))


def _in_script(script: str, script_action: str, old: str, name: str) -> str:
    """A rule script whose actions name another part; one that cannot be read stays as it is."""
    try:
        tree = ast.parse(script)
    except (SyntaxError, ValueError):
        return script
    lines = script.splitlines(keepends=True)
    found = [
        node.args[0]
        for node in ast.walk(tree)
        if isinstance(node, ast.Call)
        and isinstance(node.func, ast.Name)
        and node.func.id == script_action
        and len(node.args) == 1
        and isinstance(node.args[0], ast.Constant)
        and node.args[0].value == old
    ]
    written = '"' + name.replace("\\", "\\\\").replace('"', '\\"') + '"'
    # From the last to the first, so that the places of those before stay.
    for text in sorted(found, key=lambda node: (node.lineno, node.col_offset), reverse=True):
        if text.end_lineno != text.lineno or text.end_col_offset is None:
            continue
        line = lines[text.lineno - 1].encode()
        line = line[: text.col_offset] + written.encode() + line[text.end_col_offset :]
        lines[text.lineno - 1] = line.decode()
    return "".join(lines)


__all__ = ["Named", "renamed"]
