"""Gaps of a text: how they are written, what is counted of them, how they are dealt and judged."""

import unittest
from collections import Counter
from fractions import Fraction
from itertools import product
from math import floor

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Check,
    Details,
    Draw,
    Ending,
    Facts,
    Game,
    Input,
    Kind,
    Pack,
    Pattern,
    Question,
    Round,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import check_gaps, check_typed, guesses_at_gaps, shares_of_gaps
from dicetrail.core.document import (
    Filled,
    Gap,
    Made,
    PartlyRight,
    around_gaps,
    as_gap,
    gap_in,
    with_blanks,
    with_words_marked,
)
from dicetrail.core.draw import questions_from, stream, traits_of
from dicetrail.core.foresight import (
    How,
    Scout,
    evidence_of,
    forecast,
    observations,
    played,
    witnesses,
)
from dicetrail.core.play import made_ready
from dicetrail.core.survey import first_fault, trimmed
from dicetrail.core.survey.reach import reach

TYPED = Question("A ___ gives ___.", ("bee", "honey | wax"), (), Kind.GAPS)
OWN = Question("A ___ gives ___.", ("bee // hen", "honey // milk | egg"), (), Kind.GAPS)
BANK = Question("A ___ gives ___ and ___.", ("bee", "honey", "wax"), ("milk",), Kind.GAPS)
MIXED = Question("A ___ gives ___.", ("bee // hen", "honey"), (), Kind.GAPS)
WORDS = st.text("ab é", min_size=1, max_size=5).map(lambda text: " ".join(text.split()) or "a")
GAPS = st.builds(
    Gap,
    st.lists(WORDS, min_size=1, max_size=3).map(tuple),
    st.lists(WORDS, max_size=3).map(tuple),
)


def share_counted(partly, filled):
    """The share of gaps by its words, halves up: each is right, wrong or empty."""
    right, wrong = filled.count("right"), filled.count("wrong")
    if right == len(filled):
        return 100
    counted = {"never": 0, "right picks": right, "less wrong picks": right - wrong}[partly.value]
    part = Fraction(100 * counted, len(filled))
    return min(99, max(1, floor(part + Fraction(1, 2)))) if part > 0 else 0


def ready(*questions, partly=PartlyRight.RIGHT_PICKS, script="", tries=1, **check):
    round_ = Round(
        "R",
        ("p",),
        draw=Draw(len(questions)),
        ask=Ask(tries=tries),
        check=Check(partly=partly, **check),
    )
    game = Game("G", (round_,), (Ending("Over", ""),), script)
    return made_ready(game, {"p": Pack("P", questions)})


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


def told(program, answer, dice=7):
    return table(program, step(program, asked(program, dice), Answer(answer), 1).state).feedback


class TestShares(unittest.TestCase):
    def test_every_filling_has_the_share_its_words_say_and_every_share_is_known(self):
        gap, check = Gap(("right",)), {partly: Check(partly=partly) for partly in PartlyRight}
        for partly, count in product(PartlyRight, range(1, 6)):
            shares = set()
            for filled in product(("right", "wrong", ""), repeat=count):
                checked = check_gaps(
                    "\n".join(filled), (gap,) * count, ((),) * count, check[partly]
                )
                if not any(filled):
                    self.assertEqual(checked.verdict, "unreadable")
                    continue
                share = share_counted(partly, filled)
                shares.add(share)
                with self.subTest(partly=partly, filled=filled):
                    verdict = {100: "right", 0: "wrong"}.get(share, "partly")
                    self.assertEqual((checked.verdict, checked.share), (verdict, share % 100))
            self.assertEqual(shares_of_gaps(partly, count), tuple(sorted(shares - {0, 100})))

    def test_blind_guesses_are_counted_as_listing_them_counts(self):
        cases = product(PartlyRight, product(((2, 1), (3, 2), (4, 1)), repeat=3))
        for partly, sizes in cases:
            listed = Counter(
                share_counted(partly, ["right" if at < fits else "wrong" for at, fits in guess])
                for guess in product(*([(at, fits) for at in range(of)] for of, fits in sizes))
            )
            answers, right, shares = guesses_at_gaps(partly, sizes)
            self.assertEqual((answers, right), (listed.total(), listed[100]))
            self.assertEqual(dict(shares), {s: n for s, n in listed.items() if 0 < s < 100})


