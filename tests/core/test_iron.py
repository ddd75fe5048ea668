"""The iron is set by what lies under it: a lining of acetate melts at the heat that linen asks for (common practice, no
source)."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.base.words import lower_first
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.lining import schools
from rowanseed.core.make.iron import HOTTER, HOW, PILE
from rowanseed.core.make.operation import Bench
from rowanseed.core.pattern.making import LayerKind
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.project import Project

from .everyday import EVERYDAY, everyday

LINEN = Cloth("linen", width=1500.0, length=None, selvedge=0.0, direction=Direction.TWO_WAY, fibre=Fibre.LINEN)
ACETATE = replace(LINEN, name="acetate", fibre=Fibre.ACETATE)


def lined(name, main, lining):
    """The project of an everyday garment in each school of lining that it can have, and its lining pieces."""
    pattern = everyday(name)
    size, cloths = pattern.envelope.sizes[0], {Role.MAIN: main} | ({Role.LINING: lining} if lining else {})
    for school in schools(pattern, "A", size):
        if school is not LiningSchool.NONE:
            layers = ClothChoices(layers=Layers(lining=school))
            project = Project(pattern, {}, Decisions("A", size, cloth=layers), cloths)
            making = project.garment.making
            yield project, {layer.piece for layer in making.layers if layer.kind is LayerKind.LINING}


def touched(project, op):
    """The pieces that a step works on, by whatever it names."""
    making = project.garment.making
    parts = {join.id: (*join.a, *join.b) for join in making.joins} | {f.id: f.parts for f in making.finishes}
    named = (part.piece for id in (*op.on.joins, *op.on.finishes) for part in parts.get(id, ()))
    return {*op.on.pieces, *(edge.piece for edge in op.on.edges), *named}


def says(op, how):
    return any(how in line for line in op.how)


@pytest.mark.parametrize("name", EVERYDAY)
def test_no_lining_is_ironed_hotter_than_it_bears(name):
    for project, linings in lined(name, LINEN, ACETATE):
        ironed = [op for op in project.steps if op.bench is Bench.IRON and touched(project, op) & linings]
        assert [op.id for op in ironed if says(op, HOW[Fibre.LINEN])] == []
        alone = [op for op in ironed if touched(project, op) <= linings and any(says(op, how) for how in HOW.values())]
        assert all(says(op, HOW[Fibre.ACETATE]) for op in alone)
        last = project.steps[-1]
        assert says(last, HOW[Fibre.LINEN]) and says(last, f"The lining by itself: {lower_first(HOW[Fibre.ACETATE])}")


@pytest.mark.parametrize("name", ["shift", "blazer", "A-line skirt", "camp shirt"])
def test_of_a_seam_between_both_the_cloth_that_bears_less_decides(name):
    silk = replace(LINEN, fibre=Fibre.SILK)
    cotton = replace(LINEN, fibre=Fibre.COTTON)
    for main, lining, how in ((LINEN, ACETATE, Fibre.ACETATE), (silk, cotton, Fibre.SILK)):
        for project, linings in lined(name, main, lining):
            for op in project.steps:
                here = touched(project, op)
                if here & linings and here - linings and op.id.startswith("press-"):
                    assert says(op, HOW[how]), op.id


def test_a_lining_that_is_still_to_be_chosen_is_tried_and_a_pile_is_the_cloth_s_own():
    velvet = replace(LINEN, surface=Surface.PILE)
    for project, linings in lined("blazer", velvet, None):
        for op in project.steps:
            here = touched(project, op)
            if here and here <= linings and op.id.startswith("press-"):
                assert says(op, HOW[Fibre.OTHER]) and not says(op, PILE), op.id


def test_every_fibre_has_its_place_between_the_coolest_and_the_hottest():
    assert {*HOTTER, Fibre.OTHER} == set(Fibre) == set(HOW)
    assert [how.split(" iron")[0] for how in (HOW[fibre] for fibre in HOTTER)] == [
        *("Cool", "Cool to medium", "Cool to medium", "Medium", "Medium", "Hot", "Hot")
    ]


@pytest.mark.parametrize("name", ["shirt dress", "blouse", "camp shirt"])
def test_sleeves_from_another_cloth_are_ironed_as_that_bears_it(name):
    """The main cloth decides only what is sewn of it alone; the contrast cloth is silk here."""
    pattern = everyday(name)
    silk = replace(LINEN, fibre=Fibre.SILK)
    decided = Decisions("A", pattern.envelope.sizes[0], tactics={Role.MAIN: ("other-sleeves",)})
    project = Project(pattern, {}, decided, {Role.MAIN: LINEN, Role.CONTRAST: silk})
    sleeves = {piece.id for piece, _ in project.garment.pieces_for(Role.CONTRAST, "A")}
    assert sleeves
    told = [op for op in project.steps if touched(project, op) and any(says(op, how) for how in HOW.values())]
    pressed = [op for op in told if op.id.startswith("press-")]
    for op in pressed:
        here = touched(project, op)
        assert says(op, HOW[Fibre.SILK if here & sleeves else Fibre.LINEN]), op.id
        if here & sleeves and here - sleeves:
            assert says(op, "As the contrast cloth bears it."), op.id
    assert {bool(touched(project, op) & sleeves) for op in pressed} == {True, False}
    assert says(project.steps[-1], f"The contrast cloth by itself: {lower_first(HOW[Fibre.SILK])}")
