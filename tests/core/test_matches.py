"""Items matched with partners: what is counted of a match, how it is dealt, read and judged."""

import unittest
from collections import Counter
from fractions import Fraction
from itertools import product
from math import floor

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
from dicetrail.core.answers import (
    MatchShape,
    Verdict,
    check_match,
    match_with,
    shares_of_matches,
)
from dicetrail.core.document import After, Made, Needs, PartlyRight, Shows, pair_in
from dicetrail.core.foresight import (
    How,
    Scout,
    evidence_of,
    forecast,
    observations,
    played,
    witnesses,
)
from dicetrail.core.play import Intent, made_ready, next_input
from dicetrail.core.play.program import presented_question
from dicetrail.core.survey import first_fault
from dicetrail.core.survey.reach import reach

OWN = Question("Who gives what?", ("bee = honey", "hen = egg", "cow = milk"), ("wool",), Kind.MATCH)
SHARED = Question("Where?", ("beet = root", "radish = root", "kale = leaf"), (), Kind.MATCH)
SHAPES = tuple(
    MatchShape(items, partners, others)
    for items, others in product(range(2, 5), range(3))
    for partners in range(1, items + 1)
    if partners + others > 1
)


def answers_of(right, offered):
    """Every answer to a match: where no partner is shared, each choice is named once at most."""
    shares = len(set(right)) < len(right)
    for answer in product(range(1, offered + 1), repeat=len(right)):
        if shares or len(set(answer)) == len(answer):
            yield answer


def right_of(shape):
    """The partners of the items: the first ones have one of their own, the others the first's."""
    return tuple(min(item, shape.partners) for item in range(1, shape.items + 1))


def share_counted(partly, right, answer):
    """The share of a match by its words, in percent, halves up; only the right one has 100."""
    hits = sum(given == its for given, its in zip(answer, right, strict=True))
    misses = len(right) - hits
    if not misses:
        return 100
    counted = {"never": 0, "right picks": hits, "less wrong picks": hits - misses}[partly]
    part = Fraction(max(0, counted), len(right))
    return min(99, max(1, floor(100 * part + Fraction(1, 2)))) if part else 0


class TestShares(unittest.TestCase):
    def test_counts_of_answers_are_those_that_listing_them_gives(self):
        for shape in SHAPES:
            right = right_of(shape)
            listed = list(answers_of(right, shape.offered))
            hits = Counter(
                sum(a == b for a, b in zip(answer, right, strict=True)) for answer in listed
            )
            with self.subTest(shape=shape):
                self.assertEqual(shape.answers, len(listed))
                for count in range(shape.items + 1):
                    self.assertEqual(shape.answers_with(count), hits[count])
                    found = match_with(count, right, shape.offered)
                    self.assertEqual(found is not None, hits[count] > 0)
                    if found is not None:
                        self.assertIn(found, listed)
                        same = sum(a == b for a, b in zip(found, right, strict=True))
                        self.assertEqual(same, count)
            for partly in PartlyRight:
                counted = Counter(share_counted(partly, right, answer) for answer in listed)
                del counted[0], counted[100]
                self.assertEqual(dict(shares_of_matches(partly, shape)), dict(counted))


BY_SCORE = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"


def ready(question=OWN, tries=1, shown=None, script=BY_SCORE, **check):
    """A game of one question, answered so many times."""
    round_ = Round(
        "R",
        ("p",),
        draw=Draw(1),
        ask=Ask(tries=tries, shown=shown),
        check=Check(**check),
        after=After(hold_ms=0),
    )
    return made_ready(
        Game("G", (round_,), (Ending("Over", ""),), script), {"p": Pack("P", (question,))}
    )


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


