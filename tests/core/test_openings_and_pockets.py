"""What described garments are opened by, and pockets in their seams: as a teacher would look at the pieces and the
order (common practice, no source)."""

import re
from itertools import pairwise
from math import isclose

import pytest
from hypothesis import HealthCheck, Phase, given, settings
from shapely.geometry import LineString, Point, Polygon, box

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import (
    Description,
    Elastic,
    Features,
    Figure,
    Hem,
    Lining,
    Neck,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Trim,
)
from rowanseed.core.compose.vocabulary import (
    Along,
    Boned,
    Centre,
    CollarKind,
    ElasticPlace,
    FacedEdge,
    GarmentKind,
    Hand,
    HemKind,
    LiningMethod,
    LiningOf,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    Slit,
    TrimKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import graph_of
from rowanseed.core.notions.buttons import needs_buttons
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.fastenings import opening_length
from rowanseed.core.pattern.making import POCKET_DOTS, ClosureKind, DetailKind, LayerKind
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.seamline import line_length, lines, mark_distance, seam_length
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project

from .descriptions import whole_ones
from .test_make import faults

BACK_ZIP = {"back": Side(Centre.SEAM), "opening": Opening(Where.BACK, OpeningKind.CENTRED_ZIP)}
CLOTH = Cloth(name="Linen", width=1500.0, length=None, selvedge=10.0, direction=Direction.TWO_WAY)


def project(garment, figure=Figure.WOMEN, cloth=Structure.WOVEN, **features):
    """A garment as it is described, in the middle of its sizes, and its order."""
    described = Features(**features)
    description = Description(name="Garment", garment=garment, figure=figure, cloth=cloth, features=described)
    pattern = compose(description).pattern
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    layers = described_layers(pattern, description, view="A", size=size)
    body = {name: row[size] for name, row in pattern.envelope.body_chart.items()}
    decisions = Decisions("A", size, cloth=ClothChoices(layers=layers))
    return Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH))


def order(made):
    return [step.id for step in made.steps]


def told(made, id):
    step = next(step for step in made.steps if step.id == id)
    return " ".join(step.how)


def before(made, *ids):
    steps = order(made)
    places = [steps.index(id) for id in ids]
    return places == sorted(places)


def ring(piece, size):
    return Polygon(lines(piece, size).seam_ring())


# ---------------------------------------------------------------- flies


FLY = {"opening": Opening(Where.FRONT, OpeningKind.FLY_ZIP, length=180.0), "waist": Waist.WAISTBAND}


def test_a_fly_has_a_facing_and_a_shield_as_long_as_its_opening():
    for garment, more in (
        (GarmentKind.TROUSERS, {}),
        (GarmentKind.SKIRT, {"front": Side(Centre.SEAM), "skirt": Skirt(SkirtKind.A_LINE)}),
    ):
        pattern = project(garment, **FLY, **more).pattern
        fly = next(d for d in pattern.making.details if d.kind is DetailKind.FLY)
        for size in pattern.envelope.sizes:
            facing, shield = (pattern.piece(id) for id in fly.pieces)
            assert 180.0 <= seam_length(facing, size, "edge") <= 210.0
            assert isclose(seam_length(facing, size, "edge"), seam_length(shield, size, "edge"))
            assert shield.cuts[0].fold == "inner", "the shield is double"


@pytest.mark.parametrize(("figure", "lap"), [(Figure.WOMEN, "right"), (Figure.MEN, "left")])
def test_the_side_that_laps_is_faced_and_the_fly_is_whole_before_sides_and_inner_legs(figure, lap):
    made = project(GarmentKind.TROUSERS, figure, **FLY)
    facing = next(step for step in made.steps if step.id == "facing-opening")
    assert f"{lap} front" in facing.title
    assert before(made, "shield-opening", "underlap-opening", "zip-opening", "sew-inseams")
    assert before(made, "neaten-fly-facing-edge", "facing-opening", "zip-opening", "sew-outseams")
    assert "If the fronts have no extensions" not in " ".join(told(made, id) for id in order(made))


# ---------------------------------------------------------------- separating zips


JACKET = {
    "front": Side(Centre.OPEN),
    "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
    "neck": Neck(NeckShape.ROUND, NeckFinish.COLLAR),
    "collar": CollarKind.STAND,
    "sleeve": Sleeve(SleeveKind.SET_IN),
}


def test_a_separating_zip_lies_between_front_and_facing_and_is_held_by_a_row_at_last():
    made = project(GarmentKind.JACKET, **JACKET)
    assert before(made, "baste-opening", "sew-opening-facing", "turn-opening-facing", "zip-opening")
    assert any(c.kind is ClosureKind.SEPARATING_ZIP for c in made.pattern.making.closures)


def test_the_separating_zip_to_buy_is_as_long_as_the_front_edge_and_not_as_edge_and_neck():
    for collar, finish in ((CollarKind.STAND, NeckFinish.COLLAR), (None, NeckFinish.FACING)):
        made = project(
            GarmentKind.JACKET,
            **{
                **JACKET,
                "collar": collar,
                "neck": Neck(NeckShape.ROUND, finish),
                "facing": frozenset({FacedEdge.FRONT}),
            },
        )
        size = made.decisions.size
        zip_ = next(n for n in notions(made.pattern, "A", size, CLOTH, overlocker=False) if "zip" in n.what.lower())
        edge = seam_length(made.pattern.piece("front"), size, "opening")
        assert abs(zip_.working.value - edge) <= 25.0 and zip_.working.value % 50 == 0


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"front": Side(Centre.FOLD)}, "features.opening.kind"),
        ({"opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP, None, None, Placket.BAND)},
         "features.opening.placket"),
        ({"collar": None, "neck": Neck(NeckShape.ROUND, NeckFinish.LINING), "sleeve": None,
          "lining": Lining(method=LiningMethod.BAGGED)}, "features.lining.method"),
    ],
)  # fmt: skip
def test_a_separating_zip_is_refused_where_no_edge_is_open_or_nothing_faces_it(more, field):
    with pytest.raises(DescriptionRefused) as refused:
        project(GarmentKind.JACKET, **{**JACKET, **more})
    assert field in {one.field for one in refused.value.refusals}


# ---------------------------------------------------------------- slits at the neck


def test_a_slit_is_faced_in_one_with_its_neck_and_cut_once_the_neck_is_sewn():
    """A facing on the fold behind a slit would close it at the neck."""
    for kind in (OpeningKind.SLIT, OpeningKind.KEYHOLE):
        made = project(
            GarmentKind.TOP,
            opening=Opening(Where.BACK, kind, length=120.0),
            neck=Neck(NeckShape.ROUND, NeckFinish.FACING),
        )
        facing = made.pattern.piece("back-neck-facing")
        assert not any(piece.id == "slit-facing" for piece in made.pattern.pieces)
        for size in made.pattern.envelope.sizes:
            drawn = ring(facing, size)
            assert drawn.difference(ring(made.pattern.piece("back"), size)).area < 1.0
            assert line_length(facing, size, "centre") >= 120.0 + 30.0
        assert before(made, "sew-neck-facing", "face-slit", "turn-neck-facing", "turn-slit")
        assert "all round" in told(made, "sew-neck-facing"), "the slit is not cut yet"


