"""What single features do to the cut, by closed forms and a geometry library.

The proportions of collars, lapels, raglans are from memory; what is tested are facts: lengths that have to agree.
"""

import math
from dataclasses import replace

import pytest
from hypothesis import assume, given
from shapely.geometry import LineString, Polygon

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import (
    Description,
    Features,
    Legs,
    Neck,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Straps,
)
from rowanseed.core.compose.feature import Ended
from rowanseed.core.compose.features import FEATURES
from rowanseed.core.compose.laps import EXTENSIONS
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    BeltKind,
    Boned,
    Centre,
    CollarKind,
    GarmentKind,
    LegKind,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleevePlacket,
    Slit,
    StrapsClosed,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.fastenings import number_of
from rowanseed.core.pattern.making import DetailKind
from rowanseed.core.pattern.pieces import LineKind, Panel, PointKind, Taken
from rowanseed.core.pattern.seamline import line_length, lines, mark_point, seam_length
from rowanseed.core.pattern.walk import walk
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import whole_ones
from .everyday import everyday
from .test_make import ordered

ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 200.0)


def made(garment=GarmentKind.TOP, *, figure=Figure.WOMEN, **features):
    features.setdefault("back", Side(Centre.SEAM))
    features.setdefault("opening", ZIP)
    return compose(Description(name="It", garment=garment, figure=figure, features=Features(**features))).pattern


def buttoned(garment=GarmentKind.JACKET, **features):
    open_ = {"front": Side(Centre.OPEN), "back": Side(), "opening": Opening(Where.FRONT, OpeningKind.BUTTONS)}
    return made(garment, **{**open_, **features})


def ring(pattern, piece, size):
    edges = pattern.piece(piece).shapes[size].edges.values()
    return Polygon([q for chain in edges for q in flatten(chain, 0.2)[:-1]])


def test_every_feature_is_a_file_of_its_own_with_a_name_of_its_own():
    ids = [feature.id for feature in FEATURES]
    assert len(ids) == len(set(ids)) >= 20
    assert all(f.panel or f.skirt or f.carves or f.finish or f.joins or f.adds or f.forbids for f in FEATURES)


@given(description=whole_ones)
def test_every_end_of_a_garment_is_ended_by_one_feature(description):
    """Its opening, its neck, its armholes where no sleeve takes them in; or the top of a skirt or of trousers."""
    assume(not refusals(description))
    garment = description.garment
    of = {what: [f for f in FEATURES if what in f.ends and f.asked(description)] for what in Ended}
    below = garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS)
    assert bool(of[Ended.WAIST]) == below
    assert bool(of[Ended.NECK]) == garment.has_bodice == bool(of[Ended.OPENING]) or below
    bare = description.features.sleeve is None and not description.is_without_shoulders
    assert bool(of[Ended.ARMHOLE]) == (garment.has_bodice and bare)
    for what, found in of.items():
        ranks = [f.rank for f in found]
        assert ranks.count(min(ranks, default=0)) <= 1, (what, [f.id for f in found])


@pytest.mark.parametrize("slit", [Slit.BACK, Slit.SIDES])
@pytest.mark.parametrize("waist", [Waist.NONE, Waist.SEAM])
def test_a_dress_is_slit_at_its_hem_with_a_waist_seam_or_without(slit, waist):
    zip_ = replace(ZIP, length=560.0)
    pattern = made(GarmentKind.DRESS, skirt=Skirt(SkirtKind.STRAIGHT, slit=slit), waist=waist, opening=zip_)
    (slit_,) = [d for d in pattern.making.details if d.kind is DetailKind.SLIT]
    (along,) = slit_.along
    join = next(j for j in pattern.making.joins if j.id == along)
    piece, mark = slit_.to_mark
    assert piece in {p.piece for p in (*join.a, *join.b)}
    found, edge = pattern.piece(piece).mark(mark), pattern.piece(piece).mark(mark).edge
    # It is measured from the hem up.
    ring = [e.name for e in pattern.piece(piece).edges]
    beside = ring[(ring.index(edge) + (1 if found.anchor == "end" else -1)) % len(ring)]
    assert beside == "hem"


