"""Facings, vents and what a lining does at them: as a tailor would look at them (common practice, no source)."""

import math

import pytest
from shapely.geometry import LineString, Point, Polygon

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import (
    Description,
    Features,
    Hem,
    Legs,
    Lining,
    Neck,
    Opening,
    Side,
    Skirt,
    Sleeve,
    Straps,
)
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    FacedEdge,
    GarmentKind,
    HemKind,
    LegEnd,
    LegKind,
    LiningMethod,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool
from rowanseed.core.derive.lining import schools
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.operation import Act
from rowanseed.core.pattern.finished import girths
from rowanseed.core.pattern.seamline import line_length, lines, mark_distance, seam_length
from rowanseed.core.project import Project

CLOTH = Cloth(name="Wool", width=1500.0, length=None, selvedge=10.0, direction=Direction.TWO_WAY)
PRINCESS_SEAMS = (Shaping.PRINCESS_ARMHOLE, Shaping.PRINCESS_SHOULDER)
PRINCESS = next(one for one in Shaping if one.value == "princess from armhole")
DEDUCT = Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED)


def coat(collar=CollarKind.NOTCHED, front=None, **more):
    return Description(
        name="Coat",
        garment=GarmentKind.COAT,
        features=Features(
            front=front or Side(centre=Centre.OPEN, shaping=(Shaping.BUST_DART,)),
            back=Side(centre=Centre.SEAM),
            opening=Opening(Where.FRONT, OpeningKind.BUTTONS, count=3),
            neck=Neck(NeckShape.V, NeckFinish.COLLAR),
            collar=collar,
            sleeve=Sleeve(SleeveKind.SET_IN),
            **more,
        ),
    )


def blouse(shape=NeckShape.ROUND, **more):
    return Description(
        name="Blouse",
        garment=GarmentKind.TOP,
        features=Features(
            front=Side(centre=Centre.OPEN),
            opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
            neck=Neck(shape),
            facing=frozenset({FacedEdge.FRONT, FacedEdge.NECK}),
            **more,
        ),
    )


def pencil(**more):
    return Description(
        name="Skirt",
        garment=GarmentKind.SKIRT,
        features=Features(
            back=Side(centre=Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
            waist=Waist.WAISTBAND,
            skirt=Skirt(SkirtKind.STRAIGHT, length=620.0),
            vent=True,
            **more,
        ),
    )


def made(description, layers=None):
    """The garment in the middle of its sizes, with the layers it was described with or others, and its order."""
    pattern = compose(description).pattern
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    own = described_layers(pattern, description, view="A", size=size) if layers is None else layers
    body = {name: row[size] for name, row in pattern.envelope.body_chart.items()}
    decisions = Decisions("A", size, cloth=ClothChoices(layers=own))
    return Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH)), size


def ring(piece, size):
    return Polygon(lines(piece, size).seam_ring())


def said(project):
    return {step.id: " ".join(step.how) for step in project.steps}


# ---------------------------------------------------------------- facings


@pytest.mark.parametrize("shape", [NeckShape.ROUND, NeckShape.V, NeckShape.SQUARE, NeckShape.SCOOP, NeckShape.HIGH])
def test_the_facing_of_a_buttoned_front_is_wide_enough_for_buttons_and_goes_on_round_the_neck(shape):
    """In every size: 5 cm and more behind the edge, 3 cm and more everywhere behind the neck, one seam for both."""
    pattern = compose(blouse(shape)).pattern
    facing, front = pattern.piece("front-opening-facing"), pattern.piece("front")
    for size in pattern.envelope.sizes:
        own = lines(facing, size).seam
        inner, low = LineString(own["inner"]), own["opening"][-1]
        assert inner.distance(LineString(own["opening"])) >= 30
        assert LineString(own["hem"]).length >= 50 and low[0] == lines(front, size).seam["opening"][-1][0]
        middle = LineString(own["neck"]).interpolate(0.5, normalized=True)
        assert inner.distance(middle) >= 30
        assert ring(facing, size).difference(ring(front, size).buffer(0.1)).area < 1
    (seam,) = [j for j in pattern.making.joins if j.id == "opening-facing"]
    assert {p.edge for p in seam.a} == {"neck", "opening"} and {p.piece for p in seam.a} == {"front", "back"}
    assert not [j for j in pattern.making.joins if j.id == "neck-facing"]


