"""A small voice that reads out what carries no recording, if the machine has one.

The voice is the speech synthesiser espeak-ng where Debian's package of that name is there;
it runs on this machine alone. A text is read out once and kept.
"""

import shutil
import subprocess

from dicetrail.files import FileProblem, medium
from dicetrail.store import Database
from dicetrail.store.media import get_medium, keep_medium, keep_voice, voice_of

SPEAKER = "espeak-ng"
_SLOWEST = 10
"""Seconds after which the voice is given up."""


def voice_for(database: Database, text: str) -> bytes | None:
    """A text read out, as a WAV file; None if there is no voice on this machine."""
    if not text:
        return None
    with database.reading() as session:
        kept = voice_of(session, text)
        if kept is not None:
            return get_medium(session, kept).content
    spoken = _speak(text)
    if spoken is None:
        return None
    made = medium("voice.wav", spoken)
    with database.writing() as session:
        keep_medium(session, made.digest, made.media_type, made.content)
        keep_voice(session, text, made.digest)
    return made.content


def _speak(text: str) -> bytes | None:
    speaker = shutil.which(SPEAKER)
    if speaker is None:
        return None
    try:
        done = subprocess.run(
            [speaker, "--stdin", "--stdout", "-v", "en", "-s", "150"],
            input=text.encode(),
            capture_output=True,
            timeout=_SLOWEST,
            check=True,
        )
        medium("voice.wav", done.stdout)
    except (OSError, subprocess.SubprocessError, FileProblem):
        return None
    return done.stdout
