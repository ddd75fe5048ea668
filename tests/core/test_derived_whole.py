"""A lining that is worked out is a whole garment in the other one, whatever it was worked out from.

What comes before what is common practice, no source; that outlines close and seams meet needs none.
"""

from dataclasses import replace
from itertools import product
from pathlib import Path

import pytest
from hypothesis import HealthCheck, Phase, given, settings
from hypothesis import strategies as st

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool, Pleat
from rowanseed.core.derive.deduct import TO_FACING
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.derive.lining import can_be_lined
from rowanseed.core.pattern.check import faults
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.walk import EASED_IN, walk_join
from rowanseed.demo import overshirt, six_gore_skirt, trousers
from rowanseed.formats.description_json import read_description

from .descriptions import whole_ones

DEDUCT = Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED)
ALL = [
    Layers(lining=school, pleat=pleat, hem=hem, pad=pad)
    for school, pleat, hem, pad in product((LiningSchool.DEDUCT, LiningSchool.WHOLE), Pleat, LiningHem, (0.0, 10.0))
]
DEMO = [module.draft() for module in (overshirt, six_gore_skirt, trousers)]
SAMPLES = sorted(Path("tests/outside/descriptions").glob("*.json"))


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def in_one_size(pattern, size):
    pieces = tuple(replace(p, shapes={size: p.shapes[size]}) for p in pattern.pieces if size in p.shapes)
    return replace(
        pattern, pieces=pieces, envelope=replace(pattern.envelope, sizes=(size,), body_chart={}, finished={})
    )


def wrong(pattern, size, layers):
    """What is wrong with a garment and the lining derived for it; edges of a lining that is laid in are caught with the
    garment's own."""
    made = in_one_size(with_layers(pattern, size, pattern.envelope.views[0].id, layers), size)
    linings = {made.piece(layer.piece).name for layer in made.making.layers if layer.kind is LayerKind.LINING}
    laid_in = tuple(f"Piece “{name}”, edge" for name in linings)
    return [
        f"{fault.where}: {fault.problem}"
        for fault in faults(made)
        if not fault.where.startswith("envelope")
        and not (fault.where.startswith(laid_in) and "neither sewn" in fault.problem)
    ]


FOLDED, DARTED = 12.0, 6.0
"""Beside a facing that pleats or darts were folded out of, the lining's own are taken in to fit it, by this much in mm:
six in 40 cm go in with pins."""


def apart(pattern, size, layers):
    """The seams of the derived lining that do not meet, with how far they are apart."""
    made = with_layers(pattern, size, pattern.envelope.views[0].id, layers)
    found = (walk_join(made, size, join) for join in made.making.joins if join.id.startswith("lining-"))
    darts = [dart for piece in made.pieces for dart in piece.darts]
    to_facing = FOLDED if any(dart.is_folded for dart in darts) else DARTED if darts else EASED_IN
    return [
        f"{w.join.name}: {w.fault:.1f}" for w in found if abs(w.fault) > (to_facing if TO_FACING in w.join.id else 0.5)
    ]


@pytest.mark.parametrize("pattern", DEMO, ids=lambda p: p.garment)
def test_a_derived_lining_closes_and_its_seams_are_all_sewn(pattern):
    size = middle(pattern)
    for layers in ALL:
        assert not wrong(pattern, size, layers)
    assert not apart(pattern, size, DEDUCT)


@pytest.mark.slow
@pytest.mark.parametrize("path", SAMPLES, ids=lambda path: path.stem)
def test_so_does_that_of_every_sample(path):
    pattern = compose(read_description(path.read_text())).pattern
    if not can_be_lined(pattern, "A"):
        return
    for layers in ALL:
        assert not wrong(pattern, middle(pattern), layers)
    assert not apart(pattern, middle(pattern), DEDUCT)


@given(description=whole_ones, layers=st.sampled_from(ALL))
@settings(phases=(Phase.generate,), max_examples=40, deadline=None, suppress_health_check=list(HealthCheck))
def test_so_does_that_of_any_garment(description, layers):
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return
    view = pattern.envelope.views[0].id
    if can_be_lined(pattern, view):
        assert not wrong(pattern, middle(pattern), layers)
        assert not apart(pattern, middle(pattern), DEDUCT)
