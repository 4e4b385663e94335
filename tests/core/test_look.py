import unittest
from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import Game, survey
from dicetrail.core.document import (
    Colours,
    Corner,
    Cue,
    Look,
    Note,
    Occasion,
    Sound,
    contrast,
    dark_palette,
    light_palette,
    meetings,
    nearest_that_holds,
    palette,
    sounds_of,
)
from dicetrail.core.play import dress
from dicetrail.core.workbench import READY_LOOKS, changes_between

colours = st.integers(0, 0xFFFFFF).map("#{:06x}".format)
looks = st.builds(Colours, *[colours] * 6)

WORDS_ON = (
    ("ink", ("paper", "card", "tint", "right_pale", "wrong_pale")),
    ("soft", ("paper", "card")),
    ("on_accent", ("accent", "accent_strong")),
    ("right", ("card", "right_pale")),
    ("wrong", ("card", "wrong_pale")),
)
"""Words that stand on each colour of a page."""

PARTS_ON = (("edge", ("card",)), ("accent", ("card",)), ("focus", ("paper", "card")))
"""Edges and rings that stand on each."""


class TestLook(unittest.TestCase):
    def assert_legible(self, shown):
        for pairs, wanted in ((WORDS_ON, 4.5), (PARTS_ON, 3)):
            for name, grounds in pairs:
                for ground in grounds:
                    told = f"{name} on {ground} of {shown}"
                    one, other = getattr(shown, name), getattr(shown, ground)
                    self.assertGreaterEqual(contrast(one, other), wanted, told)

    @given(looks)
    def test_what_is_made_of_colours_holds_wherever_the_six_do(self, chosen):
        own, by_light, by_dark = palette(chosen), light_palette(chosen), dark_palette(chosen)
        for shown in (by_light, by_dark):
            if shown != own:
                self.assert_legible(shown)
        if all(meeting.is_held for meeting in meetings(chosen)):
            self.assert_legible(own)

    @given(looks)
    def test_what_is_offered_is_the_nearest_that_holds(self, chosen):
        for meeting in meetings(chosen):
            if meeting.is_held:
                continue
            mend = replace(chosen, **{meeting.of: meeting.nearest})
            held = {met.on: met for met in meetings(mend) if met.of == meeting.of}
            # Black and white hold on every colour, but not on two that lie far apart.
            if not all(met.is_held for met in held.values()):
                grounds = tuple(getattr(chosen, on) for on in held)
                self.assertIsNone(nearest_that_holds(getattr(chosen, meeting.of), grounds, 4.5))

    @given(looks)
    def test_a_dark_page_is_dark_and_a_light_one_light(self, chosen):
        self.assertTrue(dark_palette(chosen).is_dark)
        self.assertFalse(light_palette(chosen).is_dark)

    def test_every_ready_look_holds_as_it_is_and_by_either_light(self):
        for ready in READY_LOOKS:
            with self.subTest(ready.name):
                self.assertEqual(
                    [met for met in meetings(ready.look.colours) if not met.is_held], []
                )
                for paint in (palette, light_palette, dark_palette):
                    self.assert_legible(paint(ready.look.colours))

    def test_the_survey_tells_what_cannot_be_seen_and_its_mend_is_one(self):
        game = Game("", (), (), look=Look(Colours(ink="#cccccc", right="leaf green")))
        told = {found.where: found for found in survey(game, {})}
        self.assertIn("“leaf green” is no colour", told["look.colours.right"].what)
        self.assertIn("ink on ground has a contrast of", told["look.colours.ink"].what)
        offered = told["look.colours.ink"].mend.split()[2].rstrip(",")
        mend = replace(game, look=Look(Colours(ink=offered)))
        wheres = [found.where for found in survey(mend, {})]
        self.assertFalse([where for where in wheres if where.startswith("look")])

    def test_music_that_is_not_there_is_told_and_music_that_is_can_be_played(self):
        music = replace(Look().music, playing="hum")
        game = Game("", (), (), look=replace(Look(), music=music))
        self.assertIn("look.music.playing", [found.where for found in survey(game, {})])
        whole = replace(game, sounds=(Sound("hum"),))
        self.assertNotIn("look.music.playing", [found.where for found in survey(whole, {})])

    def test_a_long_sound_may_be_music_and_is_told_where_a_cue_plays_it(self):
        long = Sound("walk", (Note("C4", 2000),) * 4)
        cued = Game("", (), (), cues=(Cue("a", (Occasion.RIGHT,), sound="walk"),), sounds=(long,))
        self.assertIn("cues[0].sound", [found.where for found in survey(cued, {})])
        music = replace(Look().music, ending="walk")
        played = Game("", (), (), sounds=(long,), look=replace(Look(), music=music))
        wheres = [found.where for found in survey(played, {})]
        self.assertFalse([where for where in wheres if where.startswith(("sounds", "look"))])
        self.assertEqual(sounds_of(played), ("walk",))
        self.assertEqual(sounds_of(replace(played, sounds=())), ())

    def test_what_changed_of_a_look_is_told_in_words(self):
        old = Game("", (), ())
        new = replace(old, look=Look(Colours(ink="#000000"), corner=Corner.ROUND))
        self.assertEqual(
            changes_between(old, new),
            ("look, colours, ink #1f2a2e → #000000", "look, corner slight → round"),
        )

    def test_what_is_no_colour_never_reaches_a_page(self):
        sly = "red; background: url(//elsewhere)"
        dressed = dress(Game("", (), (), look=Look(Colours(*[sly] * 6))))
        for shown in (dressed.own, dressed.light, dressed.dark):
            self.assertNotIn("url", str(shown))
