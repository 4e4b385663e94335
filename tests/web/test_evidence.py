"""Evidence, kept runs, runs being watched, and what is deleted for good, over HTTP."""

import csv
import io
import json
import subprocess
import sys
import time
import unittest
from collections import Counter
from datetime import datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch
from uuid import UUID

from sqlalchemy import text
from typer.testing import CliRunner

from dicetrail.cli import app as cli
from dicetrail.core.foresight import playthrough, walked
from dicetrail.core.foresight.scouts import SCOUTS
from dicetrail.core.play import replay
from dicetrail.files import ANSWERS, PlayedElsewhere, written_lines
from tests.exhaustive import exhaustive
from tests.web.test_api import GAME
from tests.web.test_players import PLAY, PlayersTest

EVIDENCE = f"{GAME}/evidence"
KEPT = f"{GAME}/kept"
PACK = "/api/packs/harvest-supper-questions"


class TestEvidence(PlayersTest):
    def setUp(self):
        super().setUp()
        self.http.delete(f"{EVIDENCE}/runs")  # those of the demo

    def brought(self, content, status=200):
        answer = self.http.post(f"{EVIDENCE}/answers", files={"file": ("class.jsonl", content)})
        self.assertEqual(answer.status_code, status, answer.text[:300])
        return answer.json()

    def played_by_scouts(self, runs):
        """Answers of runs that beginners played elsewhere, as a file."""
        program = self.app.state.app_state.programs.now("harvest-supper")
        found = []
        for dice in range(runs):
            walk = list(walked(program, [SCOUTS[1]], dice))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, dice, ("beginner",), inputs)
            shown = playthrough(program, moments, inputs)
            found.append(
                PlayedElsewhere(ANSWERS, f"run {dice}", 1, self.time, (f"Pupil {dice}",), shown)
            )
        return "".join(written_lines(found)).encode()

    def test_runs_become_evidence_and_each_number_leads_to_its_runs(self):
        for right in (12, 3, 0):
            self.played(right, players=["Ed"] if right else ["Ivy"])
        self.started(players=["Now"])
        told = self.get(EVIDENCE)
        self.assertEqual((told["came"]["runs"], told["came"]["ended"], told["going_on"]), (3, 3, 1))
        self.assertEqual(told["players"], ["Ed", "Ivy"])
        asked = sum(one["asked"] for one in told["evidence"]["questions"])
        self.assertGreater(asked, 15)
        for number, one in enumerate(told["evidence"]["questions"]):
            for of, count in (("asked", one["asked"]), ("late", one["late"])):
                behind = self.get(f"{EVIDENCE}/runs?question={number}&of={of}")
                self.assertEqual(len(behind), count)
        behind = self.get(f"{EVIDENCE}/runs?question=0")[0]
        run = self.get(f"/api/runs/{behind['run_id']}")
        done = run["steps"][behind["step"]]["footprints"]
        self.assertIn(told["evidence"]["questions"][0]["prompt"], json.dumps(done))
        for ending in told["came"]["endings"]:
            came = self.get(f"{EVIDENCE}/endings?ending={ending['title']}")
            self.assertEqual(len(came), round(3 * ending["share"]["share"]))
            self.assertEqual({one["result"] for one in came}, {ending["title"]})
        for score in told["came"]["scores"]:
            came = self.get(f"{EVIDENCE}/endings?score={score['value']}")
            self.assertEqual(len(came), round(3 * score["share"]))
        ed = self.get(f"{EVIDENCE}?player=Ed")["came"]["runs"]
        self.assertEqual((ed, self.get(f"{EVIDENCE}?revision=2")["came"]["runs"]), (2, 0))
        later = (self.time + timedelta(days=1)).strftime("%Y-%m-%dT%H:%M:%S")
        self.assertEqual(self.get(f"{EVIDENCE}?since={later}")["came"]["runs"], 0)
        self.assertEqual(self.get(f"{EVIDENCE}?before={later}")["came"]["runs"], 3)
        missing = self.http.get(f"{EVIDENCE}/runs?question=999")
        self.assertEqual(missing.status_code, 404)

    def test_runs_that_cannot_be_read_are_left_out_and_counted(self):
        runs = [self.played(right)["id"] for right in (12, 3, 0)]
        self.brought(self.played_by_scouts(2))
        with self.database.writing() as store:
            store.execute(
                text("UPDATE runs SET started_at = 'never' WHERE id = :id"), {"id": runs[0]}
            )
            store.execute(text("UPDATE brought_runs SET players = '{' WHERE run = 'run 1'"))
        for address in (EVIDENCE, f"{EVIDENCE}?revision=1"):
            told = self.get(address)
            self.assertEqual((told["came"]["runs"], told["left_out"]), (3, 2), address)

    def test_a_run_that_was_left_is_counted_after_a_while(self):
        self.answered(self.started(), 0)
        self.assertEqual(self.get(EVIDENCE)["going_on"], 1)
        self.wait(31 * 60_000)
        came = self.get(EVIDENCE)["came"]
        # Nobody answered further, so its clocks ended it or it was left.
        self.assertEqual(came["runs"], 1)
        left = sum(
            len(self.get(f"{EVIDENCE}/endings?left_after={after}"))
            for after in range(len(came["left_after"]))
        )
        self.assertEqual(left, sum(came["left_after"]))

    def test_what_is_saved_is_brought_in_elsewhere_and_never_twice(self):
        for right in (12, 1):
            self.played(right, players=["Marjory"])
        lines = self.http.get(f"{EVIDENCE}/answers.jsonl").content
        self.assertEqual(self.brought(lines), {"taken": 0, "already": 2, "refused": []})
        before = self.get(EVIDENCE)
        gone = self.http.delete(f"{EVIDENCE}/runs")
        self.assertEqual(gone.json(), {"runs": 2})
        self.assertEqual(self.get(EVIDENCE)["came"]["runs"], 0)
        self.assertEqual(self.brought(lines)["taken"], 2)
        self.assertEqual(self.brought(lines)["already"], 2)
        after = self.get(EVIDENCE)
        self.assertEqual(after["evidence"], before["evidence"])
        self.assertEqual(after["came"], before["came"])
        self.assertEqual(after["brought"], [{"file_name": "class.jsonl", "runs": 2}])
        rows = list(csv.DictReader(io.StringIO(self.http.get(f"{EVIDENCE}/answers.csv").text)))
        self.assertEqual(len(rows), sum(one["asked"] for one in after["evidence"]["questions"]))
        self.assertEqual({row["player"] for row in rows}, {"Marjory"})
        for kind in ("csv", "jsonl"):
            nameless = self.http.get(f"{EVIDENCE}/answers.{kind}?names=false").text
            self.assertNotIn("Marjory", nameless)
            self.assertIn("Player 1", nameless)

    def test_bad_lines_are_told_with_their_place_and_the_others_taken(self):
        lines = self.played_by_scouts(3).decode().splitlines()
        whole = json.loads(lines[0])
        shown = whole["shown"]
        bad = [
            lines[0][:50],
            json.dumps({**whole, "format": "another"}),
            json.dumps({**whole, "colour": 1}),
            json.dumps({**whole, "shown": {**shown, "seconds": -1}}),
            json.dumps({**whole, "shown": {**shown, "score": "much"}}),
            *(
                json.dumps({**whole, "run": f"far {value}", "shown": {**shown, name: value}})
                for name in ("seconds", "score")
                for value in (1e308, 10**12, float("inf"), float("nan"))
            ),
            *(
                json.dumps({**whole, "run": f"at {when}", "started_at": when})
                for when in (
                    *("9999-12-31T23:59:59-23:59", "9998-01-01T00:00:00Z"),
                    *("0001-01-01T00:00:00+23:59", "1969-12-31T00:00:00Z"),
                    *("1970-01-01T00:00:00+14:00", "8999-12-31T23:59:59-12:00"),
                )
            ),
            json.dumps({**whole, "started_at": "yesterday"}),
            "[]",
        ]
        told = self.brought("\n".join([*lines, "", *bad]).encode())
        self.assertEqual((told["taken"], len(told["refused"])), (3, len(bad)))
        lines_refused = [one["line"] for one in told["refused"]]
        self.assertEqual(lines_refused, [*range(5, 5 + len(bad))])
        for one in told["refused"]:
            self.assertTrue(one["what"] and one["mend"] and one["text"])
        self.assertGreater(told["refused"][0]["column"], 1)
        for nothing in (b"", b"\xff\xfe\x00", b"\n \n"):
            refused = self.brought(nothing, 422)
            self.assertTrue(refused["problems"][0]["mend"])
        self.assertEqual(self.get(EVIDENCE)["came"]["runs"], 3)

    def test_what_is_suggested_can_be_set_and_taken_back(self):
        self.assertEqual(self.brought(self.played_by_scouts(150))["taken"], 150)
        told = self.get(EVIDENCE)
        found = [one for some in told["suggestions"] for one in some]
        self.assertTrue(found)
        one = found[0]
        before = self.get(PACK)["questions"]
        self.assertEqual(before[one["row"]], one["before"])
        edit = {"row": one["row"], "remove": 1, "insert": [one["after"]]}
        body = {"revision": one["pack_revision"], "edits": [edit]}
        saved = self.post(f"{PACK}/edits", **body)
        self.assertEqual(self.get(PACK)["questions"][one["row"]], one["after"])
        left = self.get(EVIDENCE)["suggestions"]
        self.assertNotIn(one["after"], [more["after"] for some in left for more in some])
        body = {"revision": saved["revision"], "edits": [{**edit, "insert": [one["before"]]}]}
        self.post(f"{PACK}/edits", **body)
        self.assertEqual(self.get(PACK)["questions"], before)

    def test_a_scout_is_made_of_those_who_played_and_its_forecast_laid_over_them(self):
        self.brought(self.played_by_scouts(150))
        scout = self.get(f"{EVIDENCE}/scout")
        self.assertEqual(scout["name"], "like those who played")
        self.assertAlmostEqual(scout["median_ms"], SCOUTS[1].median_ms, delta=900)
        told = self.post(f"{EVIDENCE}/calibration")
        self.assertEqual(told["came"]["runs"], 150)
        self.assertTrue(all(one["is_borne_out"] for one in told["endings"]), told["endings"])
        expert = {"scouts": [{"name": "expert", "right": [97, 95, 90, 85, 75]}]}
        told = self.post(f"{EVIDENCE}/calibration", **expert)
        self.assertFalse(all(one["is_borne_out"] for one in told["endings"]))
        two = {"scouts": [{"name": "a"}, {"name": "b"}]}
        self.assertEqual(self.http.post(f"{EVIDENCE}/calibration", json=two).status_code, 422)

    def test_what_is_deleted_is_gone_from_the_file_for_good(self):
        name = "Wilhelmina Quince"
        self.played(2, players=[name])
        self.played(2, players=["Ed"])
        content = self.database.path.read_bytes() + self.wal()
        self.assertIn(name.encode(), content)
        gone = self.http.delete(f"{EVIDENCE}/runs?player={name}").json()
        self.assertEqual(gone, {"runs": 1})
        self.assertNotIn(name.encode(), self.database.path.read_bytes() + self.wal())
        self.assertEqual(self.get(EVIDENCE)["players"], ["Ed"])
        self.wait(86_400_000)
        before = self.time.strftime("%Y-%m-%dT%H:%M:%S")
        self.assertEqual(self.http.delete(f"{EVIDENCE}/runs?before={before}").json(), {"runs": 1})
        self.assertEqual(self.get(f"{GAME}/runs"), [])

    def test_a_deleted_run_is_not_shown_from_memory_and_takes_nothing(self):
        run = self.played(1, players=["Wilhelmina Quince"])
        going = self.started(players=["Wilhelmina Quince"])
        addresses = [
            f"/api/{place}/{one['id']}" for place in ("play/runs", "runs") for one in (run, going)
        ]
        for address in addresses:
            self.get(address)
        self.assertEqual(self.http.delete(f"{EVIDENCE}/runs").json(), {"runs": 2})
        for address in addresses:
            answer = self.http.get(address)
            self.assertEqual(answer.status_code, 404, address)
            self.assertNotIn("Wilhelmina", answer.text)
        self.assertEqual(self.answered(going, 10).status_code, 404)
        self.assertNotIn("Wilhelmina", self.http.get(f"{GAME}/runs").text)
        self.assertEqual(self.get(f"{PLAY}/scores?key={'k' * 20}")["best"], [])

    def test_words_leave_the_files_once_another_process_stops_reading(self):
        name = "Wilhelmina Quince"
        self.played(2, players=[name])
        reads = (
            "import sqlite3, sys; s = sqlite3.connect(sys.argv[1], isolation_level=None);"
            "s.execute('BEGIN'); s.execute('SELECT * FROM runs').fetchall();"
            "print(1, flush=True); sys.stdin.read()"
        )
        reader = subprocess.Popen(
            [sys.executable, "-c", reads, self.database.path],
            stdin=subprocess.PIPE,
            stdout=subprocess.PIPE,
        )
        with reader:
            reader.stdout.readline()
            began = time.monotonic()
            self.assertEqual(self.http.delete(f"{EVIDENCE}/runs").json(), {"runs": 1})
            self.assertLess(time.monotonic() - began, 2, "nobody waits for the reader")
            self.assertIn(name.encode(), self.database.path.read_bytes() + self.wal())
            self.started(players=["Ed"])
        until = time.monotonic() + 20
        while name.encode() in self.database.path.read_bytes() + self.wal():
            self.assertLess(time.monotonic(), until, "what was deleted is still in the files")
            time.sleep(0.2)

    def wal(self):
        path = Path(f"{self.database.path}-wal")
        return path.read_bytes() if path.exists() else b""

    def test_runs_being_played_are_seen_and_a_remark_is_kept_with_the_run(self):
        run = self.started(players=["Ivy"])
        self.wait(4000)
        (listed) = self.get(f"{GAME}/runs")[0]
        now = listed["now"]
        self.assertEqual((now["player"], now["question"], now["seconds"]), ("Ivy", 1, 4))
        self.answered(run, 4000, self.right_place(run))
        now = self.get(f"{GAME}/runs")[0]["now"]
        self.assertEqual((now["question"], now["idle_seconds"]), (1, 0))
        self.assertGreater(now["score"], 0)
        self.assertTrue(self.get(f"/api/runs/{run['id']}")["steps"][2:])
        at = f"/api/play/runs/{run['id']}/remark"
        self.assertEqual(self.http.post(at, json={"words": "nice"}).status_code, 409)
        view = self.get(GAME)
        view["document"]["opening"]["asks_remark"] = True
        body = {"revision": view["revision"], "document": view["document"]}
        self.assertEqual(self.http.put(GAME, json=body).status_code, 200)
        ended = self.played(0, players=["Ivy"])
        self.assertTrue(ended["asks_remark"])
        at = f"/api/play/runs/{ended['id']}/remark"
        self.assertEqual(self.http.post(at, json={"words": "  the leek one! "}).status_code, 204)
        listed = next(one for one in self.get(f"{GAME}/runs") if one["id"] == ended["id"])
        self.assertEqual((listed["now"], listed["remark"]), (None, "the leek one!"))
        self.assertIn("the leek one!", self.http.get(f"{EVIDENCE}/answers.jsonl").text)
        quiet = self.http.get(f"{EVIDENCE}/answers.jsonl?names=false").text
        self.assertNotIn("the leek one!", quiet)
        self.assertEqual(self.http.post(at, json={"words": "x" * 1001}).status_code, 422)


