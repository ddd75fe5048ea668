"""A band let in between bodice and skirt, drawn from the one to the other: both are drawn with their darts open, and
wider for it than the band."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.making import INSET_EDGE
from rowanseed.drawings.line.laid import CENTRES, Laid


def let_in(lying: Sequence[Laid]) -> tuple[Laid, ...]:
    """The pieces of one side as they lie, a band among them as wide as what it is sewn to."""
    return tuple(_between(one, [other for other in lying if other is not one]) for one in lying)


def _between(band: Laid, others: Sequence[Laid]) -> Laid:
    above = [q for one in others for q in one.edges.get(INSET_EDGE, ())]
    below = [one.edges["waist"] for one in others if "waist" in one.edges]
    if INSET_EDGE not in band.edges or "waist" not in band.edges or not above or not below:
        return band
    wide = max(above, key=lambda q: q[1])
    foot = max((q for run in below for q in run), key=lambda q: q[1])
    centre = next(name for name in band.edges if name in CENTRES)
    x0, x1 = wide[0], max(x for x, _ in band.edges[centre])
    inner = min(y for _, y in band.edges[INSET_EDGE])
    edges: dict[str, list[Point]] = {
        "waist": [(x1, inner), foot],
        "side": [foot, wide],
        INSET_EDGE: [wide, (x0, inner)],
    }
    return replace(band, edges={centre: band.edges[centre], **edges})
