"""The rule script, made ready to run.

Each handler becomes one Python function over plain values: the counters come in as a tuple
and go out as a tuple, facts are read once, the maker's own functions are written out where
they are called. Only nodes the parser has passed are used, every name is one made here, and
the functions see no builtins but those named below. After each assignment the new value is
held against the limit; what fails leaves a fault, and the counter as it was.
"""

import ast
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, NamedTuple

from dicetrail.core.document import Number
from dicetrail.core.rules.script.language import (
    COUNTS,
    FACTS,
    HANDLERS,
    LIMIT,
    SCRIPT_ACTIONS,
    SHARES,
    Event,
)
from dicetrail.core.rules.script.parse import Condition, Script

Counters = tuple[Number, ...]
Roll = Callable[[int], int]


class ScriptAction(NamedTuple):
    """A script action a handler did, or a fault it met, with the line and column where."""

    what: str
    value: Number | str | None
    line: int
    column: int


Handler = Callable[
    [Counters, Sequence[int], Any, list[ScriptAction], list[int], Roll | None], Counters
]
"""Counters, counts, outcome, script actions to add to, lines to add to, and the dice."""

First = Callable[[Counters, Sequence[int], Any, int, int], int | None]
"""The number of the first condition that holds, by counters, counts, outcome, leaders and
players; None if none does."""


@dataclass(frozen=True, eq=False)
class Handlers:
    """The handlers of a script, by event: lean ones, and ones that note the lines they run."""

    lean: dict[Event, Handler]
    traced: dict[Event, Handler]
    reads: dict[Event, tuple[str, ...]]
    """What each handler may read, in the order of the counters and facts."""


_FAULTS = "(ArithmeticError, LookupError, TypeError, ValueError)"


def percent(part: int, hundredths: int, whole: int) -> int:
    """A part of a whole, in percent, rounded half up; 0 if the whole is 0. `hundredths` are added
    to the part."""
    return (200 * part + 2 * hundredths + whole) // (2 * whole) if whole else 0


def _roll(roll: Roll, sides: Number) -> int:
    if not isinstance(sides, int) or sides < 1:
        raise ValueError("roll wants a whole number from 1 up")
    return roll(int(sides))


def _why(error: Exception) -> str:
    """A failure in words."""
    if isinstance(error, ZeroDivisionError):
        return "division by zero"
    if isinstance(error, IndexError):
        return "the list has no such place"
    if isinstance(error, TypeError):
        return "a list wants a whole number as its index"
    if isinstance(error, ValueError):
        return "roll wants a whole number from 1 up"
    return "this number is too large to work with"


_NAMES = {
    "__builtins__": {},
    "abs": abs,
    "len": len,
    "max": max,
    "min": min,
    "round": round,
    "ScriptAction": ScriptAction,
    "Faults": (ArithmeticError, LookupError, TypeError, ValueError),
    "bounded": f"the counter would go beyond {LIMIT:,}",
    "percent_of": percent,
    "rolled": _roll,
    "why": _why,
}

_OUTCOME_FACTS = tuple(name for name in FACTS if name not in {*COUNTS, *SHARES, "round_number"})


_LINE = "@"
"""Stands for the number of a line in what is noted of it."""


def _chosen(script: Script) -> dict[Event, ast.FunctionDef]:
    """The function that runs for each event."""
    chosen = {
        Event(name): function for name, function in script.functions.items() if name in HANDLERS
    }
    if Event.TIMEOUT not in chosen and Event.WRONG in chosen:
        chosen[Event.TIMEOUT] = chosen[Event.WRONG]
    return chosen


def watched_handlers(script: Script) -> dict[Event, Handler]:
    """Handlers that note, in place of each line they run, its number and the counters before it."""
    values = "".join(f"c_{name}, " for name in script.counters)
    note = f"({_LINE}, ({values}))"
    return {event: _handler(script, function, note) for event, function in _chosen(script).items()}


def compile_script(script: Script) -> Handlers:
    """The handlers of a checked script."""
    chosen = _chosen(script)
    reads = {event: _reads(script, function) for event, function in chosen.items()}
    return Handlers(
        {event: _handler(script, function, "") for event, function in chosen.items()},
        {event: _handler(script, function, _LINE) for event, function in chosen.items()},
        reads,
    )


