import unittest
from gettext import c2py

from babel import Locale
from babel.numbers import get_decimal_symbol
from hypothesis import given
from hypothesis import strategies as st

from dicetrail.core.document import WAYS, Language, texts_of
from translations.__main__ import LANGUAGES, catalog_of, texts_in


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
        for language in LANGUAGES:
            catalog, ways = catalog_of(language), WAYS[language]
            form_of = c2py(catalog.plural_expr)
            self.assertEqual(catalog.num_plurals, len(ways.forms))
            for number in (*range(2100), 10**6, 10**6 + 1, 3 * 10**6):
                self.assertEqual(ways.forms[form_of(number)], ways.form(number), language)
            for phrase, texts in texts_in(catalog, language):
                self.assertEqual(texts, texts_of(language, phrase))

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
