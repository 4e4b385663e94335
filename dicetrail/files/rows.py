"""Make a question of one row of a file by a plan, or say why it is not one.

The common layout (question, right answer, wrong choices) has its own, faster function. Any other
layout is read by the roles of its columns.
"""

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace
from itertools import zip_longest
from typing import Any

from dicetrail.core import PLAIN, Details, Kind, Needs, Question
from dicetrail.core.answers import LETTERS
from dicetrail.core.document import (
    ARRANGED,
    DETAILS,
    MAX_CHOICES,
    MIN_ARRANGED,
    Detail,
    Shows,
    Value,
    as_pair,
    pair_in,
    tidy_area,
    tidy_gap,
    tidy_pair,
    with_blanks,
)
from dicetrail.core.survey import FieldFault, first_fault
from dicetrail.files.arranged import gaps_of, pair_of, parted
from dicetrail.files.guessing import WORDED_KEY, keys_in, unmarked
from dicetrail.files.plan import (
    KIND_WORDS,
    LEVEL_WORDS,
    ROLE_OF_DETAIL,
    TRUTH_WORDS,
    Format,
    Plan,
    Role,
    Separator,
    options_in,
)
from dicetrail.files.sheets import Refusal, unguarded
from dicetrail.files.shown import shown_by

_SPACES = re.compile(r" {2,}")
_LETTERED = re.compile(r"\(?([A-La-l])[.):]\s+(.+)", re.DOTALL)
_ROLE_OF_FIELD = {
    "prompt": Role.QUESTION,
    "right": Role.RIGHT,
    "wrong": Role.WRONG,
    "replies": Role.REPLY,
    **ROLE_OF_DETAIL,
}


@dataclass(frozen=True, slots=True)
class RowRefused(Exception):
    """Why a row is no question: the role of the field, which one of that role, and words."""

    role: Role
    number: int
    what: str
    mend: str


def plain_question(cells: list[str], plan: Plan) -> Question:
    """A row of question, right answer and wrong choices, the common case, made fast."""
    together = "".join(cells)
    if "'" in together:
        cells = [unguarded(cell) for cell in cells]
    question = Question(cells[0], (*cells[1:2],), (*cells[2:],))
    if cells[-1][-5:-2].find(".") >= 0 and (shows := shown_by(cells[1:])) is not Shows.TEXT:
        question = replace(question, details=Details(shows=shows))
    is_whole = 3 <= len(cells) <= MAX_CHOICES + 1 and all(cells)
    # Of plain characters, single-spaced, what differs by value differs to the eye.
    is_ascii = together.isascii() and together.isprintable() and "  " not in together
    if is_whole and is_ascii and len(set(cells[1:])) == len(cells) - 1:
        return question
    if not any(cells[1:]) and (marked := with_blanks(cells[0])):
        question = Question(*marked, (), Kind.GAPS)
    if fault := first_fault(question):
        raise located(fault, cells, plan)
    return question


def planned_question(cells: list[str], plan: Plan) -> Question:
    """A row, read by the roles of its columns."""
    cells = [unguarded(cell) for cell in cells]
    if len(cells) > len(plan.columns):
        raise RowRefused(
            Role.IGNORED,
            len(cells),
            f"{len(cells)} fields where {len(plan.columns)} are expected",
            "leave out the last, or put fields that hold the separator in double quotes",
        )
    kind = _kind(_one(cells, plan, Role.KIND), plan)
    right, wrong = _answers(cells, plan, kind)
    prompt = _one(cells, plan, Role.QUESTION)
    # A text that marks its right words needs no answer besides.
    may_have_gaps = kind is Kind.GAPS or not (right or _one(cells, plan, Role.KIND))
    if may_have_gaps and (found := gaps_of(prompt, right, wrong, kind is Kind.GAPS)) is not None:
        kind, (prompt, right, wrong) = Kind.GAPS, found
        right = tuple(map(tidy_gap, right))
    if kind is Kind.PLACE:
        right, wrong = tuple(map(tidy_area, right)), tuple(map(tidy_area, wrong))
    details = _details(cells, plan)
    is_keyed = Role.KEY in plan.columns and ROLE_OF_DETAIL["needs"] not in plan.columns
    if len(right) > 1 and is_keyed and kind not in ARRANGED:
        details = replace(details, needs=Needs.ALL)
    replies = _replies(cells, plan, wrong)
    shows_files = (kind is Kind.CHOICE and wrong) or kind in ARRANGED
    if ROLE_OF_DETAIL["shows"] not in plan.columns and shows_files:
        offered = Question("", right, wrong, kind).choices
        details = replace(details, shows=shown_by(offered))
    question = Question(prompt, right, wrong, kind, details, replies)
    is_sorted = kind is Kind.SORT and not wrong
    fault = first_fault(replace(question, wrong=("other",)) if is_sorted else question)
    if fault:
        raise located(fault, cells, plan)
    return question


def _kind(word: str, plan: Plan) -> Kind:
    kind = KIND_WORDS.get(" ".join(re.split(r"[\s_-]+", word.lower()))) if word else plan.kind
    if kind is None:
        raise RowRefused(
            Role.KIND, 0, f"“{word}” is not a kind of question", f"write one of {', '.join(Kind)}"
        )
    return kind


