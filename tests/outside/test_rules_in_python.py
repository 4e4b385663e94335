"""The rule script is a subset of Python, so Python itself is the reference.

Random scripts of the subset are run by the engine's rules and by Python's own `exec`; the
counters must come out the same. Reference: the CPython interpreter that runs the tests
(The Python Language Reference, 3.11, chapters 6 and 7).
"""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Ending, Game, Outcome, Round, settle
from dicetrail.core.rules import rules_of
from dicetrail.core.rules.script import LIMIT, Event

COUNTERS = ("score", "lives", "combo")
FACTS = {"worth": 3, "seconds_left": 7, "tries_used": 2, "level": 4}

NAMES = st.sampled_from((*COUNTERS, *FACTS))
SIGNS = st.sampled_from(["+", "-", "*", "/", "//", "%"])
NUMBERS = st.integers(-30, 30).map(str) | st.sampled_from(("0.5", "2.25", "True"))
VALUES = st.recursive(
    NUMBERS | NAMES,
    lambda inner: st.one_of(
        st.builds("({} {} {})".format, inner, SIGNS, inner),
        st.builds("({} {} {})".format, inner, st.sampled_from(["<", "<=", "==", "!="]), inner),
        st.builds("({} {} {})".format, inner, st.sampled_from(["and", "or"]), inner),
        st.builds("({} if {} else {})".format, inner, inner, inner),
        st.builds("(not {})".format, inner),
        st.builds("(-{})".format, inner),
        st.builds("{}({}, {})".format, st.sampled_from(["min", "max"]), inner, inner),
        st.builds("abs({})".format, inner),
        st.builds("round({})".format, inner),
        st.builds("[{}, {}, 5][tries_used - 1]".format, inner, inner),
    ),
    max_leaves=6,
)


def indented(lines):
    return ["    " + line for line in lines]


ASSIGNMENTS = st.builds(
    "{} {} {}".format,
    st.sampled_from(COUNTERS),
    st.sampled_from(["=", "+=", "-=", "*=", "//="]),
    VALUES,
).map(lambda line: [line])
BLOCKS = st.recursive(
    ASSIGNMENTS,
    lambda inner: st.one_of(
        st.builds(lambda one, other: [*one, *other], inner, inner),
        st.builds(
            lambda test, body, other: [f"if {test}:", *indented(body), "else:", *indented(other)],
            VALUES,
            inner,
            inner,
        ),
    ),
    max_leaves=8,
)


class OutOfBounds(Exception):
    """The script left what the language allows."""


class Guarded(dict):
    """Python's globals, holding counters to the language's limit."""

    def __setitem__(self, name, value):
        if name in COUNTERS and not -LIMIT <= value <= LIMIT:
            raise OutOfBounds
        super().__setitem__(name, value)


def by_python(script):
    """The counters after `right()` as Python runs the script; None if it leaves the limits."""
    head, body = script.split("def right():\n")
    known = Guarded(FACTS)
    plain = "\n".join(line.removeprefix("    ") for line in body.splitlines())
    try:
        exec(head, {"__builtins__": {}}, known)
        exec(plain, {"abs": abs, "max": max, "min": min, "round": round}, known)
    except (OutOfBounds, ArithmeticError):
        return None
    return tuple(known[name] for name in COUNTERS)


class TestTheSubset(unittest.TestCase):
    @given(st.tuples(*[st.integers(-50, 50)] * 3), BLOCKS)
    def test_random_scripts_give_the_counters_that_python_gives(self, firsts, body):
        head = "".join(f"{name} = {first}\n" for name, first in zip(COUNTERS, firsts, strict=True))
        script = head + "def right():\n" + "\n".join(indented(body)) + "\n"
        expected = by_python(script)
        rules = rules_of(Game("G", (Round("R"),), (Ending("E", ""),), script))
        settled = settle(rules, rules.first, Outcome(Event.RIGHT, **FACTS))
        if expected is None:
            self.assertEqual(
                {script_action.what for script_action in settled.script_actions}, {"fault"}
            )
        else:
            self.assertEqual((settled.tally.counters, settled.script_actions), (expected, ()))
