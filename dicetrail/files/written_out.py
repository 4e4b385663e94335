"""Read questions written as in a teacher's document: a question, its options, and the right answer.

A text is cut into blocks, one a question. In a block stand the question, maybe numbered;
options that are lettered, bulleted or one a line; and what tells the right one: an answer
line, a star or tick, bold, underline or highlighting, or a key at the end of the document.
What could not be understood is a refused block with its lines, to be mended like a row.
"""

import re
from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from typing import Any, NamedTuple

from dicetrail.core import Details, Kind, Needs, Question
from dicetrail.core.answers import LETTERS, fold, read_number
from dicetrail.core.document import (
    MAX_CHOICES,
    MIN_ARRANGED,
    around_gaps,
    as_pair,
    pair_in,
    with_blanks,
)
from dicetrail.core.survey import first_fault
from dicetrail.files.arranged import gaps_of, parted
from dicetrail.files.guessing import unmarked
from dicetrail.files.headings import role_named
from dicetrail.files.plan import ROLE_OF_DETAIL, TRUTH_WORDS, WORDS_FOR_AND
from dicetrail.files.sheets import Refusal


class TextLine(NamedTuple):
    """A line of a written text, its number, and whether all of it is marked."""

    number: int
    text: str
    is_marked: bool = False
    """Whether it is all bold, underlined or highlighted."""


_LABEL = re.compile(r"\s*\(?[A-La-l]?[).:]?\s*")
_TURNS = re.compile("^[\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]+|[\u200e\u200f\u202c\u2069]+$")
"""Characters at the ends of a line that turn the direction of writing (UAX 9)."""
_ALPHABETS = ("абвгдежзиклм", "αβγδεζηθικλμ", "אבגדהוזחטיכל", "أبجدهوزحطيكل", "ابجدهوزحطيكل")
"""The letters that stand before options in other scripts, in the order they are counted by
(common practice, no source)."""
_LATIN = {
    form: letter
    for alphabet in _ALPHABETS
    for character, letter in zip(alphabet, LETTERS, strict=True)
    for form in (character, character.upper())
}
_OTHER = "".join(_LATIN)
_OTHER_LABEL = re.compile(rf"([*✓✔✅> ]*\(?)([{_OTHER}])([).:]\s*\S.*)")
_OTHER_KEYS = re.compile(
    rf"(?=.*\d)(?:[\d\s.,;:()\-–=]|(?<!\w)[{_OTHER}](?!\w)|(?<=\d)[{_OTHER}](?!\w))+"
)
_LONGEST_TITLE = 60
_LONGEST = 4000
"""A line with more characters is refused, with its block."""
_LETTERED = re.compile(r"\(?([A-La-l])(?:[).:]|\s[-–—])\s*(\S.*)")
_BOXED = re.compile(r"(?:[-–—•*+]\s+)?(?:(\[[xX✓]\]|☑|☒)|\[ ?\]|☐)\s*(\S.*)")
_BULLETED = re.compile(r"([-–—•·▪◦○●‣*+]|o)\s+(\S.*)")
_NUMBERED = re.compile(
    r"(?:(?:question|frage|pregunta|domanda|vraag|q|nr|no)\.?\s*)?#?(\d{1,4})\s*[.):\-–]\s*(\S.*)",
    re.IGNORECASE,
)
_ASKED = re.compile(r"(?:q|question|frage|pregunta|domanda)\s*\d*\s*[:.]\s*(\S.*)", re.IGNORECASE)
_ANSWERED = re.compile(
    r"(?:the\s+)?(?:(?:right|correct|richtige?|bonne)\s+)?"
    r"(answers?|ans|key|solution|antwort|lösung|respuesta|réponse|risposta|antwoord|odpowiedź|"
    r"resposta|răspuns|odpověď|svar|válasz|cevap|(?:правильный )?ответ|відповідь|отговор|απάντηση|"
    r"תשובה(?: נכונה)?|(?:ال)?إجابة|الجواب|right|correct|richtig|correcta|a)"
    r"(?:\s+is)?\s*[:=\-–.]\s*(\S.*)",
    re.IGNORECASE,
)
_SAID = re.compile(r"([^\W\d_][\w ]{2,20})\s*:\s*(\S.*)")
_KEY_HEAD = re.compile(
    r"(?:the\s+)?(?:answers?|answer key|key|solutions?|antworten|lösungen|respuestas|réponses|"
    r"soluzioni|risposte|respostas|odpowiedzi|odpovědi|ответы|відповіді|отговори|απαντήσεις|תשובות|"
    r"(?:ال)?إجابات)(?:\s+key)?\s*:?",
    re.IGNORECASE,
)
_KEY_IN_A_LINE = re.compile(_KEY_HEAD.pattern.removesuffix(":?") + r":\s*(\S.*)", re.IGNORECASE)
_KEY_PAIR = re.compile(r"(\d{1,4})\s*[.):\-–=]?\s*\(?([A-La-l])\)?(?=[\s,;.]|$)")
_KEY_LINE = re.compile(r"(\d{1,4})\s*[.):\-–=]\s*(\S.*)")
_INLINE = re.compile(r"(?:^|\s)\(?([a-lA-L])[).]\s*(?=\S)")
_ASKED_AND_ANSWERED = re.compile(r"(.{2,}?[?？])\s*[-–—:=]*\s*(\S.*)")
_TRUTHS = "|".join(sorted(TRUTH_WORDS, key=len, reverse=True))
_PAIRS = (
    re.compile(rf"(.{{2,}}?)\s*[(\[]({_TRUTHS})[)\]]\.?", re.IGNORECASE),
    re.compile(rf"(.{{2,}}?[.!?…])\s+({_TRUTHS})\.?", re.IGNORECASE),
    _ASKED_AND_ANSWERED,
    re.compile(r"(.{2,}?)\s+[-–—=]+>?\s+(\S.*)"),
    re.compile(r"([^:]{2,80}):\s+(\S.*)"),
)
_LETTER_KEYS = re.compile(
    rf"\(?([A-La-l])\)?(?:(?:\s*[,;&+/،؛]\s*|\s+(?:{WORDS_FOR_AND})\s*)\(?([A-La-l])\)?)*[).]?"
)
_ANDS = re.compile(rf"\s(?:{WORDS_FOR_AND})\s")


