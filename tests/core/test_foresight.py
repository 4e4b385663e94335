"""Forecasts: what is followed exactly is what scouts come to when they play."""

import random
import unittest
from dataclasses import replace

from dicetrail.core import Details, Ending, Game, Pack, Phase, Question, Round, build
from dicetrail.core.foresight import SCOUTS, forecast, played, sampled, scout_named, wilson
from dicetrail.core.foresight.weighing import CannotWeigh, Weigher
from dicetrail.core.play import ended_as
from dicetrail.core.survey.reach import reach
from tests.core.test_course import ready

RUNS = 80
GAMES = 140


class TestForecasts(unittest.TestCase):
    def test_what_is_followed_is_what_scouts_come_to(self):
        """Over random games with whatever rules can meet; seeds are fixed, so that what one
        run in a thousand would show is seen always or never."""
        exact, beyond = 0, []
        for seed in range(GAMES):
            chances = random.Random(seed)
            program, packs = ready(chances)
            scout = chances.choice(SCOUTS)
            scout = replace(scout, passes=chances.choice((0, 20)), hints=chances.choice((0, 50)))
            try:
                Weigher(program, scout).weigh()
            except CannotWeigh:
                continue
            told = forecast(program, scout)
            if told.questions > 40:
                continue  # to play it so often would take long
            exact += 1
            total = sum(ending.share.share for ending in told.endings) + told.unended
            self.assertAlmostEqual(total, 1, 12)
            (score, *_) = told.counters
            self.assertAlmostEqual(sum(share for _, share in score.values) + told.unended, 1, 12)
            self.assertAlmostEqual(told.still_in[0] - told.still_in[-1], 1 - told.unended, 9)
            self._reached(program, packs, told)
            drawn = sampled(program, scout, range(RUNS), "to compare")
            for one, other in zip(told.endings, drawn.endings, strict=True):
                share = wilson(round(other.share.share * RUNS), RUNS, 0.9995)
                if not share.least - 0.02 <= one.share.share <= share.most + 0.02:
                    beyond.append((seed, one.title, one.share.share, other.share))
        self.assertGreater(exact, 9)
        self.assertEqual(beyond, [])

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
        game = Game("G", (Round("R", ("p",), seconds=30),), (Ending("Rest", ""),))
        told = forecast(build(game, {"p": pack}), SCOUTS[0], runs=40)
        self.assertFalse(told.is_exact)
        self.assertIn("40 runs were played: a round or the game has a clock", told.why)
        self.assertAlmostEqual(sum(ending.share.share for ending in told.endings), 1)
        self.assertGreater(told.seconds, 0)
        self.assertLess(told.endings[0].share.least, 1)

    def test_the_same_dice_are_the_same_run_and_every_run_ends(self):
        for seed in range(30):
            program, _ = ready(random.Random(seed))
            scout = SCOUTS[seed % len(SCOUTS)]
            one, other = played(program, scout, seed), played(program, scout, seed)
            self.assertEqual(one, other)
            if one.phase is Phase.ENDED:
                ended_as(program, one)

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
