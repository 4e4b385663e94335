"""A shelf that anybody made is data: it runs nothing, takes little, and what is wrong is told.

Held against SQLite's own page on files of strangers ("Defense Against The Dark Arts",
sqlite.org/security.html), point by point; the files here do what it warns of.
"""

import os
import random
import sqlite3
import time
import unittest
from contextlib import closing
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Thread

from dicetrail.demo import GAMES
from dicetrail.files.sandbox import GivenUp, Sandbox
from dicetrail.restoring import brought, restore_into
from dicetrail.store import Database, StoreTrouble, back_up
from dicetrail.web import create_app
from tests.exhaustive import exhaustive
from tests.store.test_backup import content
from tests.web.demo import StoreTest, demo_store

FILES = int(os.environ.get("FUZZ", "3")) * 10
"""2,000 with FUZZ=200."""
ENDLESS = "WITH RECURSIVE n(x) AS (SELECT 1 UNION ALL SELECT x + 1 FROM n) SELECT x FROM n"
TELLING = (
    "it is no store|it holds more tables|it holds views or triggers|it holds columns|"
    "not one of a store|does more than hold data|it is damaged"
)

HOSTILE = {
    "a view of its own name": (
        "DROP TABLE kept_runs",
        f"CREATE VIEW kept_runs AS SELECT x AS id, x AS game_id FROM ({ENDLESS})",
    ),
    "a table that is a view": (
        "ALTER TABLE games RENAME TO g",
        "CREATE VIEW games AS SELECT * FROM g",
    ),
    "a trigger": (
        "CREATE TRIGGER grow AFTER INSERT ON games BEGIN INSERT INTO packs VALUES ('a', 1, 2); END",
    ),
    "a column that is worked out": (
        "DROP TABLE kept_runs",
        "CREATE TABLE kept_runs (id TEXT, game_id TEXT, game_revision INT, kept_at TEXT, "
        "run TEXT AS (hex(zeroblob(100000000))))",
        "INSERT INTO kept_runs VALUES ('a', 'bed-by-bed', 1, '2026-01-01 00:00:00')",
    ),
    "a table of another kind": (
        "DROP TABLE voices",
        "CREATE VIRTUAL TABLE voices USING fts4(text_digest, digest)",
    ),
    "a table too few": ("DROP TABLE kept_runs",),
    "a column too few": ("ALTER TABLE kept_runs DROP COLUMN run",),
    "very many tables": tuple(f"CREATE TABLE t{number} (a)" for number in range(300)),
    "a form of later": ("UPDATE alembic_version SET version_num = '9999'",),
    "a form before its own": ("UPDATE alembic_version SET version_num = '0001'",),
    "no form": ("DELETE FROM alembic_version",),
}
HARMLESS = {
    "an index of a function": (
        "CREATE INDEX grow ON games (length(hex(zeroblob(length(id) * 1000000))))",
    ),
    "a check of a function": (
        "DROP TABLE voices",
        "CREATE TABLE voices (text_digest TEXT, digest TEXT, CHECK (length(randomblob(99999999))))",
        "PRAGMA ignore_check_constraints = ON",
        "INSERT INTO voices VALUES ('a', 'b')",
    ),
}
"""What stands in a schema that is never run, since the schema stays behind."""


