"""A first plan for a file, guessed from its name, its headings and its first rows."""

import io
import re
from collections import Counter
from collections.abc import Sequence
from itertools import islice

from dicetrail.core import Kind
from dicetrail.core.answers import read_number
from dicetrail.core.document import DETAILS
from dicetrail.files.plan import ROLE_OF_DETAIL, Plan, Role, Separator
from dicetrail.files.sheets import MOST_COLUMNS, Rows, unguarded
from dicetrail.files.text import FileProblem

LOOKED_AT = 200
"""How many rows are looked at."""

MOST_GROUPS = 8
TRUTH_WORDS = {
    **dict.fromkeys(("true", "t", "yes", "y"), "true"),
    **dict.fromkeys(("false", "f", "no", "n"), "false"),
}
OPTION_SIGNS = ("|", ";", "/", ",")

_SEVERAL = {Role.RIGHT, Role.WRONG, Role.OPTION, Role.IGNORED}
"""The roles that several columns can have."""
_SPACES = re.compile(r" {2,}")
_KEY = re.compile(r"[A-La-l1-9]|1[0-2]")
_NUMBERED = r"[ _-]*(\d+|[a-l])?"
_HEADINGS: tuple[tuple[Role, str], ...] = (
    (Role.KIND, r"kind|type"),
    *(
        (ROLE_OF_DETAIL[detail.field], "|".join((detail.heading, *detail.told.also)))
        for detail in DETAILS
    ),
    (Role.GROUP, r"group|list|belongs to"),
    (Role.OPTIONS, r"options|choices|answers"),
    (Role.QUESTION, r"(the )?(question|prompt|item)s?"),
    (Role.KEY, r"key|(right|correct) (letter|option|choice|number)"),
    (Role.RIGHT, rf"((right|correct) )?answer{_NUMBERED}|right|correct|also (right|accepted)"),
    (Role.WRONG, rf"(wrong|false|incorrect|other)( (choice|answer|option))?{_NUMBERED}"),
    (Role.WRONG, rf"distractor{_NUMBERED}"),
    (Role.OPTION, rf"(option|choice){_NUMBERED}|[a-h]"),
)


def guess_separator(text: str) -> Separator:
    """The separator that splits most rows into several fields; the first in doubt.

    Raises FileProblem if spaces stand where tabs should be.
    """
    lines = io.StringIO(text, newline=None)
    sample = list(islice(filter(str.strip, lines), LOOKED_AT))
    for least in (3, 2):
        split = {
            separator: sum(line.count(separator.sign) + 1 >= least for line in sample)
            for separator in Separator
        }
        best = max(Separator, key=lambda separator: split[separator])
        spaced = sum(
            "\t" not in line and len(_SPACES.split(line.strip())) >= least for line in sample
        )
        if spaced > split[best] and 2 * spaced >= len(sample):
            raise FileProblem(
                "line 1",
                "spaces stand between the fields where tabs should be",
                "have your editor put a real tab between the fields (often an option called "
                "“insert spaces for tabs” must be off), or separate them with commas",
            )
        if 2 * split[best] >= len(sample):
            return best
    return max(Separator, key=lambda separator: split[separator])


def guess_columns(rows: Rows, plan: Plan) -> Plan:
    """The plan with its headings, columns and kind filled in from the first rows."""
    sample = [
        cells
        for cells in islice(([unguarded(cell.strip()) for cell in row] for row in rows), LOOKED_AT)
        if any(cells)
    ]
    width = max((len(cells) for cells in sample), default=0)
    if width > MOST_COLUMNS:
        raise FileProblem(
            "line 1",
            f"{width:,} columns, and at most {MOST_COLUMNS} are read",
            "check which sign separates the fields, or leave columns out",
        )
    has_headings = bool(sample) and _is_heading(sample[0])
    body = sample[1:] if has_headings else sample
    columns = [_values(body, column) for column in range(width)]
    roles = (
        _roles_from_headings(sample[0], columns) if has_headings else _roles_from_values(columns)
    )
    packed = columns[roles.index(Role.OPTIONS)] if Role.OPTIONS in roles else ()
    return Plan(
        plan.format,
        plan.encoding,
        plan.separator,
        has_headings,
        tuple(roles),
        _kind(roles, columns),
        _options_sign(packed) or ";",
    )


