"""Guess a first plan for a table from the contents of its columns and from its first row.

Structure comes before words: a row that names the columns is unlike the rows under it (no
question mark over questions, no number over numbers), and a question, a key, a numbering
or a topic is known by how its column is filled. What a heading says then settles the rest.
"""

import io
import re
from collections import Counter
from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import islice, pairwise
from statistics import median

from dicetrail.core import Kind, Shows
from dicetrail.core.answers import read_number
from dicetrail.core.document import ARRANGED, MIN_ARRANGED, around_gaps, pair_in, with_blanks
from dicetrail.files.arranged import gaps_of, parted
from dicetrail.files.headings import (
    LONGEST_HEADING,
    is_step,
    names_a_column,
    paired_with,
    role_named,
    says_order,
    says_right,
)
from dicetrail.files.plan import (
    KIND_WORDS,
    LETTERED,
    ROLE_OF_DETAIL,
    TRUTH_WORDS,
    WORDS_FOR_AND,
    Plan,
    Role,
    Separator,
    options_in,
)
from dicetrail.files.sheets import MAX_COLUMNS, Rows, unguarded
from dicetrail.files.shown import shown_by
from dicetrail.files.text import FileProblem

LOOKED_AT = 200
"""At most this many rows are examined."""

MAX_GROUPS = 8
_TOPIC = ROLE_OF_DETAIL["topic"]
OPTION_CHARACTERS = ("\n", "|", ";", "/", ",")

_SEVERAL = {Role.RIGHT, Role.WRONG, Role.REPLY, Role.OPTION, Role.IGNORED}
"""The roles that several columns can have."""
ANSWER_ROLES = {Role.RIGHT, Role.WRONG, Role.OPTION, Role.OPTIONS, Role.KEY, Role.GROUP}
_SPACES = re.compile(r" {2,}")
_LONGEST_KEYS = 40
_KEY = "([A-La-l1-9]|1[0-2])"
_KEYS = re.compile(rf"{_KEY}((\s*[,;&+/،؛、，；]\s*|\s+({WORDS_FOR_AND})\s*|\s+){_KEY})*")
_BETWEEN_KEYS = re.compile(
    rf"\s+(?:{'|'.join(word for word in WORDS_FOR_AND.split('|') if len(word) > 1)})\s+"
    rf"|\s+(?:{WORDS_FOR_AND})\s*(?=[A-L1-9])"
)
"""A word between two keys; one of a single letter is one only before a capital."""
WORDED_KEY = re.compile(
    r"(?:option|answer|choice|antwort|opción|respuesta|réponse)[\s_-]*([A-La-l]|1?\d)",
    re.IGNORECASE,
)
"""A key that names an option as its heading does."""
_NUMBERING = re.compile(r"[#(]?(?:no|nr|q|f)?\.?\s*(\d{1,6})[.):]?", re.IGNORECASE)
_SERIES = re.compile(r"(.*?)[\s_-]*(\d{1,2}|[A-La-l])\)?")
_ASKS = ("?", "？", "؟")
_MARKS = tuple("*✓✔✅")
_SAID_RIGHT = ("(right)", "(correct)", "(richtig)", "(correcto)", "(juste)")


def _even_separator(sample: Sequence[str]) -> Separator | None:
    """The one separator that every row has, and as often; None if there is none or several."""
    counts = {
        separator: {line.count(separator.character) for line in sample} for separator in Separator
    }
    even = [separator for separator, found in counts.items() if len(found) == 1 and 0 not in found]
    return even[0] if len(even) == 1 and len(sample) > 2 else None


def mark_gaps(sample: Sequence[str]) -> bool:
    """Whether most rows are sentences that mark the words of their gaps, and no table."""
    marked = sum(with_blanks(line) is not None for line in sample)
    return 3 * marked > 2 * len(sample) and not any("\t" in line.strip() for line in sample)


