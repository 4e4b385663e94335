"""Places in a picture: areas as they are written, what a point means, and what is told of it."""

import unittest
from collections import Counter
from dataclasses import replace
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
    Continue,
    Details,
    Draw,
    Ending,
    Game,
    Input,
    Kind,
    Needs,
    Pack,
    Question,
    Round,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.document import (
    Area,
    Facts,
    Made,
    Outline,
    PartlyRight,
    Pattern,
    area_in,
    as_area,
    number_of_point,
    overlap,
    point_of,
    tidy_area,
)
from dicetrail.core.draw import questions_from
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
from dicetrail.core.play.program import presented_question
from dicetrail.core.survey import first_fault
from dicetrail.core.survey.reach import reach

PLAN = Details(picture="plan.png")
BOTH = Details(picture="plan.png", needs=Needs.ALL)
HIVE, SHED = "hive = rectangle 10 20 40 60", "shed = rectangle 60 10 70 20"
POND = "pond = ellipse 50 50 80 90"
ONE = Question("Where is the hive?", (HIVE,), (POND,), Kind.PLACE, PLAN, ("That is wet.",))
ALL = Question("What has a roof?", (HIVE, SHED), (POND,), Kind.PLACE, BOTH)
AT = {"hive": (200, 300), "shed": (650, 150), "pond": (650, 700), "": (990, 990), "-": (5, 5)}
NAMES = st.text("ab é=:", min_size=1, max_size=6).map(lambda text: f"n{text.strip()}")
SPANS = st.tuples(st.integers(0, 1000), st.integers(0, 1000)).filter(lambda two: two[0] < two[1])
BOXES = st.builds(
    lambda name, outline, across, down: Area(
        name, outline, (across[0], down[0], across[1], down[1])
    ),
    NAMES,
    st.sampled_from([Outline.RECTANGLE, Outline.ELLIPSE]),
    SPANS,
    SPANS,
)
POLYGONS = st.builds(
    lambda name, numbers: Area(name, Outline.POLYGON, tuple(numbers)),
    NAMES,
    st.lists(st.integers(0, 1000), min_size=6, max_size=12).filter(
        lambda found: len(found) % 2 == 0
    ),
)


def ready(question, partly=PartlyRight.NEVER, tries=1, script=""):
    round_ = Round("R", ("p",), draw=Draw(1), ask=Ask(tries=tries), check=Check(partly=partly))
    game = Game("G", (round_,), (Ending("Over", ""),), script)
    return made_ready(game, {"p": Pack("P", (question,))})


def asked(program, dice=7):
    return step(program, start(program, dice).state, Begin(), 0).state


def told(program, answer):
    return table(program, step(program, asked(program), Answer(answer), 1).state).feedback


def at(*names):
    return tuple(number_of_point(AT[name]) for name in names)


