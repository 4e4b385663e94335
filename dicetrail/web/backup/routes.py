"""The whole shelf saved to one file, while players play on, and restored from one."""

from pathlib import Path
from shutil import copyfileobj, rmtree
from tempfile import TemporaryDirectory, mkdtemp

from fastapi import UploadFile
from fastapi.responses import FileResponse
from starlette.background import BackgroundTask
from starlette.exceptions import HTTPException

from dicetrail.store import StoreTrouble, back_up, restore_into
from dicetrail.web.context import Now, SharedShelf
from dicetrail.web.wire.bodies import Router
from dicetrail.web.wire.description import files

MEDIA_TYPE = "application/vnd.sqlite3"

router = Router("/api", "backup")


@router.get("/backup", response_class=FileResponse, responses=files(MEDIA_TYPE))
def save_shelf(shelf: SharedShelf, now: Now) -> FileResponse:
    """Every game, pack, picture, sound, run and kept run, as a file to be restored from."""
    folder = Path(mkdtemp(prefix="dicetrail-"))
    copy = folder / "shelf.sqlite"
    try:
        back_up(shelf.database, copy)
    except BaseException:
        rmtree(folder)
        raise
    return FileResponse(
        copy,
        media_type=MEDIA_TYPE,
        filename=f"dice-trail-shelf-{now:%Y-%m-%d}.sqlite",
        background=BackgroundTask(rmtree, folder),
    )


@router.post("/backup", status_code=204)
def restore_shelf(file: UploadFile, shelf: SharedShelf) -> None:
    """Put a shelf that was saved on this one, on which there never was anything."""
    with TemporaryDirectory(prefix="dicetrail-") as folder:
        copy = Path(folder) / "brought.sqlite"
        with copy.open("wb") as to:
            copyfileobj(file.file, to)
        try:
            restore_into(shelf.database, copy)
            shelf.know_addresses()
        except StoreTrouble as trouble:
            if trouble.is_full:
                raise
            told = trouble.told
            if trouble.path != shelf.database.path:
                told = (
                    f"This file cannot be restored: {trouble.what}. Choose a shelf that was saved."
                )
            raise HTTPException(409, told) from None
