"""A Dice Trail server in a process of its own, over a store in a folder of its own."""

import multiprocessing
import os
import re
import sys
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from tests.served import serve

SERVE = (sys.executable, "-m", "dicetrail.cli", "serve")
_FORKED = multiprocessing.get_context("forkserver")
_FORKED.set_forkserver_preload(["tests.served"])


class Server:
    """`dicetrail serve` on a free port. Use as a context manager."""

    def __init__(self, data: Path, *options: str) -> None:
        with TemporaryDirectory() as folder:
            pipe = Path(folder, "printed")
            os.mkfifo(pipe)
            told = ("--port", "0", "--data", str(data), *options)
            self.process = _FORKED.Process(target=serve, args=(pipe, told))
            self.process.start()
            self.printed = pipe.open()
        for line in self.printed:
            if found := re.search(r"http://\S+:\d+", line):
                self.address = found[0]
                break
        else:
            raise RuntimeError("the server did not start")
        self.http = httpx2.Client(
            base_url=self.address, timeout=30, headers={"origin": self.address}
        )

    def kill(self) -> None:
        """End the process at once, as a power cut would."""
        self.process.kill()
        self.process.join()

    def __enter__(self) -> "Server":
        return self

    def __exit__(self, *_: object) -> None:
        self.http.close()
        self.process.terminate()
        self.process.join()
        self.printed.close()
