"""Facts over the wire: loaded, edited, asked about, played, and carried in a game file."""

import time
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

from fastapi.testclient import TestClient

from dicetrail.web import create_app
from tests.web.demo import empty_store

BEDS = "plant,family,leaf\nCarrot,Umbel,a.svg\nParsnip,Umbel\nBeet,Goosefoot\nKale,Cabbage\n"


class FactsTest(unittest.TestCase):
    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        database = empty_store(Path(folder.name) / "store.sqlite")
        self.addCleanup(database.close)
        app = create_app(database)
        self.addCleanup(app.state.app_state.close)
        self.http = TestClient(app, "http://localhost", headers={"origin": "http://localhost"})

    def call(self, method, address, status=200, **given):
        answer = self.http.request(method, address, **given)
        self.assertEqual(answer.status_code, status, (address, answer.text[:400]))
        return answer.json() if answer.content else None

    def load(self, text, target=None, name="beds.csv", mend=None):
        """Load a text as facts; what came of it."""
        held = self.call("POST", "/api/loads", 201, files={"file": (name, text.encode())})
        at = f"/api/loads/{held['id']}"
        held = self.call("POST", f"{at}/guess", json={"contents": "facts"})
        if mend:
            body = {"plan": held["plan"], "mended": mend}
            held = self.call("POST", f"{at}/look", json=body)
        self.call("POST", f"{at}/take", 202, json={"target": target or {}})
        while (came := self.call("GET", f"{at}/progress"))["stage"] in ("reading", "writing"):
            time.sleep(0.02)
        return held, came


class TestFacts(FactsTest):
    def test_a_table_is_loaded_edited_and_added_to_by_its_columns(self):
        held, came = self.load(BEDS + "Swede,Cabbage,x,too much\n")
        self.assertEqual(held["question_count"], 4)
        self.assertEqual(held["facts"]["columns"], ["plant", "family", "leaf"])
        self.assertIn("4 cells where 3 columns are", held["refused"][0]["what"])
        _, came = self.load(BEDS + "Swede,Cabbage,x,too much\n", mend={6: ["Swede", "Cabbage", ""]})
        pack = came["pack_id"]
        view = self.call("GET", f"/api/packs/{pack}")
        self.assertEqual((view["question_count"], view["columns"][0]), (5, "plant"))
        self.assertEqual(view["rows"][1], ["Parsnip", "Umbel", ""])
        edits = [{"row": 0, "remove": 1, "insert": [["Chard", "Goosefoot", ""], ["Pea", "", ""]]}]
        saved = self.call(
            "POST", f"/api/packs/{pack}/facts-edits", json={"revision": 1, "edits": edits}
        )
        self.assertEqual((saved["revision"], saved["question_count"]), (2, 6))
        stale = self.http.post(
            f"/api/packs/{pack}/facts-edits", json={"revision": 1, "edits": edits}
        )
        self.assertEqual(stale.status_code, 412)
        wanted = [{"name": "kin", "was": 1}, {"name": "plant", "was": 0}, {"name": "bed"}]
        self.call("POST", f"/api/packs/{pack}/columns", json={"revision": 2, "columns": wanted})
        self.load("Plant,soil\nOnion,light\n", {"into": "add", "pack_id": pack})
        view = self.call("GET", f"/api/packs/{pack}")
        self.assertEqual(view["columns"], ["kin", "plant", "bed", "soil"])
        self.assertEqual(view["rows"][0], ["Goosefoot", "Chard", ""])
        self.assertEqual(view["rows"][-1], ["", "Onion", "", "light"])
        first = self.call("GET", f"/api/packs/{pack}/revisions/1/rows?first=1&most=2")
        self.assertEqual([row[0] for row in first], ["Parsnip", "Beet"])
        for ending in ("csv", "tsv", "xlsx", "json", "yaml"):
            answer = self.http.get(f"/api/packs/{pack}/questions.{ending}")
            self.assertEqual(answer.status_code, 200, ending)

    def test_what_cannot_be_facts_is_told_and_changes_nothing(self):
        _, came = self.load(BEDS)
        before = self.call("GET", "/api/packs")
        for name, text, target, words in (
            ("q.txt", "What is a root?\n\na) Carrot *\nb) Pea\n", {}, None),
            ("none.csv", "plant,family\n", {}, "no row of it is filled in"),
        ):
            with self.subTest(name):
                held = self.call("POST", "/api/loads", 201, files={"file": (name, text.encode())})
                at = f"/api/loads/{held['id']}"
                guessed = self.http.post(f"{at}/guess", json={"contents": "facts"})
                if words is None:
                    self.assertEqual(guessed.status_code, 422, guessed.text)
                    continue
                _, came = self.load(text, target, name)
                self.assertIn(words, came["problem"]["what"])
        many = "n,m\n" + "".join(f"{n},x\n" for n in range(20_001))
        _, came = self.load(many)
        self.assertIn("20,001 rows, and facts have 20,000 at most", came["problem"]["what"])
        questions = {"file": ("q.tsv", b"Root?\tCarrot\tPea\nLeaf?\tKale\tBeet\n")}
        held = self.call("POST", "/api/loads", 201, files=questions)
        body = {"target": {"into": "add", "pack_id": before[0]["id"]}}
        self.call("POST", f"/api/loads/{held['id']}/take", 202, json=body)
        address = f"/api/loads/{held['id']}/progress"
        while (came := self.call("GET", address))["stage"] in ("reading", "writing"):
            time.sleep(0.02)
        self.assertIn("holds facts", came["problem"]["what"])
        self.assertEqual(self.call("GET", "/api/packs"), before)

    def test_a_game_of_facts_is_made_played_kept_and_carried_away(self):
        _, came = self.load(BEDS)
        pack = came["pack_id"]
        game = self.call("POST", "/api/games", 201, json={"title": "Beds", "packs": [pack]})
        self.assertEqual([p["what"] for p in game["problems"] if p["severity"] == "fault"], [])
        (pattern,) = game["document"]["rounds"][0]["patterns"]
        self.assertEqual(pattern["prompt"], "Which family goes with “{plant}”?")
        self.assertEqual((game["pools"], game["packs"][0]["id"]), ([4], pack))
        wanted = {"pattern": pattern, "dice": 5}
        look = self.call("POST", "/api/packs/pattern-looks", json=wanted)
        self.assertEqual((look["question_count"], len(look["questions"])), (4, 4))
        self.assertEqual(look["reverse"]["answer"], "plant")
        self.assertEqual(look["recurring"][0]["column"], "family")
        run = self.call("POST", "/api/runs", 201, json={"game_id": game["id"], "dice": 5})
        begun = {"action": {"action": "begin"}, "at": 0, "seen": 0}
        run = self.call("POST", f"/api/runs/{run['id']}/inputs", json=begun)
        first = run["steps"][-1]["table"]["question"]
        edits = [{"row": 0, "remove": 4, "insert": [["Oak", "Beech", ""], ["Ash", "Olive", ""]]}]
        self.call("POST", f"/api/packs/{pack}/facts-edits", json={"revision": 1, "edits": edits})
        again = self.call("GET", f"/api/runs/{run['id']}")
        self.assertEqual(again["steps"][-1]["table"]["question"], first, "a run keeps its facts")
        file = self.http.get(f"/api/games/{game['id']}/file").content
        made = self.call("POST", "/api/game-files", 201, files={"file": ("beds.json", file)})
        self.assertNotEqual(made["packs"][0]["id"], pack)
        (pattern,) = made["document"]["rounds"][0]["patterns"]
        self.assertEqual(pattern["facts"], made["packs"][0]["id"])
        self.assertEqual(made["pools"], [2])


