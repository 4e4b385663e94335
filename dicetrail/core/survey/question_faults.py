"""Find what makes a question unfit to ask, field by field.

The reader of question files, the grid in which packs are edited and the survey of a game
all ask here, so a fault has the same words in each.
"""

from collections.abc import Callable, Collection, Iterator, Mapping, Sequence
from dataclasses import asdict, dataclass, fields, replace
from fractions import Fraction
from operator import attrgetter
from typing import Any

from dicetrail.core.answers import (
    MAX_POINTS_OF_SCALE,
    Scale,
    all_differ,
    as_shown,
    fold,
    plain_number,
    read_number,
    scale_in,
    shape_of_estimate,
    tolerance_of,
)
from dicetrail.core.document import (
    BLANK,
    LONE_SURROGATE,
    MAX_CHOICES,
    MAX_LETTERS,
    MAX_WORDS,
    MIN_ARRANGED,
    PLAIN,
    TRUTHS,
    Details,
    Filled,
    Gap,
    Kind,
    Question,
    Range,
    Shows,
    area_in,
    around_gaps,
    free_points,
    is_whole_text,
    notes_of,
    out_of_bounds,
    overlap,
    pair_in,
    tidy_area,
    tidy_gap,
    tidy_pair,
    with_blanks,
)


@dataclass(frozen=True, slots=True)
class FieldFault:
    """Why one field makes a question unfit, and how to mend it.

    `field` is the field's name; `number` tells which one, from 0, where there are several.
    """

    field: str
    number: int
    what: str
    mend: str


def field_name(field: str, number: int = 0) -> str:
    """What a field is called in words: `field_name("wrong", 1)` is ``wrong choice 2``."""
    if field == "wrong":
        return f"wrong choice {number + 1}"
    if field == "replies":
        return f"reply {number + 1}"
    if field == "right":
        return f"right answer {number + 1}" if number else "the right answer"
    return "the question" if field == "prompt" else f"the {field}"


def gaps_found(question: Question) -> Question:
    """The question with blanks in place of the words that its text marks as those of gaps, where
    it has no right answers besides."""
    if question.kind is not Kind.GAPS or any(question.right):
        return question
    marked = with_blanks(question.prompt)
    if marked is None:
        return question
    prompt, right = marked
    return replace(question, prompt=prompt, right=right)


def trimmed(question: Question) -> Question:
    """The question with no space around its texts, and its pairs and gaps as they are written."""
    details = question.details
    texts: dict[str, Any] = {
        name: value.strip() for name, value in asdict(details).items() if type(value) is str
    }
    question = gaps_found(question)
    tidied = _TIDIED.get(question.kind, str)
    return Question(
        question.prompt.strip(),
        tuple(tidied(right.strip()) for right in question.right),
        tuple(
            tidy_area(text.strip()) if question.kind is Kind.PLACE else text.strip()
            for text in question.wrong
        ),
        question.kind,
        replace(details, **texts),
        tuple(text.strip() for text in question.replies),
    )


_TIDIED: Mapping[Kind, Callable[[str], str]] = {
    Kind.MATCH: tidy_pair,
    Kind.GAPS: tidy_gap,
    Kind.PLACE: tidy_area,
}
"""What brings a right answer into the form in which it is written."""


def is_plain_choice(question: Question) -> bool:
    """Whether a question is plainly fit to ask: one right choice, wrong ones, all different."""
    choices = (*question.right, *question.wrong)
    return (
        question.kind is Kind.CHOICE
        and _tells_topic_and_level_alone(question.details)
        and not question.replies
        and bool(question.prompt)
        and len(question.right) == 1
        and 2 <= len(choices) <= MAX_CHOICES
        and all(choices)
        and is_whole_text("".join((question.prompt, *choices)))
        and all_differ(choices)
    )


_OTHER_DETAILS = attrgetter(
    *(field.name for field in fields(Details) if field.name not in ("topic", "level"))
)
_NOTHING_ELSE = _OTHER_DETAILS(PLAIN)


