import re
import unittest
from dataclasses import replace
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core import (
    Answer,
    Begin,
    Check,
    Details,
    Draw,
    Ending,
    Game,
    Hint,
    ItemList,
    Kind,
    Letter,
    Lists,
    Opening,
    Pack,
    Pass,
    Question,
    Quit,
    Round,
    build,
    start,
    step,
    survey,
    table,
)
from dicetrail.core.answers import as_letters, check_number
from dicetrail.core.document import (
    ENGLISH,
    WAYS,
    DecimalMark,
    Language,
    OwnPhrase,
    Phrase,
    is_counted,
    places_in,
    places_of,
    texts_of,
    translator,
)
from dicetrail.core.play import dress

languages = st.sampled_from(list(Language))
UNFILLED = re.compile(r"\{\w+\}")
ISOLATES = re.compile("[\u2068\u2069]")


def small_game(language, *questions, **parts):
    """A game of one round over some questions, in a language."""
    round_ = Round("Beds", ("beds",), draw=Draw(None), **parts)
    game = Game("Supper", (round_,), (Ending("Done", "{score}"),), language=language)
    return build(game, {"beds": Pack("Beds", questions)})


def first_table(program, *actions):
    """The table after some actions, and the last moment."""
    moment = start(program, 7)
    for at, action in enumerate((Begin(), *actions)):
        moment = step(program, moment.state, action, at)
    return table(program, moment.state), moment


class TestReadyPhrases(unittest.TestCase):
    def test_every_phrase_is_there_in_every_language_with_its_forms_and_places(self):
        for language in Language:
            for phrase in Phrase:
                texts = texts_of(language, phrase)
                wanted = len(WAYS[language].forms) if is_counted(phrase) else 1
                with self.subTest(language=language, phrase=phrase):
                    self.assertEqual(len(texts), wanted)
                    for text in texts:
                        self.assertTrue(text.strip())
                        self.assertLessEqual(set(places_in(text)), places_of(phrase))
                    told = set().union(*map(places_in, texts))
                    self.assertLessEqual(places_of(phrase) - told, {"count"})
                    self.assertFalse(places_of(phrase) - told - {"count"})

    def test_every_phrase_is_said_somewhere_and_none_is_said_that_is_not_there(self):
        code = "".join(
            file.read_text("utf-8")
            for file in Path("dicetrail").rglob("*.py")
            if "phrases" not in file.parts
        )
        pages = "".join(
            file.read_text("utf-8")
            for folder in ("table", "play")
            for file in Path("frontend/src", folder).rglob("*.ts*")
        )
        unsaid = [
            phrase
            for phrase in Phrase
            if f"Phrase.{phrase.name}" not in code and f'"{phrase.value}"' not in pages
        ]
        self.assertEqual(unsaid, [])

    def test_every_plural_form_of_every_language_has_numbers_that_go_with_it(self):
        for language, ways in WAYS.items():
            for form in ways.forms:
                with self.subTest(language=language, form=form):
                    self.assertTrue(ways.examples(form))

    def test_the_keys_of_every_alphabet_are_letters_that_guesses_tell_apart(self):
        for language, ways in WAYS.items():
            with self.subTest(language=language):
                keys = "".join(ways.letters)
                self.assertEqual(len({as_letters(key) for key in keys}), len(keys))
                self.assertTrue(all(as_letters(key) == (key,) for key in keys))

    @given(languages, st.sampled_from(list(Phrase)), st.integers(0, 200))
    def test_whatever_is_said_leaves_no_place_unfilled(self, language, phrase, count):
        values = dict.fromkeys(places_of(phrase), "x") | {"count": count}
        self.assertIsNone(UNFILLED.search(translator(language, ()).say(phrase, **values)))


class TestOwnPhrases(unittest.TestCase):
    @given(languages, st.lists(st.text(max_size=9), min_size=1, max_size=7), st.integers(0, 40))
    def test_a_form_that_says_nothing_is_said_as_it_is_ready(self, language, texts, count):
        own = OwnPhrase(Phrase.POINTS, tuple(texts))
        said = translator(language, (own,)).say(Phrase.POINTS, count=count)
        form = WAYS[language].forms.index(WAYS[language].form(count))
        written = texts[0] if len(texts) == 1 else texts[form] if form < len(texts) else ""
        ready = translator(language, ()).say(Phrase.POINTS, count=count)
        filled = ISOLATES.sub("", said)
        self.assertEqual(
            filled,
            written.replace("{count}", str(count)) if written.strip() else ISOLATES.sub("", ready),
        )

    def test_what_is_wrong_with_them_is_told_and_what_is_said_stays(self):
        own = (
            OwnPhrase(Phrase.GO_ON, ("On with {score}",)),
            OwnPhrase(Phrase.POINTS, ("{count} bean", "{count} beans", "a heap")),
            OwnPhrase(Phrase.GO_ON, ("Onwards",)),
        )
        found = survey(Game("", (), (), phrases=own), {})
        told = [problem.what for problem in found if problem.where.startswith("phrases")]
        self.assertEqual(
            told,
            [
                "“go on” is here twice",
                "nothing fills in “{score}” of “go on”",
                "“points” has 3 forms, and English wants 2",
                "“go on” is here twice",
            ],
        )


