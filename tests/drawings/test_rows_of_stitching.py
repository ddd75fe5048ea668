"""What a drawing shows of a row of stitching is what its step says: where it begins, which way it runs, where it ends.

How sleeves, cuffs and shields are folded to be sewn is common practice, no source. Areas are measured with Shapely.
"""

import math
import re
from dataclasses import replace

import pytest
from shapely.geometry import LineString, Polygon

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Act
from rowanseed.core.make.workbench import workbench
from rowanseed.core.pattern.joined import runs_against
from rowanseed.core.pattern.making import EdgePart
from rowanseed.core.pattern.pieces import MarkKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.drawings.steps.folding import Folding, folded, folding
from rowanseed.drawings.steps.laid import draw_laid
from rowanseed.drawings.steps.placing import as_drawn, laid_on
from rowanseed.drawings.steps.registry import scene_of
from rowanseed.drawings.steps.shares import shares
from rowanseed.drawings.steps.stacked import builders

from ..core.everyday import EVERYDAY, everyday
from ..core.garments import SIZE
from ..core.test_make import DRAFTS
from ..core.test_wardrobe import HOUSEHOLDS
from ..core.wardrobe import WARDROBE

IN_SEVERAL_RUNS = frozenset(
    (
        "collar in a faced neck",
        "collar with stand",
        "fly zip",
        "button fly",
        "half placket",
        "in-seam pocket",
        "inset corner",
        "pivoted corner",
        "lining edge to edge",
        "pocket flap",
        "slant pocket",
        "tie belt",
        "tab",
        "all-in-one facing",
        "scalloped edge",
        "shaped facing",
    )
)
"""Techniques with seams that have no one beginning and end: from a corner to both sides, on one hand all round, folded
round an end; their steps tell it, and their drawings claim none."""
SEWS = (Act.JOIN, Act.FACE, Act.BAND, Act.LINE)


def garment(name):
    if name in DRAFTS:
        return DRAFTS[name]
    if name in WARDROBE:
        return WARDROBE[name](), SIZE
    pattern = everyday(name)
    return pattern, pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def made(name, choices=None):
    pattern, size = garment(name)
    return pattern, size, compile_garment(pattern, "A", size, choices or MakingChoices()).operations


def is_stacked(op):
    """Whether it is drawn by layers on each other, whose rows are the step's own."""
    return (op.technique, op.id.partition("-")[0]) in builders()


def drawn(name, id, choices=None):
    pattern, size, operations = made(name, choices)
    return draw_laid(pattern, "A", size, next(op for op in operations if op.id == id), "#6b3d5b", "#d9cbd3")


def height_of(laid, word):
    """How far down a word stands in a drawing."""
    return float(re.search(rf'y="([-\d.]+)"[^>]*>{word}</text>', laid.svg)[1])


@pytest.mark.parametrize("household", HOUSEHOLDS)
@pytest.mark.parametrize("name", [*DRAFTS, *WARDROBE])
def test_a_drawing_names_the_run_that_its_step_tells(name, household):
    _told(*made(name, HOUSEHOLDS[household]))


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_a_drawing_of_an_everyday_garment_names_the_run_that_its_step_tells(name):
    _told(*made(name))


def _told(pattern, size, operations):
    for op in operations:
        laid = draw_laid(pattern, "A", size, op, "#6b3d5b", "#d9cbd3")
        if op.run is not None:
            assert op.run.words in " ".join(op.how).lower(), f"{op.id} is told otherwise than it is drawn"
            assert laid is None or op.run.words in laid.words
        elif op.act in SEWS and op.bench.is_machine and op.on.joins and laid is not None:
            assert op.technique in IN_SEVERAL_RUNS, f"{op.id} says nothing of how its row runs"
        if op.run is None and laid is not None and not is_stacked(op):
            assert ">begin<" not in laid.svg and ">end<" not in laid.svg, f"{op.id} claims a beginning"
        if laid is not None:
            assert not re.search(r"the (the|its|b|a)\b|pressed \.|  ", laid.words), laid.words


@pytest.mark.parametrize(
    ("name", "id", "first"),
    [
        ("denim skirt", "sew-centre-front", "end"),
        ("yoked skirt", "sew-centre-back", "end"),
        ("tunic", "sew-sides", "begin"),
        ("blazer", "sew-centre-back", "begin"),
        ("grandad shirt", "sew-bands", "begin"),
    ],
)
def test_a_row_is_drawn_in_the_direction_it_is_sewn(name, id, first):
    """Up to a zip from the hem, down to a slit or a vent from above: which of the two words stands higher."""
    laid = drawn(name, id)
    other = "begin" if first == "end" else "end"
    assert height_of(laid, first) < height_of(laid, other)


