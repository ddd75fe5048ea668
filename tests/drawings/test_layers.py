"""Layers that lie on each other lie at their places: pockets on their marks, zips on their seams, hems on their folds.

Areas, distances and lengths are measured with Shapely. That a row runs so far from a fold is the step's own figure;
how a garment lies before its wearer, left and right, is common practice, no source.
"""

import math
import re
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Point, Polygon
from shapely.ops import unary_union

from rowanseed.core.compose.compose import compose
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.families.bands import band_of
from rowanseed.core.make.families.tunnels import GAP
from rowanseed.core.make.operation import Act
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.making import DetailKind, EdgePart
from rowanseed.core.pattern.pieces import MOUTH, LineKind
from rowanseed.core.pattern.walk import length_on
from rowanseed.core.printing.lines import upright
from rowanseed.drawings.steps import turned
from rowanseed.drawings.steps.aside import aside
from rowanseed.drawings.steps.edges import BEGIN, ends_told, without_gap
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.opening import edges_of_opening
from rowanseed.drawings.steps.placing import as_drawn
from rowanseed.drawings.steps.registry import scene_of
from rowanseed.drawings.steps.stack import Stuff
from rowanseed.drawings.steps.stacked import builders, stack_of

from ..core.everyday import EVERYDAY, everyday
from ..core.garments import SIZE
from ..core.test_make import DRAFTS
from ..core.wardrobe import WARDROBE


def made(name, techniques=()):
    if name in DRAFTS:
        pattern, size = DRAFTS[name]
    elif name in EVERYDAY:
        pattern = everyday(name)
        size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    else:
        pattern, size = WARDROBE[name](), SIZE
    choices = MakingChoices(techniques=techniques)
    return workbench(pattern, "A", size, choices), compile_garment(pattern, "A", size, choices).operations


def step(name, id, techniques=()):
    bench, operations = made(name, techniques)
    op = next(op for op in operations if op.id == id)
    return bench, op, stack_of(bench, op)


def steps_of(operations, technique, word):
    return [op for op in operations if (op.technique, op.id.partition("-")[0]) == (technique, word)]


# ---------------------------------------------------------------- what is sewn on at marks


POCKETED = ("camp shirt", "blazer", "denim skirt", "coat", "overshirt", "trousers")


@pytest.mark.parametrize("name", POCKETED)
def test_a_pocket_lies_with_its_upper_corners_on_its_marks(name):
    bench, operations = made(name)
    drawn = [stack_of(bench, op) for op in steps_of(operations, "patch pocket", "sew")]
    for stack in drawn:
        if stack is None:
            continue
        pocket, carriers = stack.layers[-1].shape, unary_union([layer.shape for layer in stack.layers[:-1]])
        top = pocket.bounds[1]
        # Marks that lie across a seam are as far apart as the opened seam leaves them.
        near = 1.0 if len(stack.layers) == 2 else 15.0
        assert all(pocket.exterior.distance(Point(mark)) <= near for mark in stack.marks)
        assert abs(top - min(y for _, y in stack.marks)) <= near + 1.0
        if len(stack.layers) == 2:
            assert pocket.difference(carriers.buffer(1.0)).area < 0.02 * pocket.area


def test_a_pocket_without_a_place_is_drawn_by_itself():
    """The waistcoat's welts stand aslant and are as long as their piece is high: nothing says which edge lies where."""
    _, _, stack = step("waistcoat", "sew-on-welt-edges")
    assert stack is None


@pytest.mark.parametrize("name", ["camp shirt", "denim skirt"])
def test_a_pocket_is_stitched_on_three_sides_and_its_mouth_stays_open(name):
    bench, operations = made(name)
    for op in steps_of(operations, "patch pocket", "sew"):
        stack = stack_of(bench, op)
        pocket, row = stack.layers[-1].shape, LineString(stack.rows[0].line)
        assert pocket.contains(row)
        mouth = next(edge.edge for edge in op.edges if edge.edge in MOUTH)
        long = LineString(
            as_drawn(bench.piece(op.edges[0].piece), bench.size).stitched([EdgePart(op.edges[0].piece, mouth)])
        ).length
        assert row.length < pocket.exterior.length - 0.8 * long
        assert max(y for _, y in stack.rows[0].line) > pocket.bounds[3] - 0.2 * (pocket.bounds[3] - pocket.bounds[1])


def test_a_flap_lies_on_its_head_above_the_mouth_before_it_is_folded_down():
    bench, operations = made("blazer")
    (op,) = steps_of(operations, "pocket flap", "sew")
    stack = stack_of(bench, op)
    flap = stack.layers[-1]
    assert flap.stuff is Stuff.WRONG
    mouth = min(y for _, y in stack.marks)
    assert flap.shape.bounds[3] <= mouth - 12.0 + 4.0
    assert flap.shape.centroid.y < LineString(stack.rows[0].line).centroid.y


def test_the_rows_of_a_welt_lie_ten_millimetres_apart_and_the_cut_forks_between_them():
    _, _, stack = step("lined overshirt", "rows-welt")
    low, high = (LineString(row.line) for row in stack.rows)
    assert low.distance(high) == pytest.approx(10.0)
    assert low.length - high.length == pytest.approx(8.0)
    welt, bag = stack.layers[-2:]
    assert welt.shape.centroid.y > low.centroid.y and bag.shape.centroid.y < high.centroid.y
    assert bag.stuff is Stuff.WRONG
    _, _, cut = step("lined overshirt", "slash-welt")
    between = Polygon([*cut.rows[0].line, *cut.rows[1].line[::-1]]).buffer(0.1)
    assert all(between.contains(LineString(line)) for line in cut.cuts)


