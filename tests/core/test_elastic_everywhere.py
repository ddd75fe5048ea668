"""Elastic and shirring in households that lack a machine or its zigzag, and how much elastic is bought for a line."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Elastic
from rowanseed.core.compose.vocabulary import ElasticPlace
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.equipment import Equipment
from rowanseed.core.make.operation import Act, Bench, Supply
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play

from .everyday import EVERYDAY, everyday
from .test_make import faults

BY_HAND = Equipment(machine=False, zigzag=True)
"""As a household says that had the zigzag ticked before it took to sewing by hand."""
STRAIGHT = Equipment(zigzag=False)


def elasticated(name, place):
    described = EVERYDAY[name]
    features = replace(described.features, elastic=(Elastic(place),))
    return compose(replace(described, features=features)).pattern


def made(pattern, equipment):
    size = pattern.envelope.sizes[1]
    found = compile_garment(pattern, "A", size, MakingChoices(equipment=equipment))
    order = sequence(found.operations)
    assert play(pattern, order) == () and faults(pattern, size, order) == []
    return found, order


@pytest.mark.parametrize("equipment", [BY_HAND, STRAIGHT], ids=["by hand", "straight stitch"])
def test_elastic_on_a_line_is_caught_by_hand_where_no_machine_sews_a_zigzag(equipment):
    """It was left to the booklet."""
    found, order = made(elasticated("shift", ElasticPlace.WAIST), equipment)
    step = next(op for op in order if op.technique == "elastic catch-stitched")
    assert step.bench is Bench.HAND and "never through the elastic" in step.how[1]
    assert not [gap for gap in found.gaps if gap.id == "elastic-1"]
    assert "zigzag" not in " ".join(line for op in order for line in op.how)


@pytest.mark.parametrize("name", ["shirred trousers", "shirred skirt"])
def test_shirring_by_hand_needs_no_bobbin(name):
    """It was left to the booklet."""
    found, order = made(everyday(name), BY_HAND)
    rows = next(op for op in order if op.act is Act.SHIRR)
    assert found.gaps == () and rows.bench is Bench.HAND
    words = " ".join(rows.how)
    assert "Draw every row in to half" in words
    assert not any(word in words for word in ("bobbin", "foot", "machine", "length 2.5"))
    assert any(op.id == "sample-shirring" and "half" in op.how[0] for op in order)


@pytest.mark.parametrize(
    ("name", "place"), [(n, p) for n in ("t-shirt", "blouse", "shift") for p in (ElasticPlace.WAIST, ElasticPlace.BACK)]
)
def test_elastic_is_bought_by_the_body_it_goes_round(name, place):
    """It was 20 cm for any waist and any back."""
    pattern = elasticated(name, place)
    _, order = made(pattern, Equipment())
    use = next(use for op in order for use in op.uses if use.supply is Supply.ELASTIC)
    waist = pattern.envelope.body_chart["waist"][pattern.envelope.sizes[1]]
    if place is ElasticPlace.WAIST:
        assert use.mm == waist
    else:
        assert 0.4 * waist < use.mm < waist
