"""The layouts question files really have, found by guessing; and every kind of question."""

import unittest

from dicetrail.core import Details, Kind, Question
from dicetrail.files import (
    FileProblem,
    Format,
    ImportOptions,
    Plan,
    Role,
    Separator,
    guess,
    read_questions,
)

CHOICE, TRUTH, TYPED, NUMBER, SORT = Kind.CHOICE, Kind.TRUTH, Kind.TYPED, Kind.NUMBER, Kind.SORT
ROOT = Question("Which is a root?", ("Carrot",), ("Pea", "Bean"))
LEAF = Question("Which is a leaf?", ("Kale",), ("Beet", "Leek"))


def read(text, **plan):
    return read_questions(text.encode(), **plan)


class TestGuessing(unittest.TestCase):
    def test_common_layouts_are_found_by_themselves(self):
        truth = (Question("Kale is a leaf", ("true",), (), TRUTH),)
        truth += (Question("Peas are roots", ("false",), (), TRUTH),)
        for name, text, expected in (
            (
                "lettered options and a key letter",
                "Which is a root?,Pea,Carrot,Bean,B\nWhich is a leaf?,Kale,Beet,Leek,A\n",
                (ROOT, LEAF),
            ),
            (
                "a key number before the options",
                "Which is a root?;2;Pea;Carrot;Bean\nWhich is a leaf?;1;Kale;Beet;Leek\n",
                (ROOT, LEAF),
            ),
            (
                "headings, options, and the right one in words",
                "Question|A|B|C|Answer\nWhich is a root?|Pea|Carrot|Bean|Carrot\n"
                "Which is a leaf?|Kale|Beet|Leek|a\n",
                (ROOT, LEAF),
            ),
            (
                "options that carry their own letters",
                "Question\tOption 1\tOption 2\tOption 3\tKey\n"
                "Which is a root?\tA. Pea\tB. Carrot\tC. Bean\tB\n",
                (ROOT,),
            ),
            (
                "options in one cell",
                "Which is a root?\tPea; Carrot; Bean\tB\nWhich is a leaf?\tKale; Beet; Leek\t1\n",
                (ROOT, LEAF),
            ),
            (
                "the right answer and a cell of options",
                "Question\tOptions\tRight answer\nWhich is a root?\tPea|Carrot|Bean\tCarrot\n",
                (ROOT,),
            ),
            ("true or false", "Kale is a leaf,TRUE\nPeas are roots,no\n", truth),
            (
                "question and answer",
                "What do bees make?\tHoney\nWhat colour is a ripe plum?\tpurple\n",
                (
                    Question("What do bees make?", ("Honey",), (), TYPED),
                    Question("What colour is a ripe plum?", ("purple",), (), TYPED),
                ),
            ),
            (
                "question and number",
                "How many legs has a bee?,6\nHalf of one?,1/2\n",
                (
                    Question("How many legs has a bee?", ("6",), (), NUMBER),
                    Question("Half of one?", ("1/2",), (), NUMBER),
                ),
            ),
            (
                "items and their groups",
                "Carrot\troot\nKale\tleaf\nBeet\troot\nChard\tleaf\n",
                tuple(
                    Question(item, (group,), (other,), SORT)
                    for item, group, other in (
                        ("Carrot", "root", "leaf"),
                        ("Kale", "leaf", "root"),
                        ("Beet", "root", "leaf"),
                        ("Chard", "leaf", "root"),
                    )
                ),
            ),
        ):
            with self.subTest(name):
                reading = read(text)
                self.assertEqual(reading.refused, ())
                self.assertEqual(reading.questions, expected)

    def test_a_table_that_names_its_columns_is_one_however_uneven_its_rows_and_many_at_fault(self):
        fits = {
            "order\tThe year?\tsow\thoe\treap": ("sow", "hoe", "reap"),
            "order\tBy size?\tpea\tplum": ("pea", "plum"),
            "choice\tPods?\tpea\tbean\t\tkale\tall": ("pea", "bean"),
        }
        unfit = {
            "order\tOne alone?\tsow": 4,
            "order\tTwice?\tsow\thoe\tsow": 5,
            "order\tWith a wrong one?\tsow\thoe\treap\tsleep": 6,
            "order\tWith needs?\tsow\thoe\treap\t\tall": 7,
            "ordre\tMisspelt?\tsow\thoe\treap": 1,
        }
        heading = "kind\tquestion\tright\tright\tright\twrong\tneeds"
        rows = [*fits, *unfit]
        for first in range(len(rows)):
            turned = rows[first:] + rows[:first]
            reading = read("\n".join((heading, *turned)) + "\n")
            with self.subTest(first=first):
                self.assertEqual(reading.plan.format, Format.TABLE)
                kept = [one.right for one in reading.questions]
                self.assertEqual(kept, [fits[row] for row in turned if row in fits])
                told = [(one.line, one.column) for one in reading.refused]
                wanted = [(at, unfit[row]) for at, row in enumerate(turned, 2) if row in unfit]
                self.assertEqual(told, wanted)

    def test_a_plan_can_be_changed_in_every_part(self):
        text = "Kale|leaf\nBeet|root\n"
        plan = guess(text.encode())
        self.assertEqual((plan.separator, plan.kind), (Separator.BAR, TYPED))
        columns = (Role.QUESTION, Role.GROUP)
        sorting = Plan(Format.TABLE, "utf-8", Separator.BAR, False, columns, SORT)
        self.assertEqual(
            read(text, plan=sorting).questions[0], Question("Kale", ("leaf",), ("root",), SORT)
        )
        turned = Plan(Format.TABLE, "utf-8", Separator.BAR, False, columns[::-1], SORT)
        self.assertEqual(read(text, plan=turned).questions[0].prompt, "leaf")

    def test_everything_a_question_may_carry_is_read_from_its_column(self):
        text = (
            "kind,question,right answer 1,right answer 2,wrong choice 1,wrong choice 2,tolerance,"
            "pinned choice,topic,level,worth,seconds,hint,note,picture,sound\n"
            "choice,Which climb?,Pea,Bean,Beet,None,,None,beds,2,5,20,look up,both do,a.png,a.wav\n"
            "number,How heavy?,2.5,,,,5%,,,,,,,,,\n"
            "letters,Spell it,marrow,,,,,,,,,,,,,\n"
            "typed,Name it,swede,turnip,,,,,,,,,,,,\n"
        )
        everything = Details(
            "beds", 2, 5, 20, "look up", "both do", "a.png", "a.wav", pinned="None"
        )
        self.assertEqual(
            read(text).questions,
            (
                Question("Which climb?", ("Pea", "Bean"), ("Beet", "None"), CHOICE, everything),
                Question("How heavy?", ("2.5",), (), NUMBER, Details(tolerance="5%")),
                Question("Spell it", ("marrow",), (), Kind.LETTERS),
                Question("Name it", ("swede", "turnip"), (), TYPED),
            ),
        )

    def test_a_field_at_fault_is_told_with_its_own_column(self):
        header = "question,a,b,c,key,level,kind,tolerance\n"
        for row, column, words in (
            ("Which?,Pea,Carrot,Bean,E,,,", 5, "“E” points at none of the 3 options"),
            ("Which?,Pea,Carrot,Bean,,,,", 5, "no key"),
            ("Which?,Pea,Carrot,Bean,b,lofty,,", 6, "“lofty” is not a whole number"),
            ("Which?,Pea,Carrot,Bean,b,9,,", 6, "out of range"),
            ("Which?,Pea,Carrot,Bean,b,,guess,", 7, "not a kind of question"),
            ("Which?,Pea,Carrot,Bean,b,,,,more", 9, "9 fields where 8 are expected"),
        ):
            with self.subTest(row):
                good = "Which is a root?,Pea,Carrot,Bean,b,,,\n"
                reading = read(header + good + row + "\n", plan=guess((header + good).encode()))
                (refused,) = reading.refused
                self.assertEqual((refused.line, refused.column), (3, column))
                self.assertIn(words, refused.what)
                self.assertEqual(len(reading.questions), 1)

    def test_a_refused_row_is_taken_in_when_it_is_given_anew(self):
        text = 'Which is a root?\tCarrot\n"Open,a\tb\n'
        plan = Plan(Format.TABLE, columns=(Role.QUESTION, Role.RIGHT, Role.WRONG))
        self.assertEqual(len(read(text, plan=plan).refused), 2)
        mended = {1: ["Which is a root?", "Carrot", "Pea", "Bean"], 2: ["Open", "a", "b"]}
        reading = read(text, plan=plan, mended=mended)
        self.assertEqual((reading.refused, reading.questions[0]), ((), ROOT))

    def test_an_item_without_another_group_is_refused_at_its_line(self):
        plan = Plan(Format.TABLE, columns=(Role.QUESTION, Role.GROUP), kind=SORT)
        reading = read("Carrot\troot\n\nBeet\troot\n", plan=plan)
        self.assertEqual([(row.line, row.column) for row in reading.refused], [(1, 2), (3, 2)])
        self.assertIn("no wrong choice", reading.refused[0].what)

    def test_encodings_are_found_and_can_be_overridden(self):
        row = "Où pousse la bière ?\tà l’école\tau café\n"
        for encoding in ("utf-8", "utf-8-sig", "utf-16"):
            with self.subTest(encoding):
                self.assertEqual(
                    read_questions(row.encode(encoding)).questions[0].right, ("à l’école",)
                )
        many = ("Où pousse la bière?\tà l'école\tau café\n" * 40).encode("cp1252")
        self.assertEqual(read_questions(many).questions[0].wrong, ("au café",))
        cyrillic = "Где?\tтут\tтам\n".encode("koi8-r")
        plan = guess(cyrillic, ImportOptions(encoding="koi8-r"))
        self.assertEqual(read_questions(cyrillic, plan).questions[0].prompt, "Где?")

    def test_columns_without_end_are_refused(self):
        with self.assertRaises(FileProblem) as caught:
            read("a," * 10_000 + "a\n")
        self.assertIn("10,001 columns", caught.exception.problem.what)
