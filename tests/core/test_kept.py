"""Kept runs: what held holds, and what changed is told where it first differs."""

import random
import unittest
from dataclasses import replace
from itertools import combinations

from dicetrail.core import (
    Ask,
    Cue,
    Details,
    Draw,
    Ending,
    Game,
    Kind,
    Occasion,
    Pack,
    Question,
    Round,
    build,
)
from dicetrail.core.foresight import (
    KeptRun,
    Seen,
    compared,
    kept_run,
    knobs_of,
    played_again,
    ready_runs,
    turned,
    values_around,
    walked,
)
from dicetrail.core.play import Answer, Begin, Continue, Input, Stop, Wait, made_ready, replay
from tests.core.test_course import ready
from tests.core.test_foresight import scouts_for

PACK = Pack("P", tuple(Question(f"{n}?", ("yes",), ("no", "never")) for n in range(4)))
GAME = Game(
    "G",
    (Round("R", ("p",), draw=Draw(4), ask=Ask(seconds=20)),),
    (Ending("Well", "", 3), Ending("Rest", "")),
)


def made(game=GAME):
    return made_ready(game, {"p": PACK})


def unlined(steps):
    """Steps without the lines of the script that they tell."""
    return [[replace(one, lines=()) for one in footprints] for footprints in steps]