def _tells_topic_and_level_alone(details: Details) -> bool:
    if details is PLAIN:
        return True
    is_level = details.level is None or details.level in _LEVELS
    return is_level and _OTHER_DETAILS(details) == _NOTHING_ELSE and is_whole_text(details.topic)


_LEVELS = range(1, notes_of(Details, Range)["level"].most + 1)


def faults(question: Question) -> Iterator[FieldFault]:
    """Every fault of a question, its texts trimmed; none if it can be asked.

    >>> [fault.what for fault in faults(Question("Which is a root?", ("Carrot",), ("Carrot",)))]
    ['wrong choice 1 is the same as the right answer, “Carrot”']
    """
    if broken := _broken_text(question):
        yield broken
        return
    if not question.prompt:
        yield FieldFault("prompt", 0, "the question is empty", "write the question in this field")
    if not question.right or not question.right[0]:
        yield FieldFault(
            "right", 0, "there is no right answer", "write the right answer in this field"
        )
    else:
        yield from _ANSWER_FAULTS[question.kind](question)
    yield from _detail_faults(question)
    if len(question.replies) > len(question.wrong):
        number = len(question.wrong)
        what = f"{field_name('replies', number)} replies to no wrong choice"
        yield FieldFault("replies", number, what, "leave it out, or write the wrong choice")


def _broken_text(question: Question) -> FieldFault | None:
    """The first of a question's texts that is not of whole characters; None if all are."""
    texts = (
        ("prompt", (question.prompt,)),
        ("right", question.right),
        ("wrong", question.wrong),
        ("replies", question.replies),
    )
    for field, given in texts:
        for number, text in enumerate(given):
            if not is_whole_text(text):
                return FieldFault(field, number, *LONE_SURROGATE)
    return None


def _choice_faults(question: Question) -> Iterator[FieldFault]:
    if not question.wrong:
        yield FieldFault("wrong", 0, "there is no wrong choice", "write at least one wrong choice")
    count = len(question.right) + len(question.wrong)
    if count > MAX_CHOICES:
        yield FieldFault(
            "wrong",
            MAX_CHOICES - len(question.right),
            f"{count} choices where at most {MAX_CHOICES} are expected",
            "leave some out",
        )
    yield from _empty_and_repeated(question)
    yield from _pinned_fault(question)


def _pinned_fault(question: Question) -> Iterator[FieldFault]:
    pinned = question.details.pinned
    if pinned and pinned not in question.choices:
        yield FieldFault(
            "pinned",
            0,
            f"“{pinned}” is to stand last but is not one of the choices",
            "write it as one of the choices has it",
        )


def _empty_and_repeated(question: Question) -> Iterator[FieldFault]:
    seen: dict[str, tuple[str, int]] = {}
    fields = [("right", number) for number in range(len(question.right))]
    fields += [("wrong", number) for number in range(len(question.wrong))]
    for (field, number), text in zip(fields, (*question.right, *question.wrong), strict=True):
        name = field_name(field, number)
        if not text:
            yield FieldFault(
                field,
                number,
                f"{name} is empty though a later one is not",
                "write something in this field, or move the later ones up",
            )
            continue
        first = seen.setdefault(as_shown(text), (field, number))
        if first != (field, number):
            yield FieldFault(
                field,
                number,
                f"{name} is the same as {field_name(*first)}, “{text}”",
                "write something else in this field, or leave it out",
            )


def _truth_faults(question: Question) -> Iterator[FieldFault]:
    if question.right != TRUTHS[:1] and question.right != TRUTHS[1:]:
        yield FieldFault(
            "right",
            0,
            f"“{question.answer}” is neither true nor false",
            "write true or false in this field",
        )
    yield from _no_wrong(question)


def _typed_faults(question: Question) -> Iterator[FieldFault]:
    yield from _empty_and_repeated(question)
    yield from _no_wrong(question)


