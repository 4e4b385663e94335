"""What a player has in front of them, kind by kind and phase by phase."""

import unittest
from dataclasses import replace
from itertools import product

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Check,
    Continue,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    Hint,
    Input,
    Kind,
    Letter,
    Occasion,
    Opening,
    Order,
    Pack,
    Question,
    Reveal,
    Round,
    Shows,
    Wait,
    build,
    replay,
    start,
    step,
    table,
)
from dicetrail.core.play import Bring, answered, made_ready
from tests.core.examples import PACKS
from tests.core.test_games import REST, Play, game, points

HEARD = Details(shows=Shows.SOUND, sound="q.wav")
KINDS = Pack(
    "Kinds",
    (
        Question("Which?", ("a.svg",), ("b.svg",), details=Details(shows=Shows.PICTURE)),
        Question(
            "Hear?", ("a.wav",), ("b.wav",), details=Details(shows=Shows.SOUND, sound="q.wav")
        ),
        Question("True?", ("true",), (), Kind.TRUTH, Details(picture="q.svg", note="So it is.")),
        Question("Type", ("beet",), (), Kind.TYPED, Details(hint="Red.", worth=4, level=2)),
        Question("Find", ("red beet",), (), Kind.LETTERS),
    ),
)
MEDIA = {
    "veg": {name: f"digest of {name}" for name in ("a.svg", "b.svg", "a.wav", "q.wav", "q.svg")}
}
WRITTEN = Draw(None, DrawOrder.WRITTEN)


def kinds(**rules):
    return Play(game(points(1), draw=WRITTEN, **rules), {"veg": KINDS})


class TestOwnWords(unittest.TestCase):
    def test_a_question_says_its_own_words_to_each_choice_wherever_it_stands(self):
        own = Details(when_right="Yes, in the ground.", when_wrong="Look at the leaf.")
        wrong = ("pea", "leek", "chard")
        replies = ("", "Close: that is the stalk.")
        question = Question("Root?", ("beet",), wrong, details=own, replies=replies)
        wanted = {
            "beet": own.when_right,
            "pea": own.when_wrong,
            "leek": "Close: that is the stalk.",
            "chard": own.when_wrong,
        }
        for reveal in Reveal:
            for tries in (1, 2):
                for dice in range(6):
                    for place in range(1, 5):
                        round_ = Round("", ("veg",), ask=Ask(tries=tries), after=After(reveal))
                        program = build(
                            Game("", (round_,), (Ending("Done", ""),)),
                            {"veg": Pack("Veg", (question,))},
                        )
                        moment = step(program, start(program, dice).state, Begin(), 0)
                        choice = table(program, moment.state).question.choices[place - 1].text
                        moment = step(program, moment.state, Answer(place), 1)
                        self.assertEqual(table(program, moment.state).feedback.says, wanted[choice])

    def test_a_typed_question_says_them_too_and_an_unreadable_answer_gets_none(self):
        own = Details(when_right="Well dug.", when_wrong="Not in this bed.")
        typed = Question("Type", ("beet",), (), Kind.TYPED, own)
        round_ = Round("", ("veg",), ask=Ask(tries=None), check=Check(typos=1))
        program = build(Game("", (round_,), (Ending("Done", ""),)), {"veg": Pack("V", (typed,))})
        for answer, says in (
            ("beet", "Well dug."),
            ("bete", "Well dug."),
            ("pea", "Not in this bed."),
            (" ", ""),
        ):
            moment = step(program, start(program, 1).state, Begin(), 0)
            moment = step(program, moment.state, Answer(answer), 1)
            with self.subTest(answer):
                self.assertEqual(table(program, moment.state).feedback.says, says)

    def test_the_makers_words_stand_alone_where_they_are_to_and_there_are_some(self):
        """Words of the question where the round says so, words of a cue where the cue says so."""
        for own, alone, cue_says, cue_alone in product((False, True), repeat=4):
            details = Details(when_right="Well dug.") if own else Details()
            question = Question("Root?", ("beet",), ("pea",), details=details)
            cue = Cue("Yes", (Occasion.RIGHT,), "Yes!" if cue_says else "", words_alone=cue_alone)
            silent = Cue("No", (Occasion.WRONG,), "No!", words_alone=True)
            round_ = Round("", ("veg",), after=After(own_words_alone=alone))
            made = Game("", (round_,), (Ending("Done", ""),), cues=(cue, silent))
            program = made_ready(made, {"veg": Pack("V", (question,))})
            state = step(program, start(program, 1).state, Begin(), 0).state
            right = next(
                choice.place
                for choice in table(program, state).question.choices
                if choice.text == "beet"
            )
            feedback = table(program, step(program, state, Answer(right), 1).state).feedback
            with self.subTest(own=own, alone=alone, cue_says=cue_says, cue_alone=cue_alone):
                self.assertEqual(feedback.is_own, (own and alone) or (cue_says and cue_alone))


