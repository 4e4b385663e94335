"""Whatever a client sends, the server answers with what is asked or with problem details."""

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

VALUES = st.recursive(
    st.none() | st.booleans() | st.integers() | st.floats(allow_nan=False) | st.text(max_size=8),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.text(max_size=6), inner),
    max_leaves=6,
)
ACTIONS = st.fixed_dictionaries(
    {"action": st.sampled_from(["begin", "answer", "answer", "continue", "letter", "fly"])},
    optional={"value": VALUES, "question": VALUES, "char": VALUES, "round": VALUES},
)
PLACES = st.sampled_from(
    (
        *("title", "rounds", "endings", "rounds.0.draw", "rounds.0.draw.count", "rounds.0.packs"),
        *(
            "rounds.0.sums",
            "rounds.0.check",
            "script",
            "cues",
            "endings.0.at_least",
            "endings.0.title",
        ),
    )
)
FUZZ = settings(max_examples=60, suppress_health_check=[HealthCheck.too_slow])


@exhaustive
class TestRobustness(DemoTest):
    @FUZZ
    @given(PLACES, VALUES)
    def test_any_value_anywhere_in_a_document(self, place, value):
        game = self.http.get("/api/games/harvest-supper").json()
        *path, last = place.split(".")
        part = game["document"]
        for step in path:
            part = part[int(step) if step.isdigit() else step]
        before = part[last]
        part[last] = value
        saved = self.send("PUT", "/api/games/harvest-supper", game)
        self.assertEqual(self.http.get("/api/games").status_code, 200)
        self.send("POST", "/api/runs", {"game_id": "harvest-supper"})
        if saved.status_code == 200:
            part[last] = before
            game["revision"] = saved.json()["revision"]
            self.assertEqual(self.send("PUT", "/api/games/harvest-supper", game).status_code, 200)

    @FUZZ
    @given(st.lists(ACTIONS, max_size=6))
    def test_any_actions_in_any_order(self, actions):
        run = self.send("POST", "/api/runs", {"game_id": "harvest-supper", "dice": 1}).json()
        seen = 0
        address = f"/api/runs/{run['id']}/inputs"
        for at, action in enumerate(({"action": "begin"}, *actions)):
            answer = self.send("POST", address, {"seen": seen, "action": action, "at": at})
            is_sound = action in ({"action": "begin"}, {"action": "continue"})
            self.assertTrue(answer.status_code == 200 or not is_sound, answer.text)
            if answer.status_code == 200:
                seen = answer.json()["seen"]
        self.assertEqual(self.http.get(f"/api/runs/{run['id']}").json()["seen"], seen)

    @FUZZ
    @given(VALUES)
    def test_any_question_put_into_a_pack(self, value):
        pack = self.http.get("/api/packs/harvest-supper-questions").json()
        edit = {"row": 0, "remove": 0, "insert": [value]}
        body = {"revision": pack["revision"], "edits": [edit]}
        self.send("POST", "/api/packs/harvest-supper-questions/edits", body)
