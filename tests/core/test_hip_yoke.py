"""A yoke at the waist of a skirt or of trousers: cut off with its dart, which is closed; altered on its half."""

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import offered
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError, NoPlaceFor
from rowanseed.core.base.units import Units
from rowanseed.core.compose.as_printed import Measured
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Legs, Opening, Pocket, Side, Skirt
from rowanseed.core.compose.tape import dimensions, taken
from rowanseed.core.compose.tissue import MET
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    Waist,
    Where,
)
from rowanseed.core.geometry.bend import bending
from rowanseed.core.geometry.outline import chain_length, flatten, line_chain, unit
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.turned_yoke import DART, closed, laid_open, turned_yokes
from rowanseed.core.pattern.walk import SeamVerdict, walk
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.drawings.line.laid import laid

from .everyday import EVERYDAY, everyday
from .test_whole_way import body_of

YOKED = {name: everyday(name) for name in ("jeans", "men's jeans", "yoked skirt", "denim skirt")}
every_yoked = pytest.mark.parametrize("name", YOKED)
YOKE = Side(Centre.SEAM, (Shaping.YOKE,))
FLY = Opening(Where.FRONT, OpeningKind.FLY_ZIP)


def described(garment=GarmentKind.TROUSERS, **features):
    return Description(
        name="Described", garment=garment, features=Features(**{"back": YOKE, "opening": FLY, **features})
    )


def waist_of(pattern, size):
    """What the waist comes to where it is sewn to its band, in mm."""
    # A band that is cut in two halves is sewn on one hand after the other.
    return next(w.a for w in walk(pattern, size) if w.join.id == "waist") * pattern.piece("waistband").cuts[0].count


# ---------------------------------------------------------------- bending


@given(st.floats(50, 400), st.floats(-0.3, 1.2))
def test_a_straight_line_is_bent_into_an_arc_as_long(long, turn):
    """By the circle: an arc of so many radians has a chord of 2 r sin(turn/2), and all of it lies r from its centre."""
    bent = bending(line_chain((0.0, 0.0), (0.0, long)))(turn)
    assert chain_length(bent) == pytest.approx(long, abs=1e-3)
    chord = long if abs(turn) < 1e-6 else 2 * long / abs(turn) * math.sin(abs(turn) / 2)
    assert math.dist(bent[0].start, bent[-1].end) == pytest.approx(chord, abs=1e-6)
    if abs(turn) > 0.05:
        centre = (-long / turn, 0.0)
        for p in flatten(bent, 0.01):
            assert math.dist(p, centre) == pytest.approx(long / abs(turn), abs=1e-3)


@given(st.floats(120, 300), st.floats(40, 120), st.floats(0, 0.25))
def test_a_rectangle_with_its_dart_closed_is_a_ring_segment(wide, deep, share):
    """By the annulus: arcs of one angle at two radii `deep` apart; its ends stay straight and square to both."""
    edges = {
        "centre": line_chain((0.0, 0.0), (deep, 0.0)),
        "yoke": line_chain((deep, 0.0), (deep, wide)),
        "side": line_chain((deep, wide), (0.0, wide)),
        "waist": line_chain((0.0, wide), (0.0, 0.0)),
    }
    taken = min(share * wide, 0.5 * deep)
    shut = closed(edges, wide - taken)
    assert chain_length(shut["waist"]) == pytest.approx(wide - taken, abs=1e-4)
    turn = taken / deep
    first, last = unit(shut["yoke"][0].derivative(0.0)), unit(shut["yoke"][-1].derivative(1.0))
    assert math.atan2(first[0] * last[1] - first[1] * last[0], first[0] * last[0] + first[1] * last[1]) == (
        pytest.approx(turn, abs=1e-3)
    )
    area = Polygon([p for chain in shut.values() for p in flatten(chain, 0.01)]).area
    assert area == pytest.approx(deep * (wide - taken / 2), rel=1e-3)


def test_more_than_a_yoke_can_take_in_is_refused():
    deep, wide = 20.0, 200.0
    edges = {
        "centre": line_chain((0.0, 0.0), (deep, 0.0)),
        "yoke": line_chain((deep, 0.0), (deep, wide)),
        "side": line_chain((deep, wide), (0.0, wide)),
        "waist": line_chain((0.0, wide), (0.0, 0.0)),
    }
    with pytest.raises(NoPlaceFor):
        closed(edges, 120.0)


