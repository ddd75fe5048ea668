"""Edges that lap: closed, their centre lines lie on each other, the buttons stand on them, and what goes on at the neck
ends where it should. How a band, a lap and a half placket lie is common practice, no source; lengths and areas are
checked with Shapely."""

import math
import pathlib
from dataclasses import replace
from itertools import pairwise

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from shapely.geometry import LineString, Polygon, box

from rowanseed.core.compose.bodice import FRONT_BAND
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Figure, Lining, Neck, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.fastenings import OFF_SEAM
from rowanseed.core.compose.features.half_placket import LONG, NARROW
from rowanseed.core.compose.laps import EXTENSION
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    GarmentKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    Shaping,
    SkirtKind,
    SleeveKind,
    Slit,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import LiningSchool
from rowanseed.core.derive.lining import schools
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.fastenings import number_of
from rowanseed.core.pattern.making import PLACKET_BASE, FinishKind
from rowanseed.core.pattern.pieces import PointKind
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.pattern.walk import part_length, walk

from .test_whole_way import goes_the_whole_way

BUTTONS = Opening(Where.FRONT, OpeningKind.BUTTONS, count=5)
CUTS = {
    "plain": {},
    "with a dart": {"shaping": (Shaping.BUST_DART,)},
    "yoke": {"shaping": (Shaping.YOKE,)},
    "princess": {"shaping": (Shaping.PRINCESS_SHOULDER,)},
    "raglan": {"sleeve": Sleeve(SleeveKind.RAGLAN)},
    "cut in one": {"sleeve": Sleeve(SleeveKind.CUT_IN_ONE)},
    "waist seam": {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.GATHERED), "garment": GarmentKind.DRESS},
}
NECKS = {
    "bound": {"neck": Neck(NeckShape.ROUND, NeckFinish.BIAS_BINDING)},
    "bias faced": {"neck": Neck(NeckShape.ROUND, NeckFinish.BIAS_FACING)},
    "shirt collar": {"collar": CollarKind.SHIRT},
    "one-piece collar": {"collar": CollarKind.ONE_PIECE},
    "stand": {"collar": CollarKind.STAND},
}


def described(
    *, where="front", centre=Centre.OPEN, shaping=(), garment=GarmentKind.TOP, figure=Figure.WOMEN, **features
):
    """A garment that buttons at the front or the back, over the whole of it or by a half placket."""
    features.setdefault("opening", replace(BUTTONS, where=Where(where)))
    features[where] = Side(centre, shaping)
    cloth = features.pop("cloth", Structure.WOVEN)
    return Description(name="It", garment=garment, figure=figure, cloth=cloth, features=Features(**features))


def opening_edges(pattern, size):
    """(the edges that lap, each piece's frame as drawn: x down, y from the centre line)."""
    return [
        flatten(piece.shapes[size].edges[edge], 0.2)
        for piece in pattern.pieces
        for edge in ("opening", "placket")
        if piece.has_edge(edge) and "facing" not in piece.id
    ]


def buttons(pattern, size):
    """(piece, where) of every button of the front, those of a stand left out."""
    return [
        (piece, q.at[size])
        for piece in pattern.pieces
        for q in piece.points
        if q.kind in (PointKind.BUTTON, PointKind.BUTTONHOLE) and piece.id in ("front", "back", "band", "front-yoke")
    ]


def beyond_the_centre(pattern, size, piece, at):
    """How far a button lies beyond the centre line of its own half, once a band is sewn on and folded."""
    if piece.id != "band":
        return -at[1]
    seam = min(abs(q[1]) for run in opening_edges(pattern, size) for q in run)
    return 2 * FRONT_BAND - at[1] - seam


