"""The needle and the stitch go by the cloth that is under them: a lining has its own (common practice, no source)."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Use
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.make.operation import Bench
from rowanseed.core.pattern.envelope import Structure
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project

from .everyday import everyday

WOOL = Cloth("wool", width=1500.0, length=None, selvedge=0.0, direction=Direction.TWO_WAY, fibre=Fibre.WOOL, weight=320)
LINING = replace(WOOL, name="lining", use=Use.LINING, fibre=Fibre.VISCOSE, weight=None)
KNIT = replace(LINING, fibre=Fibre.POLYESTER, structure=Structure.KNIT, weight=120.0, stretch=0.3)


def sewn_of_lining(name, lining):
    """The machine's settings for what is sewn of the lining alone, in order, by the operation."""
    pattern = everyday(name)
    layers = ClothChoices(layers=Layers(lining=LiningSchool.DEDUCT))
    cloths = {Role.MAIN: WOOL} | ({Role.LINING: lining} if lining else {})
    project = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[0], cloth=layers), cloths)
    linings = {layer.piece for layer in project.garment.making.layers if layer.kind is LayerKind.LINING}
    return {
        op.id: op.setting
        for op in project.steps
        if op.setting is not None and op.bench is Bench.MACHINE and (here := touched(op)) and here <= linings
    }


def touched(op):
    return {*op.on.pieces, *(edge.piece for edge in op.on.edges)}


LINED = ["blazer", "coat", "shift", "A-line skirt", "puff-sleeved dress"]


@pytest.mark.parametrize("name", LINED)
@pytest.mark.parametrize(
    ("lining", "needle"),
    [
        (None, "universal 70/10"),
        (LINING, "universal 70/10"),
        (replace(LINING, weight=60.0), "universal 60/8"),
        (replace(LINING, fibre=Fibre.COTTON, weight=180.0), "universal 80/12"),
        (replace(LINING, fibre=Fibre.SILK), "sharp 70/10"),
        (KNIT, "ball-point 70/10"),
    ],
)
def test_a_lining_is_sewn_with_the_needle_for_its_own_cloth(name, lining, needle):
    found = sewn_of_lining(name, lining)
    assert found
    assert {s.needle for s in found.values() if "twin" not in s.needle} == {needle}


@pytest.mark.parametrize("name", LINED)
def test_a_knit_lining_is_sewn_with_a_stitch_that_gives_and_a_woven_one_straight(name):
    """By the numbers of ISO 4915, from memory: 304 zigzags, 406 has two needles; 301 does not give."""
    knit, woven = sewn_of_lining(name, KNIT), sewn_of_lining(name, LINING)
    seams = [id for id in woven if id.startswith("sew-") and woven[id].stitch == "straight" and "hem" not in id]
    assert seams
    for id in seams:
        assert knit[id].iso in ("304", "406"), (id, knit[id])


@pytest.mark.parametrize("name", ["pencil skirt", "A-line skirt"])
def test_the_hem_of_a_woven_lining_is_folded_twice_in_a_knit_garment_too(name):
    """A knit does not fray and is folded once; what is woven would."""
    pattern = everyday(name)
    layers = ClothChoices(layers=Layers(lining=LiningSchool.WHOLE))
    folds = {}
    for lining in (LINING, KNIT, None):
        jersey = replace(WOOL, structure=Structure.KNIT)
        cloths = {Role.MAIN: jersey} | ({Role.LINING: lining} if lining else {})
        project = Project(pattern, {}, Decisions("A", pattern.envelope.sizes[0], cloth=layers), cloths)
        steps = {op.id: op for op in project.steps}
        sewn = steps["sew-lining-hem"].setting
        folds[lining and lining.structure] = ("First fold" in steps["fold-lining-hem"].how[0], sewn.iso == "406")
    assert folds == {Structure.WOVEN: (True, False), Structure.KNIT: (False, True), None: (False, True)}
