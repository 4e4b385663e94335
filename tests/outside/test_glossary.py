"""The names in the code, held against the glossary: one word for one thing."""

import ast
import io
import json
import re
import tokenize
import unittest
from collections import defaultdict
from pathlib import Path

ROOT = Path(__file__).parents[2]
CODE = ROOT / "dicetrail"
GLOSSARY = ROOT / "docs" / "glossary.md"

MATHEMATICS = {("standalone", "sign"), ("rules", "sign")}
"""Where `sign` is that of a number: the folder, and the word."""


def retired():
    table = GLOSSARY.read_text("utf-8").partition("## Retired")[2]
    rows = re.findall(r"^\| (`.*?) \|", table, re.M)
    return {word for row in rows for word in re.findall(r"`(\w+)`", row)}


class TestNames(unittest.TestCase):
    def test_no_two_classes_share_a_name(self):
        found = defaultdict(list)
        for path in CODE.rglob("*.py"):
            for node in ast.walk(ast.parse(path.read_text("utf-8"))):
                if isinstance(node, ast.ClassDef):
                    found[node.name.lstrip("_")].append(str(path.relative_to(ROOT)))
        self.assertGreater(len(found), 300)
        self.assertEqual({name: at for name, at in found.items() if len(at) > 1}, {})

    def test_every_operation_of_the_interface_reads_as_a_name(self):
        document = json.loads((ROOT / "docs" / "schema" / "openapi.json").read_text("utf-8"))
        names = [
            operation["operationId"]
            for operations in document["paths"].values()
            for operation in operations.values()
        ]
        self.assertGreater(len(names), 100)
        self.assertEqual([name for name in names if not re.fullmatch("[a-z]+(_[a-z]+)+", name)], [])
        self.assertEqual(len(set(names)), len(names))

    def test_no_name_is_a_word_that_is_retired(self):
        words = retired()
        self.assertGreater(len(words), 30)
        prefixes = tuple(word for word in words if word.endswith("_"))
        found = {
            (path, line, name)
            for path, line, name in names_in_code()
            if (name in words or name.startswith(prefixes))
            and not any((folder, name) in MATHEMATICS for folder in Path(path).parts)
        }
        self.assertEqual(found, set())


def names_in_code():
    """Every name of the code, with where it stands; `put` is a method of queues and HTTP too."""
    for path in CODE.rglob("*.py"):
        before = ""
        for token in tokenize.generate_tokens(io.StringIO(path.read_text("utf-8")).readline):
            is_method, before = before == ".", token.string
            if token.type == tokenize.NAME and not (is_method and token.string == "put"):
                yield str(path.relative_to(ROOT)), token.start[0], token.string
