"""Whatever stands in a text of a game, what leaves with it is whole: the plain program, the page,
the package's manifest, items, tables."""

import ast
import io
import json
import re
import unittest
import zipfile
from dataclasses import fields, is_dataclass, replace
from html.parser import HTMLParser
from xml.etree import ElementTree

from dicetrail.core import Pack, survey
from dicetrail.core.document import Severity
from dicetrail.core.play import made_ready
from dicetrail.files import ITEM_WRITERS, WRITERS, FileProblem, read_game, read_questions, written
from dicetrail.services.game_files import game_file_of
from dicetrail.takeaway.course import manifest_of_course
from dicetrail.takeaway.folder import folder
from dicetrail.takeaway.leaving import leaving as leaving_of
from dicetrail.takeaway.program import program_file
from dicetrail.takeaway.written import CannotBeWritten, plain_program
from tests.exhaustive import exhaustive
from tests.takeaway.test_written import both
from tests.web.demo import DemoTest

GAMES = ("seed-sums", "bed-by-bed", "harvest-supper", "slug-patrol", "shed-words")
HOSTILE = (
    *(
        "#= endings",
        "#= rules",
        "# ---- Load: the questions ----",
        "#: has_sums",
        'print("#= told")',
    ),
    *("«RIGHT»", "«RIGHT number=1»", "round_.tries", "TIME_UP", "tell_answer(question)", "ASKED:"),
    *('"""', "'''", "\\", "\\N{BEAN}", "\\", '"', "a\fb", "a\x00b", "a\x1b[2Jb", "a\rb", "a\vb"),
    *("a\u2028b", "a\u2029b", "a\x85b", "\ufeffa", "a\x7fb", "\u202ea", "\ufffe", "\U0001fad8"),
    *("]]>", "<!--", "--><script>alert(1)</script>", "&amp;lt;", "</title>", "{title}", "{lang}"),
    *(
        "{ground}",
        "%s %(a)s",
        "'); DROP TABLE games; --",
        "${x}",
        "`x`",
        "=1+1",
        "\t",
        " a ",
        "a\nb",
    ),
)
WORDS = {
    *("title", "prompt", "words", "verdict", "note", "hint", "when_right", "when_wrong", "topic"),
    *("text", "right_words", "wrong_words", "ready", "subtitle", "credit"),
}
"""The fields that hold a maker's words, wherever they stand."""


def with_words(part, word):
    """A part of a game with a word in every text of its maker's."""
    if not is_dataclass(part):
        return tuple(with_words(one, word) for one in part) if isinstance(part, tuple) else part
    changed = {}
    for field in fields(part):
        value = getattr(part, field.name)
        if isinstance(value, str) and type(value) is str:
            if field.name in WORDS and value and not isinstance(part, Pack):
                changed[field.name] = f"{value} {word}"
        elif is_dataclass(value) or isinstance(value, tuple):
            changed[field.name] = with_words(value, word)
    return replace(part, **changed)


def named_anew(game, word):
    """A game in which what is named by its title keeps its name, and comments hold the word."""
    plain = with_words(game, word)
    rounds = tuple(
        replace(new, title=old.title) for new, old in zip(plain.rounds, game.rounds, strict=True)
    )
    endings = tuple(
        replace(new, title=old.title) for new, old in zip(plain.endings, game.endings, strict=True)
    )
    comment = word.replace("\n", " ").replace("\r", " ").replace("\0", " ")
    script = "\n".join(
        f"{line}  # {comment}" if line.strip() else line for line in game.script.split("\n")
    )
    return replace(plain, rounds=rounds, endings=endings, script=f"# {comment}\n{script}")


CONTROLS = re.compile("[\x00-\x08\x0b-\x1f]")


class Page(HTMLParser):
    """What a page is made of, and its title."""

    def __init__(self, text):
        super().__init__()
        self.tags, self.title, self.is_title = [], "", False
        self.feed(text)

    def handle_starttag(self, tag, attrs):
        self.tags.append((tag, sorted(name for name, _ in attrs)))
        self.is_title = tag == "title"

    def handle_endtag(self, _):
        self.is_title = False

    def handle_data(self, data):
        self.title += data if self.is_title else ""


@exhaustive
class TestAnyWord(DemoTest):
    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        cls.files = {name: read_game(game_file_of(cls.app.state.app_state, name)) for name in GAMES}

    def games(self):
        """Each hostile word in a game, and in its packs."""
        for number, word in enumerate(HOSTILE):
            name = GAMES[number % len(GAMES)]
            file = self.files[name]
            packs = {key: with_words(pack, word) for key, pack in file.packs.items()}
            game = named_anew(file.game, word)
            if any(problem.severity is Severity.FAULT for problem in survey(game, packs)):
                continue
            yield name, word, game, packs

    def test_the_plain_program_plays_as_the_engine_does(self):
        played = 0
        for name, word, game, packs in self.games():
            with self.subTest(game=name, word=word):
                if "\n" in word:
                    continue  # the engine's title is of two lines then, and is held as one here
                try:
                    text = plain_program(game, packs, "any.py").text
                except CannotBeWritten:
                    continue
                self.assertTrue(all(line.isprintable() for line in text.split("\n")))
                self.assertIsNone(re.search(r"^ *#= \w+$", text, re.M))
                ast.parse(text)
                both(self, made_ready(game, packs, recall={}), text, 77, 30)
                played += 1
        self.assertGreater(played, len(HOSTILE) // 2)

    def test_the_page_and_the_manifest_are_whole_and_say_the_title(self):
        plain = None
        for name, word, game, packs in self.games():
            leaving = replace(leaving_of(self.files[name], name), game=game, packs=packs)
            files = folder(leaving)
            page = Page(files["index.html"].decode())
            plain = plain or page.tags
            with self.subTest(game=name, word=word):
                self.assertEqual(page.tags, plain)
                self.assertTrue(page.title.startswith(self.files[name].game.title))
                self.assertFalse(CONTROLS.search(page.title))
                root = ElementTree.fromstring(manifest_of_course(leaving, files))
                titles = {one.text for one in root.iter() if one.tag.endswith("}title")}
                self.assertEqual(len(titles), 1)
                self.assertIn(self.files[name].game.title, titles.pop())
                self.assertTrue(json.loads(files["app.webmanifest"])["name"].startswith(game.title))
                with zipfile.ZipFile(io.BytesIO(program_file(leaving))) as archive:
                    self.assertIsNone(archive.testzip())

    def test_every_file_of_questions_reads_back_what_was_written_or_says_why_not(self):
        for name, word, _, packs in self.games():
            for pack in packs.values():
                if pack.facts is not None:
                    continue
                for ending in (*WRITERS, *ITEM_WRITERS):
                    with self.subTest(game=name, word=word, ending=ending):
                        try:
                            content = written(pack, ending)
                        except FileProblem as refused:
                            self.assertTrue(refused.problem.mend)
                            continue
                        found = read_questions(content)
                        self.assertFalse(found.refused, found.refused[:2])
                        self.assertEqual(len(found.questions), len(pack.questions))


if __name__ == "__main__":
    unittest.main()
