"""Remove from a module what nothing reads: parameters, locals, fields, functions, names."""

import ast
import copy
from collections import Counter
from collections.abc import Collection, Mapping, Sequence
from typing import cast

from dicetrail.takeaway.written.trees import Transformer, address, is_pure, walk

Owners = Mapping[str, str]
"""The classes of what names stand for."""


class Uses:
    """What a statement of a module reads and calls."""

    def __init__(self, node: ast.AST, owners: Owners) -> None:
        self.read: Counter[str] = Counter()
        """How often names are read."""
        self.calls: list[ast.Call] = []
        """Its calls of what has a name."""
        self.fields: set[tuple[str, str]] = set()
        """The fields that it reads for something other than to make themselves anew."""
        self._look(node, owners, None)

    def _look(self, node: ast.AST, owners: Owners, own: tuple[str, str] | None) -> None:
        if isinstance(node, ast.stmt):
            own = _own_field(node, owners)
        elif isinstance(node, ast.Name) and isinstance(node.ctx, ast.Load):
            self.read[node.id] += 1
        elif isinstance(node, ast.Call) and isinstance(node.func, ast.Name):
            self.calls.append(node)
        elif isinstance(node, ast.Attribute) and not isinstance(node.ctx, ast.Store):
            field = _field(node, owners)
            if field is not None and field != own:
                self.fields.add(field)
        for name in node._fields:
            value = getattr(node, name, None)
            for part in value if isinstance(value, list) else [value]:
                if isinstance(part, ast.AST) and part._fields:
                    self._look(part, owners, own)


AllUses = Mapping[int, Uses]
"""What each statement of a module uses, by its identity."""


def _field(node: ast.AST, owners: Owners) -> tuple[str, str] | None:
    """The class and the field of an attribute."""
    owner, _, name = address(node).rpartition(".")
    return (owners[owner], name) if isinstance(node, ast.Attribute) and owner in owners else None


def _own_field(node: ast.stmt, owners: Owners) -> tuple[str, str] | None:
    """The field that a statement does nothing but assign."""
    match node:
        case ast.Assign(targets=[target]) | ast.AugAssign(target=target):
            return _field(target, owners)
    return None


def _body(function: ast.FunctionDef) -> list[ast.stmt]:
    """The statements of a function after its docstring."""
    return function.body[1:] if ast.get_docstring(function) is not None else function.body


# Functions


def simplify_functions(tree: ast.Module, uses: AllUses) -> None:
    """Remove parameters that are always the same or never read, and inline short functions."""
    functions = {node.name: node for node in tree.body if isinstance(node, ast.FunctionDef)}
    named, calls = Counter[str](), dict[str, list[ast.Call]]()
    for node in tree.body:
        named.update(uses[id(node)].read)
        for call in uses[id(node)].calls:
            calls.setdefault(address(call.func), []).append(call)
    for name, function in functions.items():
        own = calls.get(name, [])
        if own and len(own) == named[name]:
            while _without_one_parameter(function, own):
                pass
            _without_usual(function, own)
    inline = _Inline(functions)
    for node in tree.body:
        if inline.names & uses[id(node)].read.keys():
            inline.visit(node)


def _without_one_parameter(function: ast.FunctionDef, calls: list[ast.Call]) -> bool:
    """Take the first parameter out that is always the same, or never read, if there is one."""
    names = [one.arg for one in function.args.args]
    usual = _usual(function)
    read, stored = _reads(function.body), _stores(function)
    for name in names:
        given = [_argument(call, names, name) or usual[name] for call in calls]
        is_fixed = stored[name] == 1 and _is_plain(given[0])
        is_fixed = is_fixed and len({ast.dump(one) for one in given}) == 1
        if is_fixed:
            _Replace({name: given[0]}).visit(function)
        if is_fixed or name not in read:
            _without_parameter(function, calls, name)
            return True
    return False


def _usual(function: ast.FunctionDef) -> dict[str, ast.expr]:
    names = [one.arg for one in function.args.args]
    return dict(zip(reversed(names), reversed(function.args.defaults), strict=False))


