"""Alterations of described garments: what lies on a piece, beside it or in its armhole goes along."""

import re
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, Phase, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.alter.length import printed_lines
from rowanseed.core.alter.seam import takeable
from rowanseed.core.alter.seam_run import levels_crossed
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.base.units import Units
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Lining, Neck, Opening, Pocket, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    FacedEdge,
    GarmentKind,
    LiningMethod,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveKind,
    Waist,
    Where,
)
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.seamline import mark_distance, seam_length
from rowanseed.core.pattern.walk import SeamVerdict, fault, walk
from rowanseed.core.sizing.schools import Choosing, School, proposals

from .descriptions import whole_ones
from .test_alter import every, middle

NEAR = 1.0
"""An altered seam meets within so much of before, in mm: pins take that in."""
OPEN = {"opening": Opening(Where.FRONT, OpeningKind.BUTTONS)}
DARTED, PRINCESS = (Side(Centre.OPEN, (shape,)) for shape in (Shaping.BUST_DART, Shaping.PRINCESS_ARMHOLE))
GARMENTS = {
    "faced in one": {
        "front": DARTED,
        "neck": Neck(NeckShape.ROUND, NeckFinish.FACING),
        "facing": frozenset({FacedEdge.FRONT}),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
    "lapels on princess seams": {
        "front": PRINCESS,
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        "neck": Neck(NeckShape.V, NeckFinish.COLLAR),
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(SleeveKind.SET_IN, pieces=2),
    },
    "bagged": {
        "front": DARTED,
        "neck": Neck(NeckShape.ROUND, NeckFinish.LINING),
        "lining": Lining(method=LiningMethod.BAGGED),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
    "a plain yoke": {
        "front": DARTED,
        "back": Side(Centre.FOLD, (Shaping.YOKE,)),
        "neck": Neck(NeckShape.ROUND, NeckFinish.BIAS_BINDING),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
}


def garment(name):
    features = Features(**{**OPEN, **GARMENTS[name]})
    return compose(Description(name="Jacket", garment=GarmentKind.JACKET, features=features)).pattern


@pytest.mark.parametrize("name", GARMENTS)
def test_facings_linings_panels_and_sleeves_follow_every_alteration(name):
    """Two shoulders and a side may part by what an alteration of one of them does; nothing that is sewn on may."""
    pattern = garment(name)
    size = middle(pattern)
    faults = {w.join.id: w.fault for w in walk(pattern, size)}
    layers = {x.piece for x in pattern.making.layers if x.kind in (LayerKind.FACING, LayerKind.LINING)}
    tried = 0
    for by in (12.0, -12.0):
        for alteration in every(pattern, size, by):
            try:
                altered = carry_out(pattern, size, (alteration,)).pattern
            except AlterationError:
                continue
            tried += 1
            off = {w.join.id: abs(w.fault - faults[w.join.id]) for w in walk(altered, size)}
            for join in altered.making.joins:
                pieces = {p.piece for p in (*join.a, *join.b)}
                twin = off.get(join.id.removeprefix("lining-"), 0.0) if pieces <= layers else 0.0
                followers = pieces & layers or join.id.startswith(("armholes", "princess", "sleeve-", "yoke"))
                assert not followers or off[join.id] <= max(NEAR, twin + 0.1), (alteration, join.id, off[join.id])
    assert tried > 20


def test_a_shorter_view_shortens_a_facing_in_one_with_its_neck_only_below():
    pattern = garment("faced in one")
    size = middle(pattern)
    (hem,) = (kind for kind in offered(pattern, size) if kind.id == "hem")
    shorter = next(a for a in every(pattern, size, -80.0) if a.kind == hem.id)
    altered = carry_out(pattern, size, (shorter,)).pattern
    for edge, by in (("opening", -80.0), ("inner", -80.0), ("neck", 0.0), ("shoulder", 0.0)):
        before, after = (
            sum(s.length() for s in one.piece("front-opening-facing").shapes[size].edges[edge])
            for one in (pattern, altered)
        )
        assert after - before == pytest.approx(by, abs=0.5), edge


@pytest.mark.slow
@given(description=whole_ones)
@settings(phases=(Phase.generate,), max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
def test_an_alteration_of_any_described_garment_is_made_or_refused_in_words(description):
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    size = middle(pattern)
    for by in (15.0, -15.0):
        for alteration in every(pattern, size, by):
            try:
                carry_out(pattern, size, (alteration,))
            except AlterationError as refused:
                assert str(refused)


# ---------------------------------------------------------------- a side seam, wherever it is cut in two

ZIP, LONG_ZIP = (Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, long) for long in (200.0, 560.0))
SLANT = (Pocket(PocketKind.SLANT, PocketPlace.FRONT),)
DARTS = {
    "front": Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART)),
    "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
    "opening": LONG_ZIP,
    "waist": Waist.SEAM,
}
SIDED = {
    "trousers with slant pockets": (
        GarmentKind.TROUSERS,
        {"opening": Opening(Where.FRONT, OpeningKind.FLY_ZIP, 160.0), "waist": Waist.WAISTBAND, "pockets": SLANT},
    ),
    "skirt with slant pockets": (
        GarmentKind.SKIRT,
        {"back": Side(Centre.SEAM), "opening": ZIP, "waist": Waist.WAISTBAND, "pockets": SLANT},
    ),
    "dress": (GarmentKind.DRESS, {**DARTS, "skirt": Skirt(SkirtKind.A_LINE)}),
    "dress with gores": (GarmentKind.DRESS, {**DARTS, "skirt": Skirt(SkirtKind.GORED, panels=6)}),
    "dress with a zip in its side": (
        GarmentKind.DRESS,
        {
            **DARTS,
            "back": Side(shaping=(Shaping.WAIST_DART,)),
            "neck": Neck(NeckShape.SCOOP, NeckFinish.FACING),
            "opening": Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP, 360.0),
            "skirt": Skirt(SkirtKind.STRAIGHT),
        },
    ),
    "dress with a gathered skirt": (GarmentKind.DRESS, {**DARTS, "skirt": Skirt(SkirtKind.GATHERED)}),
}


