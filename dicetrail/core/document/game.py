"""The document a maker makes: a game, and the packs its rounds draw from.

These frozen dataclasses are the only definition of the document. Validation at the
boundary, the API's schema and the web page's types are all derived from them, so a field
is added here and nowhere else. A document may be unfinished or contradictory; `survey`
says what is wrong with it and `build` refuses to play it.
"""

from collections.abc import Mapping
from dataclasses import dataclass, fields, replace
from typing import Annotated

from dicetrail.core.document.areas import Area, area_in
from dicetrail.core.document.field_labels import FieldLabel, Range, Value
from dicetrail.core.document.gaps import Gap, gap_in
from dicetrail.core.document.look import (
    AS_THE_WORKBENCH,
    Background,
    Colours,
    Look,
    Music,
)
from dicetrail.core.document.pairs import pair_in
from dicetrail.core.document.phrases import Language, OwnPhrase
from dicetrail.core.document.sites import MAX_SITES, is_site
from dicetrail.core.document.words import Number as Number

MAX_CHOICES = 12
"""A question offers two to twelve choices, lettered A to L."""

MIN_ARRANGED = 2
"""At least two answers are put in order, or matched; at most as many as there can be choices."""

MAX_LETTERS = 40
"""The longest word or phrase found letter by letter, so that it fits a phone's screen."""

MAX_POINTS = 1_000_000_000
"""Points and bounds stay within plus or minus this number."""

MAX_PLAYERS = 4

MAX_IN_SUMS = 1_000_000
"""The numbers of sums stay within this."""

MAX_SECONDS = 3600
"""The longest clock of a question."""

MAX_DRAWN = 10_000
"""The most questions a round draws for a player."""

Points = Range(-MAX_POINTS, MAX_POINTS)
LongSeconds = Range(1, 86_400)


class Order(Value):
    """In which order choices stand."""

    SHUFFLED = "shuffled", "Shuffled", "the right answer can stand anywhere"
    WRITTEN = "written", "As written", "the right answer always stands at A"


class DrawOrder(Value):
    """The order of the questions."""

    SHUFFLED = "shuffled", "Shuffled"
    WRITTEN = "written", "As written"
    EASY_FIRST = "easy first", "Easy ones first"
    """Drawn by chance, then asked from the lowest level up."""
    WEIGHTED = "weighted", "Levels by weight"
    """By chance, some levels likelier than others."""


class Refill(Value):
    """Whether a question that was asked can come again."""

    NEVER = "never", "The round is over"
    WHEN_EMPTY = "when empty", "Fill it again"
    """The whole pool is drawn again. The same question never comes twice in a row. If the pool has
    more than two right answers, the same right answer does not either."""
    EACH_TIME = "each time", "It never is: questions go back at once"
    """Every question goes back at once. The same question never comes twice in a row. If the pool
    has more than two right answers, the same right answer does not either."""


class Shows(Value):
    """What the choices of a question are."""

    TEXT = "text"
    PICTURE = "picture"
    """The choices name picture files."""
    SOUND = "sound"
    """The choices name sound files."""


class Needs(Value):
    """Which of several right choices an answer has to name."""

    ANY = "any", "any one will do"
    ALL = "all", "all are wanted, picked together"
    """Every right one and no other, picked together."""


class Filled(Value):
    """How the gaps of a text are filled that have no words of their own to pick from."""

    TYPED = "typed", "typed"
    BANK = "bank", "picked from the words of all gaps"


class PartlyRight(Value):
    """What of an answer counts that names some of the right choices where all are wanted, or has
    some right pairs of a match or gaps of a text."""

    NEVER = "never", "All or nothing"
    RIGHT_PICKS = "right picks", "By right picks, pairs or gaps", "wrong ones take nothing away"
    """The share of the right choices that are picked, or of the pairs or gaps that are right, at
    most 99 %."""
    LESS_WRONG = "less wrong picks", "By right ones less wrong ones", "never below nothing"
    """The same after as many right ones are taken away as there are wrong ones."""


class EstimateShare(Value):
    """What of an estimate counts that is off by more than the tolerance."""

    NEVER = "never", "All or nothing"
    STRAIGHT = "straight", "Less in a straight line", "nothing is left so far off"
    HALVES = "halves", "Half for each so far", "a half, a quarter, and so on"


class OrderShare(Value):
    """What of an order counts that is not wholly right."""

    NEVER = "never", "All or nothing"
    PLACES = "places", "By right places", "how many stand where they belong"
    NEIGHBOURS = "neighbours", "By neighbours", "how many come right after the one before them"
    PAIRS = "pairs", "By pairs", "of how many two the first comes first"
    STEPS = "steps", "By distance", "how many places each is away from its own"


class DecimalMark(Value):
    """Which mark stands before decimals where it could be either; the other groups thousands."""

    LANGUAGE = "language", "As the game's language writes them"
    POINT = "point", "1,250 is over a thousand, 1.250 is not"
    COMMA = "comma", "1.250 is over a thousand, 1,250 is not"


class Best(Value):
    """Which runs are the best of a game."""

    HIGHEST = "highest score", "The highest score", "as most games have it"
    LOWEST = "lowest score", "The lowest score", "where points are penalties"
    FASTEST = "fastest", "The shortest time", "among endings that can be a best"


class Reveal(Value):
    """When the right answer is shown."""

    LAST_TRY = "last try", "Once the question is done with"
    ALWAYS = "always", "After every answer"
    """Also while tries are left."""
    NEVER = "never", "Never"


class To(Value):
    """Where a run goes after an answer."""

    QUESTION = "next question", "the next question"
    AGAIN = "same question", "the same question, asked anew"
    """With all its tries and its clock."""
    NEXT_ROUND = "next round", "the round is over"
    ROUND = "round"
    ENDING = "ending"


class RoundOrder(Value):
    """Which rounds are played."""

    IN_ORDER = "in order", "All, in order", "one after the other"
    CHOOSE_ONE = "choose one", "One, from a menu", "the game is over after it"
    CHOOSE_EACH = "choose each", "All, from a menu", "the player picks each next one"


