"""Two pieces that are sewn together along several edges in one run lie on each other edge on edge, and each edge on the
one of its name: a front on its facing round the corner of the neck, a collar on its under collar.

Distances are measured with Shapely.
"""

import pytest
from shapely.geometry import LineString

from rowanseed.core.pattern.joined import sides_run_against
from rowanseed.drawings.steps.placing import as_drawn, laid_on
from rowanseed.drawings.steps.together import pair_shown

from .test_layers import made

APART = 12.0
"""The curved edge of one piece lies so far, in mm, from the other's that has to be eased to it."""


def pairs(name):
    """(the workbench, a seam, both its pieces' edges) where both pieces have several edges of one name in it."""
    bench, operations = made(name)
    for op in operations:
        for id in op.on.joins:
            one, other = pair_shown(bench, op, bench.joins[id]) if id in bench.joins else ((), ())
            if min(len(one), len(other)) > 1 and len({p.edge for p in one} & {p.edge for p in other}) > 1:
                yield bench, id, one, other


@pytest.mark.parametrize(
    ("name", "joins"),
    [
        ("blouse", {"collar-edge"}),
        ("dress shirt", {"collar-edge", "yoke-layers"}),
        ("shirt dress", {"collar-edge", "pocket-bag-round"}),
        ("coat dress", {"collar-edge", "fronts"}),
        ("kaftan", {"sides"}),
        ("pinafore", {"bib-edge"}),
        ("blazer", {"collar-edge", "fronts", "flap-edge"}),
        ("snapped jacket", {"opening-facing"}),
        ("waistcoat", {"neck"}),
    ],
)
def test_each_edge_lies_on_the_one_of_its_name(name, joins):
    found = {join: (bench, one, other) for bench, join, one, other in pairs(name)}
    assert joins <= set(found)
    for bench, one, other in found.values():
        against = sides_run_against(bench.pattern, one, other)
        under = as_drawn(bench.piece(one[0].piece), bench.size)
        over = laid_on(under, one, bench.piece(other[0].piece), other, against=against)
        named = {part.edge: part for part in other}
        for part in (p for p in one if p.edge in named):
            below, above = LineString(under.stitched((part,))), LineString(over.stitched((named[part.edge],)))
            assert below.hausdorff_distance(above) < max(APART, 0.06 * below.length)
