"""Check ZIP archives (workbooks, and questions with their pictures and sounds) before they are
read."""

import io
import re
import zipfile
from collections.abc import Iterable

from dicetrail.files.text import FileProblem

MAX_FILES = 2_000
"""The most files an archive may hold."""
MAX_UNPACKED = 256 * 1024 * 1024
"""The most an archive may unpack to, in bytes."""

_WORKBOOK = "xl/workbook.xml"
_COMPOUND = bytes.fromhex("d0cf11e0a1b11ae1")
"""How older files of office programs begin (MS-CFB 2.2)."""


def is_archive(content: bytes) -> bool:
    """Whether the bytes begin as a ZIP archive does (APPNOTE.TXT 4.3.7)."""
    return content.startswith(b"PK\x03\x04")


def is_workbook(content: bytes) -> bool:
    """Whether the bytes are a workbook: XLSX, ODS, or the older XLS. Raises FileProblem for an
    archive that is damaged or would unpack to too much."""
    if content.startswith(_COMPOUND):
        return True
    return is_archive(content) and (_holds(content, _WORKBOOK) or is_open_sheet(content))


def is_open_sheet(content: bytes) -> bool:
    """Whether an archive is a spreadsheet as OpenDocument has them. Raises FileProblem."""
    kind = next((one for one in entries_of(content) if one.filename == "mimetype"), None)
    return kind is not None and kind.file_size < 200 and b"spreadsheet" in content_of(content, kind)


def is_paper(content: bytes) -> bool:
    """Whether an archive is a document of a word processor (DOCX, ODT). Raises FileProblem."""
    if not is_archive(content) or is_workbook(content):
        return False
    return _holds(content, "word/document.xml") or _holds(content, "content.xml")


def _holds(content: bytes, name: str) -> bool:
    return any(entry.filename == name for entry in entries_of(content))


def entries_of(content: bytes) -> list[zipfile.ZipInfo]:
    """The entries that an archive lists. Raises FileProblem."""
    try:
        with zipfile.ZipFile(io.BytesIO(content)) as archive:
            entries = archive.infolist()
    except Exception as error:  # whatever damage makes the reader of archives trip over
        raise FileProblem("the file", "this archive is damaged", "make it anew") from error
    if len(entries) > MAX_FILES:
        raise FileProblem(
            "the file", f"{len(entries):,} files, and at most {MAX_FILES:,} are read", "split it"
        )
    if sum(entry.file_size for entry in entries) > MAX_UNPACKED:
        raise FileProblem(
            "the file",
            f"it would unpack to more than {MAX_UNPACKED:,} bytes",
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


def left_out(names: Iterable[str]) -> tuple[str, ...]:
    """What of a document or workbook is never read, by the names of what it holds (ECMA-376 and
    OpenDocument 1.2, from memory)."""
    found = list(names)
    kinds = (
        ("Its macros are left out, and never run.", _MACROS),
        ("Objects embedded in it are left out.", _OBJECTS),
        ("Its pictures are left out: bring them beside it, and name them in its rows.", _PICTURES),
    )
    return tuple(words for words, kind in kinds if any(map(kind.search, found)))


_MACROS = re.compile(r"vbaProject\.bin$|^Basic/|^Scripts/")
_OBJECTS = re.compile(r"/embeddings/|/activeX/|^Object [0-9]+/")
_PICTURES = re.compile(r"/media/|^Pictures/")


def is_locked(content: bytes) -> bool:
    """Whether a workbook or document is encrypted with a password: as OpenDocument packages say
    in their manifest (1.2, part 3), OOXML as a compound file (MS-OFFCRYPTO 2.3.4), and XLS by a
    record at its beginning (MS-XLS 2.4.117). All from memory."""
    if is_archive(content):
        manifest = [one for one in entries_of(content) if one.filename == "META-INF/manifest.xml"]
        return any(b"encryption-data" in content_of(content, one) for one in manifest)
    if "EncryptedPackage".encode("utf-16-le") in content:
        return True
    place = content.find(_BEGINS)
    for _ in range(_RECORDS_LOOKED_AT):
        kind, length = content[place : place + 2], content[place + 2 : place + 4]
        if place < 0 or len(length) < 2:
            return False
        if kind == _FILE_PASS:
            return True
        place += 4 + int.from_bytes(length, "little")
    return False


_BEGINS = bytes.fromhex("0908100000060500")
_FILE_PASS = bytes.fromhex("2f00")
_RECORDS_LOOKED_AT = 8
