"""Processes of this machine that do tasks, and stop at once when a task is given up.

The standard library's pool can give up a task only before it has begun. Here each worker has a
thread that hands it one task at a time and waits; when a running task is cancelled its worker is
ended, and another begins with the next task.
"""

import multiprocessing
import os
import pickle
import signal
from collections.abc import Callable
from concurrent.futures import CancelledError, Executor, Future
from contextlib import suppress
from multiprocessing.connection import Connection
from multiprocessing.process import BaseProcess
from queue import SimpleQueue
from threading import Event, Lock, Thread
from typing import Any, TypeVar

Made = TypeVar("Made")

LESS_URGENT = 2
"""A worker's niceness is higher by this than that of its parent."""
LOOKS_EVERY = 0.1
"""The interval, in seconds, at which a worker's thread checks whether its task is still wanted."""


class WorkerGone(RuntimeError):
    """A worker ended in the midst of a task, perhaps for want of memory."""


class Task(Future[Made]):
    """A task of a worker. Cancelling it ends it even after it has begun."""

    def __init__(self) -> None:
        super().__init__()
        self.given_up = Event()

    def cancel(self) -> bool:
        """Give it up."""
        self.given_up.set()
        return super().cancel()


class Workers(Executor):
    """So many processes, which begin with the first task."""

    def __init__(self, count: int) -> None:
        self._waiting: SimpleQueue[tuple[Task[Any], bytes] | None] = SimpleQueue()
        self._count = count
        self._threads: list[Thread] = []
        self._turn = Lock()
        self._closed = Event()
        context = multiprocessing.get_context("forkserver")
        # Imported once, for all workers to share.
        context.set_forkserver_preload(["__main__", "dicetrail.scouting.work"])
        self._context = context

    def submit(self, fn: Callable[..., Made], /, *args: Any, **kwargs: Any) -> Task[Made]:
        """Hand out a task, which must be a function of a module, and what it is given."""
        packed = pickle.dumps((fn, args, kwargs), pickle.HIGHEST_PROTOCOL)
        task: Task[Made] = Task()
        with self._turn:
            if self._closed.is_set():
                raise RuntimeError("these workers were let go of")
            self._waiting.put((task, packed))
            if len(self._threads) < self._count:
                thread = Thread(target=self._lead, name="leads a worker", daemon=True)
                self._threads.append(thread)
                thread.start()
        return task

    def shutdown(self, wait: bool = True, *, cancel_futures: bool = False) -> None:  # noqa: ARG002
        """Release the workers. Running tasks are ended, waiting ones never begin."""
        with self._turn:
            self._closed.set()
            for _ in self._threads:
                self._waiting.put(None)
        if wait:
            for thread in self._threads:
                thread.join()

    def _lead(self) -> None:
        """Have one worker do one task after the other."""
        worker: _Worker | None = None
        while (found := self._waiting.get()) is not None:
            task, packed = found
            if self._closed.is_set():
                task.cancel()
            if not task.set_running_or_notify_cancel():
                continue
            worker = worker or _Worker(self._context)
            try:
                result = worker.do(packed, task.given_up, self._closed)
            except (EOFError, OSError):
                worker.end()
                worker = None
                task.set_exception(WorkerGone("a worker ended before it was done"))
            except CancelledError as given_up:
                worker.end()
                worker = None
                task.set_exception(given_up)
            except BaseException as error:  # whatever its task raised
                task.set_exception(error)
            else:
                task.set_result(result)
        if worker is not None:
            worker.end()


class _Worker:
    """One process, and the pipe to it."""

    def __init__(self, context: Any) -> None:
        self._pipe, theirs = multiprocessing.Pipe()
        self._process: BaseProcess = context.Process(target=_work, args=(theirs,), daemon=True)
        self._process.start()
        theirs.close()

    def do(self, packed: bytes, given_up: Event, closed: Event) -> Any:
        """The result of a task, or the error it raises."""
        self._pipe.send_bytes(packed)
        while not self._pipe.poll(LOOKS_EVERY):
            if given_up.is_set() or closed.is_set():
                raise CancelledError
        is_done, found = pickle.loads(self._pipe.recv_bytes())
        if is_done:
            return found
        raise found

    def end(self) -> None:
        """End the process, whatever it is doing."""
        self._process.kill()
        self._process.join()
        self._pipe.close()


def _work(pipe: Connection) -> None:
    """Do tasks until the other side is gone, at a low priority so that pages come first."""
    os.nice(LESS_URGENT)
    signal.signal(signal.SIGINT, signal.SIG_IGN)  # the parent is told, and closes
    tasks: SimpleQueue[bytes] = SimpleQueue()
    Thread(target=_hear, args=(pipe, tasks), daemon=True).start()
    while True:
        done = _done(tasks.get())
        with suppress(OSError):
            pipe.send_bytes(done)


def _hear(pipe: Connection, tasks: "SimpleQueue[bytes]") -> None:
    """Hear the tasks that come; end, whatever is being done, once the other side is gone."""
    with suppress(EOFError, OSError):
        while True:
            tasks.put(pipe.recv_bytes())
    os._exit(0)


def _done(packed: bytes) -> bytes:
    try:
        fn, args, kwargs = pickle.loads(packed)
        return pickle.dumps((True, fn(*args, **kwargs)), pickle.HIGHEST_PROTOCOL)
    except Exception as error:
        with suppress(Exception):
            told = pickle.dumps((False, error))
            pickle.loads(told)  # an error that cannot be made again there is told by its name
            return told
        return pickle.dumps((False, RuntimeError(f"{type(error).__name__}: {error}")))
