"""A waist seam below the bust or on the hips: drafted there, told so, and never taken for the waist."""

from dataclasses import replace

import pytest

from rowanseed.core.alter.blend import blendable
from rowanseed.core.alter.kinds import offered
from rowanseed.core.choices import Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Lining, Opening, Pocket, Side, Skirt, Sleeve
from rowanseed.core.compose.figures import figures
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    FacedEdge,
    GarmentKind,
    LiningMethod,
    LiningOf,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveKind,
    Waist,
    WaistLevel,
    Where,
)
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.operation import Supply
from rowanseed.core.pattern.check import piece_faults
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.finished import girths
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.formats.description_json import compose_pattern, write_description

from .test_make import ordered

HIGH, NATURAL, DROPPED = WaistLevel.HIGH, WaistLevel.NATURAL, WaistLevel.DROPPED
MOVED = (HIGH, DROPPED)
FIGURES = (Figure.WOMEN, Figure.CHILDREN)


def dress(level, kind=SkirtKind.GATHERED, figure=Figure.WOMEN, shaping=(), **features):
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
    given = {"front": Side(Centre.FOLD, shaping), "back": Side(Centre.SEAM, shaping), "opening": zipped, **features}
    given = {"waist": Waist.SEAM, "waist_level": level, "skirt": Skirt(kind), **given}
    return Description(name="Described", garment=GarmentKind.DRESS, figure=figure, features=Features(**given))


def along(pattern, piece, edge, size):
    return chain_length(pattern.piece(piece).shapes[size].edges[edge])


@pytest.mark.parametrize("figure", FIGURES)
@pytest.mark.parametrize("kind", [SkirtKind.GATHERED, SkirtKind.A_LINE, SkirtKind.CIRCLE, SkirtKind.KNIFE_PLEATS])
def test_the_seam_lies_where_it_is_said_and_the_garment_stays_as_long(kind, figure):
    high, natural, dropped = (compose(dress(level, kind, figure)).pattern for level in (HIGH, NATURAL, DROPPED))
    for size in natural.envelope.sizes:
        seams = [along(p, "back", "centre", size) for p in (high, natural, dropped)]
        assert seams[0] < seams[1] - 35.0 and seams[1] + 40.0 < seams[2]
        whole = [
            long + along(p, "skirt-back", "centre", size)
            for long, p in zip(seams, (high, natural, dropped), strict=True)
        ]
        assert whole == pytest.approx([whole[1]] * 3, abs=0.5)
        for pattern in (high, dropped):
            assert all(w.walks for w in walk(pattern, size))


def test_a_high_seam_lies_below_the_bust_point_and_above_the_waist_in_every_size():
    description = dress(HIGH, shaping=(Shaping.WAIST_DART,))
    pattern = compose(description).pattern
    for size in figures(description).sizes:
        point = next(q for q in pattern.piece("front").points if q.id == "bust").at[size.name]
        foot = max(
            x for segment in pattern.piece("front").shapes[size.name].edges["waist"] for x, _ in segment.points()
        )
        assert 60.0 < foot - point[0] < 90.0, size.name
        assert size.seam + 40.0 <= size.back_waist
        # Round the ribs it is narrower than at the bust, and takes in with darts what the side alone would not.
        assert size.body_bust * 0.8 < size.waist < size.bust - 60.0


@pytest.mark.parametrize("level", MOVED)
def test_no_measure_of_it_is_called_the_waist(level):
    """A waist among the finished measures, or a level to alter and blend at, would be a false one."""
    pattern = compose(dress(level, SkirtKind.A_LINE)).pattern
    size = pattern.envelope.sizes[2]
    measured = girths(pattern, size, "A")
    round_it = 2 * (along(pattern, "front", "waist", size) + along(pattern, "back", "waist", size))
    assert "waist" not in measured and measured["seam"] == pytest.approx(round_it, abs=5.0)
    assert not any("waist" in row for row in pattern.envelope.finished.values())
    assert "waist" not in blendable(pattern, size)
    assert not any(p.line(LineKind.LEVEL, "waist") for p in pattern.pieces)
    assert {kind.id for kind in offered(pattern, size)}.isdisjoint({"sway-back", "full-abdomen"})
    natural = compose(dress(NATURAL, SkirtKind.A_LINE)).pattern
    assert "waist" in girths(natural, size, "A")


@pytest.mark.parametrize("level", MOVED)
def test_where_the_seam_lies_is_told_until_it_is_confirmed(level):
    assumed = compose(dress(level)).assumed
    assert "seam lies" in assumed["features.waist_level"]
    assert "finished.waist" not in assumed
    assert "times its seam" in assumed["features.skirt.fullness"]
    assert "features.waist_level" not in compose(dress(NATURAL)).assumed


@pytest.mark.parametrize("figure", FIGURES)
def test_a_hand_finds_its_pocket_at_the_waist_however_high_the_seam_is(figure):
    pocket = (Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE),)
    at = {}
    for level in (HIGH, NATURAL):
        description = dress(level, SkirtKind.GATHERED, figure, pockets=pocket)
        pattern = compose(description).pattern
        size = figures(description).sizes[1]
        side = pattern.piece("skirt-front")
        dots = [mark_distance(side, size.name, m) for m in side.marks if m.edge == "side" and "pocket" in m.id]
        at[level] = size.seam + along(pattern, "skirt-front", "side", size.name) - max(dots)
    assert at[HIGH] == pytest.approx(at[NATURAL], abs=1.0)


