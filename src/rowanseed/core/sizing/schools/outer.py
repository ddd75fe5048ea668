"""As outerwear: the chart size or larger, by what it is worn over."""

from __future__ import annotations

from dataclasses import replace

from rowanseed.core.sizing.proposal import Choosing, Proposal, School
from rowanseed.core.sizing.wish import OVER_EASE, GarmentClass, garment_class


def outer(c: Choosing) -> Proposal:
    is_outer = garment_class(c.pattern.garment) in (GarmentClass.JACKET, GarmentClass.COAT)
    if not is_outer and c.pattern.garment != "waistcoat":
        return Proposal(School.OUTER, None, "It is for jackets, coats and what is worn over other clothes.")
    more = OVER_EASE[c.wish.over]
    body = {
        m: mm + (more if m in ("bust", "high_bust", "waist", "hip", "upper_arm") else 0.0) for m, mm in c.body.items()
    }
    advice = replace(c, body=body).advice
    if advice.size is None:
        return Proposal(School.OUTER, None, advice.reason)
    at = c.sizes.index(advice.size)
    larger = f", or {c.sizes[at + 1]} if thick things go under it" if at + 1 < len(c.sizes) else ""
    said = (
        f"Over {c.wish.over.words}: {c.show(more)} more all round says size {advice.size}."
        if more
        else f"The chart size, {advice.size}{larger}. Check the hip with a tape."
    )
    return Proposal(
        school=School.OUTER, size=advice.size, reason=said, rows=c.rows(advice.size), working=advice.working
    )
