"""The rule script, read and refused.

A script is a strict subset of Python, so Python's own parser reads it, and then every
node is looked at: what is not listed here is refused with its line and column, what is
allowed there and how to mend it. Nothing is evaluated. Length and depth are bounded before
the parser sees the text, so no text can take it long.
"""

import ast
import difflib
import io
import tokenize
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

from dicetrail.core.document import LONE_SURROGATE, Number, is_whole_text
from dicetrail.core.rules.script.language import (
    ENDING_FACTS,
    FACTS,
    FUNCTIONS,
    HANDLERS,
    LIMIT,
    MAX_CHARACTERS,
    MAX_CONDITION,
    MAX_DEPTH,
    MAX_NESTED,
    MAX_PARTS,
    MAX_STATEMENTS,
    MAX_TOKENS,
    QUESTION_FACTS,
    SCRIPT_ACTIONS,
    TEXT_FACTS,
    YIELDING,
    Event,
)


@dataclass(frozen=True, slots=True)
class ScriptFault:
    """What is wrong in a script, where (both from 1), and how to mend it."""

    line: int
    column: int
    what: str
    mend: str


class ScriptFaults(ValueError):
    """A script that is not in the language. `faults` lists everything found."""

    def __init__(self, faults: Iterable[ScriptFault]) -> None:
        self.faults = tuple(sorted(faults, key=lambda fault: (fault.line, fault.column)))
        super().__init__("; ".join(f"line {fault.line}: {fault.what}" for fault in self.faults))


@dataclass(frozen=True, slots=True)
class NamedInScript:
    """A name written in a text: of a cue, an ending or a round, or words with places."""

    script_action: str
    text: str
    line: int
    column: int


@dataclass(frozen=True, eq=False)
class Script:
    """A script that was checked: its counters with their first numbers, and its functions."""

    counters: dict[str, Number]
    functions: dict[str, ast.FunctionDef]
    said: tuple[NamedInScript, ...]
    reads: frozenset[str]
    """Every counter and fact that something in it reads."""

    @property
    def is_whole(self) -> bool:
        """Whether counters stay whole numbers in every run."""
        return all(isinstance(first, int) for first in self.counters.values()) and not any(
            isinstance(node, ast.Div)
            or (isinstance(node, ast.Constant) and isinstance(node.value, float))
            for function in self.functions.values()
            for node in ast.walk(function)
        )

    @property
    def script_actions(self) -> frozenset[str]:
        """The names of all that its functions do by calling."""
        return frozenset(
            name
            for function in self.functions.values()
            for node in ast.walk(function)
            if (name := _called(node)) in SCRIPT_ACTIONS and name not in self.functions
        )

    @property
    def called(self) -> frozenset[str]:
        """The functions of its own that others call."""
        nodes = (node for one in self.functions.values() for node in ast.walk(one))
        return frozenset(name for node in nodes if (name := _called(node)) in self.functions)

    @property
    def rolls(self) -> bool:
        """Whether chance is asked for."""
        return "roll" in self.reads


@dataclass(frozen=True, eq=False)
class Condition:
    """A checked condition: one expression over counters and facts."""

    node: ast.expr
    reads: frozenset[str]

    @property
    def size(self) -> int:
        """How many names, numbers and characters it has."""
        return sum(1 for _ in ast.walk(self.node))


_OPERATORS = (ast.Add, ast.Sub, ast.Mult, ast.Div, ast.FloorDiv, ast.Mod)
_COMPARISONS = (ast.Eq, ast.NotEq, ast.Lt, ast.LtE, ast.Gt, ast.GtE)
_EXPECTED = (
    "a number, a counter, a fact, + - * / // %, a comparison, and, or, not, "
    "a choice by if and else, a list with an index, or one of "
) + ", ".join(FUNCTIONS)


def parse(text: str) -> Script:
    """The script a text is. Raises ScriptFaults, listing everything that is wrong.

    >>> parse("score = 0\\ndef right():\\n    score += 1").counters
    {'score': 0}
    """
    checker = _Checker(text)
    module = _read(text, "exec")
    assert isinstance(module, ast.Module)
    script = checker.module(module)
    if checker.faults:
        raise ScriptFaults(checker.faults)
    return script


