"""Game files: a game with its packs, pictures and sounds, as one JSON document.

The form follows from the core's own dataclasses; `docs/schema/game.schema.json` is made
from it. What is at its default is left out when writing. A file with anything wrong in it
is refused as a whole, with the line and column of every fault.
"""

import base64
import binascii
import hashlib
import json
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import Annotated, Any, Literal

import yaml
from pydantic import Field, TypeAdapter, ValidationError

from dicetrail.core import Game, GameProblems, Pack, Problem
from dicetrail.core.document import LONE_SURROGATE, MAX_PLAYERS, as_whole_text
from dicetrail.core.draw import LONG_DICE_BITS
from dicetrail.core.foresight import KeptRun
from dicetrail.files.fields import described
from dicetrail.files.text import FileProblem
from dicetrail.form import broken_text, checked_strictly, in_words
from dicetrail.limits import MAX_FILE

FORMAT: Literal["dice-trail-game/1"] = "dice-trail-game/1"
_MAX_LOCATED = 2_000_000
"""In a longer file places are told by their path alone: finding lines would take long."""

_MAX_FAULTS = 50

PackName = Annotated[str, Field(pattern="^[a-z0-9][a-z0-9-]{0,79}$")]


@dataclass(frozen=True, slots=True)
class GameFile:
    """Everything a game needs to be played elsewhere."""

    format: Literal["dice-trail-game/1"]
    """Which form it has."""
    game: Game
    """The game itself."""
    packs: dict[PackName, Pack] = field(default_factory=dict)
    """The packs its rounds draw from, by the names they give them."""
    media: dict[PackName, dict[str, str]] = field(default_factory=dict)
    """Pictures and sounds in base64 (RFC 4648), by pack and by the names questions give them."""

    sounds: dict[str, str] = field(default_factory=dict)
    """The sound files its own sounds name, in base64, by the digest of their content."""

    pictures: dict[str, str] = field(default_factory=dict)
    """The pictures its look and its endings name, likewise."""

    kept: tuple[KeptRun, ...] = ()
    """Its kept runs, each with what it led to."""

    def brought(self) -> dict[str, bytes]:
        """The sound files of its own sounds, and its own pictures, by digest."""
        own = self.sounds | self.pictures
        return {digest: base64.b64decode(text) for digest, text in own.items()}

    def content(self, pack: str) -> dict[str, bytes]:
        """The pictures and sounds of a pack, by name."""
        return {name: base64.b64decode(text) for name, text in self.media.get(pack, {}).items()}


checked_strictly(GameFile)
_FORM = TypeAdapter(GameFile)


def game_schema() -> dict[str, Any]:
    """The form of a game file, as a JSON Schema (draft 2020-12)."""
    schema = described(_FORM.json_schema(), GameFile)
    return {"$schema": "https://json-schema.org/draft/2020-12/schema"} | schema


def written_game(
    game: Game,
    packs: Mapping[str, Pack],
    media: Mapping[str, Mapping[str, bytes]] | None = None,
    sounds: Mapping[str, bytes] | None = None,
    pictures: Mapping[str, bytes] | None = None,
    kept: Sequence[KeptRun] = (),
) -> bytes:
    """A game with its packs as a game file.

    `media` holds pictures and sounds by pack and name, `sounds` and `pictures` the game's own
    by digest. Raises FileProblem if that is more than is read of a game file.
    """
    files = {
        pack: {name: base64.b64encode(content).decode() for name, content in named.items()}
        for pack, named in (media or {}).items()
        if named
    }
    whole = GameFile(
        FORMAT,
        game,
        dict(packs),
        files,
        _encoded(sounds or {}),
        _encoded(pictures or {}),
        tuple(kept),
    )
    document = _FORM.dump_python(whole, mode="json", exclude_defaults=True)
    for run, told in zip(whole.kept, document.get("kept", ()), strict=True):
        for given, written in zip(run.inputs, told["inputs"], strict=True):
            written["action"]["action"] = given.action.action  # which is its default too
    content = json.dumps(document, ensure_ascii=False, indent=1).encode() + b"\n"
    if len(content) > MAX_FILE:
        what = f"it would be {len(content):,} bytes, and at most {MAX_FILE:,} are read back"
        mend = "make its pictures and sounds smaller, or take some out"
        raise FileProblem("the game with its packs", what, mend)
    return content


def _encoded(files: Mapping[str, bytes]) -> dict[str, str]:
    return {digest: base64.b64encode(content).decode() for digest, content in files.items()}


SAYS_WITHIN = 2**20
"""So many bytes of a file are looked at to tell what it means to be."""


def means_a_game(head: bytes) -> bool:
    """Whether a file that begins so says that it is a game, well-formed or not: its faults are
    those of a game."""
    is_object = head.lstrip(b"\xef\xbb\xbf \t\r\n").startswith(b"{")
    return is_object and _SAYS_SO.search(head) is not None


_SAYS_SO = re.compile(rb'"format"\s*:\s*"%s/' % FORMAT.partition("/")[0].encode())


