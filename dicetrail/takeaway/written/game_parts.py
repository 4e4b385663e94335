"""The parts of a game that its program needs: named lists of questions, and the facts that it
reads."""

import re
from collections.abc import Iterator
from dataclasses import dataclass, field

from dicetrail.core import Cue, Occasion, Program, Question
from dicetrail.core.document import places_in
from dicetrail.core.draw import FactQuestions, name_of
from dicetrail.core.rules import SHARES, condition_of, filled_words
from dicetrail.takeaway.written.names import FILLED, TAKEN
from dicetrail.takeaway.written.settings import same_in_all, settings_of


@dataclass
class Source:
    """Questions of one list, by the name they have in the program."""

    constant: str
    source: str
    """The name by which dice know them."""
    questions: list[Question]
    made: FactQuestions | None = None


@dataclass
class GameParts:
    """One game on its way to a program in a file of that name."""

    program: Program
    file: str
    sources: dict[str, Source] = field(default_factory=dict)
    """Every list of questions, by the name of its source for all rounds."""
    holds: dict[str, bool] = field(default_factory=dict)
    """What holds for it, by the words its program is cut by."""

    def __post_init__(self) -> None:
        self.game, self.rules = self.program.game, self.program.rules
        self.script, self.words = self.rules.script, self.program.translator
        self.settings = settings_of(self.program)
        self.same = same_in_all(self.settings)
        self._gather()
        self.questions = [q for source in self.sources.values() for q in source.questions]
        self.sums = [sums for round_ in self.game.rounds for sums in round_.sums]
        self.cues = [cue for cue in self.game.cues if cue.words.strip()]

    def _gather(self) -> None:
        for number, pool in enumerate(self.program.pools):
            for part in pool.parts:
                key = name_of(part.source, number)
                if key in self.sources or not part.questions:
                    continue
                made = part.questions if isinstance(part.questions, FactQuestions) else None
                known = self.game.name_for_dice(part.source)
                constant = self._constant(part.source, number, made)
                self.sources[key] = Source(constant, known, list(part.questions), made)

    def _constant(self, source: str, number: int, made: FactQuestions | None) -> str:
        is_shared = name_of(source, number) == source
        title = source if is_shared else self.game.rounds[number].title
        if made is not None:
            title = f"{title} {made.pattern.answer}"
        plain = re.sub(r"[^A-Z0-9]+", "_", title.upper()).strip("_")
        name = plain if re.match("[A-Z]", plain) else f"QUESTIONS_{plain}".rstrip("_")
        taken = {known.constant for known in self.sources.values()} | TAKEN
        count, free = 1, name
        while free in taken or f"{free}_ANSWERS" in taken:
            count, free = count + 1, f"{name}_{count + 1}"
        return free

    def sources_of(self, number: int) -> Iterator[Source]:
        """The lists a round draws from."""
        for part in self.program.pools[number].parts:
            if part.questions:
                yield self.sources[name_of(part.source, number)]

    def cues_on(self, *occasions: Occasion) -> list[Cue]:
        """The cues with words that answer to one of some occasions."""
        return [cue for cue in self.cues if set(occasions) & set(cue.on)]

    def reads(self) -> set[str]:
        """Every fact that rules, endings or words read."""
        reads = set(self.rules.reads)
        for words in filled_words(self.game, self.script):
            reads |= set(places_in(words)) & FILLED
        if self.cues_on(Occasion.STREAK):
            reads.add("streak")
        if "best_streak" in reads:
            reads.add("streak")
        for name, (part, whole) in SHARES.items():
            if name in reads:
                reads |= {part, *whole}
        if reads & {"right_worth", "done_worth"}:
            reads.add("worth")
        return reads - set(self.script.counters)

    def read_at_end(self) -> set[str]:
        """What conditions of endings read."""
        return {
            name
            for ending in self.game.endings
            for name in condition_of(ending, self.rules.names).reads
        }
