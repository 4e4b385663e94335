"""The parts of a game that its program needs: named lists of questions, and their fields."""

import re
from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field
from functools import cached_property

from dicetrail.core import Cue, Kind, Occasion, Program, Question, Shows, Sums
from dicetrail.core.answers import LETTERS, read_number
from dicetrail.core.document import DecimalMark, Leaves, Made, Needs, Phrase, as_gap
from dicetrail.core.draw import MAX_FACTS, SIGNS, FactQuestions, name_of
from dicetrail.core.rules import condition_of
from dicetrail.takeaway.written import whole_program
from dicetrail.takeaway.written.literals import Written
from dicetrail.takeaway.written.names import TAKEN
from dicetrail.takeaway.written.settings import settings_of

Fields = Mapping[str, object]
"""Values by the names of fields; as usual where one is left out."""

QUESTION_USUAL: Fields = whole_program.PlainQuestion._field_defaults
_KINDS = {Kind.SORT: "choice"}
_WITH_ALL = {Kind.CHOICE: "several", Kind.SORT: "several", Kind.PLACE: "places"}
"""Kinds by their names in the program; the latter where all that is right is wanted."""


@dataclass
class Source:
    """Questions of one list, by the name they have in the program."""

    constant: str
    source: str
    """The name by which dice know them."""
    questions: list[Question]
    made: FactQuestions | None = None

    @property
    def leaves(self) -> bool:
        """Whether rows that were right are not offered again."""
        return self.made is not None and self.made.pattern.leaves is not Leaves.NONE

    @property
    def picks(self) -> bool:
        """Whether wrong choices are picked from the answers of other rows."""
        return self.made is not None and self.made.pattern.made is Made.CHOICE


