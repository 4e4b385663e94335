"""Loads: a file looked at by a plan, changed, and taken into a pack."""

from typing import Annotated

from fastapi import Form, Request, UploadFile

from dicetrail.files import ImportOptions
from dicetrail.services.loads import PASTED, Load, Target
from dicetrail.web.context import SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.loads.shapes import LoadLook, LoadProgress, LoadTake, LoadView
from dicetrail.web.loads.views import brought_load, load_view
from dicetrail.web.reading import ReadAside
from dicetrail.web.uploads import file_name, named

router = Router("/api/loads", "loads")


@router.post("", status_code=201)
async def begin_load(
    read: ReadAside,
    app_state: SharedState,
    file: UploadFile | None = None,
    text: Annotated[str, Form(max_length=4_000_000)] = "",
) -> LoadView:
    """Bring a file, or pasted text, to be looked at. Nothing is written."""
    if file is not None:
        return await brought_load(read, app_state, file_name(file), await file.read())
    return await brought_load(read, app_state, PASTED, text.encode())


@router.get("/{load_id}")
async def show_load(load_id: str, read: ReadAside, app_state: SharedState) -> LoadView:
    """What a file that waits gives by the plan it was last looked at by."""
    return await load_view(read, app_state, app_state.loads.get(load_id), Target())


@router.post("/{load_id}/look")
async def look_at_load(
    load_id: str, wanted: LoadLook, read: ReadAside, app_state: SharedState
) -> LoadView:
    """What the file gives by this plan, with these rows mended. Nothing is written."""
    load = app_state.loads.get(load_id)
    load.change(wanted.plan, wanted.mended)
    return await load_view(read, app_state, load, wanted.target)


@router.post("/{load_id}/guess")
async def guess_load_again(
    load_id: str, options: ImportOptions, read: ReadAside, app_state: SharedState
) -> LoadView:
    """A new guess of the columns, with what its maker says of the file."""
    load = app_state.loads.get(load_id)
    load.change(await read("guess", load.content, options), {})
    return await load_view(read, app_state, load, Target())


@router.post("/{load_id}/media")
async def add_load_media(
    load_id: str, files: list[UploadFile], read: ReadAside, app_state: SharedState
) -> LoadView:
    """Add pictures and sounds that the file names. Nothing is stored yet."""
    load = app_state.loads.get(load_id)
    brought = await read("media", await named(files))
    load.media = load.media | brought  # with what others brought meanwhile
    app_state.loads.add(load)  # it weighs more now
    return await load_view(read, app_state, load, Target())


@router.post("/{load_id}/take", status_code=202)
def take_load(
    load_id: str, wanted: LoadTake, request: Request, app_state: SharedState
) -> LoadProgress:
    """Begin to read the whole file and write its pack."""
    load = app_state.loads.get(load_id)
    app_state.loads.take(
        load, app_state.aside, app_state.database, wanted.target, request.app.state.clock
    )
    return _progress(load)


@router.get("/{load_id}/progress")
def show_load_progress(load_id: str, app_state: SharedState) -> LoadProgress:
    """The progress of a load that is being taken."""
    return _progress(app_state.loads.get(load_id))


@router.delete("/{load_id}", status_code=204)
def give_up_load(load_id: str, app_state: SharedState) -> None:
    """Cancel a load. Nothing of it is kept."""
    app_state.loads.forget(load_id)


def _progress(load: Load) -> LoadProgress:
    return LoadProgress(
        stage=load.stage,
        rows_read=load.rows_read,
        rows_expected=max(load.rows_expected, load.rows_read),
        pack_id=load.pack_id,
        problem=load.problem,
    )
