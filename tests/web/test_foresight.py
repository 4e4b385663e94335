"""Foresight over the wire, and scouts who play on several processes and on a cluster."""

import asyncio
import csv
import io
import json
import os
import time
import unittest
from concurrent.futures import CancelledError
from pathlib import Path
from tempfile import TemporaryDirectory
from types import SimpleNamespace
from unittest.mock import patch

from distributed import LocalCluster
from starlette.exceptions import HTTPException
from typer.testing import CliRunner

from dicetrail.cli import app
from dicetrail.core import Ending, Game, Pack, Question, Round
from dicetrail.core.foresight import SCOUTS, counted, told
from dicetrail.core.play import made_ready
from dicetrail.files import written_game
from dicetrail.scouting import Subject, here, of_cluster, shared_out
from dicetrail.scouting.workers import WorkerGone
from dicetrail.web.beside import _beside
from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

AT = "/api/games/harvest-supper/foresight"
STEADY = {"name": "steady"}
NINE = Game(
    "Nine",
    (Round("R", ("p",), seconds=40),),
    (Ending("Pass", "", 5), Ending("Rest", "")),
    "score = 0\ndef right():\n    score += 1\n",
)
PACK = Pack("P", tuple(Question(f"{n}?", ("a",), ("b", "c", "d")) for n in range(9)))


