"""Bands that are stretched on, and pouch pockets, lie where they are worn and are sewn where their steps say.

Areas and distances are measured with Shapely.
"""

import re

import pytest
from shapely.geometry import LineString, Point, Polygon

from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.pattern.making import DifferenceKind
from rowanseed.core.pattern.pieces import SLANTING, Panel
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.drawings.line.dressed import Dressed, Line
from rowanseed.drawings.line.laid import laid, sleeve
from rowanseed.drawings.line.lower_bands import lower_band
from rowanseed.drawings.line.pockets import pouch
from rowanseed.drawings.line.stretched_bands import stretched
from rowanseed.drawings.steps.placing import as_drawn

from ..core.everyday import everyday
from .test_layers import step

RIBBED = ("sweatshirt", "hooded sweatshirt", "v-necked sweatshirt", "ribbed pullover", "t-shirt")
BOTH = (Panel.FRONT, Panel.BACK)


def dressed(name, panel):
    pattern = everyday(name)
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    pieces = tuple(laid(pattern, panel, size))
    return Dressed(pattern, size, panel is Panel.FRONT, pieces, tuple(sleeve(pattern, list(pieces), size)))


def outlines(garment):
    return [Polygon([q for run in one.edges.values() for q in run[:-1]]).buffer(0) for one in garment.pieces]


def is_button(stroke):
    xs = [x for x, _ in stroke.run]
    return stroke.line is Line.FILLED and max(xs) - min(xs) == pytest.approx(14.0, abs=0.5)


# ---------------------------------------------------------------- on the line drawing


@pytest.mark.parametrize("panel", BOTH)
@pytest.mark.parametrize("name", RIBBED)
def test_a_band_is_drawn_beyond_its_edge_and_not_on_the_garment(name, panel):
    garment = dressed(name, panel)
    strips = [stroke for stroke in stretched(garment) if stroke.line is Line.FILLED and stroke.part != "sleeve"]
    assert {stroke.part for stroke in strips} <= {"neck", "hem"}
    for stroke in strips:
        strip = Polygon(stroke.run).buffer(0)
        assert strip.area > 0.0
        for body in outlines(garment):
            assert strip.intersection(body).area < 0.04 * strip.area


@pytest.mark.parametrize("panel", BOTH)
@pytest.mark.parametrize("name", ["sweatshirt", "hooded sweatshirt", "ribbed pullover"])
def test_a_lower_band_is_as_deep_as_it_is_folded_and_draws_the_edge_in(name, panel):
    garment = dressed(name, panel)
    (strip,) = (s for s in stretched(garment) if s.line is Line.FILLED and s.part == "hem")
    band = garment.drawn("lower-band")
    deep = max(x for chain in band.shapes[garment.size].edges.values() for s in chain for x, _ in s.points()) / 2
    edge = max(x for one in garment.pieces for x, _ in one.edges["hem"])
    assert max(x for x, _ in strip.run) - edge == pytest.approx(deep)
    low = [y for x, y in strip.run if x > edge + 0.9 * deep]
    assert 0.9 < max(low) / max(y for _, y in strip.run) < 1.0


def test_no_hem_is_shown_where_a_band_ends_the_garment():
    assert line_drawing(everyday("hooded sweatshirt")).count("stroke-dasharray") == 0
    assert line_drawing(everyday("smock")).count("stroke-dasharray") > 0


@pytest.mark.parametrize("panel", BOTH)
@pytest.mark.parametrize("name", ["blouson", "banded hoodie", "denim jacket", "snapped jacket"])
def test_a_band_below_an_open_front_lies_below_the_edge_as_deep_as_it_is_folded(name, panel):
    garment = dressed(name, panel)
    strokes = list(lower_band(garment))
    strips = [s for s in strokes if s.line is Line.FILLED and not is_button(s)]
    band = garment.pattern.piece("lower-band").shapes[garment.size].edges
    edge = max(x for one in garment.pieces for x, _ in one.edges.get("hem", ()))
    assert {hand for s in strips for hand in s.hands} == {-1, 1}
    for strip in strips:
        shape = Polygon(strip.run).buffer(0)
        assert max(x for x, _ in strip.run) - edge == pytest.approx(chain_length(band["far-end"]) / 2)
        assert all(shape.intersection(body).area < 0.01 * shape.area for body in outlines(garment))
    assert any(s.line is Line.ZIP for s in strokes) == (panel is Panel.FRONT and name in ("blouson", "banded hoodie"))
    ribs = sum(s.line is Line.FINE for s in strokes)
    assert (ribs == 0) is (name == "denim jacket")