@pytest.mark.parametrize("shaping", [Shaping.PLEATS, Shaping.TUCKS])
def test_folds_take_the_waist_of_a_skirt_in_to_what_it_is_said_to_be(shaping):
    pattern = made(
        GarmentKind.SKIRT,
        front=Side(shaping=(shaping,)),
        waist=Waist.WAISTBAND,
        skirt=Skirt(SkirtKind.STRAIGHT, length=600.0),
    )
    for size in pattern.envelope.sizes:
        folds = pattern.piece("front").darts
        assert folds and all(d.is_folded for d in folds)
        waist = 2 * sum(seam_length(pattern.piece(p), size, "waist") for p in ("front", "back"))
        assert waist == pytest.approx(pattern.envelope.finished["A"]["waist"][size], abs=2.0)


@pytest.mark.parametrize("count", [1, 2, 3])
def test_trousers_have_as_many_pleats_as_were_asked_for_and_together_they_take_in_the_same(count):
    pattern = made(
        GarmentKind.TROUSERS,
        opening=Opening(Where.FRONT, OpeningKind.LAPPED_ZIP, 170.0),
        waist=Waist.WAISTBAND,
        legs=Legs(pleats=count),
    )
    front = pattern.piece("front")
    assert [d.taken for d in front.darts] == [Taken.PLEAT] * count
    for size in pattern.envelope.sizes:
        taken = line_length(front, size, "waist") - seam_length(front, size, "waist")
        each = [
            abs(front.mark(b).distance[size] - front.mark(a).distance[size]) for a, b in (d.legs for d in front.darts)
        ]
        assert sum(each) == pytest.approx(taken, abs=0.1) and max(each) - min(each) < 0.1


def test_tucks_at_the_shoulder_leave_it_as_long_as_the_back_s():
    pattern = made(front=Side(shaping=(Shaping.TUCKS,)))
    plain = made()
    for size in pattern.envelope.sizes:
        assert seam_length(pattern.piece("front"), size, "shoulder") == pytest.approx(
            seam_length(plain.piece("front"), size, "shoulder"), abs=0.1
        )


def test_a_raglan_sleeve_carries_the_neck_that_the_body_gives_up():
    raglan = made(sleeve=Sleeve(kind=SleeveKind.RAGLAN))
    plain = made(sleeve=Sleeve())
    for size in raglan.envelope.sizes:
        parts = [seam_length(raglan.piece(p), size, "neck") for p in ("front", "sleeve", "back")]
        whole = [seam_length(plain.piece(p), size, "neck") for p in ("front", "back")]
        assert sum(parts) == pytest.approx(sum(whole), abs=0.3)
        for half in ("front", "back"):
            assert seam_length(raglan.piece("sleeve"), size, f"raglan-{half}") == pytest.approx(
                seam_length(raglan.piece(half), size, "raglan"), abs=0.1
            )


def test_two_pieces_of_a_sleeve_are_together_as_wide_as_one_and_go_into_the_same_armhole():
    two, one = buttoned(sleeve=Sleeve(pieces=2)), buttoned(sleeve=Sleeve())

    def wrist(pattern, size):
        pieces = [p for p in pattern.pieces if p.has_edge("wrist")]
        return sum(chain_length(p.shapes[size].edges["wrist"]) for p in pieces)

    for size in two.envelope.sizes:
        assert wrist(two, size) == pytest.approx(wrist(one, size), abs=0.5)
        caps = [chain_length(two.piece(p).shapes[size].edges["cap"]) for p in ("sleeve", "under-sleeve")]
        assert sum(caps) == pytest.approx(chain_length(one.piece("sleeve").shapes[size].edges["cap"]), abs=0.1)


def test_a_slant_pocket_s_side_piece_is_the_corner_that_the_front_lost():
    """Front and side piece together cover what the plain front covers, and nothing outside it."""
    opening = Opening(Where.FRONT, OpeningKind.LAPPED_ZIP, 170.0)
    trousers = {"opening": opening, "waist": Waist.WAISTBAND}
    slant = made(GarmentKind.TROUSERS, pockets=(Pocket(PocketKind.SLANT, PocketPlace.FRONT),), **trousers)
    plain = made(GarmentKind.TROUSERS, **trousers)
    for size in slant.envelope.sizes:
        whole, front, side = ring(plain, "front", size), ring(slant, "front", size), ring(slant, "pocket-side", size)
        assert whole.symmetric_difference(front.union(side).buffer(0.01)).area < 60.0
        corner = whole.area - front.area
        assert 0.5 * 160 * 35 < corner < 0.5 * 165 * 60


