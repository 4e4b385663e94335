"""Laws that hold for every game, checked on many."""

import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Ask,
    Draw,
    Ending,
    Game,
    GameProblems,
    Order,
    Pack,
    Phase,
    Question,
    Round,
    Score,
    Severity,
    build,
    compare,
    draw_list,
    score_spans,
    survey,
    table,
)
from tests.core.examples import PACKS, VEGETABLES, play

POINTS = st.integers(-5, 5)
BOUNDS = st.none() | st.integers(-20, 30)
GAMES = st.builds(
    lambda count, order, choice_order, right, wrong, endings: Game(
        "Any",
        (
            Round(
                "Only",
                ("veg",),
                Draw(count, order),
                Ask(choice_order),
                score=Score(right, wrong),
            ),
        ),
        tuple(endings),
    ),
    st.none() | st.integers(1, 14),
    st.sampled_from(Order),
    st.sampled_from(Order),
    POINTS,
    POINTS,
    st.lists(st.builds(Ending, st.just("E"), st.just("V"), BOUNDS, BOUNDS), max_size=3),
)
WHOLE = GAMES.map(lambda game: replace(game, endings=(*game.endings, Ending("Rest", ""))))
OUTCOMES = st.text("rw", min_size=14, max_size=14)


def has_faults(game):
    return any(problem.severity is Severity.FAULT for problem in survey(game, PACKS))


class TestLaws(unittest.TestCase):
    @given(WHOLE.filter(lambda game: not has_faults(game)), OUTCOMES, st.integers(0, 10**6))
    def test_a_game_without_faults_always_comes_to_an_ending(self, game, outcomes, dice):
        length = build(game, PACKS).length
        program, moments, _ = play(outcomes[:length], game, dice=dice)
        end = moments[-1].state
        self.assertIs(end.phase, Phase.ENDED)
        right = outcomes[:length].count("r")
        rules = game.rounds[0].score
        self.assertEqual(end.tally.score, right * rules.right + (length - right) * rules.wrong)
        self.assertTrue(game.endings[end.ending].fits(end.tally.score))
        for earlier in game.endings[: end.ending]:
            self.assertFalse(earlier.fits(end.tally.score))
        self.assertEqual(table(program, end).percent, int(100 * right / length + 0.5))

    @given(GAMES)
    def test_the_spans_of_scores_are_those_that_playing_gives(self, game):
        spans = score_spans(game, PACKS)
        length = min(game.rounds[0].draw.count or 12, 12)
        rules = game.rounds[0].score
        for right in range(length + 1):
            score = right * rules.right + (length - right) * rules.wrong
            (span,) = (span for span in spans if span.lowest <= score <= span.highest)
            first = next((n for n, e in enumerate(game.endings) if e.fits(score)), None)
            self.assertEqual(span.ending, first)

    @given(GAMES)
    def test_a_game_is_refused_exactly_when_the_survey_finds_a_fault(self, game):
        if has_faults(game):
            with self.assertRaises(GameProblems) as caught:
                build(game, PACKS)
            self.assertEqual(caught.exception.problems, survey(game, PACKS))
        else:
            build(game, PACKS)

    @given(WHOLE, st.integers(0, 10**6))
    def test_a_draw_asks_different_questions_each_with_all_its_choices(self, game, dice):
        if has_faults(game):
            return
        drawn = list(draw_list(build(game, PACKS), dice))
        self.assertEqual(len({question.prompt for question in drawn}), len(drawn))
        by_prompt = {question.prompt: question for question in VEGETABLES.questions}
        for question in drawn:
            source = by_prompt[question.prompt]
            self.assertEqual(sorted(question.choices), sorted(source.choices))
            place = "ABCDEFGH".index(question.right_letters)
            self.assertEqual((question.choices[place],), source.right)

    @given(st.permutations(VEGETABLES.questions), st.integers(0, 12), st.integers(0, 12))
    def test_a_comparison_accounts_for_every_question(self, questions, old, new):
        before = Pack("Before", tuple(questions[:old]))
        changed = tuple(replace(question, wrong=("z",)) for question in questions[new:])
        after = Pack("After", (*questions[:new], *changed))
        told = compare(before, after)
        self.assertEqual(told.added + told.changed + told.same, 12)
        self.assertEqual(told.gone + told.changed + told.same, old)
        self.assertEqual(told.same, min(old, new))
        self.assertEqual(compare(before, before).same, old)

    def test_an_empty_pack_compares_with_anything(self):
        one = Pack("One", (Question("Q?", ("a",), ("b",)),))
        self.assertEqual(compare(Pack("None", ()), one).added, 1)
        self.assertEqual(compare(one, Pack("None", ())).gone, 1)
