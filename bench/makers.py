"""Players while makers ask for much: how long an answer waits beside eight heavy requests at once.

`python -m bench.makers` starts a server with the demo and 4,000 runs of answers, and lets a few
players play while eight requests of one kind go on, begun anew as they end: folders, packages,
evidence, answers as a file, forecasts, kept runs, loads, saved shelves. Baseline is the same play
while nobody asks for anything. It fails where fewer than 95 of 100 answers came within 200 ms.
"""

import asyncio
import json
import random
import sys
import time
from collections.abc import Awaitable, Callable
from contextlib import suppress
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from bench.players import Measured, Player
from tests.server import Server
from tests.web.demo import demo_store

GAME, RUNS, AT_ONCE, PLAYERS = "harvest-supper", 4_000, 8, 10
PLAYS_FOR, PAUSE = 12.0, (0.2, 0.6)
WANTED_MS, WANTED_SHARE = 200, 0.95
Ask = Callable[[httpx2.AsyncClient], Awaitable[httpx2.Response]]

_AT = f"/api/games/{GAME}"
_SCOUTS = {"scouts": [{"name": "a", "right": [60, 55, 50, 45, 40]}]}
_ROWS = "question\tright\twrong\n" + "".join(
    f"What stands in bed {n}?\tCarrot {n}\tBean {n}\n" for n in range(60_000)
)

HEAVY: dict[str, Ask | None] = {
    "nobody": None,
    "folders": lambda http: http.get(f"{_AT}/folder"),
    "packages": lambda http: http.get(f"{_AT}/package"),
    "take away": lambda http: http.get(f"{_AT}/takeaways"),
    "evidence": lambda http: http.get(f"{_AT}/evidence"),
    "answers": lambda http: http.get(f"{_AT}/evidence/answers.csv"),
    "forecasts": lambda http: http.post(f"{_AT}/foresight/forecast", json=_SCOUTS),
    "kept runs": lambda http: http.post(f"{_AT}/kept/ready"),
    "loads": lambda http: http.post("/api/loads", files={"file": ("beds.tsv", _ROWS.encode())}),
    "shelf saved": lambda http: http.get("/api/backup"),
}


def many_runs(lines: list[str]) -> bytes:
    """So many runs, made of those there are under other names."""
    made = []
    for number in range(RUNS):
        run = json.loads(lines[number % len(lines)])
        made.append(json.dumps(run | {"run": f"run-{number}"}))
    return "\n".join(made).encode()


async def players(http: httpx2.AsyncClient, measured: Measured) -> None:
    """Let some players play for a while, one game after the other."""
    until = time.monotonic() + PLAYS_FOR

    async def plays(seed: int) -> None:
        player = Player(http, random.Random(seed), measured)
        while time.monotonic() < until:
            await player.call("POST", f"/api/play/games/{GAME}/runs", players=["P"])
            await player.act(action="begin")
            while player.view["table"]["phase"] != "ended" and time.monotonic() < until:
                await asyncio.sleep(player.chances.uniform(*PAUSE))
                is_asked = player.view["table"]["phase"] == "asking"
                told = {"action": "answer", "value": 1} if is_asked else {"action": "continue"}
                began = time.perf_counter()
                if not await player.act(**told):
                    return
                measured.judged.append(1000 * (time.perf_counter() - began))

    await asyncio.gather(*(plays(seed) for seed in range(PLAYERS)))


async def beside(server: Server, ask: Ask | None) -> tuple[Measured, int]:
    """Players while so many requests of a kind go on; how many of these were answered."""
    measured, count = Measured(), 0
    headers = {"x-dice-trail": "bench"}
    async with httpx2.AsyncClient(base_url=server.address, timeout=120, headers=headers) as http:

        async def asks(ask: Ask) -> None:
            nonlocal count
            while True:
                answer = await ask(http)
                count += 1
                if answer.status_code >= 400 and answer.status_code not in (429, 503):
                    measured.faults.append(f"{answer.status_code} {answer.text[:200]}")
                    return

        busy = [asyncio.create_task(asks(ask)) for _ in range(AT_ONCE)] if ask else []
        await asyncio.sleep(0.5)
        await players(http, measured)
        for task in busy:
            task.cancel()
            with suppress(asyncio.CancelledError):
                await task
    return measured, count


def main() -> int:
    """Measure and say so; 1 if players waited."""
    is_good = True
    kinds = [name for name in HEAVY if not sys.argv[1:] or name in (*sys.argv[1:], "nobody")]
    with TemporaryDirectory() as folder:
        data = Path(folder) / "store.sqlite"
        demo_store(data).close()
        with Server(data) as server:
            lines = server.http.get(f"{_AT}/evidence/answers.jsonl").text.splitlines()
            sent = {"file": ("runs.jsonl", many_runs(lines))}
            taken = server.http.post(f"{_AT}/evidence/answers", files=sent, timeout=120)
            print(f"{taken.json()['taken']} runs of answers; {AT_ONCE} requests at once")
            head = f"{'beside':12}{'done':>6}{'answers':>9}{'median':>8}{'95 %':>8}{'worst':>8}"
            print(head + f"{'in time':>9}")
            for name in kinds:
                measured, count = asyncio.run(beside(server, HEAVY[name]))
                share = measured.share(WANTED_MS)
                is_good = is_good and share >= WANTED_SHARE and not measured.faults
                told = f"{name:12}{count:6}{len(measured.judged):9}"
                for at in (0.5, 0.95, 1.0):
                    told += f"{measured.at(at):8.0f}"
                print(f"{told}{share:9.1%}", flush=True)
                for fault in measured.faults[:3]:
                    print("  " + fault)
    return 0 if is_good else 1


if __name__ == "__main__":
    sys.exit(main())
