"""Write a game as a plain Python program: its questions as data, and the loop that asks them.

First the features of the game are found, then the skeleton is cut by them, and then the questions,
the rounds, the rules and the endings are written in. Every line knows its stop.
"""

import re
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass

from dicetrail.core import Game
from dicetrail.core.draw import Packs
from dicetrail.core.play import Stop, made_ready
from dicetrail.takeaway.written.asked import question_lists, rounds_list
from dicetrail.takeaway.written.cutting import (
    cut,
    fields_in,
    joined,
    quoted,
    settled,
    shaken,
    tidied,
    without_fields,
)
from dicetrail.takeaway.written.features import holds_of
from dicetrail.takeaway.written.game_parts import GameParts
from dicetrail.takeaway.written.refusals import CannotBeWritten, reasons_against
from dicetrail.takeaway.written.skeleton import SKELETON
from dicetrail.takeaway.written.told import (
    cue_function,
    endings,
    handlers,
    phrase,
    rules,
    say_opening,
    text_lines,
    told,
)

_HEADING = re.compile(r"# ---- ([A-Z][a-z ]+): .* ----$")
"""How the part of a stop begins; a maker's comment never does."""
_PHRASE = re.compile(r"«(\w+)((?: \w+=[^»]+)?)»")
_ONE_CHECK = re.compile(r"\bcheck_(?:text|word|number)\b")
_PLAIN = re.compile(r"\bf(\"(?:[^\"\\{}]|\\.)*\")")


@dataclass(frozen=True, slots=True)
class PlainProgram:
    """The program, and the stop each of its lines belongs to."""

    text: str
    stops: tuple[Stop | None, ...]


def plain_program(game: Game, packs: Packs, file: str) -> PlainProgram:
    """A game as a program in a file of that name. Raises CannotBeWritten if it does not fit."""
    program = made_ready(game, packs)
    reasons = tuple(dict.fromkeys(reasons_against(program)))
    if reasons:
        raise CannotBeWritten(reasons)
    it = GameParts(program, file)
    it.holds = holds_of(it)
    text = _text(it)
    return PlainProgram(text, tuple(_stops(text)))


def _stops(text: str) -> Iterator[Stop | None]:
    stop = None
    for line in text.rstrip("\n").split("\n"):
        heading = _HEADING.match(line)
        if heading:
            stop = Stop(heading[1].lower())
        yield stop


def _text(it: GameParts) -> str:
    """The whole program."""
    text = cut(SKELETON, it.holds)
    if not it.holds["judges"]:
        text = _ONE_CHECK.sub("check", text)
    kept = {"order"} if not (it.holds["all_shuffled"] or it.holds["all_written"]) else set()
    if it.holds["has_moves"]:
        kept |= {name for name in it.same if name.startswith("after_")}
    if it.holds["has_topics"]:
        kept.add("topics")
    if it.holds["has_levels"]:
        kept.add("levels")
    same = {name: value for name, value in it.same.items() if name not in kept}
    time_up = {
        (True, True): "time_is_up(run)",
        (True, False): "run.round_left <= 0",
        (False, True): "run.game_left <= 0",
    }
    clocks = (it.holds["has_round_clock"], it.holds["has_game_clock"])
    text = text.replace("TIME_UP", time_up.get(clocks, ""))
    asked = "Way | None" if it.holds["has_long_clock"] else "Way"
    text = settled(text.replace("-> ASKED:", f"-> {asked}:"), same)
    gone = set(same) & set(fields_in(text, "Round"))
    text = without_fields(text, "Round", gone)
    text = _PHRASE.sub(lambda found: phrase(it.words, found), text)
    fields = set(fields_in(text, "Round"))
    names = {
        "counters": _counters(it),
        "handlers": [f"{quoted(event)}: {name}," for event, name in handlers(it)],
    }
    text = _with_parts(text, names, {})
    text = joined(_PLAIN.sub(r"\1", _told_at_once(text)))
    parts = {
        "questions": question_lists(it),
        "rounds": rounds_list(it, fields),
        "rules": rules(it),
        "cues": cue_function(it),
        "endings": endings(it),
    }
    words = {"title": quoted(it.game.title), "opening": say_opening(it), "told": told(it)}
    # From here on there are words of the maker's in it, which nothing but blank lines may touch.
    text = _with_parts(text, parts, words)
    return tidied(shaken(_docstring(it) + text.split("\n", 5)[5]))


def _counters(it: GameParts) -> list[str]:
    return [f"{name}: int = {first}" for name, first in it.script.counters.items()]


def _docstring(it: GameParts) -> str:
    title, file = (quoted(text)[1:-1] for text in (it.game.title, it.file))
    return (
        f'"""{title}: a quiz game. It needs Python 3.11 or newer, and nothing else.\n\n'
        f"python3 {file} 4821 plays it with the dice 4821, which bring the same again.\n"
        '"""\n\n'
    )


def _told_at_once(text: str) -> str:
    """The text with the right answer told where it comes, if one line tells it."""
    found = re.search(
        r"^def tell_answer\(question: Question\) .*\n    \"{3}.*\n    (print.*)\n\n", text, re.M
    )
    if found is None:
        return text
    rest = text[: found.start()] + text[found.end() :]
    return rest.replace("tell_answer(question)", found[1])


_PLACE = re.compile(r'^( *)#= (\w+)$|^( *print\()f?"#= (\w+)"(\).*)$', re.M)
"""A line that stands for a part, or prints some words."""


def _with_parts(text: str, parts: Mapping[str, Iterable[str]], words: Mapping[str, str]) -> str:
    """The text with parts and words in place of what stands for them, the lines of a part as deep.

    All at once: whatever stands in a part is never taken for a place of another.
    """

    def put_in(found: re.Match[str]) -> str:
        deep, part, before, said, after = found.groups()
        if part in parts:
            return "\n".join(deep + line if line else "" for line in parts[part])
        if said in words:
            return "\n".join(text_lines(before, words[said], after))
        return found[0]

    return _PLACE.sub(put_in, text)