class ListsAsk(Value):
    """What is asked of named lists."""

    SORT = "sort", "Where does an item belong?"
    ODD_ONE_OUT = "odd one out", "Which is the odd one out?"


class Made(Value):
    """How questions made from facts are answered."""

    CHOICE = "choice", "Picked from choices", "the wrong ones are drawn from other rows"
    TYPED = "typed", "Typed"
    NUMBER = "number", "A number"
    LETTERS = "letters", "Letter by letter"
    ORDER = "order", "Put in order", "by a column of numbers; the others are drawn from other rows"
    MATCH = "match", "Matched", "two columns; the other pairs are drawn from other rows"
    ESTIMATE = "estimate", "Estimated on a scale", "a column of numbers"
    JUDGED = "judged", "Judged by the player", "the answer is shown, and the player says"
    GAPS = "gaps", "Gaps in a sentence", "left out where the answer stands in the question"
    PLACE = "place", "A place in a picture", "a column of areas; those of other rows are wrong"


class Leaves(Value):
    """Which rows of facts leave a run. A row that has left is not asked about and is not a choice
    again."""

    NONE = "none", "nothing: every row can come again"
    RIGHT = "right", "rows that were the right answer"
    PICKED = "picked", "rows that were right, and those picked"


class Operator(Value):
    """What a sum does with its two numbers."""

    PLUS = "plus", "+ plus"
    MINUS = "minus", "− minus"
    TIMES = "times", "× times"
    OVER = "over", "÷ divided by, whole quotients"
    """Never by zero, never a smaller number by a larger."""


class Occasion(Value):
    """What a cue can answer to."""

    OPENING = "opening"
    SHOWN = "question shown"
    RIGHT = "right"
    CLOSE = "close"
    PARTLY = "partly right"
    WRONG = "wrong"
    LATE = "late"
    PASSED = "passed"
    HINT = "hint"
    PRESS = "press"
    """An answer, or a letter, is given, whatever comes of it."""
    LETTER_HIT = "letter hit"
    LETTER_MISS = "letter miss"
    LIFE_LOST = "life lost"
    LIFE_WON = "life won"
    STREAK = "streak"
    """So many right answers in a row, and each time as many again."""
    TICK = "tick"
    """Each of the last seconds of a countdown, on the player's own page."""
    ROUND_OVER = "round over"
    ENDING = "ending"
    BEST = "new best score"
    """The run ends with more points than any before it."""


class Effect(Value):
    """Something seen for a moment, at most a second and a half, never in the way of an answer."""

    NONE = "none"
    MARK = "mark", "mark over the answer"
    """A tick or a cross."""
    SHAKE = "shake"
    FLASH = "flash"
    LEAVES = "leaves", "falling leaves"
    TOKEN = "token", "the die jumps"
    HEART = "heart", "a heart falls"
    SEED = "seed", "a seed falls"
    COUNT = "count", "the score counts up"
    FACE = "face", "a face that reacts"


class Wave(Value):
    """The form of a tone's wave."""

    SINE = "sine", "sine, soft"
    TRIANGLE = "triangle", "triangle, reedy"
    SQUARE = "square", "square, hollow"
    SAWTOOTH = "sawtooth", "sawtooth, sharp"


class Kind(Value):
    """How a question is answered."""

    CHOICE = "choice"
    """Pick a right choice from among wrong ones."""
    TRUTH = "truth", "true or false"
    """Say whether it is true; `right` is ``true`` or ``false``."""
    TYPED = "typed", "typed answer"
    """Type an accepted answer; `right` holds all of them, the one to show first."""
    NUMBER = "number"
    """Give a number, whole, decimal, fraction or mixed, within a tolerance."""
    LETTERS = "letters"
    """Find a word or phrase, letter by letter or at once."""
    SORT = "sort", "sort into groups"
    """Say to which group it belongs; `right` is its group, `wrong` the others."""
    ORDER = "order", "put in order"
    """Put the answers in order; `right` holds them in the right order."""
    MATCH = "match"
    """Give each item its partner; `right` holds the pairs, written ``item = partner``, `wrong`
    partners that are left over."""
    ESTIMATE = "estimate"
    """Estimate a number on a scale; `right` holds the number, the details the scale."""
    JUDGED = "judged", "judged by the player"
    """See the answer and say whether it was known; `right` holds what is shown."""
    GAPS = "gaps", "gaps in a text"
    """Fill the blanks of the prompt, each written ``___``; `right` holds what fits each, `wrong`
    the words of the common bank that are left over."""
    PLACE = "place", "a place in a picture"
    """Point at an area of the picture; `right` holds the areas that are right, `wrong` others, each
    written ``hive = rectangle 10 20 40 60``."""


ARRANGED = frozenset((Kind.ORDER, Kind.MATCH))
"""The kinds whose answers name a choice for each of several places."""


