"""The whole shelf saved to one file, while players play on, and restored from one."""

from collections.abc import Callable
from functools import partial
from pathlib import Path
from shutil import copyfileobj, rmtree
from tempfile import TemporaryDirectory, mkdtemp

from fastapi import UploadFile
from fastapi.responses import FileResponse, JSONResponse, Response
from pydantic import BaseModel
from starlette.background import BackgroundTask
from starlette.exceptions import HTTPException

from dicetrail.restoring import restore_into
from dicetrail.services.app_state import AppState
from dicetrail.store import StoreTrouble, back_up
from dicetrail.web.context import Now, SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.reading import Attended

MEDIA_TYPE = "application/vnd.sqlite3"

router = Router("/api", "backup")


@router.get("/backup", response_class=FileResponse, responses=files(MEDIA_TYPE))
def save_shelf(app_state: SharedState, now: Now) -> FileResponse:
    """Every game, pack, picture, sound, run and kept run, as a file to be restored from."""
    folder = Path(mkdtemp(prefix="dicetrail-"))
    copy = folder / "shelf.sqlite"
    try:
        back_up(app_state.database, copy)
    except BaseException:
        rmtree(folder)
        raise
    return FileResponse(
        copy,
        media_type=MEDIA_TYPE,
        filename=f"dice-trail-shelf-{now:%Y-%m-%d}.sqlite",
        background=BackgroundTask(rmtree, folder),
    )


class Restored(BaseModel):
    """What of a shelf could not be read, and was left out, in words."""

    left_out: tuple[str, ...]


@router.post("/backup", status_code=204, responses={200: {"model": Restored}})
async def restore_shelf(file: UploadFile, app_state: SharedState, attended: Attended) -> Response:
    """Put a shelf that was saved on this one, on which there never was anything. Where some of it
    could not be read, the answer has a body that tells what."""
    with TemporaryDirectory(prefix="dicetrail-") as folder:
        copy = Path(folder) / "brought.sqlite"
        try:
            left_out = await attended(partial(_restored, app_state, file, copy))
        except StoreTrouble as trouble:
            if trouble.is_full:
                raise
            told = trouble.told
            if trouble.path != app_state.database.path:
                told = (
                    f"This file cannot be restored: {trouble.what}. Choose a shelf that was saved."
                )
            raise HTTPException(409, told) from None
    return JSONResponse({"left_out": left_out}) if left_out else Response(status_code=204)


def _restored(
    app_state: AppState, file: UploadFile, copy: Path, is_given_up: Callable[[], bool]
) -> tuple[str, ...]:
    with copy.open("wb") as to:
        copyfileobj(file.file, to)
    left_out = restore_into(app_state.database, app_state.aside, copy, is_given_up)
    app_state.know_addresses()
    return left_out
