"""Cut a game's program from the skeleton that holds every part.

Nothing here knows what the parts do. A marked line stays or goes with all that is indented
under it, a setting that is the same in every round is written as its value, and what nobody
names any more goes too.
"""

import ast
import re
from collections.abc import Collection, Iterator, Mapping
from functools import lru_cache

_MARK = re.compile(r"\s+#: (.+)$")
_SETTING = re.compile(r"round_\.(\w+)")
_ASKED = re.compile(r"( *)if round_\.(\w+)(?: and (.*))?:$")
"""A line that asks a setting, and what it asks besides."""
_EITHER = re.compile(r"= (\w+) if .+ else \1$")
"""What is the same either way."""
_OPENERS = ("(", "[", "{")
_CLOSERS = (")", "]", "}")
MAX_CHARACTERS = 99
"""The longest line that brackets are closed in."""


def cut(text: str, holds: Mapping[str, bool]) -> str:
    """The text with the marked lines that hold, and without the marks."""
    return "\n".join(_kept(text.split("\n"), holds))


def _kept(lines: list[str], holds: Mapping[str, bool]) -> Iterator[str]:
    at = 0
    while at < len(lines):
        line = lines[at]
        mark = _MARK.search(line)
        if mark is None:
            yield line
        elif eval(mark[1], {"__builtins__": {}}, dict(holds)):  # words of our own skeleton
            yield line[: mark.start()]
        else:
            at = _after(lines, at)
            continue
        at += 1


def _after(lines: list[str], at: int) -> int:
    """Where the statement ends that begins at a line, with all that is indented under it."""
    depth, at = _depth(lines[at]), at + 1
    while at < len(lines):
        line = lines[at]
        is_deeper = not line.strip() or _depth(line) > depth
        if not is_deeper and not (_depth(line) == depth and line.lstrip().startswith(_CLOSERS)):
            break
        at += 1
    while not lines[at - 1].strip():
        at -= 1
    return at


def _depth(line: str) -> int:
    return len(line) - len(line.lstrip())


def settled(text: str, same: Mapping[str, object]) -> str:
    """The text with each setting that is the `same` in every round written as its value."""
    lines, done, at = text.split("\n"), list[str](), 0
    while at < len(lines):
        asked = _ASKED.match(lines[at])
        if asked is None or asked[2] not in same:
            line = _SETTING.sub(lambda found: _value(found, same), lines[at])
            done.append(_EITHER.sub(r"= \1", line))
            at += 1
            continue
        end = _after(lines, at)
        if same[asked[2]] and asked[3]:
            lines[at] = f"{asked[1]}if {asked[3]}:"
        elif same[asked[2]]:
            lines[at:end] = [line[4:] for line in lines[at + 1 : end]]
        else:
            at = end
    return "\n".join(done)


def _value(found: re.Match[str], same: Mapping[str, object]) -> str:
    return written(same[found[1]]) if found[1] in same else found[0]


class WrittenValue(str):
    """A value that is written already."""

    __slots__ = ()


def written(value: object) -> str:
    """A value as Python writes it, texts in double quotes."""
    match value:
        case WrittenValue():
            return value
        case str():
            return quoted(value)
        case bool() | int() | float() | None:
            return repr(value)
        case range():
            return f"range({value.start}, {value.stop})" if value.start else f"range({value.stop})"
        case tuple() | list():
            return f"[{', '.join(map(written, value))}]" if value else "()"
    raise TypeError(f"{value!r} is not written")


def quoted(text: str) -> str:
    """A text in double quotes."""
    inner = text.replace("\\", "\\\\").replace('"', '\\"')
    return f'"{"".join(map(_character, inner))}"'


def _character(character: str) -> str:
    """A character as it is, or as a learner can see it where it cannot be seen."""
    if character == "\n":
        return "\\n"
    if character.isprintable():
        return character
    return f"\\u{ord(character):04x}" if ord(character) < 0x10000 else f"\\U{ord(character):08x}"


def shaken(text: str) -> str:
    """The text without what nothing names: functions, classes, constants, imports, locals."""
    while True:
        lines = text.split("\n")
        gone = set[int]()
        tree = ast.parse(text)
        named = _named(tree)
        for node in tree.body:
            names = _defined(node)
            if names and not any(name in named for name in names):
                first = min([node.lineno, *(d.lineno for d in getattr(node, "decorator_list", ()))])
                gone.update(range(first, (node.end_lineno or node.lineno) + 1))
            elif isinstance(node, ast.Import | ast.ImportFrom):
                kept = [alias for alias in node.names if alias.name in named]
                if len(kept) < len(node.names):
                    node.names = kept
                    lines[node.lineno - 1] = ast.unparse(node)
            elif isinstance(node, ast.FunctionDef):
                _without_idle_round(node, lines)
        shaken_text = "\n".join(line for at, line in enumerate(lines, 1) if at not in gone)
        if shaken_text == text:
            return text
        text = shaken_text


