"""How a seam runs down its pieces, and how much of a change is made where along it."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from itertools import accumulate

from rowanseed.core.alter.deform import smooth
from rowanseed.core.alter.frame import MEETS, ROUGH, Frame, frame_of
from rowanseed.core.geometry.outline import Point, flatten
from rowanseed.core.pattern.making import EdgePart, Join
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import Piece
from rowanseed.core.pattern.turned_yoke import laid_open

FAR = 60.0
"""A seam that begins or ends so far beyond the last level it crosses, in mm, has room to die away there."""
CROSSES = 15.0
"""A seam that ends within so much of a level, in mm, still crosses it: a waist is drawn just below its edge."""


def runs(pattern: Pattern, side: tuple[EdgePart, ...]) -> tuple[tuple[EdgePart, ...], ...]:
    """A side of a seam as runs, each one edge in a frame: with a slant pocket it is in two pieces of it. A seam that a
    zip closes across the waist has a run above it and one below."""
    runs: list[tuple[EdgePart, ...]] = []
    for part in side:
        at = (pattern.piece(part.piece).frame, part.edge)
        if runs and (pattern.piece(runs[-1][0].piece).frame, runs[-1][0].edge) == at:
            runs[-1] = (*runs[-1], part)
        else:
            runs.append((part,))
    return tuple(runs)


def levels_crossed(pattern: Pattern, size: str, join: Join) -> tuple[str, ...]:
    """The levels that both edges of a seam reach, from the top down."""
    pattern = laid_open(pattern)
    found: dict[str, None] = {}
    for one, other in zip(runs(pattern, join.a), runs(pattern, join.b), strict=True):
        there = levels_of(pattern, size, other)
        found |= dict.fromkeys(level for level in levels_of(pattern, size, one) if level in there)
    return tuple(found)


def levels_of(pattern: Pattern, size: str, run: tuple[EdgePart, ...]) -> tuple[str, ...]:
    frame = frame_of(pattern, size, run[0].piece)
    edges = [pattern.piece(part.piece).shapes[size].edges[part.edge] for part in run]
    xs = [p[0] for edge in edges for p in flatten(edge, ROUGH)]
    low, high = min(xs) - CROSSES, max(xs) + CROSSES
    return tuple(id for id, x in frame.levels() if low <= x <= high and id != "hem")


def level_of_tip(frame: Frame) -> float | None:
    """The level of the shoulder tip, which a change below it leaves where it is."""
    shoulders = [p.shapes[frame.size].edges["shoulder"] for p in frame.pieces if p.has_edge("shoulder")]
    return max((max(edge[0].start[0], edge[-1].end[0]) for edge in shoulders), default=None)


def share_along(
    pattern: Pattern, size: str, one: tuple[EdgePart, ...], other: tuple[EdgePart, ...], level: str
) -> Callable[[float], float]:
    """How much of the change is made at a place along the grain of a run, 0 to 1."""
    frame = frame_of(pattern, size, one[0].piece)
    top, bottom = _ends(pattern, size, one)
    if not level:
        return _to_the_shoulder(pattern, size, one)
    there = levels_of(pattern, size, other)
    crossed = [id for id in levels_of(pattern, size, one) if id in there]
    if level not in crossed:
        return lambda x: 0.0
    levels = [entry for entry in frame.levels() if entry[0] in crossed]
    at = next(k for k, (id, _) in enumerate(levels) if id == level)
    drawn_apart = _gaps(pattern, size, one)

    def sewn(x: float) -> float:
        """A place along the grain less what the run's pieces are drawn apart above it: what is sewn together there
        changes alike."""
        return x - sum(min(max(x - first, 0.0), last - first) for first, last in drawn_apart)

    here = levels[at][1]
    # No level beyond: to nothing where the seam begins and where it ends in another one, else on to the hem. At an
    # armhole it runs on, for there it slants: dying away would leave its two edges unlike. Nor does it reach a level
    # that lies beside the vent it ends at.
    above = levels[at - 1][1] if at else None
    if above is None and here - top > FAR and not _begins_at_armhole(pattern, size, one):
        above = top
    below = levels[at + 1][1] if at + 1 < len(levels) else None
    beyond = next((x for id, x in frame.levels() if x > bottom + CROSSES and id != "hem"), None)
    if below is None and bottom - here > FAR and (beyond is not None or _ends_in_a_seam(pattern, one)):
        below = bottom
    elif below is None:
        below = beyond

    def amount(x: float) -> float:
        if x <= here:
            return 1.0 if above is None else smooth((sewn(x) - sewn(above)) / (sewn(here) - sewn(above)))
        return 1.0 if below is None else smooth((sewn(below) - sewn(x)) / (sewn(below) - sewn(here)))

    return amount


def _gaps(pattern: Pattern, size: str, run: Sequence[EdgePart]) -> tuple[tuple[float, float], ...]:
    """Where along the grain none of a run's pieces lies, though they are sewn together there."""
    ends = sorted(_ends(pattern, size, (part,)) for part in run)
    furthest = list(accumulate((bottom for _, bottom in ends), max))
    return tuple((low, top) for low, (top, _) in zip(furthest, ends[1:], strict=False) if top > low)


