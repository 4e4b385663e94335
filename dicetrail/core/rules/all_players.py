"""Run the rules for every player: at the start, at the end of a round and at the end of the game.

Each function follows every way that the dice of the script can fall, as `falls` gives them, with
the chance of each. The engine follows the one way its dice fell.
"""

from collections.abc import Callable, Iterable, Iterator, Sequence
from typing import NamedTuple

from dicetrail.core.document import Best, Game, Number, To
from dicetrail.core.rules.course import (
    Asks,
    Chooses,
    Ends,
    Enters,
    RoundEnds,
    Step,
    Where,
    after_round,
    due_end,
    ending_titled,
    round_titled,
)
from dicetrail.core.rules.script import Event
from dicetrail.core.rules.settle import Outcome, Rules, Settled, Tally

Tallies = tuple[Tally, ...]
"""One for each player."""

Falls = Callable[[Tally, Outcome], Iterable[tuple[float, Settled]]]
"""What an outcome leads to, each way with its chance."""


class Over(NamedTuple):
    """The end of a run."""

    tallies: Tallies
    ending: int | None
    whom: int
    """The player the ending is about, from 0."""


def begun(
    game: Game, rules: Rules, players: int, falls: Falls
) -> Iterator[tuple[float, Step, Tallies]]:
    """The steps a run can begin with: its first round, the menu, or an ending that came at once."""
    where = Where(players, visits=(0,) * len(game.rounds))
    waiting: list[tuple[float, Tallies]] = [(1.0, ())]
    for turn in range(players):
        outcome = Outcome(Event.STARTED, tries_used=0, player_number=turn + 1)
        further: list[tuple[float, Tallies]] = []
        for share, tallies in waiting:
            for part, settled in falls(rules.first, outcome):
                so_far = (*tallies, settled.tally)
                if settled.ending is None:
                    further.append((share * part, so_far))
                else:
                    rest = (rules.first,) * (players - len(so_far))
                    yield share * part, Ends(where, settled.ending, turn), (*so_far, *rest)
        waiting = further
    for share, tallies in waiting:
        yield share, Chooses(where) if game.has_menu else Enters(where), tallies


def followed(
    game: Game, rules: Rules, step: Step, tallies: Tallies, falls: Falls
) -> Iterator[tuple[float, Asks | Enters | Chooses | Over, Tallies]]:
    """A step of the course, followed through the end of a round to the next place where a
    question is asked, a round entered or chosen, or the run is over."""
    if isinstance(step, RoundEnds):
        for share, after, then in _round_ended(game, step.where, tallies, step.to, falls):
            for part, reached, left in followed(game, rules, then, after, falls):
                yield share * part, reached, left
    elif isinstance(step, Ends):
        for share, over in _game_ended(game, rules, step, tallies, falls):
            yield share, over, over.tallies
    else:
        yield 1.0, step, tallies


def _round_ended(
    game: Game, where: Where, tallies: Tallies, to: int | None, falls: Falls
) -> Iterator[tuple[float, Tallies, Step]]:
    """Where the end of a round leads after the rules of all players have run."""
    if where.due is not None:
        yield 1.0, tallies, due_end(game, where)
        return
    waiting: list[tuple[float, Tallies, int | None, tuple[int, ...]]]
    waiting = [(1.0, tallies, to, where.out)]
    for player in range(where.players):
        outcome = Outcome(Event.ROUND_OVER, where.round, tries_used=0, player_number=player + 1)
        further = []
        for share, so_far, goes_to, out in waiting:
            for part, settled in falls(so_far[player], outcome):
                now = (*so_far[:player], settled.tally, *so_far[player + 1 :])
                way, now_out = settled.way, out
                if (
                    any(script_action.what == "out" for script_action in settled.script_actions)
                    and player not in out
                ):
                    now_out = tuple(sorted((*out, player)))
                here = where._replace(out=now_out)
                if settled.ending is not None:
                    yield share * part, now, Ends(here, settled.ending, player)
                elif way is not None and way.to is To.ENDING:
                    yield share * part, now, Ends(here, ending_titled(game, way.name), player)
                else:
                    there = goes_to if way is None else round_titled(game, way)
                    further.append((share * part, now, there, now_out))
        waiting = further
    # Of visits only whether there was one can matter.
    visits = tuple(
        min(1, times + (number == where.round)) for number, times in enumerate(where.visits)
    )
    for share, after, goes_to, out in waiting:
        yield share, after, after_round(game, where._replace(visits=visits, out=out), goes_to)


def _game_ended(
    game: Game, rules: Rules, ends: Ends, tallies: Tallies, falls: Falls
) -> Iterator[tuple[float, Over]]:
    """The end of a run after the rules of all players have run."""
    where = ends.where
    waiting: list[tuple[float, Tallies]] = [(1.0, ())]
    for turn in range(where.players):
        outcome = Outcome(Event.GAME_OVER, where.round, tries_used=0, player_number=turn + 1)
        waiting = [
            (share * part, (*so_far, settled.tally))
            for share, so_far in waiting
            for part, settled in falls(tallies[turn], outcome)
        ]
    for share, after in waiting:
        yield share, _over(game, rules, ends, after)


def _over(game: Game, rules: Rules, ends: Ends, tallies: Tallies) -> Over:
    where, ending = ends.where, ends.ending
    scores = [rules.score(tally) for tally in tallies]
    best = best_score(game, scores)
    leader = scores.index(best)
    whom = leader if ends.about is None else ends.about
    if ending is None:
        outcome = Outcome(Event.GAME_OVER, where.round, player_number=leader + 1)
        leaders = scores.count(best)
        ending = rules.last_ending(tallies[leader], outcome, leaders, len(scores))
        if ending is None and where.due is not None:
            ending, whom = where.due.ending, where.due.player
    return Over(tallies, ending, whom)


def best_score(game: Game, scores: Sequence[Number]) -> Number:
    """The best of some scores: the lowest where the game says so, else the highest."""
    return min(scores) if game.best is Best.LOWEST else max(scores)
