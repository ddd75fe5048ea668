"""A bodice and legs in one: drafted as both are, stepped into through a zip, sewn so that no seam waits at a corner.

How much deeper its crotch lies and the order of its seams are common practice, no source.
"""

from dataclasses import replace

import pytest
from hypothesis import HealthCheck, assume, given, settings

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Legs, Opening, Pocket, Side, Skirt, Straps
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.trousers import TORSO
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    LegKind,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    Waist,
    WaistLevel,
    Where,
)
from rowanseed.core.geometry.outline import chain_length, flatten
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.finished import girths
from rowanseed.core.pattern.pieces import LineKind
from rowanseed.core.sizing.trial import trial_garment

from .descriptions import jumpsuits, mended
from .everyday import JUMPSUITS, everyday

DARTED = Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART))
SEAMED = Side(Centre.SEAM, (Shaping.WAIST_DART,))
PLAIN = Features(front=DARTED, back=SEAMED, opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP))
STRAPPED = replace(
    PLAIN,
    back=Side(shaping=(Shaping.WAIST_DART,)),
    straps=Straps(2, 20.0),
    opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP),
)


def jumpsuit(features=PLAIN, garment=GarmentKind.JUMPSUIT, **more):
    return Description(name="It", garment=garment, features=features, **more)


def order_of(pattern):
    made = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices())
    return [op.id for op in sequence(made.operations)]


# ---------------------------------------------------------------- drafted


@pytest.mark.parametrize("figure", [Figure.WOMEN, Figure.MEN, Figure.CHILDREN])
@pytest.mark.parametrize("kind", [LegKind.STRAIGHT, LegKind.SHORTS])
def test_its_legs_are_those_of_trousers_with_a_deeper_crotch(figure, kind):
    """Its zip lies in its back, where trousers have one too; below the crotch both are cut alike in length."""
    features = replace(PLAIN, legs=Legs(kind))
    whole = compose(jumpsuit(features, figure=figure)).pattern
    alone = compose(jumpsuit(replace(features, front=Side()), GarmentKind.TROUSERS, figure=figure)).pattern
    for size in whole.envelope.sizes:
        for half in ("front", "back"):
            one, other = whole.piece(f"trouser-{half}").shapes[size].edges, alone.piece(half).shapes[size].edges
            fork = one["inseam"][0].start[0] - other["inseam"][0].start[0]
            assert fork == pytest.approx(TORSO, abs=6.0)
            long = [max(q.end[0] for q in edges["hem"]) for edges in (one, other)]
            assert long[0] == pytest.approx(long[1], abs=0.1)


@given(description=jumpsuits)
@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
def test_bodice_and_legs_come_to_the_same_waist(description):
    """In every size, darts and pleats closed, and it is as long from the nape to the hem as is said."""
    found = mended(replace(description, views=()))
    assume(found is not None and found.garment is GarmentKind.JUMPSUIT)
    try:
        pattern = compose(found).pattern
    except DescriptionRefused:
        assume(False)
    for size in pattern.envelope.sizes:
        measured = girths(pattern, size, "A")
        finished = pattern.envelope.finished["A"]
        if "waist" in finished:
            assert measured["waist"] == pytest.approx(finished["waist"][size], abs=2.0)
        assert measured["hip"] == pytest.approx(finished["hip"][size], abs=2.0)


def test_its_waist_is_measured_once_beside_slant_pockets():
    """Their side pieces say no level: bodice and legs were counted, each once."""
    slanted = replace(PLAIN, pockets=(Pocket(PocketKind.SLANT, PocketPlace.FRONT),))
    size = "12"
    measured = [girths(compose(jumpsuit(features)).pattern, size, "A")["waist"] for features in (PLAIN, slanted)]
    assert measured[0] == pytest.approx(measured[1], abs=2.0)


def test_side_seams_run_on_from_the_bodice_down_the_legs():
    pattern = compose(jumpsuit()).pattern
    for size in pattern.envelope.sizes:
        for half in ("front", "back"):
            bodice, legs = pattern.piece(half), pattern.piece(f"trouser-{half}")
            closed = [
                chain_length(piece.shapes[size].edges["waist"])
                - sum(_intake(piece, dart, size) for dart in piece.darts)
                for piece in (bodice, legs)
            ]
            assert closed[0] == pytest.approx(closed[1], abs=1.0)