class TestWriting(unittest.TestCase):
    @given(GAPS)
    def test_a_gap_is_read_as_it_is_written(self, gap):
        self.assertEqual(gap_in(as_gap(gap)), gap)

    @given(st.lists(st.tuples(WORDS, GAPS.map(as_gap)), min_size=1, max_size=4), WORDS)
    def test_marked_words_become_blanks_and_blanks_marked_words(self, parts, end):
        text = "".join(f"{part} ___ " for part, _ in parts) + end
        gaps = tuple(gap for _, gap in parts)
        marked = with_words_marked(text, gaps)
        self.assertEqual(marked, "".join(f"{part} [{gap}] " for part, gap in parts) + end)
        self.assertEqual(with_blanks(marked), (text, gaps))
        self.assertEqual(len(around_gaps(text)), len(gaps) + 1)
        self.assertIsNone(with_words_marked(text, (*gaps, "one more")))
        self.assertIsNone(with_words_marked(f"[{text}", gaps))

    def test_what_can_be_asked_and_what_cannot(self):
        for fit in (TYPED, OWN, BANK, MIXED, Question("____?", ("a",), (), Kind.GAPS)):
            self.assertIsNone(first_fault(fit), fit)
        bank = Details(filled=Filled.BANK)
        for field, prompt, right, wrong, details in (
            ("prompt", "A ___.", ("a", "b"), (), Details()),
            ("prompt", "A __.", ("a",), (), Details()),
            ("right", "A ___.", ("a || b",), (), Details()),
            ("wrong", "A ___.", ("a // ",), ("a",), bank),
            ("right", "A ___.", ("a | a",), (), Details()),
            ("right", "A ___.", ("a // a",), (), Details()),
            ("right", "A ___.", ("a",), (), bank),
            ("right", "___ ___", ("a | b", "b | a"), (), bank),
            ("right", "___" * 13, ("a",) * 13, (), Details()),
            ("right", "___ " * 13, ("a",) * 13, (), Details()),
            ("wrong", "A ___.", ("a",), ("a",), Details()),
            ("wrong", "A ___.", ("a",), ("b", "b"), Details()),
            ("wrong", "A ___.", ("a",), ("",), Details()),
            ("wrong", "A ___.", ("a // b",), ("c",), Details()),
            ("filled", "A ___.", ("a // b",), (), bank),
            ("wrong", "A ___.", ("a",), tuple(f"w{at}" for at in range(24)), Details()),
            ("pinned", "A ___.", ("a",), ("b",), Details(pinned="b")),
        ):
            question = Question(prompt, right, wrong, Kind.GAPS, details)
            fault = first_fault(question)
            with self.subTest(question=question):
                self.assertEqual(fault.field if fault else None, field)

    def test_gaps_that_accept_the_same_are_told_unless_it_is_all_they_accept(self):
        for right, said in (
            (("red | blue", "blue | red"), "gap 1 and gap 2 both accept “blue”"),
            (("red", "Red | blue"), "gap 1 and gap 2 both accept “Red”"),
            (("red", "blue", "red"), ""),
            (("red // blue", "blue // red"), ""),
        ):
            question = Question(" ".join(["___"] * len(right)), right, (), Kind.GAPS)
            game = Game("G", (Round("R", ("p",)),), (Ending("Over", ""),))
            found = [one.what for one in survey(game, {"p": Pack("P", (question,))})]
            self.assertEqual([what for what in found if "accept" in what], [said] if said else [])

    def test_words_marked_by_hand_are_taken_out_of_the_question(self):
        loose = Question(" A [bee|wasp] gives [honey // milk]. ", ("",), (), Kind.GAPS)
        tight = Question("A ___ gives ___.", ("bee | wasp", "honey // milk"), (), Kind.GAPS)
        self.assertEqual(trimmed(loose), tight)
        self.assertEqual(trimmed(tight), tight)


