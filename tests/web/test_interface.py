"""The interface is what its description says, whatever is sent.

Requests are made from the OpenAPI document by schemathesis, a general-purpose tester of
interfaces, with identifiers that exist and that do not.
"""

import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance

from tests.web.demo import DemoTest

CHECKS = [not_a_server_error, response_schema_conformance]
WHATEVER = settings(
    max_examples=12,
    suppress_health_check=list(HealthCheck),
    phases=[Phase.explicit, Phase.generate],
)
UNTOUCHED = ("DELETE /api/games/{game_id}",)
"""What would take the demo away from what follows."""


class TestInterface(DemoTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        run = cls.http.post("/api/runs", json={"game_id": "shed-words", "dice": 3}).json()
        play = cls.http.post("/api/play/games/harvest-supper/runs", json={}).json()
        cls.there = {
            "game_id": ["harvest-supper", "slug-patrol"],
            "pack_id": ["harvest-supper-questions"],
            "run_id": [run["id"], play["id"]],
            "number": [1],
            "revision": [1],
            "name": ["ripe"],
            "ending": ["tsv", "json"],
        }
        cls.schema = schemathesis.openapi.from_dict(cls.app.openapi())
        cls.schema.app = cls.app

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
