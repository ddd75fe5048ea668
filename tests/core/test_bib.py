"""A bib on a waistband: how large, where it stands, what holds it up, in which order it is sewn.

Its usual size, how long its straps are and the order of its steps are common practice, no source.
"""

from dataclasses import replace
from itertools import product

import pytest
from hypothesis import HealthCheck, assume, given, settings
from hypothesis import strategies as st

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.change import Alteration
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Band, Bib, Description, Features, Opening, Side, Skirt, Straps
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.own_description import OWN, describe
from rowanseed.core.compose.own_measure import CLOSINGS, Own, OwnKind
from rowanseed.core.compose.own_sums import sums
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    BibShape,
    Centre,
    GarmentKind,
    OpeningKind,
    SkirtKind,
    StrapsClosed,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.pattern.seamline import lines, mark_distance
from rowanseed.drawings.line.drawing import line_drawing
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import bibbed, mended
from .everyday import everyday

AT_SIDE = Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)
AT_BACK = Opening(Where.BACK, OpeningKind.CENTRED_ZIP)
TWO, AROUND = Straps(2, 30.0), Straps(1, 25.0)
TIED = Straps(2, 25.0, StrapsClosed.TIES)
SKIRT = Features(back=Side(Centre.SEAM), opening=AT_SIDE, waist=Waist.WAISTBAND, bib=Bib(), straps=TWO)
CARRIED = (GarmentKind.SKIRT, GarmentKind.TROUSERS, GarmentKind.APRON)


def described(garment=GarmentKind.SKIRT, features=SKIRT, figure=Figure.WOMEN, **more):
    if garment is GarmentKind.APRON:
        features = replace(features, back=Side(), opening=Opening())
    return Description(name="It", garment=garment, figure=figure, features=replace(features, **more))


def made(*args, **more):
    return compose(described(*args, **more)).pattern


def steps(pattern):
    size = pattern.envelope.sizes[0]
    return sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)


def before(order, first, then):
    ids = [op.id for op in order]
    return ids.index(first) < ids.index(then)


def refused_at(description):
    return {one.field for one in refusals(description)}


# ---------------------------------------------------------------- how large


@given(wide=st.floats(80, 240), high=st.floats(80, 400), shape=st.sampled_from(BibShape))
@settings(max_examples=25, deadline=None)
def test_it_is_as_wide_and_as_high_as_is_said(wide, high, shape):
    try:
        pattern = made(bib=Bib(shape, wide, high))
    except DescriptionRefused:
        assume(False)
    bib, facing = pattern.piece("bib"), pattern.piece("bib-facing")
    for size in pattern.envelope.sizes:
        edges = bib.shapes[size].edges
        assert 2 * chain_length(edges["top"]) == pytest.approx(wide, abs=0.01)
        assert chain_length(edges["centre"]) == pytest.approx(high, abs=0.01)
        wider = chain_length(edges["lower"]) - chain_length(edges["top"])
        assert (wider > 0.05 * high) is (shape is BibShape.TAPERED)
        assert edges == facing.shapes[size].edges, "its facing is cut alike"


@pytest.mark.parametrize(("garment", "figure"), list(product(CARRIED, Figure)))
def test_a_usual_one_is_never_too_wide_for_a_usual_body(garment, figure):
    straps = AROUND if garment is GarmentKind.APRON else TWO
    for shape in BibShape:
        composed = compose(described(garment, figure=figure, bib=Bib(shape), straps=straps))
        assert {"features.bib.width", "features.bib.height"} <= set(composed.assumed)
        said = compose(described(garment, figure=figure, bib=Bib(shape, 150.0, 200.0), straps=straps)).assumed
        assert not {"features.bib.width", "features.bib.height"} & set(said)


def test_one_that_would_reach_the_side_seams_is_refused_at_its_width_with_the_room_there_is():
    with pytest.raises(DescriptionRefused) as refused:
        made(bib=Bib(BibShape.STRAIGHT, 420.0))
    (told,) = refused.value.refusals
    assert told.field == "features.bib.width"
    room = front_of(made(), made().envelope.sizes[0])
    assert f"{2 * room / 10:.1f}".rstrip("0").rstrip(".") in told.why


def front_of(pattern, size):
    """Half of the front on the band, from the sides' notches: the right side and where the band begins."""
    return sum(
        chain_length(piece.shapes[size].edges["waist"]) - intake(piece, size)
        for piece in pattern.pieces
        if piece.panel is Panel.FRONT and piece.has_edge("waist")
    )


def intake(piece, size):
    at = [[mark_distance(piece, size, piece.mark(leg)) for leg in d.legs] for d in piece.darts if d.edge == "waist"]
    return sum(abs(b - a) for a, b in at)


@given(band=st.floats(10, 60), allowance=st.sampled_from([10.0, 15.0, 20.0]))
@settings(max_examples=15, deadline=None)
def test_what_of_it_lies_behind_the_band_ends_within_the_band(band, allowance):
    description = replace(described(band=Band(band)), allowance=allowance)
    pattern = compose(description).pattern
    assert 0 < pattern.piece("bib").edge("lower").allowance < band
    assert pattern.piece("bib").edge("lower").allowance <= allowance


