"""Problems of the patterns of a round, found before any question is made."""

from collections.abc import Iterator
from fractions import Fraction

from dicetrail.core.answers import fold, tolerance_of
from dicetrail.core.document import (
    Details,
    Facts,
    Leaves,
    Made,
    Pattern,
    Problem,
    Round,
    Shows,
    columns_in,
    counted,
    warning,
)
from dicetrail.core.draw import MAX_FACTS, FactQuestions, Packs, comparison_key, questions_from
from dicetrail.core.survey.question_faults import scale_fault

_SHOWN = 3


def pattern_problems(where: str, round_: Round, number: int, packs: Packs) -> Iterator[Problem]:
    """Every problem of one pattern of a round."""
    pattern = round_.patterns[number]
    place = f"{where}.patterns[{number}]"
    pack = packs.get(pattern.facts)
    if pack is None:
        what = f"there are no facts “{pattern.facts}”"
        yield Problem(f"{place}.facts", what, "choose other facts at Load")
        return
    if pack.facts is None:
        what = f"“{pack.title}” holds questions, not facts"
        yield Problem(f"{place}.facts", what, "choose facts, or load its file as facts")
        return
    if len(pack.facts.rows) > MAX_FACTS:
        what = f"“{pack.title}” has {len(pack.facts.rows):,} rows"
        yield Problem(f"{place}.facts", what, f"have {MAX_FACTS:,} at most")
        return
    yield from _columns_alike(f"{place}.facts", pack.title, pack.facts)
    unknown = list(_unknown_columns(place, pattern, pack.facts))
    yield from unknown
    if not unknown:
        made = questions_from(pattern, pack.facts, round_.check.decimal_mark)
        yield from _prompt_problems(place, pattern, made)
        yield from _made_problems(place, pack.title, made)
        yield from _choice_problems(place, round_, made)
        yield from _number_problems(place, made)


def _columns_alike(where: str, title: str, facts: Facts) -> Iterator[Problem]:
    """Warnings about columns with the same name (a pattern takes the first) and columns without a
    name."""
    first: dict[str, int] = {}
    for number, name in enumerate(facts.columns, 1):
        if not name.strip():
            what = f"column {number} of “{title}” has no name"
            yield warning(where, what, "name it where its facts are edited")
        elif (before := first.setdefault(fold(name), number)) != number:
            what = f"columns {before} and {number} of “{title}” are both called “{name.strip()}”"
            mend = "name one otherwise where its facts are edited: patterns take the first"
            yield warning(where, what, mend)


def _columns_named(pattern: Pattern) -> Iterator[tuple[str, str]]:
    """Every column that a pattern names, by the field that names it."""
    yield from (("prompt", name) for name in columns_in(pattern.prompt))
    yield "answer", pattern.answer
    if pattern.made in (*_ARRANGED, Made.PLACE):
        yield "by", pattern.by
    if pattern.made is Made.PLACE and not pattern.picture:
        yield "picture", ""
    yield from ((f"also[{at}]", name) for at, name in enumerate(pattern.also))
    yield from ((f"holds[{at}].column", holds.column) for at, holds in enumerate(pattern.holds))
    for field in ("near", "picture", "sound", "worth", "level", "note"):
        if name := getattr(pattern, field):
            yield field, name


def _unknown_columns(place: str, pattern: Pattern, facts: Facts) -> Iterator[Problem]:
    known = set(map(fold, facts.columns))
    for field, name in _columns_named(pattern):
        if fold(name) not in known:
            what = f"there is no column “{name}”" if name.strip() else "no column is chosen"
            there = ", ".join(f"“{column}”" for column in facts.columns[:8]) or "none"
            yield Problem(f"{place}.{field}", what, f"choose one of {there}")


def _prompt_problems(place: str, pattern: Pattern, made: FactQuestions) -> Iterator[Problem]:
    where = f"{place}.prompt"
    named = set(map(fold, columns_in(pattern.prompt)))
    if not pattern.prompt.strip():
        yield Problem(where, "the question is empty", "write it, with a column in braces")
    elif pattern.made in _ARRANGED and fold(pattern.by) in named:
        what = f"{{{pattern.by}}} in the question tells where an answer belongs"
        yield Problem(where, what, "name another column there, or none")
    elif fold(pattern.answer) in named and pattern.made not in _NAMES_IT:
        what = f"{{{pattern.answer}}} in the question gives the answer away"
        yield Problem(where, what, "name another column there, or ask for another")
    elif pattern.made is Made.GAPS and not named:
        what, mend = "no row has a gap of its own", "write a column of sentences in braces"
        yield Problem(where, what, mend)
    elif not (named or pattern.picture or pattern.sound or pattern.made in _ARRANGED):
        what = "every row asks the same"
        mend = "write a column in braces where the question is to name what the row holds"
        yield Problem(where, what, mend)
    else:
        told = [number for number in range(len(made)) if _tells(made, number)]
        if told:
            what = f"{counted(len(told), 'question')} give the answer away: {_prompts(made, told)}"
            yield warning(where, what, "ask with another column, or leave these rows out")


def _tells(made: FactQuestions, number: int) -> bool:
    """Whether a question contains one of its right answers as separate words."""
    is_place = made.pattern.made is Made.PLACE
    if made.pattern.shows is not Shows.TEXT or made.is_arranged or is_place:
        return False
    question = made[number]
    prompt = f" {comparison_key(question.prompt)} "
    return any(f" {comparison_key(answer)} " in prompt for answer in question.right)


