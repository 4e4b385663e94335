"""A program is made of a game that has no faults."""

from dicetrail.core.document import Game, GameProblems, Severity
from dicetrail.core.draw import Packs
from dicetrail.core.play import Program, made_ready
from dicetrail.core.survey.survey import survey


def build(game: Game, packs: Packs) -> Program:
    """A program that can be run. Raises GameProblems, listing all, if there is any fault."""
    problems = survey(game, packs)
    if any(problem.severity is Severity.FAULT for problem in problems):
        raise GameProblems(problems)
    return made_ready(game, packs)
