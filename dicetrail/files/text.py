"""From the bytes of a file to its text, or to the one reason why it has none."""

from dicetrail.core import Problem

MOST_BYTES = 16 * 1024 * 1024
"""A question file is at most this large: some 150,000 questions."""


class FileProblem(ValueError):
    """A file that cannot be read at all. `problem` says where, what, and how to mend it."""

    def __init__(self, where: str, what: str, mend: str) -> None:
        self.problem = Problem(where, what, mend)
        super().__init__(f"{where}: {what}")


def text_of(content: bytes) -> str:
    """The text of a UTF-8 file, with or without byte order mark, line endings untouched.

    Raises FileProblem if the file is empty, too large, or not UTF-8 text.
    """
    if len(content) > MOST_BYTES:
        raise FileProblem(
            "the file",
            f"{len(content):,} bytes, and at most {MOST_BYTES:,} are read",
            "split it into several files and load one after the other",
        )
    if content.startswith((b"\xff\xfe", b"\xfe\xff")):
        raise FileProblem(
            "line 1", "the file is saved as UTF-16", "save it as UTF-8 in your editor"
        )
    if b"\0" in content:
        raise FileProblem(
            _place(content, content.index(b"\0")),
            "this is not a text file",
            "save the questions as tab- or comma-separated text",
        )
    try:
        text = content.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        raise FileProblem(
            _place(content, error.start),
            f"the byte {content[error.start]:#04x} is not UTF-8 text",
            "save the file as UTF-8 in your editor",
        ) from None
    if not text.strip():
        raise FileProblem("the file", "it is empty", "choose a file with questions in it")
    return text


def _place(content: bytes, offset: int) -> str:
    """The line of a byte, in words; a lone carriage return ends a line too."""
    before = content[:offset].replace(b"\r\n", b"\n").replace(b"\r", b"\n")
    return f"line {before.count(10) + 1}"
