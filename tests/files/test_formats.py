"""Formats in and out: every one gives back the pack it was given; hostile files give a message."""

import csv
import io
import json
import unittest
import zipfile
from contextlib import ExitStack
from dataclasses import replace
from itertools import product
from unittest.mock import patch

import yaml
from hypothesis import given, settings
from hypothesis import strategies as st
from openpyxl import Workbook, load_workbook

from dicetrail.core import PLAIN, Details, Facts, Game, Kind, Pack, Question
from dicetrail.core.document import DETAILS as DETAIL_FIELDS
from dicetrail.core.document import as_pair, tidy_gap, tidy_pair
from dicetrail.core.survey.question_faults import first_fault
from dicetrail.files import (
    WRITERS,
    Contents,
    FileProblem,
    Format,
    ImportOptions,
    Separator,
    exporters,
    games,
    guess,
    json_yaml,
    read_game,
    read_questions,
    text,
    written,
    written_game,
)
from dicetrail.files.sandbox.jobs import packed, unpacked

WORDS = st.text(
    st.characters(codec="utf-8", exclude_categories=("C", "Z")), min_size=1, max_size=8
) | st.sampled_from(["=1+1", "'quoted", '"said"', "-5", "+3", "@me", "a, b; c|d", "true", "007"])
DETAILS = st.just(PLAIN) | st.builds(
    Details,
    topic=WORDS,
    level=st.none() | st.integers(1, 5),
    worth=st.none() | st.integers(-99, 99),
    seconds=st.none() | st.integers(1, 99),
    hint=st.just("") | WORDS,
    note=st.just("") | WORDS,
    when_right=st.just("") | WORDS,
    when_wrong=st.just("") | WORDS,
)
TEXTS = st.lists(WORDS, min_size=1, max_size=3).map(tuple)
PAIRS = st.lists(st.builds(as_pair, WORDS, WORDS), min_size=2, max_size=4).map(
    lambda pairs: tuple(map(tidy_pair, pairs))
)
REPLIES = st.just(()) | TEXTS | TEXTS.map(lambda texts: ("", *texts[:2]))
QUESTIONS = st.one_of(
    st.builds(Question, WORDS, TEXTS, TEXTS, st.just(Kind.CHOICE), DETAILS, REPLIES),
    st.builds(Question, WORDS, TEXTS, st.just(()), st.just(Kind.TYPED), DETAILS),
    st.builds(
        Question,
        WORDS,
        st.sampled_from([("5",), ("-2.5",), ("13/5",), ("2 3/5",)]),
        st.just(()),
        st.just(Kind.NUMBER),
        st.just(Details(tolerance="2%")) | DETAILS,
    ),
    st.builds(
        Question,
        WORDS,
        st.sampled_from([("true",), ("false",)]),
        st.just(()),
        st.just(Kind.TRUTH),
        DETAILS,
    ),
    st.builds(Question, WORDS, st.just(("Marrow",)), st.just(()), st.just(Kind.LETTERS), DETAILS),
    st.builds(Question, WORDS, TEXTS.map(lambda t: t[:1]), TEXTS, st.just(Kind.SORT), DETAILS),
    st.builds(Question, WORDS, TEXTS, st.just(()), st.just(Kind.ORDER), DETAILS),
    st.builds(Question, WORDS, TEXTS, st.just(()), st.just(Kind.JUDGED), DETAILS),
    st.builds(
        Question,
        WORDS,
        st.sampled_from([("5",), ("-2.5",), ("0",)]),
        st.just(()),
        st.just(Kind.ESTIMATE),
        st.builds(Details, least=st.just("-5"), most=st.just("5"), step=st.just("0.5"), unit=WORDS),
    ),
    st.builds(
        lambda parts, wrong, details: Question(
            "".join(f"{part} ___ " for part, _ in parts).strip(),
            tuple(tidy_gap(gap) for _, gap in parts),
            wrong,
            Kind.GAPS,
            details,
        ),
        st.lists(st.tuples(WORDS, WORDS), min_size=1, max_size=3),
        st.just(()) | TEXTS,
        DETAILS,
    ),
    st.builds(
        Question,
        WORDS,
        st.just(("hive = rectangle 10 20 40.5 60",)),
        st.just(()) | st.just(("pond = ellipse 50 50 80 90", "bed = polygon 1 2 3 4 5 6.5")),
        st.just(Kind.PLACE),
        st.builds(Details, picture=WORDS),
    ),
    st.builds(Question, WORDS, PAIRS, st.just(()) | TEXTS, st.just(Kind.MATCH), DETAILS),
).filter(lambda question: first_fault(question) is None)
PACKS = st.lists(QUESTIONS, min_size=1, max_size=6).map(lambda q: Pack("Pack", tuple(q)))
CELLS = st.lists(WORDS, min_size=2, max_size=2).map(tuple)
FACTS = st.lists(CELLS, min_size=1, max_size=5).map(
    lambda rows: Facts(("plant", "where it grows"), tuple(rows))
)
GARDEN = Pack(
    "Garden",
    (
        Question("Which is a root?", ("Carrot",), ("=1+1", "'Pea'")),
        Question("-5 and 5?", ("0",), (), Kind.NUMBER),
    ),
)