@dataclass
class _Block:
    """A question as it is in the text, before it is interpreted."""

    lines: list[TextLine] = field(default_factory=list)
    number: int | None = None
    counts_from: int | None = None
    """The number of the last numbered question before it."""
    asked: list[str] = field(default_factory=list)
    options: list[tuple[str, bool]] = field(default_factory=list)
    """Each with whether it is marked."""
    too_long: TextLine | None = None
    """A line of it that is longer than any is read."""
    is_bare: bool = False
    """Whether its options stand one a line, and a mark alone tells that they are such."""
    answers: list[str] = field(default_factory=list)
    details: dict[str, str] = field(default_factory=dict)


class _NotUnderstood(Exception):
    """Why a block is no question, and how to mend it."""

    def __init__(self, what: str, mend: str) -> None:
        self.what, self.mend = what, mend
        super().__init__(what)


class TextContents(NamedTuple):
    """The content of a written text: each line is in one of these fields, or gives the answers."""

    questions: tuple[Question, ...]
    refused: tuple[Refusal, ...]
    headings: tuple[TextLine, ...]
    """Lines that are neither question nor answer. They count as titles above questions."""


def read_written(
    lines: Iterable[TextLine],
    mended: Mapping[int, Sequence[str]] | None = None,
    most: int | None = None,
) -> TextContents:
    """The questions of a written text, and the blocks that are no question.

    `mended` holds corrected blocks, line by line, by the line at which they begin. `most` is the
    largest number of blocks read.
    """
    lines, key = _without_key([_plain(line) for line in lines])
    questions: list[Question] = []
    refused: list[Refusal] = []
    headings: list[TextLine] = []
    for place, block in enumerate(_blocks(lines), 1):
        first = block.lines[0].number
        if mended and first in mended:
            anew = [_plain(TextLine(first, text)) for text in mended[first]]
            block = next(iter(_blocks(anew)), block)
        if len(questions) + len(refused) == most:
            break
        if _is_title(block):
            headings += block.lines
            continue
        try:
            questions.append(_question(block, key.get(block.number or place)))
        except _NotUnderstood as fault:
            cells = tuple(line.text for line in block.lines)
            refused.append(Refusal(first, 1, fault.what, fault.mend, "\n".join(cells), cells))
    return TextContents(tuple(questions), tuple(refused), tuple(headings))