# ---------------------------------------------------------------- drafted


@every_yoked
def test_a_yoke_is_as_long_as_the_edge_below_it_and_closes_its_dart(name):
    pattern = YOKED[name]
    assert turned_yokes(pattern)
    for one in turned_yokes(pattern):
        yoke, below = pattern.piece(one.yoke), pattern.piece(one.below)
        assert not yoke.darts
        for size in pattern.envelope.sizes:
            edges = yoke.shapes[size].edges
            assert chain_length(edges["yoke"]) == pytest.approx(
                chain_length(below.shapes[size].edges["yoke"]), abs=0.01
            )
            assert chain_length(edges["waist"]) < chain_length(edges["yoke"])
            assert Polygon(lines(yoke, size).seam_ring()).is_valid


@every_yoked
def test_with_a_yoke_the_waist_is_what_it_is_with_darts(name):
    """The yoke only takes the dart's place: the sewn waist is the finished one."""
    pattern = YOKED[name]
    for size in pattern.envelope.sizes:
        finished = pattern.envelope.finished["A"]["waist"][size]
        assert waist_of(pattern, size) == pytest.approx(finished, abs=2.0)


@every_yoked
def test_laid_on_its_half_a_yoke_goes_on_smoothly_in_side_and_centre(name):
    """Across the yoke's seam side and centre run on without a corner, as they did before it was cut off."""
    pattern = laid_open(YOKED[name])
    for one in turned_yokes(YOKED[name]):
        yoke, below = pattern.piece(one.yoke), pattern.piece(one.below)
        centre, _, side, _ = (edge.name for edge in yoke.edges)
        for size in pattern.envelope.sizes:
            upper, lower = yoke.shapes[size].edges, below.shapes[size].edges
            for before, after in ((upper[centre], lower[centre]), (lower[side], upper[side])):
                assert math.dist(before[-1].end, after[0].start) < 1e-6
                a, b = unit(before[-1].derivative(1.0)), unit(after[0].derivative(0.0))
                assert a[0] * b[0] + a[1] * b[1] == pytest.approx(1.0, abs=1e-3)
            assert [dart.id for dart in yoke.darts] == [DART]


@every_yoked
def test_the_line_drawing_shows_the_yokes_seam_and_no_dart_in_it(name):
    plain = {"jeans": "wide trousers"}.get(name)
    assert "yoke" in line_drawing(YOKED[name])
    if plain:
        assert line_drawing(YOKED[name]) != line_drawing(everyday(plain))


def test_a_yoke_takes_the_darts_place():
    darted = compose(described(back=Side(Centre.SEAM, (Shaping.WAIST_DART,)))).pattern
    yoked = compose(described()).pattern
    assert darted.piece("back").darts and not yoked.piece("back").darts
    assert {p.id for p in yoked.pieces} - {p.id for p in darted.pieces} == {"back-yoke"}


# ---------------------------------------------------------------- altered


def asked():
    """Every way to alter these patterns, by 20 mm more and less."""
    for name, pattern in YOKED.items():
        size, _ = body_of(pattern)
        for kind in offered(pattern, size):
            for place in kind.places_on(pattern, size):
                for by in (20.0, -20.0):
                    if by > 0 or kind.opposite:
                        yield name, Alteration(kind.id, by, place.at, place.level, place.school)


@pytest.mark.slow
@pytest.mark.parametrize(("name", "alteration"), list(asked()), ids=str)
def test_altered_every_seam_still_meets(name, alteration):
    pattern = YOKED[name]
    size, _ = body_of(pattern)
    was = {w.join.id: w.fault for w in walk(pattern, size)}
    try:
        now = carry_out(pattern, size, [alteration]).pattern
    except AlterationError as error:
        assert error.problem and error.remedy
        return
    apart = {w.join.id: w.fault - was[w.join.id] for w in walk(now, size) if abs(w.fault - was[w.join.id]) > 0.5}
    # The inner leg is let out a little more at the fork than at the knee, as on any trousers.
    assert not {id: mm for id, mm in apart.items() if id != "inseams" or abs(mm) > 1.0}


