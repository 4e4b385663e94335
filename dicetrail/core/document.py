"""The document a maker makes: a game, and the packs its rounds draw from.

These frozen dataclasses are the only definition of the document. Validation at the
boundary, the API's schema and the web page's types are all derived from them, so a field
is added here and nowhere else. A document may be unfinished or contradictory; `survey`
says what is wrong with it and `build` refuses to play it.
"""

from dataclasses import dataclass
from enum import StrEnum

MOST_CHOICES = 8
"""A question offers two to eight choices, on slats lettered A to H."""

MOST_POINTS = 1_000_000_000
"""Points and bounds stay within plus or minus this number."""


class Order(StrEnum):
    """In which order things come."""

    SHUFFLED = "shuffled"
    WRITTEN = "written"


class Kind(StrEnum):
    """How a question is answered."""

    CHOICE = "choice"
    """Pick a right choice from among wrong ones."""
    TRUTH = "truth"
    """Say whether it is true; `right` is ``true`` or ``false``."""
    TYPED = "typed"
    """Type an accepted answer; `right` holds all of them, the one to show first."""
    NUMBER = "number"
    """Give a number, whole, decimal, fraction or mixed, within a tolerance."""
    LETTERS = "letters"
    """Find a word or phrase, letter by letter or at once."""
    SORT = "sort"
    """Say to which group it belongs; `right` is its group, `wrong` the others."""


@dataclass(frozen=True, slots=True)
class Details:
    """What a question may carry besides its answer. Empty and None mean that it does not."""

    topic: str = ""
    level: int | None = None
    """How hard, from 1 to 5."""
    worth: int | None = None
    """Points."""
    seconds: int | None = None
    """Time to answer, from 1 to 3600."""
    hint: str = ""
    note: str = ""
    """Shown after the answer."""
    picture: str = ""
    """The name of a picture file."""
    sound: str = ""
    """The name of a sound file."""
    tolerance: str = ""
    """How far off a number may be: an amount (``0.5``) or a share (``2%``)."""
    pinned: str = ""
    """The choice that always stands last."""


PLAIN = Details()


@dataclass(frozen=True, slots=True)
class Question:
    """A prompt, how it is answered, and what is right and wrong."""

    prompt: str
    right: tuple[str, ...]
    wrong: tuple[str, ...] = ()
    kind: Kind = Kind.CHOICE
    details: Details = PLAIN

    @property
    def choices(self) -> tuple[str, ...]:
        """What can be picked, as written, right ones first; nothing for typed kinds."""
        match self.kind:
            case Kind.CHOICE | Kind.SORT:
                return (*self.right, *self.wrong)
            case Kind.TRUTH:
                return TRUTHS
        return ()

    @property
    def answer(self) -> str:
        """The answer to tell, in words."""
        return " or ".join(self.right) if self.choices else "".join(self.right[:1])


TRUTHS = ("true", "false")
"""The two choices of a truth question, always in this order."""


@dataclass(frozen=True, slots=True)
class Pack:
    """A set of questions. Many games can use one pack."""

    title: str
    questions: tuple[Question, ...]


@dataclass(frozen=True, slots=True)
class Draw:
    """Which of a round's questions are asked, and in which order."""

    count: int | None = 10
    """How many are drawn, 1 or more; None draws them all. None comes twice."""
    order: Order = Order.SHUFFLED


@dataclass(frozen=True, slots=True)
class Ask:
    """How a question is put to the player."""

    choice_order: Order = Order.SHUFFLED
    """WRITTEN keeps the order of the file, in which the right choice stands first."""


@dataclass(frozen=True, slots=True)
class Check:
    """Which typed answers name a choice. Picking a slat always does."""

    by_letter: bool = True
    by_place: bool = True
    by_text: bool = True
    ignore_case: bool = True
    """Whether a text in other capitals still names its choice. Letters never mind."""


@dataclass(frozen=True, slots=True)
class Score:
    """Points added to the score for an answer; negative points take away."""

    right: int = 1
    wrong: int = 0


@dataclass(frozen=True, slots=True)
class Round:
    """A stretch of the game with its own questions and rules."""

    title: str
    packs: tuple[str, ...] = ()
    """The packs drawn from, by their identifiers, in order."""
    draw: Draw = Draw()
    ask: Ask = Ask()
    check: Check = Check()
    score: Score = Score()


@dataclass(frozen=True, slots=True)
class Ending:
    """A named way for the game to end. The first whose bounds hold the score is taken."""

    title: str
    verdict: str
    at_least: int | None = None
    at_most: int | None = None

    def fits(self, score: int) -> bool:
        """Whether this ending's bounds, both inclusive, hold the score."""
        return (self.at_least is None or score >= self.at_least) and (
            self.at_most is None or score <= self.at_most
        )


@dataclass(frozen=True, slots=True)
class Game:
    """Everything that makes a game but its questions."""

    title: str
    rounds: tuple[Round, ...]
    endings: tuple[Ending, ...]