def compile_conditions(
    conditions: Mapping[int, Condition], counters: Sequence[str]
) -> First | None:
    """Checked conditions, by their numbers, as one function that tries them in order; None for
    none. One that cannot be worked out does not hold."""
    if not conditions:
        return None
    reads = frozenset[str]().union(*(condition.reads for condition in conditions.values()))
    lines = [
        "def first(_c, _n, _o, f_leaders, f_player_count):",
        *(f"    c_{name} = _c[{place}]" for place, name in enumerate(counters) if name in reads),
        *_facts(reads),
    ]
    for number, condition in conditions.items():
        lines += [
            "    try:",
            f"        if {_written(condition.node, frozenset(counters), _truth)}: return {number}",
            "    except Faults: pass",
        ]
    return _made("\n".join(lines), "first")  # type: ignore[no-any-return]


def _handler(script: Script, function: ast.FunctionDef, note: str) -> Handler:
    counters = tuple(script.counters)
    inner = list(_block(script, function.body, "    ", note)) or ["    pass"]
    lines = [
        "def handler(_c, _n, _o, _d, _l, _r):",
        f"    ({', '.join('c_' + name for name in counters)},) = _c",
        *_facts(frozenset(_reads(script, function))),
        *inner,
        f"    return ({', '.join('c_' + name for name in counters)},)",
    ]
    return _made("\n".join(lines), "handler")  # type: ignore[no-any-return]


def _made(source: str, name: str) -> Any:
    """The function a source text defines. The text holds nothing but what was written here."""
    names: dict[str, Any] = dict(_NAMES)
    exec(compile(source, "<rules>", "exec"), names)
    return names[name]


def _facts(reads: frozenset[str]) -> Iterator[str]:
    """The lines that give the facts read their names."""
    for place, name in enumerate(COUNTS):
        if name in reads:
            yield f"    f_{name} = _n[{place}]"
    places = {count: f"_n[{place}]" for place, count in enumerate(COUNTS)}
    for name, (part, hundredths, whole) in SHARES.items():
        if name in reads:
            added = " + ".join(places[count] for count in whole)
            yield f"    f_{name} = percent_of({places[part]}, {places[hundredths]}, {added})"
    if "round_number" in reads:
        yield "    f_round_number = _o.round + 1"
    for name in _OUTCOME_FACTS:
        if name in reads:
            yield f"    f_{name} = _o.{name}"


def _reads(script: Script, function: ast.FunctionDef) -> tuple[str, ...]:
    """The counters and facts a function and those it calls may read."""
    found: set[str] = set()
    waiting, seen = [function], {function.name}
    while waiting:
        for node in ast.walk(waiting.pop()):
            if isinstance(node, ast.Name) and (
                isinstance(node.ctx, ast.Load) or node.id in script.counters
            ):
                found.add(node.id)
                if node.id in script.functions and node.id not in seen:
                    seen.add(node.id)
                    waiting.append(script.functions[node.id])
    return tuple(name for name in (*script.counters, *FACTS) if name in found)


def _block(script: Script, body: Sequence[ast.stmt], indent: str, note: str) -> Iterator[str]:
    for statement in body:
        if note:
            yield f"{indent}_l.append({note.replace(_LINE, str(statement.lineno))})"
        yield from _statement(script, statement, indent, note)


def _statement(script: Script, node: ast.stmt, indent: str, note: str) -> Iterator[str]:
    deeper = indent + " "
    match node:
        case ast.Assign(targets=[ast.Name(id=name)], value=value):
            yield from _assigned(script, name, value, node, indent)
        case ast.AugAssign(target=ast.Name(id=name), op=operator, value=value):
            whole = ast.BinOp(ast.Name(name, ast.Load()), operator, value)
            yield from _assigned(script, name, whole, node, indent)
        case ast.If(test=test, body=body, orelse=orelse):
            yield from _guarded(script, "_q", test, node, indent, "_q = None", _truth)
            yield f"{indent}if _q:"
            yield from _block(script, body, deeper, note)
            if orelse:
                yield f"{indent}elif _q is not None:"
                yield from _block(script, orelse, deeper, note)
        case ast.Expr(value=ast.Call(func=ast.Name(id=name), args=args)):
            if name in script.functions:
                yield from _block(script, script.functions[name].body, indent, note)
            elif SCRIPT_ACTIONS[name].takes == "number":
                yield from _guarded(script, "_t", args[0], node, indent, "_t = 0")
                yield f"{indent}_d.append(ScriptAction({name!r}, _t, {_where(node)}))"
            else:
                text = args[0].value if args and isinstance(args[0], ast.Constant) else None
                yield f"{indent}_d.append(ScriptAction({name!r}, {text!r}, {_where(node)}))"
        case _:
            yield f"{indent}pass"