def parse_condition(text: str, counters: Iterable[str], final: bool) -> Condition:
    """The condition a text is, over these counters. Raises ScriptFaults.

    A `final` condition is tried once the game is over and may compare players.
    """
    _one_expression(text)
    # Brackets of ours let it go over several lines; the last line may end in a comment.
    bracketed = f"({text}\n)"
    checker = _Checker(bracketed)
    checker.counters = dict.fromkeys(counters, 0)
    checker.in_ending = True
    checker.is_final = final
    try:
        module = _read(bracketed, "eval", MAX_CONDITION)
        assert isinstance(module, ast.Expression)
        checker.number(module.body)
        if checker.faults:
            raise ScriptFaults(checker.faults)
    except ScriptFaults as error:
        raise ScriptFaults(
            replace(fault, column=max(1, fault.column - (fault.line == 1)))
            for fault in error.faults
        ) from None
    return Condition(module.body, frozenset(checker.reads))


def all_of(conditions: Sequence[Condition]) -> Condition:
    """The condition that holds if all of some do; of none, one that always holds."""
    if not conditions:
        return Condition(ast.Constant(True), frozenset())
    if len(conditions) == 1:
        return conditions[0]
    node = ast.BoolOp(ast.And(), [condition.node for condition in conditions])
    return Condition(node, frozenset().union(*(condition.reads for condition in conditions)))


def _one_expression(text: str) -> None:
    """Refuse a condition that is empty, or that would close brackets it has not opened."""
    open_, is_empty = 0, True
    try:
        for token in tokenize.generate_tokens(io.StringIO(text).readline):
            is_empty &= token.type in _EMPTY
            open_ += (token.string in ("(", "[", "{")) - (token.string in (")", "]", "}"))
            if open_ < 0:
                what = f"“{token.string}” closes what was not opened"
                raise _refused(*_place(token.start), what, "leave it out")
    except (tokenize.TokenError, IndentationError):
        return  # something is not closed: the parser says where it was opened
    if is_empty:
        raise _refused(1, 1, "there is no condition", "write one, such as score >= 10")


_EMPTY = (
    tokenize.COMMENT,
    tokenize.NL,
    tokenize.NEWLINE,
    tokenize.INDENT,
    tokenize.DEDENT,
    tokenize.ENDMARKER,
)


def _read(text: str, mode: str, most_tokens: int = MAX_TOKENS) -> ast.AST:
    """Python's own reading of a text that is short and flat enough. Raises ScriptFaults."""
    if len(text) > MAX_CHARACTERS:
        raise _refused(
            1, 1, f"the script has {len(text):,} characters", f"keep to {MAX_CHARACTERS:,}"
        )
    try:
        _measure(text, most_tokens)
        tree = ast.parse(text, mode=mode)
    except SyntaxError as error:
        line, column = error.lineno or 1, max(1, error.offset or 1)
        words = "this is not complete" if "EOF" in error.msg else error.msg
        raise _refused(line, column, words, "write it as in the examples beside") from None
    except (ValueError, RecursionError, MemoryError):
        raise _refused(1, 1, "this cannot be read", "write shorter statements") from None
    if deep := _deepest(tree):
        raise _refused(deep, 1, "this is nested too deeply", "split it up into functions")
    for node in ast.walk(tree):
        match node:
            case ast.Constant(value=str() as words, lineno=line) if not is_whole_text(words):
                raise _refused(line, 1, *LONE_SURROGATE)
    return tree


def _deepest(tree: ast.AST) -> int | None:
    """The line of a part that is nested too deeply; None if no part is."""
    below: list[tuple[ast.AST, int, int]] = [(tree, 0, 1)]
    while below:
        node, depth, line = below.pop()
        line = getattr(node, "lineno", line)
        if depth > MAX_DEPTH:
            return line
        below += [(child, depth + 1, line) for child in ast.iter_child_nodes(node)]
    return None


def _measure(text: str, most_tokens: int) -> None:
    """Refuse statements too long to be read safely."""
    tokens = 0
    try:
        for token in tokenize.generate_tokens(io.StringIO(text).readline):
            tokens = 0 if token.type == tokenize.NEWLINE else tokens + 1
            if tokens > most_tokens:
                raise _refused(*_place(token.start), "this statement is too long", "split it up")
    except tokenize.TokenError:
        return  # something is not closed: the parser says where it was opened


def _place(start: tuple[int, int]) -> tuple[int, int]:
    return start[0], start[1] + 1


def _refused(line: int, column: int, what: str, mend: str) -> ScriptFaults:
    return ScriptFaults((ScriptFault(line, column, what, mend),))