def test_an_armhole_s_facing_is_as_deep_where_a_princess_seam_cuts_it_apart():
    plain, cut = (
        compose(
            Description(
                name="Dress",
                garment=GarmentKind.DRESS,
                features=Features(
                    front=Side(shaping=shaping),
                    back=Side(
                        centre=Centre.SEAM, shaping=(shaping[0],) if shaping[0].value.startswith("princ") else ()
                    ),
                    opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
                    facing=frozenset({FacedEdge.ARMHOLE}),
                ),
            )
        ).pattern
        for shaping in ((Shaping.BUST_DART,), (PRINCESS,))
    )
    size = plain.envelope.sizes[2]

    def deep(pattern):
        return min(
            seam_length(p, size, "side" if p.has_edge("side") else "shoulder")
            for p in pattern.pieces
            if p.id.endswith("armhole-facing")
        )

    assert deep(cut) == pytest.approx(deep(plain), abs=3) and deep(cut) > 25


def test_the_lower_ends_of_facings_are_closed_on_the_hem_line_before_the_hem():
    project, _ = made(blouse())
    order = [step.id for step in project.steps]
    ends = next(step for step in project.steps if step.id == "close-opening-facing-hems")
    assert ends.act is Act.TURN
    assert order.index("level-hem") < order.index(ends.id) < order.index("fold-hem")
    assert order.index("turn-opening-facing") < order.index(ends.id)
    assert "pivot" in said(project)["sew-opening-facing"], "it turns the corner from front edge to neck"


def test_what_shows_on_a_lapel_is_the_facing():
    """Graded, understitched and rolled the other way above the break."""
    text = said(made(coat())[0])
    for step in ("trim-fronts", "understitch-fronts"):
        assert "above the break" in text[step].lower() or "above it" in text[step], step
    assert "under side" in text["turn-fronts"]
    pattern = compose(coat(interfacing=frozenset())).pattern
    assert pattern.piece("front-facing").edge("hem").allowance > 0, "its lower end is sewn across"


@pytest.mark.parametrize(
    "description",
    [
        Description(
            name="Dress",
            garment=GarmentKind.DRESS,
            features=Features(
                back=Side(centre=Centre.SEAM),
                opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
                neck=Neck(NeckShape.BOAT, NeckFinish.FACING),
                waist=Waist.SEAM,
                skirt=Skirt(SkirtKind.STRAIGHT),
            ),
        ),
        Description(
            name="Skirt",
            garment=GarmentKind.SKIRT,
            features=Features(
                opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP),
                waist=Waist.FACING,
                skirt=Skirt(SkirtKind.HALF_CIRCLE),
            ),
        ),
    ],
    ids=["neck", "waist"],
)
def test_a_facing_stays_open_where_a_zip_opens_the_seam_beneath(description):
    """Its ends are turned in beside the zip: sewn together they would close the garment."""
    project, _ = made(description)
    making = project.garment.making
    (zip_,) = making.closures[:1]
    assert f"neck-{zip_.join}-facing" not in {j.id for j in making.joins}
    assert f"waist-{zip_.join}-facing" not in {j.id for j in making.joins}
    assert any(f.name == "Ends of the facing at the zip" for f in making.finishes)
    step = next(text for id, text in said(project).items() if id in ("sew-neck-facing", "sew-waist-facing"))
    assert "beside" not in step and "from the coil" in step and "all round" not in step


# ---------------------------------------------------------------- linings beside them


