"""What was kept by an older version is there in the newer one."""

import json
import sqlite3
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

from alembic import command
from alembic.config import Config

import dicetrail.store
from dicetrail.core import Question
from dicetrail.store import Database
from dicetrail.store.games import newest_game
from dicetrail.store.packs import newest_pack, questions_of

MIGRATIONS = Path(dicetrail.store.__file__).parent / "migrations"
DAY = "2026-09-19 18:30:00.000000"


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
                    questions_of(session, "veg", 1), (Question("Root?", ("Carrot",), ("Pea",)),)
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
