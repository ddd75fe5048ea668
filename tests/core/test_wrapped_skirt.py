"""A skirt that wraps: open all the way, one edge far over the other, tied at its band."""

import re
from dataclasses import replace

import pytest
from shapely.geometry import LineString

from rowanseed.core.alter.kinds import offered
from rowanseed.core.choices import Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Opening, Pocket, Side, Skirt
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.seamline import mark_distance
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.drawings.line.drawing import line_drawing

from .everyday import EVERYDAY
from .test_whole_way import body_of

KINDS = (SkirtKind.STRAIGHT, SkirtKind.A_LINE, SkirtKind.GATHERED, SkirtKind.KNIFE_PLEATS)
OPEN = Side(Centre.OPEN)
TIED = Opening(Where.FRONT, OpeningKind.TIES)


def described(kind=SkirtKind.A_LINE, **more):
    usual = {"front": OPEN, "opening": TIED, "skirt": Skirt(kind), "waist": Waist.WAISTBAND}
    return Description(name="Described", garment=GarmentKind.SKIRT, features=Features(**{**usual, **more}))


def edge(pattern, piece, name, size):
    return chain_length(pattern.piece(piece).shapes[size].edges[name])


def steps_of(description):
    pattern = compose(description).pattern
    size, body = body_of(pattern)
    return {step.id: step for step in Project(pattern, body, Decisions("A", size), {}).steps}


@pytest.mark.parametrize("kind", KINDS)
def test_each_front_reaches_most_of_the_way_across_the_other(kind):
    pattern = compose(described(kind)).pattern
    for size in pattern.envelope.sizes:
        ys = [end[1] for segment in pattern.piece("front").shapes[size].edges["opening"] for end in (segment.start,)]
        quarter = pattern.envelope.finished["A"]["waist"][size] / 4 if "waist" in pattern.envelope.finished["A"] else 0
        assert max(ys) < -0.5 * quarter
        assert max(ys) < 0
    assert all(w.walks for size in pattern.envelope.sizes for w in walk(pattern, size))


def test_the_band_is_as_long_as_the_waist_and_what_laps():
    pattern = compose(described()).pattern
    for size in pattern.envelope.sizes:
        waist = pattern.envelope.finished["A"]["waist"][size]
        lap = -2 * pattern.piece("front").shapes[size].edges["opening"][0].start[1]
        assert edge(pattern, "waistband", "waist", size) == pytest.approx(waist + lap, abs=1.0)


@pytest.mark.parametrize(("kind", "times"), [(SkirtKind.GATHERED, 2.0), (SkirtKind.KNIFE_PLEATS, 3.0)])
def test_the_tie_beneath_comes_out_at_the_side_seam_of_a_full_skirt(kind, times):
    pattern = compose(described(kind)).pattern
    band = pattern.piece("waistband")
    for size in pattern.envelope.sizes:
        from_an_end = edge(pattern, "waistband", "waist", size) - mark_distance(band, size, band.mark("slot"))
        assert from_an_end == pytest.approx(edge(pattern, "front", "waist", size) / times, abs=0.1)


@pytest.mark.parametrize("where", [Where.FRONT, Where.BACK])
def test_the_tie_beneath_comes_out_at_the_side_seam(where):
    sides = {"front": OPEN, "back": Side()} if where is Where.FRONT else {"front": Side(), "back": OPEN}
    pattern = compose(described(opening=Opening(where, OpeningKind.TIES), **sides)).pattern
    band = pattern.piece("waistband")
    for size in pattern.envelope.sizes:
        taken = sum(
            abs(
                mark_distance(pattern.piece(where.value), size, pattern.piece(where.value).mark(b))
                - mark_distance(pattern.piece(where.value), size, pattern.piece(where.value).mark(a))
            )
            for dart in pattern.piece(where.value).darts
            for a, b in (dart.legs,)
        )
        to_the_side = edge(pattern, where.value, "waist", size) - taken
        from_an_end = edge(pattern, "waistband", "waist", size) - mark_distance(band, size, band.mark("slot"))
        assert from_an_end == pytest.approx(to_the_side, abs=0.1)


def test_its_darts_stand_on_the_body_where_a_closed_skirts_do():
    """The lap lies over the other front: it moves no dart."""
    wrapped, closed = (
        compose(d).pattern.piece("front")
        for d in (
            described(),
            described(front=Side(), opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP), back=Side(Centre.SEAM)),
        )
    )
    for size in wrapped.shapes:
        for one, other in zip(wrapped.darts, closed.darts, strict=True):
            assert one.point[size] == pytest.approx(other.point[size], abs=1.0)


