"""Many games played by the rules alone: tallies met before are not settled again.

Tallies that rules cannot tell apart are one; each gets a number, and what an outcome makes
of it is settled once and then looked up. A game of chance then goes from number to number,
about as fast as a loop written by hand for that one game.
"""

from collections.abc import Iterable, Sequence

from dicetrail.core.rules import Outcome, Rules, Tally, settle


class Games:
    """The games of some rules under some outcomes, by their places in a row of outcomes.

    A point stands for a tally, 0 for the first; a negative point is an ending, -1 for the
    first ending, -2 for the second.
    """

    def __init__(self, rules: Rules, outcomes: Sequence[Outcome]) -> None:
        self._rules = rules
        self._outcomes = tuple(outcomes)
        self._points: dict[Tally, int] = {}
        self._tallies: list[Tally] = []
        self._ways: list[int] = []
        """Where each outcome leads from each point: all those of one point, then the next's."""
        self._point(rules.merged(rules.first))

    def play(self, picks: Iterable[int]) -> int:
        """The point a game comes to: where an ending came at once, or after all `picks`.

        Each pick is an outcome, by its place.
        """
        ways, point = self._ways, 0
        for which in picks:
            after = ways[point + which]
            if after < 0:
                if after == _UNKNOWN:
                    after = self._settle(point, which)
                if after < 0:
                    return after
            point = after
        return point

    def _point(self, tally: Tally) -> int:
        point = self._points.get(tally)
        if point is None:
            point = self._points[tally] = len(self._ways)
            self._tallies.append(tally)
            self._ways += [_UNKNOWN] * len(self._outcomes)
        return point

    def _settle(self, point: int, which: int) -> int:
        tally = self._tallies[point // len(self._outcomes)]
        settled = settle(self._rules, tally, self._outcomes[which])
        if settled.ending is None:
            after = self._point(self._rules.merged(settled.tally))
        else:
            after = -1 - settled.ending
        self._ways[point + which] = after
        return after


_UNKNOWN = -1_000_000
"""No game has so many endings."""