@exhaustive
class TestBroughtShelves(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        held = TemporaryDirectory()
        cls.addClassCleanup(held.cleanup)
        cls.root = Path(held.name)
        database = demo_store(cls.root / "demo.sqlite")
        back_up(database, cls.root / "whole.sqlite")
        database.close()
        cls.whole = (cls.root / "whole.sqlite").read_bytes()
        cls.aside = Sandbox()
        cls.addClassCleanup(cls.aside.close)

    def changed(self, *statements):
        """A saved shelf in which something was changed."""
        path = self.root / "changed.sqlite"
        path.write_bytes(self.whole)
        with closing(sqlite3.connect(path)) as store:
            store.execute("PRAGMA foreign_keys = OFF")
            for statement in statements:
                store.execute(statement)
            store.commit()
        return path

    def refused(self, path):
        """Why a file was not restored, after looking that nothing is left of it, and soon."""
        to = self.root / "new.sqlite"
        began = time.process_time(), os.times().children_user
        with self.assertRaises(StoreTrouble) as raised:
            brought(self.aside, path, to)
        self.assertLess(time.process_time() - began[0], 5)
        self.assertEqual(list(self.root.glob("new.sqlite*")), [])
        return raised.exception.what

    def test_what_a_file_would_do_is_refused_and_not_done(self):
        for name, statements in HOSTILE.items():
            with self.subTest(name):
                is_form = name.startswith(("a form", "no form"))
                later = "newer version|not of the form|not one of a store"
                words = later if is_form else TELLING
                self.assertRegex(self.refused(self.changed(*statements)), words)

    def test_a_schema_stays_behind(self):
        own = self.root / "own.sqlite"
        Database(own).close()
        for name, statements in HARMLESS.items():
            with self.subTest(name):
                to = self.root / "read.sqlite"
                brought(self.aside, self.changed(*statements), to)
                self.assertEqual(self.schema(to), self.schema(own))
                to.unlink()

    @staticmethod
    def schema(path):
        with closing(sqlite3.connect(path)) as store:
            return sorted(map(str, store.execute("SELECT type, name, sql FROM sqlite_schema")))

    def test_a_file_that_unfolds_or_goes_in_circles_ends_soon(self):
        path = self.changed(
            f"INSERT INTO media SELECT x, 'image/png', zeroblob(0) FROM ({ENDLESS} LIMIT 3)"
        )
        with closing(sqlite3.connect(path)) as store:
            page_size = store.execute("PRAGMA page_size").fetchone()[0]
            (root,) = store.execute(
                "SELECT rootpage FROM sqlite_schema WHERE name = 'game_revisions'"
            ).fetchone()
        whole = bytearray(path.read_bytes())
        start = (root - 1) * page_size
        # An interior page (type 5) whose cells all lead to itself: a tree without leaves.
        cells, at = 100, page_size
        whole[start : start + 12] = (
            bytes((5, 0, 0)) + cells.to_bytes(2) + bytes(3) + root.to_bytes(4)
        )
        for number in range(cells):
            at -= 5
            whole[start + at : start + at + 5] = root.to_bytes(4) + bytes((number,))
            place = start + 12 + 2 * number
            whole[place : place + 2] = at.to_bytes(2)
        path.write_bytes(whole)
        self.assertRegex(self.refused(path), TELLING)

    def test_rows_that_cannot_be_read_are_left_out_and_told_and_what_hangs_on_them(self):
        drawing = "<svg xmlns='http://www.w3.org/2000/svg'><script>1</script></svg>"
        path = self.changed(
            "UPDATE game_revisions SET saved_at = 'never' WHERE game_id = 'bed-by-bed'",
            "UPDATE packs SET id = x'00' WHERE id = 'leaf-shapes'",
            "UPDATE pack_revisions SET tags = '{' WHERE pack_id = 'shed-words'",
            f"INSERT INTO media VALUES ('d', 'image/svg+xml', CAST(\"{drawing}\" AS BLOB))",
            "UPDATE brought_runs SET seen = '[[[' WHERE rowid IN (3, 5)",
        )
        to = self.root / "new.sqlite"
        left_out = brought(self.aside, path, to)
        self.addCleanup(to.unlink)
        told = "\n".join(left_out)
        for words in (
            "a save of a game “bed-by-bed”: saved_at cannot be read; the rest of it is there",
            "a pack no. 7: id cannot be read",
            "a save of a pack “shed-words”: tags cannot be read; the rest of it is there",
            "a save of a pack “leaf-shapes”: what it belongs to is not there",
            "what a pack holds “leaf-shapes”: what it belongs to is not there",
            "a picture or sound “d”: it is none that can be shown",
            "a run played elsewhere “slug-patrol”: seen cannot be read",
        ):
            self.assertIn(words, told)
        there, here = content(path), content(to)
        self.assertEqual(len(here["brought_runs"]), len(there["brought_runs"]) - 2)
        self.assertEqual(len(here["game_revisions"]), len(there["game_revisions"]))
        self.assertEqual(len(here["pack_revisions"]), len(there["pack_revisions"]) - 1)
        self.assertEqual(len(set(here["pack_revisions"]) - set(there["pack_revisions"])), 1)

    def test_pages_changed_at_random_are_refused_or_read_and_never_more(self):
        dice = random.Random(32)
        page = 4096
        refused = 0
        for number in range(FILES):
            whole = bytearray(self.whole)
            # Every fifth time the first page, which says what a store is.
            at = dice.randrange(len(whole) // page) * page if number % 5 else 0
            for _ in range(dice.choice((1, 4, 40)) if at else 40):
                whole[at + dice.randrange(page)] = dice.randrange(256)
            path = self.root / "fuzzed.sqlite"
            path.write_bytes(whole)
            to = self.root / "read.sqlite"
            with self.subTest(number=number, page=at // page):
                try:
                    brought(self.aside, path, to)
                except StoreTrouble:
                    refused += 1
                    self.assertEqual(list(self.root.glob("read.sqlite*")), [])
                    continue
                with closing(sqlite3.connect(to)) as store:
                    self.assertEqual(store.execute("PRAGMA integrity_check").fetchone(), ("ok",))
                    self.assertEqual(store.execute("PRAGMA foreign_key_check").fetchall(), [])
                to.unlink()
        self.assertGreaterEqual(refused, FILES // 10)
        self.assertLess(refused, FILES)

    def test_it_is_given_up_at_once_and_nothing_stays(self):
        to = self.root / "new.sqlite"
        with self.assertRaises(GivenUp):
            brought(self.aside, self.root / "whole.sqlite", to, is_given_up=lambda: True)
        self.assertEqual(list(self.root.glob("new.sqlite*")), [])
        database = Database(self.root / "empty.sqlite")
        asked = []

        def is_given_up():
            asked.append(database._turn.locked())  # whoever fills has the turn
            return any(asked)

        try:
            with self.assertRaises(GivenUp):
                restore_into(database, self.aside, self.root / "whole.sqlite", is_given_up)
            self.assertIn(False, asked)
            self.assertFalse(content(self.root / "empty.sqlite")["games"])
        finally:
            database.close()


@exhaustive
class TestMeanwhile(StoreTest):
    def test_others_save_while_a_shelf_is_read_and_then_it_is_refused(self):
        with TemporaryDirectory() as held:
            other = demo_store(Path(held) / "other.sqlite")
            back_up(other, Path(held) / "shelf.sqlite")
            other.close()
            saved = (Path(held) / "shelf.sqlite").read_bytes()
        answers = []

        def restore():
            files = {"file": ("s.sqlite", saved)}
            answers.append(self.http.post("/api/backup", files=files).status_code)

        restoring = Thread(target=restore)
        restoring.start()
        made = self.http.post("/api/games", json={"title": "Meanwhile", "packs": [], "recipe": ""})
        self.assertEqual(made.status_code, 201)
        self.assertFalse(answers, "the game was saved while the shelf was being read")
        restoring.join()
        self.assertEqual(answers, [409])
        self.assertEqual(
            [game["title"] for game in self.http.get("/api/games").json()], ["Meanwhile"]
        )

    def test_what_was_left_out_is_told_in_the_answer(self):
        with TemporaryDirectory() as held:
            path = Path(held) / "other.sqlite"
            demo_store(path).close()
            with closing(sqlite3.connect(path)) as store:
                store.execute("UPDATE pack_revisions SET media = '5' WHERE pack_id = 'shed-words'")
                store.commit()
                store.execute("PRAGMA journal_mode = DELETE")
            saved = path.read_bytes()
            empty = Database(Path(held) / "empty.sqlite")
            app = create_app(empty)
            self.addCleanup(empty.close)
            self.addCleanup(app.state.app_state.close)
            http = type(self.http)(app, base_url=str(self.http.base_url), headers=self.http.headers)
            answer = http.post("/api/backup", files={"file": ("s.sqlite", saved)})
            self.assertEqual(answer.status_code, 200, answer.text)
            told = str(answer.json()["left_out"])
            self.assertIn("a save of a pack “shed-words”: media cannot be read; the rest", told)
            self.assertEqual(len(http.get("/api/games").json()), len(GAMES))
            words = http.get("/api/packs/shed-words")
            self.assertEqual((words.status_code, words.json()["trouble"]), (200, ""))
            self.assertTrue(words.json()["questions"])


if __name__ == "__main__":
    unittest.main()
