"""Answers that are partly right: shares, counts and chances, against what is counted here."""

import unittest
from collections import Counter
from fractions import Fraction
from itertools import combinations, product
from math import floor

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Moves,
    Order,
    Pack,
    Phase,
    Question,
    Round,
    To,
    Way,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import Verdict, check_choice, share_of_picks, shares_of_picks
from dicetrail.core.document import After, Needs, PartlyRight
from dicetrail.core.foresight import How, Scout, forecast, witnesses
from dicetrail.core.play import answered, made_ready
from dicetrail.core.survey.reach import reach

PARTS = (PartlyRight.RIGHT_PICKS, PartlyRight.LESS_WRONG)
OVER = (Ending("Over", ""),)


def share_counted(partly, right, picked):
    """The share of a set of choices, the first `right` of which are right, by its words."""
    found = sum(choice < right for choice in picked)
    others = len(picked) - found
    if found == right and not others:
        return 100
    less = {"never": found, "right picks": 0, "less wrong picks": others}[partly]
    exact = Fraction(100 * (found - less), right)
    return 0 if exact <= 0 else min(99, floor(exact + Fraction(1, 2)))


def sets_of(count):
    """Every set of some choices but the empty one."""
    for size in range(1, count + 1):
        yield from combinations(range(count), size)


class TestShares(unittest.TestCase):
    def test_every_set_of_choices_has_the_share_its_words_say(self):
        for partly, right, wrong in product(PartlyRight, range(1, 6), range(6)):
            counted = Counter()
            for picked in sets_of(right + wrong):
                share = share_counted(partly, right, picked)
                found = sum(choice < right for choice in picked)
                told = share_of_picks(partly, right, found, len(picked) - found)
                self.assertEqual(told, share, (partly, right, wrong, picked))
                if 0 < share < 100:
                    counted[share] += 1
            self.assertEqual(shares_of_picks(partly, right, wrong), counted)
            self.assertEqual(list(shares_of_picks(partly, right, wrong)), sorted(counted))

    def test_the_verdict_on_picked_and_on_typed_choices_is_that_of_their_share(self):
        choices = ("pea", "bean", "lupin", "oak", "yew")
        for partly, picked in product(PartlyRight, sets_of(5)):
            check = Check(partly=partly, typos=1)
            share = share_counted(partly, 3, picked)
            verdict = {0: Verdict.WRONG, 100: Verdict.RIGHT}.get(share, Verdict.PARTLY)
            places = tuple(place + 1 for place in picked)
            letters = "".join("ABCDE"[place] for place in picked)
            for given in (places, places[::-1], letters):
                checked = check_choice(given, choices, (1, 2, 3), check, Needs.ALL)
                with self.subTest(partly=partly, given=given):
                    self.assertEqual(checked.verdict, verdict)
                    self.assertEqual(checked.share, share if 0 < share < 100 else 0)
                    self.assertEqual(checked.places, places)
        slip = Check(partly=PartlyRight.RIGHT_PICKS, typos=1)
        typed = check_choice("bena and lupin", choices, (1, 2, 3), slip, Needs.ALL)
        self.assertEqual((typed.verdict, typed.share), (Verdict.PARTLY, 67))

    def test_a_question_that_wants_any_one_is_right_or_wrong(self):
        for partly, place in product(PartlyRight, (1, 2, 3)):
            checked = check_choice(place, ("a", "b", "c"), (1, 2), Check(partly=partly))
            self.assertEqual(checked.verdict, Verdict.WRONG if place == 3 else Verdict.RIGHT)


def game_of(script, *, worths=(1,), right=3, wrong=1, tries=1, **check):
    """A game of questions that want all their right choices, in the order of their worths."""
    choices = [f"choice {number}" for number in range(right + wrong)]
    questions = tuple(
        Question(
            f"Which of {number}?",
            tuple(choices[:right]),
            tuple(choices[right:]),
            details=Details(worth=worth, needs=Needs.ALL),
        )
        for number, worth in enumerate(worths)
    )
    ask = Ask(choice_order=Order.WRITTEN, tries=tries)
    check = Check(**({"partly": PartlyRight.RIGHT_PICKS} | check))
    draw = Draw(len(worths), "written")
    round_ = Round("R", ("p",), draw=draw, ask=ask, check=check, after=After(hold_ms=0))
    return made_ready(Game("G", (round_,), OVER, script), {"p": Pack("P", questions)})


def played(program, answers):
    """The moments of a run with these answers, each a set of choices numbered from 0."""
    moments = [start(program, 7), step(program, start(program, 7).state, Begin(), 0)]
    for picked in answers:
        given = Answer(tuple(choice + 1 for choice in picked))
        moments.append(step(program, moments[-1].state, given, 0))
    return moments


