"""Questions made from facts against probability theory and an open data set.

Pearson's chi-square test and the hypergeometric law are SciPy's (scipy.stats); the data are
ISO 3166 and ISO 639 as Debian's iso-codes has them, from the package pycountry.
"""

import string
import unicodedata
import unittest
from collections import Counter
from itertools import combinations

import pycountry
from scipy import stats

from dicetrail.core import (
    After,
    Answer,
    Begin,
    Check,
    Draw,
    Ending,
    Facts,
    Game,
    Pack,
    Pattern,
    Phase,
    Round,
    build,
    start,
    step,
)
from dicetrail.core.document import Made
from dicetrail.core.play import choices_of, question_of

UNLIKELY = 1e-4
"""A fair draw fails one such test in ten thousand; with fixed dice, always or never."""
ROLLS = 6_000
TREES = tuple(f"tree {number}" for number in range(9))


def program_of(facts, pattern, **settings):
    round_ = Round("R", patterns=(pattern,), after=After(hold_ms=0), **settings)
    return build(Game("G", (round_,), (Ending("Rest", ""),)), {"f": Pack("F", facts=facts)})


class TestWrongChoices(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        facts = Facts(("leaf", "tree"), tuple((f"leaf {n}", tree) for n, tree in enumerate(TREES)))
        program = program_of(facts, Pattern("f", "{leaf}?", "tree"), draw=Draw(1))
        cls.seen = []
        for dice in range(ROLLS):
            state = step(program, start(program, dice).state, Begin(), 0).state
            choices, (right,) = choices_of(program, state)
            cls.seen.append((choices, right))

    def assert_uniform(self, counts, kinds):
        self.assertEqual(len(counts), kinds)
        self.assertGreater(stats.chisquare(list(counts.values())).pvalue, UNLIKELY)

    def test_every_other_row_is_as_likely_and_so_is_every_place(self):
        self.assert_uniform(Counter(right for _, right in self.seen), 4)
        of_first = [
            frozenset(choices) - {TREES[0]}
            for choices, right in self.seen
            if choices[right - 1] == TREES[0]
        ]
        self.assert_uniform(Counter(one for wrong in of_first for one in wrong), 8)
        every = {frozenset(three) for three in combinations(TREES[1:], 3)}
        self.assertEqual(set(of_first), every)
        at_first_place = Counter(choices[0] for choices, _ in self.seen)
        self.assert_uniform(at_first_place, 9)

    def test_how_many_of_a_group_come_is_hypergeometric(self):
        law = stats.hypergeom(8, 3, 3)
        group = set(TREES[6:])
        outside = [
            len(group.intersection(choices))
            for choices, right in self.seen
            if choices[right - 1] not in group
        ]
        counts = Counter(outside)
        expected = [law.pmf(number) * len(outside) for number in range(4)]
        observed = [counts[number] for number in range(4)]
        self.assertGreater(stats.chisquare(observed, expected).pvalue, UNLIKELY)


def as_typed(name):
    """A name as people type it in a hurry: no accents, no marks, small letters; ``us``.

    By Unicode's decomposition (UAX 15, NFKD) and Python's list of ASCII punctuation.
    """
    plain = unicodedata.normalize("NFKD", name)
    bare = "".join(character for character in plain if not unicodedata.combining(character))
    marks = str.maketrans(dict.fromkeys(string.punctuation, " ") | {"'": "", ".": ""})
    return " ".join(bare.lower().replace("\u2019", "'").translate(marks).split())


class TestOpenData(unittest.TestCase):
    def play(self, facts, pattern, answer):
        """The run in which every question is answered; how many there were and were right."""
        check = Check(ignore_accents=True, ignore_punctuation=True)
        program = program_of(facts, pattern, draw=Draw(None), check=check)
        state = step(program, start(program, 3).state, Begin(), 0).state
        asked = 0
        while state.phase is Phase.ASKING:
            asked += 1
            given = answer(program, state)
            after = step(program, state, Answer(given), state.at)
            self.assertEqual(after.state.tally.right_count, asked, given)
            state = after.state
        return asked

    def test_every_country_is_known_by_its_code_as_people_type_it(self):
        rows = tuple((country.alpha_3, country.name) for country in pycountry.countries)
        self.assertGreater(len(rows), 240)
        names = dict(rows)
        typed = Pattern("f", "Which country has the code {code}?", "name", Made.TYPED)
        asked = self.play(
            Facts(("code", "name"), rows),
            typed,
            lambda program, state: as_typed(names[question_of(program, state).prompt[-4:-1]]),
        )
        self.assertEqual(asked, len(rows))

    def test_every_language_is_picked_by_its_code_and_no_other_is_right(self):
        rows = tuple(
            (language.alpha_2, language.name)
            for language in pycountry.languages
            if hasattr(language, "alpha_2")
        )
        self.assertGreater(len(rows), 150)
        codes = {name: code for code, name in rows}

        def picked(program, state):
            choices, _ = choices_of(program, state)
            self.assertEqual(len(set(choices)), 8)
            prompt = question_of(program, state).prompt
            (place,) = [n for n, name in enumerate(choices, 1) if f" {codes[name]}?" in prompt]
            return place

        pattern = Pattern("f", "Which language is {code}?", "language", choices=8)
        self.assertEqual(self.play(Facts(("code", "language"), rows), pattern, picked), len(rows))
