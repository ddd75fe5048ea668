"""A tuck on one shoulder only: a front that is unlike left and right, cut whole. What a teacher would see on the table
is common practice, no source; areas and mirror images are checked with Shapely."""

import math
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from shapely import affinity
from shapely.geometry import Point, Polygon, box

from rowanseed.core.alter.change import Alteration
from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Figure, Neck, Opening, Pocket, Side, Sleeve
from rowanseed.core.compose.features.shoulder_tuck import DEEP
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    Hand,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.garment import GarmentChoices, altered, lay_piece
from rowanseed.core.marking import marks_to_make
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.opened_out import OTHER_HAND, opened_out, with_unlike_opened
from rowanseed.core.pattern.pieces import LineKind, Panel, PointKind, Role
from rowanseed.core.pattern.seamline import line_length, lines, mark_point, seam_length
from rowanseed.core.project import Project
from rowanseed.formats.pattern_json import read_pattern, write_pattern

from .descriptions import whole_ones
from .test_whole_way import goes_the_whole_way

TUCKED = Side(shaping=(Shaping.SHOULDER_TUCK_LEFT, Shaping.BUST_DART))
ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0)
CLOTH = Cloth(name="Crêpe", width=1450.0, length=None, selvedge=10.0, direction=Direction.TWO_WAY)


def described(garment=GarmentKind.DRESS, *, cloth=Structure.WOVEN, figure=Figure.WOMEN, **features):
    given = {"front": TUCKED, "back": Side(centre=Centre.SEAM), "opening": ZIP, **features}
    return Description(name="Draped", garment=garment, cloth=cloth, figure=figure, features=Features(**given))


GARMENTS = {
    "dress": described(),
    "dress with a waist seam": described(waist=Waist.SEAM, sleeve=Sleeve(), opening=replace(ZIP, length=560.0)),
    "top": described(GarmentKind.TOP, sleeve=Sleeve(SleeveKind.DROPPED)),
    "knitted top": described(GarmentKind.TOP, cloth=Structure.KNIT, front=replace(TUCKED, shaping=TUCKED.shaping[:1])),
    "child's dress": described(figure=Figure.CHILDREN, front=replace(TUCKED, shaping=TUCKED.shaping[:1])),
    "pinafore": described(GarmentKind.PINAFORE, neck=Neck(NeckShape.SCOOP, NeckFinish.FACING)),
}


@pytest.fixture(params=GARMENTS.values(), ids=GARMENTS)
def description(request):
    return request.param


def project(description, **cloth):
    pattern = compose(description).pattern
    size = pattern.envelope.sizes[1]
    body = {name: row[size] for name, row in pattern.envelope.body_chart.items()}
    decisions = Decisions("A", size, cloth=ClothChoices(**cloth))
    return Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH))


def ring(piece, size):
    return Polygon(lines(piece, size).seam_ring())


def test_the_front_is_cut_whole_and_only_its_left_shoulder_is_longer(description):
    front = compose(description).pattern.piece("front")
    whole = opened_out(front)
    for size in front.shapes:
        for edge in (e.name for e in front.edges if e.name != "centre"):
            left, right = line_length(whole, size, edge), line_length(whole, size, f"{edge}{OTHER_HAND}")
            more = DEEP if edge == "shoulder" else 0.0
            assert math.isclose(left, right + more, abs_tol=0.05), (size, edge)
            assert math.isclose(right, line_length(front, size, edge), abs_tol=0.05), (size, edge)
        # Folded, both shoulders are as long as the back's.
        assert math.isclose(seam_length(whole, size, "shoulder"), seam_length(front, size, "shoulder"), abs_tol=0.05)


def test_what_is_let_in_is_a_wedge_from_the_shoulder_to_the_lower_edge(description):
    front = compose(description).pattern.piece("front")
    for size in front.shapes:
        whole, half = ring(opened_out(front), size), ring(front, size)
        top = mark_point(front, size, front.mark("shoulder-tuck"))
        below = half.intersection(box(top[0], top[1] - 1e-3, 5000, top[1]))
        long = below.bounds[2] - below.bounds[0]
        assert whole.is_valid
        assert math.isclose(whole.area - 2 * half.area, long * DEEP / 2, rel_tol=0.01)
        assert Polygon(lines(opened_out(front), size).cutting_ring()).is_valid


