"""Cues: when they are played, how long they hold, what is heard, seen and read out."""

import unittest
from collections import Counter
from dataclasses import replace
from typing import ClassVar

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
    Ending,
    Kind,
    Occasion,
    Opening,
    Pack,
    Phase,
    Question,
    Reveal,
    Sound,
    Wait,
    build,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.document import Effect, Note
from dicetrail.core.document.sounds import SHIPPED, semitones, sound_named, sounds_of
from dicetrail.core.play import action_for, answered, cues_heard, made_ready, presented_question
from dicetrail.core.play.outcomes import progress_of
from dicetrail.core.rules import ClockReading, Happening, branches, settle
from dicetrail.core.workbench import CUE_SHEETS
from tests.core.examples import FIVE, PACKS, answer_for, changed, play, points


def cued(*cues, **rules):
    return replace(changed(**rules) if rules else FIVE, cues=cues)


def heard(moment, program):
    return [cue.name for cue in table(program, moment.state).cues]


class TestOccasions(unittest.TestCase):
    def test_a_streak_is_cued_each_time_it_is_whole_again_and_a_mistake_ends_it(self):
        game = cued(Cue("two", (Occasion.STREAK,), "{streak} in a row", streak=2))
        program, moments, _ = play("rrrwr", replace(game, script=points(1, 0)))
        after_answers = [heard(moment, program) for moment in moments[2::2]]
        self.assertEqual(after_answers, [[], ["two"], [], [], []])
        program, moments, _ = play("rrrrr", game)
        said = [table(program, moment.state).told for moment in moments[2::2]]
        self.assertEqual(said, [(), ("2 in a row",), (), ("4 in a row",), ()])

    def test_each_ending_has_its_own_cue_after_the_one_of_every_ending(self):
        endings = (Ending("Good", "", 3, cue="fanfare"), Ending("Rest", "", cue="sigh"))
        names = Cue("any", (Occasion.ENDING,)), Cue("fanfare"), Cue("sigh")
        game = replace(FIVE, endings=endings, cues=names)
        for outcomes, expected in (("rrrrr", "fanfare"), ("wwwww", "sigh")):
            program, moments, _ = play(outcomes, game)
            self.assertEqual(heard(moments[-1], program), ["any", expected])
        self.assertEqual(survey(game, PACKS), ())

    def test_a_best_score_is_cued_only_if_it_beats_the_one_before(self):
        game = cued(Cue("best", (Occasion.BEST,), "{score}!"))
        program, _, inputs = play("rrrww", game)
        for best, is_told in ((None, True), (2, True), (2.5, True), (3, False), (9, False)):
            with self.subTest(best=best):
                end = replay(program, 7, ("Player",), inputs, best=best)[-1]
                self.assertEqual(table(program, end.state).told, ("3!",) * is_told)
        program, moments, _ = play("wwwww", game)
        self.assertEqual(heard(moments[-1], program), [], "no points are no best score")

    def test_a_tick_is_the_pages_to_play_and_never_holds_or_speaks(self):
        tick = Cue("drip", (Occasion.TICK,), sound="drip", hold_ms=9000, last_seconds=4)
        game = cued(tick, ask=Ask(seconds=9), after=After(hold_ms=0))
        program = build(game, PACKS)
        moment = step(program, start(program, 7).state, Begin(), 0)
        (shown,) = table(program, moment.state).ticks
        self.assertEqual((shown.last_seconds, shown.cue.sound), (4, "drip"))
        late = step(program, moment.state, Wait(), 9000)
        self.assertEqual(table(program, late.state).question.number, 2)
        self.assertEqual(heard(late, program), [])

    def test_what_was_heard_is_told_until_the_player_does_something(self):
        sounds = Cue("yes", (Occasion.RIGHT,)), Cue("next", (Occasion.SHOWN,))
        program = build(cued(*sounds, after=After(hold_ms=500)), PACKS)
        asked = step(program, start(program, 7).state, Begin(), 0)
        right = step(program, asked.state, answer_for(program, asked, True), 1000)
        self.assertEqual(heard(right, program), ["yes"])
        later = step(program, right.state, Wait(), 2000)
        told = [(cue.name, cue.at) for cue in table(program, later.state).cues]
        self.assertEqual(told, [("yes", 1000), ("next", 1500)])
        again = step(program, later.state, answer_for(program, later, False), 2500)
        self.assertEqual(heard(again, program), [])


