"""The players' API for one game on one device, without a server: it starts runs, takes inputs and
stores results.

It answers a players' page as a server does, at the same addresses and in the same form, and
`core/play/session.py` decides for both which inputs are taken and when they count from. The page
has the clock, the chance and the place to keep runs: each call brings the time and a random number,
and the reply brings back the run to be kept.
"""

import json
from collections.abc import Callable, Iterable
from dataclasses import dataclass, field, replace
from datetime import UTC, datetime
from typing import Any, Literal

from dicetrail.core.document import Best, Game, Number, Pack
from dicetrail.core.foresight import Playthrough, playthrough
from dicetrail.core.play import (
    Action,
    Input,
    Moment,
    Phase,
    Program,
    RunIsFull,
    RunNamed,
    RunResult,
    Session,
    StaleRun,
    check_seen,
    continued,
    made_ready,
    measure_of,
    new_session,
    now_at,
    play_view,
    player_named,
    players_refused,
    replay,
    run_result,
    start,
    taken,
    time_of_input,
)
from dicetrail.standalone.json_codec import NotInThisForm, from_json, to_json

ANSWERS: Literal["dice-trail-answers/1"] = "dice-trail-answers/1"
"""The form of a line of the answers file."""

MAX_SCORES = 10


@dataclass(frozen=True, slots=True)
class StandaloneGame:
    """A game with everything it is played from."""

    game_id: str
    revision: int
    game: Game
    packs: dict[str, Pack]
    media: dict[str, dict[str, str]]
    """Where pictures and sounds are found: by pack, then by the name its questions give them."""


@dataclass(frozen=True, slots=True)
class EndedRun:
    """A run that has ended: what it came to, when, and what it showed of its questions."""

    result: RunResult
    at: int
    """Milliseconds since 1970, by the device's clock."""
    shown: Playthrough


@dataclass(frozen=True, slots=True)
class KeptHere:
    """A run as the device keeps it."""

    id: str
    revision: int
    dice: int
    players: tuple[str, ...]
    started_at: int
    """Milliseconds since 1970, by the device's clock."""
    best: Number | None = None
    """What was to be beaten."""
    inputs: tuple[Input, ...] = ()
    ended: EndedRun | None = None
    remark: str = ""


@dataclass(frozen=True, slots=True)
class Reply:
    """What the desk answers: a status as in HTTP, what is told, and a run to be kept anew."""

    status: int
    body: Any = None
    keep: KeptHere | None = None


class _RequestRefused(Exception):
    def __init__(self, status: int, detail: str, kind: str = "about:blank") -> None:
        self.status = status
        self.kind = kind
        self.detail = detail
        super().__init__(detail)