@pytest.mark.parametrize("shaping", [Shaping.BUST_DART, *PRINCESS_SEAMS], ids=lambda c: c.value)
@pytest.mark.parametrize("collar", [CollarKind.NOTCHED, CollarKind.SHAWL], ids=lambda c: c.value)
def test_a_coat_s_lining_lies_beside_its_facings_and_not_over_lapel_or_neck(collar, shaping):
    front = Side(centre=Centre.OPEN, shaping=(shaping,))
    project, size = made(coat(collar, front=front, lining=Lining(method=LiningMethod.SEWN_IN)))
    garment = project.garment
    for shell, facing in (("front", "front-facing"), ("back", "back-neck-facing")):
        lining, whole = ring(garment.piece(f"{shell}-lining"), size), ring(garment.piece(shell), size)
        taken = ring(garment.piece(facing), size)
        assert lining.intersection(taken).area < 0.01 * taken.area
        hem = 15 * (whole.bounds[3] - whole.bounds[1])
        assert lining.union(taken).symmetric_difference(whole).area < hem + 0.02 * whole.area
    (seam,) = [j for j in garment.making.joins if j.id.startswith("lining-facing")]
    assert {p.piece for p in seam.a} == {"front-lining", "back-lining"}
    assert LiningSchool.WHOLE not in schools(compose(coat(collar)).pattern, "A", size)
    text = said(project)
    assert "above the facing's lower ends" in text[f"sew-{seam.id}"] and "down them" in text["fell-lining-hem"]
    assert "draw it in" in text["lay-in-lining"], "sleeves go into sleeves"


def test_a_lining_keeps_its_darts_where_a_facing_is_taken_off():
    skirt = Description(
        name="Skirt",
        garment=GarmentKind.SKIRT,
        features=Features(
            front=Side(shaping=(Shaping.WAIST_DART,)),
            back=Side(centre=Centre.SEAM, shaping=(Shaping.WAIST_DART,)),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
            waist=Waist.FACING,
            skirt=Skirt(SkirtKind.A_LINE),
        ),
    )
    project, size = made(skirt, DEDUCT)
    for id in ("front-lining", "back-lining"):
        lining = project.garment.piece(id)
        shell = project.garment.piece(id.removesuffix("-lining"))
        assert [dart.point[size] for dart in lining.darts] == [dart.point[size] for dart in shell.darts]
        intake = [
            abs(seam_length(p, size, "waist") - LineString(lines(p, size).seam["waist"]).length)
            for p in (lining, shell)
        ]
        assert 0 < intake[0] < intake[1], "narrower further down"


# ---------------------------------------------------------------- vents


@pytest.mark.parametrize("description", [pencil(), coat(vent=True)], ids=["skirt", "coat"])
def test_a_vent_is_cut_on_below_the_hip_and_changes_no_measure(description):
    with_vent = compose(description).pattern
    without = compose(
        Description(**{**vars(description), "features": Features(**{**vars(description.features), "vent": False})})
    ).pattern
    back = with_vent.piece("back")
    for size in with_vent.envelope.sizes:
        assert girths(with_vent, size, "A") == pytest.approx(girths(without, size, "A"))
        seam, vent = (seam_length(back, size, edge) for edge in ("centre", "vent"))
        assert seam + vent == pytest.approx(seam_length(without.piece("back"), size, "centre"))
        hip = next(line for line in back.lines if line.id == "hip").ends[size][0][0]
        assert lines(back, size).seam["vent"][0][0] >= hip + 20
        drawn, other = (Polygon(lines(p.piece("back"), size).cutting_ring()) for p in (with_vent, without))
        assert drawn.area - other.area == pytest.approx((50 - 15) * vent, rel=0.25), "two laps of 5 cm"
        assert drawn.is_valid


def test_a_vent_is_sewn_to_its_pivot_and_its_lining_has_a_slit_there():
    project, size = made(pencil(lining=Lining(method=LiningMethod.HANGING_FREE)))
    text, lining = said(project), project.garment.piece("back-lining")
    assert "pivot" in text["sew-centre-back"] and "5 cm cut on for the vent" in text["sew-centre-back"]
    assert "vent" in text["neaten-centre-back"]
    assert not lining.has_edge("vent") and lining.edge("centre").allowance == 15
    slit = next(d for d in project.garment.making.details if d.id == "lining-slit")
    mark = lining.mark(slit.to_mark[1])
    below = next(p for p in project.garment.pieces if p.id == "back")
    assert mark.distance[size] == pytest.approx(seam_length(below, size, "vent") - 19, abs=1), "3/4 in shorter"
    assert "mark of the slit" in text["sew-lining-centre-back"]
    assert "from one edge of the slit to the other" in text["sew-lining-hem"]