def _is_heading(cells: Sequence[str]) -> bool:
    """Whether a first row names its columns: most of its fields are names of columns."""
    filled = [cell for cell in cells if cell]
    named = [cell for cell in filled if _heading_role(cell) is not None]
    is_worded = any(len(cell) > 1 for cell in named)  # a letter alone may be an answer
    return len(filled) > 1 and is_worded and 2 * len(named) > len(filled)


def _refuse_twice_named(headings: Sequence[str], roles: Sequence[Role]) -> None:
    """Raise FileProblem if two columns are said to hold what only one can."""
    for place, role in enumerate(roles):
        if role in _SEVERAL or role not in roles[:place]:
            continue
        first = roles.index(role)
        raise FileProblem(
            f"line 1, column {place + 1}",
            f"“{headings[place]}” names the {role} again, after column {first + 1}",
            "name one of the two columns otherwise",
        )


def _heading_role(cell: str) -> Role | None:
    words = re.sub(r"[_\s-]+", " ", cell.strip().lower())
    return next((role for role, form in _HEADINGS if re.fullmatch(form, words)), None)


def _values(body: Sequence[Sequence[str]], column: int) -> list[str]:
    return [cells[column] for cells in body if column < len(cells) and cells[column]]


def _roles_from_headings(headings: Sequence[str], columns: Sequence[list[str]]) -> list[Role]:
    roles = [_heading_role(heading) or Role.IGNORED for heading in headings]
    beyond = roles[-1] if roles[-1] in (Role.WRONG, Role.OPTION) else Role.IGNORED
    roles += [beyond] * (len(columns) - len(roles))
    if Role.QUESTION not in roles:
        roles[0] = Role.QUESTION
    _refuse_twice_named(headings, roles[: len(headings)])
    options = [place for place, role in enumerate(roles) if role is Role.OPTION]
    if options and Role.RIGHT in roles and Role.KEY not in roles:
        right = roles.index(Role.RIGHT)
        keys = columns[right]
        texts = {text for place in options for text in columns[place]}
        if keys and all(_KEY.fullmatch(key) or key in texts for key in keys):
            roles[right] = Role.KEY
        else:
            roles = [Role.WRONG if role is Role.OPTION else role for role in roles]
    elif options and Role.KEY not in roles:
        roles[options[0]] = Role.RIGHT
        roles = [Role.WRONG if role is Role.OPTION else role for role in roles]
    return roles


def _roles_from_values(columns: Sequence[list[str]]) -> list[Role]:
    width = len(columns)
    if width == 2:
        if _options_sign(columns[1]):
            return [Role.QUESTION, Role.OPTIONS]
        return [Role.QUESTION, Role.GROUP if _are_groups(columns[1]) else Role.RIGHT]
    if width == 3 and _options_sign(columns[1]):
        return [Role.QUESTION, Role.OPTIONS, Role.KEY]
    for key, options in ((width - 1, range(1, width - 1)), (1, range(2, width))):
        if width >= 4 and columns[key] and all(map(_KEY.fullmatch, columns[key])):
            roles = [Role.QUESTION] + [Role.OPTION] * (width - 1)
            lengths = [len(text) for place in options for text in columns[place]]
            if max(lengths, default=0) > 1:
                roles[key] = Role.KEY
                return roles
    return [Role.QUESTION, Role.RIGHT, *[Role.WRONG] * (width - 2)][:width]


def _are_groups(values: Sequence[str]) -> bool:
    """Whether the second column names a few groups, each of several items."""
    times = Counter(values)
    return (
        1 < len(times) <= MOST_GROUPS
        and min(times.values()) > 1
        and len(values) >= 2 * len(times)
        and not set(map(str.lower, times)) <= set(TRUTH_WORDS)
        and any(read_number(value) is None for value in times)
    )


def _options_sign(values: Sequence[str]) -> str | None:
    """The sign that splits each cell into two options or more."""
    return next(
        (
            sign
            for sign in OPTION_SIGNS
            if values
            and all(len(value.split(sign)) > (2 if sign in "/," else 1) for value in values)
        ),
        None,
    )


def _kind(roles: Sequence[Role], columns: Sequence[list[str]]) -> Kind:
    if Role.GROUP in roles:
        return Kind.SORT
    if {Role.WRONG, Role.OPTION, Role.OPTIONS} & set(roles):
        return Kind.CHOICE
    answers = columns[roles.index(Role.RIGHT)] if Role.RIGHT in roles else []
    if answers and all(answer.lower() in TRUTH_WORDS for answer in answers):
        return Kind.TRUTH
    if answers and all(read_number(answer) is not None for answer in answers):
        return Kind.NUMBER
    return Kind.TYPED
