"""Questions made from facts: what is right, what is wrong, what leaves, whatever is set."""

import re
import unicodedata
import unittest
from dataclasses import replace
from itertools import pairwise, product

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    After,
    Answer,
    Ask,
    Begin,
    Check,
    Draw,
    DrawOrder,
    Ending,
    Facts,
    Game,
    GameProblems,
    Moves,
    Pack,
    Pattern,
    Phase,
    Refill,
    Round,
    Severity,
    Shows,
    To,
    Way,
    build,
    replay,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import Verdict, fold
from dicetrail.core.document import (
    Details,
    Filled,
    Holds,
    Kind,
    Language,
    Leaves,
    Made,
    OrderShare,
    Question,
)
from dicetrail.core.draw import FactQuestions, comparison_key, stream
from dicetrail.core.play import Intent, asking_at, check, choices_of, next_input, question_of
from dicetrail.core.play.program import made_ready, presented_question
from dicetrail.core.workbench import draw_list
from tests.core.examples import BEDS

NAMES = ("Beet", "beet", "Bête", "bete!", "Kale", "Leek", "Pea", "1/2", "0.5", "2", "")
ROWS = st.tuples(*(st.sampled_from(NAMES) for _ in range(2)), st.sampled_from("xyz"))
TABLES = st.lists(ROWS, min_size=1, max_size=9).map(
    lambda rows: Facts(("Name", "Other name", "family"), tuple(rows))
)
PATTERNS = st.builds(
    Pattern,
    st.just("f"),
    st.sampled_from(["Of {family}?", "Who is {other name}?", "{Name} and {family}?"]),
    st.sampled_from(["name", "Other name", "family"]),
    st.sampled_from(Made),
    st.integers(2, 5),
    also=st.sampled_from([(), ("other name",), ("name", "family")]),
    near=st.sampled_from(["", "family"]),
    holds=st.sampled_from([(), (Holds("family", ("X", "y")),), (Holds("name"),)]),
    leaves=st.sampled_from(Leaves),
    filled=st.sampled_from(Filled),
)
ROUNDS = st.builds(
    Round,
    title=st.just("R"),
    patterns=st.lists(PATTERNS, min_size=1, max_size=2).map(tuple),
    draw=st.builds(
        Draw,
        st.none() | st.integers(1, 6),
        st.sampled_from([DrawOrder.SHUFFLED, DrawOrder.WRITTEN, DrawOrder.EASY_FIRST]),
        refill=st.sampled_from(Refill),
    ),
    ask=st.builds(Ask, tries=st.integers(1, 2), spread=st.booleans()),
    check=st.builds(
        Check,
        ignore_case=st.booleans(),
        ignore_accents=st.booleans(),
        ignore_punctuation=st.booleans(),
        typos=st.integers(0, 1),
    ),
    after=st.just(After(hold_ms=0)),
    moves=st.sampled_from([Moves(), Moves(wrong=Way(To.AGAIN))]),
)
REST = (Ending("Rest", ""),)
INTENTS = st.lists(st.sampled_from(["right", "wrong", "wrong"]), min_size=12, max_size=12)


def program_of(facts, *patterns, **settings):
    game = Game("G", (Round("R", patterns=patterns, **settings),), REST)
    return build(game, {"f": Pack("F", facts=facts)})


def right_for(made, prompt):
    """Every answer of the rows that ask this, worked out from the rows alone. A row without an
    answer asks nothing."""
    found = set()
    for row in range(len(made.facts.rows)):
        words = made.pattern.prompt
        for column in made.facts.columns:
            for written in (column, column.lower()):
                words = words.replace(f"{{{written}}}", made.cell(row, column))
        is_asked = row in made.rows and made.cell(row, made.pattern.answer) != ""
        names = (made.pattern.answer, *made.pattern.also)
        answers = {made.cell(row, name) for name in names} - {""}
        asks = fold(prompt)
        if made.pattern.made is Made.GAPS:
            asks = next((full for full in filled_with(prompt, answers) if full == fold(words)), "")
            # A row whose answer still stands there would have had a gap in its place.
            if any(re.search(rf"(?<!\w){re.escape(one)}(?!\w)", prompt, re.I) for one in answers):
                asks = ""
        if fold(words) == asks and is_asked:
            found |= answers
    return found


