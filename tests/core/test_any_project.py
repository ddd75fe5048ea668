"""Whatever is described, and whatever is chosen of it at every station, can be sewn in order, and read."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon

from rowanseed.core.base.craft_refusals import AlterationError, NoSuchLayer
from rowanseed.core.derive.facing import faceable
from rowanseed.core.make.line_of_work import Log, line_of, ticked
from rowanseed.core.make.simulator import play
from rowanseed.core.pattern.check import piece_faults

from .projects import PLAIN, projects
from .test_make import faults
from .wording import misprints

UNMADE = ("nothing here does", "booklet")
"""What a gap says where a part of the garment is left; the others say that a choice does not suit."""


@given(projects())
def test_what_is_chosen_together_can_be_sewn_in_order_and_read(project):
    if project is None:
        return
    steps = project.steps
    assert play(project.garment, steps) == ()
    assert faults(project.garment, project.size, steps) == []
    assert [said for op in steps for said in misprints(op)] == []
    assert [fault for piece in project.garment.pieces for fault in piece_faults(piece, (project.size,))] == []
    assert [gap.said for gap in project.gaps if any(word in gap.said for word in UNMADE)] == []
    for role in project.roles:
        cut = project.problem(role, project.cloths.get(role, PLAIN))
        assert [piece.id for piece in (cut.pieces if cut else ()) if not Polygon(piece.outline).is_valid] == []
    # An alteration may be more than a piece bears; what is offered of the rest can be had.
    told = [one.error for one in project.refusals if not isinstance(one.error, AlterationError)]
    # Nor is what no longer can be faced in the altered shape offered.
    can_be = {f"“{one.name}” faced" for one in faceable(project.altered.pattern, project.size, project.view)}
    told = [one for one in told if not isinstance(one, NoSuchLayer) or one.what in can_be or "faced" not in one.what]
    assert [str(error) for error in told] == []


@given(projects(), st.randoms(use_true_random=False))
def test_in_whatever_order_a_sewist_takes_what_is_ready_it_can_be_sewn(project, chance):
    """She may put off, do early and leave for later as she likes: what is offered as ready is ready."""
    if project is None:
        return
    line, taken = line_of(project.steps, Log()), []
    while line.ready:
        taken.append(chance.choice(line.ready))
        line = ticked(line, taken[-1].id)
    assert line.left == ()
    assert play(project.garment, taken) == ()
