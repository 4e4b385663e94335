"""The jobs that a sandbox can do, by name."""

from collections.abc import Callable
from dataclasses import replace
from typing import Any, NamedTuple

from dicetrail.core import PLAIN, Details, Kind, Question
from dicetrail.files.alike import alike
from dicetrail.files.answers import read_answers
from dicetrail.files.games import GameFile, read_game
from dicetrail.files.items import is_package
from dicetrail.files.media import Medium, is_bundle, media_of_package, medium, read_bundle
from dicetrail.files.plan import Plan
from dicetrail.files.questions import FileReading, guess, read_questions

Progress = Callable[[int], None]

Job = str | Callable[..., Any]
"""One of those below by its name, or a function of a module that a child can import."""


class UnpackedFile(NamedTuple):
    """A question file as it comes in, out of its archive if it came in one."""

    file_name: str
    content: bytes
    plan: Plan
    media: dict[str, Medium]
    first: FileReading
    """Its first rows, read by that plan."""


class BroughtGame(NamedTuple):
    """A game file as it comes in, and all its pictures and sounds, made safe."""

    file: GameFile
    media: dict[str, dict[str, Medium]]
    """By pack and name."""
    sounds: list[Medium]
    """The game's own."""


Packed = tuple[str, tuple[str, ...], tuple[str, ...], str, Details | None, tuple[str, ...]]
"""A question as it goes over the channel: much quicker to pickle than itself."""


def packed(question: Question) -> Packed:
    """A question to be handed over."""
    details = None if question.details is PLAIN else question.details
    texts = question.prompt, question.right, question.wrong
    return *texts, question.kind.value, details, question.replies


def unpacked(given: Packed) -> Question:
    """The question that was handed over."""
    prompt, right, wrong, kind, details, replies = given
    return Question(prompt, right, wrong, Kind(kind), details or PLAIN, replies)


def _bring(file_name: str, content: bytes, most: int, _: Progress) -> UnpackedFile:
    media: dict[str, Medium] = {}
    if is_bundle(content):
        bundle = read_bundle(content)
        file_name, content, media = bundle.file_name, bundle.content, bundle.media
    elif is_package(content):
        media = media_of_package(content)
    plan = guess(content)
    first = read_questions(content, plan, most=most, media={*media})
    return UnpackedFile(file_name, content, plan, media, first)


def _bring_game(content: bytes, _: Progress) -> BroughtGame:
    read = read_game(content)
    media = {
        pack: {name: medium(name, held) for name, held in read.content(pack).items()}
        for pack in read.packs
    }
    sounds = [medium("a picture or sound", held) for held in read.brought().values()]
    # What they were made of is not handed over a second time.
    return BroughtGame(replace(read, media={}, sounds={}, pictures={}), media, sounds)


JOBS: dict[str, Callable[..., Any]] = {
    "bring": _bring,
    "guess": lambda content, options, _: guess(content, options),
    "look": lambda content, plan, mended, most, media, _: read_questions(
        content, plan, mended, most=most, media=media
    ),
    "take": lambda content, plan, mended, media, told: read_questions(
        content, plan, mended, told, media=media
    ),
    "media": lambda given, _: {name: medium(name, content) for name, content in given},
    "game": _bring_game,
    "alike": alike,
    "answers": lambda content, _: read_answers(content),
}
