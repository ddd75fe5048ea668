"""A bodice lined edge to edge at neck and armholes, above a waist seam. Its order of work is common practice, no
source; that the lining is the bodice once more is checked with Shapely."""

import pathlib
from dataclasses import replace

import pytest
from shapely.geometry import Polygon

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import (
    ArmholeFinish,
    Centre,
    Description,
    Features,
    GarmentKind,
    Lining,
    LiningMethod,
    LiningOf,
    Neck,
    NeckFinish,
    NeckShape,
    Opening,
    OpeningKind,
    Shaping,
    Side,
    Skirt,
    SkirtKind,
    Sleeve,
    Waist,
    Where,
)
from rowanseed.core.compose.envelope_text import read_pieces
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk

from .test_whole_way import goes_the_whole_way

ZIP = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0)
BASE = Features(
    back=Side(Centre.SEAM),
    opening=ZIP,
    waist=Waist.SEAM,
    skirt=Skirt(SkirtKind.A_LINE),
    lining=Lining(LiningOf.UPPER, LiningMethod.BAGGED),
)
DRESSES = {
    "plain": BASE,
    "darted": replace(
        BASE,
        front=Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART)),
        back=Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        neck=Neck(NeckShape.SCOOP),
        skirt=Skirt(SkirtKind.CIRCLE),
    ),
    "princess": replace(
        BASE,
        front=Side(shaping=(Shaping.PRINCESS_SHOULDER,)),
        back=Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        skirt=Skirt(SkirtKind.GATHERED),
    ),
    "yoke": replace(BASE, front=Side(shaping=(Shaping.YOKE,)), skirt=Skirt(SkirtKind.KNIFE_PLEATS)),
    "zip in front": replace(
        BASE, front=Side(Centre.SEAM), back=Side(), opening=Opening(Where.FRONT, OpeningKind.CENTRED_ZIP, 560.0)
    ),
}


def described(features):
    return Description(name="Lined", garment=GarmentKind.DRESS, features=features)


@pytest.fixture(params=DRESSES.values(), ids=DRESSES)
def description(request):
    return described(request.param)


def ring(piece, size):
    return Polygon([q for chain in piece.shapes[size].edges.values() for q in flatten(chain, 0.2)[:-1]])


def test_the_lining_is_the_bodice_once_more_and_the_skirt_has_none(description):
    pattern = compose(description).pattern
    bodice = [p for p in pattern.pieces if (p.has_edge("waist") and not p.id.startswith("skirt")) or "yoke" in p.id]
    bodice = [p for p in bodice if p.cuts[0].role is Role.MAIN and p.panel.value in ("front", "back")]
    linings = {p.id: p for p in pattern.pieces if p.cuts[0].role is Role.LINING}
    assert {f"{p.id}-lining" for p in bodice} == set(linings)
    for size in pattern.envelope.sizes:
        for piece in bodice:
            assert ring(piece, size).symmetric_difference(ring(linings[f"{piece.id}-lining"], size)).area < 1e-6
        assert all(seam.walks for seam in walk(pattern, size))
    assert not any("facing" in p.id for p in pattern.pieces), "the lining takes the place of every facing"


def test_it_is_turned_before_the_sides_and_felled_once_the_zip_is_in(description):
    pattern = compose(description).pattern
    made = compile_garment(pattern, "A", "14", MakingChoices())
    assert made.gaps == ()
    order = [op.id for op in sequence(made.operations)]
    told = ("sew-shoulders", "sew-neck", "turn-out", "sew-sides", "sew-waist", "zip-opening", "fell-lining")
    assert [order.index(id) for id in told] == sorted(order.index(id) for id in told)
    assert order.index("sew-armhole") < order.index("turn-out")
    felled = {f.id for f in pattern.making.finishes if f.kind is FinishKind.TURNED}
    assert any("along-waist" in id for id in felled) and any("along-centre" in id for id in felled)


def test_it_goes_the_whole_way(description):
    assert goes_the_whole_way(description, pathlib.Path("/nowhere"), lay=False) == []


@pytest.mark.parametrize(
    ("features", "field"),
    [
        ({"opening": Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP), "back": Side()}, "features.lining.method"),
        ({"sleeve": Sleeve()}, "features.lining.method"),
        ({"neck": Neck(NeckShape.ROUND, NeckFinish.FACING)}, "features.neck.finish"),
        ({"armhole": ArmholeFinish.BIAS_BINDING}, "features.armhole"),
    ],
)
def test_what_it_does_not_go_with_is_refused_at_its_field(features, field):
    with pytest.raises(DescriptionRefused) as refused:
        compose(described(replace(BASE, **features)))
    assert field in {one.field for one in refused.value.refusals}


def asked(lines, features=BASE):
    """The questions that a booklet's list raises, by the piece that they are about."""
    return {
        tick.listed.name: tick.question
        for tick in ticked_off(compose(described(features)).pattern, read_pieces(lines))
        if tick.question
    }


def test_a_list_that_cuts_the_lining_by_the_same_tissue_is_understood():
    skirt = ["3 Skirt front: cut 1 on fold", "4 Skirt back: cut 2"]
    bodice = ["1 Bodice front: cut 1 on fold of fabric, cut 1 on fold of lining", "2 Bodice back: cut 2, cut 2 lining"]
    apart = ["1 Bodice front: cut 1 on fold", "2 Bodice back: cut 2", "5 Front lining", "6 Back lining"]
    assert asked([*bodice, *skirt]) == asked([*apart, *skirt]) == {}
    without = asked(["1 Bodice front: cut 1 on fold", "2 Bodice back: cut 2", *skirt])
    assert set(without) == {"Front lining", "Back lining"}
