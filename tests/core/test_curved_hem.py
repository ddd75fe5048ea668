"""A lower edge that is curved up at the sides: its line, where it goes, how it is hemmed.

How much higher it lies at the sides, and that it is not levelled from the floor, is common practice, no source.
"""

import math
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Hem, Lining, Opening, Side, Skirt, Sleeve
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    HemKind,
    HemShape,
    OpeningKind,
    SkirtKind,
    Slit,
    Waist,
    Where,
)
from rowanseed.core.geometry.outline import chain_length
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure, Structure
from rowanseed.core.pattern.pieces import Panel, Role
from rowanseed.formats.description_json import read_description, write_description

from .descriptions import curved, drafted, mended
from .everyday import everyday

CURVED = Hem(shape=HemShape.CURVED)
SHIRTS = ("tailed shirt", "tailed blouse")


def described(garment=GarmentKind.TOP, **features):
    return Description(name="It", garment=garment, features=Features(**{"sleeve": Sleeve(), "hem": CURVED, **features}))


def lower_edges(pattern):
    """Each front's or back's lower edge that runs to a side."""
    return [
        (piece, edge.name)
        for piece in pattern.pieces
        if piece.panel in (Panel.FRONT, Panel.BACK) and piece.cuts[0].role is Role.MAIN
        for edge in piece.edges
        if edge.name == "hem" and piece.has_edge("side")
    ]


def steps(pattern):
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return sequence(compile_garment(pattern, "A", size, MakingChoices()).operations)


@settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck))
@given(curved.map(mended).filter(lambda d: d is not None and d.features.hem.shape is HemShape.CURVED))
def test_it_lies_higher_at_the_sides_in_every_size_and_runs_on_across_the_side_seams(description):
    pattern = drafted(description).pattern
    rise = 65.0 * (0.75 if description.figure is Figure.CHILDREN else 1.0)
    found = lower_edges(pattern)
    assert found
    for size in pattern.envelope.sizes:
        for piece, name in found:
            chain, side = piece.shapes[size].edges[name], piece.shapes[size].edges["side"]
            raised = max(x for one in chain for x, _ in one.points()) - chain[-1].end[0]
            # Of what is flared the sides are raised besides, so that the edge meets them at a right angle.
            assert raised >= rise - 0.1
            at = chain[-1].derivative(1.0), side[0].derivative(0.0)
            turned = math.degrees(math.atan2(*reversed(at[0])) - math.atan2(*reversed(at[1]))) % 180.0
            assert turned == pytest.approx(90.0, abs=12.0)
        front, back = (
            [chain_length(p.shapes[size].edges["side"]) for p, _ in found if p.panel is side]
            for side in (Panel.FRONT, Panel.BACK)
        )
        if not any(p.darts for p, _ in found):
            assert front == pytest.approx(back, abs=0.6)


@pytest.mark.parametrize(
    ("field", "features"),
    [
        ("features.hem.shape", {"waist": Waist.SEAM, "skirt": Skirt(SkirtKind.A_LINE)}),
        ("features.hem.shape", {"lining": Lining()}),
        ("features.hem.shape", {"skirt": Skirt(SkirtKind.STRAIGHT, slit=Slit.SIDES)}),
        ("features.hem.kind", {"hem": Hem(HemKind.BLIND, shape=HemShape.CURVED)}),
        ("features.hem.kind", {"hem": Hem(HemKind.TWIN_NEEDLE, shape=HemShape.CURVED)}),
        ("features.hem.kind", {"hem": Hem(HemKind.BOUND, shape=HemShape.CURVED)}),
        ("features.hem.depth", {"hem": Hem(depth=40.0, shape=HemShape.CURVED)}),
    ],
)
def test_where_it_does_not_go_is_refused_at_its_field(field, features):
    assert field in {one.field for one in refusals(described(GarmentKind.DRESS, **features))}


def test_a_skirt_has_no_such_edge():
    zipped = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP)
    features = {"back": Side(Centre.SEAM), "opening": zipped, "sleeve": None}
    assert "features.hem.shape" in {one.field for one in refusals(described(GarmentKind.SKIRT, **features))}


@pytest.mark.parametrize("name", SHIRTS)
def test_it_is_neither_hung_nor_levelled_but_trued_by_its_curve(name):
    by_id = {op.id: op for op in steps(everyday(name))}
    assert "hang-hem" not in by_id
    assert by_id["level-hem"].title == "True the curve of the hem"
    assert "floor all" not in " ".join(by_id["try-on-hem"].how)


def test_a_hem_that_is_only_flared_still_hangs_and_is_levelled():
    by_id = {op.id: op for op in steps(everyday("circle skirt"))}
    assert "hang-hem" in by_id
    assert by_id["level-hem"].title == "Chalk and cut the hem level"


def test_it_is_turned_in_narrow_where_nothing_else_is_said_and_that_is_told():
    composed = compose(described())
    assert [sum(one.folds) for one in composed.pattern.making.finishes if one.id == "hem"] == [16.0]
    assert "narrow" in composed.assumed["features.hem.kind"]


def test_a_knits_may_be_hemmed_with_a_twin_needle():
    twin = {"hem": Hem(HemKind.TWIN_NEEDLE, shape=HemShape.CURVED)}
    assert not refusals(replace(described(**twin), cloth=Structure.KNIT))
    assert refusals(described(**twin))


def test_the_document_keeps_it():
    description = described()
    assert read_description(write_description(description)).features.hem == CURVED
