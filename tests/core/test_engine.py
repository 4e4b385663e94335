"""Runs, as play."""

import subprocess
import sys
import unittest
from collections import Counter
from dataclasses import asdict, replace

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Continue,
    Details,
    Draw,
    Input,
    Kind,
    Order,
    Pack,
    Phase,
    Question,
    Wait,
    What,
    build,
    replay,
    start,
    step,
    table,
)
from dicetrail.core.answers import Verdict
from dicetrail.core.play import Result, Stop, TimeRanBackwards, asking_at, check
from dicetrail.core.workbench import draw_list
from tests.core.examples import FIVE, PACKS, VEGETABLES, answer_for, changed, in_bytes, play, points

ACTIONS = st.one_of(
    st.just(Begin()),
    st.just(Continue()),
    st.integers(-1, 9).map(Answer),
    st.text(max_size=4).map(Answer),
    st.sampled_from("abcd").map(Answer),
)


class TestARun(unittest.TestCase):
    def test_every_score_comes_to_the_first_ending_that_fits(self):
        for right, ending in enumerate(("Seed", "Leaf", "Leaf", "Silver", "Silver", "Gold")):
            with self.subTest(right=right):
                program, moments, _ = play("r" * right + "w" * (5 - right))
                end = table(program, moments[-1].state)
                self.assertEqual((end.score, end.ending.title), (right, ending))
                self.assertEqual((end.right_count, end.percent), (right, 20 * right))

    def test_points_may_be_taken_away(self):
        program, moments, _ = play("rwwww", replace(FIVE, script=points(5, -2)))
        self.assertEqual(table(program, moments[-1].state).score, 5 - 8)

    def test_no_question_comes_twice_and_each_has_its_own_choices(self):
        game = changed(draw=Draw(None))
        program, moments, _ = play("r" * 12, game)
        asked = [table(program, moment.state).question for moment in moments[1:-1:2]]
        self.assertEqual(
            {shown.prompt for shown in asked}, {q.prompt for q in VEGETABLES.questions}
        )
        for shown in asked:
            number = shown.prompt.split()[-1].rstrip("?")
            texts = {choice.text for choice in shown.choices}
            self.assertEqual(texts, {f"right {number}", f"x{number}", f"y{number}"})
            self.assertEqual("".join(choice.letter for choice in shown.choices), "ABC")

    def test_as_written_keeps_the_order_of_questions_and_choices(self):
        game = changed(draw=Draw(3, Order.WRITTEN), ask=Ask(Order.WRITTEN))
        drawn = draw_list(build(game, PACKS), 5).questions
        self.assertEqual([question.prompt[-2:-1] for question in drawn], ["1", "2", "3"])
        self.assertEqual({question.right_letters for question in drawn}, {"A"})

    def test_the_steps_of_an_answer_stand_at_their_stops_with_values_before_and_after(self):
        _, moments, _ = play("rw")
        steps = [(step_.stop, step_.what) for step_ in moments[2].footprints]
        self.assertEqual(
            steps,
            [
                (Stop.ASK, What.ANSWERED),
                (Stop.CHECK, What.CHECKED),
                (Stop.SCORE, What.CHANGED),
                (Stop.CUE, What.HELD),
            ],
        )
        score = moments[2].footprints[2].changes[0]
        self.assertEqual((score.name, score.before, score.after), ("score", 0, 1))
        self.assertTrue(all(step_.why for moment in moments for step_ in moment.footprints))

    def test_an_unreadable_answer_costs_nothing_and_the_question_stands(self):
        program, moments, _ = play("")
        after = step(program, moments[-1].state, Answer("dunno"), 5000)
        self.assertEqual(after.state.phase, Phase.ASKING)
        self.assertEqual(after.state.tally, moments[-1].state.tally)
        self.assertIs(table(program, after.state).feedback.result, Result.UNREADABLE)
        right = step(program, after.state, answer_for(program, after, True), 5001)
        self.assertEqual(table(program, right.state).score, 1)

    def test_what_is_not_allowed_now_changes_nothing_and_says_why(self):
        program, moments, _ = play("rrrrr")
        opening, asking, holding, ended = moments[0], moments[1], moments[2], moments[-1]
        for moment, action in (
            (opening, Answer(1)),
            (opening, Continue()),
            (asking, Begin()),
            (asking, Continue()),
            (holding, Answer(1)),
            (ended, Answer(1)),
            (ended, Begin()),
        ):
            with self.subTest(phase=moment.state.phase, action=action):
                after = step(program, moment.state, action, 10**6)
                waited = step(program, moment.state, Wait(), 10**6)
                self.assertEqual(after.state, waited.state)
                (footprint,) = after.footprints
                self.assertEqual(footprint.what, What.REFUSED)
                self.assertIn(action.action, footprint.why)

    def test_time_never_runs_backwards(self):
        program, moments, _ = play("r")
        with self.assertRaises(TimeRanBackwards):
            step(program, moments[-1].state, Answer(1), moments[-1].state.at - 1)

    def test_playing_again_begins_from_nothing(self):
        program, moments, _ = play("rrrrr")
        again = start(program, 7)
        self.assertEqual(again, moments[0])
        self.assertEqual(again.state.tallies, (program.rules.first,))

    def test_a_run_has_exactly_one_player(self):
        with self.assertRaises(ValueError):
            start(build(FIVE, PACKS), 7, ("Marjory", "Ted"))


