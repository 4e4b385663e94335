"""What runs show of their questions, whatever game they are of."""

import random
import unittest
from collections import Counter

from dicetrail.core.foresight import SCOUTS, Says, evidence_of, sightings, walked
from dicetrail.core.foresight.sightings import Sighting
from dicetrail.core.play import Result, answered, replay
from tests.core.test_course import ready
from tests.core.test_foresight import scouts_for


class TestSightings(unittest.TestCase):
    def test_every_question_that_a_player_saw_to_is_seen_once(self):
        seen_in_all = 0
        for seed in range(30):
            chances = random.Random(seed)
            program, _ = ready(chances)
            scouts = scouts_for(program, chances)
            walk = list(walked(program, scouts, seed))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, seed, walk[0][0].players, inputs)
            found = list(sightings(program, moments, inputs))
            told = answered(moments)
            seen_in_all += len(found)
            # Those that ran out between two inputs are left out, and no other.
            left_out = Counter((one.prompt, one.result, one.player) for one in told)
            left_out.subtract(Counter((one.prompt, one.result.value, one.player) for one in found))
            self.assertGreaterEqual(min(left_out.values(), default=0), 0)
            late = {key for key, times in left_out.items() if times and key[1] != Result.LATE}
            self.assertEqual(late, set())
            for one in found:
                self.assertGreaterEqual(one.used_ms, 0)
                if one.tries and one.result in (Result.RIGHT, Result.WRONG, Result.CLOSE):
                    self.assertEqual(one.tries[-1].verdict.value, one.result.value)
        self.assertGreater(seen_in_all, 60)

    def test_typed_answers_are_grouped_and_few_say_nothing(self):
        program, _ = ready(random.Random(2))
        scout = SCOUTS[2]
        runs = []
        for dice in range(6):
            walk = list(walked(program, [scout], dice))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, dice, walk[0][0].players, inputs)
            runs.append(list(sightings(program, moments, inputs)))
        told = evidence_of(runs)
        self.assertEqual(told.runs, 6)
        self.assertTrue(all(one.says is Says.FEW for one in told.questions if one.asked < 12))
        self.assertIsInstance(runs[0][0], Sighting)