class TestAreas(unittest.TestCase):
    @given(BOXES | POLYGONS)
    def test_an_area_is_read_as_it_is_written(self, area):
        self.assertEqual(area_in(as_area(area)), area)
        self.assertEqual(tidy_area(as_area(area)), as_area(area))

    def test_looser_forms_are_read_and_what_is_no_area_is_not(self):
        hive = area_in("hive = rectangle 10 20 40 60")
        for text in (
            *("hive: rect 10,20,40,60", "hive=box 10% 20% 40% 60%", "hive @ RECTANGLE 10 20 40 60"),
            " hive = rectangle 10.0 20 40 60 ",
        ):
            self.assertEqual(area_in(text), hive, text)
        for text in (
            *("hive", "hive = rectangle 10 20 40", "= rectangle 1 2 3 4", "h = star 1 2 3 4"),
            *("h = rectangle 40 20 10 60", "h = rectangle 1 2 300 4", "h = polygon 1 2 3 4"),
            *("h = polygon 1 2 3 4 5", "h = ellipse 1 2 1 4", "h = rectangle -1 2 3 4"),
            "h = polygon " + "1 2 " * 41,
        ):
            self.assertIsNone(area_in(text), text)

    def test_every_point_has_a_number_of_its_own_that_no_choice_has(self):
        for down, across in product((0, 1, 999, 1000), repeat=2):
            number = number_of_point((across, down))
            self.assertGreater(number, 999)
            self.assertEqual(point_of(number), (across, down))
        for number in (-1, 0, 12, 999, number_of_point((1000, 1000)) + 1):
            self.assertIsNone(point_of(number))

    @given(BOXES, st.integers(0, 1000), st.integers(0, 1000))
    def test_a_box_holds_what_its_words_say(self, area, across, down):
        left, top, right, bottom = area.numbers
        within = left <= across <= right and top <= down <= bottom
        if area.outline is Outline.ELLIPSE:
            wide, high = Fraction(right - left, 2), Fraction(bottom - top, 2)
            x, y = across - Fraction(left + right, 2), down - Fraction(top + bottom, 2)
            within = (x / wide) ** 2 + (y / high) ** 2 <= 1
        self.assertEqual(area.holds((across, down)), within)

    def test_areas_that_share_a_part_are_told(self):
        hive, shed, pond = map(area_in, (HIVE, SHED, POND))
        cross = area_in("cross = rectangle 20 0 30 100")
        within = area_in("within = polygon 20 30 30 30 25 40")
        for one, other, are_over in (
            *((hive, shed, False), (hive, pond, False), (hive, cross, True)),
            *((hive, within, True), (shed, within, False), (pond, cross, False)),
        ):
            self.assertEqual((overlap(one, other), overlap(other, one)), (are_over, are_over))
        over = Question("?", (HIVE,), ("path = ellipse 30 30 90 90",), Kind.PLACE, PLAN)
        game = Game("G", (Round("R", ("p",)),), (Ending("Over", ""),))
        what = [one.what for one in survey(game, {"p": Pack("P", (over,))})]
        self.assertIn("“path” and “hive” overlap", what)

    def test_what_can_be_asked_and_what_cannot(self):
        for fit in (ONE, ALL, Question("?", (HIVE,), (), Kind.PLACE, PLAN)):
            self.assertIsNone(first_fault(fit))
        for field, right, wrong, details in (
            ("picture", (HIVE,), (), Details()),
            ("right", ("hive",), (), PLAN),
            ("wrong", (HIVE,), ("pond",), PLAN),
            ("wrong", (HIVE,), ("hive = ellipse 50 50 60 60",), PLAN),
            ("right", ("all = rectangle 0 0 100 100",), (), PLAN),
            ("right", tuple(f"a{n} = rectangle {n} 0 {n}.5 9" for n in range(13)), (), PLAN),
            ("pinned", (HIVE,), (POND,), Details(picture="plan.png", pinned="pond")),
        ):
            fault = first_fault(Question("?", right, wrong, Kind.PLACE, details))
            with self.subTest(right=right, wrong=wrong):
                self.assertEqual(fault.field if fault else None, field)


class TestAnswering(unittest.TestCase):
    def test_a_point_means_the_area_it_is_in_and_a_name_means_it_too(self):
        program = ready(ONE)
        names = [choice.text for choice in table(program, asked(program)).question.choices]
        for name, verdict, says in (
            ("hive", "right", ""),
            ("pond", "wrong", "That is wet."),
            ("", "wrong", ""),
        ):
            answers = [*at(name), at(name), *([name, names.index(name) + 1] if name else [])]
            for answer in answers:
                feedback = told(program, answer)
                self.assertEqual((feedback.result, feedback.says), (verdict, says), answer)
                areas = [(area.name, area.is_right) for area in feedback.areas]
                wrong = [("pond", False)] if name == "pond" else []
                self.assertCountEqual(areas, [("hive", True), *wrong])
        for answer in ((), at("hive", "pond"), 0, 13, "well", ""):
            self.assertEqual(told(program, answer).result, "unreadable", answer)

    def test_where_areas_overlap_a_right_one_counts(self):
        over = Question(
            "?", ("b = rectangle 0 0 50 50",), ("a = rectangle 40 40 90 90",), Kind.PLACE, PLAN
        )
        for point, verdict in (((450, 450), "right"), ((500, 500), "right"), ((501, 500), "wrong")):
            self.assertEqual(told(ready(over), number_of_point(point)).result, verdict)

    def test_several_places_have_the_share_their_words_say(self):
        for partly, count in product(PartlyRight, range(1, 5)):
            program = ready(ALL, partly)
            for names in product(("hive", "shed", "pond", "", "-"), repeat=count):
                found = len({"hive", "shed"} & set(names))
                nowhere = sum(name in ("", "-") for name in names)
                others = len({"pond"} & set(names)) + nowhere
                if partly is PartlyRight.LESS_WRONG:
                    counted = found - others
                else:
                    counted = found if partly is PartlyRight.RIGHT_PICKS else 0
                part = Fraction(100 * counted, 2)
                share = min(99, floor(part + Fraction(1, 2))) if part > 0 else 0
                if found == 2 and not others:
                    share = 100
                feedback = told(program, at(*names))
                with self.subTest(partly=partly, names=names):
                    verdict = {100: "right", 0: "wrong"}.get(share, "partly")
                    self.assertEqual((feedback.result, feedback.share), (verdict, share % 100))

    def test_no_outline_is_told_before_the_answer_is_and_names_come_in_any_order(self):
        program, orders = ready(ONE, tries=2), Counter()
        for dice in range(60):
            state = asked(program, dice)
            orders[tuple(one.text for one in table(program, state).question.choices)] += 1
        self.assertEqual(len(orders), 2)
        self.assertLess(max(orders.values()), 45)
        state = step(program, asked(program), Answer(*at("pond")), 1).state
        self.assertEqual(table(program, state).feedback.areas, ())
        self.assertEqual(len(table(program, state).feedback.points), 1)
        self.assertNotIn("ellipse", repr(table(program, state)))