def filled_with(prompt, answers):
    """A text with its blanks filled in every way with some answers."""
    first, *after = prompt.split("___")
    for words in product(answers, repeat=len(after)):
        yield fold(first + "".join(map("".join, zip(words, after, strict=True))))


def alike(name):
    """A name of a file without its capitals, in one Unicode form."""
    return unicodedata.normalize("NFC", name).casefold()


class TestLaws(unittest.TestCase):
    @given(TABLES, ROUNDS, st.integers(0, 999), INTENTS)
    def test_a_wrong_choice_is_never_right_and_what_left_stays_away(
        self, facts, round_, dice, intents
    ):
        try:
            program = build(Game("G", (round_,), REST), {"f": Pack("F", facts=facts)}, recall={})
        except GameProblems:
            return
        moment, inputs = start(program, dice), []
        shown, number = {}, 0
        for intent in ("right", *intents):
            state = moment.state
            if state.phase is Phase.ASKING:
                put = presented_question(program, state)
                question = put.dealt.sourced.question
                right = right_for(put.made, question.prompt)
                if question.gaps:
                    accepted = [fold(word) for gap in question.gaps for word in gap.accepted]
                    self.assertLessEqual(set(accepted), set(map(fold, right)))
                else:
                    self.assertLessEqual(set(question.right), right)
                likes = [comparison_key(choice) for choice in put.choices]
                self.assertEqual(len(set(likes)), len(likes), "no two choices are alike")
                wrong = {comparison_key(answer) for answer in question.wrong}
                self.assertFalse(wrong & {comparison_key(answer) for answer in right})
                if put.made.pattern.made is Made.CHOICE:
                    self.assertLessEqual(len(put.choices), put.made.pattern.choices)
                    self.assertGreater(len(question.wrong), 0)
                else:
                    for answer in right:
                        given = "\n".join([answer] * max(1, len(question.gaps)))
                        verdict = check(program, state, given).verdict
                        self.assertIn(verdict, (Verdict.RIGHT, Verdict.UNREADABLE), answer)
                # The same question, asked anew or tried again, stands as it stood.
                place = (state.round.position, state.history.departed, put.dealt.sourced.number)
                self.assertEqual(shown.setdefault(place, put.choices), put.choices)
                self._stay_away(state, put, question)
                number += 1
            given_ = next_input(program, state, Intent(intent), state.at)
            if given_ is None:
                break
            inputs.append(given_)
            moment = step(program, state, given_.action, given_.at)
        again = replay(program, dice, ("Player",), inputs)
        self.assertEqual(again[-1], moment)

    def _stay_away(self, state, put, question):
        minds = put.made.pattern.leaves is not Leaves.NONE
        gone = {row.number for row in state.history.departed} if minds else set()
        self.assertFalse(
            state.round.position and gone.issuperset(put.made.rows_of(put.dealt.sourced.number)),
            "a question all of whose rows have left is not asked",
        )
        others = list(put.made.others(put.dealt.sourced.number, gone))
        if others:
            allowed = {answer for answer, _ in others}
            self.assertLessEqual(set(question.wrong), allowed)
        if put.made.pattern.near and put.made.pattern.made is Made.CHOICE:
            near = {answer for answer, is_near in others if is_near}
            taken = len(near & set(question.wrong))
            self.assertEqual(taken, min(len(near), len(question.wrong)), "near ones first")

    @given(
        st.lists(
            st.tuples(
                st.sampled_from(["plum", "pear"]),
                st.sampled_from(
                    ["Prune.png", "prune.PNG", "pruné.png", "prune\u0301.png", "pear.png", "x.png"]
                ),
            ),
            min_size=2,
            max_size=6,
        ),
        st.integers(2, 4),
        st.integers(0, 99),
    )
    def test_a_picture_that_is_right_is_no_wrong_choice_in_other_characters(
        self, rows, choices, dice
    ):
        facts = Facts(("plant", "picture"), tuple(rows))
        pattern = Pattern("f", "A {plant}?", "picture", choices=choices, shows=Shows.PICTURE)
        made = FactQuestions(pattern, facts)
        for number, question in enumerate(made):
            plant = question.prompt[2:-1]
            right = {alike(name) for row_plant, name in rows if row_plant == plant}
            shown = made.with_wrong(question, number, stream(dice, "test"))
            wrong = [alike(name) for name in shown.wrong]
            self.assertFalse(right & set(wrong))
            self.assertEqual(len(set(wrong)), len(wrong))

    def test_numbers_are_read_in_the_language_of_the_game(self):
        rows = (("pea", "1.250", "1.000"), ("bean", "1250", "2"), ("leek", "7,5", "3"))
        facts = {"f": Pack("F", facts=Facts(("plant", "seeds", "points"), rows))}
        picked = Pattern("f", "Seeds of {plant}?", "seeds", choices=3, worth="points")
        for language, number in ((Language.ENGLISH, 2), (Language.GERMAN, 1)):
            round_ = Round("R", patterns=(picked,), draw=Draw(None))
            game = Game("G", (round_,), REST, language=language)
            program = build(game, facts)
            made = program.pools[0].made_by("patterns[0]")
            self.assertEqual(made.wrong_count(0), number, language)
            worth = program.pools[0][0].question.details.worth
            self.assertEqual(worth, 1 if language is Language.ENGLISH else 1000)
        typed = Question("How many?", ("10.000",), (), Kind.NUMBER, Details(tolerance="1.000"))
        game = Game("G", (Round("R", ("p",)),), REST, language=Language.GERMAN)
        program = build(game, {"p": Pack("P", (typed,))})
        for given_, verdict in (("10.500", "right"), ("11.001", "wrong"), ("9000", "right")):
            self.assertEqual(check(program, asking_at(program, 1), given_).verdict, verdict)

    def test_columns_of_one_name_and_without_one_are_told(self):
        facts = Facts(("Plant", "plant ", "", "bed"), (("pea", "bean", "x", "long"),))
        pattern = Pattern("f", "Where is the {plant}?", "bed", Made.TYPED)
        game = Game("G", (Round("R", patterns=(pattern,)),), REST)
        told = [problem.what for problem in survey(game, {"f": Pack("F", facts=facts)})]
        self.assertIn("columns 1 and 2 of “F” are both called “plant”", told)
        self.assertIn("column 3 of “F” has no name", told)

    def test_rows_that_leave_leave_every_pattern_and_every_round(self):
        asked = dict.fromkeys(Leaves, 0)
        for leaves in Leaves:
            patterns = (
                Pattern("beds", "Family of {plant}?", "family", choices=2, leaves=leaves),
                Pattern("beds", "Of bed {bed}, month {sown}?", "plant", choices=2, leaves=leaves),
            )
            rounds = tuple(
                Round(title, patterns=patterns, draw=Draw(None), after=After(hold_ms=0))
                for title in "AB"
            )
            program = build(Game("G", rounds, REST), {"beds": BEDS})
            for dice in range(20):
                moment = start(program, dice)
                rounds_seen = set()
                while given_ := next_input(program, moment.state, Intent.WRONG, moment.state.at):
                    if isinstance(given_.action, Answer):
                        asked[leaves] += 1
                        rounds_seen.add(moment.state.round.number)
                    moment = step(program, moment.state, given_.action, given_.at)
                self.assertEqual(rounds_seen, {0, 1}, "every round asks something")
        self.assertEqual(asked[Leaves.NONE], 20 * 2 * (6 + 4), "both ways round, in both rounds")
        # By the first pattern six rows leave, one a question; the second round finds all gone,
        # and they come again. What was picked wrong is asked no more either.
        self.assertLessEqual(asked[Leaves.RIGHT], 20 * 2 * 6)
        self.assertLess(asked[Leaves.PICKED], asked[Leaves.RIGHT])