def test_a_bag_lies_along_its_seam_with_the_mouth_between_the_dots():
    _, _, stack = step("A-line skirt", "mouth-pocket-bag")
    front, bag = stack.layers
    assert (front.stuff, bag.stuff) == (Stuff.RIGHT, Stuff.WRONG)
    mouth = LineString(stack.rows[0].line)
    assert mouth.length == pytest.approx(150.0, abs=3.0)
    assert all(bag.shape.buffer(4.0).contains(Point(mark)) for mark in stack.marks)
    # Most of it lies on the front, and it hangs farther below the mouth than it stands above.
    assert bag.shape.intersection(front.shape.buffer(20.0)).area > 0.7 * bag.shape.area
    ys = sorted(y for _, y in stack.marks)
    assert bag.shape.bounds[3] - ys[1] > ys[0] - bag.shape.bounds[1]


def test_a_bag_that_is_longer_than_its_seam_hangs_from_the_top_of_it():
    """The side of a first tier is shorter than the bag."""
    for id in ("mouth-pocket-bag", "hold-pocket-bag"):
        _, _, stack = step("tiered skirt", id)
        tier, bag = stack.layers
        assert bag.shape.bounds[1] >= tier.shape.bounds[1] - 1.0 and bag.shape.bounds[3] > tier.shape.bounds[3]
        assert bag.shape.intersection(tier.shape.buffer(1.0)).area > 0.6 * bag.shape.area


def test_a_welt_is_folded_to_be_made_up_and_turned_up_over_its_mouth():
    bench, op, stack = step("tailored trousers", "made-up-welt-2")
    whole = Polygon(as_drawn(bench.piece(op.on.pieces[0]), bench.size).cutting())
    (half,) = (layer.shape for layer in stack.layers)
    assert half.area == pytest.approx(whole.area / 2, rel=0.02) and len(stack.rows) == 2
    _, _, held = step("tailored trousers", "hold-welt-2")
    _, _, sewn = step("tailored trousers", "rows-welt-2")
    assert held.layers[-1].shape.centroid.y < min(y for _, y in held.marks) < sewn.layers[1].shape.bounds[3]
    assert {row.by_hand for row in held.rows} == {True}


# ---------------------------------------------------------------- strips and bands


@pytest.mark.parametrize(
    ("name", "id", "techniques", "reach"),
    [
        ("tank top", "bind-neck", (), (10.0, 20.0)),
        ("tiered dress", "bind-armhole", (), (10.0, 20.0)),
        ("tiered dress", "bind-armhole", (("armhole", "double-binding"),), (8.0, 19.0)),
        ("tiered dress", "face-armhole", (("armhole", "bias-facing"),), (6.0, 14.0)),
    ],
)
def test_a_strip_lies_on_its_stitching_line_from_where_its_step_begins(name, id, techniques, reach):
    _, op, stack = step(name, id, techniques)
    garment, strip = stack.layers
    assert (garment.stuff, strip.stuff) == (Stuff.RIGHT, Stuff.WRONG)
    row = LineString(stack.rows[0].line)
    assert strip.shape.area == pytest.approx(row.length * sum(reach), rel=0.12)
    assert strip.shape.boundary.distance(row.interpolate(0.5, normalized=True)) == pytest.approx(reach[0], abs=0.5)
    assert stack.rows[0].begins and op.run.start.removesuffix(" seam") in stack.words


def test_a_binding_ends_its_width_beyond_the_row():
    _, _, stack = step("tank top", "turn-neck")
    garment, binding = (layer.shape for layer in stack.layers)
    row = LineString(stack.rows[0].line)
    assert garment.intersection(binding).area < 0.01 * binding.area and row.distance(garment) < 0.5
    assert binding.area == pytest.approx(10.0 * row.length, rel=0.12)
    _, operations = made("tank top")
    assert any("ends 1 cm beyond the row" in text for op in operations for text in op.how)


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_band_that_is_turned_in_is_as_wide_as_it_is_worn_and_lies_beside_its_seam(name):
    bench, operations = made(name)
    for op in (one for one in operations if (one.technique, one.id.partition("-")[0]) == ("band", "turn")):
        stack = stack_of(bench, op)
        if stack is None:
            continue
        band = bench.piece(op.edges[0].piece)
        fold = LineString(band.line(LineKind.FOLD, "fold").ends[bench.size])
        seam = LineString([p for part in sewn_by(bench, band) for p in as_drawn(band, bench.size).stitched((part,))])
        worn = LineString([(y, x) for x, y in fold.coords]).distance(seam)
        shape, row = stack.layers[-1].shape, LineString(stack.rows[0].line)
        corners = shape.minimum_rotated_rectangle.exterior.coords
        wide = min(math.dist(a, b) for a, b in pairwise(corners))
        assert wide == pytest.approx(worn, abs=1.5), op.id
        assert row.distance(shape) < 0.5
        if len(stack.layers) == 2:
            other = stack.layers[0].shape
            assert other.intersection(shape).area < 0.05 * shape.area and row.distance(other) < 0.5


def sewn_by(bench, band):
    """The edge of a band that it is sewn on by."""
    joins = (j for j in bench.joins.values() if band_of(bench, j) == band.id)
    return [p for j in list(joins)[:1] for p in (*j.a, *j.b) if p.piece == band.id]


def test_a_belt_is_sewn_from_both_ends_to_a_gap_at_its_middle():
    _, op, stack = step("shirt dress", "made-up-belt")
    assert [row.begins for row in stack.rows] == [True, False, False] and [row.ends for row in stack.rows][1:] == [
        True
    ] * 2
    one, other = (row.line[-1] for row in stack.rows[1:])
    assert 0 < math.dist(one, other) <= 100.0 and "10 cm open" in " ".join(op.how)
    fold = LineString(stack.folds[1])
    assert fold.distance(Point(one)) == fold.distance(Point(other)) > 0


def test_a_strip_is_folded_to_its_middle_and_to_half_of_that():
    _, _, stack = step("wrap skirt", "fold-wrap-ties")
    one, other, made_up = (layer.shape for layer in stack.layers)
    assert one.area == pytest.approx(other.area) and made_up.area == pytest.approx(one.area)
    assert LineString(stack.folds[0]).distance(one) < 0.1 > LineString(stack.folds[0]).distance(other)
    assert all(made_up.contains(LineString(row.line).interpolate(0.5, normalized=True)) for row in stack.rows)


