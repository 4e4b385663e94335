import ast
import itertools
import unittest

from hypothesis import given

from dicetrail.core import (
    Answer,
    Begin,
    Draw,
    Ending,
    Game,
    Pack,
    Question,
    Round,
    What,
    build,
    start,
    step,
)
from dicetrail.core.play import Change
from dicetrail.core.rules import SCRIPT_RECIPES, parse, put_in
from dicetrail.core.workbench import LineRan, watch
from tests.core.test_laws import DICE, GAMES, INPUTS, built, played

SCRIPT = """\
score = 0
lives = 3

def paid():
    score += 2

def right():
    if lives > 1:
        paid()
    score = score + roll(6)

def wrong():
    lives -= 1
    score += 0
"""


class TestPuttingIn(unittest.TestCase):
    def test_any_recipe_goes_into_any_other_and_nothing_that_was_there_is_lost(self):
        for one, other in itertools.product(SCRIPT_RECIPES, repeat=2):
            with self.subTest(one=one.name, other=other.name):
                made = put_in(one.script, other.script)
                script = parse(made)
                for there in (one, other):
                    alone = parse(there.script)
                    self.assertLessEqual(set(alone.counters), set(script.counters))
                    self.assertLessEqual(set(alone.functions), set(script.functions))
                first = parse(one.script).counters
                self.assertEqual({name: script.counters[name] for name in first}, first)
                lines = iter(made.splitlines())
                self.assertTrue(all(line in lines for line in one.script.splitlines() if line))

    def test_scripts_of_any_parts_are_put_together_and_do_what_both_did(self):
        """Scripts with and without remarks, counters and functions, each put into each."""
        heads = ("", "# mine\n", "\n\n")
        counters = ("", "score = 0\n", "score = 5\nlives = 3\n")
        functions = (
            "",
            "def right():\n    score += 1\n",
            "def right():\n    score += 10\ndef wrong():\n    score -= 2\n",
        )
        starts = ({}, {"score": 0}, {"score": 5, "lives": 3})
        parts = itertools.product(heads, zip(counters, starts, strict=True), functions)
        scripts = [(head + text + body, start) for head, (text, start), body in parts]
        for (one, first_start), (other, second_start) in itertools.product(scripts, repeat=2):
            with self.subTest(one=one, other=other):
                made, first, second = parse(put_in(one, other)), parse(one), parse(other)
                start = {"score": 0} | second_start | first_start
                self.assertEqual(dict(made.counters), start)
                for name in ("right", "wrong"):
                    bodies = [
                        [ast.unparse(line) for line in script.functions[name].body]
                        for script in (first, second)
                        if name in script.functions
                    ]
                    here = made.functions.get(name)
                    found = [] if here is None else [ast.unparse(line) for line in here.body]
                    self.assertEqual(found, [line for body in bodies for line in body])

    def test_functions_of_one_line_and_other_depths_are_put_together(self):
        made = put_in("score=0\ndef right(): score += 1", "def right():\n  score += 2\n")
        self.assertEqual(made, "score=0\ndef right():\n    score += 1\n    score += 2\n")
        for here, there in itertools.product(("  ", "    ", "\t", " " * 7), repeat=2):
            one, other = (f"def right():\n{depth}score += 1\n" for depth in (here, there))
            expected = f"def right():\n{here}score += 1\n{here}score += 1\n"
            self.assertEqual(put_in(one, other), expected)


class TestWatch(unittest.TestCase):
    def test_each_line_tells_what_it_changed(self):
        pack = Pack("", (Question("?", ("a",), ("b",)),))
        game = Game("", (Round("", ("p",), draw=Draw(None)),), (Ending("E", ""),), SCRIPT)
        program = build(game, {"p": pack})
        begun = step(program, start(program, 5).state, Begin(), 0).state
        told = {}
        for place in (1, 2):
            (event,) = watch(program, begun, Answer(place), 1)
            told[event.lines[0].line] = event.lines
        right = told[8]
        self.assertEqual([ran.line for ran in right], [8, 9, 5, 10])
        self.assertEqual(right[2], LineRan(5, (Change("score", 0, 2),)))
        self.assertEqual(right[3].changes[0].before, 2)
        lost = LineRan(13, (Change("lives", 3, 2),))
        self.assertEqual(told[13], (lost, LineRan(14, ())))

    @given(GAMES, DICE, INPUTS)
    def test_what_is_watched_is_what_happened(self, game, dice, actions):
        program = built(game)
        if program is None:
            return
        moments, inputs, _ = played(program, dice, actions)
        for before, after, given_ in zip(moments, moments[1:], inputs, strict=False):
            happened = [p for p in after.footprints if p.what is What.CHANGED and p.lines]
            watched = watch(program, before.state, given_.action, given_.at)
            self.assertEqual([event.why for event in watched], [p.why for p in happened])
            for event, footprint in zip(watched, happened, strict=True):
                self.assertEqual(tuple(ran.line for ran in event.lines), footprint.lines)
                ended = {}
                for change in (change for ran in event.lines for change in ran.changes):
                    first = ended.get(change.name, change)
                    ended[change.name] = Change(change.name, first.before, change.after)
                counters = {c.name: c for c in footprint.changes if c.name in program.rules.names}
                self.assertEqual({n: c for n, c in ended.items() if c.before != c.after}, counters)
