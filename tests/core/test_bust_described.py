"""A full or a small bust adjusted on described fronts: what a fitter would measure afterwards (common practice, no
source). Outlines are checked with Shapely."""

import math
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.bust import has_bust
from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.base.units import Units
from rowanseed.core.choices import Decisions, FitChoices
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Figure, Neck, Opening, Pocket, Side, Sleeve
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    Centre,
    FacedEdge,
    GarmentKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    Waist,
    Where,
)
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.seamline import lines, mark_distance, seam_length
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project

from .descriptions import descriptions, mended
from .test_alter import middle
from .test_make import faults

NEAR = 1.0
"""An altered seam meets within so much of before, in mm: pins take that in."""
ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0)
FITTED = {"back": Side(Centre.SEAM, (Shaping.WAIST_DART,)), "opening": ZIP}


def front(*shaping):
    return {"front": Side(shaping=shaping)}


GARMENTS = {
    "bust dart": {**FITTED, **front(Shaping.BUST_DART)},
    "no dart": {**FITTED, **front()},
    "double-ended darts": {**FITTED, **front(Shaping.WAIST_DART)},
    "waist seam and darts": {**FITTED, **front(Shaping.BUST_DART, Shaping.WAIST_DART), "waist": Waist.SEAM},
    "waist seam without a dart": {**FITTED, **front(Shaping.BUST_DART), "waist": Waist.SEAM},
    "princess from the armhole": {**FITTED, **front(Shaping.PRINCESS_ARMHOLE), "waist": Waist.SEAM},
    "princess from the shoulder": {**FITTED, **front(Shaping.PRINCESS_SHOULDER)},
    "yoke": {**FITTED, **front(Shaping.YOKE)},
    "sleeve in two": {**FITTED, **front(Shaping.BUST_DART), "sleeve": Sleeve(pieces=2)},
    "armholes faced": {
        **FITTED,
        **front(Shaping.BUST_DART),
        "armhole": ArmholeFinish.FACING,
        "facing": frozenset({FacedEdge.ARMHOLE}),
    },
    "open front": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART,)),
        "opening": Opening(Where.FRONT, OpeningKind.BUTTONS),
        "neck": Neck(NeckShape.ROUND, NeckFinish.FACING),
        "facing": frozenset({FacedEdge.FRONT}),
        "sleeve": Sleeve(),
    },
}


def pattern_of(features, figure=Figure.WOMEN):
    return compose(
        Description(name="Fitted", garment=GarmentKind.DRESS, figure=figure, features=Features(**features))
    ).pattern


@pytest.fixture(params=GARMENTS.values(), ids=GARMENTS)
def pattern(request):
    return pattern_of(request.param)


def adjusted(pattern, by):
    return carry_out(pattern, middle(pattern), (Alteration("bust", by),)).pattern


def holds(pattern, by):
    """The bust grows by what was asked, and nothing that is sewn to another part comes apart."""
    size = middle(pattern)
    before = {w.join.id: w.fault for w in walk(pattern, size)}
    after = adjusted(pattern, by)
    found = changes(pattern, after, size, pattern.envelope.views[0].id)
    assert found["bust"] == pytest.approx(by, abs=0.02 * abs(by))
    for w in walk(after, size):
        assert abs(w.fault - before[w.join.id]) <= max(NEAR, 0.025 * abs(by)), (w.join.id, w.fault)
    for piece in after.pieces:
        assert Polygon(lines(piece, size).cutting_ring()).is_valid, piece.id
    return after, found


@pytest.mark.parametrize("by", [18.0, 60.0])
def test_the_bust_grows_by_what_was_asked_and_every_seam_still_meets(pattern, by):
    after, found = holds(pattern, by)
    size = middle(pattern)
    for was in pattern.pieces:
        for edge in ("shoulder", "neck"):
            if was.has_edge(edge):
                now = seam_length(after.piece(was.id), size, edge)
                # A neck over lapels and a facing's may reach below the bust; a shoulder never does.
                assert now == pytest.approx(seam_length(was, size, edge), abs=0.05), (was.id, edge)
    if any(p.id.startswith("skirt-") for p in pattern.pieces):
        assert abs(found.get("waist", 0.0)) < 0.5


def intake(pattern, dart):
    size, piece = middle(pattern), pattern.piece("front")
    (found,) = (d for d in piece.darts if d.edge == dart)
    one, other = (mark_distance(piece, size, piece.mark(leg)) for leg in found.legs)
    return abs(other - one), found.point[size]


def test_at_a_waist_seam_the_dart_takes_up_what_was_let_in():
    darted = pattern_of(GARMENTS["waist seam and darts"])
    (was, before), (now, point) = intake(darted, "waist"), intake(adjusted(darted, 40.0), "waist")
    assert now - was == pytest.approx(20.0, abs=0.05)
    assert point[0] > before[0]
    plain = adjusted(pattern_of(GARMENTS["waist seam without a dart"]), 40.0)
    made, point = intake(plain, "waist")
    assert made == pytest.approx(20.0, abs=0.05)
    apex = next(p.at[middle(plain)] for p in plain.piece("front").points if p.kind is PointKind.BUST)
    assert point == pytest.approx((apex[0] + 25.0, apex[1]), abs=0.05)


