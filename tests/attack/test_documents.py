"""No document that is sent, and none that was kept, locks its maker out."""

import copy
import csv
import json
import random
import re
import sqlite3
import time
from contextlib import suppress
from io import BytesIO, StringIO

from openpyxl import load_workbook

from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

GAMES = ("harvest-supper", "seed-sums", "root-leaf-or-fruit", "shed-words", "slug-patrol")
HOSTILE = (
    *(10**19, -(10**19), 10**400, 2**63, -1, 0, 1e308, float("nan"), float("inf")),
    *(True, None, "", "half \ud83d", "\udc00" * 40, "\x00", "x" * 20_000, "𝔘" * 500),
    *([], {}, [[]] * 50, {"\ud83d": 1}, [None] * 2_000, {"least": 0, "most": 10**18}),
)


def places(value, path=()):
    """Where everything in a document stands."""
    if path:
        yield path
    if isinstance(value, dict | list):
        for name, part in value.items() if isinstance(value, dict) else enumerate(value):
            yield from places(part, (*path, name))


def put(document, path, value):
    for step in path[:-1]:
        document = document[step]
    document[path[-1]] = value


def worse(chance, document, path):
    """Something hostile to stand at a place, more often than not of the kind that does."""
    for step in path:
        document = document[step]
    if isinstance(document, list) and chance.random() < 0.7:
        return document * chance.choice((0, 2, 300))
    kin = [value for value in HOSTILE if type(value) is type(document)]
    return chance.choice(kin if kin and chance.random() < 0.7 else HOSTILE)


TABLES = ("csv", "tab-separated", "spreadsheetml")
BEGIN_FORMULAS = tuple("=+-@\t\r\n＝＋－＠")
"""Where a spreadsheet may begin a formula (OWASP, "CSV Injection", from memory)."""


def cells_of(answer):
    """Every text in the cells of a table that was sent, and whether a workbook runs it."""
    kind = answer.headers["content-type"]
    if "spreadsheetml" in kind:
        for row in load_workbook(BytesIO(answer.content)).active.iter_rows():
            yield from ((str(cell.value or ""), cell.data_type == "f") for cell in row)
        return
    character = "\t" if "tab-separated" in kind else ","
    for row in csv.reader(StringIO(answer.text, newline=""), delimiter=character):
        for cell in row:
            is_number = re.fullmatch(r"-?[0-9.e-]+", cell)
            yield cell, cell.startswith(BEGIN_FORMULAS) and not is_number


@exhaustive
class TestTables(DemoTest):
    def test_no_cell_of_any_table_that_leaves_is_run_as_a_formula(self):
        pack, game = "/api/packs/slug-patrol-questions", "/api/games/slug-patrol"
        hostile = [f"{character}cmd|' /C calc'!A{n}" for n, character in enumerate("=+-@＝＋－＠")]
        questions = [{"prompt": text, "right": [text], "kind": "typed"} for text in hostile]
        edits = [{"row": 0, "remove": 0, "insert": questions}]
        kept = self.http.post(f"{pack}/edits", json={"revision": 1, "edits": edits})
        self.assertEqual(kept.status_code, 200, kept.text)
        held = self.http.get(game).json()
        document = held["document"]
        for text, ending in zip(hostile, document["endings"], strict=False):
            title = text.replace("'", "")
            for mark in "\"'":
                old = f"{mark}{ending['title']}{mark}"
                document["script"] = document["script"].replace(old, f"'{title}'")
            ending["title"] = title
        self.assertEqual(self.http.put(game, json=held).status_code, 200)
        lines = self.http.get(f"{game}/evidence/answers.jsonl").text.splitlines()[: len(hostile)]
        brought = []
        for text, line in zip(hostile, map(json.loads, lines), strict=False):
            line |= {"run": text[:30], "players": [text[:30]]}
            line["shown"] |= {"ending": text}
            for one in line["shown"]["seen"]:
                one |= {"source": text, "prompt": text}
                for tried in one["tries"]:
                    tried["given"] = text
            brought.append(json.dumps(line))
        sent = {"file": ("=1+1.jsonl", "\n".join(brought))}
        taken = self.http.post(f"{game}/evidence/answers", files=sent).json()
        self.assertEqual(taken["taken"], len(brought), taken)
        scouts = {"scouts": [{"name": "=1+1"}], "is_quick": True}
        wanted = [
            ("get", "/api/games/{game_id}/evidence/answers.csv", None),
            ("post", "/api/games/{game_id}/foresight/forecast.csv", scouts),
            *(
                ("get", f"/api/{what}/questions.{ending}", None)
                for what in ("packs/{pack_id}", "templates")
                for ending in ("csv", "tsv", "xlsx")
            ),
        ]
        for method, address, body in wanted:
            at = address.format(game_id="slug-patrol", pack_id="slug-patrol-questions")
            answer = self.http.request(method, at, json=body)
            self.assertEqual(answer.status_code, 200, answer.text[:200])
            cells = list(cells_of(answer))
            self.assertEqual([cell for cell, is_run in cells if is_run], [], at)
            if "templates" not in at:
                self.assertTrue(any("cmd|" in cell for cell, _ in cells), at)
        # Whoever adds a table adds it here.
        spec = self.http.get("/api/openapi.json").json()["paths"]
        tables = {
            (method, path)
            for path, methods in spec.items()
            for method, told in methods.items()
            for kind in told["responses"].get("200", {}).get("content", {})
            if any(name in kind for name in TABLES)
        }
        held_here = {
            (method, re.sub(r"questions\.\w+", "questions.{ending}", at))
            for method, at, _ in wanted
        }
        self.assertEqual(tables, held_here)


