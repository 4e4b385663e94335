"""Games that leave: the files of a folder, the one file, and who may take them."""

import io
import json
import subprocess
import sys
import zipfile
from pathlib import Path
from tempfile import TemporaryDirectory
from unittest import mock

from typer.testing import CliRunner

from dicetrail.cli import app
from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

BARE = (sys.executable, "-I", "-S")
"""Python with nothing but its own library."""


class TestLeaving(DemoTest):
    def get(self, address):
        answer = self.http.get(address)
        self.assertEqual(answer.status_code, 200, answer.text[:200])
        return answer.json()

    def archive(self, name):
        answer = self.http.get(f"/api/games/{name}/folder")
        self.assertEqual(answer.status_code, 200, answer.text[:200])
        return zipfile.ZipFile(io.BytesIO(answer.content))

    def test_a_folder_has_what_its_game_needs_and_little_goes_over_the_wire(self):
        weights = self.get("/api/games/leaf-shapes/takeaways")
        archive = self.archive("leaf-shapes")
        names = {name.removeprefix("leaf-shapes/") for name in archive.namelist()}
        self.assertEqual(len(names), weights["folder"]["files"])
        fetched = json.loads(archive.read("leaf-shapes/files.json"))
        self.assertLessEqual(set(fetched), names)
        page = json.loads(archive.read("leaf-shapes/game/page.json"))
        for kind in ("media", "sounds"):
            self.assertTrue(page[kind])
            self.assertLessEqual({f"{kind}/{name}" for name in page[kind].values()}, names)
        whole = sum(weights["folder"][part] for part in ("page", "media", "engine"))
        self.assertLess(whole, 9_100_000)
        self.assertLess(weights["folder"]["page"], 400_000)
        told = archive.read("leaf-shapes/README.txt").decode()
        self.assertIn("python3 -m http.server", told)
        self.assertIn("can read the\nright answers", told)

    @exhaustive
    def test_the_same_game_makes_the_same_folder_and_another_one_another_version(self):
        one, again = (self.archive("seed-sums") for _ in range(2))
        self.assertEqual(one.namelist(), again.namelist())
        self.assertEqual([entry.CRC for entry in one.infolist()], [e.CRC for e in again.infolist()])
        game = self.get("/api/games/seed-sums")
        game["document"]["title"] = "<b>Sums</b> & more"
        self.http.put("/api/games/seed-sums", json=game)
        other = self.archive("seed-sums")
        worker = [archive.read("seed-sums/sw.js") for archive in (one, other)]
        self.assertNotEqual(*worker)
        self.assertIn(
            "&lt;b&gt;Sums&lt;/b&gt; &amp; more", other.read("seed-sums/index.html").decode()
        )

    def test_the_one_file_is_played_by_python_alone(self):
        for name, typed, shown in (
            ("harvest-supper", "\na\n\n/quit\n", "Given up"),
            ("harvest-table", "\n\n/\n", "مائدة الحصاد"),
            ("slug-patrol", "\nsnail\n/quit\n", "Slug Patrol"),
        ):
            content = self.http.get(f"/api/games/{name}/program").content
            with TemporaryDirectory() as held, self.subTest(game=name):
                path = Path(held) / f"{name}.pyz"
                path.write_bytes(content)
                told = subprocess.run(
                    [*BARE, path, "--dice", "5", "--player", "Marjory"],
                    input=typed,
                    capture_output=True,
                    text=True,
                    timeout=60,
                    cwd=held,
                    check=True,
                )
                self.assertIn(shown, told.stdout)
                self.assertEqual(told.stderr, "")
                many = [word for _ in range(5) for word in ("--player", "X")]
                refused = subprocess.run(
                    [*BARE, path, *many], capture_output=True, text=True, timeout=60, check=False
                )
                self.assertEqual(refused.returncode, 2)
                self.assertIn("this game takes", refused.stderr)

    def test_a_game_that_cannot_be_played_does_not_leave_and_one_that_is_not_there_is_told(self):
        made = self.http.post("/api/games", json={"title": "Empty"}).json()
        for way in ("folder", "program", "takeaways"):
            refused = self.http.get(f"/api/games/{made['id']}/{way}")
            self.assertEqual(refused.status_code, 409)
            self.assertTrue(refused.json()["problems"])
            self.assertEqual(self.http.get(f"/api/games/none/{way}").status_code, 404)
        with mock.patch("dicetrail.takeaway.folder.SITE", Path("nowhere")):
            missing = self.http.get("/api/games/seed-sums/folder")
        self.assertEqual(missing.status_code, 503)
        self.assertIn("make site", missing.json()["detail"])

    def test_the_command_line_takes_a_game_file_away_and_overwrites_no_folder(self):
        with TemporaryDirectory() as held:
            root = Path(held)
            file = root / "shed.json"
            file.write_bytes(self.http.get("/api/games/shed-words/file").content)
            out, program = root / "out", root / "shed.pyz"
            take = ["take", str(file), "--folder", str(out), "--program", str(program)]
            told = CliRunner().invoke(app, take)
            self.assertEqual(told.exit_code, 0, told.output)
            self.assertIn("can read the right answers", " ".join(told.output.split()))
            self.assertTrue((out / "engine" / "memory.zst").is_file())
            self.assertTrue(zipfile.is_zipfile(program))
            again = CliRunner().invoke(app, take)
            self.assertEqual(again.exit_code, 1)
            self.assertIn("is not empty", " ".join(again.output.split()))
            self.assertEqual(CliRunner().invoke(app, ["take", str(file)]).exit_code, 2)
            table = root / "beds.tsv"
            table.write_text("Question\tAnswer\n", "utf-8")
            for command, said in (
                (("take", file, "--program", root), "Is a directory. Name another place."),
                (("take", file, "--python", root / "no" / "x.py"), "No such file or directory."),
                (("take", file, "--package", root / "no" / "x.zip"), "No such file or directory."),
                (("take", file, "--folder", table), "Not a directory."),
                (("take", table, "--program", program), "not well-formed JSON"),
                (("check", table), "not well-formed JSON"),
            ):
                refused = CliRunner().invoke(app, list(map(str, command)))
                self.assertIsInstance(refused.exception, SystemExit, refused.output)
                self.assertEqual(refused.exit_code, 1)
                self.assertIn(said, refused.output)
            broken = json.loads(file.read_text("utf-8"))
            broken["game"]["rounds"] = []
            file.write_text(json.dumps(broken), "utf-8")
            refused = CliRunner().invoke(app, ["take", str(file), "--program", str(program)])
            self.assertEqual(refused.exit_code, 1)
            self.assertIn("has faults", refused.output)
