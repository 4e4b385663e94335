"""A question as it is put to a player: what is shown, what is right, and what is said of it."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property

from dicetrail.core.answers import (
    LETTERS,
    MAX_ANSWER,
    Checked,
    Given,
    Scale,
    Verdict,
    as_number,
    check_choice,
    check_estimate,
    check_gaps,
    check_judged,
    check_match,
    check_number,
    check_order,
    check_place,
    check_typed,
    letters_of,
    read,
    scale_in,
    spelled,
    tidy,
)
from dicetrail.core.document import (
    ENGLISH,
    Area,
    Filling,
    Kind,
    Phrase,
    Point,
    Question,
    Round,
    Shows,
    Translator,
    listed,
    message,
    point_of,
)
from dicetrail.core.draw import AskedTraits, Dealt, FactQuestions, Traits, asked_in, traits_of
from dicetrail.core.rules import Terms


@dataclass(frozen=True)
class PresentedQuestion:
    """A question as it is put to the player. Made by `presented_question` alone."""

    round: Round
    dealt: Dealt
    question: Question
    choices: tuple[str, ...]
    """As they are written, in the order shown."""
    right: tuple[int, ...]
    """The places of the right ones, from 1; of an order, the places in the right order; of a match,
    the place of each item's partner."""
    shown: tuple[str, ...]
    """The choices in the words of the game's language, which has its own for true and false."""
    pack: str
    """The pack it is from, or the one of the facts it is made from; else empty."""
    made: FactQuestions | None
    """What makes it from facts."""
    words: Translator
    """The words of the game."""
    offered: tuple[tuple[str, ...], ...] = ()
    """The words to pick from for each gap of a text, as shown; none for one that is typed."""

    @cached_property
    def traits(self) -> Traits:
        """Its traits, without its texts."""
        return traits_of(self.question)

    @cached_property
    def asked(self) -> AskedTraits:
        """What rules can tell of it."""
        return asked_in(self.round, self.traits)

    @property
    def seconds(self) -> int | None:
        """The time for it; None if it has no clock."""
        return self.asked.seconds or None

    @cached_property
    def terms(self) -> Terms:
        """What it allows."""
        return self.asked.terms

    @cached_property
    def areas(self) -> tuple[Area, ...]:
        """The areas of its picture, in the order in which they are named."""
        by_name = {area.name: area for area in self.question.areas}
        return tuple(by_name[name] for name in self.choices) if by_name else ()

    @cached_property
    def scale(self) -> Scale | None:
        """The scale of an estimate; None for another kind of question."""
        return scale_in(self.question.details) if self.question.kind is Kind.ESTIMATE else None

    @cached_property
    def letters(self) -> frozenset[str]:
        """The different letters of a word to find; none for another kind of question."""
        is_word = self.question.kind is Kind.LETTERS
        return letters_of(self.question.right[0]) if is_word else frozenset()

    @cached_property
    def answer(self) -> str:
        """The right answer in the game's words, with its letter: ``B, “Carrot”``."""
        return self.words.in_words(self._answer)

    @cached_property
    def answer_in_english(self) -> str:
        """The same as makers are told it."""
        return self.answer if self.words is ENGLISH else ENGLISH.in_words(self._answer)

    @property
    def answer_to_judge(self) -> str:
        """The right answer as players see it who judge their own by it."""
        return self.words.in_words(listed(list(self.question.right), Phrase.LIST_OR))

    @property
    def _answer(self) -> Filling:
        if self.question.kind is Kind.JUDGED:
            quoted = [message(Phrase.QUOTED, text=text) for text in self.question.right]
            return listed(quoted, Phrase.LIST_OR)
        if not self.right:
            return message(Phrase.QUOTED, text=self.question.answer)
        return self._told(self.right, self._between if self.question.wants_all else Phrase.LIST_OR)

    @property
    def _between(self) -> Phrase:
        """What stands between several choices that are told together."""
        return Phrase.LIST_THEN if self.question.kind is Kind.ORDER else Phrase.LIST_AND

    def chosen(self, places: Sequence[int]) -> str:
        """Some of its choices in the game's words, by their places; empty for none. Of a scale, its
        numbers."""
        if not places:
            return ""
        if (scale := self.scale) is not None:
            mark, unit = self.round.check.decimal_mark, self.question.details.unit
            numbers = (as_number(scale.at(place - 1), mark) for place in places)
            return ", ".join(f"{number} {unit}".strip() for number in numbers)
        return self.words.in_words(self._told(places, self._between))

    def points(self, given: Given | None) -> tuple[Point, ...]:
        """The points of its picture that an answer names; none for other answers."""
        if not self.areas or given is None or isinstance(given, str):
            return ()
        numbers = (given,) if isinstance(given, int) else given
        return tuple(filter(None, map(point_of, numbers)))

    def _told(self, places: Sequence[int], between: Phrase) -> Filling:
        """Some of its choices; of a match, each with its item."""
        pairs = self.question.pairs
        if len(pairs) != len(places) or not pairs:
            return listed([self._named(place) for place in places], between)
        is_text = self.question.details.shows is Shows.TEXT
        named = [self.shown[at - 1] if is_text else LETTERS[at - 1] for at in places]
        told = [
            message(Phrase.PAIRED, item=item, choice=name)
            for (item, _), name in zip(pairs, named, strict=True)
        ]
        return listed(told, Phrase.LIST_PAIRS)

    def _named(self, place: int) -> Filling:
        """A choice as an answer; of a picture or a sound it is the letter alone."""
        letter = LETTERS[place - 1]
        if self.question.kind is Kind.PLACE:  # its letter is seen only by those who answer by name
            return message(Phrase.QUOTED, text=self.shown[place - 1])
        if self.question.details.shows is not Shows.TEXT:
            return letter
        return message(Phrase.CHOICE_NAMED, letter=letter, choice=self.shown[place - 1])

    def check(self, given: Given) -> Checked:
        """The verdict on an answer to it."""
        question, rules = self.question, self.round.check
        is_estimate = question.kind is Kind.ESTIMATE and isinstance(given, int)
        if not (question.choices or is_estimate or isinstance(given, str)):
            return Checked(Verdict.UNREADABLE, message(Phrase.NOTHING_TO_PICK))
        match question.kind:
            case Kind.TYPED:
                return check_typed(given, question.right, rules)
            case Kind.NUMBER:
                tolerance = question.details.tolerance
                return _best(
                    check_number(given, right, tolerance, rules) for right in question.right
                )
            case Kind.ESTIMATE:
                return check_estimate(given, question.right[0], question.details, rules)
            case Kind.GAPS:
                joined_by = self.words.joined_by
                return check_gaps(given, question.gaps, self.offered, rules, joined_by)
            case Kind.LETTERS:
                return _best(_check_word(str(given), word) for word in question.right)
        choices = self.shown
        if question.details.shows is not Shows.TEXT:
            # What a picture's file is called tells nothing.
            choices = tuple(LETTERS[: len(choices)])
        joined_by = self.words.joined_by
        match question.kind:
            case Kind.ORDER:
                return check_order(given, choices, self.right, rules, joined_by)
            case Kind.PLACE:
                needs = question.details.needs
                return check_place(given, self.areas, self.right, rules, needs, joined_by)
            case Kind.JUDGED:
                return check_judged(given, self.shown, rules)
            case Kind.MATCH:
                items = [item for item, _ in question.pairs]
                return check_match(given, items, choices, self.right, rules, joined_by)
        needs = question.details.needs
        return check_choice(given, choices, self.right, rules, needs, joined_by)


def _best(verdicts: Iterable[Checked]) -> Checked:
    """The first of some verdicts that is right, else the first."""
    found = list(verdicts)
    return next((checked for checked in found if checked.verdict is Verdict.RIGHT), found[0])


def _check_word(given: str, word: str) -> Checked:
    """The verdict on a whole word: its letters and digits count, and nothing else."""
    if len(given) > MAX_ANSWER:
        return Checked(Verdict.UNREADABLE, message(Phrase.TOO_LONG_WORD))
    typed = tidy(given)
    if not spelled(typed):
        return Checked(Verdict.UNREADABLE, message(Phrase.NO_WORD))
    if spelled(typed) == spelled(word) or spelled(read(typed)) == spelled(read(word)):
        return Checked(Verdict.RIGHT, message(Phrase.TYPED_RIGHT, typed=typed), matched=word)
    return Checked(Verdict.WRONG, message(Phrase.TYPED_WRONG, typed=typed))
