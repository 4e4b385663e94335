"""What a typed answer means, over texts and numbers of every kind."""

import sys
import unicodedata
import unittest
from fractions import Fraction
from itertools import product
from time import thread_time

from hypothesis import assume, given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Ask,
    Begin,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Kind,
    Letter,
    Needs,
    Pack,
    Question,
    Round,
    build,
    start,
    step,
    survey,
)
from dicetrail.core.answers import LETTERS
from dicetrail.core.answers.checking import (
    MAX_ANSWER,
    Verdict,
    check_choice,
    check_number,
    check_typed,
    folded,
    typos_between,
)
from dicetrail.core.answers.folding import read
from dicetrail.core.answers.letters import clusters, letters_of, sounds
from dicetrail.core.answers.numbers import number_in, read_number
from dicetrail.core.document import ENGLISH, DecimalMark, Language, Phrase, listed, translator
from dicetrail.core.play import choices_of

RIGHT, CLOSE, WRONG, UNREADABLE = Verdict.RIGHT, Verdict.CLOSE, Verdict.WRONG, Verdict.UNREADABLE
REST = (Ending("Rest", ""),)
EVERY_CHARACTER = [
    chr(code)
    for code in range(sys.maxunicode + 1)
    if unicodedata.category(chr(code)) not in ("Cs", "Cn", "Co")
]
UNSEEN = "\u200b\u200c\u200d\u200e\u200f\u202a\u202e\u2066\u2069\u061c\u00ad\ufeff\ufe0f\ufe0e"


def asked(question, **ask):
    """A game that asks one question, and the moment it waits."""
    pack = Pack("P", (question,))
    game = Game("G", (Round("R", ("p",), draw=Draw(1), ask=Ask(**ask)),), REST)
    program = build(game, {"p": pack}, recall={})
    return program, step(program, start(program, 3).state, Begin(), 0)


