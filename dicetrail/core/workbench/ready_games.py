"""Small whole games to begin from, each of which plays at once on any pack."""

from collections.abc import Callable
from dataclasses import dataclass, replace

from dicetrail.core.document import (
    After,
    Ask,
    Draw,
    Ending,
    Game,
    Moves,
    Opening,
    Operator,
    Refill,
    Round,
    Span,
    Sums,
    To,
    Way,
)

_QUESTIONS_AT_FIRST = 10

_BY_SHARE = (
    Ending(
        "All right",
        "Every answer right. Nothing is left to teach you.",
        100,
        counts="percent",
        when="wrong_count == 0",
    ),
    Ending(
        "Well done",
        "Half of it right, or more.",
        50,
        counts="percent",
        when="right_count >= wrong_count",
    ),
    Ending("A start", "Play again: the questions will come in another order."),
)
"""Endings by the share that was right, so that they hold however many are asked. The conditions
hold where the percentage is only rounded to 100 or to 50."""


@dataclass(frozen=True, slots=True)
class Recipe:
    """A game to begin from: its name, what it is in a few words, and how it is made."""

    name: str
    words: str
    make: Callable[[str, tuple[str, ...], int], Game]
    """Takes the title, the packs, and how many questions they hold."""


def first_game(title: str, packs: tuple[str, ...], questions: int) -> Game:
    """A game that plays at once: one point a right answer, an ending for every share of right ones.

    `questions` is how many the packs hold; ten are asked, or all if there are fewer or none yet.
    """
    endings = (_BY_SHARE[0], _BY_SHARE[-1]) if questions == 1 else _BY_SHARE
    return Game(title, (Round("Round 1", packs, draw=Draw(_asked_of(questions))),), endings)


def _asked_of(questions: int) -> int | None:
    """How many are asked at first. All, if none are there yet: as many as are written by hand."""
    return min(_QUESTIONS_AT_FIRST, questions) or None


def _ten_sums(title: str, packs: tuple[str, ...], questions: int) -> Game:
    """A game that needs no file: its questions are made."""
    game = first_game(title, packs, questions)
    sums = Sums(left=Span(2, 12), right=Span(2, 12), count=_QUESTIONS_AT_FIRST)
    return replace(game, rounds=(replace(game.rounds[0], sums=(sums,)),))


_LIVES = """\
score = 0
lives = 3

def right():
    score += worth

def wrong():
    if tries_left == 0:
        lives -= 1
"""
_TRIES = """\
score = 0

def right():
    score += [3, 2, 1][tries_used - 1]
"""
_UP_AND_DOWN = """\
score = 15

def right():
    score += 5

def wrong():
    score -= 5
"""
_SPRINT = """\
score = 0

def right():
    score += 1
"""


def _lives(title: str, packs: tuple[str, ...], _questions: int) -> Game:
    round_ = Round("Round 1", packs, draw=Draw(None), ask=Ask(seconds=20))
    out = Ending("Out of lives", "{score} points. Try again.", None, 0, "lives", at_once=True)
    return Game(title, (round_,), (out, Ending("Through", "{score} points, {lives} left.")), _LIVES)


def _tries(title: str, packs: tuple[str, ...], questions: int) -> Game:
    round_ = Round("Round 1", packs, draw=Draw(_asked_of(questions)), ask=Ask(tries=3))
    ends = (
        Ending(
            "At the first try",
            "Every one at the first try.",
            None,
            0,
            "mistakes",
            "asked_count > 0",
        ),
        Ending("None of them", "Not one was right.", None, 0, "right_count"),
        Ending("Some of them", "{score} points."),
    )
    return Game(title, (round_,), ends, _TRIES)


def _up_and_down(title: str, packs: tuple[str, ...], _questions: int) -> Game:
    draw = Draw(None, refill=Refill.WHEN_EMPTY)
    ends = (
        Ending("Won", "You are over the wall.", 30, at_once=True),
        Ending("Lost", "Nothing is left.", None, 0, at_once=True),
    )
    return Game(title, (Round("Round 1", packs, draw=draw),), ends, _UP_AND_DOWN)


def _sprint(title: str, packs: tuple[str, ...], _questions: int) -> Game:
    span = Span(2, 12)
    sums = () if packs else (Sums(Operator.TIMES, span, span, count=200),)
    round_ = Round(
        "Sprint",
        packs,
        sums=sums,
        draw=Draw(None, refill=Refill.WHEN_EMPTY),
        after=After(hold_ms=600),
        seconds=60,
    )
    return Game(title, (round_,), (Ending("Time", "{score} in a minute."),), _SPRINT)


def _first_mistake(title: str, packs: tuple[str, ...], _questions: int) -> Game:
    moves = Moves(wrong=Way(To.ENDING, "A mistake"), timeout=Way(To.ENDING, "A mistake"))
    round_ = Round("Round 1", packs, draw=Draw(None), moves=moves)
    ends = (
        Ending("All of them", "Not one mistake.", None, 0, "mistakes", "right_count > 0"),
        Ending("A mistake", "{score} points up to there."),
    )
    return Game(title, (round_,), ends, "score = 0\n\ndef right():\n    score += 10\n")


def _turns(title: str, packs: tuple[str, ...], questions: int) -> Game:
    each = max(1, min(5, questions // 2)) if questions else 5
    round_ = Round("Round 1", packs, draw=Draw(each))
    ends = (
        Ending("A tie", "Both have {score}.", when="leaders > 1"),
        Ending("Won", "{name} wins with {score}."),
    )
    return Game(title, (round_,), ends, opening=Opening(asks_names=True, most_players=2))


RECIPES: tuple[Recipe, ...] = (
    Recipe("one point each", "ten questions, an ending for every share of right ones", first_game),
    Recipe("three lives", "twenty seconds a question, three lives", _lives),
    Recipe("three tries", "3, 2, 1 points by the try", _tries),
    Recipe("up and down", "from 15 by 5, won at 30, lost at 0", _up_and_down),
    Recipe("sprint", "one minute, as many as you can", _sprint),
    Recipe("first mistake", "ten points each until the first mistake", _first_mistake),
    Recipe("ten sums", "needs no questions: they are made", _ten_sums),
    Recipe("two in turns", "five questions each, the higher score wins", _turns),
)


def recipe(name: str) -> Recipe:
    """The recipe of that name; the first one if no recipe has it."""
    return next((found for found in RECIPES if found.name == name), RECIPES[0])
