"""Export a game: the size of each export, and the files themselves."""

import gzip
from functools import lru_cache

from fastapi import Response
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from dicetrail.core.play import Stop
from dicetrail.files import read_game
from dicetrail.services.app_state import AppState
from dicetrail.services.game_files import game_file_of
from dicetrail.store.games import newest_game
from dicetrail.takeaway.folder import (
    NotBuilt,
    folder,
    is_fetched,
    is_of_engine,
    is_of_media,
    look_built,
    package,
    packed,
)
from dicetrail.takeaway.leaving import Leaving, leaving
from dicetrail.takeaway.program import program_file
from dicetrail.takeaway.written import CannotBeWritten, Reason, plain_program
from dicetrail.web.desk import Making
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files

router = Router("/api/games", "take away")


class FolderWeight(BaseModel):
    """The size of a folder in bytes: of its files, and of its compressed transfers."""

    files: int
    whole: int
    """All its files, uncompressed."""
    page: int
    """Transferred before the engine: the page, its typefaces, and the game."""
    media: int
    """Transferred for pictures and sounds, each when it is needed."""
    engine: int
    """Transferred for the engine. A browser keeps it after the first visit."""


class ProgramText(BaseModel):
    """A game as a plain Python program, or why it does not fit one."""

    lines: tuple[str, ...]
    stops: tuple[Stop | None, ...]
    """The stop of each line."""
    reasons: tuple[Reason, ...]
    """The reasons why it cannot be written. Then there are no lines."""


class Weights(BaseModel):
    """The sizes of the exports, in bytes."""

    folder: FolderWeight
    program: int
    lines: int
    """The number of lines of the plain program; 0 if the game does not fit one."""


@router.get("/{game_id}/takeaways")
async def weigh_takeaways(game_id: str, making: Making) -> Weights:
    """The size of each export."""
    _look_built()
    found: Weights = await making(weighed, game_id)
    return found


def weighed(app_state: AppState, game_id: str) -> Weights:
    """The same, computed in a worker process."""
    leaves = _leaving(app_state, game_id)
    laid = folder(leaves)
    wired = {
        name: _wired(name, content) for name, content in laid.items() if is_fetched(name, leaves)
    }
    engine = sum(size for name, size in wired.items() if is_of_engine(name))
    media = sum(size for name, size in wired.items() if is_of_media(name))
    return Weights(
        folder=FolderWeight(
            files=len(laid),
            whole=sum(map(len, laid.values())),
            page=sum(wired.values()) - engine - media,
            media=media,
            engine=engine,
        ),
        program=len(program_file(leaves)),
        lines=len(_written(leaves).lines),
    )


@router.get("/{game_id}/folder", response_class=Response, responses=files("application/zip"))
async def take_folder(game_id: str, making: Making) -> Response:
    """The game as a folder for any web space, in an archive."""
    _look_built()
    return _sent(await making(made_folder, game_id), f"{game_id}.zip", "application/zip")


def made_folder(app_state: AppState, game_id: str) -> bytes:
    """The archive, made in a worker process."""
    return packed(folder(_leaving(app_state, game_id)), game_id)


@router.get("/{game_id}/package", response_class=Response, responses=files("application/zip"))
async def take_package(game_id: str, making: Making) -> Response:
    """The folder as a package that course platforms take (SCORM 1.2)."""
    _look_built()
    content = await making(made_package, game_id)
    return _sent(content, f"{game_id}-course.zip", "application/zip")


def made_package(app_state: AppState, game_id: str) -> bytes:
    """The package, made in a worker process."""
    return packed(package(_leaving(app_state, game_id)))


@router.get("/{game_id}/program", response_class=Response, responses=files("application/zip"))
async def take_program(game_id: str, making: Making) -> Response:
    """The game as one file for a terminal, run by any Python from 3.11 on."""
    return _sent(await making(made_program, game_id), f"{game_id}.pyz", "application/zip")


def made_program(app_state: AppState, game_id: str) -> bytes:
    """The file, made in a worker process."""
    return program_file(_leaving(app_state, game_id))


@router.get("/{game_id}/python")
async def show_python(game_id: str, making: Making) -> ProgramText:
    """The game as a plain Python program, line by line."""
    found: ProgramText = await making(made_lines, game_id)
    return found


def made_lines(app_state: AppState, game_id: str) -> ProgramText:
    """The same, made in a worker process."""
    return _written(_leaving(app_state, game_id))


@router.get("/{game_id}/python/file", response_class=Response, responses=files("text/x-python"))
async def take_python(game_id: str, making: Making) -> Response:
    """The plain Python program as a file."""
    written: ProgramText = await making(made_lines, game_id)
    if not written.lines:
        whys = "; ".join(reason.what for reason in written.reasons)
        raise HTTPException(409, f"It does not fit a plain program: {whys}.")
    content = "\n".join((*written.lines, "")).encode()
    return _sent(content, f"{game_id}.py", "text/x-python")


def _written(leaves: Leaving) -> ProgramText:
    try:
        program = plain_program(leaves.game, leaves.packs, f"{leaves.game_id}.py")
    except CannotBeWritten as refused:
        return ProgramText(lines=(), stops=(), reasons=refused.reasons)
    return ProgramText(
        lines=tuple(program.text.rstrip("\n").split("\n")), stops=program.stops, reasons=()
    )


def _leaving(app_state: AppState, game_id: str) -> Leaving:
    with app_state.database.reading() as session:
        revision = newest_game(session, game_id).number
    return leaving(read_game(game_file_of(app_state, game_id)), game_id, revision)


def _look_built() -> None:
    try:
        look_built()
    except NotBuilt as missing:
        raise HTTPException(503, str(missing)) from None


def _wired(name: str, content: bytes) -> int:
    """The number of bytes transferred if the host compresses (gzip, RFC 1952)."""
    if is_of_engine(name):
        return _engine_wired(name, content)
    return min(len(content), len(gzip.compress(content, 6)))


@lru_cache(maxsize=32)
def _engine_wired(_name: str, content: bytes) -> int:
    """The same for the files that are equal in every folder and take long to compress."""
    return min(len(content), len(gzip.compress(content, 6)))


def _sent(content: bytes, name: str, media_type: str) -> Response:
    disposition = f'attachment; filename="{name}"'
    return Response(content, 200, {"content-disposition": disposition}, media_type)