class TestAnswering(unittest.TestCase):
    def test_a_typed_gap_is_read_as_a_typed_answer_is(self):
        accepted = ("Crème brûlée", "the pie")
        typed = (
            *("creme brulee", "Crème brûlée!", "CRÈME BRÛLÉE", "créme bruleé", "pie", "The  pie"),
            *("creme brulle", "pi", "x", "the pies", "thepie", "  ", "?"),
        )
        checks = [
            Check(ignore_case=case, ignore_accents=accents, typos=typos, articles=articles)
            for case, accents, typos, articles in product(
                (False, True), (False, True), (0, 2), ("", "the")
            )
        ]
        for check, text in product(checks, typed):
            alone = check_typed(text, accepted, check).verdict
            gaps = check_gaps(text, (Gap(accepted),), ((),), check).verdict
            two = check_gaps(f"{text}\nx", (Gap(accepted), Gap(("x",))), ((), ()), check)
            with self.subTest(check=check, text=text):
                self.assertEqual(gaps, alone)
                if alone != "unreadable":
                    self.assertEqual(two.gaps[0].is_right, alone in ("right", "close"))

    def test_gaps_are_typed_in_one_line_with_what_parts_a_list(self):
        program = ready(TYPED)
        right = ("bee\nhoney", "bee;honey", "bee ; wax", "bee, wax", "bee and honey", "bee honey")
        for answer in right:
            self.assertEqual(told(program, answer).result, "right", answer)
        for answer in ("bee", "bee honey wax", "a; b; c", "", "\n", " ; ", 1, (1, 2), ()):
            self.assertEqual(told(program, answer).result, "unreadable", answer)
        for answer, words in (("bee\n", ("bee", "")), ("; wax", ("", "wax"))):
            feedback = told(program, answer)
            self.assertEqual((feedback.result, feedback.share), ("partly", 50), answer)
            self.assertEqual(tuple(gap.given for gap in feedback.gaps), words)

    def test_of_words_to_pick_from_no_other_can_be_given(self):
        for question, wrong in ((OWN, "hen\nmilk"), (BANK, "wax\nbee\nmilk")):
            program = ready(question)
            right = "\n".join(gap.accepted[0] for gap in question.gaps)
            self.assertEqual(told(program, right).result, "right")
            self.assertEqual(told(program, right.upper()).result, "right")
            self.assertEqual(told(program, wrong).result, "wrong")
            self.assertEqual(told(program, right.replace("honey", "hone")).result, "unreadable")
            self.assertIn("gap 2", told(program, right.replace("honey", "mud")).why)
            nearly = told(ready(question, typos=1), right.replace("honey", "hone"))
            self.assertEqual(nearly.result, "close")
        self.assertEqual(told(ready(BANK), "bee\nbee\nbee").share, 33, "a word can be used again")


class TestDealing(unittest.TestCase):
    def test_words_come_in_every_order_and_all_are_there(self):
        for question, words in ((OWN, [{"bee", "hen"}, {"honey", "milk", "egg"}]), (BANK, None)):
            program, orders = ready(question), Counter()
            for dice in range(240):
                shown = table(program, asked(program, dice)).question.gaps
                self.assertEqual("___".join(shown.around), question.prompt)
                self.assertEqual(
                    list(map(set, shown.words)), words or [{"bee", "honey", "wax", "milk"}] * 3
                )
                orders[shown.words[1]] += 1
            count = 6 if words else 24
            self.assertEqual(len(orders), count)
            self.assertLess(max(orders.values()), 4 * 240 / count)
        shown = table(ready(MIXED), asked(ready(MIXED))).question.gaps
        self.assertEqual(sorted(shown.words[0]), ["bee", "hen"])
        self.assertEqual(shown.words[1], ())

    def test_nothing_is_told_of_what_fits_before_the_answer_is(self):
        program = ready(TYPED, tries=2)
        state = asked(program)
        self.assertNotIn("honey", repr(table(program, state)))
        state = step(program, state, Answer("bee\nmud"), 1).state
        shown = table(program, state)
        self.assertNotIn("honey", repr(shown))
        self.assertEqual([gap.is_right for gap in shown.feedback.gaps], [None, None])
        state = step(program, state, Answer("bee\nwood"), 2).state
        gaps = table(program, state).feedback.gaps
        self.assertEqual(
            [(gap.given, gap.right, gap.is_right) for gap in gaps],
            [("bee", "bee", True), ("wood", "honey", False)],
        )

    def test_a_run_is_the_same_again(self):
        program = ready(BANK, OWN, TYPED)
        inputs = [Input(Begin(), 0)]
        inputs += [Input(Answer("bee; honey; wax"), 10), Input(Answer("bee; honey"), 20)]
        self.assertEqual(replay(program, 3, ("Ada",), inputs), replay(program, 3, ("Ada",), inputs))


