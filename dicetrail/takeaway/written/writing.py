"""Write a game as a plain Python program: its questions as data, and the loop that asks them.

`whole_program` can play every game that a plain program can express. It is specialised for the
game at hand, and the questions, the rounds, the rules and the endings are inserted. Every line of
the result belongs to a stop.
"""

import ast
import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from dicetrail.core import Game
from dicetrail.core.draw import Packs
from dicetrail.core.play import Stop, made_ready
from dicetrail.takeaway.written.asked import question_lists, rounds_list
from dicetrail.takeaway.written.game_parts import GameParts
from dicetrail.takeaway.written.known import known_of
from dicetrail.takeaway.written.layout import laid_out, printed, program_tree
from dicetrail.takeaway.written.literals import quoted
from dicetrail.takeaway.written.refusals import CannotBeWritten, reasons_against
from dicetrail.takeaway.written.specialising import Values, specialise
from dicetrail.takeaway.written.told import Phrases, functions, handlers, rules
from dicetrail.takeaway.written.trees import address, words_of

_HEADING = re.compile(r"# ---- ([A-Z][a-z ]+): .* ----$")
"""How the part of a stop begins; a maker's comment never does."""
_OWNERS = {
    **dict.fromkeys(("player", "each", "self", "players[]"), "Player"),
    **dict.fromkeys(("round_", "ROUNDS[]"), "Round"),
    "run": "Run",
    "question": "Question",
    "sums": "Sums",
    "drawn": "Drawn",
    "named": "Named",
    "graded": "Graded",
}
"""The classes of what names in the whole program stand for."""


@dataclass(frozen=True, slots=True)
class PlainProgram:
    """The program, and the stop each of its lines belongs to."""

    text: str
    stops: tuple[Stop | None, ...]


def plain_program(game: Game, packs: Packs, file: str) -> PlainProgram:
    """A game as a program in a file of that name. Raises CannotBeWritten if it does not fit."""
    program = made_ready(game, packs)
    reasons = tuple(dict.fromkeys(reasons_against(program)))
    if reasons:
        raise CannotBeWritten(reasons)
    text = _text(GameParts(program, file))
    return PlainProgram(text, tuple(_stops(text)))


def _stops(text: str) -> Iterator[Stop | None]:
    stop = None
    for line in text.rstrip("\n").split("\n"):
        heading = _HEADING.match(line)
        if heading:
            stop = Stop(heading[1].lower())
        yield stop


def _text(it: GameParts) -> str:
    """The whole program."""
    known, rule_text, tree = known_of(it), rules(it), program_tree()
    own = [*functions(it), handlers(it, known["event"] | known["heard"])]
    _put_in(tree, own, it)
    Phrases(it.words).visit(tree)
    _without_other(tree, {"HEADINGS": known["verdict"], "RESULTS": known["sums.character"]})
    ways = "\n".join(str(way) for way in _ways(it))
    told = {f"player.{name}" for text in own for name in re.findall(r"{player\.(\w+)", text)}
    specialise(tree, known, {*words_of(rule_text), *words_of(ways), *told}, _OWNERS)
    text = printed(tree)
    kept = {node.name: _field_names(node) for node in tree.body if isinstance(node, ast.ClassDef)}
    rounds = rounds_list(it, kept["Round"], kept.get("Sums", ()))
    data = "\n".join((*question_lists(it, kept["Question"]), *rounds))
    text = _RULES.sub(lambda found: f"{rule_text}\n{found[0]}", text)
    return _ROUNDS.sub(lambda _: data, laid_out(_docstring(it) + text), count=1)


def _ways(it: GameParts) -> Iterator[object]:
    """Every way that rounds are written with."""
    for settings in it.settings:
        yield from (value for name, value in settings.items() if name.startswith("after_"))


_ROUNDS = re.compile(r"^ROUNDS: .*$", re.M)
_RULES = re.compile(r"^RULES\b.*$", re.M)
"""The lines at which rounds and rules are written."""


def _put_in(tree: ast.Module, own: list[str], it: GameParts) -> None:
    """Put what is a game's own in place of what the whole program has."""
    del tree.body[0]
    imported = next(
        at for at, node in enumerate(tree.body) if getattr(node, "module", "") == "dataclasses"
    )
    tree.body.insert(imported, *ast.parse("from contextlib import suppress").body)
    parts = {_name(node): node for text in own for node in ast.parse(text).body}
    tree.body = [parts.get(_name(node) or "", node) for node in tree.body]
    for node in tree.body:
        if isinstance(node, ast.ClassDef) and node.name == "Player":
            counters = "\n".join(f"{n}: int = {first}" for n, first in it.script.counters.items())
            fields = [
                p for p in node.body if _name(p) not in ("score", "lives", *it.script.counters)
            ]
            node.body = [*fields[:2], *ast.parse(counters).body, *fields[2:]]
        if _name(node) in ("GAME_SECONDS", "MAX_PLAYERS") and isinstance(node, ast.Assign):
            value = (
                it.game.seconds if _name(node) == "GAME_SECONDS" else it.game.opening.most_players
            )
            node.value = ast.Constant(value or 0)


def _without_other(tree: ast.Module, keys: Mapping[str, Values]) -> None:
    """Keep of some tables what the game has a use for."""
    for node in tree.body:
        match node:
            case ast.Assign(targets=[ast.Name(id=name)], value=ast.Dict() as table) if name in keys:
                pairs = [
                    (key, value)
                    for key, value in zip(table.keys, table.values, strict=True)
                    if isinstance(key, ast.Constant) and key.value in keys[name]
                ]
                table.keys, table.values = [key for key, _ in pairs], [one for _, one in pairs]


def _name(node: ast.stmt) -> str | None:
    """What a statement gives a name to."""
    match node:
        case ast.FunctionDef(name=name) | ast.ClassDef(name=name):
            return name
        case ast.Assign(targets=[ast.Name(id=name)]) | ast.AnnAssign(target=ast.Name(id=name)):
            return name
    return None


def _field_names(node: ast.ClassDef) -> set[str]:
    return {address(part.target) for part in node.body if isinstance(part, ast.AnnAssign)}


def _docstring(it: GameParts) -> str:
    title, file = (quoted(text)[1:-1] for text in (it.game.title, it.file))
    return (
        f'"""{title}: a quiz game. It needs Python 3.11 or newer, and nothing else.\n\n'
        f"python3 {file} 4821 plays it with the dice 4821, which bring the same again.\n"
        '"""\n\n'
    )