HEIGHTS = st.lists(
    st.tuples(
        st.sampled_from(["pea", "Pea", "bean", "leek", "kale", "plum", "oak", ""]),
        st.sampled_from(["1", "2", "2.0", "10", "1/2", "-3", "", "tall"]),
    ),
    min_size=1,
    max_size=9,
).map(tuple)


class TestOrdersFromFacts(unittest.TestCase):
    @given(
        HEIGHTS,
        st.integers(2, 5),
        st.booleans(),
        st.sampled_from(Leaves),
        st.sampled_from(OrderShare),
        st.integers(0, 999),
        INTENTS,
    )
    def test_answers_of_different_numbers_stand_in_their_order_and_never_two_of_one(
        self, rows, count, largest_first, leaves, how, dice, intents
    ):
        facts = Facts(("plant", "height"), rows)
        pattern = Pattern("f", "By height?", "plant", Made.ORDER, count, by="height", leaves=leaves)
        pattern = replace(pattern, largest_first=largest_first)
        check = Check(order_share=how)
        round_ = Round(
            "R", patterns=(pattern,), draw=Draw(None), check=check, after=After(hold_ms=0)
        )
        game = Game("G", (round_,), REST)
        values = {"1": 1, "2": 2, "2.0": 2, "10": 10, "1/2": 0.5, "-3": -3}
        heights, firsts = {}, {}
        for row, (name, height) in enumerate(rows):
            if name and height in values and name.casefold() not in firsts:
                firsts[name.casefold()] = row
                heights[name] = values[height]
        different = len(set(heights.values()))
        problems = survey(game, {"f": Pack("F", facts=facts)})
        faults = [problem.what for problem in problems if problem.severity is Severity.FAULT]
        self.assertEqual(bool(faults), different < 2, faults)
        few = any(problem.where.endswith("patterns[0].choices") for problem in problems)
        self.assertEqual(few, 0 < different < count)
        if faults:
            return
        program = made_ready(game, {"f": Pack("F", facts=facts)}, recall={})
        moment, asked, inputs = start(program, dice), [], []
        for intent in ("right", *intents):
            state = moment.state
            if state.phase is Phase.ASKING:
                put = presented_question(program, state)
                right = put.question.right
                found = [heights[name] for name in right]
                self.assertEqual(len(right), min(count, different))
                self.assertEqual(len(set(found)), len(found))
                self.assertEqual(found, sorted(found, reverse=largest_first))
                (own,) = put.made.rows_of(put.dealt.sourced.number)
                self.assertIn(rows[own][0], right)
                asked.append(own)
                # As many as the census of the pattern says, so that the survey knows its shares.
                base = put.made[put.dealt.sourced.number]
                self.assertEqual(len(base.right), len(right))
                self.assertEqual(
                    sorted(base.right, key=heights.get, reverse=largest_first), [*base.right]
                )
                gone = {row.number for row in state.history.departed}
                there = {heights[rows[row][0]] for row in firsts.values() if row not in gone}
                if len(there | {heights[rows[own][0]]}) >= len(right):
                    self.assertFalse({firsts[name.casefold()] for name in right} & gone - {own})
            given_ = next_input(program, state, Intent(intent), state.at)
            if given_ is None:
                break
            inputs.append(given_)
            moment = step(program, state, given_.action, given_.at)
        self.assertEqual(replay(program, dice, ("Player",), inputs)[-1], moment)
        self.assertEqual(len(set(asked)), len(asked))

    def test_what_cannot_be_put_in_order_is_told_where_it_is_programmed(self):
        facts = Facts(("plant", "height"), (("pea", "1"), ("bean", "2"), ("kale", "")))
        packs = {"f": Pack("F", facts=facts)}
        for change, where in (
            ({}, None),
            ({"by": ""}, "rounds[0].patterns[0].by"),
            ({"by": "width"}, "rounds[0].patterns[0].by"),
            ({"prompt": "By {height}?"}, "rounds[0].patterns[0].prompt"),
            ({"by": "plant"}, "rounds[0].patterns[0]"),
            ({"answer": "height"}, None),
        ):
            pattern = Pattern("f", "By height?", "plant", Made.ORDER, 2, by="height")
            round_ = Round("R", patterns=(replace(pattern, **change),))
            problems = survey(Game("G", (round_,), REST), packs)
            faults = [one.where for one in problems if one.severity is Severity.FAULT]
            with self.subTest(change=change):
                self.assertEqual(faults[:1], [] if where is None else [where])
                shown = "rounds[0].patterns[0].answer" in {one.where for one in problems}
                self.assertEqual(shown, "answer" in change)
        told = [
            problem.what
            for problem in survey(Game("G", (Round("R", patterns=(pattern,)),), REST), packs)
        ]
        self.assertIn(
            "the answer has no number in “height”, or stands there before, in row 3 of “F”", told
        )


