"""A described garment goes the whole way: composed, chosen, derived, laid, ordered; the checkers find nothing.

The lay is checked by `check_plan`, the order by `check_order`: neither shares code with the application.
"""

from dataclasses import replace
from pathlib import Path

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon

from rowanseed.core.base.lay_errors import TooWide
from rowanseed.core.choices import ClothChoices, Decisions
from rowanseed.core.cloth.cloth import Cloth, Direction
from rowanseed.core.compose.as_printed import PrintedView
from rowanseed.core.compose.charts import CHARTS
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.derive.choice import Layers, LiningSchool
from rowanseed.core.lay.engine import Budget, solve
from rowanseed.core.pattern.seamline import lines
from rowanseed.core.project import Project
from rowanseed.formats.description_json import read_description

from .descriptions import whole_ones
from .everyday import EVERYDAY
from .test_lay import outside
from .test_make import faults

pytestmark = pytest.mark.slow
SAMPLES = sorted(Path("tests/outside/descriptions").glob("*.json"))
CLOTH = Cloth(name="Linen", width=1500.0, length=None, selvedge=10.0, direction=Direction.TWO_WAY)


def body_of(pattern):
    """A body in the middle of the chart."""
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    return size, {name: row[size] for name, row in pattern.envelope.body_chart.items()}


def goes_the_whole_way(description, tmp_path, *, lay=True):
    """What is wrong on the way, in words: as it is drafted, lined, and with the layers that it was described with."""
    pattern = compose(description).pattern
    size, body = body_of(pattern)
    said = []
    own = described_layers(pattern, description, view="A", size=size)
    # A lining that is described as bagged at the hem is told not to be so, once it is chosen to hang free.
    free = () if description.features.is_bagged_at_hem else (Layers(lining=LiningSchool.WHOLE),)
    for layers in dict.fromkeys((Layers(), *free, own)):
        decisions = Decisions("A", size, cloth=ClothChoices(layers=layers))
        project = Project(pattern, body, decisions, dict.fromkeys(pattern.roles("A"), CLOTH))
        if not any(p.size == size for p in project.proposals if p.size):
            said.append(f"no school gives {size} for its own body")
        said += [f"seam {w.join.id} apart by {w.fault:.2f}" for w in project.walks if not w.walks]
        said += faults(project.garment, size, project.steps)
        said += [gap.said for gap in project.made.gaps]
        if lay and layers == Layers():
            for role in project.roles:
                problem = project.problem(role, CLOTH)
                if problem is not None and problem.pieces:
                    said += laid(problem, tmp_path)
    return said


def laid(problem, tmp_path):
    """What the checker says of a lay; a piece wider than the cloth is told as such, and is no fault."""
    try:
        return outside(problem, solve(problem, Budget(seconds=0.3, threads=1)), tmp_path)
    except TooWide as wide:
        assert wide.problem
        return []


@pytest.mark.parametrize("path", SAMPLES, ids=lambda path: path.stem)
def test_every_sample_goes_the_whole_way(path, tmp_path):
    assert goes_the_whole_way(read_description(path.read_bytes()), tmp_path) == []


@pytest.mark.slow
@pytest.mark.parametrize("name", EVERYDAY)
def test_everyday_garments_go_the_whole_way(name, tmp_path):
    assert goes_the_whole_way(EVERYDAY[name], tmp_path, lay=False) == []


@given(description=whole_ones)
@settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
def test_what_is_described_without_contradiction_goes_the_whole_way(description, tmp_path_factory):
    try:
        found = goes_the_whole_way(description, tmp_path_factory.mktemp("way"))
    except DescriptionRefused as refused:
        assert all(one.field and one.why for one in refused.refusals)
        return
    assert found == []


@given(description=whole_ones, longer=st.sampled_from([-80.0, 40.0, 200.0]))
@settings(max_examples=30, deadline=None, suppress_health_check=list(HealthCheck))
def test_a_printed_view_is_the_garment_with_another_lower_edge_or_is_refused_at_its_field(description, longer):
    views = (PrintedView("A"), PrintedView("B", "of another length", longer))
    try:
        compose(description)
    except DescriptionRefused:
        return
    try:
        pattern = compose(replace(description, views=views)).pattern
    except DescriptionRefused as refused:
        assert {one.field for one in refused.refusals} <= {"views", "features"}
        return
    size, body = body_of(pattern)
    one, other = (Project(pattern, body, Decisions(view, size), {}) for view in "AB")
    assert [w.join.id for w in other.walks if not w.walks] == []
    assert faults(other.garment, size, other.steps) == []
    lengths = pattern.envelope.finished
    assert lengths["B"]["length"][size] == pytest.approx(lengths["A"]["length"][size] + longer)
    areas = [sum(Polygon(lines(p, size).seam_ring()).area for p in project.garment.pieces) for project in (one, other)]
    assert (areas[1] > areas[0]) == (longer > 0)


@given(data=st.data())
@settings(max_examples=10, deadline=None, suppress_health_check=list(HealthCheck))
def test_the_size_of_the_chart_is_chosen_for_its_own_body(data):
    description = data.draw(whole_ones)
    try:
        pattern = compose(replace(description, finished={})).pattern
    except DescriptionRefused:
        return
    names = CHARTS[description.figure][0]
    assert pattern.envelope.sizes == names