class TestCounting(unittest.TestCase):
    def test_counts_and_percentages_of_every_three_answers_are_those_of_their_shares(self):
        reads = "{right_worth} {worth_percent} {partly_worth} {partly_share}"
        worths = (3, 0, 7)
        script = f"score = 0\ndef partly():\n    score += 0\n    tell('{reads}')\n"
        program = game_of(script, worths=worths)
        kinds = ((0, 1, 2), (0, 1), (0,), (3,))  # right, 67 %, 33 %, wrong
        for answers in product(kinds, repeat=3):
            shares = [share_counted(PartlyRight.RIGHT_PICKS, 3, picked) for picked in answers]
            tally = played(program, answers)[-1].state.tally
            values = program.rules.values(tally)
            partly = [share for share in shares if 0 < share < 100]
            had = sum(
                Fraction(share * worth, 100) for share, worth in zip(shares, worths, strict=True)
            )
            with self.subTest(shares=shares):
                self.assertEqual(values["right_count"], shares.count(100))
                self.assertEqual(values["partly_count"], len(partly))
                self.assertEqual(values["wrong_count"], shares.count(0))
                self.assertEqual(tally.done_count, 3)
                self.assertEqual(values["partly_share"], sum(partly))
                self.assertEqual(values["percent"], half_up(Fraction(sum(shares), 3)))
                self.assertEqual(values["done_worth"], 10)
                self.assertEqual(values["worth_percent"], half_up(10 * had))
                self.assertEqual(values["mistakes"], shares.count(0))
                streak = next((n for n, share in enumerate(shares[::-1]) if share < 100), 3)
                self.assertEqual(values["streak"], streak)

    def test_rules_read_the_share_and_without_partly_the_round_says_what_it_counts_as(self):
        """Over every share, the share from which it is right, and both kinds of script."""
        rules = "score = 0\n" + "".join(
            f"def {name}():\n    score += {points} * (100 + share)\n"
            f"    if verdict == 'partly':\n        score += 1000000\n"
            for name, points in (("right", 1), ("wrong", 1000))
        )
        own = rules + "def partly():\n    score += 7 * share\n"
        for partly, size, right_from, tries in product(
            PARTS, range(1, 5), (1, 33, 34, 67, 68, 99, 100), (1, 2)
        ):
            picked = tuple(range(4 - size, 4)) if size < 4 else (0, 1, 2, 3)
            share = share_counted(partly, 3, picked)
            check = {"partly": partly, "right_from": right_from}
            ends = played(game_of(rules, tries=tries, **check), [picked])[-1].state
            score, is_right = ends.tally.counters[0], share >= right_from
            if share == 0:
                wanted = 1000 * 100
            else:
                wanted = (1 if is_right else 1000) * (100 + share) + 1_000_000
            with self.subTest(partly=partly, picked=picked, right_from=right_from, tries=tries):
                self.assertEqual(score, wanted)
                is_over = tries == 1 or (share > 0 and is_right)
                self.assertEqual(ends.phase is Phase.ENDED, is_over)
                tally = ends.tally
                done = (tally.right_count, tally.partly_count, tally.wrong_count)
                right = int(share > 0 and is_right)
                self.assertEqual(done, (right, 0, int(is_over) - right))
                ends = played(game_of(own, tries=tries, **check), [picked])[-1].state
                self.assertEqual(ends.tally.counters[0], 7 * share if share else 100_000)
                self.assertEqual(ends.tally.partly_count, int(share > 0 and tries == 1))

    def test_a_script_written_before_may_have_a_counter_of_each_new_name(self):
        names = ("partly", "share", "partly_count", "partly_share", "partly_worth")
        rules = "".join(f"{name} = 0\n" for name in names) + "def right():\n    score += 1\n"
        rules += "".join(f"    {name} += 5\n" for name in names)
        tally = played(game_of(rules, right_from=1), [(0,)])[-1].state.tally
        self.assertEqual(tally.counters, (1, 5, 5, 5, 5, 5))


def half_up(exact):
    return floor(exact + Fraction(1, 2))


class TestAtTheTable(unittest.TestCase):
    def test_what_is_told_of_a_partly_right_answer_and_at_the_end(self):
        program = game_of("score = 0\ndef partly():\n    score += share\n", tries=2)
        moments = played(program, [(0, 1)])
        shown = table(program, moments[-1].state)
        self.assertEqual((shown.feedback.result, shown.feedback.share), ("partly", 67))
        self.assertFalse(shown.feedback.is_good)
        self.assertEqual((shown.feedback.answer, shown.feedback.right_places), ("", ()))
        why = "with A, “choice 0”, and B, “choice 1”, the answer is 67 % right"
        self.assertEqual(shown.feedback.why, why)
        self.assertTrue(shown.question.can_be_partly)
        last = step(program, moments[-1].state, Answer((3,)), 0)
        (done,) = answered([last])
        self.assertEqual((done.result, done.share), ("partly", 33))
        self.assertEqual(table(program, last.state).percent, 33)


