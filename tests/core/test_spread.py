"""Fullness below a yoke that runs out at a waist seam: slashed and spread, and nothing else of the piece changes."""

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Opening, Side, Skirt
from rowanseed.core.compose.drafting import straight
from rowanseed.core.compose.spread import Fanned
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    NeckFinish,
    OpeningKind,
    Shaping,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.compose.yokes import FULLER, PLEATED
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.pattern.finished import girths
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.walk import walk
from rowanseed.drawings.line.hanging import closed_fan
from rowanseed.drawings.line.laid import laid

YOKE, GATHERS, FOLD = Shaping.YOKE, Shaping.GATHERS_UNDER_YOKE, Shaping.PLEAT_UNDER_YOKE
DARTED = (Shaping.WAIST_DART,)


def fans():
    return st.builds(
        Fanned,
        centre=st.sampled_from([0.0, -15.0]),
        foot=st.floats(380.0, 460.0),
        top=st.floats(80.0, 220.0),
        until=st.floats(120.0, 240.0),
        by=st.floats(10.0, 90.0),
    )


def long(chain):
    return LineString(flatten(chain, 0.01)).length


@given(fan=fans(), out=st.floats(5.0, 80.0), side=st.floats(-40.0, 0.0))
def test_the_yoke_s_edge_is_longer_by_what_was_asked_and_nothing_else(fan, out, side):
    """Lengths and areas by a geometry library; what a slash opens is a triangle: half its width times its length."""
    end = fan.until + out
    foot, top = straight((fan.foot, fan.centre), (fan.foot, end)), straight((fan.top, end), (fan.top, fan.centre))
    outer = straight((fan.foot, end), (fan.top, end + side))
    low, yoke = fan.from_the_centre(foot), fan.yoke((fan.top, end))
    assert long(low) == pytest.approx(long(foot), abs=0.05)
    assert long(yoke) == pytest.approx(long(top) + fan.by, abs=0.05)
    assert long(fan.outer(outer)) == pytest.approx(long(outer), abs=1e-6)
    area = Polygon([*flatten(low, 0.01), *flatten(yoke, 0.01)]).area
    plain = (end - fan.centre) * (fan.foot - fan.top)
    assert area == pytest.approx(plain + fan.by * (fan.foot - fan.top) / 2, rel=1e-4)
    assert fan.across((fan.foot, end)) == pytest.approx(end - fan.centre)
    assert fan.across((fan.top, end)) == pytest.approx(end - fan.centre + fan.by)


@given(fan=fans(), x=st.floats(0.0, 1.0), y=st.floats(0.0, 1.3))
def test_the_line_drawing_closes_the_fan_again(fan, x, y):
    end = fan.until + 60.0
    edges = {
        "waist": flatten(fan.from_the_centre(straight((fan.foot, fan.centre), (fan.foot, end))), 0.01),
        "yoke": flatten(fan.yoke((fan.top, end)), 0.01),
    }
    back = closed_fan(edges)
    assert back is not None
    q = (fan.foot - x * (fan.foot - fan.top), fan.centre + y * (fan.until - fan.centre))
    assert back(fan.at(q)) == pytest.approx(q, abs=1.5)


def dress(front=(), back=(), **features):
    zipped = {"opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP), "neck": Neck(finish=NeckFinish.FACING)}
    sides = {"front": Side(Centre.FOLD, front), "back": Side(Centre.SEAM, back)}
    given = {**zipped, **sides, "waist": Waist.SEAM, "skirt": Skirt(SkirtKind.A_LINE), **features}
    return Description(name="Described", garment=GarmentKind.DRESS, features=Features(**given))


@pytest.mark.parametrize("darts", [(), DARTED], ids=["plain", "darted"])
@pytest.mark.parametrize(
    ("half", "yoke", "fullness", "ratio"),
    [
        ("back", YOKE, GATHERS, FULLER),
        ("back", YOKE, FOLD, PLEATED),
        ("front", YOKE, GATHERS, FULLER),
        ("front", Shaping.SQUARE_YOKE, GATHERS, FULLER),
    ],
)
def test_below_a_yoke_only_the_yoke_s_edge_is_longer(half, yoke, fullness, ratio, darts):
    other = "back" if half == "front" else "front"
    plain = compose(dress(**{half: (yoke, *darts), other: darts})).pattern
    full = compose(dress(**{half: (yoke, fullness, *darts), other: darts})).pattern
    grown = "yoke-base" if yoke is Shaping.SQUARE_YOKE else "yoke"
    for size in full.envelope.sizes:
        was, now = (p.piece(half).shapes[size].edges for p in (plain, full))
        assert set(was) == set(now)
        for edge in was:
            times = ratio if edge == grown else 1.0
            assert chain_length(now[edge]) == pytest.approx(chain_length(was[edge]) * times, abs=0.5), (size, edge)
        assert all(w.walks for w in walk(full, size))
        measured, before = girths(full, size, "A"), girths(plain, size, "A")
        assert measured["waist"] == pytest.approx(before["waist"], abs=0.5)
        assert measured["bust"] > before["bust"] + 20.0


def test_with_a_waist_seam_the_body_is_drawn_as_narrow_as_its_yoke():
    plain, full = (compose(dress(back=shaping)).pattern for shaping in ((YOKE,), (YOKE, GATHERS)))
    size = plain.envelope.sizes[2]

    def widest(pattern):
        return {
            one.piece.id: max(y for run in one.edges.values() for _, y in run)
            for one in laid(pattern, Panel.BACK, size)
        }

    assert widest(full) == pytest.approx(widest(plain), abs=3.0)


def test_without_a_waist_seam_the_fullness_runs_on_to_the_hem():
    blouse = replace(dress(back=(YOKE, GATHERS), waist=Waist.NONE, skirt=None), garment=GarmentKind.TOP)
    pattern = compose(blouse).pattern
    size = pattern.envelope.sizes[2]
    yoke, hem = (chain_length(pattern.piece("back").shapes[size].edges[edge]) for edge in ("yoke", "hem"))
    assert hem > yoke * 0.95


@pytest.mark.parametrize("waist", [Waist.SEAM, Waist.NONE], ids=["waist seam", "to the hem"])
@pytest.mark.parametrize("by", [10.0, -10.0])
def test_beside_a_gathered_square_yoke_shoulders_are_changed_outside_it_alone(by, waist):
    """Before, the facing behind was widened where the yoke in front was not: 4 mm apart at the shoulder."""
    shape = (Shaping.SQUARE_YOKE, GATHERS)
    skirt = Skirt(SkirtKind.A_LINE) if waist is Waist.SEAM else None
    pattern = compose(dress(front=shape, waist=waist, skirt=skirt)).pattern
    size = pattern.envelope.sizes[2]
    now = carry_out(pattern, size, [Alteration("shoulder-width", by)]).pattern
    assert all(w.walks for w in walk(now, size) if w.join.id != "sleeves")
    for id, more in (("front", by), ("back", by), ("front-yoke", 0.0), ("back-neck-facing", 0.0)):
        was, is_now = (chain_length(p.piece(id).shapes[size].edges["shoulder"]) for p in (pattern, now))
        assert is_now - was == pytest.approx(more, abs=0.1), id