@dataclass
class OfflineApi:
    """The desk of a game. `calls` are answered one after the other."""

    standalone: StandaloneGame
    runs: dict[str, KeptHere] = field(default_factory=dict)
    """The runs of this device, the oldest first."""
    _sessions: dict[str, Session] = field(default_factory=dict)

    def __post_init__(self) -> None:
        self.program: Program = made_ready(self.standalone.game, self.standalone.packs)

    def answer(self, method: str, path: str, body: Any, now: int, chance: int) -> Reply:
        """Answer a call to an address under ``/api/play``."""
        _, _, _, kind, *rest = path.split("?")[0].split("/")
        names, last = (rest[:1], rest[1:]) if rest else ([], [])
        call = self._calls().get((method, kind, *last))
        try:
            if call is None:
                raise _RequestRefused(404, f"There is nothing at {path}.")
            return call(names[0] if names else "", body or {}, now, chance)
        except _RequestRefused as refusal:
            return Reply(refusal.status, _problem(refusal.status, refusal.detail, refusal.kind))
        except StaleRun as error:
            told = f"The run stands after {error.taken} inputs."
            return Reply(409, _problem(409, told, "/problems/run-moved-on"))
        except RunIsFull as error:
            return Reply(409, _problem(409, str(error)))
        except (NotInThisForm, KeyError) as error:
            return Reply(422, _problem(422, f"This cannot be read: {error}."))

    def _calls(self) -> dict[tuple[str, ...], Callable[[str, Any, int, int], Reply]]:
        return {
            ("POST", "games", "runs"): self._start,
            ("GET", "games", "scores"): self._scores,
            ("GET", "games", "answers"): self._answers,
            ("GET", "runs"): self._show,
            ("POST", "runs", "inputs"): self._take,
            ("POST", "runs", "remark"): self._remark,
            ("POST", "replays"): self._replay,
        }

    def _start(self, _game: str, body: Any, now: int, chance: int) -> Reply:
        words, given = self.program.translator, body.get("players", [""])
        if not isinstance(given, list):
            raise _RequestRefused(422, "The players are a list of names.")
        refused = players_refused(self.program.game, len(given))
        if refused is not None:
            raise _RequestRefused(422, f"Not begun: {refused}.")
        players = tuple(
            player_named(str(name), number, words) for number, name in enumerate(given, 1)
        )
        dice = body.get("dice", chance)
        best = next(map(self._measure, self._best()), None)
        run = KeptHere(f"{chance:032x}", self.standalone.revision, dice, players, now, best)
        self.runs[run.id] = run
        return self._told(run, start(self.program, dice, players, best=best), now, 201)

    def _show(self, name: str, _body: Any, now: int, _chance: int) -> Reply:
        run = self._run(name)
        return self._told(run, Moment(self._session_of(run).state, ()), now)

    def _take(self, name: str, body: Any, now: int, _chance: int) -> Reply:
        run = self._run(name)
        session, said = self._session_of(run), body.get("at")
        check_seen(session, body["seen"])
        at = time_of_input(
            session, max(0, now - run.started_at), None if said is None else from_json(int, said)
        )
        given = Input(from_json(Action, body["action"]), at)
        session, moment, is_kept = taken(self.program, session, given)
        if is_kept:
            self._sessions[name] = session
            run = self.runs[name] = replace(run, inputs=(*run.inputs, given))
        return self._told(run, moment, now)

    def _remark(self, name: str, body: Any, _now: int, _chance: int) -> Reply:
        run = self._run(name)
        if run.ended is None or not self.standalone.game.opening.asks_remark:
            raise _RequestRefused(409, "This run is not asked for a remark.")
        run = self.runs[name] = replace(run, remark=str(body["words"]).strip()[:1000])
        return Reply(204, None, run)

    def _scores(self, _game: str, _body: Any, _now: int, _chance: int) -> Reply:
        mine = [run for run in reversed(self.runs.values()) if run.ended is not None]
        return Reply(
            200,
            {
                "revision": self.standalone.revision,
                "kind": self.standalone.game.best.value,
                "best": [_score(run) for run in self._best()[:MAX_SCORES]],
                "mine": [_score(run) for run in mine[:MAX_SCORES]],
            },
        )

    def _answers(self, _game: str, _body: Any, _now: int, _chance: int) -> Reply:
        """The answers file: a run a line, as the workbench brings it in as evidence."""
        ended = [run for run in self.runs.values() if run.ended is not None]
        return Reply(200, {"lines": [json.dumps(_line(run), ensure_ascii=False) for run in ended]})

    def _replay(self, _name: str, body: Any, _now: int, _chance: int) -> Reply:
        """The footprints that dice and inputs lead to, for checking against another engine."""
        inputs = from_json(tuple[Input, ...], body["inputs"])
        moments = replay(self.program, body["dice"], tuple(body["players"]), inputs)
        return Reply(200, as_told(moments))

    def _run(self, name: str) -> KeptHere:
        run = self.runs.get(name)
        if run is None or run.revision != self.standalone.revision:
            raise _RequestRefused(404, "There is no such run on this device.")
        return run

    def _session_of(self, run: KeptHere) -> Session:
        if run.id not in self._sessions:
            first = new_session(self.program, run.dice, run.players, run.best)
            # One run is played at a time.
            self._sessions = {run.id: continued(self.program, first, run.inputs)}
        return self._sessions[run.id]

    def _told(self, run: KeptHere, moment: Moment, now: int, status: int = 200) -> Reply:
        """The run as its player sees it now: countdowns that have ended by then count."""
        brought = now_at(self.program, moment.state, now - run.started_at)
        here, session = brought.state, self._session_of(run)
        if here.phase is Phase.ENDED and run.ended is None:
            whole = replay(self.program, run.dice, run.players, run.inputs, best=run.best)
            shown = playthrough(
                self.program, (*whole, brought) if brought.footprints else whole, run.inputs
            )
            ended = EndedRun(run_result(self.program, here), now, shown)
            run = self.runs[run.id] = replace(run, ended=ended)
        named = RunNamed(run.id, self.standalone.game_id, run.revision)
        media, before = self.standalone.media, session.answered
        view = play_view(self.program, named, session.seen, brought, before, media, moment.refused)
        return Reply(status, to_json(view), run)

    def _best(self) -> list[KeptHere]:
        """The best runs of this device, the first to come to something before others as good."""
        there = [run for run in self.runs.values() if run.revision == self.standalone.revision]
        counting = [run for run in there if run.ended is not None and run.ended.result.counts]
        sign = -1 if self.standalone.game.best is Best.HIGHEST else 1
        return sorted(counting, key=lambda run: (sign * self._measure(run), _ended(run).at))

    def _measure(self, run: KeptHere) -> Number:
        result = _ended(run).result
        return measure_of(self.standalone.game.best, result.score, result.length_ms)