class TestRoundTrip(unittest.TestCase):
    @given(QUESTIONS)
    def test_nothing_of_a_question_is_lost_between_processes(self, question):
        """A file is read in a process of its own, which hands over questions as plain tuples."""
        self.assertEqual(unpacked(packed(question)), question)

    @given(PACKS)
    def test_every_format_gives_the_same_pack_back(self, pack):
        for ending, (_, write) in WRITERS.items():
            try:
                content = write(pack)
            except FileProblem:
                self.assertEqual(ending, "txt", "all others carry every such pack")
                continue
            reading = read_questions(content)
            self.assertEqual(reading.refused, (), ending)
            self.assertEqual(reading.questions, pack.questions, ending)

    def test_every_word_of_few_comes_back_in_every_format(self):
        words = [(detail.field, word) for detail in DETAIL_FIELDS for word in detail.values or ()]
        self.assertGreater(len(words), 5)
        for (field, word), (ending, (_, write)) in product(words, WRITERS.items()):
            pack = Pack("P", (Question("Q?", ("a",), ("b",), details=Details(**{field: word})),))
            if ending != "txt":
                self.assertEqual(read_questions(write(pack)).questions, pack.questions, ending)

    @given(st.text("0123456789eE.+-_:xobn~", min_size=1, max_size=8))
    def test_what_looks_like_a_number_stays_the_text_it_is(self, text):
        question = Question("Q?", ("a",), ("b",), details=Details(note=text))
        for name in ("yaml", "json"):
            content = WRITERS[name][1](Pack("Pack", (question,)))
            self.assertEqual(read_questions(content).questions, (question,), name)

    @given(FACTS)
    def test_every_format_gives_the_same_facts_back(self, facts):
        for ending, (_, write) in WRITERS.items():
            try:
                content = write(Pack("F", facts=facts))
            except FileProblem as refused:
                self.assertIn("tab or line break", refused.problem.what)
                continue
            character = {"tsv": Separator.TAB, "txt": Separator.TAB, "csv": Separator.COMMA}.get(
                ending
            )
            plan = guess(
                content, ImportOptions(None, character, has_headings=True, contents=Contents.FACTS)
            )
            reading = read_questions(content, plan)
            self.assertEqual((reading.facts, reading.refused), (facts, ()), ending)

    @given(st.integers(1, 60), st.integers(1, 400), st.integers(1, 12_000), st.integers(1, 12_000))
    @settings(deadline=None, max_examples=60)
    def test_what_is_written_can_be_read_back_however_large_it_is(
        self, count, length, most, characters
    ):
        long = Question("x" * length, ("a",), ("b",))
        pack = Pack("P", tuple(replace(long, prompt=f"{n} {long.prompt}") for n in range(count)))
        game = Game("G", (), ())
        with ExitStack() as limits:
            for module in (text, exporters, games):
                limits.enter_context(patch.object(module, "MAX_FILE", most))
            for module in (json_yaml, exporters):
                limits.enter_context(patch.object(module, "MAX_YAML", characters))
            for ending in set(WRITERS) - {"txt", "xlsx"}:
                try:
                    content = written(pack, ending)
                except FileProblem as problem:
                    self.assertIn("more than is read", str(problem))
                    continue
                self.assertEqual(read_questions(content).questions, pack.questions, ending)
            try:
                content = written_game(game, {"p": pack})
            except FileProblem as problem:
                self.assertIn("are read back", str(problem))
            else:
                self.assertEqual(read_game(content).packs["p"], pack)

    def test_a_workbook_holds_no_more_than_is_read_of_it_and_cuts_no_text(self):
        plain = Question("Root?", ("Carrot",), ("Pea",))
        with patch.object(exporters, "MAX_IN_WORKBOOK", 3):
            written(Pack("P", (plain,) * 3), "xlsx")
            with self.assertRaises(FileProblem):
                written(Pack("P", (plain,) * 4), "xlsx")
        for length in (exporters.MAX_IN_CELL, exporters.MAX_IN_CELL + 1):
            pack = Pack("P", (replace(plain, prompt="x" * length),))
            if length > exporters.MAX_IN_CELL:
                with self.assertRaises(FileProblem):
                    written(pack, "xlsx")
            else:
                self.assertEqual(read_questions(written(pack, "xlsx")).questions, pack.questions)

    def test_line_breaks_are_carried_by_all_but_tab_separated_text(self):
        pack = Pack("P", (Question("Two\nlines?", ("a",), ("b",)),))
        for ending, (_, write) in WRITERS.items():
            with self.subTest(ending):
                if ending in ("tsv", "txt"):
                    with self.assertRaises(FileProblem):
                        write(pack)
                else:
                    self.assertEqual(read_questions(write(pack)).questions, pack.questions)

    def test_plain_text_of_two_columns_carries_questions_and_answers_alone(self):
        bees = Question("What do bees make?", ("=Honey",), (), Kind.TYPED)
        write = WRITERS["txt"][1]
        self.assertEqual(write(Pack("P", (bees,))), b"What do bees make?\t'=Honey\n")
        for other in (GARDEN.questions[0], Question("A number?", ("5",), (), Kind.TYPED)):
            with self.subTest(other.prompt), self.assertRaises(FileProblem):
                write(Pack("P", (other,)))


