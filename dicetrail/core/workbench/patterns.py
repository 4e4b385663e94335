"""Preview the questions that a pattern makes, and reverse a pattern."""

from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from dicetrail.core.answers import fold
from dicetrail.core.document import Facts, Game, Made, Pattern, Round, Shows, columns_in
from dicetrail.core.draw import FactQuestions, Tagged, questions_from, stream

SHOWN = 5
"""How many questions are shown at once."""

MAX_VALUES = 24
"""So many values of a column can be chosen from."""


@dataclass(frozen=True, slots=True)
class MadeQuestion:
    """A question a pattern makes, as these dice bring it."""

    row: int
    """The first row it is made of, from 0."""
    prompt: str
    right: tuple[str, ...]
    wrong: tuple[str, ...]
    """Drawn by the dice; empty for what is typed."""
    picture: str
    sound: str


@dataclass(frozen=True, slots=True)
class ColumnValues:
    """A column in which few values recur, and how often each does."""

    column: str
    values: tuple[Tagged, ...]


@dataclass(frozen=True, slots=True)
class PatternLook:
    """The preview of a pattern."""

    question_count: int
    idle_count: int
    """How many rows make no question, because a cell is empty or the answer cannot be given."""
    left_out: int
    """How many rows do not hold what the pattern wants of them."""
    questions: tuple[MadeQuestion, ...]
    """Some of them, by the dice."""
    recurring: tuple[ColumnValues, ...]
    """The columns whose values rows can be chosen by."""
    reverse: Pattern | None
    """The pattern the other way round; None where it asks with no column or with several."""


def look_at(pattern: Pattern, facts: Facts, dice: int) -> PatternLook:
    """The preview of a pattern over facts with these dice."""
    made = questions_from(pattern, facts)
    order = stream(dice, "a look at a pattern").pick(len(made), SHOWN)
    return PatternLook(
        len(made),
        len(made.idle),
        len(facts.rows) - len(made.rows),
        tuple(_made(made, number, dice) for number in order),
        tuple(_recurring(facts)),
        reverse(pattern, facts),
    )


def _recurring(facts: Facts) -> Iterator[ColumnValues]:
    for at, column in enumerate(facts.columns):
        times = Counter(row[at] for row in facts.rows if at < len(row) and row[at])
        if 1 < len(times) <= MAX_VALUES and len(times) < times.total():
            yield ColumnValues(column, tuple(Tagged(name, times[name]) for name in sorted(times)))


def _made(made: FactQuestions, number: int, dice: int) -> MadeQuestion:
    question = made.with_wrong(made[number], number, stream(dice, "a look", number))
    details = question.details
    return MadeQuestion(
        made.rows_of(number)[0],
        question.prompt,
        question.right,
        question.wrong,
        details.picture,
        details.sound,
    )


def reverse(pattern: Pattern, facts: Facts) -> Pattern | None:
    """The pattern that asks the other way round: for what it asked with, by what it asked for.

    >>> facts = Facts(("plant", "family"))
    >>> back = reverse(Pattern("f", "Of which family is {plant}?", "family"), facts)
    >>> back.prompt, back.answer
    ('Which plant goes with “{family}”?', 'plant')
    """
    asked = list(_asked_with(pattern, facts))
    if len(asked) != 1 or pattern.made in (Made.ORDER, Made.MATCH, Made.PLACE):
        return None
    (column,) = asked
    shown = pattern.shows is not Shows.TEXT
    back = replace(
        pattern,
        prompt=f"Which {column} goes with “{{{pattern.answer}}}”?",
        answer=column,
        also=(),
        shows=Shows.TEXT,
        picture="",
        sound="",
        made=Made.CHOICE if pattern.made is Made.CHOICE else Made.TYPED,
    )
    if shown:
        back = replace(back, prompt=f"Which {column} goes with this {pattern.shows}?")
        if pattern.shows is Shows.PICTURE:
            return replace(back, picture=pattern.answer)
        return replace(back, sound=pattern.answer)
    if column in (pattern.picture, pattern.sound):
        shows = Shows.PICTURE if column == pattern.picture else Shows.SOUND
        words = f"Which {shows} goes with “{{{pattern.answer}}}”?"
        return replace(back, prompt=words, shows=shows, made=Made.CHOICE)
    return back


def first_pattern(pack_id: str, facts: Facts) -> Pattern:
    """A pattern to begin with: the second column is asked for by the first.

    >>> first_pattern("beds", Facts(("plant", "family"))).prompt
    'Which family goes with “{plant}”?'
    """
    asked, wanted = (*facts.columns, "", "")[:2]
    if not wanted:
        return Pattern(pack_id, "", asked)
    return Pattern(pack_id, f"Which {wanted} goes with “{{{asked}}}”?", wanted)


def with_first_patterns(game: Game, facts: Mapping[str, Facts]) -> Game:
    """The game with a first pattern in place of every pack that holds facts, by identifier."""

    def changed(round_: Round) -> Round:
        made = [first_pattern(name, facts[name]) for name in round_.packs if name in facts]
        packs = tuple(name for name in round_.packs if name not in facts)
        return replace(round_, packs=packs, patterns=(*round_.patterns, *made))

    return replace(game, rounds=tuple(map(changed, game.rounds)))


def _asked_with(pattern: Pattern, facts: Facts) -> Iterator[str]:
    """The columns a pattern asks with, as the facts name them."""
    names = {fold(name): name for name in facts.columns}
    named = [*columns_in(pattern.prompt), pattern.picture, pattern.sound]
    yield from dict.fromkeys(names[fold(name)] for name in named if name and fold(name) in names)