def test_a_zip_through_a_yoke_is_drawn_on_the_piece_that_is_sewn():
    """Above the mark the seam is the zip's: the yoke lies wholly beside it, and nothing is sewn there."""
    laid = drawn("yoked skirt", "sew-centre-back")
    assert laid.words.startswith("One back on the other") and "Not drawn: back yoke." in laid.words


def test_where_a_seam_goes_on_over_a_fold_no_end_is_drawn():
    laid = drawn("yoked skirt", "sew-yoke-front")
    assert "from side seam to side seam" in laid.words
    assert ">begin<" in laid.svg and ">end<" not in laid.svg


def test_above_a_side_with_a_zip_a_seam_of_one_half_runs_from_the_zip_to_the_other_side():
    _, _, operations = made("tiered skirt")
    sewn = next(op for op in operations if op.id == "sew-tier-2-front")
    assert "from the edge of the left side seam to the side seam" in " ".join(sewn.how)


@pytest.mark.parametrize(
    ("name", "join"),
    [("blouse", "underarms"), ("bomber jacket", "cuff-ends"), ("shirt dress", "underarms")],
)
def test_a_sleeve_is_folded_for_its_own_seam_and_no_second_sleeve_lies_on_it(name, join):
    pattern, size, _ = made(name)
    bench = workbench(pattern, "A", size, MakingChoices())
    seam = bench.joins[join]
    assert folding(bench, seam) is Folding.EDGE_ON_EDGE
    piece = bench.piece(seam.a[0].piece)
    halves = folded(piece, size, seam.a, seam.b)
    flat = as_drawn(piece, size)
    whole = Polygon(flat.cutting()).buffer(0)
    one, other = whole.intersection(halves.one), whole.intersection(halves.other)
    assert one.area + other.area == pytest.approx(whole.area, rel=1e-6)
    assert one.area == pytest.approx(other.area, rel=0.1), "front and back of a sleeve are nearly alike"
    turned = laid_on(flat, seam.a, piece, seam.b, against=True)
    over = Polygon([turned.move(p) for p in other.exterior.coords]).buffer(0)
    assert over.symmetric_difference(one).area < 0.12 * one.area, "folded, one half lies on the other"
    laid = drawn(name, f"sew-{join}")
    assert " folded, right sides together" in laid.words and "One " not in laid.words
    assert " inside out, its seam uppermost," in drawn(name, f"press-{join}").words


def test_a_single_piece_that_is_sewn_to_itself_is_folded():
    """A band cut once, closed to a ring: there is no second one to lie on it."""
    pattern, size, _ = made("sweatshirt")
    cuff = pattern.piece("cuff")
    once = replace(cuff, cuts=tuple(replace(cut, count=1, pair=False) for cut in cuff.cuts))
    joins = tuple(replace(j, each_hand=False) if j.id == "cuff-ends" else j for j in pattern.making.joins)
    pieces = tuple(once if piece.id == "cuff" else piece for piece in pattern.pieces)
    changed = replace(pattern, pieces=pieces, making=replace(pattern.making, joins=joins))
    bench = workbench(changed, "A", size, MakingChoices())
    assert folding(bench, bench.joins["cuff-ends"]) is Folding.EDGE_ON_EDGE


def test_a_collar_at_a_slit_runs_from_one_side_of_the_slit_to_the_other():
    pattern, size, _ = made("tunic")
    bench = workbench(pattern, "A", size, MakingChoices())
    join = bench.joins["neck-facing"]
    assert bench.runs.over(join.a, each_hand=join.each_hand).words == "from one side of the slit to the other"


def test_what_is_cut_twice_is_laid_on_each_other_and_lengths_of_a_ruffle_too():
    for name, join in (
        ("denim skirt", "centre-front"),
        ("ruffled skirt", "ruffle-seams"),
        ("shirt dress", "belt-seam"),
    ):
        pattern, size, _ = made(name)
        bench = workbench(pattern, "A", size, MakingChoices())
        assert folding(bench, bench.joins[join]) is Folding.NONE, join
    pattern, size, _ = made("denim skirt")
    bench = workbench(pattern, "A", size, MakingChoices())
    assert folding(bench, bench.joins["fly-shield-end"]) is Folding.ON_ITS_FOLD
    assert drawn("denim skirt", "shield-opening").words.startswith("The fly shield folded on its fold line")


