"""No file harms the process that serves players, and each that is refused is refused in words."""

import json
import os
import pickle
import subprocess
import threading
import time
import unittest
import zipfile
from io import BytesIO
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from openpyxl import Workbook

from dicetrail.files import FileProblem, ImportOptions
from dicetrail.files.sandbox import GivenUp, Sandbox
from dicetrail.files.sandbox.parent import heard
from dicetrail.services import loads as loading
from tests.attack.damage import read_damaged, whole_files, workbook
from tests.exhaustive import exhaustive
from tests.files.samples import archive, svg
from tests.server import Server
from tests.web.demo import MADE, DemoTest

DAMAGED = 2_200


def sheet(rows):
    """A small workbook with these rows of XML for its sheet."""
    book, out = Workbook(), BytesIO()
    book.active.append(["Q?", "a", "b"])
    book.save(out)
    with zipfile.ZipFile(out) as whole:
        parts = {name: whole.read(name) for name in whole.namelist()}
    name = "xl/worksheets/sheet1.xml"
    start, _, rest = parts[name].partition(b"<sheetData>")
    end = rest.partition(b"</sheetData>")[2]
    parts[name] = start + b"<sheetData>" + rows + b"</sheetData>" + end
    return archive(parts)


CELL = b'<c t="inlineStr"><is><t>x</t></is></c>'
HOSTILE = {
    "YAML nested": ("/api/loads", b"questions:\n  " + b"[" * 40_000),
    "YAML of flow maps": ("/api/loads", b"questions: " + b"{a: " * 40_000),
    "YAML in base sixty": ("/api/loads", b"- prompt: 1" + b":1" * 1_000_000),
    "YAML that refers": ("/api/loads", b"title: x\na: &a [x]\nb: &b [*a,*a]\nquestions: [*b]"),
    "JSON nested": ("/api/loads", b"[" * 200_000),
    "JSON of long numbers": ("/api/loads", b'[{"prompt": ' + b"9" * 100_000 + b"}]"),
    "a far row": ("/api/loads", sheet(b'<row r="1000000000000">' + CELL + b"</row>")),
    "many cells": ("/api/loads", sheet(b"<row>" + CELL * 300_000 + b"</row>")),
    "deep XML": ("/api/loads", sheet(b"<row>" * 200_000)),
    "shared texts": (
        "/api/loads",
        archive({"xl/workbook.xml": b"<a/>", "xl/sharedStrings.xml": b" " * 250_000_000}),
    ),
    "a bomb": ("/api/loads", archive({f"{n}.csv": b"0" * 60_000_000 for n in range(5)})),
    "many files": ("/api/loads", archive({f"{n}.png": b"" for n in range(2_500)})),
    "a deep drawing": ("/api/sounds", svg("<g>" * 100_000)),
    "a drawing that unfolds": (
        "/api/sounds",
        b'<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;">]>' + svg("&b;"),
    ),
    "a game of faults": (
        "/api/game-files",
        json.dumps(
            {
                "format": "dice-trail-game/1",
                "x": [{"y": [1]}] * 200_000,
                "game": {"title": "G", "endings": [], "rounds": [{"no": 1}] * 50},
            }
        ).encode(),
    ),
}


