"""Players over HTTP: their time, their scores, their sounds; and what is the maker's alone."""

import base64
import json
import os
import sqlite3
import stat
import threading
import unittest
from datetime import timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from time import monotonic
from unittest.mock import patch

from fastapi.testclient import TestClient
from hypothesis import given, settings
from hypothesis import strategies as st
from typer.testing import CliRunner

from dicetrail.cli import app as cli
from dicetrail.core.document import SHIPPED
from dicetrail.core.document.sounds import wav
from dicetrail.services.clock import steady_clock
from dicetrail.services.voice import SPEAKER
from dicetrail.web import create_app
from dicetrail.web.middleware import rates
from tests.exhaustive import exhaustive
from tests.files.samples import png
from tests.server import Server
from tests.web.demo import empty_store
from tests.web.test_api import GAME, ApiTest

PLAY = "/api/play/games/harvest-supper"
KEY = "k" * 20
SOUND = {"name": "mine", "notes": [{"pitch": "C5", "ms": 300}, {"pitch": "", "ms": 100}]}


class PlayersTest(ApiTest):
    """The clock moves only when a test says so."""

    def clock(self):
        return self.time

    def wait(self, ms):
        self.time += timedelta(milliseconds=ms)

    def started(self, **body):
        return self.input(self.post(f"{PLAY}/runs", **body), action="begin")

    def answered(self, run, at, value=1):
        body = {"seen": run["seen"], "at": at, "action": {"action": "answer", "value": value}}
        return self.http.post(f"/api/play/runs/{run['id']}/inputs", json=body)

    def right_place(self, run):
        """Where the right answer stands, found as only a maker can."""
        dice = self.get(f"/api/runs/{run['id']}")["dice"]
        question = self.get(f"{GAME}/draw?dice={dice}")["questions"][
            run["table"]["question"]["number"] - 1
        ]
        return "ABCDEFGH".index(question["right_letters"]) + 1

    def played(self, right, **body):
        """A whole run with so many right answers first, and wrong ones after."""
        run = self.started(**body)
        while run["table"]["phase"] != "ended":
            place = self.right_place(run)
            value = place if right > 0 else place % len(run["table"]["question"]["choices"]) + 1
            right -= 1
            run = self.input(run, action="answer", value=value)
            run = self.input(run, action="continue")
        return run


class TestTime(PlayersTest):
    def result(self, said, arrives):
        """What becomes of an answer said to be given, and arriving, so many ms into the run."""
        run = self.started()
        self.wait(arrives)
        return self.answered(run, said).json()["table"]["feedback"]["result"]

    def test_a_slow_connection_costs_nothing_and_nothing_is_gained_by_saying_so(self):
        deadline = 20_000
        for said, arrives, is_late in (
            (deadline - 1, deadline - 1, False),
            (deadline - 10, deadline + 280, False),
            (deadline - 10, deadline + 320, True),
            (deadline, deadline, True),
            (0, deadline + 299, False),
            (0, deadline + 5000, True),
            (10**9, deadline - 5, False),
        ):
            with self.subTest(said=said, arrives=arrives):
                self.assertEqual(self.result(said, arrives) == "late", is_late)

    def test_what_a_player_has_been_shown_cannot_be_answered_from_before(self):
        run = self.started()
        self.wait(20_050)
        shown = self.get(f"/api/play/runs/{run['id']}")
        self.assertTrue(shown["table"]["feedback"]["answer"], "the right answer is told now")
        late = self.answered(run, 19_900, shown["table"]["feedback"]["right_places"][0]).json()
        self.assertEqual(late["table"]["feedback"]["result"], "late")
        self.assertEqual(late["table"]["score"], 0)

    @given(
        said=st.integers(0, 60_000),
        ways=st.lists(st.tuples(st.integers(0, 9_000), st.booleans()), min_size=1, max_size=4),
    )
    @settings(max_examples=15, deadline=None)
    def test_an_input_never_counts_before_another_nor_longer_ago_than_a_slow_connection(
        self, said, ways
    ):
        run = self.started()
        before = self.get(f"/api/runs/{run['id']}")["steps"][-1]["at"]
        arrived = before
        for ms, is_shown in ways:
            self.wait(ms)
            arrived += ms
            if is_shown:
                self.get(f"/api/play/runs/{run['id']}")
            body = {"seen": run["seen"], "at": said, "action": {"action": "answer", "value": "?!"}}
            run = self.http.post(f"/api/play/runs/{run['id']}/inputs", json=body).json()
            at = self.get(f"/api/runs/{run['id']}")["steps"][run["seen"]]["at"]
            self.assertGreaterEqual(at, before)
            self.assertTrue(arrived - 300 <= at <= arrived, (at, arrived))
            before = at


