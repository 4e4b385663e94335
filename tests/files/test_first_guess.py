"""Layouts that load right at the first guess.

The layouts are from memory of what spreadsheets, word processors, exports and colleagues
produce; common practice, no source. They were written once the guessing was done, to measure
it; what was mended after is in the history.
"""

import json
import unittest

from dicetrail.files import read_questions

THREE = {
    ("Which is a root?", ("Carrot",), ("Bean", "Pea")),
    ("Which is a leaf?", ("Kale",), ("Beet", "Swede")),
    ("Which grows in a pod?", ("Pea",), ("Chard", "Leek")),
}
PAIRS = {
    ("What do bees make?", ("Honey",), ()),
    ("What colour is a ripe plum?", ("purple",), ()),
    ("Who eats the lettuce?", ("slugs",), ()),
}
ROWS = [
    ("Which is a root?", ("Pea", "Carrot", "Bean"), 1),
    ("Which is a leaf?", ("Kale", "Beet", "Swede"), 0),
    ("Which grows in a pod?", ("Chard", "Leek", "Pea"), 2),
]


def right_first(row):
    prompt, options, place = row
    return [prompt, options[place], *(one for one in options if one != options[place])]


def lettered(row):
    prompt, options, place = row
    return [prompt, *options, "ABC"[place]]


def table(rows, heading=None, character=","):
    return "".join(
        f"{character.join(map(str, row))}\n" for row in ([heading] if heading else []) + rows
    )


RIGHT_FIRST = list(map(right_first, ROWS))
LETTERED = list(map(lettered, ROWS))
NUMBERED = [[prompt, *options, place + 1] for prompt, options, place in ROWS]
WORDED = [[prompt, *options, options[place]] for prompt, options, place in ROWS]