@dataclass
class GameParts:
    """One game on its way to a program in a file of that name."""

    program: Program
    file: str
    sources: dict[str, Source] = field(default_factory=dict)
    """Every list of questions, by the name of its source for all rounds."""

    def __post_init__(self) -> None:
        self.game, self.rules = self.program.game, self.program.rules
        self.script, self.words = self.rules.script, self.program.translator
        self.settings = settings_of(self.program)
        self._gather()
        self.questions = [q for source in self.sources.values() for q in source.questions]
        self.sums = [sums_fields(sums) for round_ in self.game.rounds for sums in round_.sums]
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

    @property
    def letter_and(self) -> str:
        """The word between the last two of several where it is one letter that a choice can have,
        as a capital; else empty."""
        word = self.words.joined_by.upper()
        return word if word in LETTERS else ""

    def sources_of(self, number: int) -> Iterator[Source]:
        """The lists a round draws from."""
        for part in self.program.pools[number].parts:
            if part.questions:
                yield self.sources[name_of(part.source, number)]

    def cues_on(self, *occasions: Occasion) -> list[Cue]:
        """The cues with words that answer to one of some occasions."""
        return [cue for cue in self.cues if set(occasions) & set(cue.on)]

    def read_at_end(self) -> set[str]:
        """What conditions of endings read."""
        return {
            name
            for ending in self.game.endings
            for name in condition_of(ending, self.rules.names).reads
        }

    @cached_property
    def fields(self) -> dict[str, list[Fields]]:
        """The fields of every question, by the constant of its list."""
        return {
            source.constant: [
                self._fields(source, number, question)
                for number, question in enumerate(source.questions)
            ]
            for source in self.sources.values()
        }

    def all_fields(self) -> Iterator[Fields]:
        """The fields of all questions."""
        for several in self.fields.values():
            yield from several

    def rows(self, made: FactQuestions, number: int) -> list[int]:
        """The rows of a question, by numbers that no other facts have."""
        return [self._first_row(made) + row for row in made.rows_of(number)]

    def answers(self, source: Source) -> list[tuple[str, list[int]]]:
        """The answers of all rows that wrong choices are picked from, with rows that can leave."""
        made = source.made
        assert made is not None
        first = self._first_row(made)
        return [
            (answer, [first + row for row in rows] if source.leaves else [])
            for answer, rows in made.answers
        ]

    def _first_row(self, made: FactQuestions) -> int:
        tables = dict.fromkeys(
            source.made.pattern.facts for source in self.sources.values() if source.made
        )
        return MAX_FACTS * [*tables].index(made.pattern.facts)

    def _fields(self, source: Source, number: int, question: Question) -> Fields:
        details, made = question.details, source.made
        right, wrong = question.right, question.wrong
        if question.kind is Kind.TRUTH:
            truths = {"true": Phrase.TRUE, "false": Phrase.FALSE}
            right, wrong = (self.words.say(truths[right[0]]),), ()
        if question.kind in (Kind.MATCH, Kind.PLACE):
            right, wrong = question.right_choices, question.wrong_choices
        if question.kind is Kind.GAPS:
            right, wrong = tuple(map(as_gap, question.gaps)), ()
        kinds = _KINDS if details.needs is Needs.ANY else _KINDS | _WITH_ALL
        values: dict[str, object] = {
            "prompt": question.prompt,
            "right": list(right),
            "wrong": list(wrong),
            "kind": kinds.get(question.kind, question.kind.value),
            "topic": details.topic,
            "level": details.level or 1,
            "worth": 1 if details.worth is None else details.worth,
            "seconds": details.seconds or 0,
            "hint": details.hint,
            "note": details.note,
            "tolerance": self._tolerance(question),
            "misses": details.misses or 0,
            "pinned": details.pinned,
            "unseen": details.shows is not Shows.TEXT,
            "when_right": details.when_right,
            "when_wrong": details.when_wrong,
            "replies": list(question.replies) if any(question.replies) else [],
        }
        if question.kind is Kind.MATCH:
            values["right"] = [partner for _, partner in question.pairs]
            values["items"] = [item for item, _ in question.pairs]
        if question.bank:
            values["bank"] = list(question.bank)
        if question.kind is Kind.ESTIMATE:
            values["scale"] = [details.least, details.most, details.step or "1"]
            values["unit"] = details.unit
        if made is not None and source.picks:
            values["others"] = Written(f"{source.constant}_ANSWERS")
            values["offered"] = made.pattern.choices
            values["alike"] = _alike(made, number)
        if made is not None and source.leaves:
            values["rows"] = self.rows(made, number)
        return {
            name: value for name, value in values.items() if value != _usual(QUESTION_USUAL, name)
        }

    def _tolerance(self, question: Question) -> str:
        """A tolerance as a number Python reads."""
        text = question.details.tolerance.strip()
        if not text or question.kind not in (Kind.NUMBER, Kind.ESTIMATE):
            return ""
        is_comma = self.words.ways.decimal == "," and question.kind is Kind.NUMBER
        mark = DecimalMark.COMMA if is_comma else DecimalMark.POINT
        value = read_number(text.removesuffix("%"), mark)
        return f"{value}{'%' if text.endswith('%') else ''}"


def _usual(usual: Fields, name: str) -> object:
    value = usual.get(name)
    return [] if value == () else value


def sums_fields(sums: Sums) -> Fields:
    """The fields of sums that dice make."""
    bottoms = sums.denominators
    values: dict[str, object] = {
        "character": SIGNS[sums.operator],
        "left": range(sums.left.least, sums.left.most + 1),
        "right": range(sums.right.least, sums.right.most + 1),
        "made": sums.count,
        "cap": sums.cap,
        "negative": sums.negative,
        "choices": sums.choices or 0,
    }
    if bottoms is not None:
        values["bottoms"] = range(bottoms.least, bottoms.most + 1)
    usual = whole_program.PlainSums._field_defaults
    return {name: value for name, value in values.items() if value != _usual(usual, name)}


def _alike(made: FactQuestions, number: int) -> list[str]:
    """The answers of other rows that would be right too, beside the one that is told."""
    no_wrong = {*made[number].right, *(answer for answer, _ in made.others(number))}
    return [answer for answer, _ in made.answers if answer not in no_wrong]
