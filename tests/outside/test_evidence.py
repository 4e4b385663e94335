"""Evidence of questions against SciPy and NumPy.

Point-biserial and Pearson correlations: scipy.stats. Quartiles: NumPy's method "linear". Cronbach's
alpha and KR-20: their formulas, worked out here with NumPy on whole tables (from memory; L. J.
1937) and pingouin. Wilson's interval: scipy.stats.binomtest, statsmodels and worked examples of R.
G. Newcombe, Two-sided confidence intervals for the single proportion, Statistics in Medicine 17,
1998, table I, method 3 (from memory). Corrected item-total correlation: pingouin.corr. Shrinkage:
the mean of the beta that follows, by scipy.stats.beta and by summing the beta-binomial.
"""

import random
import unittest
from dataclasses import astuple, replace

import numpy as np
import pandas as pd
import pingouin
from scipy import stats
from statsmodels.stats.proportion import proportion_confint

from dicetrail.core import Kind, Question
from dicetrail.core.answers import Verdict
from dicetrail.core.foresight import Says, evidence_of, suggested, wilson
from dicetrail.core.foresight.calibration import AS_MANY_AS, shrunk
from dicetrail.core.foresight.measures import correlation, cronbach
from dicetrail.core.foresight.observations import Observation, Try
from dicetrail.core.play import Result

CHOICES = ("a", "b", "c", "d")


def observation(number, picked, ms=4000):
    is_right = picked == "a"
    tried = (Try(picked, Verdict.RIGHT if is_right else Verdict.WRONG),)
    result = Result.RIGHT if is_right else Result.WRONG
    return Observation("p", number, f"{number}?", CHOICES, ("a",), 0, tried, result, ms, False)


def playtest(players, questions, seed, keyed_wrong=(), also_right=()):
    """Runs of players of all abilities; better ones know more often what is right."""
    chances, runs = random.Random(seed), []
    hard = [chances.uniform(-1, 1) for _ in range(questions)]
    for _ in range(players):
        ability, run = chances.gauss(0, 1.2), []
        for number in range(questions):
            knows = chances.random() < 1 / (1 + np.exp(hard[number] - ability))
            true = "b" if number in keyed_wrong else "a"
            if number in also_right and chances.random() < 0.5:
                true = "c"
            picked = true if knows else chances.choice(CHOICES)
            run.append(observation(number, picked, round(chances.lognormvariate(8, 0.5))))
        runs.append(run)
    return runs


def runs_of_logistic_players(count, questions, seed, players, lives):
    """Runs in which players take turns at the questions until those are over, or their lives."""
    chances, runs = random.Random(seed), []
    items = [(chances.uniform(0.7, 1.6), chances.uniform(-1, 1)) for _ in range(questions)]
    for _ in range(count):
        abilities = [chances.gauss(0, 1.2) for _ in range(players)]
        left, run = [lives] * players, []
        order = chances.sample(range(questions), questions)
        for turn, number in enumerate(order * players):
            player = turn % players
            if left[player] == 0:
                continue
            slope, hard = items[number]
            is_right = chances.random() < 1 / (1 + np.exp(slope * (hard - abilities[player])))
            picked = "a" if is_right else chances.choice("bcd")
            run.append(replace(observation(number, picked), player=player))
            if not is_right and left[player] is not None:
                left[player] -= 1
        runs.append(run)
    return runs