@exhaustive
class TestHostileFiles(unittest.TestCase):
    def test_each_gives_one_clear_message_and_players_are_served_the_while(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        with Server(Path(folder.name, "store.sqlite"), "--demo") as server:
            served, slow, is_done = [], 0, threading.Event()

            def watch():
                while not is_done.wait(0.02):
                    for address in ("/api/health", "/api/play/games/harvest-supper"):
                        if server.http.get(address).status_code == 200:
                            served.append(time.perf_counter())

            watcher = threading.Thread(target=watch)
            watcher.start()
            self.addCleanup(watcher.join)
            self.addCleanup(is_done.set)
            for name, (address, content) in HOSTILE.items():
                with self.subTest(file=name):
                    files = {"file": (f"{name}.bin", content)}
                    began = time.perf_counter()
                    answer = server.http.post(address, files=files, timeout=60)
                    ended = time.perf_counter()
                    if ended - began > 0.5:
                        slow += 1
                        the_while = sum(began < at < ended for at in served)
                        self.assertGreater(the_while, 5, "nobody waits for a file")
                    if answer.status_code == 201:
                        self.assertEqual(answer.json()["question_count"], 0)
                        continue
                    self.assertEqual(
                        answer.status_code, 409 if "game" in name else 422, answer.text
                    )
                    problem = answer.json()["problems"][0]
                    self.assertTrue(problem["where"] and problem["what"] and problem["mend"])
            is_done.set()
            self.assertTrue(slow, "some file takes long enough to wait for")
            good = {"file": ("q.csv", b"Which?,a,b\n")}
            self.assertEqual(server.http.post("/api/loads", files=good).json()["question_count"], 1)


@exhaustive
class TestDamage(unittest.TestCase):
    def test_damaged_files_of_every_format_give_the_documented_error_and_nothing_else(self):
        for content, read in whole_files().values():
            read(content)
        refused = read_damaged(DAMAGED)
        self.assertEqual(refused.keys(), whole_files().keys())
        self.assertGreater(sum(refused.values()), DAMAGED / 3)


class TestAside(unittest.TestCase):
    SLOW = b"\n".join(b"Question %d?\ta\tb\tc" % number for number in range(120_000))

    def setUp(self):
        self.aside = Sandbox()
        self.addCleanup(self.aside.close)

    def test_what_nobody_waits_for_any_more_is_ended(self):
        plan = self.aside.do("guess", self.SLOW, ImportOptions())
        rows = []
        with self.assertRaises(GivenUp):
            self.aside.do(
                "take", self.SLOW, plan, {}, (), told=rows.append, is_given_up=lambda: rows != []
            )
        self.assertLess(max(rows), 120_000)

    def test_a_child_that_is_killed_is_told_in_words_and_the_next_file_is_read(self):
        plan = self.aside.do("guess", self.SLOW, ImportOptions())

        def kill(_):
            template = self.aside._template.pid
            children = Path(f"/proc/{template}/task/{template}/children").read_text().split()
            for child in children:
                os.kill(int(child), 9)

        with self.assertRaises(FileProblem) as caught:
            self.aside.do("take", self.SLOW, plan, {}, (), told=kill)
        self.assertIn("was stopped", caught.exception.problem.what)
        os.kill(self.aside._template.pid, 9)
        self.aside._template.wait()
        brought = self.aside.do("bring", "q.xlsx", workbook(), 100)
        self.assertEqual(brought.file_name, "q.xlsx")


class TestWhatAChildSays(unittest.TestCase):
    def test_values_are_heard_and_what_would_do_something_is_not(self):
        """A child that a file has taken over says what it likes."""
        said = FileProblem("row 1", "it is empty", "fill it in").problem
        self.assertEqual(
            heard(BytesIO(pickle.dumps((said, {"a": {1}}, MADE)))), (said, {"a": {1}}, MADE)
        )
        for does in (
            (os.system, ("true",)),
            (eval, ("1",)),
            (Path, ("/",)),
            (Sandbox, ()),
            (subprocess.Popen, (["true"],)),
            (getattr, (said, "what")),
        ):
            with self.subTest(does[0]):
                hostile = type("Hostile", (), {"__reduce__": lambda _, does=does: does})()
                for protocol in range(2, pickle.HIGHEST_PROTOCOL + 1):
                    with self.assertRaises(pickle.UnpicklingError):
                        heard(BytesIO(pickle.dumps(hostile, protocol)))
        through = b"\x80\x04\x8c\x1edicetrail.files.sandbox.parent\x8c\x09os.system\x93."
        with self.assertRaises(pickle.UnpicklingError):
            heard(BytesIO(through))


class TestLoadsThatWait(DemoTest):
    def bring(self, content=b"Which?,a,b\n"):
        return self.http.post("/api/loads", files={"file": ("q.csv", content)}).json()["id"]

    def test_files_that_wait_are_bounded_by_their_bytes(self):
        with patch.object(loading, "MAX_WAITING_BYTES", 3_000):
            loads = [self.bring(b"Which?,a,b" + b"x" * 1_200 + b"\n") for _ in range(4)]
        found = [self.http.get(f"/api/loads/{load}").status_code for load in loads]
        self.assertEqual(found, [404, 404, 200, 200])

    def test_a_load_that_fails_for_any_reason_says_so_and_leaves_nothing(self):
        packs = self.http.get("/api/packs").json()
        for failure in (ValueError("odd"), MemoryError(), OSError(28, "No space left on device")):
            load = self.bring()
            with patch.object(loading, "add_pack", side_effect=failure):
                self.http.post(f"/api/loads/{load}/take", json={"target": {"into": "new"}})
                for _ in range(200):
                    progress = self.http.get(f"/api/loads/{load}/progress").json()
                    if progress["stage"] in ("done", "failed"):
                        break
                    time.sleep(0.05)
            self.assertEqual(progress["stage"], "failed")
            self.assertIn("could not be kept", progress["problem"]["what"])
        self.assertEqual(self.http.get("/api/packs").json(), packs)
