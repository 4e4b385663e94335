"""Shares of estimates against NumPy's arithmetic of decay and interpolation."""

import unittest
from fractions import Fraction

import numpy

from dicetrail.core.answers import EstimateShape, share_of_estimate
from dicetrail.core.document import EstimateShare


class TestEstimates(unittest.TestCase):
    def test_a_share_halves_as_what_decays_does_and_falls_straight_as_interpolated(self):
        """Half-life: what is left after a time is two to the minus time over half-life (handbook
        arithmetic, common practice); a straight fall is `numpy.interp` between its two ends."""
        for points, right, tolerance, reach in (
            (101, 37, 4, 20),
            (1001, 1000, 0, 7),
            (61, 31, 2, 100),
        ):
            shape = EstimateShape(points, Fraction(right), Fraction(tolerance))
            beyond = numpy.maximum(0, abs(numpy.arange(points) - right) - tolerance)
            reached = (points - 1) * reach / 100
            decayed = 100 * numpy.exp2(-beyond / reached)
            straight = numpy.interp(beyond, [0, reached], [100, 0])
            for how, exact in (
                (EstimateShare.HALVES, decayed),
                (EstimateShare.STRAIGHT, straight),
            ):
                for place in range(points):
                    share = share_of_estimate(how, reach, shape, place)
                    self.assertAlmostEqual(share, exact[place], delta=1, msg=(how, place))
                    self.assertEqual(share == 100, beyond[place] == 0)


if __name__ == "__main__":
    unittest.main()
