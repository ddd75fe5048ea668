"""In the line drawing what is sewn together lies together: front and back of everyday garments, in two sizes."""

import pytest
from shapely import LineString, hausdorff_distance

from rowanseed.core.pattern.pieces import Panel
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