def test_a_slash_is_spread_to_one_line_on_a_strip_twice_as_long():
    _, op, stack = step("blouse", "strip-sleeve-placket")
    _, _, cut = step("blouse", "slash-sleeve-placket")
    long = math.dist(*cut.cuts[0]) + 1.0
    strip, sleeve = (layer.shape for layer in stack.layers)
    row = LineString(stack.rows[0].line)
    assert row.length == pytest.approx(2 * long, abs=0.1)
    # At both ends the raw edges are even, at the middle the strip stands out.
    edge = strip.bounds[3]
    lowest = {
        x: max(y for u, y in LineString([(x, -500), (x, 500)]).intersection(sleeve).coords)
        for x in (1 - long, 0.0, long - 1)
    }
    assert [edge - y for y in lowest.values()] == pytest.approx([0.0, 5.0, 0.0], abs=0.3)
    assert (edge - row.coords[0][1] == pytest.approx(6.0) and "6 mm" in op.how[-1]) or "0.6 cm" in op.how[-1]


@pytest.mark.parametrize("name", ["jeans", "denim skirt", "buttoned jeans"])
def test_what_is_sewn_to_the_facing_of_a_fly_lies_on_it(name):
    _, _, stack = step(name, "baste-opening")
    front, facing, sewn = stack.layers
    assert (front.stuff, facing.stuff) == (Stuff.WRONG, Stuff.RIGHT)
    for row in stack.rows:
        line = LineString(row.line)
        assert facing.shape.buffer(1.0).contains(line) and sewn.shape.buffer(1.0).contains(line)


# ---------------------------------------------------------------- zips


ZIPPED = ("A-line skirt", "pencil skirt", "wide trousers", "yoked trousers", "pleated skirt", "zipped hoodie", "jeans")


@pytest.mark.parametrize("name", ZIPPED)
def test_both_edges_of_an_opening_are_as_long_as_each_other_and_run_down(name):
    bench, operations = made(name)
    closing = [op for op in operations if op.act is Act.INSERT_CLOSURE]
    for op in closing:
        first, second = edges_of_opening(bench, op)
        long = [LineString(edge.line).length for edge in (first, second)]
        assert long[0] == pytest.approx(long[1], rel=0.02)
        assert all(edge.line[0][1] < edge.line[-1][1] for edge in (first, second))
        pieces = [Polygon(edge.lying.seam()).buffer(0) for edge in (first, second)]
        # Each lies on its own side of the seam between them.
        for edge, piece in zip((first, second), pieces, strict=True):
            assert piece.buffer(0.5).contains(Point(LineString(edge.inside(4.0)).centroid))
            assert not piece.buffer(-0.5).contains(Point(LineString(edge.inside(-4.0)).centroid))


@pytest.mark.parametrize(("name", "panel"), [("pencil skirt", "back"), ("jeans", "trouser front")])
def test_left_and_right_lie_as_they_are_worn(name, panel):
    """Seen from outside, the left back is on the left and the left front on the right; from inside the other way."""
    bench, operations = made(name)
    op = next(op for op in operations if op.act is Act.INSERT_CLOSURE)
    at_left = "Left" if panel == "back" else "Right"
    for right_side_up in (True, False):
        edges = edges_of_opening(bench, op, right_side_up=right_side_up)
        names = [edge.name for edge in sorted(edges, key=lambda edge: Polygon(edge.lying.seam()).centroid.x)]
        assert names[0 if right_side_up else 1] == f"{at_left} {panel}"


def test_an_invisible_zip_is_sewn_from_the_top_and_a_separating_one_from_the_hem():
    _, _, invisible = step("pencil skirt", "zip-opening")
    _, _, separating = step("zipped hoodie", "zip-opening")
    assert all(row.begins and row.line[0][1] < row.line[-1][1] for row in invisible.rows)
    assert all(row.begins and row.line[0][1] > row.line[-1][1] for row in separating.rows)


def test_a_zip_that_goes_on_above_is_not_begun_on_the_piece_below():
    """The row begins at the top of the yoke, which is not drawn and is named; the tiers below the zip are not."""
    _, _, yoked = step("yoked skirt", "zip-opening")
    assert not any(row.begins for row in yoked.rows) and all(row.ends for row in yoked.rows)
    assert yoked.words.endswith("Not drawn: back yoke.")
    _, _, tiered = step("tiered skirt", "zip-opening")
    assert tiered.words.endswith("Not drawn: tier 1 front, tier 1 back.")


@pytest.mark.parametrize("kind", ["centred-zip", "lapped-zip", "exposed-zip"])
def test_another_zip_is_drawn_as_its_step_tells(kind):
    chosen = (("opening", kind),)
    bench, operations = made("pencil skirt", chosen)
    op = next(op for op in operations if op.id == "zip-opening")
    stack = stack_of(bench, op)
    assert stack is not None and op.technique == kind.replace("-", " ")
    cloths = [layer for layer in stack.layers if layer.stuff is Stuff.RIGHT]
    gap = cloths[0].shape.distance(cloths[1].shape)
    if kind == "exposed-zip":
        # Two times the 6 mm that each edge is folded in.
        line = stack.rows[0].line
        across = [layer.shape.distance(Point(LineString(stack.layers[0].teeth).interpolate(30.0))) for layer in cloths]
        assert across == pytest.approx([6.0, 6.0], abs=0.2) and len(line) > 2
        assert any(
            "inside the stitching line" in text for op in operations for text in op.how if op.technique == "exposed zip"
        )
    else:
        assert gap < 0.5


def test_the_row_of_a_fly_runs_beside_the_fold_and_curves_into_the_seam():
    bench, op, stack = step("jeans", "zip-opening")
    lap = next(edge for edge in edges_of_opening(bench, op) if edge.name == stack.layers[-1].name)
    fold, row = LineString(lap.line), stack.rows[0].line
    assert fold.distance(Point(row[0])) < 0.5 and Point(row[0]).distance(Point(lap.line[-1])) < 0.5
    assert fold.distance(Point(row[-1])) == pytest.approx(35.0, abs=0.5)
    assert row[0][1] > row[-1][1]


