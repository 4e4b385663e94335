"""Short texts in the older encodings of Europe, guessed right. Sentences of our own."""

import unittest

from dicetrail.files import read_questions

TEXTS = {
    "German": ("Was wächst über der Erde?\tKürbis\tMöhre\n", "cp1252 iso8859_15 mac_roman"),
    "French": ("Où pousse la fève?\tà l’abri\tau pré\n", "cp1252"),
    "Spanish": ("¿Qué crece en otoño?\tcalabazín\tpiñón\n", "cp1252 iso8859_15"),
    "Danish": ("Hvad æder sneglen på øen?\tkål\trødbede\n", "cp1252 iso8859_15"),
    "Polish": ("Co rośnie w ogródku?\tżółta rzepa\tgęś\n", "cp1250 iso8859_2"),
    "Czech": ("Co roste na záhonu?\tředkvička\thříbě\n", "cp1250 iso8859_2"),
    "Hungarian": ("Mi nő a kertben?\tkáposzta\tűrhajó\n", "cp1250 iso8859_2"),
    "Russian": ("Что растёт на грядке?\tморковь\tкорова\n", "cp1251 koi8_r iso8859_5 cp866"),
    "Ukrainian": ("Що росте на грядці?\tкапуста\tїжак\n", "cp1251 koi8_u"),
    "Greek": ("Τι φυτρώνει στον κήπο;\tκαρότο\tγάτα\n", "cp1253"),
    "Turkish": ("Bahçede ne yetişir?\tığde ağacı\tgüneş\n", "cp1254"),
}


class TestEncodings(unittest.TestCase):
    def test_short_texts_make_words(self):
        for language, (text, encodings) in TEXTS.items():
            for encoding in encodings.split():
                with self.subTest(language, encoding=encoding):
                    reading = read_questions(text.encode(encoding))
                    (question,) = reading.questions
                    told = "\t".join((question.prompt, *question.right, *question.wrong))
                    self.assertEqual(told + "\n", text)
