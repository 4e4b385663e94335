"""The sounds that every game can use, as WAV files that ship with the app.

`python -m dicetrail.files.shipped` writes them anew from the core's notes.
"""

from pathlib import Path

from dicetrail.core.document import SHIPPED, wav

FOLDER = Path(__file__).parent / "sounds"


def shipped_file(name: str) -> Path:
    """Where the WAV file of a shipped sound is."""
    return FOLDER / f"{name.replace(' ', '-')}.wav"


def write_shipped() -> None:
    """Write the file of every shipped sound."""
    FOLDER.mkdir(exist_ok=True)
    for sound in SHIPPED:
        shipped_file(sound.name).write_bytes(wav(sound))


if __name__ == "__main__":
    write_shipped()
