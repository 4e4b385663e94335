"""Sounds made from notes: tones in equal temperament, written as WAV.

A note is one cycle of its wave read over and over, so a square or a sawtooth holds only
partials the sampling rate can carry. Notes ring on into the ones after them. Pitches are in
equal temperament from A4 = 440 Hz (ISO 16:1975); a file is RIFF/WAVE with uncompressed
16-bit samples, one channel (Microsoft and IBM, Multimedia Programming Interface and Data
Specifications 1.0, 1991).
"""

import math
import re
import struct
import wave
from collections.abc import Callable
from io import BytesIO
from itertools import pairwise

from dicetrail.core.document.game import Game, Note, Sound, Wave

RATE = 22_050
"""Samples a second."""

MAX_NOTES = 96
LONGEST_MS = 20_000
"""How long a sound may be, its last note's ringing left out: music needs some room."""

LONGEST_CUE_MS = 5000
"""After so long a cue's sound goes on over what comes next."""

_PITCH = re.compile(r"([A-G])([#b♯♭]?)([2-8])")
_STEPS = {"C": -9, "D": -7, "E": -5, "F": -4, "G": -2, "A": 0, "B": 2}
_BENDS = {"": 0, "#": 1, "♯": 1, "b": -1, "♭": -1}
_LOWEST, _HIGHEST = -33, 39
_CYCLE = 1024


def semitones(pitch: str) -> int:
    """How many semitones a pitch stands above A4. Raises ValueError unless it is C2 to C8."""
    found = _PITCH.fullmatch(pitch.strip())
    if found:
        steps = _STEPS[found[1]] + _BENDS[found[2]] + 12 * (int(found[3]) - 4)
        if _LOWEST <= steps <= _HIGHEST:
            return steps
    raise ValueError(f"“{pitch}” is no pitch from C2 to C8")


def frequency(pitch: str) -> float:
    """A pitch in Hz.

    >>> frequency("A4"), round(frequency("C4"), 2)
    (440.0, 261.63)
    """
    return 440.0 * math.exp2(semitones(pitch) / 12)


def samples(sound: Sound) -> list[float]:
    """A sound from its notes, RATE samples a second, each within plus and minus 1.

    Raises ValueError if a pitch cannot be read.
    """
    release = _count(sound.release_ms)
    length = sum(_count(note.ms) for note in sound.notes) + release
    mixed = [0.0] * length
    at = 0
    cycles: dict[int, tuple[float, ...]] = {}
    for note in sound.notes:
        if note.pitch.strip():
            pitch = frequency(note.pitch)
            partials = min(24, int(RATE / 2 / pitch))
            if partials not in cycles:
                cycles[partials] = _cycle(sound.wave, partials)
            _ring(mixed, at, note, sound, pitch, cycles[partials])
        at += _count(note.ms)
    loudest = max(1.0, max((abs(value) for value in mixed), default=0.0))
    scale = max(0, min(100, sound.loudness)) / 100 / loudest
    return [value * scale for value in mixed]


def _count(ms: int) -> int:
    return RATE * max(0, ms) // 1000


def _ring(
    mixed: list[float], at: int, note: Note, sound: Sound, pitch: float, cycle: tuple[float, ...]
) -> None:
    held, attack, release = _count(note.ms), _count(sound.attack_ms), _count(sound.release_ms)
    step, phase = _CYCLE * pitch / RATE, 0.0
    for number in range(held + release):
        loud = min(1.0, number / attack) if attack else 1.0
        if number >= held:
            loud *= 1 - (number - held) / release
        place = int(phase)
        left = cycle[place]
        mixed[at + number] += loud * (left + (cycle[place + 1] - left) * (phase - place))
        phase = (phase + step) % _CYCLE


