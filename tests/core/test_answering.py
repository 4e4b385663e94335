"""Playing on the player's behalf."""

import unittest
from dataclasses import replace
from itertools import product, repeat

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Ask,
    Begin,
    Check,
    Details,
    Draw,
    Kind,
    Needs,
    Pack,
    Phase,
    Question,
    Refill,
    Wait,
    start,
    step,
)
from dicetrail.core.document import EstimateShare, OrderShare, PartlyRight
from dicetrail.core.play import (
    Intent,
    action_for,
    length_of_round,
    made_ready,
    next_input,
    play_on,
    presented_question,
)
from dicetrail.core.rules import Happening
from tests.core.examples import changed
from tests.core.test_laws import DICE, GAMES, INPUTS, built, played

HIVE, SHED = "marrow = rectangle 0 0 9 9", "squash = ellipse 20 20 30 30"


class TestAnswering(unittest.TestCase):
    @given(GAMES, DICE, INPUTS, st.sampled_from(Intent))
    def test_what_is_done_for_the_player_comes_out_as_intended(self, game, dice, actions, intent):
        program = built(game)
        if program is None:
            return
        state = played(program, dice, actions)[0][-1].state
        given_ = next_input(program, state, intent, state.at)
        if given_ is None:
            self.assertTrue(
                state.phase is Phase.ENDED or intent in (Intent.LATE, Intent.PASSED, Intent.PARTLY),
                state.phase,
            )
            return
        after = step(program, state, given_.action, given_.at)
        if any("time is up" in print_.why for print_ in after.footprints):
            return  # who plays to the end lets the clocks of round and game run out
        self.assertNotIn("refused", [print_.what for print_ in after.footprints])
        if state.phase is not Phase.ASKING:
            return
        told = [
            print_.why
            for print_ in after.footprints
            if print_.what in ("checked", "late", "passed")
        ]
        words = {"right": "right:", "wrong": "wrong:", "late": "too late", "passed": "passed"}
        words["partly"] = "partly:"
        self.assertTrue(any(words[intent] in why for why in told), told)

    @given(GAMES, DICE)
    def test_answering_right_comes_to_the_end_of_every_game_that_has_one(self, game, dice):
        program = built(game)
        if program is None or length_of_round(program, start(program, dice).state) is None:
            return
        state = start(program, dice).state
        for _ in repeat(None, 600):
            given_ = next_input(program, state, Intent.RIGHT, state.at)
            if given_ is None:
                break
            state = step(program, state, given_.action, given_.at).state
        goes_round = any(
            round_.moves.right.to in ("same question", "round") or round_.draw.refill != "never"
            for round_ in game.rounds
        )
        self.assertTrue(goes_round or "go(" in game.script or state.phase is Phase.ENDED)

    def test_it_comes_in_time_for_the_clock_that_ends_first(self):
        seconds = (None, 1, 30)
        for question, round_, game in product(seconds, seconds, seconds):
            made = changed(ask=Ask(seconds=question), seconds=round_)
            program = built(replace(made, seconds=game))
            state = step(program, start(program, 7).state, Begin(), 0).state
            for intent, result in ((Intent.RIGHT, "right"), (Intent.WRONG, "wrong")):
                with self.subTest(question=question, round=round_, game=game, intent=intent):
                    given_ = next_input(program, state, intent, 0, hurries=True)
                    after = step(program, state, given_.action, given_.at)
                    results = [told.result for told in after.footprints if told.result is not None]
                    self.assertEqual(results[0], result)
                    clocks = [1000 * clock for clock in (question, round_, game) if clock]
                    self.assertLess(given_.at, min(clocks, default=2000))

    def test_playing_to_the_end_lets_the_clock_of_an_endless_round_run_out(self):
        endless = Draw(refill=Refill.EACH_TIME)
        for round_, game in ((5, None), (None, 5), (5, 60)):
            made = changed(draw=endless, seconds=round_)
            program = built(replace(made, seconds=game))
            with self.subTest(round=round_, game=game):
                _, moments = play_on(program, start(program, 7), Intent.RIGHT, None, 0)
                self.assertIs(moments[-1].state.phase, Phase.ENDED)
                _, moments = play_on(program, start(program, 7), Intent.RIGHT, 5, 0)
                results = [told.result for moment in moments for told in moment.footprints]
                self.assertEqual(results.count("right"), 5)

    def test_who_hurries_is_in_time_while_a_millisecond_is_left(self):
        for left in (1, 2, 3, 999, 1000, 1001, 2000):
            for clock in ("question", "round", "game"):
                seconds = {name: 3 if name == clock else None for name in ("round", "game")}
                made = changed(
                    ask=Ask(seconds=3 if clock == "question" else None), seconds=seconds["round"]
                )
                program = built(replace(made, seconds=seconds["game"]))
                state = step(program, start(program, 7).state, Begin(), 0).state
                state = step(program, state, Wait(), 3000 - left).state
                given_ = next_input(program, state, Intent.RIGHT, 0, hurries=True)
                after = step(program, state, given_.action, given_.at)
                with self.subTest(left=left, clock=clock):
                    self.assertIn("right", [told.result for told in after.footprints])

    def test_the_action_for_a_happening_makes_it_happen_whatever_is_asked(self):
        hint, all_wanted = Details(hint="It grows."), Details(needs=Needs.ALL, hint="It grows.")
        scale = Details(least="0", most="20", step="0.5", hint="It grows.")
        asked = {
            "typed": Question("?", ("marrow", "squash"), (), Kind.TYPED, hint),
            "number": Question("?", ("12",), (), Kind.NUMBER, Details(tolerance="3", hint="12")),
            "one": Question("?", ("marrow",), ("pumpkin", "radish"), details=hint),
            "any": Question("?", ("marrow", "squash"), ("radish",), details=hint),
            "all": Question("?", ("marrow", "squash"), ("radish",), details=all_wanted),
            "every": Question("?", ("marrow", "squash"), (), details=all_wanted),
            "truth": Question("?", ("true",), (), Kind.TRUTH, hint),
            "order": Question("?", ("marrow", "squash", "pea"), (), Kind.ORDER, hint),
            "match": Question("?", ("bee = a", "hen = b", "cow = c"), ("d",), Kind.MATCH, hint),
            "estimate": Question("?", ("4",), (), Kind.ESTIMATE, scale),
            "gaps": Question("A ___ gives ___", ("marrow", "squash // pea"), (), Kind.GAPS, hint),
            "bank": Question("A ___ gives ___", ("marrow", "squash"), ("pea",), Kind.GAPS, hint),
            "place": Question("?", (HIVE, SHED), (), Kind.PLACE, replace(all_wanted, picture="p")),
            "judged": Question("?", ("marrow",), (), Kind.JUDGED, hint),
            "group": Question("?", ("bee = a", "hen = b", "ant = a"), (), Kind.MATCH, hint),
            "letters": Question("?", ("beetroot 2",), (), Kind.LETTERS, hint),
        }
        results = {
            Happening.RIGHT: "right",
            Happening.CLOSE: "close",
            Happening.PARTLY: "partly",
            Happening.WRONG: "wrong",
            Happening.HIT: "hit",
            Happening.MISS: "miss",
            Happening.PASSED: "passed",
            Happening.LATE: "late",
        }
        with_slips = {"typed", "one", "any", "truth", "gaps", "bank"}
        in_parts = {
            "all",
            "every",
            "order",
            "match",
            "group",
            "estimate",
            "judged",
            "gaps",
            "bank",
            "place",
        }
        for (name, question), typos, happening in product(asked.items(), (0, 3), Happening):
            ask = Ask(tries=5, misses=5, seconds=9, hints=True, passing=True)
            check = Check(
                typos=typos,
                partly=PartlyRight.LESS_WRONG,
                order_share=OrderShare.NEIGHBOURS,
                estimate_share=EstimateShare.STRAIGHT,
            )
            made = changed(ask=ask, check=check, draw=Draw(1))
            program = made_ready(made, {"veg": Pack("P", (question,))})
            state = step(program, start(program, 7).state, Begin(), 0).state
            is_letter = happening in (Happening.HIT, Happening.MISS)
            if is_letter and name != "letters":
                continue
            action = action_for(presented_question(program, state), state, happening)
            can = happening is not Happening.CLOSE or (typos > 0 and name in with_slips)
            can = can and (name, happening) != ("every", Happening.WRONG)
            can = can and (happening is not Happening.PARTLY or name in in_parts)
            with self.subTest(asked=name, typos=typos, happening=happening):
                if not can and happening in (Happening.CLOSE, Happening.PARTLY):
                    self.assertIsNone(action)
                    continue
                at = 9000 if happening is Happening.LATE else 10
                after = step(program, state, action, at)
                told = {told.result for told in after.footprints} - {None}
                hinted = after.state.question.is_hinted
                self.assertEqual(hinted, happening is Happening.HINT)
                if can and happening in results:
                    self.assertEqual(told, {results[happening]})