def _plain(line: TextLine) -> TextLine:
    """The line plainly labelled; one that is too long stays as it is."""
    return plainly_labelled(line) if len(line.text) <= _LONGEST else line


_BOLD = r"\*\*|(?<!_)__(?!_)"
"""What stands before and behind bold words. More of these characters are a gap."""


def lines_of(text: str) -> list[TextLine]:
    """The lines of a plain or Markdown text. A line that is all bold is marked."""
    found = []
    for number, line in enumerate(text.splitlines(), 1):
        plain = line.strip()
        plain = re.sub(r"^#{1,6}\s+", "", plain)
        bold = re.fullmatch(rf"(\W{{0,4}}(?:[A-La-l][).:])?\s*)({_BOLD})(.+?)\2([.!]?)", plain)
        if bold:
            plain = bold[1] + bold[3] + bold[4]
        plain = re.sub(rf"({_BOLD})(.+?)\1(?!_)", r"\2", plain)
        found.append(TextLine(number, plain, bold is not None))
    return found


def plainly_labelled(line: TextLine) -> TextLine:
    """The line without characters that turn it, and with letters of other scripts that stand before
    an option, or in a key of letters, as those from A on."""
    text = _TURNS.sub("", line.text)
    if text.isascii():
        return line
    if found := _OTHER_LABEL.fullmatch(text):
        text = f"{found[1]}{_LATIN[found[2]]}{found[3]}"
    elif _OTHER_KEYS.fullmatch(text):
        text = "".join(_LATIN.get(character, character) for character in text)
    return line._replace(text=text)


def is_label(text: str) -> bool:
    """Whether a text is nothing but the letter before an option, which no mark is about."""
    return _LABEL.fullmatch(text) is not None


def labelled(lines: Iterable[TextLine]) -> int:
    """How many lines say what they are: an option, an answer, a numbered question."""
    forms = (_LETTERED, _BOXED, _BULLETED, _ANSWERED, _ASKED)
    plain = (plainly_labelled(line).text for line in lines if len(line.text) <= _LONGEST)
    return sum(
        any(form.fullmatch(text) for form in forms) or _inline(text) is not None for text in plain
    )


def _without_key(lines: Sequence[TextLine]) -> tuple[list[TextLine], dict[int, str]]:
    """The lines before a key at the end, and the answers it gives by their numbers."""
    full = [place for place, line in enumerate(lines) if line.text.strip()]
    if full and (found := _KEY_IN_A_LINE.fullmatch(lines[full[-1]].text.strip())):
        pairs = _key_pairs(found[1])
        if len(pairs) > 1:
            return list(lines[: full[-1]]), {int(number): answer for number, answer in pairs}
    heads = [place for place, line in enumerate(lines) if _KEY_HEAD.fullmatch(line.text.strip())]
    for place in reversed(heads):
        rest = [line.text.strip() for line in lines[place + 1 :] if line.text.strip()]
        pairs = [pair for text in rest for pair in _key_pairs(text)]
        if rest and len(pairs) >= len(rest):
            return list(lines[:place]), {int(number): answer for number, answer in pairs}
    return list(lines), {}