class TestAsking(unittest.TestCase):
    def test_items_stand_as_written_and_choices_in_every_order(self):
        """Also where the round leaves choices as written: in the order of their items they would
        all be told."""
        program, seen = ready(), Counter()
        for dice in range(2400):
            shown = table(program, asked(program, dice)).question
            self.assertEqual(shown.items, ("bee", "hen", "cow"))
            self.assertFalse(shown.repeats)
            seen["".join(choice.text[0] for choice in shown.choices)] += 1
        self.assertEqual(len(seen), 24)
        # Five standard errors: about one in two million is further off.
        for times in seen.values():
            self.assertAlmostEqual(times / 2400, 1 / 24, delta=5 * (0.04 / 2400) ** 0.5)

    def test_as_many_choices_are_shown_as_wanted_but_every_partner_is(self):
        wide = Question(OWN.prompt, OWN.right, ("wool", "wax", "silk"), Kind.MATCH)
        for shown, many in ((None, 6), (2, 4), (4, 4), (5, 5), (12, 6)):
            offered = table(ready(wide, shown=shown), asked(ready(wide, shown=shown))).question
            texts = {choice.text for choice in offered.choices}
            self.assertEqual(len(texts), many)
            self.assertLessEqual({"honey", "egg", "milk"}, texts)

    def test_each_way_to_give_a_match_is_judged_by_its_share(self):
        for items, shown, right in (
            (("bee", "hen", "cow"), ("egg", "wool", "milk", "honey"), (4, 1, 3)),
            (("beet", "radish", "kale"), ("leaf", "root"), (2, 2, 1)),
        ):
            for partly, places in product(PartlyRight, answers_of(right, len(shown))):
                share = share_counted(partly, right, places)
                verdict = {0: Verdict.WRONG, 100: Verdict.RIGHT}.get(share, Verdict.PARTLY)
                letters = "".join("ABCD"[place - 1] for place in places)
                numbered = [f"{number}{one}" for number, one in enumerate(letters, 1)]
                for answer in (
                    places,
                    letters,
                    " ".join(letters.lower()),
                    ", ".join(map(str, places)),
                    ", ".join(shown[place - 1] for place in places),
                    " ".join(numbered),
                    "; ".join(reversed(numbered)),
                    "\n".join(f"{number}. {one}" for number, one in enumerate(letters, 1)),
                ):
                    checked = check_match(answer, items, shown, right, Check(partly=partly))
                    with self.subTest(partly=partly, answer=answer):
                        self.assertEqual(checked.verdict, verdict)
                        self.assertEqual(checked.share, share if share not in (0, 100) else 0)
                        self.assertEqual(checked.places, places)

    def test_what_is_no_match_of_all_costs_nothing(self):
        items, shown, right = ("bee", "hen"), ("egg", "wool", "honey"), (3, 1)
        for answer in ((), (1,), (1, 1), (1, 4), (0, 1), (1, 2, 3), 2, "", "a", "aa", "abc", "1A"):
            with self.subTest(answer=answer):
                verdict = check_match(answer, items, shown, right, Check()).verdict
                self.assertEqual(verdict, Verdict.UNREADABLE)
        slip = check_match("hoeny, egg", items, shown, right, Check(typos=1))
        self.assertEqual(slip.verdict, Verdict.CLOSE)

    def test_what_is_told_and_not_told_while_it_stands(self):
        program = ready(tries=2, partly=PartlyRight.RIGHT_PICKS)
        state = asked(program)
        self.assertTrue(table(program, state).question.can_be_partly)
        given_ = next_input(program, state, Intent.PARTLY, 0)
        state = step(program, state, given_.action, given_.at).state
        told = table(program, state).feedback
        self.assertEqual((told.result, told.share), ("partly", 33))
        self.assertEqual((told.right_places, told.answer), ((), ""))
        self.assertEqual(told.given_places, given_.action.value)
        given_ = next_input(program, state, Intent.RIGHT, state.at)
        over = step(program, state, given_.action, given_.at)
        self.assertEqual(over.state.tally.counters, (133,))
        answered = [one.answered for one in over.footprints if one.answered is not None]
        self.assertEqual(answered[0].right, "bee: honey; hen: egg; cow: milk")


