"""Question files: what loads, what is refused and where, what is not a question file at all."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Question
from dicetrail.files import FileProblem, Separator, read_questions
from dicetrail.limits import MAX_FILE

ROOT = Question("Which is a root?", ("Carrot",), ("Pea", "Bean"))
TAB_ROW = "Which is a root?\tCarrot\tPea\tBean"
COMMA_ROW = "Which is a root?,Carrot,Pea,Bean"
HEADINGS = "Question\tRight answer\tWrong 1\tWrong 2"


def read(text):
    return read_questions(text.encode())


class TestReading(unittest.TestCase):
    def test_tabs_and_commas_line_endings_and_byte_order_marks_give_the_same_questions(self):
        for row, separator in ((TAB_ROW, Separator.TAB), (COMMA_ROW, Separator.COMMA)):
            for ending in ("\n", "\r\n", "\r"):
                for mark in ("", "\ufeff"):
                    with self.subTest(separator=separator, ending=ending, mark=mark):
                        text = mark + ending.join([row, "", row.replace("root", "bulb"), "  ", ""])
                        reading = read(text)
                        self.assertEqual(reading.plan.separator, separator)
                        self.assertEqual(reading.questions[0], ROOT)
                        self.assertEqual(len(reading.questions), 2)
                        self.assertEqual((reading.refused, reading.headings), ((), None))
                        self.assertEqual(reading.blank_lines, 2)

    def test_a_row_of_headings_is_found_and_told(self):
        for headings in (
            HEADINGS,
            "question\tanswer\toption 1\toption 2",
            "Prompt\tCorrect answer\tDistractor 1\tDistractor 2",
            "Question\tRight\tWrong_1\tWrong_2",
        ):
            with self.subTest(headings):
                reading = read(f"\n{headings}\n{TAB_ROW}\n")
                self.assertEqual(reading.headings, tuple(headings.split("\t")))
                self.assertEqual(reading.questions, (ROOT,))
        for question in ("What is the right answer?\tB\tA", "Question of taste?\tLeek\tPea\tBean"):
            with self.subTest(question):
                self.assertIsNone(read(question).headings)

    def test_one_to_eleven_wrong_choices_and_empty_fields_at_the_end(self):
        for count in range(1, 12):
            row = "Q?\tright\t" + "\t".join(f"w{n}" for n in range(count)) + "\t\t "
            self.assertEqual(len(read(row).questions[0].wrong), count)

    def test_quoted_fields_hold_separators_quotes_and_line_breaks(self):
        reading = read('"Which, of\nthese, is ""red""?","Beet, boiled",Leek\n' + COMMA_ROW)
        self.assertEqual(reading.questions[0].prompt, 'Which, of\nthese, is "red"?')
        self.assertEqual(reading.questions[0].right, ("Beet, boiled",))
        self.assertEqual(reading.questions[1], ROOT)

    def test_a_bad_row_is_refused_at_its_place_and_the_rest_loads(self):
        for row, column, words in (
            ("Only this?", 2, "right answer is missing"),
            ("Only this?\tCarrot", 3, "wrong choice 1 is missing"),
            ("\tCarrot\tPea", 1, "the question is empty"),
            ("Which?\t\tPea\tBean", 2, "no right answer"),
            ("Which?\tCarrot\tPea\tCarrot", 4, "the same as the right answer, “Carrot”"),
            ("Which?\tCarrot\tPea\t Pea ", 4, "the same as wrong choice 1, “Pea”"),
            ("Which?\tBlue  bean\tBlue bean", 3, "the same as the right answer"),
            ("Which?\tcafe\u0301\tcaf\u00e9", 3, "the same as the right answer"),
            ("Which?\tCarrot\t\tPea", 3, "wrong choice 1 is empty"),
            ("Which?\t" + "\t".join("abcdefghijklm"), 14, "at most 12"),
            ("Which tool?   Spade   Rake", 1, "spaces stand where a tab should be"),
        ):
            with self.subTest(row=row):
                reading = read(f"{HEADINGS}\n\n{TAB_ROW}\n{row}\n{TAB_ROW}\n")
                (refused,) = reading.refused
                self.assertEqual((refused.line, refused.column), (4, column))
                self.assertIn(words, refused.what)
                self.assertEqual(refused.text, "\t".join(map(str.strip, row.split("\t"))))
                self.assertTrue(refused.mend)
                self.assertEqual(len(reading.questions), 2)

    def test_lines_are_counted_through_fields_that_hold_line_breaks(self):
        reading = read(f'"One\nquestion\nlong?",a,b\n\nShort?,a\n{COMMA_ROW}')
        self.assertEqual([(row.line, row.column) for row in reading.refused], [(5, 3)])

    def test_one_stray_quote_swallows_no_other_row(self):
        for broken, column in (
            ('"Which is never closed?,a,b', 1),
            ('Which?,"a" b,c', 2),
            ('Which?,a,"b', 3),
        ):
            with self.subTest(broken):
                reading = read(f"{COMMA_ROW}\n{broken}\n{COMMA_ROW}\n{COMMA_ROW}\n")
                self.assertEqual(len(reading.questions), 3)
                (refused,) = reading.refused
                self.assertEqual((refused.line, refused.column), (2, column))
                self.assertEqual(refused.text, broken)

    def test_quotes_in_a_tab_separated_row_stay_as_written(self):
        reading = read(f'{TAB_ROW}\n"Mulch" means what?\ta "cover"\tb\n"Peas\tin a row\tc\n')
        self.assertEqual(
            reading.questions[1], Question('"Mulch" means what?', ('a "cover"',), ("b",))
        )
        self.assertEqual(reading.questions[2].prompt, '"Peas')

    def test_a_file_that_cannot_be_read_says_why_and_how_to_mend_it(self):
        spaces = "Which is a root?    Carrot    Pea    Bean\nWhich is red?    Beet   Leek   Kale"
        for content, where, what, mend in (
            (b"", "the file", "empty", "questions in it"),
            (b"\xef\xbb\xbf \r\n\t\r\n", "the file", "empty", "questions in it"),
            (b"a\tb\r\n\x89PNG\0\1", "line 2", "not a text file", "text"),
            (b"one\rtwo\r\nth\xc3\xa9\ncaf\xe9", "line 4", "mixed of two encodings", "UTF-8"),
            (b"x" * (MAX_FILE + 1), "the file", "at most", "split"),
            (spaces.encode(), "line 1", "spaces stand between the fields", "tab"),
        ):
            with self.subTest(what=what), self.assertRaises(FileProblem) as caught:
                read_questions(content)
            problem = caught.exception.problem
            self.assertEqual(problem.where, where)
            self.assertIn(what, problem.what)
            self.assertIn(mend, problem.mend)

    def test_a_file_without_a_whole_row_keeps_every_row_as_refused(self):
        reading = read("just one field\nanother\n")
        self.assertEqual((len(reading.questions), len(reading.refused)), (0, 2))

    @given(st.text())
    def test_any_text_is_read_and_every_row_accounted_for(self, text):
        try:
            reading = read_questions(text.encode("utf-8", "replace"))
        except FileProblem:
            return
        self.assertGreaterEqual(
            len(text.splitlines()),
            len(reading.questions) + len(reading.refused) + reading.blank_lines,
        )