def test_the_tuck_lies_on_the_wearers_left_which_is_right_of_the_centre_seen_from_the_right_side():
    front = compose(GARMENTS["dress"]).pattern.piece("front")
    whole = opened_out(front)
    (tuck,) = (dart for dart in whole.darts if dart.is_folded)
    for size, (_, across) in tuck.point.items():
        level = front.shapes[size].edges["centre"][0].start[1]
        assert across > level + 40
        assert min(y for _, y in lines(whole, size).seam_ring()) < level - 150


def test_a_tuck_on_the_right_is_the_mirror_image():
    front = compose(GARMENTS["dress"]).pattern.piece("front")
    (one,) = front.one_sided
    other = replace(front, one_sided=(replace(one, hand="right"),))
    for size in front.shapes:
        level = front.shapes[size].edges["centre"][0].start[1]
        over = affinity.scale(ring(opened_out(front), size), 1, -1, origin=(0, level))
        assert over.symmetric_difference(ring(opened_out(other), size)).area < 1.0


def test_a_hand_of_its_own_goes_with_its_marks():
    front = compose(GARMENTS["dress with a waist seam"]).pattern.piece("front")
    whole = opened_out(front)
    size = next(iter(front.shapes))
    inside = Polygon(lines(whole, size).cutting_ring()).buffer(0.1)
    own = [m for m in front.marks if m.id != "shoulder-tuck"]
    assert len(whole.marks) == 2 * len(own) + 2
    assert all(inside.contains(Point(mark_point(whole, size, mark))) for mark in whole.marks)
    told = [mark.what for mark in marks_to_make(whole, CLOTH, Role.MAIN, Units.METRIC)]
    assert "tuck" in told
    assert "2 × dart" in told


def test_it_is_laid_once_right_side_up_and_never_on_the_fold(description):
    made = project(description)
    problem = made.problem(Role.MAIN, CLOTH)
    front = problem.piece("front")
    assert (front.cut, front.pair, front.fold) == (1, False, None)
    whole = opened_out(made.garment.piece("front"))
    cut = whole.cuts_for(Role.MAIN, "A")[0]
    assert front == lay_piece(whole, cut, made.size)


@pytest.mark.slow
def test_it_goes_the_whole_way(description, tmp_path):
    assert goes_the_whole_way(description, tmp_path) == []


def test_the_tuck_is_sewn_before_the_shoulders_and_on_the_left(description):
    steps = project(description).steps
    ids = [op.id for op in steps]
    tuck = steps[ids.index("one-sided-front")]
    shoulders = next(k for k, op in enumerate(steps) if "shoulders" in op.on.joins)
    assert ids.index("press-one-sided-front") < shoulders
    told = " ".join(tuck.how)
    assert "left of the garment as worn is on your right" in told
    assert "Chalk an L" in told
    assert "3.2 cm" in told


def test_a_lining_and_a_facing_have_no_tuck():
    made = project(described(), layers=Layers(lining=LiningSchool.WHOLE))
    pieces = {piece.id: piece for piece in made.cut_pattern.pieces}
    assert not any(dart.is_folded for id, piece in pieces.items() if id != "front" for dart in piece.darts)
    lined = pieces["front-lining"]
    assert any(cut.fold for cut in lined.cuts)


def test_no_seam_to_save_cloth_goes_down_a_front_that_is_unlike():
    made = project(described(back=Side(), opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP, 300.0)))
    seamed = made.cut_with(Role.MAIN, ("centre-seam",))
    back, front = seamed.piece("back"), seamed.piece("front")
    assert back.cuts[0].count == 2
    assert front.cuts[0].count == 1
    assert any(dart.is_folded for dart in front.darts)


@pytest.mark.parametrize(
    "alteration",
    [Alteration("seam", 20.0, "sides"), Alteration("bust", 15.0), Alteration("forward-shoulder", 6.0)],
    ids=lambda one: one.kind,
)
def test_an_altered_front_keeps_its_tuck(alteration):
    pattern = compose(described()).pattern
    size = pattern.envelope.sizes[2]
    changed = altered(pattern, GarmentChoices("A", size, (), (alteration,))).pattern
    plain, front = pattern.piece("front"), changed.piece("front")
    assert ring(front, size).symmetric_difference(ring(plain, size)).area > 100
    whole = with_unlike_opened(changed).piece("front")
    left, right = (line_length(whole, size, f"shoulder{hand}") for hand in ("", OTHER_HAND))
    assert math.isclose(left - right, DEEP, abs_tol=0.05)