@exhaustive
class TestDocuments(DemoTest):
    def pages_answer(self, game):
        for address in ("", f"/{game}", f"/{game}/glance", f"/{game}/revisions"):
            self.assertEqual(self.http.get(f"/api/games{address}").status_code, 200, address)
        self.assertEqual(self.http.get("/api/packs").status_code, 200)
        self.assertIn(self.http.get(f"/api/play/games/{game}").status_code, (200, 409))

    def test_any_json_sent_as_a_game_is_taken_or_refused_at_its_place(self):
        chance, taken, refused = random.Random(12), 0, 0
        for turn in range(70):
            game = GAMES[turn % len(GAMES)]
            held = self.http.get(f"/api/games/{game}").json()
            hostile = copy.deepcopy(held["document"])
            for path in chance.sample(list(places(hostile)), chance.choice((1, 1, 2))):
                # The other change may have taken this place away.
                with suppress(KeyError, IndexError, TypeError):
                    put(hostile, path, worse(chance, hostile, path))
            body = {"revision": held["revision"], "document": hostile}
            began = time.process_time()
            answer = self.send("PUT", f"/api/games/{game}", body)
            self.assertLess(time.process_time() - began, 2)
            now = self.http.get(f"/api/games/{game}").json()
            if answer.status_code == 200:
                taken += 1
            else:
                refused += 1
                self.assertTrue(answer.json()["problems"][0]["where"], answer.text)
                self.assertEqual(now["revision"], held["revision"], "nothing was saved")
            self.pages_answer(game)
            back = {"revision": now["revision"], "document": held["document"]}
            self.assertEqual(self.send("PUT", f"/api/games/{game}", back).status_code, 200)
        self.assertGreater(min(taken, refused), 10)

    def test_any_json_sent_as_a_question_or_an_answer(self):
        pack = "/api/packs/harvest-supper-questions"
        for value in HOSTILE:
            held = self.http.get(pack).json()
            for field in ("prompt", "right", "wrong", "details", "kind"):
                question = {"prompt": "Which?", "right": ["A"], "wrong": ["B"]} | {field: value}
                edit = {"row": 0, "insert": [question]}
                body = {"revision": held["revision"], "edits": [edit]}
                answer = self.send("POST", f"{pack}/edits", body)
                held["revision"] = answer.json().get("revision", held["revision"])
                self.assertEqual(self.http.get(pack).status_code, 200)
                run = self.http.post("/api/play/games/slug-patrol/runs", json={}).json()
                action = {"action": "answer", "value": value, "question": value}
                self.send(
                    "POST", f"/api/play/runs/{run['id']}/inputs", {"seen": 0, "action": action}
                )
                shown = self.http.get(f"/api/play/runs/{run['id']}")
                self.assertEqual(shown.status_code, 200)
        self.pages_answer("harvest-supper")

    def test_what_was_kept_under_other_rules_lists_opens_plays_and_says_what_is_wrong(self):
        held = self.http.get("/api/games/seed-sums").json()
        document = held["document"]
        tampered = {
            ("title",): "Seed \ud83d Sums",
            ("rounds", 0, "sums", 0, "left", "most"): 10**19,
            ("rounds", 0, "draw", "refill"): "sometimes",
            ("rounds", 0, "mood"): "cheerful",
            ("opening",): 7,
        }
        for path, value in tampered.items():
            put(document, path, value)
        self.keep("seed-sums", json.dumps(document))
        self.pages_answer("seed-sums")
        shown = self.http.get("/api/games/seed-sums").json()
        told = {problem["where"] for problem in shown["problems"]}
        for place in ("title", "rounds[0].sums[0].left.most", "rounds[0].draw.refill", "opening"):
            self.assertIn(place, told)
        self.assertEqual(shown["document"]["title"], "Seed � Sums")
        body = {"revision": shown["revision"], "document": shown["document"]}
        body["document"]["title"] = "Seed Sums"
        saved = self.send("PUT", "/api/games/seed-sums", body).json()
        self.assertEqual(saved["problems"], [])

    def test_what_was_kept_and_cannot_be_read_at_all_is_shown_as_such(self):
        for torn in ("[]", "7", '{"title": 1, "rounds": 5', "null", '"\\ud83d"'):
            self.keep("shed-words", torn)
            self.pages_answer("shed-words")
            shown = self.http.get("/api/games/shed-words").json()
            self.assertIn("nothing of what was kept", shown["problems"][0]["what"])

    def keep(self, game, document):
        """Write a document into the newest revision of a game, past every check."""
        with sqlite3.connect(self.path) as store:
            store.execute(
                "UPDATE game_revisions SET document = ? WHERE game_id = ? AND number = "
                "(SELECT max(number) FROM game_revisions WHERE game_id = ?)",
                (document, game, game),
            )
        store.close()
