"""Pictures and sounds of packs and games, by the digest of their content."""

from fastapi import Response, UploadFile

from dicetrail.store.media import get_medium
from dicetrail.web.context import SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.reading import ReadAside
from dicetrail.web.uploads import MediumBrought, brought

router = Router("/api/pictures", "media")
media = Router("/api/media", "media")


@router.post("", status_code=201)
async def bring_picture(file: UploadFile, read: ReadAside, app_state: SharedState) -> MediumBrought:
    """Keep a picture for a game's look or an ending to name by its digest."""
    words = "This is a sound; bring a picture: PNG, JPEG, WebP or SVG."
    return await brought(file, "image/", words, read, app_state.database)


@media.get("/{digest}", response_class=Response, responses=files("image/*", "audio/*"))
def show_medium(digest: str, app_state: SharedState) -> Response:
    """A picture or sound. Its digest always means the same content, and nothing in it is run."""
    with app_state.database.reading() as session:
        found = get_medium(session, digest)
        headers = {
            "cache-control": "public, max-age=31536000, immutable",
            "content-security-policy": "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        }
        return Response(found.content, media_type=found.media_type, headers=headers)
