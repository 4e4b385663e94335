"""Texts with gaps in the layouts that makers write, and what only looks like them."""

import unittest

from dicetrail.files import guess, read_questions

LAYOUTS = (
    (
        "csv kind cloze marked",
        "type,question\ncloze,A bee gives [honey].\ncloze,A hen lays [eggs].\n",
        (
            ("gaps", "A bee gives ___.", ("honey",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
    (
        "tsv headings sentence answer",
        "Sentence\tAnswer\nThe ____ gives milk.\tcow\nThe ____ lays eggs.\then\n",
        (
            ("typed", "The ____ gives milk.", ("cow",), ()),
            ("typed", "The ____ lays eggs.", ("hen",), ()),
        ),
    ),
    (
        "csv gap 1 gap 2",
        "question,gap 1,gap 2\nThe ___ gives ___.,cow,milk\nThe ___ lays ___.,hen,eggs\n",
        (
            ("gaps", "The ___ gives ___.", ("cow", "milk"), ()),
            ("gaps", "The ___ lays ___.", ("hen", "eggs"), ()),
        ),
    ),
    (
        "semicolon",
        "Frage;Antwort 1;Antwort 2\nDie ___ gibt ___.;Kuh;Milch\nDie ___ legt ___.;Henne;Eier\n",
        (
            ("gaps", "Die ___ gibt ___.", ("Kuh", "Milch"), ()),
            ("gaps", "Die ___ legt ___.", ("Henne", "Eier"), ()),
        ),
    ),
    (
        "plain marked lines",
        "A cow gives [milk].\nA bee gives [honey] and [wax].\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A bee gives ___ and ___.", ("honey", "wax"), ()),
        ),
    ),
    (
        "numbered",
        "1) A cow gives [milk].\n2) A hen lays [eggs].\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
    (
        "fill heading",
        "Fill the gaps\n\n1. A cow gives [milk].\n2. A hen lays [eggs].\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
    (
        "answers below",
        "1. The ___ gives ___.\nAnswers: cow, milk\n\n2. The ___ lays ___.\nAnswers: hen, eggs\n",
        (
            ("gaps", "The ___ gives ___.", ("cow", "milk"), ()),
            ("gaps", "The ___ lays ___.", ("hen", "eggs"), ()),
        ),
    ),
    (
        "json kind",
        '[{"kind":"gaps","prompt":"A cow gives [milk]."},'
        '{"kind":"gaps","prompt":"A ___ lays.","right":["hen"]}]',
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A ___ lays.", ("hen",), ()),
        ),
    ),
    (
        "json other keys",
        '[{"question":"A ___ gives ___.","answers":["cow","milk"]},'
        '{"question":"A ___ lays ___.","answers":["hen","eggs"]}]',
        (
            ("gaps", "A ___ gives ___.", ("cow", "milk"), ()),
            ("gaps", "A ___ lays ___.", ("hen", "eggs"), ()),
        ),
    ),
    (
        "bank column",
        "kind,question,options\ngaps,A bee gives [honey] and [wax].,milk; eggs\n",
        (("gaps", "A bee gives ___ and ___.", ("honey", "wax"), ("milk", "eggs")),),
    ),
    (
        "word bank heading",
        "question,answer 1,answer 2,wrong choice 1\nThe ___ gives ___.,cow,milk,hay\n",
        (("gaps", "The ___ gives ___.", ("cow", "milk"), ("hay",)),),
    ),
    (
        "alternatives slash in cell",
        "kind\tquestion\tright answer\ngaps\tThe ___ gives milk.\tcow | goat\n",
        (("gaps", "The ___ gives milk.", ("cow | goat",), ()),),
    ),
    (
        "yaml",
        "- kind: gaps\n"
        "  prompt: A cow gives [milk | cream].\n"
        "- kind: gaps\n"
        "  prompt: A bee gives [honey // hay].\n",
        (
            ("gaps", "A cow gives ___.", ("milk | cream",), ()),
            ("gaps", "A bee gives ___.", ("honey // hay",), ()),
        ),
    ),
    (
        "dots",
        "kind,question,right answer\ngaps,A cow gives ...... and not eggs.,milk\n",
        (("gaps", "A cow gives ___ and not eggs.", ("milk",), ()),),
    ),
    (
        "curly",
        "kind,question\ngaps,A cow gives {milk}.\ngaps,A hen lays {eggs}.\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
    (
        "two blanks one cell and",
        "question,answer\nThe ___ gives ___.,cow and milk\nThe ___ lays ___.,hen and eggs\n",
        (
            ("gaps", "The ___ gives ___.", ("cow", "milk"), ()),
            ("gaps", "The ___ lays ___.", ("hen", "eggs"), ()),
        ),
    ),
    (
        "numbered blanks",
        "question,answer 1,answer 2\nThe (1)___ gives (2)___.,cow,milk\n",
        (("gaps", "The (1)___ gives (2)___.", ("cow", "milk"), ()),),
    ),
    (
        "mixed no kind",
        "question,right answer,wrong choice 1,wrong choice 2\n"
        "Which is a root?,carrot,pea,kale\n"
        "A bee gives [honey].,,,\n",
        (
            ("choice", "Which is a root?", ("carrot",), ("pea", "kale")),
            ("gaps", "A bee gives ___.", ("honey",), ()),
        ),
    ),
    (
        "xlsx-like tab",
        "Lückentext\tLösung\nDie Kuh gibt ___.\tMilch\nDie Henne legt ___.\tEier\n",
        (
            ("typed", "Die Kuh gibt ___.", ("Milch",), ()),
            ("typed", "Die Henne legt ___.", ("Eier",), ()),
        ),
    ),
    (
        "worth beside",
        "question,points\nA cow gives [milk].,2\nA hen lays [eggs].,3\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
    (
        "topic beside",
        "topic,question\nfarm,A cow gives [milk].\nfarm,A hen lays [eggs].\n",
        (
            ("gaps", "A cow gives ___.", ("milk",), ()),
            ("gaps", "A hen lays ___.", ("eggs",), ()),
        ),
    ),
)
"""What a file holds, and the kind, prompt, right and wrong answers of its questions."""

OTHERS = (
    (
        "brackets of its own",
        "question\tright\twrong\nWhat is [Au]?\tgold\tsilver\nWhat is [Ag]?\tsilver\tgold\n",
        "choice",
    ),
    (
        "brackets and an answer",
        "What is [Au]?\nAnswer: gold\n\nWhat is [Ag]?\nAnswer: tin\n",
        "typed",
    ),
    (
        "options that fill two blanks at once",
        "question\tright\twrong\twrong\n___ gives ___.\tbee, honey\then, milk\tcow, eggs\n"
        "___ lays ___.\then, eggs\tcow, milk\tbee, eggs\n",
        "choice",
    ),
    (
        "a list of code",
        "1. Which array is [1, 2]?\na) one\n*b) two\n2. Which array is [1]?\n*a) one\nb) two\n",
        "choice",
    ),
    ("one blank", "question,answer\nA ___ gives milk.,cow\nA ___ lays eggs.,hen\n", "typed"),
)


class TestGaps(unittest.TestCase):
    def test_each_is_read_as_it_is_meant_without_a_word_from_its_maker(self):
        for name, text, meant in LAYOUTS:
            with self.subTest(name):
                reading = read_questions(text.encode(), guess(text.encode()))
                self.assertEqual([one.what for one in reading.refused], [])
                found = tuple(
                    (one.kind.value, one.prompt, one.right, one.wrong) for one in reading.questions
                )
                self.assertEqual(found, meant)

    def test_what_only_looks_so_is_not_taken_for_gaps(self):
        for name, text, kind in OTHERS:
            with self.subTest(name):
                reading = read_questions(text.encode(), guess(text.encode()))
                self.assertEqual([one.kind.value for one in reading.questions], [kind] * 2)


if __name__ == "__main__":
    unittest.main()
