"""A plan to read a file: the role of each column, and how its cells are separated.

A plan is guessed from the file first and can be changed in every part.
"""

import re
from dataclasses import dataclass

from dicetrail.core import Kind
from dicetrail.core.answers import LETTERS
from dicetrail.core.document import DETAILS, Language, Value, translator
from dicetrail.form import checked_strictly


class Format(Value):
    """The form a question file has."""

    TABLE = "table", "rows of text"
    """Text of one question a row, its fields told apart by a separator."""
    XLSX = "xlsx", "a workbook"
    JSON = "json", "JSON"
    """Questions under our own names."""
    YAML = "yaml", "YAML"
    """The same."""
    KEYED = "keyed", "objects by their keys"
    """JSON, lines of JSON or YAML under any keys, which are taken as columns."""
    DRAWN = "drawn", "a table in a text"
    """A table drawn in a text with bars and dashes, or one of a web page or document."""
    WRITTEN = "written", "questions written out"
    """Questions written out, their answers under them."""
    ITEMS = "items", "items of a test (QTI)"
    """Items of QTI, one or a package of them."""


class Contents(Value):
    """What is made of a file: questions or facts."""

    QUESTIONS = "questions", "Questions", "each row, or each block of lines, is one"
    FACTS = "facts", "Facts", "a table of which rounds make questions by patterns"


class Separator(Value):
    """The character between the fields of a row."""

    TAB = "tab"
    COMMA = "comma", "comma ,"
    SEMICOLON = "semicolon", "semicolon ;"
    BAR = "bar", "bar |"

    @property
    def character(self) -> str:
        """The character itself."""
        return {"tab": "\t", "comma": ",", "semicolon": ";", "bar": "|"}[self.value]


_TRUE = ("true", "t", "yes", "y", "wahr", "richtig", "ja", "verdadero", "sí", "vrai", "oui", "vero")
_FALSE = ("false", "f", "no", "n", "falsch", "nein", "falso", "faux", "non", "onwaar", "fałsz")
TRUTH_WORDS = {**dict.fromkeys(_TRUE, "true"), **dict.fromkeys(_FALSE, "false")}
"""How people write that a sentence is true, or is not."""


_KIND_WORDS = {
    Kind.CHOICE: ("multiple", "multiple choice", "mcq", "mc", "single", "single choice", "radio"),
    Kind.TRUTH: ("boolean", "true/false", "true or false", "tf", "t/f", "yes/no"),
    Kind.TYPED: ("short", "short answer", "text", "open", "fill", "fill in", "free text", "input"),
    Kind.NUMBER: ("numeric", "numerical", "integer", "calculated"),
    Kind.ORDER: ("ordering", "put in order", "sequence", "sequencing", "ranking", "sorting"),
    Kind.GAPS: ("gap", "gap text", "gap fill", "cloze", "blanks", "fill the gaps"),
    Kind.PLACE: ("hotspot", "hot spot", "spot", "picture place", "point", "area"),
    Kind.JUDGED: ("own judgement", "self", "self assessed", "self check", "card", "flash card"),
    Kind.ESTIMATE: ("estimation", "slider", "scale", "number line"),
    Kind.MATCH: ("matching", "pairs", "pairing", "match pairs"),
}
KIND_WORDS = {
    **{word: kind for kind, words in _KIND_WORDS.items() for word in words},
    **{kind.value: kind for kind in Kind},
}
"""How people name the kinds of question."""

LEVEL_WORDS = {
    **dict.fromkeys(("very easy", "beginner"), 1),
    **dict.fromkeys(("easy", "leicht", "einfach", "fácil", "facile", "low"), 2),
    **dict.fromkeys(("medium", "mittel", "normal", "medio", "moyen", "médio", "average"), 3),
    **dict.fromkeys(("hard", "difficult", "schwer", "difícil", "difficile", "high"), 4),
    **dict.fromkeys(("very hard", "expert"), 5),
}
"""How people name how hard a question is, as levels."""