@dataclass(frozen=True, slots=True)
class Details:
    """What a question may carry besides its answer. Empty and None mean that it does not."""

    topic: Annotated[str, FieldLabel("Topic", also=("subject", "category"))] = ""
    """The topic; rounds can draw by topic."""
    level: Annotated[
        int | None, Range(1, 5, is_told=True), FieldLabel("Level", also=("difficulty",))
    ] = None
    """The difficulty, from 1 to 5."""
    worth: Annotated[
        int | None,
        Range(-MAX_POINTS, MAX_POINTS, is_told=True),
        FieldLabel("Worth", also=("points", "score")),
    ] = None
    """Points."""
    seconds: Annotated[
        int | None,
        Range(1, MAX_SECONDS, is_told=True),
        FieldLabel("Seconds", also=("time", "time limit")),
    ] = None
    """Seconds to answer, from 1 to 3,600."""
    hint: Annotated[str, FieldLabel("Hint")] = ""
    """Shown when a player asks for it."""
    note: Annotated[str, FieldLabel("Note", also=("explanation",))] = ""
    """Shown after the answer."""
    picture: Annotated[str, FieldLabel("Picture", also=("image",))] = ""
    """The name of a picture file."""
    sound: Annotated[str, FieldLabel("Sound", also=("audio",))] = ""
    """The name of a sound file."""
    narration: Annotated[str, FieldLabel("Narration", also=("read out",))] = ""
    """The name of a sound in which the question is read out."""
    tolerance: Annotated[str, FieldLabel("Tolerance")] = ""
    """The tolerance for a number: an amount (``0.5``) or a percentage (``2%``)."""
    pinned: Annotated[str, FieldLabel("Pinned choice", also=("pinned",))] = ""
    """The choice that always stands last."""
    shows: Annotated[Shows, FieldLabel("Choices are", also=("shows",))] = Shows.TEXT
    """What the choices are: texts, or names of pictures or sounds."""
    misses: Annotated[int | None, Range(1, 20, is_told=True), FieldLabel("Misses")] = None
    """Wrong letters allowed to a word; None allows as many as the round does."""
    needs: Annotated[Needs, FieldLabel("Needs", "of the right answers")] = Needs.ANY
    """Of several right choices, whether any one will do or all are wanted together."""
    when_right: Annotated[str, FieldLabel("Said when right")] = ""
    """The question's own words after a right answer."""
    when_wrong: Annotated[str, FieldLabel("Said when wrong")] = ""
    """And after a wrong one that has no reply of its own."""
    least: Annotated[str, FieldLabel("Scale from", also=("minimum", "min", "lowest"))] = ""
    """Where the scale of an estimate begins."""
    most: Annotated[str, FieldLabel("Scale to", also=("maximum", "max", "highest"))] = ""
    """Where it ends."""
    step: Annotated[str, FieldLabel("Scale step", also=("step size", "increment"))] = ""
    """From one number of the scale to the next; empty for 1."""
    unit: Annotated[str, FieldLabel("Scale unit", also=("units",))] = ""
    """The unit of its numbers, such as ``kg``."""
    filled: Annotated[Filled, FieldLabel("Gaps are", also=("filled",))] = Filled.TYPED
    """How the gaps of a text are filled; they are picked in any case where words are left over."""


PLAIN = Details()


@dataclass(frozen=True, slots=True)
class Question:
    """A prompt, how it is answered, and what is right and wrong."""

    prompt: str
    """The question text."""
    right: tuple[str, ...]
    """All right answers, the one to show first; for choice questions, the right choices; what is to
    be put in order, in the right order; pairs, each as ``item = partner``; what fits each gap."""
    wrong: tuple[str, ...] = ()
    """The wrong choices; only for choice questions, and for partners and for words of gaps that are
    left over."""
    kind: Kind = Kind.CHOICE
    """How the question is answered."""
    details: Details = PLAIN
    """Further properties."""
    replies: tuple[str, ...] = ()
    """The replies to wrong choices, in the order of these; empty means no reply."""

    def reply_to(self, choice: str) -> str:
        """What a player is told who picks that wrong choice."""
        replies = dict(zip(self.wrong_choices, self.replies, strict=False))
        return replies.get(choice, "") or self.details.when_wrong

    @property
    def pairs(self) -> tuple[tuple[str, str], ...]:
        """The items of a matching question with their partners; nothing for other kinds."""
        if self.kind is not Kind.MATCH:
            return ()
        return tuple(filter(None, map(pair_in, self.right)))

    @property
    def partners(self) -> tuple[str, ...]:
        """The different partners of a matching question, as they are first named."""
        return tuple(dict.fromkeys(partner for _, partner in self.pairs))

    @property
    def gaps(self) -> tuple[Gap, ...]:
        """What fits each gap of its text; nothing for other kinds."""
        return tuple(map(gap_in, self.right)) if self.kind is Kind.GAPS else ()

    @property
    def bank(self) -> tuple[str, ...]:
        """The words from which those gaps are filled that have none of their own, right ones first;
        nothing if they are typed, and for other kinds."""
        if self.kind is not Kind.GAPS or not (self.wrong or self.details.filled is Filled.BANK):
            return ()
        words = (gap.accepted[0] for gap in self.gaps if not gap.others)
        return tuple(dict.fromkeys((*words, *self.wrong)))

    @property
    def areas(self) -> tuple[Area, ...]:
        """The areas of its picture, right ones first; nothing for other kinds."""
        if self.kind is not Kind.PLACE:
            return ()
        return tuple(filter(None, map(area_in, (*self.right, *self.wrong))))

    @property
    def right_choices(self) -> tuple[str, ...]:
        """The right ones of what can be picked: the answers, the partners of a match, or the names
        of areas."""
        if self.kind is Kind.PLACE:
            return tuple(area.name for area in filter(None, map(area_in, self.right)))
        return self.partners or self.right

    @property
    def wrong_choices(self) -> tuple[str, ...]:
        """The wrong ones of what can be picked."""
        if self.kind is Kind.PLACE:
            return tuple(area.name for area in filter(None, map(area_in, self.wrong)))
        return self.wrong

    @property
    def choices(self) -> tuple[str, ...]:
        """What can be picked, as written, right ones first; nothing for typed kinds."""
        match self.kind:
            case Kind.CHOICE | Kind.SORT | Kind.ORDER | Kind.MATCH | Kind.PLACE:
                return (*self.right_choices, *self.wrong_choices)
            case Kind.TRUTH:
                return TRUTHS
            case Kind.JUDGED:
                return JUDGEMENTS
        return ()

    @property
    def wants_all(self) -> bool:
        """Whether all that is right is wanted together: every right choice, an order, all pairs."""
        is_whole = self.kind in ARRANGED or self.details.needs is Needs.ALL
        return is_whole and bool(self.choices)

    @property
    def answer(self) -> str:
        """The answer to tell, in words."""
        if self.kind in ARRANGED:
            return ", ".join(self.right)
        if self.kind is Kind.GAPS:
            return ", ".join(gap.accepted[0] for gap in self.gaps)
        if self.kind is Kind.ESTIMATE:
            return " ".join(filter(None, (*self.right[:1], self.details.unit)))
        if self.kind is Kind.JUDGED:
            return " or ".join(self.right)
        joined = " and " if self.details.needs is Needs.ALL else " or "
        return joined.join(self.right_choices) if self.choices else "".join(self.right[:1])


TRUTHS = ("true", "false")
"""The two choices of a truth question, always in this order."""

