"""Pictures and sounds of packs and games, by the digest of their content."""

from fastapi import Response, UploadFile
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException

from dicetrail.files import Medium
from dicetrail.limits import MAX_MEDIUM
from dicetrail.store import Database
from dicetrail.store.media import get_medium, keep_medium
from dicetrail.web.context import SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.reading import ReadAside

router = Router("/api/pictures", "media")
media = Router("/api/media", "media")


class MediumBrought(BaseModel):
    """A picture or sound that is kept, by the digest of its content."""

    digest: str


@router.post("", status_code=201)
async def bring_picture(file: UploadFile, read: ReadAside, app_state: SharedState) -> MediumBrought:
    """Keep a picture for a game's look or an ending to name by its digest."""
    words = "This is a sound; bring a picture: PNG, JPEG, WebP or SVG."
    return await brought(file, "image/", words, read, app_state.database)


async def brought(
    file: UploadFile, kind: str, otherwise: str, read: ReadAside, database: Database
) -> MediumBrought:
    """Keep a file of that kind. Raises HTTPException, in the words given, if it is of another."""
    given = await read("media", [(file.filename or "a file", await file.read(MAX_MEDIUM + 1))])
    (found,) = given.values()
    if not found.media_type.startswith(kind):
        raise HTTPException(422, otherwise)
    await run_in_threadpool(_keep, database, found)
    return MediumBrought(digest=found.digest)


def _keep(database: Database, found: Medium) -> None:
    with database.writing() as session:
        keep_medium(session, found.digest, found.media_type, found.content)


@media.get("/{digest}", response_class=Response, responses=files("image/*", "audio/*"))
def show_medium(digest: str, app_state: SharedState) -> Response:
    """A picture or sound, which never changes under its digest and can do nothing but show."""
    with app_state.database.reading() as session:
        found = get_medium(session, digest)
        headers = {
            "cache-control": "public, max-age=31536000, immutable",
            "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        }
        return Response(found.content, media_type=found.media_type, headers=headers)