def along_neck(pattern, size, up_to):
    """Half the neck on the stitching line, with Shapely, the front's cut off so far beyond the centre line."""
    total = 0.0
    for id in ("front", "front-yoke", "back", "back-yoke", "sleeve"):
        piece = next((p for p in pattern.pieces if p.id == id and p.has_edge("neck")), None)
        if piece is not None:
            run = LineString(flatten(piece.shapes[size].edges["neck"], 0.01))
            lap = box(-1000, -1000, 1000, -up_to)
            total += run.difference(lap).length if id.startswith("front") else run.length
    return total


@pytest.mark.parametrize("placket", Placket)
@pytest.mark.parametrize("cut", CUTS)
def test_closed_both_halves_meet_on_the_centre_line_with_the_buttons_on_it(cut, placket):
    opening = replace(BUTTONS, placket=placket)
    pattern = compose(described(**CUTS[cut], opening=opening, **NECKS["bound"])).pattern
    for size in pattern.envelope.sizes:
        edge = {round(q[1], 6) for run in opening_edges(pattern, size) for q in run}
        assert len(edge) == 1
        # A hand's finished edge lies as far beyond its centre line as the other's: half of what laps.
        finished = edge.pop() - (FRONT_BAND if placket is Placket.BAND else 0.0)
        assert finished == pytest.approx(-EXTENSION)
        for piece, at in buttons(pattern, size):
            assert beyond_the_centre(pattern, size, piece, at) == pytest.approx(0.0, abs=1e-6)


@pytest.mark.parametrize("neck", NECKS)
@pytest.mark.parametrize("placket", Placket)
@pytest.mark.parametrize("cut", CUTS)
def test_what_goes_on_at_the_neck_is_as_long_as_the_neck(cut, placket, neck):
    pattern = compose(described(**CUTS[cut], opening=replace(BUTTONS, placket=placket), **NECKS[neck])).pattern
    assert list(faults(pattern)) == []
    for size in pattern.envelope.sizes:
        assert all(seam.walks for seam in walk(pattern, size) if seam.join.id != "opening-facing")
    if "collar" in NECKS[neck] and cut != "raglan":
        size = pattern.envelope.sizes[2]
        lap = 0.0 if neck == "one-piece collar" else EXTENSION
        up_to, on_band = (-FRONT_BAND / 2, FRONT_BAND / 2 + lap) if placket is Placket.BAND else (lap, 0.0)
        collar = pattern.piece("stand" if neck == "shirt collar" else "collar")
        long = LineString(flatten(collar.shapes[size].edges["neck"], 0.01)).length
        whole = long if neck != "shirt collar" else 2 * long
        assert whole == pytest.approx(2 * (along_neck(pattern, size, up_to) + on_band), abs=0.2)


def test_a_collar_that_falls_ends_at_the_centre_line_and_the_lap_is_closed_beyond_it():
    pattern = compose(described(opening=BUTTONS, collar=CollarKind.ONE_PIECE)).pattern
    ends = next(f for f in pattern.making.finishes if f.id == "lap-ends")
    assert ends.kind is FinishKind.TURNED
    assert [part_length(pattern, "14", p) for p in ends.parts] == [pytest.approx(EXTENSION)]
    steps = sequence(compile_garment(pattern, "A", "14", MakingChoices()).operations)
    order = [op.id for op in steps]
    assert order.index("close-lap-ends") < order.index("sew-neck")
    assert order.index("close-lap-ends") < order.index("turn-in-front-edges")
    assert "from centre dot to centre dot" in " ".join(next(op for op in steps if op.id == "sew-neck").how)


def test_a_stand_has_the_uppermost_button():
    with_stand = compose(described(collar=CollarKind.SHIRT)).pattern
    without = compose(described(collar=CollarKind.STAND)).pattern
    for pattern in (with_stand, without):
        assert number_of(pattern, "14", (PointKind.BUTTONHOLE,)) == 5
    (hole,) = with_stand.piece("stand").points
    x, y = hole.at["14"]
    stand = Polygon([q for chain in with_stand.piece("stand").shapes["14"].edges.values() for q in flatten(chain, 0.2)])
    assert stand.contains(box(x - 8, y - 8, x + 3, y + 3))
    neck = LineString(flatten(with_stand.piece("stand").shapes["14"].edges["neck"], 0.2)).length
    assert neck - y == pytest.approx(EXTENSION), "on the centre line"


