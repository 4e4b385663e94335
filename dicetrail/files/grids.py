"""Read tables from other forms: objects of JSON or YAML by their keys, drawn tables.

Objects become rows under their keys: a list of options becomes a column for each, options
that say of themselves whether they are right become right and wrong ones, an object of
questions and answers two columns. So one way of guessing serves them all.
"""

import html
import json
import re
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field
from typing import Any

from dicetrail.core.answers import LETTERS
from dicetrail.core.document import as_pair
from dicetrail.files.headings import role_named, says_right
from dicetrail.files.json_yaml import parsed
from dicetrail.files.plan import Format, Role
from dicetrail.files.sheets import MAX_CELL, Refusal, cell_text
from dicetrail.files.text import FileProblem

MAX_DEPTH = 12
"""How deep the questions may stand in a document."""
MAX_IN_A_LIST = 24
"""How many options of a list become columns."""

_TRUE_KEYS = ("correct", "right", "istrue", "is_correct", "iscorrect", "richtig", "answer")
_TEXT_KEYS = ("text", "label", "value", "option", "choice", "answer", "title", "content", "name")
_DIVIDER = re.compile(r"\s*\|?\s*:?-+:?\s*(\|\s*:?-+:?\s*)*\|?\s*")


@dataclass(slots=True)
class GridRows:
    """Rows in memory, each with its line or its number."""

    rows: Sequence[tuple[int, list[str]]]
    broken: list[Refusal] = field(default_factory=list)
    line: int = 0

    def __iter__(self) -> Iterator[list[str]]:
        for line, row in self.rows:
            self.line = line
            yield row


_OWN_KEYS = tuple(re.compile(rf"""["'\s{{,-]{key}["']?\s*:""") for key in ("prompt", "right"))
_LOOKED_AT = 100_000


def is_own_form(text: str) -> bool:
    """Whether a document seems to hold questions under our own names."""
    return all(key.search(text, 0, _LOOKED_AT) for key in _OWN_KEYS)


def keyed_rows(text: str, form: Format, most: int | None = None) -> GridRows:
    """The rows of a document of any keys, those of the first row naming the columns.

    `most` is the largest number of rows read. Raises FileProblem if nothing in it could be a
    question.
    """
    document = parsed(text, form)
    if isinstance(document, list) and document and all(isinstance(row, list) for row in document):
        return GridRows([(n, [_text(cell) for cell in row]) for n, row in enumerate(document, 1)])
    found = _entries(document, 0)
    if not found:
        raise FileProblem(
            "the file",
            "there is no list of objects, and no object of questions and answers in it",
            "give a list of objects, each with a question and its answers",
        )
    if isinstance(found, Mapping):
        return GridRows([(number, list(pair)) for number, pair in enumerate(_pairs(found), 1)])
    # One more is kept, for whoever reads them to see that there is more.
    cells = [_cells(entry) for entry in found[: None if most is None else most + 1]]
    keys = _in_order([list(row) for row in cells])
    rows = [(0, keys)]
    rows += [(number, [row.get(key, "") for key in keys]) for number, row in enumerate(cells, 1)]
    return GridRows(rows)


def drawn_rows(text: str) -> GridRows | None:
    """The rows of a table drawn with bars and dashes (as in Markdown); None if the text has
    none."""
    lines = text.splitlines()
    for number, line in enumerate(lines):
        if number and _DIVIDER.fullmatch(line) and "|" in line + lines[number - 1]:
            return GridRows(list(_drawn(lines, number - 1)))
    return None


def _drawn(lines: Sequence[str], start: int) -> Iterator[tuple[int, list[str]]]:
    for number in range(start, len(lines)):
        line = lines[number].strip()
        if "|" not in line:
            return
        if not _DIVIDER.fullmatch(line):
            bare = line.removeprefix("|").removesuffix("|").replace("\\|", "\0")
            yield number + 1, [cell.strip().replace("\0", "|") for cell in bare.split("|")]


