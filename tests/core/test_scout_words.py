"""What the numbers of a scout say in words, held against closed forms written here.

Nothing of the scout's own arithmetic is used: each law works out anew, from the words alone, what
must come, and both the forecast and runs that are played are held against it.
"""

import unittest
from dataclasses import replace
from itertools import combinations, product
from math import comb, sqrt

from dicetrail.core import Ask, Details, Draw, Ending, Game, Kind, Pack, Question, Round, build
from dicetrail.core.document import Facts, Needs, Operator, Pattern, Span, Sums
from dicetrail.core.foresight import (
    How,
    Scout,
    counted,
    fitted_scout,
    forecast,
    playthrough,
    told,
    walked,
)
from dicetrail.core.play import made_ready, replay
from tests.exhaustive import exhaustive

RUNS = 150
FOUND = (Ending("Found", "", 1, counts="right_count"), Ending("Missed", ""))


def game_of(*questions, ask, **sources):
    """A game of one question, found or missed."""
    packs = {"p": Pack("p", questions)} if questions else {}
    round_ = Round("r", tuple(packs), draw=Draw(1), ask=ask, **sources)
    return Game("One", (round_,), FOUND), packs


def found_by(program, scout):
    """How often a scout finds the answer, as is forecast and as is played."""
    foretold = forecast(program, scout, runs=0, is_quick=True)
    runs = counted(program, [scout], range(RUNS))
    return foretold, told(program, [scout], runs, "to compare").endings[0].share.share


