"""Help, in place: what each stop can do, and each name of a rule script with an example.

A topic carries the words people use for it besides ours, by which it is found.
"""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from difflib import get_close_matches

from dicetrail.core.play import PLACES, Stop
from dicetrail.core.rules import FACTS, FUNCTIONS, HANDLERS, SCRIPT_ACTIONS


@dataclass(frozen=True, slots=True)
class HelpTopic:
    """Something that can be done, where it is done, and how."""

    stop: Stop
    title: str
    text: str
    also: str = ""
    """What people call it besides, in words with spaces between."""
    example: str = ""
    """A part of a rule script, or words with places, that shows it."""


_ON_PAGE = (
    (
        Stop.LOAD,
        "Write or load questions",
        "Paste questions, load a file, or use a pack of the shelf. You see what comes of a text before anything is kept.",
        "import csv excel spreadsheet paste add question bank",
        "",
    ),
    (
        Stop.LOAD,
        "Put in order",
        "A question of the kind order holds its answers in the right order; players get them shuffled and move them.",
        "order ordering sequence sort arrange rank timeline steps",
        "",
    ),
    (
        Stop.LOAD,
        "Match",
        "A question of the kind match holds pairs: bee = honey. Players give each item what belongs to it; several can share one.",
        "match matching pair pairs connect groups sort categories drag",
        "",
    ),
    (
        Stop.LOAD,
        "Gaps",
        "A question of the kind gaps is a text that marks its right words: A bee gives [honey]. Players type them, or pick them from words.",
        "gap gaps cloze blank blanks fill in missing word sentence text bank",
        "A bee gives [honey | wax].",
    ),
    (
        Stop.LOAD,
        "Place in a picture",
        "A question of the kind place has a picture with areas, drawn where the question is edited. Players tap a place, move a cross, or name it.",
        "place picture image map area spot point hotspot tap click where rectangle ellipse polygon",
        "",
    ),
    (
        Stop.LOAD,
        "Judged by the player",
        "A question of the kind judged shows its answer, and its player says whether they had it: for learning by oneself.",
        "self assessment flash card own judgement learn open question reveal",
        "",
    ),
    (
        Stop.LOAD,
        "Estimate",
        "A question of the kind estimate has a number on a scale, with its ends, step and unit. Players move a slider or type.",
        "estimate slider scale guess number range closest nearest tolerance",
        "",
    ),
    (
        Stop.LOAD,
        "Facts and patterns",
        "A table with named columns makes questions by a pattern: each row asks, and wrong choices are drawn from the other rows.",
        "vocabulary list flashcards table database generate",
        "Where is {plant} sown?",
    ),
    (
        Stop.LOAD,
        "Sums",
        "Add sums makes questions of arithmetic: plus, minus, times, divided by, with fractions, a largest result, and typed answers or near choices.",
        "math maths arithmetic divide division multiply multiplication table add subtract calculate fraction",
        "",
    ),
    (
        Stop.LOAD,
        "Lists to sort",
        "Each item is asked: to which list does it belong? Or: which is the odd one out?",
        "categories groups sort odd one out classify",
        "",
    ),
    (
        Stop.LOAD,
        "Pictures and sounds",
        "A column of file names is known as pictures or sounds. Bring the files, several at once, or in one ZIP with the questions.",
        "image photo audio media upload",
        "",
    ),
    (
        Stop.OPEN,
        "Opening words and picture",
        "What players read before they begin. Names in braces are filled in.",
        "intro welcome start screen greeting title",
        "Welcome, {name}!",
    ),
    (
        Stop.OPEN,
        "Players and names",
        "Ask for names, and let several players take turns.",
        "multiplayer two players turns name login",
        "",
    ),
    (
        Stop.OPEN,
        "Rounds and the menu",
        "Add rounds here. Have them played in order, or let players choose from a menu, which shows the score and what has been played.",
        "menu levels categories sections stages chapter",
        "",
    ),
    (
        Stop.OPEN,
        "Look, language and phrases",
        "Colours, faces, pictures and music of the game; its language; and every phrase it says by itself, in your own words.",
        "theme style colour color font background music translate text",
        "",
    ),
    (
        Stop.DRAW,
        "How many, and in which order",
        "How many questions are drawn for each player, shuffled or as written, easy ones first, or by level.",
        "random shuffle count number limit order",
        "",
    ),
    (
        Stop.DRAW,
        "Topics and levels",
        "Draw only questions of some topics or levels.",
        "filter category difficulty tag",
        "",
    ),
    (
        Stop.DRAW,
        "Questions that come again",
        "When the pool is empty the round is over, or the pool is filled again. A game that never ends gets a button to stop it.",
        "repeat loop endless infinite forever again",
        "",
    ),
    (
        Stop.ASK,
        "Clocks",
        "A countdown of the question, the round or the whole game, in seconds.",
        "timer time limit countdown seconds stopwatch",
        "",
    ),
    (
        Stop.ASK,
        "Tries",
        "How many answers a question takes. Left empty, it is asked until it is right.",
        "attempts chances retry again until right",
        "",
    ),
    (
        Stop.ASK,
        "Choices shown and shuffled",
        "How many choices are shown, and whether they are shuffled or spread evenly over A, B, C.",
        "options answers multiple choice shuffle order",
        "",
    ),
    (
        Stop.ASK,
        "Hints and passing",
        "Let players ask for the hint of a question, or pass it.",
        "skip help clue",
        "",
    ),
    (
        Stop.CHECK,
        "Capitals, accents and spelling",
        "What does not matter in an answer: capitals, accents, punctuation, words at the start, slips of the finger. Try answers out below.",
        "case sensitive lower upper typo spelling fuzzy strip trim spaces",
        "",
    ),
    (
        Stop.CHECK,
        "Partly right",
        "Where all right choices are wanted, or answers are put in order, matched or estimated, what is right can count by its share. "
        "The handler partly, or the share from which it is right, says what it is worth.",
        "partial credit half points some of several share multiple answers order sequence match estimate distance",
        "",
    ),
    (
        Stop.CHECK,
        "Numbers",
        "Whole numbers, decimals, fractions and mixed numbers are read; a tolerance is an amount or a share.",
        "decimal comma tolerance round integer float",
        "",
    ),
    (
        Stop.SCORE,
        "Points",
        "The rules are a small script. A function named after what happens changes the counters.",
        "score add marks",
        "def right():\n    score += worth",
    ),
    (
        Stop.SCORE,
        "Lives",
        "Any name you set at the left edge is a counter. Lives are one.",
        "hearts health game over attempts",
        "lives = 3\n\ndef wrong():\n    if tries_left == 0:\n        lives -= 1",
    ),
    (
        Stop.SCORE,
        "Points by the clock",
        "What is left of the question's clock, in seconds or percent, is a number you can count with.",
        "bonus speed fast time bonus",
        "def right():\n    score += seconds_left",
    ),
    (
        Stop.SCORE,
        "Points by the try",
        "The place in a list gives the points of the first, second, third try.",
        "attempt bonus less points",
        "def right():\n    score += [3, 2, 1][tries_used - 1]",
    ),
    (
        Stop.SCORE,
        "A row of right answers",
        "streak counts right answers in a row.",
        "combo bonus chain",
        "def right():\n    score += 1\n    if streak % 3 == 0:\n        score += 5",
    ),
    (
        Stop.SCORE,
        "A counter of each round",
        "round_over runs when a round is over: set its counter back there.",
        "per round reset subtotal",
        "def round_over():\n    total += points\n    points = 0",
    ),
    (
        Stop.SCORE,
        "Divide",
        "/ gives a number with decimals, // a whole number, % what is left over. percent is never cut.",
        "division divided by modulo remainder average",
        "score += worth // 2",
    ),
    (
        Stop.SCORE,
        "Counters as players read them",
        "Under the script: give a counter other words for players, or keep it from them.",
        "rename label hide hidden variable secret",
        "",
    ),
    (
        Stop.CUE,
        "Praise and correction",
        "A cue for right, wrong or late says words, plays a sound, shows an effect. Its words can stand in place of “Right.” and “Not this time.”",
        "feedback message correct incorrect response",
        "Well dug, {name}!",
    ),
    (
        Stop.CUE,
        "Sounds",
        "Fifteen sounds are there; design your own from notes, or bring a file. A cue for a press sounds whenever an answer is given.",
        "audio music noise click beep",
        "",
    ),
    (
        Stop.CUE,
        "Names in braces, and plural forms",
        "Counters and facts in braces are filled in. With forms after a bar, the form goes with the number.",
        "variable placeholder template plural format print",
        "{score} {score|point|points} of {asked}",
    ),
    (
        Stop.CUE,
        "How long feedback holds",
        "Until the player goes on, or so many seconds.",
        "delay wait pause next automatically",
        "",
    ),
    (
        Stop.MOVE_ON,
        "Ways from a question",
        "After a right, wrong, late or passed answer: the next question, the same again, another round, or an ending.",
        "jump goto branch next level end loop",
        "",
    ),
    (
        Stop.MOVE_ON,
        "Ways in the rules",
        "The script can go to a round or an ending too.",
        "goto if condition",
        'def right():\n    if score >= 5:\n        go("Second bed")',
    ),
    (
        Stop.END,
        "Endings",
        "The first that fits is taken, from the top. One counts the score, a counter, or a share in percent: "
        "percent is the share of the questions, worth_percent that of the points that could have been had.",
        "verdict result win lose game over final message grade share of points",
        "",
    ),
    (
        Stop.END,
        "Endings that come at once",
        "With “at once”, an ending comes as soon as it fits, in the middle of a round.",
        "game over win immediately die zero lives",
        "",
    ),
    (
        Stop.END,
        "Best scores",
        "The highest, the lowest or the fastest runs. They go with the rules that count, not with words.",
        "leaderboard highscore high score record ranking",
        "",
    ),
)

