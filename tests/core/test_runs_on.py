"""What runs on across a seam does so without a corner: hems, waists, armholes, necks, the crotch.

Common practice, no source: a pattern is trued so that the two angles at a seam's end make up a straight line.
"""

import math

import pytest
from hypothesis import given

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Description, Features, Legs, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    LegKind,
    NeckShape,
    OpeningKind,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    Waist,
    Where,
)
from rowanseed.core.pattern.making import DifferenceKind

from .descriptions import whole_ones

WITHIN = 20.0
RUN_ON = ("armhole", "neck", "hem", "waist", "crotch", "wrist")
ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
BACK = Side(Centre.SEAM)
GARMENTS = {
    "A-line skirt": (GarmentKind.SKIRT, {}),
    "trousers": (GarmentKind.TROUSERS, {"legs": Legs(LegKind.WIDE)}),
    "A-line dress": (
        GarmentKind.DRESS,
        {"skirt": Skirt(SkirtKind.A_LINE), "front": Side(shaping=(Shaping.BUST_DART,))},
    ),
    "dress with a waist seam": (GarmentKind.DRESS, {"skirt": Skirt(SkirtKind.A_LINE), "waist": Waist.SEAM}),
    "dropped shoulders": (GarmentKind.TOP, {"sleeve": Sleeve(SleeveKind.DROPPED)}),
    "raglan": (GarmentKind.TOP, {"sleeve": Sleeve(SleeveKind.RAGLAN)}),
}


def corners(pattern, size):
    """(seam, what runs on across it, both angles together in degrees) at every end of a seam of two pieces."""
    for join in pattern.making.joins:
        one, other = join.a[0], join.b[0]
        alone = len(join.a) == len(join.b) == 1 and one.piece != other.piece
        if not alone or join.difference.kind is DifferenceKind.GATHERS:
            continue
        for mine in _ends(pattern.piece(one.piece), size, one.edge):
            for theirs in _ends(pattern.piece(other.piece), size, other.edge):
                if mine[0] == theirs[0] and mine[0] in RUN_ON:
                    yield join.id, mine[0], mine[1] + theirs[1]


def _ends(piece, size, edge):
    """(the edge beside it, the angle between them in degrees) at both ends of an edge."""
    ring, names = piece.shapes[size].edges, [e.name for e in piece.edges]
    k = names.index(edge)
    before, after = names[k - 1], names[(k + 1) % len(names)]
    yield before, _angle(ring[edge][0].derivative(0.0), _back(ring[before][-1].derivative(1.0)))
    yield after, _angle(_back(ring[edge][-1].derivative(1.0)), ring[after][0].derivative(0.0))


def _back(v):
    return (-v[0], -v[1])


def _angle(u, v):
    return math.degrees(abs(math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1])))


@pytest.mark.parametrize("name", GARMENTS)
def test_a_plain_garment_has_no_corner_at_a_seam_s_end(name):
    garment, features = GARMENTS[name]
    features = {"back": BACK, "opening": ZIP, **features}
    pattern = compose(Description(name=name, garment=garment, features=Features(**features))).pattern
    found = [corner for size in pattern.envelope.sizes for corner in corners(pattern, size)]
    assert found and all(abs(both - 180) <= 12.0 for _, _, both in found), found


POINTED = (NeckShape.BOAT, NeckShape.SQUARE, NeckShape.V)
"""Necks that have a corner at the shoulder."""


@given(description=whole_ones)
def test_nothing_that_runs_on_has_a_corner_but_where_it_is_drawn_so(description):
    features = description.features
    pointed = features.skirt is not None and features.skirt.kind is SkirtKind.POINTED_PANELS
    if pointed or features.straps or features.collar or description.garment is GarmentKind.ROBE:
        return
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    for seam, edge, both in corners(pattern, size):
        if edge != "neck" or features.neck.shape not in POINTED:
            assert abs(both - 180) <= WITHIN, (seam, edge, both)


@pytest.mark.parametrize("end", [SleeveEnd.GATHERED_CUFF, SleeveEnd.ELASTIC_CASING])
@pytest.mark.parametrize("kind", [SleeveKind.SET_IN, SleeveKind.GATHERED_CAP, SleeveKind.DROPPED])
@pytest.mark.parametrize("length", [one for one in SleeveLength if one is not SleeveLength.CAP])
def test_a_sleeve_that_is_full_at_its_end_does_not_run_out_sideways(kind, length, end):
    sleeve = Sleeve(kind, length=length, end=end)
    made = Description(name="It", garment=GarmentKind.TOP, features=Features(sleeve=sleeve, back=BACK, opening=ZIP))
    pattern = compose(made).pattern
    for size in pattern.envelope.sizes:
        for _, both in _ends(pattern.piece("sleeve"), size, "underarm-front"):
            assert abs(both - 90) <= 28