@pytest.mark.parametrize("name", ["hem", "waist"])
def test_what_laps_lies_level_on_the_half_beneath(name):
    """Beyond the centre the edge runs as the other half's does there: no corner of it hangs below."""
    pattern = compose(described()).pattern
    for size in pattern.envelope.sizes:
        run = LineString(flatten(pattern.piece("front").shapes[size].edges[name], 0.05))
        reach = -min(y for _, y in run.coords)
        for share in (0.3, 0.6, 0.95):
            lap, other = (
                run.intersection(LineString([(-100.0, y), (3000.0, y)])).x for y in (-share * reach, share * reach)
            )
            assert lap == pytest.approx(other, abs=0.1)


@pytest.mark.parametrize("placket", [None, Placket.FACING])
def test_the_order_makes_ties_band_and_slot_in_turn(placket):
    steps = list(steps_of(described(opening=replace(TIED, placket=placket))))
    wanted = [
        "sew-waist",
        "baste-wrap-ties",
        "ends-waistband-inside",
        "turn-in-waistband-inside",
        "slot-wrap-ties",
        "tie-wrap-ties",
    ]
    assert [id for id in steps if id in wanted] == wanted
    assert ("fold-front-edges" in steps) is (placket is None)


@pytest.mark.parametrize(("figure", "hand"), [(Figure.WOMEN, "right"), (Figure.MEN, "left")])
def test_the_slot_is_on_the_side_of_the_end_that_laps_over(figure, hand):
    said = " ".join(steps_of(replace(described(), figure=figure))["slot-wrap-ties"].how)
    assert f"at the {hand} side seam" in said


@pytest.mark.parametrize(
    ("features", "field"),
    [
        ({"opening": replace(TIED, placket=Placket.BAND)}, "features.opening.placket"),
        ({"skirt": Skirt(SkirtKind.CARTRIDGE_PLEATS)}, "features.skirt.kind"),
        ({"skirt": Skirt(SkirtKind.CIRCLE)}, "features.skirt.kind"),
        ({"waist": Waist.FACING}, "features.waist"),
        ({"front": Side(Centre.OPEN, (Shaping.YOKE,))}, "features.front.centre"),
    ],
)
def test_what_a_skirt_that_wraps_does_without_is_refused_at_its_field(features, field):
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(**features))
    assert field in [one.field for one in refused.value.refusals]


def hand_on_top(figure, name):
    """On which side of the front's picture its widest piece was drawn last: -1 left, 1 right."""
    drawing = line_drawing(compose(replace(EVERYDAY[name], figure=figure)).pattern)
    filled = re.findall(r'<path d="([^"]+)" stroke="none"', drawing[: drawing.index("</g>")])
    across = [[float(x) for x in re.findall(r"[ML]\s*(-?[\d.]+)", d)] for d in filled]
    widest = max(max(xs) - min(xs) for xs in across)
    last = next(xs for xs in reversed(across) if max(xs) - min(xs) == pytest.approx(widest, abs=0.2))
    return 1 if max(last) > -min(last) else -1


@pytest.mark.parametrize("name", ["wrap skirt", "camp shirt", "coat"])
def test_womens_garments_are_drawn_right_over_left_and_mens_left_over_right(name):
    """As worn: the wearer's right is on the left of the front's picture."""
    assert hand_on_top(Figure.WOMEN, name) == -1
    assert hand_on_top(Figure.MEN, name) == 1


def test_a_skirt_that_wraps_needs_no_more_fastening():
    pattern = compose(described()).pattern
    assert [c.kind.value for c in pattern.making.closures] == ["ties"]
    assert [f.kind for f in pattern.making.finishes if f.id == "front-edges"] == [FinishKind.TURNED]


def test_of_a_straight_skirt_only_what_goes_round_the_body_is_widened_by_its_figures():
    """A flap alone would no longer meet its lining, and a tie goes round nobody."""
    flaps = (Pocket(PocketKind.FLAP, PocketPlace.FRONT),)
    pattern = compose(described(SkirtKind.GATHERED, pockets=flaps)).pattern
    size, _ = body_of(pattern)
    kind = next(one for one in offered(pattern, size) if one.id == "straight-width")
    assert [place.at for place in kind.places_on(pattern, size)] == ["front", "back", "waistband"]