class TestWhatIsHeard(unittest.TestCase):
    """Which cues something that happens to a question plays: by the words of each occasion."""

    RULES = (
        "lives = 3\ntried = 0\ndef right():\n    lives += 1\n    cue('ruled')\n"
        "def wrong():\n    lives -= 1\ndef letter_hit():\n    lives -= 1\n    cue('ruled')\n"
    )
    OF_ANSWERS: ClassVar = {
        Happening.RIGHT: ["press", "ruled", "life won", "right"],
        Happening.CLOSE: ["press", "ruled", "life won", "close"],
        Happening.WRONG: ["press", "life lost", "wrong"],
        Happening.LATE: ["life lost", "late"],  # without a handler of its own, wrong's runs
        Happening.PASSED: ["passed"],
        Happening.HINT: ["hint"],
    }
    OF_LETTERS: ClassVar = {
        Happening.HIT: ["press", "ruled", "life lost", "letter hit"],
        Happening.MISS: ["press", "letter miss"],
    }

    def test_each_occasion_is_heard_in_a_run_and_by_those_who_foresee_it(self):
        hint = Details(hint="It grows.")
        typed = Question("?", ("marrow",), (), Kind.TYPED, hint)
        spelled = Question("?", ("be",), (), Kind.LETTERS, hint)
        ask = Ask(tries=2, misses=2, seconds=9, hints=True, passing=True)
        cues = (Cue("ruled"), *(Cue(str(one), (one,), streak=2) for one in Occasion))
        made = replace(
            changed(ask=ask, check=Check(typos=1), draw=Draw(2)), script=self.RULES, cues=cues
        )
        for question, expected in ((typed, self.OF_ANSWERS), (spelled, self.OF_LETTERS)):
            program = made_ready(made, {"veg": Pack("P", (question,) * 2)})
            state = step(program, start(program, 7).state, Begin(), 0).state
            for happening, names in expected.items():
                with self.subTest(kind=question.kind, happening=happening):
                    self.assert_heard(program, state, happening, names)
            if question is spelled:  # the last letter, and the last miss
                whole = [*self.OF_LETTERS[Happening.HIT], "ruled", "life won", "right"]
                missed = [*self.OF_LETTERS[Happening.MISS], "life lost", "wrong"]
                for happening, names in ((Happening.HIT, whole), (Happening.MISS, missed)):
                    action = action_for(presented_question(program, state), state, happening)
                    then = step(program, state, action, 0).state
                    with self.subTest(last=happening):
                        self.assert_heard(program, then, happening, names)
            else:  # the second right answer in a row
                then = step(program, state, Answer("marrow"), 0).state
                then = step(program, then, Continue(), 0).state
                names = [*self.OF_ANSWERS[Happening.RIGHT], "streak"]
                self.assert_heard(program, then, Happening.RIGHT, names)

    def assert_heard(self, program, state, happening, names):
        presented = presented_question(program, state)
        at = 9000 if happening is Happening.LATE else 0
        then = step(program, state, action_for(presented, state, happening), at).state
        # Time alone lets what was heard before stand.
        before = state.heard if happening is Happening.LATE else ()
        self.assertEqual(
            Counter(one.cue for one in then.heard),
            Counter([*names, *(one.cue for one in before)]),
        )

        def falls(tally, outcome):
            yield 1.0, settle(program.rules, tally, outcome)

        base = presented.asked.when_asked(0, state.round.position, 0, False)
        (branch,) = branches(
            falls,
            base,
            presented.terms,
            state.tally,
            progress_of(presented, state),
            happening,
            ClockReading(),
        )
        foreseen = cues_heard(program, state.tally, happening, branch)
        self.assertEqual(Counter(cue.name for cue in foreseen), Counter(names))


class TestHolds(unittest.TestCase):
    def test_a_cue_holds_until_the_player_goes_on_whatever_else_would_hold(self):
        waits = Cue("look", (Occasion.RIGHT,), until_continue=True)
        short = Cue("short", (Occasion.RIGHT,), hold_ms=100)
        program = build(cued(waits, short, after=After(hold_ms=0)), PACKS)
        asked = step(program, start(program, 7).state, Begin(), 0)
        right = step(program, asked.state, answer_for(program, asked, True), 1000)
        still = step(program, right.state, Wait(), 900_000)
        self.assertEqual(table(program, still.state).phase, "holding")
        on = step(program, still.state, Continue(), 900_001)
        self.assertEqual(table(program, on.state).question.number, 2)


class TestWhatWasAnswered(unittest.TestCase):
    def test_every_question_done_with_is_told_with_both_answers_and_the_note(self):
        noted = Pack(
            "Veg",
            tuple(replace(q, details=Details(note="so")) for q in PACKS["veg"].questions),
        )
        _, moments, _ = play("rwrwr", packs={"veg": noted})
        told = answered(moments)
        self.assertEqual([one.result for one in told], ["right", "wrong"] * 2 + ["right"])
        for one in told:
            self.assertEqual(one.given == one.right, one.result == "right")
            self.assertEqual((one.note, one.player), ("so", 0))

    def test_tries_before_the_last_are_left_out_and_what_is_never_told_stays_untold(self):
        game = changed(ask=Ask(tries=2), after=After(Reveal.NEVER))
        program = build(game, PACKS)
        moments = [start(program, 7)]
        moments.append(step(program, moments[-1].state, Begin(), 0))
        for at in (1, 2):
            wrong = answer_for(program, moments[-1], False)
            moments.append(step(program, moments[-1].state, wrong, at))
        (one,) = answered(moments)
        self.assertEqual((one.result, one.right, one.note), ("wrong", "", ""))


