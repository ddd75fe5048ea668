"""Sleeves that get wider down to their end: how wide, the curve of their edge, what they do not go with.

How far they flare is common practice, no source; the right angle is plain geometry.
"""

import math
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Hem, Lining, Opening, Side, Sleeve
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    HemKind,
    OpeningKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    SleeveShape,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import drafted, flared_sleeves, mended

FLARED = Sleeve(shape=SleeveShape.FLARED)
ROUND_A_CORNER = 2.0
"""Degrees: so near to a right angle two edges run on across a seam without a corner that is seen."""


def described(sleeve=FLARED, **features):
    return Description(name="It", garment=GarmentKind.TOP, features=Features(sleeve=sleeve, **features))


def turned(one, other):
    """How far one segment's beginning turns from the end of the other, in degrees."""
    (ax, ay), (bx, by) = other.derivative(1.0), one.derivative(0.0)
    return math.degrees(math.atan2(ax * by - ay * bx, ax * bx + ay * by))


@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
@given(
    flared_sleeves.map(mended).filter(
        lambda d: d is not None and d.features.sleeve is not None and d.features.sleeve.shape is SleeveShape.FLARED
    ),
    st.sampled_from([6.0, 15.0]),
)
def test_the_end_is_wider_than_the_arm_in_every_size_and_runs_on_across_its_seam(description, allowance):
    # Wider ones cross at some armholes, whatever the sleeve.
    description = replace(description, allowance=allowance)
    pattern = drafted(description).pattern
    sleeve = pattern.piece("sleeve")
    plain = compose(
        replace(
            description,
            features=replace(
                description.features, sleeve=replace(description.features.sleeve, shape=SleeveShape.PLAIN)
            ),
        )
    ).pattern.piece("sleeve")
    for size in pattern.envelope.sizes:
        edges = sleeve.shapes[size].edges
        wrist, front, back = edges["wrist"], edges["underarm-front"], edges["underarm-back"]
        under_arm = abs(front[0].start[1] - back[-1].end[1])
        assert abs(wrist[0].start[1] - wrist[-1].end[1]) > under_arm + 10.0
        assert chain_length(front) == pytest.approx(chain_length(back), abs=0.01)
        assert turned(wrist[0], front[-1]) == pytest.approx(90.0, abs=ROUND_A_CORNER)
        assert turned(back[0], wrist[-1]) == pytest.approx(90.0, abs=ROUND_A_CORNER)
        # Its cap goes into the same armhole.
        assert chain_length(edges["cap"]) == pytest.approx(chain_length(plain.shapes[size].edges["cap"]), abs=0.5)


@pytest.mark.parametrize(
    ("field", "sleeve", "features"),
    [
        ("features.sleeve.shape", replace(FLARED, kind=SleeveKind.RAGLAN), {}),
        ("features.sleeve.shape", replace(FLARED, pieces=2), {}),
        ("features.sleeve.shape", replace(FLARED, length=SleeveLength.CAP), {}),
        ("features.sleeve.end", replace(FLARED, end=SleeveEnd.CUFF), {}),
        ("features.sleeve.end", replace(FLARED, end=SleeveEnd.ELASTIC_CASING), {}),
        ("features.sleeve.end", FLARED, {"hem": Hem(HemKind.TWIN_NEEDLE)}),
        (
            "features.lining.of",
            FLARED,
            {
                "front": Side(Centre.OPEN),
                "opening": Opening(Where.FRONT, OpeningKind.BUTTONS),
                "lining": Lining(),
            },
        ),
    ],
)
def test_what_does_not_flare_is_refused_at_its_field(field, sleeve, features):
    assert field in {one.field for one in refusals(described(sleeve, **features))}


def test_its_end_is_turned_in_narrow_and_a_plain_ones_deeper():
    def deep(sleeve):
        return next(sum(f.folds) for f in compose(described(sleeve)).pattern.making.finishes if f.id == "wrist")

    assert deep(FLARED) == 16.0 < deep(Sleeve())


def test_the_document_keeps_it():
    assert read_description(write_description(described())).features.sleeve == FLARED
