"""Forecasts against closed forms and SciPy: what will happen to many players.

Gambler's ruin: W. Feller, An Introduction to Probability Theory and Its Applications, vol. 1,
3rd ed. (1968), XIV.2 and XIV.3, formulas (2.4) and (3.4), from memory. Lives, first mistakes and
pass marks: scipy.stats. The longest run of right answers: the recurrence of A. de Moivre for
runs of successes (Feller, XIII.7, from memory), worked out here with NumPy. A Markov chain with
absorbing ends: NumPy's linear algebra. Two players who take turns: NumPy's convolution. Sums of
answer times: scipy.signal's convolution of scipy.stats' log-normal density. How many answers a
countdown leaves room for: the renewal equation, worked out by the same convolution.
"""

import unittest
from dataclasses import replace

import numpy as np
from scipy import signal, stats

from dicetrail.core import (
    After,
    Ask,
    Draw,
    Ending,
    Game,
    Moves,
    Opening,
    Pack,
    Question,
    Refill,
    Round,
    To,
    Way,
    build,
)
from dicetrail.core.foresight import How, Scout, forecast
from dicetrail.core.foresight.exact_forecast import ExactForecast

PLAIN = Pack("P", tuple(Question(f"{n}?", ("a",), ("b",)) for n in range(40)))
TEN = Draw(10)
ENDLESS = Draw(None, refill=Refill.WHEN_EMPTY)


def found(chance, script, endings, draw=TEN, pack=PLAIN, scout=None, **settings):
    """The forecast of a game of one round for a scout that is right so often, in percent."""
    game = Game("G", (Round("R", ("p",), draw=draw, **settings),), endings, script)
    scout = scout or Scout("S", (chance,), again=0, close=0)
    told = forecast(build(game, {"p": pack}), scout)
    assert told.how is How.EXACT, told.why
    return told


def shares(told):
    return {ending.title: ending.share.share for ending in told.endings}


def values(told, name="score"):
    (counter,) = [one for one in told.counters if one.name == name]
    return {one.value: one.share for one in counter.values}