class TestTable(unittest.TestCase):
    def shown(self, played):
        return table(played.program, played.state, MEDIA)

    def test_pictures_and_sounds_go_by_digest_and_are_never_named(self):
        played = kinds(after=After(hold_ms=0)).begin()
        question = self.shown(played).question
        self.assertEqual({choice.text for choice in question.choices}, {""})
        digests = {choice.picture for choice in question.choices}
        self.assertEqual(digests, {"digest of a.svg", "digest of b.svg"})
        self.assertNotIn("svg", self.shown(played.do(Answer("a.svg"))).feedback.why.split("“")[0])
        question = self.shown(played.answer_place(1)).question
        self.assertEqual(question.sound, "digest of q.wav")
        self.assertEqual([choice.sound for choice in question.choices].count(""), 1)
        self.assertEqual(self.shown(played.answer_place(1)).question.picture, "digest of q.svg")

    def test_each_kind_is_answered_in_its_own_way(self):
        check = Check(by_letter=False, by_place=False)
        played = kinds(after=After(hold_ms=0), check=check, ask=Ask(typing=True))
        self.assertEqual([played.begin().shown.typing], [False])
        typing = []
        played.begin()
        for _ in range(4):
            typing.append((played.shown.question.kind.value, played.shown.typing))
            if played.question.choices:
                played.answer_place(1)
            else:
                played.answer(True)
        self.assertEqual(
            typing, [("choice", False), ("choice", False), ("truth", True), ("typed", True)]
        )
        words = played.shown.question.words
        self.assertEqual([len(word) for word in words], [3, 4])
        played.do(Letter("e"))
        shown = [
            "".join(cell.character or "_" for cell in word) for word in played.shown.question.words
        ]
        self.assertEqual(shown, ["_e_", "_ee_"])

    def test_hints_are_offered_once_and_notes_come_with_the_answer(self):
        played = kinds().begin()
        for _ in range(2):
            played.answer_place(1).do(Continue())
        self.assertEqual(played.answer(True).shown.feedback.note, "So it is.")
        played.do(Continue())
        self.assertTrue(played.shown.question.may_hint)
        played.do(Hint())
        self.assertEqual(
            (played.shown.question.may_hint, played.shown.question.hint), (False, "Red.")
        )

    def test_the_right_answer_is_told_when_the_round_says(self):
        for reveal, before, after in (
            (Reveal.NEVER, "", ""),
            (Reveal.LAST_TRY, "", "B, “right 1”"),
            (Reveal.ALWAYS, "B, “right 1”", "B, “right 1”"),
        ):
            rules = {
                "ask": Ask(tries=2),
                "after": After(reveal),
                "draw": Draw(1, DrawOrder.WRITTEN),
            }
            played = Play(game(points(1), **rules), dice=1).begin().answer(False)
            with self.subTest(reveal=reveal):
                told = played.shown.feedback.answer
                self.assertEqual(bool(told), bool(before))
                told = played.answer(False).shown.feedback.answer
                self.assertEqual(bool(told), bool(after))

    def test_clocks_are_shown_with_what_is_left_of_them(self):
        clocked = replace(game(ask=Ask(seconds=10), seconds=30), seconds=60)
        played = Play(clocked).begin().do(Wait(), 4000)
        shown = [(clock.of, clock.left, clock.allowed) for clock in played.shown.clocks]
        self.assertEqual(
            shown,
            [("question", 6000, 10_000), ("round", 26_000, 30_000), ("game", 56_000, 60_000)],
        )
        self.assertTrue(played.shown.clocks_run)
        self.assertFalse(played.answer(True, 0).shown.clocks_run)

    def test_the_opening_offers_what_there_is_to_choose(self):
        many = game(draw=Draw(5, player_chooses=True), opening=Opening("Welcome, {name}."))
        offered = Play(many).shown
        self.assertEqual(offered.opening, "Welcome, Marjory.")
        self.assertEqual((offered.menu[0].most_questions, offered.menu[0].questions), (12, 5))
        self.assertEqual(Play(game()).shown.menu[0].most_questions, None)
        self.assertTrue(Play(game()).begin(questions=3).refused())
        self.assertTrue(Play(many).begin(questions=13).refused())
        self.assertEqual(Play(many).begin(questions=3).shown.length, 3)

    def test_the_verdict_has_its_places_filled_in(self):
        ended = Play(game(points(2), (replace(REST, verdict="{name}: {score}, {odd}"),))).begin()
        self.assertEqual(ended.play("rrrrw").shown.ending.verdict, "Marjory: 8, {odd}")


