"""A bodice lined edge to edge at neck and armholes, above a waist seam. Its order of work is common practice, no
source; that the lining is the bodice once more is checked with Shapely."""

import pathlib
from dataclasses import replace

import pytest
from shapely.geometry import Polygon

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import Description, Features, Lining, Neck, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.listed import ticked_off
from rowanseed.core.compose.piece_list import read_pieces
from rowanseed.core.compose.vocabulary import (
    ArmholeFinish,
    Centre,
    GarmentKind,
    LiningMethod,
    LiningOf,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Shaping,
    SkirtKind,
    Slit,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.derive.lining import lined_parts
from rowanseed.core.geometry.outline import flatten
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project

from .test_whole_way import CLOTH, body_of, goes_the_whole_way

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
    assert any("lining-waist" in id for id in felled) and any("lining-centre" in id for id in felled)


def test_it_goes_the_whole_way(description):
    assert goes_the_whole_way(description, pathlib.Path("/nowhere"), lay=False) == []


def whole(skirt, **more):
    return described(replace(BASE, skirt=skirt, lining=Lining(LiningOf.ALL, LiningMethod.BAGGED), **more))


def begun(description):
    """A project of it as it begins, in the middle of its sizes."""
    pattern = compose(description).pattern
    size, body = body_of(pattern)
    layers = described_layers(pattern, description, view="A", size=size)
    decisions = Decisions("A", size, cloth=ClothChoices(layers=layers))
    return Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH))


@pytest.mark.parametrize("kind", [SkirtKind.A_LINE, SkirtKind.STRAIGHT, SkirtKind.CIRCLE])
def test_lined_all_over_the_skirt_s_lining_hangs_free_below_the_bodice_s(kind):
    project = begun(whole(Skirt(kind)))
    order = [step.id for step in project.steps]
    told = ("turn-out", "sew-waist", "lay-in-lining", "fell-lining-along-waist", "fell-lining")
    assert [order.index(id) for id in told] == sorted(order.index(id) for id in told), "the bodice's covers the skirt's"
    assert "sew-lining-hem" in order and "catch-lining-waist" not in order
    assert "over the edge of the skirt's lining" in " ".join(project.steps[order.index("fell-lining")].how)
    linings = {p.id for p in project.garment.pieces if p.id.endswith("-lining")}
    assert linings == {f"{part}{side}-lining" for part in ("", "skirt-") for side in ("front", "back")}


@pytest.mark.parametrize("more", [{}, {"vent": True}, {"waist": Waist.PLAIN_BAND}])
def test_lined_all_over_it_goes_the_whole_way(more):
    slit = Skirt(SkirtKind.STRAIGHT, slit=Slit.NONE if more else Slit.SIDES)
    assert goes_the_whole_way(whole(slit, **more), pathlib.Path("/nowhere"), lay=False) == []


def test_a_skirt_s_lining_can_be_added_below_a_bodice_whose_own_is_drawn():
    pattern = compose(described(BASE)).pattern
    size, _ = body_of(pattern)
    assert lined_parts(pattern, "A") == (LinedPart.LOWER,)
    lined = with_layers(pattern, size, "A", Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE))
    added = {p.id for p in lined.pieces} - {p.id for p in pattern.pieces}
    assert added == {"skirt-front-lining", "skirt-back-lining"}


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
