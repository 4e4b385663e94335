"""What the pages said in a run: what its player read, apart from the question."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, fields

from dicetrail.core.document import Value, as_written
from dicetrail.core.play import Moment, Program, Stop, said_of, table


class Seen(Value):
    """A part of what pages say, which a kept run can hold to the word."""

    COUNTERS = "counters", "Counters at the start and the end"
    VERDICT = "verdict", "What is said of an answer"
    NOTE = "note", "Notes"
    CUE = "cue", "Words of cues and rules"
    ENDING = "ending", "The ending and its verdict"


@dataclass(frozen=True, slots=True)
class PageWords:
    """What a page said at one step; each is empty where nothing of it was said."""

    counters: str = ""
    """Every counter of every player, at the start and the end of the run."""
    verdict: str = ""
    """What is said of an answer."""
    note: str = ""
    """The note of the question."""
    cue: str = ""
    """What cues and rules say, and the words at the opening."""
    ending: str = ""
    """The title of the ending, and its verdict."""


@dataclass(frozen=True, slots=True)
class Otherwise:
    """A difference in what pages said: at which step, of what, and both texts."""

    step: int
    seen: Seen
    was: str
    now: str

    @property
    def stop(self) -> Stop:
        """The stop of the trail whose bench decides these words."""
        return _STOPS[self.seen]

    @property
    def words(self) -> str:
        """The difference, with both texts."""
        was, now = (f"“{text}”" if text else "nothing" for text in (self.was, self.now))
        return f"{self.seen.label}: was {was}, is {now}"


_STOPS = {
    Seen.COUNTERS: Stop.SCORE,
    Seen.VERDICT: Stop.CHECK,
    Seen.NOTE: Stop.LOAD,
    Seen.CUE: Stop.CUE,
    Seen.ENDING: Stop.END,
}


def pages_of(program: Program, moments: Sequence[Moment]) -> tuple[PageWords, ...]:
    """What the pages said at the start of a run and after each input. Counters are told at the
    first and the last alone: what changes them between is in the footprints."""
    ends = (0, len(moments) - 1)
    return tuple(
        _page(program, moment, has_counters=at in ends) for at, moment in enumerate(moments)
    )


def _page(program: Program, moment: Moment, *, has_counters: bool) -> PageWords:
    view, translator = table(program, moment.state), program.translator
    feedback, ending = view.feedback, view.ending
    return PageWords(
        counters=_counters(program, moment) if has_counters else "",
        verdict="" if feedback is None else " ".join(said_of(feedback, translator)),
        note="" if feedback is None else feedback.note,
        cue=" ".join((view.opening, *view.told) if view.menu else view.told).strip(),
        ending="" if ending is None else f"{ending.title}: {ending.verdict}",
    )


def _counters(program: Program, moment: Moment) -> str:
    """Every counter of every player by its name in the rules, hidden ones too."""
    state, rules = moment.state, program.rules
    told = (
        ", ".join(
            f"{name} {as_written(value)}"
            for name, value in zip(rules.names, tally.counters, strict=True)
        )
        for tally in state.tallies
    )
    return "; ".join(told)


def differences(
    before: Sequence[PageWords], now: Sequence[PageWords], minded: Sequence[Seen]
) -> Iterator[Otherwise]:
    """What pages say otherwise, step by step, of the parts that are minded."""
    named = [field.name for field in fields(PageWords) if Seen(field.name) in minded]
    for step, (old, new) in enumerate(zip(before, now, strict=False)):
        for name in named:
            was, is_ = getattr(old, name), getattr(new, name)
            if was != is_:
                yield Otherwise(step, Seen(name), was, is_)
