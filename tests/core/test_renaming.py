"""A part under another name, and all that names it."""

import unittest
from dataclasses import replace
from itertools import product

from dicetrail.core.document import (
    Cue,
    Ending,
    Game,
    Moves,
    Music,
    Opening,
    Round,
    Sound,
    To,
    Way,
)
from dicetrail.core.workbench import Named, renamed

SCRIPT = """\
score = 0

def right():
    score += 1
    cue('Bell')
    if score > 3:
        finish("Won")

def wrong():
    # go("Beds") and finish("Won") stand in a comment
    go( "Beds" )
"""
GAME = Game(
    "T",
    (
        Round(
            "Beds", ("p",), moves=Moves(right=Way(To.ENDING, "Won"), wrong=Way(To.ROUND, "Beds"))
        ),
        Round("Paths", ("p",), moves=Moves(timeout=Way(To.ROUND, "Beds"))),
    ),
    (Ending("Won", "“Won” is said", cue="Bell"), Ending("Rest", "")),
    SCRIPT,
    Opening(narration="Tune"),
    (Cue("Bell", sound="Tune"),),
    sounds=(Sound("Tune"),),
)
NAMES = ("Other", "", "Rest", 'He said "go"', "a\\b", "Бук", "Won")


class TestRenaming(unittest.TestCase):
    def test_what_names_a_part_follows_and_nothing_else_does(self):
        game = renamed(GAME, Named.ENDING, 0, "Champion")
        self.assertEqual(game.endings[0].title, "Champion")
        self.assertEqual(game.rounds[0].moves.right, Way(To.ENDING, "Champion"))
        self.assertEqual(game.endings[0].verdict, "“Won” is said")
        self.assertEqual(
            game.script,
            SCRIPT.replace('        finish("Won")', '        finish("Champion")'),
        )
        game = renamed(GAME, Named.ROUND, 0, "Rows")
        self.assertEqual(game.rounds[1].moves.timeout, Way(To.ROUND, "Rows"))
        self.assertIn('go( "Rows" )', game.script)
        game = renamed(GAME, Named.CUE, 0, "Gong")
        self.assertEqual((game.endings[0].cue, game.cues[0].name), ("Gong", "Gong"))
        self.assertIn('cue("Gong")', game.script)
        look = replace(GAME.look, music=Music(playing="Tune"))
        game = renamed(replace(GAME, look=look), Named.SOUND, 0, "Air")
        self.assertEqual(game.look.music.playing, "Air")
        self.assertEqual((game.cues[0].sound, game.opening.narration), ("Air", "Air"))

    def test_there_and_back_is_nothing_for_every_kind_and_free_name(self):
        for kind, name in product(Named, NAMES):
            with self.subTest(kind=kind, name=name):
                there = renamed(GAME, kind, 0, name)
                field = "title" if kind in (Named.ROUND, Named.ENDING) else "name"
                row = getattr(GAME, f"{kind.value}s")
                before = getattr(row[0], field)
                if name in ("", *(getattr(part, field) for part in row)):
                    self.assertEqual(there.script, SCRIPT)
                    continue
                back = renamed(there, kind, 0, before)
                plain = SCRIPT.replace("'Bell'", '"Bell"')
                self.assertEqual(replace(back, script=plain), replace(GAME, script=plain))
                self.assertEqual(back.script.replace("'Bell'", '"Bell"'), plain)

    def test_two_of_one_name_part_without_taking_each_others_ways(self):
        twins = renamed(GAME, Named.ENDING, 1, "Won")
        self.assertEqual(twins.rounds, GAME.rounds)
        parted = renamed(twins, Named.ENDING, 1, "Second")
        self.assertEqual(parted.rounds, GAME.rounds)
        self.assertEqual(parted.script, SCRIPT)

    def test_a_script_that_cannot_be_read_stays_as_it_is(self):
        broken = replace(GAME, script='finish("Won"')
        self.assertEqual(renamed(broken, Named.ENDING, 0, "X").script, 'finish("Won"')
