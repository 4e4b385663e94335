"""The house: rooms with a face each, and nobody who climbs in through a window."""

import ast
import unittest
from pathlib import Path

import dicetrail.core

CORE = Path(dicetrail.core.__file__).parent
ROOMS = sorted(folder.name for folder in CORE.iterdir() if (folder / "__init__.py").is_file())


def imports(path):
    """The modules a file imports from."""
    for node in ast.walk(ast.parse(path.read_text("utf-8"))):
        if isinstance(node, ast.ImportFrom) and node.module:
            yield node.module
        elif isinstance(node, ast.Import):
            yield from (name.name for name in node.names)


class TestRooms(unittest.TestCase):
    def test_the_core_is_nothing_but_rooms(self):
        flat = [path.name for path in CORE.glob("*.py")]
        self.assertEqual(flat, ["__init__.py"])
        lower = ["answers", "document", "draw", "foresight", "play", "rules", "survey"]
        self.assertEqual(ROOMS, [*lower, "workbench"])

    def test_a_room_is_entered_by_its_face(self):
        for path in (CORE.parent).rglob("*.py"):
            own = path.relative_to(CORE).parts[0] if CORE in path.parents else None
            for module in imports(path):
                parts = module.split(".")
                if parts[:2] == ["dicetrail", "core"] and len(parts) > 3 and parts[2] != own:
                    self.fail(f"{path.relative_to(CORE.parent)} imports {module}")

    def test_the_tests_of_the_core_import_the_core_alone(self):
        for path in Path(__file__).parent.glob("*.py"):
            for module in imports(path):
                top, *below = module.split(".")
                if top in ("dicetrail", "tests"):
                    self.assertIn(".".join(below[:1]), ("core", "exhaustive"), f"{path}: {module}")

    def test_the_cores_own_face_is_small(self):
        self.assertLess(len(dicetrail.core.__all__), 60)