def guess_separator(text: str) -> Separator:
    """The separator that splits most rows into several fields; the first in doubt.

    Raises FileProblem if spaces stand where tabs should be.
    """
    lines = io.StringIO(text, newline=None)
    sample = list(islice(filter(str.strip, lines), LOOKED_AT))
    if sample and all("\t" in line.strip() for line in sample):
        return Separator.TAB  # nobody writes one in a sentence, or between options
    if mark_gaps(sample):
        return Separator.TAB
    if (even := _even_separator(sample)) is not None:
        return even
    for least in (3, 2):
        split = {
            separator: sum(line.count(separator.character) + 1 >= least for line in sample)
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


def keys_in(text: str) -> list[str]:
    """The letters or numbers of choices that a field names; none if it holds anything else.

    >>> keys_in("B"), keys_in("A, C"), keys_in("Carrot")
    (['B'], ['A', 'C'], [])
    """
    is_keys = len(text) <= _LONGEST_KEYS and _KEYS.fullmatch(text)
    return re.findall(r"[A-La-l]|\d+", _BETWEEN_KEYS.sub(" ", text)) if is_keys else []


@dataclass(frozen=True)
class ColumnFill:
    """Statistics of a column without its empty fields."""

    values: tuple[str, ...]

    @cached_property
    def asks(self) -> float:
        """The share of its fields that end as questions do."""
        return self._share(text.rstrip(" »”\"'").endswith(_ASKS) for text in self.values)

    @cached_property
    def length(self) -> float:
        """How long a field of it is, in characters, as half of them are."""
        return median(map(len, self.values)) if self.values else 0

    @cached_property
    def is_numbering(self) -> bool:
        """Whether it counts the rows."""
        found = [_NUMBERING.fullmatch(value) for value in self.values]
        if len(found) < 2 or not all(found):
            return False
        numbers = [int(match[1]) for match in found if match]
        return all(later == before + 1 for before, later in pairwise(numbers))

    @cached_property
    def holds_keys(self) -> bool:
        """Whether every field is the letter or number of a choice, or several of them."""
        return bool(self.values) and all(keys_in(value) for value in self.values)

    @cached_property
    def holds_truths(self) -> bool:
        """Whether every field says true or false."""
        return bool(self.values) and all(value.lower() in TRUTH_WORDS for value in self.values)

    @cached_property
    def holds_numbers(self) -> bool:
        """Whether every field is a number."""
        return bool(self.values) and all(read_number(value) is not None for value in self.values)

    @cached_property
    def holds_levels(self) -> bool:
        """Whether every field is a whole number from 1 to 5, and they recur."""
        return len(set(self.values)) * 2 <= len(self.values) and set(self.values) <= set("12345")

    @cached_property
    def recurs(self) -> bool:
        """Whether it says a few things again and again, each more than once."""
        times = Counter(self.values)
        return len(times) > 1 and min(times.values()) > 1 and len(self.values) >= 2 * len(times)

    def _share(self, characters: Iterable[bool]) -> float:
        return sum(characters) / len(self.values) if self.values else 0.0


def guess_columns(rows: Rows, plan: Plan, has_headings: bool | None = None) -> Plan:
    """The plan with its headings, columns and kind filled in from the first rows.

    `has_headings` says whether the first row names the columns; None has it guessed.
    """
    sample = [
        cells
        for cells in islice(([unguarded(cell.strip()) for cell in row] for row in rows), LOOKED_AT)
        if any(cells)
    ]
    width = max((len(cells) for cells in sample), default=0)
    if width > MAX_COLUMNS:
        raise FileProblem(
            "line 1",
            f"{width:,} columns, and at most {MAX_COLUMNS} are read",
            "check which character separates the fields, or leave columns out",
        )
    titles = _titles(sample)
    sample, plan = sample[titles:], replace(plan, titles=titles)
    if has_headings is not None:
        return planned(sample, has_headings and len(sample) > 0, plan)
    headed = _headed(sample, width)
    return planned(
        sample, headed.has_headings, replace(plan, why=headed.why, is_doubtful=headed.is_doubtful)
    )


def _titles(sample: Sequence[Sequence[str]]) -> int:
    """How many rows above a table are a title: one field filled, over rows of several."""
    filled = [sum(map(bool, cells)) for cells in sample]
    titles = next((place for place, count in enumerate(filled) if count > 1), 0)
    return titles if titles <= _MAX_TITLES and min(filled[titles:], default=0) > 1 else 0


_MAX_TITLES = 3


def planned(sample: Sequence[Sequence[str]], has_headings: bool, plan: Plan) -> Plan:
    """The plan of a table whose first row names its columns, or does not."""
    body = sample[1:] if has_headings else sample
    width = max((len(cells) for cells in sample), default=0)
    columns = _columns(body, width)
    if has_headings and (pairs := _paired_columns(sample[0])):
        return replace(
            plan,
            has_headings=True,
            columns=tuple(_roles_beside(pairs, sample[0], columns, body)),
            kind=Kind.MATCH,
        )
    roles = (
        _roles_from_headings(sample[0], columns, body)
        if has_headings
        else _roles_from_values(columns, range(width), body)
    )
    packed = columns[roles.index(Role.OPTIONS)] if Role.OPTIONS in roles else None
    if has_headings and _says_order(sample[0], roles):
        roles = [Role.RIGHT if role in _ANSWERS else role for role in roles]
        return replace(plan, has_headings=True, columns=tuple(roles), kind=Kind.ORDER)
    if _are_pairs(roles, body):
        roles = [Role.RIGHT if role in _ANSWERS else role for role in roles]
        return replace(plan, has_headings=has_headings, columns=tuple(roles), kind=Kind.MATCH)
    if (with_gaps := _roles_of_gaps(roles, body)) is not None:
        return replace(plan, has_headings=has_headings, columns=tuple(with_gaps), kind=Kind.GAPS)
    return replace(
        plan,
        has_headings=has_headings,
        columns=tuple(roles),
        kind=_kind(roles, columns),
        keys_from=_keys_from(roles, columns),
        options_character=(packed and _options_character(packed.values)) or ";",
    )


_ANSWERS = (Role.RIGHT, Role.WRONG, Role.OPTION, Role.OPTIONS, Role.KEY, Role.GROUP)
_NOT_ANSWERED = dict.fromkeys(_ANSWERS, Role.IGNORED)


def _paired_columns(headings: Sequence[str]) -> list[tuple[int, int]]:
    """The columns of items and of their partners, side by side; none unless two pairs have some."""
    places = range(len(headings) - 1)
    pairs = [(at, at + 1) for at in places if paired_with(headings[at], headings[at + 1])]
    return pairs if len(pairs) >= MIN_ARRANGED and len(headings) > 2 * len(pairs) else []


def _roles_beside(
    pairs: Sequence[tuple[int, int]],
    headings: Sequence[str],
    columns: Sequence[ColumnFill],
    body: Sequence[Sequence[str]],
) -> list[Role]:
    """The roles of columns of which some are pairs: the others have those their headings name."""
    paired = {place for pair in pairs for place in pair}
    bare = ["" if place in paired else heading for place, heading in enumerate(headings)]
    left = [ColumnFill(()) if at in paired else column for at, column in enumerate(columns)]
    roles = [_NOT_ANSWERED.get(role, role) for role in _roles_from_headings(bare, left, body)]
    for items, partners in pairs:
        roles[items], roles[partners] = Role.ITEM, Role.PARTNER
    if Role.QUESTION not in roles:
        roles[roles.index(Role.IGNORED)] = Role.QUESTION
    return roles


def _says_order(headings: Sequence[str], roles: Sequence[Role]) -> bool:
    """Whether the headings of the answers say that they stand in order: ``step 1``, ``step 2``."""
    if Role.KIND in roles:
        return False
    asked = [
        heading
        for heading, role in zip(headings, roles, strict=False)
        if role in (*_ANSWERS, Role.IGNORED)
    ]
    return any(map(says_order, asked)) and (len(asked) == 1 or all(map(is_step, asked)))


def _are_pairs(roles: Sequence[Role], body: Sequence[Sequence[str]]) -> bool:
    """Whether the answers of every row are pairs to match, two at least: ``bee = honey``."""
    if Role.KIND in roles or not body:
        return False
    places = [place for place, role in enumerate(roles) if role in _ANSWERS]
    return all(
        len(pairs) > 1 and all(map(pair_in, pairs))
        for cells in body
        for given in [[cells[place] for place in places if place < len(cells) and cells[place]]]
        for pairs in [parted(given[0], Kind.MATCH) if len(given) == 1 else given]
    )


def _roles_of_gaps(roles: Sequence[Role], body: Sequence[Sequence[str]]) -> list[Role] | None:
    """The roles of columns if every row is a text that marks the words of its gaps, or one of
    several blanks with an answer for each; None if one is not."""
    if Role.KIND in roles or Role.QUESTION not in roles or not body:
        return None
    answers = [Role.RIGHT if role in _ANSWERS else role for role in roles]
    if all(_is_for_gaps(cells, roles) for cells in body):
        return list(roles)  # with the right answers named, so that wrong ones are left over
    return answers if all(_is_for_gaps(cells, answers) for cells in body) else None


def _is_for_gaps(cells: Sequence[str], roles: Sequence[Role]) -> bool:
    """Whether the right answers of a row fill the gaps of its text, with none left over."""
    by_role = [(role, cell) for role, cell in zip(roles, cells, strict=False) if cell]
    prompt = next((cell for role, cell in by_role if role is Role.QUESTION), "")
    right = tuple(cell for role, cell in by_role if role is Role.RIGHT)
    others = any(role in _ANSWERS for role, _ in by_role if role not in (Role.RIGHT, Role.WRONG))
    found, blanks = gaps_of(prompt, right), len(around_gaps(prompt)) - 1
    # One that fills several blanks beside others that may: those are choices.
    is_picked = len(right) == 1 and blanks > 1 and any(role is Role.WRONG for role, _ in by_role)
    return found is not None and blanks != 1 and not (found[2] or others or is_picked)


def _keys_from(roles: Sequence[Role], columns: Sequence[ColumnFill]) -> int:
    key = columns[roles.index(Role.KEY)] if Role.KEY in roles else ColumnFill(())
    return 0 if "0" in key.values else 1


def _columns(body: Sequence[Sequence[str]], width: int) -> list[ColumnFill]:
    return [
        ColumnFill(tuple(cells[place] for cells in body if place < len(cells) and cells[place]))
        for place in range(width)
    ]


@dataclass(frozen=True, slots=True)
class Headed:
    """Whether the first row names the columns, why it seems so, and whether it may not."""

    has_headings: bool
    why: str
    is_doubtful: bool


_SURE, _LIKELY = 2.5, 1.5
_TOLD = 2
"""At most this many reasons are given, the strongest first."""


def _headed(sample: Sequence[Sequence[str]], width: int) -> Headed:
    if not sample:
        return Headed(False, "", False)
    characters = list(_characters(sample[0], _columns(sample[1:], width)))
    weight = sum(character for character, _ in characters)
    has_headings = weight >= _LIKELY
    telling = [
        (abs(character), words)
        for character, words in characters
        if (character > 0) is has_headings
    ]
    telling.sort(key=lambda told: -told[0])
    why = "; ".join([words for _, words in telling][:_TOLD])
    if has_headings:
        why = f"The first row names the columns: {why}."
    elif why:
        why = f"The first row is a question like the others: {why}."
    is_doubtful = 0.5 <= weight < _SURE
    return Headed(has_headings, why, is_doubtful)


def _characters(first: Sequence[str], under: Sequence[ColumnFill]) -> Iterator[tuple[float, str]]:
    """The reasons for a first row of headings (above 0) and against it, each with its weight."""
    filled = [cell for cell in first if cell]
    named = [cell for cell in filled if names_a_column(cell)]
    if any(len(cell) > 1 for cell in named):
        names = " and ".join(f"“{cell}”" for cell in named[:2])
        if len(filled) > 1 and 2 * len(named) > len(filled):
            yield 3.0, f"{names} are such names" if len(named) > 1 else f"{names} is such a name"
        elif len(filled) > 1:
            yield 1.0, f"{names} could be such a name"
    if _are_initials(first):
        yield 5.0, "they are the initials of question and answer"
    if stem := _series(filled):
        yield 2.0, f"“{stem}” is counted on from column to column"
    if any(len(cell) > LONGEST_HEADING for cell in filled):
        yield -1.5, "a field of it is long"
    for number, (cell, column) in enumerate(zip(first, under, strict=False), 1):
        if cell and column.values:
            yield from _contrast(cell, column, f"column {number}")
    if not any(column.values for column in under) and any(cell.endswith(_ASKS) for cell in filled):
        yield -3.0, "it asks something"


def _are_initials(first: Sequence[str]) -> bool:
    """Whether the first two fields are the initials of question and answer in some language."""
    return tuple(map(str.casefold, first[:2])) in _INITIALS


_INITIALS = {("q", "a"), ("f", "a"), ("p", "r"), ("q", "r"), ("d", "r"), ("v", "a"), ("п", "в")}


def _contrast(cell: str, under: ColumnFill, where: str) -> Iterator[tuple[float, str]]:
    """How a field of the first row differs from the fields under it."""
    asks = cell.endswith(_ASKS)
    if asks:
        yield (-3.0 if under.asks >= 0.5 else -1.5), f"{where} asks something in it"
    elif under.asks >= 0.6 and len(under.values) > 1:
        yield 2.0, f"{where} has questions under it, and “{cell}” asks nothing"
    if cell in under.values:
        yield -3.0, f"“{cell}” stands in {where} again"
    kinds = (
        (under.holds_truths, cell.lower() in TRUTH_WORDS, "true or false"),
        (under.holds_keys, ColumnFill((cell,)).holds_keys, "keys to choices"),
        (under.holds_numbers, read_number(cell) is not None, "numbers"),
    )
    for is_so, is_like_it, words in kinds:
        if is_so and len(under.values) > 1:
            if is_like_it:
                yield -2.0, f"{where} holds {words} from the first row on"
            else:
                yield 2.0, f"{where} has {words} under “{cell}”"
            break
    if under.recurs and cell not in under.values and len(cell) <= LONGEST_HEADING and not asks:
        yield 1.0, f"what stands under “{cell}” recurs, and it does not"
    if under.length >= 20 and under.length >= 2.5 * len(cell):
        yield 1.0, f"“{cell}” is far shorter than what stands under it"
    lower = sum(value[:1].islower() for value in under.values)
    if cell[:1].isupper() and lower >= 0.8 * len(under.values) > 1:
        yield 0.6, f"“{cell}” alone of its column begins with a capital"


def _series(cells: Sequence[str]) -> str | None:
    """The common start of several fields that are numbered or lettered: ``Antwort A``, ``Antwort
    B``."""
    stems: dict[str, list[str]] = {}
    for cell in cells:
        if len(cell) <= LONGEST_HEADING and (found := _SERIES.fullmatch(cell)):
            stems.setdefault(found[1].strip(), []).append(found[2].lower())
    for stem, ends in stems.items():
        counted_on = all(ord(b[-1]) - ord(a[-1]) in (1, -9) for a, b in pairwise(ends))
        if stem and len(ends) > 1 and counted_on:
            return stem
    return None


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


def _roles_from_headings(
    headings: Sequence[str], columns: Sequence[ColumnFill], body: Sequence[Sequence[str]]
) -> list[Role]:
    if _are_initials(headings):
        headings = ("question", "answer", *headings[2:])
    named = [role_named(heading) for heading in headings]
    named += [None] * (len(columns) - len(named))
    if not set(named) & ANSWER_ROLES and named.count(Role.QUESTION) != 1:
        by_values = _roles_from_values(columns, range(len(columns)), body)
        return [
            role if role and role not in (Role.QUESTION, *ANSWER_ROLES) else by_values[place]
            for place, role in enumerate(named)
        ]
    named = _told_apart(named, columns)
    if Role.QUESTION not in named:
        free = [place for place, role in enumerate(named) if role in (None, Role.IGNORED)]
        asked = max(free, key=lambda place: (columns[place].asks, -place), default=0)
        named[asked] = Role.QUESTION
    unnamed = [place for place, role in enumerate(named) if role is None and columns[place].values]
    if not set(named) & ANSWER_ROLES and unnamed:
        for place, role in zip(unnamed, _answers_from_values(columns, unnamed, body), strict=True):
            named[place] = role
    if not set(named) & ANSWER_ROLES and _TOPIC in named:
        topic = named.index(_TOPIC)
        if _are_groups(columns[topic]):
            named[topic] = Role.GROUP  # nothing else answers: the topic is what is asked for
    rights = [place for place, role in enumerate(named) if role in (Role.RIGHT, Role.KEY)]
    chosen = {Role.WRONG, Role.OPTION, Role.OPTIONS} & set(named)
    if rights and not chosen and _series([headings[n] for n in unnamed if n < len(headings)]):
        for place in unnamed:
            named[place] = Role.WRONG
    are_options = len(rights) == 1 and not chosen and len(unnamed) > 1
    if are_options and _points_at(columns[rights[0]], rights[0], unnamed, body):
        for place in unnamed:
            named[place] = Role.OPTION
    last = named[len(headings) - 1]
    beyond = last if last in (Role.WRONG, Role.OPTION) else Role.IGNORED
    roles = [
        role or (beyond if place >= len(headings) else Role.IGNORED)
        for place, role in enumerate(named)
    ]
    _refuse_twice_named(headings, roles[: len(headings)])
    return _settled(roles, headings, columns, body)


def _told_apart(named: Sequence[Role | None], columns: Sequence[ColumnFill]) -> list[Role | None]:
    """The roles with a numbering that is called a question or an item told as what it is."""
    asked = [place for place, role in enumerate(named) if role is Role.QUESTION]
    told = list(named)
    if len(asked) > 1:
        kept = max(asked, key=lambda place: (columns[place].asks, columns[place].length))
        for place in asked:
            if place != kept and (columns[place].is_numbering or not columns[place].values):
                told[place] = Role.IGNORED
    return told


def _settled(
    roles: list[Role],
    headings: Sequence[str],
    columns: Sequence[ColumnFill],
    body: Sequence[Sequence[str]],
) -> list[Role]:
    """The roles with options told apart into right and wrong ones where nothing else tells."""
    options = [place for place, role in enumerate(roles) if role is Role.OPTION]
    packed = [place for place, role in enumerate(roles) if role is Role.OPTIONS]
    rights = [place for place, role in enumerate(roles) if role is Role.RIGHT]
    said = [n for n in rights if n < len(headings) and says_right(headings[n])]
    open_ones = [place for place in rights if place not in said]
    if len(said) == 1 and len(open_ones) > 1 and not options and Role.WRONG not in roles:
        points = _points_at(columns[said[0]], said[0], open_ones, body)
        for place in open_ones:
            roles[place] = Role.OPTION if points else Role.WRONG
        roles[said[0]] = Role.KEY if points else Role.RIGHT
        return roles
    if Role.KEY in roles and len(rights) > 1 and not options and Role.WRONG not in roles:
        return [Role.OPTION if role is Role.RIGHT else role for role in roles]
    if Role.KEY in roles and not options and not packed:
        key = roles.index(Role.KEY)
        if rights and columns[key].holds_keys and Role.WRONG in roles:
            return [Role.OPTION if role in (Role.RIGHT, Role.WRONG) else role for role in roles]
        roles[key] = Role.IGNORED if rights else Role.RIGHT
        return roles
    if options and len(rights) == 1 and Role.KEY not in roles:
        if _points_at(columns[rights[0]], rights[0], options, body):
            roles[rights[0]] = Role.KEY
            return roles
        return [Role.WRONG if role is Role.OPTION else role for role in roles]
    if packed and len(rights) == 1 and columns[rights[0]].holds_keys:
        roles[rights[0]] = Role.KEY
        return roles
    are_said = any(says_right(headings[place]) for place in rights if place < len(headings))
    if len(rights) > 2 and not options and Role.WRONG not in roles and not are_said:
        if _are_marked(rights, body):
            return [Role.OPTION if role is Role.RIGHT else role for role in roles]
        return [
            Role.WRONG if role is Role.RIGHT and place != rights[0] else role
            for place, role in enumerate(roles)
        ]
    if options and Role.KEY not in roles and not _are_marked(options, body):
        roles[options[0]] = Role.RIGHT
        return [Role.WRONG if role is Role.OPTION else role for role in roles]
    return roles


def _points_at(
    column: ColumnFill, place: int, options: Sequence[int], body: Sequence[Sequence[str]]
) -> bool:
    """Whether the fields of a column name one of the options of their row."""
    if not column.values:
        return False
    if column.holds_keys or _counts_from_0(column, options):
        return True
    rows = [cells for cells in body if place < len(cells) and cells[place]]
    named = sum(
        cells[place] in [cells[option] for option in options if option < len(cells)]
        or bool(keys_in(cells[place]))
        or WORDED_KEY.fullmatch(cells[place][:60]) is not None
        for cells in rows
    )
    return 10 * named >= 9 * len(rows)


def _counts_from_0(column: ColumnFill, options: Sequence[int]) -> bool:
    """Whether a column holds the numbers of options that count from 0."""
    said = set(column.values)
    return "0" in said and said <= {str(number) for number in range(len(options))}


def _are_marked(options: Sequence[int], body: Sequence[Sequence[str]]) -> bool:
    """Whether in every row some of the options are marked as right, and not all."""
    rows = [
        [cells[place] for place in options if place < len(cells) and cells[place]] for cells in body
    ]
    return bool(rows) and all(
        0 < sum(unmarked(option) is not None for option in row) < len(row) for row in rows
    )


def unmarked(option: str) -> str | None:
    """An option without the mark that says it is right; None if it has none.

    >>> unmarked("* Carrot"), unmarked("Carrot (correct)"), unmarked("Carrot")
    ('Carrot', 'Carrot', None)
    """
    if option.startswith(_MARKS):
        return option[1:].strip() or None
    if option.endswith(_MARKS):
        return option[:-1].strip() or None
    said = next((words for words in _SAID_RIGHT if option.lower().endswith(words)), None)
    return option[: -len(said)].strip() or None if said else None


def _roles_from_values(
    columns: Sequence[ColumnFill], places: Iterable[int], body: Sequence[Sequence[str]]
) -> list[Role]:
    """The roles of columns that are told by nothing but what they hold."""
    roles = [Role.IGNORED] * len(columns)
    left = [place for place in places if columns[place].values]
    kinds = next((place for place in left if _are_kinds(columns[place])), None)
    if kinds is not None and len(left) > 2:
        left.remove(kinds)
        roles = _roles_from_values(columns, left, body)
        roles[kinds] = Role.KIND
        return roles
    if len(left) > 2 and columns[left[0]].is_numbering:
        left.pop(0)
    if not left:
        return [Role.QUESTION, *roles[1:]] if roles else roles
    asked = _asked(columns, left)
    roles[asked] = Role.QUESTION
    rest = [place for place in left if place != asked]
    for role, shows in ((Role("picture"), Shows.PICTURE), (Role("sound"), Shows.SOUND)):
        named = [place for place in rest if shown_by(columns[place].values) is shows]
        if named and len(named) < len(rest):
            roles[named[0]] = role
            rest.remove(named[0])
    for place, role in zip(rest, _answers_from_values(columns, rest, body), strict=True):
        roles[place] = role
    return roles


def _are_kinds(column: ColumnFill) -> bool:
    """Whether a column names kinds of questions, among them some that are told by nothing else."""
    named = {KIND_WORDS.get(value.lower()) for value in column.values}
    return None not in named and bool(named & ARRANGED)


def _asked(columns: Sequence[ColumnFill], left: Sequence[int]) -> int:
    """The column that asks: the one with question marks, else the first that is no topic."""
    best = max(left, key=lambda place: (columns[place].asks, -place))
    if columns[best].asks >= 0.5:
        return best
    first = left[0]
    if len(left) > 2 and columns[first].recurs and columns[left[1]].length > columns[first].length:
        return left[1]
    return first


def _answers_from_values(
    columns: Sequence[ColumnFill], rest: Sequence[int], body: Sequence[Sequence[str]]
) -> list[Role]:
    """The roles of the columns besides the one with the prompts."""
    if not rest:
        return []
    if len(rest) == 1:
        return [_only_answer(columns[rest[0]])]
    if len(rest) == 2 and _options_character(columns[rest[0]].values):
        return [Role.OPTIONS, Role.KEY]
    roles = dict.fromkeys(rest, Role.WRONG)
    free = list(rest)
    for place in (rest[-1], rest[0]):
        others = [other for other in free if other != place]
        if len(free) < 3:
            break
        if columns[place].recurs and not _is_answer(columns[place], others, columns, body, place):
            roles[place] = (
                ROLE_OF_DETAIL["level"] if columns[place].holds_levels else ROLE_OF_DETAIL["topic"]
            )
            free = others
    for place in (free[-1], free[0]):
        options = [other for other in free if other != place]
        texts = max((columns[other].length for other in options), default=0)
        if len(options) < 2 or not _points_at(columns[place], place, options, body):
            continue
        if columns[place].holds_keys and texts <= 1:
            continue
        return [
            Role.KEY if other == place else Role.OPTION if other in options else roles[other]
            for other in rest
        ]
    if len(free) > 1 and _are_marked(free, body):
        return [Role.OPTION if place in free else roles[place] for place in rest]
    roles[free[0]] = Role.RIGHT
    if len(free) == 1:
        roles[free[0]] = _only_answer(columns[free[0]])
    return [roles[place] for place in rest]


def _is_answer(
    column: ColumnFill,
    others: Sequence[int],
    columns: Sequence[ColumnFill],
    body: Sequence[Sequence[str]],
    place: int,
) -> bool:
    """Whether a column that says a few things again and again still answers the questions."""
    if column.holds_truths or (
        column.holds_keys and len(others) > 1 and _can_point(column, others)
    ):
        return True
    if column.holds_numbers and any(columns[other].holds_numbers for other in others):
        return True
    said = {value for other in others for value in columns[other].values}
    return bool(set(column.values) & said) or _points_at(column, place, others, body)


def _can_point(column: ColumnFill, others: Sequence[int]) -> bool:
    """Whether the letters or numbers of a column fit the number of choices in its row."""
    most = max(
        ord(key.upper()) - ord("A") + 1 if key.isalpha() else int(key)
        for value in column.values
        for key in keys_in(value)
    )
    return most <= len(others)


def _only_answer(column: ColumnFill) -> Role:
    if _options_character(column.values):
        return Role.OPTIONS
    return Role.GROUP if _are_groups(column) else Role.RIGHT


def _are_groups(column: ColumnFill) -> bool:
    """Whether a column names a few groups, each of several items."""
    times = set(column.values)
    return (
        column.recurs
        and len(times) <= MAX_GROUPS
        and not column.holds_truths
        and not set(map(str.lower, times)) <= set(TRUTH_WORDS)
        and any(read_number(value) is None for value in times)
    )


def _options_character(values: Sequence[str]) -> str | None:
    """The character that splits each cell into two options or more."""
    if values and all(len(options_in(value, LETTERED)) > 1 for value in values):
        return LETTERED
    return next(
        (
            character
            for character in OPTION_CHARACTERS
            if values
            and all(
                len(value.split(character)) > (2 if character in "/," else 1) for value in values
            )
        ),
        None,
    )


def _kind(roles: Sequence[Role], columns: Sequence[ColumnFill]) -> Kind:
    if Role.GROUP in roles:
        return Kind.SORT
    if {Role.WRONG, Role.OPTION, Role.OPTIONS} & set(roles):
        return Kind.CHOICE
    answers = columns[roles.index(Role.RIGHT)] if Role.RIGHT in roles else ColumnFill(())
    if answers.holds_numbers and {ROLE_OF_DETAIL["least"], ROLE_OF_DETAIL["most"]} <= set(roles):
        return Kind.ESTIMATE
    if answers.holds_truths:
        return Kind.TRUTH
    return Kind.NUMBER if answers.holds_numbers else Kind.TYPED
