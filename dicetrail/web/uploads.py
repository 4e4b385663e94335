"""Receive files: their names, and pictures and sounds to be kept."""

from collections.abc import Sequence
from pathlib import PurePath

from fastapi import UploadFile
from pydantic import BaseModel
from starlette.concurrency import run_in_threadpool
from starlette.exceptions import HTTPException

from dicetrail.core.answers import tidy
from dicetrail.files import Medium
from dicetrail.limits import MAX_MEDIA, MAX_MEDIUM
from dicetrail.store import Database
from dicetrail.store.media import keep_medium
from dicetrail.web.reading import ReadAside


class MediumBrought(BaseModel):
    """A picture or sound that is kept, by the digest of its content."""

    digest: str


def file_name(file: UploadFile) -> str:
    """The name of a file, without folders and invisible characters. It can be empty."""
    return PurePath(tidy(file.filename or "")).name[:200]


async def named(files: Sequence[UploadFile]) -> list[tuple[str, bytes]]:
    """The content of files by the names that questions use."""
    return [(file_name(file), await file.read(MAX_MEDIUM + 1)) for file in files[:MAX_MEDIA]]


async def brought(
    file: UploadFile, kind: str, otherwise: str, read: ReadAside, database: Database
) -> MediumBrought:
    """Keep a file of one kind. Raises HTTPException with these words if it is of another kind."""
    given = await read("media", [(file.filename or "a file", await file.read(MAX_MEDIUM + 1))])
    (found,) = given.values()
    if not found.media_type.startswith(kind):
        raise HTTPException(422, otherwise)
    await run_in_threadpool(_keep, database, found)
    return MediumBrought(digest=found.digest)


def _keep(database: Database, found: Medium) -> None:
    with database.writing() as session:
        keep_medium(session, found.digest, found.media_type, found.content)
