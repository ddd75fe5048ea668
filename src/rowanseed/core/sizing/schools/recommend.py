"""Which school to follow for this body and pattern, and why."""

from __future__ import annotations

from rowanseed.core.sizing.proposal import ROOMY, Choosing, Proposal, School
from rowanseed.core.sizing.wish import Over


def recommended(c: Choosing, every: tuple[Proposal, ...]) -> tuple[Proposal, str]:
    """The school to follow and why. It is the chart's answer (which may be none) where nothing speaks for another.

    No school gives a garment smaller than the body (see `proposal.made_to_fit`), so the chart's answer may say that no
    size fits; another school's size is taken then, where one does.
    """
    by = {p.school: p for p in every}
    chart, high, between, ease = (
        by[school] for school in (School.CHART, School.HIGH_BUST, School.BETWEEN, School.EASE)
    )
    if by[School.TO_MEASURE].applies and not c.pattern.envelope.body_chart:
        return by[School.TO_MEASURE], "Its pieces are straight and it prints no sizes: they are cut from your figures."
    if high.applies and high.alterations and c.drawn_ease("bust", high.size) < ROOMY:
        return high, _bust_reason(high)
    if c.wish.over is not Over.NOTHING and by[School.OUTER].applies:
        return by[School.OUTER], f"It is worn over {c.wish.over.words}, which needs room all over."
    if between.applies and between.blend and (not chart.applies or between.misfit < chart.misfit - 5):
        return between, "Your measures call for different sizes, and the side seams can follow both."
    if ease.applies and chart.applies and ease.size != chart.size and ease.misfit < chart.misfit - 10:
        return ease, "The chart's size would not give the ease wanted."
    if not chart.applies and c.advice.size is not None:
        others = [p for p in (between, ease, by[School.OUTER]) if p.applies]
        if others:
            return min(others, key=lambda p: p.misfit), "By the chart alone no size fits."
    found = c.advice.by_measure
    if not found or any(not f.on_chart for f in found):
        return chart, ""
    if len({f.size for f in found}) > 1:
        return chart, "Your measures call for different sizes, and the larger can be taken in."
    return chart, "Your measures agree with the chart, and the pattern's own ease is left as it is."


def _bust_reason(high: Proposal) -> str:
    if any(a.kind == "bust" and a.by < 0 for a in high.alterations):
        return (
            "Neck and shoulders need the size of the high bust, and the bust is smaller than that size draws: what is "
            "too much there can be taken out on the tissue."
        )
    return (
        "The full bust is well above the high bust. Neck and shoulders go by the high bust, and they cannot be "
        "altered later; room over the bust can be given on the tissue."
    )