def test_a_bound_neck_leaves_its_slit_a_facing_of_its_own():
    made = project(
        GarmentKind.TOP,
        opening=Opening(Where.FRONT, OpeningKind.SLIT),
        neck=Neck(NeckShape.ROUND, NeckFinish.BIAS_BINDING),
    )
    assert any(piece.id == "slit-facing" for piece in made.pattern.pieces)
    assert before(made, "turn-slit", "bind-neck")


# ---------------------------------------------------------------- what only the drafted pieces show


REFUSED = {
    "a slit past a yoke": (
        GarmentKind.TOP,
        {"front": Side(Centre.FOLD, (Shaping.SQUARE_YOKE,)), "opening": Opening(Where.FRONT, OpeningKind.SLIT)},
        "features.opening.kind",
    ),
    "a zip longer than its seam": (
        GarmentKind.DRESS,
        {
            "back": Side(Centre.SEAM),
            "waist": Waist.SEAM,
            "skirt": Skirt(SkirtKind.A_LINE, length=300.0),
            "opening": Opening(Where.BACK, OpeningKind.CENTRED_ZIP, length=900.0),
        },
        "features.opening.length",
    ),
    "hooks longer than their seam": (
        GarmentKind.DRESS,
        {
            "back": Side(Centre.SEAM),
            "waist": Waist.SEAM,
            "skirt": Skirt(SkirtKind.GATHERED),
            "opening": Opening(Where.BACK, OpeningKind.HOOK_AND_EYE, length=700.0),
        },
        "features.opening.length",
    ),
    "a side zip into a sleeve": (
        GarmentKind.DRESS,
        {"sleeve": Sleeve(SleeveKind.RAGLAN), "opening": Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)},
        "features.opening.where",
    ),
    "an exposed zip below a sleeve": (
        GarmentKind.DRESS,
        {"sleeve": Sleeve(SleeveKind.SET_IN), "opening": Opening(Where.LEFT_SIDE, OpeningKind.EXPOSED_ZIP)},
        "features.opening.kind",
    ),
}


@pytest.mark.parametrize("name", REFUSED)
def test_it_is_refused_at_its_field(name):
    garment, features, field = REFUSED[name]
    with pytest.raises(DescriptionRefused) as refused:
        project(garment, **features)
    assert field in {one.field for one in refused.value.refusals}


@given(description=whole_ones)
@settings(phases=(Phase.generate,), max_examples=150, deadline=None, suppress_health_check=list(HealthCheck))
def test_nothing_is_refused_in_general(description):
    """A sewist is told at the field what cannot be, and not that the whole of it does not go together."""
    try:
        compose(description)
    except DescriptionRefused as refused:
        assert "features" not in {one.field for one in refused.refusals}, str(refused)


@pytest.mark.parametrize("figure", [Figure.WOMEN, Figure.MEN, Figure.CHILDREN])
def test_a_yoke_in_front_lies_below_its_neck(figure):
    made = project(
        GarmentKind.TOP, figure, front=Side(Centre.FOLD, (Shaping.YOKE,)), neck=Neck(NeckShape.ROUND), **BACK_ZIP
    )
    yoke = made.pattern.piece("front-yoke")
    for size in made.pattern.envelope.sizes:
        assert line_length(yoke, size, "centre") >= 25.0 and line_length(yoke, size, "armhole") <= 95.0


def test_slant_pockets_are_smaller_on_a_child_s_skirt_and_end_at_the_waist_s_own_allowance():
    made = project(GarmentKind.SKIRT, Figure.CHILDREN, waist=Waist.ELASTIC_CASING, skirt=Skirt(SkirtKind.A_LINE),
                   pockets=(Pocket(PocketKind.SLANT, PocketPlace.FRONT),))  # fmt: skip
    side, front = made.pattern.piece("pocket-side"), made.pattern.piece("front")
    assert side.edge("waist-inner").allowance == front.edge("waist").allowance
    for size in made.pattern.envelope.sizes:
        bag = seam_length(side, size, "waist") + seam_length(side, size, "waist-inner")
        assert bag < 0.95 * (seam_length(side, size, "waist") + seam_length(front, size, "waist"))


# ---------------------------------------------------------------- waists, linings, ruffles


def test_the_waist_of_a_dress_that_elastic_draws_in_has_its_elastic():
    made = project(
        GarmentKind.DRESS,
        neck=Neck(NeckShape.SCOOP),
        waist=Waist.ELASTIC_CASING,
        skirt=Skirt(SkirtKind.GATHERED),
        lining=Lining(method=LiningMethod.BY_HAND),
    )
    assert before(made, "press-waist", "tunnel-waist-elastic", "elastic-waist-elastic", "try-on-hem")
    assert before(made, "elastic-waist-elastic", "lay-in-lining")
    assert "all round" in told(made, "tunnel-waist-elastic")


def test_a_lining_that_is_sewn_in_ends_at_the_facing_and_one_that_is_hung_lies_under_it():
    for method, seam in ((LiningMethod.SEWN_IN, True), (LiningMethod.BY_HAND, False)):
        made = project(
            GarmentKind.COAT,
            front=Side(Centre.OPEN),
            opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
            neck=Neck(NeckShape.ROUND, NeckFinish.FACING),
            facing=frozenset({FacedEdge.FRONT}),
            sleeve=Sleeve(SleeveKind.SET_IN),
            lining=Lining(method=method),
        )
        assert any(j.id.startswith("lining-facing") for j in made.garment.making.joins) is seam
        hem = told(made, "sew-hem")
        assert "Catch stitch over the raw edge" in hem, "the lining covers it"
        assert "neaten-hem" not in order(made)


def test_a_ruffle_at_the_hem_is_gathered_and_sewn_as_a_seam():
    made = project(
        GarmentKind.DRESS,
        neck=Neck(NeckShape.SCOOP),
        waist=Waist.NONE,
        trim=(Trim(TrimKind.RUFFLE, Along.HEM),),
    )
    sewn = next(step for step in made.steps if step.id == "sew-ruffle")
    assert sewn.technique == "plain seam" and before(made, "gather-ruffle", "sew-ruffle")
    assert not any("collar" in step.technique for step in made.steps)


