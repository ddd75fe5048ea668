"""A polygon swept by others: what the curve winds round is their Minkowski sum (Shapely: by hulls and unions)."""

import math

import numpy as np
import shapely
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import MultiPoint, Polygon

from rowanseed.core.lay.search.nofit import convex_rings, no_fit
from rowanseed.core.lay.search.sums import swept


@st.composite
def stars(draw):
    """Simple polygons with corners that turn in, some of them deep: a distance in each of several directions."""
    number = draw(st.integers(4, 14))
    far = draw(st.lists(st.floats(15, 200), min_size=number, max_size=number))
    turned = draw(st.floats(0, 1))
    around = [2 * math.pi * (k + turned) / number for k in range(number)]
    return tuple((r * math.cos(a), r * math.sin(a)) for r, a in zip(far, around, strict=True))


def sum_of_parts(one, other):
    """The sum as the definition has it: every two convex parts' corners added, their hulls put together."""
    hulls = [
        MultiPoint([(x + u, y + v) for x, y in part for u, v in facet]).convex_hull
        for part in convex_rings(one)
        for facet in convex_rings(other)
    ]
    # On a grid: GEOS 3.14 loses whole polygons now and then where edges lie along each other but for rounding.
    return shapely.union_all(hulls, grid_size=1e-6)


@given(stars(), stars())
def test_what_the_curve_winds_round_is_the_sum_of_both(one, other):
    corners, which = swept(convex_rings(one), np.asarray(other))
    covered = shapely.union_all(
        shapely.buffer(shapely.polygons(shapely.linearrings(corners, indices=which)), 0.0), grid_size=1e-6
    )
    expected = sum_of_parts(one, other)
    assert covered.symmetric_difference(expected).area <= 1e-6 * expected.area
    assert covered.is_valid


def test_edges_that_lie_along_each_other_but_for_rounding_lose_nothing():
    """What a piece laid beside its own like comes to; put together by unions a tenth of it was missing."""
    outline = (
        (15.0, 0.0),
        (7.500000000000002, 12.990381056766578),
        (-7.4999999999999964, 12.99038105676658),
        (-102.0, 1.2491397351303002e-14),
        (-11.403439026046176, -19.751335774125707),
        (36.50000000000001, -63.21985447626402),
    )
    mirrored = tuple((-x, -y) for x, y in outline)
    assert no_fit(outline, mirrored, 0.0).area >= sum_of_parts(outline, outline).area


@given(stars())
def test_swept_by_a_single_square_a_polygon_grows_by_half_of_it_each_way(outline):
    square = np.asarray([(-5.0, -5.0), (5.0, -5.0), (5.0, 5.0), (-5.0, 5.0)])
    corners, which = swept((square,), np.asarray(outline))
    assert set(which.tolist()) == {0}
    left, low, right, high = Polygon(outline).bounds
    assert np.allclose(corners.min(0), (left - 5, low - 5)) and np.allclose(corners.max(0), (right + 5, high + 5))
