"""One question as its player will see it."""

from collections.abc import Mapping

from dicetrail.core.document import Ending, Game, Question, Round
from dicetrail.core.draw import Pool, whole
from dicetrail.core.play import Program, Table, asking_at, table
from dicetrail.core.rules import rules_of


def preview(question: Question, dice: int, media: Mapping[str, str]) -> Table:
    """A question as a player sees it, under the rules of a new game.

    `media` tells where pictures and sounds are found, by name.
    """
    game = Game("Preview", (Round("Preview"),), (Ending("", ""),))
    program = Program(game, rules_of(game), (Pool((whole("preview", (question,)),)),))
    return table(program, asking_at(program, dice), {"preview": media})
