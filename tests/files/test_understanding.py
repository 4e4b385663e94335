"""What is no list of questions is told as such; what is one is read, however it is laid out."""

import unittest
from dataclasses import replace

from dicetrail.core import Kind
from dicetrail.files import guess, read_questions, with_kind
from dicetrail.files.exporters import WRITERS
from dicetrail.files.templates import TEMPLATE, TEXT_TEMPLATE

ELSE = {
    "pairs": 'qas = [("How many legs has an ant?", "six"), ("What do bees make?", "honey")]',
    "objects": (
        "const questions = [\n"
        '  { question: "What do bees make?", answer: "honey", wrong: ["wax", "milk"] },\n'
        '  { question: "What eats lettuce?", answer: "slug" },\n];'
    ),
    "program": (
        "score = 0\nanswer = input('What do bees make? ')\nif answer == 'honey':\n"
        "    score += 1\n    print('Right')\nelse:\n    print('Wrong')"
    ),
    "class": (
        "public class Shed {\n  private int spades = 3;\n\n  public int spades() {\n"
        "    return spades;\n  }\n}"
    ),
    "stylesheet": "body {\n  margin: 0;\n  color: #333;\n}\n.card > a:hover {\n  border: 0;\n}",
    "minified": (
        '!function(e,t){"use strict";var n=e.document;t.a=function(){return n?1:0},t.b='
        "function(e){for(var r=0;r<e.length;r++)e[r]()}}(this,{});"
    ),
    "settings": "on: [push]\njobs:\n  test:\n    runs-on: shed\n    steps:\n     - a: b",
    "statements": "CREATE TABLE beds (id INTEGER);\nINSERT INTO beds VALUES (1, 'north');",
    "log": "2026-11-30 20:01:15 INFO gate opened\n2026-11-30 20:01:18 WARN gate left open",
    "accesses": (
        '192.0.2.1 - - [30/Nov/2026:20:01:15] "GET / HTTP/1.1" 200 512\n'
        '192.0.2.1 - - [30/Nov/2026:20:01:16] "GET /a HTTP/1.1" 404 12'
    ),
    "prose": (
        "It was a wet spring on the allotments. The beans came up late, and the slugs early.\n"
        "Nobody could remember such a year. Still, by August there was marrow for all."
    ),
    "wrapped": (
        "The shed at the end of the path, which nobody had\n"
        "painted for years, leaned a little more each winter\n"
        "until the committee, at last, voted for a new one."
    ),
    "asking prose": "Why do we dig? Because the ground is hard after winter, and frost breaks it.",
    "verse": (
        "The gate is green, the path is brown,\nThe rain comes softly, softly down,\n"
        "The beans climb up, the peas climb higher,\nAnd smoke goes up from Sam's bonfire."
    ),
}

ROOT = ("Which is a root?", ("beet",), ("kale", "pea"))

READ = {
    "short sums under initials": ("Q\tA\n2+2\t4\n3*4\t12\n", ("2+2", ("4",), ())),
    "the same with commas": ("Q,A\n2+2,4\n3*4,12\n", ("2+2", ("4",), ())),
    "in German": ("F;A\n7*8;56\n6*9;54\n", ("7*8", ("56",), ())),
    "letters in one cell": (
        "Question\tOptions\tAnswer\nWhich is a root?\tA) kale B) beet C) pea\tB\n",
        ROOT,
    ),
    "lines in one cell": (
        'Question,Options,Answer\nWhich is a root?,"kale\nbeet\npea",beet\n',
        ROOT,
    ),
    "a star in one cell": ("Which is a root?\t*beet; kale; pea\nLeaf?\tbeet; *kale\n", ROOT),
    "an item with its group": (
        "item,category\ncarrot,root\nkale,leaf\nbeet,root\nchard,leaf\n",
        ("carrot", ("root",), ("leaf",)),
    ),
    "a sentence and its truth": (
        "Ants have six legs. True\nBees make milk. False\n",
        ("Ants have six legs.", ("true",), ()),
    ),
    "a program asked about": (
        "What does print(1 + 1) print?\t2\nWhich loop ends?\tfor x in y:\n",
        ("What does print(1 + 1) print?", ("2",), ()),
    ),
    "sentences with commas": (
        "Ants have six legs, true\nBees make milk, false\n",
        ("Ants have six legs", ("true",), ()),
    ),
    "definitions": ("spade: digging\nrake: levelling\n", ("spade", ("digging",), ())),
}


def read(text):
    content = text.encode()
    return read_questions(content, guess(content))


class TestUnderstanding(unittest.TestCase):
    def test_what_is_something_else_is_told_and_gives_no_questions(self):
        for name, text in ELSE.items():
            with self.subTest(name):
                told = read(text + "\n")
                self.assertEqual((told.questions, told.refused), ((), ()))
                self.assertIn("not understood", told.notes[0])
                # Whoever says that it holds questions is believed.
                again = read_questions(text.encode(), replace(told.plan, doubt=""))
                self.assertGreater(len(again.questions) + len(again.refused), 0)

    def test_what_is_laid_out_in_any_way_is_read(self):
        for name, (text, wanted) in READ.items():
            with self.subTest(name):
                first = read(text).questions[0]
                self.assertEqual((first.prompt, first.right, first.wrong), wanted)

    def test_what_we_write_ourselves_is_always_understood(self):
        for ending, (_, writer) in WRITERS.items():
            pack = TEXT_TEMPLATE if ending == "txt" else TEMPLATE
            content = writer(pack)
            found = read_questions(content, guess(content))
            with self.subTest(ending):
                self.assertEqual(len(found.questions), len(pack.questions))

    def test_the_kind_of_a_question_written_by_hand_is_guessed_from_its_cells(self):
        for right, wrong, kind in (
            (("honey",), (), Kind.TYPED),
            (("8",), (), Kind.NUMBER),
            (("1/2", "0.5"), (), Kind.NUMBER),
            (("FALSE",), (), Kind.TRUTH),
            (("8",), ("9",), Kind.CHOICE),
            ((), (), Kind.CHOICE),
        ):
            question = read("What?\thoney\n").questions[0]
            found = with_kind(
                question.__class__(question.prompt, right, wrong, Kind.CHOICE, question.details)
            )
            self.assertEqual(found.kind, kind, right)
        marked = read("What?\thoney\n").questions[0].__class__("A bee gives [honey].", ())
        self.assertEqual(with_kind(marked).kind, Kind.GAPS)
