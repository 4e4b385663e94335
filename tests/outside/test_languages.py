import io
import unittest
from gettext import c2py
from importlib.resources import files

from babel import Locale
from babel.messages.pofile import read_po, write_po
from babel.numbers import get_decimal_symbol
from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core.document import WAYS, Language, Phrase, texts_of
from dicetrail.core.document.phrases.ready import TranslationFault, texts_in

TRANSLATED = [language for language in Language if language is not Language.ENGLISH]
TEXTS = st.text(st.characters(exclude_categories=["Cc", "Cs", "Zl", "Zp"]), min_size=1)


def supplied(language):
    """The PO file of a language."""
    return files("dicetrail").joinpath("translations", f"{language.value}.po").read_text("utf-8")


def catalog_of(language):
    """The same as Babel reads it."""
    return read_po(io.BytesIO(supplied(language).encode()), language.value)


def written(catalog, **options):
    """A PO file as Babel writes it."""
    file = io.BytesIO()
    write_po(file, catalog, **options)
    return file.getvalue().decode()


class TestLanguages(unittest.TestCase):
    """Plural forms, decimal marks and directions against the Unicode CLDR as Babel (PyPI)
    carries it."""

    def test_every_language_has_the_forms_of_the_cldr(self):
        for language, ways in WAYS.items():
            with self.subTest(language):
                locale = Locale.parse(language.value)
                self.assertEqual(set(ways.forms), {*locale.plural_form.tags, "other"})
                for number in (*range(2100), 10**6, 10**6 + 1, 3 * 10**6, 0.5, 1.0, 1.5, 2.25):
                    self.assertEqual(ways.form(number), locale.plural_form(number), number)

    def test_the_files_of_translators_have_the_forms_of_the_languages_in_their_order(self):
        """Read by Babel, and their rules worked out by the standard library's gettext."""
        for language in TRANSLATED:
            catalog, ways = catalog_of(language), WAYS[language]
            form_of = c2py(catalog.plural_expr)
            self.assertEqual(catalog.num_plurals, len(ways.forms))
            for number in (*range(2100), 10**6, 10**6 + 1, 3 * 10**6):
                self.assertEqual(ways.forms[form_of(number)], ways.form(number), language)
            for phrase in Phrase:
                told = catalog.get(phrase.label.split(" | ")[0], phrase.value).string
                forms = told if isinstance(told, tuple) else (told,)
                self.assertEqual(forms, texts_of(language, phrase))

    @given(st.sampled_from(Phrase), TEXTS, st.integers(20, 80))
    def test_a_file_is_read_as_it_is_written_by_tools_of_translators(self, phrase, text, width):
        """Written by Babel, with long texts in several lines and signs escaped, and read again by
        Babel and by us."""
        catalog = catalog_of(Language.GERMAN)
        english = phrase.label.split(" | ")
        message = catalog.get(english[0], phrase.value)
        message.string = (text, text[::-1]) if len(english) > 1 else text
        file = written(catalog, width=width)
        again = read_po(io.BytesIO(file.encode()), "de")
        found = texts_in(file, Language.GERMAN)
        for one in Phrase:
            told = again.get(one.label.split(" | ")[0], one.value).string
            self.assertEqual(found[one], told if isinstance(told, tuple) else (told,))

    def test_a_phrase_that_is_not_ready_is_named(self):
        catalog = catalog_of(Language.GERMAN)
        begin = catalog.get("Begin", "begin")
        whole = written(catalog)
        self.assertEqual(texts_in(whole, Language.GERMAN)[Phrase.BEGIN], (begin.string,))
        for change in ({"string": ""}, {"flags": {"fuzzy"}}, {"id": "Start"}, {"context": "start"}):
            with self.subTest(change):
                other = catalog_of(Language.GERMAN)
                message = other.get("Begin", "begin")
                for name, value in change.items():
                    setattr(message, name, value)
                with self.assertRaisesRegex(TranslationFault, "de.po: “begin” is missing or fuzzy"):
                    texts_in(written(other), Language.GERMAN)

    @given(
        st.sampled_from(list(Language)),
        st.integers(-(10**9), 10**9)
        | st.integers(-3, 3)
        | st.integers(-(10**7), 10**7).map(lambda number: number / 10_000),
    )
    def test_the_form_of_any_number_is_that_of_the_cldr(self, language, number):
        locale = Locale.parse(language.value)
        self.assertEqual(WAYS[language].form(number), locale.plural_form(number))

    def test_marks_and_directions_are_those_of_the_cldr(self):
        for language, ways in WAYS.items():
            with self.subTest(language):
                locale = Locale.parse(language.value)
                self.assertEqual(ways.decimal, get_decimal_symbol(language.value))
                self.assertEqual(ways.is_from_right, locale.text_direction == "rtl")
                self.assertEqual(language.label.lower(), locale.get_display_name().lower())
