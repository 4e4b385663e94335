"""Specialise a module for one game (partial evaluation of its syntax tree).

`Known` lists the values that an expression can have in the game. It names an expression by its last
two names: `round_.tries` stands for the tries of any round. An expression with one possible value
becomes that value. A test with one possible answer is removed, together with the branch that is
never taken. Parameters, locals, fields, functions and names that nothing reads are removed by
`shaking`. All this repeats until nothing changes.
"""

import ast
import operator
from collections.abc import Callable, Collection, Mapping, Sequence
from itertools import product
from typing import cast

from dicetrail.takeaway.written.layout import comment_of, comment_on
from dicetrail.takeaway.written.literals import Written
from dicetrail.takeaway.written.shaking import (
    Owners,
    Uses,
    drop_unread_fields,
    drop_unread_names,
    simplify_functions,
    simplify_locals,
)
from dicetrail.takeaway.written.trees import Transformer, address, is_pure, walk

Values = frozenset[object]
Known = Mapping[str, Values]
"""The values that expressions can have, by what `address` calls them."""

_Statements = list[ast.stmt]
_MAX_PAIRS = 400
"""So many pairs of values are compared at most."""
_COMPARED: dict[type[ast.cmpop], Callable[[object, object], object]] = {
    ast.Eq: operator.eq,
    ast.NotEq: operator.ne,
    ast.Lt: cast("Callable[[object, object], object]", operator.lt),
    ast.LtE: cast("Callable[[object, object], object]", operator.le),
    ast.Gt: cast("Callable[[object, object], object]", operator.gt),
    ast.GtE: cast("Callable[[object, object], object]", operator.ge),
    ast.In: lambda one, many: one in cast("Sequence[object]", many),
    ast.NotIn: lambda one, many: one not in cast("Sequence[object]", many),
    ast.Is: operator.is_,
    ast.IsNot: operator.is_not,
}
_ENDS = (ast.Return, ast.Continue, ast.Break)


def value_node(value: object) -> ast.expr:
    """A value as an expression."""
    if isinstance(value, Written):
        return ast.parse(value, mode="eval").body
    if isinstance(value, tuple):
        return ast.List([value_node(part) for part in value], ast.Load())
    return ast.Constant(cast("str", value))


