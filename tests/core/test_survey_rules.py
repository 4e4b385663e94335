"""Every fault and warning of the rules, found at its place with a mend."""

import unittest
from dataclasses import replace

from dicetrail.core import (
    After,
    Ask,
    Check,
    Cue,
    Draw,
    DrawOrder,
    Ending,
    ItemList,
    Lists,
    Moves,
    Occasion,
    Opening,
    Refill,
    Round,
    Severity,
    Sums,
    To,
    Way,
    look_over,
    survey,
)
from dicetrail.core.document import ListsAsk, Operator, Span
from tests.core.examples import FIVE, PACKS, changed

FAULT, WARNING = Severity.FAULT, Severity.WARNING
LIVES = "lives = 3\ndef right():\n    score += 1\ndef wrong():\n    lives -= 1\n"
ROOTS = ItemList("Root", ("beet", "carrot", "parsnip"))
LEAVES = ItemList("Leaf", ("kale", "chard", "cress"))
REST = Ending("Rest", "")
SIX = Ending("Six", "", 6)


def lists(*groups, **rules):
    return changed(lists=(Lists(groups, **rules),), packs=(), draw=Draw(None))


def sums(**rules):
    return changed(sums=(Sums(**rules),), packs=(), draw=Draw(None))


def ended(*endings, script=FIVE.script):
    return replace(FIVE, endings=endings, script=script)


