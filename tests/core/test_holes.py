"""Buttonholes lie where their steps say, and the button comes to lie under its hole.

Common practice, no source: a hole across the edge begins 3 mm beyond its mark, an upright one has it half-way; the end
of a band that laps over has the hole, by the wearer's hand.
"""

import math
from dataclasses import replace

import pytest
from shapely.geometry import LineString, Polygon

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.sleeve_plackets import laps
from rowanseed.core.compose.vocabulary import OpeningKind, Waist, Where
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.holes import button_under, holes_of_piece, is_upright
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.fastenings import cuffs
from rowanseed.core.pattern.pieces import LineKind, Panel
from rowanseed.drawings.steps.buttonholes import hand_of_end
from tests.core.everyday import EVERYDAY, everyday

BUTTONED = [name for name in EVERYDAY if EVERYDAY[name].features.opening.kind is OpeningKind.BUTTONS]
CUFFED = [name for name, one in EVERYDAY.items() if one.features.sleeve and one.features.sleeve.placket]
CLEAR = 5.0
"""A hole keeps so far from every edge and fold, in mm: less would fray out, or crack at the fold."""


def ring_of(piece, size):
    return Polygon([p for chain in piece.shapes[size].edges.values() for p in flatten(chain, 0.5)])


def with_holes(pattern):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    bench = workbench(pattern, "A", size, MakingChoices())
    for piece in pattern.pieces:
        for hole in holes_of_piece(bench, piece):
            yield bench, piece, hole


@pytest.mark.parametrize("name", BUTTONED)
def test_holes_lie_inside_their_piece_and_clear_of_its_edges_and_folds(name):
    for bench, piece, hole in with_holes(everyday(name)):
        ring, cut = ring_of(piece, bench.size), LineString(hole.ends)
        folds = [LineString(line.ends[bench.size]) for line in piece.lines if line.kind is LineKind.FOLD]
        assert ring.contains(cut)
        assert min(line.distance(cut) for line in (ring.exterior, *folds)) >= CLEAR, piece.id


@pytest.mark.parametrize("name", BUTTONED)
def test_a_hole_passes_its_mark_by_3_mm_towards_the_edge_or_has_it_half_way(name):
    for bench, piece, hole in with_holes(everyday(name)):
        towards, inner = (math.dist(end, hole.mark) for end in hole.ends)
        if is_upright(bench, piece):
            assert towards == pytest.approx(inner)
        else:
            assert towards == pytest.approx(3.0)
            edge = ring_of(piece, bench.size).exterior
            assert edge.distance(LineString([hole.ends[0]] * 2)) < edge.distance(LineString([hole.ends[1]] * 2)) + 0.1


@pytest.mark.parametrize("name", CUFFED)
def test_the_button_of_a_cuff_comes_to_lie_under_its_hole(name):
    """How far hole and button lie from their ends is together what the ends lap by."""
    pattern, features = everyday(name), EVERYDAY[name].features
    for bench, piece, hole in with_holes(pattern):
        if piece.id not in cuffs(pattern):
            continue
        button, ring = button_under(bench, piece, hole), ring_of(piece, bench.size)
        ends = [LineString(flatten(piece.shapes[bench.size].edges[edge], 0.5)) for edge in ("start", "end")]
        gone = [min(end.distance(LineString([at] * 2)) for end in ends) for at in (hole.mark, button)]
        assert sum(gone) == pytest.approx(laps(features.sleeve.placket).worn, abs=0.2)
        assert ring.contains(LineString([hole.mark, button])) and math.dist(hole.mark, button) > 100


def in_one_part(name, figure):
    described = EVERYDAY[name]
    features = replace(described.features, band=replace(described.features.band, parts=1))
    plain = replace(described, figure=figure, body_chart={}, sizes=(), finished={}, features=features)
    return compose(plain).pattern


@pytest.mark.parametrize(("figure", "hand"), [(Figure.WOMEN, "right"), (Figure.MEN, "left")])
@pytest.mark.parametrize("name", ["buttoned jeans", "buttoned skirt"])
def test_a_waistband_in_one_part_has_its_hole_in_the_end_that_laps_over(name, figure, hand):
    """It lay in the underlap; on men's garments on the wrong hand."""
    found = [one for one in with_holes(in_one_part(name, figure)) if one[1].id == "waistband"]
    assert len(found) == 1
    bench, band, hole = found[0]
    assert hand_of_end(bench, band, hole) == hand
    button, long = button_under(bench, band, hole), ring_of(band, bench.size).bounds[2]
    lap = next((m.distance[bench.size] for m in band.marks if m.id == "opening"), 0.0)
    near = min(hole.mark[0], long - hole.mark[0])
    # Lapped, the upper end lies on the notch of the underlap, or as far over the lower one as both fronts lap.
    assert min(button[0], long - button[0]) == pytest.approx(lap - near if lap else near)
    assert abs(button[0] - hole.mark[0]) > 100


SIDE_OPENED = [
    name
    for name in EVERYDAY
    if EVERYDAY[name].features.opening.where is Where.LEFT_SIDE and EVERYDAY[name].features.waist is Waist.WAISTBAND
]


@pytest.mark.parametrize("name", SIDE_OPENED)
def test_the_underlap_of_a_band_that_opens_at_a_side_lies_on_the_back(name):
    """Seen from outside, its seam below, a band that begins at the left side goes round the back first: laid so that
    the front began there, its notches met no seam, and its underlap lay on the front."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[0]
    band = pattern.piece("waistband")
    waist = flatten(band.shapes[size].edges["waist"], 1.0)
    # Edges run counter-clockwise: along its seam edge, which lies below, a piece is passed from left to right.
    assert ring_of(band, size).exterior.is_ccw
    opening = band.mark("opening")
    assert opening.edge == "waist" and opening.anchor == "start"
    sewn = next(join for join in pattern.making.joins if join.id == "waist")
    panels = [pattern.piece(part.piece).panel for part in sewn.a]
    assert panels[0] is Panel.BACK and panels[-1] is Panel.FRONT
    assert math.dist(waist[0], waist[-1]) > 500
