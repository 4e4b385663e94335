"""ZIP archives (workbooks, and questions with their pictures and sounds), looked over first."""

import io
import zipfile

from dicetrail.files.text import FileProblem

MOST_FILES = 2_000
"""The most files an archive may hold."""
MOST_UNPACKED = 256 * 1024 * 1024
"""The most an archive may unpack to, in bytes."""

_WORKBOOK = "xl/workbook.xml"


def is_archive(content: bytes) -> bool:
    """Whether the bytes begin as a ZIP archive does (APPNOTE.TXT 4.3.7)."""
    return content.startswith(b"PK\x03\x04")


def is_workbook(content: bytes) -> bool:
    """Whether the bytes are an archive that holds a workbook. Raises FileProblem for one that
    is damaged or would unpack to too much."""
    return is_archive(content) and any(entry.filename == _WORKBOOK for entry in entries_of(content))


def entries_of(content: bytes) -> list[zipfile.ZipInfo]:
    """What an archive says it holds. Raises FileProblem."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            entries = archive.infolist()
    except Exception as error:  # whatever damage makes the reader of archives trip over
        raise FileProblem("the file", "this archive is damaged", "make it anew") from error
    if len(entries) > MOST_FILES:
        raise FileProblem(
            "the file", f"{len(entries):,} files, and at most {MOST_FILES:,} are read", "split it"
        )
    if sum(entry.file_size for entry in entries) > MOST_UNPACKED:
        raise FileProblem(
            "the file",
            f"it would unpack to more than {MOST_UNPACKED:,} bytes",
            "save the questions alone, or split it",
        )
    return entries


def content_of(content: bytes, entry: zipfile.ZipInfo) -> bytes:
    """One file of an archive. Raises FileProblem."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            return archive.read(entry)
    except MemoryError:
        raise
    except Exception as error:  # as above
        what = "this part of the archive is damaged"
        raise FileProblem(entry.filename, what, "make the archive anew") from error
