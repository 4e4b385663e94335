"""Write what a program says and counts: rules, cues, endings, and the phrases of the game's
language."""

import ast
import re
from collections.abc import Iterator, Mapping

from dicetrail.core import Ending, Kind, Occasion
from dicetrail.core.answers import listed_by
from dicetrail.core.document import Phrase, Translator
from dicetrail.core.rules import HANDLERS
from dicetrail.takeaway.written.game_parts import GameParts
from dicetrail.takeaway.written.known import always_ends
from dicetrail.takeaway.written.literals import quoted, written
from dicetrail.takeaway.written.names import FILLED, OCCASIONS, TAKEN
from dicetrail.takeaway.written.rules import Vocabulary, expression, filled, rules_in_python
from dicetrail.takeaway.written.trees import Transformer


def handlers(it: GameParts, can_come: frozenset[object]) -> str:
    """The table of every event that rules answer to, and the function that does."""
    runs = {name: name for name in HANDLERS if name in it.script.functions}
    if "wrong" in runs:
        runs.setdefault("timeout", "wrong")
    told = [f"{quoted(one)}: {runs[one]}" for one in HANDLERS if one in runs and one in can_come]
    if not told:
        return "RULES: dict[str, Callable[[Player], None]] = {}"
    return f"RULES = {{{', '.join(told)}}}"


def rules(it: GameParts) -> str:
    """The functions of the script."""
    cues = {cue.name: cue.words for cue in it.cues}

    def say(words: str) -> str:
        return _say(it, words)

    def safe(node: ast.expr) -> bool:
        return is_safe(it, node)

    return rules_in_python(it.game.script, Vocabulary(it.script, TAKEN, say, cues, safe))


def is_safe(it: GameParts, node: ast.expr) -> bool:
    """Whether a divisor is never nothing, or an index never beyond its list."""
    match node:
        case ast.Constant(value=int() as value):
            return value != 0
        case ast.Name(id="seconds_allowed") if "seconds_allowed" not in it.script.counters:
            return all(one["seconds"] for one in it.settings)
        case ast.Subscript(
            value=ast.List(elts=items),
            slice=ast.BinOp(
                left=ast.Name(id="tries_used"), op=ast.Sub(), right=ast.Constant(value=1)
            ),
        ):
            has_words = any(question.kind is Kind.LETTERS for question in it.questions)
            most = max(int(str(one["tries"])) for one in it.settings)
            return not has_words and most <= len(items)
    return False


def _say(it: GameParts, words: str) -> str:
    names = {*FILLED, "name", *it.script.counters}
    return filled(words, {name: f"player.{name}" for name in names})


def functions(it: GameParts) -> Iterator[str]:
    """The functions and the table that stand in place of those of the whole program."""
    opening = filled(it.game.opening.words, {"name": "player.name"})
    yield (
        'def opening(player: Player) -> str:\n    """What is said at first."""\n'
        f"    return {opening}"
    )
    counted = ", ".join(
        f"{_brace(it.words.counter(name))} {{player.{name}}}" for name in it.script.counters
    )
    whose = "{player.name}: " if it.game.opening.most_players > 1 else ""
    yield (
        'def told(player: Player) -> str:\n    """What is counted for a player."""\n'
        f"    return f{quoted(whose + counted)}"
    )
    yield "\n".join(_cue(it))
    yield "\n".join(_at_once(it))
    yield "\n".join(_at_the_end(it))
    listed = listed_by(it.words.joined_by)
    folds = "(?i)" if listed.flags & re.IGNORECASE else ""
    yield f"LISTED = {quoted(folds + listed.pattern)}"
    yield f"AND_LETTER = {quoted(it.letter_and)}"
    said = [f"{quoted(one.title)}: {_verdict(it, one.verdict)}," for one in it.game.endings]
    yield f"ENDINGS = {{{' '.join(said)}}}"


def _cue(it: GameParts) -> Iterator[str]:
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


def _at_once(it: GameParts) -> Iterator[str]:
    yield "def ending_at_once(player: Player) -> str:"
    yield '    """The ending that has come, whatever is asked next."""'
    for ending in it.game.endings:
        if ending.at_once:
            yield f"    if {_condition(it, ending)}:"
            yield f"        return {quoted(ending.title)}"
    yield '    return ""'


def _at_the_end(it: GameParts) -> Iterator[str]:
    yield "def ending_for(player: Player, leaders: int, player_count: int) -> str:"
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


class Phrases(Transformer):
    """Puts the phrases of a language in place of the calls that name them."""

    def __init__(self, words: Translator) -> None:
        self.words = words

    def visit_Call(self, node: ast.Call) -> ast.expr:
        self.generic_visit(node)
        if not (isinstance(node.func, ast.Name) and node.func.id == "say"):
            return node
        name = ast.literal_eval(node.args[0])
        is_between = name in _BETWEEN
        text = self.words.texts[Phrase[f"LIST_{name}" if is_between else name]][-1]
        if is_between:
            text = text.removeprefix("{some}").removesuffix("{last}")
        return _with_values(text, {one.arg: one.value for one in node.keywords})


_BETWEEN = ("OR", "AND", "THEN", "PAIRS")
"""What stands between several, by the name that `say` is given."""


def _with_values(text: str, values: Mapping[str | None, ast.expr]) -> ast.expr:
    """A text with what Python fills in at its places."""
    pieces = re.split(r"\{(\w+)\}", text)
    parts: list[ast.expr] = [ast.Constant(pieces[0])]
    for place, piece in zip(pieces[1::2], pieces[2::2], strict=True):
        value = values.get(place)
        parts.append(ast.FormattedValue(value, -1) if value else ast.Constant(f"{{{place}}}"))
        parts.append(ast.Constant(piece))
    return ast.JoinedStr(parts)


def _brace(text: str) -> str:
    return text.replace("{", "{{").replace("}", "}}")
