"""Forecasts: what is followed exactly is what scouts come to when they play."""

import os
import random
import time
import unittest
from collections import Counter
from dataclasses import replace
from itertools import product
from statistics import fmean, stdev

from dicetrail.core import (
    After,
    Ask,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Kind,
    Pack,
    Phase,
    Question,
    Refill,
    Round,
    build,
)
from dicetrail.core.document import Cue, Needs, Occasion, PartlyRight
from dicetrail.core.foresight import (
    SCOUTS,
    Habit,
    How,
    Scout,
    counted,
    forecast,
    nothing_played,
    played,
    scout_named,
    told,
    wilson,
)
from dicetrail.core.foresight.asking import CannotForecast
from dicetrail.core.foresight.exact_forecast import ExactForecast
from dicetrail.core.play import ended_as, made_ready
from dicetrail.core.rules import Event
from dicetrail.core.survey.reach import reach
from tests.core.test_course import ready
from tests.exhaustive import exhaustive

GAMES, RUNS = (520, 200) if "FUZZ" in os.environ else (110, 60)


def scouts_for(program, chances):
    """A scout for each of as many players as there can be, with whatever habits they have."""
    pick = chances.choice
    return [
        replace(
            pick(SCOUTS),
            passes=pick((0, 20)),
            hints=pick((0, 50)),
            picks=pick(list(Habit)),
            median_ms=pick((300, 1500, 3000)),
            letter_ms=pick((300, 1500)),
        )
        for _ in range(chances.randrange(1, program.game.opening.most_players + 1))
    ]


