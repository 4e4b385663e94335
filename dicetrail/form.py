"""The form of a document outside the core: checked when it comes in, mended when an old one is read
from the store.

Both follow from the core's own dataclasses: a name that is not known is an error, and a
number is within the bounds that stand beside its field. What a store kept under earlier rules
is never an error: what does not fit any more is put right, and told.
"""

import json
from collections.abc import Iterator, Sequence
from itertools import repeat
from typing import Any, Generic, TypeVar, get_args

from pydantic import ConfigDict, GetCoreSchemaHandler, TypeAdapter, ValidationError
from pydantic_core import CoreSchema, ErrorDetails

from dicetrail.core import Action, Facts, Input, Pack, PackEdit, Problem
from dicetrail.core.document import (
    DOCUMENT,
    LONE_SURROGATE,
    MAX_PLAYERS,
    Range,
    as_whole_text,
    is_whole_text,
    warning,
)
from dicetrail.core.foresight import KeptRun, Observation, Own, Playthrough, Scout, Try
from dicetrail.core.play import Result
from dicetrail.core.survey import FactsEdit
from dicetrail.limits import MAX_KEPT, MAX_MS, MAX_RUN_SECONDS, MAX_SCORE, MAX_SEEN

Path = tuple[str | int, ...]


def checked_strictly(part: type) -> None:
    """Make a dataclass refuse unknown names, in every format."""
    setattr(part, "__pydantic_config__", ConfigDict(extra="forbid"))  # noqa: B010


def _bounded(within: Range, source: Any, handler: GetCoreSchemaHandler) -> CoreSchema:
    """The form of a number, of one that may be left out, or of several, with their bounds."""
    schema: CoreSchema = _with_bounds(handler(source), within)
    return schema


def _with_bounds(schema: Any, within: Range) -> Any:
    match schema["type"]:
        case "nullable":
            return schema | {"schema": _with_bounds(schema["schema"], within)}
        case "tuple":
            return schema | {
                "items_schema": [_with_bounds(item, within) for item in schema["items_schema"]]
            }
    if within.is_told:
        return schema | {"ge": -MAX_KEPT, "le": MAX_KEPT}
    return schema | {"ge": within.least, "le": within.most}


for _part in (*DOCUMENT, Facts, Pack, PackEdit, FactsEdit, Scout, Own, Input, *get_args(Action)):
    checked_strictly(_part)
setattr(Range, "__get_pydantic_core_schema__", _bounded)  # noqa: B010

SCOUT_FORM: TypeAdapter[Scout] = TypeAdapter(Scout)
"""How a scout that comes from outside is checked."""
KEPT_FORM: TypeAdapter[KeptRun] = TypeAdapter(KeptRun)
"""The form of a run that is kept with what it led to."""
PLAYED_FORM: TypeAdapter[Playthrough] = TypeAdapter(Playthrough)
"""The form of what a run shows."""


def unplayable(shown: Playthrough) -> str | None:
    """The part of a run that can never have been played; None if the whole run can."""
    if len(shown.seen) > MAX_SEEN:
        return f"a run has at most {MAX_SEEN:,} questions"
    if not -MAX_SCORE <= shown.score <= MAX_SCORE or not 0 <= shown.seconds <= MAX_RUN_SECONDS:
        return f"a score is within {MAX_SCORE:,}, and seconds are from 0 to {MAX_RUN_SECONDS:,}"
    if not is_whole_text(shown.ending or "") or not all(map(_is_fit, shown.seen)):
        return "a question in it has numbers or texts that no question has"
    return None


_DONE = (Result.RIGHT, Result.CLOSE, Result.PARTLY, Result.WRONG, Result.LATE, Result.PASSED)


def _is_fit(one: Observation) -> bool:
    given = [text for tried in one.tries for text in (tried.given, *tried.partners)]
    texts = (one.source, one.prompt, one.answer, *one.choices, *one.right, *given)
    return (
        one.result in _DONE
        and 1 <= one.level <= 5
        and 0 <= one.player < MAX_PLAYERS
        and 0 <= one.number < 2**31
        and 0 <= one.used_ms <= MAX_MS
        and 0 <= one.step < 2**31
        and (one.allowed_ms is None or 0 < one.allowed_ms <= MAX_MS)
        and all(map(is_whole_text, texts))
        and all(map(_is_order_of, one.tries, repeat(len(one.right))))
        and all(len(tried.partners) in (0, len(one.right)) for tried in one.tries)
    )


