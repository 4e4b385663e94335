"""Laws of cues, verdicts and best scores that hold for every game, checked on many."""

import unittest
from dataclasses import replace
from itertools import pairwise

from hypothesis import given, settings
from hypothesis import strategies as st

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Cue,
    Details,
    Kind,
    Letter,
    Occasion,
    Order,
    Pack,
    Phase,
    Question,
    Reveal,
    Shows,
    Wait,
    replay,
    start,
    step,
    table,
)
from dicetrail.core.document import Effect
from dicetrail.core.play import Listen, answered, go_on, is_best, made_ready
from dicetrail.core.workbench import changes_between
from tests.core.examples import FIVE, PACKS, changed, play
from tests.core.test_laws import DICE, GAMES, INPUTS, built, played

EVERY = tuple(Cue(f"any {occasion}", (occasion,), sound="drip") for occasion in Occasion)
"""A cue for each occasion, so that each is heard whenever it comes."""

ONCE_A_RUN = {"any opening", "any ending", "any new best score"}


def was_refused(moment):
    return any(footprint.what == "refused" for footprint in moment.footprints)


class TestLaws(unittest.TestCase):
    @given(GAMES, DICE, INPUTS)
    @settings(max_examples=60)
    def test_cues_come_in_order_within_their_step_and_are_kept_until_the_next_action(
        self, game, dice, actions
    ):
        program = built(replace(game, cues=EVERY))
        if program is None:
            return
        moments, inputs, _ = played(program, dice, actions)
        begun = set()
        for (before, after), taken in zip(pairwise(moments), inputs, strict=True):
            heard = after.state.heard
            self.assertEqual([at for _, at in heard], sorted(at for _, at in heard))
            stays = isinstance(taken.action, Wait | Listen) or was_refused(after)
            kept = before.state.heard if stays else ()
            self.assertEqual(heard[: len(kept)], kept)
            for cue, at in heard[len(kept) :]:
                self.assertTrue(before.state.at <= at <= after.state.at)
                self.assertNotEqual(cue, "any tick")
                if cue in ONCE_A_RUN:
                    self.assertNotIn(cue, begun, "it comes once")
                    begun.add(cue)
        last = moments[-1].state
        self.assertEqual("any ending" in begun, last.ending is not None or last.gave_up)
        self.assertFalse(last.gave_up and "any new best score" in begun)

    @given(GAMES, DICE, INPUTS, st.integers(0, 40), st.integers(-20, 20))
    @settings(max_examples=40)
    def test_a_run_gone_on_from_any_moment_is_the_whole_run(self, game, dice, actions, cut, best):
        program = built(game)
        if program is None:
            return
        _, inputs, players = played(program, dice, actions)
        whole = replay(program, dice, players, inputs, best=best)
        place = min(cut, len(inputs))
        rest = go_on(program, whole[place], inputs[place:])
        self.assertEqual((*whole[: place + 1], *rest), whole)
        last = whole[-1].state
        can_be = last.phase is Phase.ENDED and not last.gave_up
        self.assertEqual(
            is_best(program, last), can_be and max(map(program.rules.score, last.tallies)) > best
        )

    @given(GAMES, DICE, INPUTS)
    @settings(max_examples=40)
    def test_what_is_reviewed_counts_as_many_as_were_done_with(self, game, dice, actions):
        program = built(game)
        if program is None:
            return
        moments, _, players = played(program, dice, actions)
        told = answered(moments)
        tallies = moments[-1].state.tallies
        right = [one for one in told if one.result in ("right", "close")]
        self.assertEqual(len(right), sum(tally.right_count for tally in tallies))
        self.assertEqual(len(told) - len(right), sum(tally.wrong_count for tally in tallies))
        self.assertLessEqual(len(told), sum(tally.asked_count for tally in tallies))
        self.assertTrue(all(0 <= one.player < len(players) for one in told))


class TestVerdicts(unittest.TestCase):
    WORDS = Pack("Words", (Question("Which tool?", ("spade",), (), Kind.LETTERS),))

    def test_right_or_wrong_is_told_even_where_the_answer_never_is(self):
        game = changed(after=After(Reveal.NEVER), ask=Ask(Order.WRITTEN))
        program = made_ready(game, PACKS)
        asked = step(program, start(program, 7).state, Begin(), 0)
        for place, is_good in ((1, True), (2, False)):
            shown = table(program, step(program, asked.state, Answer(place), 1).state)
            self.assertEqual(shown.phase, Phase.HOLDING)
            self.assertEqual((shown.feedback.is_good, shown.feedback.right_places), (is_good, ()))

    def test_letters_and_lateness_are_good_or_bad_too(self):
        program = made_ready(changed(ask=Ask(seconds=9)), {"veg": self.WORDS})
        asked = step(program, start(program, 7).state, Begin(), 0)
        for action, at, is_good in (
            (Letter("s"), 1, True),
            (Letter("z"), 1, False),
            (Answer("spade"), 1, True),
            (Answer(""), 1, False),
            (Wait(), 9000, False),
        ):
            with self.subTest(action=action):
                shown = table(program, step(program, asked.state, action, at).state)
                self.assertEqual(shown.feedback.is_good, is_good)

    def test_pictures_are_reviewed_by_their_letters_for_file_names_tell_nothing(self):
        drawn = Details(shows=Shows.PICTURE)
        leaves = Pack("Leaves", (Question("Oak?", ("oak.svg",), ("ash.svg",), details=drawn),))
        game = changed(ask=Ask(Order.WRITTEN))
        program = made_ready(game, {"veg": leaves})
        asked = step(program, start(program, 7).state, Begin(), 0)
        (one,) = answered([step(program, asked.state, Answer(2), 1)])
        self.assertEqual((one.given, one.right), ("B", "A"))


class TestVersions(unittest.TestCase):
    def test_what_changed_in_a_cue_is_told_in_words(self):
        before = replace(FIVE, cues=(Cue("a", (Occasion.RIGHT,)),))
        after = replace(FIVE, cues=(replace(before.cues[0], sound="drip", effect=Effect.FACE),))
        told = " ".join(changes_between(before, after))
        self.assertIn("sound", told)
        self.assertIn("drip", told)
        self.assertIn("face", told)

    def test_a_best_score_is_beaten_by_more_and_not_by_as_much(self):
        program, moments, _ = play("rrrww")
        state = moments[-1].state
        for best, beaten in ((None, True), (2, True), (3, False), (-1, True), (2.5, True)):
            setup = state.setup._replace(best=best)
            self.assertEqual(is_best(program, state._replace(setup=setup)), beaten, best)
