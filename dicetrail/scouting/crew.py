"""The workers: the cores of this machine, or a cluster."""

import os
from collections.abc import Callable, Iterator
from concurrent.futures import Executor, Future
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any, TypeVar

from dicetrail.scouting.workers import Workers

Made = TypeVar("Made")


@dataclass(frozen=True)
class Crew:
    """Workers that take tasks."""

    executor: Executor
    workers: int

    def submit(self, task: Callable[..., Made], *given: Any, **named: Any) -> "Future[Made]":
        """Hand out a task."""
        return self.executor.submit(task, *given, **named)

    def close(self) -> None:
        """Release the workers. Work that is not done is dropped."""
        self.executor.shutdown(cancel_futures=True)


def here(workers: int | None = None) -> Crew:
    """The cores of this machine, each a process of its own that begins with the first task."""
    count = workers or len(os.sched_getaffinity(0))
    return Crew(Workers(count), count)


@contextmanager
def of_cluster(address: str) -> Iterator[Crew]:
    """The workers of a Dask scheduler, such as ``tcp://10.0.0.5:8786``.

    Raises ModuleNotFoundError without the extra ``cluster``, OSError if nobody answers there.
    """
    from distributed import Client

    with Client(address, timeout="10s") as client:  # type: ignore[no-untyped-call]
        workers = sum(client.nthreads().values())
        yield Crew(client.get_executor(), max(1, workers))
