"""Comma-separated files against RFC 4180 and the open csv-spectrum collection."""

import json
import unittest
from pathlib import Path

from dicetrail.core import Question
from dicetrail.files import Separator, read_questions
from dicetrail.files.sheets import SeparatedRows

SPECTRUM = Path("frontend/node_modules/csv-spectrum")


def rows_of(text):
    rows = SeparatedRows(text, Separator.COMMA)
    return [row for row in rows if row], rows.broken


class TestRfc4180(unittest.TestCase):
    """RFC 4180, section 2, whose rules are quoted by number; examples are the RFC's own."""

    def test_the_examples_of_section_2(self):
        first, second = ["aaa", "bbb", "ccc"], ["zzz", "yyy", "xxx"]
        for rule, text, expected in (
            (1, "aaa,bbb,ccc\r\nzzz,yyy,xxx\r\n", [first, second]),
            (2, "aaa,bbb,ccc\r\nzzz,yyy,xxx", [first, second]),
            (5, '"aaa","bbb","ccc"\r\nzzz,yyy,xxx', [first, second]),
            (6, '"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx', [["aaa", "b\r\nbb", "ccc"], second]),
            (7, '"aaa","b""bb","ccc"', [["aaa", 'b"bb', "ccc"]]),
        ):
            with self.subTest(rule=rule):
                self.assertEqual(rows_of(text), (expected, []))

    def test_rule_3_a_header_line_has_the_same_form_as_the_records(self):
        reading = read_questions(b"question,right,wrong\r\naaa,bbb,ccc\r\n")
        self.assertEqual(reading.headings, ("question", "right", "wrong"))
        self.assertEqual(reading.questions, (Question("aaa", ("bbb",), ("ccc",)),))

    def test_rule_5_quotes_inside_an_unquoted_field_belong_to_a_quoted_one(self):
        _, broken = rows_of('aaa,"b"bb,ccc')
        self.assertEqual((broken[0].line, broken[0].column), (1, 2))


class TestCsvSpectrum(unittest.TestCase):
    """csv-spectrum 2.0.0, an open collection of awkward CSV files from the npm registry:
    each file with what it means as JSON. Its first row always names the columns.

    In the package itself one file and its JSON tell different telephone numbers, so that one
    value is not compared; everything else is.
    """

    DIFFERS = ("location_coordinates", "Contact Phone Number")

    def test_every_file_gives_its_records(self):
        files = sorted(SPECTRUM.glob("csvs/*.csv"))
        self.assertGreaterEqual(len(files), 10)
        for file in files:
            with self.subTest(file.stem):
                expected = json.loads((SPECTRUM / "json" / f"{file.stem}.json").read_text("utf-8"))
                (names, *records), broken = rows_of(file.read_bytes().decode("utf-8-sig"))
                self.assertEqual(broken, [])
                expected = [expected] if isinstance(expected, dict) else expected
                found = [dict(zip(names, row, strict=True)) for row in records]
                if file.stem == self.DIFFERS[0]:
                    for record in (*found, *expected):
                        record.pop(self.DIFFERS[1])
                self.assertEqual(found, expected)