@exhaustive
class TestWordsOfAScout(unittest.TestCase):
    def assert_found(self, program, scout, wanted, is_exact=True):
        foretold, played = found_by(program, scout)
        if is_exact:
            self.assertEqual(foretold.how, How.EXACT, foretold.why)
            self.assertAlmostEqual(foretold.endings[0].share.share, wanted, 9)
        # Five standard errors of a share: about one in two million is further off.
        error = 5 * sqrt(max(wanted * (1 - wanted), 1e-4) / RUNS)
        self.assertAlmostEqual(played, wanted, delta=error)

    def test_each_further_try_finds_so_much_of_what_was_missed(self):
        question = Question("Which?", ("leek",), (), Kind.TYPED)
        for first, again, tries in product((62, 20, 100), (30, 0, 100), (1, 2, 5)):
            scout = Scout("one", (first,), again=again, close=0)
            program = made_ready(*game_of(question, ask=Ask(tries=tries)))
            missed = (1 - first / 100) * (1 - again / 100) ** (tries - 1)
            with self.subTest(first=first, again=again, tries=tries):
                self.assert_found(program, scout, 1 - missed)

    def test_a_second_try_can_do_worse_than_the_first(self):
        question = Question("Which?", ("leek",), (), Kind.TYPED)
        program = made_ready(*game_of(question, ask=Ask(tries=2)))
        self.assert_found(program, Scout("one", (60,), again=20, close=0), 0.6 + 0.4 * 0.2)

    def test_the_hint_finds_so_much_of_what_would_be_missed_at_every_try(self):
        question = Question("Which?", ("leek",), (), Kind.TYPED, Details(hint="It is long."))
        for first, again, helped, hints in product((62, 0), (30, 0), (50, 0, 100), (40, 100)):
            scout = Scout("one", (first,), again=again, close=0, hints=hints, helped=helped)
            program = made_ready(*game_of(question, ask=Ask(tries=2)))

            def missed(unhelped, first=first, again=again):
                return (1 - first / 100) * (1 - again / 100) * unhelped**2

            wanted = 1 - hints / 100 * missed(1 - helped / 100) - (1 - hints / 100) * missed(1)
            with self.subTest(first=first, again=again, helped=helped, hints=hints):
                self.assert_found(program, scout, wanted)

    def test_letters_are_hit_as_first_tries_until_one_is_missed(self):
        question = Question("Which?", ("leek",), (), Kind.LETTERS)
        for first, again, misses in product((70, 30), (40, 0, 90), (1, 2, 4)):

            def found(hits, missed, first=first, again=again, misses=misses):
                if hits == len(set("leek")) or missed == misses:
                    return float(missed < misses)
                hit = (again if missed else first) / 100
                return hit * found(hits + 1, missed) + (1 - hit) * found(hits, missed + 1)

            scout = Scout("one", (first,), again=again)
            program = made_ready(*game_of(question, ask=Ask(misses=misses)))
            with self.subTest(first=first, again=again, misses=misses):
                self.assert_found(program, scout, found(0, 0))

    def test_a_blind_guess_is_right_as_often_as_counting_says(self):
        """For any number of right and wrong choices, wanted or enough, shown and tried."""
        for right, wrong, needs, shown, tries in product(
            (1, 2, 3), (1, 2, 4), Needs, (None, 3), (1, 2)
        ):
            choices = [f"choice {number}" for number in range(right + wrong)]
            details = Details(needs=needs)
            question = Question("Which?", tuple(choices[:right]), tuple(choices[right:]))
            question = replace(question, details=details)
            program = made_ready(*game_of(question, ask=Ask(shown=shown, tries=tries)))
            there, good = shown_of(right, wrong, needs, shown)
            # Every way to guess, each as likely, none twice: the tries are a sample of them.
            if needs is Needs.ALL:
                ways = [
                    set(picked)
                    for size in range(1, there + 1)
                    for picked in combinations(range(there), size)
                ]
                hits = sum(way == set(range(good)) for way in ways)
            else:
                ways, hits = list(range(there)), good
            misses = len(ways) - hits
            missed = comb(misses, tries) / comb(len(ways), tries) if misses >= tries else 0.0
            with self.subTest(right=right, wrong=wrong, needs=needs, shown=shown, tries=tries):
                self.assert_found(program, Scout("blind", (0,), guesses=True), 1 - missed)

    def test_a_blind_guess_among_answers_of_facts_counts_those_that_differ(self):
        rows = (("pea", "pod"), ("bean", "pod"), ("beet", "root"), ("radish", "root"))
        packs = {"f": Pack("f", (), Facts(("plant", "part"), rows))}
        for choices in (2, 3, 4, 5):
            pattern = Pattern("f", "Which part of a {plant}?", "part", choices=choices)
            game, _ = game_of(ask=Ask(), patterns=(pattern,))
            with self.subTest(choices=choices):
                self.assert_found(
                    made_ready(game, packs), Scout("blind", (0,), guesses=True), 1 / 2
                )

    def test_a_blind_guess_among_sums_whose_choices_fall_together_is_played(self):
        sums = Sums(Operator.PLUS, Span(0, 2), Span(0, 2), cap=3, choices=8, near=3)
        program = build(*game_of(ask=Ask(), sums=(sums,)))
        scout = Scout("blind", (0,), guesses=True)
        self.assertEqual(forecast(program, scout, runs=RUNS).how, How.SAMPLED)
        # A result of 0 to 3, within 3 of it and the cap: four choices.
        self.assert_found(program, scout, 1 / 4, is_exact=False)
        shown = build(*game_of(ask=Ask(shown=3), sums=(Sums(choices=6),)))
        self.assert_found(shown, scout, 1 / 3)

    def test_players_like_those_who_played_find_as_much(self):
        """What is foretold of them by their own runs is what came."""
        questions = tuple(
            Question(f"Which is {n}?", (f"leek {n}",), (), Kind.TYPED) for n in range(8)
        )
        game = Game(
            "Eight", (Round("r", ("p",), draw=Draw(8), ask=Ask(tries=3)),), (Ending("Over", ""),)
        )
        program = build(game, {"p": Pack("p", questions)})
        for first, again in ((60, 20), (30, 60), (80, 0)):
            scout = Scout("one", (first,), again=again, close=0)
            runs = []
            for dice in range(120):
                walk = list(walked(program, [scout], dice))
                inputs = [given for _, given in walk if given is not None]
                moments = replay(program, dice, walk[0][0].players, inputs)
                runs.append(playthrough(program, moments, inputs))
            scout = fitted_scout([run.seen for run in runs])
            foretold = forecast(program, scout, runs=0, is_quick=True)
            score = sum(one.value * one.share for one in foretold.counters[0].values)
            came = sum(run.score for run in runs) / len(runs)
            with self.subTest(first=first, again=again):
                self.assertAlmostEqual(score / 8, came / 8, delta=0.03)


def shown_of(right, wrong, needs, shown):
    """How many choices are shown, and how many of them are right: as the documents say."""
    if shown is None:
        return right + wrong, right
    if needs is Needs.ALL:
        return min(right + wrong, max(shown, right + 1)), right
    good = min(right, shown - 1)
    return good + min(wrong, shown - good), good