def test_the_facing_of_a_fly_lies_right_sides_together_on_the_lap():
    _, op, stack = step("jeans", "facing-opening")
    front, facing = stack.layers
    assert front.name == "Right trouser front" and "right front" in " ".join(op.how)
    assert facing.stuff is Stuff.WRONG
    assert facing.shape.intersection(front.shape).area > 0.8 * facing.shape.area


# ---------------------------------------------------------------- what is reinforced and cut


@pytest.mark.parametrize(
    ("name", "id", "reach"),
    [("dressing gown", "reinforce-shoulders", 25.0), ("kaftan", "reinforce-sides", 60.0)],
)
def test_a_corner_is_reinforced_as_far_as_its_step_says(name, id, reach):
    _, op, stack = step(name, id)
    assert any(f"{reach / 10:g} cm" in text for text in op.how)
    assert all(LineString(row.line).length == pytest.approx(2 * reach, rel=0.03) for row in stack.rows)
    assert all(
        min(Point(p).distance(LineString(row.line)) for row in stack.rows) <= 1.1 for p in (c[1] for c in stack.cuts)
    )


@pytest.mark.parametrize(
    ("name", "id"),
    [
        ("blouse", "slash-sleeve-placket"),
        ("tunic", "face-slit"),
        ("yoked shirt dress", "face-sleeve-placket"),
    ],
)
def test_a_slash_is_cut_from_the_raw_edge_to_just_before_its_point(name, id):
    _, _, stack = step(name, id)
    cut, row = stack.cuts[0], stack.rows[0].line
    assert math.dist(cut[1], row[1]) == pytest.approx(1.0)
    assert stack.layers[0].shape.exterior.distance(Point(cut[0])) < 0.5
    assert math.dist(row[0], row[2]) == pytest.approx(10.0)


@pytest.mark.parametrize(("name", "id"), [("blouse", "ends-band-inside"), ("blouse", "ends-cuff-inside")])
def test_a_band_is_folded_back_on_its_fold_line_to_close_its_ends(name, id):
    bench, op, stack = step(name, id)
    whole = Polygon(as_drawn(bench.piece(op.edges[0].piece), bench.size).cutting())
    half, inner = (layer.shape for layer in stack.layers)
    # Half as wide as the band is cut, without the allowance of its inner edge, and one end of it: large.
    assert half.bounds[3] - half.bounds[1] < 0.6 * (whole.bounds[3] - whole.bounds[1])
    wide = half.bounds[2] - half.bounds[0]
    assert 0.3 < wide / (whole.bounds[2] - whole.bounds[0]) < 0.5
    assert half.buffer(0.1).contains(inner) and stack.layers[0].stuff is Stuff.WRONG
    # From the fold to the turned-in edge; where another end is closed too, that is said.
    (row,) = stack.rows
    assert LineString(row.line).length > wide - 1.0
    assert ("the other is closed alike" in stack.words) is (len(op.edges) > 1)


# ---------------------------------------------------------------- folded edges


def _turned(operations):
    return [op for op in operations if op.turned is not None and op.turned.folds]


@pytest.mark.parametrize("name", EVERYDAY)
def test_the_folds_that_are_drawn_are_the_ones_that_are_told(name):
    bench, operations = made(name)
    for op in _turned(operations):
        if op.act is Act.PRESS:
            said = " ".join(op.how)
            told = {bench.margin(fold) for fold in op.turned.folds} | {bench.fine(fold) for fold in op.turned.folds}
            assert any(words in said for words in told), f"{op.id}: {op.turned.folds}"


@pytest.mark.parametrize("name", EVERYDAY)
def test_what_is_folded_in_is_as_wide_as_its_fold_and_nothing_is_left_outside(name):
    bench, operations = made(name)
    for op in _turned(operations):
        for edge in op.edges:
            part = EdgePart(edge.piece, edge.edge)
            lying = as_drawn(bench.piece(edge.piece), bench.size)
            line = LineString(lying.stitched((part,)))
            deep = op.turned.deep(lying.piece.edge(edge.edge).allowance)
            strip = turned.strip(lying, part, deep)
            assert strip.area >= 0.85 * line.length * deep
            # Outside the finished edge nothing of its allowance is left.
            inside = Polygon(lying.seam()).buffer(0)
            beyond = turned.outside(lying, (part,)).difference(inside.buffer(0.1))
            middle = line.interpolate(0.5, normalized=True).buffer(lying.piece.edge(edge.edge).allowance)
            assert beyond.intersection(middle).area < 0.15 * middle.area


@pytest.mark.parametrize("name", EVERYDAY)
def test_a_row_all_round_begins_once_and_at_the_seam_that_its_step_names(name):
    bench, operations = made(name)
    for op in operations:
        if op.run is None or not op.run.ring or op.on.joins:
            continue
        told = ends_told(bench, op, [EdgePart(edge.piece, edge.edge) for edge in op.edges])
        begun = [(part, words.index(BEGIN)) for part, words in told.items() if BEGIN in words]
        assert len(begun) <= 1
        for part, end in begun:
            beside = (part.piece, bench.neighbours(part)[end])
            at_side = any(
                beside in {(p.piece, p.edge) for p in (*join.a, *join.b)}
                for join in bench.joins.values()
                if bench.closes_side(join)
            )
            named = op.run.start in ("", bench.runs.beside(part, end))
            assert named or (at_side and op.run.start == "side seam"), op.id


def test_a_skirt_of_gores_is_hemmed_from_the_seam_between_front_and_back():
    bench, operations = made("skirt")
    op = next(op for op in operations if op.id == "sew-hem")
    told = ends_told(bench, op, [EdgePart(edge.piece, edge.edge) for edge in op.edges])
    (begun,) = [part.piece for part, words in told.items() if BEGIN in words]
    assert begun.startswith("side"), "a centre gore has no side seam"