class TestStatements(PlayersTest):
    """Held against the Experience API 1.0.3 (ADL, 2016), part two, sections 2.2 to 2.4 and 4.1:
    what a statement has to have, written down from memory."""

    def statements(self, query=""):
        return self.http.get(f"{EVIDENCE}/statements.json{query}").json()

    def test_each_question_and_each_end_is_a_statement_that_a_record_store_takes(self):
        lines = self.http.get(f"{EVIDENCE}/answers.jsonl").text.splitlines()
        runs = [json.loads(line) for line in lines]
        told = self.statements()
        self.assertEqual(len(told), sum(len(run["shown"]["seen"]) + 1 for run in runs))
        self.assertEqual(told, self.statements())
        self.assertEqual(len({one["id"] for one in told}), len(told))
        for one in told:
            self.assertEqual(str(UUID(one["id"])), one["id"])
            self.assertEqual(str(UUID(one["context"]["registration"])).count("-"), 4)
            self.assertIsNotNone(datetime.fromisoformat(one["timestamp"]).tzinfo)
            self.assertRegex(one["result"]["duration"], r"^PT\d+\.\d\dS$")
            account = one["actor"]["account"]
            for address in (account["homePage"], one["verb"]["id"], one["object"]["id"]):
                self.assertRegex(address, r"^https?://[^\s]+$")
            self.assertTrue(account["name"])
            shown = one["object"]["definition"].get("choices", [])
            names = {choice["id"] for choice in shown}
            self.assertEqual(len(names), len(shown))
            if shown:
                self.assertLessEqual(
                    set(one["object"]["definition"]["correctResponsesPattern"]), names
                )
        ends = Counter(one["verb"]["display"]["en"] for one in told)
        passing = {"Golden Marrow", "Best in Show"}
        came = [run["shown"].get("ending") for run in runs]
        self.assertEqual(ends["passed"], sum(ending in passing for ending in came))
        self.assertEqual(ends["terminated"], came.count(None))
        self.assertEqual(ends["failed"], len(runs) - ends["passed"] - ends["terminated"])
        rights = [
            one["result"]["success"] for one in told if one["verb"]["id"].endswith("/answered")
        ]
        seen = [one["result"] in ("right", "close") for run in runs for one in run["shown"]["seen"]]
        self.assertEqual(rights, seen)

    def test_names_are_told_only_where_they_are_wanted_and_no_runs_are_an_empty_array(self):
        names = {one["actor"]["name"] for one in self.statements("?names=false")}
        self.assertLessEqual(names, {"Player 1", "Player 2"})
        self.assertEqual(self.http.get("/api/games/seed-sums/evidence/statements.json").json(), [])