class TestBringing(unittest.TestCase):
    def test_a_question_brought_comes_next_in_place_of_the_one_dealt(self):
        played = Play(game(points(1))).do(Bring("veg", 11), 0).begin()
        self.assertEqual(played.question.prompt, "Which one is number 12?")
        dealt = Play(game(points(1))).begin().play("r")
        played.do(Bring("veg", 2)).do(Bring("veg", 3)).play("r")
        self.assertEqual(played.question.prompt, "Which one is number 4?")
        played.play("r")
        dealt.play("r")
        self.assertEqual(played.question.prompt, dealt.question.prompt, "the rest is as dealt")
        self.assertTrue(played.do(Bring("veg", 99)).refused())
        self.assertTrue(played.do(Bring("gone", 0)).refused())

    def test_a_question_brought_has_choices_of_its_own_and_is_checked_by_them(self):
        for number in range(12):
            played = (
                Play(game(points(1)), PACKS).begin().do(Bring("veg", number)).play("r").play("r")
            )
            self.assertEqual(played.count(), 2)


class TestRounds(unittest.TestCase):
    def test_the_title_of_a_round_stands_only_where_there_are_several(self):
        self.assertEqual(Play(game()).begin().shown.round, "")
        two = tuple(Round(title, ("veg",), draw=Draw(1)) for title in ("First", "Second"))
        played = Play(game(rounds=two)).begin()
        self.assertEqual(played.shown.round, "First")
        self.assertEqual(played.play("r").shown.round, "Second")
        self.assertEqual(played.do(Begin()).refused(), True)


class TestLookingBack(unittest.TestCase):
    def test_the_right_picture_is_told_afterwards_only_where_the_round_tells_the_answer(self):
        details = Details(shows=Shows.PICTURE)
        asked = Question("Which is a leaf?", ("leaf.png",), ("root.png",), details=details)
        ask = Ask(choice_order=Order.WRITTEN)
        for reveal in Reveal:
            round_ = Round("R", ("p",), ask=ask, after=After(reveal))
            game = Game("G", (round_,), (Ending("E", ""),))
            program = made_ready(game, {"p": Pack("P", (asked,))})
            inputs = (Input(Begin(), 0), Input(Answer(2), 1), Input(Continue(), 2))
            (told,) = answered(replay(program, 7, ("Ash",), inputs))
            is_told = reveal is not Reveal.NEVER
            self.assertEqual(told.pictures.given, ("root.png",), reveal)
            self.assertEqual(told.pictures.right, ("leaf.png",) if is_told else (), reveal)
            self.assertEqual(bool(told.right), is_told, reveal)
