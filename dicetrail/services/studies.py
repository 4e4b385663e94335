"""Studies: long forecasts with progress and cancellation."""

import secrets
from collections import OrderedDict
from collections.abc import Callable, Sequence
from concurrent.futures import FIRST_COMPLETED, Future, wait
from dataclasses import dataclass, field
from threading import Event, Lock, Thread
from time import monotonic

from dicetrail.core import Program
from dicetrail.core.foresight import Forecast, Scout, Turned, told
from dicetrail.scouting import Crew, Subject, foretell, shared_out
from dicetrail.store import NotFound

LEFT_AFTER_S = 600
"""A study is cancelled if its page has not asked for it for this long, in seconds."""
MAX_STUDIES = 4
"""At most this many studies are kept; a new one cancels the oldest."""


@dataclass
class Study:
    """A study of a game. `done` of `total` runs or values are computed."""

    game_id: str
    total: int
    id: str = field(default_factory=lambda: secrets.token_hex(8))
    done: int = 0
    is_over: bool = False
    failure: str = ""
    forecast: Forecast | None = None
    turned: tuple[Turned, ...] = ()
    given_up: Event = field(default_factory=Event)
    asked_at: float = field(default_factory=monotonic)

    def is_let_be(self) -> bool:
        """Whether its page has stopped asking for it."""
        return self.given_up.is_set() or monotonic() - self.asked_at > LEFT_AFTER_S


class Studies:
    """The studies of a server. Each runs in a thread that waits for the crew."""

    def __init__(self) -> None:
        self._known: OrderedDict[str, Study] = OrderedDict()
        self._turn = Lock()

    def begin(self, study: Study, work: Callable[[Study], None]) -> Study:
        """Begin a study."""
        with self._turn:
            self._known[study.id] = study
            while len(self._known) > MAX_STUDIES:
                self._known.popitem(last=False)[1].given_up.set()
        Thread(target=_worked, args=(study, work), daemon=True).start()
        return study

    def get(self, game_id: str, study_id: str) -> Study:
        """A study of a game. Raises NotFound if it is no longer kept."""
        study = self._known.get(study_id)
        if study is None or study.game_id != game_id:
            raise NotFound("study", study_id)
        study.asked_at = monotonic()
        return study

    def give_up(self, game_id: str, study_id: str) -> None:
        """Let one be. Raises NotFound."""
        self.get(game_id, study_id).given_up.set()

    def close(self) -> None:
        """Let all be."""
        for study in list(self._known.values()):
            study.given_up.set()


def _worked(study: Study, work: Callable[[Study], None]) -> None:
    try:
        work(study)
    except Exception as error:  # whatever a worker died of is told, not lost with its thread
        study.failure = f"it could not be worked out ({type(error).__name__})"
    finally:
        study.is_over = True


def played_out(
    crew: Crew, subject: Subject, program: Program, scouts: Sequence[Scout], dice: range
) -> Callable[[Study], None]:
    """Have scouts play runs."""

    def work(study: Study) -> None:
        for played in shared_out(crew, subject, scouts, dice, study.is_let_be):
            study.forecast = told(program, scouts, played, "as was asked for")
            study.done = played.runs

    return work


def turned_about(
    crew: Crew, subject: Subject, scouts: Sequence[Scout], key: str, values: Sequence[int]
) -> Callable[[Study], None]:
    """Forecast a game with one of its numbers at each of several values."""

    def work(study: Study) -> None:
        waiting: dict[Future[Forecast], int] = {
            crew.submit(foretell, subject, scouts, is_quick=True, knob=(key, value)): value
            for value in values
        }
        while waiting and not study.is_let_be():
            done, _ = wait(waiting, timeout=0.5, return_when=FIRST_COMPLETED)
            for task in done:
                found = Turned(waiting.pop(task), task.result())
                study.turned = tuple(sorted((*study.turned, found), key=lambda one: one.value))
                study.done += 1
        for task in waiting:
            task.cancel()

    return work