def _entries(value: Any, depth: int) -> list[Mapping[str, Any]] | Mapping[str, Any] | None:
    """The longest list of objects in a document, or an object of questions and answers."""
    if depth > MAX_DEPTH:
        return None
    if isinstance(value, list):
        objects = [entry for entry in value if isinstance(entry, Mapping)]
        if objects and 2 * len(objects) >= len(value) and not _is_container(objects):
            return objects
        return _longest(value, depth)
    if not isinstance(value, Mapping):
        return None
    inner = list(value.values())
    objects = [entry for entry in inner if isinstance(entry, Mapping)]
    if len(objects) > 1 and len(objects) == len(inner) and not _is_container(objects):
        return [{"id": key, **entry} for key, entry in value.items()]
    if inner and all(isinstance(entry, str | int | float | bool) for entry in inner):
        named = sum(role_named(str(key)) is not None for key in value)
        return None if depth and named > 1 else value
    return _longest(inner, depth)


def _longest(
    values: Sequence[Any], depth: int
) -> list[Mapping[str, Any]] | Mapping[str, Any] | None:
    """The entries of several values: all lists of objects together, else the longest value."""
    found = [entries for value in values if (entries := _entries(value, depth + 1))]
    lists = [entries for entries in found if isinstance(entries, list)]
    if lists:
        return [entry for entries in lists for entry in entries]
    return max(found, key=len, default=None)


def _is_container(objects: Sequence[Mapping[str, Any]]) -> bool:
    """Whether objects hold lists of questions, as chapters do, and are none themselves."""
    return all(
        any(
            isinstance(inner, list)
            and inner
            and all(isinstance(one, Mapping) for one in inner)
            and not any(_truth(one) is not None for one in inner)
            for inner in entry.values()
        )
        and not any(role_named(str(key)) is Role.RIGHT for key in entry)
        for entry in objects
    )


def _pairs(found: Mapping[str, Any]) -> Iterator[tuple[str, str]]:
    for key, value in found.items():
        yield str(key), _text(value)


def _cells(entry: Mapping[str, Any]) -> dict[str, str]:
    """The values of an object, by the headings of its columns."""
    cells: dict[str, str] = {}
    for key, value in _flat(entry):
        if pairs := _paired(key, value):
            cells |= {f"right answer {number}": pair for number, pair in enumerate(pairs, 1)}
        elif isinstance(value, Mapping) and _all_truths(value):
            told = zip(LETTERS, map(_is_true, value.values()), strict=False)
            cells["key"] = ", ".join(letter for letter, is_right in told if is_right)
        elif isinstance(value, Mapping):
            texts = [_text(one) for one in value.values()]
            cells |= {f"option {number}": one for number, one in enumerate(texts, 1) if one}
        elif not isinstance(value, list):
            cells[key] = _text(value)
        elif value and all(isinstance(one, Mapping) for one in value):
            cells |= _judged(value)
        else:
            cells |= _listed(key, [_text(one) for one in value[:MAX_IN_A_LIST]])
    return _with_index(cells, entry)


def _paired(key: str, value: Any) -> list[str]:
    """The pairs that a field holds: an object, lists of two, or objects of two texts; else none."""
    if not _PAIRED.fullmatch(key):
        return []
    if isinstance(value, Mapping):
        return [as_pair(_text(item), _text(partner)) for item, partner in value.items()]
    if not isinstance(value, list):
        return []
    ends = [list(one.values()) if isinstance(one, Mapping) else one for one in value]
    are_pairs = all(isinstance(one, list) and len(one) == 2 for one in ends)
    return [as_pair(*map(_text, one)) for one in ends[:MAX_IN_A_LIST]] if are_pairs else []


_PAIRED = re.compile(
    r"(?:\w+[_ -])?(?:pairs?|matche?s?|matching|paare|paires|pares|parejas|coppie|paren|pary|пари)",
    re.IGNORECASE,
)
"""A field whose values belong together two by two."""


