"""The pack schema against jsonschema, an independent validator, both ways."""

import json
import unittest
from pathlib import Path

from hypothesis import given
from jsonschema import Draft202012Validator

from dicetrail.files import WRITERS, pack_schema, read_questions
from tests.files.test_formats import PACKS

SCHEMA = json.loads(Path("docs/schema/pack.schema.json").read_text("utf-8"))
GOOD = {"prompt": "Which?", "right": "a", "wrong": ["b"]}


class TestPackSchema(unittest.TestCase):
    """jsonschema (the Python reference implementation of JSON Schema, draft 2020-12)."""

    def test_it_is_a_schema_and_the_one_the_reader_keeps_to(self):
        Draft202012Validator.check_schema(SCHEMA)
        self.assertEqual(SCHEMA, pack_schema())

    @given(PACKS)
    def test_whatever_is_written_fits_it(self, pack):
        document = json.loads(WRITERS["json"][1](pack))
        Draft202012Validator(SCHEMA).validate(document)

    def test_what_does_not_fit_it_is_refused_and_what_fits_is_read(self):
        for change, fits in (
            ({}, True),
            ({"level": 3, "right": ["a"], "wrong": "b", "hint": None}, True),
            ({"right": [1.5, True]}, True),
            ({"level": "3"}, False),
            ({"kind": "guess"}, False),
            ({"colour": "red"}, False),
            ({"right": {"a": 1}}, False),
            ({"wrong": [["b"]]}, False),
            ({"seconds": 1.5}, False),
        ):
            with self.subTest(change):
                document = {"questions": [GOOD | change]}
                self.assertIs(Draft202012Validator(SCHEMA).is_valid(document), fits)
                reading = read_questions(json.dumps(document).encode())
                self.assertEqual(len(reading.questions), int(fits))