def test_a_band_over_a_zip_in_the_side_is_sewn_from_one_side_of_the_zip_to_the_other():
    made = project(
        GarmentKind.SKIRT,
        waist=Waist.WAISTBAND,
        skirt=Skirt(SkirtKind.A_LINE),
        opening=Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP),
    )
    assert "from one side of the zip to the other" in told(made, "sew-waist")
    assert told(made, "underlap-opening").startswith("The front laps over the back")


# ---------------------------------------------------------------- zips in a side


def test_a_zip_in_the_side_of_a_dress_runs_on_past_the_waist_which_is_sewn_while_that_side_is_open():
    made = project(
        GarmentKind.DRESS,
        front=Side(Centre.FOLD, (Shaping.BUST_DART, Shaping.WAIST_DART)),
        back=Side(Centre.FOLD, (Shaping.WAIST_DART,)),
        waist=Waist.SEAM,
        skirt=Skirt(SkirtKind.STRAIGHT),
        opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP),
    )
    left = made.pattern.making.join("sides-left")
    assert [part.piece for part in left.a] == ["skirt-front", "front"]
    assert before(made, "sew-skirt-sides-right", "sew-waist", "baste-opening", "zip-opening", "sew-sides-left")
    assert "still open" in told(made, "sew-waist") and "all round" not in told(made, "sew-waist")
    bound = told(made, "bind-armhole")
    assert "on the left from one edge of the zip to the other, on the right all round" in bound


LINED_JACKET = {
    "front": Side(Centre.OPEN),
    "opening": Opening(Where.FRONT, OpeningKind.BUTTONS),
    "neck": Neck(NeckShape.V, NeckFinish.COLLAR),
    "collar": CollarKind.NOTCHED,
    "sleeve": Sleeve(SleeveKind.SET_IN, 2, SleeveLength.LONG),
    "lining": Lining(method=LiningMethod.BAGGED),
}


@pytest.mark.parametrize("collar", [CollarKind.NOTCHED, CollarKind.SHAWL, CollarKind.STAND])
def test_under_a_collar_a_bagged_lining_hangs_beside_its_facings_and_is_sewn_to_the_hems(collar):
    made = project(GarmentKind.JACKET, **{**LINED_JACKET, "collar": collar})
    assert not made.gaps and not any(id.startswith("fell-") for id in order(made))
    assert before(made, "lay-in-lining", "sew-lining-wrist", "anchor-wrist", "sew-lining-hem", "anchor-hem",
                  "close-lining-hem")  # fmt: skip
    assert "in a ring" not in told(made, "sew-lining-hem") and "from facing to facing" in told(made, "sew-lining-hem")
    hem = made.pattern.making
    assert all(len(f.folds) == 1 for f in hem.finishes if f.id in ("hem", "wrist")), "its raw edge takes the lining"


def test_a_lining_bagged_at_the_hem_can_be_felled_by_hand_after_all():
    made = project(GarmentKind.JACKET, **LINED_JACKET)
    by_hand = made.sewn_with("lining-hem", "lining-felled-to-hem")
    assert "fell-lining-hem" in order(by_hand) and "sew-lining-wrist" in order(by_hand) and not by_hand.gaps


@pytest.mark.parametrize(
    ("more", "field"),
    [
        ({"hem": Hem(HemKind.ROLLED)}, "features.hem.kind"),
        ({"hem": Hem(HemKind.BY_HAND, 12.0)}, "features.hem.depth"),
    ],
)
def test_what_a_bagged_lining_cannot_be_sewn_to_is_refused_there(more, field):
    with pytest.raises(DescriptionRefused) as refused:
        project(GarmentKind.JACKET, **LINED_JACKET, **more)
    assert field in {r.field for r in refused.value.refusals}


DIVIDED_BY_WAIST = {
    "front": Side(Centre.OPEN, (Shaping.WAIST_DART,)),
    "back": Side(shaping=(Shaping.WAIST_DART,)),
    "opening": Opening(Where.FRONT, OpeningKind.BUTTONS),
    "neck": Neck(NeckShape.V),
    "waist": Waist.SEAM,
    "sleeve": Sleeve(SleeveKind.SET_IN),
}


@pytest.mark.parametrize("collar", [CollarKind.NOTCHED, CollarKind.SHAWL])
@pytest.mark.parametrize("kind", [SkirtKind.A_LINE, SkirtKind.GATHERED])
def test_above_a_waist_seam_the_facing_of_lapels_goes_on_down_the_skirt(collar, kind):
    made = project(GarmentKind.DRESS, **DIVIDED_BY_WAIST, collar=collar, skirt=Skirt(kind))
    assert not made.gaps
    pattern = made.pattern
    fronts = pattern.making.join("fronts")
    assert [p.piece for p in fronts.a][-1] == "skirt-front"
    assert [p.piece for p in fronts.b][-1] == "skirt-front-facing"
    for size in pattern.envelope.sizes:
        above, below = (
            chain_length(pattern.piece(id).shapes[size].edges["waist"]) for id in ("front-facing", "skirt-front-facing")
        )
        assert above == pytest.approx(below, abs=0.1)
        # It ends before the darts of both, so that it lies flat on them.
        skirt = pattern.piece("skirt-front")
        legs = [mark_distance(skirt, size, skirt.mark(leg)) for dart in skirt.darts for leg in dart.legs]
        whole = chain_length(skirt.shapes[size].edges["waist"])
        assert all(whole - leg > below for leg in legs)
    assert before(made, "sew-facing-waist", "sew-fronts", "close-facing-hems")


@pytest.mark.parametrize("of", list(Structure))
@pytest.mark.parametrize("more", [{}, {"lining": Lining(method=LiningMethod.BAGGED)}], ids=["unlined", "lined"])
def test_on_a_raglan_the_collar_and_the_facings_go_round_over_the_sleeves(of, more):
    """In woven cloth each sleeve has its dart at the neck, folded out of its facing; a lining lies beside all three."""
    jacket = {**LINED_JACKET, "lining": None, "sleeve": Sleeve(SleeveKind.RAGLAN), **more}
    made = project(GarmentKind.JACKET, cloth=of, **jacket)
    assert not made.gaps
    pattern = made.pattern
    assert [p.piece for p in pattern.making.join("collar-neck").a] == ["front", "sleeve", "back"]
    facings = ["front-facing", "sleeve-neck-facing", "back-neck-facing"]
    assert [p.piece for p in pattern.making.join("collar-facing").a] == facings
    for size in pattern.envelope.sizes:
        assert all(w.walks for w in walk(pattern, size))
    if more:
        beside = [j for j in made.garment.making.joins if j.id.startswith("lining-facing-")]
        assert {p.piece for j in beside for p in j.b} == set(facings)
        assert {p.piece for j in beside for p in j.a} == {"front-lining", "sleeve-lining", "back-lining"}