@pytest.mark.parametrize("collar", [CollarKind.NOTCHED, CollarKind.SHAWL])
def test_a_front_that_turns_back_has_the_same_edge_as_its_facing_and_its_collar_fits_the_back_neck(collar):
    pattern = buttoned(collar=collar)
    front, facing = pattern.piece("front"), pattern.piece("front-facing")
    for size in pattern.envelope.sizes:
        assert line_length(front, size, "opening") == pytest.approx(line_length(facing, size, "opening"), abs=0.01)
        neck = line_length(pattern.piece("back"), size, "neck")
        if collar is CollarKind.SHAWL:
            assert line_length(front, size, "collar-neck") == pytest.approx(neck, abs=0.1)
        else:
            own = line_length(pattern.piece("collar"), size, "neck")
            assert own == pytest.approx(neck + line_length(front, size, "neck"), abs=0.1)
    roll = front.line(LineKind.ROLL, "roll")
    assert roll is not None and all(end[1][0] > end[0][0] for end in roll.ends.values())


@pytest.mark.parametrize("figure", list(Figure))
@pytest.mark.parametrize("cloth", list(Structure))
def test_a_hood_goes_round_the_head_and_its_lower_edge_round_the_neck(figure, cloth):
    """Its face edge and the seam over the head go round a head with room: the way from chin over crown to nape is more
    than half the head's girth, and less than all of it (from memory)."""
    described = Description(
        name="It", garment=GarmentKind.TOP, figure=figure, cloth=cloth, features=Features(collar=CollarKind.HOOD)
    )
    pattern = compose(described).pattern
    hood = pattern.piece("hood")
    neck = next(j for j in pattern.making.joins if j.id == "neck")
    assert [p.hand for p in neck.b] == ["left", "right"]
    for size in pattern.envelope.sizes:
        sewn = 2 * sum(line_length(pattern.piece(id), size, "neck") for id in ("front", "back"))
        assert 2 * line_length(hood, size, "neck") == pytest.approx(sewn, abs=0.01)
        ring = Polygon(lines(hood, size).seam_ring())
        assert ring.is_valid and ring.exterior.is_ccw
        face, crown = (line_length(hood, size, edge) for edge in ("face", "crown"))
        high = face - 25.0
        assert 0.55 * 550 * 0.7 < high < 400
        assert high < crown < 2.2 * high
    assert hood.edge("face").allowance == 25.0


@pytest.mark.parametrize(
    ("wrong", "field"),
    [
        ({"front": Side(), "back": Side(Centre.SEAM), "opening": ZIP}, "features.opening.where"),
        ({"front": Side(), "back": Side(Centre.OPEN), "opening": Opening()}, "features.back.centre"),
        ({"neck": Neck(NeckShape.SQUARE)}, "features.neck.shape"),
        ({"neck": Neck(finish=NeckFinish.FACING)}, "features.neck.finish"),
    ],
    ids=str,
)
def test_what_a_hood_is_not_drafted_with_is_refused_at_its_field(wrong, field):
    asked = {"front": Side(Centre.OPEN), "back": Side(), "opening": Opening(), "collar": CollarKind.HOOD, **wrong}
    with pytest.raises(DescriptionRefused) as refused:
        made(GarmentKind.JACKET, **asked)
    assert field in [one.field for one in refused.value.refusals]


def test_a_hood_is_sewn_on_and_its_edge_turned_in_as_an_edge_of_the_garment():
    pattern = everyday("zipped hoodie")
    size = pattern.envelope.sizes[2]
    steps = {op.id: op for op in ordered(pattern, size, MakingChoices()).operations}
    ids = list(steps)
    assert ids.index("sew-hood-crown") < ids.index("sew-neck")
    assert ids.index("press-hood-crown") < ids.index("fold-hood-face")
    assert "sew-on-hood-face" not in steps


HELD = {"front": Side(Centre.OPEN), "back": Side(), "opening": Opening(), "belt": BeltKind.TIE}