@pytest.mark.parametrize("name", ["blouse", "camp shirt", "tunic"])
def test_a_front_lies_at_the_front_of_the_cap(name):
    """Each piece of the body is laid where it is sewn: its side at the sleeve's front seam, not in the cap's middle."""
    pattern, size, _ = made(name)
    bench = workbench(pattern, "A", size, MakingChoices())
    join = bench.joins["armholes"]
    one, other = tuple(join.a), tuple(p for p in join.b if p.piece == "front")
    flat, over = as_drawn(bench.piece("sleeve"), size), bench.piece("front")
    against = runs_against(pattern, one[0], other[0])
    lying = laid_on(flat, one, over, other, against=against, shares=shares(bench, join, one, other), met_at=1.0)
    cap, hole = flat.stitched(one), lying.stitched(other)
    hole = hole[::-1] if against else hole
    assert bench.neighbours(one[0])[1] == "underarm-front"
    assert math.dist(cap[-1], hole[-1]) < 1.0
    assert LineString(hole).length < 0.75 * LineString(cap).length


@pytest.mark.parametrize(("part", "kind"), [("front", MarkKind.NOTCH), ("back", MarkKind.DOUBLE_NOTCH)])
def test_notches_meet_that_belong_together(part, kind):
    """The single notch of a front beside the single one of the sleeve, the double of a back beside its double."""
    pattern, size = DRAFTS["overshirt"]
    bench = workbench(pattern, "A", size, MakingChoices())
    join = bench.joins["armholes"]
    other = tuple(p for p in join.b if p.piece == part)
    flat, over = as_drawn(bench.piece("sleeve"), size), bench.piece(part)
    against = runs_against(pattern, join.a[0], other[0])
    lying = laid_on(flat, join.a, over, other, against=against, shares=shares(bench, join, join.a, other))
    cap, hole = LineString(flat.stitched(join.a)), LineString(lying.stitched(other))
    on_cap, on_hole = (
        line.interpolate(mark_distance(piece, size, next(m for m in piece.marks if m.kind is kind)))
        for line, piece in ((cap, flat.piece), (hole, over))
    )
    away = abs(cap.project(on_cap) - cap.project(on_hole))
    assert away < 0.12 * cap.length, "the other notch is at the other half of the cap"


def test_hooks_and_buttons_of_a_band_are_shown_on_the_band_alone():
    assert drawn("buttoned jeans", "buttonholes-band-button").words.startswith("Right waistband, right side up, with")
    assert drawn("buttoned jeans", "buttons-band-button").words.startswith("Left waistband, right side up, with")
    assert drawn("jeans", "hook-band-hook").words.startswith("Both ends of the waistband.")


def test_what_is_pressed_in_lies_wrong_side_up():
    assert "wrong side up" in drawn("blouse", "press-in-band").words
    assert "wrong side up" in drawn("western blouse", "turn-in-front-edges").words


def test_allowances_are_drawn_where_the_step_presses_them():
    laid = drawn("tunic", "press-armholes")
    assert "the allowances are pressed towards the body" in laid.words
    _, _, operations = made("camp shirt")
    into = next(op for op in operations if op.id == "press-armholes")
    assert into.towards == {"sleeve"} and "into the sleeve" in drawn("camp shirt", "press-armholes").words


@pytest.mark.parametrize("name", ["blouse", "western blouse", "yoked shirt dress", "princess dress", "tunic"])
def test_a_neck_and_an_armhole_are_staystitched_downwards_as_the_step_says(name):
    """From the shoulder: a row sewn up towards it pushes the bias of the edge before it (common practice)."""
    pattern, size, operations = made(name)
    seen = set()
    for op in operations:
        for shown in op.edges if op.id.startswith("staystitch") else ():
            if shown.edge not in ("neck", "armhole") or shown.backwards is None:
                continue
            piece = pattern.piece(shown.piece)
            line = as_drawn(piece, size).stitched((EdgePart(shown.piece, shown.edge),))
            begun, ended = (line[-1], line[0]) if shown.backwards else (line[0], line[-1])
            assert begun[1] < ended[1], f"{shown.edge} of the {shown.piece} is drawn upwards"
            seen.add(shown.edge)
            assert shown.edge != "armhole" or "from the shoulder to the underarm" in " ".join(op.how)
    assert seen


@pytest.mark.parametrize("name", [*DRAFTS, *WARDROBE, "blazer", "jeans", "blouse"])
def test_a_section_shows_the_layers_as_they_lie_at_the_step(name):
    """No seam is shown pressed before it is sewn, none closed where it is pressed open, no bend whole where it is
    clipped."""
    _, _, operations = made(name)
    for op in operations:
        scene = scene_of(op)
        if scene is None:
            continue
        if op.act in SEWS and op.on.joins:
            assert not scene.title.startswith(("Pressed", "Turned")), f"{op.id}: {scene.title}"
        if op.act is Act.PRESS and op.way == "open":
            assert "ressed open" in scene.title, f"{op.id}: {scene.title}"
        if op.act is Act.CLIP and op.id.startswith("clip-"):
            assert "lipped" in scene.words, f"{op.id}: {scene.title}"
        if op.id.startswith("press-in-"):
            assert "pressed in" in scene.title, f"{op.id}: {scene.title}"
