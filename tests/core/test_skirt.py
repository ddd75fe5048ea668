"""The demo skirt, against the geometry of the circle and of the cone, and against its own envelope."""

import math

import pytest
from shapely.geometry import Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.hem import change_length_at_hem
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.pieces import Drawn
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.walk import walk
from rowanseed.demo.six_gore_skirt import FLARE, HIP_DEPTH, HIP_SHARE, LENGTH, SIZES, cone, draft

PATTERN = draft()
GORES = (("front", 2), ("side-front", 2), ("side-back", 2), ("back", 2))
"""Pieces of the shell with how often each outline stands in the whole skirt."""


def _round(size, edge, pieces=GORES, pattern=PATTERN):
    return sum(n * chain_length(pattern.piece(id).shapes[size].edges[edge]) for id, n in pieces)


@pytest.mark.parametrize("size", SIZES)
def test_every_seam_walks_to_half_a_millimetre(size):
    assert [w.join.id for w in walk(PATTERN, size) if abs(w.fault) > 0.5] == []


@pytest.mark.parametrize("size", SIZES)
def test_the_hem_is_the_arc_of_the_circle(size):
    """Arc = angle × radius; the whole cone's angle is the flare."""
    assert _round(size, "hem") == pytest.approx(FLARE * cone(size).hem_radius, abs=0.05)


@pytest.mark.parametrize("size", SIZES)
def test_a_gore_below_the_hip_has_the_area_of_its_sector(size):
    """Area of an annular sector = angle × (R² − r²) / 2, cut out of the drawing with Shapely."""
    c = cone(size)
    angle = c.angle(HIP_SHARE["side-front"])
    ring = [p for chain in PATTERN.piece("side-front").shapes[size].edges.values() for p in flatten(chain, 0.005)]
    apex = (-c.waist_radius, 0.0)
    from shapely.geometry import Point

    below = Polygon(ring).difference(Point(apex).buffer(c.hip_radius, quad_segs=4000))
    assert below.area == pytest.approx(angle * (c.hem_radius**2 - c.hip_radius**2) / 2, rel=1e-4)


@pytest.mark.parametrize("size", SIZES)
def test_the_pieces_measure_what_the_envelope_prints(size):
    finished = PATTERN.envelope.finished["A"]
    assert _round(size, "waist") == pytest.approx(finished["waist"][size], abs=0.1)
    hip = 0.0
    for id, n in GORES:
        c, edges = cone(size), PATTERN.piece(id).shapes[size].edges
        ring = Polygon([p for chain in edges.values() for p in flatten(chain, 0.005)])
        from shapely.geometry import Point

        circle = Point(-c.waist_radius, 0).buffer(c.hip_radius + 0.01, quad_segs=2000).exterior
        hip += n * circle.intersection(ring).length
    assert hip == pytest.approx(finished["hip"][size], abs=0.5)
    assert finished["length"][size] == LENGTH > HIP_DEPTH


@pytest.mark.parametrize("size", SIZES)
def test_waist_corners_are_square_so_that_the_waist_runs_on_smoothly(size):
    for id in ("side-front", "side-back"):
        edges = PATTERN.piece(id).shapes[size].edges
        ax, ay = edges["back"][-1].derivative(1.0)
        bx, by = edges["waist"][0].derivative(0.0)
        turn = math.degrees(math.atan2(ax * by - ay * bx, ax * bx + ay * by))
        assert turn == pytest.approx(90, abs=0.5)


def test_the_pattern_holds_together_and_nothing_is_left_loose():
    assert list(faults(PATTERN)) == []


# ---------------------------------------------------------------- a change of length at the hem


def test_no_change_changes_nothing():
    assert change_length_at_hem(PATTERN, "14", 0) is PATTERN


@pytest.mark.parametrize("by", [50.0, -80.0])
def test_a_longer_skirt_is_a_longer_cone_in_every_gore(by):
    changed = carry_out(PATTERN, "14", [Alteration("hem", by)])
    c = cone("14")
    assert {t.piece for t in changed.touched} == {id for id, _ in GORES}
    assert _round("14", "hem", pattern=changed.pattern) == pytest.approx(FLARE * (c.hem_radius + by), rel=2e-4)
    assert all(w.walks for w in walk(changed.pattern, "14"))
    assert list(faults(changed.pattern)) == [] or by < 0
    grown = Polygon(lines(changed.pattern.piece("side-front"), "14").seam_ring()).area
    before = Polygon(lines(PATTERN.piece("side-front"), "14").seam_ring()).area
    strip = c.angle(HIP_SHARE["side-front"]) * (c.hem_radius * by + by * by / 2)
    assert grown - before == pytest.approx(strip, rel=2e-3)


def test_lengthening_and_shortening_again_returns_the_outline():
    there = change_length_at_hem(PATTERN, "14", 45.0)
    back = change_length_at_hem(there, "14", -45.0)
    for piece in PATTERN.pieces:
        ours, was = (Polygon(lines(p.piece(piece.id), "14").cutting_ring()) for p in (back, PATTERN))
        assert ours.symmetric_difference(was).area < 1.0


def test_other_sizes_are_left_alone():
    changed = change_length_at_hem(PATTERN, "14", 45.0)
    assert changed.piece("front").shapes["12"] is PATTERN.piece("front").shapes["12"]


def test_a_skirt_cannot_be_shortened_away():
    with pytest.raises(AlterationError, match="shortened"):
        change_length_at_hem(PATTERN, "14", -700.0)


def test_the_pieces_are_drawn_on_the_seam_line():
    assert {piece.drawn for piece in PATTERN.pieces} == {Drawn.SEAM}
