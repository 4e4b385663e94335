"""Answers as files: what runs showed of their questions, for other programs and for other stores.

As JSON Lines (a run a line) nothing is left out, and the file can be brought in again; as CSV
(RFC 4180, an answer a row) any spreadsheet opens it.
"""

import json
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Literal

from pydantic import TypeAdapter, ValidationError

from dicetrail.core.document import MAX_PLAYERS, is_whole_text
from dicetrail.core.foresight import Observation, Playthrough
from dicetrail.files.sheets import Refusal
from dicetrail.files.tables import guarded, separated
from dicetrail.files.text import FileProblem
from dicetrail.form import checked_strictly, in_words, unplayable
from dicetrail.limits import MAX_FILE, YEARS, is_in_calendar
from dicetrail.standalone.offline_api import ANSWERS

_MAX_TOLD = 200
"""At most this many characters of a refused line are shown."""


@dataclass(frozen=True, slots=True)
class PlayedElsewhere:
    """A run as a line of JSON tells it."""

    format: Literal["dice-trail-answers/1"]
    run: str
    """A name that identifies the run; its play address cannot be derived from it."""
    revision: int
    """Of the game, as it was played."""
    started_at: datetime
    players: tuple[str, ...]
    shown: Playthrough
    remark: str = ""


checked_strictly(PlayedElsewhere)
_FORM = TypeAdapter(PlayedElsewhere)


def without_names(run: PlayedElsewhere) -> PlayedElsewhere:
    """The same run without anything that identifies the player."""
    players = tuple(f"Player {number}" for number, _ in enumerate(run.players, 1))
    return replace(run, players=players, remark="")


def written_lines(runs: Iterable[PlayedElsewhere]) -> list[str]:
    """Runs as JSON Lines, each with its end of line."""
    lines: list[str] = []
    size = 0
    for run in runs:
        line = _FORM.dump_json(run, exclude_defaults=True)
        size += len(line) + 1
        if size > MAX_FILE:
            what = f"it would be more than the {MAX_FILE:,} bytes that are read back"
            raise FileProblem("the file", what, "choose fewer runs, by version or by date")
        lines.append(line.decode() + "\n")
    return lines


HEADINGS = (
    "run",
    "started at",
    "version",
    "player",
    "source",
    "number",
    "question",
    "level",
    "right answer",
    "choices",
    "answers",
    "verdicts",
    "result",
    "seconds",
    "hint",
    "ending",
    "score",
    "run seconds",
)


def written_rows(runs: Iterable[PlayedElsewhere]) -> Iterator[str]:
    """Runs as CSV, an answer a row, under `HEADINGS`; several texts in a cell, one a line."""
    yield separated([HEADINGS])
    for run in runs:
        yield separated(_row(run, one) for one in run.shown.seen)


def _row(run: PlayedElsewhere, one: Observation) -> tuple[object, ...]:
    texts = (
        one.right,
        one.choices,
        [tried.given for tried in one.tries],
        [tried.verdict.value for tried in one.tries],
    )
    right, choices, answers, verdicts = ("\n".join(map(guarded, part)) for part in texts)
    return (
        run.run,
        run.started_at.isoformat(),
        run.revision,
        run.players[one.player] if one.player < len(run.players) else "",
        one.source,
        one.number + 1,
        one.prompt,
        one.level,
        right,
        choices,
        answers,
        verdicts,
        one.result.value,
        one.used_ms / 1000,
        "yes" if one.is_hinted else "no",
        "left" if run.shown.ending is None else run.shown.ending,
        run.shown.score,
        run.shown.seconds,
    )


@dataclass(frozen=True, slots=True)
class AnswersRead:
    """What a file of answers holds, and the lines that were refused."""

    runs: tuple[PlayedElsewhere, ...]
    refused: tuple[Refusal, ...]


def read_answers(content: bytes) -> AnswersRead:
    """The runs of a file of JSON Lines. Raises FileProblem if there is nothing in it to read."""
    if len(content) > MAX_FILE:
        what = f"{len(content):,} bytes are more than the {MAX_FILE:,} that are read"
        raise FileProblem("the file", what, "bring it in parts")
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        what = f"byte {error.start + 1} is not UTF-8"
        raise FileProblem("the file", what, "save the file as UTF-8") from None
    runs: list[PlayedElsewhere] = []
    refused: list[Refusal] = []
    for number, line in enumerate(text.split("\n"), 1):
        if not line.strip():
            continue
        found = _read(number, line)
        if isinstance(found, Refusal):
            refused.append(found)
        else:
            runs.append(found)
    if not runs and not refused:
        mend = "save the answers of a game as JSON Lines"
        raise FileProblem("the file", "it holds no answers", mend)
    return AnswersRead(tuple(runs), tuple(refused))


def _read(number: int, line: str) -> PlayedElsewhere | Refusal:
    def refusal(what: str, mend: str, column: int = 1) -> Refusal:
        return Refusal(number, column, what, mend, line.strip()[:_MAX_TOLD])

    try:
        found = _FORM.validate_json(line)
    except ValidationError as error:
        fault = error.errors(include_url=False, include_input=False)[0]
        where = in_words(fault["loc"])
        if fault["type"] == "json_invalid":
            return refusal("this is not well-formed JSON", "mend the line", _column(line))
        words = f"{where}: {fault['msg']}" if where else str(fault["msg"])
        return refusal(words, f"write a run of the form {ANSWERS}")
    unfit = _unfit(found)
    return found if unfit is None else refusal(unfit, "leave this run out, or mend it")


def _column(line: str) -> int:
    try:
        json.loads(line)
    except json.JSONDecodeError as error:
        return error.colno
    except (ValueError, RecursionError):
        pass
    return 1


def _unfit(run: PlayedElsewhere) -> str | None:
    """The part of a run that cannot have been played; None if all of it can."""
    shown = run.shown
    if not 0 < len(run.run) <= 80 or not 0 < len(run.players) <= MAX_PLAYERS:
        return f"a run has a name of at most 80 characters, and players, {MAX_PLAYERS} at most"
    if run.started_at.tzinfo is None:
        return "when it was started has no time zone"
    if not 0 < run.revision < 2**31:
        return "a version is from 1 up"
    if not is_in_calendar(run.started_at):
        return f"it was started from {YEARS[0]} to {YEARS[-1]}"
    if not all(map(is_whole_text, (run.run, run.remark, *run.players))):
        return "a name or remark in it is no whole text"
    return unplayable(shown)
