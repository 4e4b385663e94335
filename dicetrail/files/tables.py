"""Write tables as separated text. All exports use this writer, so that no spreadsheet runs a cell
as a formula."""

import csv
import io
import re
from collections.abc import Iterable, Sequence

FORMULA = r"[=+\-@\t\r\n＝＋－＠]"
"""The characters with which a spreadsheet may begin a formula (OWASP, "CSV Injection", from
memory). The last four are the wide forms of the first four."""

_IS_FORMULA = re.compile(f"'*{FORMULA}")


def guarded(cell: str) -> str:
    """A text that no spreadsheet runs as a formula; `unguarded` gives it back.

    >>> guarded("=1+1"), guarded("'=1+1"), guarded("pea")
    ("'=1+1", "''=1+1", 'pea')
    """
    return f"'{cell}" if _IS_FORMULA.match(cell) else cell


def separated(rows: Iterable[Sequence[object]], character: str = ",") -> str:
    """Rows as separated text after RFC 4180, every text guarded; numbers stay numbers."""
    out = io.StringIO(newline="")
    writer = csv.writer(out, delimiter=character, lineterminator="\r\n")
    writer.writerows(
        [guarded(cell) if isinstance(cell, str) else cell for cell in row] for row in rows
    )
    return out.getvalue()