def sided(name):
    kind, features = SIDED[name]
    return compose(Description(name=name, garment=kind, features=Features(**features))).pattern


@pytest.mark.parametrize("by", [14.0, -14.0])
@pytest.mark.parametrize("name", SIDED)
def test_what_is_asked_at_a_side_is_what_the_garment_changes_by_and_the_waist_still_meets(name, by):
    pattern = sided(name)
    size = middle(pattern)
    sides = takeable(pattern)[0]
    assert sides.id.startswith(("sides", "outseams"))
    for level in ("", *levels_crossed(pattern, size, sides)):
        altered = carry_out(pattern, size, (Alteration("seam", by, sides.id, level),)).pattern
        found = changes(pattern, altered, size, pattern.envelope.views[0].id)
        for measure in [level] if level else levels_crossed(pattern, size, sides):
            assert found[measure] == pytest.approx(by, abs=0.4), (level, found)
        apart = [w.join.id for w in walk(altered, size) if w.verdict is SeamVerdict.APART]
        assert apart == [], (level, apart)


def test_a_change_of_the_side_above_the_waist_is_told_for_the_side_below_it_too():
    pattern = sided("dress")
    size = middle(pattern)
    for level, told in (("waist", True), ("bust", False)):
        (step,) = carry_out(pattern, size, (Alteration("seam", -14.0, "sides", level),)).steps
        said = any("Do the same at the skirt" in line for line in sheet(step, Units.METRIC, size).steps)
        assert said is told, level


def test_gathers_take_up_what_a_bodice_was_altered_by_and_no_more_than_that():
    pattern = sided("dress with a gathered skirt")
    size = middle(pattern)
    for by, verdict in ((14.0, SeamVerdict.DRAWN_UP), (160.0, SeamVerdict.APART)):
        altered = carry_out(pattern, size, (Alteration("seam", by, "sides", ""),)).pattern
        assert next(w.verdict for w in walk(altered, size) if w.join.id == "waist") is verdict


@pytest.mark.parametrize("name", ["trousers with slant pockets", "skirt with slant pockets"])
def test_a_slant_pocket_goes_along_with_its_front(name):
    pattern = sided(name)
    size = middle(pattern)
    for by in (12.0, -12.0):
        for alteration in every(pattern, size, by):
            altered = carry_out(pattern, size, (alteration,)).pattern
            for w in walk(altered, size):
                assert w.verdict is not SeamVerdict.APART, (alteration, w.join.id, w.fault)