class TestForesight(DemoTest):
    def get(self, address):
        answer = self.http.get(address)
        self.assertEqual(answer.status_code, 200, answer.text[:300])
        return answer.json()

    def study(self, body, query=""):
        """A study once it is over."""
        begun = self.send("POST", f"{AT}/studies", {"scouts": [STEADY], **body}).json()
        until = time.monotonic() + 60
        while time.monotonic() < until:
            found = self.get(f"{AT}/studies/{begun['id']}{query}")
            if found["is_over"]:
                return found
            time.sleep(0.05)
        raise AssertionError("it goes on for ever")

    def test_the_same_numbers_come_as_json_and_as_a_table(self):
        wanted = {"scouts": [STEADY]}
        told_ = self.send("POST", f"{AT}/forecast", wanted).json()
        self.assertEqual(told_["how"], "exact")
        shares = {one["title"]: one["share"]["share"] for one in told_["endings"]}
        self.assertAlmostEqual(sum(shares.values()), 1, 12)
        table = self.send("POST", f"{AT}/forecast.csv", wanted).text
        rows = list(csv.DictReader(io.StringIO(table)))
        for row in rows:
            if row["what"] == "ending" and row["which"] != "none":
                self.assertAlmostEqual(float(row["share"]), shares[row["which"]], 12)
        self.assertEqual(sum(row["what"] == "seconds" for row in rows), 128)

    def test_a_large_pack_is_fetched_and_a_document_being_edited_is_forecast(self):
        document = self.get("/api/games/harvest-supper")["document"]
        changed = {**document, "script": document["script"].replace("lives = 3", "lives = 1")}
        wanted = {"scouts": [STEADY], "is_quick": True, "document": changed}
        told_ = self.send("POST", f"{AT}/forecast", wanted).json()
        self.assertGreater(told_["endings"][0]["share"]["share"], 0.8)
        with patch("dicetrail.services.programs.MANY", 1):
            wanted["document"] = {**changed, "title": "Another"}
            fetched = self.send("POST", f"{AT}/forecast", wanted).json()
        self.assertEqual(fetched["endings"], told_["endings"])
        broken = {"scouts": [STEADY], "document": {**document, "script": "score ="}}
        self.assertEqual(self.send("POST", f"{AT}/forecast", broken).status_code, 409)

    def test_scouts_are_checked_and_a_game_with_faults_is_not_forecast(self):
        for scout in ({"name": "x", "again": 101}, {"name": "x", "right": [50, -1]}, {"speed": 1}):
            with self.subTest(scout=scout):
                refused = self.send("POST", f"{AT}/forecast", {"scouts": [scout]})
                self.assertEqual(refused.status_code, 422)
        for scouts in ([], [STEADY, STEADY]):
            refused = self.send("POST", f"{AT}/forecast", {"scouts": scouts})
            self.assertEqual(refused.status_code, 422)
        made = self.send("POST", "/api/games", {"title": "Empty"}).json()
        at = f"/api/games/{made['id']}/foresight"
        self.assertEqual(self.send("POST", f"{at}/forecast", {"scouts": [STEADY]}).status_code, 409)
        self.assertEqual(self.http.get(f"{AT}/studies/none").status_code, 404)

    def test_a_number_is_turned_the_nearest_found_and_set(self):
        knobs = {one["knob"]["label"]: one for one in self.get(f"{AT}/knobs")}
        lives = knobs["lives at the start"]
        found = self.study({"key": lives["knob"]["key"]}, "?ending=2&share=0.4")
        values = [one["value"] for one in found["turned"]]
        self.assertEqual(values, lives["values"])
        shares = {
            one["value"]: one["forecast"]["endings"][2]["share"]["share"] for one in found["turned"]
        }
        self.assertEqual(sorted(shares.values()), list(shares.values()))
        best = min(shares, key=lambda value: abs(shares[value] - 0.4))
        self.assertEqual(found["found"]["value"], best)
        body = {"key": lives["knob"]["key"], "value": best}
        document = self.send("POST", f"{AT}/set", body).json()
        self.assertIn(f"lives = {best}", document["script"])
        marks = knobs["“Best in Show” from (score)"]["knob"]
        moved = self.send("POST", f"{AT}/set", {"key": marks["key"], "value": 50}).json()
        self.assertEqual(
            (moved["endings"][2]["at_least"], moved["endings"][3]["at_most"]), (50, 49)
        )
        for wrong in ({"key": "none", "value": 1}, {"key": marks["key"], "value": 99}):
            self.assertIn(self.send("POST", f"{AT}/set", wrong).status_code, (404, 422))

    def test_witnesses_end_as_they_say(self):
        found = self.send("POST", f"{AT}/witnesses", {}).json()
        game = self.get("/api/games/harvest-supper")["document"]
        for number, witness in enumerate(found["endings"]):
            self.assertEqual(found["why"][number], "")
            body = {"game_id": "harvest-supper", **{k: witness[k] for k in ("dice", "inputs")}}
            run = self.send("POST", "/api/runs", body).json()
            table = run["steps"][-1]["table"]
            self.assertEqual(table["ending"]["title"], game["endings"][number]["title"])
            self.assertEqual(table["score"], witness["score"])
        self.assertGreater(len(found["scores"]), 40)

    def test_scouts_play_with_progress_and_can_be_given_up(self):
        found = self.study({"games": 300})
        self.assertEqual((found["done"], found["failure"]), (300, ""))
        exact = self.send("POST", f"{AT}/forecast", {"scouts": [STEADY], "is_quick": True}).json()
        for drawn, one in zip(found["forecast"]["endings"], exact["endings"], strict=True):
            share = drawn["share"]
            self.assertLess(share["least"] - 0.04, one["share"]["share"])
            self.assertGreater(share["most"] + 0.04, one["share"]["share"])
        begun = self.send("POST", f"{AT}/studies", {"scouts": [STEADY], "games": 1_000_000}).json()
        at = f"{AT}/studies/{begun['id']}"
        self.assertEqual(self.http.delete(at).status_code, 204)
        until = time.monotonic() + 30
        while not (left := self.get(at))["is_over"] and time.monotonic() < until:
            time.sleep(0.05)
        self.assertTrue(left["is_over"])
        self.assertLess(left["done"], 1_000_000)

    def test_what_a_forecast_finds_wrong_is_told_at_its_bench(self):
        problems = self.get(f"{AT}/problems")
        (one,) = [problem for problem in problems if "New Plot" in problem["what"]]
        self.assertEqual((one["stop"], one["severity"]), ("end", "warning"))