def _ends_at_neck(piece: Piece, edge: str) -> bool:
    names = [one.name for one in piece.edges]
    k = names.index(edge)
    return "neck" in (names[k - 1], names[(k + 1) % len(names)])


def _ends(pattern: Pattern, size: str, run: Sequence[EdgePart]) -> tuple[float, float]:
    """Where a run begins and ends along the grain."""
    xs = [p[0] for part in run for p in flatten(pattern.piece(part.piece).shapes[size].edges[part.edge], ROUGH)]
    return min(xs), max(xs)


def _begins_at_armhole(pattern: Pattern, size: str, run: Sequence[EdgePart]) -> bool:
    upper = min((end for part in run for end in _ends_of(pattern, size, part)), key=lambda p: p[0])
    armholes = (EdgePart(part.piece, "armhole") for part in run if pattern.piece(part.piece).has_edge("armhole"))
    return any(math.dist(upper, end) < MEETS for part in armholes for end in _ends_of(pattern, size, part))


def _ends_of(pattern: Pattern, size: str, part: EdgePart) -> tuple[Point, Point]:
    chain = pattern.piece(part.piece).shapes[size].edges[part.edge]
    return chain[0].start, chain[-1].end


def _ends_in_a_seam(pattern: Pattern, run: Sequence[EdgePart]) -> bool:
    """Whether the pieces of a run are sewn to others below, at a waist seam or a band."""
    sewn = {(part.piece, part.edge) for join in pattern.making.joins for part in (*join.a, *join.b)}
    return any(
        (part.piece, edge.name) in sewn and edge.name != part.edge and _is_lower(pattern, part.piece, edge.name)
        for part in run
        for edge in pattern.piece(part.piece).edges
    )


def _is_lower(pattern: Pattern, piece: str, edge: str) -> bool:
    """Whether an edge is the lower one of a piece, not its upper one as a skirt's waist is."""
    shape = next(iter(pattern.piece(piece).shapes.values()))
    middle = shape.edges[edge][0].at(0.5)[0]
    return all(middle >= segment.at(0.5)[0] - CROSSES for chain in shape.edges.values() for segment in chain)


def dies_away_above(pattern: Pattern, size: str, join: Join) -> bool:
    """Whether a change all along a seam dies away towards its upper end, at a neck or a shoulder."""
    return any(_from_where(pattern, size, run) is not None for side in (join.a, join.b) for run in runs(pattern, side))


def _from_where(pattern: Pattern, size: str, run: tuple[EdgePart, ...]) -> float | None:
    """The level from which a change all along a run dies away to its upper end, since a neck or a shoulder keeps its
    length: the highest it crosses; of a yoke that lies by itself its lower edge. None where it goes up unchanged."""
    frame, piece = frame_of(pattern, size, run[0].piece), pattern.piece(run[0].piece)
    top, bottom = _ends(pattern, size, run)
    highest = min((x for _, x in frame.levels() if x > top), default=bottom)
    ceiling = level_of_tip(frame)
    reaches_up = _ends_at_neck(piece, run[0].edge) if ceiling is None else piece.has_edge("shoulder") and top <= ceiling
    return highest if reaches_up and highest - top > FAR else None


def _to_the_shoulder(pattern: Pattern, size: str, run: tuple[EdgePart, ...]) -> Callable[[float], float]:
    """All along; but a seam from the shoulder or the neck dies away to it above the highest level."""
    highest = _from_where(pattern, size, run)
    if highest is None:
        return lambda x: 1.0
    top, _ = _ends(pattern, size, run)
    return lambda x: smooth((x - top) / (highest - top))
