"""Alterations of described garments: what lies on a piece, beside it or in its armhole goes along."""

import pytest
from hypothesis import HealthCheck, Phase, given, settings

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.alter.kinds import offered
from rowanseed.core.base.errors import AlterationError
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import (
    Centre,
    CollarKind,
    Description,
    FacedEdge,
    Features,
    GarmentKind,
    Lining,
    LiningMethod,
    Neck,
    NeckFinish,
    NeckShape,
    Opening,
    OpeningKind,
    Shaping,
    Side,
    Sleeve,
    SleeveKind,
    Where,
)
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.walk import walk

from .descriptions import whole_ones
from .test_alter import every, middle

NEAR = 1.0
"""An altered seam meets within so much of before, in mm: pins take that in."""
OPEN = {"opening": Opening(Where.FRONT, OpeningKind.BUTTONS)}
DARTED, PRINCESS = (Side(Centre.OPEN, (shape,)) for shape in (Shaping.BUST_DART, Shaping.PRINCESS_ARMHOLE))
GARMENTS = {
    "faced in one": {
        "front": DARTED,
        "neck": Neck(NeckShape.ROUND, NeckFinish.FACING),
        "facing": frozenset({FacedEdge.FRONT}),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
    "lapels on princess seams": {
        "front": PRINCESS,
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        "neck": Neck(NeckShape.V, NeckFinish.COLLAR),
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(SleeveKind.SET_IN, pieces=2),
    },
    "bagged": {
        "front": DARTED,
        "neck": Neck(NeckShape.ROUND, NeckFinish.LINING),
        "lining": Lining(method=LiningMethod.BAGGED),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
    "a plain yoke": {
        "front": DARTED,
        "back": Side(Centre.FOLD, (Shaping.YOKE,)),
        "neck": Neck(NeckShape.ROUND, NeckFinish.BIAS_BINDING),
        "sleeve": Sleeve(SleeveKind.SET_IN),
    },
}


def garment(name):
    features = Features(**{**OPEN, **GARMENTS[name]})
    return compose(Description(name="Jacket", garment=GarmentKind.JACKET, features=features)).pattern


@pytest.mark.parametrize("name", GARMENTS)
def test_facings_linings_panels_and_sleeves_follow_every_alteration(name):
    """Two shoulders and a side may part by what an alteration of one of them does; nothing that is sewn on may."""
    pattern = garment(name)
    size = middle(pattern)
    faults = {w.join.id: w.fault for w in walk(pattern, size)}
    layers = {x.piece for x in pattern.making.layers if x.kind in (LayerKind.FACING, LayerKind.LINING)}
    tried = 0
    for by in (12.0, -12.0):
        for alteration in every(pattern, size, by):
            try:
                altered = carry_out(pattern, size, (alteration,)).pattern
            except AlterationError:
                continue
            tried += 1
            off = {w.join.id: abs(w.fault - faults[w.join.id]) for w in walk(altered, size)}
            for join in altered.making.joins:
                pieces = {p.piece for p in (*join.a, *join.b)}
                twin = off.get(join.id.removeprefix("lining-"), 0.0) if pieces <= layers else 0.0
                followers = pieces & layers or join.id.startswith(("armholes", "princess", "sleeve-", "yoke"))
                assert not followers or off[join.id] <= max(NEAR, twin + 0.1), (alteration, join.id, off[join.id])
    assert tried > 20


def test_a_shorter_view_shortens_a_facing_in_one_with_its_neck_only_below():
    pattern = garment("faced in one")
    size = middle(pattern)
    (hem,) = (kind for kind in offered(pattern, size) if kind.id == "hem")
    shorter = next(a for a in every(pattern, size, -80.0) if a.kind == hem.id)
    altered = carry_out(pattern, size, (shorter,)).pattern
    for edge, by in (("opening", -80.0), ("inner", -80.0), ("neck", 0.0), ("shoulder", 0.0)):
        before, after = (
            sum(s.length() for s in one.piece("front-opening-facing").shapes[size].edges[edge])
            for one in (pattern, altered)
        )
        assert after - before == pytest.approx(by, abs=0.5), edge


@pytest.mark.slow
@given(description=whole_ones)
@settings(phases=(Phase.generate,), max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
def test_an_alteration_of_any_described_garment_is_made_or_refused_in_words(description):
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    size = middle(pattern)
    for by in (15.0, -15.0):
        for alteration in every(pattern, size, by):
            try:
                carry_out(pattern, size, (alteration,))
            except AlterationError as refused:
                assert str(refused)