class TestTypedText(unittest.TestCase):
    @given(st.text(min_size=1, max_size=12), st.sampled_from(UNSEEN), st.data())
    def test_what_is_not_seen_never_matters(self, text, character, data):
        assume(read(text))
        at = data.draw(st.integers(0, len(text)))
        marked = text[:at] + character + text[at:]
        self.assertEqual(
            read(marked), read(text.replace(character, "")) if character in text else read(text)
        )

    def test_characters_that_phones_choose_are_one(self):
        for group in ("'‘’‛′ʼ`´＇", '"“”„«»″', "-‐‑‒–—−－"):
            for one, other in product(group, group):
                checked = check_typed(f"ab{one}cd", (f"ab{other}cd",), Check())
                self.assertIs(checked.verdict, RIGHT, (one, other))

    def test_marks_of_three_alphabets_go_and_those_of_others_stay(self):
        forgiving = Check(ignore_accents=True)
        for typed, wanted, same in (
            ("lodz", "Łódź", True),
            ("dordevic", "Đorđević", True),
            ("tonder", "Tønder", True),
            ("istanbul", "İstanbul", True),
            ("ISTANBUL", "istanbul", True),
            ("αθηνα", "Αθήνα", True),
            ("еж", "ёж", True),
            ("か", "が", False),
            ("ハ", "パ", False),
            ("कि", "क", False),
            ("กา", "ก", False),
        ):
            verdict = check_typed(typed, (wanted,), forgiving).verdict
            self.assertIs(verdict, RIGHT if same else WRONG, (typed, wanted))

    @given(
        st.integers(0, 9999),
        st.integers(0, 999),
        st.sampled_from(
            ["{a}", "-{a}", "{a}.{b}", "{a},{b}", ".{b}", "{a}%", "{a}/{b}", "{a}:{b}"]
        ),
        st.sampled_from(["{}", "“{}”", "about {}", "{}!", "({})"]),
    )
    def test_leaving_punctuation_out_changes_no_number(self, a, b, form, around):
        number = form.format(a=a, b=b)
        loose = Check(ignore_punctuation=True)
        kept = folded(around.format(number), loose)
        self.assertIn(number, kept.split())
        bare = "".join(character for character in number if character.isdigit())
        if bare != number:
            self.assertIs(check_typed(bare, (number,), loose).verdict, WRONG)

    def test_an_elided_article_may_be_missing_before_or_after_other_folds(self):
        for check in (Check(articles="le la l'"), Check(articles="l’ le", ignore_punctuation=True)):
            for typed in ("eau", "l'eau", "L’eau", "l' eau"):
                self.assertIs(check_typed(typed, ("l’eau",), check).verdict, RIGHT, typed)
            self.assertIs(check_typed("l'", ("l'",), check).verdict, RIGHT)

    @given(
        st.lists(st.text("abcd", min_size=1, max_size=6), min_size=1, max_size=4),
        st.lists(st.text("abcd", min_size=1, max_size=6), min_size=1, max_size=4),
        st.integers(1, 3),
    )
    def test_a_typo_never_stands_in_a_short_word(self, typed, wanted, most):
        verdict = check_typed(" ".join(typed), (" ".join(wanted),), Check(typos=most)).verdict
        if len(typed) == len(wanted) and verdict is CLOSE:
            for one, other in zip(typed, wanted, strict=True):
                self.assertTrue(one == other or len(other) >= 4, (typed, wanted))
        if verdict is CLOSE:
            short = [word for word in wanted if len(word) < 4]
            left = list(typed)
            for word in short:
                self.assertIn(word, left)
                left.remove(word)

    @given(st.decimals(-999, 999, places=2), st.decimals(-999, 999, places=2))
    def test_a_typo_never_turns_one_number_into_another(self, one, other):
        assume(one != other)
        for words in ("{}", "about {} plants", "{} metres"):
            check = check_typed(words.format(one), (words.format(other),), Check(typos=3))
            self.assertIs(check.verdict, WRONG)

    @given(st.text("abc ", max_size=9), st.text("abc ", max_size=9), st.integers(0, 3))
    def test_counting_typos_near_the_diagonal_is_counting_them_all(self, one, other, most):
        whole = _distance(one, other)
        self.assertEqual(typos_between(one, other, most), whole if whole <= most else None)

    def test_an_answer_of_eight_thousand_characters_is_soon_compared(self):
        check = Check(typos=3, ignore_accents=True, ignore_punctuation=True, articles="a the l'")
        for character in ("a", "é", "ł ", "!", "-1", "a" * 40 + " ", "ｶﾞ", "\u0301"):
            typed = (character * 8000)[:8000]
            for wanted in (typed, typed[1:] + "zz", typed[:3999] + "qq" + typed[4001:]):
                began = thread_time()
                check_typed(typed, (wanted,), check)
                check_number(typed, "5", "", check)
                took = thread_time() - began
                self.assertLess(took, 0.5, "ten times as long as it may take, for slow machines")
        too_long = check_typed("a" * (MAX_ANSWER + 1), ("a",), check)
        self.assertIs(too_long.verdict, UNREADABLE)


def _distance(one, other):
    """The optimal string alignment distance, in full."""
    rows = [[0] * (len(other) + 1) for _ in range(len(one) + 1)]
    for at in range(len(one) + 1):
        for to in range(len(other) + 1):
            if not at or not to:
                rows[at][to] = at + to
                continue
            same = one[at - 1] == other[to - 1]
            best = min(
                rows[at - 1][to] + 1, rows[at][to - 1] + 1, rows[at - 1][to - 1] + (not same)
            )
            crossed = at > 1 and to > 1 and one[at - 1] == other[to - 2]
            if crossed and one[at - 2] == other[to - 1]:
                best = min(best, rows[at - 2][to - 2] + 1)
            rows[at][to] = best
    return rows[-1][-1]


