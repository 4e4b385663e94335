"""Two thousand players of one folder: what they cost a plain server of files.

`python -m bench.crowd`, or with another number of players, has Chromium visit the folder of
Harvest Supper and play it, writes down which files it asks for at the first visit and at the
next, and lets that many players ask for the same of `python -m http.server`, in a process of
its own. Baseline is our server: forty players who play the same game through it. Told are
bytes and processor time per player; it fails where a file did not come whole, or where a
player of the folder costs the host as much computing as one of ours.
"""

import asyncio
import io
import random
import re
import subprocess
import sys
import time
import zipfile
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from bench.players import Measured, Player, computed
from tests.browser.base import open_browser
from tests.server import Server
from tests.static import Files
from tests.web.demo import demo_store

GAME = "harvest-supper"
PLAYERS = int(sys.argv[1]) if len(sys.argv) > 1 else 2000
OURS = 40
AT_ONCE = 64
_BEGIN = "return !!document.querySelector('[data-next]')"
_ASKED = "return performance.getEntriesByType('resource').map((one) => one.name)"


@dataclass
class Cost:
    """What some players cost together."""

    players: int
    asked: int
    sent: int
    """Bytes, heads included."""
    computed: float
    """Seconds of the server's processor time."""
    took: float


def asked_for(folder: Path) -> tuple[list[str], list[str]]:
    """The files a browser asks for at its first visit, and at the next."""
    files, driver = Files(folder), open_browser()
    try:
        visits = []
        for _ in range(2):
            files.asked.clear()
            driver.get(f"{files.address}/{GAME}/")
            until = time.monotonic() + 30
            while not driver.execute_script(_BEGIN) and time.monotonic() < until:
                time.sleep(0.05)
            time.sleep(8)  # what is kept for later has come
            visits.append(list(files.asked))
    finally:
        driver.quit()
        files.close()
    return visits[0], visits[1]


async def ask(port: int, paths: Sequence[str], players: int) -> int:
    """Have players ask for files, many side by side. Tells the bytes that came."""
    free, sent = asyncio.Semaphore(AT_ONCE), 0

    async def player() -> None:
        nonlocal sent
        async with free:
            for path in paths:
                reader, writer = await asyncio.open_connection("127.0.0.1", port, limit=1 << 20)
                writer.write(f"GET {path} HTTP/1.0\r\nHost: localhost\r\n\r\n".encode())
                head = await reader.readuntil(b"\r\n\r\n")
                body, whole = 0, int(re.search(rb"(?i)content-length: (\d+)", head)[1])  # type: ignore[index]
                while got := len(await reader.read(1 << 20)):
                    body += got
                writer.close()
                if b" 200 " not in head.split(b"\r\n")[0] or body != whole:
                    raise RuntimeError(f"{path} did not come whole")
                sent += len(head) + body

    await asyncio.gather(*(player() for _ in range(players)))
    return sent


def of_the_folder(folder: Path, paths: Sequence[str], players: int) -> Cost:
    """What players of a folder cost a server of files."""
    command = [sys.executable, "-u", "-m", "http.server", "0", "--bind", "127.0.0.1"]
    with subprocess.Popen(
        [*command, "--directory", str(folder)],
        stdout=subprocess.PIPE,
        stderr=subprocess.DEVNULL,
        text=True,
    ) as served:
        port = int(re.search(r"port (\d+)", served.stdout.readline())[1])  # type: ignore[union-attr,index]
        before, began = computed(served.pid), time.perf_counter()
        sent = asyncio.run(ask(port, paths, players)) if paths else 0
        cost = Cost(
            players,
            len(paths) * players,
            sent,
            computed(served.pid) - before,
            time.perf_counter() - began,
        )
        served.terminate()
    return cost


async def play_through(address: str, paths: Sequence[str]) -> tuple[int, int]:
    """Forty players of ours, page and game. Tells how often they asked, and the bytes sent."""
    asked, sent = 0, 0

    async def counted(answer: httpx2.Response) -> None:
        nonlocal asked, sent
        asked, sent = asked + 1, sent + len(await answer.aread())

    hooks = {"response": [counted]}
    async with httpx2.AsyncClient(base_url=address, timeout=30, event_hooks=hooks) as http:
        measured = Measured()
        for seed in range(OURS):
            for path in paths:
                await http.get(path)
            player = Player(http, random.Random(seed), measured)
            await player.call("POST", f"/api/play/games/{GAME}/runs", players=["P"])
            await player.act(action="begin")
            while player.view["table"]["phase"] != "ended":
                is_asked = player.view["table"]["phase"] == "asking"
                told = {"action": "answer", "value": 1} if is_asked else {"action": "continue"}
                if not await player.act(**told):
                    raise RuntimeError(measured.faults[0])
    return asked, sent


def of_ours(server: Server) -> Cost:
    """What players cost who play on our server."""
    driver = open_browser()
    try:
        driver.get(f"{server.address}/play/{GAME}")
        time.sleep(3)
        page = [name.removeprefix(server.address) for name in driver.execute_script(_ASKED)]
    finally:
        driver.quit()
    paths = [f"/play/{GAME}", *(path for path in page if path.startswith("/assets"))]
    process = server.process.pid or 0
    before, began = computed(process), time.perf_counter()
    asked, sent = asyncio.run(play_through(server.address, paths))
    took = time.perf_counter() - began
    return Cost(OURS, asked, sent, computed(process) - before, took)


def main() -> None:
    """Measure all, print them side by side, and fail where the folder is no gain."""
    with TemporaryDirectory() as held:
        store = Path(held, "store.sqlite")
        demo_store(store).close()
        folder = Path(held, "folder")
        with Server(store) as server:
            archive = server.http.get(f"/api/games/{GAME}/folder", timeout=60).content
            zipfile.ZipFile(io.BytesIO(archive)).extractall(folder)
            ours = of_ours(server)
        first, again = asked_for(folder)
        costs = {
            "our server": ours,
            "folder, first visit": of_the_folder(folder, first, PLAYERS),
            "folder, next visit": of_the_folder(folder, again, PLAYERS),
        }
    heads = {"players": 8, "asked": 8, "kB": 10, "cpu, ms": 10, "ratio": 8, "all, s": 8}
    print(f"{'per player':22}" + "".join(f"{head:>{wide}}" for head, wide in heads.items()))
    base = ours.computed / ours.players
    for name, cost in costs.items():
        asked, sent, each = (of / cost.players for of in (cost.asked, cost.sent, cost.computed))
        told = f"{name:22}{cost.players:8}{asked:8.1f}{sent / 1000:10.1f}"
        print(f"{told}{1000 * each:10.1f}{each / base:8.2f}{cost.took:8.1f}", flush=True)
    if any(cost.computed / cost.players >= base for cost in costs.values() if cost is not ours):
        sys.exit("a player of the folder costs its host as much as one of ours")


if __name__ == "__main__":
    main()