class TestRuleProblems(unittest.TestCase):
    def assert_found(self, rows):
        for game, severity, where, words in rows:
            with self.subTest(where=where, words=words):
                found = [p for p in survey(game, PACKS) if p.where == where and words in p.what]
                self.assertEqual([p.severity for p in found], [severity], survey(game, PACKS))
                self.assertTrue(found[0].mend)

    def test_numbers_out_of_range(self):
        self.assert_found(
            (game, FAULT, where, "out of range")
            for game, where in (
                (replace(FIVE, seconds=0), "seconds"),
                (replace(FIVE, opening=Opening(most_players=5)), "opening.most_players"),
                (changed(seconds=86_401), "rounds[0].seconds"),
                (changed(ask=Ask(seconds=0)), "rounds[0].ask.seconds"),
                (changed(ask=Ask(tries=21)), "rounds[0].ask.tries"),
                (changed(ask=Ask(misses=0)), "rounds[0].ask.misses"),
                (changed(ask=Ask(shown=1)), "rounds[0].ask.shown"),
                (changed(check=Check(typos=4)), "rounds[0].check.typos"),
                (changed(after=After(hold_ms=-1)), "rounds[0].after.hold_ms"),
                (changed(draw=Draw(weights=(1, 1, 1, 1, 9999))), "rounds[0].draw.weights[4]"),
                (replace(FIVE, cues=(Cue("c", hold_ms=99_999),)), "cues[0].hold_ms"),
                (ended(Ending("E", "", 10**10), REST), "endings[0].at_least"),
                (sums(cap=10**10), "rounds[0].sums[0].cap"),
                (sums(count=0), "rounds[0].sums[0].count"),
                (sums(left=Span(-1, 5)), "rounds[0].sums[0].left.least"),
                (sums(denominators=Span(0, 5)), "rounds[0].sums[0].denominators"),
            )
        )

    def test_lists_that_cannot_be_asked(self):
        at = "rounds[0].lists[0]"
        odd = ListsAsk.ODD_ONE_OUT
        self.assert_found(
            (
                (lists(ROOTS), FAULT, at, "1 lists"),
                (lists(ROOTS, replace(LEAVES, title="")), FAULT, f"{at}.lists[1].title", "no name"),
                (lists(ROOTS, ROOTS), FAULT, f"{at}.lists[1].title", "twice"),
                (lists(ROOTS, ItemList("Fruit", ())), FAULT, f"{at}.lists[1].items", "0 items"),
                (lists(ROOTS, ItemList("X", ("a", ""))), FAULT, f"{at}.lists[1].items[1]", "empty"),
                (
                    lists(ROOTS, ItemList("X", ("a",) * 2)),
                    FAULT,
                    f"{at}.lists[1].items[1]",
                    "twice",
                ),
                (lists(ROOTS, LEAVES, asks=odd, choices=2), FAULT, f"{at}.choices", "out of range"),
                (lists(ROOTS, LEAVES, asks=odd, choices=5), FAULT, at, "no list has 4 items"),
                (changed(lists=(Lists((ROOTS, LEAVES)),) * 51), FAULT, "rounds[0].lists", "51"),
            )
        )

    def test_sums_that_cannot_be_made(self):
        at = "rounds[0].sums[0]"
        self.assert_found(
            (
                (sums(left=Span(9, 1)), FAULT, f"{at}.left", "from 9 to 1"),
                (
                    sums(left=Span(0, 100_000), right=Span(0, 100_000), cap=50),
                    FAULT,
                    f"{at}.left",
                    "more than 10,000 rows",
                ),
                (sums(choices=13), FAULT, f"{at}.choices", "out of range"),
                (sums(choices=1), FAULT, f"{at}.choices", "1 choice"),
                (sums(cap=1, left=Span(5, 9)), FAULT, at, "no sum keeps"),
                (
                    sums(operator=Operator.OVER, denominators=Span(2, 3)),
                    FAULT,
                    f"{at}.operator",
                    "fractions are not divided",
                ),
            )
        )

    def test_draws_that_bring_nothing_or_too_little(self):
        nothing = Draw(None, DrawOrder.WEIGHTED, weights=(0, 0, 0, 0, 0))
        self.assert_found(
            (
                (changed(draw=Draw(levels=(4,))), FAULT, "rounds[0].draw", "no question passes"),
                (changed(draw=nothing), FAULT, "rounds[0].draw", "no question passes"),
                (changed(draw=Draw(weights=(1, 1))), FAULT, "rounds[0].draw.weights", "2 weights"),
                (changed(draw=Draw(99)), WARNING, "rounds[0].draw.count", "only 12"),
            )
        )
        refilled = changed(draw=Draw(99, refill=Refill.WHEN_EMPTY))
        self.assertEqual([p for p in survey(refilled, PACKS) if "only" in p.what], [])

    def test_names_that_lead_nowhere_or_stand_for_two(self):
        twice = replace(FIVE, rounds=FIVE.rounds * 2)
        gone = Moves(right=Way(To.ROUND, "Gone"), wrong=Way(To.ENDING, "Gone"))
        says = "def right():\n    {}\n"
        self.assert_found(
            (
                (twice, FAULT, "rounds[1].title", "two rounds are called “Only”"),
                (ended(REST, REST), FAULT, "endings[1].title", "two endings"),
                (changed(moves=gone), FAULT, "rounds[0].moves.right", "no round “Gone”"),
                (changed(moves=gone), FAULT, "rounds[0].moves.wrong", "no ending “Gone”"),
                (
                    replace(FIVE, script=says.format('finish("Gone")')),
                    FAULT,
                    "script[2:12]",
                    "no ending “Gone”",
                ),
                (replace(FIVE, script=says.format('go("Gone")')), FAULT, "script[2:8]", "no round"),
                (replace(FIVE, script=says.format('cue("Gone")')), FAULT, "script[2:9]", "no cue"),
                (
                    replace(FIVE, script=says.format('tell("{scor}")')),
                    WARNING,
                    "script[2:10]",
                    "nothing fills in “{scor}”",
                ),
                (
                    replace(FIVE, script=says.format("score += seconds_left")),
                    WARNING,
                    "script",
                    "no round sets a question clock",
                ),
            )
        )

    def test_cues_that_are_unnamed_doubled_or_never_played(self):
        right = (Occasion.RIGHT,)
        self.assert_found(
            (
                (replace(FIVE, cues=(Cue(" ", right),)), FAULT, "cues[0].name", "no name"),
                (replace(FIVE, cues=(Cue("c", right),) * 2), FAULT, "cues[1].name", "twice"),
                (replace(FIVE, cues=(Cue("c"),)), WARNING, "cues[0]", "never played"),
                (
                    replace(FIVE, cues=(Cue("c", right, "{livs}"),)),
                    WARNING,
                    "cues[0].words",
                    "“{livs}”",
                ),
            )
        )

    def test_endings_that_cannot_be_reached_or_leave_a_gap(self):
        out = Ending("Out", "", at_most=0, counts="lives", at_once=True)
        first = Ending("First", "", at_most=0, at_once=True)
        self.assert_found(
            (
                (ended(Ending("E", "", counts="livs"), REST), FAULT, "endings[0].counts", "“livs”"),
                (ended(Ending("E", "", when="scor > 1"), REST), FAULT, "endings[0].when", "“scor”"),
                (
                    ended(Ending("E", "", when="leaders > 1", at_once=True), REST),
                    FAULT,
                    "endings[0].when",
                    "once the game is over",
                ),
                (ended(first, REST), FAULT, "endings", "over before its first question"),
                (ended(out, Ending("All", "", 4), script=LIVES), FAULT, "endings", "score of 3"),
                (
                    ended(out, Ending("Six", "", 6), REST, script=LIVES),
                    WARNING,
                    "endings[1]",
                    "“Six”",
                ),
            )
        )
        sound = ended(out, REST, script=LIVES)
        self.assertEqual(survey(sound, PACKS), ())

    def test_a_game_with_too_many_ways_plays_and_is_told_where_no_ending_may_fit(self):
        many = "def right():\n    score += roll(1000)\n"
        whole = (Ending("Low", "", None, 9), Ending("High", "", 10))
        gap = (Ending("Low", "", None, 9), Ending("High", "", 11))
        self.assertEqual(survey(ended(*whole, script=many), PACKS), ())
        told = look_over(ended(*whole, script=many), PACKS)
        self.assertFalse(told.spans_are_whole)
        self.assertEqual([span.ending for span in told.score_spans], [0, 1])
        self.assert_found(((ended(*gap, script=many), WARNING, "endings", "not settled"),))
        halves = many.replace("roll(1000)", "roll(1000) / 4")
        self.assert_found(((ended(*whole, script=halves), WARNING, "endings", "not settled"),))
        percent = (
            Ending("Fail", "", None, 79, counts="percent"),
            Ending("Pass", "", 80, counts="percent"),
        )
        self.assertEqual(survey(ended(*percent, script=many), PACKS), ())

    def test_every_way_of_rounds_tries_clocks_and_hints_is_followed(self):
        """The final scores found are exactly those that can be added up by hand."""
        first = replace(FIVE.rounds[0], title="1", draw=Draw(1), ask=Ask(tries=2, seconds=3))
        second = Round("2", ("veg",), draw=Draw(1), ask=Ask(passing=True), seconds=9)
        rules = """
score = 0
def right():
    if round_number == 1:
        score += [100, 50][tries_used - 1] + seconds_left
    else:
        score += 1000
def passed():
    score += 5
def round_over():
    score += 1
"""
        game = replace(FIVE, rounds=(first, second), endings=(REST,), script=rules)
        told = look_over(game, PACKS)
        self.assertTrue(told.spans_are_whole)
        one = {0} | {base + left for base in (100, 50) for left in (0, 1, 2, 3)}
        expected = {a + b + 2 for a in one for b in (0, 5, 1000)}
        (span,) = told.score_spans
        self.assertEqual((span.lowest, span.highest), (min(expected), max(expected)))
        every = [Ending(str(n), "", n, n) for n in range(min(expected), max(expected) + 1)]
        missed = {
            int(game_.endings[int(p.where[8:-1])].title)
            for game_ in (replace(game, endings=(*every[:80], REST)),)
            for p in survey(game_, PACKS)
            if "no run can reach" in p.what
        }
        reached = {n for n in range(2, 82) if n not in missed}
        self.assertEqual(reached, {n for n in expected if n < 82})
