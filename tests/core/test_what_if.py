"""What a forecast finds wrong, numbers that are turned, and runs that show an ending."""

import random
import unittest
from collections import Counter
from dataclasses import replace
from itertools import product

from dicetrail.core import (
    After,
    Ask,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Kind,
    Moves,
    Opening,
    Pack,
    Question,
    Refill,
    Round,
    To,
    Way,
    build,
    replay,
    survey,
)
from dicetrail.core.document import Reveal, RoundOrder
from dicetrail.core.foresight import (
    SCOUTS,
    Turned,
    forecast,
    forecast_warnings,
    knobs_of,
    nearest,
    turned,
    values_around,
    witnesses,
)
from dicetrail.core.play import made_ready
from dicetrail.core.survey.reach import reach
from tests.core.test_course import ready
from tests.exhaustive import exhaustive

PACK = Pack("P", tuple(Question(f"{n}?", ("a",), ("b", "c")) for n in range(12)))
IDLE = Pack("I", tuple(replace(one, details=Details(worth=0)) for one in PACK.questions))
ONE_POINT = "score = 0\ndef right():\n    score += 1\n"
REST = Ending("Rest", "")


def game_of(*endings, script=ONE_POINT, rounds=None, **settings):
    rounds = rounds or (Round("R", ("p",), **settings),)
    return Game("G", rounds, endings or (REST,), script)


def told_of(game):
    """What is foreseen of a game, by place."""
    return {
        (one.where, one.what): one.mend
        for one in forecast_warnings(build(game, {"p": PACK, "idle": IDLE}))
    }


class TestForeseen(unittest.TestCase):
    def assert_told(self, game, where, *words):
        told = told_of(game)
        found = [key for key in told if key[0] == where and all(word in key[1] for word in words)]
        self.assertTrue(found, told)
        return told[found[0]]

    def test_a_game_with_nothing_to_tell_is_left_in_peace(self):
        self.assertEqual(told_of(game_of(Ending("Well", "", 9), REST)), {})

    def test_an_ending_that_nobody_comes_to(self):
        lucky = "score = 0\ndef right():\n    if roll(1000) == 1:\n        score += 1\n"
        game = game_of(Ending("Marvel", "", 3), REST, script=lucky, draw=Draw(4))
        self.assert_told(game, "endings[0]", "fewer than one", "Marvel")

    def test_points_that_can_only_rise(self):
        game = game_of(Ending("Won", "", 5), Ending("Lost", "", None, -1), REST)
        mend = self.assert_told(game, "endings[1]", "only rise from 0", "fewer than 0", "Lost")
        self.assertIn("take points", mend)

    def test_guessers_who_never_end_and_marks_that_guessing_reaches(self):
        ends = (Ending("Home", "", when="streak == 25", at_once=True), REST)
        endless = game_of(*ends, draw=Draw(None, refill=Refill.WHEN_EMPTY), script="score = 0\n")
        self.assert_told(endless, "endings", "100% of those who guess never come to an end")
        game = game_of(Ending("Pass", "", 3), REST)
        mend = self.assert_told(game, "endings[0].at_least", "guessing alone is enough", "70%")
        marked = replace(game, endings=(Ending("Pass", "", int(mend.split()[2])), REST))
        self.assertEqual(told_of(marked), {})
        lower = replace(game, endings=(Ending("Pass", "", int(mend.split()[2]) - 1), REST))
        self.assert_told(lower, "endings[0].at_least", "guessing alone is enough")

    def test_a_player_who_does_nothing_and_never_leaves(self):
        moves = Moves(timeout=Way(To.AGAIN))
        stuck = game_of(ask=Ask(seconds=5), moves=moves, after=After(Reveal.NEVER))
        self.assert_told(stuck, "rounds[0].moves.timeout", "never leaves “R”", "59 times")
        script = "lives = 3\ndef timeout():\n    lives -= 1\n"
        lost = Ending("Lost", "", None, 0, "lives", at_once=True)
        cost = game_of(lost, REST, script=script, ask=Ask(seconds=5), moves=moves)
        self.assertNotIn("rounds[0].moves.timeout", {where for where, _ in told_of(cost)})

    def test_a_right_answer_that_is_told_and_asked_for_again(self):
        game = game_of(moves=Moves(wrong=Way(To.AGAIN)))
        self.assert_told(game, "rounds[0].after.reveal", "tells the right answer and then asks")
        always = game_of(ask=Ask(tries=3), after=After(Reveal.ALWAYS))
        self.assert_told(always, "rounds[0].after.reveal", "while tries are left")

    def test_a_round_of_a_menu_on_which_nothing_hangs(self):
        script = "score = 0\ndef right():\n    score += worth\n"
        rounds = (Round("Needed", ("p",), draw=Draw(3)), Round("Idle", ("idle",), draw=Draw(3)))
        game = game_of(Ending("Well", "", 3), REST, script=script, rounds=rounds)
        game = replace(game, opening=Opening(rounds=RoundOrder.CHOOSE_EACH))
        self.assert_told(game, "rounds[1]", "nobody needs “Idle”")
        self.assertNotIn("rounds[0]", {where for where, _ in told_of(game)})