CHOICES = {
    "German headings": table(RIGHT_FIRST, ["Frage", "Richtig", "Falsch 1", "Falsch 2"], ";"),
    "Spanish headings": table(
        RIGHT_FIRST,
        ["Pregunta", "Respuesta correcta", "Respuesta incorrecta 1", "Respuesta incorrecta 2"],
    ),
    "French headings": table(
        RIGHT_FIRST, ["Question", "Bonne réponse", "Mauvaise réponse 1", "Mauvaise réponse 2"], ";"
    ),
    "Italian headings": table(
        RIGHT_FIRST, ["Domanda", "Risposta giusta", "Sbagliata 1", "Sbagliata 2"], "\t"
    ),
    "Polish headings": table(
        RIGHT_FIRST, ["Pytanie", "Poprawna odpowiedź", "Błędna 1", "Błędna 2"], "\t"
    ),
    "Dutch headings, options and a key": table(
        LETTERED, ["Vraag", "Optie A", "Optie B", "Optie C", "Juist"], ";"
    ),
    "Ukrainian headings": table(
        RIGHT_FIRST, ["Питання", "Правильна відповідь", "Неправильна 1", "Неправильна 2"], "\t"
    ),
    "words on no list": table(RIGHT_FIRST, ["Rätsel", "Treffer", "Niete", "Niete zwei"], ";"),
    "options and a letter": table(LETTERED, ["Question", "A", "B", "C", "Answer"]),
    "options and a letter in brackets": table(
        LETTERED, ["Question", "Option (A)", "Option (B)", "Option (C)", "Correct Option"]
    ),
    "options and the number": table(
        NUMBERED, ["question", "answer1", "answer2", "answer3", "correct"], ";"
    ),
    "options and the words": table(
        WORDED, ["Prompt", "Choice 1", "Choice 2", "Choice 3", "Correct Answer"]
    ),
    "no headings, a letter at the end": table(LETTERED),
    "no headings, the words at the end": table(WORDED, character="\t"),
    "no headings, right answer first": table(RIGHT_FIRST, character="|"),
    "numbered rows": table(
        [[n, *row] for n, row in enumerate(RIGHT_FIRST, 1)],
        ["No.", "Question", "Right", "W1", "W2"],
    ),
    "numbered rows without headings": table([[n, *row] for n, row in enumerate(RIGHT_FIRST, 1)]),
    "a topic before": table(
        [["beds", *LETTERED[0]], ["beds", *LETTERED[1]], ["pods", *LETTERED[2]]],
        ["Category", "Question", "A", "B", "C", "Key"],
    ),
    "difficulty in words": table(
        [[*row, level] for row, level in zip(RIGHT_FIRST, ("easy", "hard", "easy"), strict=True)],
        ["Question", "Correct", "Wrong", "Wrong", "Difficulty"],
    ),
    "seconds and a picture that is empty": table(
        [[row[0], *row[1:4], 20, row[4], ""] for row in NUMBERED],
        [
            "Question Text",
            "Option 1",
            "Option 2",
            "Option 3",
            "Time in seconds",
            "Correct",
            "Image",
        ],
    ),
    "kind by other words": table(
        [["Multiple Choice", *row] for row in RIGHT_FIRST],
        ["Question Type", "Question", "Correct answer", "Incorrect answer 1", "Incorrect answer 2"],
    ),
    "stars before the right ones": table(
        [
            [prompt, *(f"*{one}" if n == place else one for n, one in enumerate(options))]
            for prompt, options, place in ROWS
        ]
    ),
    "a title above the headings": "Quillbrook quiz,,,\n"
    + table(RIGHT_FIRST, ["Question", "Right", "Wrong", "Wrong"]),
    "keys named as the columns are": table(
        [[*row[:4], f"OPTION{row[4]}"] for row in NUMBERED],
        ["QUESTION", "OPTION1", "OPTION2", "OPTION3", "ANSWER"],
        "\t",
    ),
    "an index that counts from 0": table(
        [[*row[:4], row[4] - 1] for row in NUMBERED],
        ["question", "option0", "option1", "option2", "answer_index"],
    ),
    "the key under a heading on no list": table(LETTERED, ["What", "one", "two", "three", "right"]),
    "Markdown table": "| Question | A | B | C | Answer |\n| --- | --- | --- | --- | :-: |\n"
    + "".join(f"| {' | '.join(row)} |\n" for row in LETTERED),
    "written out, lettered, an answer line": "\n".join(
        f"{n}. {p}\na) {o[0]}\nb) {o[1]}\nc) {o[2]}\nAnswer: {'abc'[i]}\n"
        for n, (p, o, i) in enumerate(ROWS, 1)
    ),
    "written out, capital letters, ANSWER": "\n".join(
        f"{p}\nA. {o[0]}\nB. {o[1]}\nC. {o[2]}\nANSWER: {'ABC'[i]}\n" for p, o, i in ROWS
    ),
    "written out, brackets, a key at the end": "\n".join(
        f"{n}) {p}\n(a) {o[0]}\n(b) {o[1]}\n(c) {o[2]}" for n, (p, o, _) in enumerate(ROWS, 1)
    )
    + "\n\nAnswers:\n1) b\n2) a\n3) c\n",
    "written out, options in one line": "\n".join(
        f"{n}. {p}\n   a) {o[0]}   b) {o[1]}   c) {o[2]}" for n, (p, o, _) in enumerate(ROWS, 1)
    )
    + "\n\nAnswer key: 1b 2a 3c\n",
    "written out, starred": "\n\n".join(
        "\n".join([p, *(f"{'*' if n == i else ''}{'abc'[n]}) {one}" for n, one in enumerate(o))])
        for p, o, i in ROWS
    ),
    "written out, boxes": "\n\n".join(
        "\n".join([p, *(f"- [{'x' if n == i else ' '}] {one}" for n, one in enumerate(o))])
        for p, o, i in ROWS
    ),
    "written out, bold": "\n\n".join(
        "\n".join(
            [f"{q}. {p}", *(f"- **{one}**" if n == i else f"- {one}" for n, one in enumerate(o))]
        )
        for q, (p, o, i) in enumerate(ROWS, 1)
    ),
    "written out, a title and German answer lines": "Herbstquiz\n\n"
    + "\n".join(
        f"Frage {n}: {p}\nA) {o[0]}\nB) {o[1]}\nC) {o[2]}\nLösung: {'ABC'[i]}\n"
        for n, (p, o, i) in enumerate(ROWS, 1)
    ),
    "JSON, options and an index": json.dumps(
        [{"question": p, "options": list(o), "answer": i} for p, o, i in ROWS]
    ),
    "JSON, correct and incorrect answers": json.dumps(
        {
            "results": [
                {"question": r[0], "correct_answer": r[1], "incorrect_answers": r[2:]}
                for r in RIGHT_FIRST
            ]
        }
    ),
    "JSON, choices under letters": json.dumps(
        {
            "quiz": [
                {"q": p, "choices": dict(zip("ABC", o, strict=True)), "correct": "ABC"[i]}
                for p, o, i in ROWS
            ]
        }
    ),
    "JSON, answers that say whether they are right": json.dumps(
        [
            {"text": p, "answers": [{"text": one, "isCorrect": n == i} for n, one in enumerate(o)]}
            for p, o, i in ROWS
        ]
    ),
    "JSON, answers and which are correct, each by its letter": json.dumps(
        [
            {
                "question": p,
                "answers": {f"answer_{'abc'[n]}": one for n, one in enumerate(o)},
                "correct_answers": {f"answer_{'abc'[n]}_correct": str(n == i) for n in range(3)},
            }
            for p, o, i in ROWS
        ]
    ),
    "JSON lines": "\n".join(
        json.dumps({"prompt_text": p, "choices": list(o), "solution": o[i]}) for p, o, i in ROWS
    ),
    "YAML of other keys": "\n".join(
        f"- frage: {p}\n  richtig: {o[i]}\n  falsch:\n"
        + "\n".join(f"    - {one}" for n, one in enumerate(o) if n != i)
        for p, o, i in ROWS
    ),
}
TYPED = {
    "question and answer": table([[p, r[0]] for p, r, _ in sorted(PAIRS)], ["Question", "Answer"]),
    "Q and A": "\n".join(f"Q: {p}\nA: {r[0]}\n" for p, r, _ in sorted(PAIRS)),
    "one line each, a dash": "\n".join(f"{p} - {r[0]}" for p, r, _ in sorted(PAIRS)),
    "one line each, after the question mark": "\n".join(f"{p} {r[0]}" for p, r, _ in sorted(PAIRS)),
    "blocks of two lines": "\n\n".join(f"{p}\n{r[0]}" for p, r, _ in sorted(PAIRS)),
    "an object of questions and answers": json.dumps({p: r[0] for p, r, _ in sorted(PAIRS)}),
    "numbered, the answer under it": "\n".join(
        f"{n}. {p}\nAnswer: {r[0]}" for n, (p, r, _) in enumerate(sorted(PAIRS), 1)
    ),
}