def test_bands_are_folded_before_anything_is_sewn_over_their_ends():
    for neck in NECKS.values():
        pattern = compose(described(opening=replace(BUTTONS, placket=Placket.BAND), **neck)).pattern
        order = [op.id for op in sequence(compile_garment(pattern, "A", "14", MakingChoices()).operations)]
        over = next(id for id in ("sew-neck", "bind-neck", "face-neck") if id in order)
        assert order.index("press-bands") < order.index("fold-over-band-inside") < order.index(over)


# ---------------------------------------------------------------- half plackets


HALVES = {
    "plain": {},
    "of a man": {"figure": Figure.MEN, "collar": CollarKind.SHIRT, "sleeve": Sleeve()},
    "behind": {"where": "back", "figure": Figure.CHILDREN},
    "knitted": {"cloth": Structure.KNIT, "collar": CollarKind.ONE_PIECE},
    "raglan": {"sleeve": Sleeve(SleeveKind.RAGLAN), "garment": GarmentKind.NIGHTDRESS},
    "pleated": {"shaping": (Shaping.PLEATS,), "collar": CollarKind.STAND},
    "square neck": {"neck": Neck(NeckShape.SQUARE, NeckFinish.BIAS_FACING)},
}


def half(**more):
    features = {**more}
    opening = Opening(Where(features.get("where", "front")), OpeningKind.BUTTONS)
    return described(centre=Centre.FOLD, **{"opening": opening, **features})


@pytest.mark.parametrize("name", HALVES)
def test_a_half_placket_fills_the_box_that_is_cut_out(name):
    description = half(**HALVES[name])
    pattern = compose(description).pattern
    where = HALVES[name].get("where", "front")
    whole = compose(
        replace(
            description,
            features=replace(
                description.features,
                opening=Opening(Where(where), OpeningKind.SLIT, 100.0),
                neck=Neck(description.features.neck.shape),
                collar=None,
            ),
        )
    ).pattern
    for size in pattern.envelope.sizes:
        cut, uncut = (
            Polygon([q for chain in p.piece(where).shapes[size].edges.values() for q in flatten(chain, 0.05)[:-1]])
            for p in (pattern, whole)
        )
        # A curve cut in two is flattened at other points: slivers of that are no part of the box.
        gone = uncut.difference(cut).buffer(-0.1, join_style="mitre").buffer(0.1, join_style="mitre")
        x0, y0, x1, y1 = gone.bounds
        assert (y0, y1) == (pytest.approx(0.0, abs=0.01), pytest.approx(FRONT_BAND / 2, abs=0.01))
        assert cut.difference(uncut).area < 2.0
        band = pattern.piece("band").shapes[size].edges
        long = math.dist(band["front"][0].start, band["front"][-1].end)
        assert long - 0.01 <= x1 - x0 <= long + 4.0, "as long as the box on its side, which the neck's curve cuts short"
        assert long <= LONG
    assert all(seam.walks for size in pattern.envelope.sizes for seam in walk(pattern, size))
    assert goes_the_whole_way(description, pathlib.Path("/nowhere"), lay=False) == []


def test_the_allowances_of_the_box_do_not_meet_in_its_middle():
    piece = compose(half()).pattern.piece("front")
    assert piece.edge("placket").allowance == piece.edge(PLACKET_BASE).allowance == NARROW
    cutting = Polygon(lines(piece, "14").cutting_ring())
    assert cutting.is_valid
    slot = box(*Polygon(lines(piece, "14").seam_ring()).bounds).difference(cutting)
    assert pytest.approx(5.0) == FRONT_BAND / 2 - NARROW
    assert slot.intersection(box(0, 0, 400, 4.9)).area > 4.9 * 150