@pytest.mark.parametrize("below", [{}, {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.A_LINE)}], ids=["plain", "seam"])
@pytest.mark.parametrize(
    "shown", [{"collar": CollarKind.SHAWL}, {"collar": CollarKind.NOTCHED}, {"neck": Neck(NeckShape.V)}], ids=str
)
def test_fronts_that_only_a_belt_holds_lap_far_over_each_other(shown, below):
    """Ten centimetres beyond the centre each, from the belt to the hem; no button, no buttonhole."""
    pattern = made(GarmentKind.DRESS, **HELD, **shown, **below)
    fronts = [p for p in pattern.pieces if p.panel is Panel.FRONT and p.has_edge("opening")]
    assert len(fronts) == 1 + bool(below)
    for size in pattern.envelope.sizes:
        for piece in fronts:
            edge = flatten(piece.shapes[size].edges["opening"], 0.5)
            assert max(edge)[1] == pytest.approx(-100.0)
        crossing = pattern.piece("front").shapes[size].edges
        if "neck" in shown:
            down = flatten(crossing["neck"], 0.5)
            assert down[-1] == pytest.approx(flatten(crossing["opening"], 0.5)[0])
            # It crosses the centre below the throat and above the bust point.
            centre = LineString(down).intersection(LineString([(0, 0), (600, 0)])).x
            assert 110 < centre < pattern.piece("front").points[0].at[size][0]
    assert not [q for p in pattern.pieces for q in p.points if q.kind in (PointKind.BUTTON, PointKind.BUTTONHOLE)]
    assert not pattern.making.closures


def test_without_a_belt_lapels_meet_at_the_centre_and_a_buttoned_front_laps_as_little_as_ever():
    plain = made(GarmentKind.JACKET, **{**HELD, "belt": None}, collar=CollarKind.SHAWL)
    buttons = buttoned(collar=CollarKind.SHAWL)
    for pattern, edge in ((plain, 0.0), (buttons, -EXTENSIONS[GarmentKind.JACKET])):
        low = max(flatten(pattern.piece("front").shapes["12"].edges["opening"], 0.5))
        assert low[1] == pytest.approx(edge)


@pytest.mark.parametrize("panels", [4, 6, 8])
def test_pointed_panels_run_down_to_points_and_are_hemmed_narrow(panels):
    pattern = made(
        GarmentKind.SKIRT, waist=Waist.WAISTBAND, skirt=Skirt(SkirtKind.POINTED_PANELS, panels=panels, length=600.0)
    )
    size = pattern.envelope.sizes[0]
    for piece in pattern.pieces:
        if not piece.has_edge("hem"):
            continue
        hem = flatten(piece.shapes[size].edges["hem"], 0.1)
        assert max(x for x, _ in hem) == pytest.approx(720.0, abs=0.1)
        assert piece.edge("hem").allowance <= 16.0


def test_a_pleated_band_is_as_long_as_the_flat_one_and_three_times_as_wide():
    pattern = made(GarmentKind.SKIRT, waist=Waist.PLEATED_BAND)
    for size in pattern.envelope.sizes:
        flat, over = pattern.piece("waistband"), pattern.piece("pleated-band")
        assert line_length(over, size, "upper") == pytest.approx(line_length(flat, size, "inner"), abs=0.01)
        assert line_length(over, size, "far-end") == pytest.approx(1.5 * line_length(flat, size, "far-end"), abs=0.01)


def test_straps_take_the_place_of_the_shoulders_and_are_marked_on_the_upper_edge():
    pattern = made(GarmentKind.DRESS, straps=Straps(2, 20.0))
    for id in ("front", "back"):
        piece = pattern.piece(id)
        assert not piece.has_edge("shoulder") and not piece.has_edge("armhole")
        mark = piece.mark("strap")
        for size in pattern.envelope.sizes:
            upper = piece.shapes[size].edges["neck"]
            assert 0 < mark.distance[size] < chain_length(upper)
        # The upper edge begins at the side seam, as high in front as behind.
        sides = [pattern.piece(p).shapes["12"].edges["neck"][0].start[0] for p in ("front", "back")]
        assert sides[0] == pytest.approx(sides[1])


STRAPLESS = {
    "neck": Neck(NeckShape.STRAPLESS),
    "back": Side(Centre.SEAM),
    "opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 500.0),
}