def _is_plain(value: ast.expr) -> bool:
    return isinstance(value, ast.Constant) or (isinstance(value, ast.List) and not value.elts)


def _without_usual(function: ast.FunctionDef, calls: list[ast.Call]) -> None:
    """Take the last arguments out of calls that are as usual anyway."""
    names, usual = [one.arg for one in function.args.args], _usual(function)
    for call in calls:
        while call.args and not call.keywords:
            default = usual.get(names[len(call.args) - 1])
            if default is None or ast.dump(default) != ast.dump(call.args[-1]):
                break
            call.args.pop()


def _argument(call: ast.Call, names: list[str], name: str) -> ast.expr | None:
    at = names.index(name)
    if at < len(call.args):
        return call.args[at]
    return next((one.value for one in call.keywords if one.arg == name), None)


def _without_parameter(function: ast.FunctionDef, calls: list[ast.Call], name: str) -> None:
    names = [one.arg for one in function.args.args]
    at = names.index(name)
    from_end = len(names) - at
    if from_end <= len(function.args.defaults):
        del function.args.defaults[-from_end]
    del function.args.args[at]
    for call in calls:
        if at < len(call.args):
            del call.args[at]
        call.keywords = [one for one in call.keywords if one.arg != name]


class _Replace(Transformer):
    """Puts expressions in place of names."""

    def __init__(self, by: Mapping[str, ast.expr]) -> None:
        self.by = by

    def visit_Name(self, node: ast.Name) -> ast.expr:
        if isinstance(node.ctx, ast.Load) and node.id in self.by:
            return copy.deepcopy(self.by[node.id])
        return node


class _Inline(Transformer):
    """Puts what a short function gives in place of its calls, and takes calls of empty ones out."""

    def __init__(self, functions: Mapping[str, ast.FunctionDef]) -> None:
        self.short = {name: given for name, one in functions.items() if (given := _given(one))}
        self.empty = {name for name, one in functions.items() if not _body(one)}
        self.names = self.short.keys() | self.empty
        self.parameters = {
            name: [one.arg for one in function.args.args] for name, function in functions.items()
        }

    def visit_Call(self, node: ast.Call) -> ast.expr:
        self.generic_visit(node)
        name = address(node.func)
        parameters = self.parameters.get(name, [])
        if name not in self.short or node.keywords or len(parameters) != len(node.args):
            return node
        read = _reads([self.short[name]])
        pairs = zip(parameters, node.args, strict=True)
        if not all(_is_simple(part) or (read[one] <= 1 and is_pure(part)) for one, part in pairs):
            return node
        return cast(
            "ast.expr",
            _Replace(dict(zip(parameters, node.args, strict=True))).visit(
                copy.deepcopy(self.short[name])
            ),
        )

    def visit_Expr(self, node: ast.Expr) -> ast.Expr | None:
        if isinstance(node.value, ast.Call) and address(node.value.func) in self.empty:
            return None
        self.generic_visit(node)
        return node


def _given(function: ast.FunctionDef) -> ast.expr | None:
    """What a function gives, if that is a constant, a field, or a call with simple arguments."""
    match _body(function):
        case [ast.Return(value=ast.Constant() | ast.List(elts=[]) | ast.Attribute() as value)]:
            return value
        case [ast.Return(value=ast.Call(func=ast.Name(), args=parts, keywords=[]) as value)]:
            return value if all(map(_is_simple, parts)) else None
    return None


def _is_simple(node: ast.expr) -> bool:
    match node:
        case ast.Subscript(value=owner, slice=ast.Name()) | ast.Attribute(value=owner):
            return _is_simple(owner)
    return isinstance(node, ast.Name | ast.Constant)


# Locals


def _reads(nodes: Sequence[ast.AST]) -> Counter[str]:
    """How often names are read."""
    found: Counter[str] = Counter()
    for node in nodes:
        for part in walk(node):
            if isinstance(part, ast.Name) and isinstance(part.ctx, ast.Load):
                found[part.id] += 1
    return found