class TestForesight(unittest.TestCase):
    def test_reach_and_witnesses_know_every_score_and_no_other(self):
        script = "score = 0\ndef partly():\n    score += share\ndef right():\n    score += 100\n"
        for question, partly in product((ONE, ALL), PartlyRight):
            program = ready(question, partly, script=script)
            scores = set()
            for count in range(1, 4):
                for names in product(AT, repeat=count):
                    after = step(program, asked(program), Answer(at(*names)), 1).state
                    if table(program, after).feedback.result != "unreadable":
                        scores.add(after.tally.counters[0])
            reached = reach(program.game, program.rules, {"p": Pack("P", (question,))})
            with self.subTest(question=question.prompt, partly=partly):
                self.assertTrue(reached.is_exact)
                self.assertEqual({one.tally.counters[0] for one in reached.finals}, scores)
                self.assertEqual({one.score for one in witnesses(program).scores}, scores)

    def test_a_blind_guess_is_one_of_the_areas_or_none(self):
        script = "score = 0\ndef right():\n    score += 1\n"
        program = ready(ONE, script=script)
        scout = Scout("blind", (90,), guesses=True)
        found = forecast(program, scout, runs=0, is_quick=True)
        self.assertEqual(found.how, How.EXACT)
        chances = {one.value: one.share for one in found.counters[0].values}
        self.assertAlmostEqual(chances[1], 1 / 3, 12)
        hits = sum(played(program, (scout,), dice).tally.counters[0] for dice in range(600))
        self.assertLess(abs(hits / 600 - 1 / 3), 0.08)

    def test_what_was_pointed_at_is_observed(self):
        program = ready(ONE, tries=3)
        inputs = [Input(Begin(), 0)]
        for turn, answer in enumerate((*at("pond", ""), "hive"), 1):
            inputs.append(Input(Answer(answer), 1000 * turn))
        moments = replay(program, 3, ("Ada",), inputs)
        (one,) = observations(program, moments, inputs)
        self.assertEqual([found.given for found in one.tries], ["pond", "elsewhere", "hive"])
        self.assertEqual([found.points for found in one.tries], [(AT["pond"],), (AT[""],), ()])
        self.assertEqual(one.answer, "hive")
        (found,) = evidence_of([[one]]).questions
        hits = [(hit.across, hit.down, hit.is_right) for hit in found.hits]
        self.assertEqual(hits, [(*AT["pond"], False)], "first tries alone")


def facts_of(*rows):
    return Facts(("bed", "grows", "where", "plan"), rows)


BY_AREA = Pattern("f", "Where grows {grows}?", "bed", Made.PLACE, by="where", picture="plan")
BEDS_DRAWN = facts_of(
    ("north", "kale", "rectangle 0 0 20 20", "plan.svg"),
    ("south", "leek", "south bed = ellipse 50 50 80 80", "plan.svg"),
    ("east", "kale", "polygon 80 0 99 0 99 30", "plan.svg"),
    ("North", "pea", "rectangle 30 0 45 20", "plan.svg"),
    ("shed", "mint", "rectangle 0 0 50 50", "yard.svg"),
    ("lost", "pear", "beside the shed", "plan.svg"),
    ("nowhere", "plum", "rectangle 1 1 2 2", ""),
    ("all of it", "fig", "rectangle 0 0 100 100", "full.svg"),
)