class TestForesight(unittest.TestCase):
    def test_every_share_is_reached_and_no_other_is_and_a_blind_guess_has_each_as_counted(self):
        for question, partly in product((OWN, SHARED), PartlyRight):
            program = ready(question, partly=partly)
            right = presented_question(program, asked(program)).right
            listed = list(answers_of(right, len(question.choices)))
            counted = Counter(share_counted(partly, right, answer) for answer in listed)
            reached = reach(program.game, program.rules, {"p": Pack("P", (question,))})
            told = forecast(program, Scout("blind", (0,), guesses=True), runs=0, is_quick=True)
            with self.subTest(question=question.prompt, partly=partly):
                self.assertTrue(reached.is_exact)
                scores = {final.tally.counters[0] for final in reached.finals}
                self.assertEqual(scores, set(counted))
                self.assertEqual({one.score for one in witnesses(program).scores}, set(counted))
                self.assertEqual(told.how, How.EXACT, told.why)
                found = {one.value: one.share for one in told.counters[0].values if one.share}
                self.assertEqual(found.keys(), counted.keys())
                for share, times in counted.items():
                    self.assertAlmostEqual(found[share], times / len(listed), 12)

    def test_a_guesser_who_plays_does_as_foretold(self):
        program = ready(SHARED, partly=PartlyRight.RIGHT_PICKS)
        scout = Scout("blind", (0,), guesses=True)
        exact = forecast(program, scout, runs=0, is_quick=True).counters[0].mean
        scores = [played(program, (scout,), dice).tally.counters[0] for dice in range(1500)]
        # Five standard errors of a score within 0 and 100.
        self.assertAlmostEqual(sum(scores) / len(scores), exact, delta=5 * 50 / 1500**0.5)


class TestEvidence(unittest.TestCase):
    def test_wrong_partners_of_first_tries_are_counted_picked_or_typed(self):
        for question in (OWN, SHARED):
            program, runs, expected = ready(question, tries=2), [], Counter()
            items = [item for item, _ in question.pairs]
            partners = [partner for _, partner in question.pairs]
            for number, texts in enumerate(product(question.choices, repeat=3)):
                if question is OWN and len(set(texts)) < 3:
                    continue
                state = asked(program, number)
                presented = presented_question(program, state)
                places = tuple(presented.choices.index(text) + 1 for text in texts)
                typed = "".join("ABCD"[place - 1] for place in places)
                inputs = [Input(Begin(), 0), Input(Answer(typed if number % 2 else places), 10)]
                if places != presented.right:
                    inputs.append(Input(Answer(presented.right), 20))
                moments = replay(program, number, ("Ada",), inputs)
                (one,) = observations(program, moments, inputs)
                self.assertEqual(one.tries[0].partners, texts)
                runs.append([one])
                for item, partner, given in zip(items, partners, texts, strict=True):
                    expected[item, given] += partner != given
            (told,) = evidence_of(runs).questions
            found = {(one.item, one.partner): one.times for one in told.mismatched}
            self.assertEqual(found, +expected)
            self.assertEqual(told.unpicked, ())