class TestClosedForms(unittest.TestCase):
    def test_gamblers_ruin_and_how_long_it_lasts(self):
        script = "score = 15\ndef right():\n    score += 5\ndef wrong():\n    score -= 5\n"
        ends = (Ending("Won", "", 30, at_once=True), Ending("Lost", "", None, 0, at_once=True))
        start, top = 3, 6
        for percent in (30, 50, 55, 80):
            with self.subTest(percent=percent):
                told = found(percent, script, ends, ENDLESS)
                p, q = percent / 100, 1 - percent / 100
                if p == q:
                    ruin, length = 1 - start / top, start * (top - start)
                else:
                    odds = q / p
                    ruin = (odds**top - odds**start) / (odds**top - 1)
                    length = start / (q - p) - top / (q - p) * (1 - odds**start) / (1 - odds**top)
                self.assertAlmostEqual(shares(told)["Lost"], ruin, 10)
                self.assertAlmostEqual(shares(told)["Won"], 1 - ruin, 10)
                self.assertAlmostEqual(told.questions, length, 8)

    def test_how_many_are_right_is_binomial_and_a_pass_mark_its_tail(self):
        script = "score = 0\ndef right():\n    score += 1\n"
        ends = (Ending("Passed", "", 7), Ending("Failed", ""))
        told = found(65, script, ends, Draw(12))
        law = stats.binom(12, 0.65)
        for score, share in values(told).items():
            self.assertAlmostEqual(share, law.pmf(score), 12)
        self.assertAlmostEqual(shares(told)["Passed"], law.sf(6), 12)
        self.assertAlmostEqual(sum(values(told).values()), 1, 12)

    def test_lives_are_lost_as_the_negative_binomial_says(self):
        script = "lives = 3\ndef right():\n    score += 1\ndef wrong():\n    lives -= 1\n"
        ends = (Ending("Out", "", None, 0, "lives", at_once=True), Ending("Rest", ""))
        told = found(70, script, ends, ENDLESS)
        law = stats.nbinom(3, 0.3)
        for score in range(40):
            self.assertAlmostEqual(values(told).get(score, 0.0), law.pmf(score), 11)
        self.assertAlmostEqual(told.questions, 3 / 0.3, 7)

    def test_a_first_mistake_is_geometric_and_a_guesser_follows_from_the_choices(self):
        script = "score = 0\ndef right():\n    score += 1\n"
        pack = Pack("P", tuple(Question(f"{n}?", ("a",), ("b", "c", "d")) for n in range(9)))
        told = found(
            0,
            script,
            (Ending("Slip", ""),),
            ENDLESS,
            pack,
            Scout("G", guesses=True),
            moves=Moves(wrong=Way(To.ENDING, "Slip")),
        )
        law = stats.geom(0.75)
        for score in range(12):
            self.assertAlmostEqual(values(told).get(score, 0.0), law.pmf(score + 1), 12)

    def test_tries_until_right_are_geometric_whatever_they_cost(self):
        script = "score = 0\ndef right():\n    score += tries_used\n"
        steady = Scout("S", (40,), again=40, close=0)
        told = found(40, script, (Ending("Rest", ""),), Draw(1), PLAIN, steady, ask=Ask(tries=None))
        law = stats.geom(0.4)
        for tries in range(1, 25):
            self.assertAlmostEqual(values(told)[tries], law.pmf(tries), 12)

    def test_which_kinds_come_without_replacement_is_hypergeometric(self):
        questions = tuple(
            replace(question, details=replace(question.details, worth=1 if n < 6 else 0))
            for n, question in enumerate(PLAIN.questions[:20])
        )
        script = "score = 0\ndef right():\n    score += worth\n"
        told = found(100, script, (Ending("Rest", ""),), Draw(8), Pack("P", questions))
        law = stats.hypergeom(20, 6, 8)
        for score, share in values(told).items():
            self.assertAlmostEqual(share, law.pmf(score), 12)

    def test_the_longest_run_of_right_answers_follows_its_recurrence(self):
        script = "score = 0\nlong = 0\ndef right():\n    long = max(long, streak)\n"
        told = found(60, script, (Ending("Rest", ""),), Draw(15))
        p, n = 0.6, 15

        def none_of(length):
            """The chance that no run of that many comes in n trials."""
            free = np.zeros(n + 1)
            free[:length] = 1
            for trial in range(length, n + 1):
                run = (
                    p**length if trial == length else (1 - p) * p**length * free[trial - length - 1]
                )
                free[trial] = free[trial - 1] - run
            return free[n]

        for length in range(n):
            share = none_of(length + 1) - (none_of(length) if length else 0)
            self.assertAlmostEqual(values(told, "long")[length], share, 11)

    def test_a_clock_leaves_as_many_too_late_as_the_law_of_the_times_says(self):
        script = "score = 0\ndef right():\n    score += seconds_left\n"
        scout = Scout("S", (100,), median_ms=4000, spread=50)
        told = found(100, script, (Ending("Rest", ""),), Draw(1), scout=scout, ask=Ask(seconds=10))
        law = stats.lognorm(s=0.5, scale=4000)
        late = law.sf(10_000 - 0.5)
        for left in range(1, 10):
            share = law.cdf(10_000 - 1000 * left + 0.5) - law.cdf(9_000 - 1000 * left + 0.5)
            self.assertAlmostEqual(values(told)[left], share, 9)
        self.assertAlmostEqual(values(told)[0], late + law.cdf(9_999.5) - law.cdf(9_000.5), 9)

    def test_an_endless_game_with_absorbing_ends_is_the_chain_it_is(self):
        script = (
            "score = 2\ndef right():\n    score += 1\n    if streak == 2:\n        score += 1\n"
            "def wrong():\n    score -= 2\n"
        )
        ends = (Ending("Top", "", 6, at_once=True), Ending("Low", "", None, 0, at_once=True))
        told = found(60, script, ends, ENDLESS)
        # Between the ends: the score, and whether the streak is 0, 1, or more than 2 long.
        states = [(score, streak) for score in range(1, 6) for streak in (0, 1, 2)]
        moves, top = np.zeros((len(states), len(states))), np.zeros(len(states))
        for at, (score, streak) in enumerate(states):
            up = score + 1 + (streak == 1)
            for chance, after, run in ((0.6, up, min(2, streak + 1)), (0.4, score - 2, 0)):
                if after >= 6:
                    top[at] += chance
                elif after > 0:
                    moves[at, states.index((after, run))] += chance
        won = np.linalg.solve(np.eye(len(states)) - moves, top)
        length = np.linalg.solve(np.eye(len(states)) - moves, np.ones(len(states)))
        begun = states.index((2, 0))
        self.assertAlmostEqual(shares(told)["Top"], won[begun], 9)
        self.assertAlmostEqual(told.questions, length[begun], 7)

    def test_best_of_two_and_ties_are_the_convolution_of_their_scores(self):
        script = "score = 0\ndef right():\n    score += 1\n"
        ends = (
            Ending("Tie", "", when="leaders > 1"),
            Ending("First", "", when="player_number == 1"),
            Ending("Second", "", when="player_number == 2"),
        )
        opening = Opening(most_players=2)
        game = Game("G", (Round("R", ("p",), draw=Draw(7)),), ends, script, opening)
        program = build(game, {"p": PLAIN})
        told = forecast(program, Scout("A", (70,), close=0), Scout("B", (55,), close=0))
        self.assertIs(told.how, How.EXACT)
        one, other = (stats.binom.pmf(range(8), 7, chance) for chance in (0.7, 0.55))
        ahead = np.convolve(one, other[::-1])  # by how much the first is ahead, from -7 on
        wanted = {"Tie": ahead[7], "First": ahead[8:].sum(), "Second": ahead[:7].sum(), None: 0}
        for title, share in shares(told).items():
            self.assertAlmostEqual(share, wanted[title], 12)
        for lead, share in zip(
            told.leads, (ahead[8:].sum(), ahead[:7].sum(), ahead[7]), strict=True
        ):
            self.assertAlmostEqual(lead, share, 12)

    def test_lengths_are_the_convolution_of_the_times(self):
        told = found(60, "score = 0\n", (Ending("E", ""),), Draw(5), after=After(hold_ms=0))
        step = 0.005
        grid = np.arange(0, 200, step)
        density = stats.lognorm.pdf(grid, 0.5, scale=6)
        summed = density
        for _ in range(4):
            summed = signal.fftconvolve(summed, density)[: len(grid)] * step
        below = np.cumsum(summed) * step
        lengths = told.lengths
        upto = np.cumsum(lengths.shares)
        for at in range(8, len(upto) - 1, 8):
            place = (at + 0.5) * lengths.step_seconds
            self.assertAlmostEqual(upto[at], below[int(place / step)], delta=0.004)
        self.assertAlmostEqual(told.seconds, 5 * stats.lognorm.mean(0.5, scale=6), 9)

    def test_answers_before_a_countdown_ends_follow_the_renewal_equation(self):
        """So many answers come in time as sums of times do; right ones are a share of them."""
        script = "score = 0\ndef right():\n    score += 1\n"
        round_ = Round("R", ("p",), draw=ENDLESS, after=After(hold_ms=0), seconds=30)
        program = build(Game("G", (round_,), (Ending("E", ""),), script), {"p": PLAIN})
        scout = Scout("S", (100,), median_ms=4000, spread=60)
        told = forecast(program, scout)
        self.assertIs(told.how, How.ON_GRID)
        step = 0.002
        grid = np.arange(0, 30, step)
        density = stats.lognorm.pdf(grid + step / 2, 0.6, scale=4)
        in_time, summed = [1.0], density
        for _ in range(30):
            in_time.append(summed.sum() * step)
            summed = signal.fftconvolve(summed, density)[: len(grid)] * step
        score = values(told)
        for right in range(1, 12):
            wanted = in_time[right] - in_time[right + 1]
            self.assertAlmostEqual(score[right], wanted, delta=0.002)
        self.assertAlmostEqual(told.seconds, 30, 9)

    def test_a_grid_is_as_near_as_it_says(self):
        """Against one about ten times finer, with tries that share a clock and readings of it."""
        script = (
            "score = 0\ndef right():\n    score += seconds_left\ndef timeout():\n    score -= 2\n"
        )
        ends = (Ending("Well", "", 6), Ending("Rest", ""))
        for seconds, own in ((None, 8), (25, None), (25, 8)):
            ask = Ask(tries=2, seconds=own)
            round_ = Round("R", ("p",), draw=Draw(3), ask=ask, seconds=seconds)
            program = build(Game("G", (round_,), ends, script), {"p": PLAIN})
            scout = Scout("S", (60,), median_ms=3000)
            told = forecast(program, scout)
            fine = ExactForecast(program, [scout], most_followed=10**9)
            fine.step_ms //= 10 if fine.step_ms % 10 == 0 else 5
            exact = sum(share for over, share in fine.weigh().ends.items() if over.ending == 0)
            with self.subTest(seconds=seconds, own=own):
                self.assertIs(told.how, How.ON_GRID)
                self.assertLess(abs(shares(told)["Well"] - exact), max(told.moved, 1e-6))
                self.assertLess(told.moved, 0.01)
