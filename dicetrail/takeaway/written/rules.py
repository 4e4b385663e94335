"""Write the rules of a game as a learner would: the maker's own lines, applied to a player.

A counter `lives` becomes `player.lives`, a script action what it does. What the engine passes over
with a footprint (a division by nothing, an index beyond its list) is passed over here too.
"""

import ast
import io
import re
import tokenize
from collections.abc import Callable, Collection, Iterator, Mapping
from dataclasses import dataclass

from dicetrail.core.document import places_in
from dicetrail.core.rules import FACTS, HANDLERS, SCRIPT_ACTIONS, Script, parse
from dicetrail.takeaway.written.literals import quoted

Words = Callable[[str], str]
"""A maker's words as what is printed, with everything filled in."""


@dataclass(frozen=True)
class Vocabulary:
    """What the names of a script stand for."""

    script: Script
    taken: frozenset[str]
    """The names the program needs for itself."""
    say: Words
    cues: Mapping[str, str]
    """What cues say, by their names."""
    is_safe: Callable[[ast.expr], bool]
    """Whether a divisor or an index surely works out."""

    def function(self, name: str) -> str:
        """A function of the script by the name it has in the program."""
        while name in self.taken:
            name = f"{name}_rule"
        return name


def rules_in_python(text: str, vocabulary: Vocabulary) -> str:
    """The functions of a script, about a player."""
    if not _is_laid_out(text):
        text = ast.unparse(ast.parse(text))
    tree = ast.parse(text)
    lines = _renamed(text, vocabulary).split("\n")
    idle = set(_idle(tree, lines))
    for node in _guarded(tree, vocabulary):
        _indent(lines, node)
    return "\n\n\n".join(_functions(tree, lines, idle)).replace("\0", "\n")


def expression(node: ast.expr, counters: Mapping[str, object]) -> str:
    """A condition about a player."""

    class AboutPlayer(ast.NodeTransformer):
        def visit_Name(self, name: ast.Name) -> ast.expr:
            if name.id in counters or (name.id in FACTS):
                return ast.Attribute(ast.Name("player", ast.Load()), name.id, ast.Load())
            return name

    return ast.unparse(AboutPlayer().visit(ast.parse(ast.unparse(node), mode="eval")).body)


def _is_laid_out(text: str) -> bool:
    """Whether every statement begins a line of its own, indented by spaces, every call that is one
    ends there, and no comment holds what cannot be seen or looks like the heading of a stop."""
    statements = [node for node in ast.walk(ast.parse(text)) if isinstance(node, ast.stmt)]
    starts = {node.lineno for node in statements}
    calls = (node for node in statements if isinstance(node, ast.Expr))
    return (
        len(starts) == len(statements)
        and all(node.lineno == node.end_lineno for node in calls)
        and all(map(str.isprintable, text.split("\n")))
        and not re.search(r"^# ----", text, re.M)
    )


def _renamed(text: str, vocabulary: Vocabulary) -> str:
    """The same lines with every name as the program has it. A line that becomes several has
    them parted by a character of our own, so that lines keep their numbers."""
    script, found = vocabulary.script, list[tuple[tuple[int, int], tuple[int, int], str]]()
    said = {one.line: one.text for one in parse(text).said}
    tokens = list(tokenize.generate_tokens(io.StringIO(text).readline))
    for at, token in enumerate(tokens):
        if token.type != tokenize.NAME:
            continue
        name, start, end = token.string, token.start, token.end
        before, after = tokens[at - 1].string, tokens[at + 1]
        if before == "def":
            found.append((start, end, vocabulary.function(name)))
            found.append((tokens[at + 2].start, tokens[at + 2].start, "player: Player"))
            found.append((tokens[at + 3].start, tokens[at + 3].start, " -> None"))
        elif name in script.functions and after.string == "(":
            found.append((start, end, vocabulary.function(name)))
            found.append((after.end, after.end, "player"))
        elif (
            name in SCRIPT_ACTIONS and after.string == "(" and start[1] == _first_column(token.line)
        ):
            close = next(t for t in tokens[at:] if t.string == ")")
            found.append(
                (start, close.end, _script_action(name, said.get(start[0], ""), vocabulary))
            )
        elif name in script.counters or name in FACTS:
            found.append((start, end, f"player.{name}"))
    lines = text.split("\n")
    for (line, column), (last, until), new in sorted(found, reverse=True):
        assert line == last, "it is laid out"
        lines[line - 1] = lines[line - 1][:column] + new + lines[line - 1][until:]
    return "\n".join(lines)


def _first_column(line: str) -> int:
    return len(line) - len(line.lstrip())


