"""Stores in trouble: told in a sentence, on the terminal and on the page, and nothing is lost."""

import os
import sqlite3
import subprocess
import unittest
from datetime import UTC, datetime
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest.mock import patch

from fastapi.testclient import TestClient

from dicetrail.demo import load_demo
from dicetrail.store import Database, StoreTrouble, database
from dicetrail.web import create_app
from tests.exhaustive import exhaustive
from tests.server import SERVE

ORIGIN = {"origin": "http://localhost"}


def made(path: Path) -> Path:
    database = Database(path)
    load_demo(database, datetime.now(UTC))
    database.close()
    return path


class TestOpening(unittest.TestCase):
    """The file is something else than a whole store of this version."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)

    def told(self, path: Path) -> str:
        """What is said of a path as a store is opened there."""
        with self.assertRaises(StoreTrouble) as raised:
            Database(path)
        return str(raised.exception)

    @exhaustive
    def test_what_cannot_be_opened_is_told_in_a_line_and_stays_as_it_is(self):
        whole = made(self.folder / "whole.sqlite").read_bytes()
        files = {
            "half a file": whole[: len(whole) // 2],
            "a few bytes": whole[:700],
            "damaged in its midst": whole[:4096] + os.urandom(8192) + whole[12288:],
            "a text": b"Prompt\tRight\n" * 200,
            "noise": os.urandom(9000),
        }
        for name, content in files.items():
            with self.subTest(name):
                path = self.folder / f"{name}.sqlite"
                path.write_bytes(content)
                line = self.told(path)
                self.assertRegex(line, "is damaged, or only a part|is no store of Dice Trail")
                self.assertIn(str(path), line)
                self.assertEqual(path.read_bytes(), content)

    def test_a_folder_another_programs_file_and_a_newer_version(self):
        self.assertIn("it is a folder", self.told(self.folder))
        self.assertIn("is no folder", self.told(made(self.folder / "a.sqlite") / "b.sqlite"))
        for name, statements, words in (
            ("other", ["CREATE TABLE games (id)"], "no store of Dice Trail"),
            ("empty", ["CREATE TABLE x (id)", "DROP TABLE x"], None),
            ("newer", ["UPDATE alembic_version SET version_num = '9999'"], "a newer version"),
        ):
            path = self.folder / f"{name}.sqlite"
            if name == "newer":
                made(path)
            store = sqlite3.connect(path)
            for statement in statements:
                store.execute(statement)
            store.commit()
            store.close()
            with self.subTest(name):
                if words:
                    self.assertIn(words, self.told(path))
                else:
                    Database(path).close()

    @exhaustive
    def test_one_that_another_program_keeps_locked(self):
        path = made(self.folder / "store.sqlite")
        store = sqlite3.connect(path, isolation_level=None)
        store.execute("PRAGMA locking_mode = EXCLUSIVE")
        store.execute("BEGIN EXCLUSIVE")
        store.execute("UPDATE games SET id = id")
        self.addCleanup(store.close)
        run = subprocess.run(
            [*SERVE, "--port", "0", "--data", str(path)], capture_output=True, text=True, timeout=30
        )
        self.assertEqual(run.returncode, 1, run.stdout + run.stderr)
        self.assertEqual(run.stderr, "", "no traceback")
        [line] = run.stdout.splitlines()
        self.assertIn("another program keeps it locked. Close that program", line)


class TestUsing(unittest.TestCase):
    """Something befalls the store of a server that runs."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = made(Path(folder.name) / "store.sqlite")
        self.database = Database(self.path)
        self.addCleanup(self.database.close)
        app = create_app(self.database)
        self.addCleanup(app.state.app_state.close)
        self.http = TestClient(
            app, "http://localhost", headers=ORIGIN, raise_server_exceptions=False
        )

    def test_a_write_that_failed_is_told_and_can_be_tried_again(self):
        plain = database._PRAGMAS
        game = self.http.get("/api/games/harvest-supper").json()
        body = {"revision": game["revision"], "document": game["document"] | {"title": "Later"}}
        script = "# " + "x" * 10_000
        large = body | {"document": body["document"] | {"script": script}}
        run = self.http.post("/api/play/games/harvest-supper/runs", json={}).json()
        begin = {"seen": 0, "action": {"action": "begin"}}
        for pragma, status, words in (
            ("max_page_count = 1", 507, "the disk is full. Make room on it, then try again."),
            ("query_only = ON", 507, "it can be read and not written."),
        ):
            with self.subTest(words):
                self.database.close()  # connections are made anew, each with what befalls it
                with patch.object(database, "_PRAGMAS", (*plain, pragma)):
                    told = self.http.put("/api/games/harvest-supper", json=large)
                    self.assertEqual(told.status_code, status, told.text)
                    self.assertIn(words, told.json()["detail"])
                    self.assertEqual(told.headers["content-type"], "application/problem+json")
                    self.assertEqual(self.http.get("/api/games").status_code, 200, "it is read")
                    self.database.close()
        self.assertEqual(self.http.put("/api/games/harvest-supper", json=body).status_code, 200)
        taken = self.http.post(f"/api/play/runs/{run['id']}/inputs", json=begin)
        self.assertEqual(taken.json()["table"]["phase"], "asking")

    def test_a_store_that_is_locked_meanwhile(self):
        game = self.http.get("/api/games/harvest-supper").json()
        body = {"revision": game["revision"], "document": game["document"] | {"title": "Later"}}
        store = sqlite3.connect(self.path, isolation_level=None)
        store.execute("BEGIN IMMEDIATE")
        told = self.http.put("/api/games/harvest-supper", json=body)
        self.assertEqual(told.status_code, 503, told.text)
        self.assertIn("another program keeps it locked", told.json()["detail"])
        self.assertEqual(told.headers["retry-after"], "5")
        self.assertNotIn(self.path.name, told.text, "a player need not know where it is")
        store.close()
        self.assertEqual(self.http.put("/api/games/harvest-supper", json=body).status_code, 200)

    def test_a_game_off_the_shelf_is_not_begun_by_players_and_goes_on_for_those_who_play(self):
        play = "/api/play/games/harvest-supper"
        run = self.http.post(f"{play}/runs", json={}).json()
        self.http.delete("/api/games/harvest-supper")
        for answer in (
            self.http.get(play),
            self.http.get(f"{play}/scores"),
            self.http.post(f"{play}/runs", json={}),
        ):
            self.assertEqual(answer.status_code, 404)
        begin = {"seen": 0, "action": {"action": "begin"}}
        self.assertEqual(
            self.http.post(f"/api/play/runs/{run['id']}/inputs", json=begin).status_code, 200
        )
        self.http.post("/api/games/harvest-supper/return")
        self.assertEqual(self.http.get(play).status_code, 200)