class TestNarration(unittest.TestCase):
    def test_recorded_files_come_before_voices_and_nothing_is_read_unless_wanted(self):
        spoken = Details(narration="q.wav")
        veg = Pack("V", (replace(PACKS["veg"].questions[0], details=spoken),))
        for reads, media, expected in (
            (False, {}, None),
            (False, {"veg": {"q.wav": "abc"}}, ("", "abc")),
            (True, {"veg": {"q.wav": "abc"}}, ("Which one is number 1?", "abc")),
        ):
            with self.subTest(reads=reads, media=media):
                program = build(changed(ask=Ask(reads_aloud=reads)), {"veg": veg})
                asked = step(program, start(program, 7).state, Begin(), 0)
                told = table(program, asked.state, media).narration
                found = told and (told.text[:22], told.recorded)
                self.assertEqual(found, expected)
                done = step(program, asked.state, Answer(1), 1)
                self.assertIs(done.state.phase, Phase.HOLDING)
                self.assertIsNone(table(program, done.state, media).narration)

    def test_the_opening_is_read_before_the_run_begins_and_not_after(self):
        opening = Opening("Hello {name}.", reads_aloud=True)
        program = build(replace(FIVE, opening=opening), PACKS)
        opened = start(program, 7, ("Ada",))
        self.assertEqual(table(program, opened.state).narration.text, "Five. Hello Ada.")
        begun = step(program, opened.state, Begin(), 0)
        self.assertIsNone(table(program, begun.state).narration)


class TestSounds(unittest.TestCase):
    def test_pitches_are_read_from_c2_to_c8(self):
        known = {"A4": 0, "C4": -9, "C2": -33, "C8": 39, "Bb3": -11, "A#3": -11, "B♭3": -11}
        for pitch, steps in known.items():
            self.assertEqual(semitones(pitch), steps, pitch)
        for pitch in ("", "H4", "A", "A9", "Cb2", "C#8", "a4", "A4.", "4A"):
            with self.subTest(pitch=pitch), self.assertRaises(ValueError):
                semitones(pitch)

    def test_a_games_own_sound_is_found_and_only_sounds_in_use_are_listed(self):
        own = Sound("mine")
        cues = Cue("a", (Occasion.RIGHT,), sound="mine"), Cue("b", sound="drip"), Cue("c")
        game = replace(FIVE, cues=cues, sounds=(own, Sound("unused")))
        self.assertEqual(sounds_of(game), ("mine", "drip"))
        self.assertIs(sound_named(game, "mine"), own)
        self.assertIn(sound_named(game, "drip"), SHIPPED)
        self.assertIsNone(sound_named(game, "nothing"))

    def test_what_is_wrong_with_cues_and_sounds_is_told_at_its_place(self):
        right = (Occasion.RIGHT,)
        many = (Note(ms=2000),) * 11
        for game, where, words in (
            (cued(Cue("a", right, sound="gone")), "cues[0].sound", "no sound “gone”"),
            (cued(Cue("a", right, streak=1)), "cues[0].streak", "out of range"),
            (cued(Cue("a", right, last_seconds=61)), "cues[0].last_seconds", "out of range"),
            (cued(Cue("a", (Occasion.TICK,), "hm")), "cues[0].words", "says no words"),
            (replace(FIVE, sounds=(Sound("drip"),)), "sounds[0].name", "for every game"),
            (replace(FIVE, sounds=(Sound("a"), Sound("a"))), "sounds[0].name", "twice"),
            (replace(FIVE, sounds=(Sound("a", ()),)), "sounds[0].notes", "0 notes"),
            (replace(FIVE, sounds=(Sound("a", many),)), "sounds[0].notes", "22 seconds long"),
            (replace(FIVE, sounds=(Sound("a", (Note("X"),)),)), "sounds[0].notes[0].pitch", "X"),
            (replace(FIVE, sounds=(Sound("a", loudness=101),)), "sounds[0].loudness", "range"),
            (replace(FIVE, opening=Opening(narration="a")), "opening.narration", "no sound"),
            (replace(FIVE, endings=(Ending("E", "", cue="c"),)), "endings[0].cue", "no cue “c”"),
        ):
            with self.subTest(where=where, words=words):
                found = [problem for problem in survey(game, PACKS) if problem.where == where]
                self.assertTrue(any(words in problem.what for problem in found), found)
        sound = replace(FIVE, cues=(Cue("a", right, effect=Effect.FACE, sound="drip"),))
        self.assertEqual(survey(sound, PACKS), ())


class TestReadySheets(unittest.TestCase):
    def test_every_ready_sheet_of_cues_is_without_fault(self):
        shipped = {sound.name for sound in SHIPPED}
        for sheet in CUE_SHEETS:
            with self.subTest(sheet=sheet.name):
                self.assertEqual(survey(replace(FIVE, cues=sheet.cues), PACKS), ())
            for cue in sheet.cues:
                self.assertIn(cue.sound, shipped | {""})
