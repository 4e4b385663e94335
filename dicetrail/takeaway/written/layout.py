"""Keep the comments of a module that is changed as a syntax tree, and print it as it is read.

A heading (`# ---- Ask: the question ----`) is a statement of the module. Any other comment is
kept with the statement under it, and goes where that goes.
"""

import ast
import re
import subprocess
from collections.abc import Callable, Iterator
from importlib.resources import files
from itertools import zip_longest

from ruff import find_ruff_bin  # type: ignore[import-untyped]

_SOURCE = files(__package__).joinpath("whole_program.py").read_text("utf-8")
WHOLE_PROGRAM = re.sub(r"\bPlain(?=[A-Z])", "", _SOURCE)
"""The module that every program is made from, its classes called as programs call them."""
WIDTH = 100
"""How many characters a line has at most, as far as texts can be broken."""
_COMMENT = re.compile(r"^( *)# (.*)$", re.M)
_PRINTED = re.compile(r"^( *)(['\"])# (.*)\2$", re.M)
_UNDER_HEADING = re.compile(r"^(# ---- .*)\n+", re.M)
_FORMAT = (
    *("format", "--isolated", "--no-cache", "--quiet"),
    *("--line-length", str(WIDTH), "--stdin-filename", "game.py", "-"),
)
"""Has Ruff lay out what it is handed as Python is usually laid out."""
_FORMAT_S = 60
"""The formatter may take this many seconds; it takes a thirtieth of one."""


def program_tree() -> ast.Module:
    """The whole program as a syntax tree, with its comments."""
    tree = ast.parse(_COMMENT.sub(r"\1'# \2'", WHOLE_PROGRAM))
    _in_blocks(tree, _with_comments_kept)
    return tree


def printed(tree: ast.Module) -> str:
    """The text of a module, its comments as comments."""
    _in_blocks(tree, _with_comments_back)
    text = _without_idle_brackets(ast.unparse(ast.fix_missing_locations(tree)))
    return _UNDER_HEADING.sub(r"\1\n", _PRINTED.sub(r"\1# \3", text))


def laid_out(text: str) -> str:
    """A program in the usual layout of Python, with long texts in several lines."""
    told = subprocess.run(
        (find_ruff_bin(), *_FORMAT),
        input=_with_plain_texts(text),
        capture_output=True,
        check=True,
        encoding="utf-8",
        timeout=_FORMAT_S,
    )
    return told.stdout


def comment_of(node: ast.stmt) -> str | None:
    """The comment kept with a statement."""
    return getattr(node, "comment", None)


def comment_on(node: ast.stmt, comment: str | None) -> None:
    """Keep a comment with a statement, unless it has one."""
    if comment and not comment_of(node):
        node.comment = comment  # type: ignore[attr-defined]


def _in_blocks(tree: ast.AST, change: Callable[[list[ast.stmt]], Iterator[ast.stmt]]) -> None:
    for node in ast.walk(tree):
        for name in ("body", "orelse"):
            block = getattr(node, name, None)
            if isinstance(block, list):
                setattr(node, name, list(change(block)))


def _with_comments_kept(block: list[ast.stmt]) -> Iterator[ast.stmt]:
    comment = None
    for node in block:
        match node:
            case ast.Expr(value=ast.Constant(value=str() as text)) if text.startswith(
                "# "
            ) and not _is_heading(node):
                comment = text
                continue
        comment_on(node, comment)
        comment = None
        yield node


def _is_heading(node: ast.stmt) -> bool:
    match node:
        case ast.Expr(value=ast.Constant(value=str() as text)):
            return text.startswith("# ----")
    return False


def _with_comments_back(block: list[ast.stmt]) -> Iterator[ast.stmt]:
    for node, after in zip_longest(block, block[1:]):
        if _is_heading(node) and (after is None or _is_heading(after)):
            continue  # nothing is left under it
        comment = comment_of(node)
        if comment:
            yield ast.Expr(ast.Constant(comment))
        yield node


def _without_idle_brackets(text: str) -> str:
    """The text without the brackets that `ast.unparse` puts round several values assigned at
    once, and twice round what a function goes through."""
    lines, idle = text.split("\n"), list[ast.expr]()
    for node in ast.walk(ast.parse(text)):
        match node:
            case ast.Assign(targets=[ast.Tuple()], value=ast.Tuple() as value):
                idle.append(value)
            case ast.Call(args=[ast.GeneratorExp() as value], keywords=[]):
                idle.append(value)
    places = [(n.lineno, at) for n in idle for at in (n.col_offset, (n.end_col_offset or 1) - 1)]
    for line, at in sorted(places, reverse=True):
        whole = lines[line - 1].encode()
        lines[line - 1] = (whole[:at] + whole[at + 1 :]).decode()
    return "\n".join(lines)


def _with_plain_texts(text: str) -> str:
    """The program with each text that is long for a line in several, one after the other, and
    with what has backslashes as it is."""
    lines = text.split("\n")
    nodes = sorted(_texts(ast.parse(text)), key=lambda one: (one.lineno, one.col_offset))
    for node in reversed(nodes):
        line = lines[node.lineno - 1].encode()
        at, end = node.col_offset, node.end_col_offset or 0
        literal = line[at:end].decode()
        whole = getattr(node, "value", "")
        if "\\" in whole and whole.isprintable() and '"' not in whole and whole[-1] != "\\":
            literal = f'r"{whole}"'
        elif len(pieces := [*_broken(literal)]) > 1:
            literal = " ".join(pieces)
            if line[at - 1 : at] + line[end : end + 1] != b"()":
                literal = f"({literal})"
        else:
            continue
        lines[node.lineno - 1] = line[:at].decode() + literal + line[end:].decode()
    return "\n".join(lines)


def _texts(node: ast.AST) -> Iterator[ast.expr]:
    """Every text of a program that stands in one line, but for docstrings."""
    for part in ast.iter_child_nodes(node):
        if isinstance(part, ast.Expr) and isinstance(part.value, ast.Constant):
            continue
        if isinstance(part, ast.JoinedStr) or (
            isinstance(part, ast.Constant) and isinstance(part.value, str)
        ):
            if part.lineno == part.end_lineno:
                yield part
        else:
            yield from _texts(part)


def _broken(literal: str) -> Iterator[str]:
    """A literal in pieces that have room in a line; what is filled in stays whole."""
    mark = "f" if literal.startswith("f") else ""
    quote, inner = literal[len(mark)], literal[len(mark) + 1 : -1]
    while inner:
        at = len(inner)
        if at > WIDTH - 16:
            ends = (n + 1 for n in range(WIDTH - 16, 0, -1) if inner[n] == " ")
            at = next((n for n in ends if inner[:n].count("{") == inner[:n].count("}")), at)
        yield f"{mark}{quote}{inner[:at]}{quote}"
        inner = inner[at:]
