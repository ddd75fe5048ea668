"""The ease pleat at the centre back of a lining: a fold that gives the shoulders room (common practice, no source)."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from rowanseed.core.base.units import INCH
from rowanseed.core.derive.choice import Pleat
from rowanseed.core.derive.shaping import Run
from rowanseed.core.geometry.outline import Point
from rowanseed.core.pattern.pieces import EASE_PLEAT, SHUT_PLEAT, WAIST, InnerLine, LineKind, Piece

YOKE = "yoke"
PLEAT_DEPTH = INCH
"""The centre is set this far from the fold, so that the pleat takes up twice as much."""


def hangs_from_waist(runs: Mapping[str, Run], centre: str) -> bool:
    """Whether a piece begins at a waist seam: below it there is no pleat, it is the shoulders that need the room."""
    return _ends_on(runs, centre)[0] == WAIST


def _ends_on(runs: Mapping[str, Run], centre: str) -> tuple[str, str]:
    """The edges that the centre runs out on, the upper one first."""
    names = list(runs)
    k = names.index(centre)
    before, after = names[k - 1], names[(k + 1) % len(names)]
    return (before, after) if runs[centre][0] < runs[centre][-1] else (after, before)


def pleated(
    piece: Piece, size: str, runs: dict[str, Run], centre: str, pleat: Pleat
) -> tuple[dict[str, Run], tuple[InnerLine, ...]]:
    """The centre moved outwards by the pleat's depth: all of it, or at the neck, tapering to nothing at the waist.

    A piece on the fold keeps its straight fold; a shoulder pleat is then sewn shut below the waist.
    """
    ys = [p[1] for run in runs.values() for p in run]
    low = abs(runs[centre][0][1] - min(ys)) < abs(runs[centre][0][1] - max(ys))
    away = -1.0 if low else 1.0
    folded = any(cut.fold == centre for cut in piece.cuts)
    upper, lower = sorted((runs[centre][0], runs[centre][-1]))
    level = piece.line(LineKind.LEVEL, WAIST)
    waist: float | None = lower[0] if level is None else level.ends[size][0][0]
    if level is None and _ends_on(runs, centre)[1] == YOKE:
        # A yoke ends above the waist: the pleat runs through it at its full depth.
        waist = None

    def outwards(p: Point) -> Point:
        share = 1.0
        if pleat is Pleat.SHOULDERS and not folded and waist is not None and waist > upper[0]:
            share = max(0.0, min(1.0, (waist - p[0]) / (waist - upper[0])))
        return (p[0], p[1] + away * PLEAT_DEPTH * share)

    wider = _moved_apart(runs, outwards, centre)
    open_to = lower
    if pleat is Pleat.SHOULDERS and folded and waist is not None and upper[0] < waist < lower[0]:
        share = (waist - upper[0]) / (lower[0] - upper[0])
        open_to = (waist, upper[1] + share * (lower[1] - upper[1]))
    opens = InnerLine(EASE_PLEAT, LineKind.PLEAT, {size: (upper, open_to)})
    shut = InnerLine(SHUT_PLEAT, LineKind.PLEAT, {size: (open_to, lower)})
    return wider, (opens,) if open_to == lower else (opens, shut)


def _moved_apart(runs: Mapping[str, Run], move: Callable[[Point], Point], edge: str) -> dict[str, Run]:
    """The runs with one edge moved; its neighbours get a straight bit out to it and keep their own shape."""
    names = list(runs)
    k = names.index(edge)
    before, after = names[k - 1], names[(k + 1) % len(names)]
    out = {name: list(run) for name, run in runs.items()}
    out[edge] = [move(p) for p in runs[edge]]
    if out[edge][0] != out[before][-1]:
        out[before].append(out[edge][0])
    if out[edge][-1] != out[after][0]:
        out[after].insert(0, out[edge][-1])
    return out
