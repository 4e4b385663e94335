"""Pictures and sounds: taken for what they are, made safe, or refused with one message."""

import io
import struct
import time
import tracemalloc
import unittest
import zipfile
import zlib

from PIL import Image
from PIL.PngImagePlugin import PngInfo

from dicetrail.files import FileProblem, is_bundle, medium, read_bundle, read_questions
from dicetrail.files.pictures import size_of
from tests.files.samples import archive, png, svg, wav

QUESTIONS = (
    "question,right answer,wrong 1,picture,sound\n"
    "Which leaf is this?,Kale,Chard,leaf.png,\n"
    "What do you hear?,Silence,Rain,,hush.wav\n"
    "And here?,Silence,Rain,,gone.wav\n"
)


FETCHES = (
    "fill:image-set('http://elsewhere.example/a.png' 1x)",
    "fill:-webkit-image-set(url(#a) 1x)",
    "fill:image('//elsewhere.example/a')",
    "fill:src('http://elsewhere.example/a')",
    "fill:cross-fade(url(#a), 50%)",
    "fill:element(#a)",
    "fill:paint(a)",
    "fill:u\\72l(http://elsewhere.example)",
    "fill:@import 'http://elsewhere.example/a.css'",
    "fill:url('http://elsewhere.example')",
    "fill:attr(x url)",
    "fill:var(--a)",
    "fill:env(a)",
)
"""Ways by which CSS fetches, or could: CSS Images 3 and 4, CSS Values 5, CSS Fonts 4, CSS Painting
API 1."""

SECRET = "taken at 52.95 N by the bean rows"
ORIENTATIONS = {
    1: (0, 0),
    2: (1, 0),
    3: (1, 1),
    4: (0, 1),
    5: (0, 0),
    6: (1, 0),
    7: (1, 1),
    8: (0, 1),
}
"""Where the first point of a picture is seen, by its orientation (Exif 2.3, tag 274)."""


def photograph(kind, orientation=None):
    """A picture, red where its first point is; as a camera told it, or plain."""
    image = Image.new("RGB", (12, 8), (0, 90, 200))
    image.paste((250, 0, 0), (0, 0, 4, 4))
    told = {}
    if orientation is not None:
        exif = Image.Exif()
        exif[274], exif[270] = orientation, SECRET
        told = {"exif": exif}
    out = io.BytesIO()
    image.save(out, kind, **told)
    return out.getvalue()