class TestKnobs(unittest.TestCase):
    @exhaustive
    def test_every_value_of_every_knob_is_a_game_that_differs_there_alone(self):
        """A law over random games: set as it is, nothing changes; set and set back, too."""
        turned_about = 0
        for seed in range(60):
            game = ready(random.Random(seed))[0].game
            for knob in knobs_of(game):
                self.assertEqual(turned(game, knob.key, knob.value), game)
                for value in values_around(knob):
                    other = turned(game, knob.key, value)
                    again = {one.key: one for one in knobs_of(other)}
                    if knob.key.startswith("script"):
                        # A number with more digits moves what stands behind it.
                        self.assertEqual(replace(other, script=""), replace(game, script=""))
                    else:
                        self.assertEqual(again[knob.key].value, value)
                        back = {
                            one.key: one for one in knobs_of(turned(other, knob.key, knob.value))
                        }
                        self.assertEqual(back[knob.key], knob)
                    turned_about += 1
                with self.assertRaises(ValueError):
                    turned(game, knob.key, knob.most + 1)
        self.assertGreater(turned_about, 2000)
        with self.assertRaises(KeyError):
            turned(game, "endings[9].at_least", 1)

    def test_a_bound_takes_its_neighbour_along_so_that_no_gap_opens(self):
        game = game_of(Ending("A", "", 8), Ending("B", "", 4, 7), Ending("C", "", None, 3))
        for key, value in (("endings[0].at_least", 10), ("endings[2].at_most", 1)):
            found = turned(game, key, value)
            self.assertFalse(
                [one for one in survey(found, {"p": PACK}) if "no ending fits" in one.what]
            )

    def test_the_nearest_is_found_and_more_lives_never_make_it_harder(self):
        script = "lives = 2\n" + ONE_POINT + "def wrong():\n    lives -= 1\n"
        lost = Ending("Lost", "", None, 0, "lives", at_once=True)
        game = game_of(lost, REST, script=script)
        (knob,) = [one for one in knobs_of(game) if one.label == "lives at the start"]
        found = [
            Turned(
                value, forecast(made_ready(turned(game, knob.key, value), {"p": PACK}), SCOUTS[1])
            )
            for value in values_around(knob)
        ]
        shares = [one.forecast.endings[1].share.share for one in found]
        self.assertEqual(shares, sorted(shares))
        best = nearest(found, 1, 0.5)
        self.assertEqual(
            abs(best.forecast.endings[1].share.share - 0.5),
            min(abs(share - 0.5) for share in shares),
        )


_WHAT = ("right", "close", "wrong", "timeout", "passed", "hinted", "letter_hit", "letter_miss")


def _can(what, kind, lets, times):
    """Whether it can happen so often to one question that takes three answers, or twelve misses."""
    match what:
        case "right":
            return times == 1
        case "wrong":
            return True
        case "close":
            return lets and kind in (Kind.TYPED, Kind.CHOICE) and times == 1
        case "letter_hit" | "letter_miss":
            return kind is Kind.LETTERS
    return lets and times == 1