@pytest.mark.parametrize("of", list(Structure))
def test_beside_unlined_raglan_sleeves_the_body_s_lining_meets_each_facing_by_itself(of):
    lining = Lining(LiningOf.BODY, LiningMethod.SEWN_IN)
    made = project(
        GarmentKind.JACKET, cloth=of, **{**LINED_JACKET, "lining": lining, "sleeve": Sleeve(SleeveKind.RAGLAN)}
    )
    assert not made.gaps
    seams = [j for j in made.garment.making.joins if j.id.startswith("lining-facing-")]
    met = {frozenset(p.piece for p in j.a): frozenset(p.piece for p in j.b) for j in seams}
    assert met == {
        frozenset({"front-lining"}): frozenset({"front-facing"}),
        frozenset({"back-lining"}): frozenset({"back-neck-facing"}),
    }
    assert before(made, "sew-collar-neck", "sew-collar-edge")


def test_a_shawl_collar_on_a_raglan_is_refused_at_its_sleeve():
    with pytest.raises(DescriptionRefused) as refused:
        project(GarmentKind.JACKET, **{**LINED_JACKET, "collar": CollarKind.SHAWL, "sleeve": Sleeve(SleeveKind.RAGLAN)})
    assert "features.sleeve.kind" in {r.field for r in refused.value.refusals}


@pytest.mark.parametrize("count", [None, 3, 5])
def test_buttons_below_lapels_go_on_down_the_skirt_evenly_and_clear_of_its_seam(count):
    opening = Opening(Where.FRONT, OpeningKind.BUTTONS, count=count)
    made = project(GarmentKind.DRESS, **{**DIVIDED_BY_WAIST, "opening": opening}, collar=CollarKind.NOTCHED)
    pattern = made.pattern
    for size in pattern.envelope.sizes:
        front = pattern.piece("front")
        seam = front.shapes[size].edges["opening"][-1].end[0]
        places = [
            q.at[size][0] + (seam if piece.id == "skirt-front" else 0.0)
            for piece in (front, pattern.piece("skirt-front"))
            for q in piece.points
            if q.kind is PointKind.BUTTONHOLE
        ]
        assert len(places) == (count or 6)
        assert places == sorted(places) and all(abs(x - seam) >= 12.0 for x in places)
        apart = [b - a for a, b in pairwise(places)]
        # One that would stand on the seam is moved off it.
        assert max(apart) - min(apart) <= 2 * 12.0 + 0.1


DIVIDED = {
    "neck": Neck(NeckShape.SCOOP),
    "waist": Waist.SEAM,
    "skirt": Skirt(SkirtKind.A_LINE),
    "back": Side(Centre.SEAM),
    "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
    "sleeve": Sleeve(SleeveKind.SET_IN),
}
LINED_PARTS = {
    LiningOf.UPPER: ({"front", "back", "sleeve"}, "waist"),
    LiningOf.LOWER: ({"skirt-front", "skirt-back"}, "waist"),
    LiningOf.BODY: ({"front", "back", "skirt-front", "skirt-back"}, "armholes"),
}


@pytest.mark.parametrize("method", [LiningMethod.SEWN_IN, LiningMethod.BY_HAND, LiningMethod.HANGING_FREE])
@pytest.mark.parametrize("of", LINED_PARTS)
def test_a_lining_of_a_part_has_its_pieces_alone_and_is_felled_over_the_seam_it_ends_at(of, method):
    made = project(GarmentKind.DRESS, **DIVIDED, lining=Lining(of, method))
    pieces, seam = LINED_PARTS[of]
    assert {x.of for x in made.garment.making.layers if x.kind is LayerKind.LINING} == pieces
    assert not made.gaps and before(made, "lay-in-lining", f"fell-lining-along-{seam}")
    assert any(id.startswith("fell-lining-along-") for id in order(made))


def test_a_lining_below_the_waist_is_left_open_along_the_part_of_the_zip_that_lies_there():
    """Of 56 cm of zip what the bodice's centre back has is not the skirt's."""
    made = project(GarmentKind.DRESS, **DIVIDED, lining=Lining(LiningOf.LOWER, LiningMethod.SEWN_IN))
    back = seam_length(made.pattern.piece("back"), made.size, "centre")
    said = float(re.search(r"up to ([\d.]+) cm below the upper edge", told(made, "sew-lining-centre-back"))[1])
    assert said == pytest.approx((560.0 - back + 15.0 + 15.0) / 10, abs=0.6), "with an allowance, and a bit free below"


def test_above_the_waist_a_zip_that_runs_past_it_leaves_the_lining_no_centre_seam():
    made = project(GarmentKind.DRESS, **DIVIDED, lining=Lining(LiningOf.UPPER, LiningMethod.SEWN_IN))
    assert "sew-lining-centre-back" not in order(made)
    assert "zip's tape" in told(made, "fell-lining-along-centre-back")
    assert "from centre to centre" in told(made, "sew-lining-facing-neck-facing")


def test_sides_that_are_told_apart_come_after_raglan_seams_as_others_do():
    made = project(
        GarmentKind.TOP,
        neck=Neck(NeckShape.SCOOP),
        sleeve=Sleeve(SleeveKind.RAGLAN),
        pockets=(Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE, Hand.LEFT),),
    )
    for side in ("sew-sides-left", "sew-sides-right"):
        assert before(made, "press-raglan-front", side) and before(made, "press-raglan-back", side)


# ---------------------------------------------------------------- zips


PAST_THE_WAIST = {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.A_LINE), "neck": Neck(NeckShape.SCOOP)}
OPENED = {
    "centre back": {"back": Side(Centre.SEAM), "opening": Opening(Where.BACK, OpeningKind.CENTRED_ZIP, 560.0)},
    "side": {"opening": Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 400.0)},
    "below a sleeve": {
        "opening": Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 360.0),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
}


@pytest.mark.parametrize("name", OPENED)
def test_a_zip_that_runs_past_the_waist_is_bought_as_long_as_all_of_its_opening(name):
    """In whole stock lengths, each an inch or two longer than the last (common practice, no source)."""
    made = project(GarmentKind.DRESS, **PAST_THE_WAIST, **OPENED[name])
    asked = OPENED[name]["opening"].length
    (closure,) = made.pattern.making.closures
    for size in made.pattern.envelope.sizes:
        assert opening_length(made.pattern, size, closure) == pytest.approx(asked, abs=0.5)
    (bought,) = (n for n in notions(made.garment, "A", made.size, CLOTH, overlocker=False) if n.sort is Sort.ZIP)
    assert asked - 10.0 <= bought.working.value <= asked + 51.0