def _number_faults(question: Question) -> Iterator[FieldFault]:
    right = read_number(question.right[0])
    if right is None:
        yield FieldFault(
            "right",
            0,
            f"“{question.right[0]}” is not a number",
            "write a whole number, a decimal, a fraction or a mixed number",
        )
    else:
        try:
            tolerance_of(question.details.tolerance, right)
        except ValueError as error:
            mend = "write an amount such as 0.5, a share such as 2%, or nothing"
            yield FieldFault("tolerance", 0, str(error), mend)
    yield from _one_right(question)
    yield from _no_wrong(question)


def _letters_faults(question: Question) -> Iterator[FieldFault]:
    word = question.right[0]
    if len(word) > MAX_LETTERS:
        yield FieldFault(
            "right",
            0,
            f"{len(word)} characters where at most {MAX_LETTERS} fit",
            "choose a shorter word or phrase",
        )
    if not any(character.isalnum() for character in word):
        yield FieldFault(
            "right", 0, f"“{word}” has no letter or digit to find", "write a word or phrase"
        )
    yield from _one_right(question)
    yield from _no_wrong(question)


def _sort_faults(question: Question) -> Iterator[FieldFault]:
    yield from _one_right(question)
    yield from _choice_faults(question)


def _order_faults(question: Question) -> Iterator[FieldFault]:
    count = len(question.right)
    if count < MIN_ARRANGED:
        mend = "write the next one of the order in this field"
        yield FieldFault("right", count, "one answer alone is no order", mend)
    if count > MAX_CHOICES:
        what = f"{count} answers where at most {MAX_CHOICES} can be put in order"
        yield FieldFault("right", MAX_CHOICES, what, "leave some out")
    yield from _empty_and_repeated(question)
    yield from _no_wrong(question)
    if question.details.pinned:
        what = "nothing can be pinned where answers are put in order"
        yield FieldFault("pinned", 0, what, "leave it out")
    yield from _without_needs(question)


def _match_faults(question: Question) -> Iterator[FieldFault]:
    count = len(question.right)
    if count < MIN_ARRANGED:
        mend = "write the next pair in this field"
        yield FieldFault("right", count, "one pair alone is no match", mend)
    if count > MAX_CHOICES:
        what = f"{count} pairs where at most {MAX_CHOICES} can be matched"
        yield FieldFault("right", MAX_CHOICES, what, "leave some out")
    items: dict[str, int] = {}
    for number, text in enumerate(question.right):
        name = field_name("right", number)
        pair = pair_in(text)
        if pair is None:
            what = f"{name} is no pair, “{text}”" if text else f"{name} is empty"
            mend = "write an item, an equals sign and what belongs to it, such as bee = honey"
            yield FieldFault("right", number, what, mend)
        elif (first := items.setdefault(as_shown(pair[0]), number)) != number:
            what = f"{name} has the same item as {field_name('right', first)}, “{pair[0]}”"
            yield FieldFault("right", number, what, "give each item once")
    yield from _partner_faults(question)
    if question.replies:
        mend = "leave it out"
        yield FieldFault("replies", 0, "a match has no replies to wrong choices", mend)
    yield from _without_needs(question)


def _partner_faults(question: Question) -> Iterator[FieldFault]:
    """The faults of what the items of a match are matched with."""
    seen: dict[str, str] = {}
    for number, (_, partner) in enumerate(question.pairs):
        if seen.setdefault(as_shown(partner), partner) != partner:
            what = (
                f"{field_name('right', number)} has a partner that only looks the same as another"
            )
            yield FieldFault("right", number, what, "write both in the same way")
    for number, text in enumerate(question.wrong):
        name = field_name("wrong", number)
        if not text:
            yield FieldFault(
                "wrong", number, f"{name} is empty", "write something, or move the later ones up"
            )
        elif seen.setdefault(as_shown(text), f"{number}") != f"{number}":
            what = f"{name} is there already, “{text}”"
            yield FieldFault("wrong", number, what, "write something else, or leave it out")
    count = len(question.choices)
    if count > MAX_CHOICES:
        what = f"{count} different partners where at most {MAX_CHOICES} are expected"
        yield FieldFault("wrong", 0, what, "leave some out")
    elif count == 1 and len(question.pairs) > 1:
        what = "every item has the same partner"
        yield FieldFault("right", 0, what, "write others, or a partner that is left over")
    yield from _pinned_fault(question)


