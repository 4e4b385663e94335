"""What is stored as JSON is read back as it was, over random games."""

import random
import unittest

from dicetrail.core.foresight import kept_run, playthrough, walked
from dicetrail.core.play import replay
from dicetrail.form import KEPT_FORM, PLAYED_FORM
from tests.core.test_course import ready
from tests.core.test_foresight import scouts_for


class TestForms(unittest.TestCase):
    def test_kept_runs_and_what_runs_show_come_back_as_they_were(self):
        for seed in range(12):
            chances = random.Random(seed)
            program, _ = ready(chances)
            walk = list(walked(program, scouts_for(program, chances), seed))
            inputs = [given for _, given in walk if given is not None][:60]
            names = walk[0][0].players
            for minds in ((), None):
                told = {} if minds is None else {"minds": minds}
                kept = kept_run(program, "a run", seed, inputs, names, **told)
                self.assertEqual(KEPT_FORM.validate_json(KEPT_FORM.dump_json(kept)), kept)
            shown = playthrough(program, replay(program, seed, names, inputs), inputs)
            self.assertEqual(PLAYED_FORM.validate_json(PLAYED_FORM.dump_json(shown)), shown)


if __name__ == "__main__":
    unittest.main()