@pytest.mark.parametrize("kind", [OpeningKind.LAPPED_ZIP, OpeningKind.CENTRED_ZIP, OpeningKind.INVISIBLE_ZIP])
@pytest.mark.parametrize("more", [{}, PAST_THE_WAIST])
def test_below_a_sleeve_the_side_is_sewn_above_its_zip_too(kind, more):
    made = project(
        GarmentKind.DRESS,
        **{"neck": Neck(NeckShape.SCOOP), **more},
        sleeve=Sleeve(SleeveKind.SET_IN, length=SleeveLength.SHORT),
        opening=Opening(Where.LEFT_SIDE, kind, 350.0),
    )
    assert not made.gaps
    seam = told(made, "sew-sides-left")
    assert "armhole" in seam and "upper edge" not in seam
    zipped = " ".join(told(made, step.id) for step in made.steps if step.id.endswith("-opening"))
    assert "below the upper mark" in zipped and "upper stitching line" not in zipped
    assert "all round" in told(made, "sew-armholes"), "the armhole stays a ring"


@pytest.mark.parametrize(("where", "flat", "other"), [(Where.FRONT, "front", "back"), (Where.BACK, "back", "front")])
def test_the_crotch_is_sewn_in_one_run_up_to_the_half_without_the_zip(where, flat, other):
    made = project(
        GarmentKind.TROUSERS,
        waist=Waist.WAISTBAND,
        front=Side(Centre.SEAM),
        back=Side(Centre.SEAM),
        opening=Opening(where, OpeningKind.CENTRED_ZIP, 180.0),
    )
    assert before(made, f"press-centre-{flat}", "sew-inseams", f"sew-centre-{other}")
    assert before(made, "zip-opening", f"sew-centre-{other}")
    run = told(made, f"sew-centre-{other}")
    assert f"from the waist at the {other}" in run and f"where the {flat}'s seam begins" in run


@pytest.mark.parametrize("finish", [NeckFinish.FACING, NeckFinish.BIAS_BINDING, NeckFinish.BIAS_FACING])
def test_a_keyhole_closes_above_by_a_button_and_a_loop_once_it_is_turned(finish):
    made = project(
        GarmentKind.TOP, neck=Neck(NeckShape.ROUND, finish), opening=Opening(Where.BACK, OpeningKind.KEYHOLE)
    )
    assert not made.gaps and before(made, "face-slit", "turn-slit", "loop-opening")
    (buttons,) = (n for n in notions(made.garment, "A", made.size, CLOTH, overlocker=False) if n.sort is Sort.BUTTONS)
    assert buttons.what.startswith("Buttons: 1,")


# ---------------------------------------------------------------- slits and vents


SKIRT = {"waist": Waist.WAISTBAND, "skirt": Skirt(SkirtKind.A_LINE)}


def test_side_slits_beside_a_zip_in_the_left_side_are_sewn_left_and_right():
    made = project(
        GarmentKind.SKIRT,
        **{**SKIRT, "skirt": Skirt(SkirtKind.A_LINE, slit=Slit.SIDES)},
        opening=Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP),
    )
    assert not made.gaps
    assert before(made, "sew-sides-left", "slit-sides-left") and before(made, "sew-sides-right", "slit-sides-right")
    assert "end of the zip" in told(made, "sew-sides-left") and "zip" not in told(made, "sew-sides-right")


def test_a_hem_with_a_vent_in_it_can_be_faced():
    made = project(
        GarmentKind.SKIRT,
        **SKIRT,
        back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
        hem=Hem(HemKind.FACED),
        vent=True,
    )
    assert not made.gaps and before(made, "vent-centre-back", "face-hem", "sew-hem")
    assert "from one edge of the vent to the other" in told(made, "face-hem")
    assert "mitred" not in told(made, "vent-centre-back") and "all round" not in told(made, "understitch-hem")


# ---------------------------------------------------------------- pockets in a seam


IN_SEAM = {"pockets": (Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE),)}
SHAPED = {
    "skirt": (GarmentKind.SKIRT, {"back": Side(Centre.SEAM), "skirt": Skirt(SkirtKind.A_LINE),
                                  "waist": Waist.WAISTBAND}),
    "trousers": (GarmentKind.TROUSERS, {"waist": Waist.ELASTIC_CASING}),
    "dress": (GarmentKind.DRESS, {"back": Side(Centre.SEAM), "opening": Opening(Where.BACK, OpeningKind.CENTRED_ZIP)}),
}  # fmt: skip


@pytest.mark.parametrize("name", SHAPED)
def test_the_mouth_of_an_in_seam_pocket_is_marked_alike_on_front_and_back_below_the_waist(name):
    garment, more = SHAPED[name]
    if garment is GarmentKind.SKIRT:
        more = {**more, "opening": Opening(Where.BACK, OpeningKind.CENTRED_ZIP)}
    made = project(garment, **more, **IN_SEAM)
    pocket = next(d for d in made.pattern.making.details if d.kind is DetailKind.IN_SEAM_POCKET)
    seam = made.pattern.making.join(pocket.along[0])
    for size in made.pattern.envelope.sizes:
        places = []
        for part in (*seam.a, *seam.b):
            piece = made.pattern.piece(part.piece)
            long = line_length(piece, size, part.edge)
            places.append([long - mark_distance(piece, size, piece.mark(id)) for id in POCKET_DOTS])
        (top, bottom), other = places
        assert [top, bottom] == pytest.approx(other, abs=0.5)
        assert 110.0 <= bottom - top <= 160.0
    step = next(step for step in made.steps if step.id == f"sew-{seam.id}")
    assert any("pocket's mouth" in line for line in step.how)
    assert before(made, f"hold-{pocket.id}", step.id)


def test_beside_a_zip_in_the_left_side_there_is_one_pocket_and_the_garment_says_so():
    made = project(
        GarmentKind.SKIRT,
        skirt=Skirt(SkirtKind.A_LINE),
        waist=Waist.WAISTBAND,
        opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP),
        **IN_SEAM,
    )
    bag = made.pattern.piece("pocket-bag")
    pocket = next(d for d in made.pattern.making.details if d.kind is DetailKind.IN_SEAM_POCKET)
    assert bag.cuts[0].count == 2 and pocket.along == ("sides-right",)
    assert not any("pocket" in line for line in told(made, "sew-sides-left").split())


BOTH = {"front": PocketPlace.FRONT, "back": PocketPlace.BACK}


@pytest.mark.parametrize("kind", [PocketKind.PATCH, PocketKind.FLAP, PocketKind.WELT])
def test_pockets_of_one_kind_at_two_places_are_told_apart_in_every_step(kind):
    pockets = tuple(Pocket(kind, place) for place in BOTH.values())
    made = project(GarmentKind.TROUSERS, waist=Waist.ELASTIC_CASING, pockets=pockets)
    titles = [step.title for step in made.steps]
    assert len(titles) == len(set(titles))
    names = [piece.name for piece in made.pattern.pieces]
    assert len(names) == len(set(names))


