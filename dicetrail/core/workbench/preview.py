"""One question as its player will see it."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from dicetrail.core.document import Area, Ending, Game, Outline, Question, Round, area_in
from dicetrail.core.draw import Pool, whole
from dicetrail.core.play import Program, Table, asking_at, table
from dicetrail.core.rules import rules_of


def preview(question: Question, dice: int, media: Mapping[str, str]) -> Table:
    """A question as a player sees it, under the rules of a new game.

    `media` tells where pictures and sounds are found, by name.
    """
    game = Game("Preview", (Round("Preview"),), (Ending("", ""),))
    program = Program(game, rules_of(game), (Pool((whole("preview", (question,)),)),))
    return table(program, asking_at(program, dice), {"preview": media})


@dataclass(frozen=True, slots=True)
class AreaDrawn:
    """An area of a picture as its maker sees it; its numbers are tenths of a percent."""

    name: str
    outline: Outline
    numbers: tuple[int, ...]
    field: str
    """Where it is written: ``right`` or ``wrong``."""
    number: int
    """Which of these it is, from 0."""


@dataclass(frozen=True, slots=True)
class PictureDrawn:
    """The picture of a question with its areas."""

    picture: str
    """Where the picture is found; empty if there is none."""
    areas: tuple[AreaDrawn, ...]
    """Those that can be read, the right ones first."""


def picture_of(question: Question, media: Mapping[str, str]) -> PictureDrawn:
    """The picture of a question with the areas that are written for it. The question may have
    faults."""

    def drawn(texts: Iterable[str], field: str) -> Iterable[AreaDrawn]:
        for number, text in enumerate(texts):
            if (area := area_in(text)) is not None:
                yield _drawn(area, field, number)

    areas = (*drawn(question.right, "right"), *drawn(question.wrong, "wrong"))
    return PictureDrawn(media.get(question.details.picture, ""), areas)


def _drawn(area: Area, field: str, number: int) -> AreaDrawn:
    return AreaDrawn(area.name, area.outline, area.numbers, field, number)
