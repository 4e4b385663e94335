"""Areas of a picture: named outlines, each written ``hive = rectangle 10 20 40 60``.

The numbers are percent of the picture's width and height, from its left and its top, with at most
one decimal. A rectangle and an ellipse are told by their left, top, right and bottom; a polygon by
its corners, across and down in turn. A point of a picture is one of 1,001 across and 1,001 down.
It has a number, so that it can be given as an answer.
"""

import re
from collections.abc import Collection, Iterator
from functools import lru_cache
from itertools import pairwise, product
from math import cos, pi, sin
from typing import NamedTuple

from dicetrail.core.document.field_labels import Value

WHOLE_PICTURE = 1000
"""The width and the height of a picture, in tenths of a percent."""

FIRST_POINT = 1000
"""The number of the point at the left and the top. Smaller numbers mean areas."""

MAX_CORNERS = 40
"""The most corners of a polygon."""

Point = tuple[int, int]
"""Across and down, each in tenths of a percent."""


class Outline(Value):
    """The form of an area."""

    RECTANGLE = "rectangle"
    ELLIPSE = "ellipse"
    POLYGON = "polygon"


class Area(NamedTuple):
    """A named part of a picture. Its numbers are tenths of a percent."""

    name: str
    outline: Outline
    numbers: tuple[int, ...]

    @property
    def corners(self) -> tuple[Point, ...]:
        """The corners of its outline, in turn; those of a polygon close to it for an ellipse."""
        if self.outline is Outline.POLYGON:
            return tuple(zip(self.numbers[::2], self.numbers[1::2], strict=False))
        left, top, right, bottom = self.numbers
        if self.outline is Outline.RECTANGLE:
            return (left, top), (right, top), (right, bottom), (left, bottom)
        turns = [2 * pi * turn / _CORNERS_OF_ELLIPSE for turn in range(_CORNERS_OF_ELLIPSE)]
        across, down = (left + right) / 2, (top + bottom) / 2
        wide, high = (right - left) / 2, (bottom - top) / 2
        return tuple(
            (round(across + wide * cos(turn)), round(down + high * sin(turn))) for turn in turns
        )

    def holds(self, point: Point) -> bool:
        """Whether a point lies in it, or on its outline."""
        across, down = point
        if self.outline is Outline.POLYGON:
            return _is_within(point, self.numbers)
        left, top, right, bottom = self.numbers
        if self.outline is Outline.RECTANGLE:
            return left <= across <= right and top <= down <= bottom
        wide, high = right - left, bottom - top
        off_across, off_down = (2 * across - left - right) * high, (2 * down - top - bottom) * wide
        return off_across**2 + off_down**2 <= (wide * high) ** 2


_CORNERS_OF_ELLIPSE = 48
_WORDS = {
    "rectangle": Outline.RECTANGLE,
    "rect": Outline.RECTANGLE,
    "box": Outline.RECTANGLE,
    "ellipse": Outline.ELLIPSE,
    "oval": Outline.ELLIPSE,
    "circle": Outline.ELLIPSE,
    "polygon": Outline.POLYGON,
    "poly": Outline.POLYGON,
}
_NUMBER = r"\d{1,3}(?:\.\d+)?"
_WRITTEN = re.compile(
    rf"(.*\S)\s*[=:@]\s*({'|'.join(_WORDS)})\s+({_NUMBER}(?:[\s,;%]+{_NUMBER})*)\s*%?",
    re.IGNORECASE,
)


def area_in(text: str) -> Area | None:
    """The area that a text describes; None if it describes none.

    >>> area_in("hive = rectangle 10 20 40.5 60")
    Area(name='hive', outline=<Outline.RECTANGLE: 'rectangle'>, numbers=(100, 200, 405, 600))
    """
    found = _WRITTEN.fullmatch(text.strip())
    if found is None:
        return None
    numbers = tuple(round(10 * float(number)) for number in re.findall(_NUMBER, found[3]))
    outline = _WORDS[found[2].lower()]
    if outline is not Outline.POLYGON:
        return Area(found[1], outline, numbers) if _is_box(numbers) else None
    is_whole = len(numbers) % 2 == 0 and 6 <= len(numbers) <= 2 * MAX_CORNERS
    return Area(found[1], outline, numbers) if is_whole and max(numbers) <= WHOLE_PICTURE else None


