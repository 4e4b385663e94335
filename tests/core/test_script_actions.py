"""What the handbook says of each script action, in every handler that it can stand in."""

import unittest
from dataclasses import replace
from itertools import product

from dicetrail.core import (
    Ask,
    Begin,
    Check,
    Continue,
    Cue,
    Details,
    Draw,
    Ending,
    Game,
    Hint,
    Kind,
    Letter,
    Opening,
    Pack,
    Phase,
    Question,
    Refill,
    Round,
    start,
    step,
    table,
)
from dicetrail.core.document import Needs, PartlyRight
from dicetrail.core.play import Finish, Intent, made_ready, next_input
from dicetrail.core.rules import SCRIPT_ACTIONS, Event
from dicetrail.core.survey.reach import reach
from tests.core.examples import FIVE, PACKS, VEGETABLES, changed

ANSWERED = {
    "right": Intent.RIGHT,
    "partly": Intent.PARTLY,
    "wrong": Intent.WRONG,
    "timeout": Intent.LATE,
    "passed": Intent.PASSED,
}
ENDS = (Ending("Left", "You left.", 10**6), Ending("Rest", "So it ends."))

ALL_WANTED = {
    "veg": Pack(
        "All",
        tuple(
            Question(f"Bed {bed}?", ("pea", "bean"), ("rake",), details=Details(needs=Needs.ALL))
            for bed in range(12)
        ),
    )
}
PARTS = Check(partly=PartlyRight.RIGHT_PICKS)
HINTED = {
    "veg": replace(
        VEGETABLES,
        questions=tuple(
            replace(one, details=Details(hint="It grows.")) for one in VEGETABLES.questions
        ),
    )
}


def game_with(rules, ask=None, players=1, **more):
    """A game of two rounds, of three questions each, with these rules."""
    ask = ask or Ask(tries=3, seconds=10, passing=True)
    rounds = tuple(
        Round(title, ("veg",), draw=Draw(3), ask=ask, check=PARTS, **more)
        for title in ("One", "Two")
    )
    return Game("G", rounds, ENDS, f"score = 0\n{rules}", Opening(most_players=players))


def begun(game, packs=PACKS, players=("Ada",)):
    program = made_ready(game, packs)
    return program, step(program, start(program, 7, players).state, Begin(), 0).state


def after(program, state, intent):
    """The moment after a question came out so."""
    given = next_input(program, state, intent, state.at, hurries=True)
    return step(program, state, given.action, given.at)


def onward(program, state):
    """The state after the feedback."""
    while state.phase is Phase.HOLDING:
        state = step(program, state, Continue(), state.at).state
    return state


def prompt_of(program, state):
    return table(program, state).question.prompt