def test_elastic_at_a_high_seam_is_not_as_long_as_the_waist():
    def elastic(level):
        features = {"waist": Waist.ELASTIC_CASING, "opening": Opening(), "back": Side()}
        pattern = compose(dress(level, **features)).pattern
        ops = ordered(pattern, pattern.envelope.sizes[2], MakingChoices()).operations
        (use,) = [use for op in ops for use in op.uses if use.supply is Supply.ELASTIC]
        return use.mm, pattern.envelope.body_chart["waist"][pattern.envelope.sizes[2]]

    at_the_waist, waist = elastic(NATURAL)
    high, _ = elastic(HIGH)
    assert at_the_waist == pytest.approx(waist)
    assert high > waist + 50.0


@pytest.mark.parametrize(
    ("field", "features"),
    [
        ("features.waist_level", {"waist": Waist.NONE, "skirt": None}),
        ("features.waist_level", {"waist": Waist.PLAIN_BAND}),
        ("features.skirt.kind", {"skirt": Skirt(SkirtKind.GORED)}),
        ("features.sleeve.kind", {"sleeve": Sleeve(SleeveKind.CUT_IN_ONE), "opening": Opening(), "back": Side()}),
        ("features.front.shaping", {"front": Side(Centre.FOLD, (Shaping.YOKE, Shaping.GATHERS_UNDER_YOKE))}),
    ],
)
def test_what_a_high_seam_cannot_be_is_refused_at_its_field(field, features):
    with pytest.raises(DescriptionRefused) as refused:
        compose(dress(HIGH, **features))
    assert field in [one.field for one in refused.value.refusals]


def test_a_dropped_seam_hangs_straight():
    with pytest.raises(DescriptionRefused) as refused:
        compose(dress(DROPPED, shaping=(Shaping.WAIST_DART,)))
    assert {one.field for one in refused.value.refusals} >= {"features.front.shaping", "features.back.shaping"}
    pattern = compose(dress(DROPPED)).pattern
    for size in figures(dress(DROPPED)).sizes:
        round_it = 2 * (along(pattern, "front", "waist", size.name) + along(pattern, "back", "waist", size.name))
        assert size.bust - 1.0 <= round_it <= max(size.hip, size.bust) + 1.0


def test_a_document_says_where_the_seam_lies_and_reads_it_back():
    text = write_description(dress(HIGH))
    assert '"waist_level": "high"' in text
    assert compose_pattern(text).piece("front").shapes == compose(dress(HIGH)).pattern.piece("front").shapes


def test_fit_asks_for_no_waist_where_none_is_fitted():
    pattern = compose(dress(HIGH)).pattern
    size = pattern.envelope.sizes[2]
    body = {"bust": 870.0, "waist": 700.0, "hip": 940.0}
    project = Project(pattern, body, Decisions("A", size), {})
    assert "waist" not in {row.measure for row in project.rows}


@pytest.mark.parametrize("collar", [CollarKind.NOTCHED, CollarKind.SHAWL])
@pytest.mark.parametrize("level", WaistLevel)
def test_the_facing_of_lapels_ends_at_the_waist_seam_and_leaves_room_for_a_lining(level, collar):
    """Above a high seam its inner edge ran on below it, and crossed itself where a lining was sewn to it."""
    no_zip = Opening(Where.FRONT, OpeningKind.BUTTONS)
    turned = {"front": Side(Centre.OPEN), "back": Side(Centre.FOLD), "opening": no_zip, "collar": collar}
    pattern = compose(dress(level, SkirtKind.A_LINE, **turned)).pattern
    for size in pattern.envelope.sizes:
        facing, front = pattern.piece("front-facing").shapes[size], pattern.piece("front").shapes[size]
        lowest = max(x for x, _ in flatten(facing.edges["inner"]))
        assert lowest <= max(x for x, _ in flatten(front.edges["waist"])) + 0.01
        lined = with_layers(pattern, size, "A", Layers(lining=LiningSchool.DEDUCT))
        assert [fault for piece in lined.pieces for fault in piece_faults(piece, (size,))] == []


def test_a_bagged_lining_and_a_facing_of_the_armholes_are_refused_together():
    """Each waited for the other to be sewn."""
    for garment in (GarmentKind.TOP, GarmentKind.WAISTCOAT, GarmentKind.DRESS):
        described = replace(dress(NATURAL), garment=garment)
        both = {"lining": Lining(LiningOf.ALL, LiningMethod.BAGGED), "facing": frozenset({FacedEdge.ARMHOLE})}
        bagged = replace(described, features=replace(described.features, waist=None, skirt=None, **both))
        with pytest.raises(DescriptionRefused) as found:
            compose(bagged)
        assert [one.field for one in found.value.refusals] == ["features.facing"]
        assert "leave their facing out" in found.value.refusals[0].why