def _is_order_of(tried: Try, count: int) -> bool:
    """Whether a try holds no order, or one of so many answers."""
    return not tried.order or sorted(tried.order) == list(range(count))


def broken_text(value: Any, path: Path = ()) -> Path | None:
    """The path of the first text in JSON that is not made of whole characters; None if all are."""
    waiting: list[tuple[Path, Any]] = [(path, value)]
    while waiting:
        place, found = waiting.pop()
        if isinstance(found, str):
            if not is_whole_text(found):
                return place
        elif isinstance(found, dict):
            broken = next((name for name in found if not is_whole_text(name)), None)
            if broken is not None:
                return (*place, as_whole_text(broken))
            waiting += [((*place, name), inner) for name, inner in found.items()]
        elif isinstance(found, list):
            waiting += [((*place, number), inner) for number, inner in enumerate(found)]
    return None


def in_words(path: Sequence[str | int]) -> str:
    """A path in words: ``rounds[0].draw.count``."""
    steps = "".join(f"[{step}]" if isinstance(step, int) else f".{step}" for step in path)
    return steps.removeprefix(".")


T = TypeVar("T")


class Kept(Generic[T]):
    """How a value of a plain type is kept as JSON, and read whatever rules it was kept under."""

    def __init__(self, kept: Any) -> None:
        self._adapter: TypeAdapter[T] = TypeAdapter(kept)

    def written(self, value: T, is_brief: bool = False) -> str:
        """The value as JSON; in brief without the fields at their defaults."""
        return self._adapter.dump_json(value, exclude_defaults=is_brief).decode()

    def read(self, text: str) -> tuple[T, tuple[Problem, ...]]:
        """The value of kept JSON, and what had to be put right in it for today's rules.

        Raises ValidationError if nothing of it can be read.
        """
        try:
            return self._adapter.validate_json(text), ()
        except ValidationError:
            return self._mended(json.loads(text))

    def _mended(self, found: Any) -> tuple[T, tuple[Problem, ...]]:
        problems = list(_made_whole(found))
        while True:
            try:
                return self._adapter.validate_python(found), tuple(problems)
            except ValidationError as error:
                # From the last to the first, so that what is taken out moves nothing due.
                for fault in reversed(error.errors(include_url=False)):
                    problem = _put_right(found, fault)
                    if problem is None:
                        raise
                    problems.append(problem)


def _made_whole(document: Any) -> Iterator[Problem]:
    """Make every text of a document whole, and tell which were not."""
    while path := broken_text(document):
        holder, name = _found(document, path[:-1]), path[-1]
        if isinstance(holder, dict) and name not in holder:
            holder[name] = holder.pop(next(n for n in holder if as_whole_text(n) == name))
        else:
            holder[name] = as_whole_text(holder[name])
        yield warning(in_words(path), *LONE_SURROGATE)


def _put_right(document: Any, fault: ErrorDetails) -> Problem | None:
    """Put one thing right that does not fit; None if it is the document itself."""
    path = _steps(document, fault["loc"])
    while path:
        name: Any = path[-1]
        holder, where = _found(document, path[:-1]), in_words(path)
        bound = _nearest(fault)
        if bound is not None:
            holder[name] = bound
            what = f"{bound} stands for a number that is out of range"
            return warning(where, what, "look whether it fits")
        if isinstance(holder, list) or name in holder:
            del holder[name]
            what = f"what was kept here is not read any more ({fault['msg']})"
            return warning(where, what, "set it anew")
        path = path[:-1]  # it lacks what it cannot be without
    return None


def _nearest(fault: ErrorDetails) -> int | None:
    bounds = fault.get("ctx", {})
    nearest: int | None = bounds.get("ge", bounds.get("le"))
    return nearest


def _steps(document: Any, loc: Sequence[str | int]) -> Path:
    """The path of a fault in a document. Pydantic's `loc` also names the union members it tried."""
    found, path = document, list[str | int]()
    for place, step in enumerate(loc):
        if isinstance(found, dict):
            if step in found:
                found = found[step]
            elif place < len(loc) - 1:
                continue
        elif isinstance(found, list) and isinstance(step, int) and step < len(found):
            found = found[step]
        else:
            break
        path.append(step)
    return tuple(path)


def _found(document: Any, path: Path) -> Any:
    for step in path:
        document = document[step]
    return document