def _gap_faults(question: Question) -> Iterator[FieldFault]:
    gaps, blanks = question.gaps, len(around_gaps(question.prompt)) - 1
    if len(gaps) > MAX_CHOICES:
        what = f"{len(gaps)} gaps where at most {MAX_CHOICES} are expected"
        yield FieldFault("right", MAX_CHOICES, what, "leave some out")
    if blanks != len(gaps):
        blank = "1 blank" if blanks == 1 else f"{blanks} blanks"
        answer = "the right answer" if len(gaps) == 1 else f"{len(gaps)} right answers"
        what = f"the text has {blank} for {answer}"
        mend = f"write {BLANK} in the question for each, or [the right word] itself"
        yield FieldFault("prompt", 0, what, mend)
    for number, gap in enumerate(gaps):
        yield from _faults_of_gap(number, gap)
    yield from _bank_faults(question)
    for field, is_there in (("replies", question.replies), ("pinned", question.details.pinned)):
        if is_there:
            what = f"{field_name(field)} means nothing where the kind is {question.kind}"
            yield FieldFault(field, 0, what, "leave it out")
    yield from _without_needs(question)


def _faults_of_gap(number: int, gap: Gap) -> Iterator[FieldFault]:
    name, words = f"gap {number + 1}", (*gap.accepted, *gap.others)
    if not all(words):
        mend = "write the right word, others that fit behind |, and wrong ones behind //"
        yield FieldFault("right", number, f"{name} has an empty word", mend)
    elif not all_differ(words):
        yield FieldFault("right", number, f"{name} has the same word twice", "leave one out")
    elif len(words) > MAX_WORDS:
        what = f"{name} has {len(words)} words where at most {MAX_WORDS} are expected"
        yield FieldFault("right", number, what, "leave some out")


def _bank_faults(question: Question) -> Iterator[FieldFault]:
    """The faults of the common words from which gaps are filled."""
    if not (question.wrong or question.details.filled is Filled.BANK):
        return
    bank = question.bank
    without = [(at, gap) for at, gap in enumerate(question.gaps) if not gap.others]
    if not without:
        what = "every gap has words of its own, so that none is picked from common ones"
        field = "wrong" if question.wrong else "filled"
        yield FieldFault(field, 0, what, "leave this out")
        return
    for number, text in enumerate(question.wrong):
        fits = next((at for at, gap in without if text in gap.accepted), None)
        if not text:
            mend = "write something, or move the later ones up"
            yield FieldFault("wrong", number, f"{field_name('wrong', number)} is empty", mend)
        elif fits is not None:
            what = f"{field_name('wrong', number)} fits gap {fits + 1}, “{text}”"
            yield FieldFault("wrong", number, what, "write something else, or leave it out")
    words = dict.fromkeys(gap.accepted[0] for _, gap in without)
    if not all_differ((*words, *question.wrong)):
        what = "two of the words to pick from look the same"
        yield FieldFault("wrong" if question.wrong else "right", 0, what, "leave one out")
    if len(bank) > MAX_WORDS:
        what = f"{len(bank)} words to pick from where at most {MAX_WORDS} are expected"
        yield FieldFault("wrong", 0, what, "leave some out")
    for at, gap in without:
        if all(word in gap.accepted for word in bank):
            what = f"every word to pick from fits gap {at + 1}"
            mend = "add a wrong choice, or have the gaps typed"
            yield FieldFault("right", at, what, mend)
            return