def _key_pairs(text: str) -> list[tuple[str, str]]:
    pairs: list[tuple[str, str]] = _KEY_PAIR.findall(text)
    left = re.sub(r"[\s,;.]", "", _KEY_PAIR.sub("", text))
    if pairs and not left:
        return pairs
    found = _KEY_LINE.fullmatch(text)
    return [(found[1], found[2])] if found else []


def _blocks(lines: Sequence[TextLine]) -> Iterator[_Block]:
    """The questions of a text, each with its lines."""
    block = _Block()
    is_after_blank = False
    for line in lines:
        # Only the beginning of a line that is too long is looked at.
        text = line.text[:_LONGEST].strip()
        if not text:
            is_after_blank = True
            continue
        if _begins(block, text, is_after_blank):
            yield block
            block = _Block(counts_from=block.number or block.counts_from)
        _add(block, line, text)
        if len(line.text) > _LONGEST:
            block.too_long = line
        is_after_blank = False
    if block.lines:
        yield block


def _begins(block: _Block, text: str, is_after_blank: bool) -> bool:
    """Whether a line begins another question."""
    if not block.lines:
        return False
    if _ASKED.fullmatch(text):
        return True
    if not is_after_blank and _is_arranged_line(block, text):
        return False
    if _option_of(block, text) or _ANSWERED.fullmatch(text) or _detail_of(text):
        return False
    numbered = _NUMBERED.fullmatch(text)
    if numbered and block.number is not None and int(numbered[1]) == block.number + 1:
        return True
    if _asks(text) and any(map(_asks, block.asked)) and not block.is_bare:
        return True  # a question after one that has no answer yet, or has it in its line
    bare = block.asked[0] if len(block.asked) == 1 else ""
    if _asks(bare) and not (block.options or block.answers) and _asks_and_answers(text):
        return True
    before = block.counts_from if block.number is None and is_after_blank else None
    if numbered and before is not None and int(numbered[1]) == before + 1:
        return True
    if block.is_bare and not is_after_blank and not numbered and not text.endswith("?"):
        return False
    if not block.options and _pair(" ".join(block.asked)) and _pair(text):
        return True
    if numbered and block.number is None and int(numbered[1]) == 1:
        return True  # what stood before it was a title
    asked = " ".join(block.asked)
    if with_blanks(asked) and asked.endswith((".", "!", "?")):
        return True
    is_done = bool(block.options or block.answers or _pair(asked) or with_blanks(asked))
    if numbered and is_done:
        return True
    if is_done and (is_after_blank or block.answers or block.options):
        return True
    return is_after_blank and (len(block.lines) > 1 or _pair(text) is not None)


def _is_arranged_line(block: _Block, text: str) -> bool:
    """Whether a line is a pair under a question that wants a match, or the next of an order."""
    if not block.asked or block.answers or _pair(block.asked[0]) or pair_in(block.asked[0]):
        return False
    pairs = block.asked[1:]
    if pair_in(text) and _MATCHES.search(block.asked[0]):
        return not block.options and all(map(pair_in, pairs))
    return _next_of_order(block, text) is not None


def _next_of_order(block: _Block, text: str) -> str | None:
    """The words of a numbered line of an order, if a line of a block is the next one."""
    numbered = _NUMBERED.fullmatch(text)
    is_next = numbered is not None and int(numbered[1]) == len(block.options) + 1
    if numbered and is_next and block.asked and _ORDERS.search(block.asked[0]):
        return numbered[2]
    return None


def _asks(text: str) -> bool:
    """Whether a line is a question by its last character, or has one and its answer."""
    return text.endswith(("?", "？")) or _asks_and_answers(text)


def _asks_and_answers(text: str) -> bool:
    return _ASKED_AND_ANSWERED.fullmatch(text) is not None or with_blanks(text) is not None


