"""The parent's side of the sandbox: it gives jobs to children, reads their messages, and ends
them."""

import os
import pickle
import signal
import socket
import subprocess
import sys
import threading
from collections.abc import Callable
from contextlib import suppress
from dataclasses import is_dataclass, replace
from enum import Enum
from pathlib import Path
from typing import Any

from dicetrail.core import GameProblems
from dicetrail.files.questions import FileReading
from dicetrail.files.sandbox.jobs import Job, Progress, unpacked
from dicetrail.files.text import FileProblem

MAX_SECONDS = 20
"""How much time of a processor the reading of a file may take."""
MAX_WAITED = 60
"""How long a child may say nothing, in seconds, on a machine that is busy."""

_CHILD = "dicetrail.files.sandbox.child"
_LOOKS_EVERY = 0.2
"""The interval, in seconds, at which it checks whether the file is still wanted."""


class GivenUp(Exception):
    """Nobody waits for the file any more."""


class Sandbox:
    """Reads files in processes of their own, one for each file. Several threads may use it."""

    def __init__(self) -> None:
        self._turn = threading.Lock()
        self._template: subprocess.Popen[bytes] | None = None
        self._control: socket.socket | None = None

    def do(
        self,
        job: Job,
        *given: Any,
        seconds: int = MAX_SECONDS,
        told: Progress = lambda _: None,
        is_given_up: Callable[[], bool] = lambda: False,
    ) -> Any:
        """The result of a job, or the FileProblem or GameProblems it raises.

        It may take so many seconds of a processor. Raises GivenUp once `is_given_up` says so.
        `told` hears how many rows were read.
        """
        channel = self._child()
        process = 0
        try:
            with channel, channel.makefile("rwb") as stream:
                channel.settimeout(MAX_WAITED)
                process = heard(stream)
                watch = _Watch(process, is_given_up)
                with watch:
                    pickle.dump((job, given, seconds), stream, pickle.HIGHEST_PROTOCOL)
                    stream.flush()
                    return self._heard(stream, told)
        except (EOFError, OSError, pickle.UnpicklingError):
            if is_given_up():
                raise GivenUp from None
            raise FileProblem(
                "the file",
                "reading it takes too much time or memory, so it was stopped",
                "save it anew, plainly, or split it into several files",
            ) from None
        finally:
            _end(process)

    def close(self) -> None:
        """End the template, and with it whatever is being read."""
        with self._turn:
            if self._control is not None and self._template is not None:
                self._control.close()
                self._template.wait()
            self._control = self._template = None

    def _child(self) -> socket.socket:
        """The channel to a new child process. A template process makes it; without one, one is
        started."""
        with self._turn:
            for _ in range(2):
                control = self._control or self._begin()
                ours, theirs = socket.socketpair()
                try:
                    socket.send_fds(control, [b"\0"], [theirs.fileno()])
                except OSError:  # the template is gone: begin another
                    ours.close()
                    control.close()
                    self._control = None
                else:
                    return ours
                finally:
                    theirs.close()
        raise FileProblem("the file", "it cannot be read just now", "try it again")

    def _begin(self) -> socket.socket:
        ours, theirs = socket.socketpair()
        with theirs:
            self._template = subprocess.Popen(
                [
                    sys.executable,
                    "-W",
                    "ignore",
                    "-m",
                    "dicetrail.files.sandbox.child",
                    str(theirs.fileno()),
                ],
                pass_fds=(theirs.fileno(),),
                stdin=subprocess.DEVNULL,
                cwd=Path(__file__).parents[3],
            )
        self._control = ours
        return ours

    def _heard(self, stream: Any, told: Progress) -> Any:
        questions: list[Any] = []
        while True:
            kind, what = heard(stream)
            if kind == "rows":
                told(what)
            elif kind == "questions":
                questions += map(unpacked, what)
            elif kind == "problem":
                raise FileProblem(what.where, what.what, what.mend)
            elif kind == "problems":
                raise GameProblems(what)
            elif isinstance(what, FileReading):
                return replace(what, questions=tuple(questions))
            else:
                return what


def heard(stream: Any) -> Any:
    """The next value a child says. Raises UnpicklingError if it says anything but values.

    A child has read a stranger's file, so it is believed no more than the file: what it names may
    be a class of values of ours, and nothing that does something as it is made.
    """
    return _Values(stream).load()


class _Values(pickle.Unpickler):
    def find_class(self, module: str, name: str) -> Any:
        """A class of values; the documentation of `pickle` calls this restricting globals."""
        if (module, name) in _PLAIN_CLASSES:
            return super().find_class(module, name)
        if module.partition(".")[0] == "dicetrail":
            found = super().find_class(module, name)
            is_class = isinstance(found, type) and (
                is_dataclass(found) or issubclass(found, Enum) or hasattr(found, "_fields")
            )
            if is_class:
                return found
        raise pickle.UnpicklingError(f"{module}.{name} is no value")


_PLAIN_CLASSES = {
    ("builtins", "set"),
    ("builtins", "frozenset"),
    ("datetime", "date"),
    ("datetime", "datetime"),
    ("datetime", "timedelta"),
    ("datetime", "timezone"),
    ("pydantic_core._pydantic_core", "TzInfo"),
}


class _Watch:
    """Ends a child process when nobody waits for its result."""

    def __init__(self, process: int, is_given_up: Callable[[], bool]) -> None:
        self._process = process
        self._is_given_up = is_given_up
        self._is_done = threading.Event()
        self._thread = threading.Thread(target=self._look, daemon=True)

    def _look(self) -> None:
        while not self._is_done.wait(_LOOKS_EVERY):
            if self._is_given_up():
                _end(self._process)
                return

    def __enter__(self) -> None:
        self._thread.start()

    def __exit__(self, *_: object) -> None:
        self._is_done.set()
        self._thread.join()


def _end(process: int) -> None:
    if process:
        with suppress(ProcessLookupError):
            os.kill(process, signal.SIGKILL)