@pytest.mark.parametrize(
    ("features", "field", "says"),
    [
        ({"opening": Opening(Where.FRONT, OpeningKind.BUTTONS, 600.0)}, "features.opening.length", ") at most"),
        ({"opening": Opening(Where.FRONT, OpeningKind.BUTTONS, 50.0)}, "features.opening.length", "at least"),
        ({"opening": replace(BUTTONS, placket=Placket.GROWN_ON)}, "features.opening.placket", "bands of its own"),
        ({"neck": Neck(NeckShape.ROUND, NeckFinish.FACING)}, "features.neck.finish", "catches"),
        ({"neck": Neck(NeckShape.V)}, "features.neck.shape", "than a V"),
        ({"collar": CollarKind.FLAT}, "features.collar", "flat collar"),
        ({"shaping": (Shaping.YOKE,)}, "features.opening.kind", "no room"),
        ({"shaping": (Shaping.SQUARE_YOKE,)}, "features.front.shaping", "plain middle"),
        ({"lining": Lining()}, "features.lining", "behind a half placket"),
        ({"centre": Centre.SEAM}, "features.front.centre", "half placket"),
    ],
)
def test_what_does_not_go_with_a_half_placket_is_refused_at_its_field(features, field, says):
    given_ = {"centre": Centre.FOLD, "opening": Opening(Where.FRONT, OpeningKind.BUTTONS), **features}
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(**given_))
    assert any(one.field == field and says in one.why for one in refused.value.refusals)


def test_a_flat_collar_is_refused_on_a_band_of_its_own():
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(opening=replace(BUTTONS, placket=Placket.BAND), collar=CollarKind.FLAT))
    assert [one.field for one in refused.value.refusals] == ["features.opening.placket"]


def test_a_head_goes_through_a_half_placket_without_a_wider_neck():
    plain = compose(Description(name="It", garment=GarmentKind.TOP)).pattern
    opened = compose(half()).pattern
    for size in opened.envelope.sizes:
        assert along_neck(opened, size, 1000.0) < along_neck(plain, size, 1000.0)


def test_the_lower_end_is_closed_last_and_the_corners_are_held_before_they_are_cut():
    pattern = compose(half(collar=CollarKind.SHIRT)).pattern
    made = compile_garment(pattern, "A", "14", MakingChoices())
    assert made.gaps == ()
    order = [op.id for op in sequence(made.operations)]
    told = ("reinforce-placket-end", "open-corners-placket-end", "sew-bands", "turn-in-bands", "close-placket-end")
    assert [order.index(id) for id in told] == sorted(order.index(id) for id in told)
    assert order.index("close-placket-end") < order.index("buttonholes-opening")


laps = st.builds(
    described,
    where=st.sampled_from(["front", "back"]),
    centre=st.sampled_from([Centre.OPEN, Centre.FOLD]),
    shaping=st.lists(st.sampled_from(list(Shaping)), max_size=1).map(tuple),
    garment=st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.NIGHTDRESS, GarmentKind.JACKET]),
    figure=st.sampled_from(list(Figure)),
    opening=st.builds(
        Opening,
        where=st.just(Where.FRONT),
        kind=st.sampled_from([OpeningKind.BUTTONS, OpeningKind.SNAPS]),
        length=st.sampled_from([None, 150.0, 250.0]),
        count=st.sampled_from([None, 1, 4]),
        placket=st.none() | st.sampled_from(list(Placket)),
    ),
    neck=st.builds(Neck, shape=st.sampled_from(list(NeckShape)), finish=st.none() | st.sampled_from(list(NeckFinish))),
    collar=st.none() | st.sampled_from([CollarKind.SHIRT, CollarKind.STAND, CollarKind.ONE_PIECE, CollarKind.FLAT]),
    sleeve=st.none() | st.builds(Sleeve, kind=st.sampled_from(list(SleeveKind))),
    waist=st.sampled_from([None, Waist.SEAM, Waist.ELASTIC_CASING]),
    cloth=st.sampled_from(list(Structure)),
)


