"""Pictures of items of QTI, and the areas that they have as coordinates.

An item tells areas in points of its picture; a question tells them in tenths of a percent. The
shapes and the order of their numbers are written down from memory of the information models.
"""

import mimetypes
import posixpath
import re
from collections.abc import Callable, Sequence
from itertools import count
from typing import NamedTuple
from urllib.parse import quote, unquote
from xml.etree.ElementTree import Element

from dicetrail.core.document import WHOLE_PICTURE, Area, Outline, area_in, as_area

FOLDER = "media"
"""Where a package keeps its pictures."""

Size = tuple[int, int]
"""The width and height of a picture, in points."""

SizeOf = Callable[[str], Size | None]
"""The size of a picture by its name; None if there is no such picture."""


class ShownPicture(NamedTuple):
    """A picture that an item shows."""

    name: str
    size: Size | None
    """The size that the item says it has, in which coordinates are given."""


def picture_shown(element: Element) -> ShownPicture | None:
    """The picture that an element shows; None for any other element."""
    if element.tag == "img":
        path = element.get("src", "")
    elif element.tag == "object" and element.get("type", "").startswith("image/"):
        path = element.get("data", "")
    else:
        return None
    told = [_POINTS.fullmatch(element.get(name, "").strip()) for name in ("width", "height")]
    numbers = [int(found[1]) for found in told if found is not None]
    size = (numbers[0], numbers[1]) if len(numbers) == 2 and all(numbers) else None
    return ShownPicture(posixpath.basename(unquote(path)), size)


_POINTS = re.compile(r"(\d{1,6})(?:\.\d+)?(?:px)?")


def show(parent: Element, name: str, size: Size | None, as_object: bool) -> None:
    """Show a picture under an element of an item."""
    path = f"../{FOLDER}/{quote(name)}"
    attributes = {"src": path, "alt": ""}
    if as_object:
        kind = mimetypes.guess_type(name)[0] or "image/png"
        attributes = {"data": path, "type": kind}
    if size is not None:
        attributes |= {"width": str(size[0]), "height": str(size[1])}
    parent.append(Element("object" if as_object else "img", attributes))


def size_for(areas: Sequence[Area], size: Size) -> Size:
    """The size of a picture, or the smallest multiple of it in which points tell its areas exactly.

    >>> size_for([Area("hive", Outline.RECTANGLE, (100, 200, 405, 600))], (100, 50))
    (200, 100)
    """
    sizes = ((size[0] * times, size[1] * times) for times in count(1))
    return next(
        larger
        for larger in sizes
        if min(larger) > _EXACT
        or all(
            area_of(area.name, *shape_of(area, larger), larger) == as_area(area) for area in areas
        )
    )


_EXACT = 2 * WHOLE_PICTURE
"""Beyond so many points, no tenth of a percent is lost by rounding."""


def area_of(name: str, shape: str, coords: str, size: Size) -> str | None:
    """An area as questions have it, of a shape with its coordinates in points, or in percent with
    that sign; None if that is no area.

    >>> area_of("hive", "circle", "100,100,50", (200, 400))
    'hive = ellipse 25 12.5 75 37.5'
    """
    found = [_COORDINATE.fullmatch(one) for one in re.split(r"[\s,]+", coords.strip())]
    numbers = [
        float(one[1]) * (size[place % 2] / 100 if one[2] else 1)
        for place, one in enumerate(found)
        if one is not None
    ]
    if None in found and shape != "default":
        return None
    match shape, numbers:
        case "default", _:
            return as_area(Area(name, Outline.RECTANGLE, (0, 0, WHOLE_PICTURE, WHOLE_PICTURE)))
        case "rect", [left, top, right, bottom]:
            outline, points = Outline.RECTANGLE, [left, top, right, bottom]
        case "circle", [across, down, far]:
            outline, points = Outline.ELLIPSE, _box(across, down, far, far)
        case "ellipse", [across, down, wide, high]:
            outline, points = Outline.ELLIPSE, _box(across, down, wide, high)
        case "poly", [*points]:
            outline = Outline.POLYGON
            if points[:2] == points[-2:]:
                points = points[:-2]
        case _:
            return None
    parts = [
        min(WHOLE_PICTURE, max(0, round(WHOLE_PICTURE * at / size[place % 2])))
        for place, at in enumerate(points)
    ]
    text = as_area(Area(name, outline, tuple(parts)))
    return text if area_in(text) is not None else None


_COORDINATE = re.compile(r"(-?\d{1,7}(?:\.\d{1,7})?)(%?)")


def _box(across: float, down: float, wide: float, high: float) -> list[float]:
    return [across - wide, down - high, across + wide, down + high]


def shape_of(area: Area, size: Size) -> tuple[str, str]:
    """The shape of an area and its coordinates in a picture of that size.

    >>> shape_of(Area("hive", Outline.RECTANGLE, (100, 200, 405, 600)), (1000, 2000))
    ('rect', '100,400,405,1200')
    """
    points = [round(at * size[place % 2] / WHOLE_PICTURE) for place, at in enumerate(area.numbers)]
    if area.outline is not Outline.ELLIPSE:
        return ("poly" if area.outline is Outline.POLYGON else "rect"), _listed(points)
    left, top, right, bottom = (
        at * size[place % 2] / WHOLE_PICTURE for place, at in enumerate(area.numbers)
    )
    middle = [(left + right) / 2, (top + bottom) / 2, (right - left) / 2, (bottom - top) / 2]
    return "ellipse", _listed([round(at) for at in middle])


def _listed(points: Sequence[int]) -> str:
    return ",".join(map(str, points))
