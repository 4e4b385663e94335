"""What was kept by an older version is there in the newer one."""

import gzip
import json
import sqlite3
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

from alembic import command
from alembic.config import Config
from fastapi.testclient import TestClient

import dicetrail.store
from dicetrail.core import Question
from dicetrail.store import Database
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_pack, pack_of
from dicetrail.web import create_app

MIGRATIONS = Path(dicetrail.store.__file__).parent / "migrations"
DAY = "2026-09-19 18:30:00.000000"


KEPT = Path(__file__).parent / "kept"


class TestAnEarlierVersion(unittest.TestCase):
    """A store and a game file as the version of November 2026 left them."""

    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        path = Path(folder.name) / "store.sqlite"
        path.write_bytes(gzip.decompress((KEPT / "store-0007.sqlite.gz").read_bytes()))
        database = Database(path)
        self.addCleanup(database.close)
        app = create_app(database)
        self.addCleanup(app.state.app_state.close)
        self.http = TestClient(app, "http://localhost", headers={"origin": "http://localhost"})

    def get(self, address):
        answer = self.http.get(address)
        self.assertEqual(answer.status_code, 200, (address, answer.text[:300]))
        return answer.json()

    def test_everything_in_its_store_opens_and_plays(self):
        games = self.get("/api/games")
        self.assertEqual(len(games), 6)
        for game in games:
            view = self.get(f"/api/games/{game['id']}")
            faults = [found for found in view["problems"] if found["severity"] == "fault"]
            self.assertEqual(faults, [], game["id"])
            self.get(f"/api/games/{game['id']}/glance")
            run = self.http.post(f"/api/play/games/{game['id']}/runs", json={})
            self.assertEqual(run.status_code, 201, run.text)
        supper = self.get("/api/games/harvest-supper")
        self.assertEqual(supper["document"]["title"], "Harvest Supper, second draft")
        first = self.get("/api/games/harvest-supper/revisions/1")
        self.assertEqual(first["title"], "Harvest Supper")
        words = self.get("/api/packs/shed-words")
        self.assertEqual((words["revision"], words["question_count"]), (2, len(words["questions"])))
        for pack in self.get("/api/packs"):
            self.assertTrue(self.get(f"/api/packs/{pack['id']}")["questions"])
            for digest in pack["media"].values():
                self.assertEqual(self.http.get(f"/api/media/{digest}").status_code, 200)

    def test_its_runs_are_stepped_back_and_gone_on_with(self):
        glance = self.get("/api/games/harvest-supper/glance")["last_run"]
        run = self.get(f"/api/runs/{glance['id']}")
        self.assertEqual((run["dice"], run["seen"], len(run["steps"])), (4821, 3, 4))
        self.assertIn(run["steps"][2]["table"]["feedback"]["result"], ("right", "wrong"))
        (played,) = self.get("/api/games/root-leaf-or-fruit/runs")
        self.assertEqual(played["players"], ["Marjory"])
        self.get(f"/api/play/runs/{played['id']}")
        self.assertTrue(self.get(f"/api/runs/{played['id']}")["steps"])

    def test_its_game_file_loads_and_plays(self):
        file = {"file": ("leaves.json", (KEPT / "game-0007.json").read_bytes())}
        made = self.http.post("/api/game-files", files=file)
        self.assertEqual(made.status_code, 201, made.text)
        run = self.http.post("/api/runs", json={"game_id": made.json()["id"], "dice": 3})
        self.assertEqual(run.status_code, 201, run.text)


class TestMigrations(unittest.TestCase):
    def test_a_store_of_the_first_version_opens_with_everything_in_it(self):
        with TemporaryDirectory() as folder:
            path = Path(folder) / "old.sqlite"
            config = Config()
            config.set_main_option("script_location", str(MIGRATIONS))
            config.set_main_option("sqlalchemy.url", f"sqlite:///{path}")
            command.upgrade(config, "0001")
            self.fill(path)
            database = Database(path)
            with database.reading() as session:
                pack = newest_pack(session, "veg")
                self.assertEqual(
                    pack_of(session, "veg", 1).questions,
                    (Question("Root?", ("Carrot",), ("Pea",)),),
                )
                self.assertEqual(pack.source.read_as, "fields separated by tabs, utf-8")
                self.assertEqual(pack.source.refused[0].line, 3)
                self.assertEqual(pack.media, {})
                game = newest_game(session, "supper").document
                self.assertEqual((game.title, game.rounds[0].draw.count), ("Supper", 4))
            database.close()

    def fill(self, path):
        """Rows as the first version wrote them."""
        questions = [{"prompt": "Root?", "right": "Carrot", "wrong": ["Pea"]}]
        refused = {"line": 3, "column": 1, "what": "w", "mend": "m", "text": "t"}
        source = {"file_name": "v.tsv", "separator": "tab", "headings": None, "blank_lines": 0}
        source["refused"] = [refused]
        round_ = {"title": "R", "packs": ["veg"], "draw": {"count": 4, "order": "shuffled"}}
        game = {"title": "Supper", "rounds": [round_], "endings": []}
        store = sqlite3.connect(path)
        store.execute("INSERT INTO packs VALUES ('veg', ?)", (DAY,))
        store.execute(
            "INSERT INTO pack_revisions VALUES ('veg', 1, 'Veg', ?, 1, ?, ?)",
            (json.dumps(questions), json.dumps(source), DAY),
        )
        store.execute("INSERT INTO games VALUES ('supper', ?)", (DAY,))
        store.execute(
            "INSERT INTO game_revisions VALUES ('supper', 1, ?, ?)", (json.dumps(game), DAY)
        )
        store.commit()
        store.close()
