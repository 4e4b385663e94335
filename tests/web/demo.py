"""The application over a store with the demo, shared by all tests of a class."""

import json
import unittest
from datetime import UTC, datetime
from functools import cache
from pathlib import Path
from tempfile import TemporaryDirectory

from fastapi.testclient import TestClient

from dicetrail.demo import load_demo
from dicetrail.store import Database
from dicetrail.web import create_app

ORIGIN = "http://localhost"
MADE = datetime(2026, 9, 19, tzinfo=UTC)
"""When the demo was put into the stores of tests."""


@cache
def _empty() -> bytes:
    """A store with nothing in it, made once for all tests of a process."""
    with TemporaryDirectory() as folder:
        path = Path(folder) / "store.sqlite"
        Database(path).close()
        return path.read_bytes()


@cache
def _demo() -> bytes:
    """A store with the demo, made once for all tests of a process."""
    with TemporaryDirectory() as folder:
        database = empty_store(path := Path(folder) / "store.sqlite")
        load_demo(database, MADE)
        database.close()
        return path.read_bytes()


def empty_store(path: Path) -> Database:
    """A new store at a path."""
    path.write_bytes(_empty())
    return Database(path)


def demo_store(path: Path) -> Database:
    """A new store with the demo at a path."""
    path.write_bytes(_demo())
    return Database(path)


class StoreTest(unittest.TestCase):
    """The application over a store that is empty."""

    @classmethod
    def open_store(cls, path: Path) -> Database:
        return empty_store(path)

    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.path = Path(folder.name) / "store.sqlite"
        cls.database = cls.open_store(cls.path)
        cls.addClassCleanup(cls.database.close)
        cls.app = create_app(cls.database)
        cls.addClassCleanup(cls.app.state.app_state.close)
        cls.http = TestClient(
            cls.app,
            base_url=ORIGIN,
            headers={"origin": ORIGIN},
            raise_server_exceptions=False,
        )

    def send(self, method, address, body):
        """What was answered, after looking that it is no failure of the server's."""
        headers = {"content-type": "application/json"}
        answer = self.http.request(method, address, content=json.dumps(body), headers=headers)
        self.assertLess(answer.status_code, 500, (address, str(body)[:500], answer.text))
        if answer.status_code >= 400:
            problem = answer.json()
            self.assertEqual(problem["status"], answer.status_code)
            self.assertTrue(problem["detail"])
        return answer


class DemoTest(StoreTest):
    """The application over a store with the demo."""

    @classmethod
    def open_store(cls, path: Path) -> Database:
        return demo_store(path)