_EXAMPLES = {
    "started": "def started():\n    score = 10",
    "asked": 'def asked():\n    tell("For {worth} points")',
    "timeout": "def timeout():\n    lives -= 1",
    "hinted": "def hinted():\n    score -= 1",
    "partly": "def partly():\n    score += worth * share // 100",
    "passed": "def passed():\n    score -= 1",
    "letter_hit": "def letter_hit():\n    score += 1",
    "letter_miss": "def letter_miss():\n    lives -= 1",
    "game_over": "def game_over():\n    score += lives",
    "round_over": "def round_over():\n    total += points\n    points = 0",
    "cue": 'cue("hooray")',
    "tell": 'tell("{score} so far")',
    "finish": 'finish("Won")',
    "go": 'go("Second bed")',
    "again": "again()",
    "skip": "skip()",
    "add_time": "add_time(5)",
    "out": "out()",
    "min": "score = min(score, 10)",
    "max": "score = max(0, score - 5)",
    "abs": "score -= abs(balance)",
    "round": "score += round(seconds_left / 2)",
    "len": "score += [3, 2, 1][min(tries_used, len([3, 2, 1])) - 1]",
    "roll": "score += roll(6)",
    "share": "score += worth * share // 100",
    "verdict": 'if verdict == "close":\n    score += 1',
}


