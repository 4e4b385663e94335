"""What it costs to judge one answer, beside what the same stack costs to write one row.

Both are called as a server calls an application, without a network between, and processor
time is counted: it does not depend on what else the machine does.
"""

import asyncio
import gzip
import json
import time
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Annotated, Any

from fastapi import FastAPI
from pydantic import BaseModel, Field

from dicetrail.core import Answer
from dicetrail.demo import load_demo
from dicetrail.store import Database, Place
from dicetrail.store.games import newest_game
from dicetrail.store.models import RunInput
from dicetrail.store.runs import add_run
from dicetrail.web import create_app

GAME = "harvest-supper"
RUNS, MAX_ANSWERS = 60, 400


class Client:
    """Calls an application, and counts the processor time of it."""

    def __init__(self, app: FastAPI) -> None:
        self.app = app
        self.spent: list[float] = []

    async def post(self, path: str, body: object) -> Any:
        content = json.dumps(body).encode()
        headers = [
            (b"host", b"localhost"),
            (b"content-type", b"application/json"),
            (b"accept-encoding", b"gzip, deflate, br"),
            (b"origin", b"http://localhost"),
        ]
        scope = {
            "type": "http",
            "http_version": "1.1",
            "method": "POST",
            "scheme": "http",
            "path": path,
            "raw_path": path.encode(),
            "query_string": b"",
            "root_path": "",
            "headers": headers,
            "client": ("127.0.0.1", 9),
            "server": ("localhost", 80),
        }
        answer, is_packed = bytearray(), False

        async def receive() -> dict[str, Any]:
            return {"type": "http.request", "body": content, "more_body": False}

        async def send(message: dict[str, Any]) -> None:
            nonlocal is_packed
            is_packed |= (b"content-encoding", b"gzip") in message.get("headers", ())
            answer.extend(message.get("body", b""))

        began = time.process_time()
        await self.app(scope, receive, send)
        self.spent.append(time.process_time() - began)
        return json.loads(gzip.decompress(answer) if is_packed else answer)

    @property
    def typical(self) -> float:
        """The median time of a call, in seconds."""
        return sorted(self.spent)[len(self.spent) // 2]


class _Row(BaseModel):
    number: Annotated[int, Field(ge=0)]


def bare(database: Database) -> FastAPI:
    """An application of the same stack that writes one row, and no more."""
    app = FastAPI()

    @app.post("/rows")
    def write(row: _Row) -> _Row:
        with database.writing() as session:
            action = Answer(row.number)
            session.add(RunInput(run_id=app.state.run, number=row.number, action=action, at=0))
        return row

    return app


async def measured() -> tuple[float, float]:
    """The seconds of a processor for one row written, and for one answer judged."""
    with TemporaryDirectory() as folder:
        database = Database(Path(folder, "store.sqlite"))
        load_demo(database, datetime.now(UTC))
        judge, plain = Client(create_app(database)), Client(bare(database))
        for number in range(RUNS):
            run = await judge.post(f"/api/play/games/{GAME}/runs", {"players": ["P"]})
            address = f"/api/play/runs/{run['id']}/inputs"
            run = await judge.post(address, {"seen": 0, "action": {"action": "begin"}})
            with database.writing() as session:
                game = newest_game(session, GAME)
                row = add_run(session, game, {}, 1, ("P",), Place.TABLE, datetime.now(UTC))
                plain.app.state.run = row.id
            if number == RUNS // 10:
                judge.spent.clear()
                plain.spent.clear()
            judge.spent = judge.spent[:-2] if number > RUNS // 10 else judge.spent
            turn = 0
            while run["table"]["phase"] != "ended" and len(judge.spent) < MAX_ANSWERS:
                asking = run["table"]["phase"] == "asking"
                action = {"action": "answer", "value": 1} if asking else {"action": "continue"}
                run = await judge.post(address, {"seen": run["seen"], "action": action})
                if not asking:
                    judge.spent.pop()
                    continue
                await plain.post("/rows", {"number": turn})
                turn += 1
        database.close()
    return plain.typical, judge.typical


def main() -> None:
    """Say both, and their ratio."""
    row, answer = asyncio.run(measured())
    print(
        f"one row written {row * 1000:.2f} ms of processor time, "
        f"one answer judged {answer * 1000:.2f} ms: {answer / row:.1f} times"
    )


if __name__ == "__main__":
    main()