class TestForesight(unittest.TestCase):
    def test_reach_knows_every_score_and_no_other(self):
        script = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"
        for question, partly in product((TYPED, OWN, BANK, MIXED), PartlyRight):
            program = ready(question, partly=partly, script=script)
            gaps = [("", gap.accepted[0], "hen", "mud", "milk") for gap in question.gaps]
            scores = set()
            for filled in product(*gaps):
                after = step(program, asked(program), Answer("\n".join(filled)), 1).state
                if table(program, after).feedback.result != "unreadable":
                    scores.add(after.tally.counters[0])
            reached = reach(program.game, program.rules, {"p": Pack("P", (question,))})
            with self.subTest(question=question, partly=partly):
                self.assertTrue(reached.is_exact)
                self.assertEqual({one.tally.counters[0] for one in reached.finals}, scores)
                self.assertEqual({one.score for one in witnesses(program).scores}, scores)

    def test_a_blind_guess_is_forecast_as_scouts_play_it_and_a_typed_gap_is_not_guessed(self):
        script = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"
        scout = Scout("blind", (30,), guesses=True, partly=0)
        for question in (OWN, BANK, TYPED):
            program = ready(question, script=script)
            found = forecast(program, scout, runs=0, is_quick=True)
            self.assertEqual(found.how, How.EXACT, found.why)
            chances = {one.value: one.share for one in found.counters[0].values if one.share}
            answers, right, shares = guesses_at_gaps(
                PartlyRight.RIGHT_PICKS, traits_of(question).gaps
            )
            if question is TYPED:
                answers, right, shares = 10, 3, {}
            expected = {100: right / answers} | {s: n / answers for s, n in shares.items()}
            expected[0] = 1 - sum(expected.values())
            self.assertEqual(chances.keys(), expected.keys())
            for score, chance in expected.items():
                self.assertAlmostEqual(chances[score], chance, 12)
            scores = Counter()
            for dice in range(600):
                scores[played(program, (scout,), dice).tally.counters[0]] += 1
            for score, chance in expected.items():
                self.assertLess(abs(scores[score] / 600 - chance), 0.09, (question, score))

    def test_evidence_tells_what_was_filled_in_first_and_does_not_fit(self):
        program = ready(TYPED, tries=2)
        runs = []
        for dice, answers in enumerate(
            (("bee\nmud", "bee\nwax"), ("hen\nMUD ", "x\nx"), ("bee\n", "bee\nwax"), ("bee\nwax",))
        ):
            inputs = [Input(Begin(), 0)]
            inputs += [Input(Answer(one), 1000 * at) for at, one in enumerate(answers, 1)]
            moments = replay(program, dice, ("Ada",), inputs)
            runs.append(list(observations(program, moments, inputs)))
        (one,) = evidence_of(runs).questions
        found = [(gap.number, gap.right, gap.given, gap.times) for gap in one.misfilled]
        self.assertEqual(found[0], (2, "honey", "mud", 2))
        self.assertEqual(sorted(found[1:]), [(1, "bee", "hen", 1), (2, "honey", "", 1)])
        self.assertEqual(one.answer, "bee, honey")


class TestFacts(unittest.TestCase):
    FACTS = Facts(
        ("sentence", "word", "other"),
        (
            ("A bee gives honey. Honey is sweet.", "honey", ""),
            ("A hen gives eggs.", "eggs", "an egg"),
            ("A hen gives straw.", "straw", ""),
            ("A cow gives [milk] to a [calf | young cow].", "milk", ""),
            ("A ___ bakes.", "baker", ""),
            ("A goat is a goat", "sheep", ""),
            ("Beehives stand here", "bee", ""),
        ),
    )

    def test_the_answer_is_left_out_wherever_it_stands(self):
        pattern = Pattern("f", "{sentence}", "word", Made.GAPS, also=("other",))
        made = questions_from(pattern, self.FACTS)
        found = {question.prompt: question.right for question in made}
        self.assertEqual(
            found,
            {
                "A bee gives ___. ___ is sweet.": ("honey", "honey | Honey"),
                "A hen gives ___.": ("eggs | an egg | straw",),
                "A cow gives ___ to a ___.": ("milk", "calf | young cow"),
                "A ___ bakes.": ("baker",),
            },
        )
        self.assertEqual(made.unfit, (5, 6))
        self.assertTrue(all(first_fault(question) is None for question in made))

    def test_words_of_other_rows_are_offered_and_none_that_fits(self):
        pattern = Pattern("f", "{sentence}", "word", Made.GAPS, choices=4, filled=Filled.BANK)
        made = questions_from(pattern, self.FACTS)
        drawn = Counter()
        for number, dice in product(range(len(made)), range(40)):
            question = made.with_wrong(made[number], number, stream(dice, "test"))
            self.assertIsNone(first_fault(question), question)
            self.assertEqual(len(question.wrong), made.wrong_count(number))
            fitting = {word for gap in question.gaps for word in gap.accepted}
            self.assertTrue(fitting.isdisjoint(question.wrong), question)
            drawn.update((number, word) for word in question.wrong)
        self.assertGreater(len(drawn), 3 * len(made))

    def test_the_survey_says_what_a_pattern_lacks(self):
        packs = {"f": Pack("F", facts=self.FACTS)}
        for prompt, fields in (("{sentence}", {"made"}), ("Fill it in", {"prompt"})):
            pattern = Pattern("f", prompt, "word", Made.GAPS)
            game = Game("G", (Round("R", patterns=(pattern,)),), (Ending("Over", ""),))
            said = [one for one in survey(game, packs) if "patterns[0]" in one.where]
            self.assertTrue(said, prompt)
            if "made" in fields:
                self.assertIn("does not stand in the question in row 6, 7", said[0].what)
            else:
                self.assertEqual(said[0].where, "rounds[0].patterns[0].prompt")


if __name__ == "__main__":
    unittest.main()