JUDGEMENTS = ("right", "partly", "wrong")
"""What players say of themselves once an answer is shown, always in this order. The second is
offered where the round counts parts."""


@dataclass(frozen=True, slots=True)
class Facts:
    """A table with named columns, from which rounds make questions by patterns."""

    columns: tuple[str, ...]
    """The names of its columns, none twice."""
    rows: tuple[tuple[str, ...], ...] = ()
    """A text for each column; one that is missing counts as empty."""


@dataclass(frozen=True, slots=True)
class Pack:
    """A set of questions, or facts to make questions from. Many games can use one pack."""

    title: str
    """The title that makers see."""
    questions: tuple[Question, ...] = ()
    """The questions, in the order of the file."""
    facts: Facts | None = None
    """The facts. A pack with facts has no questions."""


@dataclass(frozen=True, slots=True)
class ItemList:
    """A named list of items."""

    title: str
    """The choice that players pick when they sort an item."""
    items: tuple[str, ...]
    """The items that belong to the list."""


@dataclass(frozen=True, slots=True)
class Lists:
    """Questions made from named lists: one question for each item."""

    lists: tuple[ItemList, ...]
    """At least two lists, with all their items."""
    asks: Annotated[ListsAsk, FieldLabel("What is asked")] = ListsAsk.SORT
    """What is asked about each item."""
    prompt: Annotated[str, FieldLabel("The question")] = ""
    """The question; ``{item}`` stands for the item to sort. If empty, a supplied phrase is used."""
    choices: Annotated[int, Range(3, MAX_CHOICES), FieldLabel("Choices")] = 4
    """The number of items among which the odd one out is to be found, 3 to 12."""


@dataclass(frozen=True, slots=True)
class Span:
    """Whole numbers from `least` to `most`, both included."""

    least: Annotated[int, Range(0, MAX_IN_SUMS)]
    """The smallest number, from 0."""
    most: Annotated[int, Range(0, MAX_IN_SUMS)]
    """The largest number, up to 1,000,000."""


@dataclass(frozen=True, slots=True)
class Sums:
    """Arithmetic questions that are made for each run, without repetition."""

    operator: Annotated[Operator, FieldLabel("Operator")] = Operator.PLUS
    """The arithmetic operation."""
    left: Annotated[Span, FieldLabel("Left number")] = Span(1, 10)
    """The range of the first number."""
    right: Annotated[Span, FieldLabel("Right number")] = Span(1, 10)
    """The range of the second number."""
    cap: Annotated[int | None, Points, FieldLabel("Largest result", empty="any")] = None
    """The largest result allowed."""
    negative: Annotated[bool, FieldLabel("Results below zero")] = False
    """Whether results below zero are allowed."""
    denominators: Annotated[Span | None, FieldLabel("Fractions, with denominators")] = None
    """With it the numbers are numerators: over one denominator to be added or taken away, over
    one each to be multiplied."""
    choices: Annotated[int, Range(0, MAX_CHOICES), FieldLabel("Choices", empty="typed")] = 0
    """The number of choices, 2 to 12; 0 for a typed answer."""
    count: Annotated[int, Range(1, 1000), FieldLabel("How many are made")] = 50
    """The largest number of questions made for a run; fewer if there are fewer different sums."""
    near: Annotated[
        int | None,
        Range(1, MAX_IN_SUMS, is_told=True),
        FieldLabel("Wrong choices at most this far off", empty="as common slips give"),
    ] = None
    """How far off wrong choices are at most, of fractions in numerators; None takes what
    everyday slips come to. None is ever above the largest result allowed."""
    turned: Annotated[
        bool, FieldLabel("A times table turned round", "left times right, divided by right")
    ] = False
    """Of quotients: whether the left numbers are the results, so that each number of a table of
    products is divided by one of its factors."""


@dataclass(frozen=True, slots=True)
class Holds:
    """A condition: the column must have one of the values."""

    column: str
    """The column."""
    values: tuple[str, ...] = ()
    """The accepted values; if empty, every row meets the condition."""


@dataclass(frozen=True, slots=True)
class Pattern:
    """How questions are made from facts: one question for each row, or for all rows that ask the
    same.

    Columns have the names that the facts give them. A part without a column is left out of the
    question.
    """

    facts: str
    """The identifier of the pack with the facts."""
    prompt: Annotated[
        str, FieldLabel("The question", "{column} stands for what the row holds there")
    ]
    """The question; ``{column}`` stands for the value of the row in that column."""
    answer: Annotated[str, FieldLabel("The answer is in")]
    """The column of the right answer."""
    made: Annotated[Made, FieldLabel("How it is answered")] = Made.CHOICE
    """How the questions are answered."""
    choices: Annotated[int, Range(2, 8), FieldLabel("Choices", "the right one among them")] = 4
    """The number of choices, 2 to 8; or of answers to put in order; or of pairs."""
    shows: Annotated[Shows, FieldLabel("The choices are")] = Shows.TEXT
    """What the choices are: texts, or names of pictures or sounds."""
    also: Annotated[tuple[str, ...], FieldLabel("Accepted too is what stands in")] = ()
    """The columns with further accepted answers."""
    near: Annotated[str, FieldLabel("Wrong choices first from rows with the same", empty="any")] = (
        ""
    )
    """The column by which rows are similar: wrong choices come first from rows with the same
    value."""
    holds: tuple[Holds, ...] = ()
    """Conditions: only rows that meet all of them make questions and choices."""
    picture: Annotated[str, FieldLabel("Picture from", empty="none")] = ""
    """The column with the names of picture files."""
    sound: Annotated[str, FieldLabel("Sound from", empty="none")] = ""
    """The column with the names of sound files."""
    worth: Annotated[str, FieldLabel("Worth from", empty="none")] = ""
    """The column with the points."""
    level: Annotated[str, FieldLabel("Level from", empty="none")] = ""
    """The column with the levels, 1 to 5."""
    note: Annotated[str, FieldLabel("Note from", empty="none")] = ""
    """The column with the text shown after the answer."""
    tolerance: Annotated[str, FieldLabel("Tolerance")] = ""
    """How far off a number may be: an amount (``0.5``) or a share (``2%``)."""
    leaves: Annotated[Leaves, FieldLabel("Not offered again")] = Leaves.NONE
    """Which rows are not used again in the run after a question."""
    by: Annotated[str, FieldLabel("Order, match or area from", empty="choose")] = ""
    """For answers to put in order: the column of the numbers that they are in the order of, the
    smallest first; for a match: the column of the items, whose partners are the answers; for a
    place: the column of the areas, each with the answer as its name."""
    largest_first: Annotated[bool, FieldLabel("Largest first")] = False
    """Whether the largest comes first."""
    least: Annotated[str, FieldLabel("Scale from", empty="as the numbers are")] = ""
    """Where the scale of an estimate begins; if an end is empty, a scale that holds all numbers of
    the column."""
    most: Annotated[str, FieldLabel("Scale to", empty="as the numbers are")] = ""
    """Where it ends."""
    step: Annotated[str, FieldLabel("Scale step", empty="as the numbers are")] = ""
    """From one number of the scale to the next."""
    unit: Annotated[str, FieldLabel("Scale unit", empty="none")] = ""
    """The unit of its numbers."""
    filled: Annotated[Filled, FieldLabel("Gaps are")] = Filled.TYPED
    """How gaps are filled: typed, or picked from the right words and wrong ones of other rows."""


