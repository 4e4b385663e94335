"""The data of a run: its phases, its actions and its state."""

from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum
from typing import Literal, NamedTuple

from dicetrail.core.answers import Given
from dicetrail.core.document import Message, Number, Way, often_replaced, record
from dicetrail.core.draw import Row
from dicetrail.core.play.footprints import Footprint, LazyFootprint, Result, told
from dicetrail.core.rules import Due, Tally


class Phase(StrEnum):
    """Where a run stands."""

    OPENING = "opening"
    """Before the first question, or at the menu between two rounds."""
    ASKING = "asking"
    HOLDING = "holding"
    ENDED = "ended"


@dataclass(frozen=True, slots=True)
class Begin:
    """The player starts playing, or starts the round chosen from the menu."""

    round: int | None = None
    """The round chosen, from 0, where there is a menu."""
    questions: int | None = None
    """How many questions, where the player chooses."""
    action: Literal["begin"] = "begin"


@dataclass(frozen=True, slots=True)
class Answer:
    """The player answers: words typed, or the place (from 1) of the choice picked, or several.

    An answer, and every other action in the course of a question, can say by its number in
    the run which question it is meant for. It is never taken for another.
    """

    value: Given
    """Words; a place, from 1; or several places."""
    question: int | None = None
    """The number in the run of the question meant, from 1; None for whichever is asked."""
    action: Literal["answer"] = "answer"


@dataclass(frozen=True, slots=True)
class Letter:
    """The player tries a letter of a word."""

    char: str
    """One letter."""
    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["letter"] = "letter"


@dataclass(frozen=True, slots=True)
class Hint:
    """The player asks for the hint."""

    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["hint"] = "hint"


@dataclass(frozen=True, slots=True)
class Show:
    """The player wants to see the answer, to judge their own by it."""

    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["show"] = "show"


@dataclass(frozen=True, slots=True)
class Pass:
    """The player passes the question."""

    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["pass"] = "pass"


@dataclass(frozen=True, slots=True)
class Continue:
    """The player has seen the feedback and goes on."""

    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["continue"] = "continue"


@dataclass(frozen=True, slots=True)
class Listen:
    """The player hears the question's sound, or cannot: it has begun. Nothing else happens."""

    question: int | None = None
    """The question meant, as of an answer."""
    action: Literal["listen"] = "listen"


@dataclass(frozen=True, slots=True)
class Wait:
    """Time passes, and nothing else happens."""

    action: Literal["wait"] = "wait"


@dataclass(frozen=True, slots=True)
class Quit:
    """The player gives up. The game is over."""

    action: Literal["quit"] = "quit"


@dataclass(frozen=True, slots=True)
class Finish:
    """The player ends a run that would never end by itself, and comes to its ending."""

    action: Literal["finish"] = "finish"


@dataclass(frozen=True, slots=True)
class Bring:
    """The maker, not the player, says which question comes next: a source and a number there."""

    source: str
    """The source it comes from, by name."""
    number: int
    """Its number there, from 0."""
    action: Literal["bring"] = "bring"


PlayerAction = (
    Begin | Answer | Letter | Hint | Show | Pass | Continue | Listen | Wait | Quit | Finish
)
Action = PlayerAction | Bring


@dataclass(frozen=True, slots=True)
class Input:
    """An action and when it came, in milliseconds since the run began."""

    action: Action
    """What was done."""
    at: int
    """Milliseconds since the run began."""


class TimeRanBackwards(ValueError):
    """An input has an earlier time than the one before it. This is an error of the caller."""


@often_replaced
class Clocks(NamedTuple):
    """The milliseconds left on each countdown at the state's time; None without that countdown."""

    question: int | None = None
    round: int | None = None
    game: int | None = None
    used: int = 0
    """Milliseconds the player has had for the question in play; holds do not count."""

    @property
    def countdowns(self) -> tuple[int, ...]:
        """What is left of each countdown there is."""
        return tuple([left for left in self[:3] if left is not None])

    @property
    def soonest(self) -> int | None:
        """The milliseconds until the first of them ends."""
        return min(self.countdowns, default=None)

    def after(self, passed: int) -> "Clocks":
        """The clocks `passed` milliseconds later."""
        question, round_, game, used = self
        return Clocks(
            None if question is None else question - passed,
            None if round_ is None else round_ - passed,
            None if game is None else game - passed,
            used + passed,
        )


class BroughtQuestion(NamedTuple):
    """A question of this round in place of another: at which position, which place of the
    pool; both from 0."""

    position: int
    place: int


class QuestionKey(NamedTuple):
    """A question by the source it is from and its number there."""

    source: str
    number: int


class Heard(NamedTuple):
    """A cue that was played, and when, in milliseconds since the run began."""

    cue: str
    at: int


@record
class AtOpening:
    """Before the first question, or at the menu between two rounds."""

    phase: Literal[Phase.OPENING] = Phase.OPENING


@record
class AtQuestion:
    """A question waits for its answer."""

    phase: Literal[Phase.ASKING] = Phase.ASKING


@record
class InHold:
    """Feedback is shown, and the run waits."""

    ms: int | None
    """Milliseconds left; None holds until the player goes on."""
    way: Way | None
    """Where the run goes after it; None is back to the question."""
    phase: Literal[Phase.HOLDING] = Phase.HOLDING


