"""Turn-ups: what is cut on for them, how they are folded, which legs have them.

How wide they are is common practice, no source; what they take of the cloth is plain addition.
"""

from dataclasses import replace

import pytest

from rowanseed.core.choices import Decisions
from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import Description, Features, Legs
from rowanseed.core.compose.vocabulary import GarmentKind, LegEnd, LegKind, Waist
from rowanseed.core.geometry.polyline import bounds
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.project import Project
from rowanseed.formats.description_json import read_description, write_description

from .everyday import everyday


def described(kind=LegKind.STRAIGHT, end=LegEnd.TURN_UP, figure=Figure.WOMEN):
    features = Features(waist=Waist.ELASTIC_CASING, legs=Legs(kind, end=end))
    return Description(name="It", garment=GarmentKind.TROUSERS, figure=figure, features=features)


def middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def order(pattern, techniques=()):
    return sequence(
        compile_garment(pattern, "A", middle(pattern), MakingChoices(techniques=tuple(techniques))).operations
    )


def long_of(pattern, piece, size):
    """How long a piece is cut, and to its hem line, in mm."""
    both = lines(pattern.piece(piece), size)
    (low, _, high, _), (_, _, foot, _) = bounds(both.cutting_ring()), bounds(both.seam_ring())
    return high - low, foot


@pytest.mark.parametrize(("figure", "up"), [(Figure.WOMEN, 40.0), (Figure.MEN, 40.0), (Figure.CHILDREN, 30.0)])
def test_twice_its_width_and_a_hem_are_cut_on_and_the_leg_stays_as_long(figure, up):
    turned, plain = (compose(described(end=end, figure=figure)).pattern for end in (LegEnd.TURN_UP, LegEnd.HEM))
    for size in turned.envelope.sizes:
        (cut, foot), (usual, same) = (long_of(one, "front", size) for one in (turned, plain))
        deep = plain.piece("front").edge("hem").allowance
        assert foot == pytest.approx(same, abs=0.01)
        assert cut - usual == pytest.approx(2 * up + 20.0 - deep, abs=0.1)


@pytest.mark.parametrize("kind", list(LegKind))
def test_legs_of_every_kind_are_hemmed_inside_and_then_turned_up(kind):
    steps = order(compose(described(kind)).pattern)
    by_id = {op.id: k for k, op in enumerate(steps)}
    names = ("neaten-hem", "fold-hem", "sew-hem", "turn-hem")
    assert [by_id[name] for name in names] == sorted(by_id[name] for name in names)
    told = " ".join(steps[by_id["fold-hem"]].how)
    assert "to the inside by 6 cm: the fold lies 4 cm below the line" in told
    assert "up to the right side by 4 cm" in " ".join(steps[by_id["turn-hem"]].how)


def test_what_lies_inside_is_taken_in_where_the_legs_lean_and_that_is_said():
    told = {op.id: " ".join(op.how) for op in order(everyday("turned-up shorts"))}
    assert "take both seams in there" in told["fold-hem"]


def test_a_leg_that_is_hemmed_can_be_turned_up_by_choice_and_is_cut_longer_for_it():
    pattern = compose(described(end=LegEnd.HEM)).pattern
    project = Project(pattern, {}, Decisions("A", middle(pattern)), {})
    chosen = project.sewn_with("hem", "turn-ups")
    before, after = (one.garment.piece("front").edge("hem").allowance for one in (project, chosen))
    assert (before, after) == (30.0, 100.0)
    assert "turn-hem" in {op.id for op in chosen.steps}


def test_a_skirts_hem_cannot_be_turned_up_and_why_is_told():
    made = compile_garment(everyday("pencil skirt"), "A", "12", MakingChoices(techniques=(("hem", "turn-ups"),)))
    assert any("only legs are turned up" in gap.said for gap in made.gaps)


def test_a_hem_of_its_own_is_told_to_be_of_no_use():
    said = replace(described(), said=frozenset({"features.hem.depth"}))
    deep = replace(said, features=replace(said.features, hem=replace(said.features.hem, depth=50.0)))
    assert "turn-ups" in compose(deep).assumed["features.hem.depth"]


def test_the_document_keeps_them():
    description = described()
    assert read_description(write_description(description)).features.legs == description.features.legs