@pytest.mark.parametrize(
    ("garment", "features", "kinds"),
    [
        (*SIDED["trousers with slant pockets"], {"full-abdomen", "sway-back", "full-seat", "crotch-length", "length"}),
        (
            GarmentKind.SKIRT,
            {"skirt": Skirt(SkirtKind.GORED, panels=6), "opening": ZIP, "back": Side(Centre.SEAM)},
            {"full-abdomen", "sway-back", "full-seat", "length", "seam", "hem"},
        ),
        (
            GarmentKind.TOP,
            {"front": Side(Centre.OPEN), **OPEN, "sleeve": Sleeve()},
            {"full-abdomen", "sway-back", "length", "seam", "sleeve-width", "bust"},
        ),
    ],
    ids=["trousers", "gores", "loose shirt"],
)
def test_a_described_garment_is_altered_in_every_way_its_kind_bears(garment, features, kinds):
    pattern = compose(Description(name="x", garment=garment, features=Features(**features))).pattern
    assert kinds <= {kind.id for kind in offered(pattern, middle(pattern))}


@pytest.mark.parametrize(
    ("kind", "piece", "sense"),
    [("sway-back", "back", -1), ("full-abdomen", "front", 1), ("full-seat", "skirt-back", 1)],
)
@pytest.mark.parametrize("name", ["dress", "dress with gores", "dress with a gathered skirt"])
def test_a_wedge_at_a_waist_seam_is_as_deep_as_was_asked(name, kind, piece, sense):
    pattern = sided(name)
    size = middle(pattern)
    if kind == "full-seat" and "gathered" in name:
        assert kind not in {one.id for one in offered(pattern, size)}
        return
    for by in (16.0, -16.0):
        (step,) = carry_out(pattern, size, (Alteration(kind, by),)).steps
        centre, side = (
            seam_length(step.after.piece(piece), size, edge) - seam_length(pattern.piece(piece), size, edge)
            for edge in ("centre", "side")
        )
        assert centre == pytest.approx(sense * by, abs=0.3)
        assert side == pytest.approx(0.0, abs=0.1) or name == "dress with gores"
        assert all(w.verdict is not SeamVerdict.APART for w in walk(step.after, size))
        edge = "across the back at the hip" if kind == "full-seat" else "edge at the waist"
        assert edge in " ".join(sheet(step, Units.METRIC, size).steps)
    for by in (40.0, -40.0):
        now = carry_out(pattern, size, (Alteration(kind, by),)).pattern
        assert all(abs(w.fault) <= NEAR for w in walk(now, size)), "aslant, the waist is as long as it was"


def dart_intake(pattern, size):
    front = pattern.piece("front")
    dart = next(d for d in front.darts if d.edge == "side")
    one, other = (mark_distance(front, size, front.mark(leg)) for leg in dart.legs)
    return abs(other - one)


def test_a_lowered_armhole_or_a_sloping_shoulder_leaves_the_bust_dart_and_the_bust_as_they_are():
    pattern = sided("dress")
    size = middle(pattern)
    for kind in ("armhole-depth", "shoulder-slope"):
        altered = carry_out(pattern, size, (Alteration(kind, 15.0),)).pattern
        was, now = (dart_intake(one, size) for one in (pattern, altered))
        assert now == pytest.approx(was, abs=0.1), kind
        before, after = (
            seam_length(one.piece("front"), size, "side") - seam_length(one.piece("back"), size, "side")
            for one in (pattern, altered)
        )
        assert after == pytest.approx(before, abs=0.3), kind
        assert "bust" not in changes(pattern, altered, size, "A"), kind


@pytest.mark.parametrize("name", ["dress", "dress with gores", "trousers with slant pockets"])
def test_a_described_garment_is_shortened_at_every_line_that_is_printed(name):
    pattern = sided(name)
    size = middle(pattern)
    for line in printed_lines(pattern):
        for by in (-25.0, 25.0):
            altered = carry_out(pattern, size, (Alteration("length", by, line),)).pattern
            assert changes(pattern, altered, size, "A")["length"] == pytest.approx(by, abs=0.3), line
            assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, size))


