"""Bands of a knit or of ribbing, ribbed as they are: above the neck, below the lower edge, at the ends of sleeves and
legs."""

from __future__ import annotations

import math
from collections.abc import Iterator, Sequence
from itertools import pairwise

from rowanseed.core.geometry.outline import lerp
from rowanseed.core.pattern.making import DifferenceKind, Press
from rowanseed.core.pattern.pieces import Panel
from rowanseed.drawings.line.dressed import Dressed, Line, Run, Stroke, inward, narrow, stepped

RIB = 14.0
"""Ribs are drawn so far apart, in mm."""
DRAWN_IN = 0.94
"""A lower band draws the edge in to so much, as it is drawn."""

SHOULDER = -5
"""Where a raglan sleeve as it is drawn has its point at the shoulder."""


def stretched(dressed: Dressed) -> Iterator[Stroke]:
    """Along the edges of this side that a band is stretched on to; at a sleeve's end within what is drawn of it."""
    for join in dressed.pattern.making.joins:
        at_neck = any(p.edge == "neck" for p in join.a)
        if join.difference.kind is not DifferenceKind.STRETCHED_ON or (join.press is Press.BAND and not at_neck):
            # Folded over a lower edge, one is drawn in `lower_bands`.
            continue
        band = dressed.drawn(join.b[0].piece)
        if band is None:
            continue
        deep = narrow(band, dressed.size) / 2
        panels = {dressed.pattern.piece(p.piece).panel for p in join.a}
        if panels == {Panel.SLEEVE}:
            yield from _cuffs(dressed, deep)
            continue
        for part in dict.fromkeys((p.piece, p.edge) for p in join.a):
            one = dressed.laid(part[0])
            if one is None or part[1] not in one.edges:
                continue
            if at_neck:
                run = list(one.edges[part[1]])
                if Panel.SLEEVE in panels and dressed.sleeves:
                    # Between the raglan seams the neck goes on over the sleeve, to its point at the shoulder.
                    run.insert(0 if run[0][1] > run[-1][1] else len(run), dressed.sleeves[0][SHOULDER])
                end = max(y for _, y in run)
                up = [(x, min(max(0.0, y), end)) for x, y in inward(one, run, -deep)]
                yield from ribbed("neck", run, up)
            else:
                run = sorted(one.edges[part[1]], key=lambda q: q[1])
                middle = min(y for _, y in run) if "crotch" not in one.edges else (run[0][1] + run[-1][1]) / 2
                low = [(x + deep, middle + (y - middle) * DRAWN_IN) for x, y in run]
                yield from ribbed("hem", run, low)


def _cuffs(dressed: Dressed, deep: float) -> Iterator[Stroke]:
    for ring in dressed.sleeves:
        tip, outer, low, under = ring[-4:]
        share = [deep / max(1.0, math.dist(a, b)) for a, b in ((outer, tip), (low, under))]
        run = [lerp(outer, tip, share[0]), lerp(low, under, share[1])]
        yield from ribbed("sleeve", run, [outer, low])


def ribbed(
    part: str, near: Run, far: Sequence[tuple[float, float]], hands: tuple[int, ...] = (-1, 1)
) -> Iterator[Stroke]:
    """What lies between two runs, with ribs from the one to the other."""
    yield Stroke(part, [*near, *reversed(far)], Line.FILLED, hands)
    long = sum(math.dist(a, b) for a, b in pairwise(near))
    count = max(2, round(long / RIB))
    ends = (stepped(list(run), sum(math.dist(a, b) for a, b in pairwise(run)) / count) for run in (near, far))
    for a, b in zip(*ends, strict=False):
        yield Stroke(part, [a, b], Line.FINE, hands)