def as_told(moments: Iterable[Moment]) -> list[Any]:
    """The states and footprints of a run as they are written in JSON."""
    return [
        {"state": to_json(moment.state), "footprints": to_json(moment.footprints)}
        for moment in moments
    ]


def _ended(run: KeptHere) -> EndedRun:
    assert run.ended is not None
    return run.ended


def _score(run: KeptHere) -> dict[str, Any]:
    ended = _ended(run)
    result = ended.result
    return {
        "run_id": run.id,
        "player": result.leader,
        "score": result.score,
        "ending": result.ending,
        "right_count": result.right_count,
        "asked_count": result.asked_count,
        "ended_at": _written_time(ended.at),
        "length_ms": result.length_ms,
    }


def _line(run: KeptHere) -> dict[str, Any]:
    return {
        "format": ANSWERS,
        "run": run.id,
        "revision": run.revision,
        "started_at": _written_time(run.started_at),
        "players": list(run.players),
        "shown": to_json(_ended(run).shown),
        "remark": run.remark,
    }


def _written_time(since_1970_ms: int) -> str:
    """A time as RFC 3339 has it, in UTC."""
    told = datetime.fromtimestamp(since_1970_ms / 1000, UTC).isoformat()
    return told.replace("+00:00", "Z")


def _problem(status: int, detail: str, kind: str = "about:blank") -> dict[str, Any]:
    return {
        "type": kind,
        "title": "Not taken",
        "status": status,
        "detail": detail,
        "problems": [],
    }


def opened(standalone: str, kept: str) -> OfflineApi:
    """The desk of a game, as JSON has it, with the runs the device has kept of it.

    `kept` lists them as the texts they were given as: numbers of dice are too long for a page
    to read. What cannot be read is left out: a page of another version may have kept it.
    """
    runs: dict[str, KeptHere] = {}
    for text in json.loads(kept):
        try:
            run = from_json(KeptHere, json.loads(text))
        except (NotInThisForm, json.JSONDecodeError):
            continue
        runs[run.id] = run
    return OfflineApi(from_json(StandaloneGame, json.loads(standalone)), runs)


def answer(api: OfflineApi, call: str) -> str:
    """The answer to a call, both as JSON."""
    asked = json.loads(call)
    told = api.answer(
        asked["method"], asked["path"], asked.get("body"), asked["now"], int(asked["chance"], 16)
    )
    keep = told.keep and {"id": told.keep.id, "run": json.dumps(to_json(told.keep))}
    return json.dumps({"status": told.status, "body": told.body, "keep": keep})