class TestRowsThatLeaveAFilledRound(unittest.TestCase):
    def test_none_comes_twice_in_a_row_nor_ends_the_round_while_another_can_come(self):
        """Beside so many rows that have soon left, few questions remain, and chance alone says
        which of them is dealt next."""
        rows = tuple((f"plant {number}", f"bed {number}") for number in range(12))
        for others, refill, order in product(
            (1, 2, 3),
            (Refill.WHEN_EMPTY, Refill.EACH_TIME),
            (DrawOrder.SHUFFLED, DrawOrder.WEIGHTED),
        ):
            plain = tuple(Question(f"Other {n}?", (f"a{n}",), ("b",)) for n in range(others))
            packs = {"f": Pack("F", facts=Facts(("plant", "bed"), rows)), "p": Pack("P", plain)}
            pattern = Pattern("f", "Where is {plant}?", "bed", choices=2, leaves=Leaves.RIGHT)
            draw = Draw(60, order, refill=refill)
            round_ = Round("R", ("p",), patterns=(pattern,), draw=draw)
            program = made_ready(Game("G", (round_,), (Ending("E", ""),)), packs)
            for dice in range(2):
                asked = [one.prompt for one in draw_list(program, dice).questions]
                with self.subTest(others=others, refill=refill, order=order, dice=dice):
                    self.assertEqual(len(asked), 60)
                    again = sum(one == other for one, other in pairwise(asked))
                    if others > 1:
                        self.assertEqual(again, 0)
                    made = [prompt for prompt in asked if prompt.startswith("Where")]
                    self.assertEqual(len(set(made)), len(made), "a row that has left is gone")


