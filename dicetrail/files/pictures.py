"""Check the size of raster pictures before they are decoded, and remove their metadata.

A few bytes can unfold to gigabytes of points, so the header alone is read first (Pillow opens a
file without decoding it). A photograph tells where and when it was taken, by whom, on which
device: that is left out, and the picture turned as it said it should be.
"""

import io
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