class TestNumbers(unittest.TestCase):
    def test_numbers_are_read_as_people_write_them(self):
        for text, value in (
            ("0,125", Fraction(1, 8)),
            ("0.125", Fraction(1, 8)),
            ("13 / 5", Fraction(13, 5)),
            ("2 3 / 5", Fraction(13, 5)),
            ("2½", Fraction(5, 2)),
            ("–5", -5),
            ("− 5", -5),
            ("+5", 5),
            ("1 234 567", 1234567),
            ("1'234", 1234),
            ("1.234,5", Fraction(2469, 2)),
            ("1,234.5", Fraction(2469, 2)),
            ("1,234,567", 1234567),
            ("1.234.567", 1234567),
            ("５", 5),
            (".5", Fraction(1, 2)),
            ("5.", 5),
            ("5²", None),
            ("10⁶", None),
            ("x₂", None),
            ("1,23,456", None),
            ("1/0", None),
            ("", None),
            ("5-", None),
        ):
            self.assertEqual(read_number(text), value, text)
        self.assertIs(check_number("5²", "52", "", Check()).verdict, UNREADABLE)
        faulty = Pack("P", (Question("How many?", ("5²",), (), Kind.NUMBER),))
        game = Game("G", (Round("R", ("p",), draw=Draw(1)),), REST)
        self.assertTrue(any("not a number" in p.what for p in survey(game, {"p": faulty})))

    @given(st.integers(1, 999), st.integers(0, 999), st.sampled_from(DecimalMark))
    def test_one_mark_before_three_digits_is_read_by_the_setting_and_the_reason_tells(
        self, whole, part, mark
    ):
        for character, groups in (
            (",", mark is not DecimalMark.COMMA),
            (".", mark is DecimalMark.COMMA),
        ):
            text = f"{whole}{character}{part:03}"
            value = whole * 1000 + part if groups else Fraction(whole * 1000 + part, 1000)
            found = number_in(text, mark)
            self.assertEqual(found.value, value)
            how = ENGLISH.of(found.how)
            self.assertIn("thousands" if groups else "decimal", how)
            checked = check_number(text, "1", "", Check(decimal_mark=mark))
            self.assertIn(how, checked.why)

    @given(st.fractions(-(10**15), 10**15, max_denominator=60))
    def test_a_number_written_out_is_read_back(self, value):
        whole, rest = divmod(abs(value), 1)
        character = "-" if value < 0 else ""
        self.assertEqual(read_number(f"{value}"), value)
        mixed = f"{character}{whole} {rest.numerator}/{rest.denominator}"
        self.assertEqual(read_number(mixed), value)


class TestLetters(unittest.TestCase):
    def test_every_character_is_the_same_letters_in_any_capitals(self):
        odd = [
            character
            for character in EVERY_CHARACTER
            for other in (character.upper(), character.lower(), character.title())
            if tuple(s for c in clusters(other) for s in sounds(c)) != sounds(character)
        ]
        self.assertEqual(odd, [])

    def test_every_letter_of_a_character_is_a_guess_of_its_own(self):
        strange = [
            character
            for character in EVERY_CHARACTER
            for letter in sounds(character)
            if sounds(letter) != (letter,)
        ]
        self.assertEqual(strange, [])

    def test_a_character_of_several_letters_misses_by_those_that_do_not_stand(self):
        """With half of its letters in the word, the word can still be found."""
        program, moment = asked(Question("?", ("bed 1",), (), Kind.LETTERS), misses=3)
        for letter in "½bed1":
            moment = step(program, moment.state, Letter(letter), moment.state.at)
            self.assertIsNone(moment.refused, letter)
        state = moment.state
        self.assertEqual((state.question.result, state.question.tries_used), ("right", 1))

    @given(st.text(min_size=1, max_size=8) | st.sampled_from(["ﬁg", "Straße", "2½", "Ⅷ"]))
    def test_the_very_word_is_right_typed_or_spelled_in_any_capitals(self, word):
        word = word.strip()
        question = Question("Find it", (word,), (), Kind.LETTERS)
        try:
            program, moment = asked(question, misses=1)
        except ValueError:
            return  # it is no word the survey takes
        for typed in (word, word.upper(), word.lower(), word.swapcase()):
            after = step(program, moment.state, Answer(typed), 1)
            question = after.state.question
            self.assertEqual(question.result, "right", typed)
            self.assertEqual(question.tries_used, 0, "a whole word that is right is no miss")
        for letters in (clusters(word), sorted(letters_of(word))):
            state = moment.state
            for letter in letters:
                if sounds(letter) and state.phase == "asking":
                    state = step(program, state, Letter(letter), state.at).state
            self.assertEqual((state.question.result, state.question.tries_used), ("right", 0))

    def test_misses_can_be_set_for_a_word(self):
        for own, allowed in ((None, 3), (1, 1), (5, 5)):
            question = Question("Find it", ("kale",), (), Kind.LETTERS, Details(misses=own))
            program, moment = asked(question, misses=3)
            state, missed = moment.state, 0
            for letter in "bcdfghi":
                if state.phase == "asking":
                    state, missed = step(program, state, Letter(letter), 0).state, missed + 1
            self.assertEqual(missed, allowed)