def _place_faults(question: Question) -> Iterator[FieldFault]:
    if not question.details.picture:
        what = "there is no picture to point at"
        yield FieldFault("picture", 0, what, "name its file in this field")
    yield from _empty_and_repeated(question)
    names: dict[str, tuple[str, int]] = {}
    for field, number, text in _each_answer(question):
        area, name = area_in(text), field_name(field, number)
        if area is None:
            what = f"{name} is no area of a picture, “{text}”"
            mend = "write it as hive = rectangle 10 20 40 60, in percent from the left and the top"
            yield FieldFault(field, number, what, mend)
        elif (first := names.setdefault(as_shown(area.name), (field, number))) != (field, number):
            what = f"{name} has the same name as {field_name(*first)}, “{area.name}”"
            yield FieldFault(field, number, what, "give each area a name of its own")
    if len(names) > MAX_CHOICES:
        what = f"{len(names)} areas where at most {MAX_CHOICES} are expected"
        yield FieldFault("right", 0, what, "leave some out")
    if question.areas and next(free_points(question.areas), None) is None:
        what = "no place of the picture is outside its areas"
        yield FieldFault("right", 0, what, "make the areas smaller")
    if question.details.pinned:
        what = "nothing can be pinned where a place is pointed at"
        yield FieldFault("pinned", 0, what, "leave it out")


def _each_answer(question: Question) -> Iterator[tuple[str, int, str]]:
    """The right and wrong answers, each with its field and its number there."""
    for number, text in enumerate(question.right):
        yield "right", number, text
    for number, text in enumerate(question.wrong):
        yield "wrong", number, text


def areas_overlapping(question: Question) -> FieldFault | None:
    """A right and a wrong area that share a part of the picture, where the right one counts; None
    if there are none."""
    if question.kind is not Kind.PLACE:
        return None
    rights = [area for text in question.right if (area := area_in(text)) is not None]
    for number, text in enumerate(question.wrong):
        area = area_in(text)
        over = next((one for one in rights if area is not None and overlap(one, area)), None)
        if area is not None and over is not None:
            what = f"“{area.name}” and “{over.name}” overlap"
            mend = "a point in both counts as right; move one of them if it is not to"
            return FieldFault("wrong", number, what, mend)
    return None


def _without_needs(question: Question) -> Iterator[FieldFault]:
    if question.details.needs is not PLAIN.needs:
        what = f"the needs mean nothing where the kind is {question.kind}"
        yield FieldFault("needs", 0, what, "leave it out")


def _estimate_faults(question: Question) -> Iterator[FieldFault]:
    right, scale = plain_number(question.right[0]), scale_in(question.details)
    if right is None:
        what = f"“{question.right[0]}” is not a number of one reading"
        yield FieldFault("right", 0, what, "write it plainly, such as 1250 or 2.5")
    if scale is None:
        yield scale_fault(question.details)
    elif right is not None:
        yield from _off_scale(question, scale)
    yield from _one_right(question)
    yield from _no_wrong(question)


def scale_fault(details: Details) -> FieldFault:
    """Why the numbers of some details make no scale."""
    numbers: list[Fraction] = []
    for field, text in (("least", details.least), ("most", details.most), ("step", details.step)):
        number = plain_number(text) if text or field != "step" else Fraction(1)
        if number is None:
            what = f"“{text}” is not a number of one reading" if text else "the scale has no end"
            return FieldFault(field, 0, what, "write a number plainly, such as 1250 or 2.5")
        numbers.append(number)
    least, most, step = numbers
    if least >= most:
        mend = "write a larger number in this field"
        return FieldFault("most", 0, f"the scale ends at {details.most}, where it begins", mend)
    if step <= 0:
        return FieldFault("step", 0, "the step of a scale is more than 0", "write a larger number")
    if (most - least) % step:
        what = f"steps of {details.step or 1} do not lead from {details.least} to {details.most}"
        return FieldFault("step", 0, what, "write another step, or another end")
    what = f"the scale has more than {MAX_POINTS_OF_SCALE:,} numbers"
    return FieldFault("step", 0, what, "write a larger step")


