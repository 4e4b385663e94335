"""The smallest real pictures and sounds, made here."""

import io
import struct
import wave
import zipfile
import zlib


def png():
    """One red pixel."""

    def chunk(kind, data):
        body = kind + data
        return struct.pack(">I", len(data)) + body + struct.pack(">I", zlib.crc32(body))

    header = struct.pack(">IIBBBBB", 1, 1, 8, 2, 0, 0, 0)
    pixels = zlib.compress(b"\0\xff\0\0")
    parts = chunk(b"IHDR", header) + chunk(b"IDAT", pixels) + chunk(b"IEND", b"")
    return b"\x89PNG\r\n\x1a\n" + parts


def wav():
    """A hundredth of a second of silence."""
    out = io.BytesIO()
    with wave.open(out, "wb") as sound:
        sound.setnchannels(1)
        sound.setsampwidth(2)
        sound.setframerate(8000)
        sound.writeframes(b"\0\0" * 80)
    return out.getvalue()


def svg(inside='<path d="M2 2h4v4z" fill="green"/>'):
    """A small drawing."""
    return f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8">{inside}</svg>'.encode()


def archive(entries):
    """A ZIP archive of these files, by their names."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as made:
        for name, content in entries.items():
            made.writestr(name, content)
    return out.getvalue()