@pytest.mark.parametrize("figure", [Figure.WOMEN, Figure.CHILDREN])
@pytest.mark.parametrize("sleeve", [None, SleeveKind.SET_IN, SleeveKind.DROPPED, SleeveKind.RAGLAN])
def test_a_body_made_longer_or_shorter_leaves_bust_darts_and_armholes_as_they_are(sleeve, figure):
    """Front and back keep walking, whatever lies near the printed line on one of them."""
    shaping = (Shaping.BUST_DART,) if figure is Figure.WOMEN else ()
    features = {"front": Side(shaping=shaping), "neck": Neck(NeckShape.SCOOP, NeckFinish.BIAS_BINDING)}
    if sleeve is not None:
        features["sleeve"] = Sleeve(sleeve)
    described = Description(name="x", garment=GarmentKind.TOP, figure=figure, features=Features(**features))
    pattern = compose(described).pattern
    for size in (pattern.envelope.sizes[0], pattern.envelope.sizes[-1]):
        for by in (50.0, -50.0):
            altered = carry_out(pattern, size, (Alteration("length", by, "body-length"),)).pattern
            assert all(abs(w.fault) <= NEAR for w in walk(altered, size)), (size, by)
            if shaping:
                assert dart_intake(altered, size) == pytest.approx(dart_intake(pattern, size), abs=0.3)


@pytest.mark.parametrize("kind", [SkirtKind.GATHERED, SkirtKind.KNIFE_PLEATS, SkirtKind.BOX_PLEATS])
def test_a_band_keeps_its_measure_whatever_is_drawn_up_to_it(kind):
    features = {"back": Side(Centre.SEAM), "opening": ZIP, "waist": Waist.WAISTBAND, "skirt": Skirt(kind)}
    pattern = compose(Description(name="x", garment=GarmentKind.SKIRT, features=Features(**features))).pattern
    size = middle(pattern)
    for by in (15.0, -15.0):
        for alteration in every(pattern, size, by):
            altered = carry_out(pattern, size, (alteration,)).pattern
            band = altered.piece("waistband")
            asked = alteration.kind == "straight-width" and alteration.at == "waistband"
            assert asked or band.shapes[size] == pattern.piece("waistband").shapes[size], alteration
            assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, size)), alteration


def test_centre_seams_go_on_across_a_waist_seam():
    pattern = sided("dress")
    size = middle(pattern)
    for by in (10.0, -10.0):
        altered = carry_out(pattern, size, (Alteration("seam", by, "centre-back", ""),)).pattern
        assert changes(pattern, altered, size, "A")["waist"] == pytest.approx(by, abs=0.3)
        assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, size))


def test_a_shoulder_that_a_princess_seam_cuts_in_two_is_altered_as_one():
    features = {**DARTS, "front": Side(shaping=(Shaping.PRINCESS_SHOULDER,)), "neck": Neck(finish=NeckFinish.FACING)}
    pattern = compose(Description(name="x", garment=GarmentKind.DRESS, features=Features(**features))).pattern
    size = middle(pattern)
    for kind in ("shoulder-width", "shoulder-slope"):
        for by in (12.0, -12.0):
            altered = carry_out(pattern, size, (Alteration(kind, by),)).pattern
            assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, size)), (kind, by)


