"""Areas of a picture against Shapely, a library of plane geometry: points, and common parts.

Its ellipse is a circle of 256 corners stretched (`Point.buffer` with `affinity.scale`), so that
points close to an outline are left out; polygons are compared everywhere.
"""

import random
import unittest
from math import atan2

from shapely import affinity, geometry

from dicetrail.core.document import Area, Outline, overlap


def simple_polygon(chances):
    """A polygon whose edges do not cross: its corners by their direction from its middle."""
    while True:
        corners = {(chances.randrange(1001), chances.randrange(1001)) for _ in range(7)}
        middle = geometry.MultiPoint(sorted(corners)).centroid
        turned = sorted(corners, key=lambda at: atan2(at[1] - middle.y, at[0] - middle.x))
        polygon = geometry.Polygon(turned)
        if polygon.is_valid and polygon.area > 1000:
            return Area("p", Outline.POLYGON, tuple(sum(turned, ()))), polygon


def box(chances):
    left, right = sorted(chances.sample(range(1001), 2))
    top, bottom = sorted(chances.sample(range(1001), 2))
    return left, top, right, bottom


class TestPlaces(unittest.TestCase):
    def test_points_are_in_the_polygons_and_boxes_they_are_in_for_shapely(self):
        chances = random.Random(71)
        for number in range(200):
            if number % 2:
                area, shape = simple_polygon(chances)
            else:
                numbers = box(chances)
                area, shape = Area("b", Outline.RECTANGLE, numbers), geometry.box(*numbers)
            corners = list(shape.exterior.coords)
            points = [(chances.randrange(1001), chances.randrange(1001)) for _ in range(40)]
            points += [(int(across), int(down)) for across, down in corners]
            for point in points:
                with self.subTest(area=area, point=point):
                    self.assertEqual(area.holds(point), shape.covers(geometry.Point(point)))

    def test_points_are_in_the_ellipses_they_are_in_for_shapely(self):
        chances = random.Random(72)
        for _ in range(100):
            left, top, right, bottom = box(chances)
            circle = geometry.Point((left + right) / 2, (top + bottom) / 2).buffer(1, quad_segs=64)
            shape = affinity.scale(circle, (right - left) / 2, (bottom - top) / 2)
            area = Area("e", Outline.ELLIPSE, (left, top, right, bottom))
            for _ in range(40):
                point = chances.randrange(1001), chances.randrange(1001)
                if shape.exterior.distance(geometry.Point(point)) > 1:
                    held = shape.contains(geometry.Point(point))
                    self.assertEqual(area.holds(point), held, (area, point))

    def test_polygons_overlap_where_shapely_has_them_intersect(self):
        chances, found = random.Random(73), set()
        for _ in range(300):
            (one, first), (other, second) = simple_polygon(chances), simple_polygon(chances)
            is_over = first.intersects(second)
            found.add(is_over)
            self.assertEqual(overlap(one, other), is_over, (one, other))
        for _ in range(300):
            one, other = box(chances), box(chances)
            is_over = geometry.box(*one).intersects(geometry.box(*other))
            found.add(is_over)
            areas = (Area("b", Outline.RECTANGLE, numbers) for numbers in (one, other))
            self.assertEqual(overlap(*areas), is_over, (one, other))
        self.assertEqual(found, {True, False})


if __name__ == "__main__":
    unittest.main()