class TestForesight(unittest.TestCase):
    RULES = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"

    def test_every_share_is_reached_and_has_a_shortest_run_and_no_other_is(self):
        for partly, wrong in product(PARTS, (0, 1, 2)):
            program = game_of(self.RULES, wrong=wrong, partly=partly)
            shares = {share_counted(partly, 3, picked) for picked in sets_of(3 + wrong)} | (
                {0} if wrong else set()
            )
            reached = reach(program.game, program.rules, {"p": program_pack(program)})
            scores = {final.tally.counters[0] for final in reached.finals}
            with self.subTest(partly=partly, wrong=wrong):
                self.assertTrue(reached.is_whole)
                self.assertEqual(scores, shares)
                found = {witness.score for witness in witnesses(program).scores}
                self.assertEqual(found, shares)

    def test_a_scout_is_partly_right_as_often_as_its_words_say(self):
        """So much of what is missed, and each share as likely."""
        for partly, right, parts in product(PARTS, (0, 60), (0, 40, 100)):
            program = game_of(self.RULES, partly=partly)
            scout = Scout("one", (right,), partly=parts, close=0)
            shares = list(shares_of_picks(partly, 3, 1))
            missed = 1 - right / 100
            wanted = {100: right / 100, 0: missed * (1 - parts / 100)}
            wanted |= {share: missed * parts / 100 / len(shares) for share in shares}
            self.assert_scores(program, scout, wanted)

    def test_a_blind_guess_has_each_share_as_often_as_counting_says(self):
        for partly, right, wrong in product(PARTS, (1, 2, 3), (1, 2)):
            program = game_of(self.RULES, right=right, wrong=wrong, partly=partly)
            counted = Counter(
                share_counted(partly, right, picked) for picked in sets_of(right + wrong)
            )
            wanted = {share: times / counted.total() for share, times in counted.items()}
            self.assert_scores(program, Scout("blind", (0,), guesses=True), wanted)

    def assert_scores(self, program, scout, wanted):
        told = forecast(program, scout, runs=0, is_quick=True)
        self.assertEqual(told.how, How.EXACT, told.why)
        found = {one.value: one.share for one in told.counters[0].values if one.share > 1e-12}
        wanted = {score: share for score, share in wanted.items() if share > 0}
        self.assertEqual(found.keys(), wanted.keys())
        for score, share in wanted.items():
            self.assertAlmostEqual(found[score], share, 12)


def program_pack(program):
    """The pack a program of one pack was made of."""
    return Pack("P", tuple(one.question for one in program.pools[0]))


class TestSurvey(unittest.TestCase):
    def told(self, script, *, partly, needs, moves):
        question = Question("Which?", ("a", "b"), ("c",), details=Details(needs=needs))
        round_ = Round("R", ("p",), draw=Draw(1), check=Check(partly=partly), moves=moves)
        game = Game("G", (round_,), OVER, script)
        problems = survey(game, {"p": Pack("P", (question,))})
        return {problem.where for problem in problems}

    def test_a_function_of_that_name_that_others_call_is_not_idle(self):
        script = "score = 0\ndef right():\n    partly()\ndef partly():\n    score += 1\n"
        told = self.told(script, partly=PartlyRight.NEVER, needs=Needs.ANY, moves=Moves())
        self.assertNotIn("script[4:1]", told)

    def test_what_never_comes_is_told_where_it_is_programmed(self):
        handler = "score = 0\ndef right():\n    score += 1\ndef partly():\n    score += 1\n"
        plain = "score = 0\ndef right():\n    score += 1\n"
        ways = Moves(), Moves(partly=Way(To.NEXT_ROUND))
        for script, partly, needs, moves in product((handler, plain), PartlyRight, Needs, ways):
            told = self.told(script, partly=partly, needs=needs, moves=moves)
            is_counted = partly is not PartlyRight.NEVER
            with self.subTest(script=script, partly=partly, needs=needs, moves=moves):
                untaken = script is plain and moves.partly != Way()
                self.assertEqual("rounds[0].moves.partly" in told, untaken)
                idle = is_counted and needs is Needs.ANY
                self.assertEqual("rounds[0].check.partly" in told, idle)
                unheard = script is handler and not is_counted
                self.assertEqual("script[4:1]" in told, unheard)


if __name__ == "__main__":
    unittest.main()