def _cycle(wave: Wave, partials: int) -> tuple[float, ...]:
    """One cycle of a wave from its first partials (its Fourier series), and its start again."""
    series = [(number, _PARTIALS[wave](number)) for number in range(1, partials + 1)]
    shape = [
        sum(loud * math.sin(math.tau * number * place / _CYCLE) for number, loud in series if loud)
        for place in range(_CYCLE + 1)
    ]
    peak = max(map(abs, shape))
    return tuple(value / peak for value in shape)


_PARTIALS: dict[Wave, Callable[[int], float]] = {
    Wave.SINE: lambda number: 1.0 if number == 1 else 0.0,
    Wave.TRIANGLE: lambda number: (-1) ** (number // 2) / number**2 if number % 2 else 0.0,
    Wave.SQUARE: lambda number: 1 / number if number % 2 else 0.0,
    Wave.SAWTOOTH: lambda number: 1 / number,
}


def wav(sound: Sound) -> bytes:
    """A sound as a WAV file. Raises ValueError if a pitch cannot be read."""
    values = [round(32_767 * value) for value in samples(sound)]
    made = BytesIO()
    with wave.open(made, "wb") as file:
        file.setparams((1, 2, RATE, len(values), "NONE", "not compressed"))
        file.writeframes(struct.pack(f"<{len(values)}h", *values))
    return made.getvalue()


def outline(sound: Sound, columns: int = 240) -> tuple[tuple[float, float], ...]:
    """The lowest and the highest sample of each part of a sound, to draw it. The parts are equally
    long."""
    values = samples(sound)
    if not values:
        return ()
    edges = [len(values) * place // columns for place in range(columns + 1)]
    stretches = (values[a : max(b, a + 1)] for a, b in pairwise(edges))
    return tuple((round(min(part), 4), round(max(part), 4)) for part in stretches)


def _made(name: str, tune: str, wave: Wave = Wave.TRIANGLE, release: int = 160) -> Sound:
    """A sound from words such as ``C5:90 E5:90 -:50``: pitches and milliseconds."""
    notes = tuple(
        Note("" if pitch == "-" else pitch, int(ms))
        for pitch, ms in (word.split(":") for word in tune.split())
    )
    return Sound(name, notes, wave, 6, release, 70)


SHIPPED = (
    _made("gate", "G4:110 C5:110 E5:160", release=320),
    _made("leaf", "E5:60", Wave.SINE, 90),
    _made("ripe", "C5:90 E5:90 G5:170", release=260),
    _made("nearly ripe", "C5:110 D5:170", release=220),
    _made("bump", "D3:140 B2:200", Wave.SQUARE, 120),
    _made("frost", "E4:140 Eb4:140 D4:260", release=240),
    _made("drip", "A5:30", Wave.SINE, 60),
    _made("dropped pot", "G4:70 E4:70 C4:70 G3:160", Wave.SQUARE, 160),
    _made("new shoot", "G4:80 B4:80 D5:80 G5:180", Wave.SINE, 300),
    _made("in a row", "C5:60 D5:60 E5:60 G5:60 C6:180", release=260),
    _made("whisper", "F5:120 A5:120", Wave.SINE, 200),
    _made("skip", "G4:60 -:30 G4:60", Wave.SINE, 90),
    _made("spade down", "C4:140 G3:220", release=260),
    _made("supper bell", "G5:260 -:40 E5:260 -:40 C5:420", Wave.SINE, 900),
    _made("first prize", "G4:110 C5:110 E5:110 G5:220 E5:110 G5:380", release=420),
)
"""The sounds that every game can use, by their names."""

SHIPPED_NAMES = tuple(sound.name for sound in SHIPPED)


def sound_named(game: Game, name: str) -> Sound | None:
    """The sound a name stands for in a game: its own before one of every game's."""
    return next((sound for sound in (*game.sounds, *SHIPPED) if sound.name == name), None)


def sounds_of(game: Game) -> tuple[str, ...]:
    """The names of the sounds a run of the game can play, each once."""
    named = [cue.sound for cue in game.cues] + [game.opening.narration, *game.look.music.named]
    return tuple(name for name in dict.fromkeys(named) if name and sound_named(game, name))