def _off_scale(question: Question, scale: Scale) -> Iterator[FieldFault]:
    """Faults of what is right on a scale."""
    right, details = plain_number(question.right[0]) or Fraction(0), question.details
    if not scale.least <= right <= scale.most:
        what = f"{question.right[0]} is off the scale from {details.least} to {details.most}"
        yield FieldFault("right", 0, what, "write a number of the scale, or other ends")
        return
    try:
        tolerance_of(details.tolerance, right)
    except ValueError as error:
        mend = "write an amount such as 0.5, a share such as 2%, or nothing"
        yield FieldFault("tolerance", 0, str(error), mend)
        return
    shape = shape_of_estimate(question.right[0], details)
    if all(shape.distance(round(shape.right) + by) for by in (-1, 0, 1)):
        what = f"no number of the scale is {question.right[0]}, or within the tolerance"
        yield FieldFault("tolerance", 0, what, "write a larger tolerance, or a smaller step")


def _one_right(question: Question) -> Iterator[FieldFault]:
    if len(question.right) > 1:
        what = f"a question of kind {question.kind} has one right answer"
        yield FieldFault("right", 1, what, "leave the others out")


def _no_wrong(question: Question) -> Iterator[FieldFault]:
    if question.wrong:
        what = f"a question of kind {question.kind} has no wrong choices"
        yield FieldFault("wrong", 0, what, "leave them out")


def _detail_faults(question: Question) -> Iterator[FieldFault]:
    for problem in out_of_bounds(question.details):
        yield FieldFault(
            problem.where, 0, f"{field_name(problem.where)}: {problem.what}", problem.mend
        )


_ANSWER_FAULTS = {
    Kind.CHOICE: _choice_faults,
    Kind.TRUTH: _truth_faults,
    Kind.TYPED: _typed_faults,
    Kind.NUMBER: _number_faults,
    Kind.LETTERS: _letters_faults,
    Kind.SORT: _sort_faults,
    Kind.ORDER: _order_faults,
    Kind.MATCH: _match_faults,
    Kind.ESTIMATE: _estimate_faults,
    Kind.JUDGED: _typed_faults,
    Kind.GAPS: _gap_faults,
    Kind.PLACE: _place_faults,
}


def first_fault(question: Question) -> FieldFault | None:
    """The first fault of a question; None if it can be asked."""
    return None if is_plain_choice(question) else next(faults(question), None)


def missing_medium(question: Question, media: Collection[str] | None) -> FieldFault | None:
    """A picture or sound that a question names and that does not exist; None if all exist, or if
    the existing ones are not known."""
    files = ("picture", "sound", "narration")
    named = [(field, getattr(question.details, field)) for field in files]
    if question.details.shows is not Shows.TEXT:
        rights = question.right_choices
        named += [("right", name) for name in rights]
        named += [("wrong", name) for name in question.wrong]
    for field, name in named:
        if name and media is not None and name not in media:
            return FieldFault(
                field,
                0,
                f"there is no file “{name}”",
                f"bring it too, or leave {field_name(field)} out",
            )
    return None


def gaps_sharing(question: Question) -> FieldFault | None:
    """Two gaps that accept the same text, though not it alone, so that one word may be given twice
    where two were meant; None if there are none."""
    seen: dict[str, int] = {}
    for at, gap in enumerate(question.gaps):
        for text in gap.accepted:
            first = seen.setdefault(fold(text), at)
            accepted = {fold(one) for one in (*question.gaps[first].accepted, *gap.accepted)}
            if first != at and len(accepted) > 1:
                what = f"gap {first + 1} and gap {at + 1} both accept “{text}”"
                mend = "if each wants a text of its own, let one of them not accept it"
                return FieldFault("right", at, what, mend)
    return None


def surely_unlike(choices: Sequence[str]) -> bool:
    """Whether choices differ in more than capitals or looks. This quick check knows plain letters
    only; False means that `choices_alike` has to decide."""
    return "".join(choices).isascii() and all_differ(
        [choice.lower().replace("`", "'") for choice in choices]
    )


def choices_alike(question: Question, folded: Sequence[str]) -> tuple[str, str] | None:
    """Two choices of a question whose folded forms are the same; None if all differ."""
    seen: dict[str, str] = {}
    for choice, form in zip(question.choices, folded, strict=True):
        other = seen.setdefault(form, choice)
        if other is not choice:
            return other, choice
    return None
