"""The rule script: what it takes, what it refuses, and how its faults are told."""

import itertools
import time
import unittest

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Ending, Game, Outcome, Round, settle
from dicetrail.core.rules import rules_of
from dicetrail.core.rules.script import Event, ScriptFaults, parse, parse_condition
from dicetrail.core.rules.script.ready_rules import SCRIPT_RECIPES

COMBO = """
score = 0
lives = 3
combo = 0              # any counter of your own

def right():
    combo += 1
    score += worth + seconds_left // 2
    if combo == 3:
        cue("on a roll")
        combo = 0

def wrong():
    combo = 0
    if tries_left == 0:
        lives -= 1

def timeout():
    wrong()
"""


def rules(script, *endings):
    return rules_of(Game("G", (Round("R"),), endings or (Ending("E", ""),), script))


def run(script, event=Event.RIGHT, **facts):
    """The counters after one event, and what was done."""
    made = rules(script)
    settled = settle(made, made.first, Outcome(event, **facts), lambda sides: sides)
    return dict(zip(made.names, settled.tally.counters, strict=True)), settled.script_actions


def refusal(script):
    with_fault = None
    try:
        parse(script)
    except ScriptFaults as faults:
        with_fault = faults.faults
    return with_fault


class TestRunning(unittest.TestCase):
    def test_a_whole_script_does_what_it_says(self):
        made = rules(COMBO)
        tally = made.first
        for seconds_left in (9, 4, 0):
            settled = settle(made, tally, Outcome(Event.RIGHT, worth=2, seconds_left=seconds_left))
            tally = settled.tally
        self.assertEqual(made.values(tally)["score"], 6 + 4 + 2)
        self.assertEqual(
            [script_action[:2] for script_action in settled.script_actions], [("cue", "on a roll")]
        )
        self.assertEqual(made.values(tally)["combo"], 0)
        late = settle(made, tally, Outcome(Event.TIMEOUT, tries_left=0))
        self.assertEqual(made.values(late.tally)["lives"], 2)
        traced = settle(made, tally, Outcome(Event.WRONG, tries_left=1), traced=True)
        self.assertEqual(traced.lines, (14, 15))
        lean = settle(made, tally, Outcome(Event.WRONG, tries_left=1))
        self.assertEqual((traced.tally, lean.lines), (lean.tally, ()))

    def test_without_a_timeout_rule_the_wrong_rule_runs(self):
        self.assertEqual(run("def wrong():\n    score -= 2", Event.TIMEOUT)[0], {"score": -2})

    def test_what_cannot_be_worked_out_leaves_the_counter_and_says_where(self):
        for line, why in (
            ("score = 1 / (score - score)", "division by zero"),
            ("score = 5 % 0", "division by zero"),
            ("score = 1000000000 + 1", "beyond 1,000,000,000"),
            ("score = [3, 2][tries_used]", "no such place"),
            ("score = [3, 2][half]", "whole number as its index"),
            ("score = roll(0)", "roll wants"),
            ("if 1 // 0:\n        score = 9\n    else:\n        score = 8", "division by zero"),
        ):
            script = f"score = 7\ndef right():\n    {line}\n    after = 1\nafter = 0\nhalf = 0.5"
            counters, script_actions = run(script, tries_used=2)
            with self.subTest(line=line):
                self.assertEqual(counters, {"score": 7, "after": 1, "half": 0.5})
                self.assertEqual(
                    [script_action.what for script_action in script_actions], ["fault"]
                )
                self.assertIn(why, script_actions[0].value)
                self.assertEqual((script_actions[0].line, script_actions[0].column), (3, 5))

    def test_endings_read_counters_and_facts(self):
        made = rules(
            "lives = 1\ndef wrong():\n    lives -= 1",
            Ending("Out", "", when="lives == 0 and streak == 0", at_once=True),
        )
        self.assertEqual(settle(made, made.first, Outcome(Event.WRONG)).ending, 0)
        self.assertIsNone(settle(made, made.first, Outcome(Event.RIGHT)).ending)
        with self.assertRaises(ScriptFaults):
            parse_condition("leaders > 1", ("score",), final=False)


class TestRecipes(unittest.TestCase):
    def test_every_recipe_does_what_its_words_say(self):
        """Each is run through rights and wrongs, and its counters added up by hand."""
        scripts = {recipe.name: recipe.script for recipe in SCRIPT_RECIPES}
        expected = {
            "One point each": [3],
            "Three, two, one": [3 + 2 + 1],
            "Quick is worth more": [3 * 8],
            "Up and down": [15 + 3 * 5 - 5],
            "Lives": [3, 2],
            "Until the first mistake": [30],
            "Bonus for a streak": [3 + 5],
            "Sprint": [3],
            "Turns of two": [3],
        }
        self.assertEqual(set(scripts), set(expected))
        for name, script in scripts.items():
            made = rules(script)
            tally = made.first
            for tries in (1, 2, 3):
                right = Outcome(Event.RIGHT, tries_used=tries, seconds_left=7)
                tally = settle(made, tally, right).tally
            tally = settle(made, tally, Outcome(Event.WRONG)).tally
            with self.subTest(name=name):
                self.assertEqual(list(tally.counters), expected[name])


