"""The decimal mark by which a game reads numbers, if the mark depends on its language."""

from dataclasses import replace

from dicetrail.core.document.game import DecimalMark, Game, Round
from dicetrail.core.document.phrases import WAYS


def with_marks(game: Game) -> Game:
    """The game with the mark of its language in every round that leaves it to the language.

    Answers, tolerances and cells of facts are then read alike: 1.250 is a thousand and more in
    German, and little more than one in English.
    """
    mark = DecimalMark.COMMA if WAYS[game.language].decimal == "," else DecimalMark.POINT

    def marked(round_: Round) -> Round:
        if round_.check.decimal_mark is not DecimalMark.LANGUAGE:
            return round_
        return replace(round_, check=replace(round_.check, decimal_mark=mark))

    return replace(game, rounds=tuple(map(marked, game.rounds)))
