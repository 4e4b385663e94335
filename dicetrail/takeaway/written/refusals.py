"""Find what a plain program cannot express, each with its place."""

import ast
from collections.abc import Iterator
from dataclasses import dataclass

from dicetrail.core import Program
from dicetrail.core.answers import fold_steps, spelled
from dicetrail.core.document import (
    DrawOrder,
    Filled,
    Game,
    Kind,
    Leaves,
    ListsAsk,
    Made,
    Occasion,
    Operator,
    Question,
    Refill,
    Round,
    To,
    forms_in,
)
from dicetrail.core.draw import BY_CHANCE
from dicetrail.core.play import Stop
from dicetrail.core.rules import QUESTION_FACTS, condition_of, parse
from dicetrail.takeaway.written.alike import folds_alike, spells_alike

MAX_QUESTIONS = 2000
"""A program with more would be a list of questions, and no loop to read."""

MAX_SUMS = 250_000
"""So many sums of a kind are worked through to draw from."""


@dataclass(frozen=True, slots=True)
class Reason:
    """Why a game is not written as a program, and the stop and round where."""

    stop: Stop
    round: int | None
    what: str


class CannotBeWritten(ValueError):
    """A game that does not fit a plain program; it lists every reason."""

    def __init__(self, reasons: tuple[Reason, ...]) -> None:
        super().__init__("; ".join(reason.what for reason in reasons))
        self.reasons = reasons


def reasons_against(program: Program) -> Iterator[Reason]:
    """Everything in a game that the skeleton has no part for."""
    yield from _of_game(program)
    for number, round_ in enumerate(program.game.rounds):
        for stop, what in _of_round(program, round_, number):
            yield Reason(stop, number, what)


def _of_game(program: Program) -> Iterator[Reason]:
    game, script = program.game, program.rules.script
    if game.has_menu:
        yield Reason(Stop.OPEN, None, "players choose rounds from a menu")
    if game.opening.equal_turns and game.opening.most_players > 1:
        yield Reason(Stop.OPEN, None, "everybody has as many turns as the others")
    if any(cue.words_alone for cue in game.cues) or any(
        round_.after.own_words_alone for round_ in game.rounds
    ):
        yield Reason(Stop.CUE, None, "words of its own stand in place of the page's")
    if any(round_.check.typos_anyway for round_ in game.rounds):
        yield Reason(Stop.CHECK, None, "more typos are forgiven than one for three letters")
    if any(Occasion.PRESS in cue.on and cue.words for cue in game.cues):
        yield Reason(Stop.CUE, None, "a cue says something at every press")
    if any(face.label or face.hidden for face in game.counters):
        yield Reason(Stop.SCORE, None, "counters have other names for players")
    if any(_has_forms(words) for words in _words_of(game)):
        yield Reason(Stop.CUE, None, "its words have forms by number, or name what it cannot count")
    if program.question_count > MAX_QUESTIONS:
        yield Reason(Stop.LOAD, None, f"it has more than {MAX_QUESTIONS:,} questions")
    if not script.is_whole:
        yield Reason(Stop.SCORE, None, "its counters are not whole numbers")
    for name, what in (
        ("out", "a player can be out while others play on"),
        ("add_time", "its rules add time to a clock"),
    ):
        if name in script.script_actions:
            yield Reason(Stop.SCORE, None, what)
    if script.rolls:
        yield Reason(Stop.SCORE, None, "its rules roll dice of their own")
    for name in script.counters:
        if name in _FIELDS:
            yield Reason(Stop.SCORE, None, f"a counter is called “{name}”")
    if any(
        _is_count(node) for function in script.functions.values() for node in ast.walk(function)
    ):
        yield Reason(Stop.SCORE, None, "its rules use a comparison as a number")
    leaving = {
        pattern.facts
        for round_ in game.rounds
        for pattern in round_.patterns
        if pattern.leaves is not Leaves.NONE
    }
    if len(leaving) > 1:
        yield Reason(Stop.LOAD, None, "rows of several tables of facts are not offered again")
    titles = [ending.title for ending in game.endings]
    if len(titles) > len(set(titles)):
        yield Reason(Stop.END, None, "two endings have one name")
    at_once = {name for n in program.rules.at_once_in_question for name in _read_by(program, n)}
    if at_once & (QUESTION_FACTS | {"round_number", "player_number"}):
        yield Reason(Stop.END, None, "an ending that comes at once hangs on the question in play")


_FIELDS = {"name", "goes", "is_told", "int", "str", "bool", "Way", "property"}
"""What a player has besides counters and facts, and the types it is told by."""


def _read_by(program: Program, ending: int) -> frozenset[str]:
    return condition_of(program.game.endings[ending], program.rules.names).reads


def _is_count(node: ast.AST) -> bool:
    """Whether a statement takes what is true or false for a number."""
    values = []
    if isinstance(node, ast.Assign | ast.AugAssign):
        values = [node.value]
    elif isinstance(node, ast.BinOp):
        values = [node.left, node.right]
    elif isinstance(node, ast.Call):
        values = node.args
    elif isinstance(node, ast.Subscript):
        values = [node.slice, *getattr(node.value, "elts", ())]
    elif isinstance(node, ast.IfExp):
        values = [node.body, node.orelse]
    return any(
        isinstance(value, ast.Compare | ast.BoolOp)
        or (isinstance(value, ast.UnaryOp) and isinstance(value.op, ast.Not))
        or (isinstance(value, ast.Constant) and isinstance(value.value, bool))
        for value in values
    )


