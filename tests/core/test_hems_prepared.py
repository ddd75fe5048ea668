"""What is done to a hem before it is folded: a sleeve's pressed in while flat, a strip basted into a tailored one."""

from __future__ import annotations

import pytest

from rowanseed.core.base.units import Units
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.derive.choice import Layers, LiningHem, LiningSchool
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.making import FinishKind
from rowanseed.core.pattern.pieces import Panel
from rowanseed.core.project import Project
from rowanseed.drawings.steps.registry import scene_of

from .everyday import EVERYDAY, everyday
from .test_whole_way import body_of


def order(name, *, layers=None, units=Units.METRIC):
    pattern = everyday(name)
    size, body = body_of(pattern)
    project = Project(pattern, body, Decisions("A", size, cloth=ClothChoices(layers=layers or Layers())), {})
    made = compile_garment(project.garment, "A", size, MakingChoices(units=units))
    return project.garment, list(sequence(made.operations))


def hemmed_sleeves(pattern):
    """Ends of sleeves in one piece that are hemmed; a rolled hem has no fold that could be pressed."""
    rolled = {id for id, way in pattern.making.ways if way == "rolled-hem"}
    ends = (f for f in pattern.making.finishes if f.kind is FinishKind.HEM and f.id not in rolled)
    found = [f for f in ends if {pattern.piece(p.piece).panel for p in f.parts} == {Panel.SLEEVE}]
    return [f.id for f in found if len({p.piece for p in f.parts}) == 1]


@pytest.mark.parametrize("name", EVERYDAY)
def test_the_hem_of_a_sleeve_is_pressed_in_before_anything_is_sewn_to_it(name):
    pattern, steps = order(name)
    ids = [step.id for step in steps]
    ends = hemmed_sleeves(pattern)
    assert [id for id in ids if id.startswith("crease-")] == [f"crease-{end}" for end in ends]
    for end in ends:
        at = ids.index(f"crease-{end}")
        sleeve = next(f for f in pattern.making.finishes if f.id == end).parts[0].piece
        seams = {join.id for join in pattern.making.joins if any(p.piece == sleeve for p in (*join.a, *join.b))}
        assert at < min(ids.index(f"sew-{id}") for id in seams if f"sew-{id}" in ids)
        assert at < ids.index(f"fold-{end}")


def test_both_creases_are_told_by_their_lines():
    """A double hem of 0.8 and 1.7 cm: lines 1.6 and 4.2 cm from the raw edge (2a, and 2b + a)."""
    _, steps = order("camp shirt")
    told = " ".join(next(step for step in steps if step.id == "crease-wrist").how)
    assert "First fold 0.8 cm, second 1.7 cm" in told and "1.6 cm and 4.2 cm from the raw edge" in told


@pytest.mark.parametrize("hem", list(LiningHem), ids=str)
@pytest.mark.parametrize("name", ["coat", "blazer", "raglan coat"])
def test_the_hem_of_a_lined_coat_has_a_strip_that_is_folded_with_it(name, hem):
    _, steps = order(name, layers=Layers(LiningSchool.DEDUCT, hem=hem))
    ids = [step.id for step in steps]
    for end in ("hem", "wrist"):
        assert ids.index(f"level-{end}") < ids.index(f"strip-{end}") < ids.index(f"fold-{end}")
    told = steps[ids.index("strip-hem")].how[0]
    # 3 cm of hem, 0.6 cm past its line and 1.2 cm past its edge.
    assert "on the bias, 4.8 cm wide" in told


@pytest.mark.parametrize("name", ["coat", "anorak", "lined overshirt", "A-line skirt", "shift", "bomber jacket"])
def test_what_is_not_tailored_or_not_lined_has_none(name):
    _, steps = order(name)
    assert not any(step.id.startswith("strip-") for step in steps)


def test_a_hem_of_one_fold_is_not_drawn_folded_twice():
    _, once = order("coat")
    _, twice = order("camp shirt")
    titles = {
        kind: scene_of(next(step for step in steps if step.id == "fold-hem")).title
        for kind, steps in (("once", once), ("twice", twice))
    }
    assert titles["once"] == "Turned up once and pressed" and titles["twice"] != titles["once"]