@every_yoked
@pytest.mark.parametrize("by", [30.0, 12.0, -12.0, -30.0])
@pytest.mark.parametrize("level", ["", "waist", "hip"])
def test_sides_taken_in_or_let_out_change_waist_and_hip_by_what_was_asked(name, level, by):
    pattern = YOKED[name]
    size, _ = body_of(pattern)
    sides = "outseams" if "jeans" in name else "sides"
    now = carry_out(pattern, size, [Alteration("seam", by, sides, level)]).pattern
    grown = waist_of(now, size) - waist_of(pattern, size)
    assert grown == pytest.approx(0.0 if level == "hip" else by, abs=abs(by) / 20)
    for one in turned_yokes(now):
        assert not now.piece(one.yoke).darts


@every_yoked
def test_a_blend_takes_each_levels_own_size(name):
    pattern = YOKED[name]
    size, _ = body_of(pattern)
    larger = pattern.envelope.sizes[pattern.envelope.sizes.index(size) + 1]
    now = carry_out(pattern, size, [], (("waist", larger), ("hip", size))).pattern
    assert waist_of(now, size) == pytest.approx(waist_of(pattern, larger), abs=1.0)
    assert all(abs(w.fault) <= 1.0 for w in walk(now, size))
    same = carry_out(pattern, size, [], (("waist", size), ("hip", size))).pattern
    assert same.piece("back-yoke") == pattern.piece("back-yoke")


@settings(max_examples=40, deadline=None)
@given(st.sampled_from(sorted(YOKED)), st.floats(-25, 25), st.floats(-25, 25))
def test_taking_in_and_letting_out_again_gives_the_same_yoke(name, at_waist, at_hip):
    """An alteration leaves no trace once it is taken back, but for the curves' last tenth of a millimetre."""
    pattern = YOKED[name]
    size, _ = body_of(pattern)
    sides = "outseams" if "jeans" in name else "sides"
    both = [Alteration("seam", at_waist, sides, "waist"), Alteration("seam", at_hip, sides, "hip")]
    there = carry_out(pattern, size, both).pattern
    back = [Alteration("seam", -one.by, one.at, one.level) for one in reversed(both)]
    again = carry_out(there, size, back).pattern
    for one in turned_yokes(pattern):
        old, new = (p.piece(one.yoke).shapes[size].edges for p in (pattern, again))
        for edge in old:
            assert chain_length(new[edge]) == pytest.approx(chain_length(old[edge]), abs=0.5)


def test_a_dart_that_a_yoke_has_closed_is_no_dart_to_be_moved():
    size, _ = body_of(YOKED["jeans"])
    assert not {"dart-length", "dart-place"} & {kind.id for kind in offered(YOKED["jeans"], size)}
    with pytest.raises(AlterationError):
        carry_out(YOKED["jeans"], size, [Alteration("dart-length", 10.0, f"back-yoke/{DART}")])


@pytest.mark.parametrize(("level", "told"), [("waist", True), ("hip", True), ("", True)])
def test_the_tissue_sheet_says_that_the_yoke_lies_turned(level, told):
    pattern = YOKED["jeans"]
    size, _ = body_of(pattern)
    for at, here in (("outseams", told), ("inseams", False)):
        step = carry_out(pattern, size, [Alteration("seam", 12.0, at, "" if at == "inseams" else level)]).steps[0]
        words = " ".join(sheet(step, Units.METRIC, size).steps)
        assert ("back yoke is cut with its dart closed" in words) is here


# ---------------------------------------------------------------- faced, and with fullness below

HANGING = {
    SkirtKind.GATHERED: 2.0,
    SkirtKind.KNIFE_PLEATS: 3.0,
    SkirtKind.BOX_PLEATS: 3.0,
    SkirtKind.CIRCLE: 1.0,
    SkirtKind.HALF_CIRCLE: 1.0,
}
"""How many times its yoke each kind of skirt is usually wide."""


def yoked_skirt(kind, waist=Waist.FACING):
    return compose(
        described(
            GarmentKind.SKIRT,
            front=Side(shaping=(Shaping.YOKE,)),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
            skirt=Skirt(kind),
            waist=waist,
        )
    ).pattern


