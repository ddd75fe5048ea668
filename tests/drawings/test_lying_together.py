"""In the line drawing what is sewn together lies together: front and back of everyday garments, in two sizes."""

import math
from dataclasses import replace

import pytest
from shapely import LineString, hausdorff_distance

from rowanseed.core.pattern.below_waist import hangs_below
from rowanseed.core.pattern.pieces import Panel
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.drawings.line.laid import laid

from ..core.everyday import EVERYDAY, everyday

NEAR = 12.0
"""Pieces are shaped, and a drawing is flat: so far apart, in mm, two edges of a seam may lie on it."""


@pytest.mark.parametrize("name", EVERYDAY)
def test_pieces_that_are_sewn_to_each_other_lie_edge_to_edge(name):
    """The back yoke of jeans lay turned away across them, its seam a hand's breadth off."""
    pattern = everyday(name)
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        for panel in (Panel.FRONT, Panel.BACK):
            edges = {one.piece.id: one.edges for one in laid(pattern, panel, size)}
            for join in pattern.making.joins:
                parts = (*join.a, *join.b)
                pieces = {part.piece for part in parts}
                if len(parts) != 2 or len(pieces) != 2 or not pieces <= edges.keys():
                    continue
                one, other = (edges[part.piece].get(part.edge) for part in parts)
                if one and other:
                    assert hausdorff_distance(LineString(one), LineString(other)) < NEAR, (join.id, size)


@pytest.mark.parametrize("name", EVERYDAY)
def test_bodice_and_what_hangs_from_it_are_drawn_equally_wide_at_the_waist(name):
    """Open darts of unlike depth made a step at the sides of every fitted dress."""
    pattern = everyday(name)
    size = pattern.envelope.sizes[-1]
    for panel in (Panel.FRONT, Panel.BACK):
        wide = {True: 0.0, False: 0.0}
        for one in laid(pattern, panel, size):
            below = hangs_below(one.piece.frame)
            wide[below] = max(wide[below], *(y for _, y in one.edges.get("waist", ((0.0, 0.0),))))
        if all(wide.values()):
            assert wide[True] == pytest.approx(wide[False], abs=NEAR)


@pytest.mark.parametrize(
    ("name", "leg", "corner"), [("boiler suit", "trouser-front", "pocket-side"), ("jeans", "front", "pocket-side")]
)
def test_the_corner_of_a_slant_pocket_lies_in_its_leg(name, leg, corner):
    """It hung beside the shoulders of a jumpsuit, and 2 cm away from the front of trousers."""
    pattern = everyday(name)
    for size in pattern.envelope.sizes:
        lying = {one.piece.id: one.edges for one in laid(pattern, Panel.FRONT, size)}
        inner = min(lying[corner]["waist"], key=lambda q: q[1])
        assert min(math.dist(inner, q) for q in lying[leg]["waist"]) < 2.0
        foot = max(lying[corner]["outseam"])
        assert min(math.dist(foot, q) for q in lying[leg]["outseam"]) < 2.0


@pytest.mark.parametrize("name", ["jeans", "boiler suit"])
def test_the_corner_beyond_a_slant_pocket_is_cloth(name):
    """The page showed through between its mouth and the side."""
    pattern = everyday(name)
    filled = [line for line in line_drawing(pattern).split("<path") if 'stroke="none"' in line]
    without = replace(pattern, pieces=tuple(p for p in pattern.pieces if p.id != "pocket-side"))
    bare = [line for line in line_drawing(without).split("<path") if 'stroke="none"' in line]
    assert len(filled) == len(bare) + 2