@exhaustive
class TestScouting(unittest.TestCase):
    """The same seeds are the same result, however many share the work."""

    def played_by(self, crew, runs=220):
        subject = Subject(f"nine {id(crew)}", NINE, {"p": PACK})
        *_, last = shared_out(crew, subject, SCOUTS[:1], range(runs))
        return last

    def test_one_two_and_a_cluster_come_to_the_same(self):
        program = made_ready(NINE, {"p": PACK})
        alone = counted(program, SCOUTS[:1], range(220))
        for workers in (1, 2):
            crew = here(workers)
            self.addCleanup(crew.close)
            self.assertEqual(self.played_by(crew), alone)
        asyncio.set_event_loop(asyncio.new_event_loop())
        with (
            LocalCluster(
                n_workers=2, threads_per_worker=1, dashboard_address=None, processes=True
            ) as cluster,
            of_cluster(cluster.scheduler_address) as crew,
        ):
            self.assertEqual(crew.workers, 2)
            self.assertEqual(self.played_by(crew), alone)
            with TemporaryDirectory() as folder:
                file = Path(folder) / "nine.json"
                file.write_bytes(written_game(NINE, {"p": PACK}))
                given = [str(file), "--games", "220", "--scout", "guessing", "--json"]
                scheduler = ["--scheduler", cluster.scheduler_address]
                printed = CliRunner().invoke(app, ["scouts", *given, *scheduler])
                here_ = CliRunner().invoke(app, ["scouts", *given, "--workers", "2"])
        self.assertEqual(printed.exit_code, 0, printed.output)
        self.assertEqual(printed.stdout, here_.stdout)
        shares = [one["share"]["share"] for one in json.loads(printed.stdout)["endings"]]
        own = told(program, SCOUTS[:1], alone, "").endings
        self.assertEqual(shares, [one.share.share for one in own])

    def test_a_task_that_is_given_up_ends_at_once_and_its_worker_is_free(self):
        crew = here(1)
        self.addCleanup(crew.close)
        self.assertEqual(crew.submit(sum, (1, 2)).result(20), 3)
        long = crew.submit(time.sleep, 60)
        never = crew.submit(time.sleep, 60)
        after = crew.submit(sum, (3, 4))
        time.sleep(0.3)
        began = time.monotonic()
        never.cancel()
        long.cancel()
        with self.assertRaises(CancelledError):
            long.result(20)
        self.assertLess(time.monotonic() - began, 1)
        self.assertEqual(after.result(20), 7)
        with self.assertRaises(ZeroDivisionError):
            crew.submit(divmod, 1, 0).result(20)
        with self.assertRaises(WorkerGone):
            crew.submit(os._exit, 1).result(20)
        self.assertEqual(crew.submit(sum, (5, 6)).result(20), 11)

    def test_what_is_done_for_a_page_that_is_gone_stops_and_frees_its_worker(self):
        crew = here(1)
        self.addCleanup(crew.close)

        class Gone:
            app = SimpleNamespace(state=SimpleNamespace(app_state=SimpleNamespace(crew=crew)))
            is_gone = False

            async def is_disconnected(self):
                return self.is_gone

        async def asked():
            page = Gone()
            done = await _beside(page)
            self.assertEqual(await done(sum, (1, 2)), 3)
            page.is_gone = True
            began = time.monotonic()
            with self.assertRaises(HTTPException) as refused:
                await done(time.sleep, 60)
            self.assertEqual(refused.exception.status_code, 408)
            page.is_gone = False
            self.assertEqual(await done(sum, (3, 4)), 7)
            self.assertLess(time.monotonic() - began, 20, "it was not waited for")

        asyncio.run(asked())

    def test_a_scheduler_that_does_not_answer_is_told(self):
        with TemporaryDirectory() as folder:
            file = Path(folder) / "nine.json"
            file.write_bytes(written_game(NINE, {"p": PACK}))
            given = ["scouts", str(file), "--scheduler", "tcp://127.0.0.1:9"]
            found = CliRunner().invoke(app, given)
        self.assertEqual(found.exit_code, 1)
        self.assertIn("No scheduler answers", found.stdout)
