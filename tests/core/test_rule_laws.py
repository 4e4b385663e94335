"""What counts, who is out, which ending comes, and what a recipe's words promise."""

import time
import unittest
from dataclasses import fields, replace
from fractions import Fraction
from functools import cache
from itertools import product
from math import floor
from typing import get_args, get_type_hints

from hypothesis import given, settings
from hypothesis import strategies as st

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Continue,
    Cue,
    Details,
    Draw,
    DrawOrder,
    Ending,
    Game,
    GameProblems,
    Kind,
    Letter,
    Moves,
    Occasion,
    Opening,
    Pack,
    Pass,
    Phase,
    Question,
    Quit,
    Refill,
    Round,
    Sums,
    To,
    Wait,
    Way,
    build,
    look_over,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.document import DOCUMENT, Best, Range, notes_of
from dicetrail.core.document.words import as_written, filled_in
from dicetrail.core.play import Intent, Listen, is_best, made_ready, next_input
from dicetrail.core.rules import clock_readings, rules_of
from dicetrail.core.rules.script import ScriptFaults, compile_script, parse
from dicetrail.core.rules.script.language import QUESTION_FACTS
from dicetrail.core.rules.script.ready_rules import SCRIPT_RECIPES
from dicetrail.core.rules.settle import condition_of
from dicetrail.core.workbench import RECIPES

POOL = Pack("P", tuple(Question(f"Q{n}?", (f"right {n}",), (f"wrong {n}",)) for n in range(12)))
PACKS = {"p": POOL}
REST = Ending("Rest", "{score}")
ALONE = Opening()


def game(script="def right():\n    score += 1\n", endings=(REST,), opening=ALONE, **rules):
    rules = {"draw": Draw(5), "after": After(hold_ms=0)} | rules
    return Game("G", (Round("R", ("p",), **rules),), endings, script, opening)


@cache
def built(game):
    return made_ready(game, PACKS, recall={})


def begun(game, players=("Ada",), packs=PACKS):
    program = built(game) if packs is PACKS else made_ready(game, packs, recall={})
    return program, step(program, start(program, 3, players).state, Begin(), 0).state


def sounding(question):
    """The question with a sound that is heard with it."""
    return replace(question, details=Details(sound="hum.wav"))


def do(program, state, *intents, after=0):
    """The state after the player was right, wrong, late or passed, one after the other."""
    for intent in intents:
        for _ in range(3):
            given_ = next_input(program, state, Intent(intent), state.at + after)
            if given_ is None:
                return state
            is_done = state.phase is Phase.ASKING
            state = step(program, state, given_.action, given_.at).state
            if is_done:
                break
    while state.phase is Phase.HOLDING and state.hold_ms is None:
        state = step(program, state, Continue(), state.at).state
    return state