def test_a_new_waist_dart_is_sewn_before_the_waist_and_told_on_the_tissue():
    pattern = pattern_of(GARMENTS["waist seam without a dart"])
    size = middle(pattern)
    alteration = Alteration("bust", 40.0)
    body = {name: row[size] for name, row in pattern.envelope.body_chart.items()}
    cloth = Cloth(name="Linen", width=1450.0, length=None, selvedge=10.0, direction=Direction.TWO_WAY)
    made = Project(
        pattern,
        body,
        Decisions("A", size, fit=FitChoices(alterations=(alteration,))),
        dict.fromkeys(pattern.roles("A"), cloth),
    )
    ids = [op.id for op in made.steps]
    assert ids.index("darts-front") < next(k for k, op in enumerate(made.steps) if "waist" in op.on.joins)
    assert faults(made.garment, size, made.steps) == []
    (step,) = made.altered.steps
    told = " ".join(sheet(step, Units.METRIC, size).steps)
    assert "from the waist straight up to the bust point" in told
    assert "Sew the gap at the waist, 2 cm wide, as a dart" in told


def test_a_small_bust_needs_darts_to_be_made_smaller():
    smaller = adjusted(pattern_of(GARMENTS["waist seam and darts"]), -16.0)
    was, now = (intake(p, "waist")[0] for p in (pattern_of(GARMENTS["waist seam and darts"]), smaller))
    assert was - now == pytest.approx(8.0, abs=0.05)
    for name, words in (("no dart", "no bust dart"), ("waist seam without a dart", "no waist dart")):
        with pytest.raises(AlterationError, match=words):
            adjusted(pattern_of(GARMENTS[name]), -16.0)


def test_a_facing_of_the_armhole_runs_as_the_armhole_does():
    pattern = pattern_of(GARMENTS["armholes faced"])
    size, after = middle(pattern), adjusted(pattern, 50.0)
    (facing,) = (p for p in after.pieces if p.id.startswith("front") and "facing" in p.id and p.has_edge("armhole"))
    own, faced = (LineString(lines(p, size).seam["armhole"]) for p in (after.piece("front"), facing))
    assert own.hausdorff_distance(faced) < 0.05
    before = pattern.piece(facing.id)
    assert Polygon(lines(facing, size).seam_ring()).area == pytest.approx(
        Polygon(lines(before, size).seam_ring()).area, rel=0.15
    )


def test_a_pocket_keeps_its_width_where_the_slash_runs_through_it():
    hip = Pocket(PocketKind.PATCH, PocketPlace.FRONT)
    pattern = pattern_of({**GARMENTS["bust dart"], "pockets": (hip,)})
    size = middle(pattern)

    def corners(of):
        return [p.at[size] for p in of.piece("front").points if p.kind is PointKind.POCKET]

    was, now = corners(pattern), corners(adjusted(pattern, 50.0))
    assert math.dist(*was[:2]) == pytest.approx(math.dist(*now[:2]), abs=0.01)
    assert was != now


def test_what_a_body_measures_is_counted_on_an_interlined_garment_too():
    plain, backed = (pattern_of({**GARMENTS["bust dart"], "interlining": told}) for told in (False, True))
    size = middle(plain)
    found = [changes(p, adjusted(p, 30.0), size, "A") for p in (plain, backed)]
    assert found[0] == found[1]
    assert found[1]["bust"] == pytest.approx(30.0, abs=0.6)


@pytest.mark.parametrize("figure", [Figure.MEN, Figure.CHILDREN])
def test_only_a_womans_front_has_a_bust_point(figure):
    pattern = pattern_of(GARMENTS["bust dart"] | {"front": Side()}, figure)
    assert not has_bust(pattern, middle(pattern))
    with pytest.raises(AlterationError, match="marks the bust point"):
        adjusted(pattern, 20.0)


FRONTS = [
    *((), (Shaping.BUST_DART,), (Shaping.WAIST_DART,), (Shaping.BUST_DART, Shaping.WAIST_DART), (Shaping.YOKE,)),
    *((Shaping.PRINCESS_ARMHOLE,), (Shaping.PRINCESS_SHOULDER,), (Shaping.SQUARE_YOKE,)),
    (Shaping.SHOULDER_TUCK_LEFT, Shaping.BUST_DART),
]
adults = (
    st.builds(
        lambda of, garment, shaping, waist: replace(
            of,
            garment=garment,
            figure=Figure.WOMEN,
            features=replace(of.features, front=replace(of.features.front, shaping=shaping), waist=waist),
        ),
        descriptions,
        st.sampled_from([kind for kind in GarmentKind if kind.has_bodice]),
        st.sampled_from(FRONTS),
        st.sampled_from([None, Waist.SEAM, Waist.ELASTIC_CASING, Waist.PLAIN_BAND]),
    )
    .map(mended)
    .filter(lambda found: found is not None)
)


@given(description=adults, by=st.sampled_from([15.0, 40.0, 70.0]))
@settings(max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
def test_any_described_bust_is_adjusted_by_what_was_asked(description, by):
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    if has_bust(pattern, middle(pattern)):
        holds(pattern, by)
