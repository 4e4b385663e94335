"""The template process and its children; this module runs as a program of its own."""

import ctypes
import os
import pickle
import resource
import signal
import socket
import sys
from collections.abc import Iterator
from contextlib import suppress
from dataclasses import replace
from typing import Any

from dicetrail.core import GameProblems
from dicetrail.files.questions import FileReading
from dicetrail.files.sandbox.jobs import JOBS, Job, Progress, packed
from dicetrail.files.text import FileProblem

MAX_MEMORY = 300 * 1024 * 1024
"""How much memory the reading of one file may take, in bytes."""

_CHUNK = 2_000
"""The number of questions sent at once, so that the first arrive before all are read."""


def _template(control: socket.socket) -> None:
    """Fork a child for every channel that comes, until the parent is gone."""
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)  # children that have ended leave no trace
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # the parent is told, and closes the control
    while True:
        message, channels, _, _ = socket.recv_fds(control, 1, 1)
        if not message:
            return
        if os.fork() == 0:
            control.close()
            with suppress(BrokenPipeError, ConnectionError):
                _work(socket.socket(fileno=channels[0]))
            os._exit(0)
        os.close(channels[0])


def _work(channel: socket.socket) -> None:
    _limit_memory()
    with channel, channel.makefile("rwb") as stream:

        def say(*message: Any) -> None:
            pickle.dump(message, stream, pickle.HIGHEST_PROTOCOL)
            stream.flush()

        pickle.dump(os.getpid(), stream)
        stream.flush()
        job, given, seconds = pickle.load(stream)
        _limit(seconds)
        for message in _answer(job, given, lambda rows: say("rows", rows)):
            say(*message)


def _answer(job: Job, given: tuple[Any, ...], told: Progress) -> Iterator[tuple[str, Any]]:
    """The messages of a job."""
    try:
        found = (JOBS[job] if isinstance(job, str) else job)(*given, told)
        if isinstance(found, FileReading):
            for start in range(0, len(found.questions), _CHUNK):
                some = found.questions[start : start + _CHUNK]
                yield "questions", [packed(question) for question in some]
            found = replace(found, questions=())
        yield "found", found
    except FileProblem as error:
        yield "problem", error.problem
    except GameProblems as error:
        yield "problems", error.problems
    except MemoryError:
        what = f"reading it takes more than {MAX_MEMORY // 1024**2} MB of memory"
        yield "problem", FileProblem("the file", what, "split it into several files").problem
    except _TimeIsUp:
        what = "reading it takes more time than there is for it"
        yield "problem", FileProblem("the file", what, "split it into several files").problem
    except Exception as error:  # whatever a damaged or hostile file makes fail
        what = f"this cannot be read ({type(error).__name__})"
        yield "problem", FileProblem("the file", what, "save it anew, plainly").problem


class _TimeIsUp(Exception):
    pass


def _limit(seconds: int) -> None:
    """Bound how much time of a processor this process may use."""

    def time_is_up(*_: object) -> None:
        raise _TimeIsUp

    signal.signal(signal.SIGXCPU, time_is_up)
    resource.setrlimit(resource.RLIMIT_CPU, (seconds, seconds + 2))


def _limit_memory() -> None:
    """Bound the memory this process may use, and have it end with the template."""
    resource.setrlimit(resource.RLIMIT_DATA, (MAX_MEMORY, MAX_MEMORY))
    resource.setrlimit(resource.RLIMIT_CORE, (0, 0))
    if sys.platform == "linux":
        death_signal = 1  # PR_SET_PDEATHSIG, prctl(2)
        ctypes.CDLL(None).prctl(death_signal, signal.SIGKILL)


if __name__ == "__main__":
    _template(socket.socket(fileno=int(sys.argv[1])))