def _script_action(name: str, said: str, vocabulary: Vocabulary) -> str:
    match name:
        case "finish":
            return f"player.goes = Way(ENDING, {quoted(said)})"
        case "go":
            return f"player.goes = Way(ROUND, {quoted(said)})"
        case "again":
            return "player.goes = Way(AGAIN)"
        case "skip":
            return "player.goes = Way(QUESTION)"
        case "reveal":
            return "player.is_told = True"
        case "tell":
            return f"print({vocabulary.say(said)})"
    words = vocabulary.cues.get(said, "")
    return f"print({vocabulary.say(words)})" if words else "pass"


def _guarded(tree: ast.Module, vocabulary: Vocabulary) -> list[ast.stmt]:
    """The statements that may meet a number they cannot work with, the last first."""
    found: list[ast.stmt] = []
    for function in tree.body:
        if isinstance(function, ast.FunctionDef):
            found += [
                node
                for node in ast.walk(function)
                if isinstance(node, ast.Assign | ast.AugAssign | ast.If)
                and not all(map(vocabulary.is_safe, _risks(node)))
            ]
    return sorted(found, key=lambda node: node.lineno, reverse=True)


def _risks(node: ast.stmt) -> Iterator[ast.expr]:
    """What a statement divides by, and what it takes from lists: of an `if` its test alone."""
    if isinstance(node, ast.AugAssign) and isinstance(node.op, _DIVIDES):
        yield node.value
    whole = node.test if isinstance(node, ast.If) else getattr(node, "value", node)
    for part in ast.walk(whole):
        if isinstance(part, ast.BinOp) and isinstance(part.op, _DIVIDES):
            yield part.right
        elif isinstance(part, ast.Subscript):
            yield part


_DIVIDES = (ast.Div, ast.FloorDiv, ast.Mod)


_NO_HEADING = re.compile(r"^# -")
"""Comments are the maker's own; headings of the program's parts begin so."""


def has_risks(script: Script, is_safe: Callable[[ast.expr], bool]) -> bool:
    """Whether a script may meet a number it cannot work with."""
    return any(
        not is_safe(risk)
        for function in script.functions.values()
        for node in ast.walk(function)
        if isinstance(node, ast.Assign | ast.AugAssign | ast.If)
        for risk in _risks(node)
    )


def _indent(lines: list[str], node: ast.stmt) -> None:
    """Put a statement under one that passes over what cannot be worked out."""
    first, last = node.lineno - 1, (node.end_lineno or node.lineno)
    margin = " " * node.col_offset
    for at in range(first, last):
        lines[at] = "\0".join("    " + part if part else part for part in lines[at].split("\0"))
    guard = f"{margin}with suppress(ArithmeticError, LookupError):  # else nothing changes"
    lines[first] = f"{guard}\0{lines[first]}"


def _idle(tree: ast.Module, lines: list[str]) -> Iterator[int]:
    """Where a `pass` stands that no block needs: beside what does something, or what is told."""
    for node in ast.walk(tree):
        blocks = {ast.If: ("body", "orelse"), ast.FunctionDef: ("body",)}.get(type(node), ())
        for block in (getattr(node, name) for name in blocks):
            at = [line for line in (part.lineno for part in block) if _is_pass(lines[line - 1])]
            is_told = isinstance(node, ast.FunctionDef) and node.name in HANDLERS
            yield from at if is_told or len(at) < len(block) else at[1:]


def _is_pass(line: str) -> bool:
    return re.fullmatch(r" *pass *(#.*)?", line) is not None


def _functions(tree: ast.Module, lines: list[str], idle: Collection[int]) -> Iterator[str]:
    """Each function with the comments right above it, and without what is idle."""
    for node in tree.body:
        if not isinstance(node, ast.FunctionDef):
            continue
        first = node.lineno - 1
        while first and lines[first - 1].startswith("#"):
            first -= 1
        told = [
            _NO_HEADING.sub(r"#  -", re.sub(r"pass *", "", line) if at in idle else line)
            for at, line in enumerate(lines[first : node.end_lineno], first + 1)
            if at not in idle or "#" in line
        ]
        words = HANDLERS.get(node.name)
        if words:
            margin = " " * node.body[0].col_offset
            told.insert(node.lineno - first, f'{margin}"""{words[0].upper()}{words[1:]}."""')
        yield "\n".join(told)


def filled(words: str, known: Mapping[str, str]) -> str:
    """A maker's words as Python prints them, every place in braces filled in that is `known`."""
    if not any(name in known for name in places_in(words)):
        return quoted(words)
    parts = re.split(r"\{(\w+)\}", words)
    texts = [part.replace("{", "{{").replace("}", "}}") for part in parts[::2]]
    names = [f"{{{known[n]}}}" if n in known else f"{{{{{n}}}}}" for n in parts[1::2]]
    whole = "".join(text + name for text, name in zip(texts, [*names, ""], strict=True))
    return f"f{quoted(whole)}"
