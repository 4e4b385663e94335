"""Packs as JSON and YAML: a title and a list of questions, by the names of their fields.

A question that is not well formed is refused with the path to the value at fault; the rest
loads. Numbers and truth values are taken where text is expected, as people write them.
"""

import json
import re
from collections.abc import Collection, Mapping, Sequence
from typing import Any

import yaml

from dicetrail.core import PLAIN, Details, Kind, Question
from dicetrail.core.document import DETAILS, Detail
from dicetrail.core.survey import faults, gaps_found, missing_medium
from dicetrail.files.plan import Format
from dicetrail.files.sheets import Refusal, cell_text
from dicetrail.files.text import FileProblem

MAX_QUESTIONS = 200_000
MAX_YAML = 4_000_000
"""The longest YAML text, in characters: it takes much time and memory to read."""
MAX_DEPTH = 50
"""How deep the values of a YAML text may be nested."""
_NUMBERS = ("tag:yaml.org,2002:int", "tag:yaml.org,2002:float")
_FIELDS = {"prompt", "kind", "right", "wrong", "replies", *(detail.field for detail in DETAILS)}


class _Misplaced(Exception):
    """A value of the wrong kind, with the path to it."""

    def __init__(self, path: str, expected: str) -> None:
        self.path = path
        self.expected = expected
        super().__init__(path)


def pack_schema() -> dict[str, Any]:
    """The form of a pack as JSON or YAML, as a JSON Schema (draft 2020-12)."""
    text = {"type": ["string", "number", "boolean", "null"]}
    texts = {"anyOf": [text, {"type": "array", "items": text}]}
    properties: dict[str, Any] = {
        "prompt": text,
        "kind": {"enum": [kind.value for kind in Kind]},
        "right": texts,
        "wrong": texts,
        "replies": texts,
        **{detail.field: _schema_of(detail, text) for detail in DETAILS},
    }
    questions = {
        "type": "array",
        "maxItems": MAX_QUESTIONS,
        "items": {
            "type": "object",
            "properties": properties,
            "required": ["prompt", "right"],
            "additionalProperties": False,
        },
    }
    return {
        "$schema": "https://json-schema.org/draft/2020-12/schema",
        "title": "A Dice Trail pack",
        "anyOf": [
            questions,
            {
                "type": "object",
                "properties": {"title": {"type": "string"}, "questions": questions},
                "required": ["questions"],
            },
        ],
    }


def _schema_of(detail: Detail, text: dict[str, Any]) -> dict[str, Any]:
    if detail.values is not None:
        return {"enum": [word.value for word in detail.values]}
    return {"type": ["integer", "null"]} if detail.is_number else text


def read_documents(
    text: str,
    form: Format,
    media: Collection[str] | None = None,
    mended: Mapping[int, Sequence[str]] | None = None,
    most: int | None = None,
) -> tuple[tuple[Question, ...], tuple[Refusal, ...], bool]:
    """The questions of a JSON or YAML document, the refused ones with their numbers from 1, and
    whether these are all. `most` is the largest number read.

    `mended` holds corrected questions, as JSON, by their numbers.

    Raises FileProblem if the text is not such a document.
    """
    document = parsed(text, form)
    entries = document.get("questions") if isinstance(document, Mapping) else document
    if not isinstance(entries, list):
        raise FileProblem(
            "questions" if isinstance(document, Mapping) else "the file",
            "there is no list of questions",
            "give an object with a list under “questions”, or such a list alone",
        )
    if len(entries) > MAX_QUESTIONS:
        raise FileProblem("questions", f"more than {MAX_QUESTIONS:,}", "split the file")
    questions, refused = [], []
    for number, entry in enumerate(entries[:most]):
        try:
            if mended and number + 1 in mended:
                entry = _given_anew(mended[number + 1], f"questions[{number}]")
            question = _question(entry, f"questions[{number}]")
        except _Misplaced as misplaced:
            what = f"{misplaced.path}: {misplaced.expected} is expected"
            refused.append(_refusal(number, what, "write one there", entry))
            continue
        if fault := next(faults(question), None) or missing_medium(question, media):
            path = f"questions[{number}].{fault.field}"
            refused.append(_refusal(number, f"{path}: {fault.what}", fault.mend, entry))
        else:
            questions.append(question)
    return tuple(questions), tuple(refused), most is None or len(entries) <= most


def _given_anew(cells: Sequence[str], path: str) -> Any:
    try:
        return json.loads("".join(cells))
    except (ValueError, RecursionError):
        raise _Misplaced(path, "an object in well-formed JSON") from None


def parsed(text: str, form: Format) -> Any:
    """The value of a text in JSON, in lines of JSON or in YAML. Raises FileProblem."""
    try:
        if form is Format.JSON:
            return _json_of(text)
        if len(text) > MAX_YAML:
            raise FileProblem(
                "the file",
                f"{len(text):,} characters of YAML, and at most {MAX_YAML:,} are read",
                "save it as JSON or CSV",
            )
        _refuse_what_unfolds(text)
        return yaml.load(text, Loader=_PlainLoader)
    except FileProblem:
        raise
    except json.JSONDecodeError as error:
        raise FileProblem(
            f"line {error.lineno}, column {error.colno}",
            f"this is not well-formed JSON ({error.msg})",
            "write it there as the format asks",
        ) from None
    except yaml.MarkedYAMLError as error:
        raise FileProblem(
            _at(error.problem_mark),
            f"this is not well-formed YAML ({error.problem})",
            "write it there as the format asks",
        ) from None
    except RecursionError:
        what = "this cannot be read: it is nested too deeply"
        raise FileProblem("the file", what, "write it plainly") from None
    except (yaml.YAMLError, ValueError) as error:
        raise FileProblem(
            "the file", f"this cannot be read ({type(error).__name__})", "write it anew, plainly"
        ) from None


