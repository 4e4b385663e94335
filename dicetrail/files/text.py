"""Decode the bytes of a file to text, or give the one reason why that is impossible."""

import re
from dataclasses import dataclass

from charset_normalizer import from_bytes

from dicetrail.core import Problem
from dicetrail.files.encodings import likeliest
from dicetrail.limits import MAX_FILE

_LOOKED_AT = 256 * 1024
"""How much of a file is looked at to find its encoding."""


NO_CHARACTER = re.compile("[^\\t\\n\\r\\x20-\\ud7ff\\ue000-\\ufffd\\U00010000-\\U0010ffff]")
"""The characters that no XML document can contain (W3C, XML 1.0, production 2)."""


class FileProblem(ValueError):
    """A file that cannot be read at all. `problem` says where, what, and how to mend it."""

    def __init__(self, where: str, what: str, mend: str) -> None:
        self.problem = Problem(where, what, mend)
        super().__init__(f"{where}: {what}")

    def __reduce__(self) -> "tuple[type[FileProblem], tuple[str, ...]]":
        """How pickle makes it again in another process."""
        return FileProblem, (self.problem.where, self.problem.what, self.problem.mend)


@dataclass(frozen=True, slots=True)
class Text:
    """The text of a file, line endings untouched, and the encoding it was read in."""

    text: str
    encoding: str


def text_of(content: bytes, encoding: str | None = None) -> Text:
    """The text of a file, in the encoding given or in the one it seems to have.

    Raises FileProblem if the file is empty, too large, no text, or mixed of encodings.
    """
    if len(content) > MAX_FILE:
        raise FileProblem(
            "the file",
            f"{len(content):,} bytes, and at most {MAX_FILE:,} are read",
            "split it into several files and load one after the other",
        )
    if not content.strip():
        raise FileProblem("the file", "it is empty", "choose a file with questions in it")
    found = encoding or _encoding_of(content)
    try:
        text = content.decode(found)
    except (UnicodeDecodeError, LookupError) as error:
        offset = error.start if isinstance(error, UnicodeDecodeError) else 0
        raise FileProblem(
            _place(content, offset),
            f"this cannot be read as {found}",
            "choose the encoding the file was saved in, or save it as UTF-8",
        ) from None
    text = text.removeprefix("\ufeff")
    if "\0" in text:
        line = text.count("\n", 0, text.index("\0")) + 1
        raise FileProblem(
            f"line {line}",
            "this is not a text file",
            "save the questions as text, a spreadsheet (XLSX), JSON or YAML",
        )
    if not text.strip():
        raise FileProblem("the file", "it is empty", "choose a file with questions in it")
    return Text(text, found)


def _encoding_of(content: bytes) -> str:
    """UTF-8 if it is that, else UTF-16 by its mark, else what charset-normalizer finds."""
    if content.startswith((b"\xff\xfe", b"\xfe\xff")):
        return "utf-16"
    try:
        content.decode("utf-8")
    except UnicodeDecodeError as error:
        if b"\0" in content[:_LOOKED_AT]:
            return "utf-8" if b"\0" in content[: error.start] else "latin-1"
        if _is_mostly_utf_8(content):
            raise FileProblem(
                _place(content, error.start),
                f"the byte {content[error.start]:#04x} is not UTF-8, though other letters of "
                "the file are: it is mixed of two encodings",
                "save the whole file as UTF-8, or choose one encoding to read it all in",
            ) from None
        if older := likeliest(content):
            return older
        best = from_bytes(content[:_LOOKED_AT]).best()
        return best.encoding if best else "cp1252"
    return "utf-8"


def _is_mostly_utf_8(content: bytes) -> bool:
    """Whether at least half of the bytes beyond ASCII are well-formed UTF-8."""
    readable = content[:_LOOKED_AT].decode("utf-8", "surrogateescape")
    beyond = [character for character in readable if character > "\x7f"]
    broken = sum("\udc80" <= character <= "\udcff" for character in beyond)
    return len(beyond) - broken >= broken


def _place(content: bytes, offset: int) -> str:
    """The line of a byte, in words; a lone carriage return ends a line too."""
    before = content[:offset].replace(b"\r\n", b"\n").replace(b"\r", b"\n")
    return f"line {before.count(10) + 1}"
