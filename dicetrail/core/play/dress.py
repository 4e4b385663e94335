"""The appearance of a game for its players: its look with every colour, and the words of its
pages."""

from dataclasses import dataclass

from dicetrail.core.document import (
    WAYS,
    Form,
    Game,
    Language,
    Look,
    OwnPhrase,
    Palette,
    Phrase,
    dark_palette,
    is_counted,
    light_palette,
    palette,
    translator,
)


@dataclass(frozen=True, slots=True)
class Dress:
    """The appearance that a page needs; it stays the same for a whole run."""

    look: Look
    own: Palette
    """For a player who wants it as it was made."""
    light: Palette
    dark: Palette
    language: Language
    is_from_right: bool
    """Whether it is written from right to left."""
    letters: tuple[str, ...]
    """The rows of its letters, for a word to be found."""
    phrases: dict[Phrase, dict[Form, str]]
    """Every phrase: under the form for others, or one for each plural form."""


def dress(game: Game) -> Dress:
    """The appearance of a game."""
    colours, ways = game.look.colours, WAYS[game.language]
    return Dress(
        game.look,
        palette(colours),
        light_palette(colours),
        dark_palette(colours),
        game.language,
        ways.is_from_right,
        ways.letters,
        phrases_in(game.language, game.phrases),
    )


def phrases_in(
    language: Language, own: tuple[OwnPhrase, ...] = ()
) -> dict[Phrase, dict[Form, str]]:
    """Every phrase of a language, some perhaps a game's own: under the form for others, or one
    for each plural form."""
    forms = WAYS[language].forms
    return {
        phrase: dict(zip(forms, texts, strict=False))
        if is_counted(phrase) and len(texts) > 1
        else {Form.OTHER: texts[0]}
        for phrase, texts in translator(language, own).texts.items()
    }
