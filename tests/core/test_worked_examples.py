"""The small examples beside the benches: each does what its words say, alone and with others."""

import itertools
import unittest

from dicetrail.core import (
    Answer,
    Begin,
    Continue,
    Severity,
    Wait,
    build,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.play import Phase, Stop
from dicetrail.core.workbench import RECIPES, WORKED_EXAMPLES, first_game
from tests.core.examples import VEGETABLES

PACKS = {"veg": VEGETABLES}


def games():
    """A game of each ready kind."""
    for ready in RECIPES:
        yield ready.make("G", ("veg",), len(VEGETABLES.questions))


def faults(game):
    return {problem.what for problem in survey(game, PACKS) if problem.severity is Severity.FAULT}


def put(name, game):
    return next(one for one in WORKED_EXAMPLES if one.name == name).place_in(game, 0)


class TestWorkedExamples(unittest.TestCase):
    def test_every_stop_has_one_in_the_order_of_the_trail(self):
        stops = [example.stop for example in WORKED_EXAMPLES]
        self.assertEqual(list(dict.fromkeys(stops)), list(Stop))
        self.assertEqual(len({example.name for example in WORKED_EXAMPLES}), len(WORKED_EXAMPLES))

    def test_any_two_go_into_any_ready_game_one_after_the_other_without_a_fault(self):
        first, *others = games()
        for one, other in itertools.product(WORKED_EXAMPLES, repeat=2):
            with self.subTest(one=one.name, other=other.name):
                self.assertEqual(faults(other.place_in(one.place_in(first, 0), 0)), set())
        # One that ends by its score alone, at once, may run out of five questions; that is told.
        lasting = [game for game in others if not all(end.at_once for end in game.endings)]
        self.assertEqual(len(lasting), len(others) - 1)
        for game, one in itertools.product(lasting, WORKED_EXAMPLES):
            with self.subTest(game=game.script, one=one.name):
                self.assertEqual(faults(one.place_in(game, 0)), set())

    def test_together_they_are_played_as_their_words_say(self):
        game = first_game("G", ("veg",), 12)
        for example in WORKED_EXAMPLES:
            if example.stop is not Stop.MOVE_ON:
                game = example.place_in(game, 0)
        program = build(game, PACKS)
        state = start(program, 7, ("Marjory", "Ted")).state
        self.assertIn("Welcome, Marjory", table(program, state).opening)
        state = step(program, state, Begin(), 0).state
        lives = dict.fromkeys((0, 1), 3)
        for _ in range(60):
            if state.phase is Phase.ENDED:
                break
            shown = table(program, state)
            told = {counter.name: counter.value for counter in shown.players[state.turn].counters}
            self.assertEqual(told["lives"], lives[state.turn])
            turn, before = state.turn, state.history.presented_count
            state = step(program, state, Wait(), state.at + 12_000).state
            if state.history.presented_count != before or state.phase is not Phase.ASKING:
                lives[turn] -= 1
            while state.phase is Phase.HOLDING:
                state = step(
                    program,
                    state,
                    Wait() if state.hold_ms else Continue(),
                    state.at + (state.hold_ms or 0),
                ).state
        self.assertEqual(game.endings[state.ending].title, "Out of lives")

    def test_what_was_missed_comes_again_until_it_is_right(self):
        program = build(put("Again, until it is right", first_game("G", ("veg",), 12)), PACKS)
        state = step(program, start(program, 7).state, Begin(), 0).state
        prompt = table(program, state).question.prompt
        wrong = next(
            place
            for place in range(1, 9)
            if step(program, state, Answer(place), 0).state.question.result == "wrong"
        )
        state = step(program, state, Answer(wrong), 0).state
        self.assertEqual(table(program, state).feedback.answer, "")
        state = step(program, state, Continue(), 0).state
        self.assertEqual(table(program, state).question.prompt, prompt)