class TestForgottenRuns(PlayersTest):
    def test_what_was_shown_is_known_though_the_run_is_not_remembered(self):
        live_runs, app_state = self.app.state.live_runs, self.app.state.app_state
        run = self.started()
        self.assertTrue(live_runs.knows(run["id"]))
        self.wait(20_050)
        shown = self.get(f"/api/play/runs/{run['id']}")["table"]["feedback"]
        live_runs._known.clear()  # as when very many others have played since
        late = self.answered(run, 19_900, shown["right_places"][0]).json()["table"]
        self.assertEqual((late["feedback"]["result"], late["score"]), ("late", 0))
        self.assertTrue(live_runs.knows(run["id"]))
        app_state.programs._programs.clear()
        self.assertFalse(live_runs.knows(run["id"]), "a thread makes its program ready")
        self.assertEqual(self.http.get(f"/api/play/runs/{run['id']}").status_code, 200)
        self.assertTrue(live_runs.knows(run["id"]))


class TestAClockPutBack(PlayersTest):
    def test_it_gains_nobody_a_second_while_the_server_goes_on(self):
        run = self.started()
        self.wait(15_000)
        self.get(f"/api/play/runs/{run['id']}")
        self.wait(-60_000)
        self.get(f"/api/play/runs/{run['id']}")
        self.wait(4_000)
        shown = self.get(f"/api/play/runs/{run['id']}")["table"]
        self.assertIsNone(shown["feedback"])
        self.wait(1_400)
        late = self.answered(run, 15_000).json()["table"]["feedback"]
        self.assertEqual(late["result"], "late")

    def test_nobody_sets_the_time_that_passes_by_itself(self):
        wall, passed = [self.time + timedelta(days=400)], [5.0]
        now = steady_clock(self.database, lambda: wall[0], lambda: passed[0])
        began = now()
        self.assertEqual(began, wall[0])
        for set_by in (timedelta(minutes=-1), timedelta(days=-9), timedelta(hours=3)):
            wall[0] += set_by
            passed[0] += 1.5
            self.assertEqual(now() - began, timedelta(seconds=passed[0] - 5))

    def test_across_a_restart_the_store_knows_how_late_it_was(self):
        run = self.started()
        self.wait(8_000)
        self.answered(run, 8_000)
        known = self.time
        for put_back, starts in (
            (timedelta(minutes=1), known),
            (timedelta(hours=23), known),
            (timedelta(seconds=-1), known + timedelta(seconds=1)),
            (timedelta(days=2), known - timedelta(days=2)),
        ):
            now = steady_clock(self.database, lambda back=put_back: known - back, lambda: 0.0)
            self.assertEqual(now(), starts, "a store of days ahead is not believed")


class TestAKilledServer(unittest.TestCase):
    def test_every_run_goes_on_where_it_was(self):
        with TemporaryDirectory() as folder:
            data = Path(folder, "store.sqlite")
            with Server(data, "--demo") as server:
                begin = {"seen": 0, "action": {"action": "begin"}}
                runs = [server.http.post(f"{PLAY}/runs", json={}).json() for _ in range(5)]
                inputs = [f"/api/play/runs/{run['id']}/inputs" for run in runs]
                begun = [server.http.post(each, json=begin).json() for each in inputs]
                server.kill()
            with Server(data) as server:
                again = [server.http.get(f"/api/play/runs/{run['id']}").json() for run in runs]
                self.assertEqual(
                    [run["table"]["question"] for run in again],
                    [run["table"]["question"] for run in begun],
                )
                answer = {"seen": 1, "action": {"action": "answer", "value": 1}}
                for each in inputs:
                    judged = server.http.post(each, json=answer).json()
                    self.assertIn(judged["table"]["feedback"]["result"], ("right", "wrong"))
                    twice = server.http.post(each, json=answer)
                    self.assertEqual((twice.status_code, "elsewhere" in twice.text), (409, True))


