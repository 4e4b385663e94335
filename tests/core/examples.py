"""Small games that tests play."""

from dataclasses import replace

from pydantic import TypeAdapter

from dicetrail.core import (
    Answer,
    Begin,
    Continue,
    Draw,
    Ending,
    Facts,
    Game,
    Input,
    Moment,
    Pack,
    Program,
    Question,
    Round,
    start,
    step,
    table,
)
from dicetrail.core.play import Footprint, made_ready
from dicetrail.core.play.state import State

VEGETABLES = Pack(
    "Vegetables",
    tuple(
        Question(
            f"Which one is number {number}?", (f"right {number}",), (f"x{number}", f"y{number}")
        )
        for number in range(1, 13)
    ),
)
BEDS = Pack(
    "Beds",
    facts=Facts(
        ("plant", "family", "bed", "sown", "level"),
        (
            ("Carrot", "Umbel", "1", "4", "1"),
            ("Parsnip", "Umbel", "2", "3", "2"),
            ("Beet", "Goosefoot", "1", "4", ""),
            ("Chard", "Goosefoot", "3", "5", "3"),
            ("Swede", "Cabbage", "2", "6", "5"),
            ("Kale", "Cabbage", "3", "5", "1"),
        ),
    ),
)
ENDINGS = (
    Ending("Gold", "All of it.", at_least=5),
    Ending("Silver", "Most of it.", at_least=3),
    Ending("Leaf", "Some of it.", at_least=1, at_most=2),
    Ending("Seed", "None of it."),
)
FIVE = Game("Five", (Round("Only", ("veg",), draw=Draw(5)),), ENDINGS)
PACKS = {"veg": VEGETABLES}


def changed(game: Game = FIVE, **rules: object) -> Game:
    """The game with some of its round's rules replaced."""
    return replace(game, rounds=(replace(game.rounds[0], **rules),))


def points(right: int, wrong: int) -> str:
    """The rules of a game that gives so many points."""
    return f"score = 0\ndef right():\n    score += {right}\ndef wrong():\n    score += {wrong}\n"


def answer_for(program: Program, moment: Moment, is_right: bool) -> Answer:
    """The answer of a player who knows, or of one who knows better."""
    shown = table(program, moment.state).question
    pick = next(
        choice.place for choice in shown.choices if choice.text.startswith("right") == is_right
    )
    return Answer(pick)


def play(
    outcomes: str, game: Game = FIVE, packs: dict[str, Pack] | None = None, dice: int = 7
) -> tuple[Program, list[Moment], list[Input]]:
    """Play a game through, `r` for a right answer and `w` for a wrong one."""
    program = made_ready(game, packs or PACKS, recall={})
    moments, inputs = [start(program, dice)], []

    def take(action: object) -> None:
        given = Input(action, 1000 * (len(inputs) + 1))
        inputs.append(given)
        moments.append(step(program, moments[-1].state, given.action, given.at))

    take(Begin())
    for outcome in outcomes:
        take(answer_for(program, moments[-1], outcome == "r"))
        take(Continue())
    return program, moments, inputs


STEPS = TypeAdapter(list[tuple[State, tuple[Footprint, ...]]])


def in_bytes(moments):
    """Every state and footprint of a run, written out."""
    return STEPS.dump_json([(moment.state, moment.footprints) for moment in moments])
