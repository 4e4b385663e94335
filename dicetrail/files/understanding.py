"""Decide whether a text can hold questions at all, or is a program, a log, or prose.

Any text with a separator in its lines can be read as some table. A text that is plainly not a list
of questions is reported as such, instead of as questions that nobody wrote. Only texts without any
hint are checked: a maker who says how to read a text is believed.
"""

import re
from collections.abc import Callable, Sequence

_LOOKED_AT = 400
"""At most this many lines are examined."""

_MAX_CHARACTERS = 4_000
"""At most this many characters of a line are examined."""

_WORD = r"[A-Za-z_$][\w.$]*"
_CODE = tuple(
    map(
        re.compile,
        (
            r"(import|from|using|package|require|include)\b.*[\w*\"'>;{]",
            r"#\s*(include|define|pragma|if|endif)\b.*",
            r"(export|const|let|var|public|private|protected|static|final|function|def|class|return"
            r"|async|await|struct|enum|impl|fn|func|interface|type|namespace|local|sub|my)\b"
            r".*[(){}\[\];=<>:].*",
            r"(if|elif|else|for|foreach|while|until|try|except|catch|switch|case|do|with|end|fi"
            r"|done|begin)\b.*[:{;(]\s*",
            r"(else|try|finally|begin|end|do|done|fi|pass|break|continue|return)\s*[:;{]?",
            r"(SELECT|INSERT|CREATE|UPDATE|DELETE|ALTER|DROP|BEGIN|COMMIT)\b.*",
            rf"{_WORD}(\s*\[[^\]]*\])?\s*(=|\+=|-=|\*=|/=|:=|\?\?=)\s*([\"'\[({{&$@]|new\b|{_WORD}\().*",
            rf"{_WORD}\s*(\+=|-=|\*=|/=|\+\+|--).*",
            rf"{_WORD}\s*\(.*\)\s*[;,{{:]?",
            r"[\[({].*[\])}]\s*[,;]?",
            r".*[{}]\s*",
            r".*(\);|\},|\];|=>|\($|\[$|;)\s*",
            r"[{}\[\]();,\s]+",
            r"</?\w+.*>?",
            r"(//|/\*|\*/|\*\s|--\s|#!|;;).*",
            r"[\"'].*[\"']\s*:\s*.*,?",
            r"[a-z_][\w-]*:\s*",
            r"@\w+.*",
        ),
    )
)
"""The forms of lines in programs, stylesheets and settings, without their indentation."""

_SETTING = re.compile(r"\s+(- )?[\w-]+: .*")
_LOGGED = re.compile(
    r"[\[(<]?(\d{4}[-/]\d\d[-/]\d\d[T ,]\s*\d\d:\d\d|\d{1,3}(\.\d{1,3}){3}\b|\d\d:\d\d:\d\d\b"
    r"|[A-Z][a-z]{2} +\d{1,2} \d\d:\d\d|(TRACE|DEBUG|INFO|NOTICE|WARN|WARNING|ERROR|FATAL)\b).*"
)
_SYMBOLS = frozenset("(){}[];=!&|<>+*")
_ASKS = re.compile(r".*([?？]|_{2,}|…|\.\.\.)\s*[\"')]*|.*[?？]\s*[-–—:=]*\s*(\S+\s*){1,5}")
_SAYS = re.compile(r"[^,.;?!]{1,40}\s*[:=–—-]\s+\S.*|\(?(\d+|[A-Za-z])[.):]\s.*|[-–—•*]\s.*")
_JUDGED = re.compile(r".*[.!]\s*\(?(true|false|t|f|yes|no)\)?", re.IGNORECASE)

_MEND = (
    "Questions are read with their answers: one a line, its answer after a tab, or written out "
    "with “Answer:” under each."
)


def why_not_understood(text: str) -> str:
    """Why a text is not taken for questions, and what would be; empty for one that may be."""
    lines = [line[:_MAX_CHARACTERS].rstrip() for line in text.splitlines() if line.strip()]
    lines = lines[:_LOOKED_AT]
    if not lines or _share(lines, lambda line: "\t" in line.strip()) >= 0.5:
        return ""
    for is_so, what in (
        (_is_code, "a program, a stylesheet or settings"),
        (_is_log, "a log"),
        (_is_prose, "prose or verse"),
    ):
        if is_so(lines):
            return f"This text is not understood: it looks like {what}, and no questions. {_MEND}"
    return ""


def _share(lines: Sequence[str], is_so: Callable[[str], object]) -> float:
    return sum(bool(is_so(line)) for line in lines) / len(lines)


def _is_code(lines: Sequence[str]) -> bool:
    # A line that says what it is, as options and questions do, is no line of a program.
    if _share(lines, lambda line: _is_said(line) and not _is_coded(line)) >= 0.5:
        return False
    if _share(lines, _is_coded) >= 0.6:
        return True
    longest = max(lines, key=len)
    characters = sum(character in _SYMBOLS for character in longest)
    return len(longest) >= 60 and characters >= 0.12 * len(longest)


def _is_coded(line: str) -> bool:
    plain = line.strip()
    if _SETTING.fullmatch(line):
        return True
    return any(form.fullmatch(plain) for form in _CODE) and not _is_plain(plain)


def _is_plain(line: str) -> bool:
    """Whether a line is words alone, with a bracket at most around some of them."""
    bare = re.sub(r"[(\[][^()\[\]{}=;\"']*[)\]]", "", line)
    words = re.findall(r"[^\W\d_]{2,}", bare)
    return len(words) >= 3 and not set(bare) & {*"{}=;<>[]()", '"'}


def _is_said(line: str) -> bool:
    return _SAYS.fullmatch(line.strip()) is not None


def _is_log(lines: Sequence[str]) -> bool:
    return len(lines) > 1 and _share(lines, lambda line: _LOGGED.fullmatch(line.strip())) >= 0.6


def _is_prose(lines: Sequence[str]) -> bool:
    """Whether a text is sentences that ask nothing and answer nothing."""
    words = [len(line.split()) for line in lines]
    if sum(words) < 5.5 * len(lines) or any(
        character in line for line in lines for character in "|"
    ):
        return False
    if _share(lines, _is_asked) >= 0.25 or _share(lines, _is_said) >= 0.4:
        return False
    commas = sum(line.count(",") for line in lines)
    spaced = sum(line.count(", ") + line.endswith(",") for line in lines)
    semicolons = sum(line.count(";") for line in lines)
    if spaced < 0.9 * commas or semicolons > len(lines):
        return False
    ends = _share(lines, lambda line: line.endswith((*'.,;:!”’"', "—", "–", "-")))
    goes_on = _share(lines[1:], lambda line: line[:1].islower()) if len(lines) > 1 else 0.0
    return ends >= 0.5 or goes_on >= 0.3


def _is_asked(line: str) -> bool:
    first = line.split(",")[0].strip().strip('"')
    return any(_ASKS.fullmatch(part) or _JUDGED.fullmatch(part) for part in (first, line.strip()))