class TestWhatPlayersAreTold(unittest.TestCase):
    def test_no_english_is_told_in_another_language(self):
        choice = Question("?", ("Beet",), ("Leek",), details=Details(hint="?"))
        word = Question("?", ("Leek",), kind=Kind.LETTERS)
        number = Question("?", ("1250",), kind=Kind.NUMBER)
        truth = Question("?", ("true",), kind=Kind.TRUTH)
        told = {}
        for language in (Language.ENGLISH, *list(Language)[1:]):
            words = []
            for question, actions in (
                (choice, (Answer("zz"),)),
                (choice, (Answer(1),)),
                (choice, (Answer(2),)),
                (word, (Letter("z"),)),
                (word, (Letter("l"),)),
                (number, (Answer("1.250"),)),
                (number, (Answer("many"),)),
                (truth, (Answer(1),)),
            ):
                shown, _ = first_table(small_game(language, question), *actions)
                words.append(shown.feedback.why)
                words += [shown.feedback.answer] if shown.feedback.answer else []
            for question, action in ((choice, Pass()), (word, Letter("ab")), (word, Hint())):
                program = small_game(language, question)
                words.append(program.translator.of(first_table(program, action)[1].refused))
            words.append(first_table(small_game(language, choice), Quit())[0].ending.title)
            told[language] = words
        for language, words in told.items():
            for theirs, english in zip(words, told[Language.ENGLISH], strict=True):
                if language is not Language.ENGLISH and re.search("[a-z]{5}", english):
                    with self.subTest(language=language, said=theirs):
                        self.assertNotEqual(theirs, english)

    def test_footprints_stay_in_english_whatever_the_game_speaks(self):
        question = Question("?", ("Beet",), ("Leek",))
        actions = (Answer("zz"), Pass(), Answer("Beet"))
        english, german = (
            first_table(small_game(language, question), *actions)[1].footprints
            for language in (Language.ENGLISH, Language.GERMAN)
        )
        self.assertEqual([one.why for one in english], [one.why for one in german])

    def test_numbers_are_written_with_the_mark_of_the_language(self):
        question = Question("?", ("Beet",), ("Leek",))
        script = "score = 0.5\n\ndef right():\n    score += 1\n"
        for language, wanted in ((Language.ENGLISH, "1.5"), (Language.GERMAN, "1,5")):
            program = small_game(language, question)
            game = replace(program.game, script=script)
            program = build(game, {"beds": Pack("Beds", (question,))})
            shown, moment = first_table(program, Answer("Beet"))
            while shown.ending is None:
                moment = step(program, moment.state, Quit(), moment.state.at)
                shown = table(program, moment.state)
            self.assertEqual(program.translator.number(shown.score), wanted)

    @given(languages, st.integers(1, 999), st.integers(0, 999))
    def test_numbers_are_read_with_the_mark_of_the_language(self, language, whole, thousandths):
        mark = WAYS[language].decimal
        program = small_game(language, Question("?", ("1",), kind=Kind.NUMBER))
        check = program.game.rounds[0].check
        typed = f"{whole}{mark}{thousandths:03}"
        other = f"{whole}{',' if mark == '.' else '.'}{thousandths:03}"
        self.assertEqual(
            check_number(typed, f"{1000 * whole + thousandths}/1000", "", check).verdict, "right"
        )
        self.assertEqual(
            check_number(other, f"{1000 * whole + thousandths}", "", check).verdict, "right"
        )
        self.assertIsNot(check.decimal_mark, DecimalMark.LANGUAGE)

    def test_arabic_digits_and_marks_are_read(self):
        self.assertEqual(check_number("١٢٫٥", "12.5", "", Check()).verdict, "right")

    def test_true_and_false_and_the_prompts_of_lists_are_in_the_games_words(self):
        truth = Question("?", ("false",), kind=Kind.TRUTH)
        shown, _ = first_table(small_game(Language.FRENCH, truth))
        self.assertEqual({choice.text for choice in shown.question.choices}, {"vrai", "faux"})
        lists = Lists((ItemList("Root", ("beet",)), ItemList("Leaf", ("kale",))))
        game = Game(
            "", (Round("", lists=(lists,)),), (Ending("Done", ""),), language=Language.ITALIAN
        )
        shown, _ = first_table(build(game, {}))
        self.assertIn("Dove va «", shown.question.prompt)

    def test_a_maker_can_change_each_of_them(self):
        for phrase in Phrase:
            own = tuple(
                f"own {form}"
                for form in (WAYS[Language.POLISH].forms if is_counted(phrase) else "1")
            )
            game = Game(
                "", (), (), Opening(), language=Language.POLISH, phrases=(OwnPhrase(phrase, own),)
            )
            with self.subTest(phrase):
                self.assertEqual(tuple(dress(game).phrases[phrase].values()), own)
        self.assertEqual(ENGLISH.say(Phrase.GO_ON), "Go on")