def _stores(function: ast.FunctionDef) -> Counter[str]:
    return Counter(
        [one.arg for one in function.args.args]
        + [
            node.id
            for node in walk(function)
            if isinstance(node, ast.Name) and isinstance(node.ctx, ast.Store)
        ]
    )


def simplify_locals(function: ast.FunctionDef) -> None:
    """Replace locals that have one plain value, and remove those that are never read."""
    stored, plain = _stores(function), dict[str, ast.expr]()
    read = _reads(function.body)
    for node in walk(function):
        name, value = _assigned(node)
        if name is None or value is None or stored[name] != 1:
            continue
        is_copy = isinstance(value, ast.Name) and stored[value.id] == 1
        is_list = isinstance(value, ast.List) and _is_changed(function, name)
        is_only = isinstance(value, ast.Constant) and read[name] == 1
        if is_copy or is_only or (_is_nothing(value) and not is_list):
            plain[name] = value
    if plain:
        _Replace(plain).visit(function)
    _DropLocals(_reads(function.body)).visit(function)


def _assigned(node: ast.AST) -> tuple[str | None, ast.expr | None]:
    match node:
        case ast.Assign(targets=[ast.Name(id=name)], value=value):
            return name, value
        case ast.AnnAssign(target=ast.Name(id=name), value=value):
            return name, value
    return None, None


def _is_changed(function: ast.FunctionDef, name: str) -> bool:
    """Whether something is done to a list besides going through it or handing it on."""
    return any(
        isinstance(part, ast.Attribute | ast.Subscript | ast.AugAssign)
        and name in (address(getattr(part, "value", part)), address(getattr(part, "target", part)))
        for part in walk(function)
    )


def _is_nothing(value: ast.expr | None) -> bool:
    """Whether a value is plain enough to stand wherever its name does."""
    match value:
        case ast.Constant(value=inner):
            return inner is True or not inner
        case ast.List(elts=[]):
            return True
    return False


class _DropLocals(Transformer):
    """Takes assignments out that nothing reads."""

    def __init__(self, read: Counter[str]) -> None:
        self.read = read

    def visit_Assign(self, node: ast.Assign) -> ast.stmt | None:
        match node:
            case ast.Assign(targets=[ast.Name(id=name)], value=value):
                if isinstance(value, ast.Name) and value.id == name:
                    return None
                if self.read[name]:
                    return node
                return None if is_pure(value) else ast.Expr(value)
            case ast.Assign(targets=[ast.Tuple(elts=names)], value=ast.Tuple(elts=values)):
                pairs = [
                    (name, value)
                    for name, value in zip(names, values, strict=True)
                    if not (
                        isinstance(name, ast.Name) and not self.read[name.id] and is_pure(value)
                    )
                ]
                if not pairs:
                    return None
                if len(pairs) == 1:
                    return ast.Assign([pairs[0][0]], pairs[0][1], lineno=node.lineno)
                if len(pairs) < len(names):
                    node.targets = [ast.Tuple([one for one, _ in pairs], ast.Store())]
                    node.value = ast.Tuple([value for _, value in pairs], ast.Load())
        return node

    def visit_AnnAssign(self, node: ast.AnnAssign) -> ast.stmt | None:
        name, value = _assigned(node)
        return None if name is not None and not self.read[name] and is_pure(value) else node

    def visit_AugAssign(self, node: ast.AugAssign) -> ast.stmt | None:
        name = address(node.target)
        is_sum = isinstance(node.op, ast.Add | ast.Sub)
        adds_nothing = is_sum and isinstance(node.value, ast.Constant) and not node.value.value
        is_unread = isinstance(node.target, ast.Name) and not self.read[name]
        return None if (adds_nothing or is_unread) and is_pure(node.value) else node

    def visit_ClassDef(self, node: ast.ClassDef) -> ast.stmt:
        return node


# Fields and names of the module