def _of_script() -> Iterator[HelpTopic]:
    for name, words in HANDLERS.items():
        example = _EXAMPLES.get(name, f"def {name}():\n    score += 1")
        yield HelpTopic(Stop.SCORE, name, f"Runs {words}.", "handler event when", example)
    for name, words in FACTS.items():
        example = _EXAMPLES.get(name, f"score += {name}")
        yield HelpTopic(Stop.SCORE, name, f"{words[0].upper()}{words[1:]}.", "fact value", example)
    for name, script_action in SCRIPT_ACTIONS.items():
        example = _EXAMPLES.get(name, f"{name}()")
        text = f"{script_action.words[0].upper()}{script_action.words[1:]}."
        yield HelpTopic(Stop.SCORE, name, text, "action do", example)
    for name, words in FUNCTIONS.items():
        yield HelpTopic(Stop.SCORE, name, f"Gives {words}.", "function", _EXAMPLES[name])
    for name, words in PLACES.items():
        yield HelpTopic(Stop.CUE, f"{{{name}}}", f"In words: {words}.", "place fill", f"{{{name}}}")


HELP: tuple[HelpTopic, ...] = (*(HelpTopic(*row) for row in _ON_PAGE), *_of_script())
"""Every topic: what is done on the pages, stop by stop, then every name of a rule script."""

_WORD = re.compile(r"\w+")


def help_found(wanted: str) -> tuple[HelpTopic, ...]:
    """The topics that some words lead to, the likeliest first; all of them for no words.

    A word finds what it begins, in any capitals; one that finds nothing, what is spelt nearly so.
    """
    words = [word.casefold() for word in _WORD.findall(wanted)]
    if not words:
        return HELP
    known = sorted({word for topic in HELP for word in _words_of(topic)})
    read = [word if _begins_one(word, known) else _nearest(word, known) for word in words]
    rated = [(sum(_rate(word, topic) for word in read), topic) for topic in HELP]
    found = [(rate, topic) for rate, topic in rated if rate]
    return tuple(topic for _, topic in sorted(found, key=lambda one: -one[0]))


def _words_of(topic: HelpTopic) -> set[str]:
    text = f"{topic.title} {topic.also} {topic.text}"
    return set(_WORD.findall(text.casefold()))


def _begins_one(word: str, known: list[str]) -> bool:
    return any(other.startswith(word) for other in known)


def _nearest(word: str, known: list[str]) -> str:
    return next(iter(get_close_matches(word, known, 1, 0.75)), word)


def _rate(word: str, topic: HelpTopic) -> int:
    """How much a word is about a topic."""
    places = ((topic.title, 8), (topic.also, 4), (topic.text, 1))
    return max(
        (
            weight + (other == word)
            for text, weight in places
            for other in _WORD.findall(text.casefold())
            if other.startswith(word)
        ),
        default=0,
    )
