"""The interface is what its description says, whatever is sent.

Requests are made from the OpenAPI document by schemathesis, a general-purpose tester of
interfaces, with identifiers that exist and that do not.
"""

import unittest
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory

import schemathesis
from fastapi.testclient import TestClient
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance

from dicetrail.demo import load_demo
from dicetrail.store import Database
from dicetrail.web import create_app

CHECKS = [not_a_server_error, response_schema_conformance]
WHATEVER = settings(
    max_examples=12,
    suppress_health_check=list(HealthCheck),
    phases=[Phase.explicit, Phase.generate],
)
UNTOUCHED = ("DELETE /api/games/{game_id}",)
"""What would take the demo away from what follows."""


class TestInterface(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        folder = TemporaryDirectory()
        cls.addClassCleanup(folder.cleanup)
        database = Database(Path(folder.name) / "store.sqlite")
        cls.addClassCleanup(database.close)
        load_demo(database, datetime.now(UTC))
        app = create_app(database)
        http = TestClient(app, base_url="http://localhost")
        run = http.post("/api/runs", json={"game_id": "shed-words", "dice": 3}).json()
        play = http.post("/api/play/games/harvest-supper/runs", json={}).json()
        cls.there = {
            "game_id": ["harvest-supper", "slug-patrol"],
            "pack_id": ["harvest-supper-questions"],
            "run_id": [run["id"], play["id"]],
            "number": [1],
            "revision": [1],
            "name": ["ripe"],
            "ending": ["tsv", "json"],
        }
        cls.schema = schemathesis.openapi.from_dict(app.openapi())
        cls.schema.app = app

    def test_no_answer_is_a_failure_and_every_one_has_its_form(self):
        asked = taken = 0
        for found in self.schema.get_all_operations():
            operation = found.ok()
            if operation.label in UNTOUCHED:
                continue

            @WHATEVER
            @given(
                case=operation.as_strategy(),
                real=st.booleans(),
                which=st.integers(0, 9),
            )
            def ask(case, real, which):
                nonlocal asked, taken
                for name, values in self.there.items():
                    if real and name in case.path_parameters:
                        case.path_parameters[name] = values[which % len(values)]
                answer = case.call(base_url="http://localhost")
                case.validate_response(answer, checks=CHECKS)
                asked += 1
                taken += answer.status_code < 400

            with self.subTest(operation=operation.label):
                ask()
        self.assertGreater(asked, 400)
        self.assertGreater(taken, 80, "not only refusals were looked at")