@pytest.mark.parametrize("shape", [Shaping.PRINCESS_SHOULDER, Shaping.PRINCESS_ARMHOLE])
def test_a_princess_or_a_centre_seam_taken_in_leaves_the_seams_it_begins_in_as_they_were(shape):
    halves = {"front": Side(shaping=(shape,)), "back": Side(Centre.SEAM, shaping=(shape,))}
    features = {**halves, "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP), "waist": Waist.SEAM}
    pattern = compose(Description(name="x", garment=GarmentKind.DRESS, features=Features(**features))).pattern
    size = middle(pattern)
    for at in ("princess-front", "princess-back", "centre-back"):
        for level in ("", "bust"):
            for by in (20.0, -20.0):
                altered = carry_out(pattern, size, (Alteration("seam", by, at, level),)).pattern
                kept = {w.join.id: w for w in walk(altered, size)}
                assert abs(kept["shoulders"].fault) <= NEAR, (at, level)
                # Dying away along a slanting edge leaves its two sides a little unlike: that much is eased.
                assert kept[at].verdict is not SeamVerdict.APART
                if level:
                    assert abs(kept["waist"].fault) <= NEAR, at


def test_a_raglan_sleeve_goes_along_with_the_sides():
    features = {"sleeve": Sleeve(SleeveKind.RAGLAN), "neck": Neck(NeckShape.SCOOP, NeckFinish.BIAS_BINDING)}
    pattern = compose(Description(name="x", garment=GarmentKind.TOP, features=Features(**features))).pattern
    size = middle(pattern)
    for by in (16.0, -16.0):
        altered = carry_out(pattern, size, (Alteration("seam", by, "sides", ""),)).pattern
        assert all(abs(w.fault) <= NEAR for w in walk(altered, size))


def test_the_sleeve_of_a_robe_is_as_wide_as_its_lowered_armhole():
    pattern = compose(Description(name="x", garment=GarmentKind.ROBE)).pattern
    size = middle(pattern)
    for by in (15.0, -15.0):
        altered = carry_out(pattern, size, (Alteration("armhole-depth", by),)).pattern
        assert all(w.verdict is not SeamVerdict.APART for w in walk(altered, size))


@pytest.mark.parametrize("collar", [CollarKind.SHAWL, CollarKind.NOTCHED])
@pytest.mark.parametrize("back", [(), (Shaping.YOKE,), (Shaping.PRINCESS_SHOULDER,)])
@pytest.mark.parametrize(
    ("kind", "by", "at"), [("gaping-neck", 10.0, "back"), ("round-back", 20.0, ""), ("seam", -20.0, "centre-back")]
)
def test_a_collar_with_lapels_goes_round_a_back_neck_that_is_altered(collar, back, kind, by, at):
    features = Features(
        front=Side(Centre.OPEN),
        back=Side(Centre.SEAM, back),
        collar=collar,
        sleeve=Sleeve(),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS, count=3),
    )
    pattern = compose(Description(name="x", garment=GarmentKind.COAT, features=features)).pattern
    size = middle(pattern)
    done = carry_out(pattern, size, (Alteration(kind, by, at),))
    for found in walk(done.pattern, size):
        if found.join.id in ("shoulders", "facing-shoulders", "collar-neck", "neck"):
            assert abs(found.fault) <= NEAR, found.join.id
    if kind == "seam":
        # The neck keeps its length: above the bust the change dies away, and the tissue says so.
        assert "to nothing at the upper end" in " ".join(sheet(done.steps[0], Units.METRIC, size).steps)
        (was, now) = (
            seam_length(p.piece("back-yoke" if back == (Shaping.YOKE,) else "back"), size, "neck")
            for p in (pattern, done.pattern)
        )
        assert now == pytest.approx(was, abs=0.1)


@pytest.mark.parametrize("by", [20.0, -12.0, -20.0])
@pytest.mark.parametrize("figure", Figure)
def test_a_dropped_sleeve_fits_its_armhole_however_that_is_lowered_or_raised(figure, by):
    """Its cap is hardly higher than that: raised, it is made narrower and never turned inside out."""
    features = Features(front=Side(shaping=(Shaping.BUST_DART,)), sleeve=Sleeve(SleeveKind.DROPPED))
    pattern = compose(Description(name="x", garment=GarmentKind.JACKET, figure=figure, features=features)).pattern
    size = middle(pattern)
    done = carry_out(pattern, size, (Alteration("armhole-depth", by),))
    assert all(abs(w.fault) <= NEAR for w in walk(done.pattern, size))
    was, now = (seam_length(p.piece("sleeve"), size, "wrist") for p in (pattern, done.pattern))
    assert now == pytest.approx(was, abs=0.1)
    told = " ".join(sheet(done.steps[0], Units.METRIC, size).steps)
    # A child's cap is the lowest: the others have some to give.
    assert ("narrower" in told) == (by < 0) or figure is not Figure.CHILDREN