class TestQuestions(unittest.TestCase):
    def test_pairs_of_two_to_twelve_different_items_are_a_match_and_nothing_else_is(self):
        for count, wrong, needs, partners in product((1, 2, 12, 13), (0, 1), Needs, (1, 2, None)):
            pairs = tuple(
                f"item {number} = {number if partners is None else number % partners}"
                for number in range(count)
            )
            question = Question(
                "Which?", pairs, ("other",) * wrong, Kind.MATCH, Details(needs=needs)
            )
            offered = min(count, partners or count) + wrong
            is_fit = 2 <= count <= 12 and 2 <= offered <= 12 and needs is Needs.ANY
            with self.subTest(count=count, wrong=wrong, needs=needs, partners=partners):
                self.assertEqual(first_fault(question) is None, is_fit)

    def test_faults_name_the_pair_and_how_to_mend_it(self):
        for right, wrong, field, number in (
            (("bee = honey", "hen"), (), "right", 1),
            (("bee = honey", "hen ="), (), "right", 1),
            (("bee = honey", "bee = wax"), (), "right", 1),
            (("bee = honey", "hen = egg"), ("egg",), "wrong", 0),
            (("bee = honey", "hen = egg"), ("a", "a"), "wrong", 1),
            (("bee = honey", "hen = honey"), (), "right", 0),
        ):
            fault = first_fault(Question("Which?", right, wrong, Kind.MATCH))
            self.assertEqual((fault.field, fault.number), (field, number), right)
            self.assertTrue(fault.mend)

    def test_a_round_that_counts_parts_and_has_no_match_is_told(self):
        plain = Question("Which?", ("a",), ("b",))
        for question, partly in product((plain, OWN), PartlyRight):
            program = ready(question, partly=partly)
            problems = survey(program.game, {"p": Pack("P", (question,))})
            told = "rounds[0].check.partly" in {problem.where for problem in problems}
            self.assertEqual(told, question is plain and partly is not PartlyRight.NEVER)


ROWS = (
    ("bee", "honey", "h.png"),
    ("hen", "egg", "e.png"),
    ("duck", "egg", "e.png"),
    ("cow", "milk", "m.png"),
    ("goat", "milk", "m.png"),
    ("sheep", "wool", "w.png"),
    ("sheep", "milk", "m.png"),  # of two partners: never asked
    ("worm", "", ""),
)
FACTS = Facts(("animal", "gives", "picture"), ROWS)


class TestFromFacts(unittest.TestCase):
    def test_no_item_has_two_right_partners_and_every_row_that_can_is_asked(self):
        partners_of = {}
        for animal, gives, _ in ROWS:
            partners_of.setdefault(animal, set()).add(gives)
        for choices, shows in product((2, 3, 8), (Shows.TEXT, Shows.PICTURE)):
            answer = "gives" if shows is Shows.TEXT else "picture"
            pattern = Pattern("f", "Match?", answer, Made.MATCH, choices, shows, by="animal")
            round_ = Round("R", patterns=(pattern,), draw=Draw(5), after=After(hold_ms=0))
            program = made_ready(
                Game("G", (round_,), (Ending("Over", ""),)), {"f": Pack("F", facts=FACTS)}
            )
            asked_rows = set()
            for dice in range(40):
                state = step(program, start(program, dice).state, Begin(), 0).state
                while state.phase == "asking":
                    presented = presented_question(program, state)
                    question = presented.question
                    self.assertIsNone(first_fault(question))
                    self.assertEqual(len(question.pairs), min(choices, 3))
                    items = {item for item, _ in question.pairs}
                    asked_rows |= items
                    for item, partner in question.pairs:
                        offered = {
                            row[1] if shows is Shows.TEXT else row[2]
                            for row in ROWS
                            if row[0] == item
                        }
                        self.assertEqual(offered & set(question.choices), {partner})
                        self.assertEqual(len(partners_of[item]), 1)
                    given_ = next_input(program, state, Intent.RIGHT, state.at)
                    state = step(program, state, given_.action, given_.at).state
            self.assertEqual(asked_rows, {"bee", "hen", "duck", "cow", "goat"})
            told = [p.what for p in survey(program.game, {"f": Pack("F", facts=FACTS)})]
            self.assertTrue(any("belongs to it alone" in what for what in told), told)

    def test_signs_between_an_item_and_its_partner(self):
        for sign in (" = ", "=", " → ", "->", " => ", " -> "):
            self.assertEqual(pair_in(f"bee{sign}honey"), ("bee", "honey"))
        self.assertEqual(pair_in("1 + 1 = 2 = two"), ("1 + 1", "2 = two"))
        for text in ("bee honey", "= honey", "bee =", "=", ""):
            self.assertIsNone(pair_in(text))


if __name__ == "__main__":
    unittest.main()
