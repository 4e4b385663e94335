"""The unit tests of the pages, which stand beside what they test."""

import json
import subprocess
import unittest
from pathlib import Path

FRONTEND = Path(__file__).parents[2] / "frontend"


class TestUnits(unittest.TestCase):
    def test_what_the_pages_decide_by_themselves(self):
        told = subprocess.run(
            ["npx", "--no-install", "vitest", "run", "--reporter=json"],
            cwd=FRONTEND,
            capture_output=True,
            text=True,
            timeout=120,
        )
        counted = json.loads(told.stdout)
        self.assertTrue(counted["success"] and told.returncode == 0, told.stdout + told.stderr)
        self.assertGreater(counted["numPassedTests"], 0)
