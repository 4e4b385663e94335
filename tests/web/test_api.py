"""The HTTP interface, as its callers meet it."""

import unittest
from datetime import UTC, datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

from fastapi.testclient import TestClient

from dicetrail.demo import DATA, load_demo
from dicetrail.files import MOST_BYTES
from dicetrail.store import Database
from dicetrail.web import create_app

GAME = "/api/games/harvest-supper"


class ApiTest(unittest.TestCase):
    """A fresh store with the demo in it, and a clock that moves a second a request."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        database = Database(Path(folder.name) / "store.sqlite")
        self.addCleanup(database.close)
        self.time = datetime(2026, 9, 19, tzinfo=UTC)
        load_demo(database, self.time)
        self.http = TestClient(
            create_app(database, self.clock),
            base_url="http://localhost",
            raise_server_exceptions=False,
        )

    def clock(self):
        self.time += timedelta(seconds=1)
        return self.time

    def get(self, address):
        answer = self.http.get(address)
        self.assertEqual(answer.status_code, 200, answer.text)
        return answer.json()

    def post(self, address, **body):
        answer = self.http.post(address, json=body)
        self.assertLess(answer.status_code, 300, answer.text)
        return answer.json()

    def upload(self, content, name="file.tsv"):
        return self.http.post("/api/packs", files={"file": (name, content)})

    def assert_problem(self, answer, status, words):
        self.assertEqual(answer.status_code, status, answer.text)
        self.assertEqual(answer.headers["content-type"], "application/problem+json")
        body = answer.json()
        self.assertEqual(body["status"], status)
        self.assertIn(words, answer.text)
        return body

    def input(self, run, **action):
        kind = "play/runs" if "revision" not in run else "runs"
        return self.post(f"/api/{kind}/{run['id']}/inputs", seen=run["seen"], action=action)


class TestGames(ApiTest):
    def test_the_shelf_tells_the_last_playtest(self):
        (card,) = self.get("/api/games")
        self.assertEqual((card["length"], card["ending_count"], card["last_run"]), (10, 5, None))
        run = self.post("/api/runs", game_id="harvest-supper", dice=5)
        self.input(self.input(run, action="begin"), action="answer", value=1)
        (card,) = self.get("/api/games")
        self.assertEqual(card["last_run"]["dice"], 5)
        self.assertIsNone(card["last_run"]["ending"])

    def test_a_save_changes_what_is_played_and_what_is_said(self):
        game = self.get(GAME)
        game["document"]["rounds"][0]["draw"]["count"] = 4
        saved = self.http.put(GAME, json=game).json()
        self.assertEqual(saved["revision"], 2)
        self.assertEqual(saved["stops"][1]["words"], "4 drawn, shuffled")
        self.assertEqual(self.post("/api/runs", game_id="harvest-supper")["table"]["length"], 4)

    def test_a_save_on_an_old_revision_is_refused_and_changes_nothing(self):
        game = self.get(GAME)
        game["document"]["title"] = "Mine"
        self.http.put(GAME, json=game)
        game["document"]["title"] = "Theirs"
        self.assert_problem(self.http.put(GAME, json=game), 412, "revision 2 is the newest")
        self.assertEqual(self.get(GAME)["document"]["title"], "Mine")

    def test_a_document_of_the_wrong_shape_is_refused_at_its_place(self):
        game = self.get(GAME)
        game["document"]["rounds"][0]["draw"] = {"count": "many", "colour": "red"}
        body = self.assert_problem(self.http.put(GAME, json=game), 422, "expected form")
        self.assertEqual(
            [problem["where"] for problem in body["problems"]],
            ["rounds[0].draw.count", "rounds[0].draw.colour"],
        )
        self.assertEqual(self.get(GAME)["revision"], 1)

    def test_a_game_with_faults_is_kept_and_says_why_it_does_not_play(self):
        game = self.get(GAME)
        game["document"]["endings"] = []
        saved = self.http.put(GAME, json=game)
        self.assertEqual(saved.status_code, 200)
        for address, body in (
            ("/api/runs", {"game_id": "harvest-supper"}),
            ("/api/play/games/harvest-supper/runs", {}),
        ):
            refused = self.assert_problem(
                self.http.post(address, json=body), 409, "cannot be played"
            )
            self.assertEqual(refused["problems"][0]["where"], "endings")

    def test_a_new_game_of_a_pack_plays_at_once(self):
        game = self.post("/api/games", title="Again", packs=["harvest-supper-questions"])
        self.assertEqual(game["problems"], [])
        self.assertEqual(self.post("/api/runs", game_id=game["id"])["table"]["phase"], "opening")

    def test_answers_are_tried_without_playing(self):
        trial = self.post(f"{GAME}/trial", dice=4821, answers=["A", "b", "3", "", "dunno"])
        verdicts = [checked["verdict"] for checked in trial["checked"]]
        right = "ABC".find(trial["question"]["right_letters"])
        self.assertEqual(verdicts[3:], ["unreadable"] * 2)
        self.assertEqual(
            [v == "right" for v in verdicts[:3]], [place == right for place in range(3)]
        )


class TestPacks(ApiTest):
    def test_a_file_becomes_a_pack_and_its_bad_rows_are_kept(self):
        answer = self.upload((DATA / "faulty-questions.tsv").read_bytes(), "faulty-questions.tsv")
        pack = answer.json()
        self.assertEqual((answer.status_code, pack["title"]), (201, "Faulty questions"))
        self.assertEqual(pack["question_count"], 3)
        refused = self.get(f"/api/packs/{pack['id']}")["source"]["refused"]
        self.assertEqual([row["line"] for row in refused], [3, 5, 6, 7, 8, 9, 11])

    def test_a_file_that_gives_no_question_changes_nothing(self):
        for content, status, words in (
            (b"", 422, "empty"),
            (b"\x89PNG\r\n\x1a\n\0\0", 422, "not a text file"),
            (b"one\ntwo\n", 422, "No row of this file"),
            (b"Which?    A    B    C\n" * 3, 422, "where tabs should be"),
            (b"x" * (MOST_BYTES + 1), 422, "split it"),
            (b"x" * (MOST_BYTES + 10**6), 413, "larger than"),
        ):
            with self.subTest(words=words):
                self.assert_problem(self.upload(content), status, words)
        self.assertEqual(len(self.get("/api/packs")), 1)
        body = self.upload(b"one\ntwo\n").json()
        self.assertEqual([row["line"] for row in body["refused"]], [1, 2])


class TestRuns(ApiTest):
    def test_a_run_is_played_to_its_ending_and_read_again(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=4821)
        footprints = list(run["footprints"])
        drawn = self.get(f"{GAME}/draw?dice=4821")
        run = self.input(run, action="begin")
        footprints += run["footprints"]
        for question in drawn:
            self.assertEqual(run["table"]["question"]["prompt"], question["prompt"])
            run = self.input(run, action="answer", value=question["right_letters"].lower())
            footprints += run["footprints"]
            run = self.input(run, action="continue")
            footprints += run["footprints"]
        self.assertEqual(run["table"]["ending"]["title"], "Golden Marrow")
        self.assertEqual(run["table"]["score"], 30)
        again = self.get(f"/api/runs/{run['id']}")
        self.assertEqual(again["footprints"], footprints)
        times = [footprint["at"] for footprint in footprints]
        self.assertEqual(times, sorted(times))

    def test_the_same_input_sent_twice_counts_once(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=1)
        begun = self.input(run, action="begin")
        answer = {"seen": begun["seen"], "action": {"action": "answer", "value": 1}}
        address = f"/api/runs/{run['id']}/inputs"
        first = self.http.post(address, json=answer)
        self.assertEqual(first.status_code, 200)
        self.assert_problem(self.http.post(address, json=answer), 409, "gone on elsewhere")
        self.assertEqual(self.get(f"/api/runs/{run['id']}")["table"], first.json()["table"])

    def test_a_run_goes_on_as_it_was_started_when_its_game_changes(self):
        run = self.input(self.post("/api/runs", game_id="harvest-supper", dice=1), action="begin")
        game = self.get(GAME)
        game["document"]["rounds"][0]["draw"]["count"] = 2
        self.http.put(GAME, json=game)
        self.assertEqual(self.get(f"/api/runs/{run['id']}")["table"]["length"], 10)

    def test_a_player_is_told_nothing_that_gives_an_answer_away(self):
        run = self.post("/api/play/games/harvest-supper/runs", player="  Marjory\u0000 ")
        self.assertEqual(set(run), {"id", "game_id", "seen", "table"})
        run = self.input(run, action="begin")
        self.assertIsNone(run["table"]["feedback"])
        self.assertEqual(set(run["table"]["question"]), {"number", "prompt", "choices"})
        self.assertEqual(set(run["table"]["question"]["choices"][0]), {"letter", "place", "text"})
        self.assert_problem(self.http.get(f"/api/runs/{run['id']}"), 404, "no run")
        answered = self.input(run, action="answer", value=1)
        self.assertTrue(answered["table"]["feedback"]["right_places"])


class TestTheDoor(ApiTest):
    def test_every_error_is_problem_details(self):
        for method, address, status in (
            ("GET", "/api/nothing", 404),
            ("GET", "/api/games/nobody", 404),
            ("GET", "/api/packs/nobody", 404),
            ("GET", f"{GAME}/draw?dice=-1", 422),
            ("PATCH", GAME, 405),
            ("POST", "/api/games", 422),
        ):
            with self.subTest(address=address):
                self.assert_problem(self.http.request(method, address), status, '"status":')

    def test_only_its_own_names_are_answered_and_headers_are_strict(self):
        strange = self.http.get("/api/games", headers={"host": "elsewhere.example"})
        self.assertEqual(strange.status_code, 400)
        headers = self.http.get("/api/health").headers
        self.assertIn("default-src 'self'", headers["content-security-policy"])
        self.assertEqual(headers["x-content-type-options"], "nosniff")

    def test_a_large_body_is_refused_everywhere_else_too(self):
        large = {"title": "x" * 3_000_000}
        self.assert_problem(self.http.post("/api/games", json=large), 413, "larger than")
