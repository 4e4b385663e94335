"""`dicetrail` on the command line, and what the documentation promises of it."""

import json
import os
import re
import socket
import subprocess
import time
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2
from scipy import stats
from typer.testing import CliRunner

from dicetrail.cli import app
from dicetrail.core import Ending, Game, Pack, Question, Round
from dicetrail.demo import GAMES
from dicetrail.files import written_game
from tests.exhaustive import exhaustive
from tests.server import SERVE, Server


class TestServe(unittest.TestCase):
    def setUp(self):
        folder = TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.data = Path(folder.name) / "store.sqlite"

    def test_a_second_start_keeps_the_data_and_loads_the_demo_only_once(self):
        with Server(self.data, "--demo") as server:
            server.http.post("/api/games", json={"title": "Mine"})
            game = server.http.get("/api/games/harvest-supper").json()
            game["document"]["title"] = "Changed"
            server.http.put("/api/games/harvest-supper", json=game)
        with Server(self.data, "--demo") as server:
            titles = [game["title"] for game in server.http.get("/api/games").json()]
        self.assertEqual(titles[:2], ["Changed", "Mine"])
        self.assertEqual(len(titles), len(GAMES) + 1)

    @exhaustive
    def test_behind_what_does_tls_it_asks_for_the_key_and_gives_the_outer_address(self):
        with socket.create_server(("127.0.0.1", 0)) as free:
            port = free.getsockname()[1]
        told = ["--port", str(port), "--data", str(self.data), "--demo", "--key", "spade"]
        command = [*SERVE, *told, "--address", "https://quiz.example.org/"]
        environment = os.environ | {"COLUMNS": "200"}
        with subprocess.Popen(
            command, stdout=subprocess.PIPE, text=True, env=environment
        ) as server:
            self.addCleanup(server.kill)
            lines = iter(server.stdout.readline, "")
            printed = next(line for line in lines if "https://quiz.example.org/?key=spade" in line)
            self.assertNotIn("8000", printed)
            forwarded = {"host": "quiz.example.org", "x-forwarded-proto": "https"}
            with httpx2.Client(base_url=f"http://127.0.0.1:{port}", headers=forwarded) as http:
                until = time.monotonic() + 20
                while time.monotonic() < until:
                    try:
                        self.assertEqual(http.get("/api/games").status_code, 401)
                        break
                    except httpx2.TransportError:
                        time.sleep(0.1)
                let_in = http.get("/?key=spade")
                self.assertEqual(let_in.status_code, 303)
                cookie = let_in.headers["set-cookie"]
                self.assertIn("Secure", cookie)
                known = {"cookie": cookie.split(";")[0]}
                shared = http.get("/api/games/seed-sums/sharing", headers=known).json()
                self.assertEqual(shared["address"], "https://quiz.example.org/play/seed-sums")
                plain = http.get("/?key=spade", headers={"x-forwarded-proto": "http"})
                self.assertNotIn("Secure", plain.headers["set-cookie"])
                strange = http.get("/", headers={"host": "other.example.org"})
                self.assertEqual(strange.status_code, 400)
            server.terminate()
        refused = subprocess.run(
            [*SERVE, "--data", str(self.data), "--address", "quiz"],
            capture_output=True,
            text=True,
            timeout=60,
            check=False,
        )
        self.assertEqual(refused.returncode, 2)
        self.assertIn("is no address", refused.stdout)

    def test_a_port_that_is_taken_is_told_with_how_to_choose_another(self):
        with Server(self.data) as server:
            port = server.address.rsplit(":", 1)[1]
            other = subprocess.run(
                [*SERVE, "--port", port, "--data", str(self.data)], capture_output=True, text=True
            )
        self.assertEqual(other.returncode, 1)
        words = " ".join(other.stdout.split())
        self.assertIn(f"port {port}: Address already in use", words)
        self.assertIn(f"make demo PORT={int(port) + 1}", words)

    def test_pages_are_served_at_every_address_and_assets_for_ever(self):
        with Server(self.data) as server:
            page = server.http.get("/game/any/draw")
            self.assertIn('<div id="root">', page.text)
            self.assertEqual(page.headers["cache-control"], "no-cache")
            script = re.search(r"/assets/[^\"]+\.js", page.text)[0]
            self.assertIn("immutable", server.http.get(script).headers["cache-control"])
            self.assertEqual(server.http.get("/assets/none.js").status_code, 404)


class TestPrinted(unittest.TestCase):
    def printed(self, command):
        return json.loads(CliRunner().invoke(app, [command]).stdout)

    def test_the_interface_and_the_form_of_a_pack_are_the_ones_in_the_documentation(self):
        files = {"openapi": "openapi", "pack-schema": "pack.schema", "game-schema": "game.schema"}
        for command, file in files.items():
            with self.subTest(command):
                kept = json.loads(Path("docs/schema", f"{file}.json").read_text("utf-8"))
                self.assertEqual(self.printed(command), kept)


class TestForecast(unittest.TestCase):
    def told(self, *given):
        found = CliRunner().invoke(app, ["forecast", *given])
        return found.exit_code, found.stdout

    def test_a_game_file_is_forecast_as_a_table_and_as_json(self):
        with TemporaryDirectory() as folder:
            file = Path(folder) / "game.json"
            pack = Pack("P", tuple(Question(f"{n}?", ("a",), ("b", "c", "d")) for n in range(9)))
            game = Game("Nine", (Round("R", ("p",)),), (Ending("Pass", "", 5), Ending("Rest", "")))
            file.write_bytes(written_game(game, {"p": pack}))
            code, printed = self.told(str(file), "--scout", "guessing", "--json")
            self.assertEqual(code, 0, printed)
            read = json.loads(printed)
            self.assertEqual(read["how"], "exact")
            (passed, *_) = read["endings"]
            self.assertAlmostEqual(passed["share"]["share"], stats.binom(9, 0.25).sf(4), 12)
            code, printed = self.told(str(file), "--scout", "guessing")
            self.assertIn("4.9%", printed)
            self.assertIn("every way was followed", printed)
            code, printed = self.told(str(file), "--scout", "nobody")
            self.assertEqual((code, printed.strip()), (1, "There is no scout “nobody”."))


class TestDocumentation(unittest.TestCase):
    def test_every_link_of_the_documentation_leads_to_a_file(self):
        for page in (Path("README.md"), *Path("docs").glob("*.md")):
            for link in re.findall(r"\]\(([^)#]+)\)", page.read_text("utf-8")):
                with self.subTest(page=page.name, link=link):
                    self.assertTrue((page.parent / link).exists() or "://" in link)
