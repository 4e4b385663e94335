"""The demo's drawings and sounds, made here: leaves from outlines, sounds from tones.

Pitches are in equal temperament from A4 = 440 Hz (ISO 16).
"""

import io
import math
import struct
import wave
from collections.abc import Callable

RATE = 11_025
_A4 = 440.0

_OUTLINES = {
    "oak": "M60 112V96C44 100 34 92 40 82C24 82 22 68 34 64C20 58 24 44 38 46C32 32 44 24 52 32"
    "C54 20 66 20 68 32C76 24 88 32 82 46C96 44 100 58 86 64C98 68 96 82 80 82C86 92 76 100 60 96",
    "willow": "M60 112V98C50 78 52 40 60 10C68 40 70 78 60 98",
    "holly": "M60 112V98C54 92 44 92 36 96C42 86 42 78 32 70C42 66 46 58 36 46C48 46 54 38 60 10"
    "C66 38 72 46 84 46C74 58 78 66 88 70C78 78 78 86 84 96C76 92 66 92 60 98",
    "lime": "M60 112V96C30 96 16 66 32 42C40 30 54 34 60 18C66 34 80 30 88 42C104 66 90 96 60 96",
    "maple": "M60 112V92L34 100L40 84L12 78L26 64L14 44L36 48L40 30L52 44L60 10L68 44L80 30L84 48"
    "L106 44L94 64L108 78L80 84L86 100L60 92",
    "ash": "M60 112V14M60 90C44 96 34 90 30 78C44 74 56 80 60 90C76 96 86 90 90 78C76 74 64 80 60"
    " 90M60 62C44 68 34 62 30 50C44 46 56 52 60 62C76 68 86 62 90 50C76 46 64 52 60 62"
    "M60 36C52 30 52 20 60 8C68 20 68 30 60 36",
}

_BED_OUTLINES = {
    "carrot": "M60 112V96C52 98 46 94 46 88C38 90 32 84 36 78C28 78 26 70 34 68C28 62 32 56 40 58"
    "C36 50 42 46 48 50C46 42 52 40 56 44C54 34 58 26 60 12C62 26 66 34 64 44C68 40 74 42 72 50"
    "C78 46 84 50 80 58C88 56 92 62 86 68C94 70 92 78 84 78C88 84 82 90 74 88C74 94 68 98 60 96",
    "beetroot": "M60 112V98C44 94 40 80 44 66C38 56 42 44 48 36C50 24 56 16 60 10C64 16 70 24 72"
    " 36C78 44 82 56 76 66C80 80 76 94 60 98",
    "runner-bean": "M60 112V92C40 104 18 90 22 70C24 48 46 34 60 10C74 34 96 48 98 70C102 90 80"
    " 104 60 92",
    "pea": "M60 112V20M60 88C44 96 28 90 26 78C32 68 52 70 60 88C68 70 88 68 94 78C92 90 76 96 60"
    " 88M60 54C46 60 32 54 30 44C36 34 54 38 60 54C66 38 84 34 90 44C88 54 74 60 60 54M60 20C56 12"
    " 62 6 68 10",
    "courgette": "M60 112V90C48 102 30 100 26 88C12 84 12 68 24 62C14 48 26 34 40 40C42 24 54 18"
    " 60 10C66 18 78 24 80 40C94 34 106 48 96 62C108 68 108 84 94 88C90 100 72 102 60 90",
    "leek": "M60 112V70C50 56 40 36 34 10C44 22 54 40 60 58C66 40 76 22 86 10C80 36 70 56 60 70",
    "kale": "M60 112V96L50 100L46 92L36 94L36 84L26 80L32 70L22 62L32 56L26 44L38 42L38 30L48 32"
    "L52 20L60 26L68 20L72 32L82 30L82 42L94 44L88 56L98 62L88 70L94 80L84 84L84 94L74 92L70 100"
    "L60 96",
    "lettuce": "M60 112V100C36 104 18 88 20 66C14 48 26 28 42 26C48 14 72 14 78 26C94 28 106 48"
    " 100 66C102 88 84 104 60 100",
}


def leaf_outline(name: str) -> str:
    """The outline of a leaf of that kind, as a path of SVG, 120 wide and high."""
    return _OUTLINES[name]