def _is_box(numbers: tuple[int, ...]) -> bool:
    if len(numbers) != 4:
        return False
    left, top, right, bottom = numbers
    return left < right <= WHOLE_PICTURE and top < bottom <= WHOLE_PICTURE


def as_area(area: Area) -> str:
    """An area as it is written.

    >>> as_area(Area("hive", Outline.ELLIPSE, (100, 200, 405, 600)))
    'hive = ellipse 10 20 40.5 60'
    """
    numbers = " ".join(f"{number / 10:g}" for number in area.numbers)
    return f"{area.name} = {area.outline} {numbers}"


def tidy_area(text: str) -> str:
    """An area in the form in which it is written; any other text as it is."""
    area = area_in(text)
    return text if area is None else as_area(area)


def number_of_point(point: Point) -> int:
    """The number of a point, by which it is given as an answer.

    >>> number_of_point((0, 0)), number_of_point((5, 1))
    (1000, 2006)
    """
    across, down = point
    return FIRST_POINT + down * (WHOLE_PICTURE + 1) + across


def point_of(number: int) -> Point | None:
    """The point that a number means; None if it means none.

    >>> point_of(2006), point_of(3)
    ((5, 1), None)
    """
    down, across = divmod(number - FIRST_POINT, WHOLE_PICTURE + 1)
    return (across, down) if 0 <= down <= WHOLE_PICTURE else None


def overlap(one: Area, other: Area) -> bool:
    """Whether two areas have a part of the picture in common; ellipses are taken for polygons."""
    if any(one.holds(corner) for corner in other.corners):
        return True
    if any(other.holds(corner) for corner in one.corners):
        return True
    return any(
        _cross(first, second) for first in _edges(one.corners) for second in _edges(other.corners)
    )


def free_points(areas: Collection[Area]) -> Iterator[Point]:
    """Points of a picture, a fortieth of it apart, that are in none of some areas."""
    steps = range(0, WHOLE_PICTURE + 1, WHOLE_PICTURE // 40)
    for down, across in product(steps, steps):
        if not any(area.holds((across, down)) for area in areas):
            yield across, down


def _edges(corners: tuple[Point, ...]) -> list[tuple[Point, Point]]:
    return list(pairwise((*corners, corners[0])))


def _side(start: Point, end: Point, point: Point) -> int:
    """On which side of a line a point lies: above 0, below 0, or 0 on it."""
    turned = (end[0] - start[0]) * (point[1] - start[1])
    return turned - (end[1] - start[1]) * (point[0] - start[0])


def _cross(first: tuple[Point, Point], second: tuple[Point, Point]) -> bool:
    """Whether two edges cross each other between their ends."""
    return (
        _side(*first, second[0]) * _side(*first, second[1]) < 0
        and _side(*second, first[0]) * _side(*second, first[1]) < 0
    )


def _is_within(point: Point, numbers: tuple[int, ...]) -> bool:
    """Whether a point lies within a polygon or on its outline: a ray to the right crosses an odd
    number of its edges (common practice, no source). `numbers` are its corners."""
    across, down = point
    inside = False
    for start, end in _edges_by_height(numbers)[down // _STRIP]:
        (left, low), (right, high) = start, end
        crosses = (low > down) != (high > down)
        if not crosses and down not in (low, high):
            continue  # the edge is wholly above the point or below it
        side = _side(start, end, point)
        if side == 0 and _is_between(across, left, right) and _is_between(down, low, high):
            return True
        if crosses and (side > 0) == (high > low):
            inside = not inside
    return inside


_STRIP = 25
"""The height of the strips in which the edges of a polygon are looked up."""


@lru_cache(maxsize=512)
def _edges_by_height(numbers: tuple[int, ...]) -> tuple[tuple[tuple[Point, Point], ...], ...]:
    """For each strip of a picture, from the top, the edges of a polygon that reach into it."""
    strips: list[list[tuple[Point, Point]]] = [[] for _ in range(WHOLE_PICTURE // _STRIP + 1)]
    for edge in _edges(tuple(zip(numbers[::2], numbers[1::2], strict=True))):
        first, last = sorted((edge[0][1], edge[1][1]))
        for strip in range(first // _STRIP, last // _STRIP + 1):
            strips[strip].append(edge)
    return tuple(map(tuple, strips))


def _is_between(number: int, one: int, other: int) -> bool:
    return one <= number <= other or other <= number <= one