@dataclass(frozen=True, slots=True)
class Draw:
    """Which questions of a round are asked, and in which order."""

    count: Annotated[
        int | None, Range(1, MAX_DRAWN), FieldLabel("How many questions", empty="all")
    ] = 10
    """How many are drawn for each player, 1 to 10,000; None draws on until none is left."""
    order: Annotated[DrawOrder, FieldLabel("Order")] = DrawOrder.SHUFFLED
    """The order of the questions."""
    topics: Annotated[tuple[str, ...], FieldLabel("Topics")] = ()
    """Draw only pack questions with these topics; if empty, all."""
    levels: Annotated[tuple[int, ...], Range(1, 5), FieldLabel("Levels")] = ()
    """Draw only pack questions with these levels; if empty, all. A question without a level counts
    as level 1."""
    player_chooses: Annotated[
        bool,
        FieldLabel(
            "The player says how many", "up to all there are; the number above is offered first"
        ),
    ] = False
    """Whether the player chooses the number of questions; `count` is the suggestion."""
    refill: Annotated[Refill, FieldLabel("When the pool is empty")] = Refill.NEVER
    """Whether a question can be asked more than once."""
    weights: Annotated[tuple[int, ...], Range(0, 1000)] = (1, 1, 1, 1, 1)
    """For a weighted order: how likely a question of level 1, 2, 3, 4, 5 is, 0 to 1000."""


@dataclass(frozen=True, slots=True)
class Ask:
    """How a question is asked."""

    choice_order: Annotated[Order, FieldLabel("Order of the choices")] = Order.SHUFFLED
    """The order of the choices; as written means the order of the file, where the right choice
    comes first."""
    spread: Annotated[bool, FieldLabel("Spread right answers", "over all places equally often")] = (
        False
    )
    """Whether the right choice comes equally often at every place; for shuffled choices."""
    shown: Annotated[
        int | None, Range(2, MAX_CHOICES), FieldLabel("Choices shown", empty="all")
    ] = None
    """How many of the choices are shown, 2 to 12, the right one among them; None shows all."""
    tries: Annotated[
        int | None, Range(1, 20), FieldLabel("Tries for a question", empty="until right")
    ] = 1
    """Answers allowed to a question, 1 to 20; None asks until it is right."""
    misses: Annotated[
        int, Range(1, 20), FieldLabel("Misses for a word", "letters, unless the word says its own")
    ] = 3
    """The number of wrong letters allowed for a word that has no number of its own, 1 to 20."""
    seconds: Annotated[
        int | None,
        Range(1, MAX_SECONDS),
        FieldLabel("Clock of a question", "seconds", empty="none"),
    ] = None
    """Time for a question that names none of its own, 1 to 3600; None sets no clock."""
    hints: Annotated[bool, FieldLabel("Hints", "where a question has one")] = True
    """Whether the player can ask for the hint of a question."""
    typing: Annotated[
        bool, FieldLabel("A field to type into", "beside choices, as Check lets it")
    ] = False
    """Whether a page shows a field to type into beside the choices, where typing is taken."""
    passing: Annotated[bool, FieldLabel("Passing", "a question can be passed")] = False
    """Whether the player can pass a question."""
    reads_aloud: Annotated[
        bool, FieldLabel("Read aloud", "by a made voice, where a question has no recorded file")
    ] = False
    """Whether a question that carries no recorded narration is read by a made voice."""
    waits_for_sound: Annotated[
        bool,
        FieldLabel(
            "Clocks wait for the sound", "of a question, until it begins; 5 seconds at most"
        ),
    ] = False
    """Whether countdowns begin only once the sound of a question is heard, where it has one."""


class Badge(Value):
    """A drawing that goes with an ending."""

    NONE = "none"
    ROSETTE = "rosette"
    MARROW = "marrow"
    BASKET = "basket"
    SPROUT = "sprout"
    TROWEL = "trowel"
    SLUG = "slug"


@dataclass(frozen=True, slots=True)
class Sample:
    """A tried answer, with the verdict that it had when it was kept."""

    prompt: str
    """The prompt of the question."""
    answer: str
    """The typed answer."""
    verdict: str
    """``right``, ``close``, ``partly``, ``wrong`` or ``unreadable``."""