def test_a_hem_round_many_pieces_is_drawn_on_two_and_the_others_are_named():
    """Four lie so flat across the drawing that their names cannot be read on a phone."""
    bench, operations = made("gored skirt")
    op = next(op for op in operations if op.id == "sew-hem")
    found = draw_laid(bench.pattern, bench.view, bench.size, op, "#6b3d5b", "#d9cbd3")
    drawn = found.words.partition(", wrong side up")[0].lower().split(", ")
    left_out = found.words.partition("Not drawn: ")[2].rstrip(".").split(", ")
    assert {*drawn, *left_out} == {bench.name(edge.piece) for edge in op.edges}
    assert len(drawn) == len(left_out) == 2 and ">begin<" in found.svg


@pytest.mark.parametrize("name", ["gored skirt", "peasant blouse", "puff-sleeved dress"])
def test_the_row_of_a_tunnel_leaves_the_gap_open_that_its_step_tells(name):
    bench, operations = made(name)
    for op in (op for op in operations if op.technique == "casing" and op.id.startswith("sew-")):
        parts = [EdgePart(edge.piece, edge.edge) for edge in op.edges]
        ((part, ends),) = [(part, ends) for part, ends in ends_told(bench, op, parts).items() if any(ends)]
        line = as_drawn(bench.piece(part.piece), bench.size, right_side_up=False).stitched((part,))
        left = LineString(without_gap(line, op.run, ends))
        assert LineString(line).length - left.length == pytest.approx(GAP, abs=0.1)
        at = line[0] if ends[0] == BEGIN else line[-1]
        assert left.distance(Point(at)) == pytest.approx(GAP, rel=0.05), "it lies where the row begins"
        assert bench.runs.beside(part, ends.index(BEGIN)) == op.run.start and op.run.start in " ".join(op.how)


def test_the_end_of_a_sleeve_in_two_pieces_has_no_seam_under_the_arm():
    _, operations = made("wrap coat")
    sewn = next(op for op in operations if op.id == "sew-wrist")
    assert "at a seam of the sleeve, both alike" in " ".join(sewn.how).lower()


@pytest.mark.parametrize(
    ("name", "id"),
    [("pleated skirt", "pleats-pleats"), ("camisole", "try-straps")],
)
def test_what_is_done_on_a_whole_piece_is_no_row_round_it(name, id):
    bench, operations = made(name)
    op = next(op for op in operations if op.id == id)
    laid = draw_laid(bench.pattern, "A", bench.size, op, "#6b3d5b", "#d9cbd3")
    assert not re.search(r'stroke="#6b3d5b"[^>]*stroke-dasharray|stroke-dasharray[^>]*stroke="#6b3d5b"', laid.svg)


def test_a_name_beside_a_drawing_stands_in_lines_of_its_own_and_the_drawing_stays_large():
    """In one line they made the drawing of a phone a third smaller."""
    bench, op, stack = step("yoked shirt dress", "face-sleeve-placket")
    laid = draw_laid(bench.pattern, "A", bench.size, op, "#6b3d5b", "#d9cbd3")
    words = re.findall(r"<text[^>]*>([^<]+)</text>", laid.svg)
    assert {"Sleeve", "placket facing", "wrong side"} <= set(words)
    wide = float(re.search(r'viewBox="0 0 ([\d.]+)', laid.svg)[1])
    left, _, right, _ = unary_union([layer.shape for layer in stack.layers]).bounds
    assert right - left > 0.7 * wide


@pytest.mark.parametrize("name", EVERYDAY)
def test_whatever_is_drawn_is_named(name):
    """Beside a narrow layer there was no place for its name where another's stood in the way."""
    bench, operations = made(name)
    for op in operations:
        laid = draw_laid(bench.pattern, bench.view, bench.size, op, "#6b3d5b", "#d9cbd3")
        if laid is None:
            continue
        written = " ".join(re.findall(r">([^<>]+)</text>", laid.svg))
        stack = stack_of(bench, op)
        assert written, op.id
        for layer in stack.layers if stack is not None else ():
            assert all(word in written for word in layer.name.split()), (op.id, layer.name)


def test_a_half_placket_is_closed_through_its_flap_and_both_bands():
    _, _, stack = step("grandad shirt", "close-placket-end")
    bands, flap, garment = (layer.shape for layer in stack.layers)
    row = LineString(stack.rows[0].line)
    assert bands.buffer(0.1).contains(flap) and garment.intersection(bands).area < 1.0
    assert row.distance(garment) < 0.5 and row.distance(flap) < 0.1
    assert row.length == pytest.approx(30.0, abs=0.5), "from corner to corner of the box"
    assert [layer.stuff for layer in stack.layers] == [Stuff.RIGHT, Stuff.WRONG, Stuff.WRONG]


def test_every_builder_of_layers_is_asked_by_a_step_that_exists():
    """A misspelt technique would leave its drawing unused."""
    known = set()
    for name in (*DRAFTS, *WARDROBE, *EVERYDAY):
        _, operations = made(name)
        known |= {(op.technique, op.id.partition("-")[0]) for op in operations}
    for kind in ("centred-zip", "lapped-zip", "exposed-zip"):
        known |= {(op.technique, op.id.partition("-")[0]) for op in made("pencil skirt", (("opening", kind),))[1]}
    for name, edge in (("tank top", "neck"), ("tiered dress", "armhole")):
        for kind in ("double-binding", "bias-facing"):
            known |= {(op.technique, op.id.partition("-")[0]) for op in made(name, ((edge, kind),))[1]}
    rare = {("lined patch pocket", "sew"), ("patch", "sew"), ("pivoted corner", "reinforce")}
    assert set(builders()) - known <= rare


# ---------------------------------------------------------------- lines moved aside


