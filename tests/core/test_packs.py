"""What is wrong in a pack, field by field; and a question as its player sees it."""

import unittest
from dataclasses import replace
from unittest.mock import patch

from hypothesis import given, settings
from hypothesis import strategies as st

from dicetrail.core import Details, Kind, PackEdit, Question
from dicetrail.core.survey import PackLook, edited, looks, rebased
from dicetrail.core.survey.question_faults import field_name, trimmed
from dicetrail.core.workbench import preview

SOUND = Question("Which is a root?", ("Carrot",), ("Pea",))


def told(*questions, media=()):
    return [
        (fault.row, fault.field, fault.number, fault.what)
        for fault in PackLook(questions, media).faults()
    ]


KINDS_OF_ROW = st.sampled_from(
    [
        SOUND,
        replace(SOUND, prompt="Which is a leaf?"),
        replace(SOUND, prompt=""),
        replace(SOUND, right=()),
        replace(SOUND, wrong=("CARROT",)),
        replace(SOUND, details=Details(picture="gone.png")),
        replace(SOUND, details=Details(picture="here.png", level=9)),
        replace(SOUND, prompt="which  is a root?"),
        replace(SOUND, prompt="Größe?", right=("ß",), wrong=("SS",)),
    ]
)
ROWS = st.lists(KINDS_OF_ROW, max_size=8).map(tuple)
EDITS = st.lists(st.builds(PackEdit, st.integers(0, 12), st.integers(0, 5), ROWS), max_size=6)


class TestEdits(unittest.TestCase):
    @given(ROWS, st.lists(EDITS, max_size=3))
    @settings(max_examples=200, deadline=None)
    def test_a_look_that_followed_the_edits_sees_what_a_new_one_does(self, rows, saves):
        look = PackLook(rows, {"here.png"})
        for edits in saves:
            listed = list(rows)
            for edit in edits:
                listed[edit.row : edit.row + edit.remove] = edit.insert
            rows = edited(rows, edits)
            self.assertEqual(rows, tuple(listed))
            look.edit(edits)
            self.assertEqual(list(look.faults()), list(PackLook(rows, {"here.png"}).faults()))
            anew = PackLook(rows, {"here.png"}).report()
            self.assertEqual(look.report(), anew)

    def test_only_what_changes_is_looked_at(self):
        look = PackLook([replace(SOUND, prompt=f"{n}?", right=()) for n in range(200)])
        with patch.object(looks, "faults", wraps=looks.faults) as looked:
            look.edit([PackEdit(7, 1, (replace(SOUND, right=()),)), PackEdit(9, 3)])
            list(look.faults())
        self.assertEqual(looked.call_count, 1)


@st.composite
def edited_twice(draw):
    """Some rows, and two lists of edits that were made of them apart."""
    rows = tuple(Question(str(number), ("x",)) for number in range(draw(st.integers(0, 8))))
    both = []
    for who in ("mine", "theirs"):
        now, edits = rows, []
        for step in range(draw(st.integers(0, 3))):
            row = draw(st.integers(0, len(now)))
            remove = draw(st.integers(0, min(3, len(now) - row)))
            names = (f"{who} {step} {place}" for place in range(draw(st.integers(0, 2))))
            edits.append(PackEdit(row, remove, tuple(Question(name, ("x",)) for name in names)))
            now = edited(now, edits[-1:])
        both.append((edits, now))
    return rows, *both


class TestEditsApart(unittest.TestCase):
    @settings(max_examples=400)
    @given(edited_twice())
    def test_edits_made_apart_stand_beside_each_other_whichever_came_first(self, made):
        rows, (mine, as_mine), (theirs, as_theirs) = made
        found = rebased(mine, theirs)
        if found is None:
            changed = [[row for row in rows if row not in now] for now in (as_mine, as_theirs)]
            self.assertTrue(any(changed), "edits that only put rows in never clash")
            return
        whole = edited(edited(rows, theirs), found[0])
        self.assertEqual(whole, edited(edited(rows, mine), found[1]))
        gone = {row for row in rows if row not in as_mine or row not in as_theirs}
        put_in = {row for row in (*as_mine, *as_theirs) if row not in rows}
        self.assertEqual(set(whole), {*rows, *put_in} - gone)
        for one in (as_mine, as_theirs):
            self.assertEqual([r for r in whole if r in one], [r for r in one if r in whole])

    def test_one_row_changed_in_both_places_is_not_merged(self):
        for at, remove in ((0, 3), (1, 1), (1, 2), (2, 1)):
            self.assertIsNone(rebased([PackEdit(1, 2)], [PackEdit(at, remove)]), (at, remove))