@pytest.mark.parametrize("by", [12.0, 35.0, 60.0])
@pytest.mark.parametrize("figure", Figure)
def test_a_dropped_sleeve_is_widened_as_far_as_its_cap_allows(figure, by):
    features = Features(front=Side(shaping=(Shaping.BUST_DART,)), sleeve=Sleeve(SleeveKind.DROPPED))
    pattern = compose(Description(name="x", garment=GarmentKind.JACKET, figure=figure, features=features)).pattern
    size = middle(pattern)
    try:
        altered = carry_out(pattern, size, (Alteration("sleeve-width", by),)).pattern
    except AlterationError as refused:
        assert "too low" in refused.problem and "armhole" in refused.remedy
        return
    assert all(abs(w.fault) <= NEAR for w in walk(altered, size))


def test_tucks_on_a_shoulder_keep_their_depth_when_it_is_made_broader():
    features = {"front": Side(shaping=(Shaping.TUCKS,)), "back": Side(shaping=(Shaping.SHOULDER_DART,))}
    described = Features(**features, neck=Neck(NeckShape.SCOOP, NeckFinish.FACING))
    pattern = compose(Description(name="x", garment=GarmentKind.TOP, features=described)).pattern
    size = middle(pattern)
    for by in (12.0, -12.0):
        altered = carry_out(pattern, size, (Alteration("shoulder-width", by),)).pattern
        for name in ("front", "back"):
            was, now = (
                [mark_distance(p, size, m) for m in p.marks if m.edge == "shoulder"]
                for p in (pattern.piece(name), altered.piece(name))
            )
            deep = [[abs(b - a) for a, b in batched(found)] for found in (was, now)]
            assert deep[1] == pytest.approx(deep[0], abs=0.1)
            grown = seam_length(altered.piece(name), size, "shoulder") - seam_length(
                pattern.piece(name), size, "shoulder"
            )
            assert grown == pytest.approx(by, abs=0.2)


@pytest.mark.parametrize("by", [20.0, -20.0])
@pytest.mark.parametrize("kind", ["shoulder-pads", "shoulder-slope", "forward-shoulder"])
@pytest.mark.parametrize("shaping", [Shaping.TUCKS, Shaping.SHOULDER_DART, Shaping.PRINCESS_SHOULDER])
def test_shoulders_that_turn_keep_their_length_whatever_they_take_in(shaping, kind, by):
    """The rise of what tucks take in was reckoned into the slope: front and back came apart by up to 3 mm."""
    if kind == "shoulder-pads" and by < 0:
        return
    front = Side(Centre.OPEN, (shaping,) if shaping is Shaping.TUCKS else ())
    features = Features(
        front=front,
        back=Side(shaping=(Shaping.PRINCESS_SHOULDER if shaping is Shaping.TUCKS else shaping,)),
        opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
    )
    pattern = compose(Description(name="x", garment=GarmentKind.TOP, features=features)).pattern
    size = middle(pattern)
    altered = carry_out(pattern, size, (Alteration(kind, by),)).pattern
    (shoulders,) = (join for join in pattern.making.joins if join.id == "shoulders")
    assert fault(altered, size, shoulders) == pytest.approx(fault(pattern, size, shoulders), abs=0.3)


def batched(found):
    """Two by two: the legs of one fold after the other."""
    return zip(found[::2], found[1::2], strict=True)


def test_a_dress_too_small_at_the_hip_is_let_out_at_the_skirts_side_seams():
    pattern = sided("dress")
    chart = {measure: row[pattern.envelope.sizes[-1]] for measure, row in pattern.envelope.body_chart.items()}
    choosing = Choosing(body={**chart, "hip": chart["hip"] + 110.0}, pattern=pattern, view="A")
    found = {p.school: p for p in proposals(choosing)}[School.CHART]
    (asked,) = [a for a in found.alterations if a.level == "hip"]
    assert asked.at == "skirt-sides"
    altered = carry_out(pattern, pattern.envelope.sizes[-1], (asked,)).pattern
    assert changes(pattern, altered, pattern.envelope.sizes[-1], "A")["hip"] == pytest.approx(asked.by, abs=0.5)