@exhaustive
class TestForecasts(unittest.TestCase):
    def test_what_is_followed_is_what_scouts_come_to(self):
        """Over random games with whatever rules and clocks can meet; seeds are fixed, so that
        what chance brings is seen always or never. FUZZ=1 looks at over 200 games."""
        followed, beyond, compared = Counter(), [], 0
        for seed in range(GAMES):
            chances = random.Random(seed)
            program, packs = ready(chances)
            scouts = scouts_for(program, chances)
            found = forecast(program, *scouts, runs=0, is_quick=True)
            if found.how is How.SAMPLED or found.questions > 12:
                continue  # to play it so often would take long
            followed[found.how, len(scouts)] += 1
            total = sum(ending.share.share for ending in found.endings) + found.unended
            self.assertAlmostEqual(total, 1, 10)
            (score, *_) = found.counters
            self.assertAlmostEqual(sum(one.share for one in score.values) + found.unended, 1, 10)
            self.assertAlmostEqual(found.still_in[0] - found.still_in[-1], 1 - found.unended, 9)
            if len(scouts) > 1:
                self.assertAlmostEqual(sum(found.leads) + found.unended, 1, 10)
            self._reached(program, packs, found)
            runs = counted(program, scouts, range(RUNS))
            drawn = told(program, scouts, runs, "to compare")
            for one, other in zip(found.endings, drawn.endings, strict=True):
                share = wilson(round(other.share.share * RUNS), RUNS, 0.999)
                compared += 1
                if not share.least - 1e-9 <= one.share.share <= share.most + 1e-9:
                    beyond.append((seed, one.title, one.share.share, other.share))
            lengths = [ms / 1000 for ms in runs.milliseconds.elements()]
            error = stdev(lengths) / RUNS**0.5
            compared += 1
            if abs(fmean(lengths) - found.seconds) > 3.3 * error + 0.06:
                beyond.append((seed, found.seconds, fmean(lengths), error))
        self.assertEqual({how for how, _ in followed}, {How.EXACT, How.ON_GRID}, followed)
        self.assertEqual({players for _, players in followed}, {1, 2}, followed)
        self.assertGreater(followed.total(), 25)
        # Of a thousand intervals one leaves out what it is about.
        self.assertLess(len(beyond), 3 + compared / 250, beyond)

    def _reached(self, program, packs, told):
        """Every ending that is forecast is one that can be reached."""
        found = reach(program.game, program.rules, packs)
        if found.is_whole:
            known = {final.ending for final in found.finals}
            for number, ending in enumerate(told.endings):
                if ending.share.share > 0:
                    here = number if number < len(program.game.endings) else None
                    self.assertIn(here, known)

    def test_what_cannot_be_followed_is_played_and_says_so(self):
        pack = Pack("P", tuple(Question(f"{n}?", ("a",), ("b",)) for n in range(9)))
        script = "score = 0\ndef right():\n    add_time(1)\n"
        game = Game("G", (Round("R", ("p",), seconds=30),), (Ending("Rest", ""),), script)
        told = forecast(build(game, {"p": pack}), SCOUTS[0], runs=40)
        self.assertIs(told.how, How.SAMPLED)
        self.assertIn("40 runs were played: its rules add time to clocks", told.why)
        self.assertAlmostEqual(sum(ending.share.share for ending in told.endings), 1)
        self.assertAlmostEqual(sum(told.lengths.shares), 1)
        self.assertGreater(told.seconds, 0)
        self.assertLess(told.endings[0].share.least, 1)

    def counting(self):
        """What a known piece of work takes, in seconds of processor time."""
        began = time.thread_time()
        sum(number * number for number in range(1_600_000))
        return time.thread_time() - began

    def test_what_is_too_much_to_follow_is_given_up_soon(self):
        """Whatever makes it too much: words by letters, times that count, clocks, no end."""
        words = ("marrow", "beet", "courgette", "parsnip", "leek", "sprouting", "onion")
        letters = tuple(Question(f"{word[0]}?", (word,), (), Kind.LETTERS) for word in words)
        plain = tuple(Question(f"{n}?", ("a",), ("b",)) for n in range(20))
        found = (
            "score = 0\ngold = 0\n"
            "def letter_hit():\n    score += 1\ndef letter_miss():\n    gold += 1\n"
        )
        timed = "score = 0\ngold = 0\ndef right():\n    score += seconds_left\n    gold += streak\n"
        ends = (Ending("Rich", "", 30, counts="gold"), Ending("High", "", 40), Ending("Rest", ""))
        given_up = 0
        for (script, questions), whole, own, draw in product(
            ((found, letters * 3), (timed, plain)),
            (None, 60),
            (None, 10),
            (Draw(10), Draw(None, refill=Refill.WHEN_EMPTY)),
        ):
            if script is timed and own is whole is None:
                continue
            round_ = Round("R", ("p",), draw=draw, ask=Ask(seconds=own), seconds=whole)
            program = build(Game("G", (round_,), ends, script), {"p": Pack("P", questions)})
            began = time.thread_time()
            try:
                ExactForecast(program, [SCOUTS[2]]).weigh()
            except CannotForecast:
                given_up += 1
                # About a second where so much counting takes a tenth of one; three are let be.
                took = time.thread_time() - began
                self.assertLess(took, 30 * self.counting(), (script, whole, own, draw))
        self.assertGreater(given_up, 8)

    def test_an_ending_that_comes_as_a_question_is_put_is_seen(self):
        """Whatever it hangs on: the round, the question, how many were asked."""
        pack = Pack("P", tuple(Question(f"{n}?", ("a",), ("b",)) for n in range(9)))
        for when in ("round_number == 2", "number == 3", "asked_count == 3", "level == 1"):
            rounds = (Round("R", ("p",), draw=Draw(4)), Round("S", ("p",), draw=Draw(4)))
            ends = (Ending("Once", "", when=when, at_once=True), Ending("Rest", ""))
            program = build(Game("G", rounds, ends), {"p": pack})
            found = forecast(program, SCOUTS[0])
            self.assertEqual(found.endings[0].share.share, 1, when)
            self.assertEqual(played(program, SCOUTS[:1], 1).ending, 0)

    def test_lengths_are_those_of_runs_that_are_played(self):
        """With a hold of a cue, tries that share a clock, and letters: by thirds of 300 runs."""
        plain = [Question(f"{n}?", ("a",), ("b",)) for n in range(3)]
        pack = Pack("P", (*plain, Question("Spell", ("bee",), (), Kind.LETTERS)))
        cues = (Cue("sorry", (Occasion.WRONG,), hold_ms=4000),)
        round_ = Round("R", ("p",), ask=Ask(tries=3, seconds=12), after=After(hold_ms=None))
        game = Game("G", (round_,), (Ending("Rest", ""),), cues=cues)
        program, scout = build(game, {"p": pack}), SCOUTS[2]
        told = forecast(program, scout)
        steps, runs = told.lengths, 300
        played_ms = sorted(played(program, [scout], dice).at for dice in range(runs))
        for place in (runs // 3, runs // 2, 2 * runs // 3):
            upto = played_ms[place] / 1000 / steps.step_seconds
            share = sum(steps.shares[: int(upto)]) + steps.shares[int(upto)] / 2
            self.assertAlmostEqual(share, place / runs, delta=0.09)
        mean = sum(at * share for at, share in enumerate(steps.shares)) * steps.step_seconds
        self.assertAlmostEqual(mean, told.seconds, delta=0.05)

    def test_a_run_without_chance_takes_as_long_as_is_foretold_whatever_cue_holds_it(self):
        """Over every occasion and handler that can play a cue, every way it can hold, both kinds
        of question, and players of whom each always does one thing, always as fast."""
        hint = Details(hint="It is green.")
        packs = {
            kind: Pack("P", tuple(Question(f"{n}?", (word,), (), kind, hint) for n in range(2)))
            for kind, word in ((Kind.TYPED, "marrow"), (Kind.LETTERS, "bee"))
        }
        all_wanted = replace(hint, needs=Needs.ALL)
        wanted = Question("All?", ("pea", "bean"), ("oak",), details=all_wanted)
        packs["all"] = Pack("P", (wanted, replace(wanted, prompt="Both?")))
        by_script = [event for event in Event if event not in (Event.STARTED, Event.GAME_OVER)]
        never = Scout(
            "A", (0,), again=0, partly=0, close=0, spread=0, median_ms=1300, letter_ms=700
        )
        always = replace(never, right=(100,), again=100)
        players = (
            never,
            always,
            replace(always, close=100),
            replace(never, passes=100),
            replace(never, partly=100),
            replace(never, right=(0,), again=100),
            replace(always, hints=100),
            replace(never, median_ms=9000, letter_ms=9000),
        )
        holds = {"hold_ms": 2600}, {"until_continue": True}, {"hold_ms": 0}
        differ = 0
        for on, held, kind, tries in product(
            (*Occasion, *by_script), holds, packs, (Ask(), Ask(tries=3, misses=2))
        ):
            ask = replace(tries, seconds=6, passing=True)
            script = "def right():\n    lives += 1\ndef wrong():\n    lives -= 1\n"
            script += "def partly():\n    lives += 2\n" * (on is not Occasion.STREAK)
            if isinstance(on, Event):
                script = f"def {on}():\n    cue('c')\n"
            script = f"score = 0\nlives = 9\n{script}"
            cue = Cue("c", (on,) if isinstance(on, Occasion) else (), streak=2)
            check = Check(typos=1, partly=PartlyRight.LESS_WRONG, right_from=50)
            after = After(hold_ms=300)
            round_ = Round("R", ("p",), draw=Draw(2), ask=ask, check=check, after=after)
            game = Game("G", (round_,), (Ending("E", ""),), script, cues=(cue,))
            short, long = (
                made_ready(replace(game, cues=(one,)), {"p": packs[kind]})
                for one in (cue, replace(cue, **held))
            )
            for scout in players:
                with self.subTest(on=on, held=held, kind=kind, tries=ask.tries, scout=scout):
                    took = played(long, [scout], 1).at
                    foretold = ExactForecast(long, [scout]).weigh().mean_ms
                    self.assertAlmostEqual(foretold, took, 6)
                    differ += took != played(short, [scout], 1).at
        self.assertGreater(differ, 400)

    def test_the_same_dice_are_the_same_run_and_every_run_ends(self):
        for seed in range(30):
            program, _ = ready(random.Random(seed))
            scouts = scouts_for(program, random.Random(seed))
            one, other = played(program, scouts, seed), played(program, scouts, seed)
            self.assertEqual(one, other)
            if one.phase is Phase.ENDED:
                ended_as(program, one)

    def test_counts_of_runs_add_up_however_they_are_shared_out(self):
        program, _ = ready(random.Random(3))
        scouts = scouts_for(program, random.Random(3))
        whole, parts = counted(program, scouts, range(12)), nothing_played()
        for start in (0, 5, 7):
            parts += counted(program, scouts, range(start, {0: 5, 5: 7, 7: 12}[start]))
        self.assertEqual(told(program, scouts, whole, ""), told(program, scouts, parts, ""))

    def test_better_players_do_better(self):
        script = "score = 0\ndef right():\n    score += level\n"
        questions = tuple(
            Question(f"{n}?", ("a",), ("b", "c"), details=Details(level=n % 5 + 1))
            for n in range(10)
        )
        game = Game("G", (Round("R", ("p",)),), (Ending("Rest", ""),), script)
        program = build(game, {"p": Pack("P", questions)})
        means = [
            forecast(program, scout_named(name)).counters[0].mean
            for name in ("beginner", "distracted", "steady", "expert")
        ]
        self.assertEqual(means, sorted(means))
        self.assertIsNone(scout_named("nobody"))