class Role(Value):
    """The role of a column: a part of the question, or one of its details."""

    QUESTION = "question"
    RIGHT = "right answer"
    WRONG = "wrong choice"
    REPLY = "reply"
    """What a player is told who picks the wrong choice, or the option, of the same number."""
    OPTION = "option"
    """A choice; the key says whether it is right."""
    OPTIONS = "options in one cell"
    """All choices, split by a character; the right one first unless a key or right answer tells."""
    KEY = "key"
    """The letter, number or words of the right option."""
    GROUP = "group"
    """To which group the item belongs; the other groups of the file are the wrong choices."""
    ITEM = "item to match"
    """An item; its partner stands in the partner column of the same number."""
    PARTNER = "its partner"
    KIND = "kind"
    _ignore_ = "detail"
    for detail in DETAILS:
        vars()[detail.field.upper()] = detail.heading
    FACT = "fact", "kept"
    """A column of facts."""
    IGNORED = "ignored"


ROLE_OF_DETAIL = {detail.field: Role(detail.heading) for detail in DETAILS}
"""The role of the column that holds a detail, by its field."""


@dataclass(frozen=True, slots=True)
class Plan:
    """How to read a file. For JSON and YAML only the encoding matters."""

    format: Format
    encoding: str = "utf-8"
    """Of a text; empty for a document, which says its own."""
    separator: Separator = Separator.TAB
    has_headings: bool = False
    columns: tuple[Role, ...] = ()
    kind: Kind = Kind.CHOICE
    """The kind of every row that does not tell its own."""
    options_character: str = ";"
    """The text that splits the options in one cell."""
    keys_from: int = 1
    """The number of the first option, for keys that are numbers: 1 or 0."""
    titles: int = 0
    """How many filled rows stand above the table, which are no part of it."""
    sheet: str = ""
    """The sheet of a workbook that is read; the first one if no sheet has that name."""
    why: str = ""
    """Why the first row is taken as it is, in a sentence; empty if there was nothing to decide."""
    is_doubtful: bool = False
    """Whether that could well be otherwise."""
    contents: Contents = Contents.QUESTIONS
    doubt: str = ""
    """Why the text is not taken for questions, and what would be; then none are read from it. Empty
    where it is, or where its maker says so."""

    @property
    def in_words(self) -> str:
        """How the file is read, in a few words."""
        if self.doubt:
            return "nothing that is understood"
        if self.format is Format.TABLE:
            return f"fields separated by {self.separator}s, {self.encoding}"
        if self.format in (Format.JSON, Format.YAML):
            return f"{self.format.label}, {self.encoding}"
        return self.format.label

    @property
    def is_plain(self) -> bool:
        """Whether each row is a question, its right answer and its wrong choices, in order."""
        return (
            self.kind is Kind.CHOICE
            and self.columns[:3] == (Role.QUESTION, Role.RIGHT, Role.WRONG)
            and set(self.columns[2:]) == {Role.WRONG}
        )


checked_strictly(Plan)


WORDS_FOR_AND = "|".join(sorted({translator(language, ()).joined_by for language in Language}))
"""The word between the last two of several, in any language, as a part of a pattern."""

LETTERED = "A)"
"""The placeholder for the letter before each option, if letters split the options in one cell."""

_LETTERS_BEFORE = re.compile(r"(?:^|\s+)\(?([A-La-l])[).:]\s*(?=\S)")


def options_in(cell: str, character: str) -> list[str]:
    """The options in one cell, parted by a character or by the letters before them.

    >>> options_in("kale; beet", ";"), options_in("A) kale B) beet", LETTERED)
    (['kale', 'beet'], ['kale', 'beet'])
    """
    if character != LETTERED:
        return [part.strip() for part in cell.split(character)]
    found = list(_LETTERS_BEFORE.finditer(cell))
    letters = "".join(one[1].upper() for one in found)
    if not found or found[0].start() > 0 or not LETTERS.startswith(letters):
        return [cell.strip()]
    ends = [*(one.start() for one in found[1:]), len(cell)]
    return [cell[one.end() : end].strip(" ,;") for one, end in zip(found, ends, strict=True)]


@dataclass(frozen=True, slots=True)
class ImportOptions:
    """What a maker says about a file. None leaves it to be guessed."""

    encoding: str | None = None
    separator: Separator | None = None
    format: Format | None = None
    has_headings: bool | None = None
    sheet: str | None = None
    contents: Contents = Contents.QUESTIONS


checked_strictly(ImportOptions)