@pytest.mark.parametrize("shaping", [(), (Shaping.BUST_DART,), (Shaping.PRINCESS_SHOULDER,)], ids=str)
def test_a_strapless_top_has_no_straps_no_shoulders_and_sits_close(shaping):
    pattern = made(GarmentKind.DRESS, front=Side(shaping=shaping), **STRAPLESS)
    assert not {"strap", "sleeve", "collar"} & {piece.id for piece in pattern.pieces}
    for piece in pattern.pieces:
        assert not piece.has_edge("shoulder") and not piece.has_edge("armhole")
        assert "strap" not in {mark.id for mark in piece.marks}
    strapped = made(GarmentKind.DRESS, straps=Straps(2, 20.0))
    for size in pattern.envelope.sizes:
        body, finished = pattern.envelope.body_chart["bust"][size], pattern.envelope.finished["A"]["bust"][size]
        assert body <= finished < strapped.envelope.finished["A"]["bust"][size]
        # In front it rises from the side to over the bust, without a corner, and dips to the centre.
        top = [
            p
            for id in ("front", "side-front")
            if (id in {q.id for q in pattern.pieces})
            for p in ring_points(pattern, id, size)
        ]
        rises = min(x for x, _ in top)
        assert rises < min(x for x, y in top if abs(y) < 0.01)


def ring_points(pattern, id, size):
    return flatten(pattern.piece(id).shapes[size].edges["neck"], 0.5)


@pytest.mark.parametrize(
    ("changed", "field"),
    [
        ({"straps": Straps(2, 20.0)}, "features.neck.shape"),
        ({"sleeve": Sleeve()}, "features.sleeve.kind"),
        ({"collar": CollarKind.FLAT}, "features.collar"),
        ({"opening": Opening()}, "features.opening"),
        ({"armhole": ArmholeFinish.FACING}, "features.armhole"),
    ],
)
def test_what_needs_shoulders_or_an_opening_is_refused_of_a_strapless_top(changed, field):
    with pytest.raises(DescriptionRefused) as refused:
        made(GarmentKind.DRESS, **{**STRAPLESS, **changed})
    assert field in [one.field for one in refused.value.refusals]


def test_nothing_that_holds_a_strapless_top_up_is_told():
    held = Description(name="x", garment=GarmentKind.DRESS, features=Features(**STRAPLESS, boning=(Boned.SIDE,)))
    loose = replace(held, features=replace(held.features, boning=()))
    assert "features.boning" in compose(loose).assumed and "features.boning" not in compose(held).assumed


def test_a_strapped_bodice_is_cut_by_princess_seams_that_begin_at_its_straps():
    """Both panels together have the area of the plain half less what the seam takes in (Shapely), and walk."""
    seam = Side(shaping=(Shaping.PRINCESS_SHOULDER,))
    zipped = {"opening": Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0), "waist": Waist.SEAM}
    cut = made(GarmentKind.DRESS, straps=Straps(2, 20.0), front=seam, back=replace(seam, centre=Centre.SEAM), **zipped)
    plain = made(GarmentKind.DRESS, straps=Straps(2, 20.0), front=Side(), back=Side(Centre.SEAM), **zipped)
    for half in ("front", "back"):
        centre, side = (cut.piece(id) for id in (half, f"side-{half}"))
        for size in cut.envelope.sizes:
            starts = [piece.shapes[size].edges["princess"] for piece in (centre, side)]
            assert starts[0][-1].end == pytest.approx(starts[1][0].start)
            assert mark_point(centre, size, centre.mark("strap")) == pytest.approx(starts[1][0].start)
            area = sum(Polygon(lines(piece, size).seam_ring()).area for piece in (centre, side))
            whole = Polygon(lines(plain.piece(half), size).seam_ring()).area
            assert 0 < whole - area < 0.2 * whole
            upper = sum(seam_length(piece, size, "neck") for piece in (centre, side))
            assert upper == pytest.approx(seam_length(plain.piece(half), size, "neck"), abs=0.05)
    assert all(w.walks for size in cut.envelope.sizes for w in walk(cut, size))
    with pytest.raises(DescriptionRefused, match="begins at the upper edge"):
        made(GarmentKind.DRESS, straps=Straps(2, 20.0), front=Side(shaping=(Shaping.PRINCESS_ARMHOLE,)))


