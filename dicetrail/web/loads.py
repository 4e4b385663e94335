"""Loads: a file looked at by a plan, changed, and taken into a pack."""

import threading
from pathlib import PurePath
from typing import Annotated

from fastapi import Form, Request, UploadFile
from starlette.exceptions import HTTPException

from dicetrail.core import Pack, compare, tidy
from dicetrail.files import Medium, Separator, guess, is_bundle, medium, read_bundle
from dicetrail.files.media import MOST_MEDIA
from dicetrail.store.packs import newest_pack
from dicetrail.web.bodies import Router
from dicetrail.web.boundary import LoadLook, LoadProgress, LoadTake, LoadView
from dicetrail.web.context import SharedShelf
from dicetrail.web.loading import Into, Load, Stage, Target, media_held

router = Router("/api/loads", "loads")

SHOWN = 40
"""How many questions and refused rows a look shows at most."""


@router.post("", status_code=201)
def bring(
    shelf: SharedShelf,
    file: UploadFile | None = None,
    text: Annotated[str, Form(max_length=4_000_000)] = "",
) -> LoadView:
    """Bring a file, or pasted text, to be looked at. Nothing is written."""
    content = file.file.read() if file else text.encode()
    name = PurePath(tidy(file.filename or "")).name[:200] if file else "pasted text"
    media: dict[str, Medium] = {}
    if is_bundle(content):
        bundle = read_bundle(content)
        name, content, media = bundle.file_name, bundle.content, bundle.media
    load = shelf.loads.add(name or "questions", content, guess(content), media)
    return _view(shelf, load, Target())


@router.get("/{load_id}")
def show(load_id: str, shelf: SharedShelf) -> LoadView:
    """What a file that waits gives by the plan it was last looked at by."""
    return _view(shelf, shelf.loads.get(load_id), Target())


@router.post("/{load_id}/look")
def look(load_id: str, wanted: LoadLook, shelf: SharedShelf) -> LoadView:
    """What the file gives by this plan, with these rows mended. Nothing is written."""
    load = shelf.loads.get(load_id)
    load.change(wanted.plan, wanted.mended)
    return _view(shelf, load, wanted.target)


@router.post("/{load_id}/guess")
def guess_again(
    load_id: str,
    shelf: SharedShelf,
    encoding: Annotated[str | None, Form(max_length=40)] = None,
    separator: Annotated[Separator | None, Form()] = None,
) -> LoadView:
    """A new guess of the columns, for another encoding or separator."""
    load = shelf.loads.get(load_id)
    load.change(guess(load.content, encoding, separator), {})
    return _view(shelf, load, Target())


@router.post("/{load_id}/media")
def bring_media(load_id: str, files: list[UploadFile], shelf: SharedShelf) -> LoadView:
    """Bring pictures and sounds that the file names. Nothing is written."""
    load = shelf.loads.get(load_id)
    brought = {}
    for file in files[:MOST_MEDIA]:
        name = PurePath(tidy(file.filename or "")).name[:200]
        brought[name] = medium(name, file.file.read())
    load.media = load.media | brought
    return _view(shelf, load, Target())


@router.post("/{load_id}/take", status_code=202)
def take(load_id: str, wanted: LoadTake, request: Request, shelf: SharedShelf) -> LoadProgress:
    """Begin to read the whole file and write its pack."""
    load = shelf.loads.get(load_id)
    if load.stage not in (Stage.WAITING, Stage.FAILED):
        raise HTTPException(409, "This file is being taken already.")
    load.stage = Stage.READING
    threading.Thread(
        target=load.take,
        args=(shelf.database, wanted.target, request.app.state.clock),
    ).start()
    return _progress(load)


@router.get("/{load_id}/progress")
def progress(load_id: str, shelf: SharedShelf) -> LoadProgress:
    """How far the taking of a file is."""
    return _progress(shelf.loads.get(load_id))


@router.delete("/{load_id}", status_code=204)
def give_up(load_id: str, shelf: SharedShelf) -> None:
    """Give a load up. Nothing of it stays."""
    shelf.loads.forget(load_id)


def _view(shelf: SharedShelf, load: Load, target: Target) -> LoadView:
    reading = load.look(media_held(shelf.database, target))
    comparison = None
    if target.into is Into.REPLACE:
        with shelf.database.reading() as session:
            old = newest_pack(session, target.pack_id)
            comparison = compare(Pack(old.title, old.questions), Pack("", reading.questions))
    return LoadView(
        id=load.id,
        file_name=load.file_name,
        plan=load.plan,
        headings=reading.headings,
        first_rows=reading.first_rows,
        rows=reading.rows,
        rows_expected=max(load.rows_expected, reading.rows),
        blank_lines=reading.blank_lines,
        media=sorted(load.media),
        question_count=len(reading.questions),
        questions=reading.questions[:SHOWN],
        refused_count=len(reading.refused),
        refused=reading.refused[:SHOWN],
        comparison=comparison,
    )


def _progress(load: Load) -> LoadProgress:
    return LoadProgress(
        stage=load.stage,
        rows_read=load.rows_read,
        rows_expected=max(load.rows_expected, load.rows_read),
        pack_id=load.pack_id,
        problem=load.problem,
    )