def _defined(node: ast.stmt) -> list[str]:
    match node:
        case ast.FunctionDef(name=name) | ast.ClassDef(name=name):
            return [name]
        case ast.Import(names=names) | ast.ImportFrom(names=names):
            return [alias.name for alias in names]
        case ast.Assign(targets=[ast.Name(id=name)]):
            return [name]
    return []


def _named(tree: ast.Module) -> set[str]:
    """Every name that is read somewhere other than in what it is the name of."""
    found = {"main"}
    for node in tree.body:
        own = set(_defined(node))
        for part in ast.walk(node):
            if isinstance(part, ast.Name) and isinstance(part.ctx, ast.Load):
                found.update({part.id} - own)
    return found


def _without_idle_round(function: ast.FunctionDef, lines: list[str]) -> None:
    """Take the round out of a function that looks it up and never asks it anything."""
    read = {
        part.id
        for part in ast.walk(function)
        if isinstance(part, ast.Name) and isinstance(part.ctx, ast.Load)
    }
    if "round_" in read:
        return
    for at in range(function.lineno - 1, function.end_lineno or function.lineno):
        lines[at] = re.sub(r"round_, (.+) = ROUNDS\[round_number\], (.+)$", r"\1 = \2", lines[at])
        if lines[at].strip() == "round_ = ROUNDS[round_number]":
            lines[at] = ""


def joined(text: str) -> str:
    """The text with what stands in brackets over several lines in one, where there is room.

    What has lines of its own inside, and the rows of a list of questions, stay as they are.
    """
    lines, at = text.split("\n"), 0
    while at < len(lines):
        line = lines[at]
        if line.endswith(_OPENERS) and not line.lstrip().startswith(("#", '"""')):
            end = next((n for n in range(at + 1, len(lines)) if _closes(lines[n], line)), at)
            inner = lines[at + 1 : end]
            if (
                inner
                and len({_depth(one) for one in inner}) == 1
                and not any(" #" in one or one.endswith(_OPENERS) for one in inner)
                and not any(one.lstrip().startswith("Question(") for one in inner)
            ):
                whole = line + " ".join(one.strip() for one in inner).rstrip(",")
                whole += lines[end].strip()
                if len(whole) <= MAX_CHARACTERS:
                    lines[at : end + 1] = [whole]
                    at = max(0, at - 12)  # what is around it may have room now
                    continue
        at += 1
    return "\n".join(lines)


def _closes(line: str, opened: str) -> bool:
    return _depth(line) == _depth(opened) and line.lstrip().startswith(_CLOSERS)


def tidied(text: str) -> str:
    """The text with two blank lines between parts, one between paragraphs, and no more."""
    text = re.sub(r"\n +\n", "\n\n", text)
    text = re.sub(r"\n{4,}", "\n\n\n", text)
    text = re.sub(r"(:\n|\"\"\"\n)\n+(?= )", r"\1", text)
    text = text.replace(
        "text = read(text)\n    text = text.casefold()", "text = read(text).casefold()"
    )
    text = re.sub(r"^(# ---- .* ----)\n+", r"\1\n", text, flags=re.M)
    text = re.sub(r"^( +)(\w+) = (.+[^(\[{])\n\1return \2$", r"\1return \3", text, flags=re.M)
    return text.strip() + "\n"


def fields_in(text: str, of: str) -> list[str]:
    """The names of the fields a class of the text has."""
    return [name for name, _ in _fields(text, of)]


def defaults_in(text: str, of: str) -> dict[str, str]:
    """What the fields of a class are unless it is said, as it is written there."""
    return {
        name: ast.unparse(part.value).replace("'", '"')
        for name, part in _fields(text, of)
        if part.value is not None
    }


def without_fields(text: str, of: str, gone: Collection[str]) -> str:
    """The text without some fields of a class."""
    lines = {part.lineno for name, part in _fields(text, of) if name in gone}
    return "\n".join(line for at, line in enumerate(text.split("\n"), 1) if at not in lines)


@lru_cache(maxsize=8)
def _fields(text: str, of: str) -> tuple[tuple[str, ast.AnnAssign], ...]:
    return tuple(
        (part.target.id, part)
        for node in ast.parse(text).body
        if isinstance(node, ast.ClassDef) and node.name == of
        for part in node.body
        if isinstance(part, ast.AnnAssign) and isinstance(part.target, ast.Name)
    )
