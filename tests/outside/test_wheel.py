"""The wheel, installed where there is no Node and no checkout: pages, demo, folders and all."""

import subprocess
import sys
import sysconfig
import unittest
import venv
import zipfile
from pathlib import Path
from tempfile import TemporaryDirectory

import httpx2

from dicetrail.demo import GAMES
from tests.exhaustive import exhaustive

ROOT = Path(__file__).parents[2]
BUILD = "import sys, setuptools.build_meta as backend; print(backend.build_wheel(sys.argv[1]))"


@exhaustive
class TestWheel(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        held = TemporaryDirectory()
        cls.addClassCleanup(held.cleanup)
        cls.root = Path(held.name)
        source = cls.root / "source"
        source.mkdir()
        for name in ("pyproject.toml", "README.md", "LICENSE", "dicetrail"):
            (source / name).symlink_to(ROOT / name)
        built = cls.run_in(source, sys.executable, "-c", BUILD, str(cls.root))
        cls.wheel = cls.root / built.splitlines()[-1]
        venv.create(cls.root / "bare", with_pip=False)
        cls.python = cls.root / "bare" / "bin" / "python"
        site = cls.run_in(
            cls.root, cls.python, "-c", "import site; print(site.getsitepackages()[0])"
        )
        with zipfile.ZipFile(cls.wheel) as archive:
            archive.extractall(site.strip())
        # The packages it needs are those installed here; its own code is the wheel's alone.
        (Path(site.strip()) / "needed.pth").write_text(sysconfig.get_path("purelib") + "\n")

    @staticmethod
    def run_in(folder, *command):
        done = subprocess.run(
            command, cwd=folder, capture_output=True, text=True, timeout=300, check=False
        )
        if done.returncode:
            raise AssertionError(done.stderr[-2000:])
        return done.stdout

    def test_it_is_the_wheels_own_code_that_runs(self):
        told = self.run_in(
            self.root, self.python, "-c", "import dicetrail; print(dicetrail.__file__)"
        )
        self.assertTrue(told.startswith(str(self.root / "bare")), told)

    def test_it_serves_pages_and_demo_and_lays_folders(self):
        store, out = self.root / "store.sqlite", self.root / "out"
        command = [self.python, "-m", "dicetrail.cli", "serve", "--demo", "--port", "0"]
        server = subprocess.Popen(
            [*command, "--data", str(store)],
            cwd=self.root,
            stdout=subprocess.PIPE,
            text=True,
            env={"PATH": "/nowhere", "COLUMNS": "200"},
        )
        try:
            address = next(
                word
                for line in server.stdout
                for word in line.split()
                if word.startswith("http://")
            )
            with httpx2.Client(base_url=address, timeout=60) as http:
                self.assertIn('id="root"', http.get("/").text)
                self.assertEqual(len(http.get("/api/games").json()), len(GAMES))
                self.assertGreater(len(http.get("/api/games/seed-sums/folder").content), 5_000_000)
        finally:
            server.terminate()
            server.wait(30)
            server.stdout.close()
        take = [self.python, "-m", "dicetrail.cli", "take", "seed-sums", "--data", str(store)]
        program, package = self.root / "s.py", self.root / "s.zip"
        ways = ("--folder", out, "--program", self.root / "s.pyz", "--python", program)
        self.run_in(self.root, *take, *map(str, (*ways, "--package", package)))
        self.assertIn("def play_round(", program.read_text("utf-8"))
        self.assertTrue(package.is_file())
        self.assertTrue((out / "index.html").is_file())
        self.assertTrue((self.root / "s.pyz").is_file())
