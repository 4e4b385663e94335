"""A Dice Trail server in a process of its own, over a store in a folder of its own."""

import re
import subprocess
import sys
from pathlib import Path

import httpx2

SERVE = (sys.executable, "-m", "dicetrail.cli", "serve")


class Server:
    """`dicetrail serve` on a free port. Use as a context manager."""

    def __init__(self, data: Path, *options: str) -> None:
        self.process = subprocess.Popen(
            [*SERVE, "--port", "0", "--data", str(data), *options],
            stdout=subprocess.PIPE,
            text=True,
        )
        for line in self.process.stdout:
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
        self.process.wait()

    def __enter__(self) -> "Server":
        return self

    def __exit__(self, *_: object) -> None:
        self.http.close()
        self.process.terminate()
        self.process.wait()
        self.process.stdout.close()