TRUTHS = {("Kale is a leaf.", ("true",), ()), ("Peas are roots.", ("false",), ())}
TRUE_OR_FALSE = {
    "headings": "Statement,True/False\nKale is a leaf.,True\nPeas are roots.,False\n",
    "German": "Aussage;Wahr oder falsch\nKale is a leaf.;wahr\nPeas are roots.;falsch\n",
    "written out": "1. Kale is a leaf. (True)\n2. Peas are roots. (False)\n",
    "answer lines": "Kale is a leaf.\nAnswer: True\n\nPeas are roots.\nAnswer: F\n",
}


class TestFirstGuess(unittest.TestCase):
    def assert_read(self, layouts, expected):
        for name, text in layouts.items():
            with self.subTest(name):
                reading = read_questions(text.encode())
                self.assertEqual(reading.refused, ())
                found = {(q.prompt, q.right, tuple(sorted(q.wrong))) for q in reading.questions}
                self.assertEqual(found, expected)

    def test_questions_with_choices(self):
        self.assert_read(CHOICES, THREE)

    def test_true_or_false(self):
        self.assert_read(TRUE_OR_FALSE, TRUTHS)

    def test_questions_with_typed_answers(self):
        self.assert_read(TYPED, PAIRS)


class TestOtherScripts(unittest.TestCase):
    """Letters of other scripts before options, and text that runs from right to left."""

    WRITTEN = (
        "1. Что растёт под землёй?\nа) Морковь\nб) Горох\nОтвет: а\n\n"
        "2. Что зелёное?\nа) Свёкла\nб) Огурец\nОтвет: б\n",
        "1. Что растёт под землёй?\nа) Морковь\nб) Горох\n\n2. Что зелёное?\nа) Свёкла\n"
        "б) Огурец\n\nОтветы:\n1. а\n2. б\n",
        "1. מהו שורש?\nא) גזר *\nב) אפונה\n\n2. מהו עלה?\nא) סלק\nב) כרוב *\n",
        "\u200f1. מהו שורש?\n\u200fa) גזר *\n\u200fb) אפונה\n\n\u200f2. מהו עלה?\n"
        "\u200fa) סלק\n\u200fb) כרוב *\n",
        "1. ما هو الجذر؟\nأ) جزر\nب) بازلاء\nالإجابة: أ\n\n"
        "2. ما هي الورقة؟\nأ) بنجر\nب) ملفوف\nالإجابة: ب\n",
        "1. Ποιο είναι ρίζα;\nα) Καρότο *\nβ) Μπιζέλι\n\n"
        "2. Ποιο είναι φύλλο;\nα) Παντζάρι\nβ) Λάχανο *\n",
    )

    def test_the_first_is_right_of_the_first_and_the_second_of_the_second(self):
        for text in self.WRITTEN:
            with self.subTest(text[:20]):
                reading = read_questions(text.encode())
                self.assertEqual((len(reading.questions), reading.refused), (2, ()))
                options = [line for line in text.splitlines() if ")" in line[:4]]
                for question, line in zip(reading.questions, (options[0], options[3]), strict=True):
                    self.assertIn(question.right[0], line)
                    self.assertEqual(len(question.wrong), 1)
