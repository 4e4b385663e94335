"""Small whole games to begin from."""

from dicetrail.core.document import Draw, Ending, Game, Round

_QUESTIONS_AT_FIRST = 10


def first_game(title: str, packs: tuple[str, ...], questions: int) -> Game:
    """A game that plays at once: one point a right answer, an ending for every score.

    `questions` is how many the packs hold; ten are asked, or all if there are fewer.
    """
    count = min(_QUESTIONS_AT_FIRST, questions) or _QUESTIONS_AT_FIRST
    half = -(-count // 2)
    everything = Ending("All right", "Every answer right. Nothing is left to teach you.", count)
    middle = Ending("Well done", "Half of it right, or more.", half)
    rest = Ending("A start", "Play again: the questions will come in another order.")
    endings = (everything, middle, rest) if half < count else (everything, rest)
    return Game(title, (Round("Round 1", packs, draw=Draw(count)),), endings)
