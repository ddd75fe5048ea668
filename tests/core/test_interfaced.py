"""Everyday garments with all of it interfaced: their orders hold, whichever way each piece is stiffened."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction, Surface, Use
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.vocabulary import Interfaced
from rowanseed.core.derive.choice import Layers
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.make.change import ways
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.operation import Act
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday
from .test_make import faults


def interfaced(name):
    """An everyday garment, all of it interfaced."""
    plain = EVERYDAY[name]
    return compose(replace(plain, features=replace(plain.features, interfacing=frozenset({Interfaced.ALL})))).pattern


@pytest.mark.parametrize("name", EVERYDAY)
def test_whatever_is_interfaced_can_be_so_in_every_way_that_is_offered(name):
    """Canvas pad-stitched to a collar whose inner edge is pressed in: the steps waited for each other in a circle."""
    pattern = interfaced(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]

    def order(choices):
        made = compile_garment(pattern, view, size, choices)
        found = sequence(made.operations)
        assert play(pattern, found) == () and faults(pattern, size, found) == []
        return made

    made = order(MakingChoices())
    for way in ways(pattern, view, size, MakingChoices(), made):
        if way.id.startswith("stiffen:"):
            for technique in way.others:
                other = order(MakingChoices(techniques=((way.id, technique.id),)))
                assert other.gaps == made.gaps, (way.id, technique.id)


def stiffening(pattern, **choices):
    """The operations that stiffen a garment, by the piece, with what is sewn otherwise than it was wished."""
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[0]
    made = compile_garment(pattern, view, size, MakingChoices(**choices))
    found = sequence(made.operations)
    assert play(pattern, found) == () and faults(pattern, size, found) == []
    ops = {op.id.removeprefix("interface-"): op for op in found if op.id.startswith("interface-")}
    assert ("sample-fuse" in {op.id for op in found}) == (Act.FUSE in {op.act for op in ops.values()})
    return ops, made.gaps


@pytest.mark.parametrize("name", EVERYDAY)
def test_an_interfacing_to_be_sewn_in_is_basted_whatever_it_stiffens(name):
    """It was told to be fused, whatever had been chosen at the Cloth station."""
    pattern = interfaced(name)
    usual, gaps = stiffening(pattern)
    sewn, same = stiffening(pattern, interfacing=Use.SEWN_IN)
    assert sewn.keys() == usual.keys() and same == gaps
    assert {op.act for op in sewn.values()} <= {Act.BACK}
    assert not any("fus" in line.lower() for op in sewn.values() for line in (op.title, *op.how))
    for id in usual:
        wished = ((f"stiffen:{id}", "fusing"),)
        kept, told = stiffening(pattern, interfacing=Use.SEWN_IN, techniques=wished)
        assert kept[id].act is Act.BACK and any("it has no glue" in gap.said for gap in told)


@pytest.mark.parametrize("name", ["blazer", "coat", "hooded coat", "shirt dress", "bomber jacket"])
def test_what_shows_its_pile_is_not_fused_and_a_facing_may_be(name):
    """Heat and steam crush pile (common practice, no source)."""
    pattern = interfaced(name)
    facings = {layer.piece for layer in pattern.making.layers if layer.kind is LayerKind.FACING}
    ops, _ = stiffening(pattern, surface=Surface.PILE)
    assert ops
    for id, op in ops.items():
        assert op.act is (Act.FUSE if id in facings else Act.BACK), id
    fused, gaps = stiffening(pattern, surface=Surface.PILE, techniques=tuple((f"stiffen:{id}", "fusing") for id in ops))
    assert {op.act for op in fused.values()} == {Act.FUSE} and not gaps


def test_a_fusible_in_hand_is_not_what_is_basted_in():
    pattern = interfaced("shirt dress")
    wished = (("stiffen:collar", "sewn-in-interfacing"),)
    for use in (Use.FUSIBLE, Use.SEWN_IN, None):
        ops, _ = stiffening(pattern, interfacing=use, techniques=wished)
        told = [id for id, op in ops.items() if any("take one without glue" in line for line in op.how)]
        assert told == (["collar"] if use is Use.FUSIBLE else [])


def test_the_interfacing_chosen_at_the_cloth_station_decides_how_it_is_put_in():
    pattern = interfaced("shirt dress")
    cloth = Cloth("Canvas", width=900.0, length=1000.0, selvedge=0.0, direction=Direction.TWO_WAY)
    acts = {}
    for use in (Use.FUSIBLE, Use.SEWN_IN):
        chosen = {Role.INTERFACING: replace(cloth, use=use)}
        steps = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[0]), chosen).steps
        acts[use] = {op.act for op in steps if op.id.startswith("interface-")}
    assert acts == {Use.FUSIBLE: {Act.FUSE}, Use.SEWN_IN: {Act.BACK}}


def test_what_is_fused_all_over_by_choice_is_fused_on_a_pile_too_unless_the_interfacing_has_no_glue():
    """Light fusible over the whole was asked for; a cord is fused from the wrong side, on a towel."""
    plain = everyday("A-line skirt")
    pattern = with_layers(plain, plain.envelope.sizes[0], "A", Layers(fused=True))
    fused, gaps = stiffening(pattern, surface=Surface.PILE)
    assert {op.act for op in fused.values()} == {Act.FUSE} and not gaps
    sewn, told = stiffening(pattern, surface=Surface.PILE, interfacing=Use.SEWN_IN)
    assert {op.act for op in sewn.values()} == {Act.BACK} and len(told) == len(sewn)
    assert all("it has no glue" in gap.said for gap in told)
