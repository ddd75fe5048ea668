"""What is small about a child's garment is drafted three quarters as large (common practice, no source)."""

from dataclasses import replace

import pytest
from shapely.geometry import Polygon

from rowanseed.core.compose.compose import compose
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Supply
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.seamline import lines
from tests.core.everyday import EVERYDAY

SMALL = (
    ("dress shirt", ("collar", "stand", "pocket", "cuff")),
    ("camp shirt", ("collar", "pocket")),
    ("peasant blouse", ()),
    ("smock dress", ("collar",)),
    ("blazer", ("flap", "welt", "pocket")),
)


def made(name, figure):
    return compose(replace(EVERYDAY[name], figure=figure, body_chart={}, sizes=(), finished={})).pattern


def narrow(pattern, id):
    size = pattern.envelope.sizes[0]
    left, top, right, low = Polygon(lines(pattern.piece(id), size).seam_ring()).bounds
    return min(right - left, low - top)


@pytest.mark.parametrize(("name", "ids"), SMALL)
def test_collars_cuffs_and_pockets_are_in_proportion_to_a_child(name, ids):
    """A child's blazer was refused: its pockets, as large as an adult's, had no room."""
    adult, child = made(name, Figure.WOMEN), made(name, Figure.CHILDREN)
    for id in ids:
        if any(p.id == id for p in adult.pieces):
            assert narrow(child, id) < 0.85 * narrow(adult, id), id


@pytest.mark.parametrize("name", ["drawstring dress", "pyjama trousers"])
def test_a_cord_on_a_childs_garment_has_short_ends(name):
    """Ends of 140 mm at the waist at most (EN 14682, from memory); a bow of 60 cm was told."""
    for figure, least, most in ((Figure.CHILDREN, 0.0, 281.0), (Figure.WOMEN, 599.0, 601.0)):
        pattern = made(name, figure)
        size = pattern.envelope.sizes[0]
        bench = workbench(pattern, "A", size, MakingChoices())
        steps = compile_garment(pattern, "A", size, MakingChoices()).operations
        (cord,) = [(op, use) for op in steps for use in op.uses if use.supply is Supply.CORD]
        op, use = cord
        waist = next(iter((*op.on.finishes, *(d.along[0] for d in bench.details_of(DetailKind.DRAWSTRING)))))
        assert least <= use.mm - bench.round_the_body([waist]) <= most
        assert ("60 cm" in " ".join(op.how)) == (figure is Figure.WOMEN) and "strangle" in op.caution


def test_a_tied_belt_says_on_a_childs_garment_how_long_its_ends_hang():
    said = {}
    for figure in (Figure.CHILDREN, Figure.WOMEN):
        pattern = made("shirt dress", figure)
        steps = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
        said[figure] = " ".join(op.caution for op in steps if op.technique == "tie belt")
    assert "36 cm from the knot" in said[Figure.CHILDREN] and "knot" not in said[Figure.WOMEN]
