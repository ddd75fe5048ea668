"""The steps of lined garments, by every school: each sentence can be read, and its figures are of this garment."""

from __future__ import annotations

import re
from dataclasses import replace
from functools import cache

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import Lining
from rowanseed.core.compose.vocabulary import LiningMethod
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.derive.lining import can_be_lined, draws_lining, schools
from rowanseed.core.pattern.fastenings import opening_length
from rowanseed.core.project import Project

from .descriptions import whole_ones
from .everyday import EVERYDAY, everyday
from .wording import misprints


@cache
def drawn(name):
    return everyday(name)


def lined(name, school):
    pattern = drawn(name)
    choices = ClothChoices(layers=Layers(lining=school))
    return Project(pattern, {}, Decisions("A", pattern.envelope.sizes[0], cloth=choices), {})


def by_every_school(name):
    pattern = drawn(name)
    return [lined(name, school) for school in schools(pattern, "A", pattern.envelope.sizes[0])]


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_every_sentence_of_a_lined_garment_was_written_for_a_reader(name):
    for project in by_every_school(name):
        assert [said for op in project.steps for said in misprints(op)] == []


@pytest.mark.parametrize("name", ["coat", "drawstring dress", "hooded sweatshirt"])
def test_a_seam_all_round_is_sewn_over_its_beginning(name):
    said = [line for project in by_every_school(name) for op in project.steps for line in (*op.how, op.look)]
    assert [line for line in said if "all round; backstitch both ends" in line or "_" in line] == []
    assert any("sewn 1.5 cm over the beginning" in line for line in said)


def test_a_lining_that_hangs_from_the_first_tier_stays_open_as_far_as_the_zip_and_a_little_further():
    """It said "up to −37.5 cm below the upper edge": tiers below the first were taken for a part without a lining."""
    whole = lined("tiered skirt", LiningSchool.WHOLE)
    garment, size = whole.garment, whole.size
    closure = next(closure for closure in garment.making.closures if closure.to_mark is not None)
    (seam,) = (op for op in whole.steps if op.id == "sew-lining-sides-left")
    cm = float(re.search(r"up to ([\d.]+) cm below the upper edge", " ".join(seam.how))[1])
    # To half a centimetre: from the raw edge, 15 mm above the stitching line, to 15 mm below the end of the zip.
    assert cm * 10 == pytest.approx(opening_length(garment, size, closure) + 15.0 + 15.0, abs=2.5)


def test_below_a_yoke_that_is_not_lined_the_lining_is_open_for_the_rest_of_the_zip_only():
    for name in ("pleated yoke skirt", "yoked skirt", "circle yoke skirt"):
        for project in by_every_school(name):
            for op in project.steps:
                for line in op.how if op.id.startswith("sew-lining-") else ():
                    if found := re.search(r"up to (\S+) cm below the upper edge", line):
                        assert 3.0 < float(found[1]) < 30.0, (name, line)


def test_the_hem_of_a_lining_sewn_edge_to_edge_runs_from_side_to_side_while_the_sides_are_open():
    (hem,) = (op for project in by_every_school("shift") for op in project.steps if op.id == "sew-hem")
    assert "from side seam to side seam, front and back each by itself" in " ".join(hem.how)


@given(description=whole_ones)
@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
def test_a_lining_is_said_to_be_worked_out_only_where_it_can_be(description):
    """Of what has a half placket it was said, and at the Cloth station that none can be."""
    features = replace(description.features, lining=description.features.lining or Lining(method=LiningMethod.SEWN_IN))
    try:
        composed = compose(replace(description, features=features))
    except DescriptionRefused:
        return
    if features.is_bagged:
        return
    said, can = composed.assumed.get("features.lining", ""), can_be_lined(composed.pattern, "A")
    assert can or "booklet" in said or draws_lining(composed.pattern), said
    assert can or "worked out" not in said, said