class TestClockReadings(unittest.TestCase):
    def test_every_reading_of_a_clock_is_found_with_the_first_moment_it_is_read(self):
        """Against reading the clock at every millisecond of it."""
        facts = ("seconds_left", "seconds_used", "percent_left")
        for allowed, *chosen in product((1, 999, 1000, 1001, 3000, 7700), *((False, True),) * 3):
            reads = frozenset(fact for fact, is_read in zip(facts, chosen, strict=True) if is_read)
            expected = []
            for used in range(allowed):
                left = allowed - used
                percent = floor(Fraction(100 * left, allowed) + Fraction(1, 2))
                values = (left // 1000, used // 1000, percent)
                reading = tuple(
                    value if fact in reads else 0 for fact, value in zip(facts, values, strict=True)
                )
                if not expected or expected[-1][1] != reading:
                    expected.append((used, reading))
            with self.subTest(allowed=allowed, reads=reads):
                self.assertEqual(clock_readings(reads, allowed), expected)


class TestCounting(unittest.TestCase):
    def test_asked_anew_is_the_same_question_whatever_comes_of_it(self):
        again = Moves(*(Way(To.AGAIN),) * 5)
        for outcomes in product(("right", "wrong", "late", "passed"), repeat=3):
            ask = Ask(seconds=5, passing=True)
            program, state = begun(game(ask=ask, moves=again))
            state = do(program, state, *outcomes)
            tally, shown = state.tally, table(program, state)
            self.assertEqual((tally.asked_count, tally.right_count, tally.wrong_count), (1, 0, 0))
            self.assertEqual((shown.percent, shown.question.number), (0, 1))
            wrong = sum(outcome in ("wrong", "late") for outcome in outcomes)
            self.assertEqual(tally.mistakes, wrong)

    def test_worth_is_counted_only_where_something_reads_it_and_never_below_nothing(self):
        for worth, reader in product((None, -3, 0, 1, 4), ("", "{right_worth}", "{done_worth}")):
            question = Question("?", ("a",), ("b",), details=Details(worth=worth))
            playing = game("", (Ending("E", reader),))
            for outcome in ("right", "wrong"):
                program, state = begun(playing, packs={"p": Pack("p", (question,))})
                tally = do(program, state, outcome).tally
                points = max(0, 1 if worth is None else worth) if reader else 0
                had = points if outcome == "right" else 0
                self.assertEqual((tally.right_worth, tally.done_worth), (had, points))

    def test_points_had_are_shared_by_what_could_have_been_had(self):
        told = "{right_worth}/{done_worth}={worth_percent}"
        ends = (Ending("E", told, counts="worth_percent"),)
        for worths in product((None, 0, -3, 2, 5), repeat=3):
            pack = Pack(
                "p",
                tuple(
                    Question(f"{n}?", ("a",), ("b",), details=Details(worth=worth))
                    for n, worth in enumerate(worths)
                ),
            )
            playing = game("", ends, draw=Draw(order=DrawOrder.WRITTEN), ask=Ask(passing=True))
            for outcomes in product(("right", "wrong", "passed"), repeat=3):
                program, state = begun(playing, packs={"p": pack})
                state = do(program, state, *outcomes)
                points = [1 if worth is None else max(0, worth) for worth in worths]
                had = sum(p for p, came in zip(points, outcomes, strict=True) if came == "right")
                whole = sum(points)
                share = floor(Fraction(100 * had, whole) + Fraction(1, 2)) if whole else 0
                self.assertEqual(table(program, state).ending.verdict, f"{had}/{whole}={share}")

    def test_a_question_left_with_tries_to_spare_counts_as_wrong(self):
        skips = "def wrong():\n    if tries_left == 1:\n        skip()\n"
        program, state = begun(game(skips, ask=Ask(tries=3)))
        state = do(program, state, "wrong")
        self.assertEqual(state.round.position, 0)
        state = do(program, state, "wrong")
        self.assertEqual(
            (state.round.position, state.tally.wrong_count, state.tally.mistakes), (1, 1, 2)
        )

    def test_nothing_is_left_once_it_is_too_late_or_passed(self):
        noted = "".join(
            f"def {handler}():\n    {handler[0]}t = tries_left\n    {handler[0]}s = seconds_left\n"
            f"    {handler[0]}p = percent_left\n"
            for handler in ("timeout", "passed")
        )
        script = "tt = 9\nts = 9\ntp = 9\npt = 9\nps = 9\npp = 9\n" + noted
        for tries in (1, 3, None):
            ask = Ask(seconds=5, tries=tries, passing=True)
            program, state = begun(game(script, ask=ask))
            state = do(program, state, "late", "passed")
            names = dict(zip(program.rules.names, state.tally.counters, strict=True))
            self.assertEqual(names, {"score": 0} | dict.fromkeys(names, 0))

    def test_what_is_left_of_a_clock_in_percent_is_rounded_half_up(self):
        script = "def right():\n    score = percent_left\n"
        for seconds in (1, 3, 7, 20):
            for used in range(0, seconds * 1000, 77):
                program, state = begun(game(script, ask=Ask(seconds=seconds)))
                state = do(program, state, "right", after=used)
                left = seconds * 1000 - state.at
                self.assertEqual(
                    program.rules.score(state.tally),
                    (left * 200 + seconds * 1000) // (seconds * 2000),
                )

    @given(
        st.lists(st.tuples(st.integers(0, 9000), st.integers(0, 6000)), min_size=6, max_size=6),
        st.sampled_from((None, 3)),
        st.sampled_from((None, 9)),
        st.sampled_from((1, 2)),
    )
    def test_clocks_that_wait_for_a_sound_give_the_time_there_is_without_waiting(
        self, times, seconds, of_round, tries
    ):
        heard = {"p": replace(POOL, questions=tuple(map(sounding, POOL.questions)))}
        script = "def right():\n    score += 10 + seconds_left\ndef timeout():\n    score -= 3\n"
        runs = []
        for waits in (False, True):
            ask = Ask(seconds=seconds, tries=tries, waits_for_sound=waits)
            made = game(script, ask=ask, seconds=of_round)
            program, state = begun(made, packs=heard)
            for late, used in times:
                if state.phase is not Phase.ASKING:
                    break
                at, presented = state.at, state.history.presented_count
                lead = min(late, state.question.lead_ms)
                if lead < state.question.lead_ms:
                    state = step(program, state, Listen(presented), at + lead).state
                soonest = state.clocks.soonest
                for part in (used // 2, used):
                    if (state.phase, state.history.presented_count) != (Phase.ASKING, presented):
                        break
                    part = part if soonest is None else min(part, soonest)
                    state = step(program, state, Answer(1, presented), at + lead + part).state
            runs.append((state.tallies, state.phase, state.ending, state.round.position))
        self.assertEqual(*runs)

    def test_an_action_meant_for_a_question_that_is_gone_is_refused_and_changes_nothing(self):
        cue = Cue("late", (Occasion.LATE,), sound="drip")
        made = replace(game(ask=Ask(seconds=5, passing=True), after=After(hold_ms=0)), cues=(cue,))
        program, state = begun(made)
        for action in (
            Answer("right 0", 1),
            Answer(1, 1),
            Letter("a", 1),
            Pass(1),
        ):
            late = step(program, state, Wait(), 5000).state
            moment = step(program, state, action, 5000)
            refused = [f for f in moment.footprints if f.what == "refused"]
            self.assertEqual(len(refused), 1)
            self.assertIn("question 1 of the run, which is gone", refused[0].why)
            self.assertEqual(moment.state, late)
            self.assertTrue(moment.state.heard, "what was heard stays heard")
        self.assertEqual(step(program, state, Answer(1, 1), 4999).state.round.position, 1)


class TestEndingsAndTurns(unittest.TestCase):
    TWO = Opening(most_players=2)

    def test_an_ending_is_about_the_player_it_came_to(self):
        lost = Ending("Lost", "{name} has {lives}", at_most=0, counts="lives", at_once=True)
        script = "lives = 1\ndef right():\n    score += 1\ndef wrong():\n    lives -= 1\n"
        program, state = begun(game(script, (lost, REST), self.TWO), ("Ada", "Ben"))
        state = do(program, state, "right", "wrong")
        shown = table(program, state).ending
        self.assertEqual((shown.title, shown.player, shown.verdict), ("Lost", "Ben", "Ben has 0"))

    def test_a_player_who_is_out_has_no_more_turns_and_the_others_have_all_theirs(self):
        script = "def wrong():\n    out()\ndef right():\n    score += 1\n"
        for outcomes, asked in (
            (("wrong", *["right"] * 9), (1, 3, 3)),
            (("right", "wrong", "wrong", *["right"] * 9), (3, 1, 1)),
            (("wrong", "wrong", "wrong"), (1, 1, 1)),
        ):
            opening = Opening(most_players=3)
            program, state = begun(game(script, (REST,), opening, draw=Draw(3)), ("A", "B", "C"))
            state = do(program, state, *outcomes)
            self.assertIs(state.phase, Phase.ENDED)
            self.assertEqual(tuple(tally.asked_count for tally in state.tallies), asked)

    def test_everybody_has_as_many_turns_where_the_maker_wants_it(self):
        won = Ending("Won", "", 2, at_once=True)
        tie = Ending("Tie", "", 2, when="leaders > 1")
        for equal, outcomes, asked, title, about in (
            (False, ("right", "right", "right"), (2, 1), "Won", "Ada"),
            (True, ("right", "right", "right", "wrong"), (2, 2), "Won", "Ada"),
            (True, ("right", "right", "right", "right"), (2, 2), "Tie", "Ada"),
            (True, ("wrong", "right", "right", "right"), (2, 2), "Won", "Ben"),
        ):
            opening = Opening(most_players=2, equal_turns=equal)
            program, state = begun(game(endings=(tie, won, REST), opening=opening), ("Ada", "Ben"))
            state = do(program, state, *outcomes)
            self.assertIs(state.phase, Phase.ENDED)
            self.assertEqual(tuple(tally.asked_count for tally in state.tallies), asked)
            shown = table(program, state).ending
            self.assertEqual((shown.title, shown.player), (title, about))

    def test_giving_up_is_an_ending_of_its_own_and_never_the_best(self):
        cues = (Cue("best", (Occasion.BEST,)),)
        for best, ending in product(Best, (Ending("High", "", 99), REST)):
            made = replace(game(endings=(ending, Ending("Last", ""))), cues=cues, best=best)
            program, state = begun(made)
            state = step(program, do(program, state, "right"), Quit(), 10_000).state
            self.assertEqual(table(program, state).ending.title, "Given up")
            self.assertIsNone(state.ending)
            self.assertFalse(is_best(program, state))
            self.assertNotIn("best", [heard.cue for heard in state.heard])

    def test_the_best_is_the_highest_the_lowest_or_the_fastest(self):
        for best, before, is_one in (
            (Best.HIGHEST, 4, True),
            (Best.HIGHEST, 5, False),
            (Best.LOWEST, 6, True),
            (Best.LOWEST, 5, False),
            (Best.FASTEST, 1001, True),
            (Best.FASTEST, 1000, False),
        ):
            program = made_ready(replace(game(), best=best), PACKS, recall={})
            state = step(program, start(program, 3, best=before).state, Begin(), 0).state
            for wait in (0, 0, 0, 0, 1000):
                given_ = next_input(program, state, Intent.RIGHT, state.at)
                state = step(program, state, given_.action, wait).state
            self.assertEqual((program.rules.score(state.tally), state.at), (5, 1000))
            self.assertEqual(is_best(program, state), is_one, (best, before))

    def test_the_last_letter_settles_the_word_whatever_ending_it_brings(self):
        script = (
            "def letter_hit():\n    score += 1\ndef letter_miss():\n    score -= 1\n"
            "def right():\n    score += 10\ndef wrong():\n    score -= 10\n"
        )
        ends = (Ending("Up", "", 2, at_once=True), Ending("Down", "", None, -1, at_once=True), REST)
        pack = {"p": Pack("P", (Question("Find", ("ab",), (), Kind.LETTERS),))}
        for letters, score, title in (("ab", 12, "Up"), ("x", -11, "Down")):
            made = game(script, ends, draw=Draw(1), ask=Ask(misses=1))
            program, state = begun(made, packs=pack)
            for letter in letters:
                state = step(program, state, Letter(letter), 0).state
            self.assertEqual(program.rules.score(state.tally), score)
            self.assertEqual(table(program, state).ending.title, title)


class TestRecipes(unittest.TestCase):
    def test_every_recipe_does_what_its_words_promise(self):
        promised = {
            "one point each": {"right": ("All right", 10), "wrong": ("A start", 0)},
            "three lives": {
                "right": ("Through", 12),
                "wrong": ("Out of lives", 0),
                "late": ("Out of lives", 0),
            },
            "three tries": {"right": ("At the first try", 30), "wrong": ("None of them", 0)},
            "up and down": {"right": ("Won", 30), "wrong": ("Lost", 0)},
            "sprint": {},
            "first mistake": {"right": ("All of them", 120), "wrong": ("A mistake", 0)},
            "ten sums": {"right": ("All right", 10), "wrong": ("A start", 0)},
            "two in turns": {"right": ("A tie", 5), "wrong": ("A tie", 0)},
        }
        self.assertEqual({found.name for found in RECIPES}, set(promised))
        without = next(found for found in RECIPES if found.name == "ten sums").make("G", (), 0)
        self.assertEqual(survey(without, {}), ())
        for found in RECIPES:
            made = found.make("G", ("p",), 12)
            self.assertEqual(survey(made, PACKS), (), found.name)
            for intent, (title, score) in promised[found.name].items():
                program = made_ready(made, PACKS, recall={})
                players = ("Ada", "Ben")[: made.opening.most_players]
                state = step(program, start(program, 4, players).state, Begin(), 0).state
                for _ in range(200):
                    if state.phase is Phase.ENDED:
                        break
                    given_ = next_input(program, state, Intent(intent), state.at)
                    state = step(program, state, given_.action, given_.at).state
                shown = table(program, state)
                self.assertEqual((shown.ending.title, shown.score), (title, score), found.name)

    def test_where_nobody_answers_lives_run_out_and_so_does_a_round(self):
        lives = next(found for found in RECIPES if found.name == "three lives")
        anew = replace(lives.make("G", ("p",), 12).rounds[0].moves, timeout=Way(To.AGAIN))
        for made in (
            lives.make("G", ("p",), 12),
            replace(
                lives.make("G", ("p",), 12),
                rounds=(replace(lives.make("G", ("p",), 12).rounds[0], moves=anew),),
            ),
            next(found for found in RECIPES if found.name == "sprint").make("G", ("p",), 12),
        ):
            program = made_ready(made, PACKS, recall={})
            state = step(program, start(program, 4).state, Begin(), 0).state
            for _ in range(20):
                state = step(program, state, Wait(), state.at + 30_000).state
                if state.phase is Phase.HOLDING and state.hold_ms is None:
                    state = step(program, state, Continue(), state.at).state
            self.assertIs(state.phase, Phase.ENDED)

    def test_every_script_recipe_scores_as_its_words_say(self):
        for name, intents, scores in (
            ("One point each", ("right", "wrong", "late"), (1, 1, 1)),
            ("Three, two, one", ("right", "wrong", "right"), (3, 3, 5)),
            ("Quick is worth more", ("right", "wrong", "late"), (5, 5, 5)),
            ("Up and down", ("right", "wrong", "late"), (20, 15, 10)),
            ("Until the first mistake", ("right", "wrong", "late"), (10, 10, 10)),
            ("Bonus for a streak", ("right", "right", "right"), (1, 2, 8)),
            ("Sprint", ("right", "wrong", "late"), (1, 1, 1)),
            ("Turns of two", ("right", "wrong", "late"), (1, 1, 1)),
        ):
            script = next(found.script for found in SCRIPT_RECIPES if found.name == name)
            tries = 3 if name == "Three, two, one" else 1
            program, state = begun(game(script, ask=Ask(seconds=5, tries=tries)))
            for intent, score in zip(intents, scores, strict=True):
                state = do(program, state, intent)
                self.assertEqual(program.rules.score(state.tally), score, (name, intent))
        lives = next(found.script for found in SCRIPT_RECIPES if found.name == "Lives")
        for intents in product(("right", "wrong", "late"), repeat=3):
            program, state = begun(game(lives, ask=Ask(seconds=5)))
            state = do(program, state, *intents)
            self.assertEqual(
                state.tally.counters,
                (intents.count("right"), 3 - sum(i != "right" for i in intents)),
            )


class TestScripts(unittest.TestCase):
    def test_what_is_accepted_is_soon_made_ready(self):
        body = "    if score > 1:\n        score += 2 * (score - 1)\n"
        handlers = ("right", "wrong", "asked", "passed", "hinted", "timeout")
        refused = taken = 0
        for lines, calls in product((1, 20, 60, 150), (1, 3, 6)):
            script = "def f():\n" + body * lines
            script += "".join(f"def {name}():\n    f()\n" for name in handlers[:calls])
            began = time.thread_time()
            try:
                compile_script(parse(script))
                taken += 1
            except ScriptFaults:
                refused += 1
            self.assertLess(time.thread_time() - began, 3, "six times what it may take")
        self.assertTrue(refused and taken)

    def test_a_condition_is_one_expression_and_nothing_of_ours(self):
        for text in (
            "score > 1) or (True",
            "score > 1] or [1",
            "# nothing",
            "score > 1; score",
            "score = 1",
            "score > 1,",
        ):
            with self.subTest(text=text), self.assertRaises(ScriptFaults):
                rules_of(game(endings=(Ending("E", "", when=text), REST)))
        for text in ("score > 1  # enough", "score > 1\n or score < -1", "(score > 1)"):
            rules_of(game(endings=(Ending("E", "", when=text), REST)))

    def test_what_means_nothing_after_the_end_is_refused_in_endings(self):
        for fact in QUESTION_FACTS:
            when = f"{fact} == 1" if fact != "verdict" else "verdict == 'late'"
            with self.assertRaises(ScriptFaults):
                condition_of(Ending("E", "", when=when), ("score",))
            condition_of(Ending("E", "", when=when, at_once=True), ("score",))
            with self.assertRaises(GameProblems):
                build(game(endings=(Ending("E", "", 1, counts=fact), REST)), PACKS)
            own = f"{fact} = 3\n"
            if fact == "percent_left":
                condition_of(Ending("E", "", when=when), (*parse(own).counters,))

    def test_numbers_are_never_truths_and_print_as_people_write_them(self):
        script = (
            "a = 0\nb = 0\nc = 0\nd = 0\ndef right():\n    a = min(score == 0, 5)\n"
            "    b = [score == 0, 2][0]\n    c = max(not score, 0) if score == 0 else True\n"
            "    d = (score == 0 and score == 0)\n    score = 0.1 + 0.2\n"
        )
        program, state = begun(game(script))
        state = do(program, state, "right")
        self.assertTrue(all(type(value) in (int, float) for value in state.tally.counters))
        shown = {c.name: c.value for c in table(program, state).players[0].counters}
        self.assertEqual(shown, {"score": 0.3, "a": 1, "b": 1, "c": 1, "d": 1})
        for value, words in ((5.0, "5"), (0.9999999999999999, "1"), (-0.0, "0"), (2 / 3, "0.6667")):
            self.assertEqual(str(as_written(value)), words)
            self.assertEqual(filled_in("{x}", {"x": value}), words)

    def test_a_script_from_before_keeps_its_own_names(self):
        old = (
            "mistakes = 5\npercent_left = 7\ndef out():\n    score += 1\ndef right():\n    out()\n"
        )
        program, state = begun(game(old + "    mistakes += percent_left\n"))
        state = do(program, state, "right")
        self.assertEqual((state.tally.counters, state.out), ((1, 12, 7), ()))


NUMBERS = st.integers(-(10**30), 10**30) | st.sampled_from(
    [10**5000, -(10**5000), 10**19, 0, 1, -1]
)


def part(kind):
    """Any part of a document, its numbers whatever they are."""
    bounds = notes_of(kind, Range)
    values = {}
    for field in fields(kind):
        if field.name in bounds:
            is_row = field.name in ("levels", "weights")
            values[field.name] = st.lists(NUMBERS, max_size=6).map(tuple) if is_row else NUMBERS
    return st.builds(kind, **values)


class TestBounds(unittest.TestCase):
    def test_every_number_of_the_document_has_bounds(self):
        for kind in DOCUMENT:
            for name, hint in get_type_hints(kind).items():
                if hint is int or int in get_args(hint):
                    self.assertIn(name, notes_of(kind, Range), kind)

    @given(part(Draw), part(Ask), part(Sums), part(Cue), part(Ending), part(Details), NUMBERS)
    @settings(max_examples=40)
    def test_a_survey_is_soon_made_whatever_the_numbers(
        self, draw, ask, sums, cue, ending, details, number
    ):
        pack = Pack("P", (Question("Q?", ("a",), ("b",), details=details),))
        made = Game(
            "G",
            (Round("R", ("p",), sums=(sums,), draw=draw, ask=ask, seconds=number),),
            (replace(ending, title="E"), REST),
            "def right():\n    score += 1\n",
            Opening(most_players=number),
            (replace(cue, name="c"),),
            number,
        )
        began = time.thread_time()
        problems = survey(made, {"p": pack})
        look_over(made, {"p": pack})
        self.assertLess(time.thread_time() - began, 6, "three times what they may take")
        for kind, where in (
            (draw, "rounds[0].draw"),
            (ask, "rounds[0].ask"),
            (sums, "rounds[0].sums[0]"),
        ):
            for name, within in notes_of(type(kind), Range).items():
                value = getattr(kind, name)
                if isinstance(value, int) and not within.least <= value <= within.most:
                    self.assertIn(f"{where}.{name}", [problem.where for problem in problems])

    def test_bounds_hold_to_their_ends(self):
        for tries in (0, 1, 20, 21):
            told = [p.where for p in survey(game(ask=Ask(tries=tries)), PACKS)]
            self.assertEqual("rounds[0].ask.tries" in told, not 1 <= tries <= 20)
        refilled = game("score = 0\n", draw=Draw(None, refill=Refill.EACH_TIME))
        told = "no run ever ends by itself; players find a button to stop it"
        self.assertIn(told, [p.what for p in survey(refilled, PACKS)])
