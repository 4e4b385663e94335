"""Whether scouts fit the players of a game."""

from collections.abc import Sequence

from dicetrail.core import Game, Problem
from dicetrail.core.foresight import Scout
from dicetrail.core.play import players_refused
from dicetrail.web.http_format.errors import DoesNotFit


def fit_players(game: Game, scouts: Sequence[Scout]) -> None:
    """Refuse more scouts than the game takes players."""
    refused = players_refused(game, len(scouts))
    if refused is not None:
        raise DoesNotFit(Problem("scouts", refused, "choose a scout for each player"))