@given(st.lists(st.floats(-0.25, 0.25), min_size=3, max_size=12), st.floats(1.0, 20.0), st.sampled_from((1.0, -1.0)))
def test_a_line_moved_aside_keeps_its_distance_and_its_direction(turns, mm, side):
    line, at, way = [(0.0, 0.0)], (0.0, 0.0), 0.0
    for turn in turns:
        way += turn
        at = (at[0] + 40.0 * math.cos(way), at[1] + 40.0 * math.sin(way))
        line.append(at)
    moved = aside(line, side * mm)
    whole = LineString(line)
    assert all(abs(whole.distance(Point(p)) - mm) < 0.15 * mm + 0.2 for p in moved)
    assert math.dist(moved[0], line[0]) <= math.dist(moved[-1], line[0])
    (x, y), (u, v) = line[0], line[1]
    cross = (u - x) * (moved[0][1] - y) - (v - y) * (moved[0][0] - x)
    assert cross * side > 0


def test_a_tower_placket_lies_with_its_point_towards_the_front_and_covers_the_box():
    bench, _, boxed = step("grandad shirt", "box-sleeve-placket")
    placket = boxed.layers[1].shape
    (row,) = (LineString(row.line) for row in boxed.rows)
    assert placket.contains(LineString(row.coords[1:-1])) and row.bounds[2] - row.bounds[0] == pytest.approx(12.0)
    # Seen from the wrong side, the front of a sleeve with its cap up lies to the right.
    lying = as_drawn(bench.piece("sleeve"), bench.size, right_side_up=False)
    front, back = (lying.stitched((EdgePart("sleeve", f"underarm-{half}"),)) for half in ("front", "back"))
    assert max(x for x, _ in front) > max(x for x, _ in back)
    assert min(placket.exterior.coords, key=lambda p: p[1])[0] > row.centroid.x
    _, op, turned = step("grandad shirt", "turn-in-sleeve-placket")
    _, overlap = (layer.shape for layer in turned.layers)
    assert overlap.buffer(0.5).contains(LineString([(x * -1, y) for x, y in row.coords[1:3]])), "its end and corners"
    assert all(overlap.buffer(0.1).contains(LineString(row.line)) for row in turned.rows), op.id


@pytest.mark.parametrize("id", ["sew-yoke-layers", "press-yoke-layers"])
def test_the_layers_of_a_doubled_yoke_lie_wrong_sides_together_their_basting_in_the_allowance(id):
    _, _, stack = step("dress shirt", id)
    outer, inner = stack.layers
    assert (outer.stuff, inner.stuff) == (Stuff.WRONG, Stuff.RIGHT)
    assert outer.shape.contains(inner.shape) and outer.shape.centroid.distance(inner.shape.centroid) < 1.0
    for row in stack.rows:
        spots = [LineString(row.line).interpolate(t, normalized=True) for t in (0.2, 0.5, 0.8)]
        assert all(outer.shape.exterior.distance(spot) == pytest.approx(5.0, abs=0.3) for spot in spots)
    assert len(stack.rows) == 4, "neck and armhole, on both halves"


def test_the_section_of_basted_layers_shows_them_and_no_seam_between():
    bench, operations = made("overshirt")
    basting, seam = (next(op for op in operations if op.id == id) for id in ("sew-yoke-layers", "sew-yoke"))
    assert "held as one" in scene_of(basting).title and "between both yokes" in scene_of(seam).title
    assert bench.between_layers


@pytest.mark.parametrize("name", ["blouse", "dress shirt", "grandad shirt", "yoked shirt dress"])
def test_a_cuff_at_a_placket_is_sewn_from_one_side_of_it_to_the_other_and_reaches_past_both(name):
    bench, _, stack = step(name, "sew-cuffs")
    join = bench.joins["cuffs"]
    sleeve = length_on(bench.piece("sleeve"), bench.size, EdgePart("sleeve", "wrist")) / (join.difference.amount or 1.0)
    (row,), cuff = stack.rows, stack.layers[-1]
    (a, level), (b, _) = row.line
    ends = [layer.shape for layer in stack.layers if layer.name in ("strip", "underlap", "overlap")]
    if len(ends) == 2:
        # Over both halves of a tower, from fold to fold: beyond the box, 6 mm to either side of the slash.
        assert (a, b) == pytest.approx((ends[0].bounds[0], ends[1].bounds[2]))
        assert ends[1].bounds[0] - ends[0].bounds[2] == pytest.approx(sleeve - 12.0, abs=0.2)
    else:
        # The facing of a placket takes 5 mm of either side.
        taken = 10.0 if any(detail.kind is DetailKind.FACED_SLIT for detail in bench.details.values()) else 0.0
        assert b - a == pytest.approx(sleeve - taken, abs=0.2)
    left, _, right, low = cuff.shape.bounds
    assert left < a and b < right and low - level == pytest.approx(bench.piece("cuff").edge("sleeve").allowance)
    cut = Polygon(as_drawn(bench.piece("cuff"), bench.size).cutting()).bounds
    assert right - left == pytest.approx(max(cut[2] - cut[0], cut[3] - cut[1]), abs=0.2)
    # The seam under the arm lies behind the middle: a sleeve is slashed at its back.
    parts = [layer.shape.bounds for layer in stack.layers if layer.name == bench.piece("sleeve").name]
    assert parts[0][2] == parts[1][0] and parts[0][2] - parts[0][0] < parts[1][2] - parts[1][0]


def test_a_bone_lies_in_its_channel_and_that_on_the_allowances():
    bench, _, stack = step("ball gown", "channel-boning")
    allowances, casing = (layer.shape for layer in stack.layers[-2:])
    whole = unary_union([LineString(row.line) for row in stack.rows])
    assert casing.covers(whole) and allowances.contains(casing), "the rows catch the allowances only"
    join = bench.joins[next(d for d in bench.details.values() if d.kind is DetailKind.BONING).along[0]]
    assert casing.length / 2 - 14.0 == pytest.approx(length_on(bench.piece(join.a[0].piece), bench.size, join.a[0]))
    _, _, filled = step("ball gown", "bones-boning")
    bone, (left, top, right, low) = filled.layers[-1].shape.bounds, casing.bounds
    # 3 mm short of the channel above, and of the row that closes it 3 mm above its end below.
    assert bone[1] - top == pytest.approx(3.0) and low - bone[3] == pytest.approx(6.0)
    assert left + 2.0 < bone[0] and bone[2] < right - 2.0, "no row runs through it"
    assert len(filled.rows) == len(stack.rows) + 1 and filled.rows[-1].by_hand


