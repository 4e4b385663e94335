"""The observations of a run: for each question every try, its result and its duration."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass

from dicetrail.core.answers import FilledGap, Given, Verdict
from dicetrail.core.document import (
    ARRANGED,
    BLANK,
    Kind,
    Number,
    Point,
    Question,
    as_pair,
    as_written,
)
from dicetrail.core.draw import traits_of
from dicetrail.core.play import (
    Answer,
    Answered,
    Footprint,
    Input,
    Moment,
    Phase,
    Program,
    Result,
    State,
    What,
    check,
    choices_of,
    ended_as,
    leader_of,
    presented_question,
)


@dataclass(frozen=True, slots=True)
class Try:
    """An accepted try: the text of a choice, or what was typed."""

    given: str
    verdict: Verdict
    order: tuple[int, ...] = ()
    """Of answers put in order: the place, from 0, that each belongs at, in the order given."""
    partners: tuple[str, ...] = ()
    """Of a match: the partner given to each item, in the order of the items."""
    gaps: tuple[FilledGap, ...] = ()
    """What was given for each gap of a text."""
    points: tuple[Point, ...] = ()
    """The points given of a picture."""


@dataclass(frozen=True, slots=True)
class Observation:
    """A question put to a player in a run, and done with."""

    source: str
    number: int
    """Its number in the source, from 0."""
    prompt: str
    choices: tuple[str, ...]
    """Those shown, in the order of their texts; empty where the answer is typed."""
    right: tuple[str, ...]
    """What is accepted."""
    player: int
    tries: tuple[Try, ...]
    result: Result
    used_ms: int
    """How long the player had for it, holds left out."""
    is_hinted: bool
    level: int = 1
    """1 to 5; one without a level counts as 1."""
    allowed_ms: int | None = None
    """How long its own clock gave for it; None without one."""
    answer: str = ""
    """The right answer in words, where it is made of all that is right together; else empty."""
    can_be_partly: bool = False
    """Whether an answer to it can be right in part."""
    step: int = 0
    """The step of the run in which it was done with: 1 is what its first input made."""

    @property
    def is_right(self) -> bool:
        """Whether it was done with rightly, at whatever try."""
        return self.result is Result.RIGHT or self.result is Result.CLOSE

    @property
    def is_partly_at_first(self) -> bool:
        """Whether its first try was right in part."""
        return bool(self.tries) and self.tries[0].verdict is Verdict.PARTLY

    def is_right_at(self, number: int) -> bool:
        """Whether it was right at that try, from 1. A word found by letters was at the first."""
        return self.is_right and max(1, len(self.tries)) == number


@dataclass(frozen=True, slots=True)
class Playthrough:
    """What a run shows: its questions, and what it came to."""

    seen: tuple[Observation, ...]
    ending: str | None
    """Its title; empty where none fitted; None of a run that was left."""
    score: Number
    """The score of the leading player."""
    seconds: float
    """How long it took, as far as it went."""


def playthrough(
    program: Program, moments: Sequence[Moment], inputs: Iterable[Input]
) -> Playthrough:
    """What a run shows; its moments are as for `observations`, of which there may be one more, that
    time brought after the last input."""
    last = moments[-1].state
    is_over = last.phase is Phase.ENDED
    score = program.rules.score(last.tallies[leader_of(program, last)])
    return Playthrough(
        tuple(observations(program, moments, inputs)),
        (ended_as(program, last) or "") if is_over else None,
        as_written(score),
        last.at / 1000,
    )


def observations(
    program: Program, moments: Sequence[Moment], inputs: Iterable[Input]
) -> Iterator[Observation]:
    """The questions of a run that were done with, in order.

    `moments` are those of the run, the opening first; `inputs` led from each to the next. What
    was put and done with between two inputs, as clocks ran out, is left out: nobody saw to it.
    """
    tries: list[Try] = []
    steps = zip(moments, inputs, moments[1:], strict=False)
    for step, (before, given, after) in enumerate(steps, 1):
        is_same = before.state.phase is Phase.ASKING
        for footprint in after.footprints:
            if footprint.what is What.ASKED:
                tries, is_same = [], False
            elif not is_same:
                continue
            elif footprint.what is What.CHECKED and isinstance(given.action, Answer):
                tries.append(_tried(program, before.state, given.action.value))
            elif footprint.answered is not None:
                yield _done(program, before.state, footprint, footprint.answered, tries, step)


def _tried(program: Program, state: State, given: Given) -> Try:
    checked, presented = check(program, state, given), presented_question(program, state)
    question = presented.question
    if checked.gaps:
        told = ", ".join(gap.given or BLANK for gap in checked.gaps)
        return Try(told, checked.verdict, gaps=checked.gaps)
    if checked.point is not None:
        # Alike however it was given: by the slider, or typed with its unit or without.
        return Try(presented.chosen((checked.point + 1,)), checked.verdict)
    if presented.areas and not isinstance(given, str):
        named = " and ".join(presented.choices[place - 1] for place in checked.places)
        return Try(named or "elsewhere", checked.verdict, points=presented.points(given))
    if question.kind not in ARRANGED or checked.verdict is Verdict.UNREADABLE:
        words = given if isinstance(given, str) else _picked(program, state, given)
        return Try(words, checked.verdict)
    if question.kind is Kind.MATCH:
        partners = tuple(presented.choices[place - 1] for place in checked.places)
        pairs = zip(question.pairs, partners, strict=True)
        told = ", ".join(as_pair(item, partner) for (item, _), partner in pairs)
        return Try(told, checked.verdict, (), partners)
    order = tuple(presented.right.index(place) for place in checked.places)
    told = ", ".join(question.right[at] for at in order)
    return Try(told, checked.verdict, order)


def _picked(program: Program, state: State, given: int | tuple[int, ...]) -> str:
    """The texts of the choices picked."""
    choices, _ = choices_of(program, state)
    places = given if isinstance(given, tuple) else (given,)
    return " and ".join(choices[place - 1] for place in places if 0 < place <= len(choices))


def _whole_answer(question: Question) -> str:
    """The answer to a question that wants all that is right; empty for another."""
    return question.answer if question.wants_all or question.gaps or question.areas else ""


def _done(
    program: Program,
    state: State,
    footprint: Footprint,
    answered: Answered,
    tries: Sequence[Try],
    step: int,
) -> Observation:
    presented = presented_question(program, state)
    sourced = presented.dealt.sourced
    return Observation(
        sourced.source,
        sourced.number,
        sourced.question.prompt,
        tuple(sorted(presented.choices)),
        sourced.question.right,
        answered.player,
        tuple(tries),
        Result(answered.result),
        state.clocks.used + max(0, footprint.at - state.at),
        state.question.is_hinted,
        traits_of(sourced.question).level,
        None if presented.seconds is None else presented.seconds * 1000,
        _whole_answer(sourced.question),
        bool(presented.terms.shares),
        step,
    )