class TestDeterminism(unittest.TestCase):
    @given(st.integers(0, 10**9), st.lists(st.tuples(ACTIONS, st.integers(0, 5000)), max_size=40))
    def test_replaying_the_inputs_gives_the_same_run(self, dice, actions):
        program = build(FIVE, PACKS)
        moments, inputs, at = [start(program, dice)], [], 0
        for action, pause in actions:
            at += pause
            inputs.append(Input(action, at))
            moments.append(step(program, moments[-1].state, action, at))
        again = replay(build(FIVE, PACKS), dice, ["Player"], inputs)
        self.assertEqual(in_bytes(again), in_bytes(moments))
        self.assertEqual([hash(m.state) for m in again], [hash(m.state) for m in moments])

    def test_another_process_gives_the_same_bytes(self):
        script = (
            "import sys; from tests.core.examples import in_bytes, play;"
            "sys.stdout.buffer.write(in_bytes(play('rwrwr')[1]))"
        )
        elsewhere = [
            subprocess.run(
                [sys.executable, "-c", script],
                env={"PYTHONHASHSEED": seed},
                capture_output=True,
                check=True,
            ).stdout
            for seed in ("1", "2")
        ]
        self.assertEqual(elsewhere, [in_bytes(play("rwrwr")[1])] * 2)

    def test_turning_off_the_shuffling_of_choices_moves_no_question(self):
        shuffled, kept = (
            [q.prompt for q in draw_list(build(game, PACKS), 11).questions]
            for game in (FIVE, changed(ask=Ask(Order.WRITTEN)))
        )
        self.assertEqual(shuffled, kept)

    def test_a_question_added_to_a_pack_moves_no_others_choices(self):
        more = Pack("More", (*VEGETABLES.questions, Question("New?", ("right 0",), ("x0", "y0"))))
        everything = changed(draw=Draw(None))
        before, after = (
            {q.prompt: q.choices for q in draw_list(build(everything, {"veg": pack}), 3).questions}
            for pack in (VEGETABLES, more)
        )
        self.assertEqual(before, {prompt: after[prompt] for prompt in before})

    def test_nothing_tells_the_right_choice_before_the_answer(self):
        """With choices kept as written, a game whose right and wrong answers are exchanged
        shows a player exactly the same until they have answered."""
        kept = changed(ask=Ask(Order.WRITTEN))
        views = []
        for fields in (("one", "two"), ("two", "one")):
            questions = tuple(
                replace(q, right=fields[:1], wrong=(fields[1],)) for q in VEGETABLES.questions
            )
            program = build(kept, {"veg": Pack("Veg", questions)})
            begun = step(program, start(program, 7).state, Begin(), 0)
            shown = asdict(table(program, begun.state))
            shown["question"]["choices"] = Counter(
                choice["text"] for choice in shown["question"]["choices"]
            )
            views.append((shown, [asdict(footprint) for footprint in begun.footprints]))
        self.assertEqual(views[0], views[1])


NONE = "None of these"


class TestKinds(unittest.TestCase):
    QUESTIONS = (
        Question("Kale is a leaf", ("true",), (), Kind.TRUTH),
        Question("What do bees make?", ("Honey", "wax"), (), Kind.TYPED),
        Question("Half of five?", ("5/2",), (), Kind.NUMBER),
        Question("How heavy?", ("200",), (), Kind.NUMBER, Details(tolerance="5%", note="Heavy.")),
        Question("Say it", ("Marrow",), (), Kind.LETTERS),
        Question("Which climb?", ("Pea", "Bean"), (NONE,), details=Details(pinned=NONE)),
        Question("Carrot", ("root",), ("leaf", "fruit"), Kind.SORT),
    )

    def test_every_kind_is_asked_and_checked(self):
        game = changed(draw=Draw(None, Order.WRITTEN))
        program = build(replace(game, endings=FIVE.endings), {"veg": Pack("V", self.QUESTIONS)})
        for position, (right, wrong, unreadable) in enumerate(
            (
                ("true", "false", "perhaps"),
                ("WAX", "milk", " "),
                ("2 1/2", "2", "two"),
                ("190", "189", "heavy"),
                ("marrow", "turnip", ""),
                ("bean", "none of these", "beet"),
                ("root", "leaf", "stone"),
            )
        ):
            given = (right, wrong, unreadable)
            here = asking_at(program, 7, 0, position)
            verdicts = [check(program, here, answer).verdict for answer in given]
            with self.subTest(prompt=self.QUESTIONS[position].prompt):
                self.assertEqual(verdicts, [Verdict.RIGHT, Verdict.WRONG, Verdict.UNREADABLE])

    def test_true_stands_before_false_and_a_pinned_choice_last_whatever_the_dice(self):
        program = build(changed(draw=Draw(None, Order.WRITTEN)), {"veg": Pack("V", self.QUESTIONS)})
        for dice in range(20):
            drawn = draw_list(program, dice).questions
            self.assertEqual(drawn[0].choices, ("true", "false"))
            self.assertEqual(drawn[5].choices[2], NONE)
            self.assertEqual(drawn[5].right_letters, "AB")
            self.assertEqual((drawn[1].choices, drawn[1].answer), ((), "Honey"))

    def test_the_note_is_told_after_the_answer(self):
        packs = {"veg": Pack("V", self.QUESTIONS[3:])}
        program, moments, _ = play("", changed(draw=Draw(None, Order.WRITTEN)), packs)
        self.assertIsNone(table(program, moments[-1].state).feedback)
        answered = step(program, moments[-1].state, Answer("205"), 9000)
        feedback = table(program, answered.state).feedback
        self.assertEqual((feedback.answer, feedback.note), ("“200”", "Heavy."))
        self.assertIn("within 5% of 200", feedback.why)
