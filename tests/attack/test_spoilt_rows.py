"""A row that cannot be read is one row: its card tells, and everything else goes on.

SQLite's own page on flexible typing: any column can hold any value, whatever type it is said to
have. So each column of each table holds, in turn, what nobody wrote there.
"""

import os
import re
import sqlite3
import unittest
from concurrent.futures import ThreadPoolExecutor
from contextlib import closing
from datetime import UTC, datetime
from itertools import count, cycle
from pathlib import Path
from tempfile import TemporaryDirectory

from fastapi.testclient import TestClient

from dicetrail.scouting import Crew
from dicetrail.store import Database
from dicetrail.store.models import Base
from dicetrail.web import create_app
from tests.exhaustive import exhaustive
from tests.web.demo import ORIGIN, demo_store

GAME, PACK, OTHER = "slug-patrol", "slug-patrol-questions", "bed-by-bed"
VALUES = (
    *("never", None, "{", "[[[", '["a", 5]', 5, -1, 2**62, 1e308, b"\xff\x00", "[" * 100_000),
    *('{"kind": []}', "no UTF-8"),
)
NO_TEXT = "CAST(x'ff41fe' AS TEXT)"
"""A text that is no UTF-8: the driver by itself stops reading there."""
TOLD = {"game_revisions": "games", "pack_revisions": "packs", "pack_questions": "packs"}
"""Where the cards are that tell of a table's rows."""
NEVER_READ = {"never": ("JSON", "DATETIME", "INTEGER"), b"\xff\x00": ("VARCHAR", "TEXT", "JSON")}
"""What no column of a type can be read as."""
IS_WHOLE = "FUZZ" in os.environ
"""Whether every value is tried, and every address walked."""
SLOW = (
    ()
    if IS_WHOLE
    else (
        *("/alike", "/folder", "/package", "/kept/held", "/studies/", "/language", "/takeaways"),
        *(
            "/python",
            "/program",
            "/backup",
            "/places",
            "/file",
            "/recipes",
            "/examples",
            "/templates",
        ),
    )
)
"""Addresses that read no more than others do, and take long."""
FILLED = {"number": "1", "revision": "1", "step_number": "1", "ending": "csv", "language": "en"}
ASKED = "?dice=5&question=0&key=browser-0123456789"


def spoilt_places():
    for table in Base.metadata.sorted_tables:
        for column in table.columns:
            yield table.name, column.name


