"""The whole shelf saved and restored: nothing is lost, and what is in the way stays."""

import sqlite3
import unittest
from contextlib import closing
from pathlib import Path
from tempfile import TemporaryDirectory
from threading import Thread

from dicetrail.demo import GAMES
from dicetrail.restoring import restore
from dicetrail.store import Database, StoreTrouble, back_up
from dicetrail.store.games import add_game, newest_games
from tests.exhaustive import exhaustive
from tests.web.demo import MADE, DemoTest, StoreTest, demo_store

LEFT_OUT = {"secrets", "alembic_version"}


def content(path):
    """Every row of every table a maker or a player has put there."""
    with closing(sqlite3.connect(path)) as store:
        named = store.execute("SELECT name FROM sqlite_master WHERE type = 'table'")
        tables = {name for (name,) in named} - LEFT_OUT
        return {name: sorted(map(repr, store.execute(f"SELECT * FROM {name}"))) for name in tables}


class TestBackup(unittest.TestCase):
    def setUp(self):
        held = TemporaryDirectory()
        self.addCleanup(held.cleanup)
        self.root = Path(held.name)

    def test_a_restored_store_has_every_row_and_no_secret(self):
        database = demo_store(self.root / "one.sqlite")
        with database.writing() as session:
            session.connection().exec_driver_sql("INSERT INTO secrets VALUES ('door', 'hush-hush')")
        told = []
        back_up(database, self.root / "shelf.sqlite", lambda done, all_: told.append((done, all_)))
        self.assertEqual(told[-1][0], told[-1][1])
        database.close()
        restored = restore(self.root / "shelf.sqlite", self.root / "two.sqlite")
        self.assertEqual(restored, ())
        there = content(self.root / "one.sqlite")
        self.assertEqual(content(self.root / "two.sqlite"), there)
        self.assertGreater(sum(map(len, there.values())), 100)
        self.assertNotIn(b"hush-hush", (self.root / "shelf.sqlite").read_bytes())
        names = {path.name for path in self.root.iterdir()}
        self.assertEqual({name for name in names if "shelf" in name}, {"shelf.sqlite"})

    def test_a_copy_made_while_others_write_is_whole(self):
        database = demo_store(self.root / "one.sqlite")
        game = next(iter_games(database))

        def write():
            for _ in range(60):
                with database.writing() as session:
                    add_game(session, game, MADE)

        writer = Thread(target=write)
        writer.start()
        for number in range(5):
            back_up(database, self.root / f"{number}.sqlite")
            with closing(sqlite3.connect(self.root / f"{number}.sqlite")) as copy:
                self.assertEqual(copy.execute("PRAGMA integrity_check").fetchone(), ("ok",))
                self.assertEqual(copy.execute("PRAGMA foreign_key_check").fetchall(), [])
                games, revisions = (
                    copy.execute(f"SELECT count(*) FROM {table}").fetchone()[0]
                    for table in ("games", "game_revisions")
                )
                self.assertEqual(games, revisions)
        writer.join()
        database.close()

    @exhaustive
    def test_what_cannot_be_restored_is_told_and_leaves_nothing_behind(self):
        demo_store(self.root / "one.sqlite").close()
        (self.root / "text").write_text("no store")
        with closing(sqlite3.connect(self.root / "other")) as other:
            other.execute("CREATE TABLE plants (name)")
        whole = self.root / "shelf.sqlite"
        database = Database(self.root / "one.sqlite")
        back_up(database, whole)
        (self.root / "half").write_bytes(whole.read_bytes()[:9000])
        with closing(sqlite3.connect(whole)) as newer:
            newer.execute("UPDATE alembic_version SET version_num = 'ffff'")
            newer.commit()
        for name, words in (
            ("none", "no such file"),
            ("text", "no store of Dice Trail"),
            ("other", "no store of Dice Trail"),
            ("half", "damaged"),
            ("shelf.sqlite", "newer version"),
        ):
            with self.subTest(file=name):
                with self.assertRaises(StoreTrouble) as refused:
                    restore(self.root / name, self.root / "new.sqlite")
                self.assertIn(words, str(refused.exception))
                self.assertEqual([p for p in self.root.iterdir() if "new" in p.name], [])
        before = content(self.root / "one.sqlite")
        for to in ("one.sqlite", "half"):
            with self.assertRaises(StoreTrouble):
                back_up(database, self.root / to)
        self.assertEqual(content(self.root / "one.sqlite"), before)
        database.close()


def iter_games(database):
    with database.reading() as session:
        yield from [revision.document for revision in newest_games(session)]


@exhaustive
class TestRestoredOnThePage(StoreTest):
    def test_a_saved_shelf_is_put_on_an_empty_one_and_never_over_another(self):
        with TemporaryDirectory() as held:
            other = demo_store(Path(held) / "other.sqlite")
            back_up(other, Path(held) / "shelf.sqlite")
            other.close()
            saved = (Path(held) / "shelf.sqlite").read_bytes()
            there = content(Path(held) / "other.sqlite")
        with self.database.writing() as session:
            session.connection().exec_driver_sql("INSERT INTO secrets VALUES ('door', 'my own')")
        empty = content(self.path)
        for brought in (b"", b"no store", saved[:9000], saved[:-5000] + b"0" * 5000):
            refused = self.http.post("/api/backup", files={"file": ("s.sqlite", brought)})
            self.assertEqual(refused.status_code, 409, refused.text)
            self.assertIn("This file cannot be restored", refused.json()["detail"])
            self.assertEqual(content(self.path), empty)
        taken = self.http.post("/api/backup", files={"file": ("s.sqlite", saved)})
        self.assertEqual(taken.status_code, 204, taken.text)
        self.assertEqual(content(self.path), there)
        games = self.http.get("/api/games").json()
        self.assertEqual(len(games), len(GAMES))
        with closing(sqlite3.connect(self.path)) as store:
            secrets = store.execute("SELECT * FROM secrets").fetchall()
            self.assertIn(("door", "my own"), secrets)
            self.assertEqual(store.execute("PRAGMA foreign_key_check").fetchall(), [])
        made = self.http.post("/api/games", json={"title": "After", "packs": [], "recipe": ""})
        self.assertEqual(made.status_code, 201, made.text)
        now = content(self.path)
        again = self.http.post("/api/backup", files={"file": ("s.sqlite", saved)})
        self.assertEqual(again.status_code, 409)
        self.assertIn("something on its shelf already", again.json()["detail"])
        self.assertEqual(content(self.path), now)


class TestBackupOnThePage(DemoTest):
    def test_the_shelf_is_saved_by_one_press(self):
        answer = self.http.get("/api/backup")
        self.assertEqual(answer.status_code, 200)
        self.assertIn("dice-trail-shelf-", answer.headers["content-disposition"])
        with TemporaryDirectory() as held:
            saved = Path(held, "shelf.sqlite")
            saved.write_bytes(answer.content)
            self.assertEqual(restore(saved, Path(held, "new.sqlite")), ())
            self.assertEqual(content(Path(held, "new.sqlite")), content(self.path))