# ---------------------------------------------------------------- where it stands


def centre_told(pattern, size):
    """Where the band's line lies, from the band's beginning."""
    (line,) = [one for one in pattern.piece("waistband").lines if one.id == "bib"]
    (x, _), (y, _) = line.ends[size]
    assert x == y, "straight across"
    return x


def sides_on_band(pattern, size):
    """Where both side seams lie on a band that opens at the left one, in its own frame."""
    band = pattern.piece("waistband")
    edge = band.shapes[size].edges["waist"]
    start, end = edge[0].start[0], edge[-1].end[0]
    right = mark_distance(band, size, band.mark("at-seam-2"))
    return start - right, end


@given(description=bibbed)
@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
def test_the_band_says_where_the_centre_front_is_midway_between_the_sides(description):
    whole = mended(description)
    assume(whole is not None and whole.features.bib is not None)
    pattern = compose(whole).pattern
    band = pattern.piece("waistband")
    assume(whole.features.opening.where is Where.LEFT_SIDE and band.cuts[0].count == 1)
    assume(any(mark.id == "at-seam-2" for mark in band.marks))
    for size in pattern.envelope.sizes:
        halves = [p for p in pattern.pieces if p.panel in (Panel.FRONT, Panel.BACK) and p.has_edge("waist")]
        assume(len(halves) == 2)
        right, left = sides_on_band(pattern, size)
        assert centre_told(pattern, size) == pytest.approx((right + left) / 2, abs=1.0)


@pytest.mark.parametrize("by", [-20.0, 30.0])
def test_the_line_stays_at_the_centre_front_when_sides_are_altered_or_sizes_blended_at_the_waist(by):
    pattern = everyday("dungaree skirt")
    sizes = pattern.envelope.sizes
    sides = tuple(Alteration("seam", by, at=f"sides-{hand}", level="waist") for hand in ("left", "right"))
    for asked, blend in ((sides, ()), ((), (("waist", sizes[0 if by < 0 else 2]),))):
        altered = carry_out(pattern, sizes[1], asked, blend).pattern
        right, left = sides_on_band(altered, sizes[1])
        assert abs(left - right - 2 * front_of(pattern, sizes[1])) > 5.0, "the band went along"
        assert centre_told(altered, sizes[1]) == pytest.approx((right + left) / 2, abs=1.0)


def test_on_an_apron_and_on_a_band_without_an_opening_in_front_the_centre_is_the_middle():
    apron = made(GarmentKind.APRON, straps=AROUND)
    gathered = made(skirt=Skirt(SkirtKind.GATHERED), opening=AT_BACK, band=Band(parts=1))
    for pattern, beneath in ((apron, 0.0), (gathered, 30.0)):
        for size in pattern.envelope.sizes:
            band = pattern.piece("waistband").shapes[size].edges["inner"]
            assert centre_told(pattern, size) == pytest.approx((chain_length(band) - beneath) / 2, abs=0.1)


def test_where_the_band_has_a_seam_at_the_centre_front_no_line_is_needed():
    pattern = made(opening=AT_BACK)
    assert pattern.piece("waistband").cuts[0].count == 2
    assert not [line for line in pattern.piece("waistband").lines if line.id == "bib"]


# ---------------------------------------------------------------- what cannot be

CANNOT = {
    "on a dress": (described(GarmentKind.DRESS), "features.bib.shape"),
    "on a waist without a band": (described(waist=Waist.ELASTIC_CASING, opening=Opening()), "features.waist"),
    "where its band opens": (
        described(front=Side(Centre.SEAM), opening=Opening(Where.FRONT, OpeningKind.INVISIBLE_ZIP)),
        "features.opening.where",
    ),
    "above a front that is open": (
        described(front=Side(Centre.OPEN), opening=Opening(Where.FRONT, OpeningKind.BUTTONS)),
        "features.front.centre",
    ),
    "held up by nothing": (described(straps=None), "features.straps.closed by"),
    "by three straps": (described(straps=Straps(3)), "features.straps.count"),
    "by one that is buttoned": (described(straps=Straps(1, 25.0, StrapsClosed.BUTTONS)), "features.straps.count"),
    "by straps on an apron's open back": (described(GarmentKind.APRON, straps=TWO), "features.straps.count"),
    "by ties round a child's neck": (
        described(GarmentKind.APRON, figure=Figure.CHILDREN, straps=TIED),
        "features.straps.closed by",
    ),
}


@pytest.mark.parametrize("case", CANNOT)
def test_what_cannot_be_is_refused_at_its_field(case):
    description, field = CANNOT[case]
    assert field in refused_at(description)


# ---------------------------------------------------------------- how it is sewn