@dataclass(frozen=True, slots=True)
class Check:
    """How tolerantly an answer is read. A choice can always be picked."""

    by_letter: Annotated[bool, FieldLabel("By letter", "“b” and “B” both name choice B")] = True
    """Whether a typed letter selects a choice: ``b`` and ``B`` select the second."""
    by_place: Annotated[bool, FieldLabel("By place", "“2” names the second choice")] = True
    """Whether a typed number selects a choice: ``2`` selects the second."""
    by_text: Annotated[
        bool, FieldLabel("By its whole text", "typed in full; extra spaces never matter")
    ] = True
    """Whether the typed text of a choice selects it."""
    ignore_case: Annotated[bool, FieldLabel("Capitals do not matter", "“carrot” is “Carrot”")] = (
        True
    )
    """Whether capitals are ignored. They are always ignored for the letters of choices."""
    ignore_accents: Annotated[bool, FieldLabel("Accents do not matter", "“creme” is “crème”")] = (
        False
    )
    """Whether accents are ignored."""
    ignore_punctuation: Annotated[
        bool, FieldLabel("Punctuation does not matter", "“its” is “it’s”")
    ] = False
    """Whether punctuation is ignored."""
    articles: Annotated[
        str, FieldLabel("Words that may be missing at the start", "such as: a an the, or: le la l'")
    ] = ""
    """Words that may be missing at the start of an answer, separated by spaces: ``a an the``,
    ``le l'``."""
    typos: Annotated[
        int,
        Range(0, 3),
        FieldLabel("Typos forgiven", "one for three letters at most; none in words under four"),
    ] = 0
    """How many slips of the finger are forgiven, 0 to 3; none in words under four letters, and
    no more than one for three letters of an answer."""
    typos_anyway: Annotated[
        bool, FieldLabel("So many in short answers too", "more than one for three letters")
    ] = False
    """Whether so many are forgiven even where that is more than a third of the letters."""
    decimal_mark: Annotated[DecimalMark, FieldLabel("Numbers of two readings")] = (
        DecimalMark.LANGUAGE
    )
    """How an ambiguous number such as 1,250 or 1.250 is read."""
    samples: tuple[Sample, ...] = ()
    """Answers that the maker tried, kept to show whether a later change alters their verdict."""
    partly: Annotated[
        PartlyRight, FieldLabel("Partly right", "where several choices, pairs or gaps are wanted")
    ] = PartlyRight.NEVER
    """What of an answer counts that names some of the right choices where all are wanted, or has
    some right pairs of a match or gaps of a text."""
    order_share: Annotated[OrderShare, FieldLabel("Partly right orders")] = OrderShare.NEVER
    """What of an order counts that is not wholly right."""
    estimate_share: Annotated[EstimateShare, FieldLabel("Partly right estimates")] = (
        EstimateShare.NEVER
    )
    """What of an estimate counts that is off by more than the tolerance."""
    estimate_reach: Annotated[
        int, Range(1, 100), FieldLabel("So far off", "% of the scale, beyond the tolerance")
    ] = 20
    """The distance beyond the tolerance at which nothing is left of an estimate, or half: in
    percent of the whole scale, 1 to 100."""
    right_from: Annotated[
        int,
        Range(1, 100),
        FieldLabel("Partly right counts as right from", "%; only if the rules have no partly"),
    ] = 100
    """The share in percent, 1 to 100, from which a partly right answer counts as right, if the
    rule script has no handler `partly`; below it counts as wrong. 100 counts none as right."""

    @property
    def counts_parts(self) -> bool:
        """Whether any answer can be partly right."""
        return (
            self.partly is not PartlyRight.NEVER
            or self.order_share is not OrderShare.NEVER
            or self.estimate_share is not EstimateShare.NEVER
        )


@dataclass(frozen=True, slots=True)
class After:
    """What happens after an answer, unless a cue says otherwise."""

    reveal: Annotated[Reveal, FieldLabel("The right answer is told")] = Reveal.LAST_TRY
    """When the right answer is shown."""
    hold_ms: Annotated[int | None, Range(0, 60_000), FieldLabel("The run holds")] = None
    """How long the feedback holds the run, 0 to 60000 ms; None until the player goes on."""
    own_words_alone: Annotated[
        bool,
        FieldLabel(
            "Questions’ own words alone", "in place of “Right.” and “Not this time. It is …”"
        ),
    ] = False
    """Whether what a question says of its answer stands in place of what the page says."""


@dataclass(frozen=True, slots=True)
class Way:
    """Where the run continues; `name` is the title of the round or of the ending."""

    to: To = To.QUESTION
    """The kind of destination."""
    name: str = ""
    """The title of the round or of the ending; empty for other destinations."""


NEXT = Way()


@dataclass(frozen=True, slots=True)
class Moves:
    """Where the run continues after a question."""

    right: Annotated[Way, FieldLabel("After a right answer")] = NEXT
    """After a right answer."""
    wrong: Annotated[Way, FieldLabel("After the last wrong try")] = NEXT
    """After the last try; while tries are left, the question stays."""
    timeout: Annotated[Way, FieldLabel("When it is too late", short="late")] = NEXT
    """After the time for the question has run out."""
    passed: Annotated[Way, FieldLabel("After a pass")] = NEXT
    """After the player has passed the question."""
    partly: Annotated[Way, FieldLabel("After the last partly right try", short="partly")] = NEXT
    """After the last try was partly right, if the rule script has a handler `partly`."""

    @property
    def each(self) -> dict[str, Way]:
        """Every way, by what it follows."""
        return {field.name: getattr(self, field.name) for field in fields(self)}


@dataclass(frozen=True, slots=True)
class Round:
    """A stretch of the game with its own questions, draw, clock and moves."""

    title: Annotated[str, FieldLabel("Title")]
    """The title that players read; moves and scripts refer to it."""
    packs: tuple[str, ...] = ()
    """The identifiers of the packs that questions are drawn from, in order."""
    lists: tuple[Lists, ...] = ()
    """Questions made from named lists."""
    sums: tuple[Sums, ...] = ()
    """Arithmetic questions."""
    patterns: tuple[Pattern, ...] = ()
    """Questions made from facts."""
    draw: Draw = Draw()
    """Which questions are drawn."""
    ask: Ask = Ask()
    """How questions are asked."""
    check: Check = Check()
    """How answers are read."""
    after: After = After()
    """What happens after an answer."""
    moves: Moves = Moves()
    """Where the run continues."""
    seconds: Annotated[
        int | None, LongSeconds, FieldLabel("Clock of this round", "seconds", empty="none")
    ] = None
    """Time for the whole round, 1 to 86400; None sets no clock."""

    @property
    def packs_used(self) -> tuple[str, ...]:
        """Every pack it needs, those of facts included, once each."""
        facts = (pattern.facts for pattern in self.patterns)
        return tuple(dict.fromkeys((*self.packs, *facts)))


