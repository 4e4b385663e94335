"""The application over a store with the demo, shared by all tests of a class."""

import json
import unittest
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

from fastapi.testclient import TestClient

from dicetrail.demo import load_demo
from dicetrail.store import Database
from dicetrail.web import create_app

ORIGIN = "http://localhost"


class StoreTest(unittest.TestCase):
    """The application over a store that is empty."""

    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        cls.path = Path(folder.name) / "store.sqlite"
        cls.database = Database(cls.path)
        cls.addClassCleanup(cls.database.close)
        cls.app = create_app(cls.database)
        cls.addClassCleanup(cls.app.state.shelf.close)
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
    def setUpClass(cls):
        super().setUpClass()
        load_demo(cls.database, datetime.now(UTC))
