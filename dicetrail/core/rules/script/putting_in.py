"""Putting one script into another: its counters, and what its functions do, beside what is there.

Nothing that stands there is taken out. A function both have does first what it did, then what
is put in; a counter both have keeps the number it begins with.
"""

import ast

from dicetrail.core.document import GameProblems, Problem


def put_in(script: str, other: str) -> str:
    """A script with another put into it. Raises GameProblems if either cannot be read.

    >>> print(put_in("score = 0\\n\\ndef right():\\n    score += 1\\n", "lives = 3\\n"))
    score = 0
    lives = 3
    <BLANKLINE>
    def right():
        score += 1
    <BLANKLINE>
    """
    try:
        script, other = _spread(script), _spread(other)
        here, there = ast.parse(script), ast.parse(other)
    except (SyntaxError, ValueError, RecursionError) as error:
        where = f"script[{getattr(error, 'lineno', None) or 1}:1]"
        mend = "mend the script first, or take the recipe in place of it"
        raise GameProblems((Problem(where, "this script cannot be read", mend),)) from None
    lines, source = script.rstrip("\n").split("\n") if script.strip() else [], other.split("\n")
    functions = {node.name: node for node in here.body if isinstance(node, ast.FunctionDef)}
    counters = [node for node in here.body if isinstance(node, ast.Assign)]
    known = {_name(node) for node in counters}
    after_counters = max((_last(node) for node in counters), default=0)
    added: dict[int, list[str]] = {}
    for node in there.body:
        text = source[node.lineno - 1 : _last(node)]
        if isinstance(node, ast.Assign):
            if _name(node) not in known:
                added.setdefault(after_counters, []).extend(text)
        elif isinstance(node, ast.FunctionDef):
            if node.name not in functions:
                added.setdefault(len(lines), []).extend(["", *text])
            else:
                body = source[node.body[0].lineno - 1 : _last(node)]
                there_too = functions[node.name]
                added.setdefault(_last(there_too), []).extend(_indented(body, there_too, lines))
    for place in sorted(added, reverse=True):
        lines[place:place] = added[place]
    return "\n".join(lines).lstrip("\n") + "\n"


def _spread(script: str) -> str:
    """The script with no function in a single line."""
    lines = script.split("\n")
    for node in reversed(ast.parse(script).body):
        if isinstance(node, ast.FunctionDef) and node.body[0].lineno == node.lineno:
            line = lines[node.lineno - 1].encode()
            at = node.body[0].col_offset  # counted in bytes
            head, body = line[:at].decode().rstrip(), line[at:].decode()
            lines[node.lineno - 1 : node.lineno] = [head, f"    {body}"]
    return "\n".join(lines)


def _last(node: ast.stmt) -> int:
    return node.end_lineno or node.lineno


def _name(node: ast.Assign) -> str:
    target = node.targets[0]
    return target.id if isinstance(target, ast.Name) else ""


def _indented(body: list[str], function: ast.FunctionDef, lines: list[str]) -> list[str]:
    """Lines as deep as the body of the function they are put into."""
    first = lines[function.body[0].lineno - 1]
    wanted = first[: len(first) - len(first.lstrip())] or "    "
    own = body[0][: len(body[0]) - len(body[0].lstrip())]
    return [wanted + line.removeprefix(own) if line.strip() else "" for line in body]