def _answers(cells: list[str], plan: Plan, kind: Kind) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """The right and the wrong answers of a row."""
    if kind in ARRANGED:
        return _arranged(cells, plan, kind)
    right = _all(cells, plan, Role.RIGHT)
    if kind is Kind.GAPS and (options := _all(cells, plan, Role.OPTION)):
        return right, (*_unlettered(options), *_all(cells, plan, Role.WRONG))
    if kind is Kind.TRUTH:
        right = tuple(TRUTH_WORDS.get(word.lower(), word) for word in right)
    if Role.GROUP in plan.columns and kind is Kind.SORT:
        return _all(cells, plan, Role.GROUP) or right, _all(cells, plan, Role.WRONG)
    options = _all(cells, plan, Role.OPTION)
    if packed := _one(cells, plan, Role.OPTIONS):
        options += tuple(options_in(packed, plan.options_character))
    if not options:
        return right, _all(cells, plan, Role.WRONG)
    options = _unlettered(options)
    if Role.KEY in plan.columns:
        chosen = _options_named(_one(cells, plan, Role.KEY), options, plan.keys_from)
    elif right:
        return right, tuple(option for option in options if option not in right)
    else:
        marked = [place for place, option in enumerate(options) if unmarked(option)]
        options = tuple(unmarked(option) or option for option in options)
        chosen = [options[place] for place in marked] or list(options[:1])
    return tuple(chosen), _others(options, chosen)


def _arranged(cells: list[str], plan: Plan, kind: Kind) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """What a row has to be put in order, or its pairs and the partners that are left over.

    They stand in cells of their own, whatever these are called, or together in one.
    """
    named, wrong = _all(cells, plan, Role.RIGHT), _all(cells, plan, Role.WRONG)
    if Role.ITEM in plan.columns:
        items, partners = _all(cells, plan, Role.ITEM), _all(cells, plan, Role.PARTNER)
        sides = zip_longest(items, partners, fillvalue="")
        named = tuple(as_pair(item, partner) for item, partner in sides if item)
        return named, (*wrong, *partners[len(items) :])
    given = named
    if packed := _one(cells, plan, Role.OPTIONS):
        given += (packed,)
    given += _unlettered(_all(cells, plan, Role.OPTION))
    if len(given) == 1 and not wrong:
        given = parted(given[0], kind)
    if len(given) < MIN_ARRANGED or not plan.has_headings:
        # What the columns are was guessed, as if one of them held the right choice.
        given, named, wrong = given + wrong, (), ()
    if kind is Kind.ORDER:
        return _in_order(given, _one(cells, plan, Role.KEY)), wrong
    pairs = [(text, pair_of(text)) for text in given]
    has_pairs = any(pair for _, pair in pairs)
    left_over = [text for text, pair in pairs if has_pairs and not pair and text not in named]
    right = tuple(
        tidy_pair(text) if pair is None or pair_in(text) else as_pair(*pair)
        for text, pair in pairs
        if text not in left_over
    )
    return right, (*wrong, *left_over)


def _in_order(given: tuple[str, ...], key: str) -> tuple[str, ...]:
    """Several answers in the order that a key or the first of them tells, by letters or numbers;
    as they are if none does.

    >>> _in_order(("hoe", "sow", "reap"), "BAC"), _in_order(("B, A, C", "hoe", "sow", "reap"), "")
    (('sow', 'hoe', 'reap'), ('sow', 'hoe', 'reap'))
    """
    if not key:
        key, *rest = given or ("",)
        return _in_order(tuple(rest), key) if _places(key, len(rest)) else given
    places = _places(key, len(given))
    return tuple(given[place - 1] for place in places) if places else given


def _places(key: str, count: int) -> list[int]:
    """The places, from 1, of so many answers that a key tells, each once; none if it does not."""
    if not re.fullmatch(r"[A-La-l\d\s,;.>-]+", key):
        return []
    places = [
        LETTERS.index(one) + 1 if one.isalpha() else int(one)
        for one in re.findall(r"[A-L]|\d{1,2}", key.upper())
    ]
    return places if count > 1 and sorted(places) == list(range(1, count + 1)) else []


def _replies(cells: list[str], plan: Plan, wrong: Sequence[str]) -> tuple[str, ...]:
    """The reply to each wrong choice: the one with the number of the choice, or of the option."""
    given = _all(cells, plan, Role.REPLY)
    if not given:
        return ()
    offered = _all(cells, plan, Role.OPTION)
    if not offered:
        return given
    by_choice = dict(zip(offered, given, strict=False))
    found = [by_choice.get(choice, "") for choice in wrong]
    while found and not found[-1]:
        found.pop()
    return tuple(found)


def _others(options: Sequence[str], chosen: Sequence[str]) -> tuple[str, ...]:
    left = list(options)
    for one in chosen:
        left.remove(one)
    return tuple(left)