@pytest.mark.parametrize("shape", [NeckShape.ROUND, NeckShape.V, NeckShape.SCOOP])
def test_a_flat_collar_follows_the_neck_and_lies_flat(shape):
    """Its outer edge is longer than its neck by about its depth for each radian that it turns (a geometric fact)."""
    pattern = made(GarmentKind.TOP, collar=CollarKind.FLAT, neck=Neck(shape))
    collar = pattern.piece("collar")
    assert collar.cuts[0].pair and collar.cuts[0].count == 2, "in halves: the garment opens at the back"
    for size in pattern.envelope.sizes:
        neck = sum(seam_length(pattern.piece(p), size, "neck") for p in ("front", "back"))
        edges = collar.shapes[size].edges
        assert chain_length(edges["neck"]) == pytest.approx(neck, abs=0.5)
        deep = chain_length(edges["back-end"])
        begins, ends = (direction(edges["neck"][k], at) for k, at in ((-1, 1.0), (0, 0.0)))
        turned = math.acos(max(-1.0, min(1.0, begins[0] * ends[0] + begins[1] * ends[1])))
        assert chain_length(edges["outer"]) == pytest.approx(neck + deep * turned, rel=0.08)
        assert turned > 1.0


def direction(segment, at):
    x, y = segment.derivative(at)
    return x / math.hypot(x, y), y / math.hypot(x, y)


@pytest.mark.parametrize("where", [Where.FRONT, Where.BACK])
def test_a_flat_collar_ends_at_the_centre_line_of_an_edge_that_laps(where):
    """Buttoned, its ends meet: they do not lie over each other by the lap."""
    front, back = (Centre.OPEN if where is at else Centre.FOLD for at in (Where.FRONT, Where.BACK))
    pattern = compose(
        Description(
            name="Dress",
            garment=GarmentKind.DRESS,
            features=Features(
                front=Side(centre=front),
                back=Side(centre=back),
                opening=Opening(where, OpeningKind.BUTTONS),
                collar=CollarKind.FLAT,
            ),
        )
    ).pattern
    size = pattern.envelope.sizes[2]
    neck = sum(seam_length(pattern.piece(p), size, "neck") for p in ("front", "back"))
    collar = pattern.piece("collar")
    assert seam_length(collar, size, "neck") == pytest.approx(neck - 15, abs=0.5)
    assert (collar.cuts[0].fold is None) is (where is Where.BACK)
    (seam,) = [j for j in pattern.making.joins if j.id == "collar-neck"]
    assert sum(p.to_mark is not None for p in seam.a) == 1


@pytest.mark.parametrize(
    "wrong", [{"sleeve": Sleeve()}, {"collar": CollarKind.FLAT}, {"front": Side(shaping=(Shaping.YOKE,))}]
)
def test_what_needs_shoulders_is_refused_with_straps(wrong):
    with pytest.raises(DescriptionRefused, match=r"traps|houlders"):
        made(GarmentKind.DRESS, straps=Straps(2, 20.0), **wrong)


@pytest.mark.parametrize("end", [SleeveEnd.CUFF, SleeveEnd.GATHERED_CUFF])
def test_a_cuff_above_a_placket_laps_and_buttons_and_without_one_is_closed_round_the_hand(end):
    """A hand measures about 220 mm round its knuckles (from memory): a closed ring goes over it."""
    open_, closed = (
        buttoned(GarmentKind.TOP, collar=CollarKind.SHIRT, sleeve=Sleeve(end=end, placket=placket))
        for placket in (SleevePlacket.CONTINUOUS, None)
    )
    for size in open_.envelope.sizes:
        rings = [seam_length(p.piece("cuff"), size, "sleeve") for p in (open_, closed)]
        assert rings[0] == pytest.approx(rings[1] + 25.0) and rings[1] > 220.0
    assert any(j.id == "cuff-ends" for j in closed.making.joins)
    assert not any(j.id == "cuff-ends" for j in open_.making.joins)
    holes = number_of(open_, "12", (PointKind.BUTTONHOLE,)) - number_of(closed, "12", (PointKind.BUTTONHOLE,))
    assert holes == 2, "one on each cuff"
    (closure,) = [c for c in open_.making.closures if c.id == "cuff-buttons"]
    assert number_of(open_, "12", (PointKind.BUTTONHOLE,), closure) == 2


