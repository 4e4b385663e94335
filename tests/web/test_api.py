"""The HTTP interface, as its callers meet it."""

import asyncio
import json
import threading
import unittest
from concurrent.futures import ThreadPoolExecutor
from datetime import timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from time import monotonic, sleep
from unittest.mock import patch

from fastapi.testclient import TestClient

from dicetrail.demo import DATA, GAMES
from dicetrail.files import WRITERS
from dicetrail.limits import MAX_FILE
from dicetrail.services.loads import MAX_WAITING
from dicetrail.web import create_app
from dicetrail.web.uploads import named
from tests.files.samples import archive, svg
from tests.web.demo import MADE, demo_store

GAME = "/api/games/harvest-supper"
DEMO_PACKS = 7


class ApiTest(unittest.TestCase):
    """A fresh store with the demo in it, and a clock that moves a second a request."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.database = demo_store(Path(folder.name) / "store.sqlite")
        self.addCleanup(self.database.close)
        self.time = MADE
        self.app = create_app(self.database, self.clock)
        self.addCleanup(self.app.state.app_state.close)
        self.http = TestClient(
            self.app,
            base_url="http://localhost",
            headers={"origin": "http://localhost"},
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

    def bring(self, content, name="file.tsv"):
        return self.http.post("/api/loads", files={"file": (name, content)})

    def take(self, load, **target):
        """Take a load and wait for its end."""
        address = f"/api/loads/{load['id']}"
        progress = self.post(f"{address}/take", target={"into": "new"} | target)
        while progress["stage"] in ("reading", "writing"):
            progress = self.get(f"{address}/progress")
        return progress

    def assert_problem(self, answer, status, words):
        self.assertEqual(answer.status_code, status, answer.text)
        self.assertEqual(answer.headers["content-type"], "application/problem+json")
        body = answer.json()
        self.assertEqual(body["status"], status)
        self.assertIn(words, answer.text)
        return body

    def input(self, run, **action):
        given = {"seen": run["seen"], "action": action}
        if "steps" not in run:
            return self.post(f"/api/play/runs/{run['id']}/inputs", **given)
        return self.post(f"/api/runs/{run['id']}/inputs", **given, at=1000 * run["seen"])

    def table(self, run):
        """What is on the table at the last step of a run."""
        return run["steps"][-1]["table"]


class TestGames(ApiTest):
    def test_the_shelf_tells_the_last_playtest(self):
        card = self.get("/api/games")[0]
        self.assertEqual(card["id"], "harvest-supper")
        self.assertEqual((card["round_count"], card["ending_count"]), (1, 5))
        glance = self.get(f"{GAME}/glance")
        self.assertEqual((glance["fault_count"], glance["last_run"]), (0, None))
        run = self.post("/api/runs", game_id="harvest-supper", dice=5)
        self.input(self.input(run, action="begin"), action="answer", value=1)
        last_run = self.get(f"{GAME}/glance")["last_run"]
        self.assertEqual((last_run["dice"], last_run["ending"]), (5, None))

    def test_a_save_changes_what_is_played_and_what_is_said(self):
        game = self.get(GAME)
        game["document"]["rounds"][0]["draw"]["count"] = 4
        saved = self.http.put(GAME, json=game).json()
        self.assertEqual(saved["revision"], 2)
        self.assertEqual(saved["stops"][0][2]["words"], "4 drawn, shuffled")
        self.assertEqual(self.table(self.post("/api/runs", game_id="harvest-supper"))["length"], 4)

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
        self.assertEqual(self.table(self.post("/api/runs", game_id=game["id"]))["phase"], "opening")

    def test_ways_to_end_that_are_too_many_at_once_are_followed_beside_and_stop_no_run(self):
        load = self.bring("".join(f"Bed {n}?\tplot {n}\n" for n in range(12))).json()
        pack = self.take(load)["pack_id"]
        game = self.post("/api/games", title="Rows", packs=[pack])
        address = f"/api/games/{game['id']}"
        document = game["document"]
        document["script"] = "a = 0\n\n\ndef right():\n    score += streak\n    a += 1\n"
        document["opening"]["most_players"] = 4
        # Ten right in a row score 1 + 2 + … + 10.
        top = {**document["endings"][-1], "title": "Below", "at_least": None, "at_most": 54}
        document["endings"] = [{**top, "counts": "score", "when": ""}]
        saved = self.http.put(address, json=game).json()
        self.assertTrue(saved["is_settling"])
        words = [(problem["severity"], problem["what"]) for problem in saved["problems"]]
        self.assertIn(("warning", "it is not settled whether an ending fits every score"), words)
        until = monotonic() + 60
        while (found := self.get(address))["is_settling"]:
            self.assertLess(monotonic(), until)
            sleep(0.1)
        self.assertEqual(
            [(span["lowest"], span["highest"]) for span in found["score_spans"]],
            [(0, 45), (55, 55)],
            "nine in a row score 45, and ten 55",
        )
        self.assertTrue(found["spans_are_whole"])
        run = self.post("/api/runs", game_id=game["id"])
        self.assertEqual(self.table(run)["phase"], "opening")

    def test_answers_are_tried_without_playing(self):
        trial = self.post(f"{GAME}/trial", dice=4821, answers=["A", "b", "3", "", "dunno"])
        verdicts = [checked["verdict"] for checked in trial["checked"]]
        right = "ABC".find(trial["question"]["right_letters"])
        self.assertEqual(verdicts[3:], ["unreadable"] * 2)
        self.assertEqual(
            [v == "right" for v in verdicts[:3]], [place == right for place in range(3)]
        )


class TestLoads(ApiTest):
    FAULTY = (DATA / "faulty-questions.tsv").read_bytes()

    def count_packs(self):
        return len(self.get("/api/packs"))

    def test_a_file_is_looked_at_mended_and_taken_into_a_new_pack(self):
        load = self.bring(self.FAULTY, "faulty-questions.tsv").json()
        self.assertEqual((load["question_count"], load["refused_count"]), (3, 7))
        self.assertEqual([row["line"] for row in load["refused"]], [3, 5, 6, 7, 8, 9, 11])
        mended = {"3": ["Which leaf flavours a mint sauce?", "Mint", "Dill"]}
        address = f"/api/loads/{load['id']}"
        load = self.post(f"{address}/look", plan=load["plan"], mended=mended)
        self.assertEqual((load["question_count"], load["refused_count"]), (4, 6))
        self.assertEqual(self.get(address), load)
        self.assertEqual(self.count_packs(), DEMO_PACKS, "nothing is written before it is taken")
        progress = self.take(load)
        self.assertEqual(progress["stage"], "done")
        pack = self.get(f"/api/packs/{progress['pack_id']}")
        self.assertEqual((pack["title"], pack["question_count"]), ("Faulty questions", 4))
        self.assertEqual([row["line"] for row in pack["source"]["refused"]], [5, 6, 7, 8, 9, 11])

    def test_questions_are_added_to_a_pack_or_replace_it_as_a_new_revision(self):
        pack_id = "harvest-supper-questions"
        more = b"Which of these is a legume?,Pea,Leek\nWhich is new?,This,That\n"
        load = self.bring(more, "more.csv").json()
        target = {"into": "replace", "pack_id": pack_id}
        load = self.post(f"/api/loads/{load['id']}/look", plan=load["plan"], target=target)
        self.assertEqual(load["comparison"], {"added": 1, "changed": 1, "gone": 29, "same": 0})
        self.assertEqual(self.take(load, into="add", pack_id=pack_id)["stage"], "done")
        pack = self.get(f"/api/packs/{pack_id}")
        self.assertEqual((pack["question_count"], pack["revision"]), (32, 2))
        load = self.bring(more, "more.csv").json()
        self.assertEqual(self.take(load, into="replace", pack_id=pack_id)["stage"], "done")
        self.assertEqual(self.get(f"/api/packs/{pack_id}")["question_count"], 2)
        load = self.bring(more, "more.csv").json()
        gone = self.take(load, into="add", pack_id="nobody")
        self.assertEqual((gone["stage"], gone["pack_id"]), ("failed", None))

    def test_another_separator_or_encoding_is_guessed_anew(self):
        load = self.bring("Où?;là;ici\nQui?;elle;lui\n".encode("cp1252"), "fr.csv").json()
        again = self.http.post(
            f"/api/loads/{load['id']}/guess", json={"encoding": "cp1252", "separator": "semicolon"}
        ).json()
        self.assertEqual(again["questions"][0]["prompt"], "Où?")
        wrong = self.http.post(f"/api/loads/{load['id']}/guess", json={"encoding": "ascii"})
        self.assert_problem(wrong, 422, "cannot be read as ascii")

    def test_a_file_that_cannot_be_read_changes_nothing(self):
        for content, status, words in (
            (b"", 422, "empty"),
            (b"\x89PNG\r\n\x1a\n\0\0", 422, "not a text file"),
            (b"Which?    A    B    C\n" * 3, 422, "where tabs should be"),
            (b"x" * (MAX_FILE + 1), 422, "split it"),
            (b"x" * (MAX_FILE + 10**6), 413, "larger than"),
        ):
            with self.subTest(words=words):
                self.assert_problem(self.bring(content), status, words)
        load = self.bring(b"one\n\ntwo\n").json()
        self.assertEqual([row["line"] for row in load["refused"]], [1, 3])
        failed = self.take(load)
        self.assertEqual(failed["stage"], "failed")
        self.assertIn("no row of it is a question", failed["problem"]["what"])
        self.assertEqual(self.count_packs(), DEMO_PACKS)

    def test_a_file_is_taken_once_and_the_oldest_that_waits_is_forgotten(self):
        load = self.bring(b"Which?,a,b\n").json()
        address = f"/api/loads/{load['id']}"
        self.take(load)
        again = self.http.post(f"{address}/take", json={"target": {"into": "new"}})
        self.assert_problem(again, 409, "being taken already")
        for _ in range(MAX_WAITING):
            self.bring(b"Which?,a,b\n")
        self.assert_problem(self.http.get(address), 404, "no load")

    def test_a_load_that_is_given_up_leaves_nothing_behind(self):
        rows = b"".join(b"Which is %d?,this,that\n" % number for number in range(60_000))
        load = self.bring(rows, "many.csv").json()
        self.assertEqual(load["rows"], 5_000, "a look reads no more")
        self.post(f"/api/loads/{load['id']}/take", target={"into": "new"})
        self.assertEqual(self.http.delete(f"/api/loads/{load['id']}").status_code, 204)
        self.assert_problem(self.http.get(f"/api/loads/{load['id']}"), 404, "no load")
        for thread in threading.enumerate():
            if thread is not threading.current_thread() and not thread.daemon:
                thread.join(10)
        self.assertEqual(self.count_packs(), DEMO_PACKS)

    def test_packs_and_templates_are_saved_in_every_format_and_load_again(self):
        for ending in WRITERS:
            pack = (f"/api/packs/harvest-supper-questions/questions.{ending}", 30)
            template = (f"/api/templates/questions.{ending}", 2 if ending == "txt" else 12)
            if ending == "txt":
                self.assert_problem(self.http.get(pack[0]), 422, "cannot carry all of it")
            for address, count in (template,) if ending == "txt" else (pack, template):
                with self.subTest(address):
                    saved = self.http.get(address)
                    self.assertIn("attachment", saved.headers["content-disposition"])
                    load = self.bring(saved.content, f"again.{ending}").json()
                    self.assertEqual((load["question_count"], load["refused_count"]), (count, 0))
        self.assert_problem(self.http.get("/api/templates/questions.doc"), 422, "expected form")


class TestMedia(ApiTest):
    QUESTIONS = "question,right,wrong,picture\nWhich leaf?,Kale,Chard,leaf.svg\n"

    def test_media_come_with_a_file_or_after_it_and_reach_the_player_with_their_question(self):
        bundle = archive({"leaves.csv": self.QUESTIONS, "leaf.svg": svg()})
        load = self.bring(bundle, "leaves.zip").json()
        self.assertEqual((load["question_count"], load["media"]), (1, ["leaf.svg"]))
        pack_id = self.take(load)["pack_id"]
        game = self.post("/api/games", title="Leaves", packs=[pack_id])
        run = self.post(f"/api/play/games/{game['id']}/runs")
        run = self.input(run, action="begin")
        picture = run["table"]["question"]["picture"]
        self.assertNotIn("leaf", picture, "a name may tell the answer")
        shown = self.http.get(f"/api/media/{picture}")
        self.assertEqual(shown.headers["content-type"], "image/svg+xml")
        self.assertIn("sandbox", shown.headers["content-security-policy"])
        self.assertIn(b"M2 2h4v4z", shown.content)

        load = self.bring(self.QUESTIONS.encode(), "leaves.csv").json()
        self.assertIn("no file “leaf.svg”", load["refused"][0]["what"])
        address = f"/api/loads/{load['id']}/media"
        hostile = {"files": ("leaf.svg", svg("<script/>"))}
        self.assert_problem(self.http.post(address, files=hostile), 422, "holds a script")
        load = self.http.post(address, files={"files": ("leaf.svg", svg())}).json()
        self.assertEqual((load["question_count"], load["refused_count"]), (1, 0))

    def test_media_brought_at_once_are_all_kept(self):
        load = self.bring(self.QUESTIONS.encode(), "leaves.csv").json()
        both_are_in = threading.Barrier(2)

        async def read_late(given):
            await asyncio.to_thread(both_are_in.wait, 30)
            return await named(given)

        def bring(name):
            address = f"/api/loads/{load['id']}/media"
            return self.http.post(address, files={"files": (name, svg())}).status_code

        with (
            patch("dicetrail.web.loads.routes.named", read_late),
            ThreadPoolExecutor(2) as threads,
        ):
            answers = list(threads.map(bring, ("leaf.svg", "root.svg")))
        self.assertEqual(answers, [200, 200])
        seen = self.post(f"/api/loads/{load['id']}/look", plan=load["plan"])
        self.assertEqual(seen["media"], ["leaf.svg", "root.svg"])

    def test_media_are_added_to_a_pack_as_a_new_revision_and_are_there_for_more_rows(self):
        pack_id = "harvest-supper-questions"
        address = f"/api/packs/{pack_id}/media"
        card = self.http.post(address, files={"files": ("leaf.svg", svg())}).json()
        self.assertEqual((card["revision"], list(card["media"])), (2, ["leaf.svg"]))
        load = self.bring(self.QUESTIONS.encode(), "leaves.csv").json()
        self.assertEqual(load["refused_count"], 1)
        target = {"into": "add", "pack_id": pack_id}
        load = self.post(f"/api/loads/{load['id']}/look", plan=load["plan"], target=target)
        self.assertEqual(load["refused_count"], 0)
        self.assertEqual(self.take(load, **target)["stage"], "done")
        self.assertEqual(self.get(f"/api/packs/{pack_id}")["question_count"], 31)
        self.assert_problem(self.http.get("/api/media/none"), 404, "no picture or sound")


class TestShelfMoves(ApiTest):
    def test_every_recipe_makes_a_game_that_plays_with_a_pack(self):
        for recipe in self.get("/api/games/recipes"):
            with self.subTest(recipe=recipe["name"]):
                packs = ["harvest-supper-questions"]
                game = self.post("/api/games", title="R", packs=packs, recipe=recipe["name"])
                self.assertEqual(game["problems"], [])
                run = self.post("/api/runs", game_id=game["id"], dice=3)
                wanted = {"seen": 0, "at": 0, "intent": "right", "questions": None}
                played = self.post(f"/api/runs/{run['id']}/outcomes", **wanted)
                table = self.table(played)
                self.assertTrue(table["ending"] or game["document"]["rounds"][0]["seconds"])

    def test_a_game_is_copied_taken_off_the_shelf_and_put_back(self):
        titles = [card["title"] for card in self.get("/api/games")]
        copy = self.post(f"{GAME}/copies")
        self.assertEqual(copy["document"]["title"], "Harvest Supper copy")
        self.assertEqual(self.http.delete(f"/api/games/{copy['id']}").status_code, 204)
        self.assertEqual([card["title"] for card in self.get("/api/games")], titles)
        back = self.post(f"/api/games/{copy['id']}/return")
        self.assertEqual(back["document"], copy["document"])
        self.assertEqual(len(self.get("/api/games")), len(titles) + 1)
        self.assert_problem(self.http.delete("/api/games/nobody"), 404, "no game")

    def test_revisions_are_told_in_words_and_read_again(self):
        game = self.get(GAME)
        document = game["document"]
        document["script"] = document["script"].replace("lives = 3", "lives = 2")
        document["rounds"][0]["ask"]["seconds"] = 30
        document["endings"].append({"title": "More", "verdict": "Even more."})
        self.http.put(GAME, json=game)
        newest, first = self.get(f"{GAME}/revisions")
        self.assertEqual(
            newest["changes"],
            [
                "rules: lives 3 → 2",
                "round 1, ask, seconds 20 → 30",
                "ending “More” added",
            ],
        )
        self.assertEqual((first["number"], first["changes"]), (1, []))
        before = self.get(f"{GAME}/revisions/1")
        self.assertIn("lives = 3", before["script"])
        self.assert_problem(self.http.get(f"{GAME}/revisions/9"), 404, "no game revision")

    def test_a_game_file_goes_out_and_comes_in_with_everything(self):
        saved = self.http.get("/api/games/leaf-shapes/file")
        self.assertIn("leaf-shapes.json", saved.headers["content-disposition"])
        made = self.http.post("/api/game-files", files={"file": ("g.json", saved.content)}).json()
        self.assertNotEqual(made["id"], "leaf-shapes")
        self.assertEqual(made["problems"], [])
        old, new = (self.get(f"/api/games/{name}") for name in ("leaf-shapes", made["id"]))
        self.assertEqual(new["packs"][0]["media"], old["packs"][0]["media"])
        self.assertEqual(
            self.http.get(f"/api/games/{made['id']}/draw?dice=5").json()["questions"][0]["prompt"],
            self.http.get("/api/games/leaf-shapes/draw?dice=5").json()["questions"][0]["prompt"],
        )
        count = len(self.get("/api/games"))
        broken = saved.content.replace(b'"seconds": 15', b'"seconds": "x"')
        refused = self.http.post("/api/game-files", files={"file": ("g.json", broken)})
        self.assert_problem(refused, 409, "seconds")
        self.assertEqual(len(self.get("/api/games")), count)

    def test_a_file_dropped_on_the_shelf_says_itself_what_it_is(self):
        def dropped(name, content):
            return self.http.post("/api/dropped", files={"file": (name, content)})

        saved = self.http.get("/api/games/leaf-shapes/file").content
        document = json.loads(saved)
        document["format"] = document.pop("format")  # it need not come first
        for content in (saved, b"\xef\xbb\xbf\n " + json.dumps(document, indent=4).encode()):
            came = dropped("what.txt", content).json()
            self.assertEqual((came["game"]["problems"], came["load"]), ([], None))
        told = self.assert_problem(dropped("g.json", saved[:-20]), 409, "not well-formed JSON")
        self.assertEqual(told["detail"], "This game file was not loaded, and nothing changed.")
        items = json.dumps([{"question": "A dice-trail-game?", "right": ["x"], "wrong": ["y"]}])
        for content in (b"Which?\ta\tb\n", items.encode()):
            came = dropped("g.json", content).json()
            self.assertEqual((came["game"], came["load"]["question_count"]), (None, 1))

    def test_every_demo_game_plays_to_an_ending_right_and_wrong(self):
        for name in GAMES:
            for intent in ("right", "wrong"):
                with self.subTest(game=name, intent=intent):
                    run = self.post("/api/runs", game_id=name, dice=11)
                    wanted = {"seen": 0, "at": 0, "intent": intent, "questions": None}
                    played = self.post(f"/api/runs/{run['id']}/outcomes", **wanted)
                    self.assertTrue(self.table(played)["ending"]["title"])
            self.assertEqual(self.get(f"/api/games/{name}")["problems"], [])

    def test_the_language_of_the_rules_is_told(self):
        names = {entry["name"]: entry for entry in self.get("/api/language")["names"]}
        self.assertEqual(names["seconds_left"]["kind"], "fact")
        self.assertEqual(names["cue"]["insert"], 'cue("…")')


class TestPackEdits(ApiTest):
    PACK = "/api/packs/harvest-supper-questions"

    def edit(self, revision, *edits, **more):
        body = {"revision": revision, "edits": edits, **more}
        return self.http.post(f"{self.PACK}/edits", json=body)

    def test_questions_are_put_in_changed_and_taken_out_as_a_new_revision(self):
        before = self.get(self.PACK)["questions"]
        new = {"prompt": " New? ", "right": ["this"], "wrong": ["that"]}
        saved = self.edit(1, {"row": 0, "insert": [new]}, {"row": 2, "remove": 1}).json()
        self.assertEqual((saved["revision"], saved["question_count"]), (2, 30))
        after = self.get(self.PACK)["questions"]
        self.assertEqual(after[0]["prompt"], "New?")
        self.assertEqual(after[1:], [before[0], *before[2:]])

    def test_edits_sent_again_because_no_answer_came_are_kept_once(self):
        gone = {"row": 0, "remove": 1, "insert": []}
        first = self.edit(1, gone).json()
        self.assertEqual(self.edit(1, gone, may_be_kept=True).json(), first)
        another = {"row": 1, "remove": 1, "insert": []}
        refused = self.edit(1, another, may_be_kept=True)
        self.assert_problem(refused, 412, "revision 2 is the newest")

    def test_edits_of_other_rows_made_elsewhere_meanwhile_stand_beside_ones_own(self):
        before = [one["prompt"] for one in self.get(self.PACK)["questions"]]
        new = {"prompt": "New?", "right": ["this"], "wrong": ["that"]}
        newer = new | {"prompt": "Newer?"}
        self.edit(1, {"row": 0, "remove": 2, "insert": [new]})
        mine = {"row": 5, "remove": 0, "insert": [newer]}
        self.assert_problem(self.edit(1, mine), 412, "revision 2 is the newest")
        saved = self.edit(1, mine, unseen=[]).json()
        wanted = ["New?", *before[2:5], "Newer?", *before[5:]]
        self.assertEqual([one["prompt"] for one in self.get(self.PACK)["questions"]], wanted)
        (unseen,) = saved["unseen"]
        self.assertEqual((unseen["row"], unseen["remove"]), (0, 2))
        # Sent again because no answer came, it is known; what is edited then goes on from there.
        again = self.edit(1, mine, unseen=[], may_be_kept=True).json()
        self.assertEqual(again, saved)
        gone = {"row": 5, "remove": 1}
        after = self.edit(saved["revision"], gone, unseen=saved["unseen"]).json()
        wanted.remove("Newer?")
        self.assertEqual([one["prompt"] for one in self.get(self.PACK)["questions"]], wanted)
        self.assertEqual(after["unseen"], saved["unseen"])
        # The same row in both places is refused, and nothing is changed.
        clash = self.edit(1, {"row": 1, "remove": 1}, unseen=[])
        self.assert_problem(clash, 412, "pack was changed elsewhere")
        seen = self.edit(1, unseen=[]).json()
        self.assertEqual(seen["revision"], after["revision"])
        self.assertEqual(self.get(self.PACK)["revision"], after["revision"])

    def test_what_is_wrong_is_told_row_by_row(self):
        same = self.get(self.PACK)["questions"][0]
        bad = {"prompt": "", "right": ["a"], "wrong": ["A"], "details": {"level": 9}}
        saved = self.edit(1, {"row": 1, "insert": [same, bad]}).json()
        found = {(fault["row"], fault["field"]) for fault in saved["faults"]}
        self.assertEqual(found, {(1, "prompt"), (2, "prompt"), (2, "level"), (2, "wrong")})
        self.assertEqual(self.get(self.PACK)["faults"], saved["faults"])

    def test_an_edit_on_an_old_revision_or_of_a_wrong_shape_changes_nothing(self):
        self.edit(1, {"row": 0, "remove": 1})
        self.assert_problem(
            self.edit(1, {"row": 0, "remove": 1}), 412, "pack was changed elsewhere"
        )
        odd = {"row": 0, "insert": [{"prompt": "New?", "right": "text", "colour": "red"}]}
        self.assert_problem(self.edit(2, odd), 422, "edits[0].insert[0].right")
        self.assertEqual(self.get(self.PACK)["question_count"], 29)

    def test_a_run_goes_on_with_the_pack_it_was_started_with(self):
        run = self.input(self.post("/api/runs", game_id="harvest-supper", dice=1), action="begin")
        self.edit(1, {"row": 0, "remove": 25})
        self.assertEqual(self.table(self.get(f"/api/runs/{run['id']}")), self.table(run))
        self.assertEqual(self.get(GAME)["stops"][0][0]["words"], "5 questions, 1 pack")

    def test_a_question_is_previewed_only_when_it_can_be_asked(self):
        shown = self.post(f"{self.PACK}/preview", prompt="New?", right=["this"], wrong=["that"])
        self.assertEqual(shown["question"]["prompt"], "New?")
        broken = self.http.post(f"{self.PACK}/preview", json={"prompt": "New?", "right": []})
        self.assert_problem(broken, 409, "no right answer")


class TestRuns(ApiTest):
    def test_a_run_is_played_to_its_ending_and_read_again(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=4821)
        steps = list(run["steps"])
        drawn = self.get(f"{GAME}/draw?dice=4821")["questions"]
        run = self.input(run, action="begin")
        steps += run["steps"]
        for question in drawn:
            self.assertEqual(self.table(run)["question"]["prompt"], question["prompt"])
            run = self.input(run, action="answer", value=question["right_letters"].lower())
            steps += run["steps"]
            run = self.input(run, action="continue")
            steps += run["steps"]
        self.assertEqual(self.table(run)["ending"]["title"], "Golden Marrow")
        self.assertEqual(self.table(run)["score"], 60)
        again = self.get(f"/api/runs/{run['id']}")
        self.assertEqual(again["steps"], steps)
        times = [footprint["at"] for step in steps for footprint in step["footprints"]]
        self.assertEqual(times, sorted(times))

    def test_a_run_is_played_on_the_players_behalf_and_branches_off(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=7)

        def play_on(intent, questions):
            nonlocal run
            wanted = {"seen": run["seen"], "at": 0, "intent": intent, "questions": questions}
            run = self.post(f"/api/runs/{run['id']}/outcomes", **wanted)
            return self.table(run)

        self.assertEqual(play_on("right", 3)["right_count"], 3)
        self.assertEqual(play_on("wrong", 1)["asked_count"], 4)
        self.assertEqual(play_on("late", 1)["feedback"]["result"], "late")
        passed = {"seen": run["seen"], "at": 0, "intent": "passed", "questions": 1}
        self.assert_problem(
            self.http.post(f"/api/runs/{run['id']}/outcomes", json=passed), 409, "not allow"
        )
        whole = self.get(f"/api/runs/{run['id']}")
        inputs = [{"action": step["action"], "at": step["at"]} for step in whole["steps"][1:5]]
        branch = self.post("/api/runs", game_id="harvest-supper", dice=7, inputs=inputs)
        self.assertEqual(branch["steps"], whole["steps"][:5])
        self.assertEqual(play_on("right", None)["phase"], "ended")
        inputs[0]["at"] = 10**9
        backwards = {"game_id": "harvest-supper", "inputs": inputs}
        self.assert_problem(self.http.post("/api/runs", json=backwards), 422, "out of order")

    def test_the_same_input_sent_twice_counts_once(self):
        run = self.post("/api/runs", game_id="harvest-supper", dice=1)
        begun = self.input(run, action="begin")
        answer = {"seen": begun["seen"], "at": 9, "action": {"action": "answer", "value": 1}}
        address = f"/api/runs/{run['id']}/inputs"
        first = self.http.post(address, json=answer)
        self.assertEqual(first.status_code, 200)
        self.assert_problem(self.http.post(address, json=answer), 409, "gone on elsewhere")
        self.assertEqual(self.table(self.get(f"/api/runs/{run['id']}")), self.table(first.json()))

    def test_a_run_goes_on_as_it_was_started_when_its_game_changes(self):
        run = self.input(self.post("/api/runs", game_id="harvest-supper", dice=1), action="begin")
        game = self.get(GAME)
        game["document"]["rounds"][0]["draw"]["count"] = 2
        self.http.put(GAME, json=game)
        self.assertEqual(self.table(self.get(f"/api/runs/{run['id']}"))["length"], 10)

    def test_a_player_is_told_nothing_that_gives_an_answer_away(self):
        players = ["  Marjory\u0000 "]
        run = self.post("/api/play/games/harvest-supper/runs", players=players)
        self.assertEqual(run["table"]["players"][0]["name"], "Marjory")
        told = {"id", "game_id", "revision", "seen", "at", "table", "sounds", "answered"}
        told |= {"is_best", "asks_remark", "refused"}
        self.assertEqual(set(run), told)
        self.assertEqual(run["answered"], [])
        run = self.input(run, action="begin")
        self.assertIsNone(run["table"]["feedback"])
        shown = {"number", "kind", "prompt", "choices", "words", "tried", "tries_left"}
        shown |= {"hint", "may_hint", "may_pass", "picture", "sound", "in_run", "wants_all"}
        shown |= {"can_be_partly", "items", "repeats", "scale", "answer", "gaps"}
        self.assertEqual(set(run["table"]["question"]), shown)
        choice = {"letter", "place", "text", "picture", "sound"}
        self.assertEqual(set(run["table"]["question"]["choices"][0]), choice)
        answered = self.input(run, action="answer", value=1)
        self.assertTrue(answered["table"]["feedback"]["right_places"])


class TestTheDoor(ApiTest):
    def test_every_error_is_problem_details(self):
        for method, address, status in (
            ("GET", "/api/nothing", 404),
            ("GET", "/api/games/nobody", 404),
            ("GET", "/api/packs/nobody", 404),
            ("GET", f"{GAME}/draw?dice=-1", 422),
            ("PATCH", f"{GAME}/draw", 405),
            ("PATCH", GAME, 428),
            ("POST", "/api/games", 422),
        ):
            with self.subTest(address=address):
                self.assert_problem(self.http.request(method, address), status, '"status":')

    def test_only_its_own_names_are_answered_and_headers_are_strict(self):
        strange = self.http.get("/api/games", headers={"host": "elsewhere.example"})
        self.assert_problem(strange, 400, "does not go by that name")
        headers = self.http.get("/api/health").headers
        self.assertIn("default-src 'self'", headers["content-security-policy"])
        self.assertEqual(headers["x-content-type-options"], "nosniff")

    def test_a_large_body_is_refused_everywhere_else_too(self):
        large = {"title": "x" * 3_000_000}
        self.assert_problem(self.http.post("/api/games", json=large), 413, "larger than")