def test_a_back_belt_lies_with_its_raw_end_at_the_side_of_the_back():
    bench, _, stack = step("coat", "sew-on-belt-edges")
    back, belt = (layer.shape for layer in stack.layers)
    raw = LineString(as_drawn(bench.piece("back"), bench.size).raw(EdgePart("back", "side")))
    assert belt.difference(back).area < 0.1 * belt.area and belt.distance(raw) < 1.0
    (row,) = stack.rows
    assert raw.distance(LineString(row.line)) == pytest.approx(
        bench.piece("back").edge("side").allowance - 5.0, abs=1.0
    )
    left, top, right, low = Polygon(as_drawn(bench.piece("back-belt"), bench.size).seam()).bounds
    assert LineString(row.line).length == pytest.approx(min(right - left, low - top))


@pytest.mark.parametrize("name", ["blouse", "grandad shirt"])
def test_a_band_folded_at_its_end_is_basted_from_its_fold_to_its_seam(name):
    bench, op, stack = step(name, "fold-over-band-inside")
    (layer,), (row,) = stack.layers, stack.rows
    piece = bench.piece(op.edges[0].piece)
    (ax, ay), (bx, by) = (upright(p) for p in piece.line(LineKind.FOLD, "fold").ends[bench.size])
    from_fold = [abs((x - ax) * (by - ay) - (y - ay) * (bx - ax)) / math.dist((ax, ay), (bx, by)) for x, y in row.line]
    sewn = [
        p for j in bench.joins.values() if band_of(bench, j) == piece.id for p in (*j.a, *j.b) if p.piece == piece.id
    ]
    seam = LineString(as_drawn(piece, bench.size).stitched(sewn[:1]))
    assert min(from_fold) == pytest.approx(0.0, abs=0.5)
    assert max(from_fold) == pytest.approx(seam.distance(Point(ax, ay)), abs=0.5)
    raw = LineString(as_drawn(piece, bench.size).raw(EdgePart(piece.id, op.edges[0].edge)))
    assert raw.distance(LineString(row.line)) == pytest.approx(5.0, abs=0.5)
    assert layer.shape.buffer(0.1).contains(LineString(row.line))


@pytest.mark.parametrize("name", ["tunic", "denim skirt", "seam open at its top"])
def test_the_row_round_an_open_part_lies_on_what_is_turned_back(name):
    """Turned under by 5 mm, 15 mm reach 10 mm from the fold: a row 11 mm from it catches nothing."""
    bench, operations = made(name)
    at_top = steps_of(operations, "opening at the top of a seam", "open")
    slits = [*steps_of(operations, "slit", "slit"), *at_top]
    assert slits
    for stack in (stack_of(bench, op) for op in slits):
        turned_back, (row,) = stack.layers[-1].shape, stack.rows
        for side in (row.line[:2], row.line[2:]):
            assert turned_back.buffer(-1.0).covers(LineString(side).interpolate(0.5, normalized=True))
        across = row.line[1][1]
        assert across == pytest.approx(turned_back.bounds[3] + 6.0 if at_top else turned_back.bounds[1] - 6.0)


@pytest.mark.parametrize("name", ["jeans", "yoked trousers", "buttoned jeans"])
def test_the_lower_crotch_is_drawn_on_the_legs_and_not_on_a_yoke(name):
    bench, operations = made(name)
    op = next(op for op in operations if op.title == "Trim the lower crotch")
    pattern, size = bench.pattern, bench.size
    laid = draw_laid(pattern, "A", size, op, "#000000", "#cccccc")
    assert laid is not None and "yoke" not in laid.words.lower()


def test_a_belts_gap_is_closed_where_it_was_left():
    _, _, sewn = step("shirt dress", "made-up-belt")
    _, _, closed = step("shirt dress", "close-belt")
    left = [row.line for row in sewn.rows[1:]]
    (row,) = closed.rows
    assert row.by_hand
    assert {round(x, 3) for x, _ in row.line} == {round(line[-1][0], 3) for line in left}


@pytest.mark.parametrize(
    ("name", "id", "piece", "edge", "down", "long"),
    [
        ("drawstring dress", "openings-waist-cord", "front", "waist", 6.0, 8.0),
        # A casing of 40 mm, 10 mm of it turned under: the tunnel reaches 28 mm below its fold.
        ("pyjama trousers", "openings-waist", "front", "waist", 15.0, 12.0),
    ],
)
def test_openings_for_a_cord_lie_in_the_middle_of_the_tunnel(name, id, piece, edge, down, long):
    """In a casing they were told 25 mm below its fold: the row that holds it ran through them."""
    bench, op, stack = step(name, id)
    line = LineString(as_drawn(bench.piece(piece), bench.size).stitched((EdgePart(piece, edge),)))
    hole = LineString(stack.cuts[0])
    assert line.distance(hole.centroid) == pytest.approx(down, abs=0.1) and hole.length == pytest.approx(long)
    assert f"{down / 10:g} cm" in " ".join(op.how)
    if len(stack.cuts) == 2:
        assert hole.distance(LineString(stack.cuts[1])) == pytest.approx(40.0, abs=0.1)


