"""A module made smaller for what is known does the same for all that can be."""

import ast
import unittest
from itertools import product
from types import SimpleNamespace

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.takeaway.written.specialising import specialise

VALUES = {
    "round_.is_timed": (True, False),
    "round_.tries": (0, 1, 2),
    "question.kind": ("choice", "typed", "letters"),
    "question.hint": ("", "It is green.", "It is red."),
}
"""The fields that the made-up functions read, and every value they can have."""
GIVEN = (0, 1, 2)
"""What a function is called with."""
LEAVES = st.sampled_from([*VALUES, "x", "y", "z", "0", "1", "2", "''", "'typed'", "True", "None"])
TEXTS = ("question.kind", "question.hint", "'typed'", "''")


def _joined(parts):
    return st.one_of(
        st.builds("({} and {})".format, parts, parts),
        st.builds("({} or {})".format, parts, parts),
        st.builds("(not {})".format, parts),
        st.builds("({} == {})".format, parts, parts),
        st.builds("({} in ('typed', 1, 'choice'))".format, parts),
        st.builds("({} if {} else {})".format, parts, parts, parts),
        st.builds("min(len(str({})), round_.tries)".format, parts),
        st.builds("{{'typed': {}, 'letters': {}}}.get(x, {})".format, parts, parts, parts),
        st.builds("helped({}, {})".format, parts, parts),
        st.builds("[(one, y) for one in [1] for y in [{}, 2]]".format, parts),
        st.builds("[other for one in [round_.tries] for other in [{}, 2]]".format, parts),
    )


EXPRESSIONS = st.recursive(LEAVES, _joined, max_leaves=6)
NAMES = st.sampled_from("xyz")
INDENT = "    "


def _indented(lines):
    return [INDENT + line for line in lines]


def _blocks(lines):
    several = st.lists(lines, min_size=1, max_size=4)
    return several.map(lambda parts: [line for part in parts for line in part])


SIMPLE = st.one_of(
    st.builds(lambda name, value: [f"{name} = {value}"], NAMES, EXPRESSIONS),
    st.builds(lambda value: [f"told.append(f'{{{value}}}')"], st.sampled_from([*VALUES, "x", "y"])),
    st.builds(lambda value: [f"player.score = {value}"], EXPRESSIONS),
    st.builds(lambda value: [f"player.seen += bool({value})"], EXPRESSIONS),
    st.builds(lambda value: [f"return {value}"], EXPRESSIONS),
)
STATEMENTS = st.recursive(
    SIMPLE,
    lambda lines: st.builds(
        lambda test, body, other: [f"if {test}:", *_indented(body), "else:", *_indented(other)],
        EXPRESSIONS,
        _blocks(lines),
        _blocks(lines),
    ),
    max_leaves=5,
)
MODULE = """
class Player:
    '''Who plays.'''

    score: object = 0
    seen: int = 0

def helped(first, second):
    return {given}

def main(round_, question, x, told):
    player = Player()
    y, z = 1, 'typed'
{body}
    return [x, y, z{seen}]
"""
OWNERS = {"player": "Player", "round_": "Round", "question": "Question"}


def done(text, fields, x):
    """What a module's function gives and tells for some fields."""
    names = {}
    exec(text, names)
    told = []
    parts = {"round_": SimpleNamespace(), "question": SimpleNamespace()}
    for name, value in fields.items():
        owner, _, field = name.partition(".")
        setattr(parts[owner], field, value)
    given = names["main"](parts["round_"], parts["question"], x, told)
    return given, told


class TestSpecialised(unittest.TestCase):
    @given(
        _blocks(STATEMENTS),
        st.sampled_from(["first", "second or first", "'typed'", "not first", "helps(second)"]),
        st.booleans(),
        st.fixed_dictionaries(
            {name: st.sets(st.sampled_from(values), min_size=1) for name, values in VALUES.items()}
        ),
    )
    def test_it_does_the_same_for_every_value_that_can_be(self, body, helped, reads, known):
        more = "def helps(second):\n    return second\n" if "helps" in helped else ""
        seen = ", player.score, player.seen" if reads else ""
        text = more + MODULE.format(given=helped, body="\n".join(_indented(body)), seen=seen)
        tree = ast.parse(text)
        specialise(tree, {name: frozenset(values) for name, values in known.items()}, set(), OWNERS)
        small = ast.unparse(ast.fix_missing_locations(tree))
        for several in product(*known.values()):
            fields = dict(zip(known, several, strict=True))
            for x in GIVEN:
                self.assertEqual(done(text, fields, x), done(small, fields, x), small)

    def test_what_nothing_reads_is_gone(self):
        body = ("if round_.is_timed:", "    told.append(x)", "player.score = bool(x)", "y += 0")
        text = MODULE.format(given="second", body="\n".join(_indented(body)), seen="")
        tree = ast.parse(text)
        known = {"round_.is_timed": frozenset([False])}
        specialise(tree, known, set(), OWNERS)
        wanted = "def main(round_, question, x, told):\n    Player()\n    y, z = (1, 'typed')\n"
        self.assertEqual(ast.unparse(tree.body[-1]), f"{wanted}    return [x, y, z]")
        self.assertEqual(ast.unparse(tree.body[0]), 'class Player:\n    """Who plays."""')
        self.assertEqual(len(tree.body), 2)
