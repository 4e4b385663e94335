"""Two hundred players at once, on one server process of this machine's own loopback.

`python -m bench.players`, or with another number of players, starts a server with the demo,
lets the players play Harvest Supper side by side for a while, kills the server in the middle
as a power cut would, starts it again, and lets every run go on to the end. It fails if
anything was refused or lost, or if fewer than 95 of 100 answers were judged within 50 ms.
Players come within eight seconds, think for two to five and read for one to two, as people do
(common practice, no source).
"""

import asyncio
import os
import random
import sys
import time
from dataclasses import dataclass, field
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from tests.server import Server

PLAYERS = int(sys.argv[1]) if len(sys.argv) > 1 else 200
COMES, THINKS, READS = (0.0, 8.0), (2.0, 5.0), (1.0, 2.0)
PLAYS_FOR = 20.0
"""Seconds of play before the kill, and after it."""

WANTED_MS, WANTED_SHARE = 50, 0.95


@dataclass
class Measured:
    """How long answers took to be judged, in milliseconds, and what went wrong."""

    judged: list[float] = field(default_factory=list)
    asked: int = 0
    """How many requests were answered."""
    computed: float = 0.0
    """Seconds of the server's processor time."""
    faults: list[str] = field(default_factory=list)

    def share(self, within: float = WANTED_MS) -> float:
        """Which share was judged in time."""
        return sum(took < within for took in self.judged) / max(1, len(self.judged))

    def at(self, share: float) -> float:
        """The time within which a share was judged."""
        return sorted(self.judged)[int(share * (len(self.judged) - 1))]


@dataclass
class Player:
    """One player and where their run stands."""

    http: httpx2.AsyncClient
    chances: random.Random
    measured: Measured
    view: dict = field(default_factory=dict)

    async def call(self, method: str, address: str, **body: object) -> bool:
        answer = await self.http.request(method, address, json=body or None)
        if answer.status_code >= 300:
            self.measured.faults.append(f"{answer.status_code} {answer.text[:200]}")
            return False
        self.view = answer.json()
        self.measured.asked += 1
        return True

    async def act(self, **action: object) -> bool:
        address = f"/api/play/runs/{self.view['id']}/inputs"
        return await self.call("POST", address, seen=self.view["seen"], action=action)

    async def start(self) -> None:
        await asyncio.sleep(self.chances.uniform(*COMES))
        await self.call("POST", "/api/play/games/harvest-supper/runs", players=["P"])
        await self.act(action="begin")

    async def play_until(self, end: float) -> None:
        while time.monotonic() < end and self.view["table"]["phase"] != "ended":
            if self.view["table"]["phase"] == "asking":
                await asyncio.sleep(self.chances.uniform(*THINKS))
                choices = len(self.view["table"]["question"]["choices"])
                began = time.perf_counter()
                value = self.chances.randint(1, choices)
                if not await self.act(action="answer", value=value):
                    return
                self.measured.judged.append(1000 * (time.perf_counter() - began))
            else:
                await asyncio.sleep(self.chances.uniform(*READS))
                if not await self.act(action="continue"):
                    return


async def play(server: Server, measured: Measured, views: list[dict] | None) -> list[dict]:
    """Let everybody play for a while, from the start or from where they were."""
    process = server.process.pid or 0
    before = computed(process)
    limits = httpx2.Limits(max_connections=PLAYERS, max_keepalive_connections=PLAYERS)
    async with httpx2.AsyncClient(base_url=server.address, timeout=30, limits=limits) as http:
        players = [Player(http, random.Random(seed), measured) for seed in range(PLAYERS)]
        if views is None:
            await asyncio.gather(*(player.start() for player in players))
        else:
            for player, last in zip(players, views, strict=True):
                await player.call("GET", f"/api/play/runs/{last['id']}")
                if player.view["seen"] != last["seen"]:
                    measured.faults.append(f"{last['id']} lost an input")
        until = time.monotonic() + PLAYS_FOR
        await asyncio.gather(*(player.play_until(until) for player in players))
        measured.computed += computed(process) - before
        return [player.view for player in players]


def computed(process: int) -> float:
    """The processor time a process has used, in seconds."""
    ticks = Path(f"/proc/{process}/stat").read_text().rpartition(")")[2].split()[11:13]
    return sum(map(int, ticks)) / os.sysconf("SC_CLK_TCK")


def stolen() -> tuple[int, int]:
    """The processors' ticks that the host of this machine took for itself, and all ticks."""
    ticks = [int(word) for word in Path("/proc/stat").read_text().split("\n")[0].split()[1:]]
    return ticks[7], sum(ticks[:8])


def main() -> int:
    """Measure and say so; 1 if it is not good enough."""
    measured, (stolen_before, ticks_before) = Measured(), stolen()
    with TemporaryDirectory() as folder:
        data = Path(folder) / "store.sqlite"
        with Server(data, "--demo") as server:
            views = asyncio.run(play(server, measured, None))
            server.kill()
        with Server(data) as server:
            views = asyncio.run(play(server, measured, views))
            scores = server.http.get("/api/games/harvest-supper/runs").json()
    ended = sum(view["table"]["phase"] == "ended" for view in views)
    print(f"{PLAYERS} players, {len(measured.judged)} answers, killed once in the middle")
    print(f"judged within {WANTED_MS} ms: {measured.share():.1%} (wanted {WANTED_SHARE:.0%})")
    each = 1000 * measured.computed / max(1, measured.asked)
    print(f"within 100 ms: {measured.share(100):.1%}; {each:.1f} ms of processor time a request")
    print(f"median {measured.at(0.5):.0f} ms, 95 % {measured.at(0.95):.0f} ms")
    stolen_after, ticks_after = stolen()
    share = (stolen_after - stolen_before) / max(1, ticks_after - ticks_before)
    print(f"meanwhile the machine's host took {share:.0%} of its processors for others")
    print(f"runs known after it: {len(scores)}, ended: {ended}; faults: {len(measured.faults)}")
    for fault in measured.faults[:5]:
        print("  " + fault)
    is_good = not measured.faults and len(scores) == PLAYERS and measured.share() >= WANTED_SHARE
    return 0 if is_good else 1


if __name__ == "__main__":
    sys.exit(main())