class TestOtherReaders(unittest.TestCase):
    """Python's csv and json, PyYAML and openpyxl as independent readers of what is written."""

    def written(self, ending):
        return WRITERS[ending][1](GARDEN)

    def test_they_find_the_same_fields(self):
        rows = list(csv.reader(io.StringIO(self.written("csv").decode(), newline="")))
        self.assertEqual(rows[0][:3], ["kind", "question", "right answer"])
        self.assertEqual(rows[1][2:5], ["Carrot", "'=1+1", "''Pea'"[1:]])
        sheet = load_workbook(io.BytesIO(self.written("xlsx"))).worksheets[0]
        self.assertEqual(sheet["D2"].value, "=1+1")
        for document in (json.loads(self.written("json")), yaml.safe_load(self.written("yaml"))):
            self.assertEqual(document["title"], "Garden")
            self.assertEqual(document["questions"][0]["wrong"], ["=1+1", "'Pea'"])
            self.assertEqual(document["questions"][1]["kind"], "number")

    def test_no_cell_begins_a_formula(self):
        for ending, character in (("csv", ","), ("tsv", "\t")):
            text = self.written(ending).decode()
            for row in csv.reader(io.StringIO(text, newline=""), delimiter=character):
                self.assertFalse([cell for cell in row if cell[:1] in tuple("=+-@\t\r")])
        sheet = load_workbook(io.BytesIO(self.written("xlsx"))).worksheets[0]
        self.assertNotIn("f", {cell.data_type for row in sheet for cell in row})


class TestReplies(unittest.TestCase):
    """What is said to a wrong choice goes by the number of the choice, or of the option."""

    def replies(self, text):
        reading = read_questions(text.encode())
        self.assertEqual(reading.refused, ())
        return [
            question.reply_to(wrong) for question in reading.questions for wrong in question.wrong
        ]

    def test_they_follow_wrong_choices_and_options_whichever_is_right(self):
        plain = (
            "question\tright answer\twrong choice 1\twrong choice 2\treply 1\treply 2\n"
            "Root?\tBeet\tPea\tLeek\t\tThat is the stalk.\n"
            "Leaf?\tKale\tBeet\tPea\tThat is a root.\t\n"
        )
        wanted = ["", "That is the stalk.", "That is a root.", ""]
        self.assertEqual(self.replies(plain), wanted)
        keyed = (
            "question\toption A\toption B\toption C\tkey\treply 1\treply 2\treply 3\n"
            "Root?\tPea\tBeet\tLeek\tB\tA pod.\tnever said\tA stalk.\n"
            "Leaf?\tKale\tBeet\tPea\tA\tnever said\tA root.\tA pod.\n"
        )
        self.assertEqual(self.replies(keyed), ["A pod.", "A stalk.", "A root.", "A pod."])

    def test_one_that_replies_to_no_choice_is_refused_at_its_place(self):
        text = (
            "question\tright answer\twrong choice 1\twrong choice 2\treply 1\treply 2\n"
            "Root?\tBeet\tPea\t\t\tThat is the stalk.\nLeaf?\tKale\tBeet\tPea\t\t\n"
        )
        (refused,) = read_questions(text.encode()).refused
        self.assertEqual((refused.line, refused.column), (2, 6))
        self.assertIn("replies to no wrong choice", refused.what)


