"""The ease pleat of a lining's back (common practice, no source): folded away, its seams meet, and it comes in time."""

from __future__ import annotations

from dataclasses import replace

import pytest

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Side
from rowanseed.core.compose.vocabulary import Centre, Shaping
from rowanseed.core.derive.choice import Layers, LiningSchool, Pleat
from rowanseed.core.derive.lining import can_be_pleated, schools
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.walk import walk
from rowanseed.core.project import Project
from rowanseed.demo import waistcoat

from .everyday import EVERYDAY, everyday
from .test_make import faults


def lined(name, school, pleat):
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[1]
    layers = Layers(lining=school, pleat=pleat)
    return Project(pattern, {}, Decisions(view, size, cloth=ClothChoices(layers=layers))).garment, view, size


def steps(garment, view, size):
    return sequence(compile_garment(garment, view, size, MakingChoices()).operations)


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_a_pleat_leaves_every_seam_of_a_lining_as_it_was_and_is_folded_before_what_it_ends_on(name):
    """A waist was sewn before the pleat that ends on it; a neck was told not to meet its facing, by the pleat."""
    pattern = everyday(name)
    view, size = pattern.envelope.views[0].id, pattern.envelope.sizes[1]
    for school in schools(pattern, view, size):
        plain, _, _ = lined(name, school, Pleat.NONE)
        was = {found.join.id: found.fault for found in walk(plain, size)}
        for pleat in (Pleat.FULL, Pleat.SHOULDERS):
            garment, _, _ = lined(name, school, pleat)
            for found in walk(garment, size):
                assert found.fault == pytest.approx(was[found.join.id], abs=0.1), (school, pleat, found.join.id)
            order = steps(garment, view, size)
            assert play(garment, order) == () and faults(garment, size, order) == [], (school, pleat)
            folded = [op.id for op in order if op.technique == "ease pleat"]
            if school is not LiningSchool.NONE and can_be_pleated(pattern, view):
                assert folded
            assert len(folded) <= len([p for p in garment.pieces if "back" in p.id and "lining" in p.id])


def test_there_is_no_pleat_where_the_back_opens_nor_below_a_waist_seam():
    for name in ("empire dress", "princess dress", "shift"):
        pattern = everyday(name)
        assert not can_be_pleated(pattern, pattern.envelope.views[0].id), "a zip runs down the centre back"
    order = steps(*lined("shirt dress", LiningSchool.WHOLE, Pleat.FULL))
    assert [op.id for op in order if op.technique == "ease pleat"] == ["pleat-back-lining"]


@pytest.mark.parametrize(
    ("name", "pleat", "told"),
    [
        ("shirt dress", Pleat.FULL, "and 7.5 cm up from the waist edge."),
        ("camisole", Pleat.FULL, "and 7.5 cm up from the hem."),
        ("camisole", Pleat.SHOULDERS, "and from the waist all the way to the hem: only the shoulders have its room."),
    ],
)
def test_the_step_says_how_far_the_pleat_is_stitched_at_both_ends(name, pleat, told):
    order = steps(*lined(name, LiningSchool.WHOLE, pleat))
    step = next(op for op in order if op.technique == "ease pleat")
    assert "stitch 5 cm down from the upper edge" in step.how[0] and step.how[0].endswith(told)


def test_below_a_yoke_the_pleat_runs_on_and_two_halves_are_one_before_it():
    """A pleat waited for a centre seam that waited for the yoke's, which waited for the pleat."""
    described = EVERYDAY["waistcoat"]
    yoked = replace(described.features, back=Side(Centre.SEAM, (Shaping.YOKE,)))
    pattern = compose(replace(described, features=yoked)).pattern
    size = pattern.envelope.sizes[1]
    was = {found.join.id: found.fault for found in walk(pattern, size)}
    for pleat in (Pleat.FULL, Pleat.SHOULDERS):
        decisions = Decisions("A", size, cloth=ClothChoices(layers=Layers(pleat=pleat)))
        garment = Project(pattern, {}, decisions).garment
        order = steps(garment, "A", size)
        assert play(garment, order) == () and faults(garment, size, order) == []
        assert len([op for op in order if op.technique == "ease pleat"]) == 1, "one pleat, through both pieces"
        for found in walk(garment, size):
            assert found.fault == pytest.approx(was[found.join.id], abs=0.1), (pleat, found.join.id)


def test_where_no_waist_is_drawn_a_shoulder_pleat_is_said_to_run_out_at_the_hem():
    """It was said to do so at a waist that the piece does not have."""
    pattern = waistcoat.draft()
    decisions = Decisions("A", "14", cloth=ClothChoices(layers=Layers(pleat=Pleat.SHOULDERS)))
    order = steps(Project(pattern, {}, decisions).garment, "A", "14")
    step = next(op for op in order if op.technique == "ease pleat")
    assert step.how[0].endswith("it runs out to nothing at the hem.")