class TestRefusing(unittest.TestCase):
    def test_each_refusal_says_where_what_and_how_to_mend_it(self):
        for script, line, column, what, mend in (
            ("score = x", 1, 9, "begin with a number", "write a number"),
            ("seconds_left = 3", 1, 1, "is a fact", "another name"),
            ("right = 3", 1, 1, "is a handler", "another name"),
            ("__a__ = 3", 1, 1, "underscore", "letter"),
            ("score = 0\nscore = 1", 2, 1, "twice", "take one"),
            ("import os", 1, 1, "left edge", "counter"),
            ("def right():\n    scor += 1", 2, 5, "no counter “scor”", "write score"),
            ("def right():\n    score += strek", 2, 14, "“strek”", "write streak"),
            ("def right():\n    wrogn()\ndef wrong():\n    pass", 2, 5, "“wrogn”", "write wrong"),
            ("def right():\n    percent = 3", 2, 5, "cannot be changed", "counter of your own"),
            ("def right():\n    while 1:\n        pass", 2, 5, "a loop", "change a counter"),
            ("def right():\n    return 3", 2, 5, "return", "change a counter"),
            ("def right():\n    score.real", 2, 5, "this cannot", "change a counter"),
            ("def right():\n    score = score.real", 2, 13, "a dot", "a number"),
            ("def right():\n    score = 2 ** 9", 2, 13, "operator", "multiply"),
            ("def right():\n    score = (lambda: 1)()", 2, 13, "by their names", "plain name"),
            ("def right():\n    score = [1, 2]", 2, 13, "without an index", "[3, 2, 1][0]"),
            ("def right():\n    score = 'a'", 2, 13, "words", "compare"),
            ("def right():\n    score = verdict", 2, 13, "is a word", "compare"),
            ("def right():\n    if verdict < 3:\n        pass", 2, 8, "compared with words", "=="),
            ("def right():\n    score = 1e99", 2, 13, "too large", "1,000,000,000"),
            ("def right():\n    cue(score)", 2, 9, "words in quotes", 'cue("…")'),
            ("def right():\n    again(1)", 2, 5, "takes nothing", "again()"),
            ("def right():\n    min(1, 2)", 2, 5, "alone does nothing", "score +="),
            ("def asked():\n    skip()", 2, 5, "cannot be done in asked", "right"),
            ("def right(x):\n    pass", 1, 1, "takes nothing", "def right():"),
            ("def a():\n    b()\ndef b():\n    a()", 4, 5, "comes back to itself", "circle"),
            ("def right():\n    a = (1", 2, 9, "never closed", "examples"),
            ("def right():\n    score = [1][1 / 2]", 2, 17, "whole number", "//"),
            ("def right():\nscore = 1", 2, 1, "expected an indented block", "examples"),
            ("def right():\n    score = len(score)", 2, 13, "written list", "len([3, 2, 1])"),
            ("def right():\n    score = len([1], [2])", 2, 13, "written list", "len([3, 2, 1])"),
            ("def right():\n    score = len()", 2, 13, "written list", "len([3, 2, 1])"),
            ("é = 0\ndef right():\n    é += 'ö' + q", 3, 10, "words", "compare"),
        ):
            with self.subTest(script=script):
                faults = refusal(script)
                self.assertIsNotNone(faults)
                first = faults[0]
                self.assertEqual((first.line, first.column), (line, column), first)
                self.assertIn(what, first.what)
                self.assertIn(mend, first.mend + first.what)

    def test_a_name_stands_once_whether_for_a_counter_or_a_function(self):
        kinds = "{name} = 1\n", "def {name}():\n    other += 1\n"
        for first, second in itertools.product(kinds, repeat=2):
            for name, is_twice in (("mine", True), ("yours", False)):
                before = "other = 0\n" + first.format(name="mine")
                faults = refusal(before + second.format(name=name)) or []
                told = [(fault.line, fault.column, fault.what) for fault in faults]
                line = before.count("\n") + 1
                with self.subTest(first=first, second=second, name=name):
                    expected = [(line, 1, "“mine” is here twice")] if is_twice else []
                    self.assertEqual(told, expected)

    def test_everything_wrong_is_told_at_once(self):
        self.assertEqual(len(refusal("a = b\ndef right():\n    x = 1\n    y += 1\nimport os")), 4)

    def test_hostile_scripts_are_refused_and_none_takes_long(self):
        doubling = "".join(f"def f{n}():\n    f{n + 1}()\n    f{n + 1}()\n" for n in range(40))
        elifs = "def right():\n    if 1:\n        pass\n" + "    elif 1:\n        pass\n" * 700
        for script in (
            "x" * 10**6,
            "score = 0\n" * 10**5,
            "def right():\n    score = " + "-" * 15_000 + "1",
            "def right():\n    score = " + "1+" * 9000 + "1",
            "def right():\n    score = " + "(" * 9000,
            "def right():\n    score = " + "not " * 300 + "1",
            "def right():\n    score = 9" + "9" * 5000,
            doubling + "def f40():\n    score += 1\n",
            elifs,
            "def right():\n    score = 9 ** 9 ** 9",
            "def right():\n    score = ''.__class__.__mro__",
            "def right():\n    __import__('os')",
            "def right():\n    score = [c for c in ()]",
            "def right():\n    score = f'{score}'",
            "def right():\n    score = round(5, -999999999)",
            "\0",
            "def right():\n\tif 1:\n        pass",
        ):
            with self.subTest(script=script[:60]):
                began = time.thread_time()
                self.assertTrue(refusal(script))
                self.assertLess(time.thread_time() - began, 2)

    def test_products_stay_bounded_however_many_factors(self):
        counters, script_actions = run(
            "big = 1000000000\ndef right():\n    score = big" + " * big" * 150
        )
        self.assertEqual((counters["score"], script_actions[0].what), (0, "fault"))

    @given(st.text() | st.text("score=+-*/()[]:\n defrightwonlcu0123456789'\"", max_size=200))
    def test_no_text_makes_the_parser_fail_otherwise(self, text):
        try:
            made = rules(text)
        except ScriptFaults as faults:
            for fault in faults.faults:
                self.assertTrue(fault.line >= 1 and fault.column >= 1 and fault.what and fault.mend)
            return
        for event in Event:
            settle(made, made.first, Outcome(event), lambda sides: sides)
