"""Runs as statements of the Experience API (xAPI 1.0.3), for a store of learning records.

Each question that is done with makes a statement, and so does the end of the run. The identifiers
come from those of the runs, so the same run written twice makes the same statements. Activities and
accounts are named under an address that is nobody's (RFC 2606) unless one is given.
"""

import json
from collections.abc import Iterable, Iterator
from datetime import datetime, timedelta
from typing import Any
from urllib.parse import quote
from uuid import NAMESPACE_URL, uuid5

from dicetrail.core import Game
from dicetrail.core.foresight import Observation
from dicetrail.files.answers import PlayedElsewhere

NOBODYS = "https://dicetrail.invalid"
_VERBS = "http://adlnet.gov/expapi/verbs/"
_INTERACTION = "http://adlnet.gov/expapi/activities/cmi.interaction"
_GAME = "http://adlnet.gov/expapi/activities/assessment"


def written_statements(
    game_id: str, game: Game, runs: Iterable[PlayedElsewhere], address: str = NOBODYS
) -> Iterator[str]:
    """The statements of some runs, as an array of JSON."""
    told = _StatementContext(game_id, game, address.rstrip("/"))
    between = "[\n"
    for run in runs:
        for statement in told.of_run(run):
            yield between + json.dumps(statement, ensure_ascii=False)
            between = ",\n"
    yield "[]\n" if between == "[\n" else "\n]\n"


class _StatementContext:
    """The part that is the same in every statement of a game."""

    def __init__(self, game_id: str, game: Game, address: str) -> None:
        self.address = address
        self.activity = f"{address}/games/{quote(game_id, safe='')}"
        self.game = game
        self.passing = {ending.title for ending in game.endings if ending.passes}

    def of_run(self, run: PlayedElsewhere) -> Iterator[dict[str, Any]]:
        at = run.started_at
        for number, seen in enumerate(run.shown.seen):
            at += timedelta(milliseconds=seen.used_ms)
            yield self._answered(run, number, seen, at)
        ended = run.started_at + timedelta(seconds=max(0.0, run.shown.seconds))
        yield self._over(run, max(at, ended))

    def _answered(
        self, run: PlayedElsewhere, number: int, seen: Observation, at: datetime
    ) -> dict[str, Any]:
        result: dict[str, Any] = {
            "success": seen.is_right,
            "completion": True,
            "duration": _duration(seen.used_ms / 1000),
        }
        if seen.tries:
            result["response"] = _named(seen, seen.tries[-1].given)
        definition: dict[str, Any] = {
            "type": _INTERACTION,
            "name": {"und": seen.prompt},
            "interactionType": "choice" if seen.choices else "fill-in",
            "correctResponsesPattern": [_named(seen, right) for right in seen.right],
        }
        if seen.choices:
            definition["choices"] = [
                {"id": _named(seen, choice), "description": {"und": choice}}
                for choice in seen.choices
            ]
        place = f"{quote(seen.source, safe='')}/{seen.number + 1}"
        question = {
            "objectType": "Activity",
            "id": f"{self.activity}/questions/{place}",
            "definition": definition,
        }
        return self._statement(run, f"{number}", seen.player, "answered", question, result, at)

    def _over(self, run: PlayedElsewhere, at: datetime) -> dict[str, Any]:
        ending = run.shown.ending
        has_ended = ending is not None
        verb = "completed" if has_ended else "terminated"
        result: dict[str, Any] = {
            "completion": has_ended,
            "score": {"raw": run.shown.score},
            "duration": _duration(run.shown.seconds),
        }
        if has_ended:
            result["response"] = ending
        if has_ended and self.passing:
            result["success"] = ending in self.passing
            verb = "passed" if result["success"] else "failed"
        return self._statement(run, "end", 0, verb, self._as_object(), result, at)

    def _as_object(self) -> dict[str, Any]:
        return {
            "objectType": "Activity",
            "id": self.activity,
            "definition": {
                "type": _GAME,
                "name": {self.game.language.value: self.game.title},
            },
        }

    def _statement(
        self,
        run: PlayedElsewhere,
        which: str,
        player: int,
        verb: str,
        about: dict[str, Any],
        result: dict[str, Any],
        at: datetime,
    ) -> dict[str, Any]:
        registration = uuid5(NAMESPACE_URL, f"{self.activity}/runs/{run.run}")
        context: dict[str, Any] = {"registration": str(registration)}
        if about["id"] != self.activity:
            parent = {"objectType": "Activity", "id": self.activity}
            context["contextActivities"] = {"parent": [parent]}
        name = run.players[player] if player < len(run.players) else ""
        account = {"homePage": self.address, "name": f"{registration} {player + 1}"}
        return {
            "id": str(uuid5(registration, which)),
            "actor": {"objectType": "Agent", "name": name, "account": account},
            "verb": {"id": f"{_VERBS}{verb}", "display": {"en": verb}},
            "object": about,
            "result": result,
            "context": context,
            "timestamp": at.isoformat(),
        }


def _named(seen: Observation, answer: str) -> str:
    """An answer as a response: a choice by an identifier of its own, what was typed as it is."""
    return f"c{seen.choices.index(answer) + 1}" if answer in seen.choices else answer


def _duration(seconds: float) -> str:
    """A time as ISO 8601 writes it."""
    return f"PT{max(0.0, seconds):.2f}S"
