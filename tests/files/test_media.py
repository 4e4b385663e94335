"""Pictures and sounds: taken for what they are, made safe, or refused with one message."""

import unittest
import zipfile

from dicetrail.files import FileProblem, is_bundle, medium, read_bundle, read_questions
from tests.files.samples import archive, png, svg, wav

QUESTIONS = (
    "question,right answer,wrong 1,picture,sound\n"
    "Which leaf is this?,Kale,Chard,leaf.png,\n"
    "What do you hear?,Silence,Rain,,hush.wav\n"
    "And here?,Silence,Rain,,gone.wav\n"
)


class TestMedia(unittest.TestCase):
    def refusal(self, make, *arguments):
        with self.assertRaises(FileProblem) as caught:
            make(*arguments)
        return caught.exception.problem

    def test_a_file_is_what_its_content_says(self):
        for content, media_type in (
            (png(), "image/png"),
            (b"\xff\xd8\xff\xe0" + b"\0" * 20, "image/jpeg"),
            (b"RIFF\0\0\0\0WEBPVP8 ", "image/webp"),
            (svg(), "image/svg+xml"),
            (wav(), "audio/wav"),
            (b"OggS\0\0", "audio/ogg"),
            (b"ID3\x04\0", "audio/mpeg"),
        ):
            with self.subTest(media_type):
                self.assertEqual(medium("odd.name", content).media_type, media_type)
        self.assertEqual(medium("a", png()).digest, medium("b", png()).digest)
        for content, what in (
            (b"MZ\x90\0", "no picture or sound"),
            (b"<html><svg", "not well formed"),
            (png() + b"\0" * 6_000_000, "at most"),
        ):
            with self.subTest(what):
                self.assertIn(what, self.refusal(medium, "leaf.png", content).what)

    def test_a_drawing_keeps_what_draws_and_nothing_else(self):
        drawing = svg(
            '<defs><linearGradient id="g"/></defs><metadata>secret</metadata>'
            '<path d="M0 0" fill="url(#g)" data-note="x"/><animate dur="1s"/><image width="4"/>'
        )
        safe = medium("leaf.svg", drawing).content.decode()
        self.assertIn('d="M0 0"', safe)
        self.assertIn("url(#g)", safe)
        for gone in ("secret", "data-note", "animate", "image"):
            self.assertNotIn(gone, safe)

    def test_a_drawing_that_acts_or_reaches_outside_is_refused(self):
        for inside in (
            "<script>alert(1)</script>",
            '<path onload="alert(1)" d="M0 0"/>',
            "<foreignObject/>",
            '<use href="javascript:alert(1)"/>',
            '<rect fill="url(http://elsewhere.example/x)"/>',
            '<rect style="background:url(//elsewhere.example)"/>',
        ):
            with self.subTest(inside):
                problem = self.refusal(medium, "leaf.svg", svg(inside))
                self.assertEqual(problem.where, "leaf.svg")
                self.assertIn("script or reaches outside", problem.what)
        laughs = (
            b'<!DOCTYPE svg [<!ENTITY a "ha">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>'
        )
        self.assertIn("not well formed", self.refusal(medium, "leaf.svg", laughs).what)

    def test_an_archive_brings_its_question_file_and_the_media_it_names(self):
        content = archive(
            {"quiz/questions.csv": QUESTIONS, "quiz/leaf.png": png(), "quiz/hush.wav": wav()}
        )
        self.assertTrue(is_bundle(content))
        bundle = read_bundle(content)
        self.assertEqual(
            (bundle.file_name, set(bundle.media)), ("questions.csv", {"leaf.png", "hush.wav"})
        )
        reading = read_questions(bundle.content, media=bundle.media)
        self.assertEqual(len(reading.questions), 2)
        (missing,) = reading.refused
        self.assertEqual((missing.line, missing.column), (4, 5))
        self.assertIn("no file “gone.wav”", missing.what)

    def test_an_archive_that_is_not_to_be_trusted_is_refused(self):
        rows = {"q.csv": QUESTIONS}
        link = zipfile.ZipInfo("leaf.png")
        link.external_attr = 0o120777 << 16
        for entries, where, what in (
            (rows | {"../leaf.png": png()}, "../leaf.png", "points outside"),
            (rows | {"/etc/leaf.png": png()}, "/etc/leaf.png", "points outside"),
            (rows | {link: b"elsewhere"}, "leaf.png", "a link"),
            (rows | {"leaf.exe": b"MZ"}, "leaf.exe", "no picture or sound"),
            (rows | {"other.tsv": "a"}, "the file", "holds 2 question files"),
            ({"leaf.png": png()}, "the file", "holds 0 question files"),
            (rows | {f"{n}.png": b"" for n in range(2001)}, "the file", "at most 2,000"),
            (rows | {"bomb.wav": b"\0" * 300_000_000}, "the file", "unpack to more than"),
        ):
            with self.subTest(what):
                problem = self.refusal(read_bundle, archive(entries))
                self.assertEqual(problem.where, where)
                self.assertIn(what, problem.what)
