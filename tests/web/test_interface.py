"""The interface is what its description says, whatever is sent.

Requests are made from the OpenAPI document by schemathesis, a general-purpose tester of
interfaces, as the document allows them and as it does not, with identifiers that exist and
that do not. `make fuzz` asks for longer.
"""

import logging
import os
from typing import ClassVar

import schemathesis
from hypothesis import HealthCheck, Phase, given, seed, settings
from hypothesis import strategies as st
from schemathesis.checks import CHECKS
from schemathesis.generation import GenerationMode

from tests.exhaustive import exhaustive
from tests.web.demo import ORIGIN, DemoTest, StoreTest

TIMES = int(os.environ.get("FUZZ", "6"))
"""How often each operation is asked in each way."""

WHATEVER = settings(
    max_examples=TIMES,
    deadline=None,
    suppress_health_check=list(HealthCheck),
    phases=[Phase.explicit, Phase.generate],
)
UNTOUCHED = ("DELETE /api/games/{game_id}",)
"""What would take the demo away from what follows."""

ONE_BY_ONE = {"use_after_free", "ensure_resource_availability", "object_level_authorization"}
"""Checks of several requests together, which are not made here; tests/attack does."""

IN_WORDS = {"positive_data_acceptance"}
"""What a schema allows can still be refused, for a reason told in words: a file that holds no
questions, a script with a fault, edits of an older revision. Such answers are looked at here."""

# It tells of every form that is broken, which is what is sent here.
logging.getLogger("python_multipart").setLevel(logging.ERROR)

NAMES = set(CHECKS.get_all_names()) - ONE_BY_ONE - IN_WORDS
EVERY = [CHECKS.get_one(name) for name in sorted(NAMES)]


class InterfaceTest(StoreTest):
    there: ClassVar[dict[str, list]] = {}

    def ask_everything(self) -> tuple[int, int]:
        """Ask every operation, as allowed and not; how often, and how often it was taken."""
        schema = schemathesis.openapi.from_dict(self.app.openapi())
        schema.app = self.app
        self.asked = self.taken = 0
        for found in schema.get_all_operations():
            operation = found.ok()
            if operation.label in UNTOUCHED:
                continue
            for mode in _modes(operation):
                with self.subTest(operation=operation.label, mode=mode.value):
                    self.ask(operation, mode)
        return self.asked, self.taken

    def ask(self, operation, mode):
        cases = operation.as_strategy(generation_mode=mode)

        @WHATEVER
        @seed(0)
        @given(case=cases, real=st.booleans(), which=st.integers(0, 9))
        def one(case, real, which):
            for name, values in self.there.items():
                if real and mode is GenerationMode.POSITIVE and name in case.path_parameters:
                    case.path_parameters[name] = values[which % len(values)]
            answer = case.call(base_url=ORIGIN, headers={"origin": ORIGIN}, timeout=60)
            case.validate_response(answer, checks=EVERY)
            if answer.status_code >= 400:
                problem = answer.json()
                self.assertEqual(problem["status"], answer.status_code)
                self.assertTrue(problem["detail"])
                self.assertTrue(answer.status_code != 422 or problem["problems"], problem)
            self.asked += 1
            self.taken += answer.status_code < 400

        one()


def _modes(operation):
    """As allowed; and as not, where it takes more than words, which are all allowed."""
    said = operation.definition.raw
    takes = [given["schema"] for given in said.get("parameters", [])]
    if "requestBody" in said or any(set(given) - {"type", "title"} for given in takes):
        return GenerationMode
    return (GenerationMode.POSITIVE,)


@exhaustive
class TestTheDemo(InterfaceTest, DemoTest):
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

    def test_every_answer_is_as_described(self):
        asked, taken = self.ask_everything()
        self.assertGreater(asked, 400)
        self.assertGreater(taken, 100, "not only refusals were looked at")


@exhaustive
class TestAnEmptyStore(InterfaceTest):
    def test_every_answer_is_as_described(self):
        asked, taken = self.ask_everything()
        self.assertGreater(asked, 400)
        self.assertGreater(taken, 25, "not only refusals were looked at")


del StoreTest, InterfaceTest, DemoTest  # their tests are run by those who inherit them