def _flat(entry: Mapping[str, Any]) -> Iterator[tuple[str, Any]]:
    """The fields of an object and of the objects in it, but for one that holds lettered options."""
    for key, value in entry.items():
        is_whole = _PAIRED.fullmatch(str(key)) is not None
        is_lettered = isinstance(value, Mapping) and (is_whole or _is_lettered(value))
        if isinstance(value, Mapping) and not is_lettered:
            texts = [value[name] for name in _TEXT_KEYS if isinstance(value.get(name), str)]
            if texts and len(value) <= 3:
                yield str(key), texts[0]
            else:
                yield from ((str(inner), one) for inner, one in value.items())
        else:
            yield str(key), value


def _is_lettered(value: Mapping[str, Any]) -> bool:
    """Whether the keys of an object count on: ``a``, ``b`` or ``answer_a``, ``answer_b``."""
    keys = [str(key) for key in value]
    ends = [re.search(r"(?:^|[_ -])([A-La-l]|\d{1,2})(?=$|[_ -])", key) for key in keys]
    told = [end[1].upper() for end in ends if end]
    counted = (list(LETTERS), list(map(str, range(1, 30))), list(map(str, range(30))))
    return len(told) == len(keys) > 1 and any(told == one[: len(told)] for one in counted)


def _all_truths(value: Mapping[str, Any]) -> bool:
    return all(str(one).lower() in ("true", "false") for one in value.values())


def _is_true(value: Any) -> bool:
    return str(value).lower() == "true"


def _listed(key: str, texts: Sequence[str]) -> dict[str, str]:
    role = role_named(key)
    if role is Role.RIGHT and not says_right(key) and len(texts) > 1:
        role = Role.OPTION  # “answers” that hold all of them
    stem = {Role.WRONG: "wrong", Role.RIGHT: "right answer", Role.KEY: "key"}.get(
        role or Role.OPTION, "option"
    )
    if role in (Role.QUESTION, None, Role.OPTIONS, Role.OPTION, Role.WRONG, Role.RIGHT):
        return {f"{stem} {number}": text for number, text in enumerate(texts, 1)}
    return {key: ", ".join(texts)}


def _judged(options: Sequence[Mapping[str, Any]]) -> dict[str, str]:
    """Options each of which says whether it is right."""
    right: list[str] = []
    wrong: list[str] = []
    for option in options[:MAX_IN_A_LIST]:
        text = next((option[name] for name in _TEXT_KEYS if isinstance(option.get(name), str)), "")
        (right if _truth(option) else wrong).append(_text(text))
    if not right:
        return {f"option {number}": text for number, text in enumerate(wrong, 1)}
    named = {f"right answer {number}": text for number, text in enumerate(right, 1)}
    return named | {f"wrong {number}": text for number, text in enumerate(wrong, 1)}


def _truth(option: Mapping[str, Any]) -> bool | None:
    """Whether an option says that it is right; None if it says nothing of it."""
    for key, value in option.items():
        if str(key).lower().replace("_", "") in _TRUE_KEYS and isinstance(value, bool | int):
            return bool(value)
    return None


def _with_index(cells: dict[str, str], entry: Mapping[str, Any]) -> dict[str, str]:
    """An index that counts from 0 as a key that counts from 1."""
    for key, value in entry.items():
        is_whole = isinstance(value, int) and not isinstance(value, bool)
        options = sum(name.startswith("option ") for name in cells)
        is_index = "index" in str(key).lower() or role_named(str(key)) in (Role.RIGHT, Role.KEY)
        if is_whole and is_index and options > 1 and 0 <= value < options:
            del cells[str(key)]
            cells["key"] = str(value + 1)
    return cells


def _in_order(rows: Sequence[Sequence[str]]) -> list[str]:
    """Every key once, in the order they first come, those counted on in order of their numbers."""
    keys = list(dict.fromkeys(key for row in rows for key in row))
    stems = [re.sub(r" \d+$", "", key) for key in keys]

    def place(number: int) -> tuple[int, int]:
        ending = re.search(r" (\d+)$", keys[number])
        return stems.index(stems[number]), int(ending[1]) if ending else 0

    return [keys[number] for number in sorted(range(len(keys)), key=place)]


def _text(value: Any) -> str:
    if isinstance(value, list | Mapping):
        return json.dumps(value, ensure_ascii=False, default=str)[:MAX_CELL]
    return html.unescape(cell_text(value)).strip()
