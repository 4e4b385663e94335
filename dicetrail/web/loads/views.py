"""Make the view of a load."""

import secrets
from dataclasses import replace

from starlette.concurrency import run_in_threadpool

from dicetrail.core import Pack
from dicetrail.core.answers import Comparison, compare
from dicetrail.files import FileReading
from dicetrail.files.sandbox import UnpackedFile
from dicetrail.services.app_state import AppState
from dicetrail.services.loads import LOOKED_AT, Into, Load, Target, media_held
from dicetrail.store.packs import newest_pack
from dicetrail.web.loads.shapes import LoadView
from dicetrail.web.reading import Read

SHOWN = 40
"""The largest number of questions, and of refused rows, in a preview."""


async def brought_load(read: Read, app_state: AppState, name: str, content: bytes) -> LoadView:
    """Hold a file, and make its preview. Nothing is stored yet."""
    brought: UnpackedFile = await read("bring", name or "questions", content, LOOKED_AT)
    load = Load(
        secrets.token_urlsafe(9), brought.file_name, brought.content, brought.plan, brought.media
    )
    app_state.loads.add(load)
    return _viewed(load, brought.first)


async def load_view(read: Read, app_state: AppState, load: Load, target: Target) -> LoadView:
    """The preview of a file that is held, by its present plan."""
    held = await run_in_threadpool(media_held, app_state.database, target)
    known = {*load.media, *held}
    reading: FileReading = await read(
        "look", load.content, load.plan, load.mended, LOOKED_AT, known
    )
    comparison = None
    if target.into is Into.REPLACE and reading.facts is None:
        comparison = await run_in_threadpool(_compared, app_state, target.pack_id, reading)
    return _viewed(load, reading, comparison)


def _viewed(load: Load, reading: FileReading, comparison: Comparison | None = None) -> LoadView:
    facts = reading.facts
    return LoadView(
        id=load.id,
        file_name=load.file_name,
        plan=load.plan,
        headings=reading.headings,
        first_rows=reading.first_rows,
        sheets=reading.sheets,
        is_whole=reading.is_whole,
        rows=reading.rows,
        rows_expected=max(load.rows_expected, reading.rows),
        blank_lines=reading.blank_lines,
        media=sorted(load.media),
        question_count=len(reading.questions if facts is None else facts.rows),
        facts=None if facts is None else replace(facts, rows=facts.rows[:SHOWN]),
        questions=reading.questions[:SHOWN],
        refused_count=len(reading.refused),
        refused=reading.refused[:SHOWN],
        comparison=comparison,
        may_be_facts=reading.may_be_facts,
        notes=reading.notes,
    )


def _compared(app_state: AppState, pack_id: str, reading: FileReading) -> Comparison:
    """The changes of a pack that a file would replace."""
    with app_state.database.reading() as session:
        number = newest_pack(session, pack_id).number
    return compare(app_state.packs.pack(pack_id, number), Pack("", reading.questions))