def _intake(piece, dart, size):
    if dart.edge != "waist":
        return 0.0
    one, other = (piece.mark(leg).distance[size] for leg in dart.legs)
    return abs(one - other)


def test_everything_lies_on_its_pieces():
    pattern = everyday("boiler suit")
    for id in ("trouser-front", "trouser-back"):
        piece = pattern.piece(id)
        assert piece.line(LineKind.LEVEL, "hip") and piece.line(LineKind.LENGTHEN_SHORTEN, "crotch-depth")
        for size in pattern.envelope.sizes:
            x0, y0, x1, y1 = bounds([q for chain in piece.shapes[size].edges.values() for q in flatten(chain)])
            for point in piece.points:
                x, y = point.at[size]
                assert x0 < x < x1 and y0 < y < y1


def test_a_trial_garment_is_worth_its_cloth():
    assert trial_garment(compose(jumpsuit()).pattern, "A")


# ---------------------------------------------------------------- refused


@pytest.mark.parametrize(
    ("features", "field"),
    [
        (replace(PLAIN, skirt=Skirt()), "features.skirt"),
        (replace(PLAIN, waist=Waist.SHIRRED), "features.waist"),
        (replace(PLAIN, waist=Waist.WAISTBAND), "features.waist"),
        (replace(PLAIN, waist_level=WaistLevel.HIGH), "features.waist_level"),
        (replace(PLAIN, front=Side(Centre.OPEN)), "features.front.centre"),
        (replace(PLAIN, opening=Opening()), "features.opening"),
        (replace(PLAIN, opening=Opening(Where.BACK, OpeningKind.HOOK_AND_EYE)), "features.opening.kind"),
        (replace(PLAIN, opening=Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP)), "features.opening.where"),
        (
            replace(
                PLAIN,
                front=Side(),
                back=Side(Centre.SEAM),
                waist=Waist.DRAWSTRING,
                opening=replace(PLAIN.opening, length=200.0),
            ),
            "features.opening.length",
        ),
    ],
)
def test_what_cannot_be_stepped_into_is_refused_at_its_field(features, field):
    assert field in {one.field for one in refusals(jumpsuit(features))}


def test_a_knit_without_shoulders_needs_no_opening():
    pulled = replace(STRAPPED, opening=Opening(), front=Side(), back=Side(), waist=Waist.ELASTIC_CASING)
    assert not refusals(jumpsuit(pulled, cloth=Structure.KNIT))
    assert refusals(jumpsuit(pulled))


# ---------------------------------------------------------------- sewn


@pytest.mark.parametrize("name", ["jumpsuit", "boiler suit"])
def test_with_a_zip_in_its_crotch_the_legs_are_sewn_flat(name):
    """The legs are whole at the waist before the bodice comes to it, and the inner legs go across both crotch seams."""
    order, where = order_of(everyday(name)), JUMPSUITS[name]["opening"].where
    plain, zipped = ("front", "back") if where is Where.BACK else ("back", "front")
    steps = [
        f"sew-trouser-centre-{plain}",
        f"trim-trouser-centre-{plain}",
        f"press-trouser-centre-{plain}",
        "sew-waist",
        f"sew-centre-{zipped}",
        f"trim-centre-{zipped}",
        f"press-centre-{zipped}",
        "sew-inseams",
    ]
    assert sorted(steps, key=order.index) == steps
    # Its curve is trimmed, and not clipped to be pressed open as well.
    assert not [id for id in order if id in (f"clip-trouser-centre-{plain}", f"clip-centre-{zipped}")]


def test_with_a_zip_at_its_side_the_crotch_is_sewn_in_one_run_before_the_waist():
    order = order_of(compose(jumpsuit(STRAPPED)).pattern)
    steps = ["sew-inseams", "sew-trouser-centre-front", "press-trouser-centre-front", "sew-waist", "zip-opening"]
    assert sorted(steps, key=order.index) == steps
    assert "sew-trouser-centre-back" not in order
