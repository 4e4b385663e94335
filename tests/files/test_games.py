"""Games as files."""

import json
import re
import unittest
from dataclasses import MISSING, fields
from pathlib import Path

import jsonschema
from hypothesis import given

from dicetrail.core import GameProblems, Pack, build
from dicetrail.core.document import DOCUMENT
from dicetrail.core.rules.script import parse
from dicetrail.demo import HARVEST_SUPPER
from dicetrail.files import documented, game_schema, read_game, written_game
from tests.core.test_laws import GAMES, PACKS
from tests.exhaustive import exhaustive

EXAMPLE = re.search(r"```json\n(.*?)```", Path("docs/game-file.md").read_text("utf-8"), re.S)[1]
SCHEMA = game_schema()


class TestGameFiles(unittest.TestCase):
    @exhaustive
    @given(GAMES)
    def test_writing_then_reading_gives_the_same_game(self, game):
        media = {"veg": {"leaf.svg": b"<svg/>"}}
        written = written_game(game, PACKS, media)
        read = read_game(written)
        self.assertEqual((read.game, read.packs), (game, PACKS))
        self.assertEqual((read.content("veg"), read.content("mix")), (media["veg"], {}))
        jsonschema.validate(json.loads(written), SCHEMA)

    def test_the_documented_example_is_read_and_plays(self):
        jsonschema.Draft202012Validator.check_schema(game_schema())
        jsonschema.validate(json.loads(EXAMPLE), game_schema())
        read = read_game(EXAMPLE.encode())
        self.assertEqual(build(read.game, read.packs).game.title, "Shed Words")

    def test_every_field_of_a_document_is_told_with_what_it_is_if_left_out(self):
        told = documented(game_schema())
        for part in DOCUMENT:
            table = re.search(rf"^## {part.__name__}\n.*?(?=^## |\Z)", told, re.M | re.S)[0]
            for field in fields(part):
                with self.subTest(f"{part.__name__}.{field.name}"):
                    row = re.search(
                        rf"^\| `{field.name}` \| .+ \| (.+) \| .{{5,}} \|$", table, re.M
                    )
                    if isinstance(field.default, str | int | None):
                        self.assertEqual(row[1], f"`{json.dumps(field.default)}`")
                    elif field.default is MISSING:
                        self.assertEqual(row[1], "it must be there")

    def test_every_script_of_the_documentation_is_in_the_language(self):
        page = Path("docs/rule-script.md").read_text("utf-8")
        scripts = re.findall(r"```python\n(.*?)```", page, re.S)
        self.assertGreater(len(scripts), 8)
        for script in scripts:
            parse(script)

    def test_each_fault_is_told_with_line_and_column(self):
        for old, new, where, what in (
            ('"count": 2', '"count": "two"', "line 10, column 14: game.rounds[0].draw", "fit"),
            ('"draw": {"count": 2', '"drow": {"count": 2', "line 10, column 5", "not known"),
            ('"endings": [', '"endings": 3, "x": [', "game.endings", "fit"),
            ('trail-game/1"', 'trail-game/9"', "line 2, column 2: format", "fit"),
            ('"rounds": [', '"rounds": [,', "line 6, column 14", "not well-formed"),
            ('"packs": {', '"media": {"tools": {"a": "?"}}, "packs": {', "media.tools.a", "base64"),
            ('"packs": {', '"sounds": {"ab": "?"}, "packs": {', "sounds.ab", "base64"),
            ('"wave": "square"', '"wave": "round"', "game.sounds[0].wave", "fit"),
            ('"wave": "square"', '"file": "ab"', "game.sounds[0].file", "is not in here"),
        ):
            with self.subTest(new=new), self.assertRaises(GameProblems) as caught:
                read_game(EXAMPLE.replace(old, new, 1).encode())
            first = caught.exception.problems[0]
            self.assertIn(where, first.where)
            self.assertIn(what, first.what)
            self.assertTrue(first.mend)
        for content in (b"\xff", b"[" * 100_000, b"[]", b"3", b""):
            with self.subTest(content=content[:9]), self.assertRaises(GameProblems):
                read_game(content)

    def test_the_demo_game_makes_a_short_file(self):
        written = written_game(HARVEST_SUPPER, {"harvest-supper-questions": Pack("H", ())})
        self.assertLess(len(written), 3000)
