"""By the chart: the size whose body measures match."""

from __future__ import annotations

from rowanseed.core.alter.change import Alteration
from rowanseed.core.sizing.chart import Advice, measure_name
from rowanseed.core.sizing.proposal import SENSIBLE_STEPS, Choosing, Proposal, School


def chart(c: Choosing) -> Proposal:
    advice = c.advice
    if advice.size is None:
        return Proposal(School.CHART, None, advice.reason)
    reason, alterations = advice.reason, tuple[Alteration, ...]()
    if any(not f.on_chart for f in advice.by_measure):
        reason, alterations = off_chart(c, advice)
    return Proposal(
        school=School.CHART,
        size=advice.size,
        reason=reason,
        rows=c.rows(advice.size),
        alterations=alterations,
        working=advice.working,
    )


def off_chart(c: Choosing, advice: Advice) -> tuple[str, tuple[Alteration, ...]]:
    """Words and alterations for a body off the chart: what the nearest size lacks, while that is sensible."""
    said = list[str]()
    alterations = list[Alteration]()
    seams = c.side_seams(advice.size or c.sizes[0])
    too_far = False
    for f in advice.by_measure:
        if f.on_chart:
            continue
        side = "above the largest" if f.beyond > 0 else "below the smallest"
        said.append(f"the {measure_name(f.measure)} is {c.show(abs(f.beyond))} {side} size")
        too_far |= abs(f.beyond) > SENSIBLE_STEPS * max(c.step(f.measure, above=f.beyond > 0), 1.0)
        if f.measure in seams:
            alterations.append(Alteration(kind="seam", by=round(f.beyond), at=seams[f.measure].id, level=f.measure))
    nearest = f"No size fits: {' and '.join(said)}. {advice.size} is the nearest."
    if too_far:
        return (
            f"{nearest} Grading it so far is not sensible: {c.moves_too} would move too. "
            "Look for a pattern drawn in your size.",
            (),
        )
    if alterations:
        what = " and ".join(f"{c.show(abs(a.by))} at the {measure_name(a.level)}" for a in alterations)
        verb = "Let the side seams out" if alterations[0].by > 0 else "Take the side seams in"
        return f"{nearest} {verb} by {what}, and {c.look_at}.", tuple(alterations)
    return f"{nearest} Altering by this much moves {c.moves_too} too: try a trial piece first.", ()