@pytest.mark.parametrize("name", SIDED)
def test_every_alteration_is_called_by_a_name_of_its_own_and_no_word_stands_twice(name):
    pattern = sided(name)
    size = middle(pattern)
    words = [place.words for kind in offered(pattern, size) for place in kind.places_on(pattern, size)]
    assert len(set(words)) == len(words)
    assert not [said for said in words if re.search(r"\b(\w+) \1\b", said.lower())]


@pytest.mark.parametrize("by", [14.0, -14.0])
def test_a_raglan_sleeve_made_wider_keeps_its_seams_to_front_and_back(by):
    sleeve = Sleeve(SleeveKind.RAGLAN)
    features = Features(back=Side(Centre.SEAM), opening=replace(LONG_ZIP, length=None), sleeve=sleeve)
    pattern = compose(Description(name="It", garment=GarmentKind.DRESS, features=features)).pattern
    size = middle(pattern)
    altered = carry_out(pattern, size, (Alteration("sleeve-width", by),)).pattern
    assert [w.join.id for w in walk(altered, size) if not w.walks] == []


@pytest.mark.parametrize("by", [40.0, -40.0])
@pytest.mark.parametrize("asked", [("seam", "sides"), ("sleeve-width", "")])
def test_both_seams_of_a_raglan_sleeve_and_its_facing_meet_whatever_is_altered(asked, by):
    """Raised for its front seam the sleeve no longer met at the back, and its facing was drawn out: by up to 2.4 mm."""
    features = Features(
        back=Side(Centre.SEAM),
        neck=Neck(NeckShape.ROUND, NeckFinish.FACING),
        opening=replace(LONG_ZIP, length=None),
        sleeve=Sleeve(SleeveKind.RAGLAN),
    )
    pattern = compose(Description(name="It", garment=GarmentKind.TOP, features=features)).pattern
    size = middle(pattern)
    altered = carry_out(pattern, size, (Alteration(asked[0], by, asked[1]),)).pattern
    was = {w.join.id: w.fault for w in walk(pattern, size)}
    raglan = [w for w in walk(altered, size) if "raglan" in w.join.id]
    assert len(raglan) == 4
    assert [(w.join.id, w.fault) for w in raglan if abs(w.fault - was[w.join.id]) > 0.3] == []


@pytest.mark.parametrize("by", [14.0, -14.0])
@pytest.mark.parametrize("garment", [GarmentKind.TROUSERS, GarmentKind.SKIRT])
def test_a_facing_of_which_one_half_lies_on_its_piece_meets_the_waist_whatever_the_sides_do(garment, by):
    """A half without a dart has its facing drawn on it, one with a dart has it by itself."""
    features = Features(front=Side(), back=Side(Centre.SEAM, (Shaping.WAIST_DART,)), opening=ZIP, waist=Waist.FACING)
    pattern = compose(Description(name="It", garment=garment, features=features)).pattern
    size = middle(pattern)
    sides = takeable(pattern)[0]
    altered = carry_out(pattern, size, (Alteration("seam", by, sides.id, ""),)).pattern
    assert [w.join.id for w in walk(altered, size) if not w.walks] == []


UPPERS = {
    "plain": {},
    "a yoke": {"back": Side(Centre.SEAM, (Shaping.YOKE,))},
    "princess seams from the shoulder": {
        "front": Side(shaping=(Shaping.PRINCESS_SHOULDER,)),
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_SHOULDER,)),
    },
    "a shoulder dart": {"back": Side(Centre.SEAM, (Shaping.SHOULDER_DART,))},
}


@pytest.mark.parametrize("by", [15.0, -15.0])
@pytest.mark.parametrize("kind", ["hollow-chest", "round-back"])
@pytest.mark.parametrize("name", UPPERS)
def test_length_over_the_chest_or_the_shoulder_blades_leaves_the_shoulders_as_long_as_they_were(name, kind, by):
    features = Features(**{"back": Side(Centre.SEAM), "opening": replace(LONG_ZIP, length=None), **UPPERS[name]})
    pattern = compose(Description(name="It", garment=GarmentKind.DRESS, features=features)).pattern
    size = middle(pattern)
    altered = carry_out(pattern, size, (Alteration(kind, by),)).pattern
    off = {w.join.id: w.fault for w in walk(altered, size)}
    assert abs(off["shoulders"]) < 0.3 and all(w.walks for w in walk(altered, size)), off
