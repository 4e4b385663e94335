"""What runs show of their questions, whatever game they are of."""

import random
import unittest
from collections import Counter
from dataclasses import replace

from dicetrail.core import Details, Draw, Ending, Game, Kind, Pack, Question, Round, build
from dicetrail.core.answers import Verdict
from dicetrail.core.foresight import (
    SCOUTS,
    EvidenceCount,
    Playthrough,
    Says,
    Sort,
    borne_out,
    evidence_of,
    fitted_scout,
    forecast,
    is_counted,
    observations,
    playthrough,
    run_summary,
    suggested,
    walked,
)
from dicetrail.core.foresight.calibration import AS_MANY_AS
from dicetrail.core.foresight.observations import Observation, Try
from dicetrail.core.play import Result, answered, replay
from tests.core.test_course import ready
from tests.core.test_foresight import scouts_for


class TestSightings(unittest.TestCase):
    def test_every_question_that_a_player_saw_to_is_seen_once(self):
        seen_in_all = 0
        for seed in range(20):
            chances = random.Random(seed)
            program = replace(ready(chances)[0], recall={})
            scouts = scouts_for(program, chances)
            walk = list(walked(program, scouts, seed))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, seed, walk[0][0].players, inputs)
            found = list(observations(program, moments, inputs))
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
        self.assertGreater(seen_in_all, 20)

    def test_typed_answers_are_grouped_and_few_say_nothing(self):
        program, _ = ready(random.Random(3))
        scout = SCOUTS[2]
        runs = []
        for dice in range(6):
            walk = list(walked(program, [scout], dice))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, dice, walk[0][0].players, inputs)
            runs.append(list(observations(program, moments, inputs)))
        told = evidence_of(runs)
        self.assertEqual(told.runs, 6)
        self.assertTrue(all(one.says is Says.FEW for one in told.questions if one.asked < 12))
        self.assertIsInstance(runs[0][0], Observation)

    def test_what_runs_came_to_is_what_they_came_to(self):
        program, _ = ready(random.Random(3))
        runs = []
        for dice in range(20):
            walk = list(walked(program, scouts_for(program, random.Random(dice)), dice))
            inputs = [given for _, given in walk if given is not None]
            if dice % 4 == 0:
                inputs = inputs[: len(inputs) // 2]
            moments = replay(program, dice, walk[0][0].players, inputs)
            runs.append(playthrough(program, moments, inputs))
        came = run_summary(runs)
        self.assertEqual(came.ended + sum(came.left_after), came.runs)
        self.assertAlmostEqual(sum(one.share.share for one in came.endings), 1)
        self.assertAlmostEqual(sum(one.share for one in came.scores), 1)
        self.assertEqual(list(came.still_in), sorted(came.still_in, reverse=True))
        self.assertEqual(came.still_in[-1], 0)
        nothing = run_summary([])
        self.assertEqual((nothing.runs, nothing.scores, nothing.mean_score), (0, (), None))
        self.assertEqual(borne_out(forecast(program, SCOUTS[2]), nothing), ())


QUESTIONS = tuple(
    Question(f"{n}?", ("yes",), ("no", "never"), details=Details(level=1 + n % 5))
    for n in range(20)
)


class TestLikeness(unittest.TestCase):
    def test_a_scout_made_of_scouts_does_as_they_did(self):
        """Of many runs of a scout comes one like it, and its forecast is borne out by them."""
        pack = Pack("P", QUESTIONS[:10])
        game = Game(
            "G", (Round("R", ("p",), draw=Draw(10)),), (Ending("Well", "", 6), Ending("Rest", ""))
        )
        program = build(game, {"p": pack}, recall={})
        runs = []
        for dice in range(250):
            walk = list(walked(program, [SCOUTS[1]], dice))
            inputs = [given for _, given in walk if given is not None]
            moments = replay(program, dice, walk[0][0].players, inputs)
            runs.append(playthrough(program, moments, inputs))
        scout = fitted_scout([run.seen for run in runs])
        for found, wanted in zip(scout.right, SCOUTS[1].right, strict=True):
            self.assertAlmostEqual(found, wanted, delta=7)
        self.assertAlmostEqual(scout.median_ms, SCOUTS[1].median_ms, delta=700)
        self.assertAlmostEqual(scout.spread, SCOUTS[1].spread, delta=6)
        self.assertEqual(len(scout.own), 10)
        told, came = forecast(program, scout), run_summary(runs)
        self.assertTrue(all(one.is_borne_out for one in borne_out(told, came)))
        expert = borne_out(forecast(program, SCOUTS[3]), came)
        self.assertFalse(any(one.is_borne_out for one in expert))

    def test_little_is_shrunk_to_the_level_and_nothing_to_the_steady_scout(self):
        self.assertEqual(fitted_scout([]).right, SCOUTS[2].right)
        self.assertEqual(fitted_scout([]).own, ())
        one = [seen(0, "yes")] * 4
        scout = fitted_scout([one])
        self.assertEqual(scout.own, ())
        self.assertEqual(scout.right[0], round(100 * (4 + AS_MANY_AS * 0.85) / (4 + AS_MANY_AS)))
        self.assertEqual(scout.right[1:], SCOUTS[2].right[1:])


def seen(number, given, result=None, ms=3000, **more):
    is_right = given == "yes"
    tries = (Try(given, Verdict.RIGHT if is_right else Verdict.WRONG),) if given else ()
    found = result or (Result.RIGHT if is_right else Result.WRONG)
    choices = more.pop("choices", ("never", "no", "yes"))
    return Observation(
        "p", number, f"{number}?", choices, ("yes",), 0, tries, found, ms, False, **more
    )


class TestSuggestions(unittest.TestCase):
    def told(self, observations_, question=QUESTIONS[0]):
        found = evidence_of([[one] for one in observations_]).questions[0]
        return {one.sort: one.after for one in suggested(found, question)}, found

    def test_level_and_seconds_follow_what_was_seen_and_stay_where_they_fit(self):
        hard = [seen(0, "yes" if n % 4 == 0 else "no", allowed_ms=20_000) for n in range(60)]
        told, _ = self.told(hard)
        self.assertEqual(told[Sort.LEVEL].details.level, 5)
        self.assertEqual(told[Sort.SECONDS].details.seconds, 3)
        fitting = [seen(0, "yes", ms=17_000, allowed_ms=20_000) for _ in range(60)]
        self.assertEqual(self.told(fitting)[0], {})
        self.assertEqual(self.told(hard[:8])[0], {})
        late = [seen(0, "", Result.LATE, 5000, allowed_ms=5000)] * 20
        told, found = self.told([*late, *fitting[:5]])
        self.assertNotIn(Sort.SECONDS, told)
        self.assertIs(found.says, Says.NO_TIME)

    def test_what_many_typed_can_be_accepted(self):
        question = Question("0?", ("yes",), kind=Kind.TYPED)
        typed = ["aubergene"] * 5 + ["Aubergene "] * 2 + ["yes"] * 9 + ["leek"]
        told, found = self.told([seen(0, one, choices=()) for one in typed], question)
        self.assertEqual(told[Sort.ACCEPT].right, ("yes", "aubergene"))
        self.assertEqual([one.times for one in found.picked], [7, 1])
        by = [seen(0, text, choices=()) for text in typed]
        self.assertEqual(sum(is_counted(one, EvidenceCount.GIVEN, "aubergene") for one in by), 7)

    def test_a_number_counts_as_many_as_it_says(self):
        chances = random.Random(4)
        for _ in range(40):
            results = [None, None, Result.LATE, Result.PASSED]
            rows = [
                seen(0, "" if result else chances.choice(("yes", "no", "never")), result)
                for result in chances.choices(results, k=30)
            ]
            found = evidence_of([[one] for one in rows]).questions[0]
            counts = {of: sum(is_counted(one, of) for one in rows) for of in EvidenceCount}
            self.assertEqual(
                (
                    counts[EvidenceCount.ASKED],
                    counts[EvidenceCount.LATE],
                    counts[EvidenceCount.PASSED],
                ),
                (found.asked, found.late, found.passed),
            )
            self.assertEqual(counts[EvidenceCount.FIRST], round(found.first.share * found.asked))
            for one in found.picked:
                given = sum(is_counted(row, EvidenceCount.GIVEN, one.given) for row in rows)
                self.assertEqual(given, one.times)

    def test_a_question_is_the_same_wherever_it_stands_and_another_once_it_is_mended(self):
        moved = [seen(0, "yes")] * 3
        moved += [Observation(**{**as_dict(moved[0]), "number": 7})] * 2
        mended = Observation(**{**as_dict(moved[0]), "right": ("no",)})
        found = evidence_of([[one] for one in (*moved, mended)]).questions
        self.assertEqual([(one.asked, one.number) for one in found], [(1, 0), (5, 7)])
        self.assertEqual(run_summary([Playthrough((), None, 0, 0.0)]).left_after, (1,))


def as_dict(one):
    return {name: getattr(one, name) for name in Observation.__slots__}
