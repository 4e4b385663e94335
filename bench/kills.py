"""A server killed a hundred times, as by power cuts, while makers and players work.

`python -m bench.kills` lets a maker save a game, edit a pack and import games, and a player answer,
without pause. It kills the server at a random moment, starts it again and checks that everything
acknowledged is there. Then it kills servers while they restore a shelf: afterwards either nothing
of the shelf is there or all of it. It fails if anything is lost.
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
RESTORES = 20
"""So many servers are killed amid a restore."""
GAME = "/api/games/harvest-supper"
PLAY = "/api/play/games/harvest-supper/runs"
PACK = "/api/packs/shed-words"


def saves(http: httpx2.Client) -> Iterator[int]:
    """The revisions of a game that is saved again and again, as they are acknowledged."""
    game = http.get(GAME).json()
    while True:
        game["document"]["title"] = f"Supper {game['revision'] + 1}"
        game = http.put(GAME, json=game).json()
        yield game["revision"]


def edits(http: httpx2.Client) -> Iterator[int]:
    """The revisions of a pack that is edited again and again, as they are acknowledged."""
    pack = http.get(PACK).json()
    question, revision = pack["questions"][0], pack["revision"]
    while True:
        question["details"]["note"] = f"Edit {revision + 1}"
        edit = {"row": 0, "remove": 1, "insert": [question]}
        body = {"revision": revision, "edits": [edit]}
        revision = http.post(f"{PACK}/edits", json=body).json()["revision"]
        yield revision


def imports(http: httpx2.Client, made: list[str]) -> Iterator[int]:
    """How many games were made of a game file, as they are acknowledged; `made` names them."""
    content = http.get(f"{GAME}/file").content
    while True:
        files = {"file": ("supper.json", content)}
        made.append(http.post("/api/game-files", files=files).json()["id"])
        yield len(made)


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


def killed_at_work(chances: random.Random) -> tuple[int, int]:
    """What was acknowledged amid kills, and how much of it was lost."""
    lost = acknowledged = 0
    with TemporaryDirectory() as folder:
        data = Path(folder, "store.sqlite")
        before: dict[str, int] = {}
        for number in range(KILLS + 1):
            with Server(data, *(["--demo"] if not number else [])) as server:
                for address, count in before.items():
                    view = server.http.get(address).json()
                    if view.get("seen", view.get("revision", 0)) < count:
                        lost += 1
                run: dict[str, str] = {}
                made: list[str] = []
                works = {
                    GAME: kept_up(saves, server),
                    PACK: kept_up(edits, server),
                    "imports": kept_up(lambda http, made=made: imports(http, made), server),
                    "run": kept_up(lambda http, run=run: inputs(http, run), server),
                }
                time.sleep(chances.uniform(0.4, 2.2))
                server.kill()
                before = {address: works[address][-1] for address in (GAME, PACK) if works[address]}
                before |= {f"/api/games/{name}": 1 for name in made[: len(works["imports"])]}
                if works["run"]:
                    before[f"/api/play/runs/{run['run']}"] = works["run"][-1]
                acknowledged += sum(map(len, works.values()))
    return acknowledged, lost


def killed_at_restoring(chances: random.Random) -> tuple[int, int]:
    """How many restores were acknowledged amid kills, and how many left a part of a shelf."""
    lost = acknowledged = 0
    with TemporaryDirectory() as folder:
        with Server(Path(folder, "demo.sqlite"), "--demo") as server:
            shelf = server.http.get("/api/backup").content
            whole = len(server.http.get("/api/games").json())
        for number in range(RESTORES):
            data = Path(folder, f"{number}.sqlite")
            with Server(data) as server:
                done = kept_up(lambda http: restores(http, shelf), server)
                time.sleep(chances.uniform(0.2, 3.0))
                server.kill()
            with Server(data) as server:
                there = len(server.http.get("/api/games").json())
                packs = len(server.http.get("/api/packs").json())
            acknowledged += len(done)
            lost += (
                there not in (0, whole) or bool(packs) != bool(there) or there < whole * len(done)
            )
    return acknowledged, lost


def restores(http: httpx2.Client, shelf: bytes) -> Iterator[int]:
    """One restore, as it is acknowledged."""
    answer = http.post("/api/backup", files={"file": ("shelf.sqlite", shelf)}, timeout=60)
    if answer.is_success:
        yield 1


def main() -> int:
    """Kill and look; 1 if anything was lost."""
    chances = random.Random(8)
    acknowledged, lost = killed_at_work(chances)
    print(f"{KILLS} kills, {acknowledged:,} saves, edits, imports and answers, {lost} lost")
    restored, parts = killed_at_restoring(chances)
    print(f"{RESTORES} kills amid a restore, {restored} acknowledged, {parts} lost or in parts")
    return 1 if lost or parts else 0


if __name__ == "__main__":
    sys.exit(main())
