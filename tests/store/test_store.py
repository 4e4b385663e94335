"""The store: nothing overwritten, nothing half saved, nothing lost to a kill."""

import unittest
from datetime import UTC, datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text

from dicetrail.core import Answer, Begin, Input, Pack
from dicetrail.store import Database, NotFound, PackSource, Place, StaleRevision, StaleRun
from dicetrail.store.games import (
    add_game,
    game_revision,
    newest_game,
    newest_games,
    revise_game,
)
from dicetrail.store.models import Base
from dicetrail.store.packs import add_pack, newest_pack
from dicetrail.store.runs import add_inputs, add_run, get_run, last_answered_run
from tests.core.examples import FIVE, VEGETABLES, changed
from tests.server import Server

NOW = datetime(2026, 9, 19, 18, 30, tzinfo=UTC)
SOURCE = PackSource("vegetables.tsv", "separated by tabs", ("Question", "Right"), 2, ())


class StoreTest(unittest.TestCase):
    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.path = Path(folder.name) / "deep" / "store.sqlite"

    def open(self):
        database = Database(self.path)
        self.addCleanup(database.close)
        return database


class TestStore(StoreTest):
    def test_migrations_make_just_the_tables_that_are_declared(self):
        database = self.open()
        engine = create_engine(f"sqlite:///{self.path}")
        with engine.connect() as connection:
            differences = compare_metadata(MigrationContext.configure(connection), Base.metadata)
            self.assertEqual(differences, [])
        engine.dispose()
        with database.reading() as session:
            self.assertEqual(session.scalar(text("PRAGMA journal_mode")), "wal")
            self.assertEqual(session.scalar(text("PRAGMA foreign_keys")), 1)

    def test_what_was_kept_is_there_when_the_file_is_opened_again(self):
        with self.open().writing() as session:
            pack = add_pack(session, VEGETABLES, SOURCE, NOW)
            game = add_game(session, changed(packs=(pack.pack_id,)), NOW)
            run = add_run(session, game, {"vegetables": 1}, 7, ("Marjory",), Place.TABLE, NOW)
            add_inputs(session, run.id, 0, [Input(Begin(), 10)])
            add_inputs(session, run.id, 1, [Input(Answer("b"), 20)])
        with self.open().reading() as session:
            found = newest_pack(session, "vegetables")
            self.assertEqual(Pack(found.title, found.questions), VEGETABLES)
            self.assertEqual((found.source, found.saved_at), (SOURCE, NOW))
            self.assertEqual(newest_game(session, "five").document.rounds[0].packs, ("vegetables",))
            played = last_answered_run(session, "five")
            self.assertEqual(
                [Input(given.action, given.at) for given in played.inputs],
                [Input(Begin(), 10), Input(Answer("b"), 20)],
            )

    def test_every_save_is_a_revision_and_none_is_overwritten(self):
        database = self.open()
        with database.writing() as session:
            add_game(session, FIVE, NOW)
            revise_game(session, "five", 1, changed(packs=("a",)), NOW + timedelta(minutes=1))
            unchanged = revise_game(session, "five", 2, changed(packs=("a",)), NOW)
            self.assertEqual(unchanged.number, 2)
        with database.reading() as session:
            self.assertEqual(game_revision(session, "five", 1).document, FIVE)
            self.assertEqual([game.number for game in newest_games(session)], [2])

    def test_a_save_on_an_old_revision_saves_nothing(self):
        database = self.open()
        with database.writing() as session:
            add_game(session, FIVE, NOW)
            revise_game(session, "five", 1, changed(packs=()), NOW)
        with self.assertRaises(StaleRevision) as caught, database.writing() as session:
            revise_game(session, "five", 1, changed(packs=("b",)), NOW)
        self.assertEqual((caught.exception.saved_on, caught.exception.newest), (1, 2))
        with database.reading() as session:
            self.assertEqual(newest_game(session, "five").document, changed(packs=()))

    def test_an_input_for_an_earlier_moment_is_not_taken(self):
        database = self.open()
        with database.writing() as session:
            game = add_game(session, FIVE, NOW)
            run_id = add_run(session, game, {}, 7, ("Ted",), Place.PLAY, NOW).id
            add_inputs(session, run_id, 0, [Input(Begin(), 1)])
        with self.assertRaises(StaleRun), database.writing() as session:
            add_inputs(session, run_id, 0, [Input(Begin(), 2)])
        with database.reading() as session, self.assertRaises(NotFound):
            get_run(session, run_id, Place.TABLE)

    def test_identifiers_can_be_read_out_and_never_clash(self):
        database = self.open()
        with database.writing() as session:
            names = [
                add_game(session, changed_title(title), NOW).game_id
                for title in ("Été au Jardin!", "ete au jardin", "園芸", "", "Five " * 40)
            ]
        self.assertEqual(names[:4], ["ete-au-jardin", "ete-au-jardin-2", "game", "game-2"])
        self.assertLessEqual(len(names[4]), 60)

    def test_a_session_that_fails_leaves_nothing_behind(self):
        database = self.open()
        with self.assertRaises(ZeroDivisionError), database.writing() as session:
            add_game(session, FIVE, NOW)
            raise ZeroDivisionError
        with database.reading() as session:
            self.assertEqual(newest_games(session), [])


class TestKill(StoreTest):
    def test_a_killed_server_keeps_every_save_it_acknowledged(self):
        with Server(self.path, "--demo") as server:
            game = server.http.get("/api/games/harvest-supper").json()
            for number in range(20):
                game["document"]["title"] = f"Supper {number}"
                saved = server.http.put("/api/games/harvest-supper", json=game)
                self.assertEqual(saved.status_code, 200)
                game = saved.json()
            server.kill()
        with Server(self.path) as server:
            again = server.http.get("/api/games/harvest-supper").json()
        self.assertEqual((again["document"]["title"], again["revision"]), ("Supper 19", 21))


def changed_title(title):
    return type(FIVE)(title, FIVE.rounds, FIVE.endings)