def _assigned(
    script: Script, name: str, value: ast.expr, node: ast.stmt, indent: str
) -> Iterator[str]:
    whole = _written(value, frozenset(script.counters), _number)
    match value:
        case ast.Constant(value=int() | float() as number) if -LIMIT <= number <= LIMIT:
            yield f"{indent}c_{name} = {whole}"
            return
    yield f"{indent}try:"
    yield f"{indent} _t = {whole}"
    yield f"{indent} if -{LIMIT} <= _t <= {LIMIT}: c_{name} = _t"
    yield f"{indent} else: _d.append(ScriptAction('fault', bounded, {_where(node)}))"
    yield f"{indent}except Faults as _e: _d.append(ScriptAction('fault', why(_e), {_where(node)}))"


def _guarded(
    script: Script,
    name: str,
    value: ast.expr,
    node: ast.stmt,
    indent: str,
    otherwise: str,
    form: "_Form | None" = None,
) -> Iterator[str]:
    whole = _written(value, frozenset(script.counters), form or _number)
    yield f"{indent}try: {name} = {whole}"
    yield f"{indent}except Faults as _e:"
    yield f"{indent} _d.append(ScriptAction('fault', why(_e), {_where(node)}))"
    yield f"{indent} {otherwise}"


def _where(node: ast.stmt) -> str:
    return f"{node.lineno}, {node.col_offset + 1}"


_Form = Callable[[ast.expr, frozenset[str]], ast.expr]


def _written(node: ast.expr, counters: frozenset[str], form: _Form) -> str:
    """An expression as Python, in which counters and facts have the names made here."""
    return ast.unparse(form(node, counters))


def _number(node: ast.expr, counters: frozenset[str]) -> ast.expr:
    """The expression where a number is wanted: what is true counts as 1, what is not as 0."""
    match node:
        case ast.Constant(value=bool() as value):
            return ast.Constant(int(value))
        case ast.Compare() | ast.UnaryOp(op=ast.Not()):
            return ast.UnaryOp(ast.UAdd(), _truth(node, counters))
        case ast.BoolOp(op=operator, values=values):
            return ast.BoolOp(operator, [_number(value, counters) for value in values])
        case ast.IfExp(test=test, body=body, orelse=orelse):
            return ast.IfExp(
                _truth(test, counters), _number(body, counters), _number(orelse, counters)
            )
        case ast.UnaryOp(op=sign, operand=operand):
            return ast.UnaryOp(sign, _number(operand, counters))
        case ast.BinOp(left=left, op=operator, right=right):
            return ast.BinOp(_number(left, counters), operator, _number(right, counters))
        case ast.Subscript(value=items, slice=index):
            return ast.Subscript(_number(items, counters), _number(index, counters), ast.Load())
        case ast.List(elts=items):
            return ast.List([_number(item, counters) for item in items], ast.Load())
        case ast.Call(func=ast.Name(id=name), args=given):
            args = [_number(argument, counters) for argument in given]
            if name == "roll":
                return ast.Call(ast.Name("rolled"), [ast.Name("_r"), *args], [])
            return ast.Call(ast.Name(name), args, [])
        case ast.Name(id=name):
            return ast.Name(("c_" if name in counters else "f_") + name, ast.Load())
    return node


def _truth(node: ast.expr, counters: frozenset[str]) -> ast.expr:
    """The expression where it only matters whether it holds."""
    match node:
        case ast.Compare(left=left, ops=operators, comparators=others):
            return ast.Compare(
                _number(left, counters), operators, [_number(other, counters) for other in others]
            )
        case ast.UnaryOp(op=ast.Not(), operand=operand):
            return ast.UnaryOp(ast.Not(), _truth(operand, counters))
        case ast.BoolOp(op=operator, values=values):
            return ast.BoolOp(operator, [_truth(value, counters) for value in values])
    return _number(node, counters)
