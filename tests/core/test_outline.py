"""Geometry on outlines, against SciPy's quadrature and Shapely's areas, lengths and offsets."""

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.integrate import quad
from shapely.geometry import LineString, Polygon

from rowanseed.core.geometry.outline import (
    Segment,
    arc_chain,
    chain_length,
    flatten,
    point_at,
    similarity,
    split_chain,
    transform_chain,
)
from rowanseed.core.geometry.polyline import offset_polyline, signed_area, unfold

coordinate = st.floats(-500, 500).map(lambda v: round(v, 2))
point = st.tuples(coordinate, coordinate)
curves = st.builds(Segment, point, point, point, point).filter(lambda s: math.dist(s.start, s.end) > 5)


@given(curves)
def test_the_length_of_a_curve_agrees_with_scipy(curve):
    length, _ = quad(lambda t: math.hypot(*curve.derivative(t)), 0, 1, limit=400)
    assert curve.length() == pytest.approx(length, rel=2e-3)


def test_the_length_of_a_gentle_curve_is_exact_to_a_thousandth_of_a_millimetre():
    curve = Segment(start=(0, 0), end=(200, 30), control1=(70, 0), control2=(130, 25))
    length, _ = quad(lambda t: math.hypot(*curve.derivative(t)), 0, 1, epsabs=1e-12)
    assert curve.length() == pytest.approx(length, abs=1e-3)


@given(curves, st.floats(0.02, 0.98))
def test_splitting_leaves_the_length_and_the_line(curve, share):
    whole = curve.length()
    before, after = split_chain((curve,), whole * share)
    assert chain_length(before) + chain_length(after) == pytest.approx(whole, rel=5e-3)
    assert before[-1].end == after[0].start
    assert math.dist(point_at((curve,), whole * share), before[-1].end) < 1e-6


@given(curves)
def test_flattened_points_stay_on_the_curve_within_the_flatness(curve):
    flat = LineString(flatten((curve,), 0.1))
    for k in range(33):
        from shapely.geometry import Point

        assert flat.distance(Point(curve.at(k / 32))) <= 0.1 + 1e-9


@given(st.floats(20, 2000), st.floats(0.05, 3.0))
def test_arcs_have_the_length_of_the_circles(radius, angle):
    chain = arc_chain((3, -7), radius, 0.4, 0.4 + angle)
    assert chain_length(chain) == pytest.approx(radius * angle, rel=1e-5)


@pytest.mark.parametrize("distance", [15.0, 6.35, -10.0])
def test_a_straight_offset_is_shapelys(distance):
    points = [(0, 0), (300, 10), (420, 160), (400, 330)]
    ours = LineString(offset_polyline(points, distance))
    theirs = LineString(points).offset_curve(-distance, join_style="mitre", mitre_limit=10)
    assert ours.hausdorff_distance(theirs) < 1e-6


@given(
    angle=st.floats(0.3, 1.9),
    parts=st.integers(1, 12),
    beyond=st.sampled_from([25.0, 31.3, 60.0]),
    turn=st.floats(-3, 3),
    distance=st.sampled_from([10.0, 15.0, -10.0]),
)
def test_an_offset_over_a_corner_runs_on_however_a_straight_beside_it_is_divided(angle, parts, beyond, turn, distance):
    """What is altered comes in short stretches: some are shorter than the corner takes away from them."""
    straight = [(0.0, -beyond * k / parts) for k in range(parts + 1)]
    points = [(-80 * math.sin(angle), 80 * math.cos(angle)), *straight]
    c, s = math.cos(turn), math.sin(turn)
    points = [(c * x - s * y, s * x + c * y) for x, y in points]
    ours = LineString(offset_polyline(points, distance))
    theirs = LineString([points[0], points[1], points[-1]]).offset_curve(-distance, join_style="mitre", mitre_limit=20)
    assert ours.is_simple
    assert ours.hausdorff_distance(theirs) < 1e-6


@given(st.lists(point, min_size=3, max_size=9, unique=True))
def test_areas_agree_with_shapely(ring):
    polygon = Polygon(ring)
    if polygon.is_valid:
        assert abs(signed_area(ring)) == pytest.approx(polygon.area, rel=1e-9, abs=1e-6)


def test_unfolding_doubles_the_area_and_closes_the_ring():
    half = [(0.0, 0.0), (600.0, 0.0), (600.0, 240.0), (20.0, 160.0)]
    whole = Polygon(unfold(half, ((0.0, 0.0), (600.0, 0.0))))
    assert whole.is_valid
    assert whole.area == pytest.approx(2 * Polygon(half).area)
    with pytest.raises(ValueError, match="fold"):
        unfold(half, ((0.0, 0.0), (600.0, 240.0)))


@given(point, point, point, point)
def test_a_similarity_takes_its_two_points_where_it_should(a, b, c, d):
    if math.dist(a, b) > 1 and math.dist(c, d) > 1:
        move = similarity(a, b, c, d)
        assert math.dist(move(a), c) < 1e-6
        assert math.dist(move(b), d) < 1e-6


@given(curves)
def test_reversing_and_moving_keep_the_length(curve):
    turned = transform_chain((curve,), similarity((0, 0), (1, 0), (5, 5), (5, 6)))
    assert chain_length(turned) == pytest.approx(curve.length(), rel=1e-9)