@pytest.mark.parametrize(
    ("features", "field", "words"),
    [
        ({"front": replace(TUCKED, centre=Centre.SEAM)}, "features.front.shaping", "cut in one"),
        ({"front": Side(shaping=(*TUCKED.shaping, Shaping.WAIST_DART))}, "features.front.shaping", "plain front"),
        ({"front": Side(shaping=(Shaping.SHOULDER_TUCK_LEFT, Shaping.TUCKS))}, "features.front.shaping", "plain front"),
        ({"neck": Neck(NeckShape.BOAT, NeckFinish.FACING)}, "features.front.shaping", "boat neck"),
        ({"pockets": (Pocket(PocketKind.PATCH, PocketPlace.CHEST),)}, "features.front.shaping", "on the right only"),
        ({"back": Side(Centre.SEAM, (Shaping.SHOULDER_TUCK_LEFT,))}, "features.back.shaping", "in the front"),
    ],
    ids=["centre seam", "waist dart", "tucks", "boat neck", "chest pocket", "back"],
)
def test_what_does_not_go_with_it_is_refused_in_words(features, field, words):
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(**features))
    assert any(found.field == field and words in found.why for found in refused.value.refusals)


def test_a_pocket_on_the_right_goes_with_it():
    pocket = Pocket(PocketKind.PATCH, PocketPlace.CHEST, Hand.RIGHT)
    front = opened_out(compose(described(pockets=(pocket,))).pattern.piece("front"))
    size = next(iter(front.shapes))
    level = front.line(LineKind.CENTRE, "centre").ends[size][0][1]
    corners = [p.at[size] for p in front.points if p.kind is PointKind.POCKET]
    assert corners
    assert all(y < level for _, y in corners)


def test_the_document_keeps_it_and_a_broken_one_is_told():
    pattern = compose(described()).pattern
    again = read_pattern(write_pattern(pattern))
    assert again.piece("front").one_sided == pattern.piece("front").one_sided
    front = pattern.piece("front")
    (one,) = front.one_sided
    for wrong, words in (
        (replace(front, one_sided=(replace(one, mark="nowhere"),)), "at a mark “nowhere”"),
        (replace(front, cuts=(replace(front.cuts[0], fold=None, count=2, pair=True),)), "cut on one fold"),
        (replace(front, one_sided=(one, replace(one, id="other", hand="right"))), "all on the same hand"),
        (replace(front, one_sided=(replace(one, deep=5000.0),)), "no room to open it"),
        (replace(front, panel=Panel.OTHER), "Only a front or a back"),
    ):
        broken = replace(pattern, pieces=tuple(wrong if p.id == "front" else p for p in pattern.pieces))
        assert any(words in fault.problem for fault in faults(broken)), words


@pytest.mark.parametrize("edge", ["hem", "side", "armhole", "shoulder", "neck"])
def test_a_foreign_document_opens_at_any_edge_or_is_told_why_it_cannot(edge):
    pattern = compose(described()).pattern
    front = pattern.piece("front")
    (one,) = front.one_sided
    mark = replace(front.mark(one.mark), edge=edge, distance=dict.fromkeys(front.shapes, 20.0))
    wrong = replace(front, marks=tuple(mark if m.id == mark.id else m for m in front.marks))
    broken = replace(pattern, pieces=tuple(wrong if p.id == "front" else p for p in pattern.pieces))
    if not list(faults(broken)):
        for size in wrong.shapes:
            assert ring(opened_out(wrong), size).area > 2 * ring(wrong, size).area


@pytest.mark.parametrize(
    ("line", "question"),
    [("1 Front: cut 1 of fabric", ""), ("1 Front: cut 1 on fold of fabric", "left and right alike")],
)
def test_the_booklets_list_may_cut_it_whole_and_is_asked_about_the_fold(line, question):
    ticks = ticked_off(compose(described()).pattern, read_pieces([line]))
    (said,) = (t.question for t in ticks if t.piece is not None and t.piece.id == "front")
    assert (question in said) if question else said == ""


@given(description=whole_ones)
@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
def test_every_garment_that_may_have_it_is_opened_out_whole(description):
    shaping = tuple(one for one in description.features.front.shaping if one is Shaping.BUST_DART)
    front = Side(Centre.FOLD, (*shaping, Shaping.SHOULDER_TUCK_LEFT))
    try:
        pattern = compose(replace(description, features=replace(description.features, front=front))).pattern
    except DescriptionRefused:
        return
    whole = opened_out(pattern.piece("front"))
    for size in whole.shapes:
        assert ring(whole, size).is_valid
        assert Polygon(lines(whole, size).cutting_ring()).is_valid
        left, right = (line_length(whole, size, f"shoulder{hand}") for hand in ("", OTHER_HAND))
        assert math.isclose(left - right, DEEP, abs_tol=0.05)