def _is_title(block: _Block) -> bool:
    """Whether a block is one line that is neither question nor answer: a title above questions."""
    if len(block.lines) > 1 or block.number is not None or block.options or block.answers:
        return False
    if block.too_long is not None:
        return False
    text = " ".join(block.asked)
    says_answer = _pair(text) or with_blanks(text)
    return len(text) <= _LONGEST_TITLE and not text.endswith(("?", "？")) and not says_answer


def _add(block: _Block, line: TextLine, text: str) -> None:
    block.lines.append(line)
    if asked := _ASKED.fullmatch(text):
        block.asked.append(asked[1])
        return
    if not block.asked and (numbered := _NUMBERED.fullmatch(text)):
        block.number, text = int(numbered[1]), numbered[2]
    inline = _inline(text)
    if block.asked and (ordered := _next_of_order(block, text)) is not None:
        block.options.append((ordered, False))
    elif inline:
        question, options = inline
        if question:
            block.asked.append(question)
        block.options += [_judged(option, line.is_marked) for option in options]
    elif block.asked and (option := _option_of(block, text)):
        block.options.append(_judged(option, line.is_marked))
    elif block.asked and (answered := _ANSWERED.fullmatch(text)):
        block.answers.append(answered[2].strip())
    elif block.asked and (said := _detail_of(text)):
        block.details[said[0]] = said[1]
    elif block.asked and (block.is_bare or (unmarked(text) and text[:1] in "*✓✔✅")):
        if not block.options:
            block.options += [(option, False) for option in block.asked[1:]]
            del block.asked[1:]
        block.is_bare = True
        block.options.append(_judged(text, line.is_marked))
    else:
        block.asked.append(text)


def _option_of(block: _Block, text: str) -> str | None:
    """The words of an option, if a line of a block is one."""
    bare = text.lstrip("*✓✔✅> ") if _LETTERED.fullmatch(text.lstrip("*✓✔✅> ")) else text
    if lettered := _LETTERED.fullmatch(bare):
        expected = LETTERS[min(len(block.options), len(LETTERS) - 1)]
        is_answer = lettered[1] == "A" and text[1:2] == ":" and not block.options
        if lettered[1].upper() == expected and not (is_answer and _was_asked(block)):
            return text[: len(text) - len(bare)].strip(" >") + lettered[2]
    if boxed := _BOXED.fullmatch(text):
        return f"✓ {boxed[2]}" if boxed[1] else boxed[2]
    if bulleted := _BULLETED.fullmatch(text):
        is_star = bulleted[1] == "*"
        return f"* {bulleted[2]}" if is_star and block.options else bulleted[2]
    return None


def _was_asked(block: _Block) -> bool:
    """Whether a block begins with ``Q:``, so that ``A:`` is its answer."""
    return bool(block.lines) and _ASKED.fullmatch(block.lines[0].text.strip()) is not None


def _inline(text: str) -> tuple[str, list[str]] | None:
    """A question and its options in one line, or options alone: ``a) Pea b) Bean``."""
    found = list(_INLINE.finditer(text))
    letters = "".join(match[1].upper() for match in found)
    if len(found) < 2 or not LETTERS.startswith(letters):
        return None
    ends = [*(match.start() for match in found[1:]), len(text)]
    options = [
        text[match.end() : end].strip(" ,;|\t") for match, end in zip(found, ends, strict=True)
    ]
    return text[: found[0].start()].strip(), options


def _judged(option: str, is_marked: bool) -> tuple[str, bool]:
    bare = unmarked(option)
    return (bare or option).strip(), is_marked or bare is not None


def _detail_of(text: str) -> tuple[str, str] | None:
    """A detail that a line says: ``Hint: it is orange``."""
    found = _SAID.fullmatch(text)
    role = role_named(found[1]) if found else None
    if found is None or role not in ROLE_OF_DETAIL.values():
        return None
    name = next(name for name, its in ROLE_OF_DETAIL.items() if its is role)
    return (name, found[2].strip()) if name in ("hint", "note", "topic") else None


