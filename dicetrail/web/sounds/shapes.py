"""The shapes of sounds on the wire."""

from typing import Annotated

from pydantic import BaseModel, Field

from dicetrail.core.document import Language
from dicetrail.web.http_format.shapes import Received


class SoundMade(BaseModel):
    """A sound made of notes: how long, its form to draw, and itself as WAV in base64 (RFC 4648)."""

    seconds: float
    lowest: tuple[float, ...]
    """The lowest sample of each of many stretches, within plus and minus 1."""
    highest: tuple[float, ...]
    wav: str


class ToRead(Received):
    """A text to be read out."""

    text: Annotated[str, Field(min_length=1, max_length=5000)]
    language: Language = Language.ENGLISH