@pytest.mark.parametrize("kind", list(LegKind))
def test_a_heel_goes_through_the_legs_of_woven_trousers(kind):
    """About 310 mm round heel and instep (from memory)."""
    pattern = made(GarmentKind.TROUSERS, opening=Opening(), back=Side(), legs=Legs(kind=kind))
    for size in pattern.envelope.sizes:
        ends = [seam_length(pattern.piece(p), size, "hem") for p in ("front", "back")]
        assert sum(ends) > 310.0


@pytest.mark.parametrize("closed", list(StrapsClosed))
def test_straps_are_cut_four_times_as_wide_as_they_finish_and_close_as_they_are_said_to(closed):
    pattern = made(GarmentKind.PINAFORE, straps=Straps(2, 30.0, closed))
    size = pattern.envelope.sizes[0]
    strap = pattern.piece("strap")
    assert line_length(strap, size, "lower") == pytest.approx(120.0)
    kinds = {c.kind.value for c in pattern.making.closures if c.id == "strap-closure"}
    assert kinds == (set() if closed is StrapsClosed.SEWN_IN else {closed.value})
    assert strap.cuts[0].count == (4 if closed is StrapsClosed.TIES else 2)


def test_a_described_feature_survives_its_document():
    description = Description(
        name="It",
        garment=GarmentKind.JACKET,
        features=Features(
            front=Side(Centre.OPEN),
            opening=Opening(Where.FRONT, OpeningKind.BUTTONS),
            collar=CollarKind.NOTCHED,
            sleeve=Sleeve(pieces=2),
        ),
    )
    again = read_description(write_description(description))
    assert again.features == description.features
    assert math.isclose(again.allowance, description.allowance)


@pytest.mark.parametrize("garment", [GarmentKind.COAT, GarmentKind.TOP])
def test_a_shoulder_dart_has_room_on_the_shortest_shoulder(garment):
    """A child's, whose neck is as wide as its head needs: both legs stand on the edge, clear of neck and armhole."""
    pattern = compose(
        Description(
            name="Small",
            garment=garment,
            figure=Figure.CHILDREN,
            features=Features(back=Side(shaping=(Shaping.SHOULDER_DART,)), collar=CollarKind.FLAT, sleeve=Sleeve()),
        )
    ).pattern
    back = pattern.piece("back")
    for size in pattern.envelope.sizes:
        long = chain_length(back.shapes[size].edges["shoulder"])
        legs = [back.mark(leg).distance[size] for leg in back.darts[0].legs]
        assert min(legs) > 8 and max(legs) < long - 8


def test_both_sides_are_boned_beside_a_zip_in_one():
    pattern = made(opening=Opening(Where.LEFT_SIDE, OpeningKind.CENTRED_ZIP), back=Side(), boning=(Boned.SIDE,))
    (boning,) = [one for one in pattern.making.details if one.kind is DetailKind.BONING]
    assert set(boning.along) == {"sides-left", "sides-right"}


# ---------------------------------------------------------------- darts at a waist


def intakes(pattern, piece, size):
    own = pattern.piece(piece)
    legs = [[own.mark(leg).distance[size] for leg in dart.legs] for dart in own.darts]
    return [last - first for first, last in legs]


@pytest.mark.parametrize("figure", list(Figure))
@pytest.mark.parametrize("garment", [GarmentKind.SKIRT, GarmentKind.TROUSERS])
def test_belly_and_seat_get_the_darts_they_ask_for(garment, figure):
    """The front's darts are shallow and the back's take in more, two where one would be deep (common practice, no
    source); men's trousers have none in front."""
    pattern = made(garment, figure=figure)
    for size in pattern.envelope.sizes:
        front, back = (intakes(pattern, piece, size) for piece in ("front", "back"))
        assert sum(front) < sum(back)
        assert all(8 <= one <= 42 for one in (*front, *back)), (size, front, back)
        flat = garment is GarmentKind.TROUSERS and figure in (Figure.MEN, Figure.CHILDREN)
        assert bool(front) != flat and back


@pytest.mark.parametrize("garment", [GarmentKind.SKIRT, GarmentKind.TROUSERS])
@pytest.mark.parametrize("half", ["front", "back"])
def test_darts_are_where_they_are_said_to_be(garment, half):
    other = {"front": "back", "back": "front"}[half]
    sides = {half: Side(Centre.SEAM, (Shaping.WAIST_DART,)), other: Side(Centre.SEAM)}
    pattern = made(garment, **sides, opening=Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 180.0))
    for size in pattern.envelope.sizes:
        assert intakes(pattern, half, size) and not intakes(pattern, other, size)
        waist = 2 * sum(line_length(pattern.piece(p), size, "waist") - sum(intakes(pattern, p, size)) for p in sides)
        assert waist == pytest.approx(pattern.envelope.finished["A"]["waist"][size], abs=2)
        assert all(one.walks for one in walk(pattern, size))


