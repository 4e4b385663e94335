"""The store: nothing overwritten, nothing half saved, nothing lost to a kill."""

import random
import unittest
from dataclasses import replace
from datetime import UTC, datetime, timedelta
from pathlib import Path
from tempfile import TemporaryDirectory

from alembic.autogenerate import compare_metadata
from alembic.migration import MigrationContext
from sqlalchemy import create_engine, text

from dicetrail.core import Answer, Begin, Facts, Input, Pack, PackEdit, Question
from dicetrail.core.play import StaleRun
from dicetrail.core.survey import FactsEdit, edited
from dicetrail.store import Database, NotFound, PackSource, Place, RefusedRow, StaleRevision
from dicetrail.store.games import (
    add_game,
    game_revision,
    newest_game,
    newest_games,
    revise_game,
)
from dicetrail.store.models import Base
from dicetrail.store.packs import (
    add_pack,
    add_to_media,
    edit_pack,
    keep_anew,
    newest_pack,
    pack_of,
    pack_revision,
)
from dicetrail.store.runs import add_inputs, add_run, get_run, last_answered_run
from tests.core.examples import FIVE, VEGETABLES, changed
from tests.server import Server
from tests.web.demo import empty_store

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
            self.assertEqual(pack_of(session, "vegetables", 1), VEGETABLES)
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


class TestPackRevisions(unittest.TestCase):
    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.database = empty_store(Path(folder.name) / "store.sqlite")
        self.addCleanup(self.database.close)

    def test_every_revision_of_a_pack_can_be_had_whatever_it_changed(self):
        chances = random.Random(11)
        made = iter(range(10_000))

        def some(most):
            count = range(chances.randint(0, most))
            return tuple(Question(f"{next(made)}?", ("a",), ("b",)) for _ in count)

        other = replace(SOURCE, file_name="other.tsv")
        with self.database.writing() as session:
            kept = add_pack(session, Pack("P", some(20)), SOURCE, NOW, media={"a.png": "1"})
            expected = [(pack_of(session, "p", 1).questions, SOURCE, {"a.png": "1"})]
        for number in range(1, 60):
            questions, source, media = expected[-1]
            with self.database.writing() as session:
                kept = newest_pack(session, "p")
                match chances.randrange(6):
                    case 0:
                        questions, source = some(20), chances.choice([SOURCE, other])
                        more = {"b.png": str(number)} if number % 2 else {}
                        media = media | more
                        keep_anew(session, kept, Pack(kept.title, questions), NOW, source, more)
                    case 1:
                        media = media | {f"{number}.png": "x"}
                        add_to_media(session, kept, {f"{number}.png": "x"}, NOW)
                    case _:
                        row, gone = chances.randint(0, 20), chances.randint(0, 3)
                        edits = (PackEdit(row, gone, some(3)), PackEdit(0, 0, some(1)))
                        questions = edited(questions, edits)
                        edit_pack(session, "p", kept.number, edits, len(questions), NOW)
            expected.append((questions, source, media))
        with self.database.reading() as session:
            for number, (questions, source, media) in enumerate(expected, 1):
                found = pack_revision(session, "p", number)
                self.assertEqual(pack_of(session, "p", number).questions, questions)
                self.assertEqual((found.source, found.media), (source, media))
                self.assertEqual(found.question_count, len(questions))

    def test_an_edit_costs_the_store_what_it_changes(self):
        large = Pack("P", tuple(Question(f"{n}?", ("a",), ("b",)) for n in range(20_000)))
        refused = (RefusedRow(1, 1, "w", "m", "t" * 1000),) * 100
        with self.database.writing() as session:
            add_pack(session, large, replace(SOURCE, refused=refused), NOW, media={"a": "b"})

        def size():
            with self.database.reading() as session:
                pages = session.execute(text("PRAGMA page_count")).scalar_one()
                return pages * session.execute(text("PRAGMA page_size")).scalar_one()

        before = size()
        for number in range(1, 41):
            with self.database.writing() as session:
                edit = PackEdit(number, 1, (Question("New?", ("a",), ("b",)),))
                edit_pack(session, "p", number, (edit,), 20_000, NOW)
        self.assertLess((size() - before) / 40, 1_000)
        rows = tuple((f"plant {n}", f"bed {n % 9}", "") for n in range(20_000))
        facts = Pack("F", facts=Facts(("plant", "bed", "note"), rows))
        with self.database.writing() as session:
            add_pack(session, facts, SOURCE, NOW, media={"a": "b"})
        before = size()
        for number in range(1, 41):
            with self.database.writing() as session:
                edit = FactsEdit(number, 1, (("new", "bed", "x"),))
                edit_pack(session, "f", number, (edit,), 20_000, NOW)
        self.assertLess((size() - before) / 40, 1_000)
        with self.database.reading() as session:
            found = pack_of(session, "f", 41).facts.rows
        self.assertEqual(found, (rows[0], *(("new", "bed", "x"),) * 40, *rows[41:]))


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
