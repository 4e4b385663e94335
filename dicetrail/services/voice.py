"""Read texts out with the machine's speech synthesiser, if it has one.

The voice is the speech synthesiser espeak-ng where Debian's package of that name is there;
it runs on this machine alone. A text is read out once and kept.
"""

import shutil
import subprocess
from pathlib import Path
from tempfile import TemporaryDirectory

from dicetrail.core.document import Language
from dicetrail.files import FileProblem, Medium, medium
from dicetrail.store import Database
from dicetrail.store.media import get_medium, keep_medium, keep_voice, voice_of

SPEAKER = "espeak-ng"
_SLOWEST = 10
"""Seconds after which the voice is given up."""


def voice_for(database: Database, text: str, language: Language) -> bytes | None:
    """A text read out, as a WAV file; None if there is no voice on this machine."""
    if not text:
        return None
    spoken = text if language is Language.ENGLISH else f"{language}: {text}"
    with database.reading() as session:
        kept = voice_of(session, spoken)
        if kept is not None:
            return get_medium(session, kept).content
    made = _speak(text, language)
    if made is None:
        return None
    with database.writing() as session:
        keep_medium(session, made.digest, made.media_type, made.content)
        keep_voice(session, spoken, made.digest)
    return made.content


def _speak(text: str, language: Language) -> Medium | None:
    speaker = shutil.which(SPEAKER)
    if speaker is None:
        return None
    with TemporaryDirectory() as folder:
        file = Path(folder, "voice.wav")
        try:
            subprocess.run(
                [speaker, "--stdin", "-v", language.value, "-s", "150", "-w", str(file)],
                input=text.encode(),
                capture_output=True,
                timeout=_SLOWEST,
                check=True,
            )
            return medium(file.name, file.read_bytes())
        except (OSError, subprocess.SubprocessError, FileProblem):
            return None
