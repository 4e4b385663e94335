"""What the rule script knows: its handlers, facts and script actions, each with its words.

The tables here are the only definition. The parser refuses what is not in them, and the
screens complete and explain names from them.
"""

from dataclasses import dataclass
from enum import StrEnum
from typing import NamedTuple

LIMIT = 1_000_000_000
"""Counters and written numbers stay within plus or minus this."""

MAX_CHARACTERS = 20_000
"""The longest script, in characters."""

MAX_TOKENS = 400
"""The longest statement, in words and characters of the language."""

MAX_DEPTH = 200
"""How deep the parts of a script may be nested."""

MAX_NESTED = 80
"""How many ifs may stand in one another, called functions and elifs included."""

MAX_STATEMENTS = 1_000
"""The most statements one handler may run, its own functions included."""

MAX_PARTS = 6_000
"""The most names, numbers and characters of all handlers together, each with the functions it
calls written out: what is compiled, and so how long that takes. A statement counts as ten."""

MAX_CONDITION = 100
"""The longest condition of an ending, in words and characters of the language."""

MAX_CONDITIONS = 2_500
"""The most names, numbers and characters of all conditions of endings together."""


class Event(StrEnum):
    """What a handler answers to. A handler has the name of its event."""

    STARTED = "started"
    ASKED = "asked"
    RIGHT = "right"
    PARTLY = "partly"
    """An answer that is right in part."""
    WRONG = "wrong"
    TIMEOUT = "timeout"
    """The question's clock has ended. What comes of the question by that is `late`."""
    HINTED = "hinted"
    PASSED = "passed"
    LETTER_HIT = "letter_hit"
    LETTER_MISS = "letter_miss"
    ROUND_OVER = "round_over"
    GAME_OVER = "game_over"


HANDLERS: dict[str, str] = {
    Event.STARTED: "when the run begins, once for each player",
    Event.ASKED: "when a question is put to the player",
    Event.RIGHT: "when an answer is right",
    Event.PARTLY: "when an answer is partly right, at every try; without it, right or wrong runs",
    Event.WRONG: "when an answer is wrong, at every try",
    Event.TIMEOUT: "when the question's clock has ended; without it, wrong runs",
    Event.HINTED: "when the player asks for the hint",
    Event.PASSED: "when the player passes",
    Event.LETTER_HIT: "when a letter stands in the word",
    Event.LETTER_MISS: "when a letter does not stand in the word",
    Event.ROUND_OVER: "when a round is over, once for each player",
    Event.GAME_OVER: "when the game is over, before the endings are tried",
}

COUNTS = (
    "asked_count",
    "right_count",
    "wrong_count",
    "streak",
    "best_streak",
    "mistakes",
    "right_worth",
    "done_worth",
    "partly_count",
    "partly_share",
    "partly_worth",
)
"""The facts every tally counts, in its order."""


class Percentage(NamedTuple):
    """A fact that is a share in percent, rounded half up."""

    part: str
    hundredths: str
    """The count that adds to the part in hundredths."""
    whole: tuple[str, ...]
    """The counts that make up the whole when added."""


SHARES = {
    "percent": Percentage(
        "right_count", "partly_share", ("right_count", "partly_count", "wrong_count")
    ),
    "worth_percent": Percentage("right_worth", "partly_worth", ("done_worth",)),
}