@pytest.mark.parametrize("garment", [GarmentKind.SKIRT, GarmentKind.TROUSERS])
def test_straps_over_the_shoulders_are_caught_in_the_bib_and_sewn_to_the_band_when_their_length_is_known(garment):
    order = steps(made(garment))
    for first, then in (
        ("fold-straps", "baste-straps"),
        ("baste-straps", "made-up-bib"),
        ("made-up-bib", "neaten-bib"),
        ("neaten-bib", "sew-on-bib"),
        ("turn-in-waistband-inside", "sew-on-bib"),
        ("sew-on-bib", "try-straps"),
        ("try-straps", "sew-on-straps"),
    ):
        assert before(order, first, then), (first, then)


def test_one_round_the_neck_is_tried_before_the_bib_is_made_up_and_nothing_is_sewn_to_the_band():
    order = steps(made(GarmentKind.APRON, straps=AROUND))
    assert before(order, "try-straps", "baste-straps") and before(order, "baste-straps", "made-up-bib")
    assert "sew-on-straps" not in [op.id for op in order]
    told = next(op for op in order if op.id == "baste-straps")
    assert "neck" in told.caution and "local rules" in told.caution


@pytest.mark.parametrize("closed", [StrapsClosed.BUTTONS, StrapsClosed.SNAPS, StrapsClosed.TIES])
def test_straps_that_are_closed_are_closed_where_they_end(closed):
    """Behind on the band, or behind the neck."""
    order = steps(made(straps=Straps(2, 30.0, closed)))
    told = " ".join(text for op in order if op.id.endswith("strap-closure") for text in (*op.how, op.look))
    assert ("behind the neck" if closed is StrapsClosed.TIES else "band at the back") in told
    assert "upper edge" not in told and "sew-on-straps" not in [op.id for op in order]


@given(high=st.floats(100, 380))
@settings(max_examples=10, deadline=None)
def test_a_strap_is_as_long_as_the_way_that_its_bib_leaves_to_the_shoulder(high):
    low, tall = (made(bib=Bib(BibShape.STRAIGHT, 200.0, mm)) for mm in (90.0, high))
    for size in low.envelope.sizes:
        long = [max(chain_length(c) for c in p.piece("strap").shapes[size].edges.values()) for p in (low, tall)]
        assert long[0] - long[1] == pytest.approx(high - 90.0, abs=0.1)


# ---------------------------------------------------------------- told, listed, drawn


def test_a_description_with_a_bib_is_written_and_read_again():
    description = described(bib=Bib(BibShape.STRAIGHT, 210.0, None))
    again = read_description(write_description(description))
    assert again.features == description.features


def test_the_booklets_bib_is_ticked_off_and_one_that_was_not_described_is_asked_for():
    listed = read_pieces(("1 Front: cut 1 on fold", "2 Bib: cut 2 on fold", "3 Strap: cut 2"))
    plain = made(bib=None, straps=None)
    (asked,) = [tick for tick in ticked_off(plain, listed) if tick.field == "features.bib.shape"]
    assert asked.piece is None and asked.question.endswith("Has it a bib?")
    ticks = ticked_off(made(), listed)
    (found,) = [tick for tick in ticks if tick.piece is not None and tick.piece.id == "bib"]
    assert found.question == "", "its facing is the second one"
    assert not [tick for tick in ticks if tick.piece is not None and tick.piece.id == "bib-facing"]


@pytest.mark.parametrize("name", ["pinafore", "dungaree skirt", "dungarees", "bib apron", "tied apron"])
def test_its_line_drawing_says_that_there_is_a_bib_and_makes_room_for_it(name):
    pattern = everyday(name)
    bare = replace(
        pattern,
        making=replace(
            pattern.making, details=tuple(d for d in pattern.making.details if d.id not in ("bib", "straps"))
        ),
    )
    whole, without = line_drawing(pattern), line_drawing(bare)
    assert "bib on a band" in whole and "bib on a band" not in without
    assert whole.count("<path") > without.count("<path")


# ---------------------------------------------------------------- cut to the measure


@given(wide=st.floats(120, 300), high=st.floats(120, 350), strap=st.floats(15, 50), seam=st.floats(8, 20))
@settings(max_examples=15, deadline=None)
def test_an_apron_with_a_bib_is_cut_as_its_sums_say(wide, high, strap, seam):
    own = Own(OwnKind.BIB_APRON, "Apron", waist=800.0, long=700.0, bib_wide=wide, bib_high=high, strap=strap, seam=seam)
    for closing in CLOSINGS[OwnKind.BIB_APRON]:
        pattern = compose(describe(replace(own, closing=closing))).pattern
        said = {one.name: one.quantity.value for one in sums(own)}
        for id in ("bib", "bib-facing"):
            x0, y0, x1, y1 = bounds(lines(pattern.piece(id), OWN).cutting_ring())
            assert x1 - x0 == pytest.approx(said["Cut the bib and its facing, high"], abs=0.5)
            # Cut on the fold: half of it is drawn.
            assert 2 * (y1 - y0) == pytest.approx(said["Cut the bib and its facing, wide"], abs=0.5)
        x0, y0, x1, y1 = bounds(lines(pattern.piece("strap"), OWN).cutting_ring())
        cut = next(mm for name, mm in said.items() if name.startswith("Cut the strap"))
        assert min(x1 - x0, y1 - y0) == pytest.approx(cut, abs=0.5)