@pytest.mark.parametrize("method", [LiningMethod.SEWN_IN, LiningMethod.BAGGED])
def test_a_lining_that_is_sewn_to_the_hem_is_felled_along_the_vent_and_does_not_hang_open_there(method):
    project, _ = made(coat(vent=True, lining=Lining(method=method)))
    order, text = [step.id for step in project.steps], said(project)
    felled = text["fell-lining-centre-back"]
    assert "slit-lining-centre-back" not in order, "no free edges stitched beside a closed lining"
    assert "only this one is cut out" in felled, "the folded side's lining ends at the extension, the other's does not"
    before = {"lay-in-lining", "press-lining-centre-back", "vent-centre-back"}
    before.add("sew-hem" if method is LiningMethod.SEWN_IN else "anchor-hem")
    assert all(order.index(id) < order.index("fell-lining-centre-back") for id in before)


def test_a_coat_with_a_vent_is_bagged_at_the_hem_and_turned_out_where_its_lining_is_open():
    project, _ = made(coat(vent=True, lining=Lining(method=LiningMethod.BAGGED)))
    text = said(project)
    assert "from the front edge to the vent, each side" in text["sew-lining-hem"]
    assert "where the lining is still open at the vent" in text["sew-lining-hem"]
    assert "close-lining-hem" not in text, "no gap of its own"
    assert "upper side's corner mitred" in text["anchor-hem"]


