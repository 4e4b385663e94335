"""A game in a terminal of any kind: what is shown, and what typed lines come to."""

import io
import re
import unittest

from hypothesis import given, settings
from hypothesis import strategies as st
from rich.console import Console

from dicetrail.core import (
    After,
    Draw,
    DrawOrder,
    Ending,
    Game,
    Kind,
    Pack,
    Phase,
    Question,
    Reveal,
    Round,
    build,
)
from dicetrail.standalone.terminal import Card, PlainScreen, StyledLine, TextStyle, play
from dicetrail.terminal import RichScreen
from tests.core.test_laws import DICE, GAMES, built

LINES = st.lists(
    st.sampled_from(
        ["", "a", "b", "1", "true", "honey", "root", "/hint", "/pass", "?", "11", "x y"]
    ),
    max_size=25,
)
TONES = st.sampled_from(TextStyle)
TEXTS = st.text(st.characters(codec="utf-8", exclude_categories=("C", "Zl", "Zp")), max_size=30)
PIECES = st.tuples(st.tuples(TONES, TEXTS))
PARTS = st.lists(
    st.builds(StyledLine, st.lists(st.tuples(TONES, TEXTS), max_size=3).map(tuple))
    | st.builds(
        Card, TEXTS, st.lists(st.builds(StyledLine, st.tuples(st.tuples(TONES, TEXTS)))).map(tuple)
    ),
    max_size=6,
)


class Typed:
    """Lines that are there at once, as if typed; each look at them takes half a second."""

    def __init__(self, lines, clock):
        self.left, self.clock, self.ended = list(lines), clock, False

    def next_within(self, _seconds):
        self.clock.now += 0.5
        if self.left:
            return self.left.pop(0)
        self.ended = True
        return None


class Clock:
    now = 0.0

    def __call__(self):
        return self.now


def played(program, dice, players, lines):
    """Where a run stands whose player types some lines, and all that was shown."""
    clock, stream = Clock(), io.StringIO()
    moment = play(program, dice, players, PlainScreen(stream), Typed(lines, clock), clock)
    return moment, stream.getvalue()


class TestTerminals(unittest.TestCase):
    @given(GAMES, DICE, LINES)
    @settings(max_examples=60)
    def test_whatever_is_typed_comes_to_what_the_engine_says(self, game, dice, lines):
        program = built(game)
        if program is None:
            return
        players = ("Marjory", "Ted")[: game.opening.most_players]
        moment, text = played(program, dice, players, lines)
        self.assertIs(moment.state.phase, Phase.ENDED, "it ends with the lines, or before")
        self.assertTrue(text.rstrip().endswith("=" * PlainScreen.WIDTH))
        again, same = played(program, dice, players, lines)
        self.assertEqual((again.state, same), (moment.state, text))
        score = program.rules.score(moment.state.tallies[moment.state.turn])
        self.assertIn(program.translator.number(score), text)

    @given(PARTS)
    def test_both_screens_show_the_same_words_in_the_same_order(self, parts):
        shown = []
        for screen, stream in self.screens():
            for part in parts:
                screen.show(part)
            screen.ask(StyledLine(((TextStyle.SOFT, "Score 3"),)))
            shown.append(re.sub(r"[\s─━│┃╭╮╰╯┌┐└┘=-]+", "", stream.getvalue()))
        self.assertEqual(*shown)

    def screens(self):
        plain, rich = io.StringIO(), io.StringIO()
        yield PlainScreen(plain), plain
        yield RichScreen(Console(file=rich, width=400, highlight=False, color_system=None)), rich

    def test_the_right_answer_is_told_after_the_answer_and_never_before(self):
        names = ("quillwort", "sedgebane", "mallowtip")
        pack = Pack(
            "P", tuple(Question(f"Q{n}?", (name,), (), Kind.TYPED) for n, name in enumerate(names))
        )
        order = Draw(3, DrawOrder.WRITTEN)
        for reveal in Reveal:
            round_ = Round("R", ("p",), draw=order, after=After(reveal))
            program = build(Game("G", (round_,), (Ending("E", ""),)), {"p": pack})
            for answered in range(4):
                _, text = played(program, 1, ("Ada",), ["", *["wrong", ""] * answered])
                told = [name for name in names if name in text]
                wanted = () if reveal is Reveal.NEVER else names[:answered]
                with self.subTest(reveal=reveal, answered=answered):
                    self.assertEqual(told, list(wanted))

    def test_a_bell_rings_and_tones_are_written_only_where_somebody_sits(self):
        class Seat(io.StringIO):
            def isatty(self):
                return True

        line = StyledLine(((TextStyle.GOOD, "✓"), (TextStyle.PLAIN, " Right.")))
        seated, piped = Seat(), io.StringIO()
        for stream in (seated, piped):
            screen = PlainScreen(stream)
            screen.show(line)
            screen.bell()
            screen.restate(line)
        self.assertIn("\033[1;32m✓\033[0m Right.", seated.getvalue())
        self.assertIn("\a", seated.getvalue())
        self.assertTrue(piped.getvalue().startswith("✓ Right.\n"))
        self.assertNotIn("\a", piped.getvalue())