class TestKeptRuns(unittest.TestCase):
    def test_a_comment_or_a_line_moved_in_the_script_changes_nothing(self):
        script = "score = 0\nbonus = 2\n\ndef right():\n    score += 1\n    score //= streak - 2\n"
        for changed in (
            "# points\n" + script,
            script.replace("def right():", "# when it is right\n\ndef right():"),
            "bonus = 2\nscore = 0\n\n\n\n" + script.split("\n\n")[1],
        ):
            for kept in ready_runs(made(replace(GAME, script=script))):
                told = played_again(made(replace(GAME, script=changed)), kept)
                self.assertTrue(told.holds, told.what)

    def test_a_run_holds_until_a_footprint_differs(self):
        """Over random games and every number of theirs that can be turned: a run is told to hold
        exactly where its footprints are what they were, else up to the first that is not."""
        held = differed = 0
        for seed in range(25):
            chances = random.Random(seed)
            program, packs = ready(chances)
            program = replace(program, recall={})
            scouts = scouts_for(program, chances)
            walk = list(walked(program, scouts, seed))
            inputs = [given for _, given in walk if given is not None][:60]
            names = walk[0][0].players
            kept = kept_run(program, "a run", seed, inputs, names, minds=())
            self.assertTrue(played_again(program, kept).holds)
            for knob in knobs_of(program.game, False)[:6]:
                value = chances.choice(values_around(knob))
                try:
                    other = made_ready(turned(program.game, knob.key, value), packs, recall={})
                except ValueError:
                    continue
                now = tuple(moment.footprints for moment in replay(other, seed, names, inputs))
                told = played_again(other, kept)
                self.assertEqual(told.holds, unlined(now) == unlined(kept.steps))
                held, differed = held + told.holds, differed + (not told.holds)
                if told.holds:
                    continue
                self.assertEqual(unlined(now[: told.step]), unlined(kept.steps[: told.step]))
                before, after = kept.steps[told.step], told.steps[told.step]
                self.assertEqual(*(unlined([steps[: told.place]]) for steps in (before, after)))
                self.assertNotEqual(before[told.place :][:1], after[told.place :][:1])
                self.assertTrue(told.what)
        self.assertGreater(held, 20)
        self.assertGreater(differed, 20)

    def test_the_first_difference_is_told_in_words_and_at_its_stop(self):
        program = made()
        kept = next(ready_runs(program))
        generous = replace(GAME, script=GAME.script.replace("score += 1", "score += 2"))
        told = played_again(made(generous), kept)
        self.assertEqual((told.holds, told.stop), (False, Stop.SCORE))
        self.assertIn("score 0 → 1", told.what)
        self.assertIn("score 0 → 2", told.what)
        shorter = replace(GAME, rounds=(replace(GAME.rounds[0], ask=Ask(seconds=10)),))
        self.assertFalse(played_again(made(shorter), kept).holds)

    def test_every_word_that_is_minded_holds_and_each_difference_is_told_with_both_texts(self):
        """Over the product of what can be said otherwise and of what is minded."""
        question = Question(
            "0?", ("yes",), ("no",), details=Details(note="Dig.", when_right="Fine!")
        )
        cues = (Cue("dug", (Occasion.RIGHT,), words="You dug."),)
        script = "score = 0\nlives = 3\ndef right():\n    score += 1\n"
        pack = Pack("P", (question,))
        game = replace(GAME, cues=cues, script=script, endings=(Ending("Rest", "Good."),))

        def made_of(game, question=question):
            return made_ready(game, {"p": replace(pack, questions=(question,))}, recall={})

        def noted(**said):
            return made_of(game, replace(question, details=replace(question.details, **said)))

        changed = {
            Seen.COUNTERS: (made_of(replace(game, script=script.replace("3", "4"))), "lives 4"),
            Seen.VERDICT: (noted(when_right="Well!"), "Well!"),
            Seen.NOTE: (noted(note="Rake."), "Rake."),
            Seen.CUE: (made_of(replace(game, cues=(replace(cues[0], words="Dug!"),))), "Dug!"),
            Seen.ENDING: (made_of(replace(game, endings=(Ending("Rest", "Nice."),))), "Nice."),
        }
        inputs = [Input(Begin(), 0), Input(Answer("yes"), 900), Input(Continue(), 1800)]
        for minds in (subset for n in range(6) for subset in combinations(Seen, n)):
            kept = kept_run(made_of(game), "a run", 3, inputs, minds=minds)
            self.assertTrue(played_again(made_of(game), kept).holds)
            for seen, (program, now) in changed.items():
                told = played_again(program, kept)
                footprints = compared(kept.steps, kept_run(program, "", 3, inputs).steps)
                self.assertEqual(told.holds, footprints.holds and seen not in minds, told.what)
                self.assertEqual({one.seen for one in told.said}, {seen} & {*minds}, told.said)
                for one in told.said:
                    self.assertIn(now, one.now)
                    self.assertNotIn(now, one.was)
                    self.assertTrue(one.was in one.words and one.now in one.words)

    def test_fewer_players_than_a_kept_run_needs_is_a_difference(self):
        two = replace(GAME, opening=replace(GAME.opening, most_players=2))
        kept = kept_run(made(two), "both", 3, [Input(Begin(), 0)], ("A", "B"))
        told = played_again(made(), kept)
        self.assertEqual((told.holds, told.stop), (False, Stop.OPEN))

    def test_ready_runs_are_all_right_wrong_late_in_turns_and_each_ending(self):
        names = [run.name for run in ready_runs(made())]
        self.assertEqual(
            names,
            [
                "all right",
                "all wrong",
                "all late",
                "right and wrong in turns",
                "ends as “Well”",
                "ends as “Rest”",
            ],
        )
        for run, score in zip(ready_runs(made()), (4, 0, 0, 2), strict=False):
            moments = replay(made(), run.dice, run.players, run.inputs)
            self.assertEqual(made().rules.score(moments[-1].state.tallies[0]), score)
        untimed = replace(GAME, rounds=(replace(GAME.rounds[0], ask=Ask()),))
        self.assertNotIn("all late", [run.name for run in ready_runs(made(untimed))])

    def test_a_run_that_ends_sooner_or_goes_on_differs(self):
        program = made()
        inputs = [Input(Begin(), 0), Input(Answer(1), 500), Input(Continue(), 900)]
        short, long = (kept_run(program, "x", 1, inputs[:n]) for n in (2, 3))
        self.assertFalse(compared(short.steps, long.steps).holds)
        self.assertFalse(compared(long.steps, short.steps).holds)
        idle = kept_run(program, "x", 1, [*inputs[:2], Input(Wait(), 600)])
        self.assertIsInstance(idle, KeptRun)
        self.assertFalse(compared(short.steps, idle.steps).holds)

    def test_typed_answers_and_pictures_keep_as_they_were(self):
        pack = Pack("P", (Question("Crisp?", ("pickle",), kind=Kind.TYPED),))
        program = build(replace(GAME, rounds=(Round("R", ("p",)),)), {"p": pack})
        kept = kept_run(program, "typed", 1, [Input(Begin(), 0), Input(Answer("Pickel"), 900)])
        more = Pack("P", (Question("Crisp?", ("pickle", "pickel"), kind=Kind.TYPED),))
        told = played_again(build(program.game, {"p": more}), kept)
        self.assertEqual((told.holds, told.stop, told.step), (False, Stop.CHECK, 2))

    def test_packs_by_other_names_bring_the_same_run(self):
        """Over random games: one whose packs are called otherwise, as where it is taken to, plays
        the same footprints, again and again renamed; and back under the old names too."""
        for seed in range(20):
            chances = random.Random(seed)
            program, packs = ready(chances)
            program = replace(program, recall={})
            walk = list(walked(program, scouts_for(program, chances), seed))
            inputs = [given for _, given in walk if given is not None][:60]
            kept = kept_run(program, "a run", seed, inputs, walk[0][0].players)
            game, held = program.game, dict(packs)
            for step in (" there", " and on"):
                names = {name: f"{name}{step}" for name in held}
                game = game.with_packs(names)
                held = {names[name]: pack for name, pack in held.items()}
                kept = kept.with_packs(names)
                self.assertTrue(played_again(made_ready(game, held, {}), kept).holds)
            back = {name: name.removesuffix(" there and on") for name in held}
            self.assertEqual(game.with_packs(back), program.game)