@dataclass(eq=False)
class _Checker:
    """One walk over a script. It notes faults and goes on, to find them all."""

    text: str
    faults: list[ScriptFault] = field(default_factory=list)
    counters: dict[str, Number] = field(default_factory=dict)
    functions: dict[str, ast.FunctionDef] = field(default_factory=dict)
    said: list[NamedInScript] = field(default_factory=list)
    reads: set[str] = field(default_factory=set)
    in_ending: bool = False
    is_final: bool = False

    @cached_property
    def lines(self) -> list[str]:
        """The text line by line, as the parser counts them."""
        return self.text.replace("\r\n", "\n").replace("\r", "\n").split("\n")

    def module(self, module: ast.Module) -> Script:
        for node in module.body:
            match node:
                case ast.Assign():
                    self._counter(node)
                case ast.FunctionDef():
                    self._function(node)
                case _:
                    self._fault(
                        node,
                        "only counters and functions stand at the left edge",
                        "write a counter such as lives = 3, or def and a name, or indent this",
                    )
        self.counters = {"score": 0} | self.counters
        for function in self.functions.values():
            for statement in function.body:
                self._statement(statement)
        if not self.faults:
            self._calls()
        return Script(self.counters, self.functions, tuple(self.said), frozenset(self.reads))

    def _fault(self, node: ast.AST, what: str, mend: str) -> None:
        self.faults.append(ScriptFault(*self._at(node), what, mend))

    def _at(self, node: ast.AST) -> tuple[int, int]:
        """The line and column of a node, in characters, from 1. The parser counts in bytes."""
        line, offset = getattr(node, "lineno", 1), getattr(node, "col_offset", 0)
        text = self.lines[line - 1] if line <= len(self.lines) else ""
        return line, len(text.encode()[:offset].decode(errors="ignore")) + 1

    def _counter(self, node: ast.Assign) -> None:
        target = node.targets[0]
        if len(node.targets) != 1 or not isinstance(target, ast.Name):
            self._fault(node, "a counter has one name", "write it as lives = 3")
            return
        value = _written_number(node.value)
        if value is None:
            mend = "write a number; rules that change it stand in a function"
            self._fault(node.value, f"“{target.id}” does not begin with a number", mend)
        elif target.id in self.counters or target.id in self.functions:
            self._fault(target, f"“{target.id}” is here twice", "take one of them out")
        elif self._is_free(target, target.id):
            self.counters[target.id] = self._bounded(node.value, value)

    def _is_free(self, node: ast.AST, name: str) -> bool:
        """Whether a name can be given to something; a fault if not."""
        taken: dict[str, Iterable[str]] = {
            "fact": FACTS | ENDING_FACTS,
            "action": SCRIPT_ACTIONS,
            "function": FUNCTIONS,
        }
        for kind, names in taken.items():
            if name in names and name not in YIELDING:
                self._fault(node, f"“{name}” is a {kind} already", "choose another name")
                return False
        is_handler = name in HANDLERS and name not in YIELDING
        if is_handler and not isinstance(node, ast.FunctionDef):
            self._fault(node, f"“{name}” is a handler already", "choose another name")
            return False
        if name.startswith("_"):
            self._fault(node, f"“{name}” begins with an underscore", "begin it with a letter")
            return False
        return True

    def _function(self, node: ast.FunctionDef) -> None:
        arguments = node.args
        if (
            arguments.args
            or arguments.posonlyargs
            or arguments.kwonlyargs
            or arguments.vararg
            or arguments.kwarg
        ):
            self._fault(node, "a function takes nothing", f"write def {node.name}():")
        if node.decorator_list or node.returns:
            self._fault(node, "a function stands by itself", f"write def {node.name}():")
        if node.name in self.functions or node.name in self.counters:
            self._fault(node, f"“{node.name}” is here twice", "take one of them out")
        elif self._is_free(node, node.name):
            self.functions[node.name] = node

    def _statement(self, node: ast.stmt) -> None:
        match node:
            case ast.Assign(targets=[ast.Name() as target], value=value):
                self._assigned(target)
                self.number(value)
            case ast.AugAssign(target=ast.Name() as target, op=operator, value=value):
                self._assigned(target)
                self.reads.add(target.id)
                self._operator(node, operator)
                self.number(value)
            case ast.If(test=test, body=body, orelse=orelse):
                self.number(test)
                for inner in (*body, *orelse):
                    self._statement(inner)
            case ast.Expr(value=ast.Call() as call):
                self._script_action(call)
            case ast.Pass():
                pass
            case _:
                self._fault(
                    node,
                    f"{_words_for(node)} cannot stand here",
                    "change a counter, write if, call a function of yours, or one of "
                    + ", ".join(SCRIPT_ACTIONS),
                )

    def _assigned(self, target: ast.Name) -> None:
        if target.id in self.counters:
            return
        if target.id in FACTS:
            mend = "keep a counter of your own for what you want to change"
            self._fault(target, f"“{target.id}” is a fact and cannot be changed", mend)
        else:
            self._unknown(target, "counter", self.counters, f"add {target.id} = 0 at the top")

    def _unknown(self, node: ast.AST, kind: str, names: Iterable[str], mend: str) -> None:
        name = getattr(node, "id", "")
        near = difflib.get_close_matches(name, list(names), 1, 0.6)
        if near:
            mend = f"write {near[0]}, if that is meant; else {mend}"
        self._fault(node, f"there is no {kind} “{name}”", mend)

    def _script_action(self, call: ast.Call) -> None:
        name = call.func
        if not isinstance(name, ast.Name):
            self._fault(call, "only functions by their names can be called", "write a plain name")
            return
        if call.keywords or any(isinstance(given, ast.Starred) for given in call.args):
            self._fault(call, "brackets hold plain values only", "leave names and stars out")
            return
        if name.id in self.functions:
            if call.args:
                self._fault(call, f"“{name.id}” takes nothing", f"write {name.id}()")
            return
        script_action = SCRIPT_ACTIONS.get(name.id)
        if script_action is None:
            if name.id in FUNCTIONS:
                mend = f"write it in a rule, such as score += {name.id}(…)"
                self._fault(call, f"“{name.id}” alone does nothing", mend)
                return
            names = (*SCRIPT_ACTIONS, *self.functions)
            self._unknown(name, "action or function", names, f"add def {name.id}():")
            return
        wanted = 0 if script_action.takes == "nothing" else 1
        if len(call.args) != wanted:
            inside = {"nothing": "", "text": '"…"', "number": "5"}[script_action.takes]
            self._fault(
                call, f"“{name.id}” takes {script_action.takes}", f"write {name.id}({inside})"
            )
        elif script_action.takes == "text":
            given = call.args[0]
            if isinstance(given, ast.Constant) and isinstance(given.value, str):
                self.said.append(NamedInScript(name.id, given.value, *self._at(given)))
            else:
                self._fault(given, f"“{name.id}” wants words in quotes", f'write {name.id}("…")')
        elif script_action.takes == "number":
            self.number(call.args[0])

    def number(self, node: ast.expr) -> None:
        """Check an expression that gives a number."""
        match node:
            case ast.Constant(value=bool()):
                pass
            case ast.Constant(value=int() | float() as value):
                self._bounded(node, value)
            case ast.Name():
                self._read_name(node)
            case ast.BinOp(left=left, op=operator, right=right):
                self._operator(node, operator)
                self.number(left)
                self.number(right)
            case ast.UnaryOp(op=ast.Not() | ast.USub() | ast.UAdd(), operand=operand):
                self.number(operand)
            case ast.BoolOp(values=values):
                for part in values:
                    self.number(part)
            case ast.IfExp(test=test, body=body, orelse=orelse):
                for part in (test, body, orelse):
                    self.number(part)
            case ast.Compare():
                self._comparison(node)
            case ast.Subscript(value=ast.List() as items, slice=index):
                self._list(items)
                self._index(index)
            case ast.Call():
                self._call(node)
            case ast.List():
                self._fault(node, "a list stands here without an index", "write [3, 2, 1][0]")
            case ast.Constant(value=str()):
                self._fault(
                    node, "words stand where a number is wanted", 'compare them: verdict == "close"'
                )
            case _:
                self._fault(node, f"{_words_for(node)} cannot stand here", f"write {_EXPECTED}")

    def _index(self, index: ast.expr) -> None:
        if any(
            isinstance(node, ast.Div)
            or (isinstance(node, ast.Constant) and isinstance(node.value, float))
            for node in ast.walk(index)
        ):
            self._fault(index, "an index is a whole number", "divide with // instead of /")
        self.number(index)

    def _list(self, items: ast.List) -> None:
        if not items.elts:
            self._fault(items, "the list is empty", "write numbers in it")
        for item in items.elts:
            self.number(item)

    def _read_name(self, node: ast.Name) -> None:
        name = node.id
        known = set(self.counters) | set(FACTS)
        if self.in_ending:
            known |= set(ENDING_FACTS)
        if name in TEXT_FACTS:
            self._fault(node, f"“{name}” is a word", f'compare it: {name} == "close"')
        elif name in ENDING_FACTS and self.in_ending and not self.is_final:
            mend = "let the ending be tried when the game is over, not at once"
            self._fault(node, f"“{name}” is known once the game is over", mend)
        elif name in QUESTION_FACTS and self.is_final and name not in self.counters:
            mend = "keep it in a counter while the question is in play"
            self._fault(node, f"“{name}” means nothing once the game is over", mend)
        elif name in known:
            self.reads.add(name)
        else:
            self._unknown(node, "counter or fact", known, f"add {name} = 0 at the top")

    def _comparison(self, node: ast.Compare) -> None:
        sides = [node.left, *node.comparators]
        words = [side for side in sides if _is_word(side)]
        if not words:
            for operator in node.ops:
                if not isinstance(operator, _COMPARISONS):
                    mend = "compare with == != < <= > >="
                    self._fault(node, "“in” and “is” cannot stand here", mend)
            for side in sides:
                self.number(side)
            return
        if len(words) != len(sides) or not all(
            isinstance(operator, ast.Eq | ast.NotEq) for operator in node.ops
        ):
            self._fault(
                node,
                "words are compared with words, by == or !=",
                'write it as verdict == "close"',
            )
        if self.is_final:
            mend = "keep it in a counter while the question is in play"
            self._fault(node, "“verdict” means nothing once the game is over", mend)
        self.reads.update(side.id for side in words if isinstance(side, ast.Name))

    def _call(self, call: ast.Call) -> None:
        name = call.func
        if not isinstance(name, ast.Name) or call.keywords:
            self._fault(call, "only functions by their names can be called", "write a plain name")
            return
        if name.id not in FUNCTIONS:
            if name.id in SCRIPT_ACTIONS or name.id in self.functions:
                mend = "write it on a line of its own"
                self._fault(call, f"“{name.id}” gives no number", mend)
            else:
                self._unknown(name, "function", FUNCTIONS, f"use one of {', '.join(FUNCTIONS)}")
            return
        count = len(call.args)
        if name.id == "len":
            if count == 1 and isinstance(call.args[0], ast.List):
                self._list(call.args[0])
            else:
                self._fault(call, "“len” wants a written list", "write len([3, 2, 1])")
            return
        if (count < 2) if name.id in ("min", "max") else (count != 1):
            wanted = "two or more numbers" if name.id in ("min", "max") else "one number"
            self._fault(call, f"“{name.id}” wants {wanted}", f"{FUNCTIONS[name.id]}")
        if name.id == "roll":
            if self.in_ending:
                mend = "roll in a handler and keep it in a counter"
                self._fault(call, "no dice are rolled in a condition", mend)
            self.reads.add("roll")
        for given in call.args:
            self.number(given)

    def _operator(self, node: ast.AST, operator: ast.operator) -> None:
        if not isinstance(operator, _OPERATORS):
            mend = "use + - * / // or %"
            if isinstance(operator, ast.Pow):
                mend = "multiply instead, such as combo * combo"
            self._fault(node, "this operator is not in the language", mend)

    def _bounded(self, node: ast.AST, value: Number) -> Number:
        if not -LIMIT <= value <= LIMIT:
            self._fault(node, "this number is too large", f"stay within {LIMIT:,} up or down")
            return 0
        return value

    def _calls(self) -> None:
        """Refuse call cycles, handlers that run too long, and script actions out of their place."""
        lengths: dict[str, int] = {}
        for name, function in self.functions.items():
            if self._length(name, (), lengths) > MAX_STATEMENTS:
                self._fault(
                    function,
                    f"“{name}” would run more than {MAX_STATEMENTS:,} statements",
                    "call fewer functions from one another",
                )
                return
        if self.faults:
            return
        sizes: dict[str, int] = {}
        parts = 0
        for name, function in self.functions.items():
            if name in HANDLERS:
                parts += self._size(name, sizes)
                if parts > MAX_PARTS:
                    what = f"the rules have more than {MAX_PARTS:,} parts, functions written out"
                    self._fault(function, what, "write shorter rules, or call fewer functions")
                    return
        depths: dict[str, int] = {}
        for name, function in self.functions.items():
            if self._depth(function.body, depths) > MAX_NESTED:
                mend = "split it up: fewer ifs and elifs inside one another"
                self._fault(function, f"“{name}” is nested too deeply", mend)
            if name in HANDLERS:
                self._script_actions_in_place(name, name, set())

    def _depth(self, body: Iterable[ast.stmt], depths: dict[str, int]) -> int:
        """How many ifs stand in one another, those of called functions included."""
        deepest = 0
        for node in body:
            if isinstance(node, ast.If):
                inner = max(self._depth(node.body, depths), self._depth(node.orelse, depths))
                deepest = max(deepest, inner + 1)
            elif isinstance(node, ast.Expr) and (called := _called(node.value)) in self.functions:
                if called not in depths:
                    depths[called] = self._depth(self.functions[called].body, depths)
                deepest = max(deepest, depths[called])
        return deepest

    def _length(self, name: str, above: tuple[str, ...], lengths: dict[str, int]) -> int:
        if name in lengths:
            return lengths[name]
        total = 0
        for node in ast.walk(self.functions[name]):
            total += isinstance(node, ast.stmt)
            called = _called(node)
            if called in (*above, name):
                self._fault(node, f"“{called}” comes back to itself", "break the circle of calls")
            elif called in self.functions:
                total += self._length(called, (*above, name), lengths)
        lengths[name] = min(total, MAX_STATEMENTS + 1)
        return lengths[name]

    def _size(self, name: str, sizes: dict[str, int]) -> int:
        """How many parts a function has, those it calls written out."""
        if name not in sizes:
            size = 0
            for node in ast.walk(self.functions[name]):
                size += 10 if isinstance(node, ast.stmt) else 1
                if (called := _called(node)) in self.functions:
                    size += self._size(called, sizes)
            sizes[name] = size
        return sizes[name]

    def _script_actions_in_place(self, handler: str, name: str, seen: set[str]) -> None:
        if name in seen:
            return
        seen.add(name)
        for node in ast.walk(self.functions[name]):
            called = _called(node)
            if called in self.functions:
                self._script_actions_in_place(handler, called, seen)
            elif called in SCRIPT_ACTIONS and handler not in SCRIPT_ACTIONS[called].handlers:
                places = ", ".join(SCRIPT_ACTIONS[called].handlers)
                self._fault(node, f"“{called}” cannot be done in {handler}", f"do it in {places}")