class TestPatterns(unittest.TestCase):
    def test_rows_that_ask_the_same_are_one_question_with_all_their_answers_right(self):
        facts = Facts(
            ("name", "latin"),
            (("Bluebell", "Hyacinthoides"), ("bluebell", "Campanula"), ("Daisy", "Bellis")),
        )
        typed = Pattern("f", "Genus of {name}?", "latin", Made.TYPED)
        made = FactQuestions(typed, facts)
        self.assertEqual(made[0].right, ("Hyacinthoides", "Campanula"))
        picked = FactQuestions(replace(typed, made=Made.CHOICE), facts)
        for dice in range(30):
            question = picked.with_wrong(picked[0], 0, stream(dice, "any"))
            self.assertEqual(question.wrong, ("Bellis",))

    def test_numbers_words_worth_and_media_come_from_their_columns(self):
        facts = Facts(
            ("tree", "needles", "points", "leaf", "note"),
            (("Pine", "2", "3", "pine.svg", "Two by two."), ("Larch", "many", "x", "", "")),
        )
        number = Pattern("f", "Needles of {tree}?", "needles", Made.NUMBER, worth="points")
        program = program_of(facts, number)
        self.assertEqual(len(program.pools[0]), 1)
        state = step(program, start(program, 1).state, Begin(), 0).state
        self.assertEqual(question_of(program, state).details.worth, 3)
        self.assertIs(check(program, state, "two").verdict, Verdict.UNREADABLE)
        self.assertIs(check(program, state, "2.0").verdict, Verdict.RIGHT)
        shown = Pattern("f", "Which?", "tree", choices=2, picture="leaf", note="note")
        made = FactQuestions(shown, facts)
        details = made[0].details
        self.assertEqual((details.picture, details.note), ("pine.svg", "Two by two."))
        self.assertEqual(made.idle, (1,))
        leaves = Pattern("f", "Leaf of {tree}?", "leaf", choices=2, shows=Shows.PICTURE)
        both = replace(facts, rows=(facts.rows[0], ("Larch", "many", "1", "larch.svg", "")))
        program = program_of(both, leaves)
        state = step(program, start(program, 1).state, Begin(), 0).state
        media = {"f": {"pine.svg": "p", "larch.svg": "l"}}
        pictures = [choice.picture for choice in table(program, state, media).question.choices]
        self.assertEqual(sorted(pictures), ["l", "p"])
        self.assertEqual(len(choices_of(program, state)[1]), 1)

    def test_what_is_wrong_in_a_pattern_is_told_with_its_place(self):
        facts = BEDS.facts

        def told(pattern, draw=None, there=None):
            pack = Pack("F", facts=there or facts)
            rounds = (Round("R", patterns=(pattern,), draw=draw or Draw(4)),)
            found = survey(Game("G", rounds, REST), {"f": pack})
            return [
                (problem.where.removeprefix("rounds[0].patterns[0]"), problem.what)
                for problem in found
                if "patterns" in problem.where
            ]

        good = Pattern("f", "Family of {plant}?", "family", choices=3)
        self.assertEqual(told(good), [])
        for change, place, words in (
            ({"prompt": "Family of {flower}?"}, ".prompt", "no column “flower”"),
            ({"answer": ""}, ".answer", "no column is chosen"),
            ({"near": "soil"}, ".near", "no column “soil”"),
            ({"also": ("plant", "x")}, ".also[1]", "no column “x”"),
            ({"holds": (Holds("x", ("1",)),)}, ".holds[0].column", "no column “x”"),
            ({"holds": (Holds("bed", ("9",)),)}, "", "no row of “F” makes a question"),
            ({"prompt": "Which?"}, ".prompt", "every row asks the same"),
            ({"prompt": "Is it {family}?"}, ".prompt", "gives the answer away"),
            ({"prompt": "  "}, ".prompt", "the question is empty"),
            ({"choices": 6}, ".choices", "2 wrong choices where 5 are wanted"),
            ({"level": "level"}, ".level", "not a level, 1 to 5 in 1 row, such as 3"),
            ({"answer": "plant", "prompt": "{family}?", "made": Made.NUMBER}, "", "no row"),
            ({"made": Made.NUMBER, "answer": "sown", "tolerance": "x"}, ".tolerance", "“x” is"),
            ({"leaves": Leaves.PICKED}, ".choices", "fewer than 2 wrong choices"),
        ):
            with self.subTest(change=change):
                found = told(replace(good, **change))
                self.assertTrue(
                    any(where == place and words in what for where, what in found), found
                )
        rows = (*facts.rows, ("The Umbel one", "Umbel", "1", "", "1"))
        telling = told(good, there=replace(facts, rows=rows))
        self.assertIn("1 question give", telling[0][1])
        numbers = replace(good, answer="level", made=Made.NUMBER)
        rows = (*facts.rows, ("Oak", "Tree", "1", "1", "tall"))
        unfit = told(numbers, there=replace(facts, rows=rows))
        self.assertIn("the answer is no number in row 7 of “F”", unfit[0][1])
        self.assertIn("holds questions, not facts", self._of_questions(good))

    def _of_questions(self, pattern):
        rounds = (Round("R", patterns=(pattern,)),)
        found = survey(Game("G", rounds, REST), {"f": Pack("Q", ())})
        return " ".join(p.what for p in found if p.severity is Severity.FAULT)
