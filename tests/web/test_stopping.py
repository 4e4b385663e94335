"""The server stops when it is told to, and keeps what it acknowledged."""

import signal
import socket
import time
import unittest
from contextlib import suppress
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Thread

import httpx2

from dicetrail.cli.serving import ENDS_WITHIN_S
from tests.server import Server
from tests.web.demo import demo_store

PATIENCE_S = 20
"""A machine that is busy with other work takes longer; what hangs would take for ever."""


class TestStopping(unittest.TestCase):
    def test_it_ends_soon_whatever_it_works_on_and_what_was_acknowledged_is_kept(self):
        self.assertLess(ENDS_WITHIN_S, 3)
        with TemporaryDirectory() as folder:
            store = Path(folder, "store.sqlite")
            demo_store(store).close()
            with Server(store) as server:
                made = server.http.post("/api/games", json={"title": "Long", "recipe": "sprint"})
                game = made.json()
                body = {"scouts": [], "revision": None, "document": None, "is_quick": False}
                path = f"/api/games/{game['id']}/foresight/forecast"

                def long():
                    with suppress(httpx2.HTTPError):
                        httpx2.post(server.address + path, json=body, timeout=60)

                def half():
                    host, port = server.address.removeprefix("http://").split(":")
                    with suppress(OSError), socket.create_connection((host, int(port))) as held:
                        held.sendall(b"POST /api/games HTTP/1.1\r\nHost: 127.0.0.1\r\n")
                        held.recv(1)

                acknowledged = [1]

                def edits():
                    document = game["document"]
                    with suppress(httpx2.HTTPError):
                        while True:
                            document = {**document, "title": f"Long {acknowledged[-1]}"}
                            save = {"revision": acknowledged[-1], "document": document}
                            kept = server.http.put(f"/api/games/{game['id']}", json=save)
                            acknowledged.append(kept.json()["revision"])

                for work in (long, half, edits):
                    Thread(target=work, daemon=True).start()
                while len(acknowledged) < 5:
                    time.sleep(0.01)
                server.process.terminate()
                server.process.join(PATIENCE_S)
                self.assertIn(server.process.exitcode, (0, -signal.SIGTERM))
            with Server(store) as server:
                kept = server.http.get(f"/api/games/{game['id']}").json()
                self.assertGreaterEqual(kept["revision"], acknowledged[-1])