@pytest.mark.parametrize("second", [PocketKind.PATCH, PocketKind.FLAP, PocketKind.WELT])
def test_two_pockets_are_not_sewn_on_at_one_place(second):
    pockets = (Pocket(PocketKind.PATCH, PocketPlace.BACK), Pocket(second, PocketPlace.BACK))
    with pytest.raises(DescriptionRefused) as refused:
        project(GarmentKind.TROUSERS, waist=Waist.ELASTIC_CASING, pockets=pockets)
    assert [r.field for r in refused.value.refusals] == ["features.pockets.1"]


def test_a_chest_pocket_with_a_flap_has_as_many_pockets_as_flaps():
    pattern = project(
        GarmentKind.TOP, neck=Neck(NeckShape.SCOOP), pockets=(Pocket(PocketKind.FLAP, PocketPlace.CHEST),)
    ).pattern
    assert pattern.piece("pocket").cuts[0].count == pattern.piece("flap").cuts[0].count == 2


WITH_POCKETS = {
    "top": (GarmentKind.TOP, {"neck": Neck(NeckShape.SCOOP)}),
    "dress with a waist": (GarmentKind.DRESS, {"neck": Neck(NeckShape.SCOOP), "waist": Waist.SEAM,
                           "skirt": Skirt(SkirtKind.A_LINE), "sleeve": Sleeve(),
                           "opening": Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP)}),
    "cut in one": (GarmentKind.TOP, {"neck": Neck(NeckShape.SCOOP), "sleeve": Sleeve(SleeveKind.CUT_IN_ONE)}),
    "trousers": (GarmentKind.TROUSERS, {"waist": Waist.ELASTIC_CASING}),
    "gores": (GarmentKind.SKIRT, {"waist": Waist.WAISTBAND, "skirt": Skirt(SkirtKind.GORED), "back": Side(Centre.SEAM),
              "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)}),
}  # fmt: skip


@pytest.mark.parametrize("figure", [Figure.WOMEN, Figure.MEN, Figure.CHILDREN])
@pytest.mark.parametrize("kind", [PocketKind.PATCH, PocketKind.WELT])
@pytest.mark.parametrize("place", [PocketPlace.CHEST, PocketPlace.FRONT, PocketPlace.BACK])
@pytest.mark.parametrize("name", WITH_POCKETS)
def test_a_pocket_lies_on_its_piece_in_every_size_or_is_refused(name, place, kind, figure):
    """Clear of neck, armhole, side and hem: its rectangle against the piece's outline, by Shapely."""
    garment, more = WITH_POCKETS[name]
    try:
        pattern = project(garment, figure, **more, pockets=(Pocket(kind, place),)).pattern
    except DescriptionRefused as refused:
        assert {r.field for r in refused.refusals} == {"features.pockets.0"}, str(refused)
        return
    own = pattern.piece("pocket" if kind is PocketKind.PATCH else "welt")
    (carrier,) = (p for p in pattern.pieces if any(q.kind is PointKind.POCKET for q in p.points))
    for size in pattern.envelope.sizes:
        inner, outer = (q.at[size] for q in carrier.points if q.kind is PointKind.POCKET)
        deep = bounds_of(own, size)[0] if kind is PocketKind.PATCH else 20.0
        assert outer[1] - inner[1] == pytest.approx(bounds_of(own, size)[1], abs=0.5)
        assert box(*inner, inner[0] + deep, outer[1]).within(ring(carrier, size).buffer(0.1)), size


def bounds_of(piece, size):
    x0, y0, x1, y1 = ring(piece, size).bounds
    return x1 - x0, y1 - y0


def test_a_pocket_too_wide_for_a_panel_lies_across_the_princess_seam_and_comes_after_it():
    princess = Side(Centre.FOLD, (Shaping.PRINCESS_ARMHOLE,))
    made = project(
        GarmentKind.DRESS, front=princess, neck=Neck(NeckShape.SCOOP), pockets=(Pocket(),), back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
    )  # fmt: skip
    places = [(p, q) for p in made.pattern.pieces for q in p.points if q.kind is PointKind.POCKET]
    assert [piece.id for piece, _ in places] == ["front", "side-front"]
    for size in made.pattern.envelope.sizes:
        beyond = [LineString(lines(piece, size).seam["princess"]).distance(Point(q.at[size])) for piece, q in places]
        assert sum(beyond) == pytest.approx(130.0, abs=6.0), "a pocket's width, over the seam"
    assert before(made, "press-princess-front", "sew-on-pocket-edges")
    assert "centre front and side front" in told(made, "sew-on-pocket-edges")


ALONE = {
    PocketKind.PATCH: ("pocket", PocketPlace.BACK, 1),
    PocketKind.FLAP: ("flap", PocketPlace.FRONT, 1),
    PocketKind.WELT: ("welt", PocketPlace.FRONT, 1),
    PocketKind.IN_SEAM: ("pocket-bag", PocketPlace.SIDE, 2),
}


@pytest.mark.parametrize("hand", [Hand.LEFT, Hand.RIGHT])
@pytest.mark.parametrize("kind", ALONE)
def test_a_pocket_on_one_side_is_cut_once_and_its_step_says_on_which(kind, hand):
    piece, place, count = ALONE[kind]
    made = project(GarmentKind.TROUSERS, waist=Waist.ELASTIC_CASING, pockets=(Pocket(kind, place, hand),))
    cut = made.pattern.piece(piece).cuts[0]
    assert cut.count == count and cut.pair == (count > 1)
    own = [step for step in made.steps if piece.removesuffix("-bag") in step.id or "pocket" in step.id]
    said = " ".join(line for step in own for line in (step.title, *step.how))
    other = "left" if hand is Hand.RIGHT else "right"
    assert f"the {hand.value}" in said and f"on the {other}" not in said
    assert "both" not in " ".join(step.title for step in own)
    marked = {q.hand for p in made.pattern.pieces for q in p.points if q.kind is PointKind.POCKET}
    assert marked <= {hand.value}


def test_one_pocket_on_the_left_and_another_on_the_right_of_one_place():
    pockets = (
        Pocket(PocketKind.PATCH, PocketPlace.BACK, Hand.LEFT),
        Pocket(PocketKind.WELT, PocketPlace.BACK, Hand.RIGHT),
    )
    made = project(GarmentKind.TROUSERS, waist=Waist.ELASTIC_CASING, pockets=pockets)
    assert made.pattern.piece("pocket").cuts[0].count == made.pattern.piece("welt-2").cuts[0].count == 1
    assert "the left one as it is worn and no other" in told(made, "sew-on-pocket-edges")


@pytest.mark.parametrize("kind", ALONE)
def test_pockets_said_for_each_hand_by_itself_are_told_apart(kind):
    """Two entries of one kind, left and right: no two steps and no two pieces have one name."""
    place = ALONE[kind][1]
    pockets = tuple(Pocket(kind, place, hand) for hand in (Hand.LEFT, Hand.RIGHT))
    made = project(GarmentKind.TROUSERS, waist=Waist.ELASTIC_CASING, pockets=pockets)
    titles = [step.title for step in made.steps]
    names = [piece.name for piece in made.pattern.pieces]
    assert len(titles) == len(set(titles)) and len(names) == len(set(names)) and not made.gaps


def test_a_breast_pocket_is_on_the_left_unless_it_is_said():
    assert Pocket(PocketKind.PATCH, PocketPlace.CHEST).hands is Hand.LEFT
    assert Pocket(PocketKind.PATCH, PocketPlace.CHEST, Hand.BOTH).count == 2
    assert Pocket(PocketKind.PATCH, PocketPlace.FRONT).hands is Hand.BOTH


@pytest.mark.parametrize(
    ("garment", "pocket", "more"),
    [
        (GarmentKind.TROUSERS, Pocket(PocketKind.SLANT, PocketPlace.FRONT, Hand.LEFT), {}),
        (
            GarmentKind.SKIRT,
            Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE, Hand.LEFT),
            {"waist": Waist.WAISTBAND, "opening": Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)},
        ),
    ],
)
def test_a_pocket_that_cannot_be_on_one_side_is_refused_there(garment, pocket, more):
    with pytest.raises(DescriptionRefused) as refused:
        project(garment, **{"waist": Waist.ELASTIC_CASING, **more}, pockets=(pocket,))
    assert [r.field for r in refused.value.refusals] == ["features.pockets.0"]