@dataclass(frozen=True, slots=True)
class Cue:
    """A piece of feedback, and the occasions it is played on. The rule script can play it too."""

    name: Annotated[str, FieldLabel("Name")]
    """The name by which scripts and endings play the cue."""
    on: Annotated[tuple[Occasion, ...], FieldLabel("Played when")] = ()
    """The occasions on which the cue is played; empty if it is played only by its name."""
    words: Annotated[str, FieldLabel("Says")] = ""
    """The text shown; ``{score}`` and other places are filled in."""
    hold_ms: Annotated[int | None, Range(0, 60_000), FieldLabel("Holds the run")] = None
    """How long it holds the run after an answer, 0 to 60000 ms; None as the round says."""
    until_continue: bool = False
    """Whether the run waits until the player continues, whatever `hold_ms` is."""
    sound: Annotated[str, FieldLabel("Sound")] = ""
    """The name of a sound: one of the game's own, or one that every game has."""
    effect: Annotated[Effect, FieldLabel("Effect")] = Effect.NONE
    """The visual effect."""
    words_alone: Annotated[
        bool, FieldLabel("Its words alone", "in place of “Right.” and “Not this time. It is …”")
    ] = False
    """Whether its words stand in place of what the page says of an answer."""
    streak: Annotated[int, Range(2, 100), FieldLabel("Streak of", "right in a row")] = 3
    """For a streak: the number of right answers in a row, 2 to 100."""
    last_seconds: Annotated[int, Range(1, 60), FieldLabel("Ticks in the last", "seconds")] = 5
    """For a tick: the number of last seconds of a countdown in which it is played, 1 to 60."""


@dataclass(frozen=True, slots=True)
class Note:
    """A tone of a sound; without a pitch, a rest."""

    pitch: str = "A4"
    """A letter, a sharp or flat, an octave: ``A4``, ``C#5``, ``Bb3``; C2 to C8, A4 is 440 Hz."""
    ms: Annotated[int, Range(20, 2000)] = 200
    """The time until the next note, 20 to 2,000 ms."""


@dataclass(frozen=True, slots=True)
class Sound:
    """A sound of the game: notes one after the other, or an uploaded file."""

    name: Annotated[str, FieldLabel("Name of the sound")]
    """The name by which cues, music and narration use the sound."""
    notes: tuple[Note, ...] = (Note(),)
    """1 to 96 notes, at most twenty seconds in total."""
    wave: Annotated[Wave, FieldLabel("Wave")] = Wave.TRIANGLE
    """The waveform of the notes."""
    attack_ms: Annotated[int, Range(0, 500), FieldLabel("Grows loud in", "ms")] = 8
    """The attack of a note, 0 to 500 ms."""
    release_ms: Annotated[int, Range(0, 2000), FieldLabel("Rings on for", "ms")] = 160
    """The release of a note, 0 to 2,000 ms."""
    loudness: Annotated[int, Range(0, 100), FieldLabel("Loudness")] = 70
    """0 to 100."""
    file: str = ""
    """The digest (SHA-256, hex) of a sound file that is played instead of the notes."""


@dataclass(frozen=True, slots=True)
class Ending:
    """A named way for the game to end. The first that fits is taken.

    It fits if its bounds, both inclusive, hold the counter or fact named by `counts`, and
    if the condition `when`, written as in the rule script, holds too.
    """

    title: Annotated[str, FieldLabel("Name")]
    """The title that players read; moves and scripts refer to it."""
    verdict: Annotated[str, FieldLabel("Verdict")]
    """The text shown at this ending; ``{score}`` and other places are filled in."""
    at_least: Annotated[int | None, Points, FieldLabel("At least", empty="any")] = None
    """The lower bound of what `counts` names; None sets none."""
    at_most: Annotated[int | None, Points, FieldLabel("At most", empty="any")] = None
    """The upper bound of what `counts` names; None sets none."""
    counts: Annotated[str, FieldLabel("Counts")] = "score"
    """The counter or fact that the bounds apply to."""
    when: Annotated[str, FieldLabel("And only when")] = ""
    """A further condition, written as in the rule script; empty means no condition."""
    at_once: Annotated[bool, FieldLabel("At once")] = False
    """Whether the ending is checked after every change, not only when the game is over."""
    badge: Annotated[Badge, FieldLabel("Badge")] = Badge.NONE
    """The drawing shown at this ending."""
    cue: Annotated[str, FieldLabel("Cue")] = ""
    """The name of the cue that is played at this ending."""
    counts_as_best: Annotated[bool, FieldLabel("Can be a best")] = True
    """Whether a run with this ending can be among the best."""
    passes: Annotated[bool, FieldLabel("Passes a course", "where the game is taken as one")] = False
    """Whether a course counts a run that comes to it as passed; if no ending passes, every run
    is only completed."""
    picture: Annotated[str, FieldLabel("Picture")] = ""
    """The digest (SHA-256, hex) of the picture shown at this ending."""


@dataclass(frozen=True, slots=True)
class CounterName:
    """How a counter of the rules is shown to players."""

    name: Annotated[str, FieldLabel("Counter")]
    """The counter, as the rule script names it."""
    label: Annotated[str, FieldLabel("Players read", empty="its name")] = ""
    """The label shown beside the value; if empty, the name is shown."""
    hidden: Annotated[bool, FieldLabel("Kept from players")] = False
    """Whether the counter is hidden from players."""


