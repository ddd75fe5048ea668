"""Whatever is sewn along a seam or an edge of a garment, lined or not, no steps wait for each other in a circle."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import ClothChoices
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Neck, Trim
from rowanseed.core.compose.vocabulary import Along, GarmentKind, NeckFinish, NeckShape, TrimKind
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool, Pleat
from rowanseed.core.garment import derived
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import graph_of
from rowanseed.core.pattern.making import Detail, DetailKind
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

DRAFTS = {
    "skirt": (six_gore_skirt.draft(), "14"),
    "waistcoat": (waistcoat.draft(), "14"),
    "trousers": (trousers.draft(), "14"),
    "overshirt": (overshirt.draft(), "L"),
}
SCHOOLS = {
    "unlined": Layers(),
    "whole": Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE, pleat=Pleat.FULL),
    "deducted": Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED),
    "underlined": Layers(lining=LiningSchool.WHOLE, hem=LiningHem.FREE, underlined=True),
}
ALONG = (
    DetailKind.ELASTIC,
    DetailKind.PIPING,
    DetailKind.RUFFLE,
    DetailKind.LACE,
    DetailKind.RICKRACK,
    DetailKind.BRAID,
    DetailKind.TOPSTITCHING,
    DetailKind.EMBROIDERY,
    DetailKind.BONING,
)


@pytest.mark.parametrize("layers", SCHOOLS.values(), ids=SCHOOLS)
@pytest.mark.parametrize("name", DRAFTS)
def test_a_trim_along_any_seam_or_edge_has_its_place_in_the_order(name, layers):
    draft, size = DRAFTS[name]
    garment = derived(draft, size, "A", ClothChoices(layers=layers), ())
    places = [*(join.id for join in garment.making.joins), *(finish.id for finish in garment.making.finishes)]
    for kind in ALONG:
        trims = tuple(Detail(f"trim-{id}", f"{kind.words} of {id}", kind, along=(id,)) for id in places)
        trimmed = replace(garment.making, details=(*garment.making.details, *trims))
        graph_of(compile_garment(replace(garment, making=trimmed), "A", size, MakingChoices()).operations)


@pytest.mark.parametrize(("shape", "at"), [(NeckShape.V, "the point of the V"), (NeckShape.SQUARE, "each corner")])
def test_topstitching_turns_where_its_edge_does(shape, at):
    def told(neck):
        features = Features(neck=Neck(neck, NeckFinish.FACING), trim=(Trim(TrimKind.TOPSTITCHING, Along.NECK),))
        pattern = compose(Description(name="x", garment=GarmentKind.TOP, features=features)).pattern
        steps = compile_garment(pattern, "A", pattern.envelope.sizes[0], MakingChoices()).operations
        return " ".join(next(op for op in steps if op.technique == "topstitching").how)

    assert f"At {at} needle down" in told(shape)
    assert "needle down" not in told(NeckShape.ROUND)
