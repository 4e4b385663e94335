"""Check the size of raster pictures before they are decoded, and remove their metadata.

A few bytes can unfold to gigabytes of points, so the header alone is read first (Pillow opens a
file without decoding it). A photograph tells where and when it was taken, by whom, on which
device: that is left out, and the picture turned as it said it should be.
"""

import io
import re
import warnings

from PIL import Image, ImageOps, UnidentifiedImageError

from dicetrail.files.text import FileProblem
from dicetrail.limits import MAX_POINTS

_FORMATS = {"image/png": "PNG", "image/jpeg": "JPEG", "image/webp": "WEBP"}
_DRAWN_WITH = frozenset(
    (
        *("dpi", "gamma", "transparency", "interlace", "srgb", "chromaticity", "icc_profile"),
        *("jfif", "jfif_version", "jfif_unit", "jfif_density", "progression", "progressive"),
        *("adobe", "adobe_transform", "loop", "background", "timestamp", "duration", "aspect"),
        *("default_image", "bbox", "blend", "disposal"),
    )
)
"""The metadata of a file that only says how it is drawn."""


def without_traces(name: str, content: bytes, media_type: str) -> bytes:
    """A picture without anything that is not drawn; as it came if it holds nothing else.

    Raises FileProblem if it has too many points, or cannot be read.
    """
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(content), formats=(_FORMATS[media_type],))
            points = image.width * image.height * getattr(image, "n_frames", 1)
            if points > MAX_POINTS:
                raise Image.DecompressionBombError
            if set(image.info) <= _DRAWN_WITH and not image.getexif():
                return content
            return _saved_plainly(image)
    except Image.DecompressionBombError:
        what = f"it has more than the {MAX_POINTS:,} points that are shown"
        raise FileProblem(name, what, "make it smaller") from None
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, MemoryError):
        raise FileProblem(name, "this picture is damaged", "save it anew") from None


def size_of(content: bytes) -> tuple[int, int] | None:
    """The width and height of a picture in points, of a drawing as it says; None if it tells none.

    >>> size_of(b'<svg viewBox="0 0 64 40"/>')
    (64, 40)
    """
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(content), formats=tuple(_FORMATS.values()))
            return image.width, image.height
    except (UnidentifiedImageError, Image.DecompressionBombError, OSError, SyntaxError, ValueError):
        begins = _SVG.search(content[:100_000].decode(errors="replace"))
    if begins is None:
        return None
    told = dict(_TOLD.findall(begins[0]))
    box = re.split(r"[\s,]+", told.get("viewBox", "").strip())[2:]
    numbers = [told.get("width", ""), told.get("height", "")]
    if not all(map(_POINTS.fullmatch, numbers)):
        numbers = box
    if not all(map(_POINTS.fullmatch, numbers)):
        return None
    sizes = [round(float(number.removesuffix("px"))) for number in numbers]
    return (sizes[0], sizes[1]) if len(sizes) == 2 and all(sizes) else None


_SVG = re.compile(r"<(?:\w+:)?svg\b[^>]*>")
_TOLD = re.compile(r"\b(viewBox|width|height)\s*=\s*[\"']([^\"']*)[\"']")
_POINTS = re.compile(r"\d{1,6}(?:\.\d{1,6})?(?:px)?")


def _saved_plainly(image: Image.Image) -> bytes:
    format_ = image.format
    is_moving = getattr(image, "is_animated", False)
    turned = image if is_moving else ImageOps.exif_transpose(image)
    kept = {"icc_profile": image.info["icc_profile"]} if "icc_profile" in image.info else {}
    if "transparency" in image.info:
        kept["transparency"] = image.info["transparency"]
    turned.info = {key: turned.info[key] for key in ("duration", "loop") if key in turned.info}
    if format_ == "JPEG":
        kept |= {"quality": 92, "optimize": True}
    elif format_ == "WEBP":
        kept |= {"quality": 90, "lossless": False, "exif": b"", "xmp": b""}
    out = io.BytesIO()
    turned.save(out, format_, save_all=is_moving, **kept)
    return out.getvalue()
