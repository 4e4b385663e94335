"""What makes a question unfit to ask, told field by field.

A question's fields are counted as its file has them: the prompt is field 1, the right
answer field 2, the wrong choices fields 3 and on. The reader of question files and the
survey of a game both ask here, so a fault has the same words in both.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from dicetrail.core.checking import all_differ, as_shown
from dicetrail.core.document import MOST_WRONG_CHOICES

LEAST_FIELDS = 3
MOST_FIELDS = 2 + MOST_WRONG_CHOICES


@dataclass(frozen=True, slots=True)
class FieldFault:
    """Why one field makes a question unfit, and how to mend it. Fields count from 1."""

    field: int
    what: str
    mend: str


def field_name(field: int) -> str:
    """What a field is for, in words: `field_name(3)` is ``wrong choice 1``."""
    return ("question", "right answer")[field - 1] if field < 3 else f"wrong choice {field - 2}"


def first_fault(fields: Sequence[str]) -> FieldFault | None:
    """The first fault of a question given as its fields, trimmed; None if it can be asked.

    >>> first_fault(["Which is a root?", "Carrot", "Pea"]) is None
    True
    >>> first_fault(["Which is a root?", "Carrot", "Carrot"]).what
    'wrong choice 1 is the same as the right answer, “Carrot”'
    """
    if LEAST_FIELDS <= len(fields) <= MOST_FIELDS and all(fields):
        choices = fields[1:]
        return None if all_differ(choices) else _repeated(choices)
    return _missing_or_extra(fields)


def _missing_or_extra(fields: Sequence[str]) -> FieldFault:
    if not fields or not fields[0]:
        return FieldFault(1, "the question is empty", "write the question in this field")
    if len(fields) >= 2 and not fields[1]:
        return FieldFault(2, "there is no right answer", "write the right answer in this field")
    if len(fields) < LEAST_FIELDS:
        found = "1 field" if len(fields) == 1 else f"{len(fields)} fields"
        return FieldFault(
            len(fields) + 1,
            f"only {found} where at least {LEAST_FIELDS} are expected: "
            f"{field_name(len(fields) + 1)} is missing",
            "give a question, its right answer and at least one wrong choice",
        )
    if len(fields) > MOST_FIELDS:
        return FieldFault(
            MOST_FIELDS + 1,
            f"{len(fields)} fields where at most {MOST_FIELDS} are expected",
            f"keep {MOST_WRONG_CHOICES} wrong choices, or put fields that hold the "
            "separator in double quotes",
        )
    empty = next(number for number, field in enumerate(fields, 1) if not field)
    return FieldFault(
        empty,
        f"{field_name(empty)} is empty though a later one is not",
        "write a wrong choice in this field, or close the gap",
    )


def _repeated(choices: Sequence[str]) -> FieldFault:
    seen: dict[str, int] = {}
    for field, choice in enumerate(choices, 2):
        first = seen.setdefault(as_shown(choice), field)
        if first == 2 and field > 2:
            return FieldFault(
                field,
                f"{field_name(field)} is the same as the right answer, “{choice}”",
                "write a choice that is wrong in this field",
            )
        if first != field:
            return FieldFault(
                field,
                f"{field_name(field)} is the same as {field_name(first)}, “{choice}”",
                "write another choice in this field, or leave it out",
            )
    raise AssertionError("asked only about choices of which two are alike")