@pytest.mark.parametrize("word", ["underline", "interline"])
def test_a_backed_piece_is_basted_in_rows_along_the_grain(word):
    described = EVERYDAY["coat"]
    features = replace(described.features, underlining=word == "underline", interlining=word == "interline")
    pattern = compose(replace(described, features=features)).pattern
    size = pattern.envelope.sizes[0]
    bench = workbench(pattern, "A", size, MakingChoices())
    operations = compile_garment(pattern, "A", size, MakingChoices()).operations
    backed = [op for op in operations if op.id.startswith(f"{word}-")]
    assert backed
    for stack in (stack_of(bench, op) for op in backed):
        rows = [LineString(row.line) for row in stack.rows]
        assert rows and all(row.by_hand for row in stack.rows)
        assert all(stack.layers[0].shape.buffer(-20.0).covers(row) for row in rows)
        assert all(abs(row.coords[0][0] - row.coords[-1][0]) < 0.1 for row in rows)


def test_a_vent_is_held_from_its_seam_to_the_edge_of_what_is_cut_on():
    bench, _, stack = step("pencil skirt", "vent-centre-back")
    (row,), (edge,) = stack.rows, stack.folds
    assert row.line[0] == (0.0, 0.0) and row.line[1] == (-bench.piece("back").edge("vent").allowance, 15.0)
    assert LineString(edge).distance(Point(row.line[1])) == 0.0
    _, strip, _ = step("pencil skirt", "stiffen-centre-back")
    assert {shown.edge for shown in strip.edges} == {"vent"}, "the strip lies on what is cut on, not on the seam"


def test_a_strap_lies_from_its_mark_with_its_end_at_the_raw_edge_and_is_basted_in_the_allowance():
    bench, _, stack = step("camisole", "baste-straps")
    garment, strap = (layer.shape for layer in stack.layers)
    deep = bench.piece("front").edge("neck").allowance
    assert strap.bounds[1] == pytest.approx(-deep) and strap.bounds[2] - strap.bounds[0] == pytest.approx(8.0)
    assert garment.buffer(1.0).contains(strap.intersection(Polygon([(-60, -deep), (60, -deep), (60, 60), (-60, 60)])))
    (row,) = stack.rows
    assert all(-deep < y < 0.0 for _, y in row.line)


def test_a_tie_is_held_in_the_allowance_of_the_half_that_shows_and_its_slot_lets_it_through():
    bench, _, stack = step("wrap skirt", "baste-wrap-ties")
    band, tie = (layer.shape for layer in stack.layers)
    ((fold, level), *_), (row,) = stack.folds[0], stack.rows
    assert tie.bounds[1] > level and tie.bounds[0] == band.bounds[0] == fold
    assert row.line[0][0] - band.bounds[0] == pytest.approx(5.0)
    assert row.line[0][0] - band.bounds[0] < bench.piece("waistband").edge("far-end").allowance
    seam = band.bounds[3]
    assert tie.bounds[1] - level == pytest.approx(seam - tie.bounds[3]), "midway between the fold and the seam"
    _, _, opened = step("wrap skirt", "slot-wrap-ties")
    ((a, b),) = opened.cuts
    assert tie.bounds[3] - tie.bounds[1] < math.dist(a, b) < opened.layers[0].shape.bounds[3]


@pytest.mark.parametrize("name", ["jeans", "pencil skirt", "tiered skirt"])
def test_a_hook_lies_in_the_middle_of_the_lap_and_its_bar_at_the_end_beneath(name):
    _, _, stack = step(name, "hook-band-hook")
    lap, beneath, hook, bar = (layer.shape for layer in stack.layers)
    assert lap.contains(hook) and hook.bounds[0] - lap.bounds[0] == pytest.approx(3.0)
    assert beneath.contains(bar) and hook.centroid.y == pytest.approx(lap.centroid.y)
    assert bar.centroid.y == pytest.approx(beneath.centroid.y)


def test_round_a_faced_slit_the_row_runs_beside_its_open_edges():
    _, _, stack = step("tunic", "turn-slit")
    (front,), (row,) = (layer.shape for layer in stack.layers), stack.rows
    assert front.buffer(0.1).contains(LineString(row.line)), "on cloth all the way, across below the slit too"
    down, across = row.line[0][1], row.line[1][1]
    assert across > down and row.line[1][1] == pytest.approx(row.line[2][1], abs=0.1)


def test_a_belt_loop_covers_its_band_and_its_row_lies_below_it():
    _, _, stack = step("jeans", "sew-on-belt-loops")
    garment, band, up, lying = (layer.shape for layer in stack.layers)
    assert up.bounds[1] == band.bounds[1] and up.bounds[3] > band.bounds[3] >= garment.bounds[1]
    assert lying.bounds[1] == band.bounds[3], "its raw end just below the band"
    bar, row = (LineString(row.line) for row in stack.rows)
    assert band.contains(bar) and lying.buffer(0.1).contains(row) and not band.intersects(row)


@pytest.mark.parametrize(
    ("name", "id", "joined"),
    [
        ("blouse", "press-pleats-back-pleat", "yoke-back"),
        ("dress shirt", "press-pleats-back-pleat", "yoke-back"),
        ("pleated yoke skirt", "press-pleats-pleats", "yoke-front"),
    ],
)
def test_folded_a_pleated_piece_is_as_wide_as_what_it_is_sewn_to(name, id, joined):
    bench, _, stack = step(name, id)
    (layer,), join = stack.layers, bench.joins[joined]
    (part,) = next(side for side in (join.a, join.b) if bench.piece(side[0].piece).name != layer.name)
    deep = 2 * max(edge.allowance for edge in bench.piece(part.piece).edges)
    left, top, right, _ = layer.shape.bounds
    upper = layer.shape.intersection(LineString([(left, top + 20.0), (right, top + 20.0)])).length
    sewn_to = 2 * length_on(bench.piece(part.piece), bench.size, part)
    assert sewn_to < upper < sewn_to + deep + 5.0
    assert all(layer.shape.buffer(0.5).contains(LineString(fold)) for fold in stack.folds)
    across = sorted({round(x - (left + right) / 2, 1) for fold in stack.folds for x, _ in fold})
    assert across == pytest.approx([-x for x in reversed(across)], abs=0.5), "left and right alike"
