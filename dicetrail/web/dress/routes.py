"""What a look would be like, before it is saved."""

from dataclasses import asdict

from pydantic import BaseModel

from dicetrail.core.document import (
    BAR,
    WAYS,
    Language,
    Look,
    Palette,
    Phrase,
    dark_palette,
    is_counted,
    light_palette,
    meetings,
    palette,
    texts_of,
)
from dicetrail.web.http_format.bodies import Router

router = Router("/api/looks", "looks")
phrases = Router("/api/phrases", "looks")


class ColoursMet(BaseModel):
    """Two of a maker's colours where they meet, and whether they hold there."""

    of: str
    on: str
    what: str
    contrast: float
    wanted: float
    nearest: str
    is_held: bool


class LookSeen(BaseModel):
    """A look as its players would have it, and how well it can be read."""

    meetings: tuple[ColoursMet, ...]
    own: Palette
    light: Palette
    dark: Palette


@router.post("/seen")
def see_look(look: Look) -> LookSeen:
    """Where the colours of a look meet, and every colour made of them; nothing is kept."""
    colours = look.colours
    return LookSeen(
        meetings=tuple(ColoursMet(**asdict(met), is_held=met.is_held) for met in meetings(colours)),
        own=palette(colours),
        light=light_palette(colours),
        dark=dark_palette(colours),
    )


class FormShown(BaseModel):
    """A plural form of a language, and a few numbers that go with it."""

    name: str
    examples: tuple[int | float, ...]


class ReadyPhrase(BaseModel):
    """A phrase as it is ready: where it is met, and its text, or one for each plural form."""

    phrase: Phrase
    where: str
    in_english: str
    is_counted: bool
    texts: tuple[str, ...]


class ReadyPhrases(BaseModel):
    """All that a game says by itself in a language."""

    forms: tuple[FormShown, ...]
    phrases: tuple[ReadyPhrase, ...]


@phrases.get("/{language}")
def show_phrases(language: Language) -> ReadyPhrases:
    """Every phrase as it is ready in a language, for a maker to change."""
    ways = WAYS[language]
    return ReadyPhrases(
        forms=tuple(FormShown(name=form, examples=ways.examples(form)) for form in ways.forms),
        phrases=tuple(
            ReadyPhrase(
                phrase=phrase,
                where=phrase.hint,
                in_english=phrase.label.partition(BAR)[0],
                is_counted=is_counted(phrase),
                texts=texts_of(language, phrase),
            )
            for phrase in Phrase
        ),
    )
