"""Tab-separated files against IANA's definition of text/tab-separated-values."""

import unittest

from hypothesis import given

from dicetrail.files import WRITERS, read_questions
from tests.files.test_formats import PACKS


class TestTabSeparated(unittest.TestCase):
    """IANA media type text/tab-separated-values (P. Lindner, 1993): "each record is
    represented as a single line. Each field value is represented as text" and "fields are
    separated from each other by a tab"; "tabs are not allowed within fields"; every line
    has the same number of fields, the first one names them. From memory."""

    @given(PACKS)
    def test_what_is_written_holds_it(self, pack):
        lines = WRITERS["tsv"][1](pack).decode().removesuffix("\n").split("\n")
        self.assertEqual(len(lines), len(pack.questions) + 1)
        self.assertEqual(len({line.count("\t") for line in lines}), 1)
        self.assertFalse([line for line in lines if "\r" in line])

    def test_reading_says_which_separator_it_found(self):
        reading = read_questions(b"question\tright\twrong\nWhich?\ta, b\tc\n")
        self.assertEqual(reading.plan.in_words, "fields separated by tabs, utf-8")