@record
class AtEnd:
    """The run is over."""

    ending: int | None = None
    """The ending, by its number from 0; None if none fits."""
    gave_up: bool = False
    """Whether it ended because a player gave up."""
    phase: Literal[Phase.ENDED] = Phase.ENDED


OPENING, ASKING = AtOpening(), AtQuestion()


class Setup(NamedTuple):
    """What a run is started with."""

    dice: int
    players: tuple[str, ...]
    best: Number | None = None
    """The best result before this run: a score, or milliseconds if the fastest run is the best;
    None before the first run."""


@often_replaced
class History(NamedTuple):
    """What has been asked in a run."""

    visits: tuple[int, ...] = ()
    """How often each round of the game has been played to its end."""
    gone: tuple[QuestionKey, ...] = ()
    """The questions asked in rounds that are over, in the order of their names."""
    departed: tuple[Row, ...] = ()
    """The rows of facts that have left the run, sorted. They are not asked about again and are not
    choices again."""
    leaving: tuple[Row, ...] = ()
    """The rows that leave the run when the next question is asked."""
    presented_count: int = 0
    """How often a question was presented to a player, repeats of the same one included."""


@often_replaced
class RoundInPlay(NamedTuple):
    """The round in play, or the one that begins next."""

    number: int = 0
    """Which round of the game, from 0."""
    position: int = 0
    """Which question of the round, from 0."""
    wanted: int | None = None
    """How many questions the player chose for this round."""
    passed_over: tuple[int, ...] = ()
    """Questions dealt in this round that are not asked, because their rows have left or because
    they were asked just before: their places in the deal, rising."""
    skipped: int = 0
    """Turns of this round that came to nobody, because their player is out."""
    brought: tuple[BroughtQuestion, ...] = ()
    """The questions the maker brought to this round, each in place of the one dealt."""


@often_replaced
class QuestionInPlay(NamedTuple):
    """What has happened to the question in play, or to the last one."""

    tries_used: int = 0
    """Answers given to this question, or letters missed."""
    tried: tuple[str, ...] = ()
    """The letters tried, bare, in order."""
    is_hinted: bool = False
    given: Given | None = None
    """The last answer."""
    result: Result | None = None
    is_revealed: bool = False
    lead_ms: int = 0
    """Milliseconds its countdowns still wait, at most, for its sound."""
    is_shown: bool = False
    """Whether its player has looked at the answer."""


@often_replaced
class State(NamedTuple):
    """The state of a run: everything that cannot be computed from the program and the dice.

    It and the parts that change often are named tuples: to replace a field of one takes a sixth of
    the time that it takes with a dataclass.
    """

    setup: Setup
    at: int
    """Milliseconds since the run began."""
    tallies: tuple[Tally, ...]
    """What each player has."""
    stands: AtOpening | AtQuestion | InHold | AtEnd = OPENING
    """Where the run stands, with what exists only there."""
    turn: int = 0
    """Whose turn it is, from 0; once the run has ended, whom its ending is about."""
    out: tuple[int, ...] = ()
    """The players who are out of the run, from 0."""
    due: Due | None = None
    """The ending that has come at once, and is reached when this turn of all players is over."""
    history: History = History()
    round: RoundInPlay = RoundInPlay()
    question: QuestionInPlay = QuestionInPlay()
    clocks: Clocks = Clocks()
    heard: tuple[Heard, ...] = ()
    """The cues played since a player last did something, and by it."""
    told: tuple[str, ...] = ()
    """The words the script said then."""
    unattended: int = 0
    """Countdowns that ended since a player last did anything."""

    @property
    def phase(self) -> Phase:
        """Where the run stands, by its name alone."""
        return self.stands.phase

    @property
    def players(self) -> tuple[str, ...]:
        """The names of the players."""
        return self.setup.players

    @property
    def tally(self) -> Tally:
        """The tally of the player whose turn it is."""
        return self.tallies[self.turn]

    @property
    def has_begun(self) -> bool:
        """Whether a round has been entered."""
        return self.phase is not Phase.OPENING or any(self.history.visits)

    @property
    def hold_ms(self) -> int | None:
        """The milliseconds left of a hold; None without a hold, or if it lasts until the player
        goes on."""
        return self.stands.ms if isinstance(self.stands, InHold) else None

    @property
    def ending(self) -> int | None:
        """The ending, by its number from 0; None while the run goes on, or if none fits."""
        return self.stands.ending if isinstance(self.stands, AtEnd) else None

    @property
    def gave_up(self) -> bool:
        """Whether the run ended because a player gave up."""
        return isinstance(self.stands, AtEnd) and self.stands.gave_up


class Moment:
    """Where a run stands after a step, and what happened in that step."""

    __slots__ = ("_footprints", "refused", "state")

    def __init__(
        self,
        state: State,
        footprints: Iterable[Footprint | LazyFootprint],
        refused: Message | None = None,
    ) -> None:
        self.state = state
        self.refused = refused
        """Why a player's action was not taken; None if it was."""
        self._footprints = footprints

    @property
    def footprints(self) -> tuple[Footprint, ...]:
        """What happened, in order."""
        return tuple(told(self._footprints))

    def __eq__(self, other: object) -> bool:
        if not isinstance(other, Moment):
            return NotImplemented
        is_alike = (self.state, self.refused) == (other.state, other.refused)
        return is_alike and self.footprints == other.footprints

    def __hash__(self) -> int:
        return hash(self.state)

    def __repr__(self) -> str:
        return f"Moment({self.state}, {self.footprints}, {self.refused})"