def _pair(text: str) -> tuple[str, str] | None:
    """A question and its answer in one line: ``Capital of beds - compost``, ``Which? This``."""
    for form in _PAIRS:
        if found := form.fullmatch(text):
            return found[1].strip(), found[2].strip()
    return None


def _question(block: _Block, key: str | None) -> Question:
    """The question of a block. Raises _NotUnderstood."""
    if (line := block.too_long) is not None:
        raise _NotUnderstood(
            f"line {line.number} has {len(line.text):,} characters; {_LONGEST:,} are read at most",
            "shorten it, or part it into several lines",
        )
    options, asked = list(block.options), list(block.asked)
    answers = block.answers or ([key] if key else [])
    if not answers and (found := _arranged(asked, options)):
        return _fit(found, block)
    if len(options) == 1 and not answers and _is_answer_of_one_letter(block):
        options, answers = [], [options[0][0]]  # “A:” stood for “Answer:”
    if not options and len(asked) > 1:
        asked, answers, options = _one_a_line(block, asked, answers)
    prompt = " ".join(asked)
    if not options and not answers:
        pair = _pair(prompt)
        if pair is None and (gaps := gaps_of(prompt, ())):
            return _fit(Question(*gaps, Kind.GAPS), block)
        if pair is None:
            raise _NotUnderstood(
                "there is no answer to it",
                "write the answer under it after “Answer:”, or options with the right one marked",
            )
        prompt, answers = pair[0], [pair[1]]
    return _fit(
        _with_options(prompt, options, answers) if options else _typed(prompt, answers), block
    )


def _fit(made: Question, block: _Block) -> Question:
    """A question with the details that its block says. Raises _NotUnderstood if it has a fault."""
    if block.details:
        given: dict[str, Any] = block.details
        made = replace(made, details=replace(made.details, **given))
    if fault := first_fault(made):
        raise _NotUnderstood(fault.what, fault.mend)
    return made


def _arranged(asked: Sequence[str], options: Sequence[tuple[str, bool]]) -> Question | None:
    """A question whose lines are all pairs, or that says that they are in the right order."""
    if any(is_marked for _, is_marked in options):
        return None
    prompt, lines = " ".join(asked), tuple(text for text, _ in options)
    if not options and asked:
        prompt, lines = asked[0], tuple(asked[1:])
    if len(lines) < MIN_ARRANGED or pair_in(prompt) or not prompt:
        return None
    pairs = tuple(filter(None, map(pair_in, lines)))
    if len(pairs) == len(lines) and " " in prompt:
        return Question(prompt, tuple(as_pair(*pair) for pair in pairs), (), Kind.MATCH)
    return Question(prompt, lines, (), Kind.ORDER) if _ORDERS.search(prompt) else None


_ORDERS = re.compile(
    r"\b(?:in|into) (?:the )?(?:right |correct |proper )?(?:order|sequence)\b(?! to\b)"
    r"|\bReihenfolge\b"
    r"|\b(?:dans l.|en |por |in )ord(?:re|en|em|ine)\b|\bop volgorde\b|\bpo kolei\b|\bпо порядку\b",
    re.IGNORECASE,
)
"""What a question says whose lines are to be put in order (from memory)."""
_MATCHES = re.compile(
    r"[?？.]$|\b(?:match|pair|connect|ordne|zuordn\w*|verbind\w*|associe\w*|relie\w*|relaciona\w*|empareja\w*"
    r"|abbina\w*|combina\w*|koppel\w*|dopasuj\w*|połącz\w*|associa\w*|liga|утвори|поєднай\w*)\b",
    re.IGNORECASE,
)
"""A question, or what one says whose lines are pairs to match (from memory)."""


def _is_answer_of_one_letter(block: _Block) -> bool:
    """Whether the last line of a block begins with ``A:``."""
    return block.lines[-1].text.strip()[:2] in ("A:", "a:")