class TestWitnesses(unittest.TestCase):
    def test_every_witness_leads_where_it_says_and_what_has_none_is_not_reached(self):
        shown = 0
        for seed in range(40):
            program, packs = ready(random.Random(seed))
            reached = reach(program.game, program.rules, packs)
            found = witnesses(program, reached, steps=600)
            for number, witness in enumerate(found.endings):
                if witness is None:
                    self.assertTrue(found.why[number])
                    continue
                shown += 1
                state = replay(program, witness.dice, witness.players, witness.inputs)[-1].state
                self.assertEqual((state.ending, found.why[number]), (number, ""))
                if reached.is_whole:
                    self.assertIn(number, {final.ending for final in reached.finals})
        self.assertGreater(shown, 40)

    @exhaustive
    def test_what_can_happen_to_a_question_is_found_by_survey_witness_and_forecast_alike(self):
        """Over every kind of question, everything that can happen to it, and every setting that
        lets it: what can be is written here once more, from what the help says of each."""
        hint = Details(hint="It grows.")
        asked = {
            Kind.TYPED: Question("?", ("marrow",), (), Kind.TYPED, hint),
            Kind.NUMBER: Question("?", ("12",), (), Kind.NUMBER, hint),
            Kind.CHOICE: Question("?", ("marrow",), ("leek", "pea"), details=hint),
            Kind.LETTERS: Question("?", ("bee",), (), Kind.LETTERS, hint),
        }
        scout = replace(SCOUTS[2], close=30, passes=20, hints=50, median_ms=4000, letter_ms=4000)
        count = Counter()
        for (kind, question), what, (lets, times) in product(
            asked.items(), _WHAT, product((False, True), (1, 2))
        ):
            happens = f"def {what}():\n    times += 1\n"
            if what == "close":
                happens = 'def right():\n    if verdict == "close":\n        times += 1\n'
            ask = Ask(tries=3, misses=12, hints=lets, passing=lets, seconds=8 if lets else None)
            check = Check(typos=int(lets))
            round_ = Round("R", ("p",), draw=Draw(1), ask=ask, check=check)
            ends = (Ending("So", "", times, counts="times"), REST)
            game = Game("G", (round_,), ends, f"score = 0\ntimes = 0\n{happens}")
            packs = {"p": Pack("P", (question,))}
            program = made_ready(game, packs)
            can = _can(what, kind, lets, times)
            with self.subTest(kind=kind, what=what, lets=lets, times=times):
                reached = reach(game, program.rules, packs)
                self.assertTrue(reached.is_whole)
                self.assertEqual(0 in {final.ending for final in reached.finals}, can)
                found = witnesses(program, reached, steps=800)
                self.assertEqual(found.endings[0] is not None, can)
                foretold = forecast(program, scout).endings[0].share.share
                # Scouts pick choices, and give a word letter by letter: its last miss is wrong.
                never = (Kind.CHOICE, "close", 1), (Kind.LETTERS, "wrong", 2)
                self.assertEqual(foretold > 0, can and (kind, what, times) not in never)
            count[can] += 1
        self.assertGreater(min(count.values()), 30, count)

    def test_the_shortest_comes_first_and_why_there_is_none_is_told(self):
        script = "score = 0\ndef right():\n    score += 2\ndef wrong():\n    finish('Out')\n"
        ends = (Ending("Top", "", 8), Ending("Odd", "", 3, 3), Ending("Out", ""))
        game = game_of(*ends, script=script, draw=Draw(4), after=After(hold_ms=0))
        program = made_ready(game, {"p": PACK})
        found = witnesses(program, reach(game, program.rules, {"p": PACK}))
        top, odd, out = found.endings
        self.assertEqual((len(top.inputs), top.score), (5, 8))
        self.assertEqual(len(out.inputs), 2)
        self.assertIsNone(odd)
        self.assertIn("no run comes to “Odd”: every way was followed", found.why[1])
