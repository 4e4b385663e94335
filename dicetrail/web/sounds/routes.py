"""Sounds: those that every game can use, those of one game, and those being designed."""

import base64
from dataclasses import replace
from functools import lru_cache

from fastapi import Response, UploadFile
from starlette.exceptions import HTTPException

from dicetrail.core import Game, Sound
from dicetrail.core.document import RATE, SHIPPED, out_of_bounds, outline, samples, sound_named, wav
from dicetrail.core.survey import sound_problems
from dicetrail.files.shipped import shipped_file
from dicetrail.services.voice import voice_for
from dicetrail.store import NotFound
from dicetrail.store.games import game_revision
from dicetrail.store.media import get_medium
from dicetrail.web.context import SharedState
from dicetrail.web.http_format.bodies import Router
from dicetrail.web.http_format.description import files
from dicetrail.web.http_format.errors import Faulty
from dicetrail.web.http_format.shapes import RevisionNumber
from dicetrail.web.reading import ReadAside
from dicetrail.web.sounds.shapes import SoundMade, ToRead
from dicetrail.web.uploads import MediumBrought, brought

router = Router("/api/sounds", "sounds")

_FOR_EVER = {"cache-control": "public, max-age=31536000, immutable"}


@router.get("")
def list_sounds() -> tuple[Sound, ...]:
    """The sounds that every game can use, with their notes."""
    return SHIPPED


@router.post("/made")
def make_sound(sound: Sound) -> SoundMade:
    """A sound made of its notes, drawn and as a WAV file; nothing is kept."""
    made = _made(sound)
    lowest, highest = zip(*outline(sound), strict=True)
    return SoundMade(
        seconds=len(samples(sound)) / RATE,
        lowest=lowest,
        highest=highest,
        wav=base64.b64encode(made).decode(),
    )


@router.post("", status_code=201)
async def bring_sound(file: UploadFile, read: ReadAside, app_state: SharedState) -> MediumBrought:
    """Keep a sound file for a game's sounds to name by its digest."""
    words = "This is a picture; bring a sound: WAV, OGG or MP3."
    return await brought(file, "audio/", words, read, app_state.database)


@router.post("/voice", response_class=Response, responses=files("audio/wav"))
def read_words_out(wanted: ToRead, app_state: SharedState) -> Response:
    """A text read out by a made voice, for the maker's table."""
    sound = voice_for(app_state.database, wanted.text, wanted.language)
    if sound is None:
        raise HTTPException(404, "There is no voice on this server to read it out.")
    return Response(sound, 200, {"cache-control": "no-store"}, "audio/wav")


@router.get(
    "/games/{game_id}/{revision}/{name}",
    response_class=Response,
    responses=files("audio/*"),
)
def play_sound(
    game_id: str, revision: RevisionNumber, name: str, app_state: SharedState
) -> Response:
    """A sound of one revision of a game. It never changes."""
    with app_state.database.reading() as session:
        sound = _sound_in(game_revision(session, game_id, revision).document, name)
        if sound.file:
            kept = get_medium(session, sound.file)
            return Response(kept.content, 200, _FOR_EVER, kept.media_type)
    return Response(_made(sound), 200, _FOR_EVER, "audio/wav")


def _sound_in(game: Game, name: str) -> Sound:
    sound = sound_named(game, name)
    if sound is None:
        raise NotFound("sound", name)
    return sound


@lru_cache(maxsize=256)
def _made(sound: Sound) -> bytes:
    """A sound of notes as a WAV file. Raises Faulty if it has a fault."""
    faults = (*out_of_bounds(sound, "sound"), *sound_problems("sound", replace(sound, file="")))
    if faults:
        raise Faulty("This sound cannot be heard until its faults are mended.", faults)
    return shipped_file(sound.name).read_bytes() if sound in SHIPPED else wav(sound)
