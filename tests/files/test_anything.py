"""Whatever bytes arrive, and whatever plan is chosen: questions, refusals or one clear problem."""

import unittest

from hypothesis import given, settings
from hypothesis import strategies as st

from dicetrail.core import Kind
from dicetrail.core.survey.question_faults import first_fault
from dicetrail.files import FileProblem, Format, Plan, Role, Separator, guess, read_questions
from dicetrail.files.exporters import guarded
from dicetrail.files.sheets import unguarded

CELLS = st.text(st.sampled_from("ab AÄß1/2.,;|\t\"'=-\n\r\u200b\ufeff0"), max_size=6)
ROWS = st.lists(st.lists(CELLS, max_size=6), max_size=8)
TEXTS = st.one_of(
    ROWS.map(lambda rows: "\n".join("\t".join(row) for row in rows)),
    ROWS.map(lambda rows: "\r\n".join(",".join(row) for row in rows)),
    st.sampled_from(["[", "{", "---\n", "questions:\n"]).flatmap(
        lambda start: st.text(max_size=40).map(lambda rest: start + rest)
    ),
)
PLANS = st.builds(
    Plan,
    st.just(Format.TABLE),
    st.sampled_from(["utf-8", "latin-1", "utf-16", "no-such-encoding"]),
    st.sampled_from(Separator),
    st.booleans(),
    st.lists(st.sampled_from(Role), max_size=7).map(tuple),
    st.sampled_from(Kind),
    st.sampled_from([";", "|", "/", ","]),
)


class TestAnything(unittest.TestCase):
    def assert_sound(self, content, plan):
        """Reading raises nothing but FileProblem and gives only questions that can be asked."""
        try:
            reading = read_questions(content, plan)
        except FileProblem as error:
            self.assertTrue(error.problem.what and error.problem.mend)
            return
        for question in reading.questions:
            self.assertIsNone(first_fault(question))
        for row in reading.refused:
            self.assertTrue(row.what and row.mend)
            self.assertGreaterEqual(min(row.line, row.column), 1)
        self.assertEqual(reading.rows, len(reading.questions) + len(reading.refused))

    @settings(max_examples=300)
    @given(TEXTS)
    def test_any_text_is_read_by_the_plan_guessed_for_it(self, text):
        content = text.encode()
        try:
            plan = guess(content)
        except FileProblem:
            return
        self.assert_sound(content, plan)

    @settings(max_examples=300)
    @given(TEXTS, PLANS)
    def test_any_text_is_read_by_any_plan(self, text, plan):
        self.assert_sound(text.encode(), plan)

    @given(st.binary(max_size=200))
    def test_any_bytes_are_read_or_refused(self, content):
        try:
            plan = guess(content)
        except FileProblem:
            return
        self.assert_sound(content, plan)

    @given(st.binary(max_size=120))
    def test_any_archive_is_read_or_refused(self, rest):
        content = b"PK\x03\x04" + rest
        with self.assertRaises(FileProblem):
            guess(content)

    @given(CELLS)
    def test_the_guard_against_formulas_comes_off_as_it_went_on(self, cell):
        self.assertEqual(unguarded(guarded(cell)), cell)
        self.assertNotIn(guarded(cell)[:1], list("=+-@\t\r"))