class TestFacts(unittest.TestCase):
    def test_each_row_asks_for_its_area_among_those_of_its_picture(self):
        made = questions_from(BY_AREA, BEDS_DRAWN)
        found = {question.prompt: question for question in made}
        self.assertEqual(
            set(found), {f"Where grows {one}?" for one in ("kale", "leek", "pea", "mint")}
        )
        kale = found["Where grows kale?"]
        self.assertEqual(
            kale.right, ("north = rectangle 0 0 20 20", "east = polygon 80 0 99 0 99 30")
        )
        self.assertEqual(kale.wrong, ("south = ellipse 50 50 80 80",), "one name, one area")
        pea = found["Where grows pea?"]
        self.assertEqual(pea.right, ("North = rectangle 30 0 45 20",))
        self.assertEqual(
            pea.wrong, ("south = ellipse 50 50 80 80", "east = polygon 80 0 99 0 99 30")
        )
        self.assertEqual(found["Where grows mint?"].wrong, ())
        self.assertEqual(made.unfit, (5, 6, 7), "no area, no picture, nothing left to be wrong")
        self.assertTrue(all(first_fault(question) is None for question in made))

    @given(
        st.lists(
            st.tuples(
                st.sampled_from("abcdef"),
                st.sampled_from("xyz"),
                BOXES | POLYGONS,
                st.sampled_from("pq"),
            ),
            min_size=1,
            max_size=16,
        )
    )
    def test_no_row_that_asks_the_same_is_wrong_and_nothing_stands_twice(self, rows):
        """Worked out from the rows alone."""
        facts = facts_of(*((bed, what, as_area(area), plan) for bed, what, area, plan in rows))
        for question in questions_from(BY_AREA, facts):
            self.assertIsNone(first_fault(question), question)
            names = [area.name for area in question.areas]
            self.assertEqual(len(set(names)), len(names))
            asked = question.prompt.removeprefix("Where grows ").removesuffix("?")
            plan = question.details.picture
            there = {bed for bed, what, _, its in rows if (what, its) == (asked, plan)}
            others = {bed for bed, *_, its in rows if its == plan} - there
            rights = {area_in(text).name for text in question.right}
            self.assertEqual(rights, there)
            self.assertEqual({area_in(text).name for text in question.wrong}, others)

    def test_more_rows_than_can_be_offered_are_those_that_follow(self):
        rows = [
            (f"bed {at}", f"plant {at}", f"rectangle {at} 0 {at + 1} 9", "p") for at in range(20)
        ]
        made = questions_from(BY_AREA, facts_of(*rows))
        for number, question in enumerate(made):
            names = [area.name for area in question.areas]
            self.assertEqual(names, [f"bed {(number + at) % 20}" for at in range(12)])

    def test_what_lacks_is_told(self):
        packs = {"f": Pack("F", facts=BEDS_DRAWN)}
        game = Game("G", (Round("R", patterns=(BY_AREA,), draw=Draw(None)),), (Ending("Over", ""),))
        told = [one.what for one in survey(game, packs) if "patterns[0]" in one.where]
        self.assertEqual(len(told), 1, told)
        self.assertIn("no area in “where” that can be missed in row 6, 7, 8", told[0])
        lacks = replace(BY_AREA, by="", picture="")
        where = [
            one.where
            for one in survey(
                replace(game, rounds=(replace(game.rounds[0], patterns=(lacks,)),)), packs
            )
        ]
        for field in ("by", "picture"):
            self.assertIn(f"rounds[0].patterns[0].{field}", where)

    def test_it_is_played(self):
        game = Game("G", (Round("R", patterns=(BY_AREA,), draw=Draw(None)),), (Ending("Over", ""),))
        program = made_ready(game, {"f": Pack("F", facts=BEDS_DRAWN)})
        for dice in range(4):
            state = step(program, start(program, dice).state, Begin(), 0).state
            while (view := table(program, state)).question is not None:
                presented = presented_question(program, state)
                area = presented.areas[presented.right[0] - 1]
                point = next(filter(area.holds, product(range(1001), repeat=2)))
                state = step(program, state, Answer(number_of_point(point)), state.at).state
                self.assertEqual(table(program, state).feedback.result, "right", view.question)
                state = step(program, state, Continue(), state.at).state
            self.assertEqual(table(program, state).right_count, 4)


if __name__ == "__main__":
    unittest.main()
