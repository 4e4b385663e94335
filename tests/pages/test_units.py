"""The unit tests of the pages, which stand beside what they test."""

import json
import subprocess
import unittest
from pathlib import Path
from tempfile import TemporaryDirectory

FRONTEND = Path(__file__).parents[2] / "frontend"


class TestUnits(unittest.TestCase):
    def test_what_the_pages_decide_by_themselves(self):
        with TemporaryDirectory() as folder:
            out = Path(folder, "counted.json")
            run = ["npx", "--no-install", "vitest", "run", "--reporter=json", f"--outputFile={out}"]
            told = subprocess.run(run, cwd=FRONTEND, capture_output=True, text=True, timeout=400)
            self.assertEqual(told.returncode, 0, told.stdout + told.stderr)
            self.assertGreater(json.loads(out.read_text())["numPassedTests"], 0)