@settings(suppress_health_check=[HealthCheck.filter_too_much, HealthCheck.too_slow], deadline=None)
@given(description=laps)
def test_whatever_laps_goes_the_whole_way_or_is_refused(description):
    where = Where.FRONT if description.features.back.centre is not Centre.OPEN else Where.BACK
    features = replace(description.features, opening=replace(description.features.opening, where=where))
    description = replace(description, features=features)
    try:
        pattern = compose(description).pattern
    except DescriptionRefused as refused:
        assert all(one.field and one.why for one in refused.refusals)
        return
    assert list(faults(pattern)) == []
    assert goes_the_whole_way(description, pathlib.Path("/nowhere"), lay=False) == []


def test_no_lining_is_worked_out_behind_a_half_placket():
    pattern = compose(half(collar=CollarKind.SHIRT)).pattern
    assert schools(pattern, "A", "14") == (LiningSchool.NONE,)
    assert LiningSchool.WHOLE in schools(compose(described()).pattern, "A", "14")


# ---------------------------------------------------------------- where buttons stand, and skirts


def down_the_edge(pattern, size):
    """How far below the neck or the waist every fastening stands, along the edge that closes."""
    pieces = {p.piece: p.edge for j in pattern.making.joins if j.id == "bands" for p in j.b} or {
        p.piece: p.edge for f in pattern.making.finishes if f.id == "front-edges" for p in f.parts
    }
    if not pieces:
        join = next(j for j in pattern.making.joins if j.id == "opening-facing")
        pieces = {p.piece: p.edge for p in join.a if p.edge == "opening"}
    found, above = [], 0.0
    for id in sorted(pieces, key=lambda id: ("skirt" in id, "yoke" not in id)):
        run = flatten(pattern.piece(id).shapes[size].edges[pieces[id]], 0.2)
        top, low = min(q[0] for q in run), max(q[0] for q in run)
        marked = (PointKind.BUTTON, PointKind.BUTTONHOLE)
        found += [above + q.at[size][0] - top for q in pattern.piece(id).points if q.kind in marked]
        above += low - top
    return sorted(found), above


@pytest.mark.parametrize("placket", Placket)
@pytest.mark.parametrize("cut", CUTS)
@pytest.mark.parametrize("count", [4, 7])
def test_buttons_stand_evenly_over_the_whole_edge_one_at_the_fullest_bust(cut, placket, count):
    """Spacing and the one at the bust: common practice, no source."""
    opening = replace(BUTTONS, placket=placket, count=count)
    pattern = compose(described(**CUTS[cut], opening=opening, **NECKS["bound"])).pattern
    for size in pattern.envelope.sizes:
        places, whole = down_the_edge(pattern, size)
        assert len(places) == count
        apart = [b - a for a, b in pairwise(places)]
        # At a seam across one is moved off it.
        assert max(apart) - min(apart) <= 2 * OFF_SEAM + 1
        assert 5 <= places[0] <= 40 and 40 <= whole - places[-1] <= 105 + 1.6 * max(apart)
        bust = next((q.at[size][0] for p in pattern.pieces for q in p.points if q.kind is PointKind.BUST), None)
        if cut in ("plain", "princess") and count == 7 and bust is not None:
            top = min(q[0] for run in opening_edges(pattern, size) for q in run)
            assert min(abs(at - (bust - top)) for at in places) < 1


def skirt(**features):
    given_ = {"waist": Waist.WAISTBAND, "skirt": Skirt(SkirtKind.A_LINE), **features}
    return Description(name="It", garment=GarmentKind.SKIRT, features=Features(**given_))


