"""Describe every field of a game file, for people and for editors.

Types, bounds and defaults come from the form of the file, meanings from the note under each field
where it is defined. So this description cannot differ from the engine.
"""

import ast
import inspect
import json
import re
from collections.abc import Iterator, Mapping
from dataclasses import is_dataclass
from functools import cache
from textwrap import dedent
from typing import Any, get_type_hints

from dicetrail.core.document import parts_in
from dicetrail.limits import MAX_KEPT

HEADING = """\
# The fields of a game file

What a [game file](game-file.md) holds, part by part. This page is made from the definitions
the engine itself uses (`dicetrail game-fields`). A field at its default may be left out.

"""
MAX_LISTED = 24
"""Of more values than this there is a count in place of a list."""


def described(schema: dict[str, Any], whole: type) -> dict[str, Any]:
    """A form with what every field of its parts means. Raises KeyError at one that does not say."""
    for part in _parts(whole):
        form, meanings = (
            schema if part is whole else schema["$defs"][part.__name__],
            _meanings(part),
        )
        for name, field in form["properties"].items():
            field["description"] = meanings[name]
    return schema


def documented(schema: Mapping[str, Any]) -> str:
    """The parts of a form as tables in Markdown, each part after the one that names it."""
    parts = {"Game file": schema}
    for form in _in_order(schema, schema["$defs"]):
        parts.setdefault(form["title"], form)
    tables = (line for name, form in parts.items() for line in _table(name, form, schema))
    return HEADING + "\n".join(tables)


def _parts(whole: type, known: set[type] | None = None) -> Iterator[type]:
    """A part, and every part that its fields are made of, once each."""
    known = set() if known is None else known
    if whole in known:
        return
    known.add(whole)
    yield whole
    for hint in get_type_hints(whole).values():
        for inner in parts_in(hint):
            if isinstance(inner, type) and is_dataclass(inner):
                yield from _parts(inner, known)


@cache
def _meanings(part: type) -> dict[str, str]:
    """The notes under the fields of a class, by field. For an action, its name too."""
    (tree,) = ast.parse(dedent(inspect.getsource(part))).body
    assert isinstance(tree, ast.ClassDef)
    found = {"action": "Which action it is."}
    for field, under in zip(tree.body, tree.body[1:], strict=False):
        match field, under:
            case ast.AnnAssign(target=ast.Name(id=name)), ast.Expr(value=ast.Constant(value=str())):
                found[name] = _plain(under.value.value)  # type: ignore[attr-defined]
    return found


def _plain(text: str) -> str:
    """Words of the code as words of the file."""
    return re.sub(r"\bNone\b", "`null`", re.sub(r"\s+", " ", text.replace("``", "`")))


def _in_order(form: Mapping[str, Any], forms: Mapping[str, Any]) -> Iterator[Mapping[str, Any]]:
    """The parts a form names, each followed by those it names itself."""
    for name in _named(form):
        if "properties" in forms[name]:
            yield {**forms[name], "title": name}
            yield from _in_order(forms[name], forms)


def _named(form: Any) -> Iterator[str]:
    if isinstance(form, Mapping):
        if "$ref" in form:
            yield form["$ref"].rpartition("/")[2]
        for key, inner in form.items():
            if key not in ("$defs", "default"):
                yield from _named(inner)
    elif isinstance(form, list):
        for inner in form:
            yield from _named(inner)


def _table(name: str, form: Mapping[str, Any], schema: Mapping[str, Any]) -> Iterator[str]:
    words = "" if form is schema else _plain(form.get("description", ""))
    yield from (f"## {name}", "", *([words, ""] if words else []))
    yield from ("| field | holds | left out | means |", "|---|---|---|---|")
    for field, of in form["properties"].items():
        left_out = _left_out(of, field in form.get("required", ()))
        yield f"| `{field}` | {_holds(of, schema)} | {left_out} | {of['description']} |"
    yield ""


def _left_out(of: Mapping[str, Any], is_required: bool) -> str:
    if is_required:
        return "it must be there"
    default = of.get("default", {})
    return "as its parts say" if isinstance(default, dict) else f"`{json.dumps(default)}`"


def _holds(of: Mapping[str, Any], schema: Mapping[str, Any]) -> str:
    """The type of a field, in a few words."""
    if "$ref" in of:
        name = of["$ref"].rpartition("/")[2]
        values = schema["$defs"][name].get("enum", ())
        if not values:
            return f"[{name}](#{name.lower()})"
        if len(values) > MAX_LISTED:
            return f"one of {len(values)} names of the schema's `{name}`"
        return " or ".join(f"`{json.dumps(value)}`" for value in values)
    if "anyOf" in of:
        kinds = dict.fromkeys(_holds(kind, schema) for kind in of["anyOf"])
        return " or ".join(kinds)
    if "const" in of:
        return f"`{json.dumps(of['const'])}`"
    match of.get("type"):
        case "array":
            return f"list of {_holds(of['items'], schema)}"
        case "object":
            (inner,) = [*of.get("patternProperties", {}).values()] or [of["additionalProperties"]]
            return f"by name: {_holds(inner, schema)}"
        case "integer":
            return f"whole number{_bounds(of)}"
        case "number":
            return f"number{_bounds(of)}"
        case "boolean":
            return "true or false"
        case "null":
            return "null"
    return "text"


def _bounds(of: Mapping[str, Any]) -> str:
    """The bounds of a number, but for those of every number of JSON that all programs read."""
    if of.get("maximum", MAX_KEPT) == MAX_KEPT:
        return ""
    return f", {of['minimum']:,} to {of['maximum']:,}"