class TestWorkbooks(unittest.TestCase):
    def test_numbers_truths_and_days_are_read_as_people_see_them(self):
        book = Workbook()
        book.active.append(["Question", "Right answer", "Wrong 1", "Wrong 2"])
        book.active.append(["How many legs?", 6, 8, 7.5])
        book.active.append(["Only one", None, None, None])
        out = io.BytesIO()
        book.save(out)
        reading = read_questions(out.getvalue())
        self.assertEqual(reading.plan.format, Format.XLSX)
        self.assertEqual(reading.questions, (Question("How many legs?", ("6",), ("8", "7.5")),))
        self.assertEqual([row.line for row in reading.refused], [3])


class TestBadFiles(unittest.TestCase):
    def archive(self, **entries):
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
            for name, content in entries.items():
                archive.writestr(name.replace("__", "/"), content)
        return out.getvalue()

    def test_each_gives_one_clear_message(self):
        bomb = self.archive(**{"xl__workbook.xml": b"0" * 600_000_000})
        laughs = (
            b'<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "ha"><!ENTITY b "&a;&a;">]>'
            b"<workbook>&b;</workbook>"
        )
        whole = io.BytesIO()
        Workbook().save(whole)
        with zipfile.ZipFile(whole) as archive:
            parts = {name.replace("/", "__"): archive.read(name) for name in archive.namelist()}
        hostile = self.archive(**(parts | {"xl__workbook.xml": laughs}))
        aliases = b"a: &a [x, x]\nquestions: [*a, *a]\n"
        for content, where, what in (
            (bomb, "the file", "unpack to more than"),
            (hostile, "the file", "holds anything"),
            (self.archive(readme="hello"), "the file", "holds no workbook"),
            (b"PK\x03\x04 broken", "the file", "damaged"),
            (b'{"questions": [', "line 1, column 16", "not well-formed JSON"),
            (b'{"quiz": []}', "the file", "no list of objects"),
            (b"questions: [a, b", "line 2, column 1", "not well-formed YAML"),
            (b"title: x\n" + aliases, "line 3, column 13", "references between values"),
            (b"[" * 100_000, "the file", "cannot be read"),
            (b"Which?\tA\tB\n\0\0\n", "line 2", "not a text file"),
            (b"question,right,wrong,level,Level\nQ?,a,b,1,2\n", "line 1, column 5", "again"),
        ):
            with self.subTest(what=what), self.assertRaises(FileProblem) as caught:
                read_questions(content, guess(content))
            self.assertEqual(caught.exception.problem.where, where)
            self.assertIn(what, caught.exception.problem.what)

    def test_values_of_the_wrong_kind_are_told_by_their_path_and_the_rest_loads(self):
        entries = [
            {"prompt": "Which?", "right": "a", "wrong": ["b", 2]},
            {"prompt": "Which?", "right": {"a": 1}, "wrong": ["b"]},
            {"prompt": "Which?", "right": "a", "wrong": ["b", []]},
            {"prompt": "Which?", "right": "a", "wrong": ["b"], "level": "high"},
            {"prompt": "Which?", "right": "a", "wrong": ["b"], "colour": "red"},
            {"prompt": "Which?", "right": "a"},
            "Which?",
        ]
        reading = read_questions(json.dumps({"questions": entries}).encode())
        self.assertEqual(reading.questions, (Question("Which?", ("a",), ("b", "2")),))
        self.assertEqual(
            [row.what.split(":")[0] for row in reading.refused],
            [
                "questions[1].right",
                "questions[2].wrong[1]",
                "questions[3].level",
                "questions[4].colour",
                "questions[5].wrong",
                "questions[6]",
            ],
        )

    def test_a_refused_question_is_taken_in_when_it_is_given_anew(self):
        content = b'[{"prompt": "Which?", "right": "a"}, {"prompt": "Who?", "right": []}]'
        plan = guess(content)
        mended = {1: ['{"prompt": "Which?", "right": "a", "wrong": "b"}'], 2: ["{broken"]}
        reading = read_questions(content, plan, mended)
        self.assertEqual(reading.questions, (Question("Which?", ("a",), ("b",)),))
        self.assertIn("well-formed JSON is expected", reading.refused[0].what)

    def test_a_very_long_cell_is_refused_and_the_rest_loads(self):
        content = f"Q?,a,b\n{'x' * 5_000_000},a,b\nR?,a,b\n".encode()
        reading = read_questions(content)
        self.assertEqual(len(reading.questions), 2)
        self.assertIn("longer than 100,000", reading.refused[0].what)