def test_pleats_in_front_alone_leave_side_seams_that_meet():
    pattern = made(
        GarmentKind.SKIRT,
        front=Side(shaping=(Shaping.PLEATS,)),
        skirt=Skirt(SkirtKind.STRAIGHT, darts=False),
        waist=Waist.WAISTBAND,
    )
    assert pattern.piece("front").darts and not pattern.piece("back").darts
    assert all(one.walks for size in pattern.envelope.sizes for one in walk(pattern, size))


# ---------------------------------------------------------------- princess seams below a yoke

BELOW_A_YOKE = (Shaping.PRINCESS_ARMHOLE, Shaping.YOKE)
ZIPPED_BEHIND = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)


@pytest.mark.parametrize("neck", [NeckShape.ROUND, NeckShape.HIGH])
def test_a_yoke_above_princess_seams_is_cut_off_their_centre_panels_alone(neck):
    """Sewn together, armhole, neck and shoulder are as long as without it."""
    halves = {
        "front": Side(Centre.FOLD, BELOW_A_YOKE),
        "back": Side(Centre.SEAM, BELOW_A_YOKE),
        "opening": ZIPPED_BEHIND,
        "neck": Neck(neck, NeckFinish.FACING),
    }
    plain = {**halves, **{k: replace(halves[k], shaping=(Shaping.PRINCESS_ARMHOLE,)) for k in ("front", "back")}}
    yoked, whole = made(GarmentKind.DRESS, **halves), made(GarmentKind.DRESS, **plain)
    for half in ("front", "back"):
        pieces = (half, f"side-{half}", f"{half}-yoke")
        yoke = yoked.piece(f"{half}-yoke")
        assert not yoke.has_edge("princess") and not yoked.piece(half).has_edge("shoulder")
        for size in yoked.envelope.sizes:
            for edge in ("armhole", "neck", "shoulder"):
                one, other = (
                    sum(
                        chain_length(p.shapes[size].edges[edge])
                        for p in pattern.pieces
                        if p.id in pieces and p.has_edge(edge)
                    )
                    for pattern in (yoked, whole)
                )
                assert one == pytest.approx(other, abs=0.05)
            # The seam lies above where the princess seam leaves the armhole.
            seam = yoke.shapes[size].edges["yoke"][-1].end
            leaves = yoked.piece(f"side-{half}").shapes[size].edges["princess"][0].start
            assert seam[0] < leaves[0] - 2.0
    assert all(w.walks for size in yoked.envelope.sizes for w in walk(yoked, size))


def test_a_yoke_above_princess_seams_is_sewn_on_before_the_shoulders():
    halves = {"front": Side(Centre.FOLD, BELOW_A_YOKE), "back": Side(Centre.SEAM, BELOW_A_YOKE)}
    pattern = made(GarmentKind.DRESS, **halves, opening=ZIPPED_BEHIND)
    size = pattern.envelope.sizes[0]
    ids = [op.id for op in ordered(pattern, size, MakingChoices()).operations]
    for half in ("front", "back"):
        assert ids.index(f"sew-yoke-{half}") < ids.index("sew-shoulders")


@pytest.mark.parametrize(
    "shaping",
    [
        (Shaping.PRINCESS_SHOULDER, Shaping.YOKE),
        (Shaping.PRINCESS_ARMHOLE, Shaping.SQUARE_YOKE),
        (*BELOW_A_YOKE, Shaping.GATHERS_UNDER_YOKE),
    ],
    ids=str,
)
def test_what_a_yoke_above_princess_seams_does_without_is_refused_at_its_field(shaping):
    with pytest.raises(DescriptionRefused) as refused:
        made(GarmentKind.DRESS, front=Side(Centre.FOLD, shaping), back=Side(Centre.SEAM), opening=ZIPPED_BEHIND)
    assert "features.front.shaping" in [one.field for one in refused.value.refusals]