@exhaustive
class TestScores(PlayersTest):
    def test_scores_are_played_and_the_best_stand_first(self):
        for right, name in ((3, "Ada"), (10, "Ben"), (0, "Cy")):
            run = self.played(right, players=[name], key=f"{name} {KEY}")
        scores = self.get(f"{PLAY}/scores?key=Ben {KEY}")
        self.assertEqual([score["player"] for score in scores["best"]], ["Ben", "Ada", "Cy"])
        self.assertEqual([score["score"] for score in scores["best"]], [70, 21, 0])
        self.assertEqual({score["run_id"] for score in scores["best"]}, {None})
        (mine,) = scores["mine"]
        self.assertEqual((mine["ending"], mine["right_count"]), ("Golden Marrow", 10))
        self.assertEqual(self.http.post(f"{PLAY}/scores", json={"score": 99}).status_code, 405)
        self.assertEqual(len(run["answered"]), 3)
        first = run["answered"][0]
        self.assertEqual(first["result"], "wrong")
        self.assertNotEqual(first["given"], first["right"])

        saved = self.get(GAME)
        saved["document"]["seconds"] = 900
        self.http.put(GAME, json=saved)
        self.assertEqual(self.get(f"{PLAY}/scores")["best"], [], "another revision, other scores")

    def test_what_a_run_showed_is_worked_out_while_others_can_save(self):
        state, saved = self.app.state.app_state, []

        def save():
            with self.database.writing():
                saved.append(True)

        def shown(run, worked_out=state.replays.shown):
            other = threading.Thread(target=save)
            other.start()
            other.join(10)
            saved.append(other.is_alive())
            return worked_out(run)

        with patch.object(state.replays, "shown", shown):
            self.played(12)
        self.assertEqual(saved, [True, False])

    def test_a_best_score_is_told_and_runs_ended_by_the_clock_count_too(self):
        self.assertTrue(self.played(4)["is_best"])
        self.assertFalse(self.played(4)["is_best"], "as good is not better")
        self.assertTrue(self.played(5)["is_best"])
        dot, ed = (
            self.input(self.post("/api/play/games/seed-sums/runs", players=[name]), action="begin")
            for name in ("Dot", "Ed")
        )
        self.wait(61_000)
        ended = self.get(f"/api/play/runs/{dot['id']}")
        self.assertEqual(ended["table"]["phase"], "ended")
        self.assertFalse(ended["is_best"], "no points are no best score")
        self.assertEqual(self.scores(), [], "looking keeps nothing")
        self.input(dot, action="wait")
        self.assertEqual(self.scores(), [("Dot", 0)])
        self.app.state.live_runs.end_those_left(self.clock())
        self.assertEqual(self.scores(), [("Dot", 0), ("Ed", 0)], "nobody looked at this one")
        self.assertEqual(self.get(f"/api/play/runs/{ed['id']}")["table"]["phase"], "ended")

    def scores(self):
        best = self.get("/api/play/games/seed-sums/scores")["best"]
        return sorted((score["player"], score["score"]) for score in best)

    def test_what_was_played_says_something_of_each_question(self):
        for right in (2, 9):
            self.played(right)
        self.http.delete(f"{GAME}/evidence/runs?player=Player 1")  # those of the demo
        given = ["evidence", "harvest-supper", "--data", str(self.database.path)]
        told = json.loads(CliRunner().invoke(cli, [*given, "--json"]).stdout)
        self.assertEqual(told["runs"], 2)
        asked = sum(one["asked"] for one in told["questions"])
        right = sum(sum(one["right_at"]) for one in told["questions"])
        picked = sum(wrong["times"] for one in told["questions"] for wrong in one["picked"])
        self.assertEqual((right, asked - right), (11, picked))
        printed = CliRunner().invoke(cli, given).stdout
        self.assertIn("2 runs", printed)
        self.assertIn("too few", printed)

    def test_what_is_asked_for_writes_nothing(self):
        run, other = self.played(2), self.started()
        store = sqlite3.connect(self.database.path)
        self.addCleanup(store.close)
        before = store.execute("PRAGMA data_version").fetchone()
        known = {"game_id": "harvest-supper", "run_id": run["id"], "load_id": "none"}
        known |= {"pack_id": "harvest-supper-questions", "number": "1", "revision": "1"}
        known |= {"name": "ripe", "ending": "csv", "digest": "none", "study_id": "none"}
        known |= {"kept_id": "none", "language": "pl", "step_number": "1"}
        asked = 0
        for path, here in self.app.openapi()["paths"].items():
            if "get" in here:
                asked += self.http.get(path.format(**known)).status_code == 200
        self.assertGreater(asked, 20)
        self.get(f"/api/play/runs/{other['id']}")
        self.assertEqual(store.execute("PRAGMA data_version").fetchone(), before)

    def test_the_maker_sees_who_played_and_every_step_of_it(self):
        run = self.played(2, players=["<b>Ed</b>\u202e "])
        self.started()
        going, (listed) = self.get(f"{GAME}/runs")
        self.assertIsNone(going["result"])
        self.assertEqual(listed["result"]["score"], 14)
        self.assertEqual(listed["players"], ["<b>Ed</b>"])
        steps = self.get(f"/api/runs/{listed['id']}")
        self.assertTrue(steps["is_players"])
        self.assertEqual(steps["steps"][-1]["table"]["ending"], run["table"]["ending"])
        body = {"seen": steps["seen"], "at": 10**7, "action": {"action": "wait"}}
        refused = self.http.post(f"/api/runs/{listed['id']}/inputs", json=body)
        self.assert_problem(refused, 404, "no run")