def test_a_dress_with_a_waist_is_bagged_at_the_hem_after_its_waists_are_sewn_together():
    dress = Description(
        name="Dress",
        garment=GarmentKind.DRESS,
        features=Features(
            back=Side(centre=Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
            collar=CollarKind.FLAT,
            sleeve=Sleeve(),
            waist=Waist.SEAM,
            skirt=Skirt(SkirtKind.A_LINE),
            lining=Lining(method=LiningMethod.BAGGED),
        ),
    )
    project, _ = made(dress)
    order, text = [step.id for step in project.steps], said(project)
    assert order.index("catch-lining-waist") < order.index("sew-lining-hem"), "one reaches in from below"
    assert "all round" in text["sew-lining-hem"] and "facings" not in text["sew-lining-hem"]


@pytest.mark.parametrize("collar", [None, CollarKind.NOTCHED])
def test_edge_to_edge_a_bagged_lining_has_neither_vent_nor_slit(collar):
    bagged = coat(collar, vent=True, lining=Lining(method=LiningMethod.BAGGED))
    if collar is not None:
        assert compose(bagged)
        return
    with pytest.raises(DescriptionRefused) as refused:
        compose(bagged)
    assert any(one.field == "features.lining.method" and "vent" in one.why for one in refused.value.refusals)


# ---------------------------------------------------------------- words


def test_a_waist_is_sewn_after_the_sides_that_it_crosses_and_before_the_zip_that_crosses_it():
    dress = Description(
        name="Dress",
        garment=GarmentKind.DRESS,
        features=Features(
            back=Side(centre=Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
            sleeve=Sleeve(SleeveKind.SET_IN),
            waist=Waist.SEAM,
            skirt=Skirt(SkirtKind.STRAIGHT),
        ),
    )
    order = [step.id for step in made(dress)[0].steps]
    for side in ("press-sides", "press-skirt-sides"):
        assert order.index(side) < order.index("sew-waist") < order.index("zip-opening")


def test_an_inner_leg_seam_begins_at_the_crotch_though_a_zip_opens_its_seam_above():
    trousers = Description(
        name="Trousers",
        garment=GarmentKind.TROUSERS,
        features=Features(
            opening=Opening(Where.FRONT, OpeningKind.FLY_ZIP),
            waist=Waist.WAISTBAND,
            legs=Legs(LegKind.STRAIGHT, end=LegEnd.HEM),
            hem=Hem(HemKind.TURNED),
        ),
    )
    assert "from the crotch seam to the hem" in said(made(trousers)[0])["sew-inseams"]


def composed(garment, **features):
    return compose(Description(name="Garment", garment=garment, features=Features(**features))).pattern


def test_the_facing_of_a_top_on_straps_goes_from_the_front_straight_across_to_the_side():
    """Its upper edge runs on under the arms: no facing goes round to a shoulder there, and two would lie on each other
    at the corner."""
    strapped = {**vars(blouse().features), "straps": Straps(2, 20.0), "facing": frozenset({FacedEdge.FRONT})}
    pattern = composed(GarmentKind.TOP, **strapped)
    facing = pattern.piece("front-opening-facing")
    assert not any(p.id == "front-neck-facing" for p in pattern.pieces)
    for size in pattern.envelope.sizes:
        drawn, body = ring(facing, size), ring(pattern.piece("front"), size)
        assert drawn.difference(body).area < 1.0
        depths = [seam_length(facing, size, edge) for edge in ("hem", "side")]
        across = seam_length(pattern.piece("front"), size, "hem")
        assert all(30.0 <= depth <= 0.5 * across for depth in depths)


def test_a_facing_lies_flat_over_a_waist_whose_pleats_are_folded_straight():
    pattern = composed(
        GarmentKind.TROUSERS,
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
        waist=Waist.FACING,
        legs=Legs(LegKind.WIDE, pleats=3),
    )
    front, facing = pattern.piece("front"), pattern.piece("front-waist-facing")
    taken = {size: seam_length(front, size, "waist") for size in pattern.envelope.sizes}
    for size, waist in taken.items():
        assert seam_length(facing, size, "waist") == pytest.approx(waist, abs=0.2)
        assert waist <= seam_length(facing, size, "inner") <= 1.1 * waist


def test_a_facing_ends_before_the_pleats_of_the_edge_beside_it():
    """It would otherwise be caught in a fold, or lie with half of one."""
    pattern = composed(
        GarmentKind.COAT,
        front=Side(centre=Centre.OPEN),
        back=Side(centre=Centre.SEAM, shaping=(Shaping.PLEATS,)),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
        neck=Neck(NeckShape.ROUND),
        facing=frozenset({FacedEdge.FRONT, FacedEdge.NECK}),
    )
    back, facing = pattern.piece("back"), pattern.piece("back-neck-facing")
    assert any(dart.edge == "shoulder" for dart in back.darts)
    for size in pattern.envelope.sizes:
        legs = [mark_distance(back, size, back.mark(leg)) for dart in back.darts for leg in dart.legs]
        to_neck = line_length(back, size, "shoulder") - max(legs)
        assert seam_length(facing, size, "shoulder") < to_neck


@pytest.mark.parametrize("shape", [NeckShape.SQUARE, NeckShape.V, NeckShape.ROUND, NeckShape.SCOOP])
def test_a_neck_s_facing_is_nowhere_deeper_than_round_a_corner_and_bends_one_way_only(shape):
    """That of a square neck swung out to a wave at its corner."""
    features = Features(
        back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0),
        neck=Neck(shape, NeckFinish.FACING),
    )
    pattern = compose(Description(name="Top", garment=GarmentKind.TOP, features=features)).pattern
    facing = pattern.piece("front-neck-facing")
    for size, drawn in facing.shapes.items():
        neck = LineString(flatten(drawn.edges["neck"], 0.2))
        inner = flatten(drawn.edges["inner"], 0.2)
        deep = [neck.distance(Point(p)) for p in inner]
        assert max(deep) <= min(deep) * math.sqrt(2) * 1.1, size
        turned = [_turn(a, b, c) for a, b, c in zip(inner, inner[1:], inner[2:], strict=False)]
        assert sum(t for t in turned if t < 0) > -math.radians(25) or sum(t for t in turned if t > 0) < math.radians(25)


def _turn(a, b, c):
    one, other = (math.atan2(q[1] - p[1], q[0] - p[0]) for p, q in ((a, b), (b, c)))
    return math.atan2(math.sin(other - one), math.cos(other - one))