class TestWhereTheRunGoes(unittest.TestCase):
    def places(self, action, event, tries=3, players=("Ada",)):
        """The program, the state with the first question, and the one after it came out so."""
        rules = f"def {event}():\n    {action}\n"
        ask = Ask(tries=tries, seconds=10, passing=True)
        program, first = begun(game_with(rules, ask, len(players)), ALL_WANTED, players)
        return program, first, onward(program, after(program, first, ANSWERED[event]).state)

    def each(self):
        for event, tries in product(ANSWERED, (1, 3)):
            with self.subTest(event=event, tries=tries):
                yield event, tries

    def test_without_one_a_wrong_answer_leaves_the_tries_and_all_else_is_done_with(self):
        for event, tries in self.each():
            program, first, then = self.places("score += 1", event, tries)
            stands = event in ("partly", "wrong") and tries == 3
            self.assertEqual(prompt_of(program, then) == prompt_of(program, first), stands)
            self.assertEqual(then.round.position, int(not stands))

    def test_finish_ends_the_run_with_that_ending(self):
        for event, tries in self.each():
            program, _, then = self.places('finish("Left")', event, tries)
            self.assertIs(then.phase, Phase.ENDED)
            self.assertEqual(program.game.endings[then.ending].title, "Left")

    def test_go_begins_the_round_of_that_title(self):
        for event, tries in self.each():
            _, _, then = self.places('go("Two")', event, tries)
            self.assertEqual((then.phase, then.round.number), (Phase.ASKING, 1))
            self.assertEqual((then.round.position, then.question.tries_used), (0, 0))

    def test_again_asks_the_same_question_with_all_its_tries_and_counts_it_once(self):
        for event, tries in self.each():
            program, first, then = self.places("again()", event, tries)
            self.assertEqual(prompt_of(program, then), prompt_of(program, first))
            self.assertEqual((then.question.tries_used, then.round.position), (0, 0))
            self.assertEqual((then.tally.asked_count, then.tally.done_count), (1, 0))

    def test_skip_goes_to_the_next_question_tries_left_or_not(self):
        for event, tries in self.each():
            program, first, then = self.places("skip()", event, tries)
            self.assertNotEqual(prompt_of(program, then), prompt_of(program, first))
            self.assertEqual((then.round.number, then.round.position), (0, 1))

    def test_out_takes_the_player_out_and_the_others_play_on(self):
        for event, tries in self.each():
            for players in (("Ada",), ("Ada", "Ben"), ("Ada", "Ben", "Cem")):
                program, _, then = self.places("out()", event, tries, players)
                self.assertEqual(then.out, (0,))
                turns = []
                while then.phase is Phase.ASKING:
                    turns.append(then.turn)
                    other = Intent.RIGHT if event != "right" else Intent.PASSED
                    then = onward(program, after(program, then, other).state)
                others = len(players) - 1
                # Two rounds of three questions for each; the turns of who is out come to nobody.
                self.assertEqual(sorted(turns), sorted([*range(1, others + 1)] * 6))

    def test_reveal_tells_the_right_answer(self):
        for event, tries in self.each():
            rules = f"def {event}():\n    reveal()\n    again()\n"
            ask = Ask(tries=tries, seconds=10, passing=True)
            program, first = begun(game_with(rules, ask), ALL_WANTED)
            told = after(program, first, ANSWERED[event])
            self.assertTrue(told.state.question.is_revealed)
            self.assertFalse(first.question.is_revealed)


class TestAddTime(unittest.TestCase):
    def test_it_moves_the_clock_of_the_round_else_the_game_else_the_question_and_no_other(self):
        """Against the same run with rules that add nothing."""
        clocks = (None, 20)
        for round_, game, question, added, event in product(
            clocks, clocks, clocks, (3, -2, 0.5, 0, -99), ("asked", "wrong", "hinted")
        ):
            ask = Ask(tries=3, seconds=question, hints=True)
            then, without = (
                self.clocks_after(event, action, ask, round_, game)
                for action in (f"add_time({added})", "score += 0")
            )
            seconds = {"round": round_, "game": game, "question": question}
            first = next((name for name, allowed in seconds.items() if allowed), None)
            with self.subTest(seconds=seconds, added=added, event=event):
                for name in seconds:
                    left = getattr(without, name)
                    if name == first:
                        left = max(0, left + round(1000 * added))
                    self.assertEqual(getattr(then, name), left)

    def clocks_after(self, event, action, ask, round_, game):
        """The clocks once a rule has run for a question that still stands."""
        made = game_with(f"def {event}():\n    {action}\n", ask, seconds=round_)
        program, state = begun(replace(made, seconds=game), HINTED)
        if event == "hinted":
            state = step(program, state, Hint(), state.at).state
        elif event == "wrong":
            state = after(program, state, Intent.WRONG).state
        return state.clocks


