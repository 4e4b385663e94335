"""Loads: a file looked at by a plan, changed, and taken into a pack."""

import secrets
from collections.abc import Sequence
from dataclasses import replace
from pathlib import PurePath
from typing import Annotated

from fastapi import Form, Request, UploadFile
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException

from dicetrail.core import Pack
from dicetrail.core.answers import Comparison, compare, tidy
from dicetrail.files import FileReading, ImportOptions
from dicetrail.files.sandbox import UnpackedFile
from dicetrail.limits import MAX_MEDIA, MAX_MEDIUM
from dicetrail.store.packs import newest_pack
from dicetrail.web.app_state import AppState
from dicetrail.web.context import SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.loads.load import LOOKED_AT, PASTED, Into, Load, Stage, Target, media_held
from dicetrail.web.loads.shapes import LoadLook, LoadProgress, LoadTake, LoadView
from dicetrail.web.reading import Read, ReadAside

router = Router("/api/loads", "loads")

SHOWN = 40
"""How many questions and refused rows a look shows at most."""


@router.post("", status_code=201)
async def begin_load(
    read: ReadAside,
    app_state: SharedState,
    file: UploadFile | None = None,
    text: Annotated[str, Form(max_length=4_000_000)] = "",
) -> LoadView:
    """Bring a file, or pasted text, to be looked at. Nothing is written."""
    content = await file.read() if file else text.encode()
    name = PurePath(tidy(file.filename or "")).name[:200] if file else PASTED
    brought: UnpackedFile = await read("bring", name or "questions", content, LOOKED_AT)
    load = Load(
        secrets.token_urlsafe(9), brought.file_name, brought.content, brought.plan, brought.media
    )
    app_state.loads.add(load)
    return _viewed(load, brought.first)


@router.get("/{load_id}")
async def show_load(load_id: str, read: ReadAside, app_state: SharedState) -> LoadView:
    """What a file that waits gives by the plan it was last looked at by."""
    return await _view(read, app_state, app_state.loads.get(load_id), Target())


@router.post("/{load_id}/look")
async def look_at_load(
    load_id: str, wanted: LoadLook, read: ReadAside, app_state: SharedState
) -> LoadView:
    """What the file gives by this plan, with these rows mended. Nothing is written."""
    load = app_state.loads.get(load_id)
    load.change(wanted.plan, wanted.mended)
    return await _view(read, app_state, load, wanted.target)


@router.post("/{load_id}/guess")
async def guess_load_again(
    load_id: str, options: ImportOptions, read: ReadAside, app_state: SharedState
) -> LoadView:
    """A new guess of the columns, with what its maker says of the file."""
    load = app_state.loads.get(load_id)
    load.change(await read("guess", load.content, options), {})
    return await _view(read, app_state, load, Target())


@router.post("/{load_id}/media")
async def add_load_media(
    load_id: str, files: list[UploadFile], read: ReadAside, app_state: SharedState
) -> LoadView:
    """Bring pictures and sounds that the file names. Nothing is written."""
    load = app_state.loads.get(load_id)
    brought = await read("media", await named(files))
    load.media = load.media | brought  # with what others brought meanwhile
    app_state.loads.add(load)  # it weighs more now
    return await _view(read, app_state, load, Target())


@router.post("/{load_id}/take", status_code=202)
def take_load(
    load_id: str, wanted: LoadTake, request: Request, app_state: SharedState
) -> LoadProgress:
    """Begin to read the whole file and write its pack."""
    load = app_state.loads.get(load_id)
    if load.stage not in (Stage.WAITING, Stage.FAILED):
        raise HTTPException(409, "This file is being taken already.")
    app_state.loads.take(
        load, app_state.aside, app_state.database, wanted.target, request.app.state.clock
    )
    return _progress(load)


@router.get("/{load_id}/progress")
def show_load_progress(load_id: str, app_state: SharedState) -> LoadProgress:
    """How far the taking of a file is."""
    return _progress(app_state.loads.get(load_id))


@router.delete("/{load_id}", status_code=204)
def give_up_load(load_id: str, app_state: SharedState) -> None:
    """Give a load up. Nothing of it stays."""
    app_state.loads.forget(load_id)


async def named(files: Sequence[UploadFile]) -> list[tuple[str, bytes]]:
    """The content of files under their names, as questions name them."""
    return [
        (PurePath(tidy(file.filename or "")).name[:200], await file.read(MAX_MEDIUM + 1))
        for file in files[:MAX_MEDIA]
    ]


async def _view(read: Read, app_state: AppState, load: Load, target: Target) -> LoadView:
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
    """What would change of a pack that a file replaces."""
    with app_state.database.reading() as session:
        number = newest_pack(session, pack_id).number
    return compare(app_state.pack(pack_id, number), Pack("", reading.questions))


def _progress(load: Load) -> LoadProgress:
    return LoadProgress(
        stage=load.stage,
        rows_read=load.rows_read,
        rows_expected=max(load.rows_expected, load.rows_read),
        pack_id=load.pack_id,
        problem=load.problem,
    )