class TestPacksKept(FactsTest):
    """Packs worth keeping: described, copied, joined, split, taken off the shelf."""

    def bring(self, name, text):
        held = self.call("POST", "/api/loads", 201, files={"file": (name, text.encode())})
        at = f"/api/loads/{held['id']}"
        self.call("POST", f"{at}/take", 202, json={"target": {}})
        while (came := self.call("GET", f"{at}/progress"))["stage"] in ("reading", "writing"):
            time.sleep(0.02)
        return came["pack_id"]

    def prompts(self, pack):
        questions = self.call("GET", f"/api/packs/{pack}")["questions"]
        return [question["prompt"] for question in questions]

    def test_packs_are_described_copied_joined_split_and_put_back(self):
        roots = self.bring("roots.tsv", "Red root?\tBeet\tPea\nOrange root?\tCarrot\tPea\n")
        pods = self.bring("pods.tsv", "A pod?\tPea\tBeet\nA climbing pod?\tBean\tBeet\n")
        about = {"revision": 1, "title": "Roots", "tags": ["Spring", " spring ", "beds"]}
        self.call("POST", f"/api/packs/{roots}/about", json=about)
        self.call("POST", f"/api/packs/{roots}/about", 412, json=about)
        copy = self.call("POST", f"/api/packs/{roots}/copies", 201)
        self.assertEqual(copy["tags"], ["spring", "beds"])
        self.assertEqual(self.prompts(copy["id"]), self.prompts(roots))
        both = self.call(
            "POST", "/api/packs/joins", 201, json={"title": "Both", "packs": [pods, roots]}
        )
        self.assertEqual(self.prompts(both["id"]), [*self.prompts(pods), *self.prompts(roots)])
        split = {"revision": both["revision"], "title": "Two", "rows": [1, 3]}
        two = self.call("POST", f"/api/packs/{both['id']}/splits", 201, json=split)
        self.assertEqual(self.prompts(two["id"]), ["A climbing pod?", "Orange root?"])
        self.assertEqual(self.prompts(both["id"]), ["A pod?", "Red root?"])
        self.call("POST", f"/api/packs/{both['id']}/splits", 412, json=split)
        game = self.call("POST", "/api/games", 201, json={"title": "G", "packs": [roots]})
        self.call("DELETE", f"/api/packs/{roots}", 204)
        self.assertNotIn(roots, [pack["id"] for pack in self.call("GET", "/api/packs")])
        view = self.call("GET", f"/api/games/{game['id']}")
        self.assertEqual((view["problems"], view["pools"]), ([], [2]), "the game goes on using it")
        self.call("POST", f"/api/packs/{roots}/return")
        self.assertIn(roots, [pack["id"] for pack in self.call("GET", "/api/packs")])
        _, came = self.load(BEDS)
        mixed = {"title": "No", "packs": [roots, came["pack_id"]]}
        refused = self.http.post("/api/packs/joins", json=mixed)
        self.assertEqual(refused.status_code, 422)
        self.assertIn("choose packs of one sort", refused.text)

    def test_alike_questions_are_found(self):
        text = "Which is a root of the bed?\tBeet\tPea\nA pod?\tPea\tBeet\n"
        pack = self.bring("a.tsv", text + "Which one is a root of the bed?\tBeet\tKale\n")
        (pair,) = self.call("GET", f"/api/packs/{pack}/alike")
        self.assertEqual((pair["row"], pair["other"]), (0, 2))