class _Specialiser(Transformer):
    """Replaces expressions with one possible value, and removes branches that are never taken."""

    def __init__(self, known: Known) -> None:
        self.known = known

    # What is known of an expression

    def values(self, node: ast.expr) -> Values | None:
        """Every value that an expression can have."""
        match node:
            case ast.Constant(value=value):
                return frozenset([value])
            case ast.Tuple(elts=parts) | ast.List(elts=parts):
                each = [self.values(part) for part in parts]
                if all(one is not None and len(one) == 1 for one in each):
                    return frozenset([tuple(next(iter(one or ())) for one in each)])
        return self.known.get(address(node))

    def truth(self, node: ast.expr) -> bool | None:
        """Whether an expression counts as true, if that is known."""
        if isinstance(node, ast.Call) and address(node.func) == "bool":
            return self.truth(node.args[0])
        if isinstance(node, ast.BinOp) and isinstance(node.op, ast.Mult):
            truths = [self.truth(node.left), self.truth(node.right)]
            return all(truths) if None not in truths else None
        truths = [*{bool(value) for value in self.values(node) or ()}]
        return truths[0] if len(truths) == 1 else None

    def is_boolean(self, node: ast.expr) -> bool:
        """Whether an expression is true or false and nothing else."""
        match node:
            case ast.Name(id=name) | ast.Attribute(attr=name):
                return name.startswith("is_")
            case ast.BoolOp(values=parts):
                return all(map(self.is_boolean, parts))
            case ast.Call(func=ast.Name(id="bool")) | ast.Compare():
                return True
            case ast.UnaryOp(op=ast.Not()):
                return True
        return isinstance(node, ast.Constant) and isinstance(node.value, bool)

    # Expressions

    def visit_Attribute(self, node: ast.Attribute) -> ast.expr:
        self.generic_visit(node)
        return self._known_value(node)

    def visit_Name(self, node: ast.Name) -> ast.expr:
        return self._known_value(node)

    def _known_value(self, node: ast.Attribute | ast.Name) -> ast.expr:
        values = self.known.get(address(node), frozenset())
        if len(values) != 1 or not isinstance(node.ctx, ast.Load):
            return node
        value = next(iter(values))
        if isinstance(node, ast.Name) and node.id.isupper() and node.id != "TITLE":
            return node  # a constant of the program has its name
        if isinstance(node, ast.Attribute) and node.attr == "to":
            return node
        is_plain = value is None or isinstance(value, bool | int | str | tuple)
        return value_node(value) if is_plain else node

    def visit_Compare(self, node: ast.Compare) -> ast.expr:
        self.generic_visit(node)
        if len(node.ops) > 1:
            return node
        left, right = self.values(node.left), self.values(node.comparators[0])
        if left is None or right is None or len(left) * len(right) > _MAX_PAIRS:
            return node
        compared = _COMPARED[type(node.ops[0])]
        try:
            found = {bool(compared(one, other)) for one, other in product(left, right)}
        except TypeError:
            return node
        if len(found) == 1:
            return ast.Constant(found.pop())
        several = node.comparators[0]
        if isinstance(node.ops[0], ast.In | ast.NotIn) and isinstance(several, ast.Tuple):
            parts = [one for one in several.elts if left & (self.values(one) or set())]
            if len(parts) == 1:
                same = ast.Eq() if isinstance(node.ops[0], ast.In) else ast.NotEq()
                return ast.Compare(node.left, [same], parts)
            several.elts = parts
        return node

    def visit_BoolOp(self, node: ast.BoolOp) -> ast.expr:
        self.generic_visit(node)
        is_and, kept = isinstance(node.op, ast.And), list[ast.expr]()
        for part in node.values:
            truth = self.truth(part)
            if truth is is_and and (part is not node.values[-1] or self._are_booleans(kept)):
                continue  # it decides nothing
            kept.append(part)
            if truth is not None and truth is not is_and:
                break  # it decides
        if not kept:
            return node.values[-1]
        if self._are_booleans(kept) and self.truth(kept[-1]) is (not is_and):
            return ast.Constant(not is_and)
        return kept[0] if len(kept) == 1 else ast.BoolOp(node.op, kept)

    def _are_booleans(self, nodes: list[ast.expr]) -> bool:
        return bool(nodes) and all(map(self.is_boolean, nodes))

    def visit_UnaryOp(self, node: ast.UnaryOp) -> ast.expr:
        self.generic_visit(node)
        truth = self.truth(node.operand) if isinstance(node.op, ast.Not) else None
        return node if truth is None else ast.Constant(not truth)

    def visit_BinOp(self, node: ast.BinOp) -> ast.expr:
        self.generic_visit(node)
        if isinstance(node.op, ast.Mult):
            for part, other in ((node.left, node.right), (node.right, node.left)):
                if isinstance(part, ast.Constant) and part.value == 1:
                    return other
        return node

    def visit_IfExp(self, node: ast.IfExp) -> ast.expr:
        self.generic_visit(node)
        node.test = self._test(node.test)
        truth = self.truth(node.test)
        if truth is not None:
            return node.body if truth else node.orelse
        return node.body if ast.dump(node.body) == ast.dump(node.orelse) else node

    def visit_Call(self, node: ast.Call) -> ast.expr:
        self.generic_visit(node)
        match node:
            case ast.Call(func=ast.Name(id="bool"), args=[part]) if self.truth(part) is not None:
                return ast.Constant(self.truth(part))
            case ast.Call(func=ast.Name(id="min"), args=parts) if not node.keywords:
                return self._least(node, parts)
            case ast.Call(func=ast.Name(id="islice"), args=[part, ast.Constant(value=None)]):
                return part
            case ast.Call(func=ast.Name(id="zip"), args=[_, ast.List(elts=[])]):
                return ast.List([], ast.Load())
        return node

    def _least(self, node: ast.Call, parts: list[ast.expr]) -> ast.expr:
        """The least of several, without those that never are, or that stand there twice."""
        endless = frozenset([float("inf")])
        texts = {ast.dump(p): p for p in parts if self.known.get(address(p)) != endless}
        node.args = list(texts.values()) or parts
        return node.args[0] if len(node.args) == 1 and len(parts) > 1 else node

    def _without_impossible(self, texts: ast.Dict, key: ast.expr) -> None:
        possible = self.values(key)
        if possible is not None:
            kept = [
                (one, value)
                for one, value in zip(texts.keys, texts.values, strict=True)
                if not isinstance(one, ast.Constant) or one.value in possible
            ]
            texts.keys, texts.values = [one for one, _ in kept], [value for _, value in kept]

    def visit_Subscript(self, node: ast.Subscript) -> ast.expr:
        self.generic_visit(node)
        if not isinstance(node.value, ast.Dict):
            return node
        self._without_impossible(node.value, node.slice)
        same = {ast.dump(value) for value in node.value.values}
        return node.value.values[0] if len(same) == 1 else node

    def visit_List(self, node: ast.List) -> ast.expr:
        return self._without_nothing(node)

    def visit_Set(self, node: ast.Set) -> ast.expr:
        return self._without_nothing(node)

    def _without_nothing(self, node: ast.List | ast.Set) -> ast.expr:
        self.generic_visit(node)
        node.elts = [
            part
            for part in node.elts
            if not (isinstance(part, ast.Starred) and self.truth(part.value) is False)
        ]
        return node

    def visit_ListComp(self, node: ast.ListComp) -> ast.expr:
        return self._comprehended(node)

    def visit_GeneratorExp(self, node: ast.GeneratorExp) -> ast.expr:
        return self._comprehended(node)

    def _comprehended(self, node: ast.ListComp | ast.GeneratorExp) -> ast.expr:
        self.generic_visit(node)
        for part in node.generators:
            tests = [self._test(test) for test in part.ifs]
            part.ifs = [test for test in tests if self.truth(test) is not True]
            if self.truth(part.iter) is False:
                return ast.List([], ast.Load())
        several = [part for part in node.generators if not _is_idle(part, node)]
        if several:
            node.generators = several
        return node

    def visit_JoinedStr(self, node: ast.JoinedStr) -> ast.expr:
        self.generic_visit(node)
        parts: list[ast.expr] = []
        for part in node.values:
            inner: list[ast.expr] = [part]
            if isinstance(part, ast.FormattedValue) and part.conversion == -1:
                if isinstance(part.value, ast.JoinedStr):
                    inner = part.value.values
                elif isinstance(part.value, ast.Constant) and isinstance(part.value.value, str):
                    inner = [part.value]
            for one in inner:
                last = parts[-1] if parts else None
                if isinstance(one, ast.Constant) and isinstance(last, ast.Constant):
                    parts[-1] = ast.Constant(str(last.value) + str(one.value))
                else:
                    parts.append(one)
        if all(isinstance(part, ast.Constant) for part in parts):
            return parts[0] if parts else ast.Constant("")
        return ast.JoinedStr(parts)

    # Tests and statements

    def _test(self, node: ast.expr) -> ast.expr:
        """A test without what decides nothing in it."""
        if not isinstance(node, ast.BoolOp):
            return node
        idle = isinstance(node.op, ast.And)
        parts = [self._test(part) for part in node.values]
        if any(self.truth(part) is (not idle) for part in parts) and all(map(is_pure, parts)):
            return ast.Constant(not idle)
        kept = [part for part in parts if self.truth(part) is not idle]
        return ast.BoolOp(node.op, kept) if len(kept) > 1 else (kept or parts)[-1]

    def visit_If(self, node: ast.If) -> ast.If | _Statements:
        self.generic_visit(node)
        node.test = self._test(node.test)
        truth = self.truth(node.test)
        if truth is not None:
            taken = node.body if truth else node.orelse
            if taken:
                comment_on(taken[0], comment_of(node))
            return taken
        if not node.body:
            if not node.orelse:
                return []
            node.test, node.body, node.orelse = ast.UnaryOp(ast.Not(), node.test), node.orelse, []
        return node

    def visit_While(self, node: ast.While) -> ast.While | _Statements:
        self.generic_visit(node)
        return [] if self.truth(node.test) is False else node

    def visit_For(self, node: ast.For) -> ast.For | _Statements:
        self.generic_visit(node)
        return [] if self.truth(node.iter) is False else node

    def generic_visit(self, node: ast.AST) -> ast.AST:
        super().generic_visit(node)
        for name in ("body", "orelse"):
            block = getattr(node, name, None)
            if isinstance(block, list):
                setattr(node, name, _until_it_ends(block))
        return node