class TestMedia(unittest.TestCase):
    def refusal(self, make, *arguments):
        with self.assertRaises(FileProblem) as caught:
            make(*arguments)
        return caught.exception.problem

    def test_a_file_is_what_its_content_says(self):
        for content, media_type in (
            (png(), "image/png"),
            (photograph("JPEG"), "image/jpeg"),
            (photograph("WEBP"), "image/webp"),
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
            (b"\xff\xd8\xff\xe0" + b"\0" * 20, "is damaged"),
            (b"RIFF\0\0\0\0WEBPVP8 ", "is damaged"),
            (png()[:30], "is damaged"),
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
            *(f'<rect style="{words}"/>' for words in FETCHES),
            *(f'<rect fill="{words.partition(":")[2]}"/>' for words in FETCHES),
        ):
            with self.subTest(inside):
                problem = self.refusal(medium, "leaf.svg", svg(inside))
                self.assertEqual(problem.where, "leaf.svg")
                self.assertIn("script or reaches outside", problem.what)
        laughs = (
            b'<!DOCTYPE svg [<!ENTITY a "ha">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>'
        )
        self.assertIn("not well formed", self.refusal(medium, "leaf.svg", laughs).what)

    def test_a_photograph_tells_nothing_and_stands_as_it_was_taken(self):
        for kind in ("JPEG", "PNG", "WEBP"):
            plain = photograph(kind)
            self.assertEqual(medium("a", plain).content, plain, "nothing is changed without need")
            for orientation, corner in ORIENTATIONS.items():
                with self.subTest(kind, orientation=orientation):
                    told = photograph(kind, orientation)
                    self.assertIn(SECRET.encode(), told)
                    content = medium("a", told).content
                    self.assertNotIn(SECRET.encode(), content)
                    image = Image.open(io.BytesIO(content))
                    self.assertFalse(image.getexif())
                    wide = (12, 8) if orientation < 5 else (8, 12)
                    self.assertEqual(image.size, wide)
                    x, y = corner[0] * (wide[0] - 1), corner[1] * (wide[1] - 1)
                    red, green, _ = image.convert("RGB").getpixel((x, y))
                    self.assertGreater(red, green + 100, "the red corner is where it was seen")
                    self.assertEqual(medium("a", content).content, content)

    def test_what_a_png_says_beside_its_points_is_left_out_and_what_is_clear_stays_so(self):
        image = Image.new("RGBA", (4, 4), (0, 200, 0, 0))
        said = PngInfo()
        said.add_text("Author", SECRET)
        out = io.BytesIO()
        image.save(out, "PNG", pnginfo=said)
        content = medium("a", out.getvalue()).content
        self.assertNotIn(SECRET.encode(), content)
        self.assertEqual(Image.open(io.BytesIO(content)).getpixel((0, 0)), (0, 200, 0, 0))

    def test_a_picture_of_too_many_points_is_refused_by_its_header(self):
        for width, height in ((50_000, 50_000), (1_000_001, 30), (2**31 - 1, 2**31 - 1)):
            head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
            start, rest = png()[:16], png()[33:]
            bomb = start + head + struct.pack(">I", zlib.crc32(b"IHDR" + head)) + rest
            with self.subTest(width=width):
                tracemalloc.start()
                refused = self.refusal(medium, "leaf.png", bomb)
                _, most = tracemalloc.get_traced_memory()
                tracemalloc.stop()
                self.assertIn("more than the 24,000,000 points", refused.what)
                self.assertLess(most, 5_000_000)

    def test_parts_of_a_drawing_that_use_each_other_are_counted(self):
        def nested(depth, how):
            parts = "".join(f'<g id="p{n}">{how.format(n - 1) * 10}</g>' for n in range(1, depth))
            return svg(f'<defs><path id="p0" d="M0 0"/>{parts}</defs><use href="#p{depth - 1}"/>')

        for how in ('<use href="#p{}"/>', '<rect fill="url(#p{})"/>', '<g mask="url(#p{})"/>'):
            with self.subTest(how):
                self.assertTrue(medium("a", nested(3, how)))
                began = time.process_time()
                self.assertIn("use each other", self.refusal(medium, "a", nested(30, how)).what)
                self.assertLess(time.process_time() - began, 2)
        circle = svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>')
        self.assertIn("use each other", self.refusal(medium, "a", circle).what)

    def test_the_size_of_a_picture_is_told_by_its_header_or_as_a_drawing_says(self):
        for content, size in (
            (png(), (1, 1)),
            (b'<svg width="64px" height="40.4" viewBox="0 0 9 9"/>', (64, 40)),
            (b"<svg:svg width='100%' height='50%' viewBox='0,0 32,16'/>", (32, 16)),
            (b'<svg viewBox="0 0 1.2.3 4"/>', None),
            (b'<svg viewBox="0 0 0 4"/>', None),
            (f'<svg viewBox="0 0 {"9" * 5000} 4"/>'.encode(), None),
            (b"<svg/>", None),
            (b"words", None),
        ):
            with self.subTest(content[:40]):
                self.assertEqual(size_of(content), size)

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
            (rows | {"a/leaf.png": png(), "b/leaf.png": svg()}, "leaf.png", "two different files"),
            (rows | {"other.tsv": "a"}, "the file", "holds 2 question files"),
            ({"leaf.png": png()}, "the file", "holds 0 question files"),
            (rows | {f"{n}.png": b"" for n in range(2001)}, "the file", "at most 2,000"),
            (rows | {"bomb.wav": b"\0" * 300_000_000}, "the file", "unpack to more than"),
        ):
            with self.subTest(what):
                problem = self.refusal(read_bundle, archive(entries))
                self.assertEqual(problem.where, where)
                self.assertIn(what, problem.what)