@pytest.mark.parametrize("placket", [None, *Placket])
@pytest.mark.parametrize("kind", [SkirtKind.STRAIGHT, SkirtKind.A_LINE, SkirtKind.GATHERED, SkirtKind.KNIFE_PLEATS])
@pytest.mark.parametrize("where", ["front", "back"])
def test_a_skirt_that_buttons_is_open_from_the_band_to_the_hem(where, kind, placket):
    opening = Opening(Where(where), OpeningKind.BUTTONS, count=6, placket=placket)
    description = skirt(**{where: Side(Centre.OPEN)}, opening=opening, skirt=Skirt(kind))
    pattern = compose(description).pattern
    assert not any(j.id == f"centre-{where}" for j in pattern.making.joins), "nothing sews it shut"
    assert number_of(pattern, "14", (PointKind.BUTTONHOLE,)) == 6
    for size in pattern.envelope.sizes:
        edge = {round(q[1], 6) for run in opening_edges(pattern, size) for q in run}.pop()
        assert edge - (FRONT_BAND if placket is Placket.BAND else 0.0) == pytest.approx(-EXTENSION)
        (hole,) = pattern.piece("waistband").points
        assert hole.at[size][0] == pytest.approx(EXTENSION), "on the centre line, as far from the band's end as the lap"
    assert goes_the_whole_way(description, pathlib.Path("/nowhere"), lay=False) == []


def test_a_skirt_that_is_open_says_what_closes_it():
    for opening in (Opening(), Opening(Where.FRONT, OpeningKind.HOOK_AND_EYE)):
        with pytest.raises(DescriptionRefused) as refused:
            compose(skirt(front=Side(Centre.OPEN), opening=opening))
        assert any(one.field.startswith("features.opening.") for one in refused.value.refusals)


AT_TOP = {
    "skirt, hooks": skirt(back=Side(Centre.SEAM), opening=Opening(Where.BACK, OpeningKind.HOOK_AND_EYE)),
    "skirt, a button": skirt(back=Side(Centre.SEAM), opening=Opening(Where.BACK, OpeningKind.BUTTONS)),
    "faced skirt": skirt(
        back=Side(Centre.SEAM), opening=Opening(Where.BACK, OpeningKind.HOOK_AND_EYE), waist=Waist.FACING
    ),
    "faced neck": described(
        where="back", centre=Centre.SEAM, opening=Opening(Where.BACK, OpeningKind.HOOK_AND_EYE, 150.0)
    ),
    "bound neck": described(
        where="back", centre=Centre.SEAM, opening=Opening(Where.BACK, OpeningKind.TIES, 150.0), **NECKS["bound"]
    ),
    "flat collar": described(
        where="back", centre=Centre.SEAM, opening=Opening(Where.BACK, OpeningKind.TIES), collar=CollarKind.FLAT
    ),
}


@pytest.mark.parametrize("name", AT_TOP)
def test_a_seam_that_is_left_open_at_its_top_is_sewn_below_it_and_nothing_goes_across(name):
    pattern = compose(AT_TOP[name]).pattern
    made = compile_garment(pattern, "A", "14", MakingChoices())
    assert made.gaps == ()
    steps = {op.id: op for op in sequence(made.operations)}
    long = pattern.piece("back").mark("open-end").distance["14"]
    said = " ".join(steps["sew-centre-back"].how)
    assert f"The upper {long / 10:.0f} cm stays open" in said and "from the lower end up to the mark" in said
    assert not any("centre-back-facing" in join.id for join in pattern.making.joins), "no facing closes it"
    over = next(steps[id] for id in ("sew-waist", "sew-waist-facing", "sew-neck-facing", "bind-neck") if id in steps)
    assert "all round" not in " ".join(over.how)
    assert goes_the_whole_way(AT_TOP[name], pathlib.Path("/nowhere"), lay=False) == []


AT_THE_SIDE = {
    "a button": skirt(opening=Opening(Where.LEFT_SIDE, OpeningKind.BUTTONS)),
    "hooks": skirt(opening=Opening(Where.LEFT_SIDE, OpeningKind.HOOK_AND_EYE, 160.0)),
    "faced": skirt(opening=Opening(Where.LEFT_SIDE, OpeningKind.HOOK_AND_EYE), waist=Waist.FACING),
    "trousers": Description(
        name="Trousers",
        garment=GarmentKind.TROUSERS,
        features=Features(opening=Opening(Where.LEFT_SIDE, OpeningKind.SNAPS), waist=Waist.WAISTBAND),
    ),
}