def edge_of(pattern, piece, edge, size):
    return chain_length(pattern.piece(piece).shapes[size].edges[edge])


@pytest.mark.parametrize(("kind", "times"), HANGING.items())
def test_a_skirt_hangs_from_its_yokes_as_full_as_is_said_and_ends_where_it_would_without_them(kind, times):
    pattern = yoked_skirt(kind)
    plain = yoked_skirt(SkirtKind.STRAIGHT)
    for size in pattern.envelope.sizes:
        for half in ("front", "back"):
            yoke = edge_of(pattern, f"{half}-yoke", "yoke", size)
            assert edge_of(pattern, half, "yoke", size) == pytest.approx(times * yoke, abs=0.1)
            # The yoke is the one of a straight skirt, so that its waist fits and the hem hangs as far down.
            assert pattern.piece(f"{half}-yoke").shapes[size] == plain.piece(f"{half}-yoke").shapes[size]
            down = [sum(edge_of(one, id, "centre", size) for id in (half, f"{half}-yoke")) for one in (pattern, plain)]
            assert down[0] == pytest.approx(down[1], abs=0.1)


@pytest.mark.parametrize("kind", [SkirtKind.STRAIGHT, *HANGING])
def test_a_waist_above_yokes_is_faced_with_the_same_yokes_again(kind):
    pattern = yoked_skirt(kind)
    for half in ("front", "back"):
        yoke, facing = pattern.piece(f"{half}-yoke"), pattern.piece(f"{half}-yoke-waist-facing")
        assert facing.shapes == yoke.shapes
        assert [(c.count, c.fold) for c in facing.cuts] == [(c.count, c.fold) for c in yoke.cuts]
    faced = pattern.making.join("waist-facing")
    assert {p.piece for p in faced.b} == {"front-yoke-waist-facing", "back-yoke-waist-facing"}


@pytest.mark.slow
@pytest.mark.parametrize("kind", [SkirtKind.STRAIGHT, *HANGING])
@pytest.mark.parametrize("waist", [Waist.FACING, Waist.WAISTBAND])
def test_altered_a_yoke_with_its_facing_and_what_hangs_from_it_still_meet(kind, waist):
    pattern = yoked_skirt(kind, waist)
    size, _ = body_of(pattern)
    done = 0
    for one in offered(pattern, size):
        for place in one.places_on(pattern, size):
            for by in (15.0, -15.0):
                try:
                    alteration = Alteration(one.id, by, place.at, place.level, place.school)
                    now = carry_out(pattern, size, [alteration]).pattern
                except AlterationError:
                    continue
                done += 1
                assert [w.join.id for w in walk(now, size) if w.verdict is SeamVerdict.APART] == [], alteration
                if waist is Waist.FACING:
                    for half in ("front", "back"):
                        upper = (edge_of(now, f"{half}-yoke{own}", "waist", size) for own in ("", "-waist-facing"))
                        assert next(upper) == pytest.approx(next(upper), abs=0.5), alteration
    assert done > 3


def test_pleats_below_a_yoke_are_drawn_hanging_from_it():
    """The seam is as wide on the skirt as on the yoke, and its hem wider."""
    pattern = yoked_skirt(SkirtKind.KNIFE_PLEATS)
    size, _ = body_of(pattern)
    by_id = {one.piece.id: one.edges for one in laid(pattern, Panel.FRONT, size)}
    skirt, yoke = by_id["front"], by_id["front-yoke"]
    for at in (min, max):
        one, other = (at(edges["yoke"], key=lambda q: q[1]) for edges in (skirt, yoke))
        assert math.dist(one, other) < 1.0
    assert max(y for _, y in skirt["hem"]) > max(y for _, y in skirt["yoke"])


# ---------------------------------------------------------------- trousers with yokes at both halves, and zips through