@dataclass(frozen=True, slots=True)
class Opening:
    """How a run begins."""

    words: Annotated[
        str,
        FieldLabel(
            "Opening words", "What players read before they begin. {name} stands for the player."
        ),
    ] = ""
    """The words shown before play begins; ``{name}`` stands for the player."""
    asks_names: Annotated[bool, FieldLabel("Ask for names")] = False
    """Whether players type their names."""
    most_players: Annotated[
        int, Range(1, MAX_PLAYERS), FieldLabel("Players at most", "take turns")
    ] = 1
    """The largest number of players who take turns, 1 to 4."""
    equal_turns: Annotated[
        bool,
        FieldLabel(
            "Everybody has as many turns",
            "an ending that comes at once waits until the others have had their turn",
        ),
    ] = False
    """Whether the players that follow still have their turn when an ending has come at once."""
    rounds: Annotated[RoundOrder, FieldLabel("Which rounds are played")] = RoundOrder.IN_ORDER
    """Which rounds are played, and who chooses them."""
    narration: Annotated[str, FieldLabel("The opening is read out in")] = ""
    """The name of the sound in which the opening words are read out."""
    reads_aloud: Annotated[bool, FieldLabel("Read by a made voice")] = False
    """Whether a synthetic voice reads the opening words if they have no narration."""
    asks_remark: Annotated[
        bool,
        FieldLabel("Ask for a remark at the end", "what players type there is kept with their run"),
    ] = False
    """Whether players can leave a remark at the end."""


ONE_POINT_EACH = """\
score = 0

def right():
    score += 1
"""


@dataclass(frozen=True, slots=True)
class KnownAs:
    """The identifier that a pack had where the game came from; the dice use it."""

    pack: str
    """The pack, by its identifier here."""
    name: str
    """Its identifier where the game came from."""


@dataclass(frozen=True, slots=True)
class Game:
    """A game without its questions."""

    title: str
    """The title that players read."""
    rounds: tuple[Round, ...]
    """The rounds, in the order in which they are played or listed in the menu."""
    endings: tuple[Ending, ...]
    """The endings. The first one that applies is used, so the last one should always apply."""
    script: str = ONE_POINT_EACH
    """The rules: what each outcome does to the counters."""
    opening: Opening = Opening()
    """How a run begins."""
    cues: tuple[Cue, ...] = ()
    """The feedback of the game."""
    seconds: Annotated[
        int | None, LongSeconds, FieldLabel("Clock of the game", "seconds", empty="none")
    ] = None
    """Time for the whole game, 1 to 86400; None sets no clock."""
    sounds: tuple[Sound, ...] = ()
    """The game's own sounds. Cues can use these and the sounds that every game has."""
    best: Annotated[Best, FieldLabel("The best runs are those with")] = Best.HIGHEST
    """Which runs count as best. A run that the player gave up never counts."""
    known_as: tuple[KnownAs, ...] = ()
    """Keeps the same dice giving the same run after the game was moved to another store."""
    look: Look = AS_THE_WORKBENCH
    """Colours, typefaces, pictures and music."""
    language: Annotated[Language, FieldLabel("Language of the game")] = Language.ENGLISH
    """The language of the phrases that the pages show to players."""
    phrases: tuple[OwnPhrase, ...] = ()
    """Phrases that the maker worded, used instead of the supplied ones."""
    counters: tuple[CounterName, ...] = ()
    """How counters of the rules are shown to players; a counter that is not listed is shown by its
    name."""
    framed_by: tuple[str, ...] = ()
    """The sites whose pages may show the game in a frame: ``https://school.example``."""

    @property
    def sites(self) -> tuple[str, ...]:
        """The sites that may show it in a frame, as far as they are addresses of sites."""
        return tuple(filter(is_site, self.framed_by[:MAX_SITES]))

    @property
    def has_menu(self) -> bool:
        """Whether players choose rounds from a menu."""
        return self.opening.rounds is not RoundOrder.IN_ORDER and len(self.rounds) > 1

    @property
    def pictures(self) -> tuple[tuple[str, str], ...]:
        """Where it names a picture of its own, and the digest of each."""
        of_look = ((f"look.{where}", digest) for where, digest in self.look.pictures())
        of_endings = (
            (f"endings[{number}].picture", ending.picture)
            for number, ending in enumerate(self.endings)
            if ending.picture
        )
        return (*of_look, *of_endings)

    @property
    def packs_used(self) -> tuple[str, ...]:
        """Every pack its rounds need, by its identifier, once each."""
        return tuple(dict.fromkeys(name for round_ in self.rounds for name in round_.packs_used))

    @property
    def what_counts(self) -> "Game":
        """The game without its words, cues, sounds and looks: what a score hangs on.

        Runs of two versions are compared where this is the same of both.
        """
        return replace(
            self,
            title="",
            endings=tuple(
                replace(ending, verdict="", badge=Badge.NONE, cue="", picture="")
                for ending in self.endings
            ),
            opening=replace(
                self.opening,
                words="",
                asks_names=False,
                narration="",
                reads_aloud=False,
                asks_remark=False,
            ),
            cues=(),
            sounds=(),
            look=AS_THE_WORKBENCH,
            phrases=(),
            counters=(),
            framed_by=(),
            known_as=(),
        )

    def with_packs(self, names: Mapping[str, str]) -> "Game":
        """The game with packs under other identifiers, by those it has now."""

        def renamed(round_: Round) -> Round:
            patterns = tuple(
                replace(pattern, facts=names.get(pattern.facts, pattern.facts))
                for pattern in round_.patterns
            )
            packs = tuple(names.get(name, name) for name in round_.packs)
            return replace(round_, packs=packs, patterns=patterns)

        known = {pack: self.name_for_dice(pack) for pack in self.packs_used}
        known_as = tuple(
            KnownAs(names.get(pack, pack), name)
            for pack, name in known.items()
            if names.get(pack, pack) != name
        )
        return replace(self, rounds=tuple(map(renamed, self.rounds)), known_as=known_as)

    def name_for_dice(self, pack: str) -> str:
        """The name by which dice know a pack."""
        return next((known.name for known in self.known_as if known.pack == pack), pack)


DOCUMENT = (
    Question,
    Details,
    ItemList,
    Lists,
    Span,
    Sums,
    Holds,
    Pattern,
    Draw,
    Ask,
    Sample,
    Check,
    After,
    Way,
    Moves,
    Round,
    Cue,
    Note,
    Sound,
    Ending,
    CounterName,
    Opening,
    KnownAs,
    Colours,
    Background,
    Music,
    Look,
    OwnPhrase,
    Game,
)
"""Every part a document is made of."""