@pytest.mark.parametrize("name", AT_THE_SIDE)
def test_at_a_waist_the_left_side_alone_is_left_open(name):
    pattern = compose(AT_THE_SIDE[name]).pattern
    made = compile_garment(pattern, "A", "14", MakingChoices())
    assert made.gaps == ()
    steps = {op.id: " ".join(op.how) for op in sequence(made.operations)}
    (slit,) = pattern.making.details
    seam = slit.along[0].removesuffix("-left")
    long = pattern.piece("front").mark("open-end").distance["14"]
    assert f"The upper {long / 10:.0f} cm stays open" in steps[f"sew-{seam}-left"]
    assert "stays open" not in steps[f"sew-{seam}-right"] and f"open-{seam}-right" not in steps
    over = steps.get("sew-waist") or steps["neaten-waist-facing-edge"]
    assert "all round" not in over and "zip" not in over
    if name == "a button":
        assert "the front laps over the back" in steps["buttonholes-opening"]
    assert goes_the_whole_way(AT_THE_SIDE[name], pathlib.Path("/nowhere"), lay=False) == []


def test_a_facing_ends_where_a_zip_opens_the_side():
    """Sewn together on the right alone, it is no ring."""
    zipped = skirt(opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP), waist=Waist.FACING)
    steps = compile_garment(compose(zipped).pattern, "A", "14", MakingChoices()).operations
    assert "from end to end" in " ".join(next(op for op in steps if op.id == "neaten-waist-facing-edge").how)


@pytest.mark.parametrize(("where", "slit"), [(Where.LEFT_SIDE, Slit.SIDES), (Where.BACK, Slit.BACK)])
def test_one_seam_is_not_opened_at_both_ends_but_two_are_at_one_each(where, slit):
    back, hooks = Side(Centre.SEAM), Opening(where, OpeningKind.HOOK_AND_EYE)
    with pytest.raises(DescriptionRefused) as refused:
        compose(skirt(back=back, opening=hooks, skirt=Skirt(SkirtKind.A_LINE, slit=slit)))
    assert [one.field for one in refused.value.refusals] == ["features.skirt.slit"]
    other = Slit.BACK if slit is Slit.SIDES else Slit.SIDES
    both = skirt(back=back, opening=hooks, skirt=Skirt(SkirtKind.A_LINE, slit=other))
    assert goes_the_whole_way(both, pathlib.Path("/nowhere"), lay=False) == []


@pytest.mark.parametrize("kind", [OpeningKind.BUTTONS, OpeningKind.TIES])
def test_what_closes_a_band_at_the_side_needs_one(kind):
    with pytest.raises(DescriptionRefused) as refused:
        compose(skirt(opening=Opening(Where.LEFT_SIDE, kind), waist=Waist.FACING))
    assert [one.field for one in refused.value.refusals] == ["features.opening.kind"]


def test_a_binding_goes_from_one_side_of_a_zip_in_the_centre_to_the_other():
    zip_ = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 300.0)
    pattern = compose(described(where="back", centre=Centre.SEAM, opening=zip_, **NECKS["bound"])).pattern
    steps = compile_garment(pattern, "A", "14", MakingChoices()).operations
    assert "from end to end" in " ".join(next(op for op in steps if op.id == "bind-neck").how)


def ordered(**features):
    pattern = compose(described(**features)).pattern
    return {op.id: op for op in sequence(compile_garment(pattern, "A", "14", MakingChoices()).operations)}