def _words_of(game: Game) -> Iterator[str]:
    """Every text of a game that has places filled in."""
    yield game.opening.words
    yield from (cue.words for cue in game.cues)
    yield from (ending.verdict for ending in game.endings)
    yield from (said.text for said in parse(game.script).said if said.script_action == "tell")


def _has_forms(words: str) -> bool:
    return any(forms or name in ("asked", "points", "badge") for name, forms in forms_in(words))


def _of_round(program: Program, round_: Round, number: int) -> Iterator[tuple[Stop, str]]:
    draw = round_.draw
    if draw.order is DrawOrder.WEIGHTED:
        yield Stop.DRAW, "levels are drawn by weight"
    if draw.refill is Refill.EACH_TIME and draw.order in BY_CHANCE:
        yield Stop.DRAW, "questions go back at once"
    if draw.player_chooses:
        yield Stop.DRAW, "players say how many questions they want"
    if (draw.topics or draw.levels) and round_.lists:
        yield Stop.DRAW, "questions are chosen by topic or level beside lists to sort"
    if any(lists.asks is ListsAsk.ODD_ONE_OUT for lists in round_.lists):
        yield Stop.LOAD, "odd ones out are made by the dice"
    for sums in round_.sums:
        bottoms = sums.denominators
        if bottoms is not None and sums.operator in (Operator.TIMES, Operator.OVER):
            yield Stop.LOAD, "fractions are multiplied or divided"
        if sums.choices and sums.near is not None:
            yield Stop.LOAD, "wrong choices of sums are only so far off"
        if sums.choices and sums.cap is not None and sums.denominators is not None:
            yield Stop.LOAD, "wrong choices of fractions keep under a largest result"
        if sums.turned and sums.operator is Operator.OVER:
            yield Stop.LOAD, "quotients are products turned round"
        many = (1 + sums.left.most - sums.left.least) * (1 + sums.right.most - sums.right.least)
        if many * (1 if bottoms is None else 1 + bottoms.most - bottoms.least) > MAX_SUMS:
            yield Stop.LOAD, f"one kind of sums has more than {MAX_SUMS:,}"
    for pattern in round_.patterns:
        if pattern.leaves is not Leaves.NONE and draw.refill is not Refill.NEVER:
            yield Stop.DRAW, "rows of facts leave a pool that is filled again"
        if pattern.leaves is Leaves.PICKED:
            yield Stop.LOAD, "choices that were picked are not offered again"
        if pattern.made in (Made.ORDER, Made.MATCH) or (
            pattern.made is Made.GAPS and pattern.filled is not Filled.TYPED
        ):
            yield Stop.LOAD, "what is arranged or picked for gaps is drawn from other rows"
        if pattern.near:
            yield Stop.LOAD, "wrong choices come from near rows first"
    if len(set(round_.packs)) < len(round_.packs):
        yield Stop.LOAD, "it draws from one pack twice"
    if any(way.to is To.AGAIN for way in round_.moves.each.values()) and round_.patterns:
        yield Stop.MOVE_ON, "questions made from facts are asked anew"
    check, parts = round_.check, program.pools[number].parts
    has_choices = any(question.choices for part in parts for question in part.questions[:1])
    if not (check.by_letter or check.by_place or check.by_text) and has_choices:
        yield Stop.CHECK, "choices are answered by picking alone"
    for part in parts:
        for question in part.questions[:MAX_QUESTIONS]:
            for what in _of_question(question, round_):
                yield Stop.LOAD, what


def _of_question(question: Question, round_: Round) -> Iterator[str]:
    if question.kind is Kind.LETTERS and not all(map(spells_alike, question.right)):
        yield f"“{question.right[0]}” has letters that are told from others by more than accents"
    if question.kind is Kind.LETTERS and not spelled(question.right[0]):
        yield f"“{question.right[0]}” has no letters"
    for text in _compared(question):
        if not folds_alike(text, round_.check):
            yield f"“{text}” has characters that are read in a way of their own"
    for texts in _told_apart(question, round_):
        known = dict[str, str]()
        for text in texts:
            first = known.setdefault(fold_steps(text, round_.check)[-1].text, text)
            if first != text:
                yield f"“{first}” and “{text}” are one where an answer is read as forgivingly"


def _compared(question: Question) -> Iterator[str]:
    """The texts that an answer is compared with."""
    yield from question.choices
    if question.kind is Kind.TYPED:
        yield from question.right
    for gap in question.gaps:
        yield from (*gap.accepted, *gap.others)
    yield from question.bank


def _told_apart(question: Question, round_: Round) -> Iterator[tuple[str, ...]]:
    """The texts of which an answer names one."""
    if round_.check.by_text:
        yield question.choices
    yield from (gap.words for gap in question.gaps)
    yield question.bank