class TestPackFaults(unittest.TestCase):
    def test_every_kind_tells_its_own_faults_at_their_fields(self):
        kinds = Kind
        for question, field, number, words in (
            (replace(SOUND, prompt=""), "prompt", 0, "the question is empty"),
            (replace(SOUND, right=()), "right", 0, "there is no right answer"),
            (replace(SOUND, wrong=()), "wrong", 0, "there is no wrong choice"),
            (replace(SOUND, wrong=("Pea", "Carrot")), "wrong", 1, "the same as the right answer"),
            (replace(SOUND, right=("Carrot", "Carrot")), "right", 1, "the same as"),
            (replace(SOUND, wrong=("", "Pea")), "wrong", 0, "is empty though a later one"),
            (
                replace(SOUND, wrong=tuple("bcdefghijklm")),
                "wrong",
                11,
                "13 choices where at most 12",
            ),
            (replace(SOUND, wrong=("CARROT",)), "wrong", 0, "differ only in capitals"),
            (replace(SOUND, details=Details(pinned="Leek")), "pinned", 0, "not one of the choices"),
            (replace(SOUND, details=Details(level=0)), "level", 0, "out of range"),
            (replace(SOUND, details=Details(seconds=0)), "seconds", 0, "out of range"),
            (replace(SOUND, details=Details(worth=10**10)), "worth", 0, "out of range"),
            (replace(SOUND, details=Details(picture="a.png")), "picture", 0, "no file “a.png”"),
            (Question("True?", ("maybe",), (), kinds.TRUTH), "right", 0, "neither true nor false"),
            (Question("True?", ("true",), ("x",), kinds.TRUTH), "wrong", 0, "no wrong choices"),
            (Question("Name?", ("a", "a"), (), kinds.TYPED), "right", 1, "the same as"),
            (Question("How many?", ("many",), (), kinds.NUMBER), "right", 0, "not a number"),
            (Question("How many?", ("1", "2"), (), kinds.NUMBER), "right", 1, "one right answer"),
            (
                Question("How many?", ("1",), (), kinds.NUMBER, Details(tolerance="-1")),
                "tolerance",
                0,
                "not a tolerance",
            ),
            (Question("Find it", ("x" * 41,), (), kinds.LETTERS), "right", 0, "at most 40 fit"),
            (Question("Find it", ("?!",), (), kinds.LETTERS), "right", 0, "no letter or digit"),
            (Question("Pea", ("pod",), (), kinds.SORT), "wrong", 0, "there is no wrong choice"),
        ):
            with self.subTest(field=field, words=words):
                (fault,) = told(question)
                self.assertEqual(fault[:3], (0, field, number))
                self.assertIn(words, fault[3])

    def test_a_prompt_that_stands_twice_is_told_at_the_later_row(self):
        again = replace(SOUND, prompt=" Which is a  root?".strip(), right=("Beet",))
        self.assertEqual(told(SOUND, again), [(1, "prompt", 0, "question 1 asks the same")])

    def test_media_that_are_there_are_no_fault(self):
        leaf = replace(SOUND, details=Details(picture="leaf.png"))
        self.assertEqual(told(leaf, media={"leaf.png"}), [])

    def test_fields_have_names_in_words(self):
        names = [field_name("prompt"), field_name("right"), field_name("right", 1)]
        names += [field_name("wrong", 1), field_name("level")]
        self.assertEqual(
            names,
            ["the question", "the right answer", "right answer 2", "wrong choice 2", "the level"],
        )

    def test_trimming_leaves_nothing_around_any_text(self):
        loose = Question(" Q? ", (" a",), ("b ",), details=Details(hint=" h ", level=2))
        tight = Question("Q?", ("a",), ("b",), details=Details(hint="h", level=2))
        self.assertEqual(trimmed(loose), tight)


class TestPreview(unittest.TestCase):
    def test_it_shows_what_a_player_would_see_and_no_answer(self):
        leaf = replace(SOUND, details=Details(picture="leaf.png", sound="gone.wav", note="n"))
        shown = preview(leaf, 1, {"leaf.png": "digest"})
        self.assertEqual(shown.question.prompt, "Which is a root?")
        self.assertEqual({choice.text for choice in shown.question.choices}, {"Carrot", "Pea"})
        self.assertEqual((shown.question.picture, shown.question.sound), ("digest", ""))
        self.assertIsNone(shown.feedback)
        typed = preview(Question("Name it", ("a",), (), Kind.TYPED), 1, {})
        self.assertEqual((typed.question.choices, typed.typing), ((), True))