def _options_named(key: str, options: Sequence[str], first: int) -> list[str]:
    """The options a key names: one by its words, or several by letters or numbers, which
    count from `first`."""
    if key not in options and (worded := WORDED_KEY.fullmatch(key[:60])):
        key = worded[1]
    keys = keys_in(key)
    if key in options or len(keys) < 2:
        return [_option_named(key, options, first)]
    named = (_option_named(one, options, first) for one in keys)
    return list(dict.fromkeys(named))


def _option_named(key: str, options: Sequence[str], first: int) -> str:
    """The option a key names, by its words, its letter or its number."""
    if not key:
        raise RowRefused(Role.KEY, 0, "there is no key to the right option", "write its letter")
    if key in options:
        return key
    place = ord(key.upper()) - ord("A") if len(key) == 1 and key.isalpha() else -1
    if key.isdecimal() and len(key) < 4:
        place = int(key) - first
    if not 0 <= place < len(options):
        raise RowRefused(
            Role.KEY,
            0,
            f"the key “{key}” points at none of the {len(options)} options",
            "write the letter, the number or the words of one of them",
        )
    return options[place]


def _unlettered(options: tuple[str, ...]) -> tuple[str, ...]:
    """The options without letters of their own (``A. Carrot``), if all carry them in order."""
    found = [_LETTERED.fullmatch(option) for option in options]
    letters = "".join(match[1].upper() for match in found if match)
    if len(options) < 2 or letters != LETTERS[: len(options)]:
        return options
    return tuple(match[2].strip() for match in found if match)


def _details(cells: list[str], plan: Plan) -> Details:
    given = {}
    for detail in DETAILS:
        role = ROLE_OF_DETAIL[detail.field]
        if word := _one(cells, plan, role):
            given[detail.field] = _read(word, role, detail)
    return Details(**given) if given else PLAIN


def _read(word: str, role: Role, detail: Detail) -> Any:
    """The value of a detail: a text, a number, or one of a few words."""
    if detail.is_number:
        by_word = LEVEL_WORDS.get(word.lower()) if detail.field == "level" else None
        return by_word or _whole(word, role)
    return word if detail.values is None else _chosen(word, role, detail.values)


def _chosen(word: str, role: Role, words: type[Value]) -> Value:
    """One word of a few, in any capitals."""
    try:
        return words(word.lower())
    except ValueError:
        mend = f"write one of {', '.join(words)}"
        raise RowRefused(role, 0, f"“{word}” cannot stand under “{role}”", mend) from None


def _whole(word: str, role: Role) -> int:
    if not re.fullmatch(r"[-+]?\d{1,12}", word):
        raise RowRefused(role, 0, f"“{word}” is not a whole number", "write one, or nothing")
    return int(word)


def _one(cells: Sequence[str], plan: Plan, role: Role) -> str:
    return next(iter(_all(cells, plan, role)), "")


def _all(cells: Sequence[str], plan: Plan, role: Role) -> tuple[str, ...]:
    """The fields of the columns of a role, without the empty ones at the end."""
    found = [cell for cell, its in zip(cells, plan.columns, strict=False) if its is role]
    while found and not found[-1]:
        found.pop()
    return tuple(found)


def located(fault: FieldFault, cells: Sequence[str], plan: Plan) -> RowRefused:
    """The fault of a question's field as the fault of a row's."""
    role = _ROLE_OF_FIELD[fault.field]
    if role in (Role.RIGHT, Role.WRONG) and len(cells) < 3 and plan.is_plain:
        found = "1 field" if len(cells) == 1 else f"{len(cells)} fields"
        missing = "the right answer" if len(cells) == 1 else "wrong choice 1"
        return RowRefused(
            Role.IGNORED,
            len(cells) + 1,
            f"only {found} where at least 3 are expected: {missing} is missing",
            "give a question, its right answer and at least one wrong choice",
        )
    if role not in plan.columns:
        role = next(
            (r for r in (Role.GROUP, Role.KEY, Role.OPTIONS, Role.PARTNER) if r in plan.columns),
            role,
        )
    return RowRefused(role, fault.number, fault.what, fault.mend)


def refusal(fault: RowRefused, cells: Sequence[str], line: int, plan: Plan) -> Refusal:
    """A rejected row: its line, its fault, and its fields."""
    text = plan.separator.character.join(cells)
    kept = tuple(cells)
    spaced = plan.separator is Separator.TAB and plan.format is Format.TABLE
    if spaced and len(cells) < len(plan.columns) and _SPACES.search(cells[-1]):
        what, mend = "spaces stand where a tab should be", "put a tab between the fields"
        return Refusal(line, len(cells), what, mend, text, kept)
    return Refusal(line, _column(fault, plan), fault.what, fault.mend, text, kept)


def _column(fault: RowRefused, plan: Plan) -> int:
    """The number, from 1, of the column a fault is in."""
    if fault.role is Role.IGNORED:
        return fault.number
    places = [place for place, role in enumerate(plan.columns, 1) if role is fault.role]
    if not places:
        return 1
    beyond = fault.number - len(places) + 1
    return places[fault.number] if beyond <= 0 else places[-1] + beyond
