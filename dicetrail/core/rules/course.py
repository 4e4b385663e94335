"""Decide where a run goes: after a question, at the end of a countdown, after a round.

This is the only place that decides it. The engine records the decisions in footprints, and `reach`
follows all of them. They depend on a `Where` alone. The next step is one of four: a question is
asked, a round ends, a round or the menu is entered, the run ends.
"""

from typing import NamedTuple

from dicetrail.core.document import Game, RoundOrder, To, Way


class Due(NamedTuple):
    """An ending that came at once and its player, while others still have their turn."""

    ending: int
    player: int


class Where(NamedTuple):
    """The position of a run, as far as its course depends on it. All counts are from 0."""

    players: int
    """How many there are."""
    round: int = 0
    position: int = 0
    turn: int = 0
    skipped: int = 0
    """Turns of this round that came to nobody, because their player is out."""
    visits: tuple[int, ...] = ()
    """How often each round has been played to its end."""
    out: tuple[int, ...] = ()
    due: Due | None = None

    @property
    def slot(self) -> int:
        """Turns of this round so far, those that came to nobody included."""
        return self.position + self.skipped

    @property
    def all_out(self) -> bool:
        """Whether nobody is left to play."""
        return len(self.out) == self.players


class Asks(NamedTuple):
    """A question is asked; the same one again if it `is_again`."""

    where: Where
    is_again: bool = False


class RoundEnds(NamedTuple):
    """The round is over after `asked` questions. `to` is the round that a rule named."""

    where: Where
    asked: int
    to: int | None = None


class Enters(NamedTuple):
    """A round begins."""

    where: Where


class Chooses(NamedTuple):
    """The menu of rounds opens."""

    where: Where


class Ends(NamedTuple):
    """The run is over, with an ending about a player; None tries the endings in order."""

    where: Where
    ending: int | None = None
    about: int | None = None


Step = Asks | RoundEnds | Enters | Chooses | Ends


def onward(game: Game, where: Where, way: Way) -> Step:
    """The step after a question that is done with or that is to be asked again."""
    if way.to is To.AGAIN:
        return Asks(where, True)
    if way.to is To.ENDING and where.due is None:
        return Ends(where, ending_titled(game, way.name), where.turn)
    after = _turn_passes(where, where.position + 1)
    if after.due is not None:
        is_around = after.slot // where.players > where.slot // where.players
        if is_around or not game.opening.equal_turns:
            return due_end(game, after)
    if way.to in (To.QUESTION, To.ENDING):
        return Asks(after)
    return RoundEnds(after, after.position, round_titled(game, way))


def before_asking(
    game: Game, where: Where, length: int | None, is_again: bool, time_over: str | None
) -> Step | None:
    """What happens in place of a question that was to be put; None lets it be put.

    `time_over` is the countdown, ``round`` or ``game``, that has ended by now.
    """
    if where.all_out:
        return due_end(game, where)
    asked = where.position + is_again
    if time_over is not None:
        return time_ends(where, time_over, asked)
    if length is not None and where.slot >= length:
        return RoundEnds(where, asked)
    return None


def time_ends(where: Where, which: str, asked: int) -> Step:
    """What follows the end of the round's countdown or the game's."""
    if which == "game" and where.due is None:
        return Ends(where)
    return RoundEnds(where, asked)


def due_end(game: Game, where: Where) -> Ends:
    """The end that was postponed until all players had their turn, or that is postponed no
    longer."""
    due = where.due
    if due is None or (game.opening.equal_turns and where.players > 1):
        return Ends(where)
    return Ends(where, due.ending, due.player)


def after_round(game: Game, where: Where, to: int | None) -> Step:
    """What follows a round whose rules have run; it is counted among the visits already."""
    if where.all_out:
        return Ends(where)
    if where.turn in where.out:
        where = _turn_passes(where, where.position)
    where = where._replace(position=0, skipped=0)
    if to is not None:
        return Enters(where._replace(round=to))
    order = game.opening.rounds
    if order is RoundOrder.IN_ORDER and where.round + 1 < len(game.rounds):
        return Enters(where._replace(round=where.round + 1))
    if order is RoundOrder.CHOOSE_EACH and not all(where.visits):
        first = next(turn for turn in range(where.players) if turn not in where.out)
        return Chooses(where._replace(turn=first))
    return Ends(where)


def round_titled(game: Game, way: Way) -> int | None:
    """The number of the round a way leads to; None for the next in order."""
    return (
        _titled([round_.title for round_ in game.rounds], way.name) if way.to is To.ROUND else None
    )


def ending_titled(game: Game, name: str) -> int | None:
    """The number of the ending of that title; None if no ending has it."""
    return _titled([ending.title for ending in game.endings], name)


def _titled(titles: list[str], name: str) -> int | None:
    return titles.index(name) if name in titles else None


def _turn_passes(where: Where, position: int) -> Where:
    """The turn goes to the next player who is not out; the others' turns are skipped."""
    turn, skipped = (where.turn + 1) % where.players, 0
    while turn in where.out and skipped < where.players:
        turn, skipped = (turn + 1) % where.players, skipped + 1
    return where._replace(turn=turn, position=position, skipped=where.skipped + skipped)