# ---------------------------------------------------------------- sleeves, hems, bones


@pytest.mark.parametrize("kind", [SleeveKind.RAGLAN, SleeveKind.DROPPED])
def test_sides_and_sleeves_that_are_sewn_in_flat_are_closed_in_one_run(kind):
    made = project(GarmentKind.TOP, neck=Neck(NeckShape.SCOOP), sleeve=Sleeve(kind, length=SleeveLength.SHORT))
    run = next(step for step in made.steps if step.technique == "underarm in one run" and step.id.startswith("sew-"))
    assert "side seams and sleeve seams in one run" in run.title
    assert not any(step.id == "sew-underarms" for step in made.steps)
    assert not any("before the sleeves are set" in line for step in made.steps for line in step.how)


def test_the_newest_choice_holds_for_seams_that_are_sewn_in_one():
    made = project(GarmentKind.TOP, neck=Neck(NeckShape.SCOOP), sleeve=Sleeve(SleeveKind.DROPPED))
    one_run = next(way for way in made.ways if way.taken.id == "underarm-in-one-run")
    side, sleeve = (way for way in made.ways if way.taken.id == one_run.taken.id)
    apart = made.sewn_with(side.id, "french")
    taken = dict(apart.made.taken)
    assert taken[side.id] == "french" and taken[sleeve.id] != one_run.taken.id and not apart.gaps
    again = apart.sewn_with(sleeve.id, None)
    assert dict(again.made.taken) == dict(made.made.taken) and not again.gaps


def test_a_set_in_sleeve_is_closed_by_itself():
    made = project(GarmentKind.TOP, neck=Neck(NeckShape.SCOOP), sleeve=Sleeve(SleeveKind.SET_IN))
    assert before(made, "sew-underarms", "sew-armholes") and before(made, "sew-sides", "sew-armholes")


def test_a_collar_on_a_raglan_neck_is_a_band_and_no_sleeve():
    made = project(GarmentKind.JACKET, **{**JACKET, "sleeve": Sleeve(SleeveKind.RAGLAN)})
    assert next(step for step in made.steps if step.id == "sew-neck").technique == "band"


def test_a_faced_hem_and_faced_sleeve_ends_are_each_sewn_to_their_facing_and_turned_by_nothing_else():
    made = project(
        GarmentKind.TOP,
        neck=Neck(NeckShape.SCOOP),
        sleeve=Sleeve(SleeveKind.CUT_IN_ONE, length=SleeveLength.SHORT, end=SleeveEnd.FACING),
        hem=Hem(HemKind.FACED),
    )
    assert {"face-hem", "face-wrist"} <= set(order(made))
    assert not [step.title for step in made.steps if step.technique == "turned edge"]
    worn = told(made, "try-on-wrist")
    assert "Arms" in worn and "shoes" not in worn


@pytest.mark.parametrize(("depth", "each"), [(10.0, "0.5 cm"), (None, "0.8 cm")])
def test_a_narrow_hem_takes_up_the_allowance_it_was_cut_with(depth, each):
    made = project(GarmentKind.TOP, neck=Neck(NeckShape.SCOOP), hem=Hem(HemKind.NARROW, depth))
    assert f"{each} to the wrong side, then as much again." in told(made, "fold-hem")
    assert "cut" not in told(made, "fold-hem"), "nothing was cut on that the hem does not take"
    assert made.garment.piece("front").edge("hem").allowance == (depth or 16.0)


def test_bones_in_a_seam_that_runs_to_the_hem_end_at_the_waist():
    made = project(
        GarmentKind.DRESS,
        front=Side(Centre.FOLD, (Shaping.PRINCESS_ARMHOLE,)),
        back=Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        opening=Opening(Where.BACK, OpeningKind.CENTRED_ZIP),
        boning=frozenset({Boned.PRINCESS}),
    )
    bones = next(step for step in made.steps if step.id == "bones-boning")
    seam = line_length(made.pattern.piece("side-front"), made.decisions.size, "princess")
    assert all(use.mm < 0.6 * seam for use in bones.uses)
    assert "waist" in told(made, "channel-boning")


def test_facings_made_up_apart_have_each_a_name_of_their_own():
    made = project(
        GarmentKind.TOP,
        neck=Neck(NeckShape.SCOOP, NeckFinish.FACING),
        facing=frozenset({FacedEdge.NECK, FacedEdge.ARMHOLE}),
    )
    titles = [step.title for step in made.steps]
    assert len(set(titles)) == len(titles)


def test_a_collar_on_raglan_sleeves_waits_for_the_try_on():
    made = project(
        GarmentKind.JACKET,
        front=Side(Centre.OPEN),
        opening=Opening(Where.FRONT, OpeningKind.SNAPS, count=6),
        sleeve=Sleeve(SleeveKind.RAGLAN, length=SleeveLength.SHORT),
        collar=CollarKind.ONE_PIECE,
        elastic=(Elastic(ElasticPlace.WAIST),),
    )
    assert before(made, "try-on-shell", "sew-neck")
    assert faults(made.garment, made.size, made.steps) == []


