"""Small examples of what each stop decides, to be put into the game there is and changed after.

An example changes as little as shows the thing, in the round that is looked at or in the
whole game; nothing that stands there is lost but the settings it names.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace

from dicetrail.core.document import (
    Cue,
    DrawOrder,
    Effect,
    Ending,
    Game,
    ItemList,
    Lists,
    Occasion,
    Refill,
    Reveal,
    Round,
    Span,
    Sums,
    To,
    Way,
)
from dicetrail.core.play import Stop
from dicetrail.core.rules import put_in


@dataclass(frozen=True, slots=True)
class WorkedExample:
    """What a stop decides, shown by one small thing that can be put in."""

    stop: Stop
    name: str
    words: str
    """What the game does once it is put in."""
    place_in: Callable[[Game, int], Game]
    """The game with it, the round that is looked at by its number from 0. Raises GameProblems
    where the rule script cannot be read."""


def _in_round(change: Callable[[Round], Round]) -> Callable[[Game, int], Game]:
    def place_in(game: Game, number: int) -> Game:
        rounds = list(game.rounds)
        rounds[number] = change(rounds[number])
        return replace(game, rounds=tuple(rounds))

    return place_in


def _with_sums(round_: Round) -> Round:
    bed = Span(2, 12)
    five = Sums(left=bed, right=bed, count=5)
    return round_ if five in round_.sums else replace(round_, sums=(*round_.sums, five))


_BEDS = Lists((ItemList("Root", ("carrot", "beet")), ItemList("Leaf", ("kale", "chard"))))


def _with_lists(round_: Round) -> Round:
    return round_ if _BEDS in round_.lists else replace(round_, lists=(*round_.lists, _BEDS))


def _with_points_for_haste(game: Game, _number: int) -> Game:
    haste = "score = 0\n\ndef right():\n    score += 10 + seconds_left\n"
    return replace(game, script=put_in(game.script, haste))


def _with_a_life_lost(game: Game, _number: int) -> Game:
    lives = "lives = 3\n\ndef wrong():\n    lives -= 1\n\ndef timeout():\n    lives -= 1\n"
    over = Ending("Out of lives", "Three were lost.", at_most=0, counts="lives", at_once=True)
    there = any(ending.counts == "lives" for ending in game.endings)
    endings = game.endings if there else (over, *game.endings)
    return replace(game, script=put_in(game.script, lives), endings=endings)


def _with_cue(cue: Cue) -> Callable[[Game, int], Game]:
    def place_in(game: Game, _number: int) -> Game:
        others = tuple(other for other in game.cues if other.name != cue.name)
        return replace(game, cues=(*others, cue))

    return place_in


def _with_verdicts(game: Game, _number: int) -> Game:
    names = {"Every one", "On the way"}
    others = tuple(ending for ending in game.endings if ending.title not in names)
    every = Ending("Every one", "{percent} percent: all of them!", at_least=100, counts="percent")
    most = Ending("On the way", "{percent} percent: more than half.", at_least=50, counts="percent")
    is_open = any(one == Ending(one.title, one.verdict, badge=one.badge) for one in others)
    rest = () if is_open else (Ending("A start", "{percent} percent. Play again."),)
    return replace(game, endings=(every, most, *others, *rest))


def _with_welcome(game: Game, _number: int) -> Game:
    words = "Welcome, {name}. Take a seat; the first question is coming."
    return replace(game, opening=replace(game.opening, words=words))


def _for_two(game: Game, _number: int) -> Game:
    return replace(game, opening=replace(game.opening, most_players=2))


WORKED_EXAMPLES = (
    WorkedExample(
        Stop.LOAD,
        "Five sums",
        "five small sums come with the questions there are, other numbers with other dice",
        _in_round(_with_sums),
    ),
    WorkedExample(
        Stop.LOAD,
        "Root or leaf?",
        "four plants are asked, each to be put into one of two lists",
        _in_round(_with_lists),
    ),
    WorkedExample(
        Stop.OPEN,
        "A welcome by name",
        "the player reads their name before they begin",
        _with_welcome,
    ),
    WorkedExample(Stop.OPEN, "Two take turns", "two players answer one after the other", _for_two),
    WorkedExample(
        Stop.DRAW,
        "Five, the easy ones first",
        "five questions are asked, none twice, and their levels rise",
        _in_round(
            lambda round_: replace(
                round_,
                draw=replace(round_.draw, count=5, order=DrawOrder.EASY_FIRST, refill=Refill.NEVER),
            )
        ),
    ),
    WorkedExample(
        Stop.ASK,
        "Two tries in twelve seconds",
        "after a wrong answer there is one more try, as long as the clock runs",
        _in_round(lambda round_: replace(round_, ask=replace(round_.ask, tries=2, seconds=12))),
    ),
    WorkedExample(
        Stop.CHECK,
        "A slip of the finger",
        "“Marow” is taken for “marrow”, and “the marrow” and “Márrow” too",
        _in_round(
            lambda round_: replace(
                round_,
                ask=replace(round_.ask, typing=True),
                check=replace(
                    round_.check,
                    typos=1,
                    ignore_case=True,
                    ignore_accents=True,
                    articles="a an the",
                ),
            )
        ),
    ),
    WorkedExample(
        Stop.SCORE,
        "Ten, and more for haste",
        "a right answer is worth ten, and one more for each second left of its clock",
        _with_points_for_haste,
    ),
    WorkedExample(
        Stop.SCORE,
        "Three lives",
        "a wrong or late answer takes a life; without one the game is over at once",
        _with_a_life_lost,
    ),
    WorkedExample(
        Stop.CUE,
        "Glad of a right one",
        "a right answer is told with words and a face, for a second and a half",
        _with_cue(Cue("glad", (Occasion.RIGHT,), "Well grown!", 1500, effect=Effect.FACE)),
    ),
    WorkedExample(
        Stop.MOVE_ON,
        "Again, until it is right",
        "what was answered wrong is asked once more, and the right answer is not told before",
        _in_round(
            lambda round_: replace(
                round_,
                moves=replace(round_.moves, wrong=Way(To.AGAIN)),
                after=replace(round_.after, reveal=Reveal.NEVER),
            )
        ),
    ),
    WorkedExample(
        Stop.END,
        "A verdict for all and for most",
        "whoever has every one right reads other words than whoever has half",
        _with_verdicts,
    ),
)
"""At least one for each stop, in the order of the trail."""