def _made_problems(place: str, title: str, made: FactQuestions) -> Iterator[Problem]:
    if not made:
        what = f"no row of “{title}” makes a question"
        mend = "look at the columns named and at what rows must hold"
        yield Problem(place, what, mend)
    elif made.pattern.made in _UNFIT_WHY and made.unfit:
        rows = ", ".join(str(row + 1) for row in made.unfit[:_SHOWN])
        more = f" and {len(made.unfit) - _SHOWN} more" if len(made.unfit) > _SHOWN else ""
        why = _UNFIT_WHY[made.pattern.made].format(by=made.pattern.by)
        what = f"the answer {why} in row {rows}{more} of “{title}”"
        mend = {
            Made.ORDER: "write a number there, or leave the row out",
            Made.ESTIMATE: "write another, or choose another scale, step or tolerance",
            Made.MATCH: "name each item in one row, or leave the row out",
            Made.PLACE: "write rectangle 10 20 40 60, and leave a part of its picture free",
            Made.GAPS: "write it there as the question has it, or [mark the words] of the gaps",
        }.get(made.pattern.made, "write another, or have it typed")
        yield warning(place, what, mend)


_UNFIT_WHY = {
    Made.NUMBER: "is no number",
    Made.ESTIMATE: "is no number of the scale",
    Made.LETTERS: "is no word that fits letter by letter",
    Made.ORDER: "has no number in “{by}”, or stands there before,",
    Made.MATCH: "has nothing in “{by}” that belongs to it alone",
    Made.GAPS: "does not stand in the question",
    Made.PLACE: "has no area in “{by}” that can be missed",
}

_NAMES_IT = (Made.ORDER, Made.GAPS, Made.PLACE)
"""Where a question can name the answer and does not give it away."""

"""Why the answer of a row cannot be given in the wanted form."""


def _groups(made: FactQuestions) -> str:
    """Of what rows one question has one at most, counted."""
    pattern = made.pattern
    if pattern.made is Made.ORDER:
        return f"{counted(made.group_count, 'different number')} in “{pattern.by}”"
    return f"{counted(made.group_count, 'different answer')} in “{pattern.answer}”"


_ARRANGED = (Made.ORDER, Made.MATCH)


def _choice_problems(place: str, round_: Round, made: FactQuestions) -> Iterator[Problem]:
    pattern = made.pattern
    if pattern.made in _ARRANGED and 0 < made.group_count < pattern.choices:
        what, doing = f"there are {_groups(made)}, and {pattern.choices} are to be ", "put in order"
        if pattern.made is Made.MATCH:
            doing = "matched"
        mend = f"have fewer {doing}, or have more rows"
        yield warning(f"{place}.choices", what + doing, mend)
    if pattern.made is Made.ORDER and made and fold(pattern.answer) == fold(pattern.by):
        what = "the answers are the numbers by which they are put in order"
        yield warning(f"{place}.answer", what, "take the answers from another column")
    if pattern.made is Made.MATCH and made and fold(pattern.answer) == fold(pattern.by):
        what = "the answers are the items they are matched with"
        yield warning(f"{place}.answer", what, "take the answers from another column")
    if not (made.has_wrong and made):
        return
    wanted = pattern.choices - 1
    there = made.fewest_others()
    where, mend = f"{place}.choices", "offer fewer choices, or have more rows"
    if not there:
        what = "there is no other answer that could stand as a wrong choice"
        yield Problem(where, what, "have more rows, or have it typed")
    elif there < wanted:
        what = f"there are {counted(there, 'wrong choice')} where {wanted} are wanted"
        yield warning(where, what, mend)
    elif pattern.leaves is not Leaves.NONE:
        asked = len(made) if round_.draw.count is None else min(round_.draw.count, len(made))
        gone = (asked - 1) * (1 if pattern.leaves is Leaves.RIGHT else 2)
        if there - gone < wanted:
            what = f"rows leave, and towards the end there can be fewer than {wanted} wrong choices"
            yield warning(where, what, "ask fewer questions, or have more rows")


def _number_problems(place: str, made: FactQuestions) -> Iterator[Problem]:
    pattern = made.pattern
    if pattern.made is Made.ESTIMATE and made.scale is None and pattern.least and pattern.most:
        fault = scale_fault(Details(least=pattern.least, most=pattern.most, step=pattern.step))
        yield Problem(f"{place}.{fault.field}", fault.what, fault.mend)
    if pattern.made is Made.ESTIMATE or (pattern.made is Made.NUMBER and made):
        try:
            tolerance_of(pattern.tolerance, Fraction(1))
        except ValueError as error:
            mend = "write an amount such as 0.5, a share such as 2%, or nothing"
            yield Problem(f"{place}.tolerance", str(error), mend)
    for field, kind in (("worth", "points"), ("level", "a level, 1 to 5")):
        column = getattr(pattern, field)
        held = [made[number].details for number in range(len(made))] if column else []
        bad = [number for number, details in enumerate(held) if getattr(details, field) is None]
        if bad:
            rows = [row for number in bad for row in made.rows_of(number)[:1]]
            shown = ", ".join(str(row + 1) for row in rows[:_SHOWN])
            what = f"“{column}” is not {kind} in {counted(len(rows), 'row')}, such as {shown}"
            yield warning(f"{place}.{field}", what, "write whole numbers there")


def _prompts(made: FactQuestions, numbers: list[int]) -> str:
    return ", ".join(f"“{made[number].prompt}”" for number in numbers[:_SHOWN])