def read_game(content: bytes) -> GameFile:
    """The game a file holds. Raises GameProblems, each located, if it is no game file."""
    if len(content) > MAX_FILE:
        raise _problems([("", f"{len(content):,} bytes are too many", "leave media out")])
    try:
        text = content.decode("utf-8-sig")
        document = json.loads(text)
    except UnicodeDecodeError as error:
        what = f"byte {error.start + 1} is not UTF-8"
        raise _problems([("", what, "save the file as UTF-8")]) from None
    except json.JSONDecodeError as error:
        where = f"line {error.lineno}, column {error.colno}"
        what = f"this is not well-formed JSON ({error.msg})"
        mend = (
            "write it there as JSON asks; a game file is JSON from its first character to its last"
        )
        raise _problems([(where, what, mend)]) from None
    except RecursionError:
        raise _problems([("", "the file is nested too deeply", "write it plainly")]) from None
    except ValueError:
        what = "a number in it has thousands of digits"
        raise _problems([("", what, "write a shorter one")]) from None
    places = _Places(text)
    if broken := broken_text(document):
        raise _problems([(places.of(broken), *LONE_SURROGATE)])
    try:
        found = _FORM.validate_python(document)
    except ValidationError as error:
        faults = error.errors(include_url=False, include_input=False)[:_MAX_FAULTS]
        raise _problems([_in_words(places, fault) for fault in faults]) from None
    encoded: list[tuple[tuple[str, ...], str]] = [
        (("media", pack, name), base)
        for pack, named in found.media.items()
        for name, base in named.items()
    ]
    encoded += [(("sounds", digest), base) for digest, base in found.sounds.items()]
    encoded += [(("pictures", digest), base) for digest, base in found.pictures.items()]
    for place, words in encoded:
        try:
            base64.b64decode(words, validate=True)
        except (binascii.Error, ValueError):
            raise _problems([(places.of(place), "this is not base64", "leave it out")]) from None
    for number, run in enumerate(found.kept):
        what = "there are too many" if number >= MAX_KEPT else _unplayable(run)
        if what:
            raise _problems([(places.of(("kept", number)), what, "leave this run out")])
    held = {hashlib.sha256(content).hexdigest() for content in found.brought().values()}
    for number, sound in enumerate(found.game.sounds):
        if sound.file and sound.file not in held:
            where = places.of(("game", "sounds", number, "file"))
            what = f"the sound file of “{sound.name}” is not in here"
            raise _problems([(where, what, "add it under sounds, or give the sound notes")])
    for named, digest in found.game.pictures:
        if digest not in held:
            where = places.of(("game", *_path(named)))
            what = "the picture that is named here is not in the file"
            raise _problems([(where, what, "add it under pictures, or leave it out")])
    return found


def _path(where: str) -> tuple[str | int, ...]:
    """``endings[2].picture`` step by step."""
    steps = where.replace("[", ".").replace("]", "").split(".")
    return tuple(int(step) if step.isdecimal() else step for step in steps)


MAX_KEPT = 500
"""So many runs are kept of a game, at most."""

_MAX_KEPT_INPUTS = 20_000


def _unplayable(run: KeptRun) -> str:
    """Why a run that is kept can never have been played; empty if it can."""
    times = [given.at for given in run.inputs]
    if not 0 < len(run.name) <= 80 or not 0 < len(run.players) <= MAX_PLAYERS:
        return f"a kept run has a name of at most 80 characters, and 1 to {MAX_PLAYERS} players"
    if not 0 <= run.dice < 1 << LONG_DICE_BITS:
        return f"dice are a number from 0 up, of at most {LONG_DICE_BITS} bits"
    if times != sorted(times) or (times and times[0] < 0) or len(times) > _MAX_KEPT_INPUTS:
        return f"its inputs, at most {_MAX_KEPT_INPUTS:,}, are not in the order of their times"
    return ""


def _in_words(places: "_Places", fault: Any) -> tuple[str, str, str]:
    """The place of a value that does not fit, the fault, and the mend."""
    where = places.of(fault["loc"])
    if fault["type"] == "unexpected_keyword_argument":
        return where, "this name is not known", "take it out, or mend its spelling"
    return where, f"this does not fit: {fault['msg']}", "write what is expected there"


def _problems(faults: Sequence[tuple[str, str, str]]) -> GameProblems:
    return GameProblems(
        tuple(Problem(where or "the file", what, mend) for where, what, mend in faults)
    )


class _Places:
    """Where things stand in a file, which is read for it once, when first asked."""

    def __init__(self, text: str) -> None:
        self._text = text

    @cached_property
    def _root(self) -> Any:
        if len(self._text) > _MAX_LOCATED:
            return None
        try:  # JSON is YAML, and YAML knows its lines
            return yaml.compose(self._text, Loader=yaml.CSafeLoader)
        except yaml.YAMLError:
            return None

    def of(self, path: Sequence[str | int]) -> str:
        """A place in words: line, column and path."""
        words = as_whole_text(in_words(path)) or "the file"
        node = self._root
        if node is None:
            return words
        mark = node.start_mark
        for step in path:
            if isinstance(node, yaml.MappingNode):
                found = next(((k, v) for k, v in node.value if k.value == step), None)
                if found is None:
                    break
                mark, node = found[0].start_mark, found[1]
            elif isinstance(node, yaml.SequenceNode) and isinstance(step, int):
                node = node.value[step]
                mark = node.start_mark
            else:
                break
        return f"line {mark.line + 1}, column {mark.column + 1}: {words}"