@exhaustive
class TestSpoiltRows(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        held = TemporaryDirectory()
        cls.addClassCleanup(held.cleanup)
        cls.root = Path(held.name)
        cls.numbers = count()
        path = cls.root / "whole.sqlite"
        database, app, http = cls.opened(demo_store(path))
        cls.fill(http, database)
        cls.addresses = [
            address for address, ways in app.openapi()["paths"].items() if "get" in ways
        ]
        app.state.app_state.close()
        database.close()
        with closing(sqlite3.connect(path)) as store:
            store.execute("PRAGMA journal_mode = DELETE")
            store.execute("DELETE FROM brought_runs WHERE rowid % 20")
            store.commit()
        cls.whole = path.read_bytes()

    @staticmethod
    def opened(database):
        app = create_app(database, lambda: datetime(2026, 9, 20, tzinfo=UTC))
        # A process for each of very many stores would take longer than all that is looked at.
        app.state.app_state._crew = Crew(ThreadPoolExecutor(1), 1)
        http = TestClient(
            app, base_url=ORIGIN, headers={"origin": ORIGIN}, raise_server_exceptions=False
        )
        return database, app, http

    @classmethod
    def fill(cls, http, database):
        """Have a row in every table that the demo leaves empty."""
        game = http.get(f"/api/games/{GAME}").json()
        document = {**game["document"], "title": "Slugs"}
        http.put(f"/api/games/{GAME}", json={"revision": 1, "document": document})
        about = {"revision": 1, "title": "Slugs", "tags": ["slow"], "words": "For the young."}
        cls.ok(http.post(f"/api/packs/{PACK}/about", json=about))
        edit = {"revision": 2, "edits": [{"row": 0, "remove": 1}]}
        cls.ok(http.post(f"/api/packs/{PACK}/edits", json=edit))
        new = {"players": ["Ivy"], "key": "browser-0123456789"}
        run = cls.ok(http.post(f"/api/play/games/{GAME}/runs", json=new)).json()["id"]
        begin = {"seen": 0, "action": {"action": "begin"}}
        cls.ok(http.post(f"/api/play/runs/{run}/inputs", json=begin))
        wanted = {"game_id": GAME, "dice": 5, "players": ["Ivy"]}
        table = cls.ok(http.post("/api/runs", json=wanted)).json()["id"]
        cls.ok(
            http.post(
                f"/api/runs/{table}/outcomes",
                json={"seen": 0, "at": 0, "intent": "right", "questions": 1},
            )
        )
        cls.ok(http.post(f"/api/games/{GAME}/kept/ready"))
        kept = http.get(f"/api/games/{GAME}/kept").json()[0]["id"]
        with database.writing() as session:
            session.connection().exec_driver_sql(
                "INSERT INTO voices SELECT 'spoken', digest FROM media LIMIT 1"
            )
            session.connection().exec_driver_sql("INSERT INTO secrets VALUES ('maker', x'00')")
        cls.names = {"game_id": GAME, "pack_id": PACK, "kept_id": kept}
        cls.runs = {"play": run, "table": table}

    @staticmethod
    def ok(answer):
        assert answer.status_code < 300, answer.text
        return answer

    def walk(self, http):
        """What every address answers about what is spoilt and about what is not."""
        for game, pack in ((GAME, PACK), (OTHER, "plants-of-the-beds")):
            for address in self.addresses:
                if any(part in address for part in SLOW):
                    continue
                run = self.runs["play" if "/play/" in address else "table"]
                held = {**self.names, "game_id": game, "pack_id": pack, "run_id": run} | FILLED
                path = re.sub(r"\{\w+\}", "{}", address).format(
                    *(held.get(name, "x") for name in re.findall(r"\{(\w+)\}", address))
                )
                yield path, http.get(path + ASKED)

    def test_a_spoilt_column_is_told_and_touches_nothing_else(self):
        values = cycle(VALUES)
        for table, column in spoilt_places():
            with closing(sqlite3.connect(":memory:")) as plain:
                plain.deserialize(self.whole)
                count = plain.execute(f"SELECT count(*) FROM {table}").fetchone()[0]
            self.assertTrue(count, table)
            for value in VALUES if IS_WHOLE else (next(values),):
                with self.subTest(table=table, column=column, value=str(value)[:20]):
                    self.look_at(table, column, value)

    def look_at(self, table, column, value):
        path = self.root / f"spoilt-{next(self.numbers)}.sqlite"
        path.write_bytes(self.whole)
        set_to, given = (NO_TEXT, ()) if value == "no UTF-8" else ("?", (value,))
        where = {
            "games": f"id = '{GAME}'",
            "packs": f"id = '{PACK}'",
            "runs": "TRUE",
            "run_inputs": "TRUE",
        }.get(table, f"rowid = (SELECT max(rowid) FROM {table})")
        if "game_id" in Base.metadata.tables[table].columns:
            where = f"game_id = '{GAME}' AND rowid % 2"
        if "pack_id" in Base.metadata.tables[table].columns:
            where = f"pack_id = '{PACK}'"
        with closing(sqlite3.connect(path)) as store:
            try:
                store.execute(
                    f'UPDATE OR REPLACE {table} SET "{column}" = {set_to} WHERE {where}', given
                )
            except sqlite3.IntegrityError:
                return  # it is never empty
            store.commit()
        database, app, http = self.opened(Database(path))
        try:
            for address, answer in self.walk(http):
                self.assertLess(answer.status_code, 500, (address, answer.text[:300]))
                is_others = f"/{OTHER}" in address or address in ("/api/games", "/api/packs")
                if is_others and answer.status_code >= 400:
                    self.assertIn(answer.status_code, (404, 422), (address, answer.text[:300]))
                    self.assertNotIn("store", answer.text)
            if table == "secrets":
                create_app(database, maker_key="hush").state.app_state.close()
            self.go_on(http)
        finally:
            app.state.app_state.close()
            database.close()
            for left in self.root.glob("spoilt-*"):
                left.unlink()

    def test_the_card_tells_what_cannot_be_read_and_what_to_do(self):
        for table, of in TOLD.items():
            for column in Base.metadata.tables[table].columns:
                for value, kinds in NEVER_READ.items():
                    is_key = column.primary_key and column.name != "number"
                    kind = str(column.type).partition("(")[0]
                    if is_key or column.name == "facts_edits" or kind not in kinds:
                        continue
                    with self.subTest(table=table, column=column.name, value=value):
                        self.assertRegex(
                            self.told(table, column.name, value, of), r"cannot be|can be"
                        )

    def told(self, table, column, value, of):
        """What the card of the spoilt game or pack says, of which all saves are spoilt so."""
        path = self.root / "told.sqlite"
        path.write_bytes(self.whole)
        owner, name = ("game_id", GAME) if of == "games" else ("pack_id", PACK)
        only = f"{owner} = ? AND number = (SELECT max(number) FROM {table} WHERE {owner} = ?)"
        with closing(sqlite3.connect(path)) as store:
            if column == "number":
                store.execute(
                    f"DELETE FROM {table} WHERE NOT ({only}) AND {owner} = ?", (name, name, name)
                )
            store.execute(f'UPDATE {table} SET "{column}" = ? WHERE {only}', (value, name, name))
            store.commit()
        database, app, http = self.opened(Database(path))
        try:
            cards = http.get(f"/api/{of}").json()
            return next(card["trouble"] for card in cards if card["id"] == name)
        finally:
            app.state.app_state.close()
            database.close()
            for left in self.root.glob("told.sqlite*"):
                left.unlink()

    def go_on(self, http):
        """Another game is played and edited, and what is spoilt is taken off the shelf."""
        started = http.post(f"/api/play/games/{OTHER}/runs", json={"players": ["Fern"]})
        self.assertEqual(started.status_code, 201, started.text)
        begun = http.post(
            f"/api/play/runs/{started.json()['id']}/inputs",
            json={"seen": 0, "action": {"action": "begin"}},
        )
        self.assertEqual(begun.status_code, 200, begun.text)
        game = http.get(f"/api/games/{OTHER}").json()
        saved = http.put(
            f"/api/games/{OTHER}",
            json={"revision": game["revision"], "document": {**game["document"], "title": "Beds"}},
        )
        self.assertEqual(saved.status_code, 200, saved.text)
        for address in (f"/api/games/{GAME}", f"/api/packs/{PACK}"):
            self.assertLess(http.delete(address).status_code, 500, address)


if __name__ == "__main__":
    unittest.main()
