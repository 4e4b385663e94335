"""Write what a program says and counts: rules, cues, endings, and the phrases of the game's
language."""

import ast
import re
from collections.abc import Iterator, Mapping
from functools import partial

from dicetrail.core import Ending, Occasion
from dicetrail.core.document import Phrase, Translator
from dicetrail.core.rules import HANDLERS
from dicetrail.takeaway.written.asked import WIDTH
from dicetrail.takeaway.written.cutting import quoted, written
from dicetrail.takeaway.written.features import always_ends, is_safe
from dicetrail.takeaway.written.game_parts import GameParts
from dicetrail.takeaway.written.names import CUED, FILLED, OCCASIONS, TAKEN
from dicetrail.takeaway.written.rules import Vocabulary, expression, filled, rules_in_python

_ARGUMENT = re.compile(r"(\w+)=(.+?)(?= \w+=|$)")


def handlers(it: GameParts) -> list[tuple[str, str]]:
    """Every event that rules answer to, and the function that does."""
    runs = {name: name for name in HANDLERS if name in it.script.functions}
    if "wrong" in runs:
        runs.setdefault("timeout", "wrong")
    return [(name, runs[name]) for name in HANDLERS if name in runs and _can_come(it, name)]


def _can_come(it: GameParts, event: str) -> bool:
    needs = {
        "timeout": "has_question_clock",
        "passed": "has_passing",
        "hinted": "has_hints",
        "letter_hit": "has_letters",
        "letter_miss": "has_letters",
    }
    return event not in needs or it.holds[needs[event]]


def _vocabulary(it: GameParts) -> Vocabulary:
    cues = {cue.name: cue.words for cue in it.cues}
    return Vocabulary(it.script, TAKEN, partial(_say, it), cues, partial(is_safe, it))


def rules(it: GameParts) -> list[str]:
    """The functions of the script."""
    return rules_in_python(it.game.script, _vocabulary(it)).split("\n")


def _say(it: GameParts, words: str) -> str:
    names = {*FILLED, "name", *it.script.counters}
    return filled(words, {name: f"player.{name}" for name in names})


def say_opening(it: GameParts) -> str:
    """The opening words, as they are printed."""
    first = "run.players[0]" if it.holds["many_players"] else "run.player"
    return filled(it.game.opening.words, {"name": f"{first}.name"})


def told(it: GameParts) -> str:
    """What is counted for a player, as it is printed."""
    counted = ", ".join(
        f"{_brace(it.words.counter(name))} {{player.{name}}}" for name in it.script.counters
    )
    whose = "{player.name}: " if it.holds["many_players"] else ""
    return f"f{quoted(whose + counted)}"


def cue_function(it: GameParts) -> Iterator[str]:
    """The function that says what cues say; none where they say nothing."""
    if not any(it.holds[f"cue_{name}"] for name in CUED):
        return
    yield "# ---- Cue: what is said ----"
    yield ""
    yield ""
    yield "def cue(occasion: str, player: Player) -> None:"
    yield '    """Say what there is to say at an occasion."""'
    for cue in it.cues:
        on = [OCCASIONS[occasion] for occasion in cue.on if occasion in OCCASIONS]
        if not on:
            continue
        test = f"occasion == {quoted(on[0])}" if len(on) == 1 else f"occasion in {written(on)}"
        if Occasion.STREAK in cue.on:
            often = f"player.streak % {cue.streak} == 0"
            others = [one for one in on if one != "streak"]
            test = f'occasion == "streak" and {often}'
            if others:
                test = f"occasion in {written(others)} or ({test})"
        yield f"    if {test}:"
        yield f"        print({_say(it, cue.words)})"


