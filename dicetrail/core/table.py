"""The table: what the player has in front of them at one point of a run.

Made from the program and the state alone. Until a question is answered nothing here hangs
on which choice is right; after it the right answer and the verdict are told.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from dicetrail.core.checking import LETTERS, Verdict
from dicetrail.core.engine import Phase, Program, State, asked, check, choices_shown, right_answer

Media = Mapping[str, Mapping[str, str]]
"""Where pictures and sounds are found: by pack, then by the name its questions give them."""

NO_MEDIA: Media = {}


@dataclass(frozen=True, slots=True)
class Slat:
    """One choice as it is offered."""

    letter: str
    place: int
    text: str


@dataclass(frozen=True, slots=True)
class QuestionShown:
    """The question in play. `number` counts from 1."""

    number: int
    prompt: str
    choices: tuple[Slat, ...]
    picture: str
    """Where its picture is found; empty if it has none. Never its name, which may tell."""
    sound: str


@dataclass(frozen=True, slots=True)
class Feedback:
    """What came of the last answer. While the question stands, nothing tells what is right."""

    verdict: Verdict
    why: str
    given_place: int | None
    right_places: tuple[int, ...]
    answer: str
    """The right answer in words; empty while the question still stands."""
    note: str


@dataclass(frozen=True, slots=True)
class EndingShown:
    """The ending a run came to."""

    title: str
    verdict: str


@dataclass(frozen=True, slots=True)
class Table:
    """Everything a screen needs to show a run to its player."""

    phase: Phase
    title: str
    length: int
    score: int
    right_count: int
    percent: int
    """Right answers among those given, in percent, rounded half up; 0 before the first."""
    typing: bool
    """Whether an answer may be typed as well as picked."""
    question: QuestionShown | None
    feedback: Feedback | None
    ending: EndingShown | None


def table(program: Program, state: State, media: Media = NO_MEDIA) -> Table:
    """The table of a run at a state. `media` tells where pictures and sounds are found."""
    tally = state.tally
    answered = tally.right_count + tally.wrong_count
    in_play = state.phase in (Phase.ASKING, Phase.HOLDING)
    return Table(
        phase=state.phase,
        title=program.game.title,
        length=program.length,
        score=tally.score,
        right_count=tally.right_count,
        percent=(200 * tally.right_count + answered) // (2 * answered) if answered else 0,
        typing=_may_type(program, state) if in_play else False,
        question=_question(program, state, media) if in_play else None,
        feedback=_feedback(program, state) if in_play else None,
        ending=_ending(program, state),
    )


def _may_type(program: Program, state: State) -> bool:
    """Always where there is nothing to pick, else as the round's rules allow."""
    rules = program.round.check
    if not asked(program, state.dice, state.position).question.choices:
        return True
    return rules.by_letter or rules.by_place or rules.by_text


def _question(program: Program, state: State, media: Media) -> QuestionShown:
    choices, _ = choices_shown(program, state.dice, state.position)
    source = asked(program, state.dice, state.position)
    question, found = source.question, media.get(source.pack, {})
    return QuestionShown(
        number=state.position + 1,
        prompt=question.prompt,
        picture=found.get(question.details.picture, ""),
        sound=found.get(question.details.sound, ""),
        choices=tuple(
            Slat(LETTERS[place - 1], place, text) for place, text in enumerate(choices, 1)
        ),
    )


def _feedback(program: Program, state: State) -> Feedback | None:
    if state.given is None:
        return None
    checked = check(program, state.dice, state.position, state.given)
    if state.phase is Phase.ASKING:
        return Feedback(checked.verdict, checked.why, None, (), "", "")
    _, right = choices_shown(program, state.dice, state.position)
    question = asked(program, state.dice, state.position).question
    return Feedback(
        checked.verdict,
        checked.why,
        checked.place,
        right,
        right_answer(program, state.dice, state.position),
        question.details.note,
    )


def _ending(program: Program, state: State) -> EndingShown | None:
    if state.ending is None:
        return None
    ending = program.game.endings[state.ending]
    return EndingShown(ending.title, ending.verdict)