@pytest.mark.parametrize("where", [Where.BACK, Where.FRONT, Where.LEFT_SIDE])
@pytest.mark.parametrize("long", [150.0, 220.0])
def test_a_zip_through_a_yoke_is_as_long_as_is_said_from_the_waist_down(where, long):
    opening = Opening(where, OpeningKind.INVISIBLE_ZIP, length=long)
    pattern = compose(described(front=YOKE, opening=opening, waist=Waist.FACING)).pattern
    closure = next(one for one in pattern.making.closures if one.id == "opening")
    piece, id = closure.to_mark
    half = "back" if where is Where.BACK else "front"
    for size in pattern.envelope.sizes:
        mark = pattern.piece(piece).mark(id)
        above = edge_of(pattern, f"{half}-yoke", mark.edge, size) if piece == half else 0.0
        assert above + mark.distance[size] == pytest.approx(long, abs=0.1)


def test_with_yokes_at_front_and_back_trousers_keep_their_waist():
    """A yoke only takes the dart's place, on the front as on the back."""
    darts = Side(Centre.SEAM, (Shaping.WAIST_DART,))
    at_side = Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)
    waists = [
        compose(described(front=half, back=half, opening=at_side, waist=Waist.WAISTBAND)).pattern
        for half in (YOKE, darts)
    ]
    for size in waists[0].envelope.sizes:
        assert waist_of(waists[0], size) == pytest.approx(waist_of(waists[1], size), abs=1.0)


# ---------------------------------------------------------------- refused


@pytest.mark.parametrize(
    ("description", "field"),
    [
        (described(front=YOKE), "features.opening.kind"),
        (described(front=YOKE, opening=Opening(), legs=Legs(pleats=2)), "features.legs.pleats"),
        (described(back=Side(Centre.SEAM, (Shaping.YOKE, Shaping.WAIST_DART))), "features.back.shaping"),
        (described(opening=Opening(Where.LEFT_SIDE, OpeningKind.BUTTONS)), "features.opening.kind"),
        (described(waist=Waist.FACING), "features.waist"),
        (described(pockets=(Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE),)), "features.pockets.0"),
        (described(GarmentKind.SKIRT, skirt=Skirt(SkirtKind.GORED)), "features.skirt.kind"),
        (described(GarmentKind.SKIRT, skirt=Skirt(SkirtKind.GATHERED)), "features.skirt.kind"),
        (described(GarmentKind.SKIRT, skirt=Skirt(SkirtKind.STRAIGHT), waist=Waist.FACING), "features.waist"),
        (described(GarmentKind.SKIRT, front=YOKE, skirt=Skirt(SkirtKind.CARTRIDGE_PLEATS)), "features.skirt.kind"),
        (
            described(
                GarmentKind.SKIRT,
                front=YOKE,
                skirt=Skirt(SkirtKind.STRAIGHT),
                pockets=(Pocket(PocketKind.SLANT, PocketPlace.FRONT),),
            ),
            "features.pockets.0",
        ),
        (described(GarmentKind.SKIRT, front=YOKE, skirt=Skirt(SkirtKind.A_LINE, darts=True)), "features.skirt.darts"),
        (described(back=Side(Centre.SEAM, (Shaping.SQUARE_YOKE,))), "features.back.shaping"),
    ],
)
def test_what_a_yoke_at_the_waist_does_without_is_refused_at_its_field(description, field):
    with pytest.raises(DescriptionRefused) as refused:
        compose(description)
    assert field in [one.field for one in refused.value.refusals]


# ---------------------------------------------------------------- measured


@every_yoked
def test_a_yoke_that_was_measured_on_its_tissue_is_met_and_altered_all_the_same(name):
    usual = YOKED[name]
    size, _ = body_of(usual)
    own = usual.piece("back-yoke")
    read = {d.id: taken(own, size, d) for d in dimensions(own)}
    asked = {"yoke": read["yoke"] + 6.0, "waist": read["waist"] + 3.0}
    description = replace(EVERYDAY[name], measured={"back-yoke": Measured(size, asked)})
    pattern = compose(description).pattern
    met = pattern.piece("back-yoke")
    for id, mm in asked.items():
        assert taken(met, size, next(d for d in dimensions(met) if d.id == id)) == pytest.approx(mm, abs=MET)
    assert all(w.walks for w in walk(pattern, size))
    sides = "outseams" if "jeans" in name else "sides"
    now = carry_out(pattern, size, [Alteration("seam", 16.0, sides, "waist")]).pattern
    assert waist_of(now, size) - waist_of(pattern, size) == pytest.approx(16.0, abs=1.0)
    assert all(w.walks for w in walk(now, size))
