"""What a host of players' runs takes and keeps, and from when it counts."""

import unittest
from dataclasses import replace
from itertools import chain, product
from unittest import mock

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Continue,
    Draw,
    Input,
    Kind,
    Letter,
    Pack,
    Phase,
    Question,
    Wait,
)
from dicetrail.core.play import (
    Listen,
    RunIsFull,
    StaleRun,
    check_seen,
    continued,
    made_ready,
    new_session,
    session,
    taken,
    time_of_input,
)
from tests.core.examples import FIVE, changed

SUMS = {"veg": Pack("S", tuple(Question(f"{n}?", ("7",), (), Kind.NUMBER) for n in range(5)))}
MS = st.integers(0, 10_000)


def begun(**rules):
    program = made_ready(changed(FIVE, draw=Draw(5), **rules), SUMS)
    before = new_session(program, 7, ("Ada",))
    return program, taken(program, before, Input(Begin(), 0)).session


class TestWhatIsKept(unittest.TestCase):
    def test_an_answer_that_is_read_is_kept_whatever_its_length_and_others_within_bounds(
        self,
    ):
        longest, most = session.LONGEST_UNREAD, session.MAX_UNREAD
        texts = {"8": True, "8" + " " * longest: True, "?": False, "?" * longest: False}
        texts["?" * (longest + 1)] = None  # too long to be kept at all
        for text, times in product(texts, (1, most, most + 1, most + 3)):
            program, now = begun(ask=Ask(tries=None))
            before, is_read = now, texts[text]
            kept = 0
            for at in range(times):
                after = taken(program, now, Input(Answer(text), at))
                is_told = after.moment.state.question.result == "unreadable"
                self.assertEqual(is_told, not is_read, text[:9])
                kept += after.is_kept
                self.assertEqual(after.session is now, not after.is_kept)
                now = after.session
            expected = {True: times, False: min(times, most), None: 0}[is_read]
            with self.subTest(text=text[:9], length=len(text), times=times):
                self.assertEqual(kept, expected)
                self.assertEqual(now.seen, before.seen + expected)
                self.assertEqual(now.text, len(text) * expected)

    def test_one_that_is_read_lets_as_many_more_be_unreadable(self):
        program, now = begun(ask=Ask(tries=None))
        for text in (*"?" * session.MAX_UNREAD, "8", *"?" * session.MAX_UNREAD):
            after = taken(program, now, Input(Answer(text), 1))
            self.assertTrue(after.is_kept)
            now = after.session

    def test_what_changes_nothing_is_not_kept_and_a_wait_that_brings_something_is(self):
        program, now = begun(ask=Ask(seconds=5))
        for action, at, is_kept in (
            (Wait(), 100, False),
            (Listen(), 100, False),
            (Letter("a"), 100, False),  # refused: no word to spell
            (Wait(), 4_999, False),
            (Wait(), 5_000, True),
        ):
            with self.subTest(action=action, at=at):
                self.assertEqual(taken(program, now, Input(action, at)).is_kept, is_kept)

    def test_a_run_takes_so_many_inputs_and_characters_and_no_more(self):
        for name, value, fits in (("MAX_INPUTS", 3, 2), ("MAX_TEXT", 4, 4)):
            program, now = begun(ask=Ask(tries=None))
            with mock.patch.object(session, name, value):
                for at in range(fits):
                    now = taken(program, now, Input(Answer("8"), at)).session
                with self.assertRaises(RunIsFull):
                    taken(program, now, Input(Answer("8"), fits))

    def test_inputs_that_were_kept_lead_to_the_same_session_again(self):
        program, now = begun(ask=Ask(tries=2))
        first, inputs = new_session(program, 7, ("Ada",)), [Input(Begin(), 0)]
        actions = map(Answer, ("8", "?", "7")), [Continue()], map(Answer, ("7", "7"))
        for at, action in enumerate(chain(*actions), 1):
            given_ = Input(action, 1000 * at)
            after = taken(program, now, given_)
            inputs += [given_] * after.is_kept
            now = after.session
            self.assertEqual(continued(program, first, inputs), now)
        self.assertEqual([one.result for one in now.answered], ["right", "right"])
        self.assertEqual(len(inputs), 6)  # the last answer came while nothing was asked
        self.assertIs(now.state.phase, Phase.HOLDING)

    def test_only_who_has_seen_all_inputs_gives_the_next(self):
        _, now = begun()
        check_seen(now, 1)
        for seen in (0, 2):
            with self.assertRaises(StaleRun):
                check_seen(now, seen)


class TestTimes(unittest.TestCase):
    @given(MS, MS, st.none() | MS, MS, st.none() | st.integers(0, 500))
    def test_a_page_is_believed_within_bounds_that_give_nothing_away(
        self, stands, arrived, said, shown, delay
    ):
        """The time nearest to what is said that is neither after it arrived, nor further back than
        a slow connection explains; and none before what was there or was shown."""
        _, now = begun()
        now = replace(now, state=now.state._replace(at=stands))
        counts = time_of_input(now, arrived, said, shown, delay)
        floor = max(stands, shown)
        possible = range(0 if delay is None else max(0, arrived - delay), arrived + 1)
        wanted = arrived if said is None else said
        nearest = min(possible, key=lambda at: abs(at - wanted))
        self.assertEqual(counts, max(floor, nearest))
