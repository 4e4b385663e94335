"""Export a game as one file for a terminal: the engine and the game, for Python 3.11 or later.

The file is an archive that Python runs (PEP 441). Nothing has to be installed.
"""

import io
import json
import zipfile
from collections.abc import Iterator
from pathlib import Path

import dicetrail
from dicetrail.standalone.json_codec import to_json
from dicetrail.standalone.zipapp_entry import GAME_FILE
from dicetrail.takeaway.leaving import Leaving

_ROOT = Path(dicetrail.__file__).parent
_PARTS = ("__init__.py", "core/**/*.py", "standalone/**/*.py", "translations/*.po")
_BEGINS = """\
import sys

if sys.version_info < (3, 11):
    sys.exit("Python 3.11 or newer is needed.")

from dicetrail.standalone.zipapp_entry import main

sys.exit(main())
"""
_LONG_AGO = (1980, 1, 1, 0, 0, 0)
"""The time every part says it was written, so that the same game makes the same file."""


def program_file(leaving: Leaving) -> bytes:
    """The file."""
    packed = io.BytesIO(b"#!/usr/bin/env python3\n")
    packed.seek(0, io.SEEK_END)
    with zipfile.ZipFile(packed, "a", zipfile.ZIP_DEFLATED) as archive:
        for name, content in _parts(leaving):
            entry = zipfile.ZipInfo(name, _LONG_AGO)
            entry.external_attr = 0o644 << 16
            archive.writestr(entry, content, zipfile.ZIP_DEFLATED)
    return packed.getvalue()


def code() -> Iterator[tuple[str, bytes]]:
    """The engine itself, as Python: what leaves with every game, by its paths."""
    for part in _PARTS:
        for path in sorted(_ROOT.glob(part)):
            yield f"dicetrail/{path.relative_to(_ROOT).as_posix()}", path.read_bytes()


def _parts(leaving: Leaving) -> Iterator[tuple[str, bytes]]:
    yield "__main__.py", _BEGINS.encode()
    yield from code()
    game = json.dumps(to_json(leaving.standalone), ensure_ascii=False, separators=(",", ":"))
    yield f"dicetrail/standalone/{GAME_FILE}", game.encode()