def drop_unread_fields(
    tree: ast.Module, words: Collection[str], owners: Owners, uses: AllUses
) -> None:
    """Drop fields of classes that are only ever assigned, with those assignments."""
    classes = {node.name: node for node in tree.body if isinstance(node, ast.ClassDef)}
    read = {
        (owners[owner], name)
        for owner, _, name in (word.rpartition(".") for word in words)
        if owner in owners
    }
    for node in tree.body:
        read |= uses[id(node)].fields
    gone = {
        (owner, part.target.id)
        for owner in set(owners.values()) & {*classes}
        for part in classes[owner].body
        if isinstance(part, ast.AnnAssign)
        and isinstance(part.target, ast.Name)
        and part.value is not None
        and (owner, part.target.id) not in read
    }
    for owner, node in classes.items():
        node.body = [
            part
            for part in node.body
            if not (isinstance(part, ast.AnnAssign) and (owner, address(part.target)) in gone)
            and not (
                isinstance(part, ast.FunctionDef)
                and part.decorator_list
                and (owner, part.name) not in read
            )
        ]
    if gone:
        _DropFields(gone, owners).visit(tree)


class _DropFields(Transformer):
    """Takes assignments of fields out that are gone, and their arguments."""

    def __init__(self, gone: set[tuple[str, str]], owners: Owners) -> None:
        self.gone, self.owners, self.classes = gone, owners, {*owners.values()}

    def visit_Assign(self, node: ast.Assign) -> ast.stmt | None:
        return self._unless_gone(node)

    def visit_AugAssign(self, node: ast.AugAssign) -> ast.stmt | None:
        return self._unless_gone(node)

    def _unless_gone(self, node: ast.Assign | ast.AugAssign) -> ast.stmt | None:
        self.generic_visit(node)
        is_gone = _own_field(node, self.owners) in self.gone
        if not is_gone:
            return node
        return None if is_pure(node.value) else ast.Expr(node.value)

    def visit_Expr(self, node: ast.Expr) -> ast.stmt | None:
        """A call of a method of a field that is gone, such as `update`, goes too."""
        match node.value:
            case ast.Call(func=ast.Attribute(value=ast.Attribute() as owner)):
                if _field(owner, self.owners) in self.gone:
                    return None
        self.generic_visit(node)
        return node

    def visit_Call(self, node: ast.Call) -> ast.expr:
        self.generic_visit(node)
        name = address(node.func)
        if name in self.classes:
            node.keywords = [one for one in node.keywords if (name, one.arg) not in self.gone]
        match node:
            case ast.Call(func=ast.Attribute(value=owner, attr="_replace"), keywords=[changed]):
                if any(changed.arg == field for _, field in self.gone):
                    return owner
        return node


def drop_unread_names(tree: ast.Module, words: Collection[str], uses: AllUses) -> None:
    """Drop functions, classes, constants and imports that nothing names."""
    while True:
        named = {*words, "main"}
        for node in tree.body:
            named |= uses[id(node)].read.keys() - {getattr(node, "name", "")}
        kept = [left for one in tree.body if (left := _with_names(one, named))]
        if len(kept) == len(tree.body):
            return
        tree.body = kept


def _with_names(node: ast.stmt, named: set[str]) -> ast.stmt | None:
    """A statement of the module with the names that are read; none if no name of it is."""
    match node:
        case ast.FunctionDef(name=name) | ast.ClassDef(name=name):
            return node if name in named else None
        case ast.Import() | ast.ImportFrom():
            node.names = [one for one in node.names if one.name in named]
            return node if node.names else None
        case ast.Assign(targets=[ast.Name(id=name)]) | ast.AnnAssign(target=ast.Name(id=name)):
            return node if name in named else None
        case ast.Assign(targets=[ast.Tuple(elts=names)], value=ast.Tuple(elts=values)):
            pairs = [
                (one, value)
                for one, value in zip(names, values, strict=True)
                if cast("ast.Name", one).id in named
            ]
            if len(pairs) == 1:
                node.targets, node.value = [pairs[0][0]], pairs[0][1]
                return node
            node.targets = [ast.Tuple([one for one, _ in pairs], ast.Store())]
            node.value = ast.Tuple([value for _, value in pairs], ast.Load())
            return node if pairs else None
    return node
