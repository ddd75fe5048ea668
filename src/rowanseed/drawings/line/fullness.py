"""Fullness as it falls: pleats down a skirt, gathers round a sleeve's cap."""

from __future__ import annotations

import math
from collections.abc import Iterator
from itertools import pairwise

from rowanseed.core.pattern.making import Detail, DetailKind, DifferenceKind
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pleats import pleats_of
from rowanseed.drawings.line.dressed import Dressed, Run, Stroke
from rowanseed.drawings.line.hanging import UNDER_YOKES
from rowanseed.drawings.line.laid import Laid, along

QUARTERS = 4
"""A front or a back shows a quarter of all pleats on each hand."""
BOX = 0.3
"""A box pleat shows its two folds, so far to either side of its middle, as a share of the way to the next one."""
UPPER, APART, STROKE = 0.6, 18.0, 24.0
"""Gathers lie along the upper part of a cap, so far apart and so long, in mm."""
DOWN = 180.0
"""A pleat under a yoke is seen so far down, in mm."""
HELD = 2
"""So many pleats at most are only held at a yoke; more fall from there to the hem."""
FALLS = (DetailKind.KNIFE_PLEATS, DetailKind.BOX_PLEATS, DetailKind.INVERTED_PLEATS)


def is_pleated(pattern: Pattern, piece: str) -> bool:
    """Whether a piece falls in pleats that the pattern tells of by their kind."""
    return any(d.kind in FALLS and piece in d.on for d in pattern.making.details)


def falling(dressed: Dressed, detail: Detail) -> Iterator[Stroke]:
    """The folds of pleats: from the waist to the hem, or down from a yoke as far as they are seen to fall."""
    number = max(1, round(detail.count / QUARTERS))
    shares = [(k + 0.5) / number for k in range(number)]
    if detail.kind is not DetailKind.KNIFE_PLEATS:
        shares = [share + hand * BOX / number for share in shares for hand in (-1, 1)]
    for id in detail.on:
        one = dressed.laid(id)
        yoke = next((edge for edge in UNDER_YOKES if one is not None and edge in one.edges), None)
        if one is not None and yoke is not None:
            yield from _below_a_yoke(one, one.edges[yoke], detail, dressed.size)
        upper = yoke if yoke is not None and detail.count > HELD else "waist"
        if one is None or not {upper, "hem"} <= set(one.edges):
            continue
        above, below = (sorted(one.edges[name], key=lambda q: q[1]) for name in (upper, "hem"))
        for share in shares:
            yield Stroke("skirt", [_at(above, share), _at(below, share)])


def _below_a_yoke(one: Laid, yoke: Run, detail: Detail, size: str) -> Iterator[Stroke]:
    """The fold of the pleat next to the centre, whose other one is its mirror image."""
    pleats = pleats_of(one.piece, size)
    if not pleats or detail.count > HELD:
        return
    x = max(yoke, key=lambda q: -q[1])[0]
    out = min(abs(pleat.fold[0][1]) for pleat in pleats)
    yield Stroke(one.piece.panel.value, [(x, out), (x + DOWN, out)])


def gathered_caps(dressed: Dressed) -> Iterator[Stroke]:
    """Short strokes from the upper part of an armhole that a gathered cap is sewn into."""
    caps = {
        part.piece
        for join in dressed.pattern.making.joins
        if join.difference.kind is DifferenceKind.GATHERS
        for part in (*join.a, *join.b)
        if part.edge == "cap"
    }
    if not caps or not dressed.sleeves:
        return
    tip, outer = dressed.sleeves[0][-4:][:2]
    long = math.dist(tip, outer) or 1.0
    dx, dy = (outer[0] - tip[0]) / long, (outer[1] - tip[1]) / long
    for one in (one for one in dressed.pieces if "armhole" in one.edges):
        run = sorted(one.edges["armhole"])
        whole = _long(run)
        for k in range(int(UPPER * whole / APART) + 1):
            x, y = along(run, k * APART, from_end=False)
            far = STROKE * (1.0 if k % 2 else 0.7)
            yield Stroke("sleeve", [(x, y), (x + dx * far, y + dy * far)])


def _long(run: Run) -> float:
    return sum(math.dist(a, b) for a, b in pairwise(run))


def _at(run: Run, share: float) -> tuple[float, float]:
    return along(run, _long(run) * share, from_end=False)