def _called(node: ast.AST) -> str:
    """The function a node calls by its name; empty if it calls none."""
    if isinstance(node, ast.Call) and isinstance(node.func, ast.Name):
        return node.func.id
    return ""


def _is_word(node: ast.expr) -> bool:
    if isinstance(node, ast.Name):
        return node.id in TEXT_FACTS
    return isinstance(node, ast.Constant) and isinstance(node.value, str)


def _written_number(node: ast.expr) -> Number | None:
    match node:
        case ast.Constant(value=bool()):
            return None
        case ast.Constant(value=int() | float() as value):
            return value
        case ast.UnaryOp(op=ast.USub(), operand=ast.Constant(value=int() | float() as value)):
            return None if isinstance(value, bool) else -value
    return None


def _words_for(node: ast.AST) -> str:
    """What a node is called in words."""
    return _WORDS.get(type(node), "this")


_WORDS: dict[type[ast.AST], str] = {
    ast.For: "a loop",
    ast.While: "a loop",
    ast.Import: "an import",
    ast.ImportFrom: "an import",
    ast.Return: "return",
    ast.Attribute: "a dot",
    ast.FunctionDef: "a function inside another",
    ast.ClassDef: "a class",
    ast.Lambda: "lambda",
    ast.Dict: "a dictionary",
    ast.Tuple: "a row of values",
    ast.JoinedStr: "a text with places",
    ast.ListComp: "a loop",
    ast.GeneratorExp: "a loop",
    ast.NamedExpr: "an assignment",
    ast.Assign: "an assignment to several names",
    ast.Global: "global, which is not needed,",
    ast.Try: "try",
    ast.With: "with",
    ast.Delete: "del",
}

__all__ = [
    "Condition",
    "Event",
    "NamedInScript",
    "Script",
    "ScriptFault",
    "ScriptFaults",
    "all_of",
    "parse",
    "parse_condition",
]
