"""What a school's answer gives once it is carried out: measured on the altered pieces, not reckoned from the figures
asked for. A bust adjustment may widen the hip too, and between two sizes the waist lies where the line runs."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.alter.carry_out import carry_out
from rowanseed.core.base.craft_refusals import AlterationError
from rowanseed.core.pattern.finished import changes
from rowanseed.core.pattern.stitching import on_stitching_line
from rowanseed.core.sizing.ease import ON_A_TAPE
from rowanseed.core.sizing.proposal import Choosing, Proposal


def as_cut(c: Choosing, proposal: Proposal) -> Proposal:
    """A proposal with the measures of its own pieces; one that they do not allow does not apply, and says why."""
    if proposal.size is None or not (proposal.alterations or proposal.blend):
        return proposal
    try:
        drawn = on_stitching_line(c.pattern)
        cut = carry_out(drawn, proposal.size, proposal.alterations, proposal.blend).pattern
    except AlterationError as refused:
        return Proposal(
            proposal.school,
            None,
            f"{proposal.reason} Its pieces do not allow that. {c.told(refused)}",
            working=proposal.working,
        )
    measured = changes(drawn, cut, proposal.size, c.view)
    blended = dict(proposal.blend)
    printed = c.pattern.envelope.finished.get(c.view, {})
    beyond = {
        measure: _to_the_tape(
            row[proposal.size] + measured.get(measure, 0.0) - row[blended.get(measure, proposal.size)]
        )
        for measure, row in printed.items()
    }
    return replace(proposal, rows=c.rows(proposal.size, blended, beyond))


def _to_the_tape(mm: float) -> float:
    return 0.0 if abs(mm) < ON_A_TAPE else mm