def _one_a_line(
    block: _Block, asked: list[str], answers: list[str]
) -> tuple[list[str], list[str], list[tuple[str, bool]]]:
    """A block of bare lines: a question and its answer, or a question and options one a line."""
    marked = [line.is_marked for line in block.lines][-len(asked) :]
    if len(asked) == 2 and not answers and asked[0].endswith(("?", "？", ":", "…", "...")):
        return asked[:1], asked[1:], []
    if len(asked) > 2 and (answers or 0 < sum(marked[1:]) < len(asked) - 1):
        rest = zip(asked[1:], marked[1:], strict=False)
        return asked[:1], answers, [_judged(text, is_marked) for text, is_marked in rest]
    return asked, answers, []


def _with_options(prompt: str, options: Sequence[tuple[str, bool]], answers: list[str]) -> Question:
    texts = [text for text, _ in options]
    if len(texts) > MAX_CHOICES:
        raise _NotUnderstood(f"it has {len(texts)} options", f"leave at most {MAX_CHOICES}")
    right = [text for said in answers for text in _named(said, texts)]
    if not answers:
        right = [text for text, is_marked in options if is_marked]
    if not right or len(right) == len(texts) > 1:
        raise _NotUnderstood(
            "nothing tells which of its options is right",
            "write “Answer: B” under them, or a star before the right one",
        )
    if {text.lower() for text in texts} <= set(TRUTH_WORDS) and len(right) == 1:
        return Question(prompt, (TRUTH_WORDS[right[0].lower()],), (), Kind.TRUTH)
    wrong = tuple(text for text in texts if text not in right)
    needs = Needs.ALL if len(right) > 1 else Needs.ANY
    return Question(prompt, tuple(dict.fromkeys(right)), wrong, details=Details(needs=needs))


def _named(said: str, texts: Sequence[str]) -> list[str]:
    """The options that an answer names, by letters, by number or by their words."""
    if said in texts:
        return [said]
    bare = said.strip("() .")
    said = _LATIN.get(bare, said)
    if _LETTER_KEYS.fullmatch(said):
        letters = re.findall(r"(?<![A-Za-z])[A-La-l](?![A-Za-z])", _ANDS.sub(" ", said))
        places = [LETTERS.index(letter.upper()) for letter in letters]
        if all(place < len(texts) for place in places):
            return [texts[place] for place in places]
    lettered = _LETTERED.fullmatch(said)
    if lettered and LETTERS.index(lettered[1].upper()) < len(texts):
        return [texts[LETTERS.index(lettered[1].upper())]]
    if said.isdecimal() and 0 < int(said[:3]) <= len(texts):
        return [texts[int(said[:3]) - 1]]
    alike = [text for text in texts if fold(text) == fold(said)]
    if not alike:
        raise _NotUnderstood(
            f"its answer “{said[:80]}” is none of its options", "write the letter of one of them"
        )
    return alike


_TWO_GAPS = 2
"""The parts around a single gap, which is as well a typed answer."""


def _typed(prompt: str, answers: Sequence[str]) -> Question:
    accepted = [part.strip() for said in answers for part in re.split(r";|\s/\s", said)]
    accepted = [part for part in accepted if part]
    if len(around_gaps(prompt)) > _TWO_GAPS and (gaps := gaps_of(prompt, tuple(answers))):
        return Question(*gaps, Kind.GAPS)
    if len(answers) == 1 and len(pairs := parted(answers[0], Kind.MATCH)) >= MIN_ARRANGED:
        return Question(prompt, pairs, (), Kind.MATCH)
    if len(answers) == 1 and _ORDERS.search(prompt) and len(parted(answers[0], Kind.ORDER)) > 1:
        return Question(prompt, parted(answers[0], Kind.ORDER), (), Kind.ORDER)
    if len(accepted) == 1 and accepted[0].lower() in TRUTH_WORDS:
        return Question(prompt, (TRUTH_WORDS[accepted[0].lower()],), (), Kind.TRUTH)
    is_number = accepted and all(read_number(one) is not None for one in accepted)
    return Question(prompt, tuple(accepted), (), Kind.NUMBER if is_number else Kind.TYPED)
