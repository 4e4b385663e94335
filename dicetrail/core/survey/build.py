"""Build a program from a game without faults."""

from dicetrail.core.document import Game, GameProblems, Severity
from dicetrail.core.draw import Packs
from dicetrail.core.play import Program, Recall, made_ready
from dicetrail.core.survey.survey import survey


def build(game: Game, packs: Packs, recall: Recall | None = None) -> Program:
    """The program of a game. Raises GameProblems with all problems if there is any fault.

    `recall` makes long runs faster, see `Program.recall`. For one run, a plain dict is enough.
    """
    problems = survey(game, packs)
    if any(problem.severity is Severity.FAULT for problem in problems):
        raise GameProblems(problems)
    return made_ready(game, packs, recall)
