"""What a server keeps of senders who mean nothing: made-up identifiers, and many requests.

`python -m bench.memory` asks a server for 30,000 runs and games that do not exist, then
20,000 times for things that do, and says how its memory grew. It fails beyond 20 MB.
"""

import asyncio
import sys
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from tests.server import Server

MADE_UP, REQUESTS, MAX_MB = 30_000, 20_000, 20
AT_ONCE = 8


def resident_mb(process: int) -> float:
    """The memory a process holds, in megabytes."""
    words = Path(f"/proc/{process}/status").read_text().split("VmRSS:")[1].split()
    return int(words[0]) / 1024


async def asked(address: str, paths: list[str]) -> None:
    """Ask for some paths, a few at a time."""
    waiting = iter(paths)
    async with httpx2.AsyncClient(base_url=address, timeout=30) as http:

        async def go_on() -> None:
            for path in waiting:
                await http.get(path)

        await asyncio.gather(*(go_on() for _ in range(AT_ONCE)))


def main() -> int:
    """Measure and say so; 1 if too much is kept."""
    with TemporaryDirectory() as folder, Server(Path(folder, "store.sqlite"), "--demo") as server:
        real = ["/api/health", "/api/play/games/harvest-supper", "/", "/api/games"]
        asyncio.run(asked(server.address, real * 200))
        before = resident_mb(server.process.pid)
        made_up = [f"/api/play/runs/{number}-{'x' * 100}" for number in range(MADE_UP)]
        asyncio.run(asked(server.address, made_up))
        between = resident_mb(server.process.pid)
        asyncio.run(asked(server.address, real[:3] * (REQUESTS // 3)))
        after = resident_mb(server.process.pid)
    print(f"{MADE_UP:,} made-up runs: {between - before:+.1f} MB")
    print(f"{REQUESTS:,} more requests: {after - between:+.1f} MB")
    return 0 if after - before <= MAX_MB else 1


if __name__ == "__main__":
    sys.exit(main())