def endings(it: GameParts) -> Iterator[str]:
    """The endings and what they say, and the functions that tell which has come."""
    yield "ENDINGS = {"
    for ending in it.game.endings:
        yield from text_lines(f"    {quoted(ending.title)}: ", _verdict(it, ending.verdict), ",")
    yield "}"
    yield ""
    yield ""
    if it.holds["has_at_once"]:
        yield "def ending_at_once(player: Player) -> str | None:"
        yield '    """The ending that has come, whatever is asked next."""'
        for ending in it.game.endings:
            if ending.at_once:
                yield f"    if {_condition(it, ending)}:"
                yield f"        return {quoted(ending.title)}"
        yield "    return None"
        yield ""
        yield ""
    more = ", leaders: int, player_count: int" if it.holds["reads_leaders"] else ""
    yield f"def ending_for(player: Player{more}) -> str:"
    yield '    """The first ending that fits, now that the game is over."""'
    tried = [it.game.endings[number] for number in it.rules.final]
    for place, ending in enumerate(tried, 1):
        condition = _condition(it, ending)
        is_rest = place == len(tried) and always_ends(it, ending.counts) and not ending.when
        if condition == "True" or is_rest:
            yield f"    return {quoted(ending.title)}"
            break
        yield f"    if {condition}:"
        yield f"        return {quoted(ending.title)}"
    else:
        yield '    return ""'


def _verdict(it: GameParts, words: str) -> str:
    """What an ending says, as `str.format` takes it; no question is in play then."""
    names = {*FILLED, "name", *it.script.counters} - {"number"}
    said = filled(words, {name: f"player.{name}" for name in names})
    return said.removeprefix("f") if said.startswith("f") else quoted(_brace(words))


def _condition(it: GameParts, ending: Ending) -> str:
    at_least, at_most = ending.at_least, ending.at_most
    about = f"player.{ending.counts}"
    parts = []
    if at_least is not None and at_most is not None:
        parts.append(f"{at_least} <= {about} <= {at_most}")
    elif at_least is not None:
        parts.append(f"{about} >= {at_least}")
    elif at_most is not None:
        parts.append(f"{about} <= {at_most}")
    when = ending.when.strip()
    if when:
        node = ast.parse(f"({when}\n)", mode="eval").body
        said = expression(node, it.script.counters)
        parts.append(said if not parts else f"({said})")
    return " and ".join(parts) or "True"


def text_lines(before: str, literal: str, after: str) -> Iterator[str]:
    """A text after some words of a line, broken where it is too long for one."""
    if len(before + literal + after) <= WIDTH:
        yield before + literal + after
        return
    margin = " " * (len(before) - len(before.lstrip()) + 4)
    inner = literal.removeprefix("f")[1:-1]
    mark = "f" if literal.startswith("f") else ""
    yield before.rstrip() + ("" if before.rstrip().endswith("(") else " (")
    while inner:
        at = len(inner)
        if len(inner) > WIDTH - len(margin) - 4:
            at = inner.rfind(" ", 0, WIDTH - len(margin) - 4) + 1 or len(inner)
        yield f'{margin}{mark}"{inner[:at]}"'
        inner = inner[at:]
    yield margin[4:] + (")" + after if not before.rstrip().endswith("(") else after)


def phrase(words: Translator, found: re.Match[str]) -> str:
    """A phrase of the game's language within a text in double quotes."""
    if found[1] == "OR":
        between = words.texts[Phrase.LIST_OR][0].removeprefix("{some}").removesuffix("{last}")
        return quoted(_brace(between))[1:-1]
    values = dict(_ARGUMENT.findall(found[2].strip()))
    if found[1] == "IT_IS_TEXT":
        told = words.texts[Phrase.IT_IS][-1].replace("{answer}", words.texts[Phrase.QUOTED][-1])
        return _in_text(told.replace("{text}", "{answer}"), values)
    return _in_text(words.texts[Phrase[found[1]]][-1], values)


def _in_text(text: str, values: Mapping[str, str]) -> str:
    """A text with what Python fills in at its places."""
    pieces = re.split(r"\{(\w+)\}", text)
    said = quoted(_brace(pieces[0]))[1:-1]
    for place, piece in zip(pieces[1::2], pieces[2::2], strict=True):
        said += f"{{{values[place]}}}" if place in values else f"{{{{{place}}}}}"
        said += quoted(_brace(piece))[1:-1]
    return said


def _brace(text: str) -> str:
    return text.replace("{", "{{").replace("}", "}}")
