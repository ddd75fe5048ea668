"""What has to stand on what where seams cross, and hoods: sewn by the order a teacher would accept.

Common practice, no source.
"""

import pytest

from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import compile_garment
from rowanseed.core.make.facts import Fact, SubjectKind
from rowanseed.core.make.seams_met import seams_met
from rowanseed.core.make.sequencer import sequence
from rowanseed.core.make.step_facts import to_match
from rowanseed.core.make.workbench import Workbench

from .everyday import EVERYDAY, everyday


def made(name):
    """The bench of an everyday garment and its steps in their order."""
    pattern = everyday(name)
    size, household = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2], MakingChoices()
    order = sequence(compile_garment(pattern, "A", size, household).operations)
    return Workbench(pattern=pattern, view="A", size=size, household=household), order


@pytest.mark.parametrize(
    ("garment", "step", "point"),
    [
        ("jeans", "sew-centre-back", "“back yoke seam” one side on the other"),
        ("yoked skirt", "sew-sides", "“front yoke seam” on “back yoke seam”"),
        ("wrap dress", "sew-waist", "“skirt side seams” on “side seams”"),
        ("puff-sleeved dress", "sew-waist", "“skirt side seams” on “side seams”"),
        ("tunic", "sew-neck-facing", "“shoulder seams” on “neck facing, shoulder seams”"),
    ],
)
def test_seams_that_meet_across_another_are_points_to_match(garment, step, point):
    bench, order = made(garment)
    assert point in to_match(bench, next(op for op in order if op.id == step))


@pytest.mark.parametrize("garment", EVERYDAY)
def test_only_seams_that_are_sewn_by_then_are_told_to_meet(garment):
    bench, order = made(garment)
    sewn = set()
    for op in order:
        told = " ".join(to_match(bench, op))
        for id in op.on.joins:
            pairs = seams_met(bench, bench.joins[id]) if op.act.sews_join and id in bench.joins else ()
            for each in {join for pair in pairs for join in pair}:
                name = f"“{each.name[0].lower()}{each.name[1:]}”"
                assert name not in told or each.id in sewn, (op.title, each.id)
        sewn |= {s.of.id for s in op.gives if s.of.kind is SubjectKind.JOIN and s.fact is Fact.PRESSED}


@pytest.mark.parametrize("garment", ["hooded sweatshirt", "zipped hoodie"])
def test_a_hood_is_made_up_and_its_edge_hemmed_before_it_goes_on_the_neck(garment):
    bench, order = made(garment)
    at = {op.id: k for k, op in enumerate(order)}
    # The edge round the face ends in the neck seam: hemmed afterwards, its allowance would stand out beyond that.
    assert at["press-hood-crown"] < at["fold-hood-face"] < at["turn-in-hood-face"] < at["sew-neck"]
    how = " ".join(order[at["sew-neck"]].how)
    if "opening" not in bench.closures:
        assert "against each other at the centre front" in how
        return
    assert "level with the finished front edges" in how
    # The facing's end is caught under the hood, and the zip's row runs up to a neck that lies flat.
    assert at["turn-opening-facing"] < at["sew-neck"] < at["press-neck"] < at["zip-opening"]