class TestPages(PlayersTest):
    def test_the_pages_of_a_list_are_the_list_and_each_links_to_the_next(self):
        for number in range(5):
            self.started()
            game = self.get(GAME)
            game["document"]["title"] = f"Supper {number}"
            self.http.put(GAME, json=game).raise_for_status()
        for path in (
            "/api/games",
            "/api/packs",
            f"{GAME}/runs",
            f"{GAME}/revisions",
        ):
            whole = self.get(path)
            self.assertGreaterEqual(len(whole), 4, path)
            for most in (1, 2, 3, len(whole)):
                address, pages = f"{path}?most={most}", []
                while address:
                    answer = self.http.get(address)
                    pages.append(answer.json())
                    address = answer.links.get("next", {}).get("url")
                self.assertEqual([one for page in pages for one in page], whole, (path, most))
                sizes = [len(page) for page in pages]
                self.assertTrue(all(size == most for size in sizes[:-1]), (path, sizes))
                self.assertEqual(len(pages), -(-len(whole) // most), (path, most))
            self.assertEqual(self.http.get(f"{path}?first=1000").json(), [])
        for query in ("most=0", "most=1001", "first=-1"):
            self.assertEqual(self.http.get(f"/api/games?{query}").status_code, 422, query)


class TestSounds(PlayersTest):
    def test_sounds_are_designed_brought_kept_with_the_game_and_heard(self):
        made = self.post("/api/sounds/made", **SOUND)
        self.assertAlmostEqual(made["seconds"], 0.56, places=2)
        self.assertEqual(len(made["highest"]), 240)
        document = self.get(GAME)
        upload = self.http.post("/api/sounds", files={"file": ("a.wav", wav(SHIPPED[0]))}).json()
        sounds = [SOUND, {"name": "brought", "file": upload["digest"]}]
        document["document"]["sounds"] = sounds
        document["document"]["cues"].append({"name": "new", "on": ["right"], "sound": "mine"})
        saved = self.http.put(GAME, json=document).json()
        address = f"/api/sounds/games/harvest-supper/{saved['revision']}"
        heard = self.http.get(f"{address}/mine")
        self.assertEqual(heard.content, base64.b64decode(made["wav"]))
        self.assertEqual(heard.headers["content-type"], "audio/wav")
        self.assertEqual(self.http.get(f"{address}/brought").content, wav(SHIPPED[0]))
        self.assertEqual(self.http.get(f"{address}/supper bell").status_code, 200)
        self.assert_problem(self.http.get(f"{address}/nothing"), 404, "no sound")

        file = self.http.get(f"{GAME}/file").content
        again = self.http.post("/api/game-files", files={"file": ("g.json", file)}).json()
        self.assertEqual(again["document"]["sounds"], saved["document"]["sounds"])
        torn = file.replace(upload["digest"].encode(), b"0" * 64, 1)
        refused = self.http.post("/api/game-files", files={"file": ("g.json", torn)})
        self.assertIn("sound file of “brought” is not in here", refused.text)

    def test_a_sound_that_would_never_end_is_refused_wherever_it_is_asked_for(self):
        endless = SOUND | {"notes": [{"pitch": "C5", "ms": 10**9}]}
        for sound in (endless, endless | {"file": "0" * 64}):
            answer = self.http.post("/api/sounds/made", json=sound)
            self.assert_problem(answer, 422, "keep to at most 2,000")
        document = self.get(GAME)
        document["document"]["sounds"] = [endless]
        refused = self.assert_problem(self.http.put(GAME, json=document), 422, "at most 2,000")
        self.assertEqual(refused["problems"][0]["where"], "sounds[0].notes[0].ms")
        self.assertEqual(self.get(GAME)["revision"], document["revision"])
        many = SOUND | {"notes": [{"pitch": "C5", "ms": 2000}] * 11}
        answer = self.http.post("/api/sounds/made", json=many)
        self.assert_problem(answer, 409, "keep it within 20")

    def test_what_is_no_sound_is_refused_with_its_place(self):
        broken = SOUND | {"notes": [{"pitch": "H4", "ms": 300}]}
        answer = self.http.post("/api/sounds/made", json=broken)
        body = self.assert_problem(answer, 409, "“H4” is no pitch")
        self.assertEqual(body["problems"][0]["where"], "sound.notes[0].pitch")
        picture = {"file": ("a.png", png())}
        self.assert_problem(self.http.post("/api/sounds", files=picture), 422, "picture")

    def test_a_question_is_read_out_once_and_kept_and_its_absence_is_said(self):
        document = self.get(GAME)
        document["document"]["rounds"][0]["ask"]["reads_aloud"] = True
        self.http.put(GAME, json=document)
        run = self.started()
        self.assertIn("A: ", run["table"]["narration"]["text"])
        voice = f"/api/play/runs/{run['id']}/voice"
        with TemporaryDirectory() as folder, patch.dict(os.environ, {"PATH": folder}):
            self.assert_problem(self.http.post(voice), 404, "no voice on this server")
            speaker = Path(folder, SPEAKER)
            sound, count = Path(folder, "said.wav"), Path(folder, "count")
            sound.write_bytes(wav(SHIPPED[1]))
            find = 'while [ "$1" != -w ]; do shift; done'
            speaker.write_text(f'#!/bin/sh\n{find}\n/bin/cp {sound} "$2"; echo x >> {count}\n')
            speaker.chmod(speaker.stat().st_mode | stat.S_IEXEC)
            for _ in range(2):
                self.assertEqual(self.http.post(voice).content, wav(SHIPPED[1]))
            self.assertEqual(count.read_text(), "x\n")


class TestTheMakersDoor(PlayersTest):
    def opened(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        database = empty_store(Path(folder.name) / "store.sqlite")
        self.addCleanup(database.close)
        app = create_app(
            database, hosts=("testserver",), maker_key="open-up", address="http://192.0.2.7:8000"
        )
        return TestClient(app, follow_redirects=False)

    def test_beyond_loopback_the_makers_pages_ask_for_the_key_and_players_do_not(self):
        http = self.opened()
        for method, address in (
            ("GET", "/api/games"),
            ("GET", "/api/runs/any"),
            ("POST", "/api/sounds/made"),
            ("GET", "/api/openapi.json"),
        ):
            with self.subTest(address=address):
                self.assert_problem(http.request(method, address), 401, "Show the maker's key")
        self.assertEqual(http.get("/api/play/games/none").status_code, 404)
        self.assertEqual(http.get("/api/health").status_code, 200)
        self.assertEqual(http.post("/api/key", json={"key": "open"}).status_code, 401)
        self.assertEqual(http.get("/api/games").status_code, 401)
        self.assertEqual(http.get("/?key=open").status_code, 200, "a wrong key opens nothing")
        into = http.get("/?key=open-up&round=2")
        self.assertEqual((into.status_code, into.headers["location"]), (303, "/?round=2"))
        self.assertIn("HttpOnly", into.headers["set-cookie"])
        self.assertNotIn("open-up", into.headers["set-cookie"])
        self.assertEqual(http.get("/api/games").status_code, 200)
        made = http.post("/api/games", json={"title": "Out"}).json()
        shared = http.get(f"/api/games/{made['id']}/sharing").json()
        self.assertEqual(shared, {"address": "http://192.0.2.7:8000/play/out", "is_local": False})

    def test_what_is_asked_too_often_waits(self):
        run = self.started()
        still = monotonic()
        held = patch.object(rates, "monotonic", return_value=still)  # however slow this is
        held.start()
        self.addCleanup(held.stop)
        statuses = [self.http.get(f"/api/play/runs/{run['id']}").status_code for _ in range(210)]
        self.assertIn(429, statuses)
        refused = self.http.get(f"/api/play/runs/{run['id']}")
        self.assert_problem(refused, 429, "too often")
        self.assertEqual(refused.headers["retry-after"], "5")
        self.assertEqual(self.started()["table"]["phase"], "asking", "another run goes on")
        keys = [self.http.post("/api/key", json={"key": "?"}).status_code for _ in range(9)]
        self.assertNotIn(429, keys)
        guesses = [self.http.get("/?key=guess").status_code for _ in range(2)]
        self.assertEqual(guesses, [200, 429])