def test_the_end_of_a_facing_is_covered_by_the_edge_that_laps_or_caught_in_the_band():
    faced = {"neck": Neck(NeckShape.ROUND, NeckFinish.FACING)}
    steps = ordered(**faced)
    order = list(steps)
    assert order.index("fold-front-edges") < order.index("sew-neck-facing") < order.index("turn-in-front-edges")
    assert "over the facing's end" in " ".join(steps["sew-neck-facing"].how)
    banded = list(ordered(opening=replace(BUTTONS, placket=Placket.BAND), **faced))
    assert banded.index("turn-neck-facing") < banded.index("sew-bands")


def test_edges_folded_on_themselves_lie_in_the_seam_of_what_goes_over_their_ends():
    for neck, over in (
        (NECKS["shirt collar"], "sew-neck"),
        (NECKS["stand"], "sew-neck"),
        (NECKS["bound"], "bind-neck"),
    ):
        order = list(ordered(**neck))
        assert order.index("turn-in-front-edges") < order.index(over)


@pytest.mark.parametrize(
    ("features", "field"),
    [
        ({"back": Side(Centre.OPEN), "opening": Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)}, "opening.where"),
        (
            {
                "front": Side(Centre.OPEN),
                "back": Side(Centre.SEAM),
                "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
            },
            "opening.where",
        ),
        ({"front": Side(Centre.OPEN), "back": Side(Centre.OPEN), "opening": BUTTONS}, "back.centre"),
        ({"front": Side(Centre.OPEN), "opening": BUTTONS, "waist": Waist.FACING}, "waist"),
        ({"front": Side(Centre.OPEN), "opening": BUTTONS, "skirt": Skirt(SkirtKind.CIRCLE)}, "skirt.kind"),
    ],
)
def test_what_a_skirt_that_is_open_cannot_be_is_refused_at_its_field(features, field):
    with pytest.raises(DescriptionRefused) as refused:
        compose(skirt(**features))
    assert f"features.{field}" in {one.field for one in refused.value.refusals}


SHIRT = ["1 Front: cut 1 on fold", "2 Back: cut 1 on fold", "3 Placket: cut 2", "4 Collar: cut 2 on fold"]


@pytest.mark.parametrize(
    ("stand", "asks"),
    [
        ("5 Collar stand: cut 2 on fold", ""),
        ("5 Collar stand: cut 2", ""),
        ("5 Collar stand: cut 1 on fold", "Inner collar stand"),
        ("5 Collar stand: cut 4", "Collar stand"),
    ],
)
def test_a_list_that_cuts_both_layers_of_a_collar_by_one_tissue_is_understood(stand, asks):
    pattern = compose(half(collar=CollarKind.SHIRT)).pattern
    questions = [t.listed.name for t in ticked_off(pattern, read_pieces([*SHIRT, stand])) if t.question]
    assert (asks in questions) if asks else questions == []


def test_what_laps_is_named_by_what_it_is_and_a_band_has_the_place_of_its_button():
    """Which hand laps is usual for women; what it is called follows from where the garment opens."""
    aprons = Description(
        name="It",
        garment=GarmentKind.APRON,
        features=Features(
            opening=Opening(Where.BACK, OpeningKind.BUTTONS), waist=Waist.WAISTBAND, skirt=Skirt(SkirtKind.GATHERED)
        ),
    )
    told = {
        "The right end laps": aprons,
        "The right back laps": described(where="back"),
        "The right front laps": described(),
        "The right band laps": half(),
    }
    for words, description in told.items():
        pattern = compose(description).pattern
        assert number_of(pattern, pattern.envelope.sizes[0], (PointKind.BUTTONHOLE,)) >= 1
        steps = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
        assert words in " ".join(next(op for op in steps if op.id.startswith("buttonholes")).how)


def test_a_hem_is_levelled_once_the_fit_is_carried_out():
    order = list(ordered(**NECKS["bound"]))
    assert order.index("carry-out-shell") < order.index("try-on-hem") < order.index("level-hem")


def test_the_end_of_a_front_band_has_no_underlap():
    steps = ordered(opening=replace(BUTTONS, placket=Placket.BAND), **NECKS["shirt collar"])
    assert "underlap" not in " ".join(steps["ends-band-inside"].how)