@exhaustive
class TestKeptRuns(PlayersTest):
    def held(self):
        return self.get(f"{KEPT}/held")["runs"]

    def changed(self, old, new):
        view = self.get(GAME)
        document = json.loads(json.dumps(view["document"]).replace(old, new))
        body = {"revision": view["revision"], "document": document}
        saved = self.http.put(GAME, json=body)
        self.assertEqual(saved.status_code, 200, saved.text[:300])

    def test_kept_runs_hold_until_the_game_changes_and_can_be_accepted_anew(self):
        ready = self.post(f"{KEPT}/ready")
        names = [one["name"] for one in ready]
        self.assertEqual(
            names[:4], ["all right", "all wrong", "all late", "right and wrong in turns"]
        )
        self.assertEqual(sum(name.startswith("ends as") for name in names), 5)
        self.assertTrue(all(one["holds"] for one in self.held()))
        self.assertEqual(len(self.post(f"{KEPT}/ready")), len(self.get(KEPT)))
        self.changed("lives = 3", "lives = 2")
        changed = [one for one in self.held() if not one["holds"]]
        self.assertTrue(changed)
        one = next(card for card in self.get(KEPT) if card["name"] == "all wrong")
        told = next(card for card in changed if card["id"] == one["id"])
        self.assertTrue(told["what"] and told["stop"])
        whole = self.get(f"{KEPT}/{one['id']}")
        at = whole["held"]["step"]
        self.assertNotEqual(whole["now"][at], whole["before"][at])
        self.assertEqual(whole["now"][:at], whole["before"][:at])
        self.assertEqual(whole["changes"], ["rules: lives 3 → 2"])
        accepted = self.post(f"{KEPT}/{one['id']}/accept")
        self.assertEqual(accepted["revision"], 2)
        self.assertTrue(next(c for c in self.held() if c["id"] == one["id"])["holds"])
        self.changed("lives = 2", "lives = 3")
        self.assertFalse(next(c for c in self.held() if c["id"] == one["id"])["holds"])

    def test_any_run_can_be_kept_renamed_and_let_go_without_the_names_of_players(self):
        run = self.played(3, players=["Marjory"])
        body = {
            "run_id": run["id"],
            "name": " three right ",
            "why": "as Marjory played",
            "steps": 5,
        }
        kept = self.post(KEPT, **body)
        self.assertEqual((kept["name"], kept["players"]), ("three right", ["Player 1"]))
        self.assertEqual(len(kept["inputs"]), 5)
        beaten = self.played(12, players=["Ed"])
        again = self.post(KEPT, run_id=self.played(12)["id"], name="a best to beat")
        self.assertTrue(beaten["table"]["ending"])
        told = self.get(f"{KEPT}/{again['id']}")["before"]
        self.assertNotIn("best supper score", json.dumps(told[-1]), "as it was no better than Ed's")
        self.http.delete(f"{KEPT}/{again['id']}")
        self.assertEqual(self.held()[0]["what"], "")
        renamed = self.http.put(f"{KEPT}/{kept['id']}", json={"name": "three", "why": ""}).json()
        self.assertEqual((renamed["name"], renamed["why"]), ("three", ""))
        self.changed("lives = 3", "lives = 9")
        for minds, holds in ((kept["minds"], False), ([], True), (["counters"], False)):
            said = {"name": "three", "why": "", "minds": minds}
            self.assertEqual(self.http.put(f"{KEPT}/{kept['id']}", json=said).status_code, 200)
            (told,) = self.held()
            self.assertEqual((told["holds"], not told["said"]), (holds, holds), minds)
        self.changed("lives = 9", "lives = 3")
        branch = {"game_id": "harvest-supper", "dice": kept["dice"], "inputs": kept["inputs"]}
        self.assertEqual(len(self.post("/api/runs", **branch)["steps"]), 6)
        other = self.http.post("/api/games/seed-sums/kept", json=body)
        self.assertEqual(other.status_code, 422)
        self.assertEqual(self.http.delete(f"{KEPT}/{kept['id']}").status_code, 204)
        self.assertEqual(self.get(KEPT), [])
        self.assertEqual(self.held(), [])
        self.assertEqual(self.http.get(f"{KEPT}/{kept['id']}").status_code, 404)

    def test_a_change_in_a_pack_is_found_and_a_game_with_faults_says_so(self):
        self.post(f"{KEPT}/ready")
        pack = self.get(PACK)
        for row, question in enumerate(pack["questions"]):
            edit = {
                "row": row,
                "remove": 1,
                "insert": [{**question, "prompt": question["prompt"] + "!"}],
            }
            body = {"revision": self.get(PACK)["revision"], "edits": [edit]}
            self.assertEqual(self.http.post(f"{PACK}/edits", json=body).status_code, 200)
        stops = {one["stop"] for one in self.held() if not one["holds"]}
        self.assertTrue(stops <= {"draw", "ask"}, stops)
        self.assertTrue(stops)
        self.changed("lives = 3", "lives = ")
        self.assertEqual(self.http.get(f"{KEPT}/held").status_code, 409)

    def test_they_travel_in_the_game_file_and_are_checked_on_the_command_line(self):
        self.post(f"{KEPT}/ready")
        content = self.http.get(f"{GAME}/file").content
        self.assertEqual(len(json.loads(content)["kept"]), len(self.get(KEPT)))
        made = self.http.post("/api/game-files", files={"file": ("s.json", content)}).json()
        brought = self.get(f"/api/games/{made['id']}/kept")
        self.assertEqual([one["name"] for one in brought], [one["name"] for one in self.get(KEPT)])
        held = self.get(f"/api/games/{made['id']}/kept/held")["runs"]
        self.assertEqual([one["what"] for one in held if not one["holds"]], [])
        copy = self.post(f"{GAME}/copies")
        self.assertEqual(len(self.get(f"/api/games/{copy['id']}/kept")), len(brought))
        with TemporaryDirectory() as folder:
            path = Path(folder) / "supper.json"
            path.write_bytes(content)
            good = CliRunner().invoke(cli, ["check", str(path), "--kept"])
            self.assertEqual(good.exit_code, 0, good.output)
            self.assertIn("9 of 9 kept runs hold", good.output)
            path.write_text(content.decode().replace("lives = 3", "lives = 2"))
            bad = CliRunner().invoke(cli, ["check", str(path), "--kept"])
            self.assertEqual(bad.exit_code, 1)
            self.assertIn("changed all wrong", bad.output)
            self.assertEqual(CliRunner().invoke(cli, ["check", str(path)]).exit_code, 0)
            document = json.loads(content)
            for field, value in (("dice", -1), ("players", []), ("name", "")):
                document["kept"][0] = {**json.loads(content)["kept"][0], field: value}
                path.write_text(json.dumps(document))
                refused = CliRunner().invoke(cli, ["check", str(path)])
                self.assertEqual(refused.exit_code, 1)
                self.assertIn("kept[0]", refused.output)
        here = CliRunner().invoke(
            cli, ["check", "harvest-supper", "--kept", "--data", str(self.database.path)]
        )
        self.assertIn("9 of 9 kept runs hold", here.output)

    def test_no_more_are_kept_than_there_is_room_for(self):
        with patch("dicetrail.web.kept.routes.MAX_KEPT", 3):
            self.assertEqual(self.http.post(f"{KEPT}/ready").status_code, 422)
        self.assertEqual(self.get(KEPT), [])


if __name__ == "__main__":
    unittest.main()