class TestSeveralRight(unittest.TestCase):
    @given(
        st.integers(1, 4),
        st.integers(1, 6),
        st.sampled_from(Needs),
        st.sets(st.integers(1, 10), max_size=6),
    )
    def test_any_one_or_all_together(self, rights, wrongs, needs, picked):
        question = Question(
            "Which?",
            tuple(f"r{n}" for n in range(rights)),
            tuple(f"w{n}" for n in range(wrongs)),
            details=Details(needs=needs),
        )
        program, moment = asked(question)
        choices, right = choices_of(program, moment.state)
        result = step(program, moment.state, Answer(tuple(picked)), 1).state.question.result
        if not picked or max(picked) > len(choices):
            self.assertEqual(result, "unreadable")
        elif needs is Needs.ALL:
            self.assertEqual(result, "right" if picked == set(right) else "wrong")
        elif len(picked) > 1:
            self.assertEqual(result, "unreadable")
        else:
            self.assertEqual(result, "right" if picked <= set(right) else "wrong")

    def test_several_are_typed_as_people_list_them(self):
        choices = ("Carrot", "Pea", "Beet root", "Oak")
        for typed in (
            "A, C",
            "a c",
            "AC",
            "1,3",
            "carrot and beet root",
            "Beet root; Carrot",
            "A+3",
        ):
            checked = check_choice(typed, choices, (1, 3), Check(), Needs.ALL)
            self.assertIs(checked.verdict, RIGHT, typed)
        for typed, verdict in (
            ("A", WRONG),
            ("A, B", WRONG),
            ("A, X", UNREADABLE),
            ("", UNREADABLE),
        ):
            checked = check_choice(typed, choices, (1, 3), Check(), Needs.ALL)
            self.assertIs(checked.verdict, verdict, typed)

    def test_slips_are_no_more_than_a_third_of_the_letters_unless_the_maker_insists(self):
        """Against a second way: every word within so many changes of a letter, one by one."""
        for word in ("leek", "kale", "onion", "marrow", "parsnip", "artichoke"):
            for typos, anyway in product((1, 2, 3), (False, True)):
                most = typos if anyway else min(typos, len(word) // 3)
                check = Check(typos=typos, typos_anyway=anyway)
                for changes in range(1, 5):
                    typed = "z" * changes + word[changes:]
                    wanted = CLOSE if changes <= most else WRONG
                    found = check_typed(typed, (word,), check).verdict
                    self.assertIs(found, wanted, (word, typed, typos, anyway))

    def test_several_are_listed_as_each_language_lists_them(self):
        """As the game itself says them, and with the characters of lists (CLDR list patterns, from
        memory: ، in Arabic)."""
        choices = ("Carrot", "Kale", "Beet root", "Leek", "Fig")
        for language in Language:
            words = translator(language, ())
            for names in (("A", "C"), ("A", "B", "C"), ("Carrot", "Beet root")):
                said = words.in_words(listed(names, Phrase.LIST_AND))
                said = said.replace("\u2068", "").replace("\u2069", "")
                right = tuple(
                    LETTERS.index(name) + 1 if name in LETTERS else choices.index(name) + 1
                    for name in names
                )
                for typed in (said, f"{'، '.join(names)}", ", ".join(names)):
                    checked = check_choice(
                        typed, choices, right, Check(), Needs.ALL, words.joined_by
                    )
                    self.assertIs(checked.verdict, RIGHT, (language, typed))

    def test_all_right_ones_are_shown_where_all_are_wanted(self):
        question = Question(
            "Which?", ("a", "b", "c"), ("d", "e", "f"), details=Details(needs=Needs.ALL)
        )
        program, moment = asked(question, shown=2)
        choices, right = choices_of(program, moment.state)
        self.assertEqual((len(right), len(choices)), (3, 4))
