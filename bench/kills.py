"""A server killed a hundred times, as by power cuts, while it saves and judges.

`python -m bench.kills` lets a maker save and a player answer without pause, kills the server at
a moment drawn by chance, starts it again and looks whether anything it acknowledged is gone.
It fails if anything is.
"""

import random
import sys
import threading
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from tests.server import Server

KILLS = 100
GAME = "/api/games/harvest-supper"
PLAY = "/api/play/games/harvest-supper/runs"


def saves(http: httpx2.Client) -> Iterator[int]:
    """The revisions of a game that is saved again and again, as they are acknowledged."""
    game = http.get(GAME).json()
    while True:
        game["document"]["title"] = f"Supper {game['revision'] + 1}"
        game = http.put(GAME, json=game).json()
        yield game["revision"]


def inputs(http: httpx2.Client, told: dict[str, str]) -> Iterator[int]:
    """How many inputs of a new run are taken, as they are acknowledged."""
    run = http.post(PLAY, json={}).json()
    told["run"] = run["id"]
    action: dict[str, object] = {"action": "begin"}
    while run["table"]["phase"] != "ended":
        body = {"seen": run["seen"], "action": action}
        run = http.post(f"/api/play/runs/{run['id']}/inputs", json=body).json()
        yield run["seen"]
        is_asking = run["table"]["phase"] == "asking"
        action = {"action": "answer", "value": 1} if is_asking else {"action": "continue"}


def kept_up(acknowledged: Callable[[httpx2.Client], Iterator[int]], server: Server) -> list[int]:
    """The numbers something acknowledges until the server is gone, the last one last."""
    found: list[int] = []

    def work() -> None:
        own = {"origin": server.address}
        try:
            with httpx2.Client(base_url=server.address, headers=own) as http:
                for number in acknowledged(http):
                    found.append(number)  # at once, for the server may be gone the next moment
        except (httpx2.HTTPError, KeyError, ValueError):
            return

    threading.Thread(target=work, daemon=True).start()
    return found


def main() -> int:
    """Kill and look; 1 if anything was lost."""
    chances, lost, acknowledged = random.Random(8), 0, 0
    with TemporaryDirectory() as folder:
        data = Path(folder, "store.sqlite")
        before: dict[str, int] = {}
        for number in range(KILLS + 1):
            with Server(data, *(["--demo"] if not number else [])) as server:
                for address, count in before.items():
                    view = server.http.get(address).json()
                    if view.get("seen", view.get("revision", 0)) < count:
                        lost += 1
                told: dict[str, str] = {}
                saved = kept_up(saves, server)
                taken = kept_up(lambda http, told=told: inputs(http, told), server)
                time.sleep(chances.uniform(0.4, 2.2))
                server.kill()
                before = {GAME: saved[-1]} if saved else {}
                if taken:
                    before[f"/api/play/runs/{told['run']}"] = taken[-1]
                acknowledged += len(saved) + len(taken)
    print(f"{KILLS} kills, {acknowledged:,} saves and answers acknowledged, {lost} lost")
    return 1 if lost else 0


if __name__ == "__main__":
    sys.exit(main())