def leaf(outline: str) -> bytes:
    """A leaf of that outline as an SVG drawing."""
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 120" width="120" height="120">'
        f'<path d="{outline}" fill="#6f9a5e" stroke="#1f2a2e" stroke-width="3" '
        'stroke-linejoin="round" stroke-linecap="round"/>'
        '<path d="M60 112V30" fill="none" stroke="#1f2a2e" stroke-width="2"/></svg>'
    ).encode()


GARDEN_PLAN = {
    "garden-plan.svg": (
        b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 240" width="800" height="480">'
        b'<rect width="400" height="240" fill="#dfe6d2"/>'
        b'<path d="M0 128C110 112 180 150 400 132" fill="none" stroke="#cbb28a" stroke-width="20"/>'
        b'<g stroke="#1f2a2e" stroke-width="2.5">'
        b'<ellipse cx="72" cy="186" rx="48" ry="34" fill="#9cc3cf"/>'
        b'<path d="M40 30H100V84H40ZM34 30L70 8L106 30Z" fill="#c78b5b"/>'
        b'<rect x="150" y="22" width="90" height="34" rx="4" fill="#8f6f4e"/>'
        b'<rect x="150" y="68" width="90" height="34" rx="4" fill="#8f6f4e"/>'
        b'<path d="M300 90C300 40 370 40 370 90Z" fill="#6d5a3f"/>'
        b'<path d="M292 170H352V226H292ZM292 188H352M292 206H352M286 170L322 152L358 170Z" '
        b'fill="#e6c766"/></g>'
        b'<g fill="#6f9a5e" stroke="#1f2a2e" stroke-width="2"><circle cx="170" cy="39" r="8"/>'
        b'<circle cx="195" cy="39" r="8"/><circle cx="220" cy="39" r="8"/>'
        b'<circle cx="170" cy="85" r="8"/><circle cx="195" cy="85" r="8"/>'
        b'<circle cx="220" cy="85" r="8"/></g></svg>'
    )
}
"""A plan of the garden, seen from above: shed, beds, compost heap, pond and beehive."""

LEAVES = {f"{name}.svg": leaf(outline) for name, outline in _OUTLINES.items()}
BED_LEAVES = {f"{name}.svg": leaf(outline) for name, outline in _BED_OUTLINES.items()}


def _pitch(steps: float) -> float:
    """The frequency of a note by its semitones above A4, in Hz."""
    return _A4 * math.pow(2, steps / 12)


def _bell(at: float) -> float:
    partials = ((0, 1.0, 3.0), (12, 0.5, 4.0), (19, 0.35, 6.0), (27.6, 0.2, 9.0))
    return sum(
        loud * math.exp(-fades * at) * math.sin(math.tau * _pitch(steps) * at)
        for steps, loud, fades in partials
    )


def _whistle(at: float) -> float:
    rise = 12 + 7 * min(at / 0.5, 1)
    return 0.8 * min(at * 20, 1) * math.sin(math.tau * _pitch(rise) * at)


def _drum(at: float) -> float:
    beat = at % 0.25
    return math.exp(-22 * beat) * math.sin(math.tau * (110 - 120 * beat) * beat) * 1.2


def _frog(at: float) -> float:
    beat = at % 0.4
    croak = math.sin(math.tau * 95 * at) * math.sin(math.tau * 23 * at)
    return croak * (1.0 if beat < 0.26 else 0.0)


_SOUNDS: dict[str, Callable[[float], float]] = {
    "bell": _bell,
    "whistle": _whistle,
    "drum": _drum,
    "frog": _frog,
}


def sound(name: str, seconds: float = 0.9) -> bytes:
    """A sound as a WAV file, mono, 16 bits."""
    shape, count = _SOUNDS[name], int(RATE * seconds)
    out = io.BytesIO()
    with wave.open(out, "wb") as file:
        file.setnchannels(1)
        file.setsampwidth(2)
        file.setframerate(RATE)
        samples = (
            max(-1.0, min(1.0, shape(n / RATE) * 0.6 * min(1.0, (count - n) / 400)))
            for n in range(count)
        )
        file.writeframes(b"".join(struct.pack("<h", round(32_000 * value)) for value in samples))
    return out.getvalue()


SOUNDS = {f"{name}.wav": sound(name) for name in _SOUNDS}