@pytest.mark.parametrize("name", ["denim jacket", "snapped jacket"])
def test_the_button_of_a_lower_band_is_on_the_hand_that_laps_over(name):
    garment = dressed(name, Panel.FRONT)
    (button,) = filter(is_button, lower_band(garment))
    assert button.hands == (garment.over,)
    assert Polygon(button.run).centroid.y == pytest.approx(0.0, abs=0.5), "on the centre"
    assert not any(map(is_button, lower_band(dressed(name, Panel.BACK))))


def test_a_pouch_is_drawn_on_the_front_alone_where_its_marks_lie():
    front, back = (dressed("smock", panel) for panel in BOTH)
    (detail,) = front.pattern.making.details
    assert not list(pouch(back, detail))
    (stroke,) = pouch(front, detail)
    corner = next(q for q in front.pattern.piece("front").points if q.id == "pouch-pocket-outer").at[front.size]
    one = front.laid("front")
    assert any(one.at(corner) == pytest.approx(q) for q in stroke.run)
    assert stroke.hands == (-1, 1)


# ---------------------------------------------------------------- at the needle


BANDS = [
    (name, join.id)
    for name in RIBBED
    for join in everyday(name).making.joins
    if join.difference.kind is DifferenceKind.STRETCHED_ON
]


@pytest.mark.parametrize(("name", "join"), BANDS)
def test_a_band_lies_folded_on_its_edge_with_all_raw_edges_level(name, join):
    bench, op, stack = step(name, f"sew-{join}")
    below, band = (layer.shape for layer in stack.layers)
    row = LineString(stack.rows[0].line)
    allowance = bench.edge_allowance(bench.joins[join].a[0])
    fold = next(line for line in bench.piece(bench.joins[join].b[0].piece).lines if line.id == "fold")
    wide = fold.ends[bench.size][0][0]
    assert band.area == pytest.approx((allowance + wide) * row.length, rel=0.2)
    middle = row.interpolate(0.5, normalized=True)
    assert below.boundary.distance(middle) == pytest.approx(allowance, abs=1.0)
    assert band.buffer(1.0).covers(row)
    assert " Sew all round." in stack.words and "all round" in " ".join(op.how)


@pytest.mark.parametrize("name", ["sweatshirt", "v-necked sweatshirt", "ribbed pullover", "t-shirt"])
def test_the_row_below_a_neck_band_runs_on_the_garment_close_to_the_seam(name):
    _, op, stack = step(name, "below-neck")
    garment, band = (layer.shape for layer in stack.layers)
    row = LineString(stack.rows[0].line)
    assert garment.intersection(band).area < 0.05 * band.area
    assert garment.buffer(0.5).covers(LineString(row.coords[1:-1]))
    assert band.distance(row) == pytest.approx(2.0, abs=0.5)
    assert re.search(r"0\.2 cm from the seam", " ".join(op.how))


@pytest.mark.parametrize("name", ["smock", "hooded sweatshirt"])
def test_a_pouch_is_sewn_down_above_and_below_its_mouth_and_not_along_it(name):
    bench, _, stack = step(name, "sew-on-pouch-pocket")
    front, half = stack.layers[0].shape, stack.layers[-1].shape
    assert front.buffer(0.1).covers(half), "half a pocket on half the front"
    above, under = (LineString(row.line) for row in stack.rows)
    assert above.bounds[3] < under.bounds[1], "one row above the mouth, one that begins below it"
    pocket = bench.piece("pouch-pocket")
    lying = as_drawn(pocket, bench.size)
    mouth = next(edge for edge in pocket.edges if edge.name == SLANTING)
    long = LineString(
        lying.stitched(tuple(p for f in bench.finishes.values() for p in f.parts if p.edge == mouth.name))
    )
    gap = Point(above.coords[0]).distance(Point(under.coords[0]))
    assert gap == pytest.approx(long.length, rel=0.15), "as far apart as the mouth is long"
    assert all(row.begins for row in stack.rows)