class TestSaid(unittest.TestCase):
    def test_tell_and_cue_say_their_words_once_in_every_handler(self):
        details = Details(hint="It flies.")
        spelled = Pack("Spelled", (Question("Spell it.", ("bee",), (), Kind.LETTERS, details),))
        ask = Ask(seconds=10, passing=True, hints=True)
        round_ = Round("One", ("veg",), draw=Draw(1), ask=ask, check=PARTS)
        for event, action in product(Event, ('tell("Hello {name}")', 'cue("Hello")')):
            is_letters = event in (Event.LETTER_HIT, Event.LETTER_MISS, Event.HINTED)
            rules = f"def {event}():\n    {action}\n"
            made = replace(
                game_with(rules), rounds=(round_,), cues=(Cue("Hello", words="Hello {name}"),)
            )
            program = made_ready(made, {"veg": spelled} if is_letters else ALL_WANTED)
            moments = [start(program, 7, ("Ada",))]
            moments.append(step(program, moments[0].state, Begin(), 0))
            for does in (Hint(), Letter("b"), Letter("x")) if is_letters else ():
                moments.append(step(program, moments[-1].state, does, 0))
            intent = ANSWERED.get(str(event), Intent.RIGHT)
            moments.append(after(program, moments[-1].state, intent))
            moments.append(step(program, moments[-1].state, Continue(), moments[-1].state.at))
            said = [told.why for moment in moments for told in moment.footprints]
            with self.subTest(event=event, action=action):
                self.assertEqual(sum("“Hello Ada”" in why for why in said), 1, said)

    def test_every_action_of_the_language_is_tested_here(self):
        tested = {"finish", "go", "again", "skip", "out", "reveal", "add_time", "tell", "cue"}
        self.assertEqual(set(SCRIPT_ACTIONS), tested)


class TestLastLetter(unittest.TestCase):
    def test_it_settles_the_word_and_its_own_ending_comes_before_one_of_the_word(self):
        """Played, and followed by the survey: both against what is written here."""
        words = (Question("Spell it.", ("bee",), (), Kind.LETTERS),) * 2
        rules = (
            "tried = 0\nwords = 0\n"
            "def letter_hit():\n    tried += 1\ndef letter_miss():\n    tried += 1\n"
            "def right():\n    tried = 0\n    words += 1\n"
            "def wrong():\n    tried = 0\n    words += 1\n"
        )
        by_letter = Ending("Letter", "", 2, counts="tried", at_once=True)
        by_word = Ending("Word", "", 1, counts="words", at_once=True)
        round_ = Round("One", ("veg",), draw=Draw(2), ask=Ask(misses=2))
        for letters, *at_once in product(("be", "xy"), (by_letter, None), (by_word, None)):
            ends = [ending for ending in at_once if ending is not None]
            made = replace(game_with(rules), rounds=(round_,), endings=(*ends, ENDS[1]))
            program, state = begun(made, packs := {"veg": Pack("W", words)})
            for letter in letters:
                state = step(program, state, Letter(letter), state.at).state
            state = onward(program, state)
            is_right = letters == "be"
            with self.subTest(letters=letters, at_once=[ending.title for ending in ends]):
                self.assertEqual(state.tally.right_count, int(is_right))
                self.assertEqual(state.tally.wrong_count, int(not is_right))
                come = None if state.ending is None else made.endings[state.ending].title
                self.assertEqual(come, ends[0].title if ends else None)
                finals = reach(made, program.rules, packs).finals
                # A word typed whole has no last letter.
                found = {ending.title for ending in ends}
                if by_word not in ends:
                    found.add("Rest")
                self.assertEqual({made.endings[final.ending].title for final in finals}, found)


class TestFinish(unittest.TestCase):
    def test_a_player_can_end_a_run_that_never_ends_by_itself_and_no_other(self):
        """It can be ended unless a clock or a last question ends it, and once an ending fits."""
        endings = {True: ENDS[1:], False: (replace(ENDS[0], at_least=1),)}
        for refill, round_, game, fits in product(Refill, (None, 9), (None, 9), (True, False)):
            made = changed(FIVE, draw=Draw(None, refill=refill), seconds=round_)
            made = replace(made, endings=endings[fits], seconds=game)
            program, state = begun(made)
            is_endless = refill is not Refill.NEVER and round_ is game is None
            with self.subTest(refill=refill, round=round_, game=game, fits=fits):
                self.assertEqual(table(program, state).may_finish, is_endless and fits)
                over = step(program, state, Finish(), state.at)
                self.assertEqual(over.state.phase is Phase.ENDED, is_endless and fits)
                self.assertEqual(over.refused is None, is_endless and fits)