class TestEvidence(unittest.TestCase):
    def test_correlations_are_scipys(self):
        chances = np.random.default_rng(3)
        for _ in range(50):
            right = chances.integers(0, 2, 40).astype(float)
            rest = chances.normal(size=40) + right * chances.normal()
            found = correlation(list(right), list(rest))
            self.assertAlmostEqual(found, stats.pointbiserialr(right, rest).statistic, 12)
        self.assertIsNone(correlation([1, 1, 1], [1, 2, 3]))

    def test_a_question_is_compared_with_the_rest_without_itself(self):
        runs = playtest(80, 9, 5)
        table = np.array([[one.is_right for one in run] for run in runs], float)
        for number, told in enumerate(evidence_of(runs).questions):
            rest = np.delete(table, number, 1).sum(1)
            wanted = stats.pearsonr(table[:, number], rest).statistic
            self.assertAlmostEqual(told.with_rest, wanted, 12)
            interval = stats.binomtest(int(table[:, number].sum()), 80).proportion_ci(
                0.95, "wilson"
            )
            self.assertAlmostEqual(told.right.least, interval.low, 12)
            self.assertAlmostEqual(told.right.most, interval.high, 12)
            times = [run[number].used_ms / 1000 for run in runs]
            np.testing.assert_allclose(astuple(told.seconds), np.quantile(times, (0.25, 0.5, 0.75)))

    def test_alpha_is_cronbachs_and_of_right_and_wrong_kr_20(self):
        chances = np.random.default_rng(8)
        table = chances.normal(size=(60, 6)) + chances.normal(size=(60, 1))
        parts, total = table.var(0, ddof=1).sum(), table.sum(1).var(ddof=1)
        self.assertAlmostEqual(cronbach(table.tolist()), 6 / 5 * (1 - parts / total), 12)
        runs = playtest(120, 10, 4)
        right = np.array([[one.is_right for one in run] for run in runs], float)
        p = right.mean(0)
        kr_20 = 10 / 9 * (1 - (p * (1 - p)).sum() / right.sum(1).var())
        told = evidence_of(runs)
        self.assertAlmostEqual(told.alpha, kr_20, 12)
        self.assertIn("10 questions that each of 120 runs", told.alpha_of)
        self.assertIsNone(evidence_of(runs[:5]).alpha)

    def test_what_is_keyed_wrong_is_found_and_nothing_else_accused(self):
        """Twelve playtests of 200 players and 20 questions: of 24 that are keyed wrong, or have a
        wrong choice that is right too, one may be missed; of 216 others none is accused."""
        found, accused = 0, 0
        for seed in range(12):
            runs = playtest(200, 20, seed, keyed_wrong=(7,), also_right=(12,))
            says = {one.number: one.says for one in evidence_of(runs).questions}
            wrong = {number for number, said in says.items() if said is Says.KEYED_WRONG}
            found += len(wrong & {7, 12})
            accused += len(wrong - {7, 12})
            misled = {number for number, said in says.items() if said is Says.MISLEADING}
            accused += len(misled - {7, 12})
        self.assertGreaterEqual(found, 23)
        self.assertEqual(accused, 0)
        few = evidence_of(playtest(8, 20, 1, keyed_wrong=(7,)))
        self.assertEqual({one.says for one in few.questions}, {Says.FEW})

    def test_sound_questions_are_not_accused_however_runs_end(self):
        """Players by the two-parameter logistic model (A. Birnbaum, 1968, from memory), one to
        four in a run, whose runs end with the questions, at the first mistake, or with three:
        of all sound questions at most one in a hundred is accused, within the bound of chance."""
        accused = asked = 0
        for seed, (players, lives) in enumerate(
            (players, lives) for players in (1, 2, 4) for lives in (None, 1, 3)
        ):
            runs = runs_of_logistic_players(300 // players, 15, seed, players, lives)
            for one in evidence_of(runs).questions:
                asked += one.says is not Says.FEW
                accused += one.says in (Says.MISLEADING, Says.KEYED_WRONG)
        self.assertGreater(asked, 100)
        bound = stats.binom.ppf(0.999, asked, 0.01)
        self.assertLessEqual(accused, bound, (accused, asked))

    def test_a_common_misconception_is_not_suggested_and_a_second_right_answer_is(self):
        """Typed answers of 300 players in 20 worlds: what those who do not know believe, and what
        those who know write as soon as the answer that is keyed."""
        believed = known = 0
        question = Question("0?", ("a",), (), Kind.TYPED)
        for seed in range(20):
            chances, runs = random.Random(seed), []
            for _ in range(300):
                ability, run = chances.gauss(0, 1.2), []
                for number in range(10):
                    knows = chances.random() < 1 / (1 + np.exp(-ability))
                    picked = "a" if knows else chances.choice("xyz")
                    if number == 0 and not knows and chances.random() < 0.6:
                        picked = "belief"
                    if number == 0 and knows and chances.random() < 0.4:
                        picked = "also"
                    run.append(replace(observation(number, picked), choices=()))
                runs.append(run)
            told = [one.what for one in suggested(evidence_of(runs).questions[0], question)]
            believed += any("belief" in what for what in told)
            known += any("also" in what for what in told)
        self.assertLessEqual(believed, 1)
        self.assertGreaterEqual(known, 15)

    def test_the_interval_is_wilsons(self):
        for right, total in ((0, 9), (3, 17), (40, 40), (123, 400)):
            interval = stats.binomtest(right, total).proportion_ci(0.95, "wilson")
            share = wilson(right, total)
            low, high = proportion_confint(right, total, 0.05, "wilson")
            self.assertAlmostEqual(share.least, low, 12)
            self.assertAlmostEqual(share.most, high, 12)
            self.assertAlmostEqual(share.least, interval.low, 12)
            self.assertAlmostEqual(share.most, interval.high, 12)

    def test_newcombes_worked_examples(self):
        for right, total, least, most in (
            (81, 263, 0.2553, 0.3662),
            (15, 148, 0.0624, 0.1605),
            (0, 20, 0.0, 0.1611),
            (1, 29, 0.0061, 0.1718),
        ):
            share = wilson(right, total)
            self.assertEqual((round(share.least, 4), round(share.most, 4)), (least, most))

    def test_alpha_and_correlations_are_pingouins(self):
        for seed in range(6):
            runs = playtest(60 + 10 * seed, 5 + seed, seed)
            table = pd.DataFrame([[float(one.is_right) for one in run] for run in runs])
            told = evidence_of(runs)
            self.assertAlmostEqual(told.alpha, pingouin.cronbach_alpha(table)[0], 10)
            for number, one in enumerate(told.questions):
                rest = table.drop(columns=number).sum(axis=1)
                wanted = pingouin.corr(table[number], rest)["r"].iloc[0]
                self.assertAlmostEqual(one.with_rest, wanted, 10)

    def test_shrinkage_is_the_beta_binomials(self):
        chances = random.Random(9)
        for _ in range(30):
            before, asked = chances.uniform(0.05, 0.95), chances.randrange(0, 60)
            right = chances.randint(0, asked)
            a, b = AS_MANY_AS * before, AS_MANY_AS * (1 - before)
            found = shrunk([True] * right + [False] * (asked - right), before)
            self.assertAlmostEqual(found, stats.beta(a + right, b + asked - right).mean(), 12)
            # The same by Bayes: of one more, how likely it is right after what was found.
            joint = stats.betabinom.pmf(right + 1, asked + 1, a, b) * (right + 1) / (asked + 1)
            self.assertAlmostEqual(found, joint / stats.betabinom.pmf(right, asked, a, b), 9)