def _is_idle(part: ast.comprehension, whole: ast.ListComp | ast.GeneratorExp) -> bool:
    """Whether a part of a comprehension goes through one value, and nothing reads it."""
    names = {address(node) for node in walk(part.target)}
    return (
        isinstance(part.iter, ast.List)
        and len(part.iter.elts) == 1
        and not isinstance(part.iter.elts[0], ast.Starred)
        and not part.ifs
        and not any(
            isinstance(node, ast.Name) and isinstance(node.ctx, ast.Load) and node.id in names
            for node in walk(whole)
        )
    )


def _until_it_ends(block: _Statements) -> _Statements:
    """The statements up to the first that nothing comes after."""
    for at, node in enumerate(block):
        if _never_goes_on(node):
            block = block[: at + 1]
            break
    match block[-2:]:
        case [ast.Assign(targets=[ast.Name(id=name)], value=value), ast.Return(ast.Name(id=given))]:
            return [*block[:-2], ast.Return(value)] if name == given else block
    return block


def _never_goes_on(node: ast.stmt) -> bool:
    if isinstance(node, ast.If) and node.body and node.orelse:
        return _never_goes_on(node.body[-1]) and _never_goes_on(node.orelse[-1])
    return isinstance(node, _ENDS)


def specialise(tree: ast.Module, known: Known, words: Collection[str], owners: Owners) -> None:
    """Reduce a module to what one game needs.

    `words` are names and fields that are used in text that is inserted later; what they name stays.
    `owners` gives the class of the object that a name stands for, so that unread fields of classes
    can be found.
    """
    seen, uses = dict[int, str](), dict[int, Uses]()
    while True:
        now = {id(node): ast.dump(node) for node in tree.body}
        changed = [node for node in tree.body if seen.get(id(node)) != now[id(node)]]
        if not changed:
            return
        seen = now
        for node in changed:
            _Specialiser(known).visit(node)
            if isinstance(node, ast.FunctionDef):
                simplify_locals(node)
            uses[id(node)] = Uses(node, owners)
        drop_unread_names(tree, words, uses)
        simplify_functions(tree, uses)
        drop_unread_fields(tree, words, owners, uses)