def test_both_sides_are_neatened_flat_where_a_zip_closes_the_left_across_the_waist():
    made = project(
        GarmentKind.COAT,
        front=Side(Centre.SEAM),
        back=Side(Centre.SEAM),
        opening=Opening(Where.LEFT_SIDE, OpeningKind.CENTRED_ZIP),
        neck=Neck(NeckShape.ROUND, NeckFinish.BIAS_FACING),
        waist=Waist.SEAM,
        skirt=Skirt(SkirtKind.GATHERED, fullness=1.5, length=900.0),
        lining=Lining(LiningOf.BODY, LiningMethod.SEWN_IN),
        boning=(Boned.SIDE,),
    )
    assert before(made, "neaten-sides-left", "sew-sides-right")
    assert faults(made.garment, made.size, made.steps) == []


@pytest.mark.parametrize("kind", [SleeveKind.SET_IN, SleeveKind.DROPPED, SleeveKind.GATHERED_CAP])
@pytest.mark.parametrize("way", ["", "sleeve-in-the-flat", "dropped-sleeve"])
def test_sleeves_above_sides_that_are_told_apart_are_set_in_the_round(kind, way):
    """A zip or a pocket in one side leaves no run of side and sleeve in one on both hands."""
    zip_ = Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP)
    made = project(GarmentKind.TOP, sleeve=Sleeve(kind), back=Side(), opening=zip_)
    choices = MakingChoices(techniques=(("armholes", way),) if way else ())
    compiled = compile_garment(made.pattern, "A", made.pattern.envelope.sizes[2], choices)
    graph_of(compiled.operations)
    assert any(op.technique == "set-in sleeve" for op in compiled.operations)
    assert bool(compiled.gaps) == bool(way), "another way is said not to be possible"


# ---------------------------------------------------------------- flies that button

JEANS = {"back": Side(Centre.SEAM, (Shaping.YOKE,)), "waist": Waist.WAISTBAND}


@pytest.mark.parametrize(("count", "in_strip"), [(None, 4), (6, 5), (2, 1)])
def test_a_fly_that_buttons_has_its_holes_in_a_strip_and_one_in_the_band(count, in_strip):
    made = project(GarmentKind.TROUSERS, **JEANS, opening=Opening(Where.FRONT, OpeningKind.BUTTONS, count=count))
    pattern, size = made.pattern, made.choices.size
    assert not made.gaps
    holes = [q for q in pattern.piece("fly-strip").points if q.kind is PointKind.BUTTONHOLE]
    assert len(holes) == in_strip
    assert needs_buttons(pattern, size) == in_strip + 1
    for one in pattern.envelope.sizes:
        strip = Polygon([p for chain in pattern.piece("fly-strip").shapes[one].edges.values() for p in flatten(chain)])
        assert all(strip.contains(Point(q.at[one]).buffer(10.0)) for q in holes)
    assert f"{in_strip} of them" in told(made, "holes-opening") and "One. Length" in told(
        made, "buttonholes-band-button"
    )


def test_a_fly_that_buttons_is_sewn_flat_and_buttoned_before_the_legs_are_closed():
    made = project(GarmentKind.TROUSERS, **JEANS, opening=Opening(Where.FRONT, OpeningKind.BUTTONS))
    assert before(made, "strip-opening", "holes-opening", "extensions-opening", "baste-opening")
    assert before(made, "baste-opening", "lap-opening", "underlap-opening", "buttons-opening")
    assert before(made, "buttons-opening", "sew-inseams", "sew-waist", "buttonholes-band-button")
    assert "zip" not in " ".join(told(made, id) for id in order(made) if id.endswith("-opening"))


@pytest.mark.parametrize("kind", [OpeningKind.BUTTONS, OpeningKind.FLY_ZIP])
def test_a_fly_opens_as_far_whatever_closes_it(kind):
    opening = Opening(Where.FRONT, kind, length=190.0)
    pattern = project(GarmentKind.TROUSERS, **JEANS, opening=opening).pattern
    closure = next(c for c in pattern.making.closures if c.id == "opening")
    for size in pattern.envelope.sizes:
        assert opening_length(pattern, size, closure) == pytest.approx(190.0)
        assert chain_length(pattern.piece("fly-shield").shapes[size].edges["edge"]) == pytest.approx(205.0)


@pytest.mark.parametrize(
    ("length", "count", "told_"),
    [(80.0, 6, "room for 3"), (None, 12, "room for"), (None, 1, "one below that at least")],
)
def test_a_fly_has_no_more_buttons_than_it_has_room_for(length, count, told_):
    opening = Opening(Where.FRONT, OpeningKind.BUTTONS, length=length, count=count)
    with pytest.raises(DescriptionRefused) as refused:
        project(GarmentKind.TROUSERS, **JEANS, opening=opening)
    assert [(r.field, told_ in r.why) for r in refused.value.refusals] == [("features.opening.count", True)]


@pytest.mark.parametrize("length", [20.0, 45.0, 60.0, 100.0, 170.0, 260.0])
def test_the_buttons_of_a_fly_stand_apart_and_above_its_end(length):
    opening = Opening(Where.FRONT, OpeningKind.BUTTONS, length=length)
    pattern = project(GarmentKind.TROUSERS, **JEANS, opening=opening).pattern
    for size in pattern.envelope.sizes:
        down = [q.at[size][0] for q in pattern.piece("fly-strip").points]
        assert down and all(b - a >= 25.0 - 0.1 for a, b in pairwise(down))
        assert len(down) == 1 or down[-1] <= length - 15.0


def test_a_keyhole_buttonhole_lies_in_a_waistband_as_any_other_does():
    """Along the band at its end, not across as on a front."""
    made = project(GarmentKind.TROUSERS, **JEANS, opening=Opening(Where.FRONT, OpeningKind.BUTTONS))
    way = next(way for way in made.ways if any(other.id == "keyhole-buttonholes" for other in way.others))
    sewn = made.sewn_with(way.id, "keyhole-buttonholes")
    said = " ".join(next(op for op in sewn.steps if op.technique == "keyhole buttonholes").how)
    assert "lies along the waistband" in said and "lie across" not in said and "The eye lies at the end" in said


def test_a_pocket_in_the_side_of_a_short_jacket_is_refused_at_its_field():
    """It was refused of the features as a whole, by the name of a mark."""
    short = Description(
        "Short jacket",
        GarmentKind.JACKET,
        cloth=Structure.KNIT,
        sizes=("10", "12"),
        finished={"length": {"10": 330.0, "12": 330.0}},
        features=Features(sleeve=Sleeve(), pockets=(Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE),)),
    )
    with pytest.raises(DescriptionRefused) as told:
        compose(short)
    assert [one.field for one in told.value.refusals] == ["features.pockets.0"]
    assert "ends too soon" in str(told.value)