def _json_of(text: str) -> Any:
    """A JSON value, or the list of those that stand one a line (JSON Lines)."""
    try:
        return json.loads(text)
    except json.JSONDecodeError as error:
        lines = text.strip().splitlines()
        if error.msg != "Extra data" or len(lines) < 2:
            raise
    values = []
    for number, line in enumerate(lines, 1):
        try:
            values += [json.loads(line)] if line.strip() else []
        except json.JSONDecodeError as error:
            raise FileProblem(
                f"line {number}, column {error.colno}",
                f"this is not well-formed JSON ({error.msg})",
                "write it there as JSON asks: each line is a value of its own",
            ) from None
    return values


def _at(mark: Any) -> str:
    return f"line {mark.line + 1}, column {mark.column + 1}" if mark else "the file"


def _refuse_what_unfolds(text: str) -> None:
    """Raise FileProblem for a YAML document that refers to itself or is nested too deeply.

    Its parser goes event by event, however deep; building values does not.
    """
    depth = 0
    for event in yaml.parse(text, Loader=yaml.CSafeLoader):
        if isinstance(event, yaml.CollectionStartEvent):
            depth += 1
        elif isinstance(event, yaml.CollectionEndEvent):
            depth -= 1
        if depth > MAX_DEPTH:
            what, mend = "this is nested too deeply", "write it plainly"
        elif isinstance(event, yaml.AliasEvent):
            what, mend = "references between values are not read", "write the value out"
        else:
            continue
        raise FileProblem(_at(event.start_mark), what, mend)


class _PlainLoader(yaml.CSafeLoader):
    """Reads numbers as people write them: ``1:30`` is a text, not ninety (YAML 1.2, 10.3)."""


_PlainLoader.yaml_implicit_resolvers = {
    character: [(tag, pattern) for tag, pattern in resolvers if tag not in _NUMBERS]
    for character, resolvers in yaml.CSafeLoader.yaml_implicit_resolvers.items()
}
PLAIN_NUMBERS = (
    ("tag:yaml.org,2002:int", re.compile(r"[-+]?[0-9]{1,400}$"), list("-+0123456789")),
    (
        "tag:yaml.org,2002:float",
        re.compile(r"[-+]?(\.[0-9]{1,400}|[0-9]{1,400}(\.[0-9]{0,400})?)([eE][-+]?[0-9]{1,3})?$"),
        list("-+.0123456789"),
    ),
)
"""What is read as a number without quotes around it. A text like that is written in quotes."""
for _number in PLAIN_NUMBERS:
    _PlainLoader.add_implicit_resolver(*_number)


def _question(entry: Any, path: str) -> Question:
    if not isinstance(entry, Mapping):
        raise _Misplaced(path, "an object with a prompt and a right answer")
    unknown = next((str(name) for name in entry if name not in _FIELDS), None)
    if unknown is not None:
        raise _Misplaced(f"{path}.{unknown[:40]}", f"one of {', '.join(sorted(_FIELDS))}")
    kind_word = _text(entry.get("kind", "choice"), f"{path}.kind")
    if kind_word not in tuple(Kind):
        raise _Misplaced(f"{path}.kind", f"one of {', '.join(Kind)}")
    given = {
        detail.field: _detail(detail, entry[detail.field], f"{path}.{detail.field}")
        for detail in DETAILS
        if detail.field in entry
    }
    details = Details(**given)
    return gaps_found(
        Question(
            _text(entry.get("prompt"), f"{path}.prompt"),
            _texts(entry.get("right"), f"{path}.right"),
            _texts(entry.get("wrong"), f"{path}.wrong"),
            Kind(kind_word),
            PLAIN if details == PLAIN else details,
            _texts(entry.get("replies"), f"{path}.replies"),
        )
    )


def _detail(detail: Detail, value: Any, path: str) -> Any:
    if detail.is_number:
        return _whole(value, path)
    text = _text(value, path)
    if detail.values is None:
        return text
    if text not in tuple(detail.values):
        raise _Misplaced(path, f"one of {', '.join(detail.values)}")
    return detail.values(text)


def _texts(value: Any, path: str) -> tuple[str, ...]:
    if value is None:
        return ()
    if isinstance(value, list):
        return tuple(_text(item, f"{path}[{place}]") for place, item in enumerate(value))
    return (_text(value, path),)


def _text(value: Any, path: str) -> str:
    if value is not None and not isinstance(value, str | int | float):
        raise _Misplaced(path, "a text")
    return cell_text(value).strip()


def _whole(value: Any, path: str) -> int | None:
    if value is not None and (isinstance(value, bool) or not isinstance(value, int)):
        raise _Misplaced(path, "a whole number")
    return value


def _refusal(number: int, what: str, mend: str, entry: Any) -> Refusal:
    try:
        text = json.dumps(entry, ensure_ascii=False, default=str)
    except (RecursionError, ValueError):
        text = str(type(entry).__name__)
    cells: Sequence[str] = (text[:10_000],)
    return Refusal(number + 1, 1, what, mend, text[:10_000], tuple(cells))