FACTS: dict[str, str] = {
    "asked_count": "questions asked so far, this one included; one asked anew counts once",
    "right_count": "questions answered right so far",
    "wrong_count": "questions done with and not answered right: wrong, too late or passed",
    "streak": "right answers in a row, up to now",
    "best_streak": "the longest streak of the run",
    "mistakes": "wrong answers at every try, late ones, and letters missed",
    "percent": "right questions among those done with, in percent, rounded half up; a partly right "
    "one counts by its share",
    "right_worth": "the worth of the questions answered right; a worth below 0 adds nothing",
    "done_worth": "the worth of all questions done with: what could have been had so far",
    "worth_percent": "right_worth of done_worth, in percent, rounded half up; of a partly right "
    "question its share of the worth counts",
    "partly_count": "questions done with and answered partly right so far",
    "partly_share": "the shares of these questions together: two halves are 100",
    "partly_worth": "the shares of these questions times their worth: half of a worth of 3 is 150",
    "number": "the question's number in its round, from 1",
    "worth": "the question's points; 1 if it names none",
    "level": "the question's level, 1 to 5; 1 if it names none",
    "seconds_left": "whole seconds left on the question's clock; 0 without one",
    "seconds_used": "whole seconds the player has taken for the question",
    "seconds_allowed": "seconds the question's clock began with; 0 without one",
    "percent_left": "what is left of the question's clock, 0 to 100, halves up; 0 without one",
    "tries_used": "answers given to the question, or letters missed, this one included",
    "tries_left": "answers, or misses, still allowed; 0 after the last, in timeout and in passed",
    "round_number": "the round's number, from 1",
    "player_number": "the player's number, from 1",
    "verdict": 'what became of the answer: "right", "close", "partly", "wrong", "late" or "passed"',
    "share": "how much of the answer is right, in percent: 100 in right, 0 in wrong, between them "
    "where it is partly right",
}

TEXT_FACTS = ("verdict",)

QUESTION_FACTS = frozenset(
    {
        "number",
        "worth",
        "level",
        "seconds_left",
        "seconds_used",
        "seconds_allowed",
        "percent_left",
        "tries_used",
        "tries_left",
        "verdict",
        "share",
    }
)
"""What is known of a question in play alone, and means nothing once the game is over."""

YIELDING = frozenset(
    {
        "mistakes",
        "percent_left",
        "out",
        "right_worth",
        "done_worth",
        "worth_percent",
        "partly",
        "partly_count",
        "partly_share",
        "partly_worth",
        "share",
    }
)
"""Names that came to the language later: a script's own counter or function of that name
stands before them, so that a script written before reads as it always did."""

ENDING_FACTS: dict[str, str] = {
    "leaders": "players who share the highest score",
    "player_count": "players in the run",
}
"""What only the conditions of endings can read, once the game is over."""

FUNCTIONS: dict[str, str] = {
    "min": "the smallest of two or more numbers",
    "max": "the largest of two or more numbers",
    "abs": "a number without its minus",
    "round": "a number rounded to a whole one, halves to the even one",
    "len": "how many numbers a written list has",
    "roll": "a whole number from 1 to n, from the dice",
}


@dataclass(frozen=True, slots=True)
class ScriptActionKind:
    """Something a handler can do besides changing counters."""

    takes: str
    """What stands in its brackets: a text, a number or nothing."""
    words: str
    handlers: tuple[Event, ...]
    """The handlers it can stand in."""


_ANSWERED = (Event.RIGHT, Event.PARTLY, Event.WRONG, Event.TIMEOUT, Event.PASSED)
_IN_PLAY = (*_ANSWERED, Event.ASKED, Event.HINTED, Event.LETTER_HIT, Event.LETTER_MISS)
WITHOUT_QUESTION = (Event.STARTED, Event.ROUND_OVER, Event.GAME_OVER)
_ANY = tuple(Event)

SCRIPT_ACTIONS: dict[str, ScriptActionKind] = {
    "cue": ScriptActionKind("text", "plays the cue of that name", _ANY),
    "tell": ScriptActionKind("text", "says these words to the player", _ANY),
    "finish": ScriptActionKind(
        "text", "ends the run with that ending", (*_ANSWERED, Event.ROUND_OVER)
    ),
    "go": ScriptActionKind(
        "text", "goes on to the round of that title", (*_ANSWERED, Event.ROUND_OVER)
    ),
    "again": ScriptActionKind("nothing", "asks the same question anew", _ANSWERED),
    "skip": ScriptActionKind(
        "nothing", "goes on to the next question, tries left or not", _ANSWERED
    ),
    "add_time": ScriptActionKind(
        "number",
        "adds seconds to the clock of the round, else the game, else the question",
        _IN_PLAY,
    ),
    "reveal": ScriptActionKind("nothing", "tells the right answer", _ANSWERED),
    "out": ScriptActionKind(
        "nothing",
        "takes the player out of the run; the others play on",
        (*_ANSWERED, Event.ROUND_OVER),
    ),
}
