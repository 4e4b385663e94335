"""Walk and change syntax trees, and say what their expressions are called."""

import ast
from collections.abc import Iterator

_PURE = {
    *("bool", "len", "list", "max", "min", "range", "set", "sorted", "str", "zip"),
    *("Counter", "Way", "monotonic_ns", "split", "strip", "choices_of", "folded", "name_of"),
    *("pick", "share_left", "stream"),
}
"""Functions that change nothing: an assignment of what they give can go."""


def address(node: ast.AST) -> str:
    """What an expression is called here: the last name of its owner, and its own."""
    match node:
        case ast.Name(id=name):
            return name
        case ast.Attribute(value=owner, attr=name):
            return f"{address(owner).rpartition('.')[2]}.{name}"
        case ast.Subscript(value=owner):
            return f"{address(owner)}[]"
        case ast.Call(func=ast.Name(id=name), args=[part]):
            return f"{name}({address(part)})"
    return ""


def walk(node: ast.AST) -> Iterator[ast.AST]:
    """A node and all nodes in it that have parts, as `ast.walk` gives them, in a third of the
    time."""
    waiting = [node]
    while waiting:
        one = waiting.pop()
        yield one
        for name in one._fields:
            value = getattr(one, name, None)
            if isinstance(value, list):
                waiting += [part for part in value if isinstance(part, ast.AST)]
            elif isinstance(value, ast.AST) and value._fields:
                waiting.append(value)


class Transformer(ast.NodeTransformer):
    """A transformer that passes over what has no parts, which is half of all nodes."""

    def generic_visit(self, node: ast.AST) -> ast.AST:
        for name in node._fields:
            value = getattr(node, name, None)
            if isinstance(value, list):
                value[:] = list(self._visited(value))
            elif isinstance(value, ast.AST) and value._fields:
                setattr(node, name, self.visit(value))
        return node

    def _visited(self, nodes: list[ast.AST]) -> Iterator[ast.AST]:
        for node in nodes:
            found = self.visit(node) if isinstance(node, ast.AST) and node._fields else node
            if isinstance(found, list):
                yield from found
            elif found is not None:
                yield found


def is_pure(node: ast.expr | None) -> bool:
    """Whether an expression changes nothing."""
    return node is None or not any(
        isinstance(part, ast.Yield | ast.YieldFrom | ast.NamedExpr)
        or (isinstance(part, ast.Call) and address(part.func).rpartition(".")[2] not in _PURE)
        for part in walk(node)
    )


def words_of(text: str) -> set[str]:
    """Every name in a program's text, and every field with its owner."""
    nodes = [*walk(ast.parse(text))]
    return {address(node) for node in nodes if isinstance(node, ast.Name | ast.Attribute)}
