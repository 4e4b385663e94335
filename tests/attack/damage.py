"""Files of every format that is read, and damage done to them, the same for the same seed."""

import json
import random
import zipfile
from io import BytesIO

import yaml
from openpyxl import Workbook

from dicetrail.core import GameProblems
from dicetrail.demo import DATA
from dicetrail.files import (
    FileProblem,
    guess,
    is_bundle,
    medium,
    read_bundle,
    read_game,
    read_questions,
)
from tests.files.samples import archive, png, svg, wav

ENTRIES = [
    {"prompt": "Which is a root?", "right": "Carrot", "wrong": ["Kale", "Pea"], "level": 2},
    {"prompt": "How many beds?", "kind": "number", "right": "12", "tolerance": "5 %"},
    {"prompt": "Name it: é, ½, 🌱", "kind": "typed", "right": ["Sprout", "Shoot"], "topic": "x"},
]
PIECES = (
    *(b"\0", b"\xff", b'"', b"'", b"\n", b"\r", b"\t", b",", b"<", b"&", b"[", b"{", b": ", b"- "),
    *(b"\xed\xa0\xbd", b"\\ud83d", b"9" * 5000, b"1:" * 500, b"PK\x03\x04", b"]]>", b"*a", b"!!"),
)


def workbook():
    book = Workbook()
    for entry in ENTRIES:
        book.active.append([entry["prompt"], str(entry["right"]), "Kale", 3, 2.5, True])
    out = BytesIO()
    book.save(out)
    return out.getvalue()


def read_as_questions(content):
    if is_bundle(content):
        content = read_bundle(content).content
    read_questions(content, guess(content), most=1_000)


def _game():
    game = {"title": "G", "rounds": [{"title": "R", "packs": ["p"]}], "endings": []}
    pack = {"title": "P", "questions": [{"prompt": "Q?", "right": ["a"], "wrong": ["b"]}]}
    return {"format": "dice-trail-game/1", "game": game, "packs": {"p": pack}}


def whole_files():
    """Each format by name: a small whole file of it, and what reads it."""
    table = (DATA / "harvest-supper.tsv").read_bytes()[:1500]
    question = read_as_questions
    return {
        "tab-separated": (table, question),
        "comma-separated": (table.replace(b"\t", b","), question),
        "UTF-16": (table.decode().encode("utf-16"), question),
        "JSON": (json.dumps({"questions": ENTRIES}).encode(), question),
        "YAML": (yaml.safe_dump({"questions": ENTRIES}, allow_unicode=True).encode(), question),
        "XLSX": (workbook(), question),
        "ZIP": (archive({"q.csv": b"Q?,a,b\n", "a.png": png(), "b.svg": svg()}), question),
        "SVG": (svg(), lambda content: medium("a", content)),
        "PNG": (png(), lambda content: medium("a", content)),
        "WAV": (wav(), lambda content: medium("a", content)),
        "game file": (json.dumps(_game()).encode(), read_game),
    }


def damaged(content, chance):
    """The content with one to four pieces cut, doubled, moved, flipped or put in."""
    made = bytearray(_repacked(content, chance) if chance.random() < 0.4 else content)
    for _ in range(chance.randint(1, 4)):
        start = chance.randrange(len(made) + 1)
        end = min(len(made), start + chance.choice((1, 1, 4, 40)))
        match chance.randrange(6):
            case 0:
                del made[start:end]
            case 1:
                made[start:start] = made[start:end] * chance.choice((2, 50))
            case 2:
                made[start:start] = chance.choice(PIECES)
            case 3 if start < len(made):
                made[start] ^= 1 << chance.randrange(8)
            case 4:
                del made[start:]
            case _:
                made[start:end] = chance.choice(PIECES)
    return bytes(made)


def _repacked(content, chance):
    """An archive with one of its parts damaged inside, and whole outside."""
    if not content.startswith(b"PK"):
        return content
    with zipfile.ZipFile(BytesIO(content)) as whole:
        parts = {name: whole.read(name) for name in whole.namelist()}
    name = chance.choice(sorted(parts))
    return archive(parts | {name: damaged(parts[name] or b"x", chance)})


def read_damaged(count, seed=0):
    """Read so many damaged files of all formats; gives how many of each were refused.

    Raises whatever a reader raises that is not the documented error, with the file.
    """
    chance, refused = random.Random(seed), {}
    files = whole_files()
    for number in range(count):
        name = list(files)[number % len(files)]
        content, read = files[name]
        broken = damaged(content, chance)
        try:
            read(broken)
        except (FileProblem, GameProblems):
            refused[name] = refused.get(name, 0) + 1
        except Exception as error:
            raise AssertionError(f"{name} {number}: {error!r}: {broken[:300]!r}") from error
    return refused
