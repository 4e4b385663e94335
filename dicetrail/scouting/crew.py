"""Who does the work: the cores of this machine, or a cluster."""

import multiprocessing
import os
import signal
from collections.abc import Callable, Iterator
from concurrent.futures import Executor, Future, ProcessPoolExecutor
from contextlib import contextmanager, suppress
from dataclasses import dataclass
from multiprocessing.connection import Connection
from threading import Thread
from typing import Any, TypeVar

Made = TypeVar("Made")

LESS_URGENT = 2
"""So many steps of niceness are between a worker and what it works for."""


@dataclass(frozen=True)
class Crew:
    """Workers that take tasks."""

    executor: Executor
    workers: int
    held: Connection | None = None
    """What workers of this machine hear the end by."""

    def submit(self, task: Callable[..., Made], *given: Any, **named: Any) -> "Future[Made]":
        """Hand out a task."""
        return self.executor.submit(task, *given, **named)

    def close(self) -> None:
        """Let go of the workers; what is not done is left undone."""
        if self.held is not None:
            self.held.close()
        self.executor.shutdown(cancel_futures=True)


def here(workers: int | None = None) -> Crew:
    """The cores of this machine, each a process of its own that begins with the first task."""
    count = workers or len(os.sched_getaffinity(0))
    context = multiprocessing.get_context("forkserver")
    # Imported once, for all workers to share.
    context.set_forkserver_preload(["__main__", "dicetrail.scouting.work"])
    heard, held = context.Pipe(duplex=False)
    executor = ProcessPoolExecutor(
        count, mp_context=context, initializer=_end_with_parent, initargs=(heard,)
    )
    return Crew(executor, count, held)


def _end_with_parent(heard: Connection) -> None:
    """Have a worker end, whatever it is doing, once its parent has closed its side or is gone;
    and let whoever waits for a page come first."""
    os.nice(LESS_URGENT)
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # the parent is told, and closes
    Thread(target=_wait_for_end, args=(heard,), daemon=True).start()


def _wait_for_end(heard: Connection) -> None:
    with suppress(EOFError, OSError):
        heard.recv()
    os._exit(0)


@contextmanager
def of_cluster(address: str) -> Iterator[Crew]:
    """The workers of a Dask scheduler, such as ``tcp://10.0.0.5:8786``.

    Raises ModuleNotFoundError without the extra ``cluster``, OSError if nobody answers there.
    """
    from distributed import Client

    with Client(address, timeout="10s") as client:  # type: ignore[no-untyped-call]
        workers = sum(client.nthreads().values())
        yield Crew(client.get_executor(), max(1, workers))
